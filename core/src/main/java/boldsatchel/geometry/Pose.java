package boldsatchel.geometry;

/**
 * How one frame lies in another: turned, then moved. Immutable, for any thread.
 */
public final class Pose {

    /** As it is. */
    public static final Pose NONE = new Pose(new double[] {1, 0, 0, 0, 1, 0, 0, 0, 1}, Vec.ZERO);

    /** Turned by less than this from right angles, it is square: a thousandth of a millimetre on the longest machine. */
    private static final double SQUARE = 1e-9;

    /** Rows of the turn. */
    private final double[] turn;

    private final Vec by;

    private Pose(double[] turn, Vec by) {
        this.turn = turn;
        this.by = by;
    }

    /** Turned squarely, then moved. */
    public static Pose square(Orientation orientation, Vec by) {
        Vec x = orientation.turn(new Vec(1, 0, 0));
        Vec y = orientation.turn(new Vec(0, 1, 0));
        Vec z = orientation.turn(new Vec(0, 0, 1));
        return new Pose(new double[] {x.x(), y.x(), z.x(), x.y(), y.y(), z.y(), x.z(), y.z(), z.z()}, by);
    }

    /** Moved. */
    public static Pose moved(Vec by) {
        return new Pose(NONE.turn, by);
    }

    /**
     * Turned about an axis (Rodrigues' formula), by the right hand: the thumb along the axis.
     *
     * @param through a point of the axis
     * @param axis its direction, of any length but zero
     */
    public static Pose about(Vec through, Vec axis, double degrees) {
        double length = axis.length();
        double x = axis.x() / length;
        double y = axis.y() / length;
        double z = axis.z() / length;
        double c = exact(Math.cos(Math.toRadians(degrees)));
        double s = exact(Math.sin(Math.toRadians(degrees)));
        double t = 1 - c;
        double[] turn = {
            t * x * x + c,
            t * x * y - s * z,
            t * x * z + s * y,
            t * x * y + s * z,
            t * y * y + c,
            t * y * z - s * x,
            t * x * z - s * y,
            t * y * z + s * x,
            t * z * z + c
        };
        Pose about = new Pose(turn, Vec.ZERO);
        return new Pose(turn, through.minus(about.apply(through)));
    }

    /** Right angles are right angles. */
    private static double exact(double value) {
        return Math.abs(value - Math.rint(value)) < SQUARE ? Math.rint(value) : value;
    }

    /** This one, in a frame that lies in another so. */
    public Pose within(Pose outer) {
        double[] both = new double[9];
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                for (int k = 0; k < 3; k++) {
                    both[3 * row + column] += outer.turn[3 * row + k] * turn[3 * k + column];
                }
            }
        }
        return new Pose(both, outer.apply(by));
    }

    /** The way back. */
    public Pose back() {
        double[] t = {turn[0], turn[3], turn[6], turn[1], turn[4], turn[7], turn[2], turn[5], turn[8]};
        Pose turned = new Pose(t, Vec.ZERO);
        return new Pose(t, Vec.ZERO.minus(turned.apply(by)));
    }

    /** A point. */
    public Vec apply(Vec p) {
        return direction(p).plus(by);
    }

    /** A direction: turned, not moved. */
    public Vec direction(Vec d) {
        return new Vec(
                turn[0] * d.x() + turn[1] * d.y() + turn[2] * d.z(),
                turn[3] * d.x() + turn[4] * d.y() + turn[5] * d.z(),
                turn[6] * d.x() + turn[7] * d.y() + turn[8] * d.z());
    }

    /** Three numbers of a list, as a point or as a direction, put into another list at the same place. */
    void put(double[] from, double[] to, int at, boolean point) {
        for (int row = 0; row < 3; row++) {
            to[at + row] = turn[3 * row] * from[at]
                    + turn[3 * row + 1] * from[at + 1]
                    + turn[3 * row + 2] * from[at + 2]
                    + (point ? by.along(row) : 0);
        }
    }

    /** Whether boxes stay square to the axes. */
    public boolean isSquare() {
        for (double v : turn) {
            if (Math.abs(v - Math.rint(v)) > SQUARE) {
                return false;
            }
        }
        return true;
    }

    /** Along which axis an axis comes to lie; of a pose that is not square, the nearest. */
    public Axis turned(Axis axis) {
        Vec to = direction(Vec.on(axis.ordinal(), 1));
        Axis nearest = Axis.X;
        for (Axis tried : Axis.ALL) {
            if (Math.abs(to.along(tried.ordinal())) > Math.abs(to.along(nearest.ordinal()))) {
                nearest = tried;
            }
        }
        return nearest;
    }

    /** A box, or the smallest box around it where the pose is not square. */
    public Box around(Box box) {
        Vec middle = apply(box.centre());
        double[] half = new double[3];
        for (int row = 0; row < 3; row++) {
            half[row] = (Math.abs(turn[3 * row]) * box.dx()
                            + Math.abs(turn[3 * row + 1]) * box.dy()
                            + Math.abs(turn[3 * row + 2]) * box.dz())
                    / 2;
        }
        return new Box(
                middle.x() - half[0],
                middle.y() - half[1],
                middle.z() - half[2],
                2 * half[0],
                2 * half[1],
                2 * half[2]);
    }
}
