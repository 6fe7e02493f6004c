package boldsatchel.fit;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.drawing.Ink;
import boldsatchel.drawing.Mark;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.testng.annotations.Test;

/** Two versions of a packing: what lies otherwise, and by how much. */
public final class ChangeTest {

    private final Build demo = Library.demo("cave-survey").orElseThrow();

    private Part part(String id) {
        return demo.part(id).orElseThrow();
    }

    @Test
    public void whatMovedTurnedCameOrWentIsTold() {
        assertThat(Change.between(demo, demo)).isEmpty();
        Build now = Edits.move(part("charger"), at -> at.plus(new Vec(3, -4, 0)))
                .change()
                .apply(demo);
        now = Edits.turn(part("converter"), Orientation::turned).change().apply(now);
        now = Edits.unplace(part("sound")).change().apply(now);
        Part more = Samples.block("more", 10, 10, 5);
        now = now.with(more)
                .with(demo.placement("charger").orElseThrow().at(new Vec(1, 1, 1)))
                .with(new boldsatchel.machine.Placement("more", "slab", Vec.ZERO, Orientation.AS_DRAWN, Set.of()));
        now = Edits.move(
                        part("charger"),
                        at -> demo.placement("charger").orElseThrow().at().plus(new Vec(3, -4, 0)))
                .change()
                .apply(now);
        List<Change> changes = Change.between(demo, now);
        assertThat(changes).extracting(Change::part).containsExactlyInAnyOrder("charger", "converter", "more", "sound");
        Change charger = changes.stream()
                .filter(c -> c.part().equals("charger"))
                .findFirst()
                .orElseThrow();
        assertThat(charger.by().orElseThrow().length()).isEqualTo(5, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(charger.isTurned() || charger.isReshaped()).isFalse();
        assertThat(changes)
                .filteredOn(Change::isTurned)
                .extracting(Change::part)
                .containsExactly("converter");
        assertThat(changes)
                .filteredOn(c -> c.now().isEmpty())
                .extracting(Change::part)
                .containsExactly("sound");
        assertThat(changes)
                .filteredOn(c -> c.before().isEmpty())
                .extracting(Change::part)
                .containsExactly("more");
        Part wider = part("charger").withBody(boldsatchel.machine.Body.block(exact(70), exact(32), exact(9)));
        assertThat(Change.between(demo, demo.with(wider)))
                .allMatch(Change::isReshaped)
                .hasSize(1);
    }

    /** Laid over one another: a broken outline where it lay. */
    @Test
    public void theOtherVersionIsLaidOver() {
        Build now = Edits.move(part("charger"), at -> at.plus(new Vec(30, 0, 0)))
                .change()
                .apply(demo);
        PackDrawings.Look look = new PackDrawings.Look(
                PackView.PLAN,
                "slab",
                Posture.CLOSED,
                OptionalDouble.empty(),
                "",
                true,
                Set.of(),
                Optional.of(demo),
                false,
                Optional.empty());
        List<Mark> marks = PackDrawings.of(Evaluator.evaluate(now), look)
                .in(Room.window(900, 600))
                .marks();
        assertThat(marks)
                .anyMatch(m -> m instanceof Mark.Line l
                        && l.dashed()
                        && l.ink() == Ink.WATCH
                        && l.subject().equals("charger"));
    }
}
