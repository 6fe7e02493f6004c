package boldsatchel.bench;

import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import java.util.Arrays;
import java.util.List;

/**
 * A guided test: what it is for, how it is done, what is read.
 *
 * @param id stable name
 * @param title for people
 * @param on what a part must be that it is done to: the name of a facet, or {@code Part} for every one
 * @param hookUp how instrument and part are connected
 * @param minutes it takes, with the hook-up
 * @param needs instruments
 * @param purpose why it is done
 * @param cautions before anything else
 * @param steps in their order
 * @param readings names of what is read, see {@link Measurand}
 * @param log whether its readings come out of a log
 */
public record BenchTest(
        String id,
        String title,
        String on,
        HookUp hookUp,
        int minutes,
        List<String> needs,
        String purpose,
        List<String> cautions,
        List<Step> steps,
        List<String> readings,
        boolean log) {

    /** As warm as a bench is, where nobody says, °C. */
    public static final double USUAL_C = 25;

    /**
     * A step.
     *
     * @param words what is done
     * @param hold whether nothing goes on before it has been looked at
     */
    public record Step(String words, boolean hold) {}

    /** Copies the lists. */
    public BenchTest {
        needs = List.copyOf(needs);
        cautions = List.copyOf(cautions);
        steps = List.copyOf(steps);
        readings = List.copyOf(readings);
    }

    /** Whether it can be done to a part. */
    public boolean fits(Part part) {
        return on.equals("Part")
                || part.facets().stream()
                        .anyMatch(f -> f.getClass().getSimpleName().equals(on));
    }

    /** What is read. */
    public List<Measurand> measurands() {
        return readings.stream().map(Measurand::of).map(m -> m.orElseThrow()).toList();
    }

    /** Whether there is such a kind of part. */
    boolean onSomething() {
        return on.equals("Part")
                || Arrays.stream(Facet.class.getPermittedSubclasses())
                        .anyMatch(f -> f.getSimpleName().equals(on));
    }
}
