package boldsatchel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Remedy;
import java.util.Optional;

/** Holds a finding to what it promises. */
public final class Findings {

    private Findings() {}

    /** The finding of a code that a build has. */
    public static Optional<Finding> of(Build build, String code) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().equals(code))
                .findFirst();
    }

    /** A build after the first remedy of what was found in it. */
    public static Build remedied(Finding finding, Build build) {
        return finding.remedies().getFirst().edit().orElseThrow().change().apply(build);
    }

    /**
     * A machine has a finding with its figure, its first remedy ends it, and the sound twin never had it.
     *
     * @param is the figure, within half a percent; not a number where there is none
     * @param editable whether the first remedy is an edit
     */
    public static void hold(String code, Build build, double is, Build twin, boolean editable) {
        Finding found = of(build, code).orElseThrow();
        if (!Double.isNaN(is)) {
            assertThat(found.numbers().get("is")).isCloseTo(is, within(0.005 * is));
        }
        assertThat(found.message()).isNotBlank().doesNotContain("NaN");
        assertThat(of(twin, code)).isEmpty();
        Remedy first = found.remedies().getFirst();
        assertThat(first.edit().isPresent()).as(first.words()).isEqualTo(editable);
        first.edit()
                .ifPresent(e -> assertThat(of(e.change().apply(build), code))
                        .as(first.words())
                        .isEmpty());
    }
}
