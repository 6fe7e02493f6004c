package boldsatchel.heat;

import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Facing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Vent;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Fins in the way of the air of a vent: close before it, or close at a fan that drives it.
 *
 * @param part that has them
 * @param fins of it
 * @param vent its place in the shell
 * @param met share of the fins that the air goes through
 * @param atVent whether close before it, so that the vent is counted with them
 * @param through what air meets between them
 * @param beside what air meets that goes past them
 */
record InLine(
        Placed part,
        FinnedSurface fins,
        int vent,
        double met,
        boolean atVent,
        AirNetwork.Orifice through,
        AirNetwork.Orifice beside) {

    private static final double MM2 = 1e-6;

    /** What is left of their vent. */
    AirNetwork.Orifice left(AirNetwork.Orifice vent) {
        AirNetwork.Orifice whole = through.beside(beside);
        return atVent
                ? new AirNetwork.Orifice(Math.min(vent.areaM2(), whole.areaM2()), vent.filter() + whole.filter())
                : vent.inRow(whole);
    }

    /** Air through them where so much goes by their vent, m³/s. */
    double throughM3s(double ventM3s) {
        return through.shareOf(Math.abs(ventM3s), beside);
    }

    /**
     * Those of a vent.
     *
     * @param vent its place in the shell
     * @param openMm2 what else leaves free of it
     * @param fans that drive it
     */
    static List<InLine> of(int vent, Vent at, double openMm2, List<Placed> inside, List<Placed> fans) {
        List<InLine> found = new ArrayList<>();
        for (Placed part : inside) {
            Optional<FinnedSurface> fins = FinnedSurface.of(part.part());
            if (fins.isPresent()) {
                before(vent, at, openMm2, part, fins.get())
                        .or(() -> own(vent, part, fins.get(), fans))
                        .or(() -> fans.stream()
                                .flatMap(fan -> at(vent, part, fins.get(), fan).stream())
                                .findFirst())
                        .ifPresent(found::add);
            }
        }
        return found;
    }

    /** Close before the vent. */
    private static Optional<InLine> before(int vent, Vent at, double openMm2, Placed part, FinnedSurface fins) {
        int axis = at.wall().axis();
        Facing facing = Facing.along(axis, at.box(), part.bounds());
        if (!part.isOpenAlong(axis) || !facing.within(FitEngine.VENT_CLEAR_MM)) {
            return Optional.empty();
        }
        double share = Math.min(1, facing.sharedMm2() / Math.max(1e-9, at.extentMm2()));
        double open = openMm2 * MM2;
        return Optional.of(new InLine(
                part,
                fins,
                vent,
                met(facing, part),
                true,
                fins.resists(met(facing, part)).inRow(new AirNetwork.Orifice(open * share, 0)),
                new AirNetwork.Orifice(open * (1 - share), 0)));
    }

    /** Blown through by a fan of the part itself. */
    private static Optional<InLine> own(int vent, Placed part, FinnedSurface fins, List<Placed> fans) {
        return fans.stream().anyMatch(fan -> fan.id().equals(part.id()))
                ? Optional.of(new InLine(part, fins, vent, 1, false, fins.resists(1), new AirNetwork.Orifice(0, 0)))
                : Optional.empty();
    }

    /** Close before a side at which a fan draws or blows. */
    private static Optional<InLine> at(int vent, Placed part, FinnedSurface fins, Placed fan) {
        Facet.MovesAir moves = fan.part().facet(Facet.MovesAir.class).orElseThrow();
        for (Optional<Face> side : List.of(moves.draws(), moves.blows())) {
            if (side.isPresent()) {
                Face face = fan.placement().orientation().turn(side.get());
                Facing facing = Facing.along(face.axis(), fan.bounds(), part.bounds());
                double further = (part.bounds().centre().along(face.axis())
                                - fan.bounds().centre().along(face.axis()))
                        * face.sign();
                if (part.isOpenAlong(face.axis()) && facing.within(FitEngine.VENT_CLEAR_MM) && further > 0) {
                    return Optional.of(new InLine(
                            part,
                            fins,
                            vent,
                            met(facing, part),
                            false,
                            fins.resists(met(facing, part)),
                            new AirNetwork.Orifice(pastMm2(fan.bounds(), facing) * MM2, 0)));
                }
            }
        }
        return Optional.empty();
    }

    /** What is open between a fan and fins before it, and of its side beside them. */
    static double pastMm2(Box fan, Box fins, int axis) {
        return pastMm2(fan, Facing.along(axis, fan, fins));
    }

    private static double pastMm2(Box fan, Facing facing) {
        int axis = facing.axis();
        double around = 2 * (fan.size((axis + 1) % 3) + fan.size((axis + 2) % 3));
        return around * facing.gapMm() + Math.max(0, fan.area(Face.of(axis, 1)) - facing.sharedMm2());
    }

    /** Share of the fins that the air goes through. */
    private static double met(Facing facing, Placed part) {
        double side = part.bounds().area(Face.of(facing.axis(), 1));
        return Math.min(1, facing.sharedMm2() / Math.max(1e-9, side));
    }
}
