package boldsatchel.plan;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Figure;
import boldsatchel.stow.FreePlace;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A first build from what somebody has: parts, a chain worked out for them, a case of the right order of size, and first places that do not
 * overlap. All of it is a guess to begin with, and marked as one; the findings judge it like any other build.
 */
public final class Starter {

    /** Between parts, and between layers, mm: room for wires and hands; a guess. */
    private static final double GAP_MM = 3;

    /** Over what lies deepest, under screens and keyboards, mm. */
    private static final double LAYER_MM = 4;
    /** Rims meet so far above what lies open in base and lid, mm. */
    private static final double RIM_MM = 2;
    /** A case grows by so much until all is in it. */
    private static final double GROWTH_MM = 10;

    private static final int MOST_GROWTHS = 60;
    private static final double WALL_MM = 2.4;
    private static final double PLATE_MM = 1;

    private static final double BOARD_MM = 4;

    private Starter() {}

    /** Kinds of machine. */
    public enum Kind {
        /** Held in both hands, a screen on its face. */
        SLAB("slab, held in the hands", false),
        /** A lid with the screen, hinged to a base with the keyboard. */
        CLAMSHELL("clamshell, screen in the lid", true),
        /** A box that was there before. */
        FOUND_BOX("found box with a lid", true),
        /** A tray that everything lies in, with a cover. */
        TRAY("tray with a lid", true);

        private final String words;
        private final boolean lid;

        Kind(String words, boolean lid) {
            this.words = words;
            this.lid = lid;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }
    }

    /**
     * What somebody has and wants.
     *
     * @param name of the build
     * @param kind of machine
     * @param parts that are there, or will be: board, screen, input, battery; in no order
     * @param hours it should run, if that matters
     * @param inside of a box that was found, mm, if it was measured
     */
    public record Wish(String name, Kind kind, List<Part> parts, Optional<Double> hours, Optional<Vec> inside) {
        /** Copies the list. */
        public Wish {
            parts = List.copyOf(parts);
        }
    }

    /** The build to begin with. */
    public static Build begin(Wish wish) {
        Build build = Build.empty(wish.name()).with(brief(wish));
        for (Part part : wish.parts()) {
            build = build.with(build.parts().and(part.withId(build.freeId(word(part)))));
        }
        Build bare = build;
        Build powered =
                Supplies.suggest(bare).map(s -> s.edit().change().apply(bare)).orElse(bare);
        Build linked = LinkPlanner.connect(powered)
                .edit()
                .map(e -> e.change().apply(powered))
                .orElse(powered);
        Build cased = cased(linked, wish);
        return Openings.all(wish.kind() == Kind.FOUND_BOX ? cased : aired(cased));
    }

    /** A case that is made gets two vents where it would get too warm without. */
    private static Build aired(Build build) {
        return build.casing()
                .standing()
                .filter(t -> Evaluator.evaluate(build)
                                .verdict(Verdict.Kind.KEEPS_COOL)
                                .state()
                        != State.FINE)
                .flatMap(t -> Airing.of(build, t))
                .map(v -> v.edit().change().apply(build))
                .orElse(build);
    }

    private static String word(Part part) {
        return part.family().computes() ? "board" : part.family().name().toLowerCase(java.util.Locale.ROOT);
    }

    private static Brief brief(Wish wish) {
        boolean held = wish.kind() == Kind.SLAB;
        UseProfile use = new UseProfile(
                "usual mix (a guess)",
                List.of(
                        new UseProfile.Step("working", Mode.BUSY, 20, 0.8),
                        new UseProfile.Step("waiting", Mode.IDLE, 40, 0.8)));
        return Brief.empty()
                .withLimits(Brief.Limits.usual().lasting(wish.hours()))
                .withSurroundings(new Brief.Surroundings(25, 25, held, !held))
                .withProfiles(List.of(use));
    }

    private static boolean isInput(Part part) {
        return part.family() == Family.KEYBOARD || part.family() == Family.POINTER || part.family() == Family.CONTROL;
    }

    private static double width(Part p) {
        return p.body().widthMm().value();
    }

    private static double depth(Part p) {
        return p.body().depthMm().value();
    }

    private static double height(Part p) {
        return p.body().heightMm().value();
    }

    /** Width of parts side by side. */
    private static double row(List<Part> parts) {
        double sum = 0;
        for (Part part : parts) {
            sum += width(part) + (sum > 0 ? GAP_MM : 0);
        }
        return sum;
    }

    private static double most(List<Part> parts, java.util.function.ToDoubleFunction<Part> of) {
        return parts.stream().mapToDouble(of).max().orElse(0);
    }

    /** The smallest case of its kind that all is found room in, from what must be in it at least; measured boxes stay as they are. */
    private static Build cased(Build build, Wish wish) {
        List<Part> inside = new ArrayList<>(build.loose());
        List<Part> screens = inside.stream().filter(Part::isScreen).toList();
        List<Part> inputs = inside.stream().filter(Starter::isInput).toList();
        inside.removeIf(p -> p.isScreen() || isInput(p));
        inside.sort(Comparator.comparingDouble((Part p) -> width(p) * depth(p)).reversed());
        boolean lid = wish.kind().lid;
        double wide = Math.max(Math.max(row(screens), most(inputs, Starter::width)), most(inside, Starter::width))
                + 2 * GAP_MM;
        double onTop = (lid
                        ? Math.max(most(screens, Starter::depth), most(inputs, Starter::depth))
                        : most(screens, Starter::depth) + most(inputs, Starter::depth) + GAP_MM)
                + 2 * GAP_MM;
        double deep = Math.max(onTop, most(inside, Starter::depth) + 2 * GAP_MM);
        double low = most(inside, Starter::height) + FreePlace.STANDOFF_MM + LAYER_MM;
        double face = lid
                ? most(inputs, Starter::height) + RIM_MM
                : Math.max(most(screens, Starter::height), most(inputs, Starter::height));
        Vec size = new Vec(Math.max(wide, 60), Math.max(deep, 40), low + face);
        if (wish.kind() == Kind.FOUND_BOX && wish.inside().isPresent()) {
            return placed(build, wish, wish.inside().get(), screens, inputs, inside);
        }
        Build best = build;
        for (int i = 0; i < MOST_GROWTHS; i++) {
            best = placed(build, wish, size, screens, inputs, inside);
            if (best.loose().isEmpty()) {
                return best;
            }
            size = size.x() < size.y() * 1.4
                    ? new Vec(size.x() + GROWTH_MM, size.y(), size.z())
                    : new Vec(size.x(), size.y() + GROWTH_MM, size.z());
        }
        return best;
    }

    private static Build placed(
            Build build, Wish wish, Vec size, List<Part> screens, List<Part> inputs, List<Part> inside) {
        boolean lid = wish.kind().lid;
        double lidHigh = most(screens, Starter::height) + RIM_MM;
        Shell base = shell(wish.kind(), lid ? "base" : "slab", lid ? "Base" : "Slab", size, lid);
        List<Shell> shells = new ArrayList<>(List.of(base));
        if (lid) {
            Shell cover = shell(wish.kind(), "lid", "Lid", new Vec(size.x(), size.y(), Math.max(lidHigh, 8)), true);
            shells.add(cover);
        }
        Casing casing = Casing.of(shells, Figure.guess(20));
        Build now = build.with(
                        lid
                                ? casing.withLid(
                                        Joint.lidAtBack(
                                                "base",
                                                base.cavity(),
                                                "lid",
                                                shells.getLast().cavity()),
                                        Casing.USED_DEG)
                                : casing)
                .with(Layout.NONE);
        double front = GAP_MM;
        for (Part input : inputs) {
            double z = size.z() - height(input) - (lid ? RIM_MM : 0);
            now = now.with(onFace(input, base, front, z, size));
            front += depth(input) + GAP_MM;
        }
        double left = (size.x() - row(screens)) / 2;
        for (Part screen : screens) {
            Shell of = shells.getLast();
            double z = lid ? of.heightMm().value() - height(screen) - RIM_MM / 2 : size.z() - height(screen);
            double y = lid ? (size.y() - depth(screen)) / 2 : front;
            now = now.with(at(screen, of, left, y, z));
            left += width(screen) + GAP_MM;
        }
        for (Part part : inside) {
            Optional<Placement> place = new FreePlace(now, base, GAP_MM).of(part);
            now = place.isPresent() ? now.with(place.get()) : now;
        }
        return shutUp(now, base);
    }

    /** Sockets that do not come to lie at their wall are unused for now. */
    private static Build shutUp(Build build, Shell shell) {
        Build now = build;
        for (Placement at : build.layout().placements()) {
            Part part = build.part(at.part()).orElseThrow();
            boolean hidden = !at.shell().equals(shell.id()) || !FreePlace.reaches(part, at, shell);
            for (Port port : hidden ? part.body().ports() : List.<Port>of()) {
                if (port.use() == Port.Use.OUTSIDE) {
                    part = part.withBody(part.body().using(port.id(), Port.Use.UNUSED));
                }
            }
            now = hidden ? now.with(part) : now;
        }
        return now;
    }

    /** In the middle of the width, where it is used. */
    private static Placement onFace(Part part, Shell shell, double y, double z, Vec size) {
        return at(part, shell, (size.x() - width(part)) / 2, y, z);
    }

    private static Placement at(Part part, Shell shell, double x, double y, double z) {
        return new Placement(
                part.id(),
                shell.id(),
                new Vec(Math.max(0, x), Math.max(0, y), Math.max(0, z)),
                Orientation.AS_DRAWN,
                Set.of());
    }

    private static Shell shell(Kind kind, String id, String name, Vec size, boolean openTop) {
        Material material = switch (kind) {
            case SLAB, CLAMSHELL -> Material.PLASTIC;
            case FOUND_BOX -> Material.STEEL_PAINTED;
            case TRAY -> Material.PLYWOOD;
        };
        double wall = switch (kind) {
            case SLAB, CLAMSHELL -> WALL_MM;
            case FOUND_BOX -> PLATE_MM;
            case TRAY -> BOARD_MM;
        };
        Shell.Making making = switch (kind) {
            case SLAB, CLAMSHELL -> Shell.Making.PRINTED;
            case FOUND_BOX -> Shell.Making.FOUND;
            case TRAY -> Shell.Making.CUT;
        };
        double price = making == Shell.Making.FOUND ? 0 : Math.ceil(size.x() * size.y() / 2500);
        Box inside = new Box(0, 0, 0, Math.ceil(size.x()), Math.ceil(size.y()), Math.ceil(size.z()));
        return Shell.plain(id, name, inside, Figure.guess(wall), material, making, openTop)
                .priced(Figure.guess(price));
    }
}
