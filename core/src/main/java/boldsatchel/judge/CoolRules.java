package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.geometry.Face;
import boldsatchel.heat.Dew;
import boldsatchel.heat.HeatPlace;
import boldsatchel.heat.HeatResult;
import boldsatchel.heat.Noise;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.List;

/** Finds what is wrong with how a machine is cooled, beside what gets too warm: noise, dew, boards on the floor, air that
 * goes round, cells that are warmed by what is beside them, pipes that run dry, fins in air that stands. */
final class CoolRules {

    /** A board warmer than this has an underside that counts, W. */
    private static final double WARM_W = 3;
    /** Less room than this under it holds no air that moves, mm. */
    private static final double UNDER_MM = 1;
    /** Share of what comes in that has just gone out from which on it is told. */
    private static final double AGAIN = 0.05;
    /** A fan no further from a vent than this is taken to blow out of it, mm. */
    private static final double FAN_AT_MM = 10;
    /** Cells age twice as fast for every ten kelvin or so above 25 °C; from here on it is told what warms them. */
    private static final double CELLS_WARMED_C = 35;

    /** Share of the heat of cells that comes from one part beside them, from which on it is told. */
    private static final double CELLS_SHARE = 0.25;

    /** A fan that would help no more than this may wait, K. */
    private static final double WAITED_K = 1;

    private CoolRules() {}

    static List<Finding> find(Build build, HeatResult heat) {
        Sheet sheet = new Sheet(new CoolTelling(build));
        noise(sheet, build);
        dew(sheet, build);
        for (Part part : build.parts().list()) {
            onTheFloor(sheet, build, heat, part);
        }
        heat.shells().forEach(air -> {
            air(sheet, build, air);
            air.fans().forEach(fan -> whichWay(sheet, build, air, fan));
        });
        besideCells(sheet, build, heat);
        pipes(sheet, heat);
        apart(sheet, build);
        heat.shells().forEach(air -> air.fins().forEach(fins -> still(sheet, build, heat, fins)));
        waits(sheet, build, heat);
        return sheet.findings();
    }

    private static void noise(Sheet sheet, Build build) {
        build.brief().limits().noiseDb().ifPresent(most -> {
            Noise noise = Noise.of(build);
            double is = noise.decibels().orElse(Double.NEGATIVE_INFINITY);
            if (is > most) {
                sheet.add(
                        "heat.noise",
                        Severity.STOP,
                        List.of(noise.loudest()),
                        numbers("decibels", is, "limitDb", most));
            } else if (!noise.unknown().isEmpty()) {
                sheet.add("heat.noise-unknown", Severity.WATCH, noise.unknown(), numbers("limitDb", most));
            }
        });
    }

    private static void dew(Sheet sheet, Build build) {
        Brief.Surroundings around = build.brief().surroundings();
        if (!build.parts().list().isEmpty()) {
            Dew.settles(around)
                    .ifPresent(dew -> sheet.add(
                            "heat.dew",
                            Severity.WATCH,
                            List.of(),
                            numbers("celsius", around.packC(), "airC", around.ambientC(), "dewC", dew)));
        }
    }

    /** The underside of a board is as hot as its top, and often bears half of its parts. */
    private static void onTheFloor(Sheet sheet, Build build, HeatResult heat, Part part) {
        if (!part.family().computes()) {
            return;
        }
        double gapMm = build.placement(part.id()).map(at -> at.at().z()).orElse(UNDER_MM);
        if (gapMm >= UNDER_MM
                || build.cooling().heatPaths().stream()
                        .anyMatch(p -> p.part().equals(part.id()) && p.wall() == Face.BOTTOM)) {
            return;
        }
        double watts = heat.part(part.id()).map(HeatResult.Spot::heatW).orElse(0.0);
        if (watts >= WARM_W) {
            sheet.add("heat.no-gap-under", Severity.WATCH, List.of(part.id()), numbers("gapMm", gapMm, "watts", watts));
        }
    }

    /** What fans blow out and draw in again, or move about inside. */
    private static void air(Sheet sheet, Build build, HeatResult.ShellAir air) {
        List<Part> fans = build.layout().placements().stream()
                .filter(at -> at.shell().equals(air.shell()))
                .flatMap(at -> build.part(at.part()).stream())
                .filter(p -> p.facet(Facet.MovesAir.class).isPresent())
                .toList();
        boolean bagged = build.brief().surroundings().about() == Brief.Surroundings.About.BAG;
        if (fans.isEmpty() || air.sealed() || bagged) {
            return;
        }
        if (air.again() >= AGAIN) {
            sheet.add(
                    "heat.air-goes-round",
                    Severity.WATCH,
                    List.of(fans.getFirst().id(), air.shell()),
                    numbers("share", air.again(), "flowLs", air.flowLs(), "outlet", outlet(air)));
        }
        if (air.insideLs() > air.flowLs()) {
            fans.stream()
                    .filter(CoolRules::isDirected)
                    .findFirst()
                    .ifPresent(fan -> sheet.add(
                            "heat.fan-inside",
                            Severity.WATCH,
                            List.of(fan.id(), air.shell()),
                            numbers("insideLs", air.insideLs(), "flowLs", air.flowLs())));
        }
    }

    /** By which vent most air leaves. */
    private static int outlet(HeatResult.ShellAir air) {
        int most = 0;
        for (int i = 0; i < air.outLs().size(); i++) {
            most = air.outLs().get(i) > air.outLs().get(most) ? i : most;
        }
        return most;
    }

    private static boolean isDirected(Part fan) {
        return fan.facet(Facet.MovesAir.class)
                .filter(Facet.MovesAir::isDirected)
                .isPresent();
    }

    /** Of a fan that stands away from all vents it matters which way it blows. */
    private static void whichWay(Sheet sheet, Build build, HeatResult.ShellAir air, HeatResult.FanAt fan) {
        if (build.part(fan.part()).filter(p -> !isDirected(p)).isPresent() && fan.apartMm() > FAN_AT_MM) {
            sheet.add(
                    "heat.fan-way",
                    Severity.WATCH,
                    List.of(fan.part(), air.shell()),
                    numbers("apartMm", fan.apartMm(), "vent", fan.vent()));
        }
    }

    /** Cells that get much of their heat from one thing beside them. */
    private static void besideCells(Sheet sheet, Build build, HeatResult heat) {
        for (HeatResult.At at : heat.worst()) {
            HeatResult.Spot spot = at.spot();
            boolean cells = spot.kind() == HeatResult.Kind.PART
                    && build.part(spot.subject()).filter(Part::isSource).isPresent();
            if (cells && spot.meanC() >= CELLS_WARMED_C) {
                heat.use(at.when())
                        .inside()
                        .get()
                        .beside(spot.subject())
                        .filter(b -> b.watts() > CELLS_SHARE * b.allW())
                        .ifPresent(b -> sheet.add(
                                "heat.cells-beside",
                                Severity.WATCH,
                                List.of(spot.subject(), b.from()),
                                numbers("celsius", spot.meanC(), "watts", b.watts(), "allW", b.allW())));
            }
        }
    }

    /** Fans that wait for a board to get warm while something is too warm that they would keep cooler. */
    private static void waits(Sheet sheet, Build build, HeatResult heat) {
        double margin = heat.hottest().map(HeatResult.Spot::marginK).orElse(Double.POSITIVE_INFINITY);
        heat.gravest()
                .flatMap(HeatResult.Use::waiting)
                .filter(w -> margin < build.brief().limits().heatMarginK()
                        && w.runningK().get() > margin + WAITED_K)
                .ifPresent(w -> sheet.add(
                        "heat.fan-waits",
                        Severity.WATCH,
                        w.fans(),
                        numbers("marginK", margin, "runningK", w.runningK().get(), "byTurns", w.byTurns() ? 1 : 0)));
    }

    /** Pads and pipes that lead to a part in another tray, or nowhere. */
    private static void apart(Sheet sheet, Build build) {
        build.cooling().bridges().stream()
                .filter(b -> !b.isWithin(build.layout()))
                .forEach(b -> sheet.add("heat.bridge-apart", Severity.WATCH, List.of(b.part(), b.to()), numbers()));
    }

    /** Fins that heat is led to and no fan drives air through. */
    private static void still(Sheet sheet, Build build, HeatResult heat, HeatResult.FinsAt fins) {
        build.cooling().bridges().stream()
                .filter(b -> b.to().equals(fins.part()) && fins.flowLs() <= 0)
                .filter(b -> heat.part(b.part()).map(HeatResult.Spot::heatW).orElse(0.0) >= WARM_W)
                .findFirst()
                .ifPresent(b -> sheet.add(
                        "heat.fins-still",
                        Severity.WATCH,
                        List.of(fins.part(), b.part()),
                        numbers("watts", fins.watts())));
    }

    /** Heat pipes of which more is asked than they carry. */
    private static void pipes(Sheet sheet, HeatResult heat) {
        for (HeatResult.DryPipe pipe : heat.gravest().map(HeatResult.Use::dry).orElse(List.of())) {
            HeatPlace to = pipe.to();
            sheet.add(
                    "heat.pipe-dry",
                    Severity.WATCH,
                    to.wall().isPresent() ? List.of(pipe.part()) : List.of(pipe.part(), to.subject()),
                    numbers(
                            "watts",
                            pipe.watts(),
                            "mostW",
                            pipe.mostW(),
                            "wall",
                            to.wall().map(Face::ordinal).orElse(-1)));
        }
    }
}
