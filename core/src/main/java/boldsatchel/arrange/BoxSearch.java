package boldsatchel.arrange;

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

    /** Every so many rounds pieces go in one by one. */
    private static final int SINGLES = 4;

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
    private final double[] between;
    private final double[] most;
    private final double[] volume;
    private final Block[] blocks;
    private final SplittableRandom random;
    private long tries;
    private double forLarge = 1;
    private double forFlush = 1;
    private boolean fromAbove;
    /** Blocks that are more so are not used in this round. */
    private double hollowest = Double.POSITIVE_INFINITY;

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
        between = pieces.stream().mapToDouble(Piece::middling).toArray();
        most = pieces.stream().mapToDouble(Piece::longest).toArray();
        volume = pieces.stream().mapToDouble(Piece::volume).toArray();
        blocks = Block.of(this.pieces, room).toArray(Block[]::new);
        empty = new FreeRooms(room.x(), room.y(), room.z());
        State none = new State(empty, all(), 0, null);
        FreeRooms.Use use = none.use();
        taken.forEach(b -> empty.take(b, use));
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

        /** What a room must have for any piece that is left. */
        FreeRooms.Use use() {
            double thin = Double.POSITIVE_INFINITY;
            double middling = Double.POSITIVE_INFINITY;
            double longest = Double.POSITIVE_INFINITY;
            double least = Double.POSITIVE_INFINITY;
            for (long l = left; l != 0; l &= l - 1) {
                int i = Long.numberOfTrailingZeros(l);
                thin = Math.min(thin, shortest[i]);
                middling = Math.min(middling, between[i]);
                longest = Math.min(longest, most[i]);
                least = Math.min(least, volume[i]);
            }
            return new FreeRooms.Use(thin, middling, longest, least);
        }

        void put(Move move) {
            Block block = blocks[move.block];
            double x = at(move.into, 0, block.dx(), block);
            double y = at(move.into, 1, block.dy(), block);
            double z = at(move.into, 2, block.dz(), block);
            for (Spot spot : block.spots()) {
                put = new Put(new Spot(spot.piece(), spot.turn(), spot.box().moved(new Vec(x, y, z))), put);
            }
            left &= ~block.pieces();
            filled += block.volume();
            if (left != 0) {
                FreeRooms.Use use = use();
                for (Spot spot : block.spots()) {
                    free.take(spot.box().moved(new Vec(x, y, z)), use);
                }
            }
        }

        /** At the wall that it has to be at, or at the end of its room that is nearer to one; low, of both ends up and down, until that was tried. */
        private double at(int into, int axis, double size, Block block) {
            boolean low = block.isAt(Face.of(axis, -1));
            boolean high = block.isAt(Face.of(axis, 1));
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
                for (int i = 0; i < blocks.length; i++) {
                    if ((blocks[i].pieces() & ~left) == 0 && blocks[i].hollow() <= hollowest) {
                        double worth = worth(blocks[i], into, thin);
                        if (worth > Double.NEGATIVE_INFINITY) {
                            add(moves, new Move(i, into, worth + (noise > 0 ? noise * random.nextDouble() : 0)), most);
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
        private double worth(Block block, int into, double thin) {
            double x = free.size(into, 0) - block.dx();
            double y = free.size(into, 1) - block.dy();
            double z = free.size(into, 2) - block.dz();
            if (x < -TINY_MM || y < -TINY_MM || z < -TINY_MM) {
                return Double.NEGATIVE_INFINITY;
            }
            if (block.walls() > 0
                    && (isOffWall(block, into, 0) || isOffWall(block, into, 1) || isOffWall(block, into, 2))) {
                return Double.NEGATIVE_INFINITY;
            }
            double flush =
                    (x < TINY_MM ? block.yz() : 0) + (y < TINY_MM ? block.xz() : 0) + (z < TINY_MM ? block.xy() : 0);
            double lost = (x < thin - TINY_MM ? x / block.dx() : 0)
                    + (y < thin - TINY_MM ? y / block.dy() : 0)
                    + (z < thin - TINY_MM ? z / block.dz() : 0)
                    + block.hollow();
            return forLarge * block.large() + forFlush * flush - LOST * lost + AT_WALL * block.walls();
        }

        private boolean isOffWall(Block block, int into, int axis) {
            return (block.isAt(Face.of(axis, -1)) && free.low(into, axis) > TINY_MM)
                    || (block.isAt(Face.of(axis, 1)) && free.high(into, axis) < room.along(axis) - TINY_MM);
        }
    }

    /** A block that may go into a free room. */
    private record Move(int block, int into, double worth) {}

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
            // Single pieces have no hollow at all: every fourth round is theirs.
            hollowest = round % SINGLES == SINGLES - 1 ? 0 : Block.MOST_HOLLOW;
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
