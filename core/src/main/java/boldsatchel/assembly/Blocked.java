package boldsatchel.assembly;

import boldsatchel.geometry.Face;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * What is in the way of a part, side by side.
 *
 * @param by pieces
 * @param fixed sides to which something is that never goes
 */
record Blocked(List<BitSet> by, BitSet fixed) {
    static Blocked none() {
        List<BitSet> by = new ArrayList<>(Face.ALL.size());
        Face.ALL.forEach(f -> by.add(new BitSet()));
        return new Blocked(by, new BitSet());
    }

    Blocked copy() {
        Blocked copy = none();
        copy.add(this);
        return copy;
    }

    /** A copy without what never goes. */
    Blocked unfixed() {
        Blocked copy = copy();
        copy.fixed.clear();
        return copy;
    }

    /** A copy with what else is in the way. */
    Blocked with(Blocked other) {
        Blocked copy = copy();
        copy.add(other);
        return copy;
    }

    void add(Blocked other) {
        fixed.or(other.fixed);
        for (Face way : Face.ALL) {
            by.get(way.ordinal()).or(other.by.get(way.ordinal()));
        }
    }

    boolean isFree(Face way, BitSet present) {
        return !fixed.get(way.ordinal()) && !by.get(way.ordinal()).intersects(present);
    }

    /** Whether nothing that is there keeps a part from leaving to a side, what leaves with it spared. */
    boolean isFree(Face way, BitSet present, BitSet spared) {
        if (fixed.get(way.ordinal())) {
            return false;
        }
        BitSet by = this.by.get(way.ordinal());
        for (int i = by.nextSetBit(0); i >= 0; i = by.nextSetBit(i + 1)) {
            if (present.get(i) && !spared.get(i)) {
                return false;
            }
        }
        return true;
    }

    boolean has(int piece, Face way) {
        return piece == Lumps.FIXED
                ? fixed.get(way.ordinal())
                : by.get(way.ordinal()).get(piece);
    }

    void set(int piece, Face way) {
        set(piece, way, true);
    }

    void set(int piece, Face way, boolean is) {
        if (piece == Lumps.FIXED) {
            fixed.set(way.ordinal(), is);
        } else {
            by.get(way.ordinal()).set(piece, is);
        }
    }
}
