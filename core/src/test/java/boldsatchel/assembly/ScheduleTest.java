package boldsatchel.assembly;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.cables.CablesEngine;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Brief.Workshop;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Purchase;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The line of time, and the tools of steps. */
public final class ScheduleTest {

    private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);

    @DataProvider
    static Object[] demos() {
        return Library.DEMOS.toArray();
    }

    private static Build here(Build build) {
        Build now = build;
        for (Part part : build.parts().list()) {
            now = now.with(now.parts().with(standing(part, Part.Standing.OWNED)));
        }
        return now;
    }

    private static Part standing(Part part, Part.Standing standing) {
        return Form.of(Part.class).field("standing").with(part, standing);
    }

    private static Plan plan(Build build) {
        return PlanEngine.evaluate(build);
    }

    private static Schedule schedule(Build build, Set<String> done, double hours) {
        return Schedule.of(build, plan(build), CablesEngine.evaluate(build).leads(), done, TODAY, hours);
    }

    /** Whatever is in the post and done: every step once, no more work a day than said, nothing before its parts or before what must come first. */
    @Test(dataProvider = "demos")
    public void everythingIsDoneInTime(String demo) {
        Random random = new Random(5);
        for (int i = 0; i < 25; i++) {
            Build build = here(Library.demo(demo).orElseThrow());
            Map<String, Integer> comes = new HashMap<>();
            for (Part part : build.parts().list()) {
                if (random.nextInt(4) == 0) {
                    int days = random.nextInt(20) + 1;
                    Purchase.Order order = new Purchase.Order(
                            "", Optional.empty(), Optional.of(TODAY.plusDays(days)), Optional.empty());
                    Part ordered = standing(part, Part.Standing.ORDERED);
                    build = build.with(build.parts()
                            .with(Form.of(Part.class)
                                    .field("purchase")
                                    .with(ordered, ordered.purchase().ordered(order))));
                    comes.put(part.id(), days);
                }
            }
            List<Step> steps = plan(build).steps();
            Set<String> done = new HashSet<>();
            steps.stream().limit(random.nextInt(6)).forEach(s -> done.add(s.id()));
            double hours = List.of(0.5, 2.0, 8.0).get(random.nextInt(3));
            Schedule schedule = schedule(build, done, hours);
            assertThat(schedule.slots()).hasSize(steps.size() - done.size());
            assertThat(schedule.slots().stream().map(s -> s.step().id())).doesNotHaveDuplicates();
            Map<Integer, Double> work = new HashMap<>();
            Map<String, Schedule.Slot> slots = new HashMap<>();
            for (Schedule.Slot slot : schedule.slots()) {
                slots.put(slot.step().id(), slot);
                if (slot.begins() == slot.ends()) {
                    work.merge(slot.begins(), slot.step().minutes(), Double::sum);
                }
                for (String subject : slot.step().subjects()) {
                    assertThat(slot.begins())
                            .as(slot.toString())
                            .isGreaterThanOrEqualTo(comes.getOrDefault(subject, 0));
                }
                assertThat(slot.ready()).isGreaterThanOrEqualTo(slot.ends()).isGreaterThanOrEqualTo(slot.begins());
                assertThat(TODAY.plusDays(slot.ready())).isBeforeOrEqualTo(schedule.finish());
            }
            work.values().forEach(w -> assertThat(w).isLessThanOrEqualTo(hours * 60 + 1e-6));
            // What goes into the case does so in the order of the plan, each after the wait of the one before.
            List<Step> inside = new ArrayList<>(steps);
            inside.removeIf(s -> s.phase() == Step.Phase.TABLE || done.contains(s.id()));
            for (int k = 1; k < inside.size(); k++) {
                Schedule.Slot before =
                        Objects.requireNonNull(slots.get(inside.get(k - 1).id()));
                Schedule.Slot after =
                        Objects.requireNonNull(slots.get(inside.get(k).id()));
                assertThat(after.begins()).isGreaterThanOrEqualTo(before.ready());
            }
        }
    }

    @Test
    public void whatHoldsItUpIsNamed() {
        Build build = here(Library.demo("cave-survey").orElseThrow());
        Schedule at = schedule(build, Set.of(), 4);
        assertThat(at.arrivals()).isEmpty();
        assertThat(at.slots().getFirst().isNow()).isTrue();
        Part battery = build.part("battery").orElseThrow();
        Schedule later = schedule(build.with(build.parts().with(standing(battery, Part.Standing.TO_BUY))), Set.of(), 4);
        assertThat(later.finish()).isAfterOrEqualTo(at.finish());
        assertThat(later.arrivals()).hasSize(1);
        assertThat(later.arrivals().getFirst().guessed()).isTrue();
        assertThat(later.held()).isNotEmpty();
        Set<String> all = new HashSet<>();
        plan(build).steps().forEach(s -> all.add(s.id()));
        assertThat(schedule(build, all, 4).slots()).isEmpty();
        assertThat(schedule(build, all, 4).finish()).isEqualTo(TODAY);
    }

    @Test
    public void stepsNameDrillsAndBitsAndWhatIsNotAtHand() {
        Build build = Library.demo("harbour-watch").orElseThrow();
        Step drill = plan(build).steps().stream()
                .filter(s -> s.job() == Job.DRILL)
                .findFirst()
                .orElseThrow();
        assertThat(drill.tools()).anyMatch(t -> t.startsWith("drills of") && t.contains("11"));
        assertThat(AtHand.missing(Optional.empty(), drill)).isEmpty();
        Workshop bare =
                new Workshop(false, false, false, false, false, Optional.empty(), Optional.empty(), Optional.empty());
        assertThat(AtHand.missing(Optional.of(bare), drill)).containsExactly("drill press");
        Workshop drills =
                new Workshop(false, false, false, false, true, Optional.empty(), Optional.empty(), Optional.empty());
        assertThat(AtHand.missing(Optional.of(drills), drill)).isEmpty();
        Step sleeve = plan(Library.demo("cave-survey").orElseThrow()).steps().stream()
                .filter(s -> s.job() == Job.SLEEVE)
                .findFirst()
                .orElseThrow();
        assertThat(AtHand.missing(Optional.of(bare), sleeve))
                .as("a lighter will do")
                .isEmpty();
    }

    @Test
    public void theBriefMayLimitTheStepsToWhatWearsOut() {
        Build build = Library.demo("orchard-ledger").orElseThrow();
        Verdict mends = Evaluator.evaluate(build).verdict(Verdict.Kind.MENDS);
        assertThat(mends.limit()).isEmpty();
        int worst = AssemblyEngine.evaluate(build).reaches().stream()
                .mapToInt(r -> r.steps().size())
                .max()
                .orElseThrow();
        Evaluation kept = Evaluator.evaluate(limited(build, worst, Set.of()));
        assertThat(kept.verdict(Verdict.Kind.MENDS).state()).isEqualTo(State.FINE);
        assertThat(kept.verdict(Verdict.Kind.MENDS).limit()).hasValue(worst);
        Evaluation beyond = Evaluator.evaluate(limited(build, worst - 1, Set.of()));
        assertThat(beyond.verdict(Verdict.Kind.MENDS).state()).isEqualTo(State.STOP);
        assertThat(beyond.findings())
                .filteredOn(f -> f.code().equals("assembly.too-deep"))
                .isNotEmpty()
                .allMatch(f -> f.message().contains(worst + " steps") && f.severity() == Severity.STOP);
        Evaluation wished = Evaluator.evaluate(limited(build, worst - 1, Set.of(Brief.Limit.STEPS)));
        assertThat(wished.verdict(Verdict.Kind.MENDS).state()).isEqualTo(State.WATCH);
    }

    private static Build limited(Build build, double steps, Set<Brief.Limit> wishes) {
        Brief.Limits limits = Form.of(Brief.Limits.class)
                .field("mendSteps")
                .with(build.brief().limits(), Optional.of(steps));
        return build.with(build.brief()
                .withLimits(Form.of(Brief.Limits.class).field("wishes").with(limits, wishes)));
    }
}
