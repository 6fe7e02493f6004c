package boldsatchel.links;

/**
 * How many pixels a second a picture takes on its link, blanking among them: VESA Coordinated Video Timings 1.2 with reduced blanking, as
 * flat screens use it. The standard sizes are reproduced to the quarter megahertz that clocks are stepped in.
 *
 * @param widthPx pixels across
 * @param heightPx pixels down
 * @param hertz pictures a second
 */
public record Timing(int widthPx, int heightPx, double hertz) {

    /** Horizontal blanking, pixels. */
    private static final int BLANK_PX = 160;

    /** Least vertical blanking, µs. */
    private static final double BLANK_US = 460;

    /** Vertical front porch and least back porch, lines. */
    private static final int FRONT_LINES = 3;

    private static final int BACK_LINES = 6;

    /** Widths are rounded down to cells of so many pixels. */
    private static final int CELL_PX = 8;

    /** Clocks come in steps, Hz. */
    private static final double STEP_HZ = 0.25e6;

    /** Lines of the vertical sync, which tells screens the shape of the picture. */
    private int syncLines() {
        record Shape(double across, double down, int lines) {}
        for (Shape s : new Shape[] {
            new Shape(4, 3, 4), new Shape(16, 9, 5), new Shape(16, 10, 6), new Shape(5, 4, 7), new Shape(15, 9, 7)
        }) {
            if (CELL_PX * (int) (heightPx * s.across / s.down / CELL_PX) == widthPx) {
                return s.lines;
            }
        }
        return 10;
    }

    /** Pixels a second, Hz. */
    public double pixelHz() {
        int across = widthPx / CELL_PX * CELL_PX;
        double lineUs = (1e6 / hertz - BLANK_US) / heightPx;
        if (!(lineUs > 0)) {
            // So many pictures a second leave no time for blanking: no link carries it.
            return Double.POSITIVE_INFINITY;
        }
        double lines = heightPx + Math.max(Math.floor(BLANK_US / lineUs) + 1, FRONT_LINES + syncLines() + BACK_LINES);
        double exact = hertz * lines * (across + BLANK_PX);
        return exact < STEP_HZ ? exact : STEP_HZ * Math.floor(exact / STEP_HZ);
    }
}
