package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Face;
import boldsatchel.heat.Dew;
import boldsatchel.heat.HeatResult;
import boldsatchel.heat.Noise;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Vent;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.List;
import java.util.Optional;

/** Finds what is wrong with how a machine is cooled, beside what gets too warm: noise, dew, boards on the floor, air that goes round. */
final class CoolRules {

    /** A board warmer than this has an underside that counts, W. */
    private static final double WARM_W = 3;
    /** Less room than this under it holds no air that moves, mm. */
    private static final double UNDER_MM = 1;
    /** Outlet and inlet nearer than so many times the outlet's width: warm air is drawn in again; a guess. */
    private static final double NEAR_WIDTHS = 1.5;

    private CoolRules() {}

    static List<Finding> find(Build build, HeatResult heat) {
        Sheet sheet = new Sheet(new CoolTelling(build));
        noise(sheet, build);
        dew(sheet, build);
        for (Part part : build.parts().list()) {
            onTheFloor(sheet, build, heat, part);
            goesRound(sheet, build, part);
        }
        return sheet.findings();
    }

    private static void noise(Sheet sheet, Build build) {
        Noise noise = Noise.of(build);
        build.brief().limits().noiseDb().ifPresent(most -> {
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
        double watts = heat.part(part.id()).map(HeatResult.Spot::heatW).orElse(0.0);
        boolean led = build.cooling().heatPaths().stream()
                .anyMatch(p -> p.part().equals(part.id()) && p.wall() == Face.BOTTOM);
        if (part.family().computes() && watts >= WARM_W && !led) {
            placed(build, part)
                    .filter(p -> p.bounds().z() < UNDER_MM)
                    .ifPresent(p -> sheet.add(
                            "heat.no-gap-under",
                            Severity.WATCH,
                            List.of(part.id()),
                            numbers("gapMm", p.bounds().z(), "watts", watts)));
        }
    }

    private static void goesRound(Sheet sheet, Build build, Part part) {
        if (part.facet(Facet.MovesAir.class).isPresent()) {
            placed(build, part)
                    .ifPresent(fan -> Vent.nearest(fan.shell().vents(), fan.bounds())
                            .ifPresent(out -> {
                                double wide = Math.sqrt(out.areaMm2());
                                List<Vent> others = fan.shell().vents().stream()
                                        .filter(v -> !v.equals(out))
                                        .toList();
                                double near = others.stream()
                                        .mapToDouble(v -> Math.max(0, v.box().signedDistance(out.box())))
                                        .min()
                                        .orElse(Double.POSITIVE_INFINITY);
                                boolean all = others.stream()
                                        .allMatch(v -> v.wall() == out.wall()
                                                && v.box().signedDistance(out.box()) < NEAR_WIDTHS * wide);
                                if (!others.isEmpty() && all) {
                                    sheet.add(
                                            "heat.air-goes-round",
                                            Severity.WATCH,
                                            List.of(part.id(), fan.shell().id()),
                                            numbers("apartMm", near, "wantedMm", NEAR_WIDTHS * wide));
                                }
                            }));
        }
    }

    private static Optional<Placed> placed(Build build, Part part) {
        return build.placement(part.id()).flatMap(at -> build.shell(at.shell()).map(tray -> Placed.of(part, at, tray)));
    }
}
