package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.function.UnaryOperator;

/**
 * Joins a lid to a base about an axis along x. The lid's frame is that of the lid laid open flat, 180° behind the base.
 *
 * @param baseShell id of the base
 * @param lidShell id of the lid
 * @param axisYMm axis in the base's frame
 * @param axisZMm axis in the base's frame
 * @param lidAxisYMm axis in the lid's frame
 * @param lidAxisZMm axis in the lid's frame
 * @param maxAngleDeg how far it opens, from closed
 * @param useAngleDeg where it is used
 * @param frictionNm friction torque of all hinges together
 */
public record Hinge(
        @Label(value = "base", needed = true) String baseShell,
        @Label(value = "lid", needed = true) String lidShell,

        @Label(value = "base axis, from its front", in = Quantity.LENGTH)
        double axisYMm,

        @Label(value = "base axis, from below", in = Quantity.LENGTH)
        double axisZMm,

        @Label(value = "lid axis, from its hinge", in = Quantity.LENGTH)
        double lidAxisYMm,

        @Label(value = "lid axis, from its floor", in = Quantity.LENGTH)
        double lidAxisZMm,

        @Label(value = "opens to", in = Quantity.ANGLE, absent = 135, least = 0)
        double maxAngleDeg,

        @Label(value = "used at", in = Quantity.ANGLE, absent = 110, least = 0)
        double useAngleDeg,

        @Label(value = "friction torque", in = Quantity.TORQUE, absent = 0.5, usualMost = 10)
        Figure frictionNm) {

    private static final double AXIS_MM = 4;
    private static final double OPENS_DEG = 135;
    private static final double USED_DEG = 110;

    /** A usual hinge along the back of a base, for a lid that closes its open top; its friction is a guess. */
    public static Hinge atBack(String baseId, Box base, String lidId, Box lid) {
        return new Hinge(
                baseId,
                lidId,
                base.dy() + AXIS_MM,
                base.dz(),
                -AXIS_MM,
                lid.dz(),
                OPENS_DEG,
                USED_DEG,
                Figure.guess(1));
    }

    /**
     * A point of the lid in the base's frame.
     *
     * @param lidPoint in the lid's frame
     * @param angleDeg opening angle, 0 closed, 180 flat
     */
    public Vec toBase(Vec lidPoint, double angleDeg) {
        return toBase(angleDeg).apply(lidPoint);
    }

    /** Takes points of the lid, at an opening angle, into the base's frame. */
    public UnaryOperator<Vec> toBase(double angleDeg) {
        double cosine = Math.cos(Math.toRadians(180 - angleDeg));
        double sine = Math.sin(Math.toRadians(180 - angleDeg));
        return point -> {
            double y = point.y() - lidAxisYMm;
            double z = point.z() - lidAxisZMm;
            return new Vec(point.x(), axisYMm + y * cosine - z * sine, axisZMm + y * sine + z * cosine);
        };
    }

    /** A box of the lid in the base's frame with the lid closed; still square to the axes. */
    public Box closed(Box lidBox) {
        return Box.between(toBaseClosed(lidBox.lowCorner()), toBaseClosed(lidBox.highCorner()));
    }

    private Vec toBaseClosed(Vec p) {
        return new Vec(p.x(), axisYMm - (p.y() - lidAxisYMm), axisZMm - (p.z() - lidAxisZMm));
    }

    /** The same hinge used at another angle. */
    public Hinge withUseAngle(double angleDeg) {
        return new Hinge(
                baseShell, lidShell, axisYMm, axisZMm, lidAxisYMm, lidAxisZMm, maxAngleDeg, angleDeg, frictionNm);
    }
}
