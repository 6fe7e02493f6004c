package boldsatchel.geometry;

import java.util.ArrayList;
import java.util.List;

/**
 * The room that a solid passes through when it is moved along an axis. Exact for boxes and for what is round; of an outline the room of each
 * of its convex pieces.
 *
 * @param solid where it starts
 * @param way to which side it is moved
 * @param mm how far, zero or more
 */
public record Swept(Solid solid, Face way, double mm) {

    /** The smallest box around all of it. */
    public Box bounds() {
        return stretched(solid.bounds());
    }

    /** Whether it comes into another solid by more than a depth: whether that one is in the way, at its start too. */
    public boolean meets(Solid other, double deeperMm) {
        return reaches(other.bounds(), deeperMm)
                && ((solid instanceof Box && other instanceof Box) || meets(other.pieces(), deeperMm));
    }

    /** Whether the smallest box around all of it comes into another by more than a depth. */
    public boolean reaches(Box other, double deeperMm) {
        Box from = solid.bounds();
        for (int axis = 0; axis < 3; axis++) {
            double along = axis == way.axis() ? mm : 0;
            double low = way.sign() < 0 ? from.low(axis) - along : from.low(axis);
            double high = way.sign() > 0 ? from.high(axis) + along : from.high(axis);
            if (Math.max(low - other.high(axis), other.low(axis) - high) >= -deeperMm) {
                return false;
            }
        }
        return true;
    }

    /** The same for what is told by its convex pieces. */
    public boolean meets(List<Convex> others, double deeperMm) {
        return Separation.between(pieces(), others) < -deeperMm;
    }

    /** Convex pieces that together are this room. */
    public List<Convex> pieces() {
        return switch (solid) {
            case Box box -> stretched(box).pieces();
            case Cylinder round
            when round.along().ordinal() == way.axis() -> new Cylinder(round.along(), stretched(round.box())).pieces();
            case Cylinder round -> ofRound(round);
            case Prism prism -> ofOutline(prism);
        };
    }

    private Vec by() {
        return Vec.on(way.axis(), way.sign() * mm);
    }

    private Box stretched(Box box) {
        return box.around(box.moved(by()));
    }

    /** A cylinder moved across its axis: itself at both ends, and a box from axis to axis. */
    private List<Convex> ofRound(Cylinder round) {
        Box box = round.box();
        double half = box.size(way.axis()) / 2;
        Vec in = Vec.on(way.axis(), half);
        Box middle = Box.between(box.lowCorner().plus(in), box.highCorner().minus(in));
        List<Convex> pieces = new ArrayList<>(round.pieces());
        pieces.addAll(round.moved(by()).pieces());
        pieces.addAll(stretched(middle).pieces());
        return pieces;
    }

    private List<Convex> ofOutline(Prism prism) {
        List<Convex> pieces = new ArrayList<>();
        for (Convex piece : prism.pieces()) {
            List<Vec> points = new ArrayList<>(piece.hull());
            for (Vec point : piece.hull()) {
                points.add(point.plus(by()));
            }
            pieces.add(Convex.of(points));
        }
        return pieces;
    }
}
