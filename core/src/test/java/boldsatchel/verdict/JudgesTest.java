package boldsatchel.verdict;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.box;
import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Findings;
import boldsatchel.cost.CostResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Cooling;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.Chemistry;
import boldsatchel.machine.Family;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
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
        return boldsatchel.Samples.bank(
                new Facet.PowerBank(exact(37), exact(0.87), volts, mostA, exact(0.02), shutOffA));
    }

    private static Part pack(int series) {
        return part("pack", Family.BATTERY, 80, 70, 20, 200, cells(Chemistry.LI_ION, series, 2, 3.0, 0.035, 0.02, 3.0));
    }

    private static Part board(double watts, double start, double low, double high) {
        return part("board", Family.X86_BOARD, 100, 70, 15, 90, load(watts, start, low, high));
    }

    @Test
    public void withoutASourceTheFirstStepIsNamed() {
        Finding f = finding(Build.empty("x").with(new Parts(List.of(board(8, 8, 4, 6)))), "power.no-source");
        assertThat(f.remedies().getFirst().words()).contains("Add a battery");
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
        Build tight = build.with(build.brief()
                .withLimits(new Brief.Limits(
                        l.hours(),
                        l.massG(),
                        l.money(),
                        Optional.of(150.0),
                        l.depthMm(),
                        l.heightMm(),
                        l.gapMm(),
                        l.tipMarginDeg(),
                        l.heatMarginK(),
                        Optional.empty(),
                        Optional.empty(),
                        java.util.Set.of())));
        assertThat(codes(tight)).contains("fit.size");
        assertThat(Evaluator.evaluate(tight).verdict(Verdict.Kind.PACKS).state())
                .isEqualTo(State.STOP);
    }

    @Test
    public void anAntennaInMetalIsShielded() {
        Part antenna = part("antenna", Family.RADIO, 40, 10, 1, 2, new Facet.Radiates());
        Findings.hold(
                "fit.antenna-metal",
                packed(box(200, 100, 40, 1, Material.STEEL_PAINTED), List.of(antenna), List.of(new Vec(5, 5, 5))),
                Double.NaN,
                packed(box(200, 100, 40, 1, Material.PLASTIC), List.of(antenna), List.of(new Vec(5, 5, 5))),
                true);
    }

    @Test
    public void aFanWithoutAWayOutIsSeen() {
        Part fan = part("fan", Family.COOLING, 30, 30, 10, 5, new Facet.MovesAir(exact(1), exact(20)));
        assertThat(codes(packed(box(200, 100, 40, 2, Material.PLASTIC), List.of(fan), List.of(new Vec(5, 5, 5)))))
                .contains("heat.no-inlet");
    }

    private static Build loud(double decibels) {
        Part fan = part(
                "fan",
                Family.COOLING,
                30,
                30,
                10,
                5,
                new Facet.MovesAir(exact(1), exact(20), Optional.of(exact(decibels))));
        Build build = packed(box(200, 100, 40, 2, Material.PLASTIC), List.of(fan), List.of(new Vec(5, 5, 5)));
        Brief.Limits limits =
                Form.of(Brief.Limits.class).field("noiseDb").with(build.brief().limits(), Optional.of(30.0));
        return build.with(build.brief().withLimits(limits));
    }

    /** 30 dB at a metre are 36 at half a metre. */
    @Test
    public void fansAreNoLouderThanTheBriefAllows() {
        Findings.hold("heat.noise", loud(30), Double.NaN, loud(23.9), true);
    }

    @Test
    public void waterSettlesOnWhatIsColderThanTheDewPoint() {
        Build warm = loud(10);
        Findings.hold(
                "heat.dew",
                warm.with(warm.brief().withSurroundings(new Brief.Surroundings(25, 16, false, true))),
                Double.NaN,
                warm.with(warm.brief().withSurroundings(new Brief.Surroundings(25, 17, false, true))),
                true);
    }

    private static Build board(double z) {
        return packed(
                        box(200, 100, 40, 2, Material.PLASTIC),
                        List.of(bank(5, 6, 0), part("board", Family.X86_BOARD, 80, 60, 10, 90, load(20, 4, 6))),
                        List.of(new Vec(0, 0, 10), new Vec(90, 10, z)))
                .withChain(List.of(rung("bank", rung("board"))));
    }

    @Test
    public void anAirlessUndersideIsSeen() {
        Findings.hold("heat.no-gap-under", board(0), Double.NaN, board(5), true);
    }

    private static Build blowing(double inletX) {
        Part fan = part("fan", Family.COOLING, 30, 10, 30, 5, new Facet.MovesAir(exact(1), exact(20)));
        Shell tray = box(200, 100, 40, 2, Material.PLASTIC);
        Box room = tray.cavity();
        return packed(
                tray.withVents(List.of(
                        new Vent("out", Face.BACK, new Box(10, room.dy(), 5, 30, 0, 30), Vent.Kind.OPEN, 0),
                        new Vent("in", Face.BACK, new Box(inletX, room.dy(), 5, 30, 0, 30), Vent.Kind.OPEN, 0))),
                List.of(fan),
                List.of(new Vec(10, 87, 5)));
    }

    @Test
    public void airThatGoesRoundIsSeen() {
        Findings.hold("heat.air-goes-round", blowing(50), Double.NaN, blowing(140), true);
    }

    private static Build directed(Optional<Face> blows, double z, double y) {
        Facet.MovesAir moves =
                new Facet.MovesAir(exact(1), exact(20), Optional.empty(), Optional.empty(), blows, List.of());
        Shell tray = box(200, 100, 40, 2, Material.PLASTIC);
        return packed(
                        tray.withVents(List.of(
                                new Vent("out", Face.BACK, new Box(10, 100, 5, 30, 0, 30), Vent.Kind.OPEN, 0),
                                new Vent("in", Face.FRONT, new Box(10, 0, 5, 30, 0, 30), Vent.Kind.OPEN, 0))),
                        List.of(
                                part("fan", Family.COOLING, 30, 10, 30, 5, moves),
                                bank(5, 6, 0),
                                part("board", Family.X86_BOARD, 40, 40, 10, 90, load(5, 4, 6))),
                        List.of(new Vec(10, y, z), new Vec(50, 0, 10), new Vec(130, 10, 10)))
                .withChain(List.of(rung("bank", rung("board"))));
    }

    @Test
    public void aFanThatLooksAtNoVentStirsTheAirInside() {
        Findings.hold(
                "heat.fan-inside",
                directed(Optional.of(Face.LEFT), 5, 87),
                Double.NaN,
                directed(Optional.of(Face.BACK), 5, 87),
                true);
        assertThat(Findings.of(directed(Optional.of(Face.BACK), 5, 87), "heat.fan-way"))
                .isEmpty();
    }

    @Test
    public void ofAFanAwayFromAllVentsItIsAskedWhichWayItBlows() {
        Findings.hold(
                "heat.fan-way", directed(Optional.empty(), 5, 60), Double.NaN, directed(Optional.empty(), 5, 85), true);
    }

    /** Cells of 100 mm² a face beside a hot board, and the same across the tray. */
    private static Build cellsBeside(double gapMm) {
        Part hot = part(
                "board",
                Family.X86_BOARD,
                80,
                60,
                20,
                90,
                load(12, 12, 12),
                new Facet.Thermal(110, Optional.of(exact(5)), Optional.empty()));
        return packed(
                        box(260, 100, 40, 2, Material.PLASTIC),
                        List.of(bank(5, 10, 0), hot),
                        List.of(new Vec(82 + gapMm, 20, 5), new Vec(2, 20, 5)))
                .withChain(List.of(rung("bank", rung("board"))));
    }

    @Test
    public void cellsThatAreWarmedByWhatIsBesideThemAreSeen() {
        Findings.hold("heat.cells-beside", cellsBeside(1), Double.NaN, cellsBeside(60), true);
    }

    private static Build piped(double mostW) {
        Build build = cellsBeside(60);
        return build.with(new Cooling(List.of(
                new HeatPath("board", Face.LEFT, exact(0.5), "pipe", Optional.of(1500.0), Optional.of(mostW)))));
    }

    /** Beyond what it carries a pipe is dry, and what it leads away gets hotter. */
    @Test
    public void aPipeThatCarriesTooMuchIsSeen() {
        Findings.hold("heat.pipe-dry", piped(2.7), Double.NaN, piped(20), true);
        assertThat(boardC(piped(1))).isGreaterThan(boardC(piped(20)) + 5);
    }

    private static double boardC(Build build) {
        return Evaluator.evaluate(build)
                .of(boldsatchel.heat.HeatResult.class)
                .part("board")
                .orElseThrow()
                .celsius();
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
        Build build = Build.empty("x").with(new Parts(List.of(dear)));
        Brief.Limits l = build.brief().limits();
        Build limited = build.with(build.brief()
                .withLimits(new Brief.Limits(
                        Optional.empty(),
                        Optional.of(400.0),
                        Optional.of(100.0),
                        l.widthMm(),
                        l.depthMm(),
                        l.heightMm(),
                        0.8,
                        10,
                        5,
                        Optional.empty(),
                        Optional.empty(),
                        java.util.Set.of())));
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
        Evaluation evaluation = Evaluator.evaluate(limited.with(new Parts(List.of(owned))));
        assertThat(evaluation.of(CostResult.class).all().nominal()).isZero();
        assertThat(evaluation.of(CostResult.class).owned()).isEqualTo(200);
    }

    @Test
    public void workingsEndInTheVerdictsNumber() {
        Build build = chain(rung("pack", rung("board")), 25, pack(4), board(20, 24, 10, 19));
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
        Build build = chain(rung("pack", rung("board")), 25, pack(5), board(20, 20, 12, 19));
        List<Severity> severities = Evaluator.evaluate(build).findings().stream()
                .map(Finding::severity)
                .toList();
        assertThat(severities).isSorted();
        assertThat(Evaluator.evaluate(build).stops()).isTrue();
    }
}
