package boldsatchel.power;

/**
 * Where, as a source empties, a limit is passed that ends the run. The limit is watched as a continuous margin, whose root is found by the
 * Illinois variant of false position (Dowell and Jarratt, BIT 11, 1971); where the margin says nothing, as on a collapse, or another
 * limit is passed first, the interval is halved. It always ends: each step takes something of the interval, and there is a most.
 *
 * @param level the last at which the machine still runs, to within what was asked
 * @param breach what ends the run just below
 */
record Crossing(double level, Breach breach) {
    private static final int MOST_STEPS = 60;

    /**
     * Finds it.
     *
     * @param stopped a level at which something stops the machine
     * @param breach what stops it there
     * @param running a level above at which nothing does
     * @param closeEnough of the level
     */
    static Crossing between(
            Network.Circuit circuit, double stopped, Breach breach, double running, double closeEnough) {
        double low = stopped;
        double high = running;
        Breach found = breach;
        double below = margin(circuit, found, low);
        double above = margin(circuit, found, high);
        for (int i = 0; i < MOST_STEPS && high - low > closeEnough; i++) {
            double at = next(low, below, high, above, closeEnough);
            var stop = circuit.terminals(at).stop();
            if (stop.isEmpty()) {
                high = at;
                above = margin(circuit, found, at);
                below /= 2;
                continue;
            }
            boolean other =
                    stop.get().kind() != found.kind() || !stop.get().rung().equals(found.rung());
            low = at;
            found = stop.get();
            below = margin(circuit, found, at);
            above = other ? margin(circuit, found, high) : above / 2;
        }
        return new Crossing(high, found);
    }

    private static double margin(Network.Circuit circuit, Breach limit, double level) {
        return limit.kind() == Breach.Kind.COLLAPSE ? Double.NaN : circuit.margin(limit, level);
    }

    /** The root of the straight line, kept a little inside so that the interval closes from both sides; the middle without one. */
    private static double next(double low, double below, double high, double above, double closeEnough) {
        if (!(below < 0 && above > 0)) {
            return (low + high) / 2;
        }
        double inset = Math.min(closeEnough / 2, (high - low) / 4);
        return Math.clamp(low + (high - low) * below / (below - above), low + inset, high - inset);
    }
}
