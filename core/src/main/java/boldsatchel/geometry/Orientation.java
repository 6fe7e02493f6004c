package boldsatchel.geometry;

import boldsatchel.quantity.Label;
import java.util.List;
import java.util.stream.IntStream;

/**
 * One of the 24 ways to lay a box squarely: which of its faces looks up, then quarter turns seen from above.
 *
 * @param up the face of the part that looks up in the shell
 * @param quarterTurns anticlockwise, 0 to 3
 */
public record Orientation(
        @Label(value = "top face up is", absent = 5) Face up,
        @Label("quarter turns") int quarterTurns) {

    /** As the part is drawn on the shelf. */
    public static final Orientation AS_DRAWN = new Orientation(Face.TOP, 0);

    /** All there are, that as drawn among them. */
    public static final List<Orientation> ALL = Face.ALL.stream()
            .flatMap(up -> IntStream.range(0, 4).mapToObj(turns -> new Orientation(up, turns)))
            .toList();

    /** Brings the turns into 0 to 3. */
    public Orientation {
        quarterTurns = Math.floorMod(quarterTurns, 4);
    }

    /** A further quarter turn anticlockwise in plan. */
    public Orientation turned() {
        return new Orientation(up, quarterTurns + 1);
    }

    /** The next face up, in the order of {@link Face}. */
    public Orientation tumbled() {
        return new Orientation(Face.values()[(up.ordinal() + 1) % 6], quarterTurns);
    }

    /** A direction of the part, seen in the shell. */
    public Vec turn(Vec v) {
        Vec standing = switch (up) {
            case TOP -> v;
            case BOTTOM -> new Vec(v.x(), -v.y(), -v.z());
            case BACK -> new Vec(v.x(), -v.z(), v.y());
            case FRONT -> new Vec(v.x(), v.z(), -v.y());
            case RIGHT -> new Vec(-v.z(), v.y(), v.x());
            case LEFT -> new Vec(v.z(), v.y(), -v.x());
        };
        return switch (quarterTurns) {
            case 1 -> new Vec(-standing.y(), standing.x(), standing.z());
            case 2 -> new Vec(-standing.x(), -standing.y(), standing.z());
            case 3 -> new Vec(standing.y(), -standing.x(), standing.z());
            default -> standing;
        };
    }

    /** A box of the part, seen in the shell. */
    public Box turn(Box box) {
        return equals(AS_DRAWN) ? box : Box.between(turn(box.lowCorner()), turn(box.highCorner()));
    }

    /** Where a face of the part looks in the shell. */
    public Face turn(Face face) {
        double[] unit = {0, 0, 0};
        unit[face.axis()] = face.sign();
        Vec turned = turn(new Vec(unit[0], unit[1], unit[2]));
        for (int axis = 0; axis < 3; axis++) {
            if (turned.along(axis) != 0) {
                return Face.of(axis, turned.along(axis) > 0 ? 1 : -1);
            }
        }
        throw new IllegalStateException("a turn keeps lengths");
    }

    /** Along which axis of the shell an axis of the part lies. */
    public int axis(int ofPart) {
        return equals(AS_DRAWN) ? ofPart : turn(Face.of(ofPart, 1)).axis();
    }

    /** In words, as shown beside a part. */
    public String words() {
        return up.words() + " up" + (quarterTurns == 0 ? "" : ", turned " + 90 * quarterTurns + "°");
    }
}
