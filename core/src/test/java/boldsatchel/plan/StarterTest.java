package boldsatchel.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.geometry.Vec;
import boldsatchel.links.LinksResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Basis;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class StarterTest {

    private static final Library SHELF = Library.shipped();

    private static Part shelf(String id) {
        return SHELF.part(id).orElseThrow();
    }

    private static Starter.Wish wish(Starter.Kind kind, String... ids) {
        List<Part> parts = new ArrayList<>();
        for (String id : ids) {
            parts.add(shelf(id));
        }
        return new Starter.Wish("begun", kind, parts, Optional.of(4.0), Optional.empty());
    }

    @DataProvider
    Object[][] wishes() {
        List<Object[]> wishes = new ArrayList<>();
        for (Starter.Kind kind : Starter.Kind.values()) {
            wishes.add(new Object[] {wish(kind, "x86-palm", "touch-7", "kb-thumb", "pack-4s2p")});
            wishes.add(new Object[] {wish(kind, "laptop-main-13", "panel-13-light", "kb-laptop", "laptop-pack-75")});
            wishes.add(new Object[] {wish(kind, "arm-card", "touch-7", "kb-40", "bank-20")});
            wishes.add(new Object[] {wish(kind, "arm-core", "touch-10", "pouch-10")});
            wishes.add(new Object[] {wish(kind, "x86-stick", "bar-12", "kb-60", "tool-18")});
            wishes.add(new Object[] {wish(kind, "x86-mini")});
            wishes.add(new Object[] {wish(kind)});
        }
        return wishes.toArray(Object[][]::new);
    }

    @Test(dataProvider = "wishes")
    public void whatIsBegunLiesInItsCaseWithoutOverlap(Starter.Wish wish) {
        Build build = Starter.begin(wish);
        assertThat(build.loose()).isEmpty();
        Evaluation evaluation = Evaluator.evaluate(build);
        assertThat(evaluation.findings())
                .filteredOn(f -> f.code().startsWith("fit.") && f.severity() != Severity.NOTE)
                .extracting(Finding::message)
                .isEmpty();
    }

    @Test(dataProvider = "wishes")
    public void whatIsBegunHasAChainThatRuns(Starter.Wish wish) {
        Evaluation evaluation = Evaluator.evaluate(Starter.begin(wish));
        assertThat(evaluation.findings())
                .filteredOn(f -> f.code().startsWith("power.") && f.severity() == Severity.STOP)
                .extracting(Finding::message)
                .isEmpty();
        if (!wish.parts().isEmpty()) {
            evaluation.verdicts().stream()
                    .filter(v -> !v.kind().equals(Verdict.Kind.CONNECTS)
                            || !evaluation.of(LinksResult.class).needs().isEmpty())
                    .forEach(v -> assertThat(v.value()).as(v.kind().id()).isFinite());
        }
    }

    /** The panel hangs on the board's own panel socket, the keyboard on a USB one: none is judged by the pack. */
    @Test
    public void whatABoardCanFeedIsPluggedIntoIt() {
        Build build = Starter.begin(
                wish(Starter.Kind.CLAMSHELL, "laptop-main-13", "panel-13-light", "kb-laptop", "laptop-pack-75"));
        assertThat(build.rungs().map(Rung::stage))
                .contains(new Rung.Socket("board", "eDP"), new Rung.Socket("board", "USB-C left"));
    }

    @Test
    public void aMeasuredBoxStaysAsItIs() {
        Starter.Wish plain = wish(Starter.Kind.FOUND_BOX, "arm-card", "touch-7", "bank-10");
        Build build = Starter.begin(new Starter.Wish(
                plain.name(), plain.kind(), plain.parts(), plain.hours(), Optional.of(new Vec(300, 210, 80))));
        assertThat(build.shell("base").orElseThrow().cavity().size(0)).isCloseTo(300, within(1e-9));
        assertThat(build.loose()).isEmpty();
    }

    @Test
    public void whatWasNotMeasuredIsAGuess() {
        Part like = Likeness.of(
                shelf("x86-mini"),
                new Likeness.Measured(
                        Optional.of(98.0), Optional.empty(), Optional.of(22.5), Optional.empty(), Optional.of(13.0)));
        assertThat(like.body().widthMm().basis()).isEqualTo(Basis.MEASURED);
        assertThat(like.body().widthMm().value()).isEqualTo(98);
        assertThat(like.body().depthMm().basis()).isEqualTo(Basis.GUESS);
        Facet.DrawsPower draws = like.facet(Facet.DrawsPower.class).orElseThrow();
        assertThat(draws.busyW().value()).isCloseTo(13, within(1e-9));
        assertThat(draws.idleW().basis()).isEqualTo(Basis.GUESS);
        double share = draws.idleW().value() / 13;
        Facet.DrawsPower pattern =
                shelf("x86-mini").facet(Facet.DrawsPower.class).orElseThrow();
        assertThat(share).isCloseTo(pattern.idleW().value() / pattern.busyW().value(), within(1e-9));
        // Solids keep their proportions.
        assertThat(like.body().whole().getFirst().bounds().dx()).isCloseTo(98, within(1e-9));
    }
}
