package boldsatchel.arrange;

import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.machine.Build;
import java.util.ArrayList;
import java.util.List;

/**
 * A bundle that may be moved, in all the ways in which it may lie.
 *
 * @param ids of its parts
 * @param ways the first as it lay, or as it is drawn; those turned in plan before those with another face up
 * @param flat how many of them are only turned in plan
 */
record Item(List<String> ids, List<Lying> ways, int flat) {

    private static final int TURNS = 4;

    /** What is looked at or pressed may end so much deeper than the rim, mm: a finger still reaches it. A guess. */
    private static final double SUNK_MM = 6;

    static Item of(Build build, Bundle bundle) {
        List<Lying> ways = new ArrayList<>();
        if (facesUp(bundle)) {
            // Who looks or presses sits before it: turned it would be read from the side.
            return new Item(bundle.ids(), List.of(new Lying(bundle, build.cooling(), depth(build, bundle))), 1);
        }
        addTurned(bundle, build, ways);
        int flat = ways.size();
        if (bundle.lies().size() == 1
                && Lying.isTumbled(bundle.lies().getFirst().part())) {
            addTumbled(build, bundle, ways);
        }
        return new Item(bundle.ids(), List.copyOf(ways), flat);
    }

    /** A part alone in the ways in which nothing of its kind usually lies: with another face up, or turned in plan where it is looked at or pressed. */
    static Item otherwise(Build build, Bundle bundle) {
        List<Lying> ways = new ArrayList<>();
        if (facesUp(bundle)) {
            addTurned(bundle, build, ways);
            ways.removeFirst();
        } else {
            addTumbled(build, bundle, ways);
        }
        return new Item(bundle.ids(), List.copyOf(ways), ways.size());
    }

    private static boolean facesUp(Bundle bundle) {
        return bundle.lies().stream().anyMatch(p -> Lying.facesUp(p.part()));
    }

    /** What is looked at or pressed may lie as high as it does, out of an open tray too, and only a little deeper than the rim, or than it does. */
    private static Lying.Depth depth(Build build, Bundle bundle) {
        boolean lies =
                facesUp(bundle) && build.placement(bundle.ids().getFirst()).isPresent();
        double is =
                bundle.lies().getFirst().shell().cavity().dz() - bundle.bounds().z();
        return lies ? new Lying.Depth(is, Math.max(is, bundle.bounds().dz()) + SUNK_MM) : Lying.Depth.ANY;
    }

    private static void addTumbled(Build build, Bundle bundle, List<Lying> ways) {
        Face up = bundle.lies().getFirst().placement().orientation().up();
        for (Face face : Face.ALL) {
            if (face != up) {
                addTurned(bundle.tumbled(new Orientation(face, 0)), build, ways);
            }
        }
    }

    private static void addTurned(Bundle bundle, Build build, List<Lying> ways) {
        Lying.Depth depth = depth(build, bundle);
        Bundle turned = bundle;
        for (int turn = 0; turn < TURNS; turn++) {
            ways.add(new Lying(turned, build.cooling(), depth));
            turned = turned.turned();
        }
    }

    /** The same without those with another face up. */
    Item flatOnly() {
        return new Item(ids, ways.subList(0, flat), flat);
    }

    /** Of its parts, mm³. */
    double volume() {
        return ways.getFirst().volume;
    }
}
