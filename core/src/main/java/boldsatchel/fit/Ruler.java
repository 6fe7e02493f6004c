package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Posture;
import java.util.Optional;

/**
 * How far two parts are from one another in a posture.
 *
 * @param x space between their boxes from left to right, mm; negative where they are side by side
 * @param y from front to back
 * @param z upwards
 * @param straight between what is solid of them; minus the way out where they are in the same place
 */
public record Ruler(double x, double y, double z, double straight) {

    /** Measures; nothing where one of them is not packed. */
    public static Optional<Ruler> between(Casing casing, FitResult fit, Posture posture, String a, String b) {
        Optional<Placed> first = fit.placed(a);
        Optional<Placed> second = fit.placed(b);
        if (first.isEmpty() || second.isEmpty() || a.equals(b)) {
            return Optional.empty();
        }
        boolean together = first.get().shell().id().equals(second.get().shell().id());
        Pose ofA = together ? Pose.NONE : casing.pose(first.get().shell().id(), posture);
        Pose ofB = together ? Pose.NONE : casing.pose(second.get().shell().id(), posture);
        Box boxA = ofA.around(first.get().bounds());
        Box boxB = ofB.around(second.get().bounds());
        double straight = Shape.of(first.get().solids(), ofA)
                .to(Shape.of(second.get().solids(), ofB))
                .mm();
        return Optional.of(new Ruler(boxA.gapAlong(0, boxB), boxA.gapAlong(1, boxB), boxA.gapAlong(2, boxB), straight));
    }
}
