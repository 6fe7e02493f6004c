package boldsatchel.plan;

import static boldsatchel.links.Wired.at;
import static boldsatchel.links.Wired.gives;
import static boldsatchel.links.Wired.machine;
import static boldsatchel.links.Wired.on;
import static boldsatchel.links.Wired.part;
import static boldsatchel.links.Wired.plug;
import static boldsatchel.links.Wired.screen;
import static boldsatchel.links.Wired.socket;
import static boldsatchel.links.Wired.takes;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.links.Flaw;
import boldsatchel.links.LinksEngine;
import boldsatchel.links.LinksResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Port;
import boldsatchel.machine.Signal;
import boldsatchel.shelf.Library;
import boldsatchel.shelf.Picks;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.Test;

/** Machines whose answer is known because it was put in: with a way to connect all, and with something that cannot be. */
public class LinkPlannerTest {

    /** Of these a plan must be free; the rest is for the builder to judge. */
    private static final Set<Flaw.Kind> FATAL = EnumSet.complementOf(EnumSet.of(
            Flaw.Kind.NO_PULL_UPS,
            Flaw.Kind.SLOW,
            Flaw.Kind.NO_ROOM,
            Flaw.Kind.ADDRESS,
            Flaw.Kind.SCREENS,
            Flaw.Kind.PIXELS));

    private static final List<Integer> BUS = List.of(3, 5);
    private static final List<Integer> LINES = List.of(3, 5, 7, 11, 13, 15, 16, 18);

    /** A machine that grows device by device, each for a way that there is. */
    private static final class Planted {
        final Random random;
        final List<Port> sockets = new ArrayList<>();
        final List<Part> devices = new ArrayList<>();

        Planted(long seed) {
            random = new Random(seed);
        }

        private void device(Family family, Port... ports) {
            devices.add(part("device-" + devices.size(), family, List.of(), ports));
        }

        private void monitor(Port... ports) {
            int[][] sizes = {{800, 480}, {1024, 600}, {1920, 1080}};
            int[] size = sizes[random.nextInt(sizes.length)];
            devices.add(screen("device-" + devices.size(), size[0], size[1], 60, ports));
        }

        private Signal usb() {
            return random.nextBoolean() ? Signal.USB_FULL : Signal.USB_480;
        }

        /** Something with a USB plug or one of the usual sockets. */
        private void usbDevice() {
            Carried taken = takes(usb(), 1, "data");
            switch (random.nextInt(3)) {
                case 0 -> device(Family.DRIVE, plug("plug", Connector.USB_A, taken));
                case 1 -> device(Family.KEYBOARD, socket("usb", Connector.USB_C, taken));
                default -> device(Family.RADIO, socket("usb", Connector.USB_MICRO, taken));
            }
        }

        private void usbSocket() {
            sockets.add(socket("usb-" + sockets.size(), Connector.USB_A, gives(Signal.USB_480, 1)));
            int behind = random.nextInt(4) == 0 ? 2 + random.nextInt(3) : 1;
            for (int i = 0; i < behind; i++) {
                usbDevice();
            }
        }

        private void pictureSocket() {
            Connector at = random.nextBoolean() ? Connector.HDMI : Connector.MICRO_HDMI;
            sockets.add(socket("hdmi-" + sockets.size(), at, gives(Signal.HDMI_2_0, 1)));
            switch (random.nextInt(3)) {
                case 0 -> monitor(socket("in", Connector.HDMI, takes(Signal.HDMI_1_4, 1, "picture")));
                case 1 -> monitor(socket("in", Connector.MICRO_HDMI, takes(Signal.HDMI_1_4, 1, "picture")));
                default -> monitor(socket("in", Connector.EDP, takes(Signal.EDP_2_7, 2, "picture")));
            }
        }

        private void allInOneSocket() {
            sockets.add(socket(
                    "usb-c-" + sockets.size(),
                    Connector.USB_C,
                    gives(Signal.USB_10G, 1),
                    gives(Signal.DISPLAYPORT_1_4, 2)));
            switch (random.nextInt(3)) {
                case 0 ->
                    monitor(socket(
                            "in",
                            Connector.USB_C,
                            takes(Signal.DISPLAYPORT_1_2, 2, "picture"),
                            takes(Signal.USB_480, 1, "touch")));
                case 1 -> {
                    // A dock gives the picture of one and the USB of the other.
                    monitor(socket("in", Connector.HDMI, takes(Signal.HDMI_1_4, 1, "picture")));
                    usbDevice();
                }
                default -> usbDevice();
            }
        }

        private void slot() {
            sockets.add(socket("slot-" + sockets.size(), Connector.M2_KEY_M, gives(Signal.PCIE_3, 4)));
            device(Family.DRIVE, plug("edge", Connector.M2_KEY_M, takes(Signal.PCIE_3, 4, "data")));
        }

        private void header() {
            sockets.add(socket(
                    "pins",
                    Connector.PIN_HEADER,
                    at(on(gives(Signal.I2C, 2), BUS), 3.3),
                    at(on(gives(Signal.GPIO, LINES.size()), LINES), 3.3)));
            for (int i = random.nextInt(3); i > 0; i--) {
                double volts = random.nextInt(4) == 0 ? 5 : 3.3;
                device(
                        Family.MICROCONTROLLER,
                        socket("pins", Connector.PIN_HEADER, at(takes(Signal.I2C, 2, "data"), volts)));
            }
            // Two of the lines are the bus.
            for (int left = LINES.size() - BUS.size() - random.nextInt(3); left > 0; ) {
                int lines = 1 + random.nextInt(Math.min(left, 4));
                device(Family.CONTROL, socket("tags", Connector.PADS, takes(Signal.GPIO, lines, "press")));
                left -= lines;
            }
        }

        Build build() {
            List<Part> all = new ArrayList<>(devices);
            all.add(part("board", Family.SINGLE_BOARD, List.of(), sockets.toArray(Port[]::new)));
            Collections.shuffle(all, random);
            return machine(all.toArray(Part[]::new));
        }

        static Planted sound(long seed) {
            Planted planted = new Planted(seed);
            IntStream.range(0, 1 + planted.random.nextInt(3)).forEach(i -> planted.usbSocket());
            IntStream.range(0, planted.random.nextInt(3)).forEach(i -> planted.pictureSocket());
            IntStream.range(0, planted.random.nextInt(3)).forEach(i -> planted.allInOneSocket());
            IntStream.range(0, planted.random.nextInt(3)).forEach(i -> planted.slot());
            if (planted.random.nextBoolean()) {
                planted.header();
            }
            return planted;
        }
    }

    private static Build connected(Build build) {
        return LinkPlanner.connect(build)
                .edit()
                .map(e -> e.change().apply(build))
                .orElse(build);
    }

    private static void assertSound(String what, Build build) {
        LinksResult links = LinksEngine.evaluate(connected(build));
        assertThat(links.open()).as(what).isEmpty();
        assertThat(links.flaws()).as(what).noneMatch(f -> FATAL.contains(f.kind()));
    }

    @Test
    public void everyMachineThatCanBeConnectedIsConnected() {
        for (long seed = 0; seed < 500; seed++) {
            Build build = Planted.sound(seed).build();
            assertThat(LinkPlanner.connect(build).stuck()).as("seed " + seed).isEmpty();
            assertSound("seed " + seed, build);
        }
    }

    /** A machine with more of a kind than it has room for, and how many of them are too many. */
    private record Overfull(Build build, int tooMany) {}

    private static Overfull overfull(long seed) {
        Planted planted = new Planted(seed);
        IntStream.range(0, 1 + planted.random.nextInt(2)).forEach(i -> planted.usbSocket());
        int room = planted.random.nextInt(3);
        int kind = planted.random.nextInt(4);
        for (int i = 0; i < room && kind < 3; i++) {
            planted.sockets.add(
                    switch (kind) {
                        case 0 -> socket("out-" + i, Connector.HDMI, gives(Signal.HDMI_2_0, 1));
                        case 1 -> socket("out-" + i, Connector.M2_KEY_E, gives(Signal.PCIE_2, 1));
                        default -> socket("out-" + i, Connector.SMALL_PLUG, gives(Signal.SPEAKER, 2));
                    });
        }
        int lines = 2 + planted.random.nextInt(3);
        if (kind == 3) {
            planted.sockets.add(socket(
                    "pins", Connector.PIN_HEADER, at(on(gives(Signal.GPIO, LINES.size()), LINES), 3.3)));
            room = LINES.size() / lines;
        }
        for (int i = 0; i <= room + planted.random.nextInt(2); i++) {
            switch (kind) {
                case 0 -> planted.monitor(socket("in", Connector.HDMI, takes(Signal.HDMI_1_4, 1, "picture")));
                case 1 ->
                    planted.device(Family.RADIO, plug("edge", Connector.M2_KEY_E, takes(Signal.PCIE_2, 1, "network")));
                case 2 ->
                    planted.device(Family.SOUND, plug("lead", Connector.SMALL_PLUG, takes(Signal.SPEAKER, 2, "sound")));
                default ->
                    planted.device(Family.CONTROL, socket("tags", Connector.PADS, takes(Signal.GPIO, lines, "press")));
            }
        }
        return new Overfull(planted.build(), room + 1);
    }

    private static Build only(Build build, List<String> needing) {
        List<Part> kept = build.parts().list().stream()
                .filter(p -> p.id().equals("board") || needing.contains(p.id()))
                .toList();
        return build.with(new Parts(kept));
    }

    @Test
    public void whatCannotBeConnectedIsExplainedByASmallestSet() {
        for (long seed = 0; seed < 200; seed++) {
            Overfull machine = overfull(seed);
            LinkPlanner.Proposal plan = LinkPlanner.connect(machine.build);
            assertThat(plan.proved()).as("seed " + seed).isTrue();
            assertThat(plan.stuck()).as("seed " + seed).isNotEmpty();
            for (List<String> set : plan.stuck()) {
                assertThat(set).as("seed " + seed).hasSize(machine.tooMany);
                assertThat(LinkPlanner.connect(only(machine.build, set)).whole())
                        .isFalse();
                for (String member : set) {
                    List<String> rest = new ArrayList<>(set);
                    rest.remove(member);
                    assertSound("seed " + seed + " without " + member, only(machine.build, rest));
                }
            }
        }
    }

    @Test
    public void theRestIsConnectedAllTheSame() {
        for (long seed = 0; seed < 50; seed++) {
            Overfull machine = overfull(seed);
            LinkPlanner.Proposal plan = LinkPlanner.connect(machine.build);
            assertThat(LinksEngine.evaluate(connected(machine.build)).open())
                    .as("seed " + seed)
                    .hasSize(plan.stuck().size());
        }
    }

    @Test
    public void ofTwoWaysTheOneWithFewerPiecesIsTaken() {
        Build build = machine(
                part(
                        "board",
                        Family.SINGLE_BOARD,
                        List.of(),
                        socket("usb", Connector.USB_A, gives(Signal.USB_480, 1)),
                        socket("micro", Connector.USB_MICRO, gives(Signal.USB_480, 1))),
                part(
                        "stick",
                        Family.DRIVE,
                        List.of(),
                        plug("plug", Connector.USB_A, takes(Signal.USB_480, 1, "data"))));
        Build connected = connected(build);
        assertThat(connected.parts().list()).hasSize(2);
        assertThat(connected.wiring().links()).hasSize(1);
    }

    @Test
    public void aFastDriveGetsTheFastSocketAndASlowKeyboardTheSlowOne() {
        Build build = machine(
                part(
                        "keys",
                        Family.KEYBOARD,
                        List.of(),
                        socket("usb", Connector.USB_C, takes(Signal.USB_FULL, 1, "keys"))),
                part(
                        "drive",
                        Family.DRIVE,
                        List.of(new Facet.Stores(500, 400)),
                        plug("plug", Connector.USB_A, takes(Signal.USB_5G, 1, "data"))),
                part(
                        "board",
                        Family.SINGLE_BOARD,
                        List.of(),
                        socket("fast", Connector.USB_A, gives(Signal.USB_5G, 1)),
                        socket("slow", Connector.USB_A, gives(Signal.USB_480, 1))));
        assertThat(LinksEngine.evaluate(connected(build)).flaws()).isEmpty();
    }

    @Test
    public void aBoardOffTheShelfIsReplacedOnlyByOneThatStillTalks() {
        Build demo = Library.demo("orchard-ledger").orElseThrow();
        Part board = demo.part("mainboard").orElseThrow();
        List<String> able = LinkPlanner.substitutes(demo, board, Picks.shelf().parts())
                .map(Part::id)
                .toList();
        // The others have no socket for a bare keyboard, or none for loudspeakers.
        assertThat(able).contains("laptop-main-15").doesNotContain("x86-palm", "x86-stick", "x86-mini");
    }

    @Test
    public void demosAreConnectedButForOneThatHasNoAmplifier() {
        for (String name : Library.DEMOS) {
            LinksResult links = LinksEngine.evaluate(Library.demo(name).orElseThrow());
            assertThat(links.needs()).hasSizeGreaterThan(5);
            assertThat(links.open().stream().map(n -> n.part() + " " + n.duty()).toList())
                    .isEqualTo(name.equals("cave-survey") ? List.of("speakers sound") : List.of());
            // Its sound adapter is plugged into nothing either.
            Set<Flaw.Kind> told =
                    name.equals("cave-survey") ? Set.of(Flaw.Kind.NO_ROOM, Flaw.Kind.SPARE) : Set.of(Flaw.Kind.NO_ROOM);
            assertThat(links.flaws()).allMatch(f -> told.contains(f.kind()));
        }
    }

    @Test
    public void everythingOnTheShelfThatNeedsSomethingTalksToSomeBoard() {
        List<Part> boards = Picks.shelf().parts().stream()
                .filter(p -> p.family().computes())
                .toList();
        for (Part device : Picks.shelf().parts()) {
            if (LinksEngine.evaluate(machine(device)).needs().isEmpty()) {
                continue;
            }
            Optional<Part> able = boards.stream()
                    .filter(b -> !b.id().equals(device.id()))
                    .filter(b -> {
                        Build both = machine(b.withId("board"), device);
                        return LinkPlanner.connect(both).whole()
                                || LinkPlanner.helper(
                                                both,
                                                LinksEngine.evaluate(both)
                                                        .open()
                                                        .getFirst())
                                        .isPresent();
                    })
                    .findFirst();
            assertThat(able).as(device.name()).isPresent();
        }
    }

    private static Build with(Build build, String shelf, int count) {
        Build now = build;
        for (int i = 0; i < count; i++) {
            Part part = Picks.shelf().part(shelf).orElseThrow();
            now = now.with(now.parts().and(part.withId(now.freeId(shelf))));
        }
        return now;
    }

    @Test
    public void whatIsTooMuchToProveIsConnectedAsFarAsItGoesAndEnds() {
        Build build = with(with(Build.empty("much"), "x86-wide", 1), "arm-core", 1);
        for (String id : List.of("usb-drive", "trackball", "kb-40", "button-12")) {
            build = with(build, id, 9);
        }
        build = with(with(with(build, "mcu-stick", 4), "encoder-knob", 6), "touch-7", 4);
        LinkPlanner.Proposal plan = LinkPlanner.connect(build);
        assertThat(plan.whole()).isFalse();
        LinksResult done =
                LinksEngine.evaluate(plan.edit().orElseThrow().change().apply(build));
        Set<String> stuck = plan.stuck().stream().flatMap(List::stream).collect(Collectors.toSet());
        assertThat(done.open()).isNotEmpty().allMatch(n -> stuck.contains(n.part()));
        assertThat(done.needs()).filteredOn(n -> !n.open()).hasSizeGreaterThan(20);
    }
}
