package boldsatchel.assembly;

import boldsatchel.Samples;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Family;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Link;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.machine.ScrewThread;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;

/**
 * Machines by chance: parts of one or two boxes thrown into a tray, or into a tray and another one that is held on it, some screwed, some
 * plugged into one another, some wired. Nothing lies in one place with anything else; all sizes and places are whole millimetres.
 */
public final class ThrownTogether {

    private static final int WALL = 2;
    private static final int OVER_RIM = 6;
    private static final Orientation FACE_DOWN = new Orientation(Face.BOTTOM, 0);
    private static final List<Joint.Held.By> HELD =
            List.of(Joint.Held.By.SCREWS, Joint.Held.By.MAGNETS, Joint.Held.By.LATCHES);
    private static final Box BASE = new Box(0, 0, 0, 30, 22, 16);
    private static final List<Pose> STILL = List.of(Pose.NONE, Pose.NONE);
    private static final double SHORT_WIRE_MM = 30;
    private static final double LONG_WIRE_MM = 200;

    private final Random random;
    private final List<Shell> shells = new ArrayList<>();
    /** How each tray lies, closed and open. */
    private final List<List<Pose>> poses = new ArrayList<>();

    private final List<Part> parts = new ArrayList<>();
    private final List<Placement> places = new ArrayList<>();
    /** What is solid, as the first tray has it, closed and open. */
    private final List<List<Box>> taken = List.of(new ArrayList<>(), new ArrayList<>());

    private ThrownTogether(long seed) {
        this.random = new Random(seed);
    }

    /** One tray. */
    public static Build tray(long seed) {
        ThrownTogether made = new ThrownTogether(seed);
        made.add(made.shell("tray", BASE, made.random.nextInt(3) > 0), STILL);
        made.fill(3 + (int) (seed % 6));
        return made.wired(Casing.of(made.shells, Figure.planned(0)));
    }

    /** A tray and a lid, a pan or a side box that is held on it, hinged or slides, any side up. */
    public static Build lidded(long seed) {
        ThrownTogether made = new ThrownTogether(seed);
        made.add(made.shell("tray", BASE, made.random.nextInt(5) > 0), STILL);
        Joint joint = made.hung();
        made.fill(4 + (int) (seed % 4));
        return made.wired(Casing.of(made.shells, Figure.planned(0)).withJoint(joint));
    }

    private Shell shell(String id, Box room, boolean open) {
        List<Box> ribs = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            Box rib = box(room, 12);
            ribs.add(
                    new Box(rib.x(), rib.y(), rib.z(), rib.dx(), rib.dy(), Math.min(rib.dz(), room.high(2) - rib.z())));
        }
        Shell plain = Shell.plain(id, id, room, Figure.planned(WALL), Material.ABS, Shell.Making.PRINTED, open);
        return Form.of(Shell.class).field("ribs").with(plain, ribs);
    }

    private void add(Shell shell, List<Pose> lies) {
        shells.add(shell);
        poses.add(lies);
        take(solid(shell), lies);
    }

    private static List<Box> solid(Shell shell) {
        List<Box> solid = new ArrayList<>(ByHand.solid(shell));
        solid.addAll(ByHand.cover(shell));
        return solid;
    }

    private void take(List<Box> boxes, List<Pose> lie) {
        for (int state = 0; state < lie.size(); state++) {
            for (Box box : boxes) {
                taken.get(state).add(lie.get(state).around(box));
            }
        }
    }

    private boolean isFree(List<Box> boxes, List<Pose> lie) {
        for (int state = 0; state < lie.size(); state++) {
            for (Box box : boxes) {
                Box there = lie.get(state).around(box);
                if (taken.get(state).stream().anyMatch(t -> t.signedDistance(there) < 0)) {
                    return false;
                }
            }
        }
        return true;
    }

    private Joint hung() {
        for (int tries = 0; tries < 400; tries++) {
            Box room = new Box(0, 0, 0, 8 + random.nextInt(26), 8 + random.nextInt(20), 4 + random.nextInt(12));
            Orientation turned =
                    random.nextBoolean() ? FACE_DOWN : Orientation.ALL.get(random.nextInt(Orientation.ALL.size()));
            Vec by = new Vec(random.nextInt(60) - 20, random.nextInt(50) - 20, random.nextInt(50) - 20);
            Vec at = new Vec(random.nextInt(50) - 10, random.nextInt(40) - 8, random.nextInt(30) - 6);
            Pose closed = Pose.square(turned, by);
            Joint joint =
                    new Joint("joint", "Joint", "tray", "lid", at, closed.back().apply(at), turned, way());
            Shell lid = shell("lid", room, random.nextInt(6) > 0);
            List<Pose> lies = List.of(closed, joint.pose(joint.way().most()));
            if (closed.around(lid.outside()).signedDistance(BASE) < WALL + 1 && isFree(solid(lid), lies)) {
                add(lid, lies);
                return joint;
            }
        }
        Vec above = new Vec(0, BASE.dy(), BASE.dz());
        Shell lid = Shell.plain("lid", "lid", BASE, Figure.planned(WALL), Material.ABS, Shell.Making.PRINTED, true);
        Joint joint = new Joint(
                "joint",
                "Joint",
                "tray",
                "lid",
                above,
                Vec.on(2, BASE.dz()),
                FACE_DOWN,
                new Joint.Held(Joint.Held.By.SCREWS, 4));
        add(lid, List.of(joint.closed(), joint.closed()));
        return joint;
    }

    /** A hinge by a quarter or half a turn, a slide, or what only holds. */
    private Joint.Way way() {
        int which = random.nextInt(6);
        Face along = Face.ALL.get(random.nextInt(6));
        Vec axis = Vec.on(along.axis(), along.sign());
        return switch (which) {
            case 0 -> new Joint.Hinged(axis, 180, Figure.planned(1), List.of());
            case 1 -> new Joint.Hinged(axis, 90, Figure.planned(1), List.of());
            case 2 -> new Joint.Sliding(axis, 5 + random.nextInt(60), Figure.planned(3));
            default -> new Joint.Held(HELD.get(which - 3), 4);
        };
    }

    private void fill(int most) {
        for (int tries = 0; tries < 60 && parts.size() < most; tries++) {
            int tray = random.nextInt(shells.size());
            Shell shell = shells.get(tray);
            Box room = shell.cavity();
            List<Box> solids = new ArrayList<>(List.of(box(room, 14)));
            if (random.nextBoolean()) {
                solids.add(beside(solids.getFirst()));
            }
            boolean free = solids.stream()
                    .allMatch(s -> s.signedDistance(room) < 0
                            && s.x() >= 0
                            && s.y() >= 0
                            && s.z() >= 0
                            && s.high(0) <= room.dx()
                            && s.high(1) <= room.dy()
                            && s.high(2) <= room.dz() + (shell.openTop() ? OVER_RIM : 0));
            if (free && isFree(solids, poses.get(tray))) {
                take(solids, poses.get(tray));
                part("p" + parts.size(), shell.id(), solids);
            }
        }
    }

    private Box box(Box room, int most) {
        return new Box(
                random.nextInt((int) room.dx() - 4),
                random.nextInt((int) room.dy() - 4),
                random.nextInt((int) room.dz() - 2),
                2 + random.nextInt(most),
                2 + random.nextInt(most),
                1 + random.nextInt(6));
    }

    /** A second box that touches a first one. */
    private Box beside(Box first) {
        Face face = Face.ALL.get(random.nextInt(6));
        double[] low = new double[3];
        double[] size = new double[3];
        for (int axis = 0; axis < 3; axis++) {
            size[axis] = 1 + random.nextInt(8);
            low[axis] = axis != face.axis()
                    ? first.low(axis) + random.nextInt(5) - 2
                    : face.sign() > 0 ? first.high(axis) : first.low(axis) - size[axis];
        }
        return new Box(low[0], low[1], low[2], size[0], size[1], size[2]);
    }

    private void part(String id, String tray, List<Box> solids) {
        Box all = solids.getFirst().around(solids.getLast());
        Vec low = all.lowCorner();
        List<Solid> own = new ArrayList<>();
        solids.forEach(s -> own.add(s.moved(Vec.ZERO.minus(low))));
        boolean screwed = random.nextInt(5) == 0;
        List<Hole> holes = screwed
                ? List.of(new Hole(
                        ScrewThread.M2, false, Face.TOP, new Vec(random.nextInt(4), random.nextInt(4), all.dz())))
                : List.of();
        Face side = Face.ALL.get(random.nextInt(6));
        Body body = new Body(
                Figure.planned(all.dx()),
                Figure.planned(all.dy()),
                Figure.planned(all.dz()),
                own,
                List.of(),
                List.of(port("edge", true, side), port("slot", false, side)),
                holes,
                List.of(),
                Optional.empty());
        Part block = Samples.part(id, Family.HUB, 1, 1, 1, 10);
        parts.add(Form.of(Part.class).field("body").with(block, body));
        places.add(new Placement(id, tray, low, Orientation.AS_DRAWN, Set.of())
                .held(screwed ? Optional.of(Fixing.by(Fixing.By.SCREWS)) : Optional.empty()));
    }

    private static Port port(String id, boolean plug, Face side) {
        return new Port(id, id, Connector.M2_KEY_M, plug, side, Vec.ZERO, Port.Use.UNUSED, Optional.empty(), List.of());
    }

    private Build wired(Casing casing) {
        Build build = Build.empty("random").with(new Parts(parts)).with(casing).with(new Layout(places));
        List<Link> links = new ArrayList<>();
        List<Rung> chain = new ArrayList<>();
        for (int i = 1; i < parts.size(); i++) {
            if (random.nextInt(4) == 0) {
                links.add(
                        new Link("l" + i, Link.End.of("p" + i, "edge"), Link.End.of("p" + random.nextInt(i), "slot")));
            } else if (random.nextInt(4) == 0) {
                double mm = random.nextBoolean() ? SHORT_WIRE_MM : LONG_WIRE_MM;
                chain.add(Rung.of(
                        "r" + i,
                        new Rung.OfPart("p" + random.nextInt(i)),
                        Rung.of("w" + i, new Rung.Wire(24, mm), Rung.of("e" + i, new Rung.OfPart("p" + i)))));
            }
        }
        return build.with(build.wiring().withLinks(links)).withChain(chain);
    }
}
