package boldsatchel.stow;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Pose;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What of a tray is taken: by itself, by all that lies in it, and by what other trays bring in once all is closed. */
public final class Taken {

    private Taken() {}

    /** The rooms, in the tray's frame. */
    public static List<Room> of(Build build, Shell shell) {
        List<Room> taken = new ArrayList<>();
        shell.solids().forEach(s -> taken.add(Room.of(Room.Kind.BODY, s.bounds())));
        for (Bundle lies : Bundle.in(build, shell)) {
            for (Room room : new Lying(lies, build.cooling()).rooms) {
                taken.add(room.moved(lies.bounds().lowCorner()));
            }
        }
        for (Placed placed : Placed.all(build)) {
            into(build.casing(), placed.shell(), shell)
                    .ifPresent(pose -> placed.solids()
                            .forEach(s -> taken.add(Room.of(Room.Kind.BEYOND, pose.around(s.bounds())))));
        }
        return List.copyOf(taken);
    }

    /** How one tray lies in another once all is closed; nothing where they are one, or do not hang together. */
    public static Optional<Pose> into(Casing casing, Shell one, Shell other) {
        boolean areTwo = !one.id().equals(other.id()) && casing.belongs(one.id()) && casing.belongs(other.id());
        return areTwo
                ? Optional.of(casing.pose(one.id(), Posture.CLOSED)
                        .within(casing.pose(other.id(), Posture.CLOSED).back()))
                : Optional.empty();
    }
}
