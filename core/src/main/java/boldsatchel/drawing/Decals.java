package boldsatchel.drawing;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Cylinder;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Key;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import java.util.ArrayList;
import java.util.List;

/**
 * What is drawn on the sides of a part so that it looks like what it is: the picture of a screen, the keys of a keyboard, the cells of a
 * pack, the rotor of a fan, the fins of a heat sink, sockets, holes and buttons. All of it in the part's frame and from its own figures, so that every view shows the
 * same.
 */
final class Decals {

    /**
     * One thing drawn on a side.
     *
     * @param face side it is on
     * @param points its corners in the part's frame
     * @param fill whether it is filled; a closed line otherwise
     * @param open whether it is a line that does not return
     * @param ink its colour
     * @param opacity 0 to 1
     */
    record Decal(Face face, List<Vec> points, boolean fill, boolean open, Ink ink, double opacity) {}

    private static final int ROUND = 28;
    /** Of one key of a usual keyboard, mm (ISO/IEC 9995-1). */
    private static final double KEY_MM = 19.05;

    private static final double LEAST_KEY_MM = 9;
    private static final double CELL_SHARE = 18.0 / 65;
    private static final double SOCKET_DEEP_MM = 2;
    /** More edges of fins than this run into one another. */
    private static final int MOST_FINS = 24;

    private final Body body;
    private final Box bounds;
    private final List<Decal> decals = new ArrayList<>();

    private Decals(Part part) {
        body = part.body();
        bounds = body.bounds();
        switch (part.family()) {
            case KEYBOARD -> keys();
            case POINTER -> pad();
            case DRIVE -> drive();
            default -> {
                // Told by what it does, below.
            }
        }
        part.facet(Facet.ShowsPicture.class).ifPresent(p -> picture(p.picture()));
        part.facet(Facet.Cells.class).ifPresent(c -> cells(c.series() * c.parallel()));
        part.facet(Facet.MovesAir.class).ifPresent(m -> rotor());
        part.facet(Facet.Fins.class).ifPresent(this::fins);
        part.facet(Facet.Sounds.class).ifPresent(s -> cones());
        if (part.facet(Facet.Radiates.class).isPresent()) {
            aerial();
        }
        if (part.family().computes()) {
            chips();
        }
        body.ports().forEach(this::socket);
        body.holes().forEach(this::hole);
        body.keys().forEach(this::button);
    }

    /** What is drawn on a part. */
    static List<Decal> of(Part part) {
        return List.copyOf(new Decals(part).decals);
    }

    private void add(Face face, List<Vec> points, boolean fill, Ink ink, double opacity) {
        decals.add(new Decal(face, List.copyOf(points), fill, false, ink, opacity));
    }

    private void line(Face face, List<Vec> points, Ink ink) {
        decals.add(new Decal(face, List.copyOf(points), false, true, ink, 1));
    }

    private static List<Vec> rectangle(double x, double y, double w, double d, double z) {
        return List.of(new Vec(x, y, z), new Vec(x + w, y, z), new Vec(x + w, y + d, z), new Vec(x, y + d, z));
    }

    /** A rectangle on the top. */
    private void top(double x, double y, double w, double d, boolean fill, Ink ink, double opacity) {
        add(Face.TOP, rectangle(x, y, w, d, bounds.dz()), fill, ink, opacity);
    }

    private static List<Vec> ring(Vec middle, double radius, int axis) {
        List<Vec> ring = new ArrayList<>(ROUND);
        for (int i = 0; i < ROUND; i++) {
            double angle = 2 * Math.PI * i / ROUND;
            ring.add(middle.plus(Vec.on((axis + 1) % 3, radius * Math.cos(angle)))
                    .plus(Vec.on((axis + 2) % 3, radius * Math.sin(angle))));
        }
        return ring;
    }

    private void circle(double x, double y, double radius, boolean fill, Ink ink, double opacity) {
        add(Face.TOP, ring(new Vec(x, y, bounds.dz()), radius, 2), fill, ink, opacity);
    }

    /** Dark glass with two streaks of light on it. */
    private void picture(Box picture) {
        double x = picture.x();
        double y = picture.y();
        double w = picture.dx();
        double d = picture.dy();
        top(x, y, w, d, true, Ink.GLASS, 1);
        for (double from : new double[] {0.52, 0.66}) {
            double wide = from < 0.6 ? 0.1 : 0.04;
            double lean = Math.min(w, d) * 0.45;
            add(
                    Face.TOP,
                    List.of(
                            new Vec(x + w * from, y + d * 0.06, bounds.dz()),
                            new Vec(x + w * (from + wide), y + d * 0.06, bounds.dz()),
                            new Vec(Math.min(x + w * 0.98, x + w * (from + wide) + lean), y + d * 0.94, bounds.dz()),
                            new Vec(Math.min(x + w * 0.96, x + w * from + lean), y + d * 0.94, bounds.dz())),
                    true,
                    Ink.PAPER,
                    0.16);
        }
        top(x, y, w, d, false, Ink.INK, 1);
    }

    /** Rows of keys, each row set off from the one above, a long key in the middle of the front one. */
    private void keys() {
        double edge = Math.min(5, bounds.dy() * 0.06);
        double w = bounds.dx() - 2 * edge;
        double d = bounds.dy() - 2 * edge;
        int rows = Math.clamp(Math.round(d / KEY_MM), 2, 6);
        double pitchY = d / rows;
        double pitch = Math.max(LEAST_KEY_MM, Math.min(KEY_MM, pitchY));
        int columns = (int) Math.max(4, Math.round(w / pitch));
        double pitchX = w / columns;
        double gap = Math.min(pitchX, pitchY) * 0.12;
        top(edge, edge, w, d, true, Ink.PAPER, 0.7);
        for (int row = 0; row < rows; row++) {
            double y = edge + row * pitchY;
            double shift = row == 0 ? 0 : 0.25 * ((rows - row) % 3) * pitchX;
            int spaceFrom = (int) Math.round(columns * 0.3);
            int spaceTo = (int) Math.round(columns * 0.62);
            double x = edge;
            int column = 0;
            while (column < columns) {
                double wide = pitchX;
                if (row == 0 && column == spaceFrom) {
                    wide = (spaceTo - spaceFrom) * pitchX;
                    column = spaceTo - 1;
                } else if (column == 0) {
                    wide += shift;
                }
                wide = Math.min(wide, edge + w - x);
                if (wide > gap * 2) {
                    key(x + gap / 2, y + gap / 2, wide - gap, pitchY - gap);
                }
                x += wide;
                column++;
            }
        }
    }

    private void key(double x, double y, double w, double d) {
        top(x, y, w, d, false, Ink.SOFT, 1);
    }

    /** A smooth field, or the ball that stands out of it. */
    private void pad() {
        double edge = Math.min(bounds.dx(), bounds.dy()) * 0.06;
        boolean round = body.solids().stream().anyMatch(Cylinder.class::isInstance)
                || bounds.dz() > Math.min(bounds.dx(), bounds.dy()) / 2;
        if (round) {
            double radius = Math.min(bounds.dx(), bounds.dy()) * 0.3;
            circle(bounds.dx() / 2, bounds.dy() / 2, radius, true, Ink.GLASS, 0.85);
            circle(
                    bounds.dx() / 2 - radius * 0.35,
                    bounds.dy() / 2 + radius * 0.35,
                    radius * 0.22,
                    true,
                    Ink.PAPER,
                    0.5);
            return;
        }
        top(edge, edge, bounds.dx() - 2 * edge, bounds.dy() - 2 * edge, true, Ink.PAPER, 0.6);
        top(edge, edge, bounds.dx() - 2 * edge, bounds.dy() - 2 * edge, false, Ink.SOFT, 1);
        line(
                Face.TOP,
                List.of(
                        new Vec(bounds.dx() / 2, edge, bounds.dz()),
                        new Vec(bounds.dx() / 2, edge + bounds.dy() * 0.14, bounds.dz())),
                Ink.SOFT);
    }

    /** Memory packages and the row of contacts at one end. */
    private void drive() {
        boolean lengthways = bounds.dx() >= bounds.dy();
        double length = Math.max(bounds.dx(), bounds.dy());
        double wide = Math.min(bounds.dx(), bounds.dy());
        for (int i = 0; i < 3 && length > wide * 1.6; i++) {
            double from = length * (0.16 + 0.27 * i);
            along(lengthways, from, wide * 0.14, length * 0.2, wide * 0.72, Ink.CHIP, 0.85);
        }
        for (double at = wide * 0.1; at < wide * 0.9; at += Math.max(1.2, wide * 0.08)) {
            along(lengthways, 0, at, Math.min(3.5, length * 0.06), Math.max(0.6, wide * 0.04), Ink.ENERGY, 1);
        }
    }

    /** A rectangle told by how far along the longer side it begins. */
    private void along(
            boolean lengthways, double from, double aside, double long_, double wide, Ink ink, double opacity) {
        if (lengthways) {
            top(from, aside, long_, wide, true, ink, opacity);
        } else {
            top(aside, from, wide, long_, true, ink, opacity);
        }
    }

    /** Round cells side by side where the pack is as high as one, flat ones otherwise. */
    private void cells(int count) {
        double w = bounds.dx();
        double d = bounds.dy();
        double edge = Math.min(w, d) * 0.03;
        int best = 1;
        double off = Double.POSITIVE_INFINITY;
        boolean lying = true;
        // Of all ways to lay so many cells in rows the one in which they are most like cells.
        for (int across = 1; across <= count; across++) {
            int deep = (count + across - 1) / across;
            double cw = (w - 2 * edge) / across;
            double cd = (d - 2 * edge) / deep;
            double share = Math.min(cw, cd) / Math.max(cw, cd);
            double wrong = Math.abs(Math.log(share / CELL_SHARE)) + 0.2 * (across * deep - count);
            if (wrong < off) {
                off = wrong;
                best = across;
                lying = cw >= cd;
            }
        }
        int deep = (count + best - 1) / best;
        double cw = (w - 2 * edge) / best;
        double cd = (d - 2 * edge) / deep;
        boolean round = bounds.dz() > Math.min(cw, cd) * 0.6;
        for (int i = 0; i < count; i++) {
            double x = edge + i % best * cw;
            double y = edge + Math.floorDiv(i, best) * cd;
            top(x + 0.4, y + 0.4, cw - 0.8, cd - 0.8, true, Ink.CELL, round ? 0.75 : 0.5);
            if (round) {
                double shine = 0.22;
                top(
                        lying ? x + 0.4 : x + cw * 0.55,
                        lying ? y + cd * 0.55 : y + 0.4,
                        lying ? cw - 0.8 : cw * shine,
                        lying ? cd * shine : cd - 0.8,
                        true,
                        Ink.PAPER,
                        0.45);
                double cap = Math.min(3, Math.max(cw, cd) * 0.05);
                top(
                        lying ? x + cw - 0.4 - cap : x + cw * 0.33,
                        lying ? y + cd * 0.33 : y + cd - 0.4 - cap,
                        lying ? cap : cw * 0.34,
                        lying ? cd * 0.34 : cap,
                        true,
                        Ink.SOFT,
                        1);
            }
            top(x + 0.4, y + 0.4, cw - 0.8, cd - 0.8, false, Ink.SOFT, 1);
        }
    }

    /** The ring it turns in, its blades and its hub, on its largest side. */
    private void rotor() {
        Face face = bounds.dz() <= Math.min(bounds.dx(), bounds.dy())
                ? Face.TOP
                : bounds.dx() <= bounds.dy() ? Face.RIGHT : Face.FRONT;
        int axis = face.axis();
        Vec middle = bounds.centre()
                .plus(Vec.on(axis, bounds.end(face) - bounds.centre().along(axis)));
        double radius = 0.46 * Math.min(bounds.size((axis + 1) % 3), bounds.size((axis + 2) % 3));
        add(face, ring(middle, radius, axis), true, Ink.PAPER, 0.8);
        add(face, ring(middle, radius, axis), false, Ink.INK, 1);
        for (int blade = 0; blade < 7; blade++) {
            List<Vec> curve = new ArrayList<>();
            for (int i = 0; i <= 6; i++) {
                double at = radius * (0.35 + 0.6 * i / 6);
                double angle = 2 * Math.PI * blade / 7 + 0.9 * i / 6;
                curve.add(middle.plus(Vec.on((axis + 1) % 3, at * Math.cos(angle)))
                        .plus(Vec.on((axis + 2) % 3, at * Math.sin(angle))));
            }
            line(face, curve, Ink.SOFT);
        }
        add(face, ring(middle, radius * 0.35, axis), true, Ink.AIR, 1);
        add(face, ring(middle, radius * 0.35, axis), false, Ink.INK, 1);
    }

    /** The edges of fins from above and where air goes in, as many as there are up to a bound. */
    private void fins(Facet.Fins fins) {
        int along = fins.through().axis();
        int beside = along == 2 ? 0 : 1 - along;
        int many = Math.min(fins.count(), MOST_FINS);
        double wide = Math.min(fins.widthMm(), bounds.size(beside));
        double from = bounds.centre().along(beside) - wide / 2;
        double thick = Math.min(fins.thickMm(), wide / many / 2);
        for (int i = 0; i < many; i++) {
            double at = from + thick / 2 + (wide - thick) * i / Math.max(1, many - 1);
            for (Face face : List.of(Face.TOP, fins.through())) {
                int run = face == Face.TOP ? along : 2;
                if (run != face.axis()) {
                    Vec low = bounds.lowCorner()
                            .with(face.axis(), bounds.end(face))
                            .with(beside, at);
                    line(face, List.of(low, low.with(run, bounds.high(run))), Ink.SOFT);
                }
            }
        }
    }

    /** One cone, or two where it is much longer than wide. */
    private void cones() {
        double radius = Math.min(bounds.dx(), bounds.dy()) * 0.4;
        boolean two = Math.max(bounds.dx(), bounds.dy()) > 1.9 * Math.min(bounds.dx(), bounds.dy());
        boolean across = bounds.dx() >= bounds.dy();
        for (double at : two ? new double[] {0.27, 0.73} : new double[] {0.5}) {
            double x = across ? bounds.dx() * at : bounds.dx() / 2;
            double y = across ? bounds.dy() / 2 : bounds.dy() * at;
            circle(x, y, radius, true, Ink.SOFT, 0.35);
            circle(x, y, radius, false, Ink.INK, 1);
            circle(x, y, radius * 0.62, false, Ink.SOFT, 1);
            circle(x, y, radius * 0.3, true, Ink.CHIP, 0.8);
        }
    }

    /** The path of a flat antenna to and fro. */
    private void aerial() {
        boolean across = bounds.dx() >= bounds.dy();
        double length = Math.max(bounds.dx(), bounds.dy());
        double wide = Math.min(bounds.dx(), bounds.dy());
        List<Vec> path = new ArrayList<>();
        int turns = 6;
        for (int i = 0; i <= turns; i++) {
            double at = length * (0.08 + 0.84 * i / turns);
            double low = i % 2 == 0 ? 0.2 : 0.8;
            for (double aside : new double[] {low, 1 - low}) {
                path.add(across ? new Vec(at, wide * aside, bounds.dz()) : new Vec(wide * aside, at, bounds.dz()));
            }
        }
        line(Face.TOP, path, Ink.WATCH);
    }

    /** On a board that says nothing of what stands on it: its processor and its memory. */
    private void chips() {
        if (body.solids().size() > 1) {
            return;
        }
        double side = Math.min(bounds.dx(), bounds.dy()) * 0.26;
        top(bounds.dx() * 0.42, bounds.dy() * 0.4, side, side, true, Ink.CHIP, 0.85);
        for (int i = 0; i < 2; i++) {
            top(
                    bounds.dx() * 0.42 - side * 0.75,
                    bounds.dy() * 0.4 + i * side * 0.55,
                    side * 0.5,
                    side * 0.4,
                    true,
                    Ink.CHIP,
                    0.7);
        }
    }

    /** The mouth of a socket, and a little of its metal behind it as seen from above. */
    private void socket(Port port) {
        Vec at = port.at();
        int axis = port.face().axis();
        double w = port.connector().plugWidthMm() * 0.8;
        double h = port.connector().plugHeightMm() * 0.6;
        flat(port.face(), at, w, h, true, Ink.CHIP, 0.9);
        flat(port.face(), at, w, h, false, port.use() == Port.Use.UNUSED ? Ink.SOFT : Ink.ACCENT, 1);
        if (axis != 2) {
            double deep = Math.min(SOCKET_DEEP_MM * 2, bounds.size(axis) / 3);
            Box metal = new Box(
                    axis == 0 ? (port.face() == Face.LEFT ? 0 : bounds.dx() - deep) : at.x() - w / 2,
                    axis == 1 ? (port.face() == Face.FRONT ? 0 : bounds.dy() - deep) : at.y() - w / 2,
                    0,
                    axis == 0 ? deep : w,
                    axis == 1 ? deep : w,
                    0);
            top(
                    metal.x(),
                    metal.y(),
                    metal.dx(),
                    metal.dy(),
                    true,
                    port.use() == Port.Use.UNUSED ? Ink.FAINT : Ink.ACCENT,
                    0.8);
            top(metal.x(), metal.y(), metal.dx(), metal.dy(), false, Ink.INK, 1);
        }
    }

    /** A rectangle flat on a side, about a point of it. */
    private void flat(Face face, Vec at, double wide, double high, boolean fill, Ink ink, double opacity) {
        int u = face.axis() == 0 ? 1 : 0;
        int v = face.axis() == 2 ? 1 : 2;
        Vec a = Vec.on(u, wide / 2);
        Vec b = Vec.on(v, high / 2);
        add(
                face,
                List.of(
                        at.minus(a).minus(b),
                        at.plus(a).minus(b),
                        at.plus(a).plus(b),
                        at.minus(a).plus(b)),
                fill,
                ink,
                opacity);
    }

    private void hole(Hole hole) {
        List<Vec> ring = ring(hole.at(), hole.diameterMm() / 2, hole.face().axis());
        List<Vec> land = ring(hole.at(), hole.diameterMm() * 0.9, hole.face().axis());
        add(hole.face(), land, true, Ink.ENERGY, 0.8);
        add(hole.face(), ring, true, Ink.PAPER, 1);
        add(hole.face(), ring, false, Ink.INK, 1);
    }

    private void button(Key key) {
        flat(key.face(), key.at(), key.wideMm(), key.highMm(), true, Ink.KEYS, 1);
        flat(key.face(), key.at(), key.wideMm(), key.highMm(), false, Ink.INK, 1);
    }
}
