package boldsatchel.drawing;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Cylinder;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Prism;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Key;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.machine.Passage;
import boldsatchel.machine.Peg;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Solid things in one frame, each with what is drawn on it: what a view is made of. */
final class Scene {

    /**
     * One solid thing.
     *
     * @param subject id of the part or tray
     * @param part if it is of one
     * @param solid in its own frame
     * @param pose of that frame
     * @param decals on it, in its own frame
     * @param cut the side on which a section has cut it
     */
    record Thing(
            String subject,
            Optional<Part> part,
            Solid solid,
            Pose pose,
            List<Decals.Decal> decals,
            Optional<Face> cut) {}

    /** Left round a peg in its hole, mm, as drawn. */
    private static final double PEG_CLEAR_MM = 0.4;

    private final List<Thing> things = new ArrayList<>();

    List<Thing> things() {
        return things;
    }

    /** Walls, floor and ribs of a tray. */
    Scene tray(Shell shell, Pose pose) {
        double wall = shell.wallMm().value();
        double floor = shell.floor().value();
        Box out = shell.outside();
        double top = shell.cavity().dz();
        List<Box> walls = new ArrayList<>(plate(shell, out.z(), floor));
        // Rounded edges are apart; sharp ones are the ends of the walls at the sides.
        double r = Math.max(wall, shell.outerCornerMm());
        double ends = shell.outerCornerMm() > 0 ? r : 0;
        walls.add(new Box(out.x(), out.y() + ends, 0, wall, out.dy() - 2 * ends, top));
        walls.add(new Box(out.high(0) - wall, out.y() + ends, 0, wall, out.dy() - 2 * ends, top));
        walls.add(new Box(out.x() + r, out.y(), 0, out.dx() - 2 * r, wall, top));
        walls.add(new Box(out.x() + r, out.high(1) - wall, 0, out.dx() - 2 * r, wall, top));
        if (!shell.openTop()) {
            walls.addAll(plate(shell, top, wall));
        }
        shell.parted(Opening.cut(walls, shell)).forEach(w -> add(shell.id(), w, pose));
        if (ends > 0) {
            edges(shell).forEach(e -> add(shell.id(), e, pose));
        }
        List<Box> posts = shell.bosses().stream().map(Boss::post).toList();
        for (Solid solid : shell.solids()) {
            boolean isPost = solid instanceof Box box && posts.contains(box);
            add(shell.id(), isPost ? new Cylinder(Axis.Z, solid.bounds()) : solid, pose);
        }
        return this;
    }

    /** Floor or cover without what its edges take, as boxes: openings are cut out of those. */
    private static List<Box> plate(Shell shell, double z, double thick) {
        Box out = shell.outside();
        double r = shell.outerCornerMm();
        return r == 0
                ? List.of(new Box(out.x(), out.y(), z, out.dx(), out.dy(), thick))
                : List.of(
                        new Box(out.x() + r, out.y(), z, out.dx() - 2 * r, out.dy(), thick),
                        new Box(out.x(), out.y() + r, z, r, out.dy() - 2 * r, thick),
                        new Box(out.high(0) - r, out.y() + r, z, r, out.dy() - 2 * r, thick));
    }

    /** The four rounded edges, and the corners of floor and cover. */
    private static List<Solid> edges(Shell shell) {
        Box out = shell.outside();
        double wall = shell.wallMm().value();
        double top = shell.cavity().dz();
        double r = shell.outerCornerMm();
        double inner = shell.innerCornerMm();
        List<Solid> edges = new ArrayList<>();
        for (int turns = 0; turns < 4; turns++) {
            int right = turns == 0 || turns == 3 ? 1 : -1;
            int back = turns < 2 ? 1 : -1;
            double x = right > 0 ? out.high(0) - r : out.x() + r;
            double y = back > 0 ? out.high(1) - r : out.y() + r;
            List<Flat> outer = Outlines.quarter(x, y, r, turns);
            List<Flat> wedge = new ArrayList<>(outer);
            wedge.add(new Flat(x, y));
            edges.add(new Prism(Axis.Z, wedge, out.z(), shell.floor().value()));
            if (!shell.openTop()) {
                edges.add(new Prism(Axis.Z, wedge, top, wall));
            }
            List<Flat> ring = new ArrayList<>(outer);
            if (inner > 0) {
                ring.addAll(Outlines.quarter(x, y, inner, turns).reversed());
            } else {
                // A wall thicker than its edge is round: the room inside has a sharp corner.
                double xIn = x + right * (r - wall);
                double yIn = y + back * (r - wall);
                List<Flat> corner =
                        List.of(new Flat(xIn, y + back * r), new Flat(xIn, yIn), new Flat(x + right * r, yIn));
                ring.addAll(turns % 2 == 0 ? corner : corner.reversed());
            }
            edges.add(new Prism(Axis.Z, ring.stream().distinct().toList(), 0, top));
        }
        return edges;
    }

    private void add(String subject, Solid solid, Pose pose) {
        if (solid.volume() > 0) {
            things.add(new Thing(subject, Optional.empty(), solid, pose, List.of(), Optional.empty()));
        }
    }

    /** A part where it lies. */
    Scene part(Placed placed, Pose pose) {
        Part part = placed.part();
        Pose own = placed.placement().pose(part.body().bounds()).within(pose);
        List<Solid> solids = part.body().whole();
        List<List<Decals.Decal>> decals = new ArrayList<>();
        solids.forEach(s -> decals.add(new ArrayList<>()));
        for (Decals.Decal decal : Decals.of(part)) {
            int on = under(decal, solids);
            decals.get(on).add(lying(decal, solids.get(on).bounds()));
        }
        for (int i = 0; i < solids.size(); i++) {
            things.add(new Thing(
                    placed.id(), Optional.of(part), solids.get(i), own, List.copyOf(decals.get(i)), Optional.empty()));
        }
        pegs(placed, pose);
        return this;
    }

    /** The pegs that press the buttons of a part, of their tray: from the button to where they end. */
    private void pegs(Placed placed, Pose pose) {
        Shell shell = placed.shell();
        for (Opening opening : shell.openings()) {
            if (!opening.peg()) {
                continue;
            }
            for (Key key : placed.part().body().keys()) {
                if (opening.isFor(placed.id(), key.name())) {
                    Passage way = Passage.of(shell, placed.part(), key, placed.placement());
                    double rim = Math.min(PEG_CLEAR_MM, Math.min(opening.wideMm(), opening.highMm()) / 4);
                    Box hole = opening.widened(-2 * rim).through(shell);
                    double inner = way.mouth().along(opening.wall().axis());
                    double outer = hole.end(opening.wall())
                            + opening.wall().sign()
                                    * opening.made()
                                            .map(m -> m.proudMm(way.behindMm()))
                                            .orElse(key.travelMm() + Peg.PROUD_MM);
                    int axis = opening.wall().axis();
                    Vec low = hole.lowCorner();
                    Vec high = hole.highCorner();
                    Box peg = Box.between(
                            low.plus(Vec.on(axis, inner - low.along(axis))),
                            high.plus(Vec.on(axis, outer - high.along(axis))));
                    add(shell.id(), opening.round() ? new Cylinder(Axis.ALL.get(axis), peg) : peg, pose);
                }
            }
        }
    }

    /** The solid that is outermost under the middle of something drawn on a side; the largest where there is none. */
    private static int under(Decals.Decal decal, List<Solid> solids) {
        Vec middle = Vec.ZERO;
        for (Vec point : decal.points()) {
            middle = middle.plus(point.times(1.0 / decal.points().size()));
        }
        int best = -1;
        int largest = 0;
        for (int i = 0; i < solids.size(); i++) {
            Box b = solids.get(i).bounds();
            if (b.volume() > solids.get(largest).bounds().volume()) {
                largest = i;
            }
            boolean below = true;
            for (int axis = 0; axis < 3; axis++) {
                below &= axis == decal.face().axis()
                        || (middle.along(axis) >= b.low(axis) && middle.along(axis) <= b.high(axis));
            }
            double end = decal.face().sign() * b.end(decal.face());
            if (below
                    && (best < 0
                            || end
                                    > decal.face().sign()
                                            * solids.get(best).bounds().end(decal.face()))) {
                best = i;
            }
        }
        return best < 0 ? largest : best;
    }

    /** Moved on to the side of the solid that it is on. */
    private static Decals.Decal lying(Decals.Decal decal, Box on) {
        int axis = decal.face().axis();
        List<Vec> points = decal.points().stream()
                .map(p -> p.plus(Vec.on(axis, on.end(decal.face()) - p.along(axis))))
                .toList();
        return new Decals.Decal(decal.face(), points, decal.fill(), decal.open(), decal.ink(), decal.opacity());
    }

    /**
     * Cuts away all that is before a plane across an axis, as seen from a side. What leans is left whole.
     *
     * @param from side it is seen from
     * @param at place of the plane on that axis
     */
    void cut(Face from, double at) {
        List<Thing> left = new ArrayList<>();
        for (Thing thing : things) {
            Pose back = thing.pose().back();
            Vec way = back.direction(Vec.on(from.axis(), from.sign()));
            Optional<Face> own = Face.ALL.stream()
                    .filter(f -> way.along(f.axis()) * f.sign() > 1 - 1e-9)
                    .findFirst();
            double plane = own.map(f -> back.apply(Vec.on(from.axis(), at)).along(f.axis()))
                    .orElse(0.0);
            own.map(f -> cut(thing, f, plane)).orElse(Optional.of(thing)).ifPresent(left::add);
        }
        things.clear();
        things.addAll(left);
    }

    /** A thing without what is before a plane across an axis of its own frame; of what is no box all is left. */
    private static Optional<Thing> cut(Thing thing, Face face, double plane) {
        Box box = thing.solid().bounds();
        double near = face.sign() * (box.end(face) - plane);
        double far = face.sign() * ((face.sign() > 0 ? box.low(face.axis()) : box.high(face.axis())) - plane);
        if (far >= -1e-9) {
            return Optional.empty();
        }
        if (near <= 1e-9 || !(thing.solid() instanceof Box)) {
            return Optional.of(thing);
        }
        Vec low = box.lowCorner();
        Vec high = box.highCorner();
        Vec on = Vec.on(face.axis(), near);
        List<Decals.Decal> kept =
                thing.decals().stream().filter(d -> d.face() != face).toList();
        return Optional.of(new Thing(
                thing.subject(),
                thing.part(),
                face.sign() > 0 ? Box.between(low, high.minus(on)) : Box.between(low.plus(on), high),
                thing.pose(),
                kept,
                Optional.of(face)));
    }

    /** A box around everything. */
    Box extent() {
        Box all = null;
        for (Thing thing : things) {
            Box box = thing.pose().around(thing.solid().bounds());
            all = all == null ? box : all.around(box);
        }
        return all == null ? new Box(0, 0, 0, 1, 1, 1) : all;
    }
}
