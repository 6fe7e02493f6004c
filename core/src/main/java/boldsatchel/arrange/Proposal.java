package boldsatchel.arrange;

import boldsatchel.edit.Attempt;
import boldsatchel.edit.Edit;
import boldsatchel.machine.Build;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Placement;
import boldsatchel.verdict.Evaluation;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * An arrangement that was found, judged by all engines.
 *
 * @param was the build as it is
 * @param evaluation of the build as it would be
 * @param merit what is to be said for and against it
 * @param change made of the build first
 */
public record Proposal(Evaluation was, Evaluation evaluation, Merit merit, Change change) {

    /** One, judged, and what is read of it. */
    static Proposal of(Evaluation was, Evaluation evaluation, Change change, List<Reading> readings) {
        return new Proposal(was, evaluation, Merit.of(evaluation, was, readings), change);
    }

    /** What is read of it and of the build as it is. */
    public List<Reading> readings() {
        return merit.readings();
    }

    /** The same, what was wished for first. */
    public List<Reading> wishedFirst() {
        Set<Reading> first = new LinkedHashSet<>(Aim.readings());
        first.retainAll(readings());
        first.addAll(readings());
        return List.copyOf(first);
    }

    /** What has another place, or lies another way, by name, and in which tray where that is another one. */
    public List<String> otherwise() {
        List<String> otherwise = new ArrayList<>();
        for (Placement to : build().layout().placements()) {
            Optional<Placement> lay = was.build().placement(to.part());
            boolean isSame = lay.filter(w -> w.shell().equals(to.shell())
                            && w.at().equals(to.at())
                            && w.orientation().equals(to.orientation()))
                    .isPresent();
            if (!isSame) {
                String tray = lay.filter(w -> !w.shell().equals(to.shell()))
                        .flatMap(w -> build().shell(to.shell()))
                        .map(s -> " (now in " + s.name() + ")")
                        .orElse("");
                build().part(to.part()).ifPresent(p -> otherwise.add(p.name() + tray));
            }
        }
        return otherwise;
    }

    /** The build as it would be. */
    public Build build() {
        return evaluation.build();
    }

    /**
     * Taken over into a build that may be another one by now: what was locked or said to hold parts since stays so. Not where parts, case or cooling were changed, or where
     * something would move that is locked by now.
     *
     * @param name of the edit
     */
    public Attempt takenOver(String name, Build now) {
        Build from = was.build();
        boolean isAsItWas = now.parts().equals(from.parts())
                && now.casing().equals(from.casing())
                && now.cooling().equals(from.cooling());
        if (!isAsItWas) {
            return new Attempt.Refused(
                    "Parts or case are not what they were when this was found. Undo that, or look again.");
        }
        Build changed = change.of(now);
        List<Placement> places = new ArrayList<>();
        for (Placement to : build().layout().placements()) {
            Optional<Placement> lies = changed.placement(to.part());
            Placement at = lies.map(p -> p.within(to.shell()).at(to.at()).turned(to.orientation()))
                    .orElse(to);
            if (lies.filter(p -> p.locked() && !p.equals(at)).isPresent()) {
                return new Attempt.Refused(
                        now.part(to.part()).map(p -> p.name()).orElse(to.part())
                                + " is locked by now, and this would move it. Look again.");
            }
            places.add(at);
        }
        Layout layout = new Layout(places, build().layout().cables());
        return new Attempt.Allowed(new Edit(name, b -> change.of(b).with(layout).with(build().casing())));
    }
}
