package boldsatchel.format;

import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * The lines of a flat drawing. Open pieces are joined where their ends meet; the closed line with the largest area is the outline, circles
 * inside are holes.
 */
final class Lines {

    /** Ends this near to one another meet, mm. */
    static final double SAME_MM = 0.05;
    /** A curve is drawn by chords that are this near to it, mm. */
    private static final double CHORD_MM = 0.05;

    private static final int MOST_PIECES = 20_000;

    private final List<List<Flat>> closed = new ArrayList<>();
    private final List<List<Flat>> open = new ArrayList<>();
    private final List<Drawn.Bore> circles = new ArrayList<>();

    /** Adds a line from end to end. */
    void open(List<Flat> points) {
        open.add(points);
    }

    /** Adds a line that ends where it began; the end is not said again. */
    void closed(List<Flat> points) {
        closed.add(points);
    }

    /** Adds a circle. */
    void circle(Flat middle, double radius) {
        circles.add(new Drawn.Bore(middle, 2 * radius));
        List<Flat> ring = bend(middle, radius, 0, 2 * Math.PI);
        closed.add(ring.subList(0, ring.size() - 1));
    }

    /**
     * Refuses what is too much.
     *
     * @param line of the file that was read last
     */
    void checkCount(int line) throws FormatException {
        if (closed.size() + open.size() > MOST_PIECES) {
            throw DrawnFile.wrong(line, "it has more than " + MOST_PIECES + " lines; leave only the outline");
        }
    }

    /** How many chords draw a curve of a radius over an angle. */
    static int chords(double radius, double angle) {
        double most = radius <= CHORD_MM ? 1 : 2 * Math.acos(1 - CHORD_MM / radius);
        return Math.clamp((long) Math.ceil(Math.abs(angle) / most), 4, 360);
    }

    /** Points of a curve about a middle, both ends among them. */
    static List<Flat> bend(Flat middle, double radius, double from, double to) {
        int steps = chords(radius, to - from);
        List<Flat> points = new ArrayList<>(steps + 1);
        for (int i = 0; i <= steps; i++) {
            double angle = from + (to - from) * i / steps;
            points.add(new Flat(middle.across() + radius * Math.cos(angle), middle.up() + radius * Math.sin(angle)));
        }
        return points;
    }

    /** What they are of, all said. */
    Drawn drawn() throws FormatException {
        join();
        return outline();
    }

    /** Joins open pieces where their ends meet; each end is looked up in a grid, so that many pieces take no longer than they are many. */
    private void join() {
        Map<List<Long>, List<List<Flat>>> ends = new HashMap<>();
        List<List<Flat>> left = new ArrayList<>(open);
        left.forEach(p -> {
            keep(ends, p.getFirst(), p);
            keep(ends, p.getLast(), p);
        });
        for (List<Flat> piece : open) {
            if (!take(ends, piece)) {
                continue;
            }
            List<Flat> chain = new ArrayList<>(piece);
            List<Flat> next = near(ends, chain.getLast());
            while (!next.isEmpty() && !same(chain.getFirst(), chain.getLast())) {
                take(ends, next);
                List<Flat> forward = same(next.getFirst(), chain.getLast()) ? next : next.reversed();
                chain.addAll(forward.subList(1, forward.size()));
                next = near(ends, chain.getLast());
            }
            if (chain.size() > 3 && same(chain.getFirst(), chain.getLast())) {
                closed.add(List.copyOf(chain.subList(0, chain.size() - 1)));
            }
        }
    }

    private static List<Long> cell(Flat at, int right, int up) {
        return List.of(Math.round(at.across() / SAME_MM) + right, Math.round(at.up() / SAME_MM) + up);
    }

    private static void keep(Map<List<Long>, List<List<Flat>>> ends, Flat end, List<Flat> piece) {
        ends.computeIfAbsent(cell(end, 0, 0), c -> new ArrayList<>()).add(piece);
    }

    /** Takes a piece out; false when it was taken already. */
    @SuppressWarnings("ReferenceEquality") // Two pieces may be alike.
    private static boolean take(Map<List<Long>, List<List<Flat>>> ends, List<Flat> piece) {
        boolean first = ends.getOrDefault(cell(piece.getFirst(), 0, 0), new ArrayList<>())
                .removeIf(p -> p == piece);
        boolean last = ends.getOrDefault(cell(piece.getLast(), 0, 0), new ArrayList<>())
                .removeIf(p -> p == piece);
        return first || last;
    }

    private static List<Flat> near(Map<List<Long>, List<List<Flat>>> ends, Flat at) {
        for (int right = -1; right <= 1; right++) {
            for (int up = -1; up <= 1; up++) {
                for (List<Flat> piece : ends.getOrDefault(cell(at, right, up), List.of())) {
                    if (same(piece.getFirst(), at) || same(piece.getLast(), at)) {
                        return piece;
                    }
                }
            }
        }
        return List.of();
    }

    private static boolean same(Flat a, Flat b) {
        return Math.hypot(a.across() - b.across(), a.up() - b.up()) <= SAME_MM;
    }

    private Drawn outline() throws FormatException {
        List<Flat> largest = closed.stream()
                .filter(c -> c.size() >= 3)
                .max(Comparator.comparingDouble(Outlines::area))
                .orElseThrow(() -> DrawnFile.wrong(
                        0,
                        "it has no closed line" + (open.isEmpty() ? "" : ": of " + open.size() + " pieces no ends meet")
                                + "; draw the outline as one"));
        List<Drawn.Bore> bores = circles.stream()
                .filter(b -> Outlines.holds(largest, b.at().across(), b.at().up())
                        && Math.PI / 4 * b.diameterMm() * b.diameterMm() < Outlines.area(largest) * 0.5)
                .toList();
        return new Drawn(largest, OptionalDouble.empty(), bores);
    }
}
