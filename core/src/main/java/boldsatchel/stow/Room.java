package boldsatchel.stow;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;

/** A box of room that something takes or must have. Plain numbers, as millions are compared; nobody changes them. */
public final class Room {

    /** What a room is for. */
    public enum Kind {
        /** A part, or something fixed, is there: a part wants its gap to it. */
        BODY,
        /** What another tray brings in once all is closed. */
        BEYOND,
        /** A plug, or what swells, comes there: nothing else may, but it may touch. */
        FILLED,
        /** Air, a finger, a look or radio goes through: two such may share it. */
        OPEN
    }

    final Kind kind;
    final double[] low;
    final double[] high;

    private Room(Kind kind, double[] low, double[] high) {
        this.kind = kind;
        this.low = low;
        this.high = high;
    }

    /** One for something. */
    public static Room of(Kind kind, Box box) {
        return new Room(
                kind, new double[] {box.x(), box.y(), box.z()}, new double[] {box.high(0), box.high(1), box.high(2)});
    }

    /** The space that rooms of two kinds want between them, mm; negative where they may be in one another. */
    static double apart(Kind one, Kind other, double gapMm) {
        if (one == Kind.OPEN || other == Kind.OPEN) {
            return one == Kind.BODY || other == Kind.BODY ? 0 : -1;
        }
        return one == Kind.FILLED || other == Kind.FILLED ? 0 : gapMm;
    }

    /** What it is for. */
    public Kind kind() {
        return kind;
    }

    /** Where it ends along an axis, mm. */
    public double high(int axis) {
        return high[axis];
    }

    /** The box. */
    public Box box() {
        return new Box(low[0], low[1], low[2], high[0] - low[0], high[1] - low[1], high[2] - low[2]);
    }

    /** The same for something, elsewhere. */
    Room moved(Vec by) {
        return of(kind, box().moved(by));
    }
}
