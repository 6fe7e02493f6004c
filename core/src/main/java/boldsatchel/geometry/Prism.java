package boldsatchel.geometry;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * An outline with a thickness.
 *
 * @param along the way it is thick: across that way lie the outline's points, the first of the other two axes first
 * @param outline corners in order, at least three; it does not cross itself
 * @param fromMm where it begins on its way
 * @param thickMm how thick it is
 */
public record Prism(
        @Label(value = "thick", absent = 2) Axis along,
        @Label("outline") List<Flat> outline,

        @Label(value = "begins at", in = Quantity.LENGTH) double fromMm,

        @Label(value = "thickness", in = Quantity.LENGTH, absent = 1, least = 0)
        double thickMm)
        implements Solid {

    /** More corners than this are no outline of a part. */
    public static final int MOST_CORNERS = 2000;

    /** Copies the outline and looks at it. */
    public Prism {
        outline = List.copyOf(outline);
        Outlines.refuse(outline);
        if (!(thickMm >= 0)) {
            throw new IllegalArgumentException("an outline has a thickness of zero or more");
        }
    }

    /** The corner of the outline as a point in space, at a place along its way. */
    private Vec at(Flat corner, double place) {
        return at(along, corner, place);
    }

    static Vec at(Axis along, Flat corner, double place) {
        return Vec.on(along.ordinal(), place)
                .plus(Vec.on(along.across().ordinal(), corner.across()))
                .plus(Vec.on(along.up().ordinal(), corner.up()));
    }

    private static Flat flat(Axis along, Vec at) {
        return new Flat(at.along(along.across().ordinal()), at.along(along.up().ordinal()));
    }

    @Override
    public Box bounds() {
        double[] extent = Outlines.extent(outline);
        return Box.between(
                at(new Flat(extent[0], extent[1]), fromMm), at(new Flat(extent[2], extent[3]), fromMm + thickMm));
    }

    @Override
    public double volume() {
        return Outlines.area(outline) * thickMm;
    }

    @Override
    public Prism moved(Vec by) {
        double across = by.along(along.across().ordinal());
        double up = by.along(along.up().ordinal());
        return new Prism(
                along,
                outline.stream().map(f -> f.plus(across, up)).toList(),
                fromMm + by.along(along.ordinal()),
                thickMm);
    }

    @Override
    public Prism posed(Pose pose) {
        Axis to = pose.turned(along);
        List<Flat> posed = new ArrayList<>(outline.size());
        for (Flat corner : outline) {
            posed.add(flat(to, pose.apply(at(corner, fromMm))));
        }
        double from = pose.apply(at(outline.getFirst(), fromMm)).along(to.ordinal());
        double end = pose.apply(at(outline.getFirst(), fromMm + thickMm)).along(to.ordinal());
        return new Prism(to, posed, Math.min(from, end), thickMm);
    }

    @Override
    public Prism stretched(int axis, double times, double from) {
        if (axis == along.ordinal()) {
            return new Prism(along, outline, from + (fromMm - from) * times, thickMm * times);
        }
        boolean across = axis == along.across().ordinal();
        return new Prism(
                along,
                outline.stream()
                        .map(f -> across
                                ? new Flat(from + (f.across() - from) * times, f.up())
                                : new Flat(f.across(), from + (f.up() - from) * times))
                        .toList(),
                fromMm,
                thickMm);
    }

    @Override
    public List<Convex> pieces() {
        List<Convex> pieces = new ArrayList<>();
        for (List<Flat> piece : Outlines.convex(outline)) {
            List<Vec> corners = new ArrayList<>(2 * piece.size());
            for (Flat corner : piece) {
                corners.add(at(corner, fromMm));
                corners.add(at(corner, fromMm + thickMm));
            }
            pieces.add(Convex.of(corners));
        }
        return pieces;
    }

    @Override
    public double[] crossed(Vec from, Vec way) {
        double[] range =
                Solid.between(fromMm, fromMm + thickMm, from.along(along.ordinal()), way.along(along.ordinal()));
        Flat at = flat(along, from);
        Flat on = flat(along, way);
        if (on.across() == 0 && on.up() == 0) {
            boolean inside = Outlines.holds(outline, at.across(), at.up()) && range[0] <= range[1];
            return inside ? range : new double[0];
        }
        double[] crossings = Outlines.crossings(outline, at, on);
        double[] pairs = new double[crossings.length];
        int n = 0;
        for (int i = 0; i + 1 < crossings.length; i += 2) {
            double in = Math.max(range[0], crossings[i]);
            double out = Math.min(range[1], crossings[i + 1]);
            if (in <= out) {
                pairs[n++] = in;
                pairs[n++] = out;
            }
        }
        return Arrays.copyOf(pairs, n);
    }
}
