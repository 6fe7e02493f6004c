package boldsatchel.verdict;

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
 * @param sentence the answer in words
 * @param working how it came about
 */
public record Verdict(
        Kind kind,
        State state,
        double value,
        OptionalDouble limit,
        double low,
        double high,
        String sentence,
        Working working) {

    /** The questions. */
    public enum Kind {
        /** Does everything go in. */
        PACKS("packs", "Packs", "mm", 1, true),
        /** How long does it run. */
        LASTS("lasts", "Lasts", "h", 1, true),
        /** Does it stay cool enough. */
        KEEPS_COOL("keeps-cool", "Keeps cool", "K", 0, true),
        /** How heavy is it. */
        CARRIES("carries", "Carries", "g", 0, false),
        /** Does it stand. */
        STANDS("stands", "Stands", "°", 1, true),
        /** What is still to be spent. */
        COSTS("costs", "Costs", "", 0, false);

        private final String id;
        private final String title;
        private final String unit;
        private final int decimals;
        private final boolean moreIsBetter;

        Kind(String id, String title, String unit, int decimals, boolean moreIsBetter) {
            this.id = id;
            this.title = title;
            this.unit = unit;
            this.decimals = decimals;
            this.moreIsBetter = moreIsBetter;
        }

        /** Stable name in files. */
        public String id() {
            return id;
        }

        /** As shown. */
        public String title() {
            return title;
        }

        /** Unit of value, limit, low and high; money has the brief's currency. */
        public String unit() {
            return unit;
        }

        /** Whether a limit is a least rather than a most. */
        public boolean moreIsBetter() {
            return moreIsBetter;
        }

        /** A value of this kind with its unit. */
        public String format(double value) {
            return Double.isNaN(value) ? "–" : Units.format(value, decimals, unit);
        }
    }

    /**
     * A value that must keep to a hard limit: stop beyond it, watch when its range reaches beyond it.
     *
     * @param moreIsBetter whether the limit is a least
     */
    static State against(double value, double low, double high, OptionalDouble limit, boolean moreIsBetter) {
        if (limit.isEmpty()) {
            return State.FINE;
        }
        double by = moreIsBetter ? value - limit.getAsDouble() : limit.getAsDouble() - value;
        double worst = moreIsBetter ? low - limit.getAsDouble() : limit.getAsDouble() - high;
        return by < 0 ? State.STOP : worst < 0 ? State.WATCH : State.FINE;
    }

    /** A margin: stop below zero, watch below the wanted one or when its range reaches below zero. */
    static State margin(double value, double low, double wanted) {
        return value < 0 ? State.STOP : value < wanted || low < 0 ? State.WATCH : State.FINE;
    }
}
