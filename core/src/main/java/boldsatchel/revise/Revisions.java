package boldsatchel.revise;

import boldsatchel.assembly.Day;
import boldsatchel.assembly.PlanResult;
import boldsatchel.assembly.Step;
import boldsatchel.bench.BenchResult;
import boldsatchel.edit.Edit;
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

    /** The build is what it was again; what was written down since stays. */
    public static Edit backTo(Revision revision, Build was) {
        return new Edit("go back to revision " + revision.name(), b -> was.with(b.journal()));
    }

    /** How a build stands to its revisions. Each of them is read once: some ms. */
    public static Standing standing(Evaluation evaluation) {
        Build build = evaluation.build();
        Optional<Revision> current = Optional.empty();
        Set<Journal.Tested> stale = new HashSet<>();
        List<String> lacks = new ArrayList<>();
        for (Revision revision : build.journal().revisions()) {
            try {
                Build was = read(revision);
                if (isLike(was, build)) {
                    current = Optional.of(revision);
                } else {
                    stale.addAll(was.journal().tests());
                }
            } catch (FormatException e) {
                lacks.add("revision " + revision.name()
                        + " cannot be read any more: which tests are older than the last change is not known");
            }
        }
        if (current.isEmpty()) {
            lacks.addFirst(
                    "it is no revision: name it first, so that what is passed on can be told from what comes after");
        }
        long stops = evaluation.findings().stream()
                .map(Finding::severity)
                .filter(s -> s == Severity.STOP)
                .count();
        if (stops > 0) {
            lacks.add(stops == 1 ? "one finding says stop" : stops + " findings say stop");
        }
        unproven(evaluation, stale, lacks);
        return new Standing(current, lacks);
    }

    /** Whether two builds are the same thing to be built, whatever was written down about it. */
    private static boolean isLike(Build one, Build other) {
        return one.with(Journal.NONE).equals(other.with(Journal.NONE));
    }

    /**
     * Hold points that have not passed.
     *
     * @param stale tests that were done to an earlier thing than this one
     */
    private static void unproven(Evaluation evaluation, Set<Journal.Tested> stale, List<String> lacks) {
        BenchResult bench = evaluation.of(BenchResult.class);
        BenchResult fresh = new BenchResult(
                bench.compared().stream().filter(c -> !stale.contains(c.test())).toList());
        Day day = new Day(
                evaluation.of(PlanResult.class).plan().get(),
                evaluation.build().journal().done(),
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
    }
}
