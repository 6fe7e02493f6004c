package boldsatchel.heat;

import boldsatchel.engine.Lazy;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Brief.Surroundings.About;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.HeatBridge;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Usual;
import boldsatchel.power.Warmth;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Label;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.DoubleFunction;
import java.util.function.Function;

/**
 * The thermal network of a build with its lid open or closed: parts, air and walls of each shell, the places where parts warm a wall,
 * surroundings. Both postures have the same nodes in the same order.
 */
final class HeatModel {

    /**
     * What the model itself is unsure of.
     *
     * @param convection factor on all of it: correlations scatter about a fifth around measurements (Incropera and DeWitt, ch. 9)
     */
    private record Doubt(@Label("convection") Figure convection) {
        static final Input INPUT =
                new Input("the model", "the model", Doubt.class, "convection", new Figure(1, 0.2, Basis.GUESS));
    }

    /** Most that skin bears for so long (ISO 13732-1): ten minutes, a minute. */
    private static final double TOUCH_HELD_C = 48;

    private static final double TOUCH_PLASTIC_C = 60;
    private static final double TOUCH_METAL_C = 51;
    /** No resistance is taken for less, K/W. */
    private static final double LEAST_KW = 1e-3;
    /** No wall is taken for thinner than this. */
    private static final double THINNEST_MM = 0.1;
    /** No closed lid lies nearer to its base than this. */
    private static final double LID_GAP_MM = 0.5;
    /** What warms a gram of boards, drives and keys by a kelvin, J/(g·K); between glass, epoxy, copper and plastic. */
    private static final double PART_HEAT_JGK = 0.9;
    /** The same of lithium cells (0.9 to 1.1 is measured). */
    private static final double CELLS_HEAT_JGK = 1.0;
    /** What a finger touches at once, mm². */
    private static final double FINGER_MM2 = 200;
    /** About what a plain face gives off in still air, by convection and radiation. */
    private static final double FACE_WM2K = 9;
    /** Of a few millimetres of cloth or foam, m²·K/W; a guess. */
    private static final double BAG_M2KW = 0.1;
    /** Least share of a wall that is left beside the places where parts warm it. */
    private static final double LEAST_REST = 0.05;

    private static final double MM = 1e-3;
    private static final double MM2 = 1e-6;

    /** A node that is looked at afterwards. */
    record Watched(
            int node,
            HeatResult.Kind kind,
            String subject,
            String name,
            Optional<Face> wall,
            double limitC,
            Optional<Link.Along> along) {

        /** Its temperature at what is hottest of it, °C. */
        double celsius(double[] t) {
            double middle = 0;
            if (along.isPresent()) {
                Link.Along way = along.get();
                middle = Math.max(0, way.middleK(t[way.from()], t[way.to()]));
            }
            return t[node] + middle;
        }
    }

    /** A heat pipe with a bound, from a part to a wall or another part. */
    record Piped(String part, HeatPlace to, Link.Pipe pipe) {}

    /**
     * Where a part warms a wall.
     *
     * @param place of the part in its room
     */
    private record Spot(Placed part, int place, Face face, List<HeatPath> paths, Spreading.Footprint print) {}

    final HeatNetwork network;
    final Map<String, HeatRoom> rooms = new LinkedHashMap<>();
    final List<Watched> watched = new ArrayList<>();
    /** Heat pipes that carry so much and no more. */
    final List<Piped> pipes = new ArrayList<>();
    /** Parts that are not placed anywhere and count as lying in the first shell. */
    final List<String> loose = new ArrayList<>();

    /** Where each node is; the first is the surroundings. */
    final List<HeatPlace> places = new ArrayList<>(List.of(HeatPlace.SURROUNDINGS));

    private final Build build;
    private final boolean closed;
    private final Set<String> warm;
    /** Ids of fans that stand. */
    private final Set<String> standing;

    private final Map<String, Integer> nodes = new HashMap<>();
    /** Wires run in the tray that stands. */
    private final Optional<HeatRoom> base;

    /**
     * Of a build.
     *
     * @param placed parts where they lie
     * @param warm ids of parts that some use warms
     * @param closed whether the lid is closed
     * @param standing ids of fans that do not run
     */
    HeatModel(Build build, List<Placed> placed, Set<String> warm, boolean closed, Set<String> standing) {
        this.build = build;
        this.warm = warm;
        this.closed = closed;
        this.standing = standing;
        this.network = new HeatNetwork(build.brief().surroundings().ambientC());
        for (Shell shell : build.casing().shells()) {
            List<Placed> inside = Placed.in(shell, placed);
            List<Placed> parts = new ArrayList<>(inside);
            parts.removeIf(p -> !matters(p.part()));
            room(shell, parts, inside);
        }
        if (closed) {
            build.casing().lid().ifPresent(this::lidOnBase);
        }
        base = build.casing().standing().map(s -> rooms.get(s.id()));
        base.ifPresent(this::looseParts);
        build.cooling().bridges().forEach(bridge -> bridge(bridge, placed));
    }

    /** Adds a node of a place. */
    private int node(HeatPlace place, double watts, double joulesPerK) {
        return node(place, place.subject(), watts, joulesPerK);
    }

    /** Adds a node of a place that is there for something. */
    private int node(HeatPlace place, String subject, double watts, double joulesPerK) {
        places.add(place);
        return network.node(subject, watts, joulesPerK);
    }

    /** Whether a part has a fan that runs. */
    private boolean runs(Part part) {
        return part.facet(Facet.MovesAir.class).isPresent() && !standing.contains(part.id());
    }

    private boolean matters(Part part) {
        return warm.contains(part.id())
                || part.facet(Facet.Thermal.class).isPresent()
                || part.facet(Facet.Fins.class).isPresent()
                || part.isSource();
    }

    private void room(Shell shell, List<Placed> parts, List<Placed> inside) {
        double underside = undersideMm(shell);
        Box out = closedOutside(shell);
        double airJK = Air.DENSITY * Air.HEAT_CAPACITY * shell.cavity().volume() * 1e-9;
        HeatRoom room = new HeatRoom(
                shell,
                out,
                node(HeatPlace.air(shell.id()), 0, airJK),
                parts,
                inside,
                new Openings(about() == About.BAG ? shell.withVents(List.of()) : shell, inside, underside, this::runs));
        rooms.put(shell.id(), room);
        air(room);
        List<Spot> spots = new ArrayList<>();
        for (Face face : Face.ALL) {
            List<Spot> here = spots(room, face, out);
            double warmedM2 = 0;
            for (Spot spot : here) {
                warmedM2 += spot.print().area();
            }
            wall(room, face, out, warmedM2);
            spots.addAll(here);
        }
        edges(room, out);
        for (int i = 0; i < room.parts.size(); i++) {
            part(room, i, out);
        }
        for (Faces.Opposite pair : room.faces.opposites()) {
            facing(room, pair);
        }
        for (Spot spot : spots) {
            spot(room, spot);
        }
    }

    /** Air that fans or warmth drive through the vents. */
    private void air(HeatRoom room) {
        room.driven = room.openings.driven();
        if (room.driven.isEmpty()) {
            room.vented = room.openings.chimney(room.air);
            room.vented.ifPresent(network::link);
            return;
        }
        Link out = carried(room, room.driven.get());
        network.link(out);
        room.vented = Optional.of(out);
        for (Input input : room.openings.inputs()) {
            Lazy<Openings.Driven> moved = Lazy.of(() -> room.openings.moved(input));
            room.drivenMoved.put(input, moved);
            network.moves(input, out, Lazy.of(() -> carried(room, moved.get())));
        }
    }

    private static Link carried(HeatRoom room, Openings.Driven driven) {
        return new Link.Fixed(room.air, 0, Air.carried(driven.freshM3s()));
    }

    private void wall(HeatRoom room, Face face, Box out, double spotsM2) {
        Shell shell = room.shell;
        double area = out.area(face) * MM2;
        double rest = Math.max(LEAST_REST * area, area - spotsM2);
        double length = face.axis() == 2 ? (out.dx() + out.dy()) / 2 * MM : out.dz() * MM;
        boolean free = isFree(shell, face);
        double c = coefficient(shell, face);
        double thick = Math.max(THINNEST_MM, shell.wall(face).value()) * MM;
        double half = room.wallJKm2(face) / 2 * rest;
        HeatPlace place = HeatPlace.wall(shell.id(), face);
        int inner = node(place, 0, half);
        int outer = node(place, sunW(shell, face, rest), half);
        Input thickness = shell.wallInput(face);
        Link.Along.Wall plate = Link.Along.Wall.of(
                shell.substance().conductivityWmK(),
                thick,
                free,
                Air.natural(c, 1, length),
                shell.substance().emissivity(),
                network.ambientC());
        room.walls.put(face, new HeatRoom.Wall(inner, outer, area, plate, thickness));
        convection(
                new Link.Convection(
                        room.air,
                        inner,
                        rest,
                        plate.stillWm2K(),
                        forcedInside(room.fanFlowM3s(), out),
                        Air.INSIDE_RADIATION),
                room,
                out);
        through(thickness, inner, outer, rest, shell);
        outside(shell, face, outer, rest, plate);
        watched.add(new Watched(
                outer,
                HeatResult.Kind.WALL,
                shell.id(),
                shell.name() + ", " + face.words(),
                Optional.of(face),
                isTouched(shell, face) ? touchLimit(shell) : Double.POSITIVE_INFINITY,
                Optional.empty()));
    }

    /** Walls of metal warm one another around their edges. */
    private void edges(HeatRoom room, Box out) {
        Shell shell = room.shell;
        if (!shell.substance().metal()) {
            return;
        }
        for (Face a : Face.ALL) {
            for (Face b : Face.ALL) {
                if (a.axis() < b.axis() && !isOpen(shell, a) && !isOpen(shell, b)) {
                    network.link(new Link.Fixed(
                            room.outside(a),
                            room.outside(b),
                            Spreading.aroundEdge(
                                    shell.substance().conductivityWmK(),
                                    out.size(3 - a.axis() - b.axis()) * MM,
                                    out.size(b.axis()) * MM,
                                    Math.max(THINNEST_MM, shell.wall(a).value()) * MM,
                                    out.size(a.axis()) * MM,
                                    Math.max(THINNEST_MM, shell.wall(b).value()) * MM)));
                }
            }
        }
    }

    private static boolean isOpen(Shell shell, Face face) {
        return face == Face.TOP && shell.openTop();
    }

    private void through(Input thickness, int inner, int outer, double areaM2, Shell shell) {
        known(
                thickness,
                t -> new Link.Fixed(
                        inner, outer, shell.substance().conductivityWmK() * areaM2 / (Math.max(THINNEST_MM, t) * MM)));
    }

    private void outside(Shell shell, Face face, int outer, double areaM2, Link.Along.Wall plate) {
        if (plate.free()) {
            network.link(new Link.Outside(outer, areaM2, plate.stillWm2K(), plate.emissivity()));
        } else if (about() == About.BAG && !hidden(shell, face)) {
            network.link(new Link.Fixed(outer, 0, areaM2 / (BAG_M2KW + 1 / FACE_WM2K)));
        }
    }

    private About about() {
        return build.brief().surroundings().about();
    }

    /** Whether a face is in the open. */
    private boolean isFree(Shell shell, Face face) {
        boolean covered = about() == About.BAG || (about() == About.STACK && face.axis() == Face.TOP.axis());
        boolean lies = face == Face.BOTTOM && (standsOnTable(shell) || liesOnLap(shell));
        return !covered && !lies && !hidden(shell, face);
    }

    /** Whether somebody may touch a face: what lies on a lap is touched there, though it gives off nothing. */
    private boolean isTouched(Shell shell, Face face) {
        return isFree(shell, face) || (face == Face.BOTTOM && liesOnLap(shell));
    }

    /** The sun falls on what faces up, and on the back of a lid, whichever way it stands. */
    private boolean sunny(Shell shell, Face face) {
        boolean lid = build.casing().isLid(shell);
        return (lid ? face == Face.BOTTOM : face == Face.TOP) && !hidden(shell, face);
    }

    private double sunW(Shell shell, Face face, double areaM2) {
        return sunny(shell, face)
                ? shell.substance().absorptivity()
                        * build.brief().surroundings().sunWm2()
                        * areaM2
                : 0;
    }

    /** Whether the closed lid lies on it, or it on the base. */
    private boolean hidden(Shell shell, Face face) {
        return closed
                && face == Face.TOP
                && build.casing()
                        .lid()
                        .filter(l -> l.carries().equals(shell.id()) || l.on().equals(shell.id()))
                        .isPresent();
    }

    /** The gap between base and closed lid: still air and what both faces radiate. */
    private void lidOnBase(Joint hinge) {
        HeatRoom base = rooms.get(hinge.on());
        HeatRoom lid = rooms.get(hinge.carries());
        if (base == null || lid == null) {
            return;
        }
        Box below = base.shell.cavity();
        Box above = lid.shell.cavity().posed(hinge.closed());
        double gap = Math.max(LID_GAP_MM, above.z() - below.high(2) - topWall(base.shell) - topWall(lid.shell)) * MM;
        double area = Math.max(0, -below.gapAlong(0, above)) * Math.max(0, -below.gapAlong(1, above)) * MM2;
        int from = base.outside(Face.TOP);
        int to = lid.outside(Face.TOP);
        double grey = 1
                / (1 / base.shell.substance().emissivity()
                        + 1 / lid.shell.substance().emissivity()
                        - 1);
        network.link(new Link.Fixed(from, to, Air.CONDUCTIVITY * area / gap));
        network.link(new Link.Facing(from, to, area, grey));
    }

    private static double topWall(Shell shell) {
        return shell.openTop() ? 0 : shell.wallMm().value();
    }

    /** An open top is closed by a deck of parts or a screen; it is counted as a wall. */
    private static Box closedOutside(Shell shell) {
        double wall = shell.wallMm().value();
        Box in = shell.cavity();
        return new Box(
                0,
                0,
                0,
                in.dx() + 2 * wall,
                in.dy() + 2 * wall,
                in.dz() + wall + shell.floor().value());
    }

    /** Between its floor and what it stands on, mm; feet sink into a lap. */
    private double undersideMm(Shell shell) {
        if (liesOnLap(shell)) {
            return 0;
        }
        return standsOnTable(shell)
                ? build.casing().feet().map(Casing.Feet::heightMm).orElse(0.0)
                : Double.POSITIVE_INFINITY;
    }

    private boolean standsOnTable(Shell shell) {
        Brief.Surroundings around = build.brief().surroundings();
        return around.onTable() && !around.onLap() && !build.casing().isLid(shell);
    }

    private boolean liesOnLap(Shell shell) {
        return build.brief().surroundings().onLap() && !build.casing().isLid(shell);
    }

    /**
     * Warm air under a roof, and a roof in cooler air, move as a plate facing up does; floors as one facing down. A closed lid lies upside
     * down.
     */
    private double coefficient(Shell shell, Face face) {
        boolean turned = closed && build.casing().isLid(shell);
        return switch (face) {
            case TOP -> turned ? Air.FACING_DOWN : Air.FACING_UP;
            case BOTTOM -> turned ? Air.FACING_UP : Air.FACING_DOWN;
            default -> Air.VERTICAL;
        };
    }

    private static double forcedInside(double flowM3s, Box out) {
        double section = out.dy() * out.dz() * MM2;
        return flowM3s > 0 ? Air.forced(flowM3s / section, out.dx() * MM) : 0;
    }

    /** A link that one input decides. */
    private Link known(Input input, DoubleFunction<Link> link) {
        Link now = link.apply(input.figure().value());
        network.link(now);
        network.moves(
                input,
                now,
                Lazy.of(() -> link.apply(input.figure().value() + input.figure().sigma())));
        return now;
    }

    /** Convection inside a shell, which a fan may force. */
    private void convection(Link.Convection link, HeatRoom room, Box out) {
        network.link(link);
        room.drivenMoved.forEach((input, moved) -> network.moves(
                input, link, Lazy.of(() -> link.forced(forcedInside(moved.get().throughM3s(), out)))));
    }

    private double touchLimit(Shell shell) {
        if (build.brief().surroundings().touchesSkin()) {
            return TOUCH_HELD_C;
        }
        return shell.substance().metal() ? TOUCH_METAL_C : TOUCH_PLASTIC_C;
    }

    private void part(HeatRoom room, int place, Box out) {
        Placed placed = room.parts.get(place);
        Part part = placed.part();
        int node = partNode(part);
        room.partNodes[place] = node;
        smallFaces(room, place, node);
        double whole = room.faces.wholeM2(place);
        double free = room.faces.freeM2(place);
        boolean finned = fins(room, place, node);
        if (finned || !givenToAir(part, node, room, whole, free)) {
            double forced = forcedInside(room.fanFlowM3s(), out);
            double sees = room.faces.seesWalls(place);
            convection(plainSurface(node, room, placed.bounds(), free, forced, sees), room, out);
        }
    }

    /** What a part's fins give off beside its faces: to air that is driven through them, or rises in them where they surely stand. */
    private boolean fins(HeatRoom room, int place, int node) {
        Placed placed = room.parts.get(place);
        Optional<FinnedSurface> fins = FinnedSurface.of(placed.part());
        if (fins.isEmpty()) {
            return false;
        }
        boolean upright = placed.isOpenAlong(Face.TOP.axis())
                && room.faces.toWallMm(place, Face.TOP) > FitEngine.VENT_CLEAR_MM
                && room.faces.toWallMm(place, Face.BOTTOM) > FitEngine.VENT_CLEAR_MM
                && !build.brief().surroundings().touchesSkin()
                && !build.casing().isLid(room.shell);
        Openings.Through air = room.openings.through(placed.id(), room.driven);
        double forced = air.givenWK(fins.get());
        // Of air that comes in, what has just gone out is taken to be as warm as the room; of what goes out, that comes
        // back.
        double fresh = air.vent().isPresent() ? 1 - room.again() : 0;
        Function<Double, Link.Finned> outward = given -> new Link.Finned(node, room.air, fins.get(), given, upright);
        Function<Double, Link.Finned> inward = given -> new Link.Finned(node, 0, fins.get(), given, false);
        if (air.vent().isPresent() && !air.out()) {
            Link.Finned in = inward.apply(fresh * forced);
            Link.Finned rest = outward.apply((1 - fresh) * forced);
            network.carries(in, room.air, 1);
            network.link(rest);
            blown(room, placed, fins.get(), in, g -> inward.apply(fresh * g));
            blown(room, placed, fins.get(), rest, g -> outward.apply((1 - fresh) * g));
            room.finned.add(new HeatRoom.Finned(placed.id(), air, List.of(in, rest)));
        } else {
            Link.Finned link = outward.apply(forced);
            if (fresh > 0) {
                network.carries(link, 0, fresh);
            } else {
                network.link(link);
            }
            blown(room, placed, fins.get(), link, outward);
            room.finned.add(new HeatRoom.Finned(placed.id(), air, List.of(link)));
        }
        return true;
    }

    /** What a link of fins would be with figures of the fans moved. */
    private void blown(
            HeatRoom room, Placed placed, FinnedSurface fins, Link.Finned link, Function<Double, Link.Finned> given) {
        room.drivenMoved.forEach((input, moved) -> network.moves(
                input,
                link,
                Lazy.of(() -> given.apply(room.openings
                        .through(placed.id(), Optional.of(moved.get()))
                        .givenWK(fins)))));
    }

    /** A part in air, with nothing known but its box. */
    private static Link.Convection plainSurface(
            int node, HeatRoom room, Box box, double freeM2, double forcedWm2K, double seesWalls) {
        double length = Math.sqrt(Math.max(1, box.area(Face.TOP))) * MM;
        return Link.Convection.of(
                node, room.air, freeM2, Air.VERTICAL, length, forcedWm2K, Air.INSIDE_RADIATION * seesWalls);
    }

    private int partNode(Part part) {
        double jgk = part.isSource() ? CELLS_HEAT_JGK : PART_HEAT_JGK;
        int node = node(HeatPlace.part(part.id()), 0, part.massG().value() * jgk);
        nodes.put(part.id(), node);
        double limit = part.facet(Facet.Thermal.class)
                .map(Facet.Thermal::limitC)
                .orElse(part.isSource() ? Usual.CELLS_MOST_C : Double.POSITIVE_INFINITY);
        watched.add(new Watched(
                node, HeatResult.Kind.PART, part.id(), part.name(), Optional.empty(), limit, Optional.empty()));
        return node;
    }

    /**
     * A given resistance to air holds for a part that is free all around; covered faces take away what they would have given off by
     * themselves, but no more than their share of the whole.
     */
    private boolean givenToAir(Part part, int node, HeatRoom room, double wholeM2, double freeM2) {
        Optional<Facet.Thermal> thermal = part.facet(Facet.Thermal.class);
        // A fan of its own blows on it even where no air gets out.
        boolean blown = room.fanFlowM3s() > 0 || runs(part);
        boolean moving = blown && thermal.flatMap(Facet.Thermal::fanKW).isPresent();
        Optional<Figure> given =
                moving ? thermal.flatMap(Facet.Thermal::fanKW) : thermal.flatMap(Facet.Thermal::stillKW);
        given.ifPresent(g -> known(part.input(Facet.Thermal.class, moving ? "fanKW" : "stillKW", g), ohms -> {
            double whole = 1 / Math.max(LEAST_KW, ohms);
            double left = Math.max(whole * freeM2 / wholeM2, whole - FACE_WM2K * (wholeM2 - freeM2));
            return new Link.Fixed(node, room.air, left);
        }));
        return given.isPresent();
    }

    /** A face smaller than a finger warms the wall as a whole. */
    private void smallFaces(HeatRoom room, int place, int node) {
        Placed placed = room.parts.get(place);
        for (Face face : Face.ALL) {
            double area = placed.bounds().area(face);
            if (room.faces.closeToWall(place, face)
                    && area < FINGER_MM2
                    && paths(placed.part(), face).isEmpty()) {
                network.link(new Link.Fixed(node, room.wall(face).inside(), acrossGap(room, place, face)));
            }
        }
    }

    /** Still air and radiation between a face and the wall before it, W/K. */
    private static double acrossGap(HeatRoom room, int place, Face face) {
        double area = room.parts.get(place).bounds().area(face) * MM2;
        return throughGap(room.faces.toWallMm(place, face), area) + Air.INSIDE_RADIATION * area;
    }

    /** Two parts opposite one another. */
    private void facing(HeatRoom room, Faces.Opposite pair) {
        int a = room.partNodes[pair.a()];
        int b = room.partNodes[pair.b()];
        if (pair.close()) {
            network.link(new Link.Fixed(a, b, throughGap(pair.gapMm(), pair.areaM2())));
            network.link(new Link.Facing(a, b, pair.areaM2(), Faces.BETWEEN_GREY));
        } else {
            network.link(new Link.Facing(a, b, pair.seenM2(), Faces.BETWEEN_GREY));
        }
    }

    private static double throughGap(double gapMm, double areaM2) {
        return Air.CONDUCTIVITY * areaM2 / (Math.max(Faces.CONTACT_MM, gapMm) * MM);
    }

    /** What leads a part's heat to a wall. */
    private List<HeatPath> paths(Part part, Face face) {
        List<HeatPath> paths = new ArrayList<>();
        for (HeatPath path : build.cooling().heatPaths()) {
            if (path.wall() == face && path.part().equals(part.id())) {
                paths.add(path);
            }
        }
        return paths;
    }

    /** Where parts warm a wall: across a small gap, or by a pad or pipe. */
    private List<Spot> spots(HeatRoom room, Face face, Box out) {
        List<Spot> spots = new ArrayList<>();
        for (int i = 0; i < room.parts.size(); i++) {
            Placed placed = room.parts.get(i);
            List<HeatPath> paths = paths(placed.part(), face);
            boolean close = room.faces.closeToWall(i, face) && placed.bounds().area(face) >= FINGER_MM2;
            if (!paths.isEmpty() || close) {
                spots.add(new Spot(placed, i, face, paths, print(placed, face, out, areaMm2(placed, face, paths))));
            }
        }
        return spots;
    }

    /** Over which several ways meet a wall together; as the part where nothing is said of any. */
    private static Optional<Double> areaMm2(Placed part, Face face, List<HeatPath> paths) {
        return paths.stream().allMatch(p -> p.areaMm2().isEmpty())
                ? Optional.empty()
                : Optional.of(paths.stream()
                        .mapToDouble(p -> p.areaMm2().orElse(part.bounds().area(face)))
                        .sum());
    }

    /** The part's shadow on the wall, or as much about its middle as is said. */
    private static Spreading.Footprint print(Placed placed, Face face, Box out, Optional<Double> areaMm2) {
        int u = (face.axis() + 1) % 3;
        int v = (face.axis() + 2) % 3;
        Box b = placed.bounds();
        double grown = areaMm2.map(a -> Math.sqrt(a / Math.max(1e-6, b.size(u) * b.size(v))))
                .orElse(1.0);
        double[] across = within(b, u, grown, placed.shell(), out);
        double[] along = within(b, v, grown, placed.shell(), out);
        return new Spreading.Footprint(across[1], along[1], across[0], across[2], along[0], along[2]);
    }

    /** What lies before, under and behind a length on a wall, m. */
    private static double[] within(Box b, int axis, double grown, Shell shell, Box out) {
        double wallMm = (axis == 2 ? shell.floor() : shell.wallMm()).value();
        double whole = out.size(axis);
        double wide = Math.clamp(b.size(axis) * grown, 1, Math.max(1, 0.98 * whole));
        double before = Math.clamp(b.centre().along(axis) + wallMm - wide / 2, 0, whole - wide);
        return new double[] {before * MM, wide * MM, (whole - before - wide) * MM};
    }

    private void spot(HeatRoom room, Spot spot) {
        HeatRoom.Wall wall = room.wall(spot.face());
        Shell shell = room.shell;
        int node = room.partNodes[spot.place()];
        double area = Math.min(spot.print().area(), wall.areaM2());
        double half = room.wallJKm2(spot.face()) / 2 * area;
        HeatPlace place = HeatPlace.wall(shell.id(), spot.face());
        int inner = node(place, spot.part().id(), 0, half);
        int outer = node(place, spot.part().id(), sunW(shell, spot.face(), area), half);
        double feeds = feed(room, spot, node, inner);
        double perArea = 1 / (area / Math.max(1e-9, feeds) + wall.plate().half());
        through(wall.thick(), inner, outer, area, shell);
        Link.Along along = Link.Along.of(outer, wall.outside(), spot.print(), wall.plate(), perArea);
        network.link(along);
        Link.Along within = along.half(inner, wall.inside());
        network.link(within);
        double times = 1
                + wall.thick().figure().sigma()
                        / Math.max(THINNEST_MM, wall.thick().figure().value());
        network.moves(wall.thick(), along, Lazy.of(() -> along.thicker(times)));
        network.moves(wall.thick(), within, Lazy.of(() -> within.thicker(times)));
        outside(shell, spot.face(), outer, area, wall.plate());
        watched.add(new Watched(
                outer,
                HeatResult.Kind.WALL,
                shell.id(),
                shell.name() + ", " + spot.face().words() + ", at "
                        + spot.part().part().name(),
                Optional.of(spot.face()),
                isTouched(shell, spot.face()) ? touchLimit(shell) : Double.POSITIVE_INFINITY,
                Optional.of(along)));
    }

    /** Links a part to where it warms a wall; returns the conductance, W/K. */
    private double feed(HeatRoom room, Spot spot, int node, int inner) {
        double fed = 0;
        for (HeatPath path : spot.paths()) {
            double most = HeatPipes.mostW(path, spot.part(), build.brief().surroundings());
            HeatPlace wall = HeatPlace.wall(room.shell.id(), spot.face());
            pipe(path.input(), node, inner, most, pipe -> new Piped(spot.part().id(), wall, pipe));
            fed += 1 / Math.max(LEAST_KW, path.ohmsKW().value());
        }
        if (fed > 0) {
            return fed;
        }
        double watts = acrossGap(room, spot.place(), spot.face());
        network.link(new Link.Fixed(node, inner, watts));
        return watts;
    }

    /** A pad, a pipe or what else carries any heat up to a bound. */
    private void pipe(Input input, int from, int to, double mostW, Function<Link.Pipe, Piped> piped) {
        if (known(input, ohms -> Link.Pipe.of(from, to, 1 / Math.max(LEAST_KW, ohms), mostW))
                instanceof Link.Pipe pipe) {
            pipes.add(piped.apply(pipe));
        }
    }

    /** Between two parts of one tray. */
    private void bridge(HeatBridge bridge, List<Placed> placed) {
        Integer from = nodes.get(bridge.part());
        Integer arrives = nodes.get(bridge.to());
        Optional<Placed> part = Placed.of(placed, bridge.part());
        Optional<Placed> to = Placed.of(placed, bridge.to());
        boolean lie = part.isPresent() && to.isPresent() && bridge.isWithin(build.layout());
        if (lie && from != null && arrives != null && !from.equals(arrives)) {
            double most =
                    HeatPipes.mostW(bridge, part.get(), to.get(), build.brief().surroundings());
            HeatPlace there = HeatPlace.part(bridge.to());
            pipe(bridge.input(), from, arrives, most, pipe -> new Piped(bridge.part(), there, pipe));
        }
    }

    /** What is not placed yet is taken to lie free in the first shell. */
    private void looseParts(HeatRoom first) {
        for (Part part : build.parts().list()) {
            boolean beside = part.staysOutside();
            if (!nodes.containsKey(part.id()) && !beside && warm.contains(part.id())) {
                loose.add(part.id());
                int node = partNode(part);
                if (!givenToAir(part, node, first, 1, 1)) {
                    Box b = part.body().bounds();
                    double area = 2 * (b.area(Face.TOP) + b.area(Face.LEFT) + b.area(Face.FRONT)) * MM2;
                    network.link(plainSurface(node, first, b, Math.max(1e-6, area), 0, 1));
                }
            }
        }
    }

    /** What a step of use puts into each node, the sun included, W. */
    double[] watts(Warmth.Step step) {
        return watts(step.byPart(), step.wiresW());
    }

    /**
     * The same.
     *
     * @param byPart heat in each part by its id, W
     * @param wiresW heat in wires, contacts and diodes, W
     */
    double[] watts(Map<String, Double> byPart, double wiresW) {
        double[] watts = network.heat();
        byPart.forEach((part, heat) -> {
            Integer node = nodes.get(part);
            if (node != null) {
                watts[node] += heat;
            }
        });
        base.ifPresent(room -> watts[room.air] += wiresW);
        return watts;
    }

    /**
     * The ways that heat takes.
     *
     * @param watts put into each node
     * @param t temperatures of the nodes
     * @param held nodes that are held there: what that takes goes away with the air of fans that run at times
     */
    HeatWays ways(double[] watts, double[] t, Set<Integer> held) {
        List<HeatNetwork.Crossing> crossings = network.crossings(t);
        if (!held.isEmpty()) {
            double[] left = network.residual(watts, t);
            held.forEach(node -> crossings.add(new HeatNetwork.Crossing(node, 0, left[node])));
        }
        return HeatWays.of(places, crossings, watts);
    }

    /** The node of a part that warms or has a limit; none where it has no node. */
    OptionalInt node(String part) {
        Integer node = nodes.get(part);
        return node == null ? OptionalInt.empty() : OptionalInt.of(node);
    }

    /**
     * Of each source that a part warms, the one that warms it most.
     *
     * @param watts put into each node
     * @param t temperatures of the nodes
     */
    List<HeatResult.Beside> beside(double[] watts, double[] t) {
        List<HeatResult.Beside> beside = new ArrayList<>();
        nodes.forEach((part, node) -> {
            if (build.part(part).filter(Part::isSource).isPresent()) {
                double[] comes = network.into(node, t);
                double all = watts[node];
                double most = 0;
                String from = part;
                for (int other = 0; other < comes.length; other++) {
                    all += Math.max(0, comes[other]);
                    if (comes[other] > most && places.get(other).kind() == HeatPlace.Kind.PART) {
                        most = comes[other];
                        from = places.get(other).subject();
                    }
                }
                if (most > 0) {
                    beside.add(new HeatResult.Beside(part, from, most, all));
                }
            }
        });
        return beside;
    }

    /** What is charged may get less warm. */
    double limitC(Watched spot, Set<String> charged) {
        boolean falls = spot.kind() == HeatResult.Kind.PART && spot.limitC() > Usual.CELLS_CHARGED_MOST_C;
        return falls && charged.contains(spot.subject()) ? Usual.CELLS_CHARGED_MOST_C : spot.limitC();
    }

    /**
     * What each input does to the temperatures of a use.
     *
     * @param inputs gives each its place
     * @param mean its mean state
     */
    Effects effects(Inputs inputs, HeatNetwork.Steady mean, Warmth use) {
        return new Effects(inputs, network, mean, Doubt.INPUT, warmed(use));
    }

    private List<Effects.Warmed> warmed(Warmth use) {
        List<Effects.Warmed> warmed = new ArrayList<>();
        int wires = base.map(room -> room.air).orElse(0);
        double minutes = use.minutes();
        for (int leg = 0; leg < use.steps().size(); leg++) {
            Warmth.Step step = use.steps().get(leg);
            double share = step.use().minutes() / minutes;
            for (Warmth.Doubt doubt : step.doubts()) {
                int node = doubt.part().map(part -> nodes.getOrDefault(part, 0)).orElse(wires);
                if (node > 0 && doubt.input().figure().sigma() > 0) {
                    warmed.add(new Effects.Warmed(doubt.input(), node, leg, share, doubt.watts()));
                }
            }
        }
        return warmed;
    }
}
