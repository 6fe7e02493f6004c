package boldsatchel.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.RandomBuilds;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Spread;
import boldsatchel.shelf.Library;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The reverse sweep says of every input what moving it and running again would say. */
public class RunSpreadTest {

    private static final List<Build> BUILDS = Stream.concat(
                    Library.DEMOS.stream().map(d -> Library.demo(d).orElseThrow()),
                    LongStream.range(0, 12).mapToObj(RandomBuilds::doubtful))
            .map(RunSpreadTest::quick)
            .toList();

    /** In short cycles a run ends where its mean current says, not in whichever step happens to be on. */
    private static Build quick(Build build) {
        return Edits.judgedProfile(
                        "shorter steps",
                        p -> new UseProfile(
                                p.name(),
                                p.steps().stream()
                                        .map(s -> s.lasting(s.minutes() / 1000))
                                        .toList()))
                .change()
                .apply(build);
    }

    @DataProvider
    Object[][] builds() {
        return IntStream.range(0, BUILDS.size()).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "builds")
    public void everyInputMovesTheRunTimeAsRunningAgainWouldSay(int index) {
        Build build = BUILDS.get(index);
        Rung root = build.wiring().chain().getFirst();
        UseProfile profile = build.brief().profile();
        Reading.Recorder recorder = new Reading.Recorder();
        Network network = Network.of(build, root, recorder).orElseThrow();
        Discharge run = Discharge.run(network, profile, 200, Optional.empty());
        Spread spread = RunSpread.of(build, CellTemperatures.begin(build), network, run, recorder.inputs());
        double half = spread.high() - spread.nominal();
        double largest = half / Spread.SIGMAS_TO_95;
        Map<Input, Double> shares = new HashMap<>();
        spread.blame().forEach(b -> shares.put(b.input(), b.share()));
        for (Input input : recorder.inputs()) {
            double by = input.figure().sigma() * 0.3;
            if (by == 0) {
                continue;
            }
            double up = hours(build, root, Reading.shifted(input, by));
            double down = hours(build, root, Reading.shifted(input, -by));
            double effect = Math.abs(up - down) / (2 * by) * input.figure().sigma();
            double swept = Math.sqrt(shares.getOrDefault(input, 0.0)) * largest;
            assertThat(swept).as(input.toString()).isCloseTo(effect, within(0.04 * effect + 0.003 * largest));
        }
    }

    private static double hours(Build build, Rung root, Reading reading) {
        return Network.of(build, root, reading)
                .map(n -> Discharge.run(n, build.brief().profile(), 200, Optional.empty())
                        .hours())
                .orElseThrow();
    }
}
