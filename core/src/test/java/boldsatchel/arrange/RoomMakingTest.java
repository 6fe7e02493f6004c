package boldsatchel.arrange;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.part;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Library;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** One change that lets all go in: which part, on another side or replaced; and where one more part would go. */
public final class RoomMakingTest {

    private static final Wish WISH = new Wish("tray", Optional.empty(), 1, 2, 400);

    /** A block that leaves a slot 29 mm wide and 40 mm high beside it, and a board too wide for that unless it stands on its edge. */
    private static Build tight() {
        Shell tray = Samples.tray("tray", 100, 60, 40, exact(2), Material.PLASTIC, false);
        Build build = packed(
                tray,
                List.of(block("block", 96, 30, 36), part("board", Family.SINGLE_BOARD, 90, 38, 8, 40)),
                List.of(Vec.ZERO, Vec.ZERO));
        Build held = build.with(build.placement("block").orElseThrow().locked(true));
        return held.with(held.layout().without("board"));
    }

    private static void packs(Build build) {
        FitResult fit = FitEngine.evaluate(build);
        assertThat(build.loose()).isEmpty();
        assertThat(fit.clashes()).isEmpty();
        assertThat(fit.outside()).isEmpty();
        assertThat(fit.intrusions()).isEmpty();
    }

    @Test
    public void aBoardOnItsEdgeOrASmallerOneGoesIn() {
        Build build = tight();
        assertThat(Arrangements.find(build, WISH, Onlooker.NONE)).isEmpty();
        Part small = part("small", Family.SINGLE_BOARD, 80, 25, 8, 30);
        Part large = part("large", Family.SINGLE_BOARD, 95, 50, 9, 60);
        Part flat = part("flat", Family.SINGLE_BOARD, 88, 37, 7, 30);
        Part other = part("hub", Family.HUB, 20, 10, 5, 10);
        List<Proposal> found = RoomMaking.find(build, WISH, List.of(small, large, flat, other), Onlooker.NONE);
        assertThat(found.stream().map(p -> p.change().words()))
                .containsExactlyInAnyOrder("board on another side", "board → small");
        for (Proposal proposal : found) {
            packs(proposal.build());
            Build taken = proposal.takenOver("take over", build)
                    .allowed()
                    .orElseThrow()
                    .change()
                    .apply(build);
            assertThat(taken).isEqualTo(proposal.build());
            assertThat(taken.placement("block")).isEqualTo(build.placement("block"));
            boolean isReplaced = proposal.change().edit().isPresent();
            assertThat(taken.part("board").orElseThrow().name()).isEqualTo(isReplaced ? "small" : "board");
            Face up = taken.placement("board").orElseThrow().orientation().up();
            assertThat(up == Face.TOP || up == Face.BOTTOM).isEqualTo(isReplaced);
        }
        Build later = build.with(build.parts().and(block("late", 5, 5, 5)));
        assertThat(found.getFirst().takenOver("take over", later).refusal()).isPresent();
    }

    /** Nothing has to be changed where all goes in otherwise laid; nothing is looked for where all lies well. */
    @Test
    public void nothingIsChangedWhereThatIsNotNeeded() {
        Build build = Library.demo("harbour-watch").orElseThrow();
        Wish wish = new Wish("base", Optional.empty(), 1, 2, 700);
        List<Proposal> found = RoomMaking.find(build, wish, Picks.shelf().parts(), Onlooker.NONE);
        assertThat(found).hasSize(1);
        assertThat(found.getFirst().change()).isEqualTo(Change.NONE);
        Build done = found.getFirst().build();
        assertThat(RoomMaking.find(done, wish, Picks.shelf().parts(), Onlooker.NONE))
                .isEmpty();
        assertThat(RoomMaking.whyNone(done, wish)).contains("no room has to be made");
    }

    /** A lid that meets a large trackball wherever that lies closes over a flatter pointing device from the shelf; it is connected anew. */
    @Test
    public void aFlatterPartFromTheShelfLetsTheLidClose() {
        Build build = Library.demo("harbour-watch").orElseThrow();
        Part ball = build.part("ball").orElseThrow();
        Part screen = build.part("screen").orElseThrow();
        build = build.with(ball.withBody(
                        ball.body().resized(Figure.measured(80), Figure.measured(80), Figure.measured(79))))
                .with(screen.withBody(
                        screen.body().resized(Figure.measured(282), Figure.measured(190), Figure.measured(7))))
                .with(build.placement("screen").orElseThrow().at(new Vec(2, 3, 16)));
        for (Placement at : build.layout().placements()) {
            build = at.part().equals("ball") ? build : build.with(at.locked(true));
        }
        List<Proposal> found = RoomMaking.find(
                build,
                new Wish("base", Optional.empty(), 1, 2, 300),
                Picks.shelf().parts(),
                Onlooker.NONE);
        List<String> words = new ArrayList<>();
        for (Proposal proposal : found) {
            packs(proposal.build());
            assertThat(proposal.evaluation().beyond(proposal.was())).noneMatch(f -> f.severity() == Severity.STOP);
            words.add(proposal.change().words());
        }
        assertThat(words).hasSizeBetween(2, 4).contains("Trackball, 34 mm → Glass track pad, USB");
    }

    /** One more part lies where it has room; with that room taken the others move aside, and it is read against the build without it. */
    @Test
    public void oneMorePartIsLaidBesideTheOthers() {
        Shell tray = Samples.tray("tray", 100, 60, 20, exact(2), Material.PLASTIC, false);
        Build build = packed(
                tray,
                List.of(block("one", 40, 40, 15), block("two", 20, 20, 15)),
                List.of(Vec.ZERO, new Vec(60, 0, 0)));
        Change more = Change.more(block("more", 50, 55, 15));
        List<Proposal> found = Arrangements.find(build, more, WISH, Onlooker.NONE);
        assertThat(found).isNotEmpty();
        for (Proposal proposal : found) {
            packs(proposal.build());
            assertThat(proposal.was().build()).isEqualTo(build);
            assertThat(proposal.build().placement("more")).isPresent();
        }
        Build taken = found.getFirst().takenOver("take over", build).applied(build);
        assertThat(taken).isEqualTo(found.getFirst().build());
        Change large = Change.more(block("large", 101, 30, 10));
        assertThat(Arrangements.find(build, large, WISH, Onlooker.NONE)).isEmpty();
        assertThat(Arrangements.whyNone(build, large, WISH)).contains("too large");
    }
}
