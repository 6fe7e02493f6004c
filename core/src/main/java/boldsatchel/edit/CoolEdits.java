package boldsatchel.edit;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.HeatPath;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/** What is done against heat: vents, fans before vents, and ways to walls. Resistances of pads, sheets and pipes are guesses until a maker's figure is put in. */
public final class CoolEdits {

    /** Pads bridge no more than this, mm. */
    public static final double PAD_MOST_MM = 6;
    /** The thinnest pad. */
    private static final double PAD_LEAST_MM = 0.5;
    /** Usual pads of silicone with filler, W/(m·K). */
    private static final double PAD_WMK = 3;
    /** Of a pad for its two contacts, m²·K/W. */
    private static final double CONTACT = 5e-5;
    /** Thickness of a sheet that spreads heat. */
    public static final double SHEET_MM = 1;
    /** Share of a wall that a sheet can well cover. */
    private static final double SHEET_SHARE = 0.5;
    /** Diameters that heat pipes are sold in, before they are pressed flat, mm. */
    public static final List<Double> PIPES_MM = List.of(4.0, 5.0, 6.0, 8.0);
    /** The usual one. */
    public static final double PIPE_MM = 6;
    /** One of that, of copper with its two joints, K/W. */
    private static final double PIPE_KW = 0.8;
    /** It carries about that lying, W. */
    private static final double PIPE_MOST_W = 25;
    /** Of its diameter, walls and the middle of the wick on both sides, mm. */
    private static final double PIPE_WALLS_MM = 1.2;
    /** What its foot meets a wall with, mm². */
    private static final double PIPE_FOOT_MM2 = 1500;

    /** Of a wall's length, how much a vent takes that is put in by hand. */
    private static final double VENT_SHARE = 0.45;

    private static final double VENT_HIGH_MM = 8;
    /** How far something goes away from what warms it, the furthest first, mm. */
    private static final double[] AWAY_MM = {20, 15, 10, 7};
    /** A fan stands off wall and floor by that. */
    private static final double FAN_OFF_MM = 1;

    private CoolEdits() {}

    /**
     * Slots in a wall about a point, as far as the wall goes.
     *
     * @param at in the tray's frame
     */
    public static Vent slotsAt(Shell tray, Face wall, Vec at) {
        Box inside = tray.cavity();
        double[] size = new double[3];
        double[] low = new double[3];
        for (int axis = 0; axis < 3; axis++) {
            double room = inside.size(axis);
            boolean through = axis == wall.axis();
            size[axis] = through ? 0 : axis == 2 ? Math.min(VENT_HIGH_MM, room / 4) : VENT_SHARE * room;
            low[axis] = through
                    ? inside.end(wall)
                    : Math.clamp(at.along(axis) - size[axis] / 2, 0, Math.max(0, room - size[axis]));
        }
        return new Vent(
                "vent " + (tray.vents().size() + 1),
                wall,
                new Box(low[0], low[1], low[2], size[0], size[1], size[2]),
                Vent.Kind.SLOTS,
                0);
    }

    /** Height of a vent's middle where nobody said: the first low, the next high, so that warmth drives air through both. */
    public static double nextHeightMm(Shell tray) {
        double high = tray.cavity().dz();
        double off = Math.min(VENT_HIGH_MM, high / 4);
        return tray.vents().size() % 2 == 0 ? off : high - off;
    }

    /** How a fan can stand before a wall, the lowest first: with the side at which it blows towards it, where that is known. */
    public static List<Orientation> ways(Part fan, Face wall) {
        Optional<Face> blows = fan.facet(Facet.MovesAir.class).flatMap(Facet.MovesAir::blows);
        if (blows.isEmpty()) {
            return List.of(Orientation.AS_DRAWN, new Orientation(wall, 0));
        }
        return Orientation.ALL.stream()
                .filter(way -> way.turn(blows.get()) == wall)
                .sorted(Comparator.comparingDouble(
                        way -> way.turn(fan.body().bounds()).dz()))
                .toList();
    }

    /**
     * A fan on the floor before an upright wall; nothing where the tray is too low or too short for it.
     *
     * @param way it is turned
     * @param middle of it along the wall, as far as the wall goes, mm
     */
    public static Optional<Placement> fanAt(Shell tray, Part fan, Face wall, Orientation way, double middle) {
        Box inside = tray.cavity();
        Box size = way.turn(fan.body().bounds());
        int along = 1 - wall.axis();
        double deep = size.size(wall.axis());
        double room = inside.size(along) - size.size(along) - FAN_OFF_MM;
        if (size.dz() + 2 * FAN_OFF_MM > inside.dz()
                || deep + 2 * FAN_OFF_MM > inside.size(wall.axis())
                || room < FAN_OFF_MM) {
            return Optional.empty();
        }
        double off = wall.sign() > 0 ? inside.size(wall.axis()) - deep - FAN_OFF_MM : FAN_OFF_MM;
        double from = Math.clamp(middle - size.size(along) / 2, FAN_OFF_MM, room);
        Vec corner = along == 0 ? new Vec(from, off, FAN_OFF_MM) : new Vec(off, from, FAN_OFF_MM);
        return Optional.of(new Placement(fan.id(), tray.id(), corner, way, Set.of()));
    }

    /** Cuts one more vent into a tray. */
    public static Edit vent(Shell tray, Vent vent) {
        List<Vent> all = new ArrayList<>(tray.vents());
        all.add(vent);
        return CaseEdits.vents("cut a vent into " + tray.name(), tray, all);
    }

    /** Puts a fan of the shelf to a wall, with a vent before it; and one across where the tray has none. */
    public static Edit fan(Shell tray, Part fan, Face wall, Placement place) {
        return new Edit("add " + fan.name() + " to " + tray.name(), b -> {
            Part named = fan.withId(b.freeId(fan.id()));
            Part own = named.withFacet(blowing(named, place.orientation(), wall));
            Placement at = new Placement(own.id(), place.shell(), place.at(), place.orientation(), place.touches());
            Box bounds = Placed.of(own, at, tray).bounds();
            List<Vent> vents = new ArrayList<>(tray.vents());
            vents.add(new Vent("before the fan", wall, shadow(bounds, wall, tray.cavity()), Vent.Kind.GRILLE, 0));
            if (tray.vents().isEmpty()) {
                vents.add(across(tray, wall));
            }
            return CaseEdits.vents("", tray, vents)
                    .change()
                    .apply(b.with(b.parts().and(own)).with(at));
        });
    }

    /** The shadow of a box on a wall. */
    private static Box shadow(Box b, Face wall, Box inside) {
        double end = inside.end(wall);
        return switch (wall.axis()) {
            case 0 -> new Box(end, b.y(), b.z(), 0, b.dy(), b.dz());
            case 1 -> new Box(b.x(), end, b.z(), b.dx(), 0, b.dz());
            default -> new Box(b.x(), b.y(), end, b.dx(), b.dy(), 0);
        };
    }

    /**
     * Cuts a vent before a side of a part.
     *
     * @param moved whether the part goes close to that wall
     */
    public static Edit ventBefore(Placed part, Face wall, boolean moved) {
        Shell tray = part.shell();
        Box b = part.bounds();
        double by = Math.max(0, Math.abs(tray.cavity().end(wall) - b.end(wall)) - FAN_OFF_MM) * wall.sign();
        return new Edit("cut a vent before " + part.part().name(), build -> {
            List<Vent> vents = new ArrayList<>(tray.vents());
            vents.add(new Vent(
                    "before " + part.part().name(), wall, shadow(b, wall, tray.cavity()), Vent.Kind.GRILLE, 0));
            if (tray.vents().isEmpty()) {
                vents.add(across(tray, wall));
            }
            Build cut = CaseEdits.vents("", tray, vents).change().apply(build);
            return moved
                    ? Edits.move(part.part(), at -> at.with(wall.axis(), at.along(wall.axis()) + by))
                            .change()
                            .apply(cut)
                    : cut;
        });
    }

    private static Vent across(Shell tray, Face wall) {
        return Vent.usual("air in", wall.opposite(), tray.cavity(), false, Vent.Kind.SLOTS);
    }

    /** Says that a part blows at a wall. */
    public static Edit blowsTo(Placed part, Face wall) {
        return Edits.changePart(
                "the way it blows",
                part.part(),
                p -> p.withFacet(blowing(p, part.placement().orientation(), wall)));
    }

    private static Facet.MovesAir blowing(Part part, Orientation way, Face wall) {
        Facet.MovesAir moves = part.facet(Facet.MovesAir.class).orElseThrow();
        return Form.of(Facet.MovesAir.class).field("blows").with(moves, Optional.of(sideAt(way, wall)));
    }

    /**
     * Turns round which way a fan drives its air: what draws blows. One of which nobody said it is taken to blow out of the vent next to it, and draws in
     * there then; nothing for what moves no air, or lies in a tray without a vent.
     */
    public static Optional<Edit> otherWay(Placed fan) {
        return fan.part().facet(Facet.MovesAir.class).flatMap(moves -> {
            Optional<Face> there = Vent.nearest(fan.shell().vents(), fan.bounds())
                    .map(v -> sideAt(fan.placement().orientation(), v.wall()));
            Optional<Face> blows = moves.isDirected() ? moves.blows() : there;
            Form form = Form.of(Facet.MovesAir.class);
            Object turned = form.field("blows").with(form.field("draws").with(moves, blows), moves.draws());
            return blows.or(moves::draws)
                    .map(side -> Edits.changePart(
                            "the way it blows", fan.part(), p -> p.withFacet((Facet.MovesAir) turned)));
        });
    }

    /** Leads the air of a fan to its vent between walls. */
    public static Edit duct(Part fan) {
        return Edits.changePart(
                "the duct of its air",
                fan,
                p -> p.facet(Facet.MovesAir.class)
                        .map(m -> p.withFacet(m.withDuct()))
                        .orElse(p));
    }

    /** Lets a fan run whenever the machine does. */
    public static Edit always(Part fan) {
        return Edits.changePart(
                "when its fan runs",
                fan,
                p -> p.facet(Facet.MovesAir.class)
                        .map(m -> p.withFacet(m.always()))
                        .orElse(p));
    }

    /** Which side of a part looks at a wall. */
    private static Face sideAt(Orientation way, Face wall) {
        return Face.ALL.stream().filter(f -> way.turn(f) == wall).findFirst().orElseThrow();
    }

    /** Moves a part away from another, as far as its tray has room that way and at most 20 mm; nothing where it cannot go anywhere. */
    public static Optional<Edit> awayFrom(Build build, Placed part, Placed other) {
        List<Placed> others = Placed.in(part.shell(), Placed.all(build)).stream()
                .filter(p -> !p.id().equals(part.id()))
                .toList();
        Box inside = part.shell().cavity();
        for (double far : AWAY_MM) {
            for (Face side : Face.ALL) {
                double gap = part.bounds().gapAlong(side.axis(), other.bounds());
                boolean away = (part.bounds().centre().along(side.axis())
                                        - other.bounds().centre().along(side.axis()))
                                * side.sign()
                        > 0;
                Vec by = Vec.ZERO.with(side.axis(), far * side.sign());
                Box there = part.bounds().moved(by);
                if (side.axis() != 2
                        && gap > -FAN_OFF_MM
                        && away
                        && there.low(side.axis()) >= 0
                        && there.high(side.axis()) <= inside.size(side.axis())
                        && others.stream().noneMatch(o -> o.bounds().signedDistance(there) < FAN_OFF_MM)) {
                    return Optional.of(Edits.move(part.part(), at -> at.plus(by)));
                }
            }
        }
        return Optional.empty();
    }

    /** Lays a second heat pipe beside one. */
    public static Edit twice(Part part, Face wall) {
        return new Edit("lay a second pipe beside that of " + part.name(), b -> {
            List<HeatPath> paths = new ArrayList<>(b.cooling().heatPaths());
            paths.replaceAll(p -> p.part().equals(part.id()) && p.wall() == wall ? p.twice() : p);
            return b.with(b.cooling().withPaths(paths));
        });
    }

    /** Between a part and a wall, mm. */
    public static double gapMm(Placed part, Face wall) {
        return Math.abs(part.shell().cavity().end(wall) - part.bounds().end(wall));
    }

    /** Thickness of the pad that bridges a gap, mm. */
    public static double padMm(double gapMm) {
        return Math.max(PAD_LEAST_MM, gapMm);
    }

    /** A pad to a wall; nothing where that is too far, or has a way already. */
    public static Optional<Edit> pad(Build build, Placed part, Face wall) {
        double gap = gapMm(part, wall);
        return gap <= PAD_MOST_MM && isFree(build, part, wall)
                ? Optional.of(
                        leads(part.part(), new HeatPath(part.id(), wall, Figure.guess(padKW(part, wall, gap)), "pad")))
                : Optional.empty();
    }

    private static double padKW(Placed part, Face wall, double gapMm) {
        return padKW(part.bounds().area(wall), gapMm);
    }

    /** A pad of an area between what is so far apart. */
    static double padKW(double areaMm2, double gapMm) {
        return (padMm(gapMm) * 1e-3 / PAD_WMK + CONTACT) / (Math.max(1, areaMm2) * 1e-6);
    }

    /** How large a sheet along a wall is, mm². */
    public static double sheetMm2(Shell tray, Face wall) {
        return tray.cavity().area(wall) * SHEET_SHARE;
    }

    /** A pad, and behind it a sheet of aluminium along a wall; nothing where there is no room for it, or a way already. */
    public static Optional<Edit> sheet(Build build, Placed part, Face wall) {
        double gap = gapMm(part, wall);
        double sheet = sheetMm2(part.shell(), wall);
        boolean fits =
                gap <= PAD_MOST_MM && gap >= SHEET_MM && sheet > part.bounds().area(wall);
        return fits && isFree(build, part, wall)
                ? Optional.of(leads(
                        part.part(),
                        new HeatPath(
                                part.id(),
                                wall,
                                Figure.guess(padKW(part, wall, gap - SHEET_MM)),
                                "pad and sheet of aluminium",
                                Optional.of(sheet))))
                : Optional.empty();
    }

    /** Of a pipe and its joints, K/W: what it touches goes with its diameter. A guess. */
    static Figure pipeKW(double pipeMm) {
        return Figure.guess(PIPE_KW * PIPE_MM / pipeMm);
    }

    /** What a pipe carries at most, lying, W: what its wick lets through goes with the ring that it is (Faghri, Heat Pipe Science and Technology, ch. 4). A guess. */
    static double pipeMostW(double pipeMm) {
        return PIPE_MOST_W * (pipeMm - PIPE_WALLS_MM) / (PIPE_MM - PIPE_WALLS_MM);
    }

    /** What is written of a pipe. */
    static String pipeWords(double pipeMm) {
        return "heat pipe, " + Units.format(pipeMm, 0, "mm");
    }

    /**
     * A heat pipe to a wall, however far; nothing where the part has a way there already.
     *
     * @param pipeMm its diameter before it was pressed flat
     */
    public static Optional<Edit> pipe(Build build, Placed part, Face wall, double pipeMm) {
        return isFree(build, part, wall)
                ? Optional.of(leads(
                        part.part(),
                        new HeatPath(
                                part.id(),
                                wall,
                                pipeKW(pipeMm),
                                pipeWords(pipeMm),
                                Optional.of(PIPE_FOOT_MM2),
                                Optional.of(pipeMostW(pipeMm)))))
                : Optional.empty();
    }

    private static boolean isFree(Build build, Placed part, Face wall) {
        return build.cooling().heatPaths().stream().noneMatch(p -> p.part().equals(part.id()) && p.wall() == wall);
    }

    /** The pads, sheets and pipes of a part, in the build's order. */
    public static List<HeatPath> ways(Build build, String part) {
        return build.cooling().heatPaths().stream()
                .filter(p -> p.part().equals(part))
                .toList();
    }

    /**
     * Changes a pad, sheet or pipe.
     *
     * @param which of those that the part has
     */
    public static Edit way(String what, Part part, int which, UnaryOperator<HeatPath> change) {
        return new Edit(
                "change " + what + " of what leads heat from " + part.name(),
                b -> replaced(b, part, which, path -> List.of(change.apply(path))));
    }

    /** Takes a pad, sheet or pipe out. */
    public static Edit withoutWay(Part part, int which) {
        return new Edit(
                "take out what leads heat from " + part.name(), b -> replaced(b, part, which, path -> List.of()));
    }

    private static Build replaced(Build build, Part part, int which, Function<HeatPath, List<HeatPath>> with) {
        return build.with(build.cooling()
                .withPaths(replaced(
                        build.cooling().heatPaths(), path -> path.part().equals(part.id()), which, with)));
    }

    /** A list with others in the place of one of those that are meant. */
    static <T> List<T> replaced(List<T> all, Predicate<T> meant, int which, Function<T, List<T>> with) {
        List<T> now = new ArrayList<>();
        int seen = 0;
        for (T one : all) {
            now.addAll(meant.test(one) && seen++ == which ? with.apply(one) : List.of(one));
        }
        return now;
    }

    private static Edit leads(Part part, HeatPath path) {
        return new Edit("lead the heat of " + part.name() + " to a wall", b -> {
            List<HeatPath> paths = new ArrayList<>(b.cooling().heatPaths());
            paths.add(path);
            return b.with(b.cooling().withPaths(paths));
        });
    }
}
