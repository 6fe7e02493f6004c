package boldsatchel.heat;

/**
 * Heat that is switched on for one part of each cycle: of each mode of the answer the state after endless rounds is known in closed
 * form.
 */
final class Pulse {

    private final Modes modes;
    private final double begins;
    private final double lasts;
    private final double whole;
    private final double share;
    /** By mode, what is missing of its steady answer when the pulse begins. */
    private final double[] missing;
    /** By mode, what there is of its steady answer when the pulse ends. */
    private final double[] reached;

    /**
     * A pulse.
     *
     * @param modes what the network answers with
     * @param begins after the start of the cycle, s
     * @param lasts how long it is on, s
     * @param whole how long the cycle is, s
     */
    Pulse(Modes modes, double begins, double lasts, double whole) {
        this.modes = modes;
        this.begins = begins;
        this.lasts = lasts;
        this.whole = whole;
        this.share = lasts / whole;
        missing = new double[modes.count()];
        reached = new double[modes.count()];
        for (int k = 0; k < missing.length; k++) {
            double slow = modes.slow[k];
            double round = Math.expm1(-whole / slow);
            missing[k] = Math.expm1(-(whole - lasts) / slow) / round;
            reached[k] = Math.expm1(-lasts / slow) / round;
        }
    }

    /**
     * By direction, how much of it there is about the mean at a time of the cycle.
     *
     * @param seconds since the cycle's start
     */
    double[] at(double seconds) {
        double since = seconds < begins ? seconds - begins + whole : seconds - begins;
        double[] by = new double[modes.count()];
        for (int k = 0; k < by.length; k++) {
            double on = since <= lasts
                    ? 1 - missing[k] * Math.exp(-since / modes.slow[k])
                    : reached[k] * Math.exp(-(since - lasts) / modes.slow[k]);
            Modes.add(by, on - share, modes.shares[k]);
        }
        return by;
    }

    /**
     * Adds what the pulse does about its mean at a time of the cycle, K.
     *
     * @param seconds since the cycle's start
     */
    void addTo(double[] swing, double seconds) {
        double[] by = at(seconds);
        for (int j = 0; j < by.length; j++) {
            Modes.add(swing, by[j], modes.directions[j]);
        }
    }
}
