package boldsatchel.drawing;

import boldsatchel.geometry.Face;
import boldsatchel.geometry.Viewpoint;
import java.util.Optional;

/** The ways to look at a packed case. */
public enum PackView {
    /** One tray from above. */
    PLAN("Plan", "Plan of ", Viewpoint.ABOVE, Optional.of(Face.TOP)),
    /** From the front, cut across. */
    FRONT("Front section", "Front section of ", Viewpoint.FRONT, Optional.of(Face.FRONT)),
    /** From the right, cut along. */
    SIDE("Side section", "Side section of ", Viewpoint.RIGHT, Optional.of(Face.RIGHT)),
    /** Lifted apart, from above and aside. */
    EXPLODED("Lifted apart", "Lifted apart: ", Viewpoint.aside(28, 24), Optional.empty());

    private final String words;
    private final String title;

    @SuppressWarnings("ImmutableEnumChecker") // A record of vectors.
    private final Viewpoint from;

    @SuppressWarnings("ImmutableEnumChecker") // Holds an enum.
    private final Optional<Face> cut;

    PackView(String words, String title, Viewpoint from, Optional<Face> cut) {
        this.words = words;
        this.title = title;
        this.from = from;
        this.cut = cut;
    }

    /** As shown in a choice. */
    public String words() {
        return words;
    }

    /** Before the name of what is drawn. */
    String title() {
        return title;
    }

    /** Where it is looked at from. */
    public Viewpoint from() {
        return from;
    }

    /** The side a section is cut from, where it is one. */
    public Optional<Face> cut() {
        return cut;
    }

    /** Whether it is square to the axes. */
    public boolean isSquare() {
        return this != EXPLODED;
    }

    /** Whether the same runs to the right in both, so that one below the other can be compared. */
    public boolean isInLineWith(PackView other) {
        return isSquare() && other.isSquare() && across() == other.across();
    }

    /** Axis that runs to the right; only of a view square to the axes. */
    public int across() {
        return this == SIDE ? 1 : 0;
    }

    /** Axis that runs upwards; only of a view square to the axes. */
    public int up() {
        return this == PLAN ? 1 : 2;
    }
}
