package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Point;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.PaintOrder;
import boldsatchel.geometry.Side;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.geometry.Viewpoint;
import boldsatchel.machine.Part;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/** Puts a scene down as seen from somewhere: what is nearer covers what is further, sides are shaded by where they look and how far off they are. */
final class ScenePainter {

    private static final double DECAL_PEN = 0.14;
    private static final double CUT_PEN = 0.5;
    private static final double EDGE_PEN = 0.3;
    private static final double SELECTED_PEN = 0.9;
    private static final double CUT_HATCH_MM = 1.6;
    /** Shade of what is furthest, and of a side that looks to the light least. */
    private static final double FAR_SHADE = 0.2;

    private static final double SIDE_SHADE = 0.2;
    /** Where the light comes from: above, a little from the front and the left. */
    private static final Vec LIGHT = new Vec(-0.35, -0.45, 0.82);

    private final Sketch s;
    private final Names names;
    private final Viewpoint from;
    private final boolean aside;
    private final Function<Scene.Thing, Optional<Ink>> tints;
    private double nearest = Double.NEGATIVE_INFINITY;
    private double furthest = Double.POSITIVE_INFINITY;

    /**
     * A painter.
     *
     * @param aside whether sides are told apart by their shade, as they are where several of a thing are seen
     */
    ScenePainter(Sketch s, Names names, Viewpoint from, boolean aside) {
        this(s, names, from, aside, thing -> Optional.empty());
    }

    /**
     * A painter with tints of its own.
     *
     * @param tints what a thing is tinted with instead of what its family is; it has no hatch then, and nothing is drawn on it but lines
     */
    ScenePainter(Sketch s, Names names, Viewpoint from, boolean aside, Function<Scene.Thing, Optional<Ink>> tints) {
        this.s = s;
        this.names = names;
        this.from = from;
        this.aside = aside;
        this.tints = tints;
    }

    /** What is painted in which order. */
    static List<PaintOrder.Item<Scene.Thing>> order(Scene scene, Viewpoint from) {
        List<PaintOrder.Item<Scene.Thing>> items = new ArrayList<>();
        for (Scene.Thing thing : scene.things()) {
            items.add(new PaintOrder.Item<>(thing, thing.solid(), thing.pose()));
        }
        return PaintOrder.of(items, from);
    }

    void paint(Scene scene, String selected) {
        Box all = scene.extent();
        for (Vec corner : all.corners()) {
            nearest = Math.max(nearest, from.near(corner));
            furthest = Math.min(furthest, from.near(corner));
        }
        List<PaintOrder.Item<Scene.Thing>> items = order(scene, from);
        IdentityHashMap<Scene.Thing, Integer> last = new IdentityHashMap<>();
        for (int i = 0; i < items.size(); i++) {
            last.put(items.get(i).of(), i);
        }
        for (int i = 0; i < items.size(); i++) {
            Scene.Thing thing = items.get(i).of();
            thing(
                    thing,
                    items.get(i).solid(),
                    last.getOrDefault(thing, i) == i,
                    thing.subject().equals(selected));
        }
    }

    private Point point(Vec v) {
        Flat at = from.at(v);
        return s.point(at.across(), at.up());
    }

    private List<Point> points(List<Vec> corners) {
        return corners.stream().map(this::point).toList();
    }

    private void thing(Scene.Thing thing, Solid piece, boolean lastPiece, boolean selected) {
        List<Side> sides = Side.of(piece, thing.pose());
        Optional<Vec> cut = thing.cut().map(f -> thing.pose().direction(Vec.on(f.axis(), f.sign())));
        for (Side side : sides) {
            if (side.faces(from)) {
                boolean isCut = cut.filter(c -> c.dot(side.outward()) > 0.999).isPresent();
                side(thing, side, isCut);
            }
        }
        if (lastPiece) {
            thing.decals().forEach(d -> decal(thing, d));
        }
        edges(thing, piece, sides, cut, selected);
    }

    private void side(Scene.Thing thing, Side side, boolean isCut) {
        List<Point> points = points(side.corners());
        Optional<Ink> own = tints.apply(thing);
        Ink tint = own.orElseGet(
                () -> thing.part().map(p -> FamilyStyle.of(p.family()).tint()).orElse(Ink.WALL));
        s.polygon(points, tint, 1, thing.subject());
        names.paint(thing.subject(), points);
        double shade = isCut ? 0 : shade(side);
        if (shade > 0.02) {
            s.polygon(points, Ink.INK, Math.round(shade * 100) / 100.0, thing.subject());
        }
        if (isCut) {
            double degrees =
                    thing.part().map(p -> FamilyStyle.of(p.family()).degrees()).orElse(45.0);
            s.hatch(points, degrees, CUT_HATCH_MM, DECAL_PEN, Ink.SOFT, thing.subject());
        } else if (thing.decals().isEmpty() && own.isEmpty()) {
            thing.part().ifPresent(p -> hatch(p, points));
        }
    }

    /** Families are told apart without colour too. */
    private void hatch(Part part, List<Point> points) {
        FamilyStyle style = FamilyStyle.of(part.family());
        if (style.spacingMm() > 0) {
            s.hatch(points, style.degrees(), style.spacingMm(), 0.12, Ink.FAINT, part.id());
        }
    }

    private double shade(Side side) {
        double light = aside ? Math.max(0, side.outward().dot(LIGHT)) : 1;
        double depth = 0;
        for (Vec corner : side.corners()) {
            depth += (nearest - from.near(corner))
                    / Math.max(1, nearest - furthest)
                    / side.corners().size();
        }
        return aside ? SIDE_SHADE * (1 - light) : FAR_SHADE * Math.clamp(depth, 0, 1);
    }

    private void decal(Scene.Thing thing, Decals.Decal decal) {
        Vec outward =
                thing.pose().direction(Vec.on(decal.face().axis(), decal.face().sign()));
        if (outward.dot(from.toward()) <= 1e-9) {
            return;
        }
        List<Vec> corners =
                decal.points().stream().map(v -> thing.pose().apply(v)).toList();
        if (decal.fill()) {
            if (tints.apply(thing).isPresent()) {
                return;
            }
            s.polygon(points(corners), decal.ink(), decal.opacity(), thing.subject());
        } else {
            List<Vec> path = new ArrayList<>(corners);
            if (!decal.open()) {
                path.add(corners.getFirst());
            }
            s.curve(points(path), DECAL_PEN, decal.ink(), thing.subject());
        }
    }

    /** Lines round each side that is seen; of what is round only those that part what is seen from what is not. */
    private void edges(Scene.Thing thing, Solid piece, List<Side> sides, Optional<Vec> cut, boolean selected) {
        Ink ink = selected ? Ink.ACCENT : Ink.INK;
        for (int i = 0; i < sides.size(); i++) {
            Side side = sides.get(i);
            boolean isCut = cut.filter(c -> c.dot(side.outward()) > 0.999).isPresent();
            double pen = selected ? SELECTED_PEN : isCut ? CUT_PEN : EDGE_PEN;
            if (side.edge() && side.faces(from)) {
                outline(thing, piece, side, pen, ink);
            } else if (!side.edge()) {
                Side next = i + 1 < sides.size() ? sides.get(i + 1) : sides.get(2);
                if (side.faces(from) != next.faces(from)) {
                    line(thing, side, 1, 2, pen, ink);
                }
                // The ends come first: one that is seen has its line round it already.
                if (side.faces(from) && !sides.get(0).faces(from)) {
                    line(thing, side, 0, 1, pen, ink);
                }
                if (side.faces(from) && !sides.get(1).faces(from)) {
                    line(thing, side, 3, 2, pen, ink);
                }
            }
        }
    }

    private void line(Scene.Thing thing, Side side, int one, int other, double pen, Ink ink) {
        s.curve(points(List.of(side.corners().get(one), side.corners().get(other))), pen, ink, thing.subject());
    }

    /** Where the painter cut a box to get the order right, there is no edge. */
    private void outline(Scene.Thing thing, Solid piece, Side side, double pen, Ink ink) {
        if (piece.equals(thing.solid())) {
            s.outline(points(side.corners()), pen, false, ink, thing.subject());
            return;
        }
        Box whole = thing.solid().bounds();
        for (int i = 0; i < side.corners().size(); i++) {
            Vec a = side.corners().get(i);
            Vec b = side.corners().get((i + 1) % side.corners().size());
            if (isEdge(whole, thing.pose().back().apply(a), thing.pose().back().apply(b))) {
                s.curve(points(List.of(a, b)), pen, ink, thing.subject());
            }
        }
    }

    private static boolean isEdge(Box whole, Vec a, Vec b) {
        int on = 0;
        for (int axis = 0; axis < 3; axis++) {
            boolean same = Math.abs(a.along(axis) - b.along(axis)) < 1e-6;
            boolean end = Math.abs(a.along(axis) - whole.low(axis)) < 1e-6
                    || Math.abs(a.along(axis) - whole.high(axis)) < 1e-6;
            on += same && end ? 1 : 0;
        }
        return on >= 2;
    }
}
