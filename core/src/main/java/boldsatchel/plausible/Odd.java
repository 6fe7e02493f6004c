package boldsatchel.plausible;

import boldsatchel.quantity.Quantity;

/**
 * A figure that can be, but seldom is: a slip of the pen or of the unit, or a promise of a seller.
 *
 * @param kind in which way
 * @param subject id of the part, rung or tray; empty for the brief
 * @param what the figure, as people call it
 * @param in what it measures
 * @param value the figure, in its stored unit
 * @param low least that is usual, or what it is held against
 * @param high most that is usual, or what it is held against
 */
public record Odd(Kind kind, String subject, String what, Quantity in, double value, double low, double high) {

    /** The ways in which a figure can be odd. */
    public enum Kind {
        /** Outside what is usual. */
        UNUSUAL,
        /** Known to less than itself. */
        DOUBTED,
        /** A least above its most. */
        TURNED,
        /** More asleep than idle, or more idle than busy. */
        DISORDERED,
        /** Larger than what it is in or on. */
        LARGER,
        /** Heavier or lighter than anything of that size, g/cm³. */
        DENSE,
        /** More energy than cells of that mass hold, Wh/kg. */
        RICH
    }
}
