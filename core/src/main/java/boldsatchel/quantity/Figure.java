package boldsatchel.quantity;

/**
 * A number with the trust it deserves. The unit is that of the component that holds the figure.
 *
 * <p>The plus-minus is read as an expanded uncertainty with coverage factor two (JCGM 100:2008, 6.2): the value lies
 * within it 95 times in a hundred.
 *
 * @param value the best estimate, finite
 * @param plusMinus half width of the range, same unit, zero or more
 * @param basis where the number comes from
 */
public record Figure(double value, double plusMinus, Basis basis) {

    /** Refuses values that are not finite and negative ranges. */
    public Figure {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("a figure needs a finite value, not " + value);
        }
        if (!(plusMinus >= 0) || Double.isInfinite(plusMinus)) {
            throw new IllegalArgumentException("a plus-minus is zero or more, not " + plusMinus);
        }
    }

    /** A figure with the range usual for its basis. */
    public static Figure of(double value, Basis basis) {
        return new Figure(value, Math.abs(value) * basis.defaultShare(), basis);
    }

    /** A measured figure, ±2 %. */
    public static Figure measured(double value) {
        return of(value, Basis.MEASURED);
    }

    /** A data-sheet figure, ±10 %. */
    public static Figure dataSheet(double value) {
        return of(value, Basis.DATA_SHEET);
    }

    /** A guess, ±30 %. */
    public static Figure guess(double value) {
        return of(value, Basis.GUESS);
    }

    /** A figure that the builder decides, ±0.2 %. */
    public static Figure planned(double value) {
        return of(value, Basis.PLANNED);
    }

    /** One standard deviation: half the plus-minus. */
    public double sigma() {
        return plusMinus / 2;
    }

    /** The same trust, relative to the value, in another value. */
    public Figure withValue(double newValue) {
        double share = value == 0 ? basis.defaultShare() : plusMinus / Math.abs(value);
        return new Figure(newValue, Math.abs(newValue) * share, basis);
    }
}
