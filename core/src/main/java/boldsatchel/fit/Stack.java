package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.machine.Build;
import boldsatchel.machine.Hinge;
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

    private record Solid(String name, Optional<String> part, double low, double high, double plusMinus) {}

    /**
     * Drills through a shell, and through the closed lid above it if there is one.
     *
     * @param shellId the shell
     * @param x in the shell's frame, mm
     * @param y in the shell's frame, mm
     */
    public static Stack at(Build build, FitResult fit, String shellId, double x, double y) {
        List<Solid> solids = new ArrayList<>();
        build.shell(shellId).ifPresent(shell -> {
            solids.add(new Solid(
                    shell.name() + " floor",
                    Optional.empty(),
                    -shell.floor().value(),
                    0,
                    shell.floor().plusMinus()));
            if (!shell.openTop()) {
                solids.add(new Solid(
                        shell.name() + " top",
                        Optional.empty(),
                        shell.heightMm().value(),
                        shell.heightMm().value() + shell.wallMm().value(),
                        shell.wallMm().plusMinus()));
            }
            fit.placed().stream().filter(p -> p.shell().equals(shell)).forEach(p -> drill(p, x, y, solids));
        });
        build.casing()
                .hinge()
                .filter(h -> h.baseShell().equals(shellId))
                .ifPresent(hinge -> drillLid(build, fit, hinge, x, y, solids));
        solids.sort(Comparator.comparingDouble(Solid::low).thenComparingDouble(Solid::high));
        List<Solid> measures = measures(solids);
        double worst = measures.stream().mapToDouble(Solid::plusMinus).sum();
        double likely = Math.sqrt(measures.stream()
                .mapToDouble(s -> s.plusMinus() * s.plusMinus())
                .sum());
        return new Stack(layers(solids), worst, likely);
    }

    /** One of each part, however many of its solids are drilled: they share its measure. */
    private static List<Solid> measures(List<Solid> solids) {
        Set<String> seen = new HashSet<>();
        return solids.stream()
                .filter(s -> s.part().isEmpty() || seen.add(s.part().get()))
                .toList();
    }

    private static void drillLid(Build build, FitResult fit, Hinge hinge, double x, double y, List<Solid> solids) {
        Optional<Shell> lid = build.shell(hinge.lidShell());
        lid.ifPresent(shell -> {
            Box floor = hinge.closed(Trays.floor(shell));
            if (covers(floor, x, y)) {
                solids.add(new Solid(
                        shell.name() + " floor",
                        Optional.empty(),
                        floor.z(),
                        floor.high(2),
                        shell.floor().plusMinus()));
            }
            fit.placed().stream()
                    .filter(p -> p.shell().equals(shell))
                    .map(p -> p.closed(hinge))
                    .forEach(p -> drill(p, x, y, solids));
        });
    }

    private static void drill(Placed p, double x, double y, List<Solid> solids) {
        for (Box solid : p.solids()) {
            if (covers(solid, x, y)) {
                Figure height = p.part().body().heightMm();
                solids.add(
                        new Solid(p.part().name(), Optional.of(p.id()), solid.z(), solid.high(2), height.plusMinus()));
            }
        }
    }

    private static boolean covers(Box box, double x, double y) {
        return x >= box.x() && x <= box.high(0) && y >= box.y() && y <= box.high(1);
    }

    private static List<Layer> layers(List<Solid> solids) {
        List<Layer> layers = new ArrayList<>();
        double top = Double.NaN;
        for (Solid s : solids) {
            if (!Double.isNaN(top) && Math.abs(s.low() - top) > FitEngine.CONTACT_MM) {
                layers.add(new Layer("", Optional.empty(), Math.min(top, s.low()), s.low() - top));
            }
            layers.add(new Layer(s.name(), s.part(), s.low(), s.high() - s.low()));
            top = Double.isNaN(top) ? s.high() : Math.max(top, s.high());
        }
        return layers;
    }
}
