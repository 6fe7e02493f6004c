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
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleBiFunction;
import java.util.function.ToDoubleFunction;

/**
 * The smallest move along an axis of its tray that frees a part from all it is in the same place with, in every posture and on the way between them,
 * and puts it in nothing else; or that mends something less grave, as a gap that is too small. Each of the six ways is gone in steps as deep as what is still in the way; some tens of fits in all.
 *
 * @param part that moves
 * @param way it moves
 * @param mm how far
 */
public record FreeMove(Part part, Face way, double mm) {

    /** Out of a wedge each step is shorter than the last. */
    private static final int MOST_STEPS = 40;

    private static final double LEAST_MM = 0.1;
    private static final double MOST_MM = 80;
    /** Than anything that is only not as wished. */
    private static final int WORSE = 10_000;

    /**
     * What a move is to mend.
     *
     * @param mm how far a part, by its id, has to go at least; zero once it is mended
     * @param withGap whether the wanted gap is to be left as well, where there is room for it
     */
    public record Lack(ToDoubleBiFunction<FitResult, String> mm, boolean withGap) {
        /** Being in the same place with something, or through a wall. */
        public static final Lack FREE = new Lack(FreeMove::deepest, true);

        /** Of something that is not as wished, whichever part moves. */
        public static Lack of(ToDoubleFunction<FitResult> mm) {
            return new Lack((fit, part) -> mm.applyAsDouble(fit), false);
        }

        private double left(FitResult fit, String part) {
            return mm.applyAsDouble(fit, part);
        }
    }

    /** Of some parts the one that has least to move to be free; nothing where none of them is within reach. */
    public static Optional<FreeMove> of(Build build, List<String> parts) {
        return of(build, parts, Lack.FREE);
    }

    /** Of some parts the one that has least to move until nothing lacks and nothing else is wrong instead; nothing where none does within reach. */
    public static Optional<FreeMove> of(Build build, List<String> parts, Lack lack) {
        double gap = lack.withGap() ? build.brief().limits().gapMm() : 0;
        FitResult now = FitEngine.evaluate(build);
        // What is in the same place is worth a narrow gap elsewhere; what is less grave is not.
        int before = lack.withGap() ? WORSE * wrong(now) : trouble(build, now);
        List<FreeMove> all = new ArrayList<>();
        for (String id : parts) {
            Optional<Part> part = build.part(id);
            Optional<Placement> placement = build.placement(id).filter(p -> !p.locked());
            if (part.isPresent() && placement.isPresent()) {
                for (Face way : Face.ALL) {
                    reach(build, now, part.get(), placement.get(), way, lack, before)
                            .map(m -> withGap(build, now, m, placement.get(), lack, gap, before))
                            .ifPresent(all::add);
                }
            }
        }
        return all.stream().min(Comparator.comparingDouble(FreeMove::mm));
    }

    private static Optional<FreeMove> reach(
            Build build, FitResult now, Part part, Placement from, Face way, Lack lack, int before) {
        double mm = 0;
        for (int step = 0; step < MOST_STEPS && mm < MOST_MM; step++) {
            Build moved = moved(build, from, way, mm);
            FitResult fit = FitEngine.evaluate(moved, build, now);
            double lacks = lack.left(fit, part.id());
            if (lacks <= 0) {
                return trouble(moved, fit) < before ? Optional.of(new FreeMove(part, way, mm)) : Optional.empty();
            }
            mm = Math.ceil((mm + Math.max(LEAST_MM, lacks)) / LEAST_MM - 1e-6) * LEAST_MM;
        }
        return Optional.empty();
    }

    /** With the wanted gap beside what it was in, where there is room for it. */
    private static FreeMove withGap(
            Build build, FitResult now, FreeMove move, Placement from, Lack lack, double gap, int before) {
        Build moved = moved(build, from, move.way, move.mm + gap);
        FitResult further = FitEngine.evaluate(moved, build, now);
        boolean free = lack.left(further, move.part.id()) <= 0 && trouble(moved, further) < before;
        return free ? new FreeMove(move.part, move.way, move.mm + gap) : move;
    }

    private static Build moved(Build build, Placement from, Face way, double mm) {
        return build.with(build.layout().moved(from.part(), from.at().plus(Vec.on(way.axis(), way.sign() * mm))));
    }

    static int wrong(FitResult fit) {
        return fit.clashes().size()
                + fit.outside().size()
                + fit.hits().size()
                + fit.below().size();
    }

    /** What is wrong counts more than all that is only not as wished. */
    static int trouble(Build build, FitResult fit) {
        double least = build.brief().limits().gapMm();
        long unwished = fit.gaps().stream()
                        .filter(g -> !Verdict.isEnough(g.gapMm(), least))
                        .count()
                + fit.mouths().stream()
                        .filter(m -> m.opening().isPresent() && !m.letsIn())
                        .count()
                + fit.intrusions().size()
                + fit.stranded().size()
                + fit.webs().size()
                + fit.covered().size();
        return WORSE * wrong(fit) + (int) unwished;
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
    public static Edit edit(String name, List<String> parts, Lack lack) {
        return new Edit(
                name,
                b -> of(b, parts, lack)
                        .flatMap(m -> b.placement(m.part().id()).map(p -> moved(b, p, m.way(), m.mm())))
                        .orElse(b));
    }
}
