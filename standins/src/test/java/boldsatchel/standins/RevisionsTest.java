package boldsatchel.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import boldsatchel.edit.Edits;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.revise.Changes;
import boldsatchel.revise.Revisions;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** Revisions, and what may be passed on: only what is named, has nothing that says stop, and was proven as it is. */
public final class RevisionsTest {

    private static final LocalDate DAY = LocalDate.of(2026, 11, 29);

    private static Build named(Build build, String name) {
        return build.with(build.journal().and(Revisions.named(build, name, DAY, "")));
    }

    private static List<String> lacks(Build build) {
        return Revisions.standing(Evaluator.evaluate(build)).lacks();
    }

    private static Optional<Journal.Revision> current(Build build) {
        return Revisions.standing(Evaluator.evaluate(build)).current();
    }

    /** The demo without its one finding that says stop. */
    static Build sound() {
        Build build = Library.demo("harbour-watch").orElseThrow();
        for (int i = 0; i < 5; i++) {
            Evaluation evaluation = Evaluator.evaluate(build);
            Optional<Remedy> remedy = evaluation.findings().stream()
                    .filter(f -> f.severity() == Severity.STOP)
                    .map(Finding::remedies)
                    .flatMap(List::stream)
                    .filter(r -> r.edit().isPresent())
                    .findFirst();
            build = remedy.flatMap(Remedy::edit)
                    .map(e -> e.change())
                    .orElse(b -> b)
                    .apply(build);
        }
        assertThat(Evaluator.evaluate(build).stops()).isFalse();
        return build;
    }

    @Test
    public void onlyWhatIsTestedMayBePassedOn() {
        Build build = sound();
        assertThat(lacks(build)).anyMatch(l -> l.contains("no revision")).anyMatch(l -> l.contains("is not proven"));
        Build tested = AsPlanned.tested(build, DAY);
        assertThat(lacks(tested)).as("only the name").hasSize(1);
        Build a = named(tested, "A");
        assertThat(lacks(a)).isEmpty();
        // Notes and ticks change nothing; a change to the thing does, and what was proven before it counts no more.
        assertThat(lacks(Edits.notes("later").change().apply(a))).isEmpty();
        Build changed =
                Edits.brief("x", b -> b.withPurpose("something else")).change().apply(a);
        assertThat(lacks(changed))
                .anyMatch(l -> l.contains("no revision"))
                .anyMatch(l -> l.contains("was proven before the last change"));
        Build b = named(changed, "B");
        assertThat(lacks(b)).isNotEmpty().allMatch(l -> l.contains("before the last change"));
        assertThat(lacks(named(AsPlanned.tested(changed, DAY.plusDays(1)), "C")))
                .isEmpty();
    }

    @Test
    public void aReadingThatDiffersKeepsItBack() {
        Build tested = AsPlanned.tested(sound(), DAY);
        Journal.Tested first = tested.journal().tests().getFirst();
        List<Journal.Taken> far = first.readings().stream()
                .map(t -> new Journal.Taken(
                        t.what(), boldsatchel.quantity.Figure.measured(t.value().value() * 3)))
                .toList();
        Build off = tested.with(tested.journal()
                .withTests(java.util.stream.Stream.concat(
                                tested.journal().tests().stream(),
                                java.util.stream.Stream.of(
                                        new Journal.Tested(first.on(), first.test(), first.part(), "", 25, far, "")))
                        .toList()));
        assertThat(lacks(named(off, "A"))).anyMatch(l -> l.contains("did not come out as planned"));
    }

    @Test
    public void aRevisionIsTheBuildAsItWas() throws Exception {
        Build build = Library.demo("orchard-ledger").orElseThrow();
        Build a = named(build, "A");
        assertThat(Revisions.read(a.journal().revisions().getFirst())).isEqualTo(build);
        assertThat(current(a)).isPresent();
        Build text = BuildFormat.read(BuildFormat.write(new BuildFormat.Document(a, Extras.NONE)))
                .build();
        assertThat(text).isEqualTo(a);
        assertThatThrownBy(() -> named(a, " A ")).hasMessageContaining("already");
        assertThatThrownBy(() -> named(a, "  ")).hasMessageContaining("has a name");
        Build moved = Edits.rename("Another").change().apply(a);
        Changes changes = Changes.between(Evaluator.evaluate(a), Evaluator.evaluate(moved));
        assertThat(changes.verdicts()).isEmpty();
        assertThat(changes.figures()).hasSize(1);
        assertThat(changes.figures().getFirst().now()).isEqualTo("Another");
        // One that somebody broke by hand is told, and keeps nothing else from working.
        Journal.Revision broken = new Journal.Revision("X", Optional.empty(), "", "{ no build");
        Build odd = moved.with(moved.journal().and(broken));
        assertThat(current(odd)).isEmpty();
        assertThat(lacks(odd)).anyMatch(l -> l.contains("revision X cannot be read"));
        assertThatThrownBy(() -> Revisions.read(broken)).isInstanceOf(boldsatchel.format.FormatException.class);
    }
}
