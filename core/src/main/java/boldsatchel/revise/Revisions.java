package boldsatchel.revise;

import boldsatchel.assembly.AssemblyResult;
import boldsatchel.assembly.Day;
import boldsatchel.assembly.Step;
import boldsatchel.bench.BenchResult;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.format.FormatException;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Journal.Revision;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Names for the build as it is now and then, and what is to be proven before one is passed on. */
public final class Revisions {

    private Revisions() {}

    /**
     * The build as it is, under a name.
     *
     * @param name unique among its revisions
     * @param on today
     * @param words what is new in it
     * @throws IllegalArgumentException where the name is blank or there already
     */
    public static Revision named(Build build, String name, LocalDate on, String words) {
        if (name.isBlank()) {
            throw new IllegalArgumentException("a revision has a name, as A or 1.2");
        }
        if (build.journal().revisions().stream().anyMatch(r -> r.name().equals(name.strip()))) {
            throw new IllegalArgumentException("there is a revision “" + name.strip() + "” already; take another name");
        }
        return new Revision(
                name.strip(),
                Optional.of(on),
                words.strip(),
                BuildFormat.write(new BuildFormat.Document(bare(build), Extras.NONE)));
    }

    /** A build without its revisions. */
    public static Build bare(Build build) {
        return build.with(build.journal().withRevisions(List.of()));
    }

    /**
     * The build as it was.
     *
     * @throws FormatException where somebody changed the text by hand and it is no build any more
     */
    public static Build read(Revision revision) throws FormatException {
        return BuildFormat.read(revision.file()).build();
    }

    /** The revision that a build is: the last one that has all but notes, ticks and tests like it; nothing for one that was changed since. */
    public static Optional<Revision> current(Build build) {
        for (Revision revision : build.journal().revisions().reversed()) {
            try {
                if (isLike(read(revision), build)) {
                    return Optional.of(revision);
                }
            } catch (FormatException e) {
                // Told where it is looked at.
            }
        }
        return Optional.empty();
    }

    /** Whether two builds are the same thing to be built, whatever was written down about it. */
    private static boolean isLike(Build one, Build other) {
        return one.with(Journal.NONE).equals(other.with(Journal.NONE));
    }

    /**
     * What is missing before a build may be passed on as tested, in words; empty where nothing is. A test counts when it was done to this
     * revision: one that an earlier one has already, while the thing was changed since, is to be done again.
     */
    public static List<String> lacks(Evaluation evaluation) {
        Build build = evaluation.build();
        List<String> lacks = new ArrayList<>();
        if (current(build).isEmpty()) {
            lacks.add("it is no revision: name it first, so that what is passed on can be told from what comes after");
        }
        long stops = evaluation.findings().stream()
                .map(Finding::severity)
                .filter(s -> s == Severity.STOP)
                .count();
        if (stops > 0) {
            lacks.add(stops == 1 ? "one finding says stop" : stops + " findings say stop");
        }
        Set<Journal.Tested> stale = stale(build);
        BenchResult bench = evaluation.of(BenchResult.class);
        BenchResult fresh = new BenchResult(
                bench.compared().stream().filter(c -> !stale.contains(c.test())).toList());
        Day day = new Day(
                evaluation.of(AssemblyResult.class).plan().get(),
                build.journal().done(),
                fresh);
        Day ever = new Day(day.plan(), day.ticked(), bench);
        for (Step step : day.plan().steps()) {
            if (step.isHold() && day.proof(step) != Day.Proof.PASSED) {
                String why = day.proof(step) == Day.Proof.DIFFERS
                        ? "did not come out as planned"
                        : ever.proof(step) == Day.Proof.OPEN ? "is not proven" : "was proven before the last change";
                lacks.add("“" + step.words() + "” " + why);
            }
        }
        return List.copyOf(lacks);
    }

    /** Tests that were done to an earlier thing than this one. */
    private static Set<Journal.Tested> stale(Build build) {
        Set<Journal.Tested> stale = new HashSet<>();
        for (Revision revision : build.journal().revisions()) {
            try {
                Build was = read(revision);
                if (!isLike(was, build)) {
                    stale.addAll(was.journal().tests());
                }
            } catch (FormatException e) {
                // What cannot be read says nothing about tests.
            }
        }
        return stale;
    }
}
