package boldsatchel.balance;

import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import java.util.Collection;

/**
 * A mass and where it is.
 *
 * @param g grams
 * @param at centre, mm
 */
record Mass(double g, Vec at) {

    /** Two masses as one. */
    Mass and(Mass other) {
        double sum = g + other.g;
        if (sum == 0) {
            return this;
        }
        return new Mass(
                sum,
                new Vec(
                        (g * at.x() + other.g * other.at.x()) / sum,
                        (g * at.y() + other.g * other.at.y()) / sum,
                        (g * at.z() + other.g * other.at.z()) / sum));
    }

    /** The same in another frame. */
    Mass posed(Pose pose) {
        return new Mass(g, pose.apply(at));
    }

    /** All masses as one; at the origin when there are none. */
    static Mass together(Collection<Mass> masses) {
        double g = 0;
        double x = 0;
        double y = 0;
        double z = 0;
        for (Mass m : masses) {
            g += m.g;
            x += m.g * m.at.x();
            y += m.g * m.at.y();
            z += m.g * m.at.z();
        }
        return g == 0 ? new Mass(0, Vec.ZERO) : new Mass(g, new Vec(x / g, y / g, z / g));
    }
}
