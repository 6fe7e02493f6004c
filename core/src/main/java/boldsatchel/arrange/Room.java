package boldsatchel.arrange;

import boldsatchel.geometry.Box;

/** A box of room that something takes or must have. Plain numbers, as millions are compared; nobody changes them. */
final class Room {

    /** What a room is for. */
    enum Kind {
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

    static Room of(Kind kind, Box box) {
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

    Room moved(double[] by) {
        double[] from = low.clone();
        double[] to = high.clone();
        for (int axis = 0; axis < 3; axis++) {
            from[axis] += by[axis];
            to[axis] += by[axis];
        }
        return new Room(kind, from, to);
    }
}
