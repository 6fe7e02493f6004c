package boldsatchel.assembly;

import boldsatchel.fit.Placed;
import boldsatchel.fit.Trays;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Build;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** All pieces of a machine in one row: the parts that lie in it first, in the order they are placed. */
final class Pieces {

    private final List<Piece> all = new ArrayList<>();
    private final Map<Piece, Integer> index = new HashMap<>();
    private final BitSet joints = new BitSet();
    private final List<Loosening> loosened;

    /**
     * @param loosened what is changed of the plan
     */
    Pieces(Build build, List<Placed> placed, List<Loosening> loosened) {
        this.loosened = loosened;
        placed.forEach(p -> add(Piece.Kind.PART, p.id()));
        for (Shell shell : build.casing().shells()) {
            if (!shell.openTop()) {
                add(Piece.Kind.COVER, shell.id());
            }
        }
        for (Joint joint : build.casing().joints()) {
            if (build.casing().belongs(joint.carries())
                    && build.shell(joint.carries()).isPresent()) {
                if (!(joint.way() instanceof Joint.Held)) {
                    add(Piece.Kind.SHUT, joint.id());
                }
                add(Piece.Kind.TRAY, joint.carries());
            }
        }
    }

    private void add(Piece.Kind kind, String id) {
        Piece piece = new Piece(kind, id);
        if (index.putIfAbsent(piece, all.size()) == null) {
            joints.set(all.size(), kind == Piece.Kind.SHUT || kind == Piece.Kind.TRAY);
            all.add(piece);
        }
    }

    List<Piece> all() {
        return all;
    }

    Optional<Integer> index(Piece.Kind kind, String id) {
        return Optional.ofNullable(index.get(new Piece(kind, id)));
    }

    /** Closed joints and trays that hang on others: what changes how trays lie to one another. */
    BitSet joints() {
        return joints;
    }

    /** Ribs, bosses and floor of a tray that stay in it. */
    List<Solid> solids(Shell shell) {
        List<Solid> solids = new ArrayList<>(Trays.solidsWithFloor(shell));
        for (int rib = shell.ribs().size() - 1; rib >= 0; rib--) {
            if (loosened.contains(new Loosening(Loosening.Kind.NO_RIB, shell.id(), rib))) {
                solids.remove(rib);
            }
        }
        return solids;
    }
}
