package boldsatchel.power;

/** Current drawn at a voltage and its slope, added up over what is fed. Mutable and short-lived: the solver's scratch pad. */
final class Draw {
    double amps;
    double slope;
    boolean collapsed;

    void add(double moreAmps, double moreSlope) {
        amps += moreAmps;
        slope += moreSlope;
    }

    void clear() {
        amps = 0;
        slope = 0;
        collapsed = false;
    }
}
