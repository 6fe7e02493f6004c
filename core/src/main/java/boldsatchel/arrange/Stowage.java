package boldsatchel.arrange;

import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.stow.Lying;
import boldsatchel.stow.Room;
import boldsatchel.stow.Stowing;
import java.util.List;
import java.util.Optional;

/** What is taken of all trays that are arranged: what lies in one is in the way of another once all is closed. Not to be shared by threads. */
final class Stowage {

    private final Frame frame;
    private final List<Stowing> trays;

    /**
     * With what has a place.
     *
     * @param gapMm wanted between parts
     * @param wallMm wanted to side walls that nothing has to be at
     */
    Stowage(Packed packed, double gapMm, double wallMm) {
        frame = packed.frame();
        trays = frame.trays().stream()
                .map(t -> new Stowing(t.sizes(), gapMm, wallMm))
                .toList();
        for (int tray = 0; tray < trays.size(); tray++) {
            frame.trays().get(tray).fixed().forEach(trays.get(tray)::put);
        }
        for (int i = 0; i < packed.count(); i++) {
            double[] at = packed.at(i);
            if (at != null) {
                put(packed.lying(i), at);
            }
        }
    }

    /** A tray, with what lies in the others in its way. */
    Stowing in(int tray) {
        return trays.get(tray);
    }

    /** A bundle lies there. */
    void put(Lying lying, double[] at) {
        trays.get(lying.tray()).put(lying, at);
        List<Optional<Pose>> into = frame.trays().get(lying.tray()).into();
        for (int other = 0; other < into.size(); other++) {
            if (into.get(other).isPresent()) {
                reach(lying, at, into.get(other).get(), trays.get(other));
            }
        }
    }

    private static void reach(Lying lying, double[] at, Pose pose, Stowing other) {
        Vec by = new Vec(at[0], at[1], at[2]);
        for (Room room : lying.rooms()) {
            if (room.kind() == Room.Kind.BODY) {
                other.put(Room.of(Room.Kind.BEYOND, pose.around(room.box().moved(by))));
            }
        }
    }
}
