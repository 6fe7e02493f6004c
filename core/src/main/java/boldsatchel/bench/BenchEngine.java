package boldsatchel.bench;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Section;
import boldsatchel.power.Points;
import boldsatchel.power.PowerResult;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Plan against measured. */
public final class BenchEngine implements Engine<BenchResult> {

    /** An engine; all are alike. */
    public BenchEngine() {}

    @Override
    public String about() {
        return "what was measured";
    }

    @Override
    public Class<BenchResult> result() {
        return BenchResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.WIRING, Section.JOURNAL);
    }

    /** A reading can be shown without the plan's answer. */
    @Override
    public Set<Class<?>> asks() {
        return Set.of(Points.class, PowerResult.class, HeatResult.class);
    }

    @Override
    public BenchResult nothing() {
        return new BenchResult(List.of());
    }

    @Override
    public BenchResult work(Build build, Results results) {
        List<BenchResult.Compared> compared = new ArrayList<>();
        List<Journal.Tested> tests = build.journal().tests();
        for (int i = 0; i < tests.size(); i++) {
            Journal.Tested test = tests.get(i);
            Measurand.Known known = Measurand.Known.of(build, results, test.celsius());
            for (Journal.Taken taken : test.readings()) {
                Optional<Measurand> measurand = Measurand.of(taken.what());
                compared.add(new BenchResult.Compared(
                        test,
                        taken,
                        measurand,
                        measurand.flatMap(m -> build.part(test.part()).flatMap(p -> m.expected(p, known))),
                        tests.subList(i + 1, tests.size()).stream().noneMatch(t -> reads(t, test.part(), taken))));
            }
        }
        return new BenchResult(compared);
    }

    private static boolean reads(Journal.Tested test, String part, Journal.Taken taken) {
        return test.part().equals(part)
                && test.readings().stream().anyMatch(r -> r.what().equals(taken.what()));
    }
}
