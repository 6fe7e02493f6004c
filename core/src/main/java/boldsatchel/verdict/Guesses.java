package boldsatchel.verdict;

import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Spread;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Which guess matters most: the one that moves an answer farthest, against what the answer is about.
 *
 * @param input the guess
 * @param kind the answer that it moves
 * @param plusMinus by how much, in the answer's unit
 */
public record Guesses(Input input, Verdict.Kind kind, double plusMinus) {

    /** What moves an answer by less than this share is not worth a caliper. */
    private static final double WORTH_SAYING = 0.02;

    /** Answers that are margins: what they move is held against what is wanted of them, not against themselves. */
    private static final Set<String> MARGINS = Set.of("packs", "stands", "keeps-cool");

    /** The guess of an evaluation that is to be measured first; nothing when none moves anything. */
    public static Optional<Guesses> greatest(Evaluation evaluation) {
        return ranked(evaluation).findFirst();
    }

    /** The guesses that matter most, the gravest first, each once. */
    public static List<Guesses> most(Evaluation evaluation, int count) {
        Set<Input> seen = new HashSet<>();
        return ranked(evaluation).filter(g -> seen.add(g.input())).limit(count).toList();
    }

    private static Stream<Guesses> ranked(Evaluation evaluation) {
        record Weighed(Guesses guess, double weight) {}
        return evaluation.verdicts().stream()
                .flatMap(v -> v.working().range().blame().stream()
                        .filter(b -> b.input().figure().basis() == Basis.GUESS && canBeMeasured(b.input()))
                        .map(b -> new Weighed(guess(v, b), weight(v, b))))
                .filter(w -> Double.isFinite(w.weight()) && w.weight() > WORTH_SAYING && isSeen(w.guess()))
                .sorted(Comparator.comparingDouble(Weighed::weight).reversed())
                .map(Weighed::guess);
    }

    /** What the physics itself leaves open is nothing a builder could measure. */
    private static boolean canBeMeasured(Input input) {
        return !input.owner().equals("the model");
    }

    /** Whether what it moves is more than nothing as it is written. */
    private static boolean isSeen(Guesses guess) {
        return !guess.kind().format(guess.plusMinus()).equals(guess.kind().format(0));
    }

    private static Guesses guess(Verdict verdict, Spread.Blame blame) {
        return new Guesses(blame.input(), verdict.kind(), plusMinus(verdict, blame));
    }

    private static double plusMinus(Verdict verdict, Spread.Blame blame) {
        return Math.sqrt(blame.share()) * (verdict.high() - verdict.low()) / 2;
    }

    private static double weight(Verdict verdict, Spread.Blame blame) {
        double against = MARGINS.contains(verdict.kind().id()) ? verdict.limit().orElse(1) : Math.abs(verdict.value());
        return plusMinus(verdict, blame) / Math.max(1e-6, against);
    }

    /** In words: what it is, and what it moves. */
    public String words() {
        return input.subject() + ", " + input.what() + " (" + kind.title() + " ± " + kind.format(plusMinus) + ")";
    }
}
