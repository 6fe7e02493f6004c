package boldsatchel.plan;

import boldsatchel.edit.Edit;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.List;

/**
 * Something that keeps a machine cooler, worked out with all engines.
 *
 * @param words what is done, starting with a verb
 * @param edit that does it
 * @param marginK least distance to a limit then, K
 * @param gainK by how much that is more than now, K
 * @param price what is given up for it, each in a few words
 * @param stops whether something says stop then that does not now
 */
public record Relief(String words, Edit edit, double marginK, double gainK, List<String> price, boolean stops) {

    /** Copies the list. */
    public Relief {
        price = List.copyOf(price);
    }

    private static final double LEAST_G = 0.5;
    private static final double LEAST_MONEY = 0.005;

    /** What an edit does. */
    static Relief of(String words, Edit edit, Evaluation now, Evaluation then, List<String> more) {
        double margin = margin(then);
        List<String> price = new ArrayList<>(more);
        double grams = change(now, then, Verdict.Kind.CARRIES);
        if (grams >= LEAST_G) {
            price.add("+" + Verdict.Kind.CARRIES.format(grams));
        }
        double money = change(now, then, Verdict.Kind.COSTS);
        if (money >= LEAST_MONEY) {
            price.add("+" + now.build().brief().currency() + " " + Verdict.Kind.COSTS.format(money));
        }
        List<String> worse = new ArrayList<>();
        boolean stop = false;
        for (Verdict before : now.verdicts()) {
            State after = then.verdict(before.kind()).state();
            if (after.compareTo(before.state()) > 0) {
                worse.add(before.kind().title() + " then says " + after.words());
                stop |= after == State.STOP;
            }
        }
        price.addAll(worse);
        List<Finding> come = then.beyond(now);
        long stops = come.stream().filter(f -> f.severity() == Severity.STOP).count();
        if (stops > 0 && worse.isEmpty()) {
            price.add(stops == 1 ? "a finding that says stop comes" : stops + " findings that say stop come");
        }
        return new Relief(words, edit, margin, margin - margin(now), price, stop || stops > 0);
    }

    /** The least distance to a limit, K; endless where nothing has one. */
    static double margin(Evaluation evaluation) {
        double value = evaluation.verdict(Verdict.Kind.KEEPS_COOL).value();
        return Double.isNaN(value) ? Double.POSITIVE_INFINITY : value;
    }

    private static double change(Evaluation now, Evaluation then, Verdict.Kind kind) {
        return then.verdict(kind).value() - now.verdict(kind).value();
    }
}
