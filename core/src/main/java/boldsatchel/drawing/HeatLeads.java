package boldsatchel.drawing;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Cooling;
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
        Cooling cooling = build.cooling();
        cooling.heatPaths()
                .forEach(path -> of(placed, path.part())
                        .ifPresent(part -> pose.apply(part).ifPresent(p -> {
                            Vec from = part.bounds().centre();
                            Vec to = from.with(
                                    path.wall().axis(), part.shell().cavity().end(path.wall()));
                            lead(p.apply(from), p.apply(to), path.part());
                        })));
        cooling.bridges()
                .forEach(bridge -> of(placed, bridge.part())
                        .ifPresent(part -> of(placed, bridge.to())
                                .ifPresent(other -> pose.apply(part)
                                        .ifPresent(p -> pose.apply(other)
                                                .ifPresent(q -> lead(
                                                        p.apply(part.bounds().centre()),
                                                        q.apply(other.bounds().centre()),
                                                        bridge.part()))))));
    }

    private static Optional<Placed> of(List<Placed> placed, String part) {
        return placed.stream().filter(p -> p.id().equals(part)).findFirst();
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
