package boldsatchel.heat;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Label;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleBinaryOperator;
import java.util.function.DoubleFunction;

/** The thermal network of a build: parts, air and walls of each shell, surroundings. */
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

    /** Cells live longest below this, °C, when the maker says nothing: usual limit for discharging lithium cells. */
    private static final double CELLS_LIMIT_C = 60;

    private static final double TOUCH_HELD_C = 48;
    private static final double TOUCH_PLASTIC_C = 60;
    private static final double TOUCH_METAL_C = 51;
    /** No wall is taken for thinner than this. */
    private static final double THINNEST_MM = 0.1;

    private static final double CLOSE_MM = 6;
    private static final double CONTACT_MM = 0.1;
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
            double heatW) {}

    /** A shell's nodes. */
    static final class Room {
        final Shell shell;
        final int air;
        private final Map<Face, Integer> inside = new EnumMap<>(Face.class);
        private final Map<Face, Integer> outside = new EnumMap<>(Face.class);
        double fanFlowM3s;
        /** The flow with each of the fan's figures moved by a standard deviation. */
        final Map<Input, Double> flowMovedM3s = new LinkedHashMap<>();

        Room(Shell shell, int air) {
            this.shell = shell;
            this.air = air;
        }

        void wall(Face face, int inner, int outer) {
            inside.put(face, inner);
            outside.put(face, outer);
        }

        /** Node of a wall's inside. */
        int inside(Face face) {
            return inside.getOrDefault(face, 0);
        }

        /** Node of a wall's outside. */
        int outside(Face face) {
            return outside.getOrDefault(face, 0);
        }
    }

    final HeatNetwork network;
    final Map<String, Room> rooms = new LinkedHashMap<>();
    final List<Watched> watched = new ArrayList<>();
    private final Build build;
    private final PowerResult power;

    HeatModel(Build build, List<Placed> placed, PowerResult power) {
        this.build = build;
        this.power = power;
        this.network = new HeatNetwork(build.brief().surroundings().ambientC());
        for (Shell shell : build.casing().shells()) {
            rooms.put(shell.id(), room(shell, placed));
        }
        for (Placed p : placed) {
            Room room = rooms.get(p.shell().id());
            if (room != null) {
                part(p, room);
            }
        }
        wiresWarmTheAir();
    }

    private Room room(Shell shell, List<Placed> placed) {
        Room room = new Room(shell, network.node(0));
        Optional<Placed> fan = placed.stream()
                .filter(p -> p.shell().equals(shell)
                        && p.part().facet(Facet.MovesAir.class).isPresent())
                .findFirst();
        vents(room, fan);
        Input wall = shell.input("wallMm", shell.wallMm());
        Box out = closedOutside(shell);
        for (Face face : Face.values()) {
            double area = out.area(face) * MM2;
            double length = face.axis() == 2 ? (out.dx() + out.dy()) / 2 * MM : out.dz() * MM;
            int inner = network.node(0);
            int outer = network.node(0);
            room.wall(face, inner, outer);
            convection(
                    new Link.Convection(
                            room.air,
                            inner,
                            area,
                            coefficient(face),
                            length,
                            forcedInside(room.fanFlowM3s, out),
                            Air.INSIDE_RADIATION,
                            1),
                    room,
                    out);
            known(
                    wall,
                    t -> new Link.Fixed(
                            inner, outer, shell.material().conductivityWmK() * area / (Math.max(THINNEST_MM, t) * MM)));
            if (!(face == Face.BOTTOM && standsOnTable(shell))) {
                doubtful(new Link.Convection(outer, 0, area, coefficient(face), length, 0, 0, 1));
                network.link(new Link.Radiation(outer, 0, area, shell.material().emissivity()));
            }
            watched.add(new Watched(
                    outer,
                    HeatResult.Kind.WALL,
                    shell.id(),
                    shell.name() + ", " + face.words(),
                    Optional.of(face),
                    touchLimit(shell),
                    0));
        }
        return room;
    }

    /** An open top is closed by a deck of parts or a screen; it is counted as a wall. */
    private static Box closedOutside(Shell shell) {
        double wall = shell.wallMm().value();
        return new Box(0, 0, 0, shell.widthMm() + 2 * wall, shell.depthMm() + 2 * wall, shell.heightMm() + 2 * wall);
    }

    private boolean standsOnTable(Shell shell) {
        return build.brief().surroundings().onTable() && !build.casing().isLid(shell);
    }

    /** Warm air under a roof, and a roof in cooler air, move as a plate facing up does; floors as one facing down. */
    private static double coefficient(Face face) {
        return switch (face) {
            case TOP -> Air.FACING_UP;
            case BOTTOM -> Air.FACING_DOWN;
            default -> Air.VERTICAL;
        };
    }

    private static double forcedInside(double flowM3s, Box out) {
        if (flowM3s == 0) {
            return 0;
        }
        double section = Math.min(out.dx(), out.dy()) * out.dz() * MM2;
        return Air.forced(flowM3s / section, Math.max(out.dx(), out.dy()) * MM);
    }

    /** A link that one figure decides. */
    private void known(Input input, DoubleFunction<Link> link) {
        Link now = link.apply(input.figure().value());
        network.link(now);
        network.moves(
                input, now, link.apply(input.figure().value() + input.figure().sigma()));
    }

    /** Convection as doubtful as the model is. */
    private void doubtful(Link.Convection link) {
        network.link(link);
        network.moves(Doubt.INPUT, link, link.scaled(1 + Doubt.INPUT.figure().sigma()));
    }

    /** Convection inside a shell, which a fan may force. */
    private void convection(Link.Convection link, Room room, Box out) {
        doubtful(link);
        room.flowMovedM3s.forEach((input, flow) -> network.moves(input, link, link.forced(forcedInside(flow, out))));
    }

    private double touchLimit(Shell shell) {
        if (build.brief().surroundings().inHands()) {
            return TOUCH_HELD_C;
        }
        return shell.material().metal() ? TOUCH_METAL_C : TOUCH_PLASTIC_C;
    }

    /** With a fan the vents nearest to it are its own; without, lower vents let in and upper ones out. */
    private void vents(Room room, Optional<Placed> fan) {
        List<Vent> vents = room.shell.vents();
        if (vents.isEmpty()) {
            return;
        }
        if (fan.isPresent()) {
            Box at = fan.get().bounds();
            Vent own = vents.stream()
                    .min(Comparator.comparingDouble(v -> distance(v.box(), at)))
                    .orElseThrow();
            double others = area(vents) - own.areaMm2() * MM2;
            Facet.MovesAir moves = fan.get().part().facet(Facet.MovesAir.class).orElseThrow();
            Part part = fan.get().part();
            double openM2 = Air.inRow(own.areaMm2() * MM2, others);
            Input free = part.input(Facet.MovesAir.class, "freeLs", moves.freeLs());
            Input shutOff = part.input(Facet.MovesAir.class, "shutOffPa", moves.shutOffPa());
            DoubleBinaryOperator flow = (ls, pa) -> Air.fanFlow(ls * 1e-3, pa, openM2);
            double ls = free.figure().value();
            double pa = shutOff.figure().value();
            room.fanFlowM3s = flow.applyAsDouble(ls, pa);
            room.flowMovedM3s.put(free, flow.applyAsDouble(ls + free.figure().sigma(), pa));
            room.flowMovedM3s.put(
                    shutOff, flow.applyAsDouble(ls, pa + shutOff.figure().sigma()));
            Link out = new Link.Fixed(room.air, 0, Air.carried(room.fanFlowM3s));
            network.link(out);
            room.flowMovedM3s.forEach(
                    (input, moved) -> network.moves(input, out, new Link.Fixed(room.air, 0, Air.carried(moved))));
            return;
        }
        double middle = vents.stream().mapToDouble(HeatModel::height).average().orElseThrow();
        List<Vent> lower = vents.stream().filter(v -> height(v) < middle).toList();
        List<Vent> upper = vents.stream().filter(v -> height(v) >= middle).toList();
        double rise = meanHeight(upper) - meanHeight(lower);
        if (!lower.isEmpty() && rise > 0) {
            network.link(new Link.Chimney(room.air, 0, Air.inRow(area(lower), area(upper)), rise * MM));
        }
    }

    private static double distance(Box a, Box b) {
        double square = 0;
        for (int axis = 0; axis < 3; axis++) {
            double gap = Math.max(0, a.gapAlong(axis, b));
            square += gap * gap;
        }
        return square;
    }

    private static double height(Vent vent) {
        return vent.box().centre().z();
    }

    private static double meanHeight(List<Vent> vents) {
        return vents.stream().mapToDouble(v -> height(v) * v.areaMm2()).sum()
                / Math.max(1e-9, vents.stream().mapToDouble(Vent::areaMm2).sum());
    }

    private static double area(List<Vent> vents) {
        return vents.stream().mapToDouble(Vent::areaMm2).sum() * MM2;
    }

    private void part(Placed placed, Room room) {
        Part part = placed.part();
        double heat = power.heatByPart().getOrDefault(part.id(), 0.0);
        Optional<Facet.Thermal> thermal = part.facet(Facet.Thermal.class);
        boolean cells = part.isSource();
        if (heat <= 0 && thermal.isEmpty() && !cells) {
            return;
        }
        int node = network.node(heat);
        doubt(part, node, heat);
        double limit = thermal.map(Facet.Thermal::limitC).orElse(cells ? CELLS_LIMIT_C : Double.POSITIVE_INFINITY);
        watched.add(new Watched(node, HeatResult.Kind.PART, part.id(), part.name(), Optional.empty(), limit, heat));
        toAir(placed, room, node, thermal);
        toCloseWalls(placed, room, node);
        for (HeatPath path : build.cooling().heatPaths()) {
            if (path.part().equals(part.id())) {
                known(path.input(), ohms -> new Link.Fixed(node, room.inside(path.wall()), 1 / Math.max(1e-3, ohms)));
            }
        }
    }

    /** A load's heat is as doubtful as its busy power. */
    private void doubt(Part part, int node, double heat) {
        part.facet(Facet.DrawsPower.class)
                .filter(d -> d.busyW().value() > 0)
                .ifPresent(d -> network.warms(
                        part.input(Facet.DrawsPower.class, "busyW", d.busyW()),
                        node,
                        heat * d.busyW().sigma() / d.busyW().value()));
    }

    private void toAir(Placed placed, Room room, int node, Optional<Facet.Thermal> thermal) {
        boolean moving =
                room.fanFlowM3s > 0 && thermal.flatMap(Facet.Thermal::fanKW).isPresent();
        Optional<Figure> given =
                moving ? thermal.flatMap(Facet.Thermal::fanKW) : thermal.flatMap(Facet.Thermal::stillKW);
        if (given.isPresent()) {
            known(
                    placed.part().input(Facet.Thermal.class, moving ? "fanKW" : "stillKW", given.get()),
                    ohms -> new Link.Fixed(node, room.air, 1 / Math.max(1e-3, ohms)));
            return;
        }
        Box b = placed.bounds();
        double free = 0;
        for (Face face : Face.values()) {
            boolean touches = Math.abs(b.end(face) - placed.shell().cavity().end(face)) < CONTACT_MM;
            free += touches ? 0 : b.area(face) * MM2;
        }
        double length = Math.sqrt(Math.max(1, b.area(Face.TOP))) * MM;
        Box out = closedOutside(room.shell);
        convection(
                new Link.Convection(
                        node,
                        room.air,
                        Math.max(1e-6, free),
                        Air.VERTICAL,
                        length,
                        forcedInside(room.fanFlowM3s, out),
                        Air.INSIDE_RADIATION,
                        1),
                room,
                out);
    }

    /** Conduction through a thin gap of still air. */
    private void toCloseWalls(Placed placed, Room room, int node) {
        for (Face face : Face.values()) {
            double gap =
                    Math.abs(placed.bounds().end(face) - placed.shell().cavity().end(face));
            if (gap <= CLOSE_MM) {
                double area = placed.bounds().area(face) * MM2;
                network.link(new Link.Fixed(
                        node, room.inside(face), Air.CONDUCTIVITY * area / (Math.max(CONTACT_MM, gap) * MM)));
            }
        }
    }

    /** Wires run in the base; what they lose warms its air. */
    private void wiresWarmTheAir() {
        build.casing()
                .hinge()
                .map(h -> rooms.get(h.baseShell()))
                .or(() -> rooms.values().stream().findFirst())
                .ifPresent(room -> network.heat(room.air, power.wireHeatW()));
    }
}
