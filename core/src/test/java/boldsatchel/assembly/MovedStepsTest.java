package boldsatchel.assembly;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.cables.CablesEngine;
import boldsatchel.edit.AssemblyEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Steps that are moved by hand. */
public class MovedStepsTest {

    private static final Map<Job, Piece.Kind> CLOSING =
            Map.of(Job.COVER, Piece.Kind.COVER, Job.HANG, Piece.Kind.TRAY, Job.SHUT, Piece.Kind.SHUT);

    @DataProvider
    Object[][] seeds() {
        return IntStream.range(0, 10).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    private static List<String> ids(Plan plan) {
        return plan.steps().stream().map(Step::id).toList();
    }

    private static Build moved(Build build, String step, String before) {
        return AssemblyEdits.move(step, new Journal.Moved(step, before))
                .change()
                .apply(build);
    }

    private static List<String> moved(List<String> row, String step, String before) {
        List<String> moved = new ArrayList<>(row);
        moved.remove(step);
        moved.add(before.isEmpty() ? moved.size() : moved.indexOf(before), step);
        return moved;
    }

    /** Two that stand side by side: whether they can change places is said beforehand, and so it is. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void whatIsSaidToBeBoundIsBoundAndNothingElse(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        Plan plan = PlanEngine.evaluate(build);
        List<String> row = ids(plan);
        assertThat(plan.bounds()).hasSize(row.size() - 1).anyMatch(String::isEmpty);
        for (int i = 0; i + 1 < row.size(); i++) {
            Plan swapped = PlanEngine.evaluate(moved(build, row.get(i + 1), row.get(i)));
            boolean bound = !plan.bounds().get(i).isEmpty();
            assertThat(swapped.refused().isEmpty())
                    .as("%s: %s", row.get(i), plan.bounds().get(i))
                    .isEqualTo(!bound);
            assertThat(ids(swapped)).isEqualTo(bound ? row : moved(row, row.get(i + 1), row.get(i)));
            assertThat(plan.bound(row.get(i), 1)).isEqualTo(plan.bounds().get(i));
            assertThat(plan.bound(row.get(i + 1), -1)).isEqualTo(plan.bounds().get(i));
            if (!bound) {
                Build later = AssemblyEdits.move("", plan.move(row.get(i), 1))
                        .change()
                        .apply(build);
                assertThat(ids(PlanEngine.evaluate(later))).isEqualTo(ids(swapped));
            }
            assertThat(swapped.byHand()).isEqualTo(bound ? Set.of() : Set.of(row.get(i + 1)));
        }
    }

    /** Whatever is moved whereto: a move is followed to the letter or refused, and the machine still goes together in the row that comes out. */
    @Test(dataProvider = "seeds")
    public void aRowThatWasMovedByHandStillGoesTogether(int some) {
        int followed = 0;
        int refused = 0;
        for (int seed = some * 30; seed < some * 30 + 30; seed++) {
            Build build = seed % 2 == 0 ? ThrownTogether.tray(seed) : ThrownTogether.lidded(seed);
            Random random = new Random(seed);
            Plan plan = PlanEngine.evaluate(build);
            for (int i = 0; i < 6; i++) {
                List<String> row = ids(plan);
                String step = row.get(random.nextInt(row.size()));
                int place = random.nextInt(row.size() + 1);
                String before = place == row.size() ? "" : row.get(place);
                if (before.equals(step)) {
                    continue;
                }
                Build now = moved(build, step, before);
                Plan then = PlanEngine.evaluate(now);
                boolean stays = then.refused().size() > plan.refused().size();
                assertThat(ids(then)).as("seed %s", seed).isEqualTo(stays ? row : moved(row, step, before));
                if (!stays) {
                    goesTogether(now, then, "seed " + seed);
                    build = now;
                    plan = then;
                }
                followed += stays ? 0 : 1;
                refused += stays ? 1 : 0;
            }
        }
        assertThat(Math.min(followed, refused)).as("both happen").isPositive();
    }

    /** The other way round, millimetre by millimetre. */
    private static void goesTogether(Build build, Plan plan, String which) {
        Takedown takedown = Takedown.of(build, CablesEngine.evaluate(build), List.of());
        ByHand hand = TakedownTest.byHand(build, takedown);
        Set<String> present = hand.all();
        for (Step step : plan.steps().reversed()) {
            for (Removal.Group group : step.groups().reversed()) {
                assertThat(hand.isFree(group.parts(), group.way(), present))
                        .as("%s, %s", which, step.words())
                        .isTrue();
                group.parts().forEach(present::remove);
            }
            String subject = step.subjects().getFirst();
            if (CLOSING.containsKey(step.job())) {
                String name = ByHand.name(new Piece(CLOSING.getOrDefault(step.job(), Piece.Kind.PART), subject));
                assertThat(hand.leaves(name, present)).as("%s, %s", which, name).isTrue();
                present.remove(name);
            }
        }
        BitSet stuck = takedown.whole();
        takedown.takeAll(stuck);
        assertThat(present).as(which).isEqualTo(TakedownTest.names(takedown, stuck));
    }

    @Test
    public void aMoveOfWhatIsThereNoMoreIsKeptAndTold() {
        Build build = moved(Library.demo("cave-survey").orElseThrow(), "LAY:gone", "");
        Plan plan = PlanEngine.evaluate(build);
        assertThat(plan.refused())
                .singleElement()
                .satisfies(r -> assertThat(r.why()).contains("no such step"));
        assertThat(ids(plan))
                .isEqualTo(ids(PlanEngine.evaluate(Library.demo("cave-survey").orElseThrow())));
        assertThat(AssemblyEdits.putBack("x", "LAY:gone")
                        .change()
                        .apply(build)
                        .journal()
                        .moved())
                .isEmpty();
    }

    @Test
    public void aMoveBeforeItselfIsNone() {
        Build build = Library.demo("cave-survey").orElseThrow();
        List<String> row = ids(PlanEngine.evaluate(build));
        Plan plan = PlanEngine.evaluate(moved(build, row.get(3), row.get(3)));
        assertThat(plan.refused()).hasSize(1);
        assertThat(plan.byHand()).isEmpty();
        assertThat(ids(plan)).isEqualTo(row);
    }

    /** A file with any number of moves is read in time. */
    @Test
    public void tooManyMovesAreNotFollowed() {
        Build build = Library.demo("cave-survey").orElseThrow();
        List<String> row = ids(PlanEngine.evaluate(build));
        List<Journal.Moved> many = new ArrayList<>();
        for (int i = 0; i < 20_000; i++) {
            many.add(new Journal.Moved(row.get(i % 2), row.get(2)));
        }
        Plan plan = PlanEngine.evaluate(build.with(build.journal().withMoved(many)));
        assertThat(plan.refused()).hasSizeGreaterThanOrEqualTo(many.size() - MovedSteps.MOST);
        assertThat(plan.steps()).hasSameSizeAs(row);
    }

    /** A rule that somebody sets aside is told as that. */
    @Test
    public void aRuleThatIsSetAsideByHandIsTold() {
        Build build = Library.demo("cave-survey").orElseThrow();
        Plan plan = PlanEngine.evaluate(build);
        String print = ids(plan).stream()
                .filter(i -> i.startsWith(Job.CLEAN_CASE.name()))
                .findFirst()
                .orElseThrow();
        Plan moved = PlanEngine.evaluate(moved(build, print, ""));
        assertThat(moved.refused()).isNotEmpty();
        String install = ids(plan).stream()
                .filter(i -> i.startsWith(Job.INSTALL.name()))
                .findFirst()
                .orElseThrow();
        int first = plan.index(install).orElseThrow();
        Plan late = PlanEngine.evaluate(
                moved(build, install, ids(plan).get(plan.steps().size() - 1)));
        assertThat(late.index(install).orElseThrow()).isGreaterThan(first);
        assertThat(late.broken()).anySatisfy(b -> {
            assertThat(b.late()).isEqualTo(install);
            assertThat(b.isBy(late.byHand())).isTrue();
        });
        assertThat(plan.broken()).noneMatch(b -> b.isBy(plan.byHand()));
    }
}
