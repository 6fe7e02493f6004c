package boldsatchel.abilities;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * In which states of the machine a part is fed, by the chain.
 *
 * @param part its id
 * @param off whether anything reaches it while the machine is off
 * @param asleep whether anything reaches it while the machine is asleep
 * @param by id of the part whose socket, or of the rung whose switch, takes it away, where one does
 */
public record PowerState(String part, boolean off, boolean asleep, Optional<String> by) {

    /** All parts that hang on a chain, from the sources down. */
    public static List<PowerState> all(Build build) {
        List<PowerState> all = new ArrayList<>();
        build.wiring().chain().forEach(r -> below(build, r, new PowerState("", true, true, Optional.empty()), all));
        return all;
    }

    private static void below(Build build, Rung rung, PowerState above, List<PowerState> all) {
        PowerState here = above;
        Optional<Part> part = build.partOf(rung);
        if (part.isPresent() && part.get().facet(Facet.DrawsPower.class).isPresent()) {
            all.add(new PowerState(part.get().id(), above.off, above.asleep, above.by));
        }
        if (part.isPresent() && part.get().facet(Facet.SwitchesOff.class).isPresent()) {
            here = here.through(part.get().id(), false, true);
        }
        if (rung.stage() instanceof Rung.Contact c && c.kind().opens()) {
            here = here.through(rung.id(), false, true);
        }
        Optional<Part.Outlet> outlet = build.outlet(rung);
        if (outlet.isPresent()) {
            here = here.through(
                    rung.warms().orElse(""),
                    outlet.get().live(Mode.OFF),
                    outlet.get().live(Mode.SLEEP));
        }
        for (Rung joined : rung.joined()) {
            below(build, joined, here, all);
        }
        for (Rung fed : rung.feeds()) {
            below(build, fed, here, all);
        }
    }

    private PowerState through(String id, boolean liveOff, boolean liveAsleep) {
        boolean takes = (off && !liveOff) || (asleep && !liveAsleep);
        return new PowerState(part, off && liveOff, asleep && liveAsleep, takes ? Optional.of(id) : by);
    }
}
