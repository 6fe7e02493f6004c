package boldsatchel.verdict;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.box;
import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.converter;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.build.Brief;
import boldsatchel.build.Build;
import boldsatchel.build.Facet;
import boldsatchel.build.Facet.Chemistry;
import boldsatchel.build.Facet.ConverterKind;
import boldsatchel.build.Family;
import boldsatchel.build.Material;
import boldsatchel.build.Part;
import boldsatchel.build.Rung;
import boldsatchel.build.Vec;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Each finding appears where it should, with its numbers, and not on a sound twin. */
public class JudgesTest {

    private static List<String> codes(Build build) {
        return Evaluator.evaluate(build).findings().stream().map(Finding::code).toList();
    }

    private static Finding finding(Build build, String code) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no " + code + " in " + codes(build)));
    }

    private static Part bank(double volts, double mostA, double shutOffA) {
        return part(
                "bank",
                Family.BATTERY,
                60,
                60,
                15,
                200,
                new Facet.PowerBank(exact(37), exact(0.87), volts, mostA, exact(0.02), shutOffA));
    }

    private static Part pack(int series, boolean ownCutoff) {
        Facet.Cells c = cells(Chemistry.LI_ION, series, 2, 3.0, 0.035, 0.02, 3.0);
        return part(
                "pack",
                Family.BATTERY,
                80,
                70,
                20,
                200,
                new Facet.Cells(
                        c.chemistry(),
                        c.series(),
                        c.parallel(),
                        c.capacityAh(),
                        c.nominalV(),
                        c.cellOhms(),
                        c.packOhms(),
                        c.cutoffV(),
                        12,
                        15,
                        ownCutoff,
                        c.health()));
    }

    private static Part board(double watts, double start, double low, double high) {
        return part("board", Family.X86_BOARD, 100, 70, 15, 90, load(watts, start, low, high));
    }

    private static Rung fused(Rung... feeds) {
        return Rung.of(
                "r-pack",
                new Rung.OfPart("pack"),
                Rung.of("fuse", new Rung.Contact(Rung.ContactKind.FUSE, exact(0.01), 10), feeds));
    }

    private static Build onBank(double watts, double mostA) {
        return chain(rung("bank", rung("board")), 25, bank(5, mostA, 0), board(watts, watts, 4.5, 5.5));
    }

    @Test
    public void boardAndScreenTogetherPassTheSupplysLimit() {
        Finding f = finding(onBank(18, 3), "power.supply-current");
        assertThat(f.severity()).isEqualTo(Severity.STOP);
        assertThat(f.numbers().get("amps")).isGreaterThan(3);
        assertThat(f.numbers()).containsEntry("limitA", 3.0);
        assertThat(codes(onBank(18, 5))).doesNotContain("power.supply-current");
    }

    @Test
    public void theStartPeakTripsWhatTheAverageDoesNot() {
        Build dips = chain(rung("bank", rung("board")), 25, bank(5, 3, 0), board(10, 20, 4.5, 5.5));
        assertThat(finding(dips, "power.start-dip").severity()).isEqualTo(Severity.STOP);
        Build sound = chain(rung("bank", rung("board")), 25, bank(5, 5, 0), board(10, 20, 4.5, 5.5));
        assertThat(codes(sound)).doesNotContain("power.start-dip");
    }

    @Test
    public void aConverterThatFloatsHighUnloadedIsSeen() {
        Facet floating = new Facet.Converts(
                ConverterKind.STEP_DOWN, 5.1, exact(0.1), exact(0.05), exact(0.03), 5, 0.4, 6, 28, 5.9);
        Part high = part("down", Family.CONVERTER, 20, 20, 5, 5, floating);
        Part steady = part(
                "down",
                Family.CONVERTER,
                20,
                20,
                5,
                5,
                converter(ConverterKind.STEP_DOWN, 5.1, 0.1, 0.05, 0.03, 5, 0.4));
        Rung root = fused(rung("down", rung("board")));
        assertThat(finding(chain(root, 25, pack(4, true), high, board(8, 8, 4.7, 5.4)), "power.no-load-voltage")
                        .numbers())
                .containsEntry("volts", 5.9)
                .containsEntry("limitV", 5.4);
        assertThat(codes(chain(root, 25, pack(4, true), steady, board(8, 8, 4.7, 5.4))))
                .doesNotContain("power.no-load-voltage");
    }

    @Test
    public void aStepUpGivesOutAsTheBatteryFalls() {
        Part weak = part(
                "up", Family.CONVERTER, 20, 20, 5, 5, converter(ConverterKind.STEP_UP, 5.1, 0.05, 0.05, 0.06, 3.3, 0));
        Part strong = part(
                "up", Family.CONVERTER, 20, 20, 5, 5, converter(ConverterKind.STEP_UP, 5.1, 0.05, 0.05, 0.03, 9, 0));
        Rung root = fused(rung("up", rung("board")));
        assertThat(finding(chain(root, 25, pack(1, true), weak, board(10.5, 10.5, 4.7, 5.4)), "power.step-up-limit")
                        .numbers()
                        .get("level"))
                .isBetween(0.02, 0.5);
        assertThat(codes(chain(root, 25, pack(1, true), strong, board(10.5, 10.5, 4.7, 5.4))))
                .doesNotContain("power.step-up-limit");
    }

    @Test
    public void aLongThinCableStarvesAScreen() {
        Rung thin = rung("bank", Rung.of("wire", new Rung.Wire(30, 1200), rung("board")));
        Rung thick = rung("bank", Rung.of("wire", new Rung.Wire(20, 1200), rung("board")));
        Finding f = finding(chain(thin, 25, bank(5, 3, 0), board(2.5, 2.5, 4.7, 5.5)), "power.cable-drop");
        assertThat(f.numbers().get("volts")).isCloseTo(4.55, within(0.02));
        assertThat(codes(chain(thick, 25, bank(5, 3, 0), board(2.5, 2.5, 4.7, 5.5))))
                .noneMatch(c -> c.startsWith("power.cable"));
    }

    @Test
    public void aWireTooThinForItsCurrentIsSeen() {
        Rung thin = fused(Rung.of("wire", new Rung.Wire(26, 50), rung("board")));
        Rung thick = fused(Rung.of("wire", new Rung.Wire(18, 50), rung("board")));
        assertThat(finding(chain(thin, 25, pack(4, true), board(30, 30, 10, 19)), "power.wire-thin")
                        .numbers())
                .containsEntry("limitA", 1.1);
        assertThat(codes(chain(thick, 25, pack(4, true), board(30, 30, 10, 19))))
                .doesNotContain("power.wire-thin");
    }

    @Test
    public void aPackWithoutItsOwnCutOffNeedsOne() {
        assertThat(codes(chain(fused(rung("board")), 25, pack(4, false), board(20, 20, 10, 19))))
                .contains("power.no-cutoff");
        Rung guarded = Rung.of(
                "r-pack",
                new Rung.OfPart("pack"),
                Rung.of(
                        "cut",
                        new Rung.Contact(Rung.ContactKind.PROTECTION, exact(0.01), 10),
                        fused(rung("board")).feeds().getFirst()));
        assertThat(codes(chain(guarded, 25, pack(4, false), board(20, 20, 10, 19))))
                .doesNotContain("power.no-cutoff");
    }

    @Test
    public void aSoundChainHasNothingToSayButTheEnergy() {
        Build sound = chain(fused(rung("board")), 25, pack(4, true), board(20, 24, 10, 19));
        assertThat(codes(sound)).filteredOn(c -> c.startsWith("power.")).isEmpty();
    }

    @Test
    public void cellsWithoutAFuseAreSeen() {
        assertThat(codes(chain(rung("pack", rung("board")), 25, pack(4, true), board(20, 20, 10, 19))))
                .contains("power.no-fuse");
    }

    @Test
    public void aFullPackAboveTheBoardsWindowIsSeen() {
        Finding f =
                finding(chain(fused(rung("board")), 25, pack(5, true), board(20, 20, 12, 19)), "power.over-voltage");
        assertThat(f.numbers().get("volts")).isGreaterThan(19);
    }

    @Test
    public void aSleepingMachineLosesItsPowerBank() {
        Build sleeps = chain(rung("bank", rung("board")), 25, bank(5, 3, 0.2), board(8, 8, 4.5, 5.5));
        assertThat(finding(sleeps, "power.bank-sleep").numbers()).containsEntry("limitA", 0.2);
        assertThat(codes(sleeps)).contains("power.level-unseen");
        assertThat(codes(chain(rung("bank", rung("board")), 25, bank(5, 3, 0.01), board(8, 8, 4.5, 5.5))))
                .doesNotContain("power.bank-sleep");
    }

    @Test
    public void muchEnergyIsAMatterForTheCarrier() {
        Part large = part("pack", Family.BATTERY, 80, 70, 40, 900, cells(Chemistry.LI_ION, 4, 4, 3.4, 0.03, 0.02, 3.0));
        Finding f = finding(chain(fused(rung("board")), 25, large, board(20, 20, 10, 19)), "power.carriage-energy");
        assertThat(f.severity()).isEqualTo(Severity.WATCH);
        assertThat(f.message()).contains("ask the carrier");
    }

    @Test
    public void aConverterWithTooLittleInputDropsOut() {
        Part down = part(
                "down",
                Family.CONVERTER,
                20,
                20,
                5,
                5,
                converter(ConverterKind.STEP_DOWN, 12, 0.1, 0.05, 0.03, 5, 0.5));
        Rung root = fused(rung("down", rung("board")));
        assertThat(codes(chain(root, 25, pack(3, true), down, board(8, 8, 11, 13))))
                .contains("power.dropout");
        assertThat(codes(chain(root, 25, pack(4, true), down, board(8, 8, 11, 13))))
                .doesNotContain("power.dropout");
    }

    @Test
    public void withoutASourceTheFirstStepIsNamed() {
        Finding f = finding(Build.empty("x").withParts(List.of(board(8, 8, 4, 6))), "power.no-source");
        assertThat(f.remedies().getFirst()).contains("Add a battery");
    }

    private static Build two(double gap) {
        return packed(
                box(200, 100, 40, 2, Material.PLASTIC),
                List.of(block("a", 50, 50, 20), block("b", 50, 50, 20)),
                List.of(new Vec(0, 0, 0), new Vec(50 + gap, 0, 0)));
    }

    @Test
    public void packsStopsAtAClashWatchesANarrowGapAndIsFineBeyond() {
        assertThat(Evaluator.evaluate(two(-1)).verdict(Verdict.Kind.PACKS).state())
                .isEqualTo(State.STOP);
        assertThat(Evaluator.evaluate(two(0.4)).verdict(Verdict.Kind.PACKS).state())
                .isEqualTo(State.WATCH);
        assertThat(Evaluator.evaluate(two(2)).verdict(Verdict.Kind.PACKS).state())
                .isEqualTo(State.FINE);
        assertThat(codes(two(-1))).contains("fit.clash");
        assertThat(codes(two(0.4))).contains("fit.gap");
        assertThat(codes(two(2))).noneMatch(c -> c.startsWith("fit."));
    }

    @Test
    public void aCaseBeyondTheBriefIsSeenWhateverTheGaps() {
        Build build = two(2);
        Brief.Limits l = build.brief().limits();
        Build tight = build.withBrief(build.brief()
                .withLimits(new Brief.Limits(
                        l.hours(),
                        l.massG(),
                        l.money(),
                        Optional.of(150.0),
                        l.depthMm(),
                        l.heightMm(),
                        l.gapMm(),
                        l.tipMarginDeg(),
                        l.heatMarginK())));
        assertThat(codes(tight)).contains("fit.size");
        assertThat(Evaluator.evaluate(tight).verdict(Verdict.Kind.PACKS).state())
                .isEqualTo(State.STOP);
    }

    @Test
    public void anAntennaInMetalIsShielded() {
        Part antenna = part("antenna", Family.RADIO, 40, 10, 1, 2, new Facet.Radiates());
        assertThat(codes(packed(
                        box(200, 100, 40, 1, Material.STEEL_PAINTED), List.of(antenna), List.of(new Vec(5, 5, 5)))))
                .contains("fit.antenna-metal");
        assertThat(codes(packed(box(200, 100, 40, 1, Material.PLASTIC), List.of(antenna), List.of(new Vec(5, 5, 5)))))
                .doesNotContain("fit.antenna-metal");
    }

    @Test
    public void aFanWithoutAWayOutIsSeen() {
        Part fan = part("fan", Family.COOLING, 30, 30, 10, 5, new Facet.MovesAir(exact(1), exact(20)));
        assertThat(codes(packed(box(200, 100, 40, 2, Material.PLASTIC), List.of(fan), List.of(new Vec(5, 5, 5)))))
                .contains("heat.no-inlet");
    }

    @Test
    public void aHotPartIsNamedWithItsLimit() {
        Part hot = part(
                "board",
                Family.X86_BOARD,
                80,
                60,
                10,
                90,
                load(20, 4, 6),
                new Facet.Thermal(80, Optional.of(exact(6)), Optional.empty()));
        Build build = packed(
                        box(200, 100, 40, 2, Material.PLASTIC),
                        List.of(bank(5, 6, 0), hot),
                        List.of(new Vec(0, 0, 10), new Vec(90, 10, 10)))
                .withChain(List.of(rung("bank", rung("board"))));
        Finding f = Evaluator.evaluate(build).findings().stream()
                .filter(x -> x.code().equals("heat.part") && x.subjects().contains("board"))
                .findFirst()
                .orElseThrow();
        assertThat(f.severity()).isEqualTo(Severity.STOP);
        assertThat(f.numbers()).containsEntry("limitC", 80.0);
        assertThat(f.message()).contains("sealed");
        assertThat(Evaluator.evaluate(build).verdict(Verdict.Kind.KEEPS_COOL).state())
                .isEqualTo(State.STOP);
    }

    @DataProvider
    Object[][] againstLimits() {
        return new Object[][] {
            {5.0, 4.8, 5.2, 4.0, true, State.FINE},
            {5.0, 3.9, 6.1, 4.0, true, State.WATCH},
            {3.9, 3.0, 4.5, 4.0, true, State.STOP},
            {5.0, 4.8, 5.2, 6.0, false, State.FINE},
            {5.0, 4.8, 6.2, 6.0, false, State.WATCH},
            {6.1, 5.0, 7.0, 6.0, false, State.STOP},
        };
    }

    @Test(dataProvider = "againstLimits")
    public void aRangeAcrossTheLimitIsWatched(
            double value, double low, double high, double limit, boolean more, State state) {
        assertThat(Verdict.against(value, low, high, OptionalDouble.of(limit), more))
                .isEqualTo(state);
    }

    @Test
    public void withoutALimitThereIsNothingToFail() {
        assertThat(Verdict.against(5, 1, 9, OptionalDouble.empty(), true)).isEqualTo(State.FINE);
    }

    @Test
    public void carriesAndCostsCountWhatTheBriefLimits() {
        Part dear = new Part(
                "dear",
                "dear",
                Family.DRIVE,
                "",
                new Figure(500, 10, Basis.MEASURED),
                exact(200),
                Part.Standing.TO_BUY,
                block("dear", 1, 1, 1).body(),
                List.of());
        Build build = Build.empty("x").withParts(List.of(dear));
        Brief.Limits l = build.brief().limits();
        Build limited = build.withBrief(build.brief()
                .withLimits(new Brief.Limits(
                        Optional.empty(),
                        Optional.of(400.0),
                        Optional.of(100.0),
                        l.widthMm(),
                        l.depthMm(),
                        l.heightMm(),
                        0.8,
                        10,
                        5)));
        assertThat(codes(limited)).contains("balance.too-heavy", "cost.over");
        assertThat(codes(build)).doesNotContain("balance.too-heavy", "cost.over");
        Part owned = new Part(
                "dear",
                "dear",
                Family.DRIVE,
                "",
                dear.massG(),
                dear.price(),
                Part.Standing.OWNED,
                dear.body(),
                List.of());
        Evaluation evaluation = Evaluator.evaluate(limited.withParts(List.of(owned)));
        assertThat(evaluation.cost().toSpend().nominal()).isZero();
        assertThat(evaluation.cost().inHand()).isEqualTo(200);
    }

    @Test
    public void workingsEndInTheVerdictsNumber() {
        Build build = chain(fused(rung("board")), 25, pack(4, true), board(20, 24, 10, 19));
        Verdict lasts = Evaluator.evaluate(build).verdict(Verdict.Kind.LASTS);
        assertThat(lasts.working().steps().getLast().result())
                .isEqualTo(boldsatchel.quantity.Units.format(lasts.value(), 2, "h"));
        // Charge over mean current, as a pocket calculator gives it, comes within two percent of the stepwise result.
        String numbers = lasts.working().steps().getLast().numbers();
        double byHand = Double.parseDouble(numbers.replaceAll(".*= ([0-9.]+) h;.*", "$1"));
        assertThat(byHand).isCloseTo(lasts.value(), org.assertj.core.data.Percentage.withPercentage(2));
    }

    @Test
    public void gravestFindingsComeFirst() {
        Build build = chain(rung("pack", rung("board")), 25, pack(5, false), board(20, 20, 12, 19));
        List<Severity> severities = Evaluator.evaluate(build).findings().stream()
                .map(Finding::severity)
                .toList();
        assertThat(severities).isSorted();
        assertThat(Evaluator.evaluate(build).stops()).isTrue();
    }
}
