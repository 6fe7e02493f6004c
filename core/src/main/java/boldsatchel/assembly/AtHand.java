package boldsatchel.assembly;

import boldsatchel.machine.Brief.Workshop;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;

/** Which tools of a step are not at hand. Only those that a brief can say it has are asked for. */
public final class AtHand {

    private static final Map<String, Predicate<Workshop>> ASKED = Map.of(
            "printer", w -> w.bed().isPresent(),
            "cutter for sheet", Workshop::cuts,
            "drill press", Workshop::drills,
            "soldering iron", Workshop::solders,
            "hot air", Workshop::hotAir);

    private AtHand() {}

    /**
     * Tools that a step wants and the workshop has not; empty where nobody said what it has. Where a step can do with one of several tools, one is
     * enough.
     */
    public static List<String> missing(Optional<Workshop> workshop, Step step) {
        return workshop.map(w ->
                        step.tools().stream().filter(tool -> isMissing(w, tool)).toList())
                .orElse(List.of());
    }

    private static boolean isMissing(Workshop workshop, String tool) {
        List<String> choices = List.of(tool.split(",? or "));
        return choices.stream()
                .allMatch(choice -> ASKED.entrySet().stream()
                        .anyMatch(asked -> choice.startsWith(asked.getKey())
                                && !asked.getValue().test(workshop)));
    }
}
