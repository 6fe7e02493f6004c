package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The trays that hang together as one machine, with what lies in each.
 *
 * @param casing the case
 * @param trays those that belong, the one that stands among them
 */
record Hung(Casing casing, List<Tray> trays) {

    /**
     * A tray.
     *
     * @param parts that lie in it
     * @param things all of it that can be hit: its parts, then its walls, floor and ribs
     * @param reach a box around all of it
     * @param closed where it is when all is closed, in the frame of the one that stands
     */
    record Tray(Shell shell, List<Placed> parts, List<Thing> things, Box reach, Box closed) {
        static Tray of(Shell shell, List<Placed> parts, Pose closed) {
            List<Thing> things = new ArrayList<>();
            Box reach = shell.outside();
            for (Placed part : parts) {
                Kind kind = standsOut(part, shell) ? Kind.OUT : Kind.INSIDE;
                things.add(new Thing(part.id(), part.solids(), Optional.of(part), kind));
                reach = reach.around(part.bounds());
                for (var zone : part.zones()) {
                    reach = reach.around(zone.box());
                }
            }
            List<Solid> inside = new ArrayList<>(Trays.solidsWithFloor(shell));
            things.add(new Thing(shell.id(), inside, Optional.empty(), Kind.FLOOR));
            things.add(new Thing(shell.id(), List.copyOf(Trays.walls(shell)), Optional.empty(), Kind.WALLS));
            return new Tray(shell, parts, things, reach, closed.around(shell.outside()));
        }

        private static boolean standsOut(Placed part, Shell shell) {
            return part.solids().stream().anyMatch(s -> Trays.standsOut(s, shell));
        }

        String id() {
            return shell.id();
        }

        /** Whether one of two is inside the other when all is closed. */
        boolean isNested(Tray other) {
            return closed.signedDistance(other.closed) < -FitEngine.CONTACT_MM;
        }
    }

    /** What can be hit. */
    enum Kind {
        /** A part inside the walls of its tray. */
        INSIDE,
        /** A part that stands out of them. */
        OUT,
        /** Floor and ribs of a tray. */
        FLOOR,
        /** Walls of a tray. */
        WALLS
    }

    /**
     * Something that can be hit.
     *
     * @param id of the part or the tray
     * @param solids in the frame of its tray
     * @param part if it is one
     */
    record Thing(String id, List<Solid> solids, Optional<Placed> part, Kind kind) {

        /**
         * Whether two of different trays are looked at: what stays inside its own walls cannot come to the walls of another tray.
         *
         * @param nested whether one tray is inside the other, so that it can
         */
        boolean concerns(Thing other, boolean nested) {
            return nested
                    || (!(kind == Kind.WALLS && other.kind == Kind.INSIDE)
                            && !(kind == Kind.INSIDE && other.kind == Kind.WALLS));
        }

        /** A box around it, in the frame of its tray. */
        Box bounds() {
            Box box = solids.getFirst().bounds();
            for (Solid solid : solids) {
                box = box.around(solid.bounds());
            }
            return box;
        }

        boolean mayTouch(Thing other) {
            return part.isPresent() && other.part.isPresent() && part.get().mayTouch(other.part.get());
        }
    }

    static Hung of(Casing casing, List<Placed> placed) {
        if (casing.joints().isEmpty()) {
            return new Hung(casing, List.of());
        }
        List<Tray> trays = new ArrayList<>();
        for (Shell shell : casing.shells()) {
            if (casing.belongs(shell.id())) {
                trays.add(Tray.of(shell, Placed.in(shell, placed), casing.pose(shell.id(), Posture.CLOSED)));
            }
        }
        return new Hung(casing, trays);
    }

    /** How a tray lies in the frame of the one that stands. */
    Pose pose(Tray tray, Posture posture) {
        return casing.pose(tray.id(), posture);
    }

    /** How far the joints between two trays are open: while these are the same, so is how the trays lie to one another. */
    List<Double> between(Tray a, Tray b, Posture posture) {
        List<Joint> ofA = casing.path(a.id());
        List<Joint> ofB = casing.path(b.id());
        List<Double> amounts = new ArrayList<>(2);
        for (Joint joint : ofA) {
            if (!ofB.contains(joint)) {
                amounts.add(posture.amount(joint));
            }
        }
        for (Joint joint : ofB) {
            if (!ofA.contains(joint)) {
                amounts.add(posture.amount(joint));
            }
        }
        return amounts;
    }
}
