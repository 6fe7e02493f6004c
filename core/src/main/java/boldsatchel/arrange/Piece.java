package boldsatchel.arrange;

import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import java.util.List;
import java.util.Set;

/**
 * Something that takes a box of room, in one of several ways. Immutable.
 *
 * @param turns ways in which it may lie; none where it cannot lie at all
 */
public record Piece(List<Turn> turns) {

    /** Copies the list. */
    public Piece {
        turns = List.copyOf(turns);
    }

    /**
     * A way to lie.
     *
     * @param size that it takes, mm
     * @param walls that it has to be at
     */
    public record Turn(Vec size, Set<Face> walls) {

        /** Copies the set. */
        public Turn {
            walls = Set.copyOf(walls);
        }

        double volume() {
            return size.x() * size.y() * size.z();
        }

        double longest() {
            return Math.max(size.x(), Math.max(size.y(), size.z()));
        }

        double shortest() {
            return Math.min(size.x(), Math.min(size.y(), size.z()));
        }
    }

    /** The least size of any turn, mm; infinite where there is none. */
    double shortest() {
        return turns.stream().mapToDouble(Turn::shortest).min().orElse(Double.POSITIVE_INFINITY);
    }

    /** The least of the sizes between the shortest and the longest of any turn, mm; infinite where there is none. */
    double middling() {
        return turns.stream()
                .mapToDouble(t -> t.size().x() + t.size().y() + t.size().z() - t.shortest() - t.longest())
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }

    /** The least of the longest sizes of any turn, mm; infinite where there is none. */
    double longest() {
        return turns.stream().mapToDouble(Turn::longest).min().orElse(Double.POSITIVE_INFINITY);
    }

    /** The least volume, mm³; infinite where there is no turn. */
    double volume() {
        return turns.stream().mapToDouble(Turn::volume).min().orElse(Double.POSITIVE_INFINITY);
    }
}
