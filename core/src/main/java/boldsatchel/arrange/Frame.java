package boldsatchel.arrange;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Pose;
import boldsatchel.machine.Build;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.stow.Room;
import boldsatchel.stow.Taken;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * A build with the trays that are arranged of one size each, and nothing in them but what stays.
 *
 * @param build the build
 * @param trays those that are arranged
 */
record Frame(Build build, List<Tray> trays) {

    /**
     * One of them.
     *
     * @param shell the tray, of walls that follow nothing
     * @param follows what its walls follow parts by once these are in, if they do
     * @param fixed what is taken
     * @param into for each of those that are arranged how this one lies in it once all is closed; nothing for itself, and where they do not hang together
     */
    record Tray(Shell shell, Optional<Double> follows, List<Room> fixed, List<Optional<Pose>> into) {

        /** Size inside along an axis, mm. */
        double size(int axis) {
            return shell.cavity().size(axis);
        }

        /** Sizes inside, mm. */
        double[] sizes() {
            return new double[] {size(0), size(1), size(2)};
        }
    }

    /**
     * Trays without some of their parts.
     *
     * @param moved ids of those
     */
    static Frame of(Build whole, List<Shell> trays, Collection<String> moved) {
        Build still = whole;
        for (Shell tray : trays) {
            still = still.with(still.casing().withShell(tray.following(Optional.empty())));
        }
        Layout left = still.layout();
        Layout emptied = left.withPlacements(left.placements().stream()
                .filter(p -> !moved.contains(p.part()))
                .toList());
        return of(still.with(emptied), trays);
    }

    /** With walls as they are in the build, that follow what those of the trays do. */
    private static Frame of(Build build, List<Shell> like) {
        List<Shell> shells =
                like.stream().map(s -> build.shell(s.id()).orElseThrow()).toList();
        List<Tray> trays = new ArrayList<>();
        for (int i = 0; i < shells.size(); i++) {
            Shell shell = shells.get(i);
            trays.add(new Tray(
                    shell,
                    like.get(i).aroundMm(),
                    Taken.of(build, shell),
                    shells.stream()
                            .map(s -> Taken.into(build.casing(), shell, s))
                            .toList()));
        }
        return new Frame(build, List.copyOf(trays));
    }

    /** The same with the far walls of a tray elsewhere: the low corner stays where it is. */
    Frame sized(int tray, double[] size) {
        Build walled = build.walled(trays.get(tray).shell, new Box(0, 0, 0, size[0], size[1], size[2]));
        List<Shell> like = trays.stream().map(t -> t.shell.following(t.follows)).toList();
        return of(walled, like);
    }

    /** The build with parts where they lie. */
    Build with(List<Placement> places) {
        List<Placement> all = new ArrayList<>(build.layout().placements());
        all.addAll(places);
        Build laid = build.with(build.layout().withPlacements(all));
        for (Tray tray : trays) {
            laid = tray.follows.isEmpty()
                    ? laid
                    : laid.with(laid.casing().withShell(tray.shell.following(tray.follows)));
        }
        return laid;
    }

    /** Whether what stays lies in a build where it lies here: walls that follow parts take them along. */
    boolean keeps(Build built) {
        return build.layout().placements().stream()
                .allMatch(p -> built.placement(p.part()).filter(p::equals).isPresent());
    }

    /** Whether what is locked lies in another one where it lies here: what is in a lid goes with walls that are elsewhere. */
    boolean isLockedLike(Frame other) {
        return build.layout().placements().stream()
                .filter(Placement::locked)
                .allMatch(p -> other.build.placement(p.part()).filter(p::equals).isPresent());
    }

    /** Whether the outline of one tray goes along with that of another. */
    boolean goesAlong(int one, int other) {
        double[] wider = trays.get(other).sizes();
        wider[0]++;
        return sized(other, wider).trays.get(one).size(0) != trays.get(one).size(0);
    }

    /** Whether all trays are of the same sizes inside as those of another. */
    boolean isSizedLike(Frame other) {
        return IntStream.range(0, trays.size())
                .allMatch(i -> trays.get(i)
                        .shell
                        .cavity()
                        .equals(other.trays.get(i).shell.cavity()));
    }
}
