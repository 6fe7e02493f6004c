package boldsatchel.fit;

import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * The stack at a point of the plan, like a drilled core: every layer from the bottom up, the gaps between them, and what
 * the layers' tolerances add up to.
 *
 * @param layers from the bottom up, walls included
 * @param worstCaseMm sum of all layers' plus-minus
 * @param likelyMm root of the sum of their squares
 */
public record Stack(List<Layer> layers, double worstCaseMm, double likelyMm) {

    /**
     * One layer.
     *
     * @param name of the part or wall; empty for a gap
     * @param part id of the part, if it is one
     * @param lowMm its underside in the base's frame
     * @param thicknessMm negative for an overlap
     */
    public record Layer(String name, Optional<String> part, double lowMm, double thicknessMm) {
        /** Whether it is air. */
        public boolean isGap() {
            return name.isEmpty();
        }
    }

    private record Drilled(String name, Optional<String> part, double low, double high, double plusMinus) {}

    /**
     * Drills straight up through a shell, and through all that lies above and below it in a posture.
     *
     * @param shellId the shell
     * @param x in the shell's frame, mm
     * @param y in the shell's frame, mm
     */
    public static Stack at(Build build, FitResult fit, String shellId, Posture posture, double x, double y) {
        Casing casing = build.casing();
        List<Drilled> solids = new ArrayList<>();
        Optional<Shell> drilled = casing.shell(shellId);
        for (Shell shell : casing.shells()) {
            boolean same = shell.id().equals(shellId);
            if (drilled.isEmpty() || (!same && !(casing.belongs(shell.id()) && casing.belongs(shellId)))) {
                continue;
            }
            Pose there = casing.pose(shellId, posture)
                    .within(casing.pose(shell.id(), posture).back());
            Drill drill = new Drill(
                    (same ? Pose.NONE : there).apply(new Vec(x, y, 0)),
                    (same ? Pose.NONE : there).direction(UP),
                    solids);
            Figure floor = shell.floor();
            Figure wall = shell.wallMm();
            drill.through(shell.name() + " floor", Optional.empty(), List.of(Trays.floor(shell)), floor.plusMinus());
            drill.through(
                    shell.name() + (same && !shell.openTop() ? " top" : " wall"),
                    Optional.empty(),
                    Trays.walls(shell),
                    wall.plusMinus());
            drill.through(shell.name() + " rib", Optional.empty(), shell.solids(), 0);
            for (Placed part : Placed.in(shell, fit.placed())) {
                drill.through(
                        part.part().name(),
                        Optional.of(part.id()),
                        part.solids(),
                        part.part().body().heightMm().plusMinus());
            }
        }
        solids.sort(Comparator.comparingDouble(Drilled::low).thenComparingDouble(Drilled::high));
        List<Drilled> measures = measures(solids);
        double worst = measures.stream().mapToDouble(Drilled::plusMinus).sum();
        double likely = Math.sqrt(measures.stream()
                .mapToDouble(s -> s.plusMinus() * s.plusMinus())
                .sum());
        return new Stack(layers(solids), worst, likely);
    }

    private static final Vec UP = new Vec(0, 0, 1);

    /** The line of the core in the frame of one tray; a place on it is a height above the floor of the tray that is drilled. */
    private record Drill(Vec from, Vec way, List<Drilled> into) {
        void through(String name, Optional<String> part, List<? extends Solid> solids, double plusMinus) {
            for (Solid solid : solids) {
                double[] crossed = solid.crossed(from, way);
                for (int i = 0; i < crossed.length; i += 2) {
                    into.add(new Drilled(name, part, crossed[i], crossed[i + 1], plusMinus));
                }
            }
        }
    }

    /** One of each part, however many of its solids are drilled: they share its measure. */
    private static List<Drilled> measures(List<Drilled> solids) {
        Set<String> seen = new HashSet<>();
        return solids.stream()
                .filter(s -> s.part().isEmpty() || seen.add(s.part().get()))
                .toList();
    }

    private static List<Layer> layers(List<Drilled> solids) {
        List<Layer> layers = new ArrayList<>();
        double top = Double.NaN;
        for (Drilled s : solids) {
            if (!Double.isNaN(top) && Math.abs(s.low() - top) > FitEngine.CONTACT_MM) {
                layers.add(new Layer("", Optional.empty(), Math.min(top, s.low()), s.low() - top));
            }
            layers.add(new Layer(s.name(), s.part(), s.low(), s.high() - s.low()));
            top = Double.isNaN(top) ? s.high() : Math.max(top, s.high());
        }
        return layers;
    }
}
