package boldsatchel.plan;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.balance.BalanceEngine;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;

/** What the program can do itself about parts that do not fit and machines that tip. */
public class PackRemediesTest {

    private static Finding found(Evaluation evaluation, String code) {
        return evaluation.findings().stream()
                .filter(f -> f.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private static Build done(Build build, Remedy remedy) {
        return remedy.edit().orElseThrow().change().apply(build);
    }

    /** The trackball stands 3 mm into the screen of the closed lid: down by 3 mm and the wanted gap. */
    @Test
    public void aLidThatDoesNotCloseClosesAfterTheFirstRemedy() {
        Build build = Library.demo("harbour-watch").orElseThrow();
        Evaluation before = Evaluator.evaluate(build);
        assertThat(before.verdict(Verdict.Kind.PACKS)
                        .working()
                        .steps()
                        .getFirst()
                        .numbers())
                .isEqualTo("246 mm from the left, 128 from the front, 86.5 from the floor of Case");
        Remedy first = found(before, "fit.lid-clash").remedies().getFirst();
        assertThat(first.words()).startsWith("Move ").contains("mm");
        Build mended = done(build, first);
        Evaluation after = Evaluator.evaluate(mended);
        assertThat(after.findings())
                .extracting(Finding::code)
                .doesNotContain("fit.lid-clash", "fit.clash", "fit.outside");
        assertThat(after.of(FitResult.class).tightest().orElseThrow().nominal())
                .isGreaterThanOrEqualTo(build.brief().limits().gapMm() - 1e-6);
    }

    /** Two parts that overlap by 2 mm along one way and by much more along the others part along that one. */
    @Test
    public void theSmallestMoveIsTaken() {
        Build build = Library.demo("cave-survey").orElseThrow();
        Part protection = build.part("protection").orElseThrow();
        Vec at = build.placement("protection").orElseThrow().at();
        // The converter ends at y = 28, the protection board begins at 31.
        Build pushed =
                Edits.move(protection, new Vec(at.x(), 26, at.z())).change().apply(build);
        FreeMove move = FreeMove.of(pushed, List.of("protection", "converter")).orElseThrow();
        assertThat(move.mm()).isCloseTo(2 + build.brief().limits().gapMm(), within(0.15));
        assertThat(move.way()).isIn(Face.BACK, Face.FRONT);
        assertThat(Evaluator.evaluate(FreeMove.edit("move", List.of("protection", "converter"), FreeMove.Lack.FREE)
                                .change()
                                .apply(pushed))
                        .of(FitResult.class)
                        .clashes())
                .isEmpty();
        assertThat(FreeMove.of(pushed, List.of("nobody"))).isEmpty();
    }

    @Test
    public void aLaptopThatTipsIsMendedInTwoWays() {
        Build build = Library.demo("orchard-ledger").orElseThrow();
        Evaluation before = Evaluator.evaluate(build);
        List<Remedy> offered = found(before, "balance.tips").remedies().stream()
                .filter(r -> r.edit().isPresent())
                .toList();
        assertThat(offered).isNotEmpty();
        for (Remedy remedy : offered) {
            Evaluation after = Evaluator.evaluate(done(build, remedy));
            assertThat(after.findings())
                    .as(remedy.words())
                    .extracting(Finding::code)
                    .doesNotContain("balance.tips");
            assertThat(after.of(FitResult.class).clashes()).isEmpty();
        }
        assertThat(offered.getFirst().words()).startsWith("Stop the lid at ");
    }

    @Test
    public void aWeightIsOnlyOfferedWhereItHelpsAndThereIsRoom() {
        Build steady = Library.demo("harbour-watch").orElseThrow();
        assertThat(Steadying.weighted(steady)).isEmpty();
        Build laptop = Library.demo("orchard-ledger").orElseThrow();
        Optional<Build> weighted = Steadying.weighted(laptop);
        weighted.ifPresent(w -> {
            Part bar = w.parts().list().getLast();
            assertThat(bar.massG().value()).isGreaterThan(100);
            assertThat(w.placement(bar.id())).isPresent();
        });
    }

    /** One heavy block behind, and room before it: as little of it is moved as makes the machine stand, by moments. */
    @Test
    public void thePartWhoseMoveCostsLeastIsFound() {
        Shell base = Samples.tray("base", 200, 100, 30, exact(2), Material.PLASTIC, true);
        Build build = Build.empty("tips")
                .with(Casing.of(List.of(base), exact(0)))
                .with(Samples.part("heavy", Family.BATTERY, 40, 20, 200, 2000))
                .with(Samples.part("light", Family.HUB, 20, 20, 10, 10))
                .with(new Placement("heavy", "base", new Vec(80, 80, 0), Orientation.AS_DRAWN, Set.of()))
                .with(new Placement("light", "base", new Vec(10, 10, 0), Orientation.AS_DRAWN, Set.of()));
        assertThat(found(Evaluator.evaluate(build), "balance.tips")).isNotNull();
        Steadying.Shift shift = Steadying.shift(build).orElseThrow();
        assertThat(shift.part().id()).isEqualTo("heavy");
        assertThat(shift.way()).isEqualTo(Face.FRONT);
        double wanted = build.brief().limits().tipMarginDeg();
        double after = margin(Steadying.edit(shift).change().apply(build));
        assertThat(after).isGreaterThanOrEqualTo(wanted);
        Steadying.Shift less = new Steadying.Shift(shift.part(), Face.FRONT, shift.mm() - 1);
        assertThat(margin(Steadying.edit(less).change().apply(build))).isLessThan(wanted);
        Build locked = build.with(build.placement("heavy").orElseThrow().locked(true));
        assertThat(Steadying.shift(locked)).isEmpty();
    }

    private static double margin(Build build) {
        return BalanceEngine.evaluate(build).tipMarginDeg().orElseThrow().nominal();
    }
}
