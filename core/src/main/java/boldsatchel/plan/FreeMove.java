package boldsatchel.plan;

import boldsatchel.edit.Edit;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * The smallest move along an axis of its tray that frees a part from all it is in the same place with, in every posture and on the way between them,
 * and puts it in nothing else. Each of the six ways is gone in steps as deep as what is still in the way; some tens of fits in all.
 *
 * @param part that moves
 * @param way it moves
 * @param mm how far
 */
public record FreeMove(Part part, Face way, double mm) {

    private static final int MOST_STEPS = 12;
    private static final double LEAST_MM = 0.1;
    private static final double MOST_MM = 80;

    /** Of some parts the one that has least to move; nothing where none of them is free within reach. */
    public static Optional<FreeMove> of(Build build, List<String> parts) {
        double gap = build.brief().limits().gapMm();
        int before = wrong(FitEngine.evaluate(build));
        List<FreeMove> all = new ArrayList<>();
        for (String id : parts) {
            Optional<Part> part = build.part(id);
            Optional<Placement> placement = build.placement(id);
            if (part.isPresent() && placement.isPresent()) {
                for (Face way : Face.ALL) {
                    reach(build, part.get(), placement.get(), way, gap, before).ifPresent(all::add);
                }
            }
        }
        return all.stream().min(Comparator.comparingDouble(FreeMove::mm));
    }

    private static Optional<FreeMove> reach(Build build, Part part, Placement from, Face way, double gap, int before) {
        double mm = 0;
        for (int step = 0; step < MOST_STEPS && mm < MOST_MM; step++) {
            FitResult fit = FitEngine.evaluate(moved(build, from, way, mm));
            double deepest = deepest(fit, part.id());
            if (deepest == 0) {
                return wrong(fit) < before
                        ? Optional.of(withGap(build, part, from, way, mm, gap, before))
                        : Optional.empty();
            }
            mm = Math.ceil((mm + Math.max(LEAST_MM, deepest)) / LEAST_MM - 1e-6) * LEAST_MM;
        }
        return Optional.empty();
    }

    /** With the wanted gap beside what it was in, where there is room for it. */
    private static FreeMove withGap(
            Build build, Part part, Placement from, Face way, double mm, double gap, int before) {
        FitResult further = FitEngine.evaluate(moved(build, from, way, mm + gap));
        boolean free = deepest(further, part.id()) == 0 && wrong(further) < before;
        return new FreeMove(part, way, free ? mm + gap : mm);
    }

    private static Build moved(Build build, Placement from, Face way, double mm) {
        return build.with(from.at(from.at().plus(Vec.on(way.axis(), way.sign() * mm))));
    }

    static int wrong(FitResult fit) {
        return fit.clashes().size()
                + fit.outside().size()
                + fit.hits().size()
                + fit.below().size();
    }

    /** How deep a part is in anything; zero where it is free. */
    private static double deepest(FitResult fit, String id) {
        double deepest = 0;
        for (FitResult.Clash c : fit.clashes()) {
            deepest = c.a().equals(id) || c.b().equals(id) ? Math.max(deepest, c.depthMm()) : deepest;
        }
        for (FitResult.Outside o : fit.outside()) {
            deepest = o.part().equals(id) ? Math.max(deepest, o.byMm()) : deepest;
        }
        for (FitResult.Hit h : fit.hits()) {
            deepest = h.a().equals(id) || h.b().equals(id) ? Math.max(deepest, h.depthMm()) : deepest;
        }
        return deepest;
    }

    /** As offered. */
    public String words() {
        String where = switch (way) {
            case LEFT -> "to the left";
            case RIGHT -> "to the right";
            case FRONT -> "to the front";
            case BACK -> "to the back";
            case BOTTOM -> "down";
            case TOP -> "up";
        };
        return "Move " + part.name() + " " + Units.format(mm, 1, "mm") + " " + where;
    }

    /** The move, found anew in the build it is done to. */
    public static Edit edit(String name, List<String> parts) {
        return new Edit(
                name,
                b -> of(b, parts)
                        .flatMap(m -> b.placement(m.part().id()).map(p -> moved(b, p, m.way(), m.mm())))
                        .orElse(b));
    }
}
