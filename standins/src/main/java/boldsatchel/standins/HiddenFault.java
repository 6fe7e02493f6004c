package boldsatchel.standins;

import boldsatchel.bench.Expectation;
import boldsatchel.bench.Measurand;
import boldsatchel.hunt.Band;
import boldsatchel.hunt.Cause;
import boldsatchel.hunt.Check;
import boldsatchel.hunt.Hunt;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.SplittableRandom;

/**
 * A machine with one fault in it that answers checks. Where the fault changes figures, what is read comes out of the laws: of the build as
 * it truly is, with the fault in it and cheap meters on it. Where it does not, the answer is drawn by how often it comes out so, seen
 * through a world that is not quite as the book says; and now and then somebody looks wrong. Asked again, it says the same.
 */
public final class HiddenFault {

    /** Share of answers that are plainly wrong. */
    private static final double SLIP = 0.02;

    /** How far the world is from the book, one standard deviation of the odds' logarithm. */
    private static final double OTHER_WORLD = 0.5;

    private static final double METER_SHARE = 0.005;
    private static final double ROOM_C = 25;

    private final Hunt hunt;
    private final Cause cause;
    private final long seed;
    private final Measurand.Known plan;
    private final Measurand.Known truth;

    /**
     * A machine with a fault.
     *
     * @param evaluation of the build as planned
     * @param hunt for the fault
     * @param cause what is wrong
     * @param seed of all that is left to chance; the same makes the same machine
     */
    public HiddenFault(Evaluation evaluation, Hunt hunt, Cause cause, long seed) {
        this.hunt = hunt;
        this.cause = cause;
        this.seed = seed;
        plan = Measurand.Known.of(evaluation.build(), evaluation.results(), ROOM_C);
        double gravity = random("gravity").nextDouble();
        Build real = TrueBuild.of(evaluation.build(), seed);
        Evaluation then = Evaluator.evaluate(
                cause.harm().map(h -> h.on(real, hunt.subject(), gravity)).orElse(real));
        truth = Measurand.Known.of(then.build(), then.results(), ROOM_C);
    }

    /**
     * A machine with a fault that shows as some symptom, drawn by how often each is met and shows so.
     *
     * @return nothing where no cause that is known shows so on this part
     */
    public static Optional<HiddenFault> drawn(Evaluation evaluation, Hunt hunt, long seed) {
        List<Cause> causes = hunt.after(List.of(), 0).suspects().stream()
                .map(w -> w.cause())
                .filter(c -> !c.equals(Cause.OTHER))
                .toList();
        double all = causes.stream().mapToDouble(c -> weight(c, hunt)).sum();
        double at = new SplittableRandom(seed).nextDouble() * all;
        for (Cause c : causes) {
            at -= weight(c, hunt);
            if (at <= 0) {
                return Optional.of(new HiddenFault(evaluation, hunt, c, seed));
            }
        }
        return Optional.empty();
    }

    private static double weight(Cause cause, Hunt hunt) {
        return cause.rate() * cause.showsAs(hunt.symptom());
    }

    /** What is truly wrong: for when the hunt is over. */
    public Cause cause() {
        return cause;
    }

    /**
     * Does a check.
     *
     * @param time how many times it was done before: what is there stays so, a slip does not
     */
    public Journal.Clue answer(Check check, Part place, int time) {
        Random random = random(check.id());
        if (check.kind() != Check.Kind.READ) {
            return new Journal.Clue(check.id(), outcome(check, time), Optional.empty(), "");
        }
        Measurand what = Measurand.of(check.reads()).orElseThrow();
        double value = read(check, what, place, random) * (1 + METER_SHARE * random.nextGaussian());
        double off = Math.max(0.002, 2 * METER_SHARE * Math.abs(value));
        return new Journal.Clue(check.id(), "", Optional.of(new Figure(value, off, Basis.MEASURED)), "");
    }

    private Random random(String of) {
        // Seeds that lie side by side begin alike unless they are stirred.
        long side = 31L * (31L * seed + cause.id().hashCode()) + of.hashCode();
        return new Random(new SplittableRandom(side).nextLong());
    }

    private String outcome(Check check, int time) {
        Random slip = random(check.id() + "/" + time);
        if (slip.nextDouble() < SLIP) {
            return check.outcomes().get(slip.nextInt(check.outcomes().size())).id();
        }
        Random random = random(check.id());
        double[] chances = hunt.chances(check, cause);
        double all = 0;
        for (int o = 0; o < chances.length; o++) {
            chances[o] *= Math.exp(OTHER_WORLD * random.nextGaussian());
            all += chances[o];
        }
        return check.outcomes().get(drawn(chances, all, random)).id();
    }

    private static int drawn(double[] odds, double all, Random random) {
        double at = random.nextDouble() * all;
        for (int o = 0; o < odds.length - 1; o++) {
            at -= odds[o];
            if (at <= 0) {
                return o;
            }
        }
        return odds.length - 1;
    }

    private double read(Check check, Measurand what, Part place, Random random) {
        Optional<Expectation> planned = what.expected(place, plan);
        boolean known = cause.answers().containsKey(check.id());
        if (planned.isPresent() && known) {
            double[] chances = cause.chances(check);
            Band band = Band.values()[drawn(chances, 1, random)];
            Band.Range range = band.range(planned.get());
            return Math.max(0, range.low() + random.nextDouble() * (range.high() - range.low()));
        }
        return truth.build()
                .part(place.id())
                .flatMap(p -> what.expected(p, truth))
                .filter(Expectation::isFinite)
                .map(Expectation::value)
                .orElse(0.0);
    }
}
