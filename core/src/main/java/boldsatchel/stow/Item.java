package boldsatchel.stow;

import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;

/**
 * A bundle that may be moved, in all the ways in which it may lie.
 *
 * @param ids of its parts
 * @param ways the first as it lay, or as it is drawn
 * @param spans which of them are in which tray, that in which it lay first
 */
public record Item(List<String> ids, List<Lying> ways, List<Span> spans) {

    /** Copies the lists. */
    public Item {
        ids = List.copyOf(ids);
        ways = List.copyOf(ways);
        spans = List.copyOf(spans);
    }

    private static final int TURNS = 4;

    /** What is looked at or pressed may end so much deeper than the rim, mm: a finger still reaches it. A guess. */
    private static final double SUNK_MM = 6;

    /**
     * The ways in which it may lie in a tray.
     *
     * @param first number of the first
     * @param flat how many there are that are only turned in plan, which come first
     * @param all how many there are
     */
    public record Span(int first, int flat, int all) {
        /** Whether a way is one of them. */
        public boolean has(int way) {
            return way >= first && way < first + all;
        }
    }

    /**
     * As its kind usually lies.
     *
     * @param trays in which it may lie, its own among them
     */
    public static Item of(Build build, Bundle bundle, List<Shell> trays) {
        boolean isTumbled = !bundle.isAtVent()
                && bundle.lies().size() == 1
                && Lying.isTumbled(bundle.lies().getFirst().part());
        List<Lying> ways = new ArrayList<>();
        List<Span> spans = new ArrayList<>();
        for (Shell tray : mayBeIn(build, bundle, trays)) {
            int number = trays.indexOf(tray);
            Bundle there = bundle.within(tray);
            int first = ways.size();
            if (facesUp(bundle) || bundle.isAtVent()) {
                // Who looks or presses sits before it: turned it would be read from the side. What moves air would blow
                // elsewhere.
                ways.add(new Lying(there, number, build.cooling(), depth(there)));
            } else {
                addTurned(there, number, build, ways);
            }
            int flat = ways.size() - first;
            if (isTumbled) {
                addTumbled(there, number, build, ways);
            }
            spans.add(new Span(first, flat, ways.size() - first));
        }
        return new Item(bundle.ids(), ways, spans);
    }

    /**
     * A part alone in the ways in which nothing of its kind usually lies: with another face up, or turned in plan where it is looked at or pressed. It stays in its tray.
     *
     * @param trays its own among them
     */
    public static Item otherwise(Build build, Bundle bundle, List<Shell> trays) {
        int tray = trays.indexOf(bundle.shell());
        List<Lying> ways = new ArrayList<>();
        if (facesUp(bundle)) {
            addTurned(bundle, tray, build, ways);
            ways.removeFirst();
        } else {
            addTumbled(bundle, tray, build, ways);
        }
        return new Item(bundle.ids(), ways, List.of(new Span(0, ways.size(), ways.size())));
    }

    /** The trays in which it may lie, its own first: it stays in that where it is looked at or pressed, or has to be at one of its walls; what lies nowhere may go anywhere. */
    private static List<Shell> mayBeIn(Build build, Bundle bundle, List<Shell> trays) {
        boolean stays = bundle.isPlaced() && (facesUp(bundle) || new Lying(bundle, build.cooling()).isAtWall());
        List<Shell> may = new ArrayList<>(List.of(bundle.shell()));
        trays.stream().filter(s -> !stays && !s.equals(bundle.shell())).forEach(may::add);
        return may;
    }

    private static boolean facesUp(Bundle bundle) {
        return bundle.lies().stream().anyMatch(p -> Lying.facesUp(p.part()));
    }

    /** What is looked at or pressed may lie as high as it does, out of an open tray too, and only a little deeper than the rim, or than it does. */
    private static Lying.Depth depth(Bundle bundle) {
        double is = bundle.shell().cavity().dz() - bundle.bounds().z();
        return facesUp(bundle) && bundle.isPlaced()
                ? new Lying.Depth(is, Math.max(is, bundle.bounds().dz()) + SUNK_MM)
                : Lying.Depth.ANY;
    }

    private static void addTumbled(Bundle bundle, int tray, Build build, List<Lying> ways) {
        Face up = bundle.lies().getFirst().placement().orientation().up();
        for (Face face : Face.ALL) {
            if (face != up) {
                addTurned(bundle.tumbled(new Orientation(face, 0)), tray, build, ways);
            }
        }
    }

    private static void addTurned(Bundle bundle, int tray, Build build, List<Lying> ways) {
        Lying.Depth depth = depth(bundle);
        Bundle turned = bundle;
        for (int turn = 0; turn < TURNS; turn++) {
            ways.add(new Lying(turned, tray, build.cooling(), depth));
            turned = turned.turned();
        }
    }

    /** The same without ways with another face up. */
    public Item flatOnly() {
        return new Item(
                ids,
                ways,
                spans.stream().map(s -> new Span(s.first, s.flat, s.flat)).toList());
    }

    /** Of its parts, mm³. */
    public double volume() {
        return ways.getFirst().volume;
    }
}
