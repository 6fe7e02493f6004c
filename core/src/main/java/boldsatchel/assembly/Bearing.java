package boldsatchel.assembly;

import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import java.util.BitSet;
import java.util.List;
import java.util.stream.Stream;

/** What may have to be done before a part is out, straight ways only: all else is not looked at. */
final class Bearing {

    private final Takedown takedown;
    private final Casing casing;
    private final List<Piece> pieces;
    private final Ties ties;
    /** Closed, and with all joints open. */
    private final List<Scene> scenes;

    private final BitSet bear = new BitSet();

    private Bearing(Takedown takedown, int target) {
        this.takedown = takedown;
        this.casing = takedown.casing();
        this.pieces = takedown.pieces();
        this.ties = takedown.ties();
        BitSet open = takedown.whole();
        bear.set(target);
        for (int i = 0; i < pieces.size(); i++) {
            if (pieces.get(i).kind() == Piece.Kind.SHUT) {
                open.clear(i);
                bear.set(i);
            }
        }
        this.scenes = Stream.of(takedown.whole(), open)
                .map(takedown::scene)
                .distinct()
                .toList();
    }

    /** Moves that may have to be done before a part is out, that which takes it among them, in the order of all moves. */
    static List<Takedown.Move> on(Takedown takedown, int target) {
        Bearing bearing = new Bearing(takedown, target);
        bearing.gather();
        return takedown.moves().stream()
                .filter(m -> m.takes().intersects(bearing.bear))
                .toList();
    }

    private void gather() {
        BitSet looked = new BitSet();
        while (bear.cardinality() < pieces.size()) {
            BitSet left = (BitSet) bear.clone();
            left.andNot(looked);
            int next = left.nextSetBit(0);
            if (next < 0) {
                return;
            }
            looked.set(next);
            for (Takedown.Move move : takedown.moves()) {
                if (move.takes().get(next)) {
                    bear.or(move.takes());
                }
            }
            carriers(next);
            Piece piece = pieces.get(next);
            switch (piece.kind()) {
                case PART -> part(next);
                case COVER -> scenes.forEach(s -> s.gatherOver(next, bear));
                case TRAY -> tray(casing.carrying(piece.id()).orElseThrow());
                case SHUT -> {
                    // Whatever lies in its way is told as a clash.
                }
            }
        }
    }

    /** Trays that have to come off before what is in one of them, or hangs on it, is away from the rest. */
    private void carriers(int piece) {
        Piece of = pieces.get(piece);
        String tray = switch (of.kind()) {
            case PART -> takedown.placed().get(piece).shell().id();
            case COVER, TRAY -> of.id();
            case SHUT -> casing.joint(of.id()).orElseThrow().carries();
        };
        for (Joint joint : casing.path(tray)) {
            takedown.index(Piece.Kind.TRAY, joint.carries()).ifPresent(bear::set);
        }
    }

    private void part(int part) {
        scenes.forEach(s -> s.gather(part, bear));
        if (scenes.stream().anyMatch(s -> takedown.isBarred(part, s))
                || ties.tight().stream().anyMatch(t -> t.one() == part || t.other() == part)) {
            all();
        }
    }

    private void tray(Joint joint) {
        BitSet hung = takedown.hung(joint);
        if (joint.way() instanceof Joint.Held) {
            casing.shell(joint.on()).ifPresent(on -> scenes.forEach(s -> s.gatherAround(on, hung, bear)));
        }
        for (Ties.Soldered s : ties.soldered()) {
            if (hung.get(s.one()) != hung.get(s.other())) {
                bear.set(s.one());
                bear.set(s.other());
            }
        }
        if (ties.tight().stream().anyMatch(t -> hung.get(t.one()) != hung.get(t.other()))) {
            all();
        }
    }

    /** What is moved aside, or unplugged in its place, may want any of the others gone. */
    private void all() {
        bear.set(0, pieces.size());
    }
}
