package boldsatchel.abilities;

import static boldsatchel.Samples.exact;
import static boldsatchel.links.Wired.gives;
import static boldsatchel.links.Wired.machine;
import static boldsatchel.links.Wired.part;
import static boldsatchel.links.Wired.passes;
import static boldsatchel.links.Wired.plug;
import static boldsatchel.links.Wired.plugged;
import static boldsatchel.links.Wired.screen;
import static boldsatchel.links.Wired.socket;
import static boldsatchel.links.Wired.takes;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.Samples;
import boldsatchel.edit.AbilityEdits;
import boldsatchel.links.LinksEngine;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Function;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Processor;
import boldsatchel.machine.Signal;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Finding;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** For each thing that a machine will not do a small one that shows it, and its sound twin that does. */
public class AbilityFindingsTest {

    private static final String SYSTEM = "Lantern 12";

    private static Part board(Processor processor, double memoryGb, Set<Function> has, Port... ports) {
        return part(
                "board",
                Family.SINGLE_BOARD,
                List.of(new Facet.Computes(processor, Optional.of(memoryGb), has)),
                ports);
    }

    private static Part arm(Set<Function> has) {
        return board(
                Processor.ARM_64,
                4,
                has,
                socket("usb", Connector.USB_A, gives(Signal.USB_5G, 1)),
                socket("usb 2", Connector.USB_A, gives(Signal.USB_480, 1)));
    }

    private static Set<Function> but(Function missing) {
        return EnumSet.complementOf(EnumSet.of(missing));
    }

    private static Build run(Build build, Brief.Program... programs) {
        return build.with(
                build.brief().withSoftware(new Brief.Software(SYSTEM, List.of(programs), Set.of(Function.SOUND))));
    }

    private static Brief.Program program(Processor madeFor, double memoryGb, double storageGb) {
        return new Brief.Program("Tables", madeFor, Optional.of(memoryGb), Optional.of(storageGb), Optional.empty());
    }

    private static Part drive(double gigabytes, double readMbS) {
        return part(
                "drive",
                Family.DRIVE,
                List.of(new Facet.Stores(gigabytes, readMbS)),
                plug("plug", Connector.USB_A, takes(Signal.USB_480, 1, "data")));
    }

    private static Build stored(double gigabytes, double readMbS) {
        return run(
                plugged(machine(arm(Set.of()), drive(gigabytes, readMbS)), "board", "usb", "drive", "plug"),
                program(Processor.ARM_64, 1, 60));
    }

    private static Build runs(Processor host, double memoryGb, Brief.Program program) {
        return run(machine(board(host, memoryGb, EnumSet.allOf(Function.class))), program);
    }

    private static Build said(Facet.Degree degree) {
        Part board = arm(EnumSet.of(Function.NETWORK, Function.STORAGE));
        return run(machine(board.withFacet(new Facet.Supported(List.of(
                new Facet.Support(Function.NETWORK, SYSTEM, degree, "tried", Optional.empty()),
                new Facet.Support(
                        Function.NETWORK, "Fieldbook image 3", Facet.Degree.WORKS, "told", Optional.empty()))))));
    }

    private static Build shown(Function missing, Part... more) {
        Build build = machine(arm(but(missing)), screen("panel", 800, 480, 60));
        for (Part part : more) {
            build = build.with(build.parts().and(part));
        }
        return build;
    }

    private static Part pointer() {
        return part(
                "ball",
                Family.POINTER,
                List.of(),
                plug("lead", Connector.USB_A, takes(Signal.USB_FULL, 1, "pointing")));
    }

    private static Build cased(Port... more) {
        Port[] ports = new Port[more.length + 1];
        ports[0] = socket("panel", Connector.FLAT_CABLE, gives(Signal.DSI, 2));
        System.arraycopy(more, 0, ports, 1, more.length);
        return plugged(
                        machine(
                                board(Processor.ARM_64, 4, EnumSet.allOf(Function.class), ports),
                                screen(
                                        "panel",
                                        800,
                                        480,
                                        60,
                                        plug("tail", Connector.FLAT_CABLE, takes(Signal.DSI, 2, "picture")))),
                        "board",
                        "panel",
                        "panel",
                        "tail")
                .with(Casing.NONE.withShells(List.of(Samples.box(100, 80, 30, 2, Material.ABS))));
    }

    private static Port hdmi(Port.Use use) {
        return socket("HDMI", Connector.HDMI, gives(Signal.HDMI_2_0, 1)).withUse(use);
    }

    private static Part amplifier(int inputs, boolean mixed, boolean muted) {
        return part(
                "amp",
                Family.SOUND,
                List.of(new Facet.Amplifies(exact(3), 4, 4, 20_000, muted, mixed)),
                socket("in", Connector.SMALL_PLUG, takes(Signal.LINE, inputs, "sound")),
                socket("out", Connector.SMALL_PLUG, passes(Signal.SPEAKER, 2, "sound")));
    }

    private static Part speaker(double ohms, double watts, double decibels) {
        return part(
                "speaker",
                Family.SOUND,
                List.of(new Facet.Sounds(ohms, watts, exact(decibels))),
                plug("leads", Connector.SMALL_PLUG, takes(Signal.SPEAKER, 2, "sound")));
    }

    private static Build heard(Part amplifier, Part speaker) {
        Part board = board(
                Processor.ARM_64,
                4,
                EnumSet.allOf(Function.class),
                plug("line", Connector.SMALL_PLUG, gives(Signal.LINE, 2)),
                socket("jack", Connector.JACK, gives(Signal.LINE, 2)).withUse(Port.Use.OUTSIDE));
        return plugged(
                machine(board, amplifier, speaker), "board", "line", "amp", "in", "amp", "out", "speaker", "leads");
    }

    private static Build turned(double by, double back) {
        return machine(screen("panel", 800, 480, 60).withFacet(new Facet.Touches(by, back)));
    }

    private static Build unmarked(String... sockets) {
        return machine(arm(EnumSet.allOf(Function.class)).withFacet(new Facet.Unmarked(List.of(sockets))));
    }

    private static Build keys(boolean diodes) {
        return machine(part("keys", Family.KEYBOARD, List.of(new Facet.Matrix(5, 10, diodes))));
    }

    /** Lamps on the pins of a board that gives 8 mA a pin and 50 mA in all. */
    private static Build lamps(double amps, int lines) {
        Part board = part(
                "board",
                Family.MICROCONTROLLER,
                List.of(new Facet.PinLimits(0.008, 0.05)),
                socket("pins", Connector.PADS, gives(Signal.GPIO, 12)));
        Part lamps = part(
                "lamps",
                Family.CONTROL,
                List.of(new Facet.PinLoad(exact(amps), false)),
                plug("ends", Connector.WIRES, takes(Signal.GPIO, lines, "light")));
        return plugged(machine(board, lamps), "board", "pins", "lamps", "ends");
    }

    /** A screen on the pack itself, and a board whose sockets go off with it. */
    private static Build lit(boolean stays) {
        Part pack = Samples.part(
                "pack", Family.BATTERY, 20, 20, 5, 10, Samples.cells(Facet.Chemistry.LI_ION, 3, 1, 3, 0.03, 0.02, 3));
        Part board = Samples.socketed(
                Samples.part("board", Family.SINGLE_BOARD, 20, 20, 5, 10, Samples.load(8, 6, 14)),
                exact(0.9),
                exact(0.05));
        Facet.DrawsPower draws = Samples.load(2, 4, 14);
        Part lamp = stays
                ? Samples.part("lit", Family.SCREEN, 20, 20, 5, 10, draws, new Facet.StaysLit())
                : Samples.part("lit", Family.SCREEN, 20, 20, 5, 10, draws);
        return Samples.chain(Samples.rung("pack", Samples.rung("board"), Samples.rung("lit")), 25, pack, board, lamp);
    }

    /** Code, the machine with it, its figure, its sound twin. */
    @DataProvider
    Object[][] findings() {
        Brief.Program own = program(Processor.ARM_64, 1, 1);
        Brief.Program foreign = program(Processor.X86_64, 1, 1);
        Build unknown = run(machine(Samples.part("board", Family.X86_BOARD, 20, 20, 5, 10)), foreign);
        double none = Double.NaN;
        return new Object[][] {
            {"does.no-network", machine(arm(but(Function.NETWORK))), none, machine(arm(EnumSet.allOf(Function.class)))},
            {"does.no-storage", machine(arm(but(Function.STORAGE))), none, machine(arm(EnumSet.allOf(Function.class)))},
            {"does.no-pointer", shown(Function.SOUND), none, shown(Function.SOUND, pointer())},
            {"does.no-sound", shown(Function.SOUND), none, shown(Function.SOUND, speaker(8, 2, 80))},
            {"does.storage", stored(32, 100), 60, stored(64, 100)},
            {"does.slow-storage", stored(64, 10), 10, stored(64, 20)},
            {"does.emulated", runs(Processor.ARM_64, 4, foreign), 3, runs(Processor.ARM_64, 4, own)},
            {
                "does.memory",
                runs(Processor.ARM_64, 4, program(Processor.ARM_64, 5, 1)),
                5,
                runs(Processor.ARM_64, 4, own)
            },
            // Half as much again where the program is translated.
            {
                "does.memory",
                runs(Processor.ARM_64, 4, program(Processor.X86_64, 3, 1)),
                4.5,
                runs(Processor.ARM_64, 5, program(Processor.X86_64, 3, 1))
            },
            {
                "does.other-processor",
                runs(Processor.ARM_64, 4, program(Processor.MICROCONTROLLER, 0, 0)),
                none,
                runs(Processor.ARM_64, 4, own)
            },
            {"does.unknown-processor", unknown, none, runs(Processor.X86_64, 4, foreign)},
            {"does.fails", said(Facet.Degree.FAILS), none, said(Facet.Degree.WORKS)},
            {"does.partly", said(Facet.Degree.PARTLY), none, said(Facet.Degree.WORKS)},
            {"does.untried", said(Facet.Degree.UNKNOWN), none, said(Facet.Degree.WORKS)},
            {"does.turned", turned(90, 0), 90, turned(90, 90)},
            {"does.no-way-in", cased(hdmi(Port.Use.UNUSED)), none, cased(hdmi(Port.Use.OUTSIDE))},
            {"does.unmarked", unmarked("panel"), none, unmarked()},
            // 1 W idle, no backlight.
            {"does.stays-lit", lit(true), 1, lit(false)},
            {"does.ghost-keys", keys(false), 50, keys(true)},
            {"does.pin-current", lamps(0.012, 1), 12, lamps(0.008, 1)},
            {"does.pins-current", lamps(0.006, 9), 54, lamps(0.005, 9)},
            {"does.overload", heard(amplifier(2, false, true), speaker(2, 9, 85)), 2, sounding()},
            // 3 W into 4 Ω are 1.5 W into 8 Ω.
            {"does.too-strong", heard(amplifier(2, false, true), speaker(8, 1, 85)), 1.5, sounding()},
            // 60 dB + 10·lg(1.5 · 2) + 6.02 dB.
            {
                "does.quiet",
                heard(amplifier(2, false, true), speaker(8, 2, 58)),
                58 + 10 * Math.log10(3) + 20 * Math.log10(2),
                sounding()
            },
            {"does.one-channel", heard(amplifier(1, false, true), speaker(8, 2, 85)), 1, sounding()},
            {"does.both-play", heard(amplifier(2, false, false), speaker(8, 2, 85)), none, sounding()},
        };
    }

    private static Build sounding() {
        return heard(amplifier(2, false, true), speaker(8, 2, 85));
    }

    @Test(dataProvider = "findings")
    public void eachIsFoundWithItsFigureAndGoneAfterItsFirstRemedy(String code, Build build, double is, Build twin) {
        Findings.hold(code, build, is, twin, true);
    }

    @Test
    public void aBatteryOfWhichNobodySeesTheLevelGetsAGauge() {
        Findings.hold(
                "power.level-unseen",
                Library.demo("harbour-watch").orElseThrow(),
                Double.NaN,
                Library.demo("orchard-ledger").orElseThrow(),
                true);
    }

    @Test
    public void whatTheMachineDoesWithoutOnPurposeIsNotMissed() {
        Build build = machine(arm(but(Function.NETWORK)));
        Build without = AbilityEdits.without(Function.NETWORK).change().apply(build);
        assertThat(Findings.of(without, "does.no-network")).isEmpty();
        assertThat(Findings.of(build, "does.no-network").orElseThrow().remedies())
                .extracting(r -> r.words())
                .contains("The machine does without wireless network");
    }

    @Test
    public void aRiskSaysWhoSaidSoAndWhichSystemWorks() {
        Finding found = Findings.of(said(Facet.Degree.FAILS), "does.fails").orElseThrow();
        assertThat(found.message()).contains("does not work under Lantern 12 (tried)");
        assertThat(found.remedies().getFirst().words()).isEqualTo("Take Fieldbook image 3 instead");
    }

    @Test
    public void twoResistorsBringLeftAndRightTogetherAsTheNetworkSays() {
        // Two sources over R each into R_in: u = (l/R + r/R) / (2/R + 1/R_in).
        double ohms = 1000;
        double in = 20_000;
        double left = 0.7;
        double right = -0.2;
        double node = (left / ohms + right / ohms) / (2 / ohms + 1 / in);
        assertThat((left + right) / 2 * Sound.mixed(ohms, in)).isCloseTo(node, within(1e-12));
    }

    @Test
    public void emulationIsNoneOnItsOwnFamilyAndImpossibleOnAMicrocontroller() {
        assertThat(Emulation.slowdown(Processor.X86_64, Processor.X86_32)).hasValue(1);
        assertThat(Emulation.slowdown(Processor.ARM_64, Processor.X86_64)).hasValue(3);
        assertThat(Emulation.slowdown(Processor.ARM_32, Processor.X86_64)).hasValue(12);
        assertThat(Emulation.slowdown(Processor.MICROCONTROLLER, Processor.X86_64))
                .isEmpty();
        assertThat(Emulation.memoryGb(2, 3)).isEqualTo(3);
        assertThat(Emulation.memoryGb(2, 1)).isEqualTo(2);
    }

    @Test
    public void socketsAndSwitchesSayWhoIsFedWhen() {
        List<PowerState> states = PowerState.all(lit(true));
        assertThat(states).extracting(PowerState::part).containsExactly("board", "lit");
        assertThat(states).allMatch(s -> s.off() && s.asleep());
        Build demo = Library.demo("harbour-watch").orElseThrow();
        assertThat(PowerState.all(demo)).extracting(PowerState::part).contains("board", "screen");
    }

    @Test
    public void aLoudspeakerOfTheDemosIsReckonedFromEndToEnd() {
        Build demo = Library.demo("harbour-watch").orElseThrow();
        List<Sound> sounds = Sound.all(demo, LinksEngine.evaluate(demo));
        assertThat(sounds).hasSize(1);
        assertThat(sounds.getFirst().watts()).isCloseTo(1.5, within(1e-9));
        assertThat(sounds.getFirst().decibels()).isBetween(88.0, 92.0);
    }
}
