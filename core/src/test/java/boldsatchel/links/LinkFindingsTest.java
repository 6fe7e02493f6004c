package boldsatchel.links;

import static boldsatchel.links.Wired.at;
import static boldsatchel.links.Wired.board;
import static boldsatchel.links.Wired.cable;
import static boldsatchel.links.Wired.gives;
import static boldsatchel.links.Wired.hdmi;
import static boldsatchel.links.Wired.machine;
import static boldsatchel.links.Wired.on;
import static boldsatchel.links.Wired.part;
import static boldsatchel.links.Wired.passes;
import static boldsatchel.links.Wired.plug;
import static boldsatchel.links.Wired.plugged;
import static boldsatchel.links.Wired.screen;
import static boldsatchel.links.Wired.socket;
import static boldsatchel.links.Wired.takes;
import static boldsatchel.links.Wired.usb;
import static boldsatchel.links.Wired.wires;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Findings;
import boldsatchel.edit.Edits;
import boldsatchel.edit.LinkEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Signal;
import boldsatchel.plan.LinkPlanner;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** For each thing that goes wrong with links a small machine that shows it, and its sound twin that does not. */
public class LinkFindingsTest {

    private static final Part KEYBOARD =
            part("keys", Family.KEYBOARD, List.of(), socket("usb", Connector.USB_C, takes(Signal.USB_FULL, 1, "keys")));

    private static Part drive(double readMbS) {
        return part(
                "drive",
                Family.DRIVE,
                List.of(new Facet.Stores(500, readMbS)),
                plug("plug", Connector.USB_A, takes(Signal.USB_5G, 1, "data")));
    }

    private static Port host(String name, Signal signal) {
        return socket(name, Connector.USB_A, gives(signal, 1));
    }

    private static Port picture(String name, Signal signal) {
        return socket(name, Connector.HDMI, gives(signal, 1));
    }

    private static Part monitor(String id, int across, int down, double hertz) {
        return screen(id, across, down, hertz, socket("hdmi", Connector.HDMI, takes(Signal.HDMI_2_1, 1, "picture")));
    }

    private static Build shown(Part screen, Port by, Facet... facets) {
        return plugged(
                machine(part("board", Family.SINGLE_BOARD, List.of(facets), by), screen, hdmi("cable", 500)),
                "board",
                by.id(),
                "cable",
                "a",
                "cable",
                "b",
                screen.id(),
                "hdmi");
    }

    private static Port header(double volts) {
        return socket(
                "pins",
                Connector.PIN_HEADER,
                at(on(gives(Signal.I2C, 2), List.of(3, 5)), volts),
                at(on(gives(Signal.GPIO, 4), List.of(3, 5, 7, 11)), volts));
    }

    private static Part sensor(String id, double volts, Integer... addresses) {
        return part(
                id,
                Family.MICROCONTROLLER,
                List.of(new Facet.OnBus(List.of(addresses), Optional.empty(), 1e-11)),
                socket("pins", Connector.PIN_HEADER, at(takes(Signal.I2C, 2, "data"), volts)));
    }

    private static Build sensed(double boardV, Part... sensors) {
        Build build = machine(board(header(boardV)));
        for (Part sensor : sensors) {
            build = build.with(build.parts().and(sensor).and(wires("w-" + sensor.id(), 150)));
            build = plugged(
                    build, "board", "pins", "w-" + sensor.id(), "a", "w-" + sensor.id(), "b", sensor.id(), "pins");
        }
        return build;
    }

    private static Build read(double readMbS, Signal port) {
        return plugged(
                machine(board(host("slow", port), host("fast", Signal.USB_5G)), drive(readMbS)),
                "board",
                "slow",
                "drive",
                "plug");
    }

    private static Build keyed(Set<Signal> carried, double lengthMm) {
        Part lead = cable("lead", lengthMm, carried, plug("a", Connector.USB_A), plug("b", Connector.USB_C));
        return plugged(
                machine(board(host("usb", Signal.USB_480)), KEYBOARD, lead),
                "board",
                "usb",
                "lead",
                "a",
                "lead",
                "b",
                "keys",
                "usb");
    }

    private static Build fed(String port) {
        Part other = part("lamp", Family.CONTROL, List.of());
        Build build = plugged(
                machine(
                        board(host("one", Signal.USB_480), host("two", Signal.USB_480)),
                        KEYBOARD,
                        usb("lead", 200),
                        other),
                "board",
                "one",
                "lead",
                "a",
                "lead",
                "b",
                "keys",
                "usb");
        return build.withChain(
                List.of(Rung.of("s", new Rung.Socket("board", port), Rung.of("l", new Rung.OfPart("lamp")))));
    }

    private static Build pinned(int pin) {
        Build build = machine(
                board(header(3.3)),
                part("a", Family.CONTROL, List.of(), socket("tag", Connector.PADS, takes(Signal.GPIO, 1, "press"))),
                part("b", Family.CONTROL, List.of(), socket("tag", Connector.PADS, takes(Signal.GPIO, 1, "press"))),
                wires("wa", 100),
                wires("wb", 100));
        build = plugged(build, "wa", "b", "a", "tag", "wb", "b", "b", "tag");
        List<Link> links = new java.util.ArrayList<>(build.wiring().links());
        links.add(new Link("pa", new Link.End("board", "pins", List.of(7)), Link.End.of("wa", "a")));
        links.add(new Link("pb", new Link.End("board", "pins", List.of(pin)), Link.End.of("wb", "a")));
        return build.with(build.wiring().withLinks(links));
    }

    private static Build buttons(int lines) {
        return plugged(
                machine(
                        board(header(3.3)),
                        part(
                                "buttons",
                                Family.CONTROL,
                                List.of(),
                                socket("tags", Connector.PADS, takes(Signal.GPIO, lines, "press"))),
                        wires("w", 100)),
                "board",
                "pins",
                "w",
                "a",
                "w",
                "b",
                "buttons",
                "tags");
    }

    private static Build chained(int hubs) {
        Build build = machine(
                board(host("usb", Signal.USB_480)),
                part(
                        "stick",
                        Family.DRIVE,
                        List.of(),
                        plug("plug", Connector.USB_A, takes(Signal.USB_480, 1, "data"))));
        String above = "board";
        String port = "usb";
        for (int i = 0; i < hubs; i++) {
            Part hub = part(
                    "hub" + i,
                    Family.HUB,
                    List.of(),
                    plug("in", Connector.USB_A, takes(Signal.USB_480, 1, "host")),
                    socket("out", Connector.USB_A, passes(Signal.USB_480, 1, "host")));
            build = build.with(build.parts().and(hub));
            build = plugged(build, above, port, hub.id(), "in");
            above = hub.id();
            port = "out";
        }
        return plugged(build, above, port, "stick", "plug");
    }

    private static Facet drives(int screens, double megahertz) {
        return new Facet.DrivesScreens(screens, megahertz * 1e6);
    }

    private static Build two(int screens) {
        Build build = shown(monitor("left", 1280, 800, 60), picture("one", Signal.HDMI_2_0), drives(screens, 300));
        Part board = build.part("board").orElseThrow();
        Part more = part(
                "board",
                board.family(),
                board.facets(),
                picture("one", Signal.HDMI_2_0),
                picture("two", Signal.HDMI_2_0));
        build = build.with(more);
        build = build.with(build.parts().and(monitor("right", 1280, 800, 60)).and(hdmi("second", 500)));
        return plugged(build, "board", "two", "second", "a", "second", "b", "right", "hdmi");
    }

    private static Part pulled(String id, double ohms) {
        Part part = sensor(id, 3.3, 32);
        return part.withFacet(part.facet(Facet.OnBus.class).orElseThrow().pulledUp(Optional.of(ohms)));
    }

    private static Build radio(double lengthMm) {
        return plugged(
                machine(
                        part(
                                "card",
                                Family.RADIO,
                                List.of(),
                                socket("a", Connector.UFL, takes(Signal.RADIO, 1, "antenna"))),
                        part("whip", Family.RADIO, List.of(), socket("a", Connector.UFL, gives(Signal.RADIO, 1))),
                        cable(
                                "lead",
                                lengthMm,
                                Set.of(Signal.RADIO),
                                plug("a", Connector.UFL),
                                plug("b", Connector.UFL))),
                "card",
                "a",
                "lead",
                "a",
                "lead",
                "b",
                "whip",
                "a");
    }

    private static Build paper(double hertz) {
        Build build = shown(monitor("panel", 800, 480, hertz), picture("hdmi", Signal.HDMI_1_4));
        return build.with(
                build.part("panel").orElseThrow().withFacet(new Facet.Refreshes(boldsatchel.Samples.exact(1), 15)));
    }

    private static Build spared(boolean spare) {
        Build build = keyed(Set.of(Signal.USB_480), 300);
        return spare ? build.with(build.parts().and(usb("left over", 200))) : build;
    }

    /** A panel of 320 × 240 on three wires and a select line. */
    private static Build small(double hertz) {
        Facet.ShowsPicture shows =
                new Facet.ShowsPicture(320, 240, new boldsatchel.geometry.Box(1, 1, 5, 18, 18, 0), hertz, 16);
        return plugged(
                machine(
                        board(socket("pins", Connector.PIN_HEADER, on(gives(Signal.SPI, 1), List.of(19, 21, 23, 24)))),
                        part(
                                "panel",
                                Family.SCREEN,
                                List.of(shows),
                                socket("pins", Connector.PIN_HEADER, takes(Signal.SPI, 1, "picture"))),
                        wires("w", 100)),
                "board",
                "pins",
                "w",
                "a",
                "w",
                "b",
                "panel",
                "pins");
    }

    /** Code, the machine with it, its figures, its sound twin, whether its first remedy is an edit. */
    @DataProvider
    Object[][] findings() {
        Build unplugged = machine(board(host("usb", Signal.USB_480)), KEYBOARD);
        Build full = plugged(
                machine(board(host("usb", Signal.USB_480)), KEYBOARD, drive(10)), "board", "usb", "drive", "plug");
        Build hub = machine(board(host("usb", Signal.USB_480), host("two", Signal.USB_480)), KEYBOARD, drive(10));
        Build bare = machine(
                board(picture("hdmi", Signal.HDMI_1_4)),
                screen("panel", 1920, 1080, 60, socket("edp", Connector.EDP, takes(Signal.EDP_2_7, 2, "picture"))));
        Build deaf = machine(
                board(host("usb", Signal.USB_480)),
                part(
                        "speakers",
                        Family.SOUND,
                        List.of(),
                        plug("leads", Connector.SMALL_PLUG, takes(Signal.SPEAKER, 2, "sound"))));
        Build sound = deaf.with(board(socket("out", Connector.SMALL_PLUG, gives(Signal.SPEAKER, 2))));
        // 1920 × 1080 at 60 Hz is 138.5 MHz; 3840 × 2160 at 60 Hz 533.25 MHz, of which HDMI 1.4 carries 340.
        return new Object[][] {
            {"links.unplugged", unplugged, Double.NaN, sound(unplugged), true},
            {"links.no-port", full, Double.NaN, sound(hub), true},
            {
                "links.nobody",
                bare,
                Double.NaN,
                shown(monitor("panel", 1920, 1080, 60), picture("hdmi", Signal.HDMI_1_4)),
                true
            },
            {"links.nobody", deaf, Double.NaN, plugged(sound, "board", "out", "speakers", "leads"), true},
            {"links.no-data", keyed(Set.of(), 300), Double.NaN, keyed(Set.of(Signal.USB_480), 300), true},
            {"links.slow", read(400, Signal.USB_480), 60, read(400, Signal.USB_5G), true},
            {
                "links.frames",
                shown(monitor("wall", 3840, 2160, 60), picture("hdmi", Signal.HDMI_1_4)),
                60 * 340 / 533.25,
                shown(monitor("wall", 3840, 2160, 60), picture("hdmi", Signal.HDMI_2_0)),
                true
            },
            {
                "links.pixels",
                shown(monitor("wall", 1920, 1080, 60), picture("hdmi", Signal.HDMI_2_0), drives(1, 100)),
                138.5,
                shown(monitor("wall", 1920, 1080, 60), picture("hdmi", Signal.HDMI_2_0), drives(1, 140)),
                true
            },
            {"links.screens", two(1), 2, two(2), false},
            {"links.level-high", sensed(3.3, sensor("s", 5, 32)), 5, sensed(3.3, sensor("s", 3.3, 32)), true},
            {
                "links.address",
                sensed(3.3, sensor("s", 3.3, 32, 33), sensor("t", 3.3, 32)),
                32,
                sensed(3.3, sensor("s", 3.3, 33), sensor("t", 3.3, 32)),
                true
            },
            // 0.847 · 20 kΩ · (10 pF a pin, 15 pF of wire).
            {"links.no-pull-ups", sensed(3.3, sensor("s", 3.3, 32)), 0, sensed(3.3, pulled("s", 4700)), true},
            {
                "links.rise",
                sensed(3.3, pulled("s", 20_000)),
                0.8473 * 20_000 * 35e-3,
                sensed(3.3, pulled("s", 4700)),
                true
            },
            {"links.pull-strong", sensed(3.3, pulled("s", 1000)), 3.3, sensed(3.3, pulled("s", 1200)), true},
            // 2.2 dB/m · 1.2 m · √5.5 + 2 · 0.2 dB.
            {"links.radio-loss", radio(1200), 2.2 * 1.2 * Math.sqrt(5.5) + 0.4, radio(200), true},
            {
                "links.frames",
                small(24),
                // 320 × 240 × 16 bits at 10 MHz, one bit a clock.
                10e6 / (320 * 240 * 16),
                small(5),
                true
            },
            {"links.refresh", paper(1), 0.25, paper(0.25), true},
            {"links.spare", spared(true), 1, spared(false), true},
            {"links.pin", pinned(7), 7, pinned(11), true},
            {"links.no-pins", buttons(5), 5, buttons(4), true},
            {"links.length", keyed(Set.of(Signal.USB_480), 6000), 6000, keyed(Set.of(Signal.USB_480), 4000), true},
            {"links.tiers", chained(6), 6, chained(5), true},
            {"links.feeds-other", fed("one"), Double.NaN, fed("two"), true},
        };
    }

    /** The twin of a machine whose parts are still to be plugged in. */
    private static Build sound(Build open) {
        return LinkPlanner.connect(open).edit().orElseThrow().change().apply(open);
    }

    @Test(dataProvider = "findings")
    public void eachIsFoundWithItsFigureAndGoneAfterItsFirstRemedy(
            String code, Build build, double is, Build twin, boolean editable) {
        Findings.hold(code, build, is, twin, editable);
    }

    @Test
    public void aNeedThatIsLeftOpenOnPurposeIsNeitherFoundNorCounted() {
        Build open = machine(board(host("usb", Signal.USB_480)), KEYBOARD);
        Build left = LinkEdits.waive(KEYBOARD, "keys", true).change().apply(open);
        assertThat(Findings.of(left, "links.unplugged")).isEmpty();
        Verdict verdict = Evaluator.evaluate(left).verdict(Verdict.Kind.CONNECTS);
        assertThat(verdict.value()).isZero();
        assertThat(verdict.sentence()).contains("on purpose");
    }

    @Test
    public void whatDoesNotGoTogetherIsRefusedInWords() {
        Part slot =
                part("slot", Family.DRIVE, List.of(), socket("sata", Connector.SATA, takes(Signal.USB_480, 1, "data")));
        Build build = plugged(
                machine(
                        board(host("usb", Signal.USB_480), picture("hdmi", Signal.HDMI_1_4)),
                        KEYBOARD,
                        drive(10),
                        slot,
                        usb("lead", 200)),
                "board",
                "usb",
                "drive",
                "plug");
        assertThat(refusal(build, "board", "hdmi", "keys", "usb")).contains("nothing to say to each other");
        assertThat(refusal(build, "board", "usb", "keys", "usb")).contains("is taken");
        assertThat(refusal(build, "board", "gone", "keys", "usb")).contains("not there any more");
        Build free = build.with(build.wiring().withLinks(List.of()));
        assertThat(refusal(free, "board", "usb", "slot", "sata")).contains("No cable");
        assertThat(refusal(free, "board", "usb", "keys", "usb")).isEmpty();
        // From which end it is dragged is all one, and what was plugged in there before comes out.
        assertThat(refusal(free, "keys", "usb", "board", "usb")).isEmpty();
        assertThat(refusal(build, "drive", "plug", "board", "usb")).isEmpty();
    }

    private static String refusal(Build build, String part, String port, String other, String otherPort) {
        return LinkPlanner.join(
                        build,
                        Link.End.of(part, port),
                        Link.End.of(other, otherPort),
                        Picks.shelf().parts())
                .refusal()
                .orElse("");
    }

    @Test
    public void aPartThatGoesLeavesNoLinkBehind() {
        Build build = keyed(Set.of(Signal.USB_480), 300);
        Build without =
                Edits.removePart(build.part("lead").orElseThrow()).change().apply(build);
        assertThat(without.wiring().links()).isEmpty();
    }
}
