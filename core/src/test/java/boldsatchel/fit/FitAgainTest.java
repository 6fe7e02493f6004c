package boldsatchel.fit;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.Test;

/** What is kept of the last answer never shows: after any edit it is the answer of a fresh look. */
public class FitAgainTest {

    private static FitResult again(Build before, FitResult last, Build now) {
        return new FitEngine().again(now, new Results(Map.of()), new Engine.Last<>(last, before));
    }

    private static Edit edit(Random random, Build build) {
        List<Part> parts = build.parts().list();
        Part part = parts.get(random.nextInt(parts.size()));
        List<Shell> shells = build.casing().shells();
        Shell shell = shells.get(random.nextInt(shells.size()));
        return switch (random.nextInt(8)) {
            case 0 -> Edits.turn(part, Orientation::turned);
            case 1 -> Edits.turn(part, Orientation::tumbled);
            case 2 -> Edits.unplace(part);
            case 3 -> Edits.place(part, shell);
            case 4 ->
                build.casing().joints().isEmpty()
                        ? Edits.unplace(part)
                        : opened(build.casing().joints().getFirst(), build, random);
            default ->
                Edits.move(
                        part,
                        at -> at.plus(new Vec(
                                12 * random.nextDouble() - 6,
                                12 * random.nextDouble() - 6,
                                6 * random.nextDouble() - 3)));
        };
    }

    private static Edit opened(Joint joint, Build build, Random random) {
        return CaseEdits.open(joint, build.casing().inUse(), joint.way().most() * random.nextDouble());
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void afterAnyEditTheAnswerIsThatOfAFreshLook(String demo) {
        for (int seed = 0; seed < 6; seed++) {
            Random random = new Random(seed);
            Build build = Library.demo(demo).orElseThrow();
            FitResult known = FitEngine.evaluate(build);
            for (int step = 0; step < 40; step++) {
                Build next = edit(random, build).change().apply(build);
                FitResult kept = again(build, known, next);
                assertThat(kept).as("%s, seed %s, step %s", demo, seed, step).isEqualTo(FitEngine.evaluate(next));
                build = next;
                known = kept;
            }
        }
    }

    /** What did not move is the same object: that is what saves the work. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void whatDidNotMoveIsKept(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        FitResult known = FitEngine.evaluate(build);
        Part moved = build.part("battery").orElseThrow();
        Build next = Edits.move(moved, at -> at.plus(new Vec(1, 0, 0))).change().apply(build);
        FitResult kept = again(build, known, next);
        for (int i = 0; i < kept.placed().size(); i++) {
            Placed now = kept.placed().get(i);
            if (now.id().equals("battery")) {
                assertThat(now).isNotSameAs(known.placed().get(i));
            } else {
                assertThat(now).isSameAs(known.placed().get(i));
            }
        }
        assertThat(again(build, known, build)).isEqualTo(known);
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void theTightestMeetingIsTheLeastOfAll(String demo) {
        FitResult fit = FitEngine.evaluate(Library.demo(demo).orElseThrow());
        FitResult.Meeting nearest = fit.nearest().orElseThrow();
        assertThat(fit.gaps()).allSatisfy(g -> assertThat(g.gapMm()).isGreaterThanOrEqualTo(nearest.mm()));
        assertThat(fit.clashes()).allSatisfy(c -> assertThat(-c.depthMm()).isGreaterThanOrEqualTo(nearest.mm()));
        assertThat(fit.tightest().orElseThrow().nominal()).isEqualTo(nearest.mm());
        for (int i = 1; i < fit.gaps().size(); i++) {
            assertThat(fit.gaps().get(i).gapMm())
                    .isGreaterThanOrEqualTo(fit.gaps().get(i - 1).gapMm());
        }
    }
}
