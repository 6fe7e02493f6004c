package boldsatchel.arrange;

import boldsatchel.arrange.BoxSearch.Spot;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Some pieces, each turned in one way, side by side in a box that they nearly fill: put in as one (after Fanslau and Bortfeldt, INFORMS Journal on Computing 22,
 * 2010, 222). A piece alone is one too. What it looks like is kept in plain numbers, as millions are compared.
 *
 * @param pieces as bits of a number
 * @param spots of its pieces, from its low corner
 * @param dx of the box around it, mm
 * @param dy likewise
 * @param dz likewise
 * @param volume of its pieces, mm³
 * @param large that as a logarithm
 * @param yz share of its surface that its sides across x are
 * @param xz likewise across y
 * @param xy likewise across z
 * @param hollow what of its box is in none of its pieces, against these
 * @param at the walls that it has to be at, as bits by {@link Face#ordinal}
 */
record Block(
        long pieces,
        List<Spot> spots,
        double dx,
        double dy,
        double dz,
        double volume,
        double large,
        double yz,
        double xz,
        double xy,
        double hollow,
        int at) {

    private static final double TINY_MM = FreeRooms.TINY_MM;
    /** Against its pieces no more of its box may be in none of them. */
    static final double MOST_HOLLOW = 0.09;
    /** Pieces in one, and how many of each number are kept. */
    private static final int MOST_PIECES = 4;

    private static final int MOST = 600;

    /** Single pieces first, then blocks of two and more that fit the room. */
    static List<Block> of(List<Piece> pieces, Vec room) {
        List<Block> singles = new ArrayList<>();
        for (int piece = 0; piece < pieces.size(); piece++) {
            List<Piece.Turn> turns = pieces.get(piece).turns();
            for (int turn = 0; turn < turns.size(); turn++) {
                Vec s = turns.get(turn).size();
                int at = 0;
                for (Face wall : turns.get(turn).walls()) {
                    at |= 1 << wall.ordinal();
                }
                Spot spot = new Spot(piece, turn, new Box(0, 0, 0, s.x(), s.y(), s.z()));
                singles.add(of(1L << piece, List.of(spot), s, at));
            }
        }
        List<Block> all = new ArrayList<>(singles);
        List<Block> free = singles.stream().filter(b -> b.at == 0).toList();
        List<Block> last = free;
        for (int count = 2; count <= MOST_PIECES; count++) {
            last = joined(last, free, room);
            all.addAll(last);
        }
        return all;
    }

    private static List<Block> joined(List<Block> some, List<Block> others, Vec room) {
        List<Block> joined = new ArrayList<>();
        Set<List<Object>> seen = new HashSet<>();
        for (Block a : some) {
            for (Block b : others) {
                if ((a.pieces & b.pieces) == 0) {
                    for (int axis = 0; axis < 3; axis++) {
                        Vec size = size(a, b, axis);
                        boolean fits = size.x() <= room.x() + TINY_MM
                                && size.y() <= room.y() + TINY_MM
                                && size.z() <= room.z() + TINY_MM;
                        double hollow = size.x() * size.y() * size.z() / (a.volume + b.volume) - 1;
                        if (fits && hollow <= MOST_HOLLOW && seen.add(List.of(a.pieces | b.pieces, size))) {
                            List<Spot> spots = new ArrayList<>(a.spots);
                            Vec by = Vec.on(axis, a.size(axis));
                            b.spots.forEach(s -> spots.add(
                                    new Spot(s.piece(), s.turn(), s.box().moved(by))));
                            joined.add(of(a.pieces | b.pieces, spots, size, 0));
                        }
                    }
                }
            }
        }
        joined.sort(Comparator.comparingDouble(Block::hollow));
        return joined.size() > MOST ? joined.subList(0, MOST) : joined;
    }

    private static Vec size(Block a, Block b, int axis) {
        return new Vec(
                axis == 0 ? a.dx + b.dx : Math.max(a.dx, b.dx),
                axis == 1 ? a.dy + b.dy : Math.max(a.dy, b.dy),
                axis == 2 ? a.dz + b.dz : Math.max(a.dz, b.dz));
    }

    private static Block of(long pieces, List<Spot> spots, Vec s, int at) {
        double volume = spots.stream().mapToDouble(p -> p.box().volume()).sum();
        double sides = s.y() * s.z() + s.x() * s.z() + s.x() * s.y();
        return new Block(
                pieces,
                List.copyOf(spots),
                s.x(),
                s.y(),
                s.z(),
                volume,
                Math.log(volume),
                s.y() * s.z() / sides,
                s.x() * s.z() / sides,
                s.x() * s.y() / sides,
                s.x() * s.y() * s.z() / volume - 1,
                at);
    }

    double size(int axis) {
        return axis == 0 ? dx : axis == 1 ? dy : dz;
    }

    boolean isAt(Face wall) {
        return (at & (1 << wall.ordinal())) != 0;
    }

    /** How many walls it has to be at. */
    int walls() {
        return Integer.bitCount(at);
    }
}
