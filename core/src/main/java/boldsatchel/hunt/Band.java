package boldsatchel.hunt;

import boldsatchel.bench.Expectation;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** Where a reading lies beside what the plan expects. */
public enum Band {
    /** Nothing, or next to it. */
    NOTHING("nothing", 0.01),
    /** Less than planned. */
    LOW("less than planned", 0.03),
    /** As planned. */
    PLANNED("as planned", 0.93),
    /** More than planned. */
    HIGH("more than planned", 0.03);

    private static final double NEXT_TO_NOTHING = 0.08;
    private static final double TWICE = 2;
    private static final double WIDER = 1.3;
    private static final double LEAST_SHARE = 0.015;
    private static final double LEAST_LOW = 0.15;
    private static final double LEAST_SIZE = 1e-3;

    private final String words;
    private final double usual;

    Band(String words, double usual) {
        this.words = words;
        this.usual = usual;
    }

    String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    String words() {
        return words;
    }

    /** How often a reading lies there where no cause says otherwise. */
    double usual() {
        return usual;
    }

    static Optional<Band> of(String id) {
        return Arrays.stream(values()).filter(b -> b.id().equals(id)).findFirst();
    }

    /** Limits of the band in the unit of what is read. */
    public Range range(Expectation plan) {
        Range planned = around(plan);
        double size = size(plan);
        return switch (this) {
            case NOTHING -> new Range(-NEXT_TO_NOTHING * size, NEXT_TO_NOTHING * size);
            case LOW -> new Range(NEXT_TO_NOTHING * size, planned.low());
            case PLANNED -> planned;
            case HIGH -> new Range(planned.high(), planned.high() + TWICE * size);
        };
    }

    private static double size(Expectation plan) {
        return Math.max(LEAST_SIZE, Math.max(Math.abs(plan.value()), Math.abs(plan.high())));
    }

    /** A little wider than 95 of 100: with the doubt of a cheap meter. */
    static Range around(Expectation plan) {
        double size = size(plan);
        double down = Math.max(WIDER * (plan.value() - plan.low()), LEAST_SHARE * size);
        double up = Math.max(WIDER * (plan.high() - plan.value()), LEAST_SHARE * size);
        double low = Math.max(plan.value() - down, LEAST_LOW * size);
        return new Range(low, Math.max(plan.value() + up, low + LEAST_SHARE * size));
    }

    /**
     * From one value to another.
     *
     * @param low least
     * @param high most, more than the least
     */
    public record Range(double low, double high) {}
}
