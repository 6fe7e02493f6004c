package boldsatchel.edit;

import boldsatchel.bench.BenchTest;
import boldsatchel.bench.ConverterFit;
import boldsatchel.bench.Measurand;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What is done on the bench: tests are put down, and what they measured is taken over into the plan. */
public final class BenchEdits {

    private BenchEdits() {}

    /**
     * Puts a test down.
     *
     * @param title of the test
     */
    public static Edit record(String title, Journal.Tested test) {
        return Edits.journal("put down “" + title + "”", j -> {
            List<Journal.Tested> more = new ArrayList<>(j.tests());
            more.add(test);
            return j.withTests(more);
        });
    }

    /**
     * Puts one reading down, with what the same test of the same part read before on that day: a test that is done reading by reading.
     *
     * @param words in the builder's words
     */
    public static Edit reading(
            Build build, BenchTest test, String part, Journal.Taken reading, LocalDate on, String words) {
        List<Journal.Taken> all = new ArrayList<>();
        for (Journal.Tested t : build.journal().tests()) {
            if (t.test().equals(test.id()) && t.part().equals(part) && t.on().equals(Optional.of(on))) {
                all.clear();
                all.addAll(t.readings());
            }
        }
        all.removeIf(r -> r.what().equals(reading.what()));
        all.add(reading);
        return record(
                test.title(), new Journal.Tested(Optional.of(on), test.id(), part, "", BenchTest.USUAL_C, all, words));
    }

    /** Takes a test out again. */
    public static Edit forget(String title, Journal.Tested test) {
        return Edits.journal("take out “" + title + "”", j -> {
            List<Journal.Tested> fewer = new ArrayList<>(j.tests());
            fewer.remove(test);
            return j.withTests(fewer);
        });
    }

    /**
     * Takes what was read over into the plan, all of it in one step; what the plan has no place for stays in the journal only.
     *
     * @return nothing where there is nothing to take over, or where the plan cannot hold it
     */
    public static Optional<Edit> takeOver(Build build, Journal.Tested test) {
        try {
            return build.part(test.part())
                    .filter(p -> !taken(p, test).equals(p))
                    .map(p -> Edits.part("take over what was measured of ", p, now -> taken(now, test)));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Part taken(Part part, Journal.Tested test) {
        Part changed = part;
        for (Journal.Taken taken : test.readings()) {
            Optional<Measurand> what = Measurand.of(taken.what()).filter(Measurand::canBeTaken);
            if (what.isPresent()) {
                changed = what.get().taken(changed, test.celsius(), taken.value());
            }
        }
        return ConverterFit.taken(changed, test);
    }
}
