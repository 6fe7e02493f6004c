package boldsatchel.machine;

import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * Walls that follow what lies in their tray, as far from it as was said: they grow and shrink with it. A socket that is used through a wall
 * lies at it, and so does what a pad joins to it; on the floor parts stand as they did. What was in the room keeps its place beside the parts, what was in or on a wall goes with
 * the wall, and a vent keeps its share of it. A lid of the same outline that lies on the tray goes with it, and what lies in the lid has its place between the walls too.
 */
final class Wrap {

    /** Less than this is rounding, mm. */
    private static final double SAME_MM = 1e-6;

    private static final double LEAST_MM = 1;
    /** Trays whose outlines differ by less were made for one another, mm. */
    private static final double ALIKE_MM = 0.01;

    private final Shell shell;
    /** What the low corner of the new room is in the old one's frame. */
    private final double[] from = new double[3];

    private final double[] size = new double[3];

    private Wrap(Shell shell, Box around) {
        this.shell = shell;
        double least = Math.max(LEAST_MM, 2 * shell.taperMm() + LEAST_MM);
        for (int axis = 0; axis < 3; axis++) {
            from[axis] = around.low(axis);
            size[axis] = Math.max(axis == 2 ? LEAST_MM : least, around.size(axis));
        }
    }

    /** A case, and where things lie in it. */
    record Wrapped(Casing casing, Layout layout) {}

    /**
     * A lid that goes with a tray.
     *
     * @param pose of its frame in that of the tray when closed
     */
    private record Lid(Shell shell, Pose pose) {

        /** Face to face with a tray, of its outline, and with walls that nobody made yet and that follow nothing else. */
        static List<Lid> of(Casing casing, Shell tray) {
            List<Lid> lids = new ArrayList<>(1);
            for (Joint joint : casing.joints()) {
                boolean on = joint.on().equals(tray.id());
                if (joint.facesDown() && (on || joint.carries().equals(tray.id()))) {
                    Pose pose = on ? joint.closed() : joint.closed().back();
                    casing.shell(on ? joint.carries() : joint.on())
                            .filter(l -> l.aroundMm().isEmpty() && l.making() != Shell.Making.FOUND)
                            .filter(l -> isAlike(pose.around(l.cavity()), tray.cavity()))
                            .ifPresent(l -> lids.add(new Lid(l, pose)));
                }
            }
            return lids;
        }

        private static boolean isAlike(Box lid, Box tray) {
            boolean alike = true;
            for (int axis = 0; axis < 2; axis++) {
                alike &= Math.abs(lid.low(axis) - tray.low(axis)) < ALIKE_MM
                        && Math.abs(lid.high(axis) - tray.high(axis)) < ALIKE_MM;
            }
            return alike;
        }

        /** What something in it takes of the tray's outline, as high as that. */
        Box over(Box room, Box takes) {
            Box there = pose.around(takes);
            return new Box(there.x(), there.y(), room.z(), there.dx(), there.dy(), room.dz());
        }

        Face wall(Face wall) {
            Vec to = pose.direction(Vec.on(wall.axis(), wall.sign()));
            int axis = pose.turned(Axis.ALL.get(wall.axis())).ordinal();
            return Face.of(axis, to.along(axis) > 0 ? 1 : -1);
        }

        /** As wide and deep as the tray, and as high as it was. */
        Wrap within(Box room) {
            Box there = pose.back().around(room);
            return new Wrap(
                    shell,
                    new Box(
                            there.x(),
                            there.y(),
                            0,
                            there.dx(),
                            there.dy(),
                            shell.cavity().dz()));
        }
    }

    /** Every tray whose walls follow its parts, round them; both as they are where none has to be changed. */
    static Wrapped all(Casing casing, Layout layout, Parts parts, Cooling cooling) {
        Wrapped wrapped = new Wrapped(casing, layout);
        for (Shell shell : casing.shells()) {
            if (shell.aroundMm().isPresent() && shell.making() != Shell.Making.FOUND) {
                List<Lid> lids = Lid.of(wrapped.casing(), shell);
                Optional<Wrap> wrap = of(shell, lids, layout, parts, cooling);
                wrapped = wrap.isPresent() ? wrap.get().of(wrapped, lids) : wrapped;
            }
        }
        return wrapped;
    }

    /**
     * The walls of a tray round another room.
     *
     * @param room in the tray's frame; parts stay beside one another as they are
     */
    static Wrapped round(Casing casing, Layout layout, Shell shell, Box room) {
        Wrapped was = new Wrapped(casing, layout);
        Wrap wrap = new Wrap(shell, room);
        return wrap.changes() ? wrap.of(was, Lid.of(casing, shell)) : was;
    }

    /** With lids that go with the tray. */
    private Wrapped of(Wrapped was, List<Lid> lids) {
        Wrapped wrapped = of(was);
        for (Lid lid : lids) {
            wrapped = lid.within(room()).of(wrapped);
        }
        return wrapped;
    }

    /** The walls that are to be drawn, where they are not drawn so yet. */
    private static Optional<Wrap> of(Shell shell, List<Lid> lids, Layout layout, Parts parts, Cooling cooling) {
        Optional<Box> own = Optional.empty();
        Set<Face> atWall = EnumSet.noneOf(Face.class);
        for (Placement placement : layout.placements()) {
            if (placement.shell().equals(shell.id())) {
                Optional<Box> takes = takes(placement, parts, cooling, atWall);
                own = own.isEmpty() ? takes : own.map(r -> takes.map(r::around).orElse(r));
            }
        }
        if (own.isEmpty()) {
            return Optional.empty();
        }
        Box room = own.get();
        for (Lid lid : lids) {
            for (Placement placement : layout.placements()) {
                if (placement.shell().equals(lid.shell().id())) {
                    Set<Face> walls = EnumSet.noneOf(Face.class);
                    Optional<Box> takes = takes(placement, parts, cooling, walls);
                    room = takes.isEmpty() ? room : room.around(lid.over(room, takes.get()));
                    walls.stream().filter(w -> w.axis() != 2).forEach(w -> atWall.add(lid.wall(w)));
                }
            }
        }
        return Optional.of(new Wrap(shell, with(room, shell, atWall))).filter(Wrap::changes);
    }

    /** What a part takes where it lies, and in which walls it has sockets or pads; nothing where there is no such part. */
    private static Optional<Box> takes(Placement placement, Parts parts, Cooling cooling, Set<Face> atWall) {
        Optional<Box> takes = parts.part(placement.part()).map(p -> takes(p.body(), placement, atWall));
        if (takes.isPresent()) {
            cooling.heatPaths().stream()
                    .filter(h -> h.part().equals(placement.part()))
                    .forEach(h -> atWall.add(h.wall()));
        }
        return takes;
    }

    /** A part and the rooms inside that it must have; says in which walls it has sockets. */
    private static Box takes(Body body, Placement placement, Set<Face> atWall) {
        Box bounds = body.bounds();
        Box takes = placement.place(bounds, bounds);
        for (Zone zone : body.zones()) {
            if (zone.isFilled()) {
                takes = takes.around(placement.place(zone.box(), bounds));
            }
        }
        for (Port port : body.ports()) {
            if (port.use() == Port.Use.OUTSIDE) {
                atWall.add(placement.orientation().turn(port.face()));
            } else if (port.connector().roomMm(port.use()) > 0) {
                takes = takes.around(placement.place(port.plugRoom(), bounds));
            }
        }
        return takes;
    }

    /** With what is to be left on each side. Standoffs stay as long as they are: the floor only goes down for what would be in it. */
    private static Box with(Box room, Shell shell, Set<Face> atWall) {
        double[] low = new double[3];
        double[] high = new double[3];
        double around = shell.aroundMm().orElseThrow();
        for (Face face : Face.ALL) {
            double end = room.end(face) + face.sign() * (atWall.contains(face) ? 0 : around);
            (face.sign() > 0 ? high : low)[face.axis()] = end;
        }
        low[2] = Math.min(0, room.low(2));
        return Box.between(new Vec(low[0], low[1], low[2]), new Vec(high[0], high[1], high[2]));
    }

    private boolean changes() {
        boolean changes = false;
        for (int axis = 0; axis < 3; axis++) {
            changes |= Math.abs(from[axis]) > SAME_MM
                    || Math.abs(size[axis] - shell.cavity().size(axis)) > SAME_MM;
        }
        return changes;
    }

    private Wrapped of(Wrapped was) {
        UnaryOperator<Vec> moved = this::moved;
        Casing casing = was.casing();
        boolean stands =
                casing.standing().filter(s -> s.id().equals(shell.id())).isPresent();
        List<Joint> joints = new ArrayList<>(casing.joints());
        joints.replaceAll(j -> j.on().equals(shell.id())
                ? j.at(moved.apply(j.at()), j.mark())
                : j.carries().equals(shell.id()) ? j.at(j.at(), moved.apply(j.mark())) : j);
        List<Posture> postures = new ArrayList<>(casing.postures());
        postures.replaceAll(p -> stands && p.at().isPresent() ? p.heldAt(moved.apply(p.at().get())) : p);
        List<Placement> placements = new ArrayList<>(was.layout().placements());
        placements.replaceAll(p -> p.shell().equals(shell.id()) ? p.at(p.at().minus(corner())) : p);
        List<Laid> cables = new ArrayList<>(was.layout().cables());
        cables.replaceAll(c -> c.inTray(shell.id(), at -> at.minus(corner())));
        return new Wrapped(
                casing.withShell(drawn()).withJoints(joints).withPostures(postures), new Layout(placements, cables));
    }

    /** The new room, in the old one's frame. */
    private Box room() {
        return new Box(from[0], from[1], from[2], size[0], size[1], size[2]);
    }

    private Vec corner() {
        return new Vec(from[0], from[1], from[2]);
    }

    private Shell drawn() {
        return shell.withInside(size[0], size[1], size[2])
                .withFixed(
                        shell.ribs().stream()
                                .map(r -> r.moved(corner().times(-1)))
                                .toList(),
                        shell.bosses().stream()
                                .map(b -> b.moved(-from[0], -from[1]))
                                .toList(),
                        shell.vents().stream().map(v -> v.with(shared(v.box()))).toList(),
                        shell.openings().stream().map(o -> o.at(moved(o.at()))).toList(),
                        shell.seams().stream()
                                .map(s -> new Seam(s.way(), moved(s.way().axis(), s.atMm())))
                                .toList());
    }

    private Vec moved(Vec at) {
        return new Vec(moved(0, at.x()), moved(1, at.y()), moved(2, at.z()));
    }

    /** What is at a wall or beyond it goes with it, what is inside stays beside the parts. */
    private double moved(int axis, double at) {
        double was = shell.cavity().size(axis);
        if (at <= SAME_MM) {
            return at;
        }
        return at >= was - SAME_MM ? at - was + size[axis] : Math.clamp(at - from[axis], 0, size[axis]);
    }

    private Box shared(Box box) {
        double[] low = new double[3];
        double[] high = new double[3];
        for (int axis = 0; axis < 3; axis++) {
            low[axis] = shared(axis, box.low(axis));
            high[axis] = shared(axis, box.high(axis));
        }
        return Box.between(new Vec(low[0], low[1], low[2]), new Vec(high[0], high[1], high[2]));
    }

    private double shared(int axis, double at) {
        double was = shell.cavity().size(axis);
        return at <= 0 ? at : at >= was ? at - was + size[axis] : at * size[axis] / was;
    }
}
