package boldsatchel.hunt;

import boldsatchel.bench.Expectation;
import boldsatchel.bench.Measurand;
import boldsatchel.machine.Part;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is read under each suspect: by the laws where the cause changes figures, else by what is known of it. */
final class Readings {
    private static final double[] GRAVITIES = {0, 0.5, 1};

    private final Measurand.Known plan;
    private final List<Suspect> suspects;
    private final Map<Harm, List<Measurand.Known>> harmed = new EnumMap<>(Harm.class);

    Readings(Evaluation evaluation, Part subject, List<Suspect> suspects) {
        this.suspects = suspects;
        plan = Measurand.Known.of(evaluation.build(), evaluation.results(), Hunt.ROOM_C);
        Evaluator evaluator = new Evaluator();
        for (Suspect s : suspects) {
            s.cause()
                    .harm()
                    .ifPresent(h -> harmed.computeIfAbsent(h, k -> {
                        List<Measurand.Known> known = new ArrayList<>();
                        for (double gravity : GRAVITIES) {
                            Evaluation then = evaluator.judge(h.on(evaluation.build(), subject, gravity));
                            known.add(Measurand.Known.of(then.build(), then.results(), Hunt.ROOM_C));
                        }
                        return known;
                    }));
        }
    }

    Optional<Odds> odds(Check check, Part place) {
        Measurand what = Measurand.of(check.reads()).orElseThrow();
        return what.expected(place, plan)
                .filter(Expectation::isFinite)
                .map(e -> Odds.ofReading(
                        check,
                        place,
                        new Odds.Plan(e, what.quantity()),
                        suspects.stream()
                                .map(s -> likely(check, what, place, e, s.cause()))
                                .toList()));
    }

    private List<Odds.Likely> likely(Check check, Measurand what, Part place, Expectation e, Cause cause) {
        if (!cause.answers().containsKey(check.id()) && cause.harm().isPresent()) {
            Optional<List<Odds.Likely>> worked =
                    worked(what, place, e, cause.harm().get());
            if (worked.isPresent()) {
                return worked.get();
            }
        }
        List<Odds.Likely> likely = new ArrayList<>();
        double[] chances = cause.chances(check);
        for (Band band : Band.values()) {
            likely.add(new Odds.Likely(chances[band.ordinal()], band.range(e)));
        }
        return likely;
    }

    /** From mild to grave; nothing where it changes nothing of it. */
    private Optional<List<Odds.Likely>> worked(Measurand what, Part place, Expectation e, Harm harm) {
        List<Band.Range> ranges = new ArrayList<>();
        double missing = 0;
        boolean changed = false;
        for (Measurand.Known known : harmed.getOrDefault(harm, List.of())) {
            Optional<Expectation> then = known.build()
                    .part(place.id())
                    .flatMap(p -> what.expected(p, known))
                    .filter(Expectation::isFinite);
            if (then.isPresent()) {
                ranges.add(Band.around(then.get()));
                changed |= !then.get().equals(e);
            } else {
                missing += 1.0 / GRAVITIES.length;
            }
        }
        if (!changed && missing == 0) {
            return Optional.empty();
        }
        List<Odds.Likely> likely = new ArrayList<>();
        if (!ranges.isEmpty()) {
            likely.add(new Odds.Likely(
                    1 - missing,
                    new Band.Range(
                            ranges.stream().mapToDouble(Band.Range::low).min().orElseThrow(),
                            ranges.stream().mapToDouble(Band.Range::high).max().orElseThrow())));
        }
        if (missing > 0) {
            likely.add(new Odds.Likely(missing, Band.NOTHING.range(e)));
        }
        return Optional.of(likely);
    }
}
