package boldsatchel;

import static boldsatchel.Samples.exact;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.HeatBridge;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;

/** Builds with a fixed seed: a pack, a tree of wires, converters and loads, and everything thrown into a box. */
public final class RandomBuilds {

    private final Random random;
    private final List<Part> parts = new ArrayList<>();
    private int next;

    private RandomBuilds(long seed) {
        random = new Random(seed);
    }

    public static Build of(long seed) {
        return new RandomBuilds(seed).build(false);
    }

    /** The same with two packs on one rail. */
    public static Build joined(long seed) {
        return new RandomBuilds(seed).build(true);
    }

    /** The same with an adapter that charges its pack. */
    public static Build charged(long seed) {
        RandomBuilds random = new RandomBuilds(seed);
        Build build = random.build(false);
        Part adapter = random.part(Family.CHARGER, new Facet.Adapter(20, 3, exact(random.between(0, 0.2))));
        Part charger = random.part(
                Family.CHARGER,
                new Facet.Charges(
                        Facet.Chemistry.LI_ION,
                        4,
                        exact(random.between(0.3, 2)),
                        exact(random.between(0.75, 0.95)),
                        random.random.nextBoolean(),
                        17,
                        21,
                        exact(0)));
        List<Rung> chain = new ArrayList<>(build.wiring().chain());
        chain.add(Rung.of(
                "r-" + adapter.id(),
                new Rung.OfPart(adapter.id()),
                Rung.of(
                        "w-charge",
                        new Rung.Wire(22, 200),
                        Rung.of(
                                "charging",
                                new Rung.Charging(
                                        Optional.of(charger.id()),
                                        random.parts.getFirst().id())))));
        return build.with(new Parts(random.parts)).withChain(chain);
    }

    /** The same with a board whose sockets feed others: two on a rail that it makes, one that passes its input on. */
    public static Build plugged(long seed) {
        RandomBuilds random = new RandomBuilds(seed);
        Build build = random.build(false);
        Rung board = random.load(9, 18, 6);
        Part part = random.parts.getLast();
        random.parts.set(
                random.parts.size() - 1,
                Samples.socketed(part, exact(random.between(0.7, 0.95)), exact(random.between(0, 0.3))));
        List<Rung> sockets = new ArrayList<>();
        for (String port : Samples.SOCKETS) {
            boolean made = !port.equals(Samples.SOCKETS.getLast());
            Rung load = made ? random.load(3, 5.6, 1.5) : random.load(9, 18, 3);
            sockets.add(Rung.of("s" + random.next++, new Rung.Socket(part.id(), port), random.passive(load)));
        }
        Rung whole = board.feeding(sockets);
        List<Rung> chain = build.wiring().chain().stream()
                .map(r -> r.map(x -> x.id().equals("main")
                        ? x.feeding(Stream.concat(x.feeds().stream(), Stream.of(whole))
                                .toList())
                        : x))
                .toList();
        return build.with(new Parts(random.parts)).withChain(chain);
    }

    /** The same with figures off data sheets, some of them shared through one shelf entry. */
    public static Build doubtful(long seed) {
        Build build = of(seed);
        Random random = new Random(seed);
        List<Part> doubted = new ArrayList<>();
        for (Part p : build.parts().list()) {
            Part weighed = p.weighing(Figure.dataSheet(p.massG().value())).withBody(doubtful(p.body()));
            for (Facet facet : p.facets()) {
                weighed = weighed.withFacet(doubtful(facet));
            }
            doubted.add(
                    random.nextBoolean()
                            ? Form.of(Part.class).field("origin").with(weighed, Optional.of("entry"))
                            : weighed);
        }
        return build.with(new Parts(doubted));
    }

    /** The same with a fan that drives air out or in through a vent, and by fins that some heat is led to. */
    public static Build finned(long seed) {
        Build build = of(seed);
        Random random = new Random(seed);
        boolean out = random.nextBoolean();
        Facet.MovesAir moves = new Facet.MovesAir(
                exact(0.5 + 2 * random.nextDouble()),
                exact(15 + 30 * random.nextDouble()),
                Optional.empty(),
                Optional.of(out ? Face.LEFT : Face.RIGHT),
                Optional.of(out ? Face.RIGHT : Face.LEFT),
                List.of());
        Facet.Fins fins = new Facet.Fins(
                5 + random.nextInt(30),
                5 + 20 * random.nextDouble(),
                0.3,
                20 + 20 * random.nextDouble(),
                40,
                200,
                Face.LEFT);
        Part fan = Samples.part("fan", Family.COOLING, 10, 40, 30, 15, moves);
        Part sink = Samples.part("sink", Family.COOLING, fins.lengthMm(), 40, 30, 40, fins);
        Shell shell = build.casing().shells().getFirst();
        double right = shell.cavity().dx();
        boolean between = random.nextBoolean();
        double fanX = between ? right - fins.lengthMm() - 10.5 : right - 10.5;
        double sinkX = between ? right - fins.lengthMm() - 0.5 : fanX - fins.lengthMm() - random.nextDouble();
        Shell vented = shell.withVents(List.of(
                new Vent("near", Face.RIGHT, new Box(right, 60, 5, 0, 40, 30), Vent.Kind.GRILLE, 0),
                new Vent("far", Face.LEFT, new Box(0, 40, 5, 0, 80, 10), Vent.Kind.SLOTS, 0)));
        Part hot =
                build.parts().list().get(1 + random.nextInt(build.parts().list().size() - 1));
        HeatBridge pipe = new HeatBridge(
                hot.id(),
                sink.id(),
                exact(0.2 + random.nextDouble()),
                "pipe",
                random.nextBoolean() ? Optional.of(0.5 + 3 * random.nextDouble()) : Optional.empty());
        return build.with(build.parts().and(fan).and(sink))
                .with(build.casing().withShell(vented))
                .with(new Placement(fan.id(), shell.id(), new Vec(fanX, 60, 5), Orientation.AS_DRAWN, Set.of()))
                .with(new Placement(sink.id(), shell.id(), new Vec(sinkX, 60, 5), Orientation.AS_DRAWN, Set.of()))
                .with(build.cooling().withBridges(List.of(pipe)));
    }

    private static <R> R doubtful(R record) {
        R doubted = record;
        for (Form.Field field : Form.of(record.getClass()).fields()) {
            if (field.get(doubted) instanceof Figure f) {
                doubted = field.with(doubted, Figure.dataSheet(f.value()));
            }
        }
        return doubted;
    }

    private double between(double low, double high) {
        return low + (high - low) * random.nextDouble();
    }

    private Part part(Family family, Facet... facets) {
        Part part = Samples.part(
                "p" + next++, family, between(10, 60), between(10, 60), between(3, 15), between(5, 300), facets);
        parts.add(part);
        return part;
    }

    private Rung load(double lowV, double highV, double most) {
        Facet.LoadKind kind = Facet.LoadKind.values()[random.nextInt(3)];
        double busy = between(0.1, most);
        Part part = part(
                Family.HUB,
                new Facet.DrawsPower(
                        lowV,
                        (lowV + highV) / 2,
                        highV,
                        kind,
                        exact(0.01),
                        exact(busy * 0.1),
                        exact(busy * 0.5),
                        exact(busy),
                        exact(busy * 1.3),
                        exact(1),
                        exact(between(0, 1))));
        return Samples.rung(part.id());
    }

    private Rung passive(Rung behind) {
        return switch (random.nextInt(3)) {
            case 0 -> Rung.of("w" + next++, new Rung.Wire(18 + random.nextInt(8), between(20, 300)), behind);
            case 1 ->
                Rung.of(
                        "c" + next++,
                        new Rung.Contact(Rung.ContactKind.CONNECTOR, exact(between(0.001, 0.03)), 10),
                        behind);
            default -> Rung.of("d" + next++, new Rung.Diode(exact(0.3), exact(0.02), 10), behind);
        };
    }

    private Rung rail() {
        Part converter = part(
                Family.CONVERTER,
                Samples.converter(Facet.ConverterKind.STEP_DOWN, 5.1, between(0.02, 0.2), 0.08, 0.03, 8, 0.4));
        List<Rung> loads = new ArrayList<>();
        for (int i = 0; i <= random.nextInt(3); i++) {
            Rung load = load(4.2, 5.6, 3);
            loads.add(random.nextBoolean() ? passive(load) : load);
        }
        return new Rung("r-" + converter.id(), new Rung.OfPart(converter.id()), loads);
    }

    /** Another pack beside the first, of other capacity, each by a diode. */
    private Rung joined(Part pack, Rung behind) {
        Part second = part(Family.BATTERY, Samples.cells(Facet.Chemistry.LI_ION, 4, 1, between(2, 4), 0.05, 0.03, 2.9));
        List<Rung> rows = new ArrayList<>();
        for (Part p : List.of(pack, second)) {
            rows.add(Samples.rung(
                    p.id(), Rung.of("j" + next++, new Rung.Diode(exact(between(0, 0.35)), exact(0.03), 10))));
        }
        return Rung.of("joint", new Rung.Join(rows), behind);
    }

    private Build build(boolean joined) {
        Part pack = part(
                Family.BATTERY,
                Samples.cells(Facet.Chemistry.LI_ION, 4, 1 + random.nextInt(2), between(2, 4), 0.03, 0.02, 2.9));
        List<Rung> feeds = new ArrayList<>(List.of(load(9, 18, 12), rail()));
        if (random.nextBoolean()) {
            feeds.add(rail());
        }
        Rung fork = Rung.of("main", new Rung.Wire(18, 150));
        Rung main = new Rung(fork.id(), fork.stage(), feeds);
        Rung root = joined ? joined(pack, main) : new Rung("r-" + pack.id(), new Rung.OfPart(pack.id()), List.of(main));
        Shell shell = Samples.box(250, 180, 45, 2.5, Material.PLASTIC);
        List<Placement> placements = new ArrayList<>();
        for (Part p : parts) {
            placements.add(new Placement(
                    p.id(),
                    shell.id(),
                    new Vec(between(0, 190), between(0, 120), between(0, 25)),
                    Orientation.AS_DRAWN,
                    Set.of()));
        }
        UseProfile profile = new UseProfile(
                "mixed",
                List.of(
                        new UseProfile.Step("work", Mode.BUSY, between(2, 30), 1),
                        new UseProfile.Step("wait", Mode.IDLE, between(2, 30), 0.5)));
        return Build.empty("random")
                .with(Brief.empty().withProfiles(List.of(profile)))
                .with(new Parts(parts))
                .with(Casing.NONE.withShells(List.of(shell)))
                .with(new Layout(placements))
                .withChain(List.of(root));
    }
}
