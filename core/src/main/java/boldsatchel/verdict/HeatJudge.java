package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.numbers;

import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Spread;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;

/** Keeps cool, and what gets too warm. */
final class HeatJudge {

    private static final String METHOD = "heat";
    private static final double CELLS_COMFORT_C = 45;

    private HeatJudge() {}

    static Verdict keepsCool(Build build, HeatResult heat) {
        double wanted = build.brief().limits().heatMarginK();
        Spread margin = heat.margin().orElse(Spread.exact(Double.NaN));
        State state = heat.margin().isEmpty() ? State.WATCH : Verdict.margin(margin.nominal(), margin.low(), wanted);
        String sentence = heat.hottest()
                .map(s -> s.name() + " reaches " + celsius(s.celsius()) + "; " + celsius(s.limitC()) + " is its limit.")
                .orElse("There is nothing with a temperature limit in a case yet.");
        return new Verdict(
                Verdict.Kind.KEEPS_COOL,
                state,
                margin.nominal(),
                OptionalDouble.of(wanted),
                margin.low(),
                margin.high(),
                sentence,
                new Working(steps(build, heat), margin, METHOD));
    }

    private static String celsius(double value) {
        return Units.format(value, 1, "°C");
    }

    private static List<Working.Step> steps(Build build, HeatResult heat) {
        List<Working.Step> steps = new ArrayList<>();
        steps.add(new Working.Step(
                "Heat put in",
                "Σ loads, converters, wires, cells",
                "mean over the profile",
                Units.format(heat.heatW(), 1, "W")));
        for (HeatResult.ShellAir air : heat.shells()) {
            double ambient = build.brief().surroundings().ambientC();
            steps.add(new Working.Step(
                    "Air in " + build.shell(air.shell()).map(s -> s.name()).orElse(air.shell()),
                    "heat in = heat through walls + heat carried by air",
                    "surroundings " + celsius(ambient) + ", walls " + celsius(air.wallMeanC())
                            + (air.sealed()
                                    ? ", sealed"
                                    : ", " + n(air.flowLs()) + " L/s carry " + n(air.ventW()) + " W"),
                    celsius(air.airC())));
        }
        heat.spots().stream()
                .filter(s -> Double.isFinite(s.limitC()))
                .sorted(Comparator.comparingDouble(HeatResult.Spot::marginK))
                .limit(5)
                .forEach(s -> steps.add(new Working.Step(
                        s.name(),
                        "margin = limit − temperature",
                        n(s.limitC()) + " − " + Units.format(s.celsius(), 1, "°C"),
                        Units.format(s.marginK(), 1, "K"))));
        return steps;
    }

    static List<Finding> findings(Build build, HeatResult heat) {
        Words.Sheet sheet = new Words.Sheet();
        double wanted = build.brief().limits().heatMarginK();
        for (HeatResult.Spot spot : heat.spots()) {
            if (spot.marginK() < wanted) {
                tooWarm(heat, spot, sheet);
            }
        }
        for (Part part : build.parts().list()) {
            heat.part(part.id())
                    .filter(s -> part.isSource() && s.celsius() > CELLS_COMFORT_C && s.marginK() >= wanted)
                    .ifPresent(s -> sheet.add(
                            "heat.battery-warm",
                            Severity.WATCH,
                            List.of(part.id()),
                            part.name() + " runs at " + celsius(s.celsius())
                                    + ": cells age fast above 45 °C and must not be charged there.",
                            numbers("celsius", s.celsius(), "limitC", CELLS_COMFORT_C),
                            "Move it away from what is hot",
                            "Put a sheet of aluminium between them and lead it to a wall"));
        }
        build.parts().list().stream()
                .filter(p -> p.facet(Facet.MovesAir.class).isPresent())
                .forEach(p -> build.placement(p.id())
                        .flatMap(at -> build.shell(at.shell()))
                        .filter(s -> s.vents().size() < 2)
                        .ifPresent(s -> sheet.add(
                                "heat.no-inlet",
                                Severity.WATCH,
                                List.of(p.id(), s.id()),
                                p.name() + " has " + (s.vents().isEmpty() ? "no opening" : "only one opening") + " in "
                                        + s.name() + ": air needs a way in and a way out.",
                                numbers("openings", s.vents().size()),
                                "Add a vent on the far side of what is hot")));
        return sheet.findings();
    }

    private static void tooWarm(HeatResult heat, HeatResult.Spot spot, Words.Sheet sheet) {
        boolean wall = spot.kind() == HeatResult.Kind.WALL;
        List<String> remedies = new ArrayList<>();
        boolean sealed = heat.shells().stream().allMatch(HeatResult.ShellAir::sealed);
        if (!wall) {
            remedies.add("Lead its heat to a wall with a pad, a spreader or a heat pipe");
        }
        remedies.add(
                sealed ? "Open it with two vents, low and high, if the brief allows" : "Add a fan or larger vents");
        remedies.add("Set a lower power limit: " + n(heat.heatW()) + " W go in");
        String over = spot.marginK() < 0 ? " too warm" : " near its limit";
        sheet.add(
                wall ? "heat.touch" : "heat.part",
                spot.marginK() < 0 ? Severity.STOP : Severity.WATCH,
                List.of(spot.subject()),
                spot.name() + " gets" + over + ": " + celsius(spot.celsius()) + ", limit " + celsius(spot.limitC())
                        + (sealed ? "; the case is sealed." : "."),
                numbers("celsius", spot.celsius(), "limitC", spot.limitC()),
                remedies.toArray(String[]::new));
    }
}
