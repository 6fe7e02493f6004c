package boldsatchel.geometry;

import java.util.List;

/** One of the three directions of a frame. */
public enum Axis {
    /** To the right. */
    X("left to right"),
    /** To the back. */
    Y("front to back"),
    /** Up. */
    Z("upwards");

    /** All three, in this order. */
    public static final List<Axis> ALL = List.of(values());

    private final String words;

    Axis(String words) {
        this.words = words;
    }

    /** As shown in a choice. */
    public String words() {
        return words;
    }

    /** The first of the other two. */
    public Axis across() {
        return this == X ? Y : X;
    }

    /** The second of the other two. */
    public Axis up() {
        return this == Z ? Y : Z;
    }
}
