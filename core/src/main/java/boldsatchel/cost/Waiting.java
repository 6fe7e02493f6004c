package boldsatchel.cost;

import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Basis;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * What is in the post, what can be done meanwhile, and what was promised to work by now. Depends on the day, so no verdict is about it.
 *
 * @param orders parts that are not here, the latest first
 * @param jobs what is to be done, what can be done now first
 * @param up decisions whose time is up
 */
public record Waiting(List<Awaited> orders, List<Job> jobs, List<Journal.Decision> up) {

    /**
     * A part on its way.
     *
     * @param part it
     * @param daysUnderway since it was ordered; nothing when nobody said
     * @param daysLate beyond what was promised; 0 when it is not late, or nothing was promised
     * @param daysLeft until it is due; nothing when it is late or nothing was promised
     */
    public record Awaited(Part part, Optional<Long> daysUnderway, long daysLate, Optional<Long> daysLeft) {
        /** In words. */
        public String words() {
            String since = daysUnderway.map(d -> "in the post for " + days(d)).orElse("ordered, nobody said when");
            if (daysLate > 0) {
                return since + ", " + days(daysLate) + " late";
            }
            return since
                    + daysLeft.map(d -> d == 0 ? ", due today" : ", due in " + days(d))
                            .orElse(", no day promised");
        }
    }

    private static String days(long days) {
        return days == 1 ? "1 day" : days + " days";
    }

    /**
     * Something to be done.
     *
     * @param what in words
     * @param waitsFor names of parts that must be here first
     */
    public record Job(String what, List<String> waitsFor) {
        private static final int NAMED = 3;

        /** What it waits for, in words; the first few by their names. */
        public String waits() {
            String first = String.join(", ", waitsFor.subList(0, Math.min(NAMED, waitsFor.size())));
            int more = waitsFor.size() - NAMED;
            return more > 0 ? first + " and " + more + " more" : first;
        }

        /** Whether it can be done now. */
        public boolean now() {
            return waitsFor.isEmpty();
        }
    }

    /**
     * Looks at a build on a day.
     *
     * @param today the day
     */
    public static Waiting of(Build build, LocalDate today) {
        List<Awaited> orders = Stream.concat(
                        build.parts().list().stream(),
                        build.money().candidates().stream().map(c -> c.part()))
                .filter(p -> p.standing() == Part.Standing.ORDERED)
                .map(p -> awaited(p, today))
                .sorted(Comparator.comparingLong(Awaited::daysLate)
                        .reversed()
                        .thenComparing(a -> a.daysLeft().orElse(Long.MAX_VALUE)))
                .toList();
        List<Job> jobs = new ArrayList<>();
        own(build, jobs);
        measuring(build, jobs);
        proving(build, jobs);
        making(build, jobs);
        jobs.sort(Comparator.comparing(j -> !j.now()));
        return new Waiting(
                orders,
                List.copyOf(jobs),
                build.journal().decisions().stream().filter(d -> d.isUp(today)).toList());
    }

    private static Awaited awaited(Part part, LocalDate today) {
        return part.purchase()
                .order()
                .map(o -> new Awaited(
                        part,
                        o.on().map(on -> Math.max(0, today.toEpochDay() - on.toEpochDay())),
                        o.daysLate(today),
                        o.due()
                                .map(due -> due.toEpochDay() - today.toEpochDay())
                                .filter(left -> left >= 0)))
                .orElse(new Awaited(part, Optional.empty(), 0, Optional.empty()));
    }

    private static void own(Build build, List<Job> jobs) {
        for (Journal.Task task : build.journal().tasks()) {
            if (!task.done()) {
                jobs.add(new Job(
                        task.what(), missing(task.waitsFor().stream().flatMap(id -> build.part(id).stream()))));
            }
        }
    }

    private static List<String> missing(Stream<Part> parts) {
        return parts.filter(p -> !p.standing().here())
                .map(Part::name)
                .distinct()
                .toList();
    }

    /** What is here and was only guessed. */
    private static void measuring(Build build, List<Job> jobs) {
        List<String> guessed = build.parts().list().stream()
                .filter(p -> p.standing().here() && guessed(p))
                .map(Part::name)
                .toList();
        if (!guessed.isEmpty()) {
            jobs.add(new Job("Measure and weigh: " + String.join(", ", guessed), List.of()));
        }
    }

    private static boolean guessed(Part part) {
        return part.massG().basis() == Basis.GUESS
                || part.sizes().stream().anyMatch(s -> s.figure().basis() == Basis.GUESS);
    }

    /** Each chain is proven loose on the table, when all of it is here. */
    private static void proving(Build build, List<Job> jobs) {
        for (Rung root : build.wiring().chain()) {
            Set<String> ids = new LinkedHashSet<>();
            root.walk().forEach(r -> ids.addAll(r.parts()));
            String from = root.part().flatMap(build::part).map(Part::name).orElse("its source");
            jobs.add(new Job(
                    "Prove the power chain of " + from + " loose on the table",
                    missing(ids.stream().flatMap(id -> build.part(id).stream()))));
        }
    }

    /** A case is made when what goes in can be measured: it has been thrown away too often. */
    private static void making(Build build, List<Job> jobs) {
        for (Shell shell : build.casing().shells()) {
            Stream<Part> inside = build.layout().placements().stream()
                    .filter(p -> p.shell().equals(shell.id()))
                    .map(Placement::part)
                    .flatMap(id -> build.part(id).stream());
            jobs.add(new Job(
                    (shell.making() == Shell.Making.FOUND ? "Cut and bore " : "Make ") + shell.name(),
                    missing(inside)));
        }
    }
}
