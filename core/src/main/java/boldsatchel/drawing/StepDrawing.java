package boldsatchel.drawing;

import boldsatchel.assembly.Plan;
import boldsatchel.assembly.Step;
import boldsatchel.machine.Build;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.verdict.Evaluation;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

/** The case as it is after a step of the work: what lies in it then, what the step is about marked. */
public final class StepDrawing {

    private StepDrawing() {}

    /**
     * The tray that a step is about; nothing where there is none.
     *
     * @param index of the step in the plan
     */
    public static Optional<Drawing> of(Evaluation evaluation, Plan plan, int index, PackView view, Room room) {
        Build build = evaluation.build();
        Step step = plan.steps().get(index);
        Set<String> there = plan.inPlace(index);
        Set<String> hidden = build.layout().placements().stream()
                .map(Placement::part)
                .filter(p -> !there.contains(p))
                .collect(Collectors.toSet());
        String selected = step.subjects().stream()
                .filter(s -> build.part(s).isPresent())
                .findFirst()
                .orElse("");
        return step.tray(build)
                .map(tray -> new PackDrawings.Look(view, tray, Posture.CLOSED, OptionalDouble.empty(), selected, false)
                        .without(hidden))
                .map(look -> PackDrawings.of(evaluation, look).in(room));
    }
}
