package boldsatchel.edit;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.box;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Case;
import boldsatchel.machine.Cooling;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.shelf.Library;
import java.util.List;
import org.testng.annotations.Test;

public class EditsTest {

    private final Part a = block("a", 10, 10, 10);
    private final Part b = block("b", 10, 10, 10);
    private final Build build = packed(
                    box(100, 100, 40, 2, Material.PLASTIC), List.of(a, b), List.of(new Vec(0, 0, 0), new Vec(20, 0, 0)))
            .withChain(List.of(rung("a", Rung.of("wire", new Rung.Wire(22, 100), rung("b")))))
            .with(new Cooling(List.of(new HeatPath("a", boldsatchel.geometry.Face.BOTTOM, exact(1), "pad"))));

    private Build after(Edit edit) {
        return edit.change().apply(build);
    }

    @Test
    public void addingAPartTwiceGivesItTwoIds() {
        Build twice = Edits.addPart(a).change().apply(after(Edits.addPart(a)));
        assertThat(twice.parts().list()).extracting(Part::id).containsExactly("a", "b", "a-2", "a-3");
    }

    @Test
    public void removingAPartTakesItsPlaceAndPathsAndHealsTheChain() {
        Build removed = after(Edits.removePart(a));
        assertThat(removed.part("a")).isEmpty();
        assertThat(removed.placement("a")).isEmpty();
        assertThat(removed.cooling().heatPaths()).isEmpty();
        assertThat(removed.wiring().chain().getFirst().id()).isEqualTo("wire");
        assertThat(removed.wiring().chain().getFirst().feeds().getFirst().id()).isEqualTo("r-b");
    }

    @Test
    public void removingAPartForgetsWhoTouchedIt() {
        Build touching = after(Edits.touch(b, "a", true));
        assertThat(touching.placement("b").orElseThrow().touches()).containsExactly("a");
        assertThat(Edits.touch(b, "a", false).change().apply(touching)).isEqualTo(build);
        assertThat(Edits.removePart(a)
                        .change()
                        .apply(touching)
                        .placement("b")
                        .orElseThrow()
                        .touches())
                .isEmpty();
    }

    @Test
    public void replacingAPartKeepsIdPlaceAndRung() {
        Build replaced = after(Edits.replacePart(a, block("other", 30, 30, 30)));
        assertThat(replaced.part("a").orElseThrow().name()).isEqualTo("other");
        assertThat(replaced.layout().placements()).isEqualTo(build.layout().placements());
        assertThat(replaced.wiring().chain()).isEqualTo(build.wiring().chain());
    }

    @Test
    public void movingTurningPlacingAndTakingOut() {
        assertThat(after(Edits.move(a, new Vec(5, 5, 5)))
                        .placement("a")
                        .orElseThrow()
                        .at())
                .isEqualTo(new Vec(5, 5, 5));
        assertThat(after(Edits.turn(a, was -> Orientation.AS_DRAWN.turned()))
                        .placement("a")
                        .orElseThrow()
                        .orientation()
                        .quarterTurns())
                .isEqualTo(1);
        Build out = after(Edits.unplace(a));
        assertThat(out.placement("a")).isEmpty();
        assertThat(Edits.place(a, out.casing().shells().getFirst())
                        .change()
                        .apply(out)
                        .placement("a"))
                .isPresent();
        assertThat(Edits.move(a, new Vec(1, 1, 1)).change().apply(out)).isEqualTo(out);
    }

    @Test
    public void anotherCaseKeepsPartsInShellsOfTheSameId() {
        Case slab = Case.plain("Slab", "", List.of(box(200, 200, 40, 2, Material.PLYWOOD)));
        assertThat(after(CaseEdits.take(slab)).layout().placements()).hasSize(2);
        Case other = Library.shipped().cases().getFirst();
        assertThat(after(CaseEdits.take(other)).layout().placements()).isEmpty();
    }

    @Test
    public void aHistoryGoesBackAndForthAndForgetsTheFutureOnANewEdit() {
        History history = History.of(build).after(Edits.rename("one")).after(Edits.rename("two"));
        assertThat(history.undoName()).contains("rename the build");
        assertThat(history.undone().present().name()).isEqualTo("one");
        assertThat(history.undone().undone().present()).isEqualTo(build);
        assertThat(history.undone().undone().undone().present()).isEqualTo(build);
        assertThat(history.undone().redone()).isEqualTo(history);
        assertThat(history.redone()).isEqualTo(history);
        History branched = history.undone().after(Edits.rename("three"));
        assertThat(branched.redoName()).isEmpty();
        assertThat(branched.undone().present().name()).isEqualTo("one");
    }

    @Test
    public void anEditThatChangesNothingLeavesNoTrace() {
        History history = History.of(build);
        assertThat(history.after(Edits.rename(build.name()))).isSameAs(history);
    }

    @Test
    public void theStepsOfADragAreOneThingToUndo() {
        History history = History.of(build).after(Edits.move(a, new Vec(1, 0, 0)));
        for (int x = 2; x < 30; x++) {
            history = history.merged(Edits.move(a, new Vec(x, 0, 0)));
        }
        assertThat(history.past()).hasSize(1);
        assertThat(history.undone().present()).isEqualTo(build);
        assertThat(history.merged(Edits.move(b, new Vec(50, 0, 0))).past()).hasSize(2);
    }
}
