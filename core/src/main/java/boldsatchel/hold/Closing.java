package boldsatchel.hold;

import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;

/**
 * Two trays of which one is screwed on the other: screws go through the floor of the one into bosses of the other.
 *
 * @param bosses the tray whose bosses take them
 * @param plate the floor that they go through, in the frame of that tray
 */
public record Closing(Shell bosses, Box plate) {

    /** A boss ends no farther from the floor that is screwed on it, mm; another is for a part. */
    private static final double NEAR_MM = 6;

    /** Both ways in which a joint of screws may be meant; none where the trays are not square to one another, face to face or upright. */
    public static List<Closing> of(Casing casing, Joint joint) {
        List<Closing> both = new ArrayList<>();
        casing.shell(joint.on())
                .ifPresent(on -> casing.shell(joint.carries()).ifPresent(carried -> {
                    if (joint.closed().turned(Axis.Z) == Axis.Z) {
                        both.add(new Closing(on, joint.closed().around(floor(carried))));
                        both.add(new Closing(carried, joint.closed().back().around(floor(on))));
                    }
                }));
        return both;
    }

    private static Box floor(Shell shell) {
        Box out = shell.outside();
        return new Box(
                out.x(), out.y(), out.z(), out.dx(), out.dy(), shell.floor().value());
    }

    /** Whether a boss stands under the floor that is screwed on. */
    public boolean takes(Boss boss) {
        return boss.xMm() > plate.x()
                && boss.xMm() < plate.high(0)
                && boss.yMm() > plate.y()
                && boss.yMm() < plate.high(1)
                && Math.abs(plate.z() - boss.heightMm()) <= NEAR_MM;
    }

    /** From under the head to the top of a boss, mm. */
    double clampedMm(Boss boss) {
        return Math.max(0, plate.high(2) - boss.heightMm());
    }
}
