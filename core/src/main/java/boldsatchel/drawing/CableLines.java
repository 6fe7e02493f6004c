package boldsatchel.drawing;

import boldsatchel.cables.CablesResult;
import boldsatchel.cables.CablesResult.Laying;
import boldsatchel.cables.Lead;
import boldsatchel.cables.Way;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.geometry.Viewpoint;
import boldsatchel.machine.Family;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Cables as they are laid, as thick as they are and bent as they will be: a tube where they are seen, a broken line where something hides them.
 * The bends of the selected one can be taken hold of.
 */
public final class CableLines {

    private static final double STEP_MM = 4;
    private static final int ARC_STEPS = 5;
    private static final double HANDLE_LETTERS = 0.8;
    private static final String BEND = "#";

    private final Sketch s;
    private final Viewpoint from;
    private final Lies lies;
    private final Scene scene;

    /** Where the points of a cable are drawn. */
    @FunctionalInterface
    interface Lies {
        /** How the tray of a point lies in what is drawn, or what the point is lifted with; nothing where that is not shown. */
        Optional<Pose> at(Way way, int knot);
    }

    /**
     * A drawer of cables.
     *
     * @param scene what may hide them
     */
    CableLines(Sketch s, Viewpoint from, Lies lies, Scene scene) {
        this.s = s;
        this.from = from;
        this.lies = lies;
        this.scene = scene;
    }

    /**
     * A bend that can be taken hold of.
     *
     * @param what id of the cable
     * @param index of the bend, from its first end
     */
    public record Handle(String what, int index) {
        String subject() {
            return what + BEND + index;
        }

        /** The bend that a mark stands for, if it stands for one. */
        public static Optional<Handle> of(String subject) {
            int at = subject.lastIndexOf(BEND);
            String index = subject.substring(at + 1);
            return at < 0 || !index.matches("\\d{1,4}")
                    ? Optional.empty()
                    : Optional.of(new Handle(subject.substring(0, at), Integer.parseInt(index)));
        }
    }

    /** Draws all of which it is said how they lie; without handles for the bends of the selected one. */
    void draw(CablesResult cables, String selected) {
        for (Laying laying : cables.laid()) {
            if (!laying.lead().id().equals(selected)) {
                draw(laying, false);
            }
        }
        cables.laying(selected).ifPresent(l -> draw(l, true));
    }

    /** A point on a cable, the leg it is on. */
    private record Spot(Vec at, int leg) {}

    private void draw(Laying laying, boolean selected) {
        List<Spot> run = new ArrayList<>();
        boolean hidden = false;
        for (Spot spot : spots(laying)) {
            if (spot.leg < 0) {
                run(laying, run, hidden, selected);
                run = new ArrayList<>();
                continue;
            }
            boolean now = !selected && isHidden(spot.at);
            if (!run.isEmpty() && now != hidden) {
                run.add(spot);
                run(laying, run, hidden, selected);
                run = new ArrayList<>();
            }
            hidden = now;
            run.add(spot);
        }
        run(laying, run, hidden, selected);
    }

    /** Points along it, close together, bends rounded, where its trays are shown; a leg of less than none parts what is not. */
    private List<Spot> spots(Laying laying) {
        Way way = laying.way();
        List<Spot> spots = new ArrayList<>();
        for (int leg = 0; leg + 1 < way.knots().size(); leg++) {
            Optional<Vec> a = at(way, leg);
            Optional<Vec> b = at(way, leg + 1);
            if (a.isEmpty() || b.isEmpty()) {
                spots.add(new Spot(Vec.ZERO, -1));
                continue;
            }
            double first = cut(laying, leg);
            double last = cut(laying, leg + 1);
            Vec along = b.get().minus(a.get());
            double length = along.length();
            Vec unit = length > 0 ? along.times(1 / length) : Vec.ZERO;
            int steps = Math.max(1, (int) Math.ceil((length - first - last) / STEP_MM));
            for (int i = 0; i <= steps; i++) {
                double mm = first + Math.max(0, length - first - last) * i / steps;
                spots.add(new Spot(a.get().plus(unit.times(mm)), leg));
            }
            if (last > 0 && leg + 2 < way.knots().size()) {
                at(way, leg + 2).ifPresent(c -> round(spots, b.get(), unit, c, last));
            }
        }
        return spots;
    }

    /** An arc about a bend, from its tangent before to that after, as a curve of second degree. */
    private static void round(List<Spot> spots, Vec knot, Vec unit, Vec next, double tangent) {
        Vec after = next.minus(knot);
        Vec a = knot.minus(unit.times(tangent));
        Vec c = knot.plus(after.times(tangent / Math.max(1e-9, after.length())));
        int leg = spots.getLast().leg;
        for (int i = 1; i < ARC_STEPS; i++) {
            double t = (double) i / ARC_STEPS;
            spots.add(new Spot(
                    a.times((1 - t) * (1 - t)).plus(knot.times(2 * t * (1 - t))).plus(c.times(t * t)), leg));
        }
    }

    /** What the rounding of a bend takes of the legs beside it. */
    private static double cut(Laying laying, int knot) {
        return laying.corners().stream()
                .filter(c -> c.knot() == knot && !c.fold())
                .mapToDouble(c -> Math.min(c.radiusMm(), laying.lead().girth().bendMm())
                        * Math.tan(Math.toRadians(Math.min(c.degrees(), 150) / 2)))
                .findFirst()
                .orElse(0);
    }

    private Optional<Vec> at(Way way, int knot) {
        return lies.at(way, knot).map(p -> p.apply(way.knots().get(knot).at()));
    }

    /** Whether something between it and the eye covers it. */
    private boolean isHidden(Vec at) {
        for (Scene.Thing thing : scene.things()) {
            Pose back = thing.pose().back();
            double[] crossed = thing.solid().crossed(back.apply(at), back.direction(from.toward()));
            if (crossed.length > 0 && crossed[crossed.length - 1] > 0.01) {
                return true;
            }
        }
        return false;
    }

    private void run(Laying laying, List<Spot> run, boolean hidden, boolean selected) {
        String id = laying.lead().id();
        List<Flat> flat = new ArrayList<>();
        for (Spot spot : run) {
            Flat at = from.at(spot.at);
            if (flat.isEmpty()
                    || Math.hypot(
                                    at.across() - flat.getLast().across(),
                                    at.up() - flat.getLast().up())
                            > 1e-3) {
                flat.add(at);
            }
        }
        if (flat.size() < 2) {
            return;
        }
        Ink edge = selected ? Ink.ACCENT : Ink.INK;
        if (hidden) {
            // Of every two pieces one is drawn: a broken line.
            for (int i = 0; i + 1 < flat.size(); i += 2) {
                Flat a = flat.get(i);
                Flat b = flat.get(i + 1);
                s.line(a.across(), a.up(), b.across(), b.up(), Sketch.NARROW, false, Ink.SOFT, id);
            }
            return;
        }
        double half = Math.max(0.4, wide(laying, run.getFirst().leg) / 2);
        List<Point> tube = new ArrayList<>();
        tube.addAll(beside(flat, half));
        tube.addAll(beside(flat, -half).reversed());
        s.polygon(tube, tint(laying.lead()), 1, id);
        s.curve(beside(flat, half), selected ? Sketch.WIDE : Sketch.NARROW, edge, id);
        s.curve(beside(flat, -half), selected ? Sketch.WIDE : Sketch.NARROW, edge, id);
    }

    private static Ink tint(Lead lead) {
        return lead.kind() == Lead.Kind.WIRES
                ? Ink.POWER
                : FamilyStyle.of(Family.CABLE).tint();
    }

    /** How wide a leg looks: of something flat, by the way it is turned. */
    private double wide(Laying laying, int leg) {
        var girth = laying.lead().girth();
        if (!girth.flat() || leg >= laying.wide().size()) {
            return girth.thickMm();
        }
        Vec wide = laying.wide().get(leg);
        Vec thin = laying.way().direction(leg).cross(wide);
        Pose pose = lies.at(laying.way(), leg).orElse(Pose.NONE);
        return girth.wideMm() * Math.abs(pose.direction(thin).dot(from.toward()))
                + girth.thickMm() * Math.abs(pose.direction(wide).dot(from.toward()));
    }

    private List<Point> beside(List<Flat> line, double off) {
        List<Point> points = new ArrayList<>();
        for (int i = 0; i < line.size(); i++) {
            Flat a = line.get(Math.max(0, i - 1));
            Flat b = line.get(Math.min(line.size() - 1, i + 1));
            double dx = b.across() - a.across();
            double dy = b.up() - a.up();
            double length = Math.max(1e-9, Math.hypot(dx, dy));
            Flat at = line.get(i);
            points.add(s.point(at.across() - dy / length * off, at.up() + dx / length * off));
        }
        return points;
    }

    /** Draws what the bends of a cable are taken hold of by. */
    void handles(Laying laying, double letter) {
        int bend = 0;
        List<Way.Knot> knots = laying.way().knots();
        for (int i = 0; i < knots.size(); i++) {
            if (knots.get(i).kind() == Way.Kind.BEND) {
                String subject = new Handle(laying.lead().id(), bend).subject();
                at(laying.way(), i).map(from::at).ifPresent(f -> {
                    double size = letter * HANDLE_LETTERS;
                    double x = f.across() - size / 2;
                    double y = f.up() - size / 2;
                    s.fill(x, y, size, size, Ink.PAPER, 1, subject);
                    s.frame(x, y, size, size, Sketch.WIDE, false, Ink.ACCENT, subject);
                });
                bend++;
            }
        }
    }
}
