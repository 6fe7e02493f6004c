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
     * The tray that a step is about, with names and measures; nothing where there is none.
     *
     * @param index of the step in the plan
     */
    public static Optional<Drawing> of(Evaluation evaluation, Plan plan, int index, PackView view, Room room) {
        return picture(evaluation, plan, index, view).map(p -> p.in(p.roomier(room)));
    }

    private static Set<String> placed(Step step) {
        return step.groups().stream().flatMap(g -> g.parts().stream()).collect(Collectors.toSet());
    }

    /** The same without anything written, what goes in framed: for a picture beside words. */
    public static Optional<Drawing> bare(Evaluation evaluation, Plan plan, int index, PackView view) {
        return picture(evaluation, plan, index, view)
                .map(p -> p.bare(placed(plan.steps().get(index))));
    }

    private static Optional<PackDrawings.Picture> picture(Evaluation evaluation, Plan plan, int index, PackView view) {
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
                .map(look -> PackDrawings.of(evaluation, look));
    }
}
