package boldsatchel.heat;

import static boldsatchel.Samples.box;
import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Cooling;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Vent;
import boldsatchel.power.Points;
import boldsatchel.power.Warmth;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What calms a builder wrongly when it is left out: each point with a number of its own. */
public class HeatTruthTest {

    private static final Part PACK =
            part("pack", Family.BATTERY, 75, 40, 20, 250, cells(Facet.Chemistry.LI_ION, 4, 1, 3, 0.03, 0.02, 2.9));

    private static Part board(double watts) {
        return part(
                "board",
                Family.X86_BOARD,
                80,
                50,
                10,
                90,
                load(watts, 9, 18),
                new Facet.Thermal(95, Optional.empty(), Optional.empty()));
    }

    private static Build slab(Material material, double wall, double watts, Vec boardAt, Vec packAt) {
        return packed(box(194, 114, 29, wall, material), List.of(PACK, board(watts)), List.of(packAt, boardAt))
                .withChain(List.of(rung("pack", rung("board"))))
                .with(Brief.empty().withSurroundings(new Brief.Surroundings(25, 25, false, false)));
    }

    private static Build slab(Material material, double wall, double watts) {
        return slab(material, wall, watts, new Vec(100, 30, 10), new Vec(5, 5, 8));
    }

    private static HeatResult heat(Build build) {
        return Evaluator.evaluate(build).of(HeatResult.class);
    }

    private static double celsius(Build build, String part) {
        return heat(build).part(part).orElseThrow().celsius();
    }

    private static List<String> codes(Build build) {
        return Evaluator.evaluate(build).findings().stream().map(Finding::code).toList();
    }

    private static double spot(Build build) {
        return heat(build).spots().stream()
                .filter(s -> s.name().equals("box, bottom, at board"))
                .findFirst()
                .orElseThrow()
                .celsius();
    }

    private static double wall(Build build) {
        return heat(build).spots().stream()
                .filter(s -> s.name().equals("box, bottom"))
                .findFirst()
                .orElseThrow()
                .celsius();
    }

    /** A pad on thin plastic burns the finger on the other side; on metal it does not. */
    @Test
    public void aPadMakesAHotSpotInPlasticAndLittleInAluminium() {
        Cooling pad = new Cooling(List.of(new HeatPath("board", Face.BOTTOM, exact(0.5), "pad")));
        Build plastic = slab(Material.PLASTIC, 3, 12).with(pad);
        Build metal = slab(Material.ALUMINIUM_PAINTED, 3, 12).with(pad);
        assertThat(spot(plastic)).isBetween(80.0, 110.0);
        assertThat(codes(plastic)).contains("heat.touch");
        assertThat(spot(metal)).isLessThan(spot(plastic) - 20).isLessThan(wall(metal) + 6);
        assertThat(celsius(plastic, "board")).isGreaterThan(celsius(metal, "board") + 40);
        Cooling sheet =
                new Cooling(List.of(new HeatPath("board", Face.BOTTOM, exact(0.5), "sheet", Optional.of(16_000.0))));
        assertThat(spot(plastic.with(sheet))).as("over four times the area").isLessThan(spot(plastic) - 25);
    }

    /** The same for a gap of half a millimetre without any pad. */
    @Test
    public void aBoardCloseToTheFloorWarmsItThereToo() {
        Build close = slab(Material.PLASTIC, 3, 12, new Vec(100, 30, 0.5), new Vec(5, 5, 8));
        assertThat(spot(close)).isGreaterThan(65);
    }

    /** 19.5 V · 2.9 A of which 85 % reach the cells: 8.5 W in the charger, and I²·2R in the cells. */
    @Test
    public void whatAChargerStoresIsNoHeat() {
        Part adapter = part("adapter", Family.CHARGER, 1, 1, 1, 1, new Facet.Adapter(19.5, 5, exact(0)));
        double amps = 57 * 0.85 / 16.8;
        Part charger = part(
                "charger",
                Family.CHARGER,
                50,
                30,
                8,
                30,
                new Facet.Charges(Facet.Chemistry.LI_ION, 4, exact(amps), exact(0.85), false, 18, 21, exact(0)));
        Build build = packed(
                        box(194, 114, 29, 2.5, Material.PLASTIC),
                        List.of(PACK, charger),
                        List.of(new Vec(5, 5, 8), new Vec(120, 30, 10)))
                .with(new boldsatchel.machine.Parts(List.of(PACK, charger, adapter)))
                .withChain(List.of(rung("adapter", Rung.of("c", new Rung.Charging(Optional.of("charger"), "pack")))));
        Warmth plugged = Evaluator.evaluate(build).of(Points.class).warmths().getLast();
        assertThat(plugged.pluggedIn()).isTrue();
        assertThat(plugged.steps().getFirst().inW()).isCloseTo(57, within(1e-6));
        assertThat(plugged.meanByPart().get("charger")).isCloseTo(57 * 0.15, within(1e-6));
        assertThat(plugged.meanByPart().get("pack")).isCloseTo(amps * amps * 2 * (4 * 0.03 + 0.02), within(1e-6));
        assertThat(heat(build).heatW()).isBetween(9.0, 11.5);
        assertThat(heat(build).gravest().orElseThrow().when().pluggedIn()).isTrue();
    }

    /** Of 5 W that come out of a bank of 80 %, 1.25 W more stay in it. */
    @Test
    public void aPowerBankWarmsByWhatItsConverterLoses() {
        Part bank = part(
                "bank", Family.BATTERY, 60, 60, 15, 200, new Facet.PowerBank(exact(37), exact(0.8), 5, 3, exact(0), 0));
        Part lamp = part("lamp", Family.SCREEN, 50, 50, 5, 50, load(5, 4, 6));
        Build build = boldsatchel.Samples.chain(rung("bank", rung("lamp")), 25, bank, lamp);
        assertThat(Evaluator.evaluate(build)
                        .of(Points.class)
                        .warmths()
                        .getFirst()
                        .meanByPart()
                        .get("bank"))
                .isCloseTo(1.25, within(1e-6));
    }

    /** 8 cm² of 1 mm air: 0.027·8e-4/1e-3 = 0.0216 W/K, and about 0.0042 by radiation; at 60 mm hardly any. */
    @Test
    public void aBatteryBesideAHotBoardIsWarmerTheNearerItLies() {
        double last = 1000;
        for (double gap : new double[] {1, 5, 20, 60}) {
            Build build = slab(Material.PLASTIC, 2.5, 10, new Vec(5, 30, 10), new Vec(85 + gap, 35, 8));
            double now = celsius(build, "pack");
            assertThat(now).as(gap + " mm").isLessThan(last);
            last = now;
        }
        Build near = slab(Material.PLASTIC, 2.5, 10, new Vec(5, 30, 10), new Vec(86, 35, 8));
        Build far = slab(Material.PLASTIC, 2.5, 10, new Vec(5, 30, 10), new Vec(117, 35, 8));
        assertThat(celsius(near, "pack") - celsius(far, "pack")).isGreaterThan(2);
        List<Faces.Opposite> pairs = new Faces(placed(near), placed(near)).opposites();
        assertThat(pairs).singleElement().satisfies(p -> {
            assertThat(p.gapMm()).isCloseTo(1, within(1e-9));
            assertThat(p.areaM2()).isCloseTo(40 * 10 * 1e-6, within(1e-12));
        });
    }

    /** What stands between hides what it covers. */
    @Test
    public void aScreenBetweenTwoPartsKeepsThemFromSeeingOneAnother() {
        Build near = slab(Material.PLASTIC, 2.5, 10, new Vec(5, 30, 10), new Vec(100, 35, 8));
        Part sheet = part("sheet", Family.MECHANICS, 1, 100, 25, 20);
        List<Part> parts = new ArrayList<>(near.parts().list());
        parts.add(sheet);
        Build parted = packed(
                        near.casing().shells().getFirst(),
                        parts,
                        List.of(new Vec(100, 35, 8), new Vec(5, 30, 10), new Vec(92, 5, 2)))
                .with(near.brief())
                .withChain(near.wiring().chain());
        List<Placed> warm = placed(parted).subList(0, 2);
        assertThat(new Faces(warm, warm).opposites()).hasSize(1);
        assertThat(new Faces(warm, placed(parted)).opposites()).isEmpty();
        assertThat(celsius(parted, "pack")).isLessThan(celsius(near, "pack"));
    }

    private static List<Placed> placed(Build build) {
        return Placed.all(build);
    }

    /** 80 × 50 × 10 mm: all around 10600 mm², of which the floor's 4000 mm² are covered 3 mm above it. */
    @Test
    public void airDoesNotFlowAlongAFaceThatIsCovered() {
        for (double z : new double[] {3, 10}) {
            Build build = slab(Material.PLASTIC, 2.5, 10, new Vec(100, 30, z), new Vec(5, 5, 8));
            HeatModel model = new HeatModel(build, placed(build), Set.of("board", "pack"), false, Set.of());
            HeatModel.Watched board = model.watched.stream()
                    .filter(w -> w.subject().equals("board"))
                    .findFirst()
                    .orElseThrow();
            double area = model.network.links().stream()
                    .filter(l -> l.from() == board.node() && l instanceof Link.Convection)
                    .mapToDouble(l -> ((Link.Convection) l).areaM2())
                    .sum();
            assertThat(area * 1e6).isCloseTo(z < 6 ? 6600 : 10_600, within(1e-6));
        }
    }

    /** A given 4 K/W: 0.25 W/K, less 9 W/m²K of the 4000 mm² that are covered. */
    @Test
    public void aGivenResistanceIsLessTheFacesThatAreCovered() {
        Build open = slab(Material.PLASTIC, 2.5, 10, new Vec(100, 30, 3), new Vec(5, 5, 8));
        Part sink = open.part("board")
                .orElseThrow()
                .withFacet(new Facet.Thermal(95, Optional.of(exact(4)), Optional.empty()));
        HeatModel model =
                new HeatModel(open.with(sink), placed(open.with(sink)), Set.of("board", "pack"), false, Set.of());
        HeatModel.Watched board = model.watched.stream()
                .filter(w -> w.subject().equals("board"))
                .findFirst()
                .orElseThrow();
        int air = model.rooms.values().iterator().next().air;
        double toAir = model.network.links().stream()
                .filter(l -> l.from() == board.node() && l.to() == air)
                .mapToDouble(l -> l.watts(60, 30))
                .sum();
        assertThat(toAir / 30).isCloseTo(0.25 - 9 * 4000e-6, within(1e-9));
    }

    /** A part that lies nowhere warms all the same, and the verdict says so. */
    @Test
    public void whatIsNotPlacedYetWarmsToo() {
        Build placed = slab(Material.PLASTIC, 2.5, 17);
        Build loose = placed.with(new Layout(List.of()));
        HeatResult heat = heat(loose);
        assertThat(heat.loose()).containsExactly("pack", "board");
        assertThat(heat.heatW()).isCloseTo(heat(placed).heatW(), Percentage.withPercentage(1e-6));
        assertThat(celsius(loose, "board")).isCloseTo(celsius(placed, "board"), within(8.0));
        Evaluation evaluation = Evaluator.evaluate(loose);
        assertThat(evaluation.verdict(Verdict.Kind.KEEPS_COOL).state()).isNotEqualTo(State.FINE);
        assertThat(evaluation.verdict(Verdict.Kind.KEEPS_COOL).sentence())
                .contains("2 parts that are not placed yet count as lying free inside");
        assertThat(codes(loose)).contains("heat.loose");
        Evaluation small = Evaluator.evaluate(slab(Material.PLASTIC, 2.5, 0.5).with(new Layout(List.of())));
        assertThat(small.verdict(Verdict.Kind.KEEPS_COOL).state()).isEqualTo(State.WATCH);
    }

    @DataProvider
    Object[][] colds() {
        return new Object[][] {{-25, "heat.cells-cold"}, {-5, "heat.cells-cold-charging"}};
    }

    @Test(dataProvider = "colds")
    public void coldCellsAreNotChargedAndNotUsed(int celsius, String code) {
        Build build = charging(slab(Material.PLASTIC, 2.5, 5));
        Brief.Surroundings cold = new Brief.Surroundings(celsius, celsius, false, false);
        assertThat(codes(build)).doesNotContain(code);
        assertThat(codes(build.with(build.brief().withSurroundings(cold)))).contains(code);
    }

    private static Build charging(Build build) {
        List<Part> parts = new ArrayList<>(build.parts().list());
        parts.add(part("adapter", Family.CHARGER, 1, 1, 1, 1, new Facet.Adapter(20, 3, exact(0))));
        parts.add(part(
                "charger",
                Family.CHARGER,
                50,
                30,
                8,
                30,
                new Facet.Charges(Facet.Chemistry.LI_ION, 4, exact(2), exact(0.9), false, 18, 21, exact(0))));
        List<Rung> chain = new ArrayList<>(build.wiring().chain());
        chain.add(rung("adapter", Rung.of("c", new Rung.Charging(Optional.of("charger"), "pack"))));
        return build.with(new boldsatchel.machine.Parts(parts)).withChain(chain);
    }

    /** Cells at 50 °C may be used, but not charged. */
    @Test
    public void warmCellsAreNotCharged() {
        Build build = slab(Material.PLASTIC, 2.5, 5);
        Build hot = build.with(build.brief().withSurroundings(new Brief.Surroundings(36, 25, false, false)));
        assertThat(codes(hot)).contains("heat.battery-warm").doesNotContain("heat.cells-charging");
        assertThat(codes(charging(hot))).contains("heat.cells-charging");
    }

    /**
     * A black roof in 800 W/m² that gives nothing to the inside settles where 0.9·800 = 1.32·(ΔT/0.16)^¼·ΔT + 0.9·σ·(T⁴ − Ta⁴); what
     * passes inside takes some of it away.
     */
    @Test
    public void theSunWarmsTheRoof() {
        Build build = slab(Material.PLASTIC, 3, 0);
        Brief.Surroundings sunny = new Brief.Surroundings(25, 25, false, false, 800, false);
        HeatResult.Use use =
                heat(build.with(build.brief().withSurroundings(sunny))).uses().getFirst();
        assertThat(use.sunW()).isCloseTo(0.9 * 800 * 0.2 * 0.12, Percentage.withPercentage(0.1));
        double low = 0;
        double high = 200;
        for (int i = 0; i < 60; i++) {
            double over = (low + high) / 2;
            double off = 1.32 * Math.pow(over / 0.16, 0.25) * over
                    + 0.9 * 5.670374419e-8 * (Math.pow(298.15 + over, 4) - Math.pow(298.15, 4));
            low = off < 720 ? over : low;
            high = off < 720 ? high : over;
        }
        double roof = use.spots().stream()
                .filter(s -> s.name().equals("box, top"))
                .findFirst()
                .orElseThrow()
                .celsius();
        assertThat(roof - 25).isBetween(0.75 * low, low);
    }

    @Test
    public void whatLiesOnTheTableIsNotTouched() {
        Build build = slab(Material.PLASTIC, 2.5, 12);
        Build table = build.with(build.brief().withSurroundings(new Brief.Surroundings(25, 25, false, true)));
        assertThat(limit(table)).isInfinite();
        assertThat(limit(build)).isEqualTo(60);
    }

    private static double limit(Build build) {
        return heat(build).spots().stream()
                .filter(s -> s.name().equals("box, bottom"))
                .findFirst()
                .orElseThrow()
                .limitC();
    }

    private static Vent vent(String name, Face wall, Box box) {
        return new Vent(name, wall, box, 1);
    }

    private static Build vented(double lowX) {
        Build build = slab(Material.PLASTIC, 2.5, 12);
        Shell box = build.casing().shells().getFirst();
        Shell open = boldsatchel.Samples.tray(
                "box",
                box.widthMm().value(),
                box.depthMm().value(),
                box.heightMm().value(),
                box.wallMm(),
                box.material(),
                false,
                vent("low", Face.LEFT, new Box(0, 50, 1, 0, 60, 6)),
                vent("high", Face.RIGHT, new Box(194, 50, 22, 0, 60, 6)));
        Part block = part("block", Family.DRIVE, 20, 70, 20, 50);
        List<Part> parts = new ArrayList<>(build.parts().list());
        parts.add(block);
        return packed(open, parts, List.of(new Vec(30, 0, 8), new Vec(100, 30, 10), new Vec(lowX, 45, 0)))
                .with(build.brief())
                .withChain(build.wiring().chain());
    }

    @Test
    public void aCoveredVentLetsLittleThrough() {
        double free = heat(vented(5)).shells().getFirst().flowLs();
        double covered = heat(vented(0.3)).shells().getFirst().flowLs();
        assertThat(free).isPositive();
        assertThat(covered).isLessThan(0.4 * free).isPositive();
    }

    /** Two fans side by side are one of twice the flow at the same pressure. */
    @Test
    public void twoFansBlowAsOneOfTwiceTheFlow() {
        assertThat(fans(2, 1.5)).isCloseTo(fans(1, 3), Percentage.withPercentage(0.01));
        assertThat(fans(2, 1.5)).isGreaterThan(1.2 * fans(1, 1.5));
    }

    private static double fans(int count, double freeLs) {
        Shell box = box(194, 114, 29, 2.5, Material.PLASTIC);
        List<Placed> fans = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Part fan = part("fan" + i, Family.COOLING, 30, 30, 10, 20, new Facet.MovesAir(exact(freeLs), exact(20)));
            Build one = packed(box, List.of(fan), List.of(new Vec(5, 10 + 40 * i, 5)));
            fans.addAll(placed(one));
        }
        Shell open = boldsatchel.Samples.tray(
                "box",
                194,
                114,
                29,
                exact(2.5),
                Material.PLASTIC,
                false,
                vent("out", Face.LEFT, new Box(0, 10, 5, 0, 70, 10)),
                vent("in", Face.RIGHT, new Box(194, 10, 5, 0, 70, 10)));
        return new Openings(open, fans, Double.POSITIVE_INFINITY, p -> true)
                .driven()
                .orElseThrow()
                .throughM3s();
    }

    private static Build laptop(boolean closed) {
        Shell base = box(194, 114, 20, 2.5, Material.PLASTIC);
        Shell lid = boldsatchel.Samples.tray("lid", 194, 114, 8, exact(2.5), Material.PLASTIC, true);
        Build build = slab(Material.PLASTIC, 2.5, 9, new Vec(100, 30, 8), new Vec(5, 5, 0));
        UseProfile.Step step = new UseProfile.Step("work", Mode.BUSY, 30, 1).closed(closed);
        return build.with(Casing.NONE
                        .withShells(List.of(base, lid))
                        .withLid(Joint.lid("box", "lid", new Vec(0, 117, 23), new Vec(0, -3, 8), 120, exact(1)), 110))
                .with(build.brief().withProfiles(List.of(new UseProfile("work", List.of(step)))));
    }

    /** A closed lid lies on the base like a blanket, and is warmed by it. */
    @Test
    public void aLidThatIsClosedKeepsTheBaseWarmAndGetsWarmItself() {
        HeatResult open = heat(laptop(false));
        HeatResult closed = heat(laptop(true));
        assertThat(closed.gravest().orElseThrow().when().closed()).isTrue();
        double base = rise(closed, "box") / rise(open, "box");
        assertThat(base).isBetween(1.35, 1.6);
        assertThat(rise(open, "lid")).isLessThan(0.1);
        assertThat(rise(closed, "lid")).isGreaterThan(3);
        assertThat(Evaluator.evaluate(laptop(true))
                        .verdict(Verdict.Kind.KEEPS_COOL)
                        .sentence())
                .contains("with the lid closed");
    }

    private static double rise(HeatResult heat, String shell) {
        return heat.shell(shell).orElseThrow().airC() - 25;
    }

    /** Each profile is judged, and a swing by its peak. */
    @Test
    public void theGravestProfileDecidesAndItsPeakCounts() {
        Build build = slab(Material.PLASTIC, 2.5, 22);
        UseProfile calm = new UseProfile("calm", List.of(new UseProfile.Step("wait", Mode.IDLE, 30, 1)));
        UseProfile swings = new UseProfile(
                "swings",
                List.of(new UseProfile.Step("work", Mode.BUSY, 60, 1), new UseProfile.Step("nap", Mode.SLEEP, 180, 1)));
        HeatResult heat = heat(build.with(build.brief().withProfiles(List.of(calm, swings))));
        assertThat(heat.uses()).extracting(HeatResult.Use::profile).containsExactly("calm", "swings");
        assertThat(heat.gravest().orElseThrow().profile()).isEqualTo("swings");
        HeatResult.Spot spot = heat.part("board").orElseThrow();
        assertThat(spot.celsius()).isGreaterThan(spot.meanC() + 30);
        UseProfile always = new UseProfile("always", List.of(new UseProfile.Step("work", Mode.BUSY, 60, 1)));
        double steady = celsius(build.with(build.brief().withProfiles(List.of(always))), "board");
        assertThat(spot.celsius()).isBetween(0.9 * steady, steady);
    }
}
