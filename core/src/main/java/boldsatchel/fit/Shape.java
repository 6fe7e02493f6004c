package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Convex;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Separation;
import boldsatchel.geometry.Solid;
import java.util.ArrayList;
import java.util.List;

/**
 * Something solid as another frame sees it: square to its axes where its pose is square, else as convex bodies that lean.
 *
 * @param solids where it is square
 * @param leaning where it is not
 */
record Shape(List<Solid> solids, List<Convex> leaning) {

    /** Solids of one frame in another. */
    static Shape of(List<? extends Solid> solids, Pose pose) {
        return pose.isSquare()
                ? new Shape(Placed.posed(solids, pose), List.of())
                : new Shape(List.of(), leaning(solids, pose));
    }

    private static List<Convex> leaning(List<? extends Solid> solids, Pose pose) {
        List<Convex> pieces = new ArrayList<>();
        for (Solid solid : solids) {
            for (Convex piece : solid.pieces()) {
                pieces.add(piece.posed(pose));
            }
        }
        return pieces;
    }

    boolean isNothing() {
        return solids.isEmpty() && leaning.isEmpty();
    }

    /** Whether it is of boxes along the axes, and nothing else. */
    boolean isBoxes() {
        return !solids.isEmpty() && solids.stream().allMatch(Box.class::isInstance);
    }

    /** Its boxes, where it is of nothing else. */
    List<Box> boxes() {
        List<Box> boxes = new ArrayList<>(solids.size());
        for (Solid solid : solids) {
            boxes.add(solid.bounds());
        }
        return boxes;
    }

    /** All of it as convex bodies. */
    List<Convex> pieces() {
        return solids.isEmpty() ? leaning : leaning(solids, Pose.NONE);
    }

    /** How far apart, or minus how deep in one another, and where that is: the box that both share, or that is around the one. */
    record Distance(double mm, Box at) {}

    /** The least distance between any of both. */
    Distance to(Shape other) {
        if (!solids.isEmpty() && !other.solids.isEmpty()) {
            return square(solids, other.solids);
        }
        double least = Double.POSITIVE_INFINITY;
        Box at = new Box(0, 0, 0, 0, 0, 0);
        for (Convex x : pieces()) {
            Box first = x.bounds();
            for (Convex y : other.pieces()) {
                Box second = y.bounds();
                if (first.signedDistance(second) >= Math.min(least, FitEngine.NEAR_MM)) {
                    continue;
                }
                double mm = Separation.between(x, y);
                if (mm < least) {
                    least = mm;
                    at = shared(first, second);
                }
            }
        }
        return new Distance(least, at);
    }

    private static Distance square(List<Solid> some, List<Solid> others) {
        double least = Double.POSITIVE_INFINITY;
        Box at = some.getFirst().bounds();
        for (Solid x : some) {
            for (Solid y : others) {
                double mm = x.signedDistance(y);
                if (mm < least) {
                    least = mm;
                    at = mm < 0 ? shared(x.bounds(), y.bounds()) : at;
                }
            }
        }
        return new Distance(least, at);
    }

    /** Where each of its pieces is nearest to each of the other's. */
    List<Separation.Near> near(Shape other) {
        List<Separation.Near> all = new ArrayList<>();
        if (!solids.isEmpty() && !other.solids.isEmpty()) {
            for (Solid x : solids) {
                for (Solid y : other.solids) {
                    all.add(Separation.near(x, y));
                }
            }
            return all;
        }
        for (Convex x : pieces()) {
            for (Convex y : other.pieces()) {
                all.add(Separation.near(x, y));
            }
        }
        return all;
    }

    /** The room that two boxes share; the first where they share none. */
    static Box shared(Box a, Box b) {
        for (int axis = 0; axis < 3; axis++) {
            if (a.gapAlong(axis, b) > 0) {
                return a;
            }
        }
        double x = Math.max(a.x(), b.x());
        double y = Math.max(a.y(), b.y());
        double z = Math.max(a.z(), b.z());
        return new Box(
                x,
                y,
                z,
                Math.min(a.high(0), b.high(0)) - x,
                Math.min(a.high(1), b.high(1)) - y,
                Math.min(a.high(2), b.high(2)) - z);
    }
}
