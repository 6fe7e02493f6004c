package boldsatchel.assembly;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.cables.CablesEngine;
import boldsatchel.engine.Engine;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Placement;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is remembered of the last answer never shows in the next one. */
public class RecallTest {

    @DataProvider
    Object[][] seeds() {
        return IntStream.range(0, 10).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    /** Mostly a small move of one part, now and then a large one, into another, over another's rim, a turn, or another way to hold it. */
    private static Build edited(Random random, Build build, Predicate<Placement> which) {
        List<Placement> places =
                build.layout().placements().stream().filter(which).toList();
        Placement place = places.get(random.nextInt(places.size()));
        double far = random.nextInt(3) == 0 ? 40 : 2;
        Vec at = place.at()
                .plus(new Vec(
                        far * (random.nextDouble() - 0.5),
                        far * (random.nextDouble() - 0.5),
                        random.nextInt(3) == 0 ? far * (random.nextDouble() - 0.5) : 0));
        Orientation turned = random.nextInt(12) == 0
                ? Orientation.ALL.get(random.nextInt(Orientation.ALL.size()))
                : place.orientation();
        Placement moved = new Placement(place.part(), place.shell(), at, turned, place.touches()).held(place.fixing());
        return build.with(
                random.nextInt(15) == 0
                        ? moved.held(
                                Optional.of(Fixing.by(Fixing.By.values()[random.nextInt(Fixing.By.values().length)])))
                        : moved);
    }

    private static void drag(Build start, Random random, int steps, String which) {
        drag(start, random, steps, which, p -> true);
    }

    private static void drag(Build start, Random random, int steps, String which, Predicate<Placement> parts) {
        Build build = start;
        AssemblyResult dragged = AssemblyEngine.evaluate(build);
        for (int i = 0; i < steps; i++) {
            Build before = build;
            build = edited(random, build, parts);
            dragged = AssemblyEngine.again(build, CablesEngine.evaluate(build), new Engine.Last<>(dragged, before));
            AssemblyResult anew = AssemblyEngine.evaluate(build);
            assertThat(dragged.out()).as("%s, move %s", which, i).isEqualTo(anew.out());
            assertThat(dragged.circles()).as("%s, move %s", which, i).isEqualTo(anew.circles());
            assertThat(dragged.cutShort()).as("%s, move %s", which, i).isEqualTo(anew.cutShort());
            assertThat(dragged.fast()).as("%s, move %s", which, i).isEqualTo(anew.fast());
            assertThat(dragged.reaches()).as("%s, move %s", which, i).isEqualTo(anew.reaches());
        }
        assertThat(dragged).as(which).isEqualTo(AssemblyEngine.evaluate(build));
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void aDragSaysWhatALookFromTheStartSays(String demo) {
        drag(Library.demo(demo).orElseThrow(), new Random(7), 60, demo);
    }

    /** Openings go with the sockets they serve: then what never goes is not what it was. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void soItDoesWhereOpeningsFollow(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        Set<String> served = build.casing().shells().stream()
                .flatMap(s -> s.openings().stream())
                .flatMap(o -> o.serves().stream())
                .map(Opening.Serves::part)
                .collect(Collectors.toSet());
        drag(build, new Random(3), 25, demo, p -> served.isEmpty() || served.contains(p.part()));
    }

    @Test(dataProvider = "seeds")
    public void soItDoesInMachinesThrownTogether(int some) {
        for (int seed = some * 12; seed < some * 12 + 12; seed++) {
            Build build = seed % 2 == 0 ? ThrownTogether.tray(seed) : ThrownTogether.lidded(seed);
            drag(build, new Random(seed), 12, "seed " + seed);
        }
    }
}
