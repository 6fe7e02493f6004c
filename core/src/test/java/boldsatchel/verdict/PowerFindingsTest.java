package boldsatchel.verdict;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edit;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.Chemistry;
import boldsatchel.machine.Facet.ConverterKind;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.PowerResult;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Three sound machines; each fault put into one is seen, with its numbers, and its first remedy cures it. */
public class PowerFindingsTest {

    private static List<Finding> power(Build build) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().startsWith("power."))
                .toList();
    }

    private static List<String> codes(Build build) {
        return power(build).stream().map(Finding::code).toList();
    }

    private static Part board(Facet.DrawsPower draws) {
        return part("board", Family.X86_BOARD, 100, 70, 15, 90, draws);
    }

    private static Part screen(Facet.DrawsPower draws) {
        return part("screen", Family.SCREEN, 150, 90, 8, 140, draws);
    }

    private static Facet.DrawsPower backlit(double watts, double backlight, double low, double high) {
        Facet.DrawsPower d = load(watts, low, high);
        return new Facet.DrawsPower(
                low,
                d.nominalV(),
                high,
                d.kind(),
                d.offW(),
                d.sleepW(),
                d.idleW(),
                d.busyW(),
                d.startW(),
                d.startSeconds(),
                exact(backlight));
    }

    private static Part adapter(double volts, double amps, Facet.Offer... offers) {
        Part plain = part("adapter", Family.CHARGER, 40, 40, 30, 60, new Facet.Adapter(volts, amps, exact(0.05)));
        return offers.length == 0 ? plain : plain.withFacet(new Facet.Offers(List.of(offers)));
    }

    private static Part charger(Chemistry chemistry, int series, double amps, boolean linear, double low, double high) {
        return part(
                "charger",
                Family.CHARGER,
                30,
                20,
                5,
                5,
                new Facet.Charges(chemistry, series, exact(amps), exact(0.9), linear, low, high, exact(4e-5)));
    }

    private static Rung charging(Optional<String> charger, String store) {
        return Rung.of("charging", new Rung.Charging(charger, store));
    }

    private static Rung fuse(double amps, Rung... feeds) {
        return Rung.of("fuse", new Rung.Contact(Rung.ContactKind.FUSE, exact(0.01), amps), feeds);
    }

    private static Rung toggle(Rung.ContactKind kind, Rung... feeds) {
        return Rung.of("switch", new Rung.Contact(kind, exact(0.01), 8), feeds);
    }

    private static Rung wire(int awg, double lengthMm, Rung... feeds) {
        return Rung.of("wire", ChainEdits.wire(awg, lengthMm), feeds);
    }

    private static Part pack(int series, int parallel, boolean ownCutoff, boolean balances, boolean reports) {
        Facet.Cells c = cells(Chemistry.LI_ION, series, parallel, 3.0, 0.035, 0.02, 3.0);
        return part(
                "pack",
                Family.BATTERY,
                80,
                70,
                20,
                350,
                new Facet.Cells(
                        c.chemistry(),
                        series,
                        parallel,
                        c.capacityAh(),
                        c.nominalV(),
                        c.cellOhms(),
                        c.packOhms(),
                        c.cutoffV(),
                        6.0 * parallel,
                        8.0 * parallel,
                        ownCutoff,
                        c.health()),
                new Facet.Manages(balances, reports, 1.5 * parallel));
    }

    private static final Rung TO_BOARD = wire(20, 120, rung("board"));

    /** A series pack straight on a wide-input board, with charger and adapter. */
    private static Build series(Part pack, Part board, Rung behindPack, Part charger, Part... more) {
        List<Part> parts = new ArrayList<>(List.of(pack, board, charger, adapter(20, 3.25)));
        parts.addAll(List.of(more));
        Build build = chain(rung("pack", behindPack), 25, parts.toArray(Part[]::new));
        return build.withChain(
                List.of(build.wiring().chain().getFirst(), rung("adapter", charging(Optional.of("charger"), "pack"))));
    }

    private static final Part FOUR_CELL_CHARGER = charger(Chemistry.LI_ION, 4, 2, false, 9, 21);

    private static Build series(UnaryOperator<Part> pack, Rung behind) {
        return series(pack.apply(pack(4, 2, true, true, true)), board(load(15, 12, 19)), behind, FOUR_CELL_CHARGER);
    }

    private static Build soundSeries() {
        return series(p -> p, fuse(4, toggle(Rung.ContactKind.SWITCH, TO_BOARD)));
    }

    private static Build seriesWith(Part pack) {
        return series(p -> pack, fuse(4, toggle(Rung.ContactKind.SWITCH, TO_BOARD)));
    }

    private static Build seriesBoard(Facet.DrawsPower draws) {
        return series(
                pack(4, 2, true, true, true),
                board(draws),
                fuse(4, toggle(Rung.ContactKind.SWITCH, TO_BOARD)),
                FOUR_CELL_CHARGER);
    }

    private static Part bank(double shutOffA, double gapSeconds) {
        return part(
                        "bank",
                        Family.BATTERY,
                        60,
                        100,
                        20,
                        230,
                        new Facet.PowerBank(exact(37), exact(0.87), 5, 3, exact(0.02), shutOffA),
                        new Facet.Recharges(exact(15), exact(0.9), exact(gapSeconds)))
                .withFacet(new Facet.Offers(
                        List.of(new Facet.Offer(5, 3), new Facet.Offer(5, 5), new Facet.Offer(12, 2))));
    }

    private static Part gauge() {
        return part("gauge", Family.CHARGER, 20, 15, 4, 3, new Facet.ShowsLevel(true, exact(0.005)));
    }

    /** A power bank on a small board, with a gauge and an adapter. */
    private static Build banked(Part bank, Part adapter, Rung behind, Part... loads) {
        List<Part> parts = new ArrayList<>(List.of(bank, gauge(), adapter));
        parts.addAll(List.of(loads));
        Build build = chain(rung("bank", rung("gauge", behind)), 25, parts.toArray(Part[]::new));
        return build.withChain(
                List.of(build.wiring().chain().getFirst(), rung("adapter", charging(Optional.empty(), "bank"))));
    }

    private static Build soundBank() {
        return banked(bank(0, 0), adapter(5, 3.2), wire(20, 120, rung("board")), board(load(8, 10, 4.5, 5.5)));
    }

    private static Build bankBoard(Rung behind, Facet.DrawsPower draws) {
        return banked(bank(0, 0), adapter(5, 3.2), behind, board(draws));
    }

    private static Part stepUp(double limitA, double noLoadV) {
        return part(
                "up",
                Family.CONVERTER,
                20,
                20,
                5,
                5,
                new Facet.Converts(
                        ConverterKind.STEP_UP, 5.1, exact(0.05), exact(0.05), exact(0.05), limitA, 0, 2.7, 5, noLoadV));
    }

    /** One cell in parallel pairs behind a step-up. */
    private static Build cell(Part up, Rung behind, double watts, double start) {
        Build build = chain(
                rung("pack", behind),
                25,
                pack(1, 2, true, true, true),
                up,
                board(load(watts, start, 4.7, 5.4)),
                charger(Chemistry.LI_ION, 1, 2, true, 4.5, 5.5),
                adapter(5, 2.4));
        return build.withChain(
                List.of(build.wiring().chain().getFirst(), rung("adapter", charging(Optional.of("charger"), "pack"))));
    }

    private static Rung switchedUp() {
        return fuse(7.5, toggle(Rung.ContactKind.SWITCH, rung("up", rung("board"))));
    }

    private static Build soundCell() {
        return cell(stepUp(8, 5.1), switchedUp(), 4.5, 9);
    }

    /** Three single cells, each with its charger, joined on a step-up. */
    private static Build parallel(double adapterA, boolean diodes) {
        List<Part> parts = new ArrayList<>();
        List<Rung> sources = new ArrayList<>();
        List<Rung> chargings = new ArrayList<>();
        for (int i = 1; i <= 3; i++) {
            Part cell = pack(1, 1, true, true, true).withId("cell" + i);
            parts.add(cell);
            parts.add(charger(Chemistry.LI_ION, 1, 1, true, 4.5, 5.5).withId("charger" + i));
            Rung[] end = diodes ? new Rung[] {Rung.of("diode" + i, ChainEdits.IDEAL_DIODE)} : new Rung[0];
            sources.add(rung(
                    "cell" + i, Rung.of("fuse" + i, new Rung.Contact(Rung.ContactKind.FUSE, exact(0.01), 4), end)));
            chargings.add(Rung.of("charging" + i, new Rung.Charging(Optional.of("charger" + i), "cell" + i)));
        }
        parts.add(stepUp(8, 5.1));
        parts.add(board(load(5, 8, 4.7, 5.4)));
        parts.add(adapter(5, adapterA));
        Rung joint =
                Rung.of("joint", new Rung.Join(sources), toggle(Rung.ContactKind.SWITCH, rung("up", rung("board"))));
        Build build = chain(joint, 25, parts.toArray(Part[]::new));
        return build.withChain(List.of(joint, rung("adapter", chargings.toArray(Rung[]::new))));
    }

    private static Build lasting(Build build, double hours) {
        Brief.Limits l = build.brief().limits();
        return build.with(build.brief()
                .withLimits(new Brief.Limits(
                        Optional.of(hours),
                        l.massG(),
                        l.money(),
                        l.widthMm(),
                        l.depthMm(),
                        l.heightMm(),
                        l.gapMm(),
                        l.tipMarginDeg(),
                        l.heatMarginK(),
                        Optional.empty(),
                        Optional.empty(),
                        java.util.Set.of())));
    }

    private static Build withScreen(Build build, Part screen, String below) {
        return Samples.hung(build, screen, below);
    }

    /** Code of the finding, the faulty build, its sound twin, and one number with its worked-out value. */
    record Fault(String code, Build faulty, Build sound, String number, double value) {
        @Override
        public String toString() {
            return code;
        }
    }

    @DataProvider
    Object[][] faults() {
        return faultList().stream().map(f -> new Object[] {f}).toArray(Object[][]::new);
    }

    private static List<Fault> faultList() {
        Part dim = screen(backlit(1, 8, 12, 19));
        return List.of(
                // 8 W and 9 W at 5 V less the drop in 25 mΩ: 3.46 A of 3.
                new Fault(
                        "power.supply-current",
                        withScreen(soundBank(), screen(load(9, 4.5, 5.5)), "wire"),
                        withScreen(soundBank(), screen(load(3, 4.5, 5.5)), "wire"),
                        "limitA",
                        3.0),
                // 13 W through 0.129 Ω of AWG 28 from 5 V.
                new Fault(
                        "power.start-dip",
                        bankBoard(wire(28, 300, rung("board")), load(6, 13, 4.7, 5.5)),
                        bankBoard(wire(20, 300, rung("board")), load(6, 13, 4.7, 5.5)),
                        "limit",
                        4.7),
                new Fault("power.no-load-voltage", cell(stepUp(8, 5.9), switchedUp(), 6, 9), soundCell(), "volts", 5.9),
                new Fault(
                        "power.step-up-limit",
                        cell(stepUp(3.3, 5.1), switchedUp(), 10.5, 10.5),
                        soundCell(),
                        "limitA",
                        3.3),
                // 2.5 W over 0.8125 Ω from 5 V with 25 mΩ more: V = (5 + √(25 − 4·0.8375·2.5)) / 2.
                new Fault(
                        "power.cable-drop",
                        bankBoard(wire(30, 1200, rung("board")), load(2.5, 4.7, 5.5)),
                        bankBoard(wire(20, 1200, rung("board")), load(2.5, 4.7, 5.5)),
                        "volts",
                        (5 + Math.sqrt(25 - 4 * 0.8375 * 2.5)) / 2),
                // Three chargers of 1 A and a third on top.
                new Fault("power.charger-supply", parallel(2.4, true), parallel(5, true), "neededA", 4.0),
                // 3.7525 V less 3.64 V over twice 55 mΩ.
                new Fault(
                        "power.parallel", parallel(5, false), parallel(5, true), "amps", (3.855 - 3.64) / (2 * 0.055)),
                new Fault(
                        "power.no-balancing", seriesWith(pack(4, 2, true, false, true)), soundSeries(), "series", 4.0),
                new Fault("power.no-cutoff", seriesWith(pack(4, 2, false, true, true)), soundSeries(), "packV", 12.0),
                // 89.9 Wh at rest voltage over 15 W and 0.1 W of the pack's own loss, less the last percent.
                new Fault("power.level-unseen", seriesWith(pack(4, 2, true, true, false)), soundSeries(), "hours", 5.9),
                new Fault(
                        "power.bank-sleep",
                        banked(bank(0.1, 0), adapter(5, 3.2), TO_BOARD, board(load(8, 4.5, 5.5))),
                        soundBank(),
                        "amps",
                        0.4 / 5),
                // 2·P·t / (V₁² − V₂²) with 8 W, 0.4 s, 4.968 V and 4.5 V.
                new Fault(
                        "power.bank-gap",
                        banked(bank(0, 0.4), adapter(5, 3.2), TO_BOARD, board(load(8, 4.5, 5.5))),
                        soundBank(),
                        "neededF",
                        2 * 8.0 * 0.4 / (4.968 * 4.968 - 4.5 * 4.5)),
                new Fault("power.window-high", seriesBoard(load(15, 12, 16)), soundSeries(), "volts", 16.8),
                new Fault("power.window-low", seriesBoard(load(15, 14, 19)), soundSeries(), "limitV", 14.0),
                new Fault(
                        "power.needs-rail",
                        withScreen(soundBank(), part("fan", Family.COOLING, 40, 40, 10, 20, load(1, 10, 13)), "wire"),
                        withScreen(soundBank(), part("fan", Family.COOLING, 40, 40, 10, 20, load(1, 4.5, 5.5)), "wire"),
                        "limitV",
                        10.0),
                new Fault(
                        "power.dimming",
                        lasting(withScreen(soundSeries(), dim, "wire"), 4.5),
                        lasting(withScreen(soundSeries(), dim, "wire"), 3),
                        "wantedHours",
                        4.5),
                // 0.5 A less 15 W at half charge.
                new Fault(
                        "power.charge-running",
                        series(
                                pack(4, 2, true, true, true),
                                board(load(15, 12, 19)),
                                fuse(4, toggle(Rung.ContactKind.SWITCH, TO_BOARD)),
                                charger(Chemistry.LI_ION, 4, 0.9, false, 9, 21)),
                        soundSeries(),
                        "cellsA",
                        0.9 - 1.0168),
                new Fault(
                        "power.no-fuse",
                        series(p -> p, toggle(Rung.ContactKind.SWITCH, TO_BOARD)),
                        soundSeries(),
                        "shortA",
                        4 * 4.18 / 0.09),
                new Fault(
                        "power.bag-switch",
                        series(p -> p, fuse(4, toggle(Rung.ContactKind.BUTTON, TO_BOARD))),
                        soundSeries(),
                        "watts",
                        15.013),
                // 50 mW of quiet power at 3.72 V less the 50 mV of the step-up, what the charger board takes, and the
                // self-discharge, from 6 Ah.
                new Fault(
                        "power.idle-drain",
                        cell(stepUp(8, 5.1), fuse(7.5, rung("up", rung("board"))), 6, 9),
                        soundCell(),
                        "days",
                        1 / (0.05 / (3.72 - 0.05) / 6 + 4e-5 / 6 + 0.02 / 730) / 24),
                new Fault(
                        "power.one-colour",
                        series(
                                p -> p,
                                fuse(
                                        4,
                                        toggle(
                                                Rung.ContactKind.SWITCH,
                                                coloured(new Rung.Finish("Black", "black", true))))),
                        soundSeries(),
                        "volts",
                        16.8),
                new Fault(
                        "power.bare-joints",
                        series(
                                p -> p,
                                fuse(
                                        4,
                                        toggle(
                                                Rung.ContactKind.SWITCH,
                                                coloured(new Rung.Finish("red", "black", false))))),
                        soundSeries(),
                        "amps",
                        4 * 4.18 / 0.09),
                new Fault(
                        "power.slow-charge",
                        banked(
                                bank(0, 0),
                                adapter(5, 0.7, new Facet.Offer(5, 0.7), new Facet.Offer(5, 3.2)),
                                TO_BOARD,
                                board(load(8, 4.5, 5.5))),
                        soundBank(),
                        "hours",
                        37 / (15 * 0.9 * 0.7 / 3)),
                new Fault(
                        "power.carriage-energy",
                        seriesWith(pack(4, 4, true, true, true)),
                        soundSeries(),
                        "energyWh",
                        172.8),
                new Fault(
                        "power.wire-thin",
                        series(p -> p, fuse(2, toggle(Rung.ContactKind.SWITCH, wire(28, 120, rung("board"))))),
                        soundSeries(),
                        "limitA",
                        0.7),
                new Fault(
                        "power.wire-thick",
                        series(p -> p, fuse(4, toggle(Rung.ContactKind.SWITCH, wire(12, 120, rung("board"))))),
                        soundSeries(),
                        "neededAwg",
                        24.0),
                new Fault(
                        "power.charger-mismatch",
                        series(
                                pack(4, 2, true, true, true),
                                board(load(15, 12, 19)),
                                fuse(4, toggle(Rung.ContactKind.SWITCH, TO_BOARD)),
                                charger(Chemistry.LI_ION, 3, 2, false, 9, 21)),
                        soundSeries(),
                        "chargerSeries",
                        3.0),
                new Fault(
                        "power.charge-voltage",
                        series(
                                pack(4, 2, true, true, true),
                                board(load(15, 12, 19)),
                                fuse(4, toggle(Rung.ContactKind.SWITCH, TO_BOARD)),
                                charger(Chemistry.LI_ION, 4, 2, false, 9, 15)),
                        soundSeries(),
                        "volts",
                        20.0));
    }

    private static Rung coloured(Rung.Finish finish) {
        return Rung.of("wire", new Rung.Wire(20, 120, Optional.of(finish)), rung("board"));
    }

    @Test(dataProvider = "faults")
    public void aFaultIsSeenWithItsNumbersAndItsFirstRemedyCuresIt(Fault fault) {
        String code = fault.code();
        Build faulty = fault.faulty();
        assertThat(codes(fault.sound())).as("sound twin").isEmpty();
        Finding finding = power(faulty).stream()
                .filter(f -> f.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no " + code + " in " + codes(faulty)));
        assertThat(finding.numbers().get(fault.number())).isCloseTo(fault.value(), Percentage.withPercentage(1));
        assertThat(finding.remedies()).isNotEmpty();
        Edit first = finding.remedies().getFirst().edit().orElseThrow();
        Build cured = first.change().apply(faulty);
        assertThat(codes(cured)).as(finding.remedies().getFirst().words()).doesNotContain(code);
    }

    @Test(dataProvider = "faults")
    public void everyRemedyThatIsAnEditLeavesAChainThatObeysTheRules(Fault fault) {
        Build faulty = fault.faulty();
        for (Finding f : power(faulty)) {
            for (Remedy r : f.remedies()) {
                r.edit().ifPresent(e -> {
                    Build after = e.change().apply(faulty);
                    assertThat(after).as(f.code() + ": " + r.words()).isNotEqualTo(faulty);
                    assertThat(Evaluator.evaluate(after).of(PowerResult.class).chains())
                            .isNotEmpty();
                });
            }
        }
    }

    @Test
    public void oneDeadCellOfThreeBehindDiodesLeavesTwoThirdsOfTheRun() {
        var chain = Evaluator.evaluate(parallel(5, true))
                .of(PowerResult.class)
                .chains()
                .getFirst();
        assertThat(chain.withoutOne().orElseThrow() / chain.run().hours())
                .isCloseTo(2.0 / 3, Percentage.withPercentage(3));
    }
}
