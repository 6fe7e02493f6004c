package boldsatchel.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Draws;
import boldsatchel.RandomBuilds;
import boldsatchel.machine.Build;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.IntStream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Ranges of verdicts against builds drawn at random: the width between the 5th and the 95th of a hundred. How many draws each range is
 * held against may be given: {@code -Dboldsatchel.draws=4000}.
 */
public class DrawnRangesTest {

    private static final int DRAWS = Integer.getInteger("boldsatchel.draws", 100);
    /** Spread of the width that so few draws show, as a share of it. */
    private static final double NOISE = 0.85 / Math.sqrt(DRAWS);

    /** By kind of verdict, the widths said over those drawn. */
    private final Map<String, List<Double>> ratios = new HashMap<>();

    @DataProvider
    Object[][] builds() {
        List<Object[]> builds = new ArrayList<>();
        for (String demo : List.of("cave-survey", "orchard-ledger", "harbour-watch")) {
            builds.add(new Object[] {demo, Library.demo(demo).orElseThrow()});
        }
        for (long seed = 0; seed < 16; seed++) {
            builds.add(new Object[] {"alone " + seed, Draws.doubtful(RandomBuilds.of(seed), 0.2, seed)});
            if (seed % 2 == 0) {
                builds.add(new Object[] {"joined " + seed, Draws.doubtful(RandomBuilds.joined(seed), 0.2, seed)});
            }
            if (seed % 2 == 1) {
                builds.add(new Object[] {"plugged " + seed, Draws.doubtful(RandomBuilds.plugged(seed), 0.2, seed)});
            }
            builds.add(new Object[] {"charged " + seed, Draws.doubtful(RandomBuilds.charged(seed), 0.2, seed)});
        }
        return builds.toArray(Object[][]::new);
    }

    @Test(dataProvider = "builds")
    public void aRangeIsAsWideAsDrawsAre(String name, Build build) {
        Evaluation evaluation = Evaluator.evaluate(build);
        Map<String, double[]> drawn = new HashMap<>();
        List<List<Verdict>> draws = IntStream.range(0, DRAWS)
                .parallel()
                .mapToObj(i -> Evaluator.evaluate(Draws.of(build, name.hashCode() * 1_000_003L + i))
                        .verdicts())
                .toList();
        for (int i = 0; i < DRAWS; i++) {
            int at = i;
            draws.get(i).forEach(v -> drawn.computeIfAbsent(v.kind().id(), k -> new double[DRAWS])[at] = v.value());
        }
        for (Verdict v : evaluation.verdicts()) {
            double[] values = Objects.requireNonNull(drawn.get(v.kind().id()));
            Arrays.sort(values);
            double width = values[(int) (0.95 * DRAWS)] - values[(int) (0.05 * DRAWS)];
            // What lies at a wall would be drawn through it, but is put where it touches.
            boolean touches =
                    v.kind().equals(Verdict.Kind.PACKS) && Library.demo(name).isPresent();
            if (width > 1e-6 && !touches) {
                double said = v.high() - v.low();
                double ratio = said / Math.hypot(width, said * Math.sqrt(model(v)));
                ratios.computeIfAbsent(v.kind().id(), k -> new ArrayList<>()).add(ratio);
                assertThat(ratio)
                        .as(name + ", " + v.kind().id() + " " + v.low() + " … " + v.high())
                        .isBetween(0.9 * (1 - 3.5 * NOISE), 1.1 * (1 + 3.5 * NOISE));
            }
        }
    }

    /** Share of the variance that is the model's own doubt, which no draw has. */
    private static double model(Verdict verdict) {
        return verdict.working().range().blame().stream()
                .filter(b -> b.input().owner().equals("the model"))
                .mapToDouble(b -> b.share())
                .sum();
    }

    /** What is one too wide and another too narrow by chance is right on the whole. */
    @AfterClass
    public void onTheWholeRangesAreRight() {
        ratios.forEach((kind, all) -> assertThat(
                        all.stream().mapToDouble(Double::doubleValue).average().orElseThrow())
                .as(kind + " of " + all.size() + ": " + all)
                .isBetween(0.94, 1.06 + NOISE / 2));
    }
}
