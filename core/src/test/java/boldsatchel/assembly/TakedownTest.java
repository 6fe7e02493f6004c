package boldsatchel.assembly;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.cables.CablesEngine;
import boldsatchel.cables.CablesResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Family;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Link;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.machine.ScrewThread;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class TakedownTest {

    private static final int W = 30;
    private static final int D = 22;
    private static final int H = 16;

    @DataProvider
    Object[][] seeds() {
        return IntStream.range(0, 20).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "seeds")
    public void comesApartAsFarAsItDoesWhenMovedMillimetreByMillimetre(int some) {
        for (int seed = some * 25; seed < some * 25 + 25; seed++) {
            Build build = random(seed);
            Takedown takedown = Takedown.of(build, cables(build), List.of());
            ByHand hand = byHand(build, takedown);
            BitSet left = takedown.whole();
            Set<String> present = hand.all();
            for (Removal removal : takedown.takeAll(left, m -> 0)) {
                for (Removal.Group group : removal.groups()) {
                    assertThat(hand.isFree(group.parts(), group.way(), present))
                            .as("seed %s, %s", seed, group)
                            .isTrue();
                    present.removeAll(group.parts());
                }
                present.remove(removal.subject());
            }
            assertThat(names(takedown, left)).as("seed %s", seed).isEqualTo(hand.stuck(hand.all()));
            for (BitSet circle : Circles.of(takedown, left)) {
                assertThat(hand.notOfCircle(names(takedown, circle)))
                        .as("seed %s, circle %s", seed, circle)
                        .isEmpty();
            }
        }
    }

    private static CablesResult cables(Build build) {
        return CablesEngine.evaluate(build);
    }

    private static Set<String> names(Takedown takedown, BitSet pieces) {
        Set<String> names = new HashSet<>();
        pieces.stream().forEach(i -> names.add(takedown.pieces().get(i).id()));
        return names;
    }

    private static ByHand byHand(Build build, Takedown takedown) {
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

    /** A small tray with parts of one or two boxes thrown in, some screwed, some plugged into one another, some wired. */
    static Build random(long seed) {
        Random random = new Random(seed);
        Shell plain = Shell.plain(
                "tray",
                "Tray",
                new Box(0, 0, 0, W, D, H),
                Figure.planned(2),
                Material.ABS,
                Shell.Making.PRINTED,
                random.nextInt(3) > 0);
        List<Box> ribs = new ArrayList<>();
        for (int i = random.nextInt(3); i > 0; i--) {
            Box rib = box(random, 12);
            ribs.add(new Box(rib.x(), rib.y(), rib.z(), rib.dx(), rib.dy(), Math.min(rib.dz(), H - rib.z())));
        }
        Shell tray = Form.of(Shell.class).field("ribs").with(plain, ribs);
        List<Part> parts = new ArrayList<>();
        List<Placement> places = new ArrayList<>();
        List<Box> taken = new ArrayList<>(ribs);
        for (int tries = 0; tries < 40 && parts.size() < 3 + seed % 6; tries++) {
            List<Box> solids = new ArrayList<>(List.of(box(random, 14)));
            if (random.nextBoolean()) {
                solids.add(beside(random, solids.getFirst()));
            }
            boolean free = solids.stream()
                    .allMatch(s -> s.signedDistance(new Box(0, 0, 0, W, D, H)) < 0
                            && s.high(0) <= W
                            && s.high(1) <= D
                            && s.high(2) <= H + (tray.openTop() ? 6 : 0)
                            && s.x() >= 0
                            && s.y() >= 0
                            && s.z() >= 0
                            && taken.stream().allMatch(t -> t.signedDistance(s) >= 0));
            if (free) {
                taken.addAll(solids);
                add(random, "p" + parts.size(), solids, parts, places);
            }
        }
        Build build = Build.empty("random")
                .with(new boldsatchel.machine.Parts(parts))
                .with(Casing.of(List.of(tray), Figure.planned(0)))
                .with(new Layout(places));
        return wired(random, build);
    }

    private static Box box(Random random, int most) {
        return new Box(
                random.nextInt(W - 4),
                random.nextInt(D - 4),
                random.nextInt(H - 2),
                2 + random.nextInt(most),
                2 + random.nextInt(most),
                1 + random.nextInt(6));
    }

    /** A second box that touches a first one. */
    private static Box beside(Random random, Box first) {
        Face face = Face.ALL.get(random.nextInt(6));
        double[] low = new double[3];
        double[] size = new double[3];
        for (int axis = 0; axis < 3; axis++) {
            size[axis] = 1 + random.nextInt(8);
            low[axis] = axis != face.axis()
                    ? first.low(axis) + random.nextInt(5) - 2
                    : face.sign() > 0 ? first.high(axis) : first.low(axis) - size[axis];
        }
        return new Box(low[0], low[1], low[2], size[0], size[1], size[2]);
    }

    private static void add(Random random, String id, List<Box> solids, List<Part> parts, List<Placement> places) {
        Box all = solids.getFirst().around(solids.getLast());
        Vec low = all.lowCorner();
        List<Solid> own = new ArrayList<>();
        solids.forEach(s -> own.add(s.moved(Vec.ZERO.minus(low))));
        boolean screwed = random.nextInt(5) == 0;
        List<Hole> holes = screwed
                ? List.of(new Hole(
                        ScrewThread.M2, false, Face.TOP, new Vec(random.nextInt(4), random.nextInt(4), all.dz())))
                : List.of();
        Face side = Face.ALL.get(random.nextInt(6));
        List<Port> ports = List.of(
                new Port(
                        "edge",
                        "edge",
                        Connector.M2_KEY_M,
                        true,
                        side,
                        Vec.ZERO,
                        Port.Use.UNUSED,
                        Optional.empty(),
                        List.of()),
                new Port(
                        "slot",
                        "slot",
                        Connector.M2_KEY_M,
                        false,
                        side,
                        Vec.ZERO,
                        Port.Use.UNUSED,
                        Optional.empty(),
                        List.of()));
        Body body = new Body(
                Figure.planned(all.dx()),
                Figure.planned(all.dy()),
                Figure.planned(all.dz()),
                own,
                List.of(),
                ports,
                holes,
                List.of(),
                Optional.empty());
        Part block = Samples.part(id, Family.HUB, 1, 1, 1, 10);
        parts.add(Form.of(Part.class).field("body").with(block, body));
        places.add(new Placement(id, "tray", low, Orientation.AS_DRAWN, Set.of())
                .held(screwed ? Optional.of(Fixing.by(Fixing.By.SCREWS)) : Optional.empty()));
    }

    private static Build wired(Random random, Build build) {
        int n = build.parts().list().size();
        List<Link> links = new ArrayList<>();
        List<Rung> chain = new ArrayList<>();
        for (int i = 1; i < n; i++) {
            if (random.nextInt(4) == 0) {
                links.add(
                        new Link("l" + i, Link.End.of("p" + i, "edge"), Link.End.of("p" + random.nextInt(i), "slot")));
            } else if (random.nextInt(4) == 0) {
                chain.add(Rung.of(
                        "r" + i,
                        new Rung.OfPart("p" + random.nextInt(i)),
                        Rung.of("w" + i, new Rung.Wire(24, 100), Rung.of("e" + i, new Rung.OfPart("p" + i)))));
            }
        }
        return build.with(build.wiring().withLinks(links)).withChain(chain);
    }
}
