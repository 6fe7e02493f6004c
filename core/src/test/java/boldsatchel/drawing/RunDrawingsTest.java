package boldsatchel.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.plan.Supplies;
import boldsatchel.plan.VoltTable;
import boldsatchel.power.Charge;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.power.PowerEngine;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Reading;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** The discharge, charge, cycle and voltmeter drawings say what the engine says, where it says it. */
public class RunDrawingsTest {

    private static final Optional<Double> WANTED = Optional.of(5.0);

    private static Build demo(String name) {
        return Library.demo(name).orElseThrow();
    }

    private static ChainResult chain(Build build) {
        return PowerEngine.evaluate(build).chains().getFirst();
    }

    private static Drawing discharge(Build build, Optional<Discharge.Sample> at) {
        Rung root = build.wiring().chain().getFirst();
        return RunDrawings.discharge(
                build, chain(build), Network.of(build, root, Reading.NOMINAL).orElseThrow(), WANTED, at);
    }

    private static List<String> words(Drawing drawing) {
        return drawing.marks().stream()
                .filter(m -> m instanceof Mark.Text)
                .map(m -> ((Mark.Text) m).text())
                .toList();
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void theDischargeNamesItsEndTheWishTheWarningAndItsRails(String name) {
        Build build = demo(name);
        Discharge run = chain(build).run();
        assertThat(words(discharge(build, Optional.empty())))
                .anyMatch(w -> w.endsWith(": " + run.end().kind().words()))
                .contains("wanted 5.0 h", "a warning belongs here", "charge left", "5.1 V rail");
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void everyMarkOfTheDischargeLiesOnItsSheet(String name) {
        Drawing drawing = discharge(
                demo(name), Optional.of(chain(demo(name)).run().samples().getFirst()));
        for (Mark mark : drawing.marks()) {
            if (mark instanceof Mark.Line line) {
                line.points().forEach(p -> {
                    assertThat(p.x()).isBetween(-1e-6, drawing.widthMm() + 1e-6);
                    assertThat(p.y()).isBetween(-1e-6, drawing.heightMm() + 1e-6);
                });
            }
        }
    }

    @Test
    public void aPickedMomentSaysItsNumbers() {
        Build build = demo("cave-survey");
        List<Discharge.Sample> samples = chain(build).run().samples();
        Discharge.Sample at = samples.get(samples.size() / 2);
        assertThat(words(discharge(build, Optional.of(at))))
                .anyMatch(w -> w.contains(Math.round(at.level() * 100) + " %") && w.contains(" A"));
    }

    @Test
    public void hoursAreReadOffTheAxisTheyAreDrawnOn() {
        ChainResult chain = chain(demo("cave-survey"));
        double whole = RunDrawings.hoursAt(chain, WANTED, 190);
        assertThat(whole).isCloseTo(chain.run().hours() * 1.04, within(1e-9));
        assertThat(RunDrawings.hoursAt(chain, WANTED, 95)).isCloseTo(whole / 2, within(1e-9));
        assertThat(RunDrawings.hoursAt(chain, WANTED, -5)).isNegative();
    }

    @Test
    public void whatGoesOnForeverOrNotAtAllIsSaidInWords() {
        Build mains = Supplies.reckon(demo("cave-survey"), Supplies.School.MAINS)
                .orElseThrow()
                .build();
        assertThat(words(discharge(mains, Optional.empty()))).contains("goes on for more than a year");
        Build cave = demo("cave-survey");
        Build weak = cave.with(boldsatchel.edit.Packs.with(cave.part("battery").orElseThrow(), 1, 1));
        assertThat(words(discharge(weak, Optional.empty()))).anyMatch(w -> w.startsWith("does not run: "));
    }

    @Test
    public void joinedSourcesAreDrawnLikeOne() {
        Build cells = Supplies.reckon(demo("harbour-watch"), Supplies.School.PARALLEL_CELLS)
                .orElseThrow()
                .build();
        List<Discharge.Sample> samples = chain(cells).run().samples();
        assertThat(words(discharge(cells, Optional.of(samples.get(samples.size() / 2)))))
                .contains("at the source's terminals");
        assertThat(samples.getFirst().levels())
                .hasSameSizeAs(cells.wiring().chain().getFirst().joined());
    }

    @Test
    public void theChargeSaysItsFirstCurrentAndWhetherItEverEnds() {
        Charge.Result charge =
                PowerEngine.evaluate(demo("orchard-ledger")).charges().getFirst();
        assertThat(words(RunDrawings.charge(charge))).contains("and current, at first 2.50 A", "thin: while it runs");
        Charge.Curve never = new Charge.Curve(Double.POSITIVE_INFINITY, List.of());
        Charge.Result stuck = new Charge.Result(
                charge.rung(),
                charge.store(),
                charge.supply(),
                charge.asked(),
                false,
                never,
                never,
                0,
                boldsatchel.engine.Lazy.known(List.of()));
        assertThat(words(RunDrawings.charge(stuck))).containsExactly("never full from this supply");
    }

    private static final UseProfile DAY = new UseProfile(
            "day",
            List.of(
                    new UseProfile.Step("work", Mode.BUSY, 10, 1),
                    new UseProfile.Step("wait", Mode.IDLE, 20, 0.4),
                    new UseProfile.Step("nap", Mode.SLEEP, 10, 0)));

    @Test
    public void stepsOfACycleAreAsWideAsTheyAreLong() {
        Drawing drawing = RunDrawings.cycle(DAY, 1);
        double[] widths = new double[3];
        for (int k = 0; k < 3; k++) {
            String id = "step-" + k;
            widths[k] = drawing.marks().stream()
                    .filter(m -> m instanceof Mark.Fill f && f.subject().equals(id))
                    .mapToDouble(m -> {
                        var xs = ((Mark.Fill) m)
                                .points().stream().mapToDouble(Mark.Point::x).summaryStatistics();
                        return xs.getMax() - xs.getMin();
                    })
                    .max()
                    .orElseThrow();
        }
        assertThat(widths[1]).isCloseTo(2 * widths[0], within(1e-6));
        assertThat(widths[2]).isCloseTo(widths[0], within(1e-6));
        assertThat(words(drawing)).anyMatch(w -> w.contains("20 min idle, screen 40 %"));
    }

    @Test
    public void edgesOfStepsAreFoundAndMinutesReadOff() {
        double wide = 212;
        assertThat(RunDrawings.edgeAt(DAY, wide / 4)).contains(0);
        assertThat(RunDrawings.edgeAt(DAY, wide * 3 / 4)).contains(1);
        assertThat(RunDrawings.edgeAt(DAY, wide / 2)).isEmpty();
        assertThat(RunDrawings.edgeAt(DAY, wide)).isEmpty();
        assertThat(RunDrawings.minutesAt(DAY, wide / 4)).isCloseTo(10, within(1e-9));
        assertThat(RunDrawings.minutesAt(DAY, -3)).isZero();
        assertThat(RunDrawings.minutesAt(DAY, wide * 2)).isCloseTo(40, within(1e-9));
    }

    @Test
    public void theVoltmeterCardHasARowForEveryTenthAndSaysWhereItStops() {
        VoltTable table = new VoltTable(
                List.of(
                        new VoltTable.Row(1, 16.72, 16.5, 16.2),
                        new VoltTable.Row(0.1, 13.9, 13.5, 13.1),
                        new VoltTable.Row(0, 12.1, 12, Double.NaN)),
                0.15);
        Drawing card = RunDrawings.voltCard("pack", table);
        assertThat(words(card)).contains("pack", "100 %", "16.72 V", "10 %", "stops", "bold: save and shut down");
        List<Mark.Text> bold = card.marks().stream()
                .filter(m -> m instanceof Mark.Text t && t.bold() && t.text().endsWith(" V"))
                .map(m -> (Mark.Text) m)
                .toList();
        assertThat(bold).extracting(Mark.Text::text).contains("13.10 V").doesNotContain("16.20 V");
    }
}
