package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Convex;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Something solid in the room of a tray: of the tray itself, or of another one that comes into it in a posture.
 *
 * @param id of the part, or of the tray
 * @param posture in which it is there; empty for what always is
 * @param solid in its own frame
 * @param pose of that frame in the tray's
 * @param bounds a box around it in the tray's frame
 */
public record Obstacle(String id, String posture, Solid solid, Pose pose, Box bounds) {

    /** All in a tray, ribs and bosses among it: what is its own first, then what others bring in, each way they lie to it once. */
    public static List<Obstacle> in(Casing casing, Shell shell, List<Placed> placed) {
        List<Obstacle> all = new ArrayList<>();
        for (Placed p : Placed.in(shell, placed)) {
            p.solids().forEach(s -> all.add(own(p.id(), s)));
        }
        shell.solids().forEach(s -> all.add(own(shell.id(), s)));
        if (casing.shells().stream().anyMatch(other -> comesIn(casing, shell, other, placed))) {
            Hung hung = Hung.of(casing, placed);
            for (Hung.Tray tray : hung.trays()) {
                for (Hung.Tray other : hung.trays()) {
                    if (tray.id().equals(shell.id()) && !other.id().equals(shell.id())) {
                        guests(hung, tray, other, all);
                    }
                }
            }
        }
        return all;
    }

    /** Whether another tray, or what stands out of it, comes into the room of a tray in any posture. */
    private static boolean comesIn(Casing casing, Shell shell, Shell other, List<Placed> placed) {
        if (other.id().equals(shell.id()) || !casing.belongs(shell.id()) || !casing.belongs(other.id())) {
            return false;
        }
        Box reach = other.outside();
        for (Placed p : Placed.in(other, placed)) {
            reach = reach.around(p.bounds());
        }
        for (Posture posture : casing.looks()) {
            if (isIn(relative(casing, other, shell, posture).around(reach), shell)) {
                return true;
            }
        }
        return false;
    }

    private static Pose relative(Casing casing, Shell of, Shell in, Posture posture) {
        return casing.pose(of.id(), posture)
                .within(casing.pose(in.id(), posture).back());
    }

    private static boolean isIn(Box box, Shell shell) {
        return box.signedDistance(shell.cavity()) < -FitEngine.CONTACT_MM;
    }

    private static Obstacle own(String id, Solid solid) {
        return new Obstacle(id, "", solid, Pose.NONE, solid.bounds());
    }

    private static void guests(Hung hung, Hung.Tray tray, Hung.Tray other, List<Obstacle> all) {
        Set<List<Double>> seen = new HashSet<>();
        for (Posture posture : hung.casing().looks()) {
            if (!seen.add(hung.between(tray, other, posture))) {
                continue;
            }
            Pose pose = relative(hung.casing(), other.shell(), tray.shell(), posture);
            for (Hung.Thing thing : other.things()) {
                for (Solid solid : thing.solids()) {
                    Box bounds = pose.around(solid.bounds());
                    if (isIn(bounds, tray.shell())) {
                        all.add(new Obstacle(thing.id(), posture.name(), solid, pose, bounds));
                    }
                }
            }
        }
    }

    /** Whether it is a box, square to the tray. */
    public boolean isBox() {
        return solid instanceof Box && pose.isSquare();
    }

    /** Convex pieces that together are the same, in the tray's frame. */
    public List<Convex> pieces() {
        return solid.pieces().stream().map(c -> c.posed(pose)).toList();
    }
}
