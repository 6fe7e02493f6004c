package boldsatchel.balance;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Input;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What a machine stands on: feet, or the corners of its outside. Apart from where parts lie, which does not change it. */
public final class FootingEngine implements Engine<Footing> {

    /** An engine; all are alike. */
    public FootingEngine() {}

    @Override
    public String about() {
        return "what it stands on";
    }

    @Override
    public Class<Footing> result() {
        return Footing.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.CASING);
    }

    @Override
    public Footing work(Build build, Results results) {
        return evaluate(build.casing());
    }

    @Override
    public Footing nothing() {
        return Footing.NONE;
    }

    static Footing evaluate(Casing casing) {
        return casing.standing()
                .map(shell -> {
                    Map<Input, Support> others = new LinkedHashMap<>();
                    for (Shell.Measure measure : shell.doubtful()) {
                        Shell other =
                                measure.off(shell, measure.input().figure().sigma());
                        others.put(measure.input(), support(other, casing.feet()));
                    }
                    return new Footing(Optional.of(support(shell, casing.feet())), others);
                })
                .orElse(Footing.NONE);
    }

    /** On its feet, or on the corners of its outside; feet that would pass one another meet in the middle. */
    private static Support support(Shell shell, Optional<Casing.Feet> feet) {
        Box out = shell.outside();
        double inset = Math.min(feet.map(Casing.Feet::insetMm).orElse(0.0), 0.499 * Math.min(out.dx(), out.dy()));
        double z = out.z() - feet.map(Casing.Feet::heightMm).orElse(0.0);
        return new Support(List.of(
                new Vec(out.x() + inset, out.y() + inset, z),
                new Vec(out.high(0) - inset, out.y() + inset, z),
                new Vec(out.x() + inset, out.high(1) - inset, z),
                new Vec(out.high(0) - inset, out.high(1) - inset, z)));
    }
}
