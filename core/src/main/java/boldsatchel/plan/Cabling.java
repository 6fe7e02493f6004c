package boldsatchel.plan;

import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;

/**
 * Finds cables from one socket to another. Cheapest first: fewest pieces, then least money, then least mass; Dijkstra's way over the
 * kinds of socket that an end can be plugged into, of which there are a few dozen.
 */
final class Cabling {

    /** A chain of more cables and plain adapters is none that a builder wants. */
    private static final int MOST_PIECES = 3;

    /**
     * A cable with the ends it is plugged in by.
     *
     * @param cable the part
     * @param near end towards the socket that gives
     * @param far end towards the one that takes
     * @param own whether it lies in the build already
     */
    record Piece(Part cable, Port near, Port far, boolean own) {}

    /**
     * A signal to be carried.
     *
     * @param kind what
     * @param lanes the part takes
     * @param bits the least rate, bit/s
     * @param bearsMm longest run of cable, mm
     */
    record Load(Signal.Kind kind, int lanes, double bits, double bearsMm) {}

    /**
     * Cables one behind the other; none where a plug goes straight into its socket.
     *
     * @param pieces from the giving socket on
     * @param cost to be compared, see {@link #cost}
     */
    record Path(List<Piece> pieces, double cost) {
        /** Copies the list. */
        Path {
            pieces = List.copyOf(pieces);
        }
    }

    private record Kind(Connector connector, boolean plug) {
        static Kind of(Port port) {
            return new Kind(port.connector(), port.plug());
        }
    }

    private record Question(Kind from, Kind to, List<Load> loads, Set<String> used) {}

    private final List<Part> own;
    private final List<Part> shelf;
    private final Map<Question, Optional<Path>> answers = new HashMap<>();

    /**
     * Cables to choose from.
     *
     * @param own those in the build that nothing hangs on
     * @param shelf those that can be had
     */
    Cabling(List<Part> own, List<Part> shelf) {
        this.own = own.stream().filter(Part::isLed).toList();
        this.shelf = shelf.stream().filter(Part::isLed).toList();
    }

    /** What a part costs a plan: one more thing, its money, its mass; each weighs more than all of the next. */
    static double cost(Part part, boolean own) {
        return 1e10 + (own ? 0 : 1e4 * part.price().value() + part.massG().value());
    }

    /**
     * The cheapest way from one socket to another that carries all loads.
     *
     * @param used ids of own cables that are plugged in elsewhere
     */
    Optional<Path> between(Port from, Port to, List<Load> loads, Set<String> used) {
        return answers.computeIfAbsent(
                new Question(Kind.of(from), Kind.of(to), loads, Set.copyOf(used)), q -> search(from, to, q));
    }

    /** A way so far: it ends in a socket that wants a plug. */
    private record Reached(Port open, List<Piece> pieces, double lengthMm, double cost) {}

    private Optional<Path> search(Port from, Port to, Question question) {
        PriorityQueue<Reached> queue = new PriorityQueue<>(Comparator.comparingDouble(Reached::cost));
        Map<Kind, Double> best = new HashMap<>();
        queue.add(new Reached(from, List.of(), 0, 0));
        while (!queue.isEmpty()) {
            Reached at = queue.remove();
            if (at.open.mates(to)) {
                return Optional.of(new Path(at.pieces, at.cost));
            }
            if (at.pieces.size() == MOST_PIECES || best.putIfAbsent(Kind.of(at.open), at.cost) != null) {
                continue;
            }
            for (Part cable : own) {
                if (!question.used.contains(cable.id())
                        && at.pieces.stream().noneMatch(p -> p.cable.id().equals(cable.id()))) {
                    queue.addAll(longer(at, cable, true, question.loads));
                }
            }
            for (Part cable : shelf) {
                queue.addAll(longer(at, cable, false, question.loads));
            }
        }
        return Optional.empty();
    }

    private static List<Reached> longer(Reached at, Part cable, boolean own, List<Load> loads) {
        Facet.Joins joins = cable.facet(Facet.Joins.class).orElseThrow();
        double length = at.lengthMm + joins.lengthMm().value();
        if (!loads.stream().allMatch(l -> length <= l.bearsMm && carries(joins, l))) {
            return List.of();
        }
        List<Reached> longer = new ArrayList<>();
        for (Port near : cable.body().ports()) {
            for (Port far : cable.body().ports()) {
                if (!near.id().equals(far.id()) && at.open.mates(near)) {
                    List<Piece> pieces = new ArrayList<>(at.pieces);
                    pieces.add(new Piece(cable, near, far, own));
                    longer.add(new Reached(far, pieces, length, at.cost + cost(cable, own)));
                }
            }
        }
        return longer;
    }

    /** Whether cables that are there carry one signal more. */
    static boolean carries(Path path, Load load) {
        List<Facet.Joins> joins = path.pieces.stream()
                .map(p -> p.cable.facet(Facet.Joins.class).orElseThrow())
                .toList();
        return joins.stream().allMatch(j -> carries(j, load))
                && joins.stream().mapToDouble(j -> j.lengthMm().value()).sum() <= load.bearsMm;
    }

    private static boolean carries(Facet.Joins joins, Load load) {
        return joins.best(load.kind)
                .filter(s -> s.bitsPerSecond() * Math.min(load.lanes, joins.lanes()) >= load.bits)
                .isPresent();
    }
}
