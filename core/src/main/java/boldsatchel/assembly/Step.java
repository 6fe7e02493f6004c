package boldsatchel.assembly;

import boldsatchel.machine.Build;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A step of the work.
 *
 * @param id stable while the build names the same things: the job and what it is done to
 * @param job what is done
 * @param subjects ids of parts, trays, leads or joints
 * @param words what is done, for people
 * @param groups what moves, and how; the way it goes in is the way out read backwards
 * @param test of the bench that must pass, of a hold point
 * @param minutes of work
 * @param waitMinutes before what stands on it can go on
 * @param tools needed
 * @param takes what is used up
 * @param cautions that stand at this step
 * @param reasons why it stands here, as ends of a sentence that begins with <i>here, since</i>
 * @param traits what rules ask of it
 */
public record Step(
        String id,
        Job job,
        List<String> subjects,
        String words,
        List<Removal.Group> groups,
        Optional<String> test,
        double minutes,
        double waitMinutes,
        List<String> tools,
        List<String> takes,
        List<String> cautions,
        List<String> reasons,
        Set<Trait> traits) {

    private static final int BRIEF = 44;

    /** Copies the lists. */
    public Step {
        subjects = List.copyOf(subjects);
        groups = List.copyOf(groups);
        tools = List.copyOf(tools);
        takes = List.copyOf(takes);
        cautions = List.copyOf(cautions);
        reasons = List.copyOf(reasons);
        traits = Set.copyOf(traits);
    }

    /** What is done, cut short to be named in a sentence. */
    public String brief() {
        int end = words.lastIndexOf(' ', BRIEF);
        return words.length() <= BRIEF || end < 0
                ? words
                : words.substring(0, end).replaceAll("[,;]$", "") + " …";
    }

    /** Whether nothing goes on before it has passed. */
    public boolean isHold() {
        return test.isPresent();
    }

    /** Where work goes on. */
    public enum Phase {
        /** On the table. */
        TABLE("On the table"),
        /** In the open case. */
        OPEN("Into the case"),
        /** The case closes, and after. */
        CLOSED("Closed");

        private final String words;

        Phase(String words) {
            this.words = words;
        }

        /** As a heading. */
        public String words() {
            return words;
        }
    }

    /** Where it goes on. */
    public Phase phase() {
        if (traits.contains(Trait.CLOSING) || traits.contains(Trait.PROVING_CLOSED) || traits.contains(Trait.PEELING)) {
            return Phase.CLOSED;
        }
        return traits.contains(Trait.INSIDE) || traits.contains(Trait.PROVING_OPEN) ? Phase.OPEN : Phase.TABLE;
    }

    /** The tray that it is about: its own, or that of the first part that it names; the one that stands where it names none. */
    public Optional<String> tray(Build build) {
        return subjects.stream()
                .flatMap(s -> build
                        .shell(s)
                        .map(Shell::id)
                        .or(() -> build.placement(s).map(Placement::shell))
                        .or(() -> build.casing().joint(s).map(Joint::on))
                        .stream())
                .findFirst()
                .or(() -> build.casing().standing().map(Shell::id));
    }

    /** The same with other times and things. */
    Step taking(double newMinutes, double newWait, Set<String> newTools, Set<String> newTakes) {
        return new Step(
                id,
                job,
                subjects,
                words,
                groups,
                test,
                newMinutes,
                newWait,
                List.copyOf(newTools),
                List.copyOf(newTakes),
                cautions,
                reasons,
                traits);
    }

    /** The same with more tools. */
    Step with(List<String> moreTools) {
        Set<String> all = new LinkedHashSet<>(tools);
        all.addAll(moreTools);
        return taking(minutes, waitMinutes, all, new LinkedHashSet<>(takes));
    }

    /** The same with another time to wait after it. */
    Step waiting(double newWait) {
        return taking(minutes, newWait, new LinkedHashSet<>(tools), new LinkedHashSet<>(takes));
    }

    /** The same with what moves in it, and cautions. */
    Step moving(List<Removal.Group> newGroups, List<String> newCautions) {
        return new Step(
                id,
                job,
                subjects,
                words,
                newGroups,
                test,
                minutes,
                waitMinutes,
                tools,
                takes,
                newCautions,
                reasons,
                traits);
    }

    /** The same with why it stands where it does. */
    Step because(List<String> newReasons) {
        return new Step(
                id,
                job,
                subjects,
                words,
                groups,
                test,
                minutes,
                waitMinutes,
                tools,
                takes,
                cautions,
                newReasons,
                traits);
    }
}
