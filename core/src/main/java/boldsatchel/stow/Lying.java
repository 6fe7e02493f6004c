package boldsatchel.stow;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Cooling;
import boldsatchel.machine.Family;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Vent;
import boldsatchel.machine.Zone;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** A bundle turned in one way: the rooms it takes, seen from its low corner, and the walls it has to be at. Nobody changes one. */
public final class Lying {

    /** As high as anything is looked at or pressed from. */
    private static final double SKY_MM = 1e6;
    /** What moves air covers so much of what it covers of its vent each way: its mouth is narrower than itself. A guess. */
    private static final double COVERED = 2.0 / 3;
    /** Of a millimetre: nobody places anything more finely. */
    private static final double TENTHS = 10;
    /** Parts of more solids than this are taken as the box around them. */
    private static final int MOST_SOLIDS = 6;

    private static final Set<Family> FACING =
            EnumSet.of(Family.SCREEN, Family.KEYBOARD, Family.POINTER, Family.CONTROL);
    private static final Set<Family> TUMBLED =
            EnumSet.of(Family.BATTERY, Family.CONVERTER, Family.CHARGER, Family.HUB, Family.DRIVE, Family.ELECTRICAL);

    /**
     * How far below a tray's rim a low corner may be, mm.
     *
     * @param most infinite where that is all the same
     * @param least infinite where it ends below the rim
     */
    public record Depth(double least, double most) {
        /** Anywhere below the rim. */
        public static final Depth ANY = new Depth(Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY);
    }

    /**
     * Something that stays before a vent along one axis; a vent keeps its share of a wall that gets longer or shorter.
     *
     * @param sizeMm of the tray as it is
     * @param ventLow where the vent begins there, mm
     * @param ventHigh where it ends
     * @param low where the part begins, seen from the low corner of the bundle
     * @param size of the part
     * @param covers of the vent at least
     */
    record Kept(int axis, double sizeMm, double ventLow, double ventHigh, double low, double size, double covers) {

        /** Where the low corner of the bundle may be at least in a tray of some size. */
        double least(double traySizeMm) {
            double share = traySizeMm / sizeMm;
            return Math.ceil((share * (ventLow + covers) - size - low) * TENTHS) / TENTHS;
        }

        double most(double traySizeMm) {
            double share = traySizeMm / sizeMm;
            return Math.floor((share * (ventHigh - covers) - low) * TENTHS) / TENTHS;
        }
    }

    final Bundle bundle;
    /** Which of the trays that are arranged it is in. */
    final int tray;

    final Room[] rooms;
    /** Of all that has to be inside the walls: its ends, seen from the low corner. */
    final double[] low;

    final double[] high;
    /** For each wall, in the order of {@link Face#ALL}: where the end is that has to be at it, seen from the low corner; not a number where none has to. */
    final double[] atWall;

    /** By axis how far off the wall it may be that it has to be at, mm: a socket is reached so, a pad is not. */
    final double[] mayMm;

    /** Where it has to stay, as what moves air stays before its vent. */
    final Kept[] kept;

    /** How far below the tray's rim its low corner may be. */
    final Depth depth;

    final boolean isWarm;
    final boolean facesUp;
    final double volume;
    /** Of its parts along each axis, mm. */
    final double[] sizeMm;

    /** One alone, at any depth. */
    public Lying(Bundle bundle, Cooling cooling) {
        this(bundle, 0, cooling, Depth.ANY);
    }

    /** One in one of several trays, that may not be at any depth. */
    Lying(Bundle bundle, int tray, Cooling cooling, Depth depth) {
        this.bundle = bundle;
        this.tray = tray;
        this.depth = depth;
        Box all = bundle.bounds();
        Vec origin = all.lowCorner().times(-1);
        List<Room> taken = new ArrayList<>();
        low = new double[3];
        high = new double[3];
        mayMm = new double[] {FreePlace.REACH_MM, FreePlace.REACH_MM, FreePlace.REACH_MM};
        List<Kept> before = new ArrayList<>();
        atWall = new double[Face.ALL.size()];
        Arrays.fill(atWall, Double.NaN);
        boolean warm = false;
        boolean faces = false;
        Box inside = all;
        for (Placed p : bundle.lies()) {
            bodies(p).forEach(b -> taken.add(Room.of(Room.Kind.BODY, b.moved(origin))));
            for (Zone zone : p.zones()) {
                boolean filled = zone.isFilled();
                taken.add(Room.of(
                        filled ? Room.Kind.FILLED : Room.Kind.OPEN, zone.box().moved(origin)));
                inside = filled ? inside.around(zone.box()) : inside;
            }
            if (facesUp(p.part())) {
                Box b = p.bounds();
                faces = true;
                taken.add(Room.of(
                        Room.Kind.OPEN, new Box(b.x(), b.y(), b.high(2), b.dx(), b.dy(), SKY_MM).moved(origin)));
            }
            warm |= FreePlace.isWarm(p.part());
            for (Vent vent : bundle.vents(p)) {
                at(vent.wall(), p, origin);
                keepBefore(vent, p, origin, before);
            }
            for (Port port : p.part().body().ports()) {
                if (port.use() == Port.Use.OUTSIDE) {
                    at(p.placement().orientation().turn(port.face()), p, origin);
                }
            }
            for (HeatPath path : cooling.heatPaths()) {
                if (path.part().equals(p.id())) {
                    at(path.wall(), p, origin);
                    mayMm[path.wall().axis()] = 0;
                }
            }
        }
        rooms = taken.toArray(Room[]::new);
        kept = before.toArray(Kept[]::new);
        for (int axis = 0; axis < 3; axis++) {
            low[axis] = inside.low(axis) + origin.along(axis);
            high[axis] = inside.high(axis) + origin.along(axis);
        }
        sizeMm = new double[] {all.dx(), all.dy(), all.dz()};
        isWarm = warm;
        facesUp = faces;
        volume = bundle.lies().stream().mapToDouble(p -> p.bounds().volume()).sum();
    }

    /** The same where nothing of it has to be at a wall. */
    Lying anywhere() {
        Lying anywhere = new Lying(this, rooms);
        Arrays.fill(anywhere.atWall, Double.NaN);
        return anywhere;
    }

    /** The same with each part taken as the box around it: nothing goes between its board and what stands up from that. */
    Lying boxed() {
        Vec origin = bundle.bounds().lowCorner().times(-1);
        List<Room> boxed = new ArrayList<>();
        bundle.lies().forEach(p -> boxed.add(Room.of(Room.Kind.BODY, p.bounds().moved(origin))));
        Arrays.stream(rooms).filter(r -> r.kind != Room.Kind.BODY).forEach(boxed::add);
        return new Lying(this, boxed.toArray(Room[]::new));
    }

    private Lying(Lying like, Room[] rooms) {
        bundle = like.bundle;
        tray = like.tray;
        this.rooms = rooms;
        low = like.low;
        high = like.high;
        atWall = like.atWall.clone();
        mayMm = like.mayMm;
        kept = like.kept;
        depth = like.depth;
        isWarm = like.isWarm;
        facesUp = like.facesUp;
        volume = like.volume;
        sizeMm = like.sizeMm;
    }

    /** Which of the trays that are arranged it is in. */
    public int tray() {
        return tray;
    }

    /** The bundle. */
    public Bundle bundle() {
        return bundle;
    }

    /** What it takes, seen from its low corner. */
    public List<Room> rooms() {
        return List.of(rooms);
    }

    /** Whether it is looked at or pressed from above. */
    public boolean facesUp() {
        return facesUp;
    }

    /** Of its parts along an axis, mm. */
    public double sizeMm(int axis) {
        return sizeMm[axis];
    }

    /** Of all that has to be inside the walls along an axis: from where, seen from its low corner, mm. */
    public double low(int axis) {
        return low[axis];
    }

    /** Up to where, seen from its low corner, mm. */
    public double high(int axis) {
        return high[axis];
    }

    /** Whether it has to be at a wall. */
    public boolean isAtWall(Face wall) {
        return !Double.isNaN(atWall[wall.ordinal()]);
    }

    /** Whether it has to be at any wall. */
    public boolean isAtWall() {
        return Arrays.stream(atWall).anyMatch(end -> !Double.isNaN(end));
    }

    /** Whether it has to be at a wall along an axis. */
    public boolean isAtWall(int axis) {
        return isAtWall(Face.of(axis, 1)) || isAtWall(Face.of(axis, -1));
    }

    /** It covers most of what it covers of the vent now, along both ways of the wall. */
    private static void keepBefore(Vent vent, Placed p, Vec origin, List<Kept> before) {
        for (int axis = 0; axis < 3; axis++) {
            if (axis != vent.wall().axis()) {
                before.add(new Kept(
                        axis,
                        p.shell().cavity().size(axis),
                        vent.box().low(axis),
                        vent.box().high(axis),
                        p.bounds().low(axis) + origin.along(axis),
                        p.bounds().size(axis),
                        -COVERED * p.bounds().gapAlong(axis, vent.box())));
            }
        }
    }

    private void at(Face wall, Placed p, Vec origin) {
        atWall[wall.ordinal()] = p.bounds().end(wall) + origin.along(wall.axis());
    }

    private static List<Box> bodies(Placed p) {
        List<Box> bodies = p.solids().stream().map(Solid::bounds).toList();
        return bodies.size() > MOST_SOLIDS ? List.of(p.bounds()) : bodies;
    }

    /** Whether it is looked at or pressed from above. */
    public static boolean facesUp(Part part) {
        return FACING.contains(part.family());
    }

    /** Whether it works on its side as well. */
    public static boolean isTumbled(Part part) {
        return TUMBLED.contains(part.family())
                && part.body().ports().stream().noneMatch(p -> p.use() == Port.Use.OUTSIDE);
    }
}
