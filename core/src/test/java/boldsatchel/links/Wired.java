package boldsatchel.links;

import static boldsatchel.Samples.exact;

import boldsatchel.Samples;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Port;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Small machines of which only the sockets matter. */
public final class Wired {

    private Wired() {}

    /** A signal that a part makes. */
    public static Carried gives(Signal signal, int lanes) {
        return carried(signal, Carried.Way.GIVES, lanes, "");
    }

    /** A signal that a part passes on from what it takes for a duty. */
    public static Carried passes(Signal signal, int lanes, String duty) {
        return carried(signal, Carried.Way.GIVES, lanes, duty);
    }

    /** A signal that a part needs for a duty. */
    public static Carried takes(Signal signal, int lanes, String duty) {
        return carried(signal, Carried.Way.TAKES, lanes, duty);
    }

    private static Carried carried(Signal signal, Carried.Way way, int lanes, String duty) {
        return new Carried(signal, way, lanes, duty, List.of(), Optional.empty(), Optional.empty());
    }

    /** The same on pins of a header. */
    public static Carried on(Carried c, List<Integer> pins) {
        return new Carried(c.signal(), c.way(), c.lanes(), c.duty(), pins, c.volts(), c.hertz());
    }

    /** The same at a logic level. */
    public static Carried at(Carried c, double volts) {
        return new Carried(c.signal(), c.way(), c.lanes(), c.duty(), c.pins(), Optional.of(volts), c.hertz());
    }

    public static Port socket(String name, Connector connector, Carried... carries) {
        return port(name, connector, false, carries);
    }

    public static Port plug(String name, Connector connector, Carried... carries) {
        return port(name, connector, true, carries);
    }

    private static Port port(String name, Connector connector, boolean plug, Carried... carries) {
        return new Port(
                name,
                name,
                connector,
                plug,
                Face.LEFT,
                new Vec(0, 5, 2),
                Port.Use.INSIDE_ANGLED,
                Optional.empty(),
                List.of(carries));
    }

    public static Part part(String id, Family family, List<Facet> facets, Port... ports) {
        return Samples.part(id, family, 20, 20, 5, 10, facets.toArray(Facet[]::new))
                .withBody(new Body(
                        exact(20), exact(20), exact(5), List.of(), List.of(), List.of(ports), Optional.empty()));
    }

    public static Part board(Port... ports) {
        return part("board", Family.SINGLE_BOARD, List.of(), ports);
    }

    public static Part screen(String id, int across, int down, double hertz, Port... ports) {
        Facet.ShowsPicture shows =
                new Facet.ShowsPicture(across, down, new boldsatchel.geometry.Box(1, 1, 5, 18, 18, 0), hertz, 24);
        return part(id, Family.SCREEN, List.of(shows), ports);
    }

    public static Part cable(String id, double lengthMm, Set<Signal> signals, Port one, Port other) {
        return part(id, Family.CABLE, List.of(new Facet.Joins(signals, 4, exact(lengthMm), false)), one, other);
    }

    public static Part hdmi(String id, double lengthMm) {
        return cable(id, lengthMm, Set.of(Signal.HDMI_2_0), plug("a", Connector.HDMI), plug("b", Connector.HDMI));
    }

    public static Part usb(String id, double lengthMm) {
        return cable(id, lengthMm, Set.of(Signal.USB_5G), plug("a", Connector.USB_A), plug("b", Connector.USB_C));
    }

    public static Part wires(String id, double lengthMm) {
        return cable(
                id,
                lengthMm,
                Set.of(Signal.I2C, Signal.SPI, Signal.UART, Signal.GPIO, Signal.ANALOGUE),
                plug("a", Connector.WIRES),
                plug("b", Connector.WIRES));
    }

    public static Build machine(Part... parts) {
        return Build.empty("links").with(new Parts(Arrays.asList(parts)));
    }

    /** The build with sockets plugged into one another: part, socket, part, socket. */
    public static Build plugged(Build build, String... ends) {
        List<Link> links = new ArrayList<>(build.wiring().links());
        for (int i = 0; i < ends.length; i += 4) {
            links.add(new Link(
                    "l" + links.size(), Link.End.of(ends[i], ends[i + 1]), Link.End.of(ends[i + 2], ends[i + 3])));
        }
        return build.with(build.wiring().withLinks(links));
    }
}
