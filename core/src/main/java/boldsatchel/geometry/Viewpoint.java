package boldsatchel.geometry;

/**
 * A way to look at things from far off: without perspective, so that lengths across the view are true.
 *
 * @param right to the right on the picture, of length one
 * @param up upwards on the picture, of length one, across the first
 * @param toward out of the picture to the eye, across both
 */
public record Viewpoint(Vec right, Vec up, Vec toward) {

    /** From above; the front is below. */
    public static final Viewpoint ABOVE = new Viewpoint(new Vec(1, 0, 0), new Vec(0, 1, 0), new Vec(0, 0, 1));
    /** From the front. */
    public static final Viewpoint FRONT = new Viewpoint(new Vec(1, 0, 0), new Vec(0, 0, 1), new Vec(0, -1, 0));
    /** From the right; the front is on the left. */
    public static final Viewpoint RIGHT = new Viewpoint(new Vec(0, 1, 0), new Vec(0, 0, 1), new Vec(1, 0, 0));

    /**
     * From above and aside.
     *
     * @param aroundDeg to the right of straight from the front
     * @param aboveDeg above the table
     */
    public static Viewpoint aside(double aroundDeg, double aboveDeg) {
        double around = Math.toRadians(aroundDeg);
        double above = Math.toRadians(aboveDeg);
        Vec toward = new Vec(Math.sin(around) * Math.cos(above), -Math.cos(around) * Math.cos(above), Math.sin(above));
        Vec right = new Vec(Math.cos(around), Math.sin(around), 0);
        return new Viewpoint(right, toward.cross(right), toward);
    }

    /** Where a point is on the picture. */
    public Flat at(Vec point) {
        return new Flat(point.dot(right), point.dot(up));
    }

    /** How near to the eye a point is; more is nearer. */
    public double near(Vec point) {
        return point.dot(toward);
    }
}
