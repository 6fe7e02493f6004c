package boldsatchel.power;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.edit.ChainEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.Chemistry;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import java.util.List;
import java.util.Optional;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Charging against closed forms. */
public class ChargeTest {

    private static Part pack(double ohms) {
        return part("pack", Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 1, 1, 3, ohms, 0, 2.8));
    }

    private static Part charger(double amps) {
        return part(
                "charger",
                Family.CHARGER,
                1,
                1,
                1,
                1,
                new Facet.Charges(Chemistry.LI_ION, 1, exact(amps), exact(0.9), true, 4.5, 5.5, exact(0)));
    }

    private static Part adapter(double amps) {
        return part("adapter", Family.CHARGER, 1, 1, 1, 1, new Facet.Adapter(5, amps, exact(0)));
    }

    private static Build charged(Part pack, double chargerA, double adapterA, double loadW) {
        Part board = part("board", Family.SINGLE_BOARD, 1, 1, 1, 1, load(loadW, 2, 5));
        Build build = chain(rung("pack", rung("board")), 25, pack, board, charger(chargerA), adapter(adapterA));
        return build.withChain(List.of(
                build.wiring().chain().getFirst(),
                rung("adapter", Rung.of("charging", new Rung.Charging(Optional.of("charger"), "pack")))));
    }

    private static Charge.Result only(Build build) {
        return PowerEngine.evaluate(build).charges().getFirst();
    }

    @Test
    public void aCellWithoutResistanceFillsInCapacityOverCurrent() {
        assertThat(only(charged(pack(1e-9), 1.5, 3, 0)).off().hours()).isCloseTo(2, Percentage.withPercentage(0.5));
    }

    /**
     * Constant voltage on a cell whose rest voltage rises in a straight line: dI/dt = −I·b / (2·R·Q), so that the current falls off
     * exponentially and the time from I₀ to I₁ is 2·R·Q/b · ln(I₀/I₁).
     */
    @Test
    public void atConstantVoltageTheCurrentOfAnIdealCellFallsOffExponentially() {
        double ohms = 0.25;
        Store.Pack pack = Store.Pack.at(
                pack(ohms).facet(Facet.Cells.class).orElseThrow(), Num.exact(ohms), Num.exact(0), Num.exact(3), 25);
        Charge.Curve curve = Charge.fill(pack, level -> 10, level -> 0);
        // From 90 % on the rest voltage goes from 4.08 to 4.18 V: b = 1 V. The voltage is held from the start at 10 A.
        Discharge.Sample from = curve.samples().stream()
                .filter(s -> s.level() >= 0.9 - 1e-9)
                .findFirst()
                .orElseThrow();
        Discharge.Sample to = curve.samples().getLast();
        double slope = 1;
        double expected = 2 * ohms * 3 / slope * Math.log(from.amps() / to.amps());
        assertThat(from.amps()).isCloseTo((4.2 - 4.08) / (2 * ohms), within(1e-9));
        assertThat(to.hours() - from.hours()).isCloseTo(expected, within(1e-6));
        assertThat(to.amps()).isCloseTo(3.0 / 20, within(1e-5));
    }

    @Test
    public void theCurrentIsConstantUntilTheFullVoltage() {
        Charge.Curve curve = only(charged(pack(0.05), 1, 3, 0)).off();
        assertThat(curve.samples().getFirst().amps()).isEqualTo(1);
        double turn = curve.samples().stream()
                .filter(s -> s.amps() < 0.98)
                .mapToDouble(Discharge.Sample::level)
                .findFirst()
                .orElseThrow();
        // 4.2 − 2·R·I = 4.1 V: at 92 %.
        assertThat(turn).isCloseTo(0.92, within(0.03));
        assertThat(curve.samples()).allMatch(s -> s.volts() <= 4.2 + 1e-9);
    }

    @Test
    public void whatTheMachineDrawsDoesNotReachTheCells() {
        Charge.Result slow = only(charged(pack(0.02), 1, 3, 2));
        assertThat(slow.cellsA()).isCloseTo(1 - 2 / 3.72, within(0.01));
        assertThat(slow.running().hours()).isGreaterThan(slow.off().hours() * 1.8);
        Charge.Result drained = only(charged(pack(0.02), 1, 3, 6));
        assertThat(drained.cellsA()).isNegative();
        assertThat(drained.running().hours()).isInfinite();
    }

    private static Build pastThePack(Build build) {
        return ChainEdits.join(
                        build, "r-pack", new ChainEdits.Piece("adapter", Optional.empty(), new Rung.OfPart("adapter")))
                .allowed()
                .orElseThrow()
                .change()
                .apply(build);
    }

    @Test
    public void pastThePackByPowerPathAllOfTheChargerReachesTheCells() {
        Build build = charged(pack(0.02), 1, 3, 2);
        Build path = pastThePack(build);
        Charge.Result result = only(path);
        assertThat(result.cellsA()).isCloseTo(1, within(1e-6));
        assertThat(result.running().hours()).isCloseTo(result.off().hours(), within(1e-6));
    }

    /**
     * Past the pack by power path the supply's 1.2 A are shared: 2 W busy leave 1.2 − 0.4 = 0.8 A of the charger's 1 A, 1 W idle leave 1 A.
     * Half the time each, the mean is 0.9 A, and 3 Ah of ideal cells take 3/0.9 h.
     */
    @Test
    public void whatThePowerPathLeavesIsTheMeanOverTheProfile() {
        Build build = charged(pack(1e-9), 1, 1.2, 2);
        Build path = pastThePack(build);
        UseProfile profile = new UseProfile(
                "halves",
                List.of(new UseProfile.Step("work", Mode.BUSY, 30, 1), new UseProfile.Step("wait", Mode.IDLE, 30, 1)));
        Charge.Result result = only(path.with(path.brief().withProfiles(List.of(profile))));
        assertThat(result.running().hours()).isCloseTo(3 / 0.9, Percentage.withPercentage(0.5));
        assertThat(result.cellsA()).isCloseTo(0.8, within(1e-3));
    }

    /** 0.1 ms steps of the same law: dQ = I·dt, I the charger's until twice the resistance takes the voltage to full, ended at C/20. */
    @DataProvider
    Object[][] colds() {
        return new Object[][] {
            {1, 0.06, 0.0, 1.0, 1.0}, {1, 0.06, -8.0, 1.0, 1.5}, {4, 0.06, -2.0, 0.7, 2.0}, {1, 0.2, 25.0, 1.0, 1.0}
        };
    }

    @Test(dataProvider = "colds")
    public void chargingEndsWhereSmallStepsEndIt(int series, double ohms, double celsius, double health, double amps) {
        Facet.Cells cells = new Facet.Cells(
                Facet.Chemistry.LI_ION,
                series,
                1,
                exact(3),
                3.6,
                exact(ohms),
                exact(0.02),
                2.8,
                1e3,
                1e3,
                true,
                exact(health));
        double ah = 3 * health * CellCurve.capacityFactor(celsius);
        Store.Pack pack = Store.Pack.at(cells, Num.exact(ohms), Num.exact(0.02), Num.exact(ah), celsius);
        double hours = Charge.fill(pack, level -> amps, level -> 0).hours();
        double acceptance = CellCurve.chargeAcceptance(Facet.Chemistry.LI_ION);
        double level = 0;
        double spent = 0;
        double step = 1e-4;
        while (true) {
            double open = series * CellCurve.restVolts(Facet.Chemistry.LI_ION, level);
            double inside = 2 * (series * ohms * CellCurve.resistanceFactor(level, celsius) + 0.02);
            double held = (series * 4.2 - open) / inside;
            double now = Math.min(amps, held);
            if (level >= 1 || (held < amps && now <= ah / acceptance / 20)) {
                break;
            }
            level += now * step * acceptance / ah;
            spent += step;
        }
        assertThat(hours).isCloseTo(spent, Percentage.withPercentage(0.3));
    }

    @Test
    public void aWeakSupplySharesWhatItHas() {
        assertThat(only(charged(pack(1e-9), 2, 0.5, 0)).off().hours()).isCloseTo(6, Percentage.withPercentage(0.5));
    }

    @Test
    public void aSupplyOutsideTheChargersRangeChargesNothing() {
        Build build = charged(pack(0.02), 1, 3, 0)
                .with(part("adapter", Family.CHARGER, 1, 1, 1, 1, new Facet.Adapter(12, 3, exact(0))));
        assertThat(only(build).fits()).isFalse();
        assertThat(only(build).off().hours()).isInfinite();
    }

    @Test
    public void aBankFillsInItsEnergyOverWhatIsStored() {
        Part bank = part(
                "bank",
                Family.BATTERY,
                1,
                1,
                1,
                1,
                new Facet.PowerBank(exact(37), exact(0.87), 5, 3, exact(0), 0),
                new Facet.Recharges(exact(10), exact(0.9), exact(0)),
                new Facet.Offers(List.of(new Facet.Offer(5, 3))));
        Part adapter = adapter(3).withFacet(new Facet.Offers(List.of(new Facet.Offer(5, 3), new Facet.Offer(5, 1))));
        Build build = chain(rung("bank"), 25, bank, adapter)
                .withChain(List.of(
                        rung("bank"), rung("adapter", Rung.of("c", new Rung.Charging(Optional.empty(), "bank")))));
        Charge.Result result = only(build);
        assertThat(result.off().hours()).isCloseTo(37 / (10 * 0.9), within(1e-9));
        assertThat(result.byOffer().get().getLast().hours()).isCloseTo(37 / (5 * 0.9), within(1e-9));
    }
}
