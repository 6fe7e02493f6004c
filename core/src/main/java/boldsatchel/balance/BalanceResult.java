package boldsatchel.balance;

import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Spread;
import java.util.List;
import java.util.Optional;

/**
 * What the balance engine found. All points are in the frame of the base, or of the only shell.
 *
 * @param massG everything
 * @param items what weighs how much, heaviest first
 * @param centre of mass with the lid where it is used
 * @param support corners of the support polygon, at the table
 * @param tipMarginDeg least angle before it tips, over all lid angles up to the most; absent without a case
 * @param worstAngleDeg the lid angle of the least margin
 * @param sweep margin by lid angle
 * @param pushN push at the top edge of the lid, where it is used, that tips it backwards; absent without a lid
 * @param lidTorqueNm greatest torque of the lid about the hinge
 * @param holds whether the hinge holds the lid at the angle of use
 * @param liftsBase whether opening the lid lifts the base
 * @param counterweightG least mass at the middle of the front edge of the floor that restores the margin; zero when none
 *     is needed, absent when none would do
 */
public record BalanceResult(
        Spread massG,
        List<Item> items,
        Vec centre,
        List<Vec> support,
        Optional<Spread> tipMarginDeg,
        double worstAngleDeg,
        List<Margin> sweep,
        Optional<Double> pushN,
        double lidTorqueNm,
        boolean holds,
        boolean liftsBase,
        Optional<Double> counterweightG) {

    /**
     * Something that weighs.
     *
     * @param name for people
     * @param massG grams
     */
    public record Item(String name, double massG) {}

    /**
     * One lid angle.
     *
     * @param angleDeg from closed
     * @param marginDeg before it tips; negative when it tips by itself
     */
    public record Margin(double angleDeg, double marginDeg) {}
}
