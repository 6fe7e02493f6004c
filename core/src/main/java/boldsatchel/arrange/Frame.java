package boldsatchel.arrange;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;

/**
 * A build with its tray of one size, and nothing in it but what stays.
 *
 * @param build the build
 * @param shell the tray, of walls that follow nothing
 * @param follows what its walls follow parts by once these are in, if they do
 * @param fixed what is taken
 */
record Frame(Build build, Shell shell, Optional<Double> follows, List<Room> fixed) {

    /**
     * A tray without some of its parts.
     *
     * @param moved ids of those
     */
    static Frame of(Build whole, Shell tray, Collection<String> moved) {
        Build still = whole.with(whole.casing().withShell(tray.following(Optional.empty())));
        Layout left = still.layout();
        Layout emptied = left.withPlacements(left.placements().stream()
                .filter(p -> !moved.contains(p.part()))
                .toList());
        return of(still.with(emptied), tray.id(), tray.aroundMm());
    }

    private static Frame of(Build build, String tray, Optional<Double> follows) {
        Shell shell = build.shell(tray).orElseThrow();
        List<Room> fixed = new ArrayList<>();
        shell.solids().forEach(s -> fixed.add(Room.of(Room.Kind.BODY, s.bounds())));
        for (Bundle stays : Bundle.in(build, shell)) {
            Lying lying = new Lying(stays, build.cooling());
            Box bounds = stays.bounds();
            for (Room room : lying.rooms) {
                fixed.add(room.moved(new double[] {bounds.x(), bounds.y(), bounds.z()}));
            }
        }
        fixed.addAll(beyond(build, shell));
        return new Frame(build, shell, follows, List.copyOf(fixed));
    }

    /** What other trays bring in once all is closed. */
    private static List<Room> beyond(Build build, Shell shell) {
        Casing casing = build.casing();
        List<Room> rooms = new ArrayList<>();
        if (casing.belongs(shell.id())) {
            Pose here = casing.pose(shell.id(), Posture.CLOSED).back();
            for (Placed placed : Placed.all(build)) {
                String other = placed.shell().id();
                if (!other.equals(shell.id()) && casing.belongs(other)) {
                    Pose pose = casing.pose(other, Posture.CLOSED).within(here);
                    placed.solids().forEach(s -> rooms.add(Room.of(Room.Kind.BEYOND, pose.around(s.bounds()))));
                }
            }
        }
        return rooms;
    }

    /** The same with the far walls elsewhere: the low corner stays where it is. */
    Frame sized(double width, double depth, double height) {
        return of(build.walled(shell, new Box(0, 0, 0, width, depth, height)), shell.id(), follows);
    }

    /** Size inside along an axis, mm. */
    double size(int axis) {
        return shell.cavity().size(axis);
    }

    /** The build with parts where they lie. */
    Build with(List<Placement> places) {
        List<Placement> all = new ArrayList<>(build.layout().placements());
        all.addAll(places);
        Build laid = build.with(build.layout().withPlacements(all));
        return follows.isEmpty() ? laid : laid.with(laid.casing().withShell(shell.following(follows)));
    }

    /** Whether what stays lies in a build where it lies here: walls that follow parts take them along. */
    boolean keeps(Build built) {
        return build.layout().placements().stream()
                .allMatch(p -> built.placement(p.part()).filter(p::equals).isPresent());
    }
}
