package boldsatchel.links;

import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * An I2C bus: open outputs, pulled up by resistors against the capacitance of all that hangs on it.
 *
 * @param header socket that it begins at
 * @param signal of that socket
 * @param parts ids of those that hang on it, in the order of the build
 * @param pullUpOhms all resistors together; infinite where none is known
 * @param farads of a wire
 * @param hertz clock: the slowest of all
 */
public record Bus(Link.End header, Carried signal, List<String> parts, double pullUpOhms, double farads, double hertz) {

    /** Capacitance of wires side by side, F/mm; a usual ribbon has 50 to 100 pF/m, the more is taken. */
    private static final double FARADS_PER_MM = 100e-15;

    /** From 30 % to 70 % of the voltage, a capacitor charged over a resistor takes ln(0.7/0.3) time constants. */
    private static final double RISES = Math.log(0.7 / 0.3);

    /** The most current that an output has to sink (I2C-bus specification UM10204, table 10). */
    public static final double MOST_SINK_A = 3e-3;

    /** Copies the list. */
    public Bus {
        parts = List.copyOf(parts);
    }

    /** Buses of a build that parts hang on. */
    public static List<Bus> all(Build build, List<Need> needs) {
        Map<List<Object>, List<Need>> byPlace = new LinkedHashMap<>();
        for (Need need : needs) {
            need.route()
                    .filter(r -> LinksEngine.kind(r) == Signal.Kind.I2C)
                    .map(r -> r.hops().getFirst())
                    .ifPresent(h -> byPlace.computeIfAbsent(
                                    List.of(h.giver().unpinned(), h.given()), k -> new ArrayList<>())
                            .add(need));
        }
        return byPlace.values().stream().map(n -> of(build, n)).toList();
    }

    private static Bus of(Build build, List<Need> needs) {
        Route.Hop first = needs.getFirst().route().orElseThrow().hops().getFirst();
        double siemens = 0;
        double farads = 0;
        double hertz = clock(first.given());
        List<String> parts = new ArrayList<>();
        List<String> all = new ArrayList<>(List.of(first.giver().part()));
        for (Need need : needs) {
            Route route = need.route().orElseThrow();
            parts.add(need.part());
            all.add(need.part());
            farads += route.lengthMm() * FARADS_PER_MM;
            hertz = Math.min(hertz, clock(route.taken()));
        }
        for (String id : all) {
            Optional<Facet.OnBus> on = build.part(id).flatMap(p -> p.facet(Facet.OnBus.class));
            siemens += on.flatMap(Facet.OnBus::pullUpOhms).map(r -> 1 / r).orElse(0.0);
            farads += on.map(Facet.OnBus::farads).orElse(Facet.OnBus.USUAL_FARADS);
        }
        return new Bus(first.giver().unpinned(), first.given(), parts, 1 / siemens, farads, hertz);
    }

    private static double clock(Carried c) {
        return c.hertz().orElse(c.signal().bitsPerSecond());
    }

    /** From 30 % to 70 %, s. */
    public double riseSeconds() {
        return RISES * pullUpOhms * farads;
    }

    /** The most it may take (UM10204, table 11: standard, fast, fast plus). */
    public double riseMostSeconds() {
        return hertz > 400e3 ? 120e-9 : hertz > 100e3 ? 300e-9 : 1000e-9;
    }

    /** The most that the resistors may be together, Ω. */
    public double mostOhms() {
        return riseMostSeconds() / (RISES * farads);
    }

    /** Current that an output sinks while it pulls down, A; not a number where the level is not known. */
    public double sinkA() {
        return signal.volts().map(v -> v / pullUpOhms).orElse(Double.NaN);
    }

    /** The part of a bus that brings resistors. */
    public Optional<Part> bringer(Build build) {
        return parts.stream()
                .flatMap(id -> build.part(id).stream())
                .filter(p -> p.facet(Facet.OnBus.class)
                        .flatMap(Facet.OnBus::pullUpOhms)
                        .isPresent())
                .findFirst();
    }
}
