package boldsatchel.geometry;

import java.util.ArrayList;
import java.util.List;
import java.util.PriorityQueue;

/**
 * In which order solids are painted so that what is nearer to the eye covers what is further. Two bodies that do not meet have a plane between
 * them; the one on the eye's side of it is painted later (after Fuchs, Kedem and Naylor, SIGGRAPH 1980, 124, with the planes found in pairs).
 * Where several cover one another in a ring, the largest box among them is cut in two, and so on a fixed number of times; what still is in a
 * ring, as solids that are in the same place may be, goes by its middle. Costs a comparison of boxes for each pair, and a distance for each that
 * lies over another on the picture and is not square to the axes.
 */
public final class PaintOrder {

    private static final int MOST_CUTS = 64;
    private static final double TOUCHING_MM = 1e-6;

    private PaintOrder() {}

    /**
     * Something to paint.
     *
     * @param of what it is
     * @param solid convex, or it is taken for its hull
     * @param pose where it is
     * @param <T> what it is for
     */
    public record Item<T>(T of, Solid solid, Pose pose) {
        private Item<T> with(Solid other) {
            return new Item<>(of, other, pose);
        }
    }

    /** What something takes of the picture. */
    private record Extent(double left, double low, double right, double high) {
        boolean over(Extent other) {
            return left < other.right - TOUCHING_MM
                    && other.left < right - TOUCHING_MM
                    && low < other.high - TOUCHING_MM
                    && other.low < high - TOUCHING_MM;
        }
    }

    /** An item with what is asked of it often. */
    private record Seen<T>(Item<T> item, Convex body, Extent extent, double near, Box around) {
        static <T> Seen<T> of(Item<T> item, Viewpoint from) {
            List<Vec> corners = new ArrayList<>();
            for (Convex piece : item.solid().pieces()) {
                corners.addAll(piece.posed(item.pose()).hull());
            }
            double left = Double.POSITIVE_INFINITY;
            double low = Double.POSITIVE_INFINITY;
            double right = Double.NEGATIVE_INFINITY;
            double high = Double.NEGATIVE_INFINITY;
            double near = 0;
            for (Vec corner : corners) {
                Flat at = from.at(corner);
                left = Math.min(left, at.across());
                low = Math.min(low, at.up());
                right = Math.max(right, at.across());
                high = Math.max(high, at.up());
                near += from.near(corner) / corners.size();
            }
            Convex whole = item.solid().pieces().size() == 1
                    ? item.solid().pieces().getFirst().posed(item.pose())
                    : Convex.of(corners);
            return new Seen<>(item, whole, new Extent(left, low, right, high), near, whole.bounds());
        }
    }

    /** The items, those that are painted first first; some of them in pieces. */
    public static <T> List<Item<T>> of(List<Item<T>> items, Viewpoint from) {
        List<Seen<T>> left = new ArrayList<>();
        items.forEach(i -> left.add(Seen.of(i, from)));
        List<Item<T>> ordered = new ArrayList<>();
        int cuts = 0;
        while (!left.isEmpty()) {
            List<Seen<T>> done = free(left, from);
            done.forEach(s -> ordered.add(s.item()));
            left.removeAll(done);
            if (!left.isEmpty() && (cuts++ >= MOST_CUTS || !cut(left, from))) {
                left.sort((a, b) -> Double.compare(a.near(), b.near()));
                ordered.add(left.removeFirst().item());
            }
        }
        return ordered;
    }

    /** Those that can be painted one after another without covering what comes later. */
    private static <T> List<Seen<T>> free(List<Seen<T>> items, Viewpoint from) {
        int n = items.size();
        List<List<Integer>> covers = new ArrayList<>(n);
        int[] waits = new int[n];
        for (int i = 0; i < n; i++) {
            covers.add(new ArrayList<>());
        }
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                int sign = items.get(i).extent().over(items.get(j).extent())
                        ? nearer(items.get(i), items.get(j), from)
                        : 0;
                if (sign != 0) {
                    int first = sign > 0 ? i : j;
                    int second = sign > 0 ? j : i;
                    covers.get(first).add(second);
                    waits[second]++;
                }
            }
        }
        PriorityQueue<Integer> ready = new PriorityQueue<>((a, b) -> {
            int byDepth = Double.compare(items.get(a).near(), items.get(b).near());
            return byDepth == 0 ? Integer.compare(a, b) : byDepth;
        });
        for (int i = 0; i < n; i++) {
            if (waits[i] == 0) {
                ready.add(i);
            }
        }
        List<Seen<T>> done = new ArrayList<>();
        while (!ready.isEmpty()) {
            int next = ready.remove();
            done.add(items.get(next));
            for (int other : covers.get(next)) {
                if (--waits[other] == 0) {
                    ready.add(other);
                }
            }
        }
        return done;
    }

    /** Positive where the second is nearer to the eye, negative where the first is, zero where neither can cover the other. */
    private static <T> int nearer(Seen<T> a, Seen<T> b, Viewpoint from) {
        boolean square = a.item().solid() instanceof Box
                && b.item().solid() instanceof Box
                && a.item().pose().isSquare()
                && b.item().pose().isSquare();
        return square ? boxes(a, b, from) : bodies(a, b, from);
    }

    /** Of boxes along the axes, by the plane between them that looks most to the eye. */
    private static <T> int boxes(Seen<T> a, Seen<T> b, Viewpoint from) {
        double most = 0;
        boolean apart = false;
        for (int axis = 0; axis < 3; axis++) {
            double toward = from.toward().along(axis);
            if (a.around().awayAlong(axis, b.around()) >= -TOUCHING_MM) {
                apart = true;
                double sign = b.around().low(axis) >= a.around().high(axis) - TOUCHING_MM ? toward : -toward;
                most = Math.abs(sign) > Math.abs(most) ? sign : most;
            }
        }
        return apart ? (int) Math.signum(Math.abs(most) < 1e-9 ? 0 : most) : byMiddle(a, b);
    }

    private static <T> int bodies(Seen<T> a, Seen<T> b, Viewpoint from) {
        Separation.Near near = Separation.near(a.body(), b.body());
        if (near.mm() <= TOUCHING_MM) {
            // They touch or are in the same place: boxes around them may still be apart.
            int around = boxes(a, b, from);
            return around != 0 ? around : byMiddle(a, b);
        }
        double sign = near.onB().minus(near.onA()).dot(from.toward()) / near.mm();
        return Math.abs(sign) < 1e-6 ? 0 : (int) Math.signum(sign);
    }

    private static <T> int byMiddle(Seen<T> a, Seen<T> b) {
        return a.near() == b.near() ? 0 : a.near() < b.near() ? 1 : -1;
    }

    /** Cuts the largest box across its longest side; false where there is none to cut. */
    private static <T> boolean cut(List<Seen<T>> left, Viewpoint from) {
        int largest = -1;
        for (int i = 0; i < left.size(); i++) {
            if (left.get(i).item().solid() instanceof Box
                    && (largest < 0
                            || left.get(i).item().solid().volume()
                                    > left.get(largest).item().solid().volume())) {
                largest = i;
            }
        }
        if (largest < 0) {
            return false;
        }
        Item<T> item = left.remove(largest).item();
        Box box = item.solid().bounds();
        int axis = box.dx() >= box.dy() && box.dx() >= box.dz() ? 0 : box.dy() >= box.dz() ? 1 : 2;
        Box low = box.stretched(axis, 0.5, box.low(axis));
        left.add(Seen.of(item.with(low), from));
        left.add(Seen.of(item.with(box.stretched(axis, 0.5, box.high(axis))), from));
        return true;
    }
}
