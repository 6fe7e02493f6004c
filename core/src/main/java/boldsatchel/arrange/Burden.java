package boldsatchel.arrange;

/**
 * What a number adds to what is to be borne with an arrangement.
 *
 * @param counts how it counts
 * @param by for each, for as much as it was, or a step of it; of a step 0 stands for a share of the limit
 */
record Burden(Counts counts, double by) {

    /** How a number counts. */
    enum Counts {
        /** For each of it alike, whatever the wishes. */
        EACH,
        /** By its share of what it was. */
        SHARE,
        /** Beyond its limit more with each step, on this side of it less and less; without a limit against what it was. */
        STEPS
    }

    private static final double MOST_STEPS = 20;
    private static final double STEP_SHARE = 0.1;
    private static final double LEAST_STEP = 1e-3;

    /**
     * Of a value.
     *
     * @param was as the build is
     */
    double of(Reading reading, double value, double was) {
        return switch (counts) {
            case EACH -> by * value;
            case SHARE -> was > 0 ? by * value / was : 0;
            case STEPS -> steps(reading, value, was);
        };
    }

    private double steps(Reading reading, double value, double was) {
        double limit = reading.limit().orElse(Double.isNaN(was) ? 0 : was);
        double step = by > 0 ? by : Math.max(LEAST_STEP, STEP_SHARE * Math.abs(limit));
        double is = Double.isNaN(value) ? Double.NEGATIVE_INFINITY : value;
        double margin = (reading.moreIsBetter() ? is - limit : limit - is) / step;
        double counted = reading.sense() == Reading.Sense.ENOUGH ? Math.min(0, margin) : margin;
        return counted < 0 ? 1 - Math.max(-MOST_STEPS, counted) : Math.exp(-counted);
    }
}
