package boldsatchel.assembly;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.cables.CablesEngine;
import boldsatchel.cables.CablesResult;
import boldsatchel.machine.Build;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TakedownTest {

    @DataProvider
    Object[][] seeds() {
        return IntStream.range(0, 20).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "seeds")
    public void comesApartAsFarAsItDoesWhenMovedMillimetreByMillimetre(int some) {
        for (int seed = some * 25; seed < some * 25 + 25; seed++) {
            comesApart(ThrownTogether.tray(seed), "seed " + seed);
        }
    }

    @Test(dataProvider = "seeds")
    public void comesApartAsFarAsItDoesByHandWithALid(int some) {
        for (int seed = some * 25; seed < some * 25 + 25; seed++) {
            comesApart(ThrownTogether.lidded(seed), "lidded, seed " + seed);
        }
    }

    private static void comesApart(Build build, String which) {
        Takedown takedown = Takedown.of(build, cables(build), List.of());
        ByHand hand = byHand(build, takedown);
        BitSet left = takedown.whole();
        Set<String> present = hand.all();
        assertThat(present).as(which).isEqualTo(names(takedown, left));
        for (Removal removal : takedown.takeAll(left)) {
            for (Removal.Group group : removal.groups()) {
                assertThat(hand.isFree(group.parts(), group.way(), present))
                        .as("%s, %s", which, group)
                        .isTrue();
                group.parts().forEach(present::remove);
            }
            if (removal.groups().isEmpty()) {
                Piece.Kind kind = switch (removal.kind()) {
                    case COVER -> Piece.Kind.COVER;
                    case OPEN -> Piece.Kind.SHUT;
                    default -> Piece.Kind.TRAY;
                };
                String name = ByHand.name(new Piece(kind, removal.subject()));
                assertThat(hand.leaves(name, present)).as("%s, %s", which, name).isTrue();
                present.remove(name);
            }
        }
        assertThat(names(takedown, left)).as(which).isEqualTo(hand.stuck(hand.all()));
        AssemblyResult result = AssemblyEngine.evaluate(build);
        assertThat(result.circles().isEmpty()).as(which).isEqualTo(left.isEmpty());
        for (BitSet circle : Circles.of(takedown, left)) {
            assertThat(hand.notOfCircle(names(takedown, circle)))
                    .as("%s, circle %s", which, circle)
                    .isEmpty();
        }
    }

    private static CablesResult cables(Build build) {
        return CablesEngine.evaluate(build);
    }

    static Set<String> names(Takedown takedown, BitSet pieces) {
        Set<String> names = new HashSet<>();
        pieces.stream().forEach(i -> names.add(ByHand.name(takedown.pieces().get(i))));
        return names;
    }

    static ByHand byHand(Build build, Takedown takedown) {
        Map<String, Ties.Rider> riders = new HashMap<>();
        takedown.ties()
                .riders()
                .forEach((i, r) -> riders.put(takedown.placed().get(i).id(), r));
        List<Set<String>> wired = takedown.ties().soldered().stream()
                .map(s -> Set.of(
                        takedown.placed().get(s.one()).id(),
                        takedown.placed().get(s.other()).id()))
                .toList();
        return new ByHand(build, riders, wired);
    }
}
