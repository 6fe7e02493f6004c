package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.quantity.Units;

/**
 * An upright scale of a plot.
 *
 * @param low at its lower end
 * @param high at its upper end
 * @param base where the lower end lies, mm
 * @param height of it, mm
 */
record Scale(double low, double high, double base, double height) {

    private static final double TEXT = 3.6;
    private static final double LEFT = 14;
    private static final int LINES = 4;

    double y(double value) {
        return base + (value - low) / (high - low) * height;
    }

    /** Lines at round values with what they are, and the unit above. */
    void grid(Sketch s, String unit, double width) {
        double step = PowerDrawings.niceStep((high - low) / LINES);
        for (double v = Math.ceil(low / step) * step; v <= high; v += step) {
            s.line(0, y(v), width, y(v), 0.12, false, Ink.FAINT, "");
            s.text(-1.5, y(v) - 1.2, TEXT, Align.RIGHT, false, Ink.SOFT, Units.format(v), "");
        }
        s.text(-LEFT + 1, base + height + 2, TEXT, Align.LEFT, false, Ink.SOFT, unit, "");
    }
}
