package boldsatchel.links;

/** Values that resistors are sold in. */
public final class Resistors {

    /** Twelve a decade (IEC 60063, E12). */
    private static final double[] E12 = {1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2};

    private Resistors() {}

    /** The largest one that is no more than this, Ω. */
    public static double notAbove(double ohms) {
        double decade = Math.pow(10, Math.floor(Math.log10(ohms) + 1e-12));
        double best = decade;
        for (double step : E12) {
            double value = Math.round(step * decade * 1000) / 1000.0;
            best = value <= ohms * (1 + 1e-9) ? value : best;
        }
        return best;
    }
}
