package boldsatchel.edit;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.edit.ChainEdits.Piece;
import boldsatchel.edit.ChainEdits.Place;
import boldsatchel.machine.Build;
import boldsatchel.machine.ChainRules;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.plan.Supplies;
import boldsatchel.power.PowerEngine;
import boldsatchel.shelf.Library;
import boldsatchel.shelf.Picks;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Whatever is tried on a chain, it stays one: ids are unique, the rules hold, it can be reckoned, and undo brings it back. */
public class RandomChainEditsTest {

    private static final int STEPS = 60;

    @DataProvider
    Object[][] starts() {
        Build cave = Library.demo("cave-survey").orElseThrow();
        return new Object[][] {
            {cave, 1L},
            {Library.demo("orchard-ledger").orElseThrow(), 2L},
            {Library.demo("harbour-watch").orElseThrow(), 3L},
            {Build.empty("bare"), 4L},
            {Supplies.reckon(cave, Supplies.School.PARALLEL_CELLS).orElseThrow().build(), 5L},
            {Supplies.reckon(cave, Supplies.School.POWER_PATH).orElseThrow().build(), 6L},
            {Supplies.reckon(cave, Supplies.School.TWO_BANKS).orElseThrow().build(), 7L},
        };
    }

    @Test(dataProvider = "starts")
    public void randomAttemptsLeaveASoundChainAndCanBeUndone(Build start, long seed) {
        Random random = new Random(seed);
        History history = History.of(start);
        int done = 0;
        int refused = 0;
        for (int i = 0; i < STEPS; i++) {
            Attempt attempt = attempt(history.present(), random);
            if (attempt.refusal().isPresent()) {
                assertThat(attempt.refusal().get())
                        .as("a reason in words")
                        .contains(" ")
                        .endsWith(".");
                refused++;
                continue;
            }
            Build before = history.present();
            Edit edit = attempt.allowed().orElseThrow();
            history = history.after(edit);
            Build after = history.present();
            done++;
            assertThat(after.rungs().map(Rung::id)).as(edit.name()).doesNotHaveDuplicates();
            assertThat(after.parts().list())
                    .as(edit.name())
                    .extracting(Part::id)
                    .doesNotHaveDuplicates();
            assertThat(ChainRules.refusal(after)).as(edit.name()).isEmpty();
            assertThat(after.rungs().flatMap(r -> r.parts().stream()))
                    .as("every part a rung names is there")
                    .allMatch(id -> after.part(id).isPresent());
            assertThat(PowerEngine.evaluate(after).hours().nominal())
                    .as(edit.name())
                    .isNotNegative();
            if (!after.equals(before)) {
                assertThat(history.undone().present()).isEqualTo(before);
            }
        }
        assertThat(done).as("edits that were allowed").isGreaterThan(5);
        assertThat(refused).as("attempts that were refused").isPositive();
        while (!history.past().isEmpty()) {
            history = history.undone();
        }
        assertThat(history.present()).isEqualTo(start);
    }

    private static Attempt attempt(Build build, Random random) {
        List<String> rungs = build.rungs().map(Rung::id).toList();
        if (rungs.isEmpty()) {
            return ChainEdits.put(build, piece(build, random), Optional.empty(), Place.BELOW);
        }
        String one = rungs.get(random.nextInt(rungs.size()));
        String other = rungs.get(random.nextInt(rungs.size()));
        return switch (random.nextInt(8)) {
            case 0 -> ChainEdits.move(build, one, other);
            case 1 -> ChainEdits.raise(build, one);
            case 2 -> ChainEdits.lower(build, one);
            case 3 -> ChainEdits.remove(build, one);
            default ->
                ChainEdits.put(
                        build,
                        piece(build, random),
                        Optional.of(one),
                        Place.values()[random.nextInt(Place.values().length)]);
        };
    }

    private static Piece piece(Build build, Random random) {
        if (random.nextBoolean()) {
            List<Piece> usual = ChainEdits.usual();
            return usual.get(random.nextInt(usual.size()));
        }
        List<Part> shelf = Picks.shelf().parts();
        return random.nextInt(3) == 0 && !build.parts().list().isEmpty()
                ? Piece.of(build.parts()
                        .list()
                        .get(random.nextInt(build.parts().list().size())))
                : Piece.fresh(shelf.get(random.nextInt(shelf.size())));
    }
}
