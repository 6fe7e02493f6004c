package boldsatchel.arrange;

import boldsatchel.arrange.Piece.Turn;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;

/**
 * Puts pieces into a room: all of them, or else as much of them as was found. Each goes into the free room that is nearest to a corner; a beam of beginnings is kept, each
 * told by what the quickest way makes of it (after Araya and Riff, Computers and Operations Research 43, 2014, 100), and once a beam has ended another begins, wider and with
 * other weights. Of the same seed and number of tries it finds the same. Not to be shared by threads.
 */
public final class BoxSearch {

    private static final double TINY_MM = FreeRooms.TINY_MM;
    /** A set of pieces is a number's bits. */
    public static final int MOST_PIECES = 64;

    private static final int NARROW = 8;
    private static final int WIDEST = 64;
    /** Beams of one width before it is doubled. */
    private static final int ROUNDS = 4;

    private static final double MOST_NOISE = 0.3;
    private static final double MOST_FOR_LARGE = 2;
    private static final double LEAST_FOR_LARGE = 0.2;
    private static final double MOST_FOR_FLUSH = 3;
    /** What is lost beside a piece, as often its own volume. */
    private static final double LOST = 4;
    /** For each wall that it has to be at: such places are few. */
    private static final double AT_WALL = 3;
    /** Height counts more than what is aside at first: things lie on the floor. */
    private static final double HIGH = 2;

    /** A piece in its place. */
    public record Spot(int piece, int turn, Box box) {}

    private final Vec room;
    private final List<Box> taken;
    private final List<Piece> pieces;
    private final FreeRooms empty;
    private final double[] shortest;
    private final double[] volume;
    private final SplittableRandom random;
    private long tries;
    private double forLarge = 1;
    private double forFlush = 1;
    private boolean fromAbove;
    private State best;

    /**
     * A room.
     *
     * @param room its size, mm
     * @param taken boxes of it that are not free
     * @param pieces what is to go in, {@link #MOST_PIECES} at most
     * @param seed of all chance
     */
    public BoxSearch(Vec room, List<Box> taken, List<Piece> pieces, long seed) {
        if (pieces.size() > MOST_PIECES) {
            throw new IllegalArgumentException("no more than " + MOST_PIECES + " pieces at once");
        }
        this.room = room;
        this.taken = List.copyOf(taken);
        this.pieces = List.copyOf(pieces);
        random = new SplittableRandom(seed);
        shortest = pieces.stream().mapToDouble(Piece::shortest).toArray();
        volume = pieces.stream().mapToDouble(Piece::volume).toArray();
        empty = new FreeRooms(room.x(), room.y(), room.z());
        State none = new State(empty, all(), 0, null);
        taken.forEach(b -> empty.take(b, none.shortest(), none.least()));
        best = none;
    }

    private long all() {
        return pieces.size() == MOST_PIECES ? -1L : (1L << pieces.size()) - 1;
    }

    /** Pieces in their places, the last one first: beginnings are shared. */
    private record Put(Spot spot, @Nullable Put before) {}

    /** Some pieces in their places. */
    private final class State {
        final FreeRooms free;
        long left;
        double filled;

        @Nullable
        Put put;

        double worth;

        State(FreeRooms free, long left, double filled, @Nullable Put put) {
            this.free = free;
            this.left = left;
            this.filled = filled;
            this.put = put;
        }

        State copy() {
            return new State(free.copy(), left, filled, put);
        }

        double shortest() {
            double least = Double.POSITIVE_INFINITY;
            for (long l = left; l != 0; l &= l - 1) {
                least = Math.min(least, shortest[Long.numberOfTrailingZeros(l)]);
            }
            return least;
        }

        double least() {
            double least = Double.POSITIVE_INFINITY;
            for (long l = left; l != 0; l &= l - 1) {
                least = Math.min(least, volume[Long.numberOfTrailingZeros(l)]);
            }
            return least;
        }

        void put(Move move) {
            Turn turn = pieces.get(move.piece).turns().get(move.turn);
            Vec size = turn.size();
            Box box = new Box(
                    at(move.into, 0, size.x(), turn),
                    at(move.into, 1, size.y(), turn),
                    at(move.into, 2, size.z(), turn),
                    size.x(),
                    size.y(),
                    size.z());
            left &= ~(1L << move.piece);
            filled += turn.volume();
            put = new Put(new Spot(move.piece, move.turn, box), put);
            if (left != 0) {
                free.take(box, shortest(), least());
            }
        }

        /** At the wall that it has to be at, or at the end of its room that is nearer to one; low, of both ends up and down, until that was tried. */
        private double at(int into, int axis, double size, Turn turn) {
            boolean low = turn.walls().contains(Face.of(axis, -1));
            boolean high = turn.walls().contains(Face.of(axis, 1));
            double toHigh = room.along(axis) - free.high(into, axis);
            boolean atHigh = high || (!low && (axis < 2 || fromAbove) && toHigh < free.low(into, axis) - TINY_MM);
            return atHigh ? free.high(into, axis) - size : free.low(into, axis);
        }

        /** The free room nearest to a corner of the floor, of those as near the largest. */
        private int nearest() {
            int best = 0;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < free.count(); i++) {
                double off = fromAbove ? 0 : HIGH * free.low(i, 2);
                for (int axis = 0; axis < (fromAbove ? 3 : 2); axis++) {
                    off += Math.min(free.low(i, axis), room.along(axis) - free.high(i, axis));
                }
                if (off < least - TINY_MM || (off < least + TINY_MM && free.volume(i) > free.volume(best))) {
                    least = off;
                    best = i;
                }
            }
            return best;
        }

        /** What may go into the nearest free room that takes anything, the best first; nothing where none takes any. */
        List<Move> moves(int most, double noise) {
            List<Move> moves = new ArrayList<>(most + 1);
            while (moves.isEmpty() && free.count() > 0) {
                int into = nearest();
                double thin = shortest();
                for (long l = left; l != 0; l &= l - 1) {
                    int piece = Long.numberOfTrailingZeros(l);
                    List<Turn> turns = pieces.get(piece).turns();
                    for (int turn = 0; turn < turns.size(); turn++) {
                        double worth = worth(turns.get(turn), into, thin);
                        if (worth > Double.NEGATIVE_INFINITY) {
                            add(
                                    moves,
                                    new Move(piece, turn, into, worth + (noise > 0 ? noise * random.nextDouble() : 0)),
                                    most);
                        }
                    }
                }
                if (moves.isEmpty()) {
                    free.leaveOut(into);
                }
            }
            return moves;
        }

        /** Large and flush is good, what it leaves too thin for anything is lost; without end where it does not go in. */
        private double worth(Turn turn, int into, double thin) {
            Vec size = turn.size();
            double flush = 0;
            double sides = 0;
            double lost = 0;
            for (int axis = 0; axis < 3; axis++) {
                double beside = free.size(into, axis) - size.along(axis);
                if (beside < -TINY_MM || isOffWall(turn, into, axis)) {
                    return Double.NEGATIVE_INFINITY;
                }
                double side = turn.volume() / size.along(axis);
                sides += side;
                flush += beside < TINY_MM ? side : 0;
                lost += beside < thin - TINY_MM ? beside * side : 0;
            }
            return forLarge * Math.log(turn.volume())
                    + forFlush * flush / sides
                    - LOST * lost / turn.volume()
                    + AT_WALL * turn.walls().size();
        }

        private boolean isOffWall(Turn turn, int into, int axis) {
            return (turn.walls().contains(Face.of(axis, -1)) && free.low(into, axis) > TINY_MM)
                    || (turn.walls().contains(Face.of(axis, 1)) && free.high(into, axis) < room.along(axis) - TINY_MM);
        }
    }

    /** A piece that may go into a free room. */
    private record Move(int piece, int turn, int into, double worth) {}

    private static void add(List<Move> moves, Move move, int most) {
        int at = moves.size();
        while (at > 0 && moves.get(at - 1).worth < move.worth) {
            at--;
        }
        if (at < most) {
            moves.add(at, move);
            if (moves.size() > most) {
                moves.removeLast();
            }
        }
    }

    /**
     * Searches.
     *
     * @param mostTries whole packings that may be tried
     * @param stop asked between tries; what was found until then counts
     * @return pieces in their places, in no order; not all of them where no way was found for that
     */
    public List<Spot> search(long mostTries, BooleanSupplier stop) {
        tries = 0;
        for (int round = 0; best.left != 0 && tries < mostTries && !stop.getAsBoolean(); round++) {
            boolean first = round == 0;
            forLarge = first ? 1 : LEAST_FOR_LARGE + MOST_FOR_LARGE * random.nextDouble();
            forFlush = first ? 1 : MOST_FOR_FLUSH * random.nextDouble();
            double noise = first ? 0 : MOST_NOISE * random.nextDouble();
            fromAbove = round % 2 == 1;
            long before = tries;
            beam(Math.min(WIDEST, NARROW << Math.min(round / ROUNDS, 8)), noise, mostTries, stop);
            // Where nothing can be put anywhere there is nothing to try.
            tries = Math.max(tries, before + 1);
        }
        List<Spot> spots = new ArrayList<>();
        for (Put put = best.put; put != null; put = put.before) {
            spots.add(put.spot);
        }
        return settled(spots);
    }

    /** Each as far down as what is below lets it, the lowest first; what has to be at the cover stays there. */
    private List<Spot> settled(List<Spot> spots) {
        List<Spot> down = new ArrayList<>();
        List<Box> below = new ArrayList<>(taken);
        List<Spot> fromBelow = new ArrayList<>(spots);
        fromBelow.sort(Comparator.comparingDouble(s -> s.box().z()));
        for (Spot spot : fromBelow) {
            Box box = spot.box();
            double floor = 0;
            for (Box other : below) {
                boolean under = other.high(2) <= box.z() + TINY_MM
                        && box.gapAlong(0, other) < -TINY_MM
                        && box.gapAlong(1, other) < -TINY_MM;
                floor = under ? Math.max(floor, other.high(2)) : floor;
            }
            boolean hangs =
                    pieces.get(spot.piece()).turns().get(spot.turn()).walls().contains(Face.TOP);
            Box lies = hangs ? box : box.moved(Vec.on(2, floor - box.z()));
            below.add(lies);
            down.add(new Spot(spot.piece(), spot.turn(), lies));
        }
        return down;
    }

    /** Whether all pieces have a place in the last search. */
    public boolean isWhole() {
        return best.left == 0;
    }

    private void beam(int width, double noise, long mostTries, BooleanSupplier stop) {
        int wide = Math.max(2, (int) Math.sqrt(width));
        List<State> now = List.of(new State(empty.copy(), all(), 0, null));
        while (!now.isEmpty()) {
            List<State> next = new ArrayList<>();
            for (State state : now) {
                for (Move move : state.moves(wide, noise)) {
                    State begun = state.copy();
                    begun.put(move);
                    begun.worth = finished(begun.copy());
                    next.add(begun);
                    if (best.left == 0) {
                        return;
                    }
                }
                if (tries >= mostTries || stop.getAsBoolean()) {
                    return;
                }
            }
            next.sort((a, b) -> Double.compare(b.worth, a.worth));
            now = kept(next, width);
        }
    }

    /** What the quickest way makes of a beginning: how much it fills. */
    private double finished(State state) {
        tries++;
        Optional<Move> next = first(state);
        while (next.isPresent()) {
            state.put(next.get());
            next = first(state);
        }
        if (state.filled > best.filled || (state.left == 0 && best.left != 0)) {
            best = state;
        }
        return state.filled;
    }

    private static Optional<Move> first(State state) {
        return state.left == 0 ? Optional.empty() : state.moves(1, 0).stream().findFirst();
    }

    /** The best of them, of those that put the same in the same places one. */
    private static List<State> kept(List<State> sorted, int width) {
        List<State> kept = new ArrayList<>();
        Set<Set<Spot>> seen = new HashSet<>();
        for (State state : sorted) {
            if (kept.size() == width) {
                break;
            }
            Set<Spot> spots = new HashSet<>();
            for (Put put = state.put; put != null; put = put.before) {
                spots.add(put.spot);
            }
            if (seen.add(spots)) {
                kept.add(state);
            }
        }
        return kept;
    }
}
