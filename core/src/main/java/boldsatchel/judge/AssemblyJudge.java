package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.assembly.AssemblyEngine;
import boldsatchel.assembly.AssemblyResult;
import boldsatchel.assembly.AssemblyResult.Reach;
import boldsatchel.assembly.AssemblyResult.Wanted;
import boldsatchel.assembly.Removal;
import boldsatchel.assembly.Wording;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import boldsatchel.quantity.Spread;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Answers whether it can be put together, and what it takes to get at what wears out. */
public final class AssemblyJudge implements Judge<AssemblyResult> {

    private static final String METHOD = "assembly";

    /** A judge; all are alike. */
    public AssemblyJudge() {}

    @Override
    public Engine<AssemblyResult> engine() {
        return new AssemblyEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.LAYOUT, Section.WIRING);
    }

    @Override
    public List<Verdict.Kind> kinds() {
        return List.of(Verdict.Kind.MENDS);
    }

    @Override
    public Optional<Verdict.Kind> bearsOn() {
        return Optional.of(Verdict.Kind.MENDS);
    }

    @Override
    public Judgement judge(Build build, AssemblyResult assembly) {
        List<Finding> findings = findings(build, assembly);
        return new Judgement(List.of(mends(build, assembly)), findings);
    }

    private static List<Finding> findings(Build build, AssemblyResult assembly) {
        Sheet sheet = new Sheet(new AssemblyTelling(build, assembly));
        for (AssemblyResult.Circle circle : assembly.circles()) {
            List<String> members =
                    circle.pieces().stream().map(p -> p.id()).distinct().toList();
            sheet.add(
                    members.size() > 1 ? "assembly.circle" : "assembly.trapped",
                    Severity.STOP,
                    members,
                    numbers("count", members.size()));
        }
        if (assembly.cutShort()) {
            sheet.add("assembly.cut-short", Severity.WATCH, List.of(), Map.of());
        }
        for (Removal removal : assembly.out()) {
            if (removal.groups().size() > 1) {
                List<String> hosts =
                        removal.groups().stream().map(g -> g.parts().getFirst()).toList();
                sheet.add("assembly.as-one", Severity.NOTE, hosts, Map.of());
            }
        }
        for (Reach reach : assembly.reaches()) {
            boolean battery = reach.wanted().filter(Wanted.BATTERY::equals).isPresent();
            if (battery && !reach.isShut() && !reach.unsoldered().isEmpty()) {
                List<String> subjects = new ArrayList<>(List.of(reach.part()));
                subjects.addAll(reach.unsoldered());
                sheet.add("assembly.battery-wired", Severity.NOTE, subjects, Map.of());
            }
        }
        Severity beyond = build.brief().limits().isWish(Brief.Limit.STEPS) ? Severity.WATCH : Severity.STOP;
        for (Reach reach : assembly.reaches()) {
            if (isBeyond(build, reach)) {
                sheet.add(
                        "assembly.too-deep",
                        beyond,
                        List.of(reach.part()),
                        numbers(
                                "steps",
                                reach.isShut() ? Double.NaN : reach.steps().size(),
                                "limit",
                                limit(build).getAsDouble()));
            }
        }
        return sheet.findings();
    }

    private static OptionalDouble limit(Build build) {
        return build.brief().limits().mendSteps().map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    /** Whether a part takes more steps than the brief allows, or never comes out. */
    private static boolean isBeyond(Build build, Reach reach) {
        OptionalDouble limit = limit(build);
        return limit.isPresent() && (reach.isShut() || reach.steps().size() > limit.getAsDouble());
    }

    private static State state(Build build, AssemblyResult assembly) {
        boolean beyond = assembly.reaches().stream().anyMatch(r -> isBeyond(build, r));
        if (beyond) {
            return build.brief().limits().isWish(Brief.Limit.STEPS) ? State.WATCH : State.STOP;
        }
        return assembly.reaches().stream().anyMatch(Reach::isShut) ? State.WATCH : State.FINE;
    }

    private static Verdict mends(Build build, AssemblyResult assembly) {
        Optional<Reach> first = List.of(Wanted.values()).stream()
                .flatMap(w -> assembly.worst(w).stream())
                .findFirst();
        if (first.isEmpty()) {
            return verdict(
                    build,
                    State.WATCH,
                    Double.NaN,
                    Lazy.known("Not known yet: no battery, drive or fan lies in a tray."),
                    Lazy.known(Working.NONE));
        }
        Reach reach = first.get();
        double steps = reach.isShut() ? Double.NaN : reach.steps().size();
        return verdict(
                build,
                state(build, assembly),
                steps,
                Lazy.of(() -> sentence(assembly, reach)),
                Lazy.of(() -> new Working(working(build, reach), Spread.exact(steps), METHOD)));
    }

    private static Verdict verdict(
            Build build, State state, double steps, Lazy<String> sentence, Lazy<Working> working) {
        return new Verdict(Verdict.Kind.MENDS, state, steps, limit(build), steps, steps, sentence, working);
    }

    private static String sentence(AssemblyResult assembly, Reach first) {
        StringBuilder words = new StringBuilder();
        if (first.isShut()) {
            words.append("The ")
                    .append(first.wanted().orElseThrow().words())
                    .append(" never comes out of the finished machine without breaking something");
        } else {
            words.append(told(first))
                    .append(" to the ")
                    .append(first.wanted().orElseThrow().words());
        }
        for (Wanted wanted : Wanted.values()) {
            Optional<Reach> worst = assembly.worst(wanted).filter(r -> !r.part().equals(first.part()));
            worst.ifPresent(r -> words.append("; ")
                    .append(wanted.words())
                    .append(": ")
                    .append(r.isShut() ? "never comes out" : told(r)));
        }
        return words.append(". Out and back in, at usual times.")
                .append(assembly.cutShort() ? " Not every way out was looked at." : "")
                .toString();
    }

    private static String told(Reach reach) {
        int n = reach.steps().size();
        int joints = reach.unsoldered().size();
        return n + (n == 1 ? " step" : " steps") + ", about " + Units.format(reach.minutes(), 0, "min")
                + (joints == 0
                        ? ""
                        : joints == 1
                                ? ", one pair of wires unsoldered"
                                : ", " + joints + " pairs of wires unsoldered");
    }

    private static List<Working.Step> working(Build build, Reach reach) {
        List<Working.Step> steps = new ArrayList<>();
        for (Removal removal : reach.steps()) {
            steps.add(new Working.Step(Wording.out(build, removal), "", "", "1 step"));
        }
        for (String lead : reach.unsoldered()) {
            steps.add(new Working.Step("Unsolder " + AssemblyTelling.lead(build, lead), "", "", ""));
        }
        steps.add(new Working.Step(
                reach.least() ? "There is no way with fewer steps" : "There may be a way with fewer steps",
                "",
                "",
                Units.format(reach.minutes(), 0, "min")));
        return steps;
    }
}
