package boldsatchel.fit;

import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Parts and trays as they are seen where they meet: in the frame of their tray or, in a posture, of the tray that stands. */
final class Sight {

    private final Build build;
    private final Map<String, Placed> placed;
    private final Optional<Posture> posture;
    private final Map<String, Pose> poses = new HashMap<>();

    /**
     * Of a machine.
     *
     * @param placed its parts by their ids
     * @param posture empty inside one tray
     */
    Sight(Build build, Map<String, Placed> placed, Optional<Posture> posture) {
        this.build = build;
        this.placed = placed;
        this.posture = posture;
    }

    /** Of a meeting, in a tray or a posture. */
    static Sight of(Build build, Map<String, Placed> placed, FitResult.Where where) {
        return new Sight(build, placed, where.inTray() ? Optional.empty() : posture(build.casing(), where.posture()));
    }

    /** The posture of a name, if there is one. */
    static Optional<Posture> posture(Casing casing, String name) {
        return casing.looks().stream().filter(p -> p.name().equals(name)).findFirst();
    }

    /** A part, or what of a tray parts can hit; nothing solid of what is neither. */
    Shape shape(String id) {
        Placed part = placed.get(id);
        return part != null
                ? shape(part, part.solids())
                : build.shell(id).map(this::shape).orElse(new Shape(List.of(), List.of()));
    }

    /** What of a tray parts can hit; inside it the walls are no solids, but the end of the room. */
    Shape shape(Shell shell) {
        if (posture.isEmpty()) {
            return new Shape(shell.solids(), List.of());
        }
        List<Solid> solids = new ArrayList<>(Trays.solidsWithFloor(shell));
        solids.addAll(Trays.walls(shell));
        return Shape.of(solids, pose(shell.id()));
    }

    /** A part that may have other solids than its own. */
    Shape shape(Placed part, List<Solid> solids) {
        return posture.isEmpty()
                ? new Shape(solids, List.of())
                : Shape.of(solids, pose(part.shell().id()));
    }

    private Pose pose(String shell) {
        return poses.computeIfAbsent(
                shell, id -> posture.map(p -> build.casing().pose(id, p)).orElse(Pose.NONE));
    }
}
