package boldsatchel.drawing;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.HeatBridge;
import boldsatchel.machine.HeatPath;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Pads, sheets and heat pipes: from the middle of a part to its wall, or to another part, with a foot at both ends. */
final class HeatLeads {

    /** Of a pipe, and of a foot, in letters. */
    private static final double PIPE = 0.5;

    private static final double FOOT = 0.9;

    private final Sketch s;
    private final int across;
    private final int up;
    private final double letter;

    HeatLeads(Sketch s, int across, int up, double letter) {
        this.s = s;
        this.across = across;
        this.up = up;
        this.letter = letter;
    }

    /**
     * Draws those of a build.
     *
     * @param pose how the tray of a part lies in the picture; nothing where it is not shown
     */
    void draw(Build build, List<Placed> placed, Function<Placed, Optional<Pose>> pose) {
        for (HeatPath path : build.cooling().heatPaths()) {
            Optional<Placed> part = Placed.of(placed, path.part());
            Optional<Pose> stands = part.flatMap(pose);
            if (part.isPresent() && stands.isPresent()) {
                Vec from = part.get().bounds().centre();
                double end = part.get().shell().cavity().end(path.wall());
                lead(
                        stands.get().apply(from),
                        stands.get().apply(from.with(path.wall().axis(), end)),
                        path.part());
            }
        }
        for (HeatBridge bridge : build.cooling().bridges()) {
            Optional<Vec> from = Placed.of(placed, bridge.part()).flatMap(p -> middle(p, pose));
            Optional<Vec> to = Placed.of(placed, bridge.to()).flatMap(p -> middle(p, pose));
            if (from.isPresent() && to.isPresent()) {
                lead(from.get(), to.get(), bridge.part());
            }
        }
    }

    private static Optional<Vec> middle(Placed part, Function<Placed, Optional<Pose>> pose) {
        return pose.apply(part).map(p -> p.apply(part.bounds().centre()));
    }

    /** Straight, as nobody says how it is bent. */
    private void lead(Vec from, Vec to, String part) {
        double x = from.along(across);
        double y = from.along(up);
        double toX = to.along(across);
        double toY = to.along(up);
        s.line(x, y, toX, toY, letter * PIPE, false, Ink.INK, part);
        s.line(x, y, toX, toY, letter * PIPE * 0.6, false, Ink.POWER, part);
        for (Vec end : List.of(from, to)) {
            double foot = letter * FOOT;
            double left = end.along(across) - foot / 2;
            double low = end.along(up) - foot / 2;
            s.fill(left, low, foot, foot, Ink.POWER, 1, part);
            s.frame(left, low, foot, foot, Sketch.WIDE, false, Ink.INK, part);
        }
    }
}
