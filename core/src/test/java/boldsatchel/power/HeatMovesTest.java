package boldsatchel.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Draws;
import boldsatchel.RandomBuilds;
import boldsatchel.machine.Build;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Reading;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What each input does to the heat of each rung, against the network solved anew with it moved up and down. That loads which are no fixed
 * power draw otherwise at another voltage is left out.
 */
public class HeatMovesTest {

    @DataProvider
    Object[][] builds() {
        List<Object[]> builds = new ArrayList<>();
        for (String demo : List.of("cave-survey", "orchard-ledger", "harbour-watch")) {
            builds.add(new Object[] {demo, Library.demo(demo).orElseThrow()});
        }
        for (long seed = 0; seed < 10; seed++) {
            builds.add(new Object[] {"alone " + seed, Draws.doubtful(RandomBuilds.of(seed), 0.2, seed)});
            builds.add(new Object[] {"plugged " + seed, Draws.doubtful(RandomBuilds.plugged(seed), 0.2, seed)});
            builds.add(new Object[] {"charged " + seed, Draws.doubtful(RandomBuilds.charged(seed), 0.2, seed)});
        }
        return builds.toArray(Object[][]::new);
    }

    @Test(dataProvider = "builds")
    public void heatMovesAsSolvingAnewWouldSay(String name, Build build) {
        Demand busy = Demand.of(Mode.BUSY);
        for (Rung root : build.wiring().chain()) {
            Reading.Recorder recorder = new Reading.Recorder();
            Network.plugged(build, root, recorder).ifPresent(network -> {
                List<HeatMoves.Move> moves =
                        network.at(busy).moves(network.supply().levels(0.5)).all();
                double all = heat(network.solve(0.5, busy));
                for (Input input : recorder.inputs()) {
                    double by = 0.01 * input.figure().value();
                    if (by == 0 || input.field().equals("capacityAh")) {
                        continue;
                    }
                    for (String rung : network.solve(0.5, busy).rungs().keySet()) {
                        double up = heat(build, root, Reading.shifted(input, by), busy, rung);
                        double down = heat(build, root, Reading.shifted(input, -by), busy, rung);
                        double told = moves.stream()
                                .filter(m -> m.input().equals(input) && m.rung().equals(rung) && !m.store())
                                .mapToDouble(m -> m.watts() * by)
                                .sum();
                        assertThat(told)
                                .as(name + ", " + input + " at " + rung)
                                .isCloseTo((up - down) / 2, within(0.05 * Math.abs(up - down) + 1e-3 * all));
                    }
                }
            });
        }
    }

    private static double heat(OperatingPoint point) {
        return point.rungs().values().stream()
                .mapToDouble(OperatingPoint.RungState::heatW)
                .sum();
    }

    private static double heat(Build build, Rung root, Reading reading, Demand demand, String rung) {
        return Network.plugged(build, root, reading)
                .orElseThrow()
                .solve(0.5, demand)
                .rung(rung)
                .map(OperatingPoint.RungState::heatW)
                .orElse(0.0);
    }
}
