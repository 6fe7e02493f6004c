package boldsatchel.edit;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Facing;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.HeatBridge;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/** What is done with fins: they go to a fan, and heat is led to them. Resistances are guesses until a maker's figure is put in. */
public final class FinEdits {

    /** Fins stand off walls by that, as fans do, mm. */
    private static final double OFF_MM = 1;

    private FinEdits() {}

    /** Whether a part has fins. */
    public static boolean hasFins(Part part) {
        return part.facet(Facet.Fins.class).isPresent();
    }

    /** The pads and pipes that lead a part's heat to other parts, in the build's order. */
    public static List<HeatBridge> bridges(Build build, String part) {
        return build.cooling().bridges().stream()
                .filter(b -> b.part().equals(part))
                .toList();
    }

    /**
     * Leads heat from a part to another: by a pad where both lie close before one another, else by a heat pipe, however far. Nothing where it is led there
     * already, or where they lie in different trays.
     *
     * @param pipeMm diameter of the pipe before it was pressed flat, where it is one
     */
    public static Optional<Edit> bridge(Build build, Placed part, Placed to, double pipeMm) {
        boolean led = build.cooling().bridges().stream()
                .anyMatch(b -> joins(b, part.id(), to.id()) || joins(b, to.id(), part.id()));
        if (led
                || part.id().equals(to.id())
                || !part.shell().id().equals(to.shell().id())) {
            return Optional.empty();
        }
        HeatBridge bridge = Facing.of(part.bounds(), to.bounds())
                .filter(facing -> facing.gapMm() <= CoolEdits.PAD_MOST_MM)
                .map(facing -> new HeatBridge(
                        part.id(),
                        to.id(),
                        Figure.guess(CoolEdits.padKW(facing.sharedMm2(), facing.gapMm())),
                        "pad",
                        Optional.empty()))
                .orElseGet(() -> pipe(part.id(), to.id(), pipeMm));
        return Optional.of(new Edit(
                "lead the heat of " + part.part().name() + " to " + to.part().name(), b -> with(b, bridge)));
    }

    private static HeatBridge pipe(String part, String to, double pipeMm) {
        return new HeatBridge(
                part,
                to,
                CoolEdits.pipeKW(pipeMm),
                CoolEdits.pipeWords(pipeMm),
                Optional.of(CoolEdits.pipeMostW(pipeMm)));
    }

    private static Build with(Build build, HeatBridge bridge) {
        List<HeatBridge> bridges = new ArrayList<>(build.cooling().bridges());
        bridges.add(bridge);
        return build.with(build.cooling().withBridges(bridges));
    }

    private static boolean joins(HeatBridge bridge, String part, String to) {
        return bridge.part().equals(part) && bridge.to().equals(to);
    }

    /**
     * Changes a pad or pipe to another part.
     *
     * @param which of those that the part has
     */
    public static Edit bridge(String what, Part part, int which, UnaryOperator<HeatBridge> change) {
        return new Edit(
                "change " + what + " of what leads heat from " + part.name(),
                b -> replaced(b, part, which, bridge -> List.of(change.apply(bridge))));
    }

    /** Takes a pad or pipe to another part out. */
    public static Edit withoutBridge(Part part, int which) {
        return new Edit(
                "take out what leads heat from " + part.name(), b -> replaced(b, part, which, bridge -> List.of()));
    }

    /** Takes those from a part to another out, whether there are such parts or not. */
    public static Edit withoutBridge(String part, String to) {
        return new Edit(
                "take out a pad or pipe between parts",
                b -> b.with(b.cooling()
                        .withBridges(b.cooling().bridges().stream()
                                .filter(bridge -> !joins(bridge, part, to))
                                .toList())));
    }

    private static Build replaced(Build build, Part part, int which, Function<HeatBridge, List<HeatBridge>> with) {
        return build.with(build.cooling()
                .withBridges(CoolEdits.replaced(
                        build.cooling().bridges(), bridge -> bridge.part().equals(part.id()), which, with)));
    }

    /** Lays a second heat pipe beside one to another part. */
    public static Edit twice(Part part, String to) {
        return new Edit("lay a second pipe beside that of " + part.name(), b -> {
            List<HeatBridge> bridges = new ArrayList<>(b.cooling().bridges());
            bridges.replaceAll(bridge -> joins(bridge, part.id(), to) ? bridge.twice() : bridge);
            return b.with(b.cooling().withBridges(bridges));
        });
    }

    /** Puts fins that lie in a tray to a fan in it; nothing where there is no room at that. */
    public static Optional<Edit> toFan(Build build, Placed fins, Placed fan) {
        return atFan(build, fins.part(), fan)
                .map(at -> Edits.lying(
                        "put " + fins.part().name() + " to " + fan.part().name(), fins.part(), p -> at));
    }

    /** Puts fins of the shelf to a fan, and leads heat there by a pipe; nothing where there is no room at the fan. */
    public static Optional<Edit> fins(Build build, Part fins, Placed fan, Placed hot) {
        Part own = fins.withId(build.freeId(fins.id()));
        return atFan(build, own, fan)
                .filter(at -> hot.shell().id().equals(fan.shell().id()))
                .map(at -> new Edit(
                        "add " + fins.name() + " at " + fan.part().name(),
                        b -> with(b.with(b.parts().and(own)).with(at), pipe(hot.id(), own.id(), CoolEdits.PIPE_MM))));
    }

    /** A place tight before a side at which a fan draws or blows, such that its air goes through the fins: that where most of it does. */
    private static Optional<Placement> atFan(Build build, Part fins, Placed fan) {
        Optional<Facet.Fins> has = fins.facet(Facet.Fins.class);
        Optional<Facet.MovesAir> moves = fan.part().facet(Facet.MovesAir.class);
        if (has.isEmpty() || moves.isEmpty()) {
            return Optional.empty();
        }
        List<Placed> others = Placed.in(fan.shell(), Placed.all(build)).stream()
                .filter(p -> !p.id().equals(fins.id()) && !p.id().equals(fan.id()))
                .toList();
        return Stream.of(moves.get().draws(), moves.get().blows())
                .flatMap(Optional::stream)
                .map(side -> fan.placement().orientation().turn(side))
                .flatMap(face -> Orientation.ALL.stream()
                        .filter(way -> way.turn(has.get().through()).axis() == face.axis())
                        .flatMap(way -> before(fins, fan, face, way).stream()))
                .filter(p -> fits(build, p, others))
                .max(Comparator.comparingDouble((Placed p) -> Facing.of(p.bounds(), fan.bounds())
                                .map(Facing::sharedMm2)
                                .orElse(0.0))
                        .thenComparingDouble(p -> -p.bounds().dz()))
                .map(Placed::placement);
    }

    /** Tight before a side of a fan, about its middle as far as the tray goes; nothing where the tray is too small. */
    private static Optional<Placed> before(Part fins, Placed fan, Face face, Orientation way) {
        Shell tray = fan.shell();
        Box size = way.turn(fins.body().bounds());
        Vec at = Vec.ZERO;
        for (int axis = 0; axis < 3; axis++) {
            double deep = size.size(axis);
            double room = tray.cavity().size(axis) - deep - OFF_MM;
            double end = fan.bounds().end(face);
            double low = axis == face.axis()
                    ? face.sign() > 0 ? end : end - deep
                    : Math.clamp(fan.bounds().centre().along(axis) - deep / 2, OFF_MM, Math.max(OFF_MM, room));
            if (low < OFF_MM - 1e-9 || low > room + 1e-9) {
                return Optional.empty();
            }
            at = at.with(axis, low);
        }
        return Optional.of(Placed.of(fins, new Placement(fins.id(), tray.id(), at, way, Set.of(fan.id())), tray));
    }

    private static boolean fits(Build build, Placed fins, List<Placed> others) {
        double gap = build.brief().limits().gapMm();
        return others.stream().noneMatch(p -> p.bounds().signedDistance(fins.bounds()) < gap || p.fills(fins.bounds()));
    }
}
