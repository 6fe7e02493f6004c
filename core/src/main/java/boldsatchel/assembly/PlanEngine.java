package boldsatchel.assembly;

import boldsatchel.cables.CablesEngine;
import boldsatchel.cables.CablesResult;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Section;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** The work, step by step: worked out when somebody looks. */
public final class PlanEngine implements Engine<PlanResult> {

    /** An engine; all are alike. */
    public PlanEngine() {}

    @Override
    public String about() {
        return "the steps of the work";
    }

    @Override
    public Class<PlanResult> result() {
        return PlanResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.LAYOUT, Section.WIRING, Section.JOURNAL);
    }

    @Override
    public Set<Class<?>> needs() {
        return Set.of(AssemblyResult.class);
    }

    @Override
    public Set<Class<?>> asks() {
        return Set.of(CablesResult.class);
    }

    @Override
    public PlanResult work(Build build, Results results) {
        List<Removal> out = results.of(AssemblyResult.class).out();
        CablesResult cables = results.of(CablesResult.class);
        List<Journal.Moved> moved = build.journal().moved();
        return new PlanResult(
                Lazy.of(() -> Steps.of(build, cables, Takedown.of(build, cables, List.of()), out, moved)));
    }

    @Override
    public PlanResult nothing() {
        return PlanResult.NOTHING;
    }

    /** The work that a build takes. */
    public static Plan evaluate(Build build) {
        CablesResult cables = CablesEngine.evaluate(build);
        Takedown takedown = Takedown.of(build, cables, List.of());
        return Steps.of(
                build,
                cables,
                takedown,
                AssemblyEngine.evaluate(build).out(),
                build.journal().moved());
    }
}
