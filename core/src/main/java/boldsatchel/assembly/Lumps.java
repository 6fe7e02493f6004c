package boldsatchel.assembly;

import boldsatchel.fit.FitEngine;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Convex;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Swept;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntFunction;

/** All that is solid while the joints of a case stand in one way, as each tray has it. For one thread. */
final class Lumps {

    /** Of what never goes. */
    static final int FIXED = -1;

    private final Inside inside;
    private final Casing casing;
    private final Pieces pieces;
    private final BitSet state;
    private final Map<String, List<Heap>> around = new HashMap<>();
    private final Map<String, List<Heap>> heaps = new HashMap<>();
    private final Map<String, List<Lump>> lumps = new HashMap<>();

    /**
     * Something solid, in the frame of the tray it is looked at from.
     *
     * @param piece that it belongs to, or {@link #FIXED}
     * @param square where it stands square in that frame
     * @param leaning convex pieces of it where it does not
     */
    record Lump(int piece, Box bounds, Optional<Solid> square, List<Convex> leaning) {
        static Lump of(int piece, Solid solid, Pose pose) {
            if (pose.isSquare()) {
                Solid there = solid.posed(pose);
                return new Lump(piece, there.bounds(), Optional.of(there), List.of());
            }
            List<Convex> leaning =
                    solid.pieces().stream().map(c -> c.posed(pose)).toList();
            return new Lump(piece, pose.around(solid.bounds()), Optional.empty(), leaning);
        }

        boolean isBox() {
            return square.isPresent() && square.get() instanceof Box;
        }

        boolean isMet(Swept swept) {
            return swept.reaches(bounds, FitEngine.CONTACT_MM)
                    && (square.isPresent()
                            ? swept.meets(square.get(), FitEngine.CONTACT_MM)
                            : swept.meets(leaning, FitEngine.CONTACT_MM));
        }
    }

    /** All of a piece, or of what never goes. */
    record Heap(int piece, Box bounds, List<Lump> lumps) {
        /** Of lumps of which those of one piece come one after the other. */
        static List<Heap> all(List<Lump> lumps) {
            List<Heap> heaps = new ArrayList<>();
            int from = 0;
            for (int to = 1; to <= lumps.size(); to++) {
                if (to == lumps.size()
                        || lumps.get(to).piece() != lumps.get(from).piece()) {
                    heaps.add(of(lumps.subList(from, to)));
                    from = to;
                }
            }
            return heaps;
        }

        /** After some parts moved, those as they are now. */
        static List<Heap> moved(List<Heap> before, BitSet moved, IntFunction<Optional<Heap>> now) {
            List<Heap> heaps = new ArrayList<>(before.size());
            for (Heap heap : before) {
                if (heap.piece() == FIXED || !moved.get(heap.piece())) {
                    heaps.add(heap);
                } else {
                    now.apply(heap.piece()).ifPresent(heaps::add);
                }
            }
            return heaps;
        }

        static Heap of(List<Lump> lumps) {
            Box bounds = lumps.getFirst().bounds();
            for (Lump lump : lumps) {
                bounds = bounds.around(lump.bounds());
            }
            return new Heap(lumps.getFirst().piece(), bounds, lumps);
        }
    }

    /**
     * @param state pieces that are still there; of those only joints and trays count here
     */
    Lumps(Inside inside, BitSet state) {
        this.inside = inside;
        this.casing = inside.casing();
        this.pieces = inside.pieces();
        this.state = state;
    }

    /** The same after some parts moved in their trays; what a tray sees of one whose openings did is looked at anew. */
    Lumps(Lumps before, Inside inside, Scene.Moved moved) {
        this(inside, before.state);
        before.around.forEach((tray, known) -> {
            if (Set.of(tray).containsAll(moved.recut())) {
                Shell shell = casing.shell(tray).orElseThrow();
                around.put(
                        tray,
                        Heap.moved(
                                known,
                                moved.pieces(),
                                part -> pose(inside.placed().get(part).shell(), shell)
                                        .map(pose -> Heap.of(inside.lumps(part, pose)))));
            }
        });
    }

    /** Pieces that are still there, joints and trays among them. */
    BitSet state() {
        return state;
    }

    /** What is solid of other trays and of each piece in them, as a tray has it. */
    List<Heap> around(Shell tray) {
        return around.computeIfAbsent(tray.id(), id -> {
            List<Lump> lumps = new ArrayList<>();
            for (Shell other : casing.shells()) {
                if (!other.id().equals(id)) {
                    int piece = pieces.index(Piece.Kind.TRAY, other.id()).orElse(FIXED);
                    pose(other, tray).ifPresent(pose -> lumps.addAll(inside.lumps(other, piece, pose)));
                }
            }
            return Heap.all(lumps);
        });
    }

    /** Whether there is one tray only. */
    boolean isAlone() {
        return casing.shells().size() == 1;
    }

    /** What is solid of each piece, as a tray has it. */
    List<Heap> heaps(Shell tray) {
        return isAlone()
                ? inside.heaps(tray)
                : heaps.computeIfAbsent(tray.id(), id -> {
                    List<Heap> all = new ArrayList<>(inside.heaps(tray));
                    all.addAll(around(tray));
                    return all;
                });
    }

    /** All that is solid, as a tray has it. */
    List<Lump> of(Shell tray) {
        return lumps.computeIfAbsent(tray.id(), id -> {
            List<Lump> all = new ArrayList<>();
            heaps(tray).forEach(heap -> all.addAll(heap.lumps()));
            return all;
        });
    }

    /** How one tray lies in the frame of another now; nothing where they do not hang together any more. */
    private Optional<Pose> pose(Shell tray, Shell from) {
        if (!casing.belongs(tray.id()) || !casing.belongs(from.id())) {
            return Optional.empty();
        }
        List<Joint> ofTray = casing.path(tray.id());
        List<Joint> ofFrom = casing.path(from.id());
        Posture posture = Posture.CLOSED;
        for (Joint joint : casing.joints()) {
            boolean between = ofTray.contains(joint) != ofFrom.contains(joint);
            if (between && !isPresent(Piece.Kind.TRAY, joint.carries())) {
                return Optional.empty();
            }
            if (pieces.index(Piece.Kind.SHUT, joint.id()).isPresent() && !isPresent(Piece.Kind.SHUT, joint.id())) {
                posture = posture.with(joint.id(), joint.way().most());
            }
        }
        return Optional.of(casing.pose(tray.id(), posture)
                .within(casing.pose(from.id(), posture).back()));
    }

    private boolean isPresent(Piece.Kind kind, String id) {
        return pieces.index(kind, id).map(state::get).orElse(false);
    }
}
