package boldsatchel.judge;

import boldsatchel.bench.BenchEngine;
import boldsatchel.bench.BenchResult;
import boldsatchel.bench.BenchTest;
import boldsatchel.bench.BenchTests;
import boldsatchel.bench.Expectation;
import boldsatchel.bench.Measurand;
import boldsatchel.edit.BenchEdits;
import boldsatchel.engine.Engine;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** Tells where what was measured is not as planned. It answers no question of its own: the plan does, once it is taken over. */
public final class BenchJudge implements Judge<BenchResult> {

    /** A judge; all are alike. */
    public BenchJudge() {}

    @Override
    public Engine<BenchResult> engine() {
        return new BenchEngine();
    }

    /** Names of parts. */
    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS);
    }

    @Override
    public Judgement judge(Build build, BenchResult result) {
        List<Finding> findings = new ArrayList<>();
        for (BenchResult.Compared c : result.compared()) {
            if (c.latest() && c.differs()) {
                findings.add(differs(
                        build, c, c.measurand().orElseThrow(), c.expected().orElseThrow()));
            }
        }
        return new Judgement(List.of(), findings);
    }

    private static Finding differs(Build build, BenchResult.Compared c, Measurand what, Expectation expected) {
        String part = c.test().part();
        return Finding.of(
                "bench.differs",
                Severity.WATCH,
                List.of(part),
                Words.numbers(
                        "measured",
                        c.taken().value().value(),
                        "planned",
                        expected.value(),
                        "low",
                        expected.low(),
                        "high",
                        expected.high()),
                () -> Words.name(build, part) + ": " + what.label() + " was measured as "
                        + Units.format(what.quantity(), c.taken().value()) + "; planned is "
                        + Units.format(what.quantity(), expected.value()) + ", between "
                        + Units.format(what.quantity(), expected.low()) + " and "
                        + Units.format(what.quantity(), expected.high()) + ". Both doubts together do not explain it.",
                () -> List.of(new Working.Step(
                        "Doubt of both",
                        "√(planned ±² + measured ±²), 95 of 100",
                        expected.from() + "; " + c.test().instrument(),
                        Units.format(what.quantity(), c.taken().value()))),
                () -> cures(build, c));
    }

    private static List<Remedy> cures(Build build, BenchResult.Compared c) {
        List<Remedy> cures = new ArrayList<>();
        BenchEdits.takeOver(build, c.test())
                .ifPresent(e -> cures.add(Remedy.by("Take what was measured over into the plan", e)));
        String test = BenchTests.test(c.test().test()).map(BenchTest::title).orElse("the test");
        cures.add(Remedy.advice(
                "Do “" + test + "” once more, with another meter or another lead, before it is believed"));
        return cures;
    }
}
