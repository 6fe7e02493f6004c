package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;
import static boldsatchel.judge.Words.percent;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Section;
import boldsatchel.power.CellCurve;
import boldsatchel.power.CellTemperatures;
import boldsatchel.power.Cliff;
import boldsatchel.power.Discharge;
import boldsatchel.power.PowerEngine;
import boldsatchel.power.PowerResult;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Quantity;
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
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Lasts, and what the power chain has to say. */
public final class PowerJudge implements Judge<PowerResult> {

    private static final String METHOD = "power";
    /** Cells that are warmer or colder by so much than at first are worth a word, K. */
    private static final double WORTH_SAYING_K = 3;

    /** A judge; all are alike. */
    public PowerJudge() {}

    @Override
    public Engine<PowerResult> engine() {
        return new PowerEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.WIRING);
    }

    @Override
    public List<Verdict.Kind> kinds() {
        return List.of(Verdict.Kind.LASTS);
    }

    @Override
    public Judgement judge(Build build, PowerResult result) {
        return new Judgement(List.of(lasts(build, result)), findings(build, result));
    }

    private static Verdict lasts(Build build, PowerResult power) {
        OptionalDouble limit =
                build.brief().limits().hours().map(OptionalDouble::of).orElse(OptionalDouble.empty());
        Optional<ChainResult> shortest = power.shortest();
        double value = shortest.map(c -> c.run().hours()).orElse(Double.NaN);
        double low = Math.max(0, power.hours().low());
        State state = shortest.isEmpty()
                ? State.WATCH
                : value == 0
                        ? State.STOP
                        : Verdict.against(
                                value,
                                low,
                                power.hours().high(),
                                limit,
                                true,
                                build.brief().limits().isWish(Brief.Limit.HOURS));
        String sentence = shortest.map(c -> sentence(build, c)).orElse("Not known yet: no source feeds anything.")
                + power.cliff().map(c -> cliff(build, c, value == 0)).orElse("");
        return new Verdict(
                Verdict.Kind.LASTS,
                state,
                value,
                limit,
                low,
                power.hours().high(),
                sentence,
                Lazy.of(() ->
                        new Working(shortest.map(c -> steps(build, c)).orElse(List.of()), power.hours(), METHOD)));
    }

    private static String cliff(Build build, Cliff cliff, boolean stops) {
        return stops
                ? " By the doubt of its figures it runs after all in " + odds(1 - cliff.chance()) + "."
                : " In " + odds(cliff.chance()) + " it stops at once: "
                        + cliff.limit().kind().words() + " ("
                        + name(build, cliff.limit().rung()) + ").";
    }

    private static String odds(double chance) {
        return chance > 0.45 ? Math.round(chance * 10) + " of 10 cases" : "1 of " + Math.round(1 / chance) + " cases";
    }

    private static String sentence(Build build, ChainResult chain) {
        Discharge run = chain.run();
        String culprit = name(build, run.end().rung());
        if (Double.isInfinite(run.hours())) {
            return "Runs for more than a year.";
        }
        String end = "because " + run.end().kind().words() + " (" + culprit + ")";
        return run.hours() == 0
                ? "Does not run: stops at once " + end + "."
                : "Runs “" + build.brief().profile().name() + "” until it stops " + end + ", with "
                        + percent(run.endLevel()) + " % left" + warmed(build, chain) + ".";
    }

    /** A builder who waits with cold cells has to know that these are warm. */
    private static String warmed(Build build, ChainResult chain) {
        CellTemperatures cells = chain.cells();
        return build.rung(chain.source()).map(r -> r.sources()).orElse(List.of()).stream()
                .flatMap(r -> r.part().stream())
                .map(cells::of)
                .min(Comparator.naturalOrder())
                .filter(c -> Math.abs(c - cells.beginC()) >= WORTH_SAYING_K)
                .map(c -> "; cells at " + Units.format(c, 0, "°C"))
                .orElse("");
    }

    private static List<Working.Step> steps(Build build, ChainResult chain) {
        List<Working.Step> steps = new ArrayList<>();
        Discharge run = chain.run();
        if (run.hours() == 0 || Double.isInfinite(run.hours())) {
            return steps;
        }
        Optional<Part> source = sourcePart(build, chain.source());
        double used = 1 - run.endLevel();
        source.flatMap(p -> p.facet(Facet.Cells.class)).ifPresent(c -> {
            double celsius = chain.cells().of(source.get().id());
            double factor = CellCurve.capacityFactor(celsius);
            double charge = c.capacityAh().value() * c.parallel() * c.health().value() * factor;
            double volts = meanVolts(run);
            double amps = run.meanWatts() / volts;
            steps.add(new Working.Step(
                    "Charge that can be used",
                    "Q = capacity · parallel · health · cold factor · share used",
                    n(c.capacityAh().value()) + " Ah · " + c.parallel() + " · "
                            + n(c.health().value()) + " · " + n(factor) + " · " + n(used) + ", cells at "
                            + Units.format(celsius, 1, "°C"),
                    Units.format(Quantity.CHARGE, charge * used)));
            steps.add(new Working.Step(
                    "Mean current",
                    "I = mean power / mean voltage under load",
                    n(run.meanWatts()) + " W / " + n(volts) + " V",
                    Units.format(Quantity.CURRENT, amps)));
            steps.add(new Working.Step(
                    "Run time",
                    "t = ∫ Q·ds / I(s) ≈ Q / I",
                    n(charge * used) + " Ah / " + n(amps) + " A = " + n(charge * used / amps) + " h; step by step",
                    Units.format(run.hours(), 2, "h")));
        });
        source.flatMap(p -> p.facet(Facet.PowerBank.class)).ifPresent(b -> {
            double usable = b.ratedWh().value() * b.efficiency().value();
            steps.add(new Working.Step(
                    "Energy at its output",
                    "E = rated energy · efficiency",
                    n(b.ratedWh().value()) + " Wh · " + n(b.efficiency().value()),
                    Units.format(Quantity.ENERGY, usable)));
            steps.add(new Working.Step(
                    "Run time",
                    "t = E / mean power",
                    n(usable) + " Wh / " + n(run.meanWatts()) + " W",
                    Units.format(run.hours(), 2, "h")));
        });
        return steps;
    }

    private static double meanVolts(Discharge run) {
        double area = 0;
        List<Discharge.Sample> s = run.samples();
        for (int i = 1; i < s.size(); i++) {
            area += (s.get(i - 1).level() - s.get(i).level())
                    * (s.get(i).volts() + s.get(i - 1).volts())
                    / 2;
        }
        double used = s.getFirst().level() - s.getLast().level();
        return used > 0 ? area / used : s.getFirst().volts();
    }

    private static Optional<Part> sourcePart(Build build, String rung) {
        return build.wiring().chain().stream()
                .filter(r -> r.id().equals(rung))
                .findFirst()
                .flatMap(Rung::part)
                .flatMap(build::part);
    }

    private static List<Finding> findings(Build build, PowerResult power) {
        Sheet sheet = new Sheet(new UnfedTelling(build));
        if (power.chains().isEmpty()) {
            sheet.add("power.no-source", Severity.WATCH, List.of(), numbers());
        }
        power.unfed().forEach(id -> sheet.add("power.unfed", Severity.WATCH, List.of(id), numbers()));
        List<Finding> findings = new ArrayList<>(sheet.findings());
        List<Line> lines = power.chains().stream()
                .map(c -> new Line(build, build.rung(c.source()).orElseThrow(), c))
                .toList();
        findings.addAll(FuseRule.judge(build, lines));
        for (Line line : lines) {
            findings.addAll(BreachRules.judge(line));
            findings.addAll(SourceRules.judge(line));
            findings.addAll(SocketRules.judge(line));
            findings.addAll(WiringRules.judge(line));
            findings.addAll(UseRules.judge(line));
        }
        findings.addAll(ChargeRules.judge(build, power));
        return findings;
    }

    /** Tells of what nothing feeds. */
    private record UnfedTelling(Build build) implements Telling {
        @Override
        public String sentence(Noted f) {
            return switch (f.code()) {
                case "power.no-source" -> "Nothing gives power yet.";
                case "power.unfed" -> name(build, f.first()) + " draws power but hangs on no rung of the chain.";
                default -> throw Telling.unknown(f);
            };
        }

        @Override
        public List<Remedy> cures(Noted f) {
            return List.of(Remedy.advice(
                    f.code().equals("power.unfed")
                            ? "Hang it on the rail with its voltage in Power"
                            : "Add a battery or a power bank from the shelf and make it the first rung of the chain"));
        }
    }
}
