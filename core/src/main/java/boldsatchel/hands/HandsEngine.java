package boldsatchel.hands;

import boldsatchel.balance.BalanceResult;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Section;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** Looks at how the machine meets a body in each of its postures. Costs a few lines of arithmetic for each screen, keyboard and button. */
public final class HandsEngine implements Engine<HandsResult> {

    /** An engine; all are alike. */
    public HandsEngine() {}

    @Override
    public String about() {
        return "how it meets hands and eyes";
    }

    @Override
    public Class<HandsResult> result() {
        return HandsResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.LAYOUT, Section.WIRING);
    }

    @Override
    public Set<Class<?>> needs() {
        return Set.of(BalanceResult.class);
    }

    @Override
    public HandsResult work(Build build, Results results) {
        return evaluate(build, results.of(BalanceResult.class));
    }

    @Override
    public HandsResult nothing() {
        return new HandsResult(List.of(), new SetUp(List.of()));
    }

    /** Evaluates a build. */
    public static HandsResult evaluate(Build build, BalanceResult balance) {
        List<HandsResult.InPosture> all = new ArrayList<>();
        if (build.casing().standing().isEmpty()) {
            return new HandsResult(all, SetUp.of(build));
        }
        for (BalanceResult.InPosture in : balance.postures()) {
            if (in.posture().held() != Posture.Held.STOWED) {
                Grip grip = new Grip(build, in);
                Posed posed = new Posed(build, in.posture());
                all.add(new HandsResult.InPosture(
                        in.posture(),
                        in.massG(),
                        new Eyes(build, posed).sights(),
                        new Fingers(build, posed, balance, in).typings(),
                        grip.loads(),
                        grip.reaches(posed),
                        grip.hangsDeg(),
                        grip.isKnown()));
            }
        }
        return new HandsResult(all, SetUp.of(build));
    }
}
