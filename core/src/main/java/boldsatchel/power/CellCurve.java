package boldsatchel.power;

import boldsatchel.machine.Facet.Chemistry;

/**
 * How one cell behaves: rest voltage by state of charge at 25 °C, resistance and capacity by temperature. Rest voltages are
 * typical of each chemistry, linear between points; resistance follows an Arrhenius law (Linden, Handbook of Batteries,
 * ch. 3) and rises below 30 % state of charge. The maker's own curves stand above these.
 */
public final class CellCurve {

    private static final double[] LEVELS = {0, .05, .10, .20, .30, .40, .50, .60, .70, .80, .90, 1};
    private static final double[] LI_ION = {3.00, 3.35, 3.48, 3.57, 3.62, 3.66, 3.72, 3.81, 3.90, 3.99, 4.08, 4.18};
    private static final double[] LIFEPO4 = {2.50, 3.00, 3.18, 3.23, 3.27, 3.285, 3.29, 3.30, 3.32, 3.33, 3.335, 3.40};
    private static final double[] NIMH = {1.00, 1.15, 1.19, 1.22, 1.235, 1.245, 1.255, 1.265, 1.28, 1.30, 1.33, 1.40};
    private static final double[] TEMPERATURES_C = {-20, -10, 0, 25};
    private static final double[] CAPACITY = {0.65, 0.80, 0.90, 1};

    private CellCurve() {}

    /**
     * Rest voltage.
     *
     * @param level state of charge, 0 to 1
     * @return volts
     */
    public static double restVolts(Chemistry chemistry, double level) {
        return interpolate(
                LEVELS,
                switch (chemistry) {
                    case LI_ION -> LI_ION;
                    case LIFEPO4 -> LIFEPO4;
                    case NIMH -> NIMH;
                },
                level);
    }

    /**
     * Factor on the resistance at 25 °C.
     *
     * @param level state of charge, 0 to 1
     * @param celsius of the cell
     */
    public static double resistanceFactor(double level, double celsius) {
        return levelFactor(level) * warmthFactor(celsius);
    }

    /** The part of it that goes with the state of charge, 0 to 1. */
    static double levelFactor(double level) {
        return 1 + 0.6 * Math.max(0, (0.3 - level) / 0.3);
    }

    /** The part of it that goes with how warm the cell is, °C. */
    static double warmthFactor(double celsius) {
        return Math.exp(2300 * (1 / (celsius + 273.15) - 1 / 298.15));
    }

    /** Share of the capacity at 25 °C that is left at a temperature; nothing is assumed below −20 °C or gained above 25 °C. */
    public static double capacityFactor(double celsius) {
        return interpolate(TEMPERATURES_C, CAPACITY, celsius);
    }

    /**
     * Share of the charge that a cell loses in a month at 25 °C without any load. Typical (Linden, Handbook of Batteries, ch. 3); a
     * guess for any one cell.
     */
    public static double selfDischargePerMonth(Chemistry chemistry) {
        return switch (chemistry) {
            case LI_ION, LIFEPO4 -> 0.02;
            case NIMH -> 0.15;
        };
    }

    /** Share of the charge put in that can be taken out again. Typical (Linden, Handbook of Batteries, ch. 22 and 26). */
    public static double chargeAcceptance(Chemistry chemistry) {
        return switch (chemistry) {
            case LI_ION, LIFEPO4 -> 1;
            case NIMH -> 0.7;
        };
    }

    private static double interpolate(double[] xs, double[] ys, double x) {
        if (x <= xs[0]) {
            return ys[0];
        }
        for (int i = 1; i < xs.length; i++) {
            if (x <= xs[i]) {
                return ys[i - 1] + (ys[i] - ys[i - 1]) * (x - xs[i - 1]) / (xs[i] - xs[i - 1]);
            }
        }
        return ys[ys.length - 1];
    }
}
