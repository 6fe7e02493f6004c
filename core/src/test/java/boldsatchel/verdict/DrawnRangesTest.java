package boldsatchel.verdict;

import boldsatchel.Draws;
import boldsatchel.RandomBuilds;
import boldsatchel.machine.Build;
import boldsatchel.shelf.Library;
import java.util.*;
import org.testng.annotations.Test;

public class DrawnRangesTest {
    @Test
    public void survey() {
        int n = Integer.getInteger("boldsatchel.draws", 400);
        Map<String, Build> builds = new LinkedHashMap<>();
        for (String d : List.<String>of()) {
            builds.put(d, Library.demo(d).orElseThrow());
        }
        for (long s = 0; s < 4; s++) {
            builds.put("r" + s, Draws.doubtful(RandomBuilds.of(s), 0.2, s));
            builds.put("j" + s, Draws.doubtful(RandomBuilds.joined(s), 0.2, s));
            builds.put("c" + s, Draws.doubtful(RandomBuilds.charged(s), 0.2, s));
        }
        builds.forEach((name, build) -> {
            Evaluation e = Evaluator.evaluate(build);
            Map<String, double[]> all = new LinkedHashMap<>();
            e.verdicts().forEach(v -> all.put(v.kind().id(), new double[n]));
            for (int i = 0; i < n; i++) {
                int k = i;
                Evaluator.evaluate(Draws.of(build, i))
                        .verdicts()
                        .forEach(v -> Objects.requireNonNull(all.get(v.kind().id()))[k] = v.value());
            }
            StringBuilder sb = new StringBuilder(name + ":");
            for (Verdict v : e.verdicts()) {
                double[] x = Arrays.stream(
                                Objects.requireNonNull(all.get(v.kind().id())))
                        .filter(y -> !Double.isNaN(y))
                        .sorted()
                        .toArray();
                if (x.length < n / 2) {
                    continue;
                }
                double lo = x[(int) (0.05 * x.length)];
                double hi = x[(int) (0.95 * x.length)];
                double model = v.kind().id().equals("keeps-cool")
                        ? v.working().range().blame().stream()
                                .filter(b -> b.input().owner().equals("the model"))
                                .mapToDouble(b -> b.share())
                                .sum()
                        : 0;
                double r = (v.high() - v.low()) * Math.sqrt(1 - model) / (hi - lo);
                double c = ((v.high() + v.low()) - (hi + lo)) / 2 / (hi - lo);
                sb.append(String.format(
                        " %s %.2f%s",
                        v.kind().id().substring(0, 2),
                        r,
                        Math.abs(c) > 0.06 || Math.abs(r - 1) > 0.12
                                ? String.format(
                                        "[%.2f %.2f %.2f|%.2f %.2f %.2f]",
                                        v.low(), v.value(), v.high(), lo, x[x.length / 2], hi)
                                : ""));
            }
            System.out.println("DRAW " + sb);
        });
    }
}
