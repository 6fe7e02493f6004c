package boldsatchel.heat;

import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Input;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How air gets in and out of a shell: by its vents, as far as nothing lies before them, driven by warmth or by all of its fans together.
 */
final class Openings {

    private static final double MM = 1e-3;
    private static final double MM2 = 1e-6;

    /** A vent and its free area. */
    private record Open(Vent vent, double areaM2) {
        double heightMm() {
            return vent.box().centre().z();
        }
    }

    /** A fan's line from free flow to shut-off. */
    private record Fan(Input free, Input shutOff, double freeM3s, double shutOffPa) {
        Fan with(Input input, double more) {
            return new Fan(
                    free,
                    shutOff,
                    freeM3s + (input.equals(free) ? more * 1e-3 : 0),
                    shutOffPa + (input.equals(shutOff) ? more : 0));
        }
    }

    private final List<Open> vents;
    private final List<Fan> fans = new ArrayList<>();
    private final double ownM2;
    private final double othersM2;

    /**
     * Of a shell.
     *
     * @param inside what lies in it
     * @param undersideMm between its floor and what it stands on
     */
    Openings(Shell shell, List<Placed> inside, double undersideMm) {
        vents = shell.vents().stream()
                .map(v -> new Open(v, Math.min(openMm2(shell, v, inside), below(v, undersideMm)) * MM2))
                .toList();
        List<Open> own = new ArrayList<>();
        for (Placed placed : inside) {
            Part part = placed.part();
            part.facet(Facet.MovesAir.class).ifPresent(m -> {
                Input free = part.input(Facet.MovesAir.class, "freeLs", m.freeLs());
                Input shutOff = part.input(Facet.MovesAir.class, "shutOffPa", m.shutOffPa());
                fans.add(new Fan(
                        free, shutOff, m.freeLs().value() * 1e-3, m.shutOffPa().value()));
                Vent.nearest(shell.vents(), placed.bounds())
                        .map(v -> vents.get(shell.vents().indexOf(v)))
                        .filter(v -> !own.contains(v))
                        .ifPresent(own::add);
            });
        }
        ownM2 = area(own);
        othersM2 = area(vents) - ownM2;
    }

    /** Free area of a vent, mm²: before a part that is close there is only the slit about it. */
    private static double openMm2(Shell shell, Vent vent, List<Placed> inside) {
        Face wall = vent.wall();
        int u = (wall.axis() + 1) % 3;
        int v = (wall.axis() + 2) % 3;
        double whole = vent.box().size(u) * vent.box().size(v);
        double covered = 0;
        double slit = 0;
        for (Placed part : inside) {
            if (part.part().facet(Facet.MovesAir.class).isPresent()) {
                continue;
            }
            for (Solid body : part.solids()) {
                Box solid = body.bounds();
                double gap = Math.abs(shell.cavity().end(wall) - solid.end(wall));
                double across = -vent.box().gapAlong(u, solid);
                double along = -vent.box().gapAlong(v, solid);
                if (gap < FitEngine.VENT_CLEAR_MM && across > 0 && along > 0) {
                    covered += across * along;
                    slit += Math.min(across * along, 2 * (across + along) * gap);
                }
            }
        }
        double share = whole > 0 ? Math.clamp((whole - covered + slit) / whole, 0, 1) : 0;
        return vent.areaMm2() * share;
    }

    /** A vent in the floor draws its air through the slit about it, mm². */
    private static double below(Vent vent, double undersideMm) {
        return vent.wall() == Face.BOTTOM
                ? 2 * (vent.box().dx() + vent.box().dy()) * undersideMm
                : Double.POSITIVE_INFINITY;
    }

    private static double area(List<Open> vents) {
        return vents.stream().mapToDouble(Open::areaM2).sum();
    }

    boolean hasFans() {
        return !fans.isEmpty();
    }

    /** Flow that the fans drive together, m³/s. */
    double fanFlowM3s() {
        return flow(fans);
    }

    /** The flow with each of the fans' figures moved by a standard deviation. */
    Map<Input, Double> fanFlowMovedM3s() {
        Map<Input, Double> moved = new LinkedHashMap<>();
        for (Fan fan : fans) {
            for (Input input : List.of(fan.free(), fan.shutOff())) {
                double more = input.figure().sigma();
                moved.put(
                        input,
                        flow(fans.stream()
                                .map(f -> f.equals(fan) ? f.with(input, more) : f)
                                .toList()));
            }
        }
        return moved;
    }

    /** Fans beside one another give their flows at one pressure; a fan that is weaker than it gives none. */
    private double flow(List<Fan> together) {
        double areaM2 = Air.inRow(ownM2, othersM2);
        double low = 0;
        double high = together.stream().mapToDouble(Fan::shutOffPa).max().orElse(0);
        if (areaM2 <= 0 || high <= 0) {
            return 0;
        }
        if (together.size() == 1) {
            return Air.fanFlow(together.getFirst().freeM3s(), high, areaM2);
        }
        for (int i = 0; i < 50; i++) {
            double pa = (low + high) / 2;
            double wanted = Air.DISCHARGE * areaM2 * Math.sqrt(2 * pa / Air.DENSITY);
            if (given(together, pa) > wanted) {
                low = pa;
            } else {
                high = pa;
            }
        }
        return given(together, (low + high) / 2);
    }

    private static double given(List<Fan> together, double pa) {
        double sum = 0;
        for (Fan fan : together) {
            sum += fan.freeM3s() * Math.max(0, 1 - pa / Math.max(1e-9, fan.shutOffPa()));
        }
        return sum;
    }

    /** Warm air leaving by the upper vents while cool air enters by the lower; nothing where all are at one height or a fan drives. */
    Optional<Link> chimney(int air) {
        if (vents.isEmpty() || hasFans()) {
            return Optional.empty();
        }
        double middle = vents.stream().mapToDouble(Open::heightMm).average().orElseThrow();
        List<Open> lower = vents.stream().filter(v -> v.heightMm() < middle).toList();
        List<Open> upper = vents.stream().filter(v -> v.heightMm() >= middle).toList();
        double rise = meanHeight(upper) - meanHeight(lower);
        double areaM2 = Air.inRow(area(lower), area(upper));
        return !lower.isEmpty() && rise > 0 && areaM2 > 0
                ? Optional.of(new Link.Chimney(air, 0, areaM2, rise * MM))
                : Optional.empty();
    }

    private static double meanHeight(List<Open> vents) {
        return vents.stream().mapToDouble(v -> v.heightMm() * v.areaM2()).sum() / Math.max(1e-12, area(vents));
    }
}
