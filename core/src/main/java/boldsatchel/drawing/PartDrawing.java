package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Feature;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Key;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** A part alone: from above, from the front and from the right, with its sockets, holes and buttons and its main dimensions. */
public final class PartDrawing {

    private static final double MARGIN = 12;
    private static final double BETWEEN = 10;
    /** So near to an edge of the plan a socket opens to that side. */
    private static final double EDGE_MM = 8;

    private static final int CORNERS = 16;
    private static final double EDGE_PEN = 1.2;
    private static final double SEEN = 0.75;
    /** What is chosen has a dashed frame so far outside. */
    private static final double MARK_MM = 1.5;

    private static final double MARK_PEN = 0.6;
    private static final double HINT = 0.12;

    private PartDrawing() {}

    /** The three sides it is seen from. */
    public enum View {
        /** From above. */
        PLAN(0, 1, Face.TOP),
        /** From the front. */
        FRONT(0, 2, Face.FRONT),
        /** From the right. */
        SIDE(1, 2, Face.RIGHT);

        private final int across;
        private final int up;
        private final Face face;

        View(int across, int up, Face face) {
            this.across = across;
            this.up = up;
            this.face = face;
        }

        /** The face that is seen. */
        public Face face() {
            return face;
        }

        private double originX(Box b) {
            return this == SIDE ? b.dx() + BETWEEN : 0;
        }

        private double originY(Box b) {
            return this == PLAN ? b.dz() + BETWEEN : 0;
        }

        /** A point moved by so much in the view. */
        public Vec moved(Vec from, double acrossMm, double upMm) {
            return from.plus(Vec.on(across, acrossMm)).plus(Vec.on(up, upMm));
        }
    }

    /**
     * A point of the drawing that lies on the part.
     *
     * @param at in the part's frame, on the face that is seen
     */
    public record Pointed(View view, Vec at) {

        /** The face that a socket or button there is on: that of a near edge of the plan, or the one that is seen. */
        public Face face(Body body) {
            Box b = body.bounds();
            double reach = Math.min(EDGE_MM, Math.min(b.dx(), b.dy()) / 4);
            for (Face face : Face.ALL) {
                if (view == View.PLAN && face.axis() != 2 && Math.abs(b.end(face) - at.along(face.axis())) <= reach) {
                    return face;
                }
            }
            return view.face;
        }

        /** The point, on a face: half-way up where it is an edge of the plan. */
        public Vec on(Face face, Body body) {
            Box b = body.bounds();
            Vec seen = view == View.PLAN && face.axis() != 2 ? new Vec(at.x(), at.y(), b.dz() / 2) : at;
            return seen.plus(Vec.on(face.axis(), b.end(face) - seen.along(face.axis())));
        }
    }

    /** The view that a point of the drawing belongs to, also beside the part: plugs and free rooms reach beyond it. */
    public static View view(Part part, double x, double y) {
        Box b = part.body().bounds();
        if (y >= View.PLAN.originY(b) - BETWEEN / 2) {
            return View.PLAN;
        }
        return x >= View.SIDE.originX(b) - BETWEEN / 2 ? View.SIDE : View.FRONT;
    }

    /** Where a point of the drawing is on the part, if it is. */
    public static Optional<Pointed> pointed(Part part, double x, double y) {
        Box b = part.body().bounds();
        for (View view : View.values()) {
            double across = x - view.originX(b);
            double up = y - view.originY(b);
            double slack = 1;
            if (across >= -slack
                    && up >= -slack
                    && across <= b.size(view.across) + slack
                    && up <= b.size(view.up) + slack) {
                Vec on = Vec.on(view.across, Math.clamp(across, 0, b.size(view.across)))
                        .plus(Vec.on(view.up, Math.clamp(up, 0, b.size(view.up))));
                return Optional.of(new Pointed(view, on.plus(Vec.on(view.face.axis(), b.end(view.face)))));
            }
        }
        return Optional.empty();
    }

    /** Draws a part. */
    public static Drawing of(Part part) {
        return of(part, "");
    }

    /**
     * Draws a part.
     *
     * @param selected id of the feature that is marked; empty for none
     */
    public static Drawing of(Part part, String selected) {
        Body body = part.body();
        Box b = body.bounds();
        double text = Math.max(2.4, Math.max(b.dx() + b.dy(), b.dy() + b.dz()) / 30);
        double height = b.dy() + b.dz() + BETWEEN + 2 * MARGIN;
        double sideX = View.SIDE.originX(b);
        double width = sideX + b.dy() + 2 * MARGIN;
        Sketch s = new Sketch(-MARGIN, b.dz() + BETWEEN + b.dy() + MARGIN);
        double planLow = View.PLAN.originY(b);
        FamilyStyle style = FamilyStyle.of(part.family());
        for (View view : View.values()) {
            new OneView(s, view, b, selected).draw(part, style);
        }
        double above = planLow + b.dy() + 3;
        s.dimension(0, above, b.dx(), above, Units.format(b.dx(), 1, "mm"), text, Ink.SOFT);
        s.dimension(b.dx() + 3, planLow, b.dx() + 3, planLow + b.dy(), Units.format(b.dy(), 1, ""), text, Ink.SOFT);
        double beside = sideX + b.dy() + 2;
        s.text(beside, b.dz() / 2 - text / 3, text, Align.LEFT, false, Ink.SOFT, Units.format(b.dz(), 1, ""), "");
        return s.done(part.name(), width + text * 3, height);
    }

    /** One of the three. */
    private record OneView(Sketch s, View view, Box bounds, String selected) {

        void draw(Part part, FamilyStyle style) {
            Body body = part.body();
            for (int i = 0; i < body.whole().size(); i++) {
                block(body.whole().get(i).bounds(), body.solids().isEmpty() ? "" : id(Feature.Kind.SOLID, i), style);
            }
            if (view == View.PLAN) {
                part.facet(Facet.ShowsPicture.class).ifPresent(p -> frame(p.picture(), Sketch.NARROW, true, Ink.SOFT));
            }
            for (int i = 0; i < body.zones().size(); i++) {
                Box zone = body.zones().get(i).box();
                fill(zone, Ink.ACCENT, HINT, id(Feature.Kind.ROOM, i));
                frame(zone, Sketch.NARROW, true, Ink.ACCENT);
            }
            for (int i = 0; i < body.holes().size(); i++) {
                hole(body.holes().get(i), id(Feature.Kind.HOLE, i));
            }
            for (int i = 0; i < body.keys().size(); i++) {
                key(body.keys().get(i), id(Feature.Kind.BUTTON, i));
            }
            for (int i = 0; i < body.ports().size(); i++) {
                port(body.ports().get(i), id(Feature.Kind.SOCKET, i));
            }
        }

        private static String id(Feature.Kind kind, int index) {
            return new Feature(kind, index).id();
        }

        private double x(double across) {
            return view.originX(bounds) + across;
        }

        private double y(double up) {
            return view.originY(bounds) + up;
        }

        private void fill(Box b, Ink ink, double opacity, String id) {
            s.fill(x(b.low(view.across)), y(b.low(view.up)), b.size(view.across), b.size(view.up), ink, opacity, id);
            if (!id.isEmpty() && id.equals(selected)) {
                Vec by = new Vec(MARK_MM, MARK_MM, MARK_MM);
                frame(Box.between(b.lowCorner().minus(by), b.highCorner().plus(by)), MARK_PEN, true, Ink.STOP);
            }
        }

        private void frame(Box b, double pen, boolean dashed, Ink ink) {
            s.frame(
                    x(b.low(view.across)),
                    y(b.low(view.up)),
                    b.size(view.across),
                    b.size(view.up),
                    pen,
                    dashed,
                    ink,
                    "");
        }

        private void block(Box b, String id, FamilyStyle style) {
            fill(b, style.tint(), 1, id);
            if (style.spacingMm() > 0) {
                s.hatch(
                        x(b.low(view.across)),
                        y(b.low(view.up)),
                        b.size(view.across),
                        b.size(view.up),
                        style.degrees(),
                        style.spacingMm(),
                        0.15,
                        Ink.FAINT,
                        "");
            }
            frame(b, id.equals(selected) && !id.isEmpty() ? EDGE_PEN : 0.35, false, Ink.INK);
        }

        /** A flat thing on a face: as it is where the face is seen, as a bar where it is seen from its edge. */
        private void flat(Face face, Vec at, double wide, double high, double deep, Ink ink, String id) {
            if (face.axis() == view.face.axis() && face != view.face) {
                return;
            }
            double[] size = {wide, wide, wide};
            size[face.axis()] = deep;
            size[face.axis() == 2 ? 1 : 2] = high;
            Vec low = new Vec(at.x() - size[0] / 2, at.y() - size[1] / 2, at.z() - size[2] / 2);
            Box b = new Box(low.x(), low.y(), low.z(), size[0], size[1], size[2]);
            fill(b, ink, SEEN, id);
            frame(b, 0.25, false, Ink.INK);
        }

        private void port(Port port, String id) {
            flat(
                    port.face(),
                    port.at(),
                    port.connector().plugWidthMm(),
                    port.connector().plugHeightMm(),
                    EDGE_PEN,
                    Ink.ACCENT,
                    id);
        }

        private void key(Key key, String id) {
            flat(key.face(), key.at(), key.wideMm(), key.highMm(), EDGE_PEN, Ink.KEYS, id);
        }

        private void hole(Hole hole, String id) {
            if (hole.face().axis() != view.face.axis()) {
                return;
            }
            double radius = hole.diameterMm() / 2;
            List<Mark.Point> round = new ArrayList<>();
            for (int i = 0; i < CORNERS; i++) {
                double angle = 2 * Math.PI * i / CORNERS;
                round.add(s.point(
                        x(hole.at().along(view.across)) + radius * Math.cos(angle),
                        y(hole.at().along(view.up)) + radius * Math.sin(angle)));
            }
            boolean mine = id.equals(selected);
            s.polygon(round, Ink.PAPER, 1, id);
            s.outline(round, mine ? EDGE_PEN : 0.3, false, mine ? Ink.ACCENT : Ink.INK, "");
        }
    }
}
