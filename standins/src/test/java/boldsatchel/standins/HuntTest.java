package boldsatchel.standins;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import boldsatchel.hunt.Belief;
import boldsatchel.hunt.Cause;
import boldsatchel.hunt.Check;
import boldsatchel.hunt.Hunt;
import boldsatchel.hunt.Knowledge;
import boldsatchel.hunt.Symptom;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.testng.Reporter;
import org.testng.annotations.Test;

/** Hunts for planted faults. */
public class HuntTest {

    private static final int SEEDS = 20;
    /** A fixed order takes as long whatever is drawn: fewer tell its median. */
    private static final int LISTED_SEEDS = 5;

    private static final int MOST_CHECKS = 60;
    private final Knowledge knowledge = Knowledge.shipped();
    private final Map<String, Hunt> hunts = new HashMap<>();

    /** Which evaluation a hunt is on, and what it looks for. */
    private record Case(Evaluation evaluation, Symptom symptom, Part part) {}

    /** How a hunt went. */
    private record Went(boolean found, int checks) {}

    private Hunt hunt(Case c) {
        return hunts.computeIfAbsent(
                c.evaluation().build().name() + c.symptom().id() + c.part().id(),
                k -> Hunt.begin(knowledge, c.evaluation(), c.symptom(), c.part()));
    }

    private Went follow(Hunt hunt, HiddenFault fault, List<Check> order) {
        List<Journal.Clue> clues = new ArrayList<>();
        Belief belief = hunt.after(clues, 0);
        while (clues.size() < MOST_CHECKS && belief.standing() == Belief.Standing.GOES_ON) {
            Check check =
                    order.isEmpty() ? belief.best().orElseThrow().check() : order.get(clues.size() % order.size());
            long before =
                    clues.stream().filter(c -> c.check().equals(check.id())).count();
            clues.add(fault.answer(check, hunt.place(check), (int) before));
            belief = hunt.after(clues, 0);
        }
        return new Went(belief.foremost().cause().equals(fault.cause()), clues.size());
    }

    /** Every cause, 20 times, in the demos and one build more. */
    @Test
    public void culpritEndsFirst() {
        List<Build> builds = new ArrayList<>();
        Library.DEMOS.forEach(d -> builds.add(Library.demo(d).orElseThrow()));
        builds.add(joined(builds.getFirst()));
        List<Evaluation> evaluations = builds.stream().map(Evaluator::evaluate).toList();
        int found = 0;
        int all = 0;
        List<Integer> planned = new ArrayList<>();
        List<Integer> listed = new ArrayList<>();
        Map<String, Integer> missed = new TreeMap<>();
        for (Cause cause : knowledge.causes()) {
            List<Case> cases = cases(cause, evaluations);
            assertFalse(cases.isEmpty(), cause.id() + " can be in none of these builds");
            for (int seed = 1; seed <= SEEDS; seed++) {
                Case c =
                        drawn(cases, cause, new Random(seed + 1000L * cause.id().hashCode()));
                Hunt hunt = hunt(c);
                HiddenFault fault = new HiddenFault(c.evaluation(), hunt, cause, seed);
                Went went = follow(hunt, fault, List.of());
                all++;
                if (went.found()) {
                    found++;
                } else {
                    missed.merge(cause.id() + "/" + c.symptom().id(), 1, Integer::sum);
                }
                planned.add(went.checks());
                if (seed <= LISTED_SEEDS) {
                    listed.add(follow(hunt, fault, hunt.checklist()).checks());
                }
            }
        }
        String said = found + " of " + all + " found; checks: median " + median(planned) + ", mean " + mean(planned)
                + ", of a fixed list " + median(listed) + ", mean " + mean(listed);
        Reporter.log(said, true);
        Reporter.log(missed.toString(), true);
        assertTrue(found >= 0.95 * all, said + missed);
        assertTrue(median(planned) <= 0.5 * median(listed), said);
    }

    /** With what no demo has: a second pack on the same rail, a power bank, and a gauge. */
    private static Build joined(Build demo) {
        Build build = demo.named("joined");
        Library library = Library.shipped();
        build = build.with(
                build.parts().with(library.part("pack-4s1p").orElseThrow().withId("second")));
        build = build.with(
                build.parts().with(library.part("bank-10").orElseThrow().withId("bank")));
        Part gauge = library.parts().stream()
                .filter(p -> p.facet(Facet.ShowsLevel.class).isPresent())
                .findFirst()
                .orElseThrow();
        build = build.with(build.parts().with(gauge.withId("gauge")));
        Rung root = build.wiring().chain().getFirst();
        Rung both = new Rung(
                "both",
                new Rung.Join(List.of(
                        Rung.of("second", new Rung.OfPart("second")), new Rung(root.id(), root.stage(), List.of()))),
                root.feeds());
        List<Rung> chain = new ArrayList<>(build.wiring().chain());
        chain.set(0, both);
        return build.withChain(chain);
    }

    private List<Case> cases(Cause cause, List<Evaluation> evaluations) {
        List<Case> cases = new ArrayList<>();
        for (Evaluation e : evaluations) {
            for (Symptom s : Hunt.possible(knowledge, e.build())) {
                if (cause.showsAs(s) > 0) {
                    for (Part p : Hunt.subjects(e.build(), s)) {
                        Case c = new Case(e, s, p);
                        if (hunt(c).after(List.of(), 0).suspects().stream()
                                .anyMatch(w -> w.cause().equals(cause))) {
                            cases.add(c);
                        }
                    }
                }
            }
        }
        return cases;
    }

    private static Case drawn(List<Case> cases, Cause cause, Random random) {
        double all = cases.stream().mapToDouble(c -> cause.showsAs(c.symptom())).sum();
        double at = random.nextDouble() * all;
        for (Case c : cases) {
            at -= cause.showsAs(c.symptom());
            if (at <= 0) {
                return c;
            }
        }
        return cases.getLast();
    }

    private static double median(List<Integer> of) {
        int[] sorted = of.stream().mapToInt(i -> i).sorted().toArray();
        return sorted[sorted.length / 2];
    }

    private static double mean(List<Integer> of) {
        return Math.round(10 * of.stream().mapToInt(i -> i).average().orElse(0)) / 10.0;
    }
}
