package boldsatchel.edit;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Ruler;
import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Places that are worked out: a tray of 200 × 100 × 30 mm with one block of 40 × 20 × 10 and one of 60 × 30 × 12. */
public final class PlaceEditsTest {

    private static final Part A = Samples.part("a", Family.HUB, 40, 20, 10, 20);
    private static final Part B = Samples.part("b", Family.HUB, 60, 30, 12, 20);

    private static final Build BUILD = Build.empty("p")
            .with(Casing.of(
                    List.of(
                            Samples.tray("base", 200, 100, 30, exact(2), Material.PLASTIC, true),
                            Samples.tray("lid", 200, 100, 20, exact(2), Material.PLASTIC, true)),
                    exact(0)))
            .with(A)
            .with(B)
            .with(new Placement("a", "base", new Vec(13, 17, 4), Orientation.AS_DRAWN, Set.of()))
            .with(new Placement("b", "base", new Vec(90, 35, 6), Orientation.AS_DRAWN.turned(), Set.of()));

    private static Vec after(Edit edit) {
        return edit.change().apply(BUILD).placement("a").orElseThrow().at();
    }

    @DataProvider
    Object[][] places() {
        return new Object[][] {
            {PlaceEdits.against(A, Face.LEFT), new Vec(0, 17, 4)},
            {PlaceEdits.against(A, Face.RIGHT), new Vec(160, 17, 4)},
            {PlaceEdits.against(A, Face.BACK), new Vec(13, 80, 4)},
            {PlaceEdits.against(A, Face.BOTTOM), new Vec(13, 17, 0)},
            {PlaceEdits.centred(A, Axis.X), new Vec(80, 17, 4)},
            {PlaceEdits.centred(A, Axis.Y), new Vec(13, 40, 4)},
            {PlaceEdits.mirrored(A, Axis.X), new Vec(147, 17, 4)},
            // Between the wall and B; nothing lies before or behind it.
            {PlaceEdits.between(A, Axis.X), new Vec(25, 17, 4)},
            {PlaceEdits.between(A, Axis.Y), new Vec(13, 40, 4)},
            // B is turned: 30 wide, 60 deep.
            {PlaceEdits.inLine(A, B, Face.LEFT), new Vec(90, 17, 4)},
            {PlaceEdits.inLine(A, B, Face.RIGHT), new Vec(80, 17, 4)},
            {PlaceEdits.inLine(A, B, Face.BACK), new Vec(13, 75, 4)},
            {PlaceEdits.inLine(A, B, Face.TOP), new Vec(13, 17, 8)},
            {PlaceEdits.middles(A, B, Axis.X), new Vec(85, 17, 4)},
        };
    }

    @Test(dataProvider = "places")
    public void aPlaceIsWorkedOut(Edit edit, Vec wanted) {
        assertThat(after(edit)).isEqualTo(wanted);
        Build locked = PlaceEdits.lock(A, true).change().apply(BUILD);
        assertThat(edit.change().apply(locked)).as("what is locked stays").isEqualTo(locked);
        Build free = PlaceEdits.lock(A, false).change().apply(locked);
        assertThat(free).isEqualTo(BUILD);
        Build loose = Edits.unplace(A).change().apply(BUILD);
        assertThat(edit.change().apply(loose)).isEqualTo(loose);
    }

    @Test
    public void mirroredTwiceItIsWhereItWas() {
        Edit mirror = PlaceEdits.mirrored(A, Axis.Y);
        assertThat(mirror.change().apply(mirror.change().apply(BUILD))).isEqualTo(BUILD);
    }

    /** What is grouped keeps its distances; who is locked holds all; alone again the rest stays. */
    @Test
    public void aGroupMovesAsOne() {
        Build grouped = PlaceEdits.together(A, B).change().apply(BUILD);
        Vec apart = grouped.placement("b").orElseThrow().at().minus(new Vec(13, 17, 4));
        for (Edit edit : List.of(
                Edits.move(A, new Vec(3, 7, 1)), PlaceEdits.against(A, Face.LEFT), PlaceEdits.mirrored(A, Axis.X))) {
            Build moved = edit.change().apply(grouped);
            assertThat(moved.placement("a").orElseThrow().at()).isEqualTo(after(edit));
            assertThat(moved.placement("b").orElseThrow().at().minus(after(edit)))
                    .isEqualTo(apart);
        }
        Build held = PlaceEdits.lock(B, true).change().apply(grouped);
        assertThat(Edits.move(A, new Vec(3, 7, 1)).change().apply(held)).isEqualTo(held);
        assertThat(PlaceEdits.apart(A).change().apply(grouped)).isEqualTo(BUILD);
        Build elsewhere = BUILD.with(new Placement("b", "lid", new Vec(5, 5, 0), Orientation.AS_DRAWN, Set.of()));
        assertThat(PlaceEdits.together(A, B).change().apply(elsewhere)).isEqualTo(elsewhere);
        Part c = Samples.part("c", Family.HUB, 10, 10, 10, 20);
        Build three = PlaceEdits.together(c, A)
                .change()
                .apply(grouped.with(c)
                        .with(new Placement("c", "base", new Vec(150, 5, 0), Orientation.AS_DRAWN, Set.of())));
        assertThat(three.layout().together("b")).hasSize(3);
    }

    @Test
    public void whatIsPastedLiesWhereItIsFree() {
        Build pasted = PlaceEdits.paste(A, BUILD.shell("lid")).change().apply(BUILD);
        assertThat(pasted.placement("a-2").orElseThrow().shell()).isEqualTo("lid");
        Part wide = Samples.part("wide", Family.HUB, 400, 20, 10, 20);
        assertThat(PlaceEdits.paste(wide, BUILD.shell("lid"))
                        .change()
                        .apply(BUILD)
                        .loose())
                .extracting(Part::id)
                .contains("wide");
    }

    @Test
    public void aCopyLiesWhereItIsFree() {
        Build copied = PlaceEdits.copy(A).change().apply(BUILD);
        assertThat(copied.parts().list()).hasSize(3);
        assertThat(copied.placement("a-2")).isPresent();
        FitResult fit = FitEngine.evaluate(copied);
        assertThat(fit.clashes()).isEmpty();
        assertThat(fit.outside()).isEmpty();
    }

    /** Side by side along y, 37 mm apart along x, a millimetre of height shared or not. */
    @Test
    public void theRulerMeasuresBetweenParts() {
        FitResult fit = FitEngine.evaluate(BUILD);
        Ruler ruler =
                Ruler.between(BUILD.casing(), fit, Posture.CLOSED, "a", "b").orElseThrow();
        assertThat(ruler).isEqualTo(new Ruler(37, -2, -8, 37));
        assertThat(Ruler.between(BUILD.casing(), fit, Posture.CLOSED, "a", "a")).isEmpty();
        Joint lid = Joint.lid("base", "lid", new Vec(0, 100, 30), new Vec(0, 0, 20), 180, exact(1));
        Build hinged = BUILD.with(BUILD.casing().withLid(lid, 90))
                .with(new Placement("a", "lid", new Vec(13, 17, 0), Orientation.AS_DRAWN, Set.of()));
        Optional<Ruler> closed = Ruler.between(hinged.casing(), FitEngine.evaluate(hinged), Posture.CLOSED, "a", "b");
        assertThat(closed.orElseThrow().z())
                .as("from 50 mm down by the block to the other's top at 18")
                .isCloseTo(50 - 10 - 18, within(1e-9));
    }
}
