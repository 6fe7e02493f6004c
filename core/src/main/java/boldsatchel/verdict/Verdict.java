package boldsatchel.verdict;

import boldsatchel.engine.Lazy;
import boldsatchel.quantity.Units;
import java.util.OptionalDouble;

/**
 * The answer to one of the questions a builder has.
 *
 * @param kind which question
 * @param state how it stands
 * @param value the answer; not a number when there is nothing to judge yet
 * @param limit what it is judged against, if the brief says
 * @param low 5 % of the likely values lie below
 * @param high 5 % of the likely values lie above
 * @param said the answer in words, once somebody reads it
 * @param worked how it came about, once somebody looks
 */
public record Verdict(
        Kind kind,
        State state,
        double value,
        OptionalDouble limit,
        double low,
        double high,
        Lazy<String> said,
        Lazy<Working> worked) {

    private static final double ROUNDING = 1e-9;

    /** The same with words that are there already. */
    public Verdict(
            Kind kind,
            State state,
            double value,
            OptionalDouble limit,
            double low,
            double high,
            String sentence,
            Lazy<Working> worked) {
        this(kind, state, value, limit, low, high, Lazy.known(sentence), worked);
    }

    /** The same, stopped by a finding that is about something else than its value; one that is stopped already stays as it is. */
    Verdict stoppedBy(Finding finding) {
        return state == State.STOP
                ? this
                : new Verdict(
                        kind,
                        State.STOP,
                        value,
                        limit,
                        low,
                        high,
                        Lazy.of(() -> finding.message() + " Else: " + sentence()),
                        worked);
    }

    /** The answer in words. */
    public String sentence() {
        return said.get();
    }

    /** How it came about. */
    public Working working() {
        return worked.get();
    }

    /**
     * A question that builders have. A new engine brings its own.
     *
     * @param id stable name in files
     * @param title as shown
     * @param unit of value, limit, low and high; money has the brief's currency
     * @param decimals shown
     * @param moreIsBetter whether a limit is a least rather than a most
     * @param order in which questions are shown
     */
    public record Kind(String id, String title, String unit, int decimals, boolean moreIsBetter, int order) {

        /** Does everything go in. */
        public static final Kind PACKS = new Kind("packs", "Packs", "mm", 1, true, 10);
        /** How long does it run. */
        public static final Kind LASTS = new Kind("lasts", "Lasts", "h", 1, true, 20);
        /** Does it stay cool enough. */
        public static final Kind KEEPS_COOL = new Kind("keeps-cool", "Keeps cool", "K", 0, true, 30);
        /** How heavy is it. */
        public static final Kind CARRIES = new Kind("carries", "Carries", "g", 0, false, 40);
        /** Does it stand. */
        public static final Kind STANDS = new Kind("stands", "Stands", "°", 1, true, 50);
        /** Does it all talk. */
        public static final Kind CONNECTS = new Kind("connects", "Connects", "open", 0, false, 55);
        /** How soon is a hand at what wears out. */
        public static final Kind MENDS = new Kind("mends", "Mends", "steps", 0, false, 58);
        /** What is still to be spent. */
        public static final Kind COSTS = new Kind("costs", "Costs", "", 0, false, 60);

        /** A value of this kind with its unit. */
        public String format(double value) {
            return Double.isNaN(value) ? "–" : Units.format(value, decimals, unit);
        }
    }

    /**
     * A value that must keep to a hard limit: stop beyond it, watch when its range reaches beyond it or is not known.
     *
     * @param moreIsBetter whether the limit is a least
     */
    public static State against(double value, double low, double high, OptionalDouble limit, boolean moreIsBetter) {
        if (Double.isNaN(value)) {
            return State.STOP;
        }
        if (limit.isEmpty()) {
            return State.FINE;
        }
        double by = moreIsBetter ? value - limit.getAsDouble() : limit.getAsDouble() - value;
        double worst = moreIsBetter ? low - limit.getAsDouble() : limit.getAsDouble() - high;
        return by < 0 ? State.STOP : worst >= 0 ? State.FINE : State.WATCH;
    }

    /** The same; what is only wished for stops nothing. */
    public static State against(
            double value, double low, double high, OptionalDouble limit, boolean moreIsBetter, boolean wish) {
        State state = against(value, low, high, limit, moreIsBetter);
        return wish && state == State.STOP && !Double.isNaN(value) ? State.WATCH : state;
    }

    /** A margin: stop below zero, watch below the wanted one or when its range reaches below zero or is not known. */
    public static State margin(double value, double low, double wanted) {
        return !(value >= 0) ? State.STOP : isEnough(value, wanted) && low >= 0 ? State.FINE : State.WATCH;
    }

    /** Whether a margin is as large as wanted; what sums of figures lose in rounding is no lack. */
    public static boolean isEnough(double value, double wanted) {
        return value >= wanted - ROUNDING;
    }
}
