package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.engine.Engine;
import boldsatchel.heat.HeatEngine;
import boldsatchel.heat.HeatResult;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Section;
import boldsatchel.quantity.Spread;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Lazy;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;

/** Keeps cool, and what gets too warm. */
public final class HeatJudge implements Judge<HeatResult> {

    private static final String METHOD = "heat";
    private static final double CELLS_COMFORT_C = 45;

    /** A judge; all are alike. */
    public HeatJudge() {}

    @Override
    public Engine<HeatResult> engine() {
        return new HeatEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.LAYOUT);
    }

    @Override
    public List<Verdict.Kind> kinds() {
        return List.of(Verdict.Kind.KEEPS_COOL);
    }

    @Override
    public Judgement judge(Build build, HeatResult result) {
        return new Judgement(List.of(keepsCool(build, result)), findings(build, result));
    }

    private static Verdict keepsCool(Build build, HeatResult heat) {
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
                Lazy.of(() -> new Working(steps(build, heat), margin, METHOD)));
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

    private static List<Finding> findings(Build build, HeatResult heat) {
        Sheet sheet = new Sheet(new HeatTelling(build, heat));
        double wanted = build.brief().limits().heatMarginK();
        for (HeatResult.Spot spot : heat.spots()) {
            if (spot.marginK() < wanted) {
                sheet.add(
                        spot.kind() == HeatResult.Kind.WALL ? "heat.touch" : "heat.part",
                        spot.marginK() < 0 ? Severity.STOP : Severity.WATCH,
                        List.of(spot.subject()),
                        numbers("celsius", spot.celsius(), "limitC", spot.limitC()));
            }
        }
        for (Part part : build.parts().list()) {
            heat.part(part.id())
                    .filter(s -> part.isSource() && s.celsius() > CELLS_COMFORT_C && s.marginK() >= wanted)
                    .ifPresent(s -> sheet.add(
                            "heat.battery-warm",
                            Severity.WATCH,
                            List.of(part.id()),
                            numbers("celsius", s.celsius(), "limitC", CELLS_COMFORT_C)));
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
                                numbers("openings", s.vents().size()))));
        return sheet.findings();
    }

    /** Tells of what gets too warm. */
    private record HeatTelling(Build build, HeatResult heat) implements Telling {

        /** The wall or part that a finding is about; walls of one shell are told apart by their temperature. */
        private HeatResult.Spot spot(Noted f) {
            return heat.spots().stream()
                    .filter(s -> s.subject().equals(f.first())
                            && (s.kind() == HeatResult.Kind.WALL) == f.code().equals("heat.touch"))
                    .filter(s -> s.celsius() == f.number("celsius"))
                    .findFirst()
                    .orElseThrow();
        }

        private boolean closedUp() {
            return heat.shells().stream().allMatch(HeatResult.ShellAir::sealed);
        }

        @Override
        public String sentence(Noted f) {
            return switch (f.code()) {
                case "heat.touch", "heat.part" -> {
                    HeatResult.Spot spot = spot(f);
                    yield spot.name() + " gets" + (spot.marginK() < 0 ? " too warm" : " near its limit") + ": "
                            + celsius(spot.celsius()) + ", limit " + celsius(spot.limitC())
                            + (closedUp() ? "; the case is sealed." : ".");
                }
                case "heat.battery-warm" ->
                    name(build, f.first()) + " runs at " + celsius(f.number("celsius"))
                            + ": cells age fast above 45 °C and must not be charged there.";
                case "heat.no-inlet" ->
                    name(build, f.first()) + " has " + (f.number("openings") == 0 ? "no opening" : "only one opening")
                            + " in " + name(build, f.subjects().get(1)) + ": air needs a way in and a way out.";
                default -> throw Telling.unknown(f);
            };
        }

        @Override
        public List<Remedy> cures(Noted f) {
            List<String> words = new ArrayList<>();
            switch (f.code()) {
                case "heat.touch", "heat.part" -> {
                    if (f.code().equals("heat.part")) {
                        words.add("Lead its heat to a wall with a pad, a spreader or a heat pipe");
                    }
                    words.add(
                            closedUp()
                                    ? "Open it with two vents, low and high, if the brief allows"
                                    : "Add a fan or larger vents");
                    words.add("Set a lower power limit: " + n(heat.heatW()) + " W go in");
                }
                case "heat.battery-warm" -> {
                    words.add("Move it away from what is hot");
                    words.add("Put a sheet of aluminium between them and lead it to a wall");
                }
                case "heat.no-inlet" -> words.add("Add a vent on the far side of what is hot");
                default -> throw Telling.unknown(f);
            }
            return words.stream().map(Remedy::advice).toList();
        }
    }
}
