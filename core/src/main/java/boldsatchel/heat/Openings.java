package boldsatchel.heat;

import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Facing;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Input;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * How air gets in and out of a shell: by its vents, as far as nothing lies before them, driven by warmth or by its fans.
 */
final class Openings {

    private static final double MM = 1e-3;
    private static final double MM2 = 1e-6;
    private static final double LITRE = 1e-3;
    /** So many widths a free jet goes on before it has mixed to its middle (Rajaratnam, Turbulent Jets, 1976). */
    private static final double CORE_WIDTHS = 5;
    /** No more of what comes in is taken to have just gone out. */
    private static final double MOST_AGAIN = 0.5;

    /**
     * A vent and what air meets in it.
     *
     * @param orifice free area and filter, those of fins in its way with it
     */
    private record Open(Vent vent, AirNetwork.Orifice orifice) {
        double heightMm() {
            return vent.box().centre().z();
        }

        double areaM2() {
            return orifice.areaM2();
        }

        /** What its filter takes, Pa·s/m³. */
        double filter() {
            return orifice.filter();
        }
    }

    /** A fan that drives a vent. */
    private record Fan(Placed at, Facet.MovesAir moves, Way way) {
        Part part() {
            return at.part();
        }

        List<Input> inputs() {
            return List.of(
                    part().input(Facet.MovesAir.class, "freeLs", moves.freeLs()),
                    part().input(Facet.MovesAir.class, "shutOffPa", moves.shutOffPa()));
        }
    }

    /**
     * How a fan stands to a vent.
     *
     * @param vent its place
     * @param out whether it blows out of it
     * @param leakM2 free area about the way between them
     * @param duct what a duct between them takes of the pressure, where there is one
     */
    private record Way(int vent, boolean out, double leakM2, Optional<AirNetwork.Orifice> duct) {}

    /**
     * What fans drive.
     *
     * @param outM3s by vent, out of the room; negative where air comes in
     * @param throughM3s what comes in, and goes out
     * @param again share of what comes in that has just gone out, an estimate
     * @param insideM3s what these fans move that goes round inside
     */
    record Driven(List<Double> outM3s, double throughM3s, double again, double insideM3s) {
        /** Fresh air. */
        double freshM3s() {
            return throughM3s * (1 - again);
        }
    }

    private final List<Open> vents = new ArrayList<>();
    private final List<Fan> fans = new ArrayList<>();
    private final List<InLine> inLine = new ArrayList<>();
    /** Parts with fins and a fan of their own that looks at no vent, and what it blows through them, m³/s. */
    private final Map<String, Double> ownM3s = new HashMap<>();

    /** Flow of fans that look at no vent. */
    private double looseM3s;

    /**
     * Of a shell.
     *
     * @param inside what lies in it
     * @param undersideMm between its floor and what it stands on
     * @param runs whether a part has a fan that runs; one that stands is before its vent like any part
     */
    Openings(Shell shell, List<Placed> inside, double undersideMm, Predicate<Part> runs) {
        for (Placed placed : inside) {
            placed.part()
                    .facet(Facet.MovesAir.class)
                    .filter(moves -> runs.test(placed.part()))
                    .ifPresent(moves -> way(shell, placed, moves, inside)
                            .ifPresentOrElse(
                                    way -> fans.add(new Fan(placed, moves, way)), () -> loose(placed.part(), moves)));
        }
        for (int i = 0; i < shell.vents().size(); i++) {
            vents.add(open(shell, i, inside, undersideMm, runs));
        }
    }

    /** A fan that looks at no vent stirs the air; one on fins blows through them. */
    private void loose(Part part, Facet.MovesAir moves) {
        looseM3s += moves.freeLs().value() * LITRE;
        FinnedSurface.of(part)
                .ifPresent(fins -> ownM3s.put(
                        part.id(),
                        FanCurve.of(
                                        moves,
                                        moves.freeLs().value(),
                                        moves.shutOffPa().value())
                                .through(fins.resists(1), 0)));
    }

    /** A vent with what lies before it, and with the fins in the way of its air. */
    private Open open(Shell shell, int place, List<Placed> inside, double undersideMm, Predicate<Part> runs) {
        Vent vent = shell.vents().get(place);
        double freeMm2 = Math.min(openMm2(shell, vent, inside, runs), below(vent, undersideMm));
        List<Fan> here = fans.stream().filter(f -> f.way().vent() == place).toList();
        List<Placed> driving = here.stream().map(Fan::at).toList();
        AirNetwork.Orifice orifice =
                new AirNetwork.Orifice(freeMm2 * MM2, vent.filterPa() / Math.max(1e-9, vent.extentMm2() * MM2));
        for (InLine fins : InLine.of(place, vent, freeMm2, inside, driving)) {
            inLine.add(fins);
            orifice = fins.left(orifice);
        }
        Optional<AirNetwork.Orifice> ducts =
                here.stream().flatMap(f -> f.way().duct().stream()).reduce(AirNetwork.Orifice::beside);
        return new Open(vent, ducts.map(orifice::inRow).orElse(orifice));
    }

    /**
     * Air driven through the fins of a part.
     *
     * @param m3s how much
     * @param share of the fins
     * @param vent by whose air; nothing where it comes from the room and stays in it
     * @param out whether it goes out by that, or comes in
     */
    record Through(double m3s, double share, OptionalInt vent, boolean out) {
        /** What they give off to it, W/K. */
        double givenWK(FinnedSurface fins) {
            return fins.forcedWK(m3s, share);
        }
    }

    /** Air driven through the fins of a part, by the vent that drives most. */
    Through through(String part, Optional<Driven> driven) {
        Through most = new Through(ownM3s.getOrDefault(part, 0.0), 1, OptionalInt.empty(), false);
        if (driven.isPresent()) {
            for (InLine fins : inLine) {
                double goes = driven.get().outM3s().get(fins.vent());
                double through = fins.part().id().equals(part) ? fins.throughM3s(goes) : 0;
                if (through > most.m3s) {
                    most = new Through(through, fins.met(), OptionalInt.of(fins.vent()), goes > 0);
                }
            }
        }
        return most;
    }

    /** Of which nobody knows how it blows, it is taken to sit tight at the vent next to it, and to blow out. */
    private static Optional<Way> way(Shell shell, Placed fan, Facet.MovesAir moves, List<Placed> inside) {
        if (!moves.isDirected()) {
            return Vent.nearest(shell.vents(), fan.bounds())
                    .map(v -> new Way(shell.vents().indexOf(v), true, 0, Optional.empty()));
        }
        List<Way> ways = new ArrayList<>();
        moves.blows().ifPresent(face -> ways.addAll(ways(shell, fan, moves, face, true, inside)));
        moves.draws().ifPresent(face -> ways.addAll(ways(shell, fan, moves, face, false, inside)));
        return ways.stream().min(Comparator.comparingDouble(Way::leakM2));
    }

    /** To the vents that one of its sides looks at. */
    private static List<Way> ways(
            Shell shell, Placed fan, Facet.MovesAir moves, Face ofPart, boolean out, List<Placed> inside) {
        Face face = fan.placement().orientation().turn(ofPart);
        int u = (face.axis() + 1) % 3;
        int v = (face.axis() + 2) % 3;
        Box box = fan.bounds();
        double gap = Math.max(0, (shell.cavity().end(face) - box.end(face)) * face.sign());
        List<Way> ways = new ArrayList<>();
        for (int i = 0; i < shell.vents().size(); i++) {
            Vent vent = shell.vents().get(i);
            double across = -vent.box().gapAlong(u, box);
            double along = -vent.box().gapAlong(v, box);
            if (vent.wall() == face && across > 0 && along > 0) {
                double met = across * along / Math.min(vent.extentMm2(), box.area(face));
                double jet = gap <= 0 ? 1 : Math.min(1, CORE_WIDTHS * Math.min(across, along) / gap);
                double around = 2 * (box.size(u) + box.size(v)) * gap;
                double leak = between(inside, vent, box)
                        .map(fins -> InLine.pastMm2(box, fins.bounds(), face.axis()))
                        .orElse(around * (1 - Math.min(1, met) * jet));
                ways.add(
                        moves.ducted()
                                ? new Way(i, out, 0, Optional.of(DuctLoss.straight(gap, box.size(u), box.size(v))))
                                : new Way(i, out, leak * MM2, Optional.empty()));
            }
        }
        if (ways.isEmpty() && moves.ducted()) {
            Vent.nearest(shell.vents(), box)
                    .map(vent -> new Way(
                            shell.vents().indexOf(vent),
                            out,
                            0,
                            Optional.of(DuctLoss.bent(
                                    vent.box().centre().minus(box.centre()).length(), box.size(u), box.size(v)))))
                    .ifPresent(ways::add);
        }
        return ways;
    }

    /** Fins between a fan and the vent that it looks at: no jet goes through them, so that what is open around the fan is. */
    private static Optional<Placed> between(List<Placed> inside, Vent vent, Box fan) {
        int axis = vent.wall().axis();
        return inside.stream()
                .filter(p -> p.isOpenAlong(axis)
                        && Facing.along(axis, vent.box(), p.bounds()).within(FitEngine.VENT_CLEAR_MM)
                        && Facing.of(fan, p.bounds())
                                .filter(f -> f.axis() == axis)
                                .isPresent())
                .findFirst();
    }

    /** Free area of a vent, mm²: before a part that is close there is only the slit about it. */
    private static double openMm2(Shell shell, Vent vent, List<Placed> inside, Predicate<Part> runs) {
        Face wall = vent.wall();
        int u = (wall.axis() + 1) % 3;
        int v = (wall.axis() + 2) % 3;
        double whole = vent.box().size(u) * vent.box().size(v);
        double covered = 0;
        double slit = 0;
        for (Placed part : inside) {
            if (runs.test(part.part()) || part.isOpenAlong(wall.axis())) {
                continue;
            }
            for (Solid body : part.solids()) {
                Box solid = body.bounds();
                double gap = Math.abs(shell.cavity().end(wall) - solid.end(wall));
                double across = -vent.box().gapAlong(u, solid);
                double along = -vent.box().gapAlong(v, solid);
                if (gap < FitEngine.VENT_CLEAR_MM && across > 0 && along > 0) {
                    covered += across * along;
                    slit += Math.min(across * along, 2 * (across + along) * gap);
                }
            }
        }
        double share = whole > 0 ? Math.clamp((whole - covered + slit) / whole, 0, 1) : 0;
        return vent.areaMm2() * share;
    }

    /** A vent in the floor draws its air through the slit about it, mm². */
    private static double below(Vent vent, double undersideMm) {
        return vent.wall() == Face.BOTTOM
                ? 2 * (vent.box().dx() + vent.box().dy()) * undersideMm
                : Double.POSITIVE_INFINITY;
    }

    private static double area(List<Open> vents) {
        return vents.stream().mapToDouble(Open::areaM2).sum();
    }

    /** What fans move that goes round inside, m³/s. */
    double insideM3s(Optional<Driven> driven) {
        return looseM3s + driven.map(Driven::insideM3s).orElse(0.0);
    }

    /** Those that drive vents. */
    List<HeatResult.FanAt> fans() {
        return fans.stream()
                .map(f -> new HeatResult.FanAt(
                        f.part().id(),
                        f.way().vent(),
                        Math.max(0, vents.get(f.way().vent()).vent().box().signedDistance(f.at().bounds()))))
                .toList();
    }

    /** Figures of the fans that drive vents. */
    List<Input> inputs() {
        return fans.stream().flatMap(f -> f.inputs().stream()).toList();
    }

    /** What the fans drive; nothing where none stands before a vent. */
    Optional<Driven> driven() {
        return fans.isEmpty() ? Optional.empty() : Optional.of(driven(f -> curve(f)));
    }

    /** The same with one of the fans' figures moved by a standard deviation. */
    Driven moved(Input input) {
        return driven(f -> f.inputs().contains(input)
                ? FanCurve.of(f.moves(), input, input.figure().sigma())
                : curve(f));
    }

    private static FanCurve curve(Fan fan) {
        return FanCurve.of(
                fan.moves(),
                fan.moves().freeLs().value(),
                fan.moves().shutOffPa().value());
    }

    private Driven driven(Function<Fan, FanCurve> curve) {
        List<AirNetwork.Duct> ducts = new ArrayList<>();
        for (int i = 0; i < vents.size(); i++) {
            int vent = i;
            List<Fan> here = fans.stream().filter(f -> f.way().vent() == vent).toList();
            // What blows out of a vent while another draws in by it drives nothing.
            if (here.stream().map(f -> f.way().out()).distinct().count() == 1) {
                ducts.add(new AirNetwork.Duct(
                        vent,
                        here.getFirst().way().out(),
                        FanCurve.beside(here.stream().map(curve).toList()),
                        here.stream().mapToDouble(f -> f.way().leakM2()).sum()));
            }
        }
        AirNetwork.Flows flows =
                new AirNetwork(vents.stream().map(Open::orifice).toList(), ducts).solve();
        double through = flows.throughM3s();
        return new Driven(flows.outM3s(), through, again(flows), Math.max(0, flows.fansM3s() - through));
    }

    /**
     * How much of what comes in has just gone out: an inlet draws from all sides, and of the half sphere about it an outlet so far away takes its
     * share; half of that round a corner, nothing across. An estimate.
     */
    private double again(AirNetwork.Flows flows) {
        double sum = 0;
        double through = Math.max(1e-12, flows.throughM3s());
        for (int in = 0; in < vents.size(); in++) {
            for (int out = 0; out < vents.size(); out++) {
                double comes = -flows.outM3s().get(in);
                double goes = flows.outM3s().get(out);
                if (comes > 0 && goes > 0) {
                    sum += comes
                            / through
                            * goes
                            / through
                            * share(vents.get(in).vent(), vents.get(out).vent());
                }
            }
        }
        return Math.min(MOST_AGAIN, sum);
    }

    private static double share(Vent in, Vent out) {
        Vec apart = in.box().centre().minus(out.box().centre());
        double sphere = 2 * Math.PI * apart.dot(apart);
        double share = out.extentMm2() / (out.extentMm2() + sphere);
        return in.wall() == out.wall() ? share : in.wall().axis() == out.wall().axis() ? 0 : share / 2;
    }

    /** Warm air leaving by the upper vents while cool air enters by the lower; nothing where all are at one height or a fan drives. */
    Optional<Link> chimney(int air) {
        if (vents.isEmpty() || !fans.isEmpty()) {
            return Optional.empty();
        }
        List<Open> lower = clear(half(false));
        List<Open> upper = clear(half(true));
        double rise = meanHeight(upper) - meanHeight(lower);
        double areaM2 = Air.inRow(area(lower), area(upper));
        return rise > 0 && areaM2 > 0
                ? Optional.of(new Link.Chimney(air, 0, areaM2, rise * MM, filter(lower) + filter(upper)))
                : Optional.empty();
    }

    /** What warmth drives through each vent, out of the room; negative where air comes in, m³/s. */
    List<Double> risen(double throughM3s) {
        return vents.stream()
                .map(v -> {
                    boolean above = half(true).contains(v);
                    List<Open> beside = clear(half(above));
                    double share = beside.contains(v) ? v.areaM2() / Math.max(1e-12, area(beside)) : 0;
                    return (above ? 1 : -1) * share * throughM3s;
                })
                .toList();
    }

    /** The vents above the mean height of all, or those below. */
    private List<Open> half(boolean above) {
        double middle = vents.stream().mapToDouble(Open::heightMm).average().orElse(0);
        return vents.stream().filter(v -> v.heightMm() >= middle == above).toList();
    }

    /** Where some have no filter, warmth drives next to nothing through the others. */
    private static List<Open> clear(List<Open> vents) {
        List<Open> clear = vents.stream().filter(v -> v.filter() == 0).toList();
        return clear.isEmpty() ? vents : clear;
    }

    /** What the filters of vents beside one another take together, Pa·s/m³. */
    private static double filter(List<Open> vents) {
        double less = vents.stream().mapToDouble(v -> 1 / v.filter()).sum();
        return 1 / less;
    }

    private static double meanHeight(List<Open> vents) {
        return vents.stream().mapToDouble(v -> v.heightMm() * v.areaM2()).sum() / Math.max(1e-12, area(vents));
    }
}
