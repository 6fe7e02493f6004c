package boldsatchel.balance;

import boldsatchel.geometry.Vec;
import boldsatchel.machine.Posture;
import boldsatchel.quantity.Spread;
import java.util.List;
import java.util.Optional;

/**
 * What the balance engine found. All points are in the frame of the tray that stands, or of the only shell.
 *
 * @param massG everything
 * @param items what weighs how much, heaviest first
 * @param centre of mass as the machine is used
 * @param support corners of the support polygon, at the table
 * @param tipMarginDeg least angle before it tips, over all postures that stand and all that can be opened in the one it is used in; absent
 *     without a case, or where no posture stands
 * @param worst where the least margin is
 * @param sweep margin with each joint opened from closed to its stop, the others as it is used
 * @param postures what is asked of each posture
 * @param joints what is asked of each hinge
 * @param counterweightG least mass at the middle of the front edge of the floor that restores the margin; zero when none
 *     is needed, absent when none would do
 */
public record BalanceResult(
        Spread massG,
        List<Item> items,
        Vec centre,
        List<Vec> support,
        Optional<Spread> tipMarginDeg,
        Margin worst,
        List<Margin> sweep,
        List<InPosture> postures,
        List<OfJoint> joints,
        Optional<Double> counterweightG) {

    /**
     * Something that weighs.
     *
     * @param name for people
     * @param massG grams
     */
    public record Item(String name, double massG) {}

    /**
     * One way the machine may stand.
     *
     * @param posture that it is, but for one joint
     * @param joint id of that joint; empty where it is the posture itself
     * @param amount how far that joint is open, degrees or mm
     * @param marginDeg before it tips; negative when it tips by itself
     */
    public record Margin(Posture posture, String joint, double amount, double marginDeg) {
        /** Nowhere. */
        static final Margin NONE = new Margin(Posture.CLOSED, "", 0, Double.NaN);

        /** How the machine is then. */
        Posture whole() {
            return joint.isEmpty() ? posture : posture.with(joint, amount);
        }
    }

    /**
     * One posture.
     *
     * @param massG of what hangs together
     * @param centre of mass
     * @param marginDeg angle before it tips; not a number where it need not stand
     * @param pushN horizontal push at the upper edge of what carries the screen that tips it backwards; absent where nothing stands up or it
     *     need not stand
     */
    public record InPosture(Posture posture, double massG, Vec centre, double marginDeg, Optional<Double> pushN) {
        /** What it presses with, N. */
        public double weightN() {
            return massG * 1e-3 * BalanceEngine.GRAVITY;
        }
    }

    /**
     * One hinge.
     *
     * @param joint its id
     * @param torqueNm greatest torque of what it carries
     * @param sags names of the postures in which it does not hold what it carries
     * @param lifts whether opening it with one hand lifts the rest off the table
     */
    public record OfJoint(String joint, double torqueNm, List<String> sags, boolean lifts) {}

    /** What is asked of one hinge. */
    public Optional<OfJoint> joint(String id) {
        return joints.stream().filter(j -> j.joint().equals(id)).findFirst();
    }

    /** What is asked of the posture of a name. */
    public Optional<InPosture> posture(String name) {
        return postures.stream().filter(p -> p.posture().name().equals(name)).findFirst();
    }
}
