package boldsatchel.assembly;

import boldsatchel.fit.Placed;
import boldsatchel.fit.Trays;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Pose;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * All that is solid of each tray and in it, and what of that is in the way of the parts in it: the same however the joints stand. For one
 * thread.
 */
final class Inside {

    private final Casing casing;
    private final List<Placed> placed;
    private final Pieces pieces;
    private final double far;
    private final Map<String, List<Lumps.Heap>> heaps = new HashMap<>();
    private final @Nullable Blocked[] blocked;

    /**
     * @param far beyond this nothing lies, mm
     */
    Inside(Casing casing, List<Placed> placed, Pieces pieces, double far) {
        this.casing = casing;
        this.placed = placed;
        this.pieces = pieces;
        this.far = far;
        this.blocked = new Blocked[placed.size()];
    }

    /** The same after some parts moved in their trays; a tray whose openings did is looked at anew. */
    Inside(Inside before, Casing casing, List<Placed> placed, Scene.Moved moved) {
        this(casing, placed, before.pieces, before.far);
        before.heaps.forEach((tray, known) -> {
            if (!moved.recut().contains(tray)) {
                heaps.put(
                        tray,
                        Lumps.Heap.moved(
                                known, moved.pieces(), part -> Optional.of(Lumps.Heap.of(lumps(part, Pose.NONE)))));
            }
        });
        for (int part = 0; part < blocked.length; part++) {
            Blocked known = before.blocked[part];
            if (known != null && !moved.is(part)) {
                Placed mover = placed.get(part);
                blocked[part] = moved.looked(
                        heaps(mover.shell()), known, Face.ALL, (heap, way) -> Leaving.isBy(mover, heap, way, far));
            }
        }
    }

    Casing casing() {
        return casing;
    }

    List<Placed> placed() {
        return placed;
    }

    Pieces pieces() {
        return pieces;
    }

    double far() {
        return far;
    }

    /** What is solid of a tray itself and of each piece in it, in its own frame. */
    List<Lumps.Heap> heaps(Shell tray) {
        return heaps.computeIfAbsent(tray.id(), id -> Lumps.Heap.all(lumps(tray, Lumps.FIXED, Pose.NONE)));
    }

    /** What of its own tray, and in that, is in the way of a part; not to be changed. */
    Blocked blocked(int part) {
        Blocked known = blocked[part];
        if (known == null) {
            known = Blocked.none();
            Placed mover = placed.get(part);
            for (Lumps.Heap heap : heaps(mover.shell())) {
                if (heap.piece() != part) {
                    Leaving.block(mover, heap, far, known);
                }
            }
            blocked[part] = known;
        }
        return known;
    }

    /**
     * What is solid of a tray and in it, elsewhere; what belongs to one piece comes one after the other.
     *
     * @param piece that the tray itself belongs to
     */
    List<Lumps.Lump> lumps(Shell tray, int piece, Pose pose) {
        List<Lumps.Lump> lumps = new ArrayList<>();
        Trays.sides(tray).forEach(b -> lumps.add(Lumps.Lump.of(piece, b, pose)));
        pieces.solids(tray).forEach(s -> lumps.add(Lumps.Lump.of(piece, s, pose)));
        pieces.index(Piece.Kind.COVER, tray.id())
                .ifPresent(cover -> Trays.cover(tray).forEach(b -> lumps.add(Lumps.Lump.of(cover, b, pose))));
        for (int i = 0; i < placed.size(); i++) {
            if (placed.get(i).shell().id().equals(tray.id())) {
                lumps.addAll(lumps(i, pose));
            }
        }
        return lumps;
    }

    /** What is solid of a part, elsewhere. */
    List<Lumps.Lump> lumps(int part, Pose pose) {
        return placed.get(part).solids().stream()
                .map(solid -> Lumps.Lump.of(part, solid, pose))
                .toList();
    }
}
