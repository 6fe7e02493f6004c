package boldsatchel.machine;

import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Section: what the builder writes down on the way. No verdict reads it.
 *
 * @param notes in the builder's words
 * @param decisions what was decided, and why
 * @param tasks what is to be done
 * @param pictures for reference; the files lie in a folder beside the build file
 * @param tests done on the bench, the first one first
 * @param hunts for faults, the first one first
 * @param asBuilt where the thing on the table is otherwise than planned
 * @param done steps of the assembly that are done, in the order in which they were
 * @param moved steps of the assembly that were moved by hand, one move after the other
 * @param lessons what would be done otherwise the next time
 * @param credits who helped, and whose work is in it
 * @param licence under which the book may be passed on
 * @param revisions of the build, the first one first
 */
public record Journal(
        @Label("notes") String notes,
        @Label("decisions") List<Decision> decisions,
        @Label("tasks") List<Task> tasks,
        @Label("reference pictures") List<Picture> pictures,
        @Label("bench tests") List<Tested> tests,
        @Label("fault hunts") List<Hunted> hunts,
        @Label("as built") List<Differs> asBuilt,
        @Label("steps done") List<Ticked> done,
        @Label("steps moved by hand") List<Moved> moved,
        @Label("next time") List<Lesson> lessons,
        @Label("credits") List<Credit> credits,
        @Label("licence of the book") String licence,
        @Label("revisions") List<Revision> revisions) {

    /** Nothing yet. */
    public static final Journal NONE = new Journal(
            "", List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(),
            List.of(), "", List.of());

    /** Copies the lists. */
    public Journal {
        decisions = List.copyOf(decisions);
        tasks = List.copyOf(tasks);
        pictures = List.copyOf(pictures);
        tests = List.copyOf(tests);
        hunts = List.copyOf(hunts);
        asBuilt = List.copyOf(asBuilt);
        done = List.copyOf(done);
        moved = List.copyOf(moved);
        lessons = List.copyOf(lessons);
        credits = List.copyOf(credits);
        revisions = List.copyOf(revisions);
    }

    /**
     * Something decided. A risky one has a day by which it must have worked, and what is done if it has not.
     *
     * @param on which day
     * @param what was decided
     * @param why it was
     * @param until the day by which it must have worked
     * @param fallback what is done instead then
     * @param settled whether it has worked, or was given up
     */
    public record Decision(
            @Label("on") Optional<LocalDate> on,
            @Label("decided") String what,
            @Label("because") String why,
            @Label("must have worked by") Optional<LocalDate> until,
            @Label("if not") String fallback,
            @Label("settled") boolean settled) {
        /** Whether the time for it is up. */
        public boolean isUp(LocalDate today) {
            return !settled && until.filter(u -> today.isAfter(u)).isPresent();
        }
    }

    /**
     * Something to be done.
     *
     * @param what in the builder's words
     * @param waitsFor ids of parts that must be there
     * @param done whether it is
     */
    public record Task(
            @Label("what") String what,
            @Label("waits for") Set<String> waitsFor,
            @Label("done") boolean done) {
        /** Copies the set, in a stable order. */
        public Task {
            waitsFor = Collections.unmodifiableSortedSet(new TreeSet<>(waitsFor));
        }
    }

    /**
     * A picture.
     *
     * @param file its name in the folder
     * @param words what it shows
     */
    public record Picture(
            @Label(value = "file", needed = true) String file,
            @Label("what it shows") String words) {}

    /**
     * A test that was done.
     *
     * @param on which day
     * @param test which one, by its name among the tests there are
     * @param part id of what it was done to
     * @param instrument what it was read with
     * @param celsius how warm it was on the bench
     * @param readings what was read
     * @param words in the builder's words
     */
    public record Tested(
            @Label("on") Optional<LocalDate> on,
            @Label(value = "test", needed = true) String test,
            @Label(value = "part", needed = true) String part,
            @Label("read with") String instrument,

            @Label(value = "as warm as", in = Quantity.TEMPERATURE, absent = 25)
            double celsius,

            @Label("readings") List<Taken> readings,
            @Label("notes") String words) {
        /** Copies the list. */
        public Tested {
            readings = List.copyOf(readings);
        }
    }

    /**
     * A reading of a test.
     *
     * @param what was measured, by its name; the unit is at its end
     * @param value in that unit
     */
    public record Taken(
            @Label(value = "what", needed = true) String what,
            @Label("value") Figure value) {}

    /**
     * A hunt for a fault.
     *
     * @param id unique among the hunts
     * @param on which day it began
     * @param symptom by its name among those there are
     * @param part id of what is in trouble
     * @param boxMinutes as long as it may take before the fallback is taken; 0 for no end
     * @param fallback what is done instead then
     * @param clues in the order in which they came
     * @param culprit by its name among the causes; empty until it is found
     * @param words in the builder's words
     */
    public record Hunted(
            @Label(value = "id", needed = true) String id,
            @Label("on") Optional<LocalDate> on,
            @Label(value = "symptom", needed = true) String symptom,
            @Label(value = "part", needed = true) String part,

            @Label(value = "time for it", in = Quantity.MINUTES, absent = 0, least = 0)
            double boxMinutes,

            @Label("if it is up") String fallback,
            @Label("clues") List<Clue> clues,
            @Label("culprit") String culprit,
            @Label("notes") String words) {
        /** Copies the list. */
        public Hunted {
            clues = List.copyOf(clues);
        }

        /** The same with other clues. */
        public Hunted with(List<Clue> newClues) {
            return new Hunted(id, on, symptom, part, boxMinutes, fallback, newClues, culprit, words);
        }

        /** The same with one more clue. */
        public Hunted and(Clue clue) {
            List<Clue> now = new ArrayList<>(clues);
            now.add(clue);
            return with(now);
        }

        /** The same without a clue. */
        public Hunted without(int place) {
            List<Clue> now = new ArrayList<>(clues);
            now.remove(place);
            return with(now);
        }

        /** The same with another time for it, and what is done instead then. */
        public Hunted boxed(double newMinutes, String newFallback) {
            return new Hunted(id, on, symptom, part, newMinutes, newFallback, clues, culprit, words);
        }

        /** The same with its end. */
        public Hunted ended(String newCulprit) {
            return new Hunted(id, on, symptom, part, boxMinutes, fallback, clues, newCulprit, words);
        }
    }

    /**
     * Where the thing on the table is otherwise than planned.
     *
     * @param on which day it was seen or done
     * @param where on the machine
     * @param what is otherwise
     * @param bodge what makes do for now; empty where nothing does
     * @param stillTests what can be tried with it all the same
     * @param mendedBy which revision mends it; empty where none will
     */
    public record Differs(
            @Label("on") Optional<LocalDate> on,
            @Label("where") String where,
            @Label("what is otherwise") String what,
            @Label("makes do") String bodge,
            @Label("can still be tried") String stillTests,
            @Label("mended by") String mendedBy) {}

    /**
     * A step of the assembly that is done.
     *
     * @param step which one, by its id
     * @param on which day
     * @param minutes it took; absent where nobody timed it
     * @param words in the builder's words
     */
    public record Ticked(
            @Label(value = "step", needed = true) String step,
            @Label("on") Optional<LocalDate> on,

            @Label(value = "took", in = Quantity.MINUTES, least = 0)
            Optional<Double> minutes,

            @Label("notes") String words) {}

    /**
     * A step of the assembly that was moved by hand.
     *
     * @param step which one, by its id
     * @param before id of the step that it comes right before since; empty for the end
     */
    public record Moved(
            @Label(value = "step", needed = true) String step,
            @Label("comes before") String before) {}

    /**
     * What a check said.
     *
     * @param check by its name among those there are
     * @param outcome that came out; empty where a number was read, or the check could not be done
     * @param value that was read, in the unit of what it measures
     * @param words in the builder's words
     */
    public record Clue(
            @Label(value = "check", needed = true) String check,
            @Label("came out") String outcome,
            @Label("read") Optional<Figure> value,
            @Label("notes") String words) {
        /** A check that cannot be done. */
        public static Clue skipped(String check) {
            return new Clue(check, "", Optional.empty(), "");
        }

        /** Whether it says something. */
        public boolean says() {
            return !outcome.isEmpty() || value.isPresent();
        }
    }

    /**
     * What would be done otherwise the next time.
     *
     * @param what in the builder's words
     * @param why it would
     */
    public record Lesson(
            @Label("what") String what, @Label("because") String why) {}

    /**
     * Who helped, or whose work is in it.
     *
     * @param who in the builder's words
     * @param what they did, or what of theirs it is and under which licence
     */
    public record Credit(
            @Label("who") String who, @Label("for what") String what) {}

    /**
     * The build as it was at some time, under a name.
     *
     * @param name unique among the revisions
     * @param on which day it was named
     * @param words what is new in it
     * @param file the build file as it was, without revisions of its own: text, so that any later version of the program reads it as it
     *     reads any older file
     */
    public record Revision(
            @Label(value = "name", needed = true) String name,
            @Label("on") Optional<LocalDate> on,
            @Label("what is new") String words,

            @Label(value = "build file as it was", needed = true)
            String file) {}

    private Journal with(String field, Object value) {
        return Form.of(Journal.class).field(field).with(this, value);
    }

    /** The same with other notes. */
    public Journal noting(String newNotes) {
        return with("notes", newNotes);
    }

    /** The same with other tasks. */
    public Journal withTasks(List<Task> newTasks) {
        return with("tasks", newTasks);
    }

    /** The same with other pictures. */
    public Journal withPictures(List<Picture> newPictures) {
        return with("pictures", newPictures);
    }

    /** The same with one more picture. */
    public Journal and(Picture picture) {
        return withPictures(more(pictures, picture));
    }

    private static <T> List<T> more(List<T> some, T one) {
        List<T> more = new ArrayList<>(some);
        more.add(one);
        return more;
    }

    /** The same with other tests. */
    public Journal withTests(List<Tested> newTests) {
        return with("tests", newTests);
    }

    /** The same with other hunts. */
    public Journal withHunts(List<Hunted> newHunts) {
        return with("hunts", newHunts);
    }

    /** The same with other differences from the plan. */
    public Journal withAsBuilt(List<Differs> newAsBuilt) {
        return with("asBuilt", newAsBuilt);
    }

    /** The same with one more difference from the plan. */
    public Journal and(Differs differs) {
        return withAsBuilt(more(asBuilt, differs));
    }

    /** The same with other steps done. */
    public Journal withDone(List<Ticked> newDone) {
        return with("done", newDone);
    }

    /** The same with other moves of steps. */
    public Journal withMoved(List<Moved> newMoved) {
        return with("moved", newMoved);
    }

    /** The same with other lessons. */
    public Journal withLessons(List<Lesson> newLessons) {
        return with("lessons", newLessons);
    }

    /** The same with other credits. */
    public Journal withCredits(List<Credit> newCredits) {
        return with("credits", newCredits);
    }

    /** The same under another licence. */
    public Journal under(String newLicence) {
        return with("licence", newLicence);
    }

    /** The same with other revisions. */
    public Journal withRevisions(List<Revision> newRevisions) {
        return with("revisions", newRevisions);
    }

    /** The same with one more revision. */
    public Journal and(Revision revision) {
        return withRevisions(more(revisions, revision));
    }
}
