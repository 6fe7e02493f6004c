package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.edit.CoolEdits;
import boldsatchel.edit.FinEdits;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Face;
import boldsatchel.heat.HeatEngine;
import boldsatchel.heat.HeatResult;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Section;
import boldsatchel.machine.Usual;
import boldsatchel.plan.Airing;
import boldsatchel.quantity.Spread;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Keeps cool, and what gets too warm. */
public final class HeatJudge implements Judge<HeatResult> {

    private static final String METHOD = "heat";
    /** A judge; all are alike. */
    public HeatJudge() {}

    @Override
    public Engine<HeatResult> engine() {
        return new HeatEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(
                Section.BRIEF, Section.PARTS, Section.CASING, Section.LAYOUT, Section.WIRING, Section.COOLING);
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
        return new Verdict(
                Verdict.Kind.KEEPS_COOL,
                state == State.FINE && !heat.loose().isEmpty() ? State.WATCH : state,
                margin.nominal(),
                OptionalDouble.of(wanted),
                margin.low(),
                margin.high(),
                Lazy.of(() -> sentence(heat)),
                Lazy.of(() -> new Working(steps(build, heat), margin, METHOD)));
    }

    private static String sentence(HeatResult heat) {
        if (heat.gravest().isEmpty()) {
            return "Not known yet: there is no case, or nothing in it has a temperature limit.";
        }
        String spot = heat.hottest()
                .map(s -> Units.format(Math.abs(s.marginK()), 0, "K") + (s.marginK() < 0 ? " above" : " below")
                        + " the limit of " + s.name() + ": it reaches " + celsius(s.celsius()) + ", "
                        + celsius(s.limitC()) + " is the most, "
                        + use(heat.when().get()) + ".")
                .orElse("There is nothing with a temperature limit in the case yet.");
        int loose = heat.loose().size();
        boolean byTurns = heat.gravest()
                .flatMap(HeatResult.Use::waiting)
                .filter(HeatResult.Waiting::byTurns)
                .isPresent();
        return spot
                + (byTurns ? " That is the most: a fan starts and stops." : "")
                + (loose == 0
                        ? ""
                        : loose == 1
                                ? " A part that is not placed yet counts as lying free inside."
                                : " " + loose + " parts that are not placed yet count as lying free inside.");
    }

    /** In which use, as said in a sentence. */
    private static String use(HeatResult.When when) {
        return "in “" + when.profile() + "”" + (when.closed() ? " with the lid closed" : "")
                + (when.pluggedIn() ? ", plugged in and charging" : "");
    }

    private static String celsius(double value) {
        return Units.format(value, 1, "°C");
    }

    private static List<Working.Step> steps(Build build, HeatResult heat) {
        List<Working.Step> steps = new ArrayList<>();
        for (HeatResult.Use use : heat.uses()) {
            steps.add(new Working.Step(
                    "Heat set free",
                    "what comes in − what is stored",
                    "mean, " + use(use.when())
                            + (use.sunW() > 0 ? ", and " + Units.format(use.sunW(), 1, "W") + " of sun" : ""),
                    Units.format(use.heatW(), 1, "W")));
        }
        heat.gravest()
                .flatMap(HeatResult.Use::waiting)
                .ifPresent(w -> w.fans().stream()
                        .flatMap(id -> build.part(id).stream())
                        .forEach(fan -> steps.add(fan(fan, w.byTurns()))));
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
            air.fins().forEach(f -> steps.add(fins(build, f)));
        }
        heat.spots().stream()
                .filter(s -> Double.isFinite(s.limitC()))
                .sorted(Comparator.comparingDouble(HeatResult.Spot::marginK))
                .limit(5)
                .forEach(s -> steps.add(new Working.Step(
                        s.name(),
                        "margin = limit − highest temperature",
                        n(s.limitC()) + " − " + celsius(s.celsius())
                                + (s.celsius() - s.meanC() > 0.05 ? ", mean " + celsius(s.meanC()) : ""),
                        Units.format(s.marginK(), 1, "K"))));
        return steps;
    }

    private static Working.Step fins(Build build, HeatResult.FinsAt fins) {
        return new Working.Step(
                "Fins of " + build.part(fins.part()).map(Part::name).orElse(fins.part()),
                "heat of the fins = what air takes up between them",
                fins.flowLs() > 0
                        ? n(fins.flowLs()) + " L/s are driven through" + (fins.out() ? ", and leave at once" : "")
                        : "no fan drives air through",
                n(fins.watts()) + " W");
    }

    private static Working.Step fan(Part fan, boolean byTurns) {
        Facet.MovesAir moves = fan.facet(Facet.MovesAir.class).orElseThrow();
        double onC = moves.startsC().orElse(Double.NaN);
        return new Working.Step(
                "Fan of " + fan.name(),
                "starts and stops by the warmth of a board",
                "starts at " + celsius(onC) + ", stops below " + celsius(moves.offC(onC))
                        + (byTurns ? "; temperatures are the most there can be" : ""),
                byTurns ? "by turns" : "stands");
    }

    private static List<Finding> findings(Build build, HeatResult heat) {
        Sheet sheet = new Sheet(new HeatTelling(build, heat));
        List<HeatResult.At> warm = new ArrayList<>(worst(build, heat));
        warm.sort(Comparator.comparing((HeatResult.At at) -> at.spot().kind())
                .thenComparingDouble(at -> at.spot().marginK()));
        warm.forEach(at -> tooWarm(sheet, build, at));
        coldCells(sheet, build);
        if (!heat.loose().isEmpty()) {
            sheet.add(
                    "heat.loose",
                    Severity.WATCH,
                    heat.loose(),
                    numbers("parts", heat.loose().size()));
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
        List<Finding> all = new ArrayList<>(sheet.findings());
        all.addAll(CoolRules.find(build, heat));
        return all;
    }

    /** Of each part, and of each wall with all that warms it, the gravest that is too warm: one cause is one finding. */
    private static Collection<HeatResult.At> worst(Build build, HeatResult heat) {
        record Where(String subject, Optional<Face> wall) {}
        Map<Where, HeatResult.At> worst = new LinkedHashMap<>();
        for (HeatResult.At at : heat.worst()) {
            if (close(build, at.spot()) || warmCells(build, at.spot())) {
                worst.merge(
                        new Where(at.spot().subject(), at.spot().wall()),
                        at,
                        (a, b) -> b.spot().marginK() < a.spot().marginK() ? b : a);
            }
        }
        return worst.values();
    }

    private static boolean close(Build build, HeatResult.Spot spot) {
        return spot.marginK() < build.brief().limits().heatMarginK();
    }

    private static boolean warmCells(Build build, HeatResult.Spot spot) {
        return spot.celsius() > Usual.CELLS_CHARGED_MOST_C && cells(build, spot);
    }

    private static boolean cells(Build build, HeatResult.Spot spot) {
        return build.part(spot.subject()).filter(Part::isSource).isPresent();
    }

    private static void tooWarm(Sheet sheet, Build build, HeatResult.At at) {
        HeatResult.Spot spot = at.spot();
        if (close(build, spot)) {
            sheet.add(
                    spot.kind() == HeatResult.Kind.WALL
                            ? "heat.touch"
                            : at.when().pluggedIn() && spot.limitC() <= Usual.CELLS_CHARGED_MOST_C && cells(build, spot)
                                    ? "heat.cells-charging"
                                    : "heat.part",
                    spot.marginK() < 0 ? Severity.STOP : Severity.WATCH,
                    List.of(spot.subject()),
                    numbers("celsius", spot.celsius(), "limitC", spot.limitC()));
        } else {
            sheet.add(
                    "heat.battery-warm",
                    Severity.WATCH,
                    List.of(spot.subject()),
                    numbers("celsius", spot.celsius(), "limitC", Usual.CELLS_CHARGED_MOST_C));
        }
    }

    /** Cells begin as cold as the brief says, whatever warms them later. */
    private static void coldCells(Sheet sheet, Build build) {
        double celsius = build.brief().surroundings().packC();
        if (celsius >= Usual.CELLS_CHARGED_LEAST_C) {
            return;
        }
        Set<String> charged = build.rungs()
                .flatMap(r -> r.stage() instanceof Rung.Charging c ? Stream.of(c.store()) : Stream.empty())
                .collect(Collectors.toSet());
        for (Part part : build.parts().list()) {
            boolean cells = part.facet(Facet.Cells.class).isPresent();
            if (cells && celsius < Usual.CELLS_LEAST_C) {
                sheet.add(
                        "heat.cells-cold",
                        Severity.STOP,
                        List.of(part.id()),
                        numbers("celsius", celsius, "limitC", Usual.CELLS_LEAST_C));
            } else if (part.isSource() && charged.contains(part.id()) && celsius < Usual.CELLS_CHARGED_LEAST_C) {
                sheet.add(
                        "heat.cells-cold-charging",
                        Severity.STOP,
                        List.of(part.id()),
                        numbers("celsius", celsius, "limitC", Usual.CELLS_CHARGED_LEAST_C));
            }
        }
    }

    /** Tells of what gets too warm. */
    private record HeatTelling(Build build, HeatResult heat, Lazy<Optional<Airing.Vents>> airing) implements Telling {

        /** Several findings offer the same two vents, which are a search to find. */
        HeatTelling(Build build, HeatResult heat) {
            this(build, heat, Lazy.of(() -> build.casing().standing().flatMap(tray -> Airing.of(build, tray))));
        }

        /** The wall or part that a finding is about; walls of one shell are told apart by their temperature. */
        private HeatResult.At at(Noted f) {
            return worst(build, heat).stream()
                    .filter(a -> a.spot().subject().equals(f.first())
                            && (a.spot().kind() == HeatResult.Kind.WALL)
                                    == f.code().equals("heat.touch"))
                    .filter(a -> a.spot().celsius() == f.number("celsius"))
                    .findFirst()
                    .orElseThrow();
        }

        private boolean closedUp() {
            return heat.shells().stream().allMatch(HeatResult.ShellAir::sealed);
        }

        @Override
        public String sentence(Noted f) {
            return switch (f.code()) {
                case "heat.touch", "heat.part", "heat.cells-charging" -> {
                    HeatResult.At at = at(f);
                    HeatResult.Spot spot = at.spot();
                    yield spot.name() + " gets" + (spot.marginK() < 0 ? " too warm" : " near its limit")
                            + (f.code().equals("heat.cells-charging") ? " to be charged" : "") + ": "
                            + celsius(spot.celsius()) + ", limit " + celsius(spot.limitC()) + ", " + use(at.when())
                            + (closedUp() ? "; the case is sealed." : ".")
                            + (spot.marginK() < 0 && slowsDown(spot)
                                    ? " A board slows down before it gets there: Cool says how much is left."
                                    : "");
                }
                case "heat.battery-warm" ->
                    name(build, f.first()) + " runs at " + celsius(f.number("celsius"))
                            + ": cells age fast above 45 °C and must not be charged there.";
                case "heat.cells-cold" ->
                    name(build, f.first()) + " begins at " + celsius(f.number("celsius"))
                            + ": most cells give next to nothing below −20 °C, and their maker allows no use there.";
                case "heat.cells-cold-charging" ->
                    name(build, f.first()) + " begins at " + celsius(f.number("celsius"))
                            + ": charging cells below 0 °C plates metal in them, which ruins them and can set them on fire.";
                case "heat.loose" ->
                    (f.subjects().size() == 1
                                    ? "One part gives off heat and is"
                                    : f.subjects().size() + " parts give off heat and are")
                            + " not placed yet, and " + (f.subjects().size() == 1 ? "counts" : "count")
                            + " as lying free in the first tray: "
                            + f.subjects().stream().map(id -> name(build, id)).collect(Collectors.joining(", ")) + ".";
                case "heat.no-inlet" ->
                    name(build, f.first()) + " has " + (f.number("openings") == 0 ? "no opening" : "only one opening")
                            + " in " + name(build, f.subjects().get(1)) + ": air needs a way in and a way out.";
                default -> throw Telling.unknown(f);
            };
        }

        /** Fins in its tray that nothing leads its heat to yet. */
        private List<Remedy> toFins(String hot) {
            return Placed.of(build, hot).stream()
                    .flatMap(part -> Placed.in(part.shell(), Placed.all(build)).stream()
                            .filter(p -> FinEdits.hasFins(p.part()))
                            .flatMap(fins -> FinEdits.bridge(build, part, fins, CoolEdits.PIPE_MM)
                                    .map(edit -> Remedy.by(
                                            "Lead its heat to " + fins.part().name(), edit))
                                    .stream()))
                    .toList();
        }

        private boolean slowsDown(HeatResult.Spot spot) {
            return spot.kind() == HeatResult.Kind.PART
                    && build.part(spot.subject())
                            .filter(p -> p.family().computes())
                            .isPresent();
        }

        private static final String TWO_VENTS = "Open it with two vents, low and high, if the brief allows";

        /** Whether all of its case is of metal. */
        private boolean metal() {
            return build.casing().shells().stream().allMatch(s -> s.substance().metal());
        }

        @Override
        public List<Remedy> cures(Noted f) {
            List<String> words = new ArrayList<>();
            switch (f.code()) {
                case "heat.touch", "heat.part", "heat.cells-charging" -> {
                    HeatResult.Use use = heat.use(at(f).when());
                    if (f.code().equals("heat.part")) {
                        words.add(
                                metal()
                                        ? "Lead its heat to a wall with a pad, a spreader or a heat pipe"
                                        : "Lead its heat to a sheet of aluminium or copper along a wall: a pad on plastic or wood only makes a hot spot there");
                    }
                    if (f.code().equals("heat.touch")) {
                        words.add("Spread what warms it there over more of the wall, or leave more room between");
                    }
                    if (f.code().equals("heat.cells-charging")) {
                        words.add("Charge with less current, or while the machine is off");
                        words.add("Move it away from what is hot");
                    }
                    words.add(closedUp() ? TWO_VENTS : "Add a fan or larger vents");
                    if (use.when().closed()) {
                        words.add("Let it sleep while the lid is closed");
                    }
                    words.add("Set a lower power limit: " + n(use.heatW()) + " W are set free inside");
                }
                case "heat.battery-warm" -> {
                    words.add("Move it away from what is hot");
                    words.add("Put a sheet of aluminium between them and lead it to a wall");
                }
                case "heat.cells-cold", "heat.cells-cold-charging" -> {
                    words.add(
                            "Let the cells warm up before they are used or charged; their maker's figures come first");
                    words.add("Use a charger that measures the cells' temperature and waits");
                }
                case "heat.loose" -> words.add("Place them in Pack");
                case "heat.no-inlet" -> words.add("Add a vent on the far side of what is hot");
                default -> throw Telling.unknown(f);
            }
            List<Remedy> remedies =
                    new ArrayList<>(words.stream().map(Remedy::advice).toList());
            if (words.contains(TWO_VENTS)) {
                airing.get()
                        .ifPresent(v -> remedies.set(
                                words.indexOf(TWO_VENTS),
                                Remedy.by("Open it with two vents, " + v.words() + ", if the brief allows", v.edit())));
            }
            if (f.code().equals("heat.part")) {
                remedies.addAll(0, toFins(f.first()));
            }
            return remedies;
        }
    }
}
