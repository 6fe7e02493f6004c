package boldsatchel.assembly;

import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.fit.Trays;
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

/** All that is solid while the joints of a case stand in one way, as each tray has it. For one thread. */
final class Lumps {

    /** Of what never goes. */
    static final int FIXED = -1;

    private final Casing casing;
    private final List<Placed> placed;
    private final Pieces pieces;
    private final BitSet state;
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
    Lumps(Casing casing, List<Placed> placed, Pieces pieces, BitSet state) {
        this.casing = casing;
        this.placed = placed;
        this.pieces = pieces;
        this.state = state;
    }

    /** The same after some parts moved in their trays; where openings did too, all is looked at anew. */
    Lumps(Lumps before, Casing casing, List<Placed> placed, Scene.Moved moved) {
        this(casing, placed, before.pieces, before.state);
        if (!moved.fixed()) {
            before.heaps.forEach((tray, heap) -> heaps.put(tray, moved(tray, heap, moved.pieces())));
        }
    }

    private List<Heap> moved(String tray, List<Heap> before, BitSet moved) {
        Shell shell = casing.shell(tray).orElseThrow();
        List<Heap> now = new ArrayList<>(before.size());
        for (Heap heap : before) {
            int part = heap.piece();
            if (part < 0 || !moved.get(part)) {
                now.add(heap);
            } else {
                poseOf(placed.get(part).shell(), shell).ifPresent(pose -> {
                    List<Lump> lumps = new ArrayList<>();
                    add(part, pose, lumps);
                    now.add(Heap.of(lumps));
                });
            }
        }
        return now;
    }

    private void add(int part, Pose pose, List<Lump> into) {
        for (Solid solid : placed.get(part).solids()) {
            into.add(Lump.of(part, solid, pose));
        }
    }

    /** Pieces that are still there, joints and trays among them. */
    BitSet state() {
        return state;
    }

    /** What is solid of each piece, as a tray has it. */
    List<Heap> heaps(Shell tray) {
        return heaps.computeIfAbsent(tray.id(), id -> heaped(lumpsOf(tray)));
    }

    /** Lumps of one piece come one after the other. */
    private static List<Heap> heaped(List<Lump> lumps) {
        List<Heap> heaps = new ArrayList<>();
        int from = 0;
        for (int to = 1; to <= lumps.size(); to++) {
            if (to == lumps.size() || lumps.get(to).piece() != lumps.get(from).piece()) {
                heaps.add(Heap.of(lumps.subList(from, to)));
                from = to;
            }
        }
        return heaps;
    }

    /** All that is solid, as a tray has it. */
    List<Lump> of(Shell tray) {
        return lumps.computeIfAbsent(tray.id(), id -> {
            List<Lump> all = new ArrayList<>();
            heaps(tray).forEach(heap -> all.addAll(heap.lumps()));
            return all;
        });
    }

    private List<Lump> lumpsOf(Shell tray) {
        List<Lump> lumps = new ArrayList<>();
        for (Shell other : casing.shells()) {
            poseOf(other, tray).ifPresent(p -> {
                int of = other.id().equals(tray.id())
                        ? FIXED
                        : pieces.index(Piece.Kind.TRAY, other.id()).orElse(FIXED);
                Trays.sides(other).forEach(b -> lumps.add(Lump.of(of, b, p)));
                pieces.solids(other).forEach(s -> lumps.add(Lump.of(of, s, p)));
                pieces.index(Piece.Kind.COVER, other.id())
                        .ifPresent(cover -> Trays.cover(other).forEach(b -> lumps.add(Lump.of(cover, b, p))));
                for (int i = 0; i < placed.size(); i++) {
                    if (placed.get(i).shell().id().equals(other.id())) {
                        add(i, p, lumps);
                    }
                }
            });
        }
        return List.copyOf(lumps);
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

    private Optional<Pose> poseOf(Shell tray, Shell from) {
        return tray.id().equals(from.id()) ? Optional.of(Pose.NONE) : pose(tray, from);
    }

    private boolean isPresent(Piece.Kind kind, String id) {
        return pieces.index(kind, id).map(state::get).orElse(false);
    }
}
