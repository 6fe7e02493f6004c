package boldsatchel.drawing;

import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.links.Run;
import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Signal;
import boldsatchel.quantity.Units;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.Deque;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The harness as it would lie on a board: parts as islands with their sockets at the edges, the part that most hang on in the middle, what
 * hangs on it to either side, and what hangs on that farther out. Cables are ropes that run side by side between the columns, laced where
 * they do. What a part still needs is an open end.
 */
public final class HarnessDrawing {

    private static final double ISLAND = 54;
    private static final double MIDDLE = 84;
    private static final double LINE = 5.2;
    private static final double HEAD = 2 * LINE + 2;
    private static final double ROW = 6.4;
    private static final double GAP = 8;
    private static final double LANE = 2.6;
    private static final double TEXT = 4.2;
    /** Width of a letter as a share of its size in a window, where a wide board's letters are larger than to scale. */
    private static final double SEEN_WIDTH = 0.75;
    /** Room beside the ropes for the length of a cable. */
    private static final double LABEL = 20;
    /** Room between the ropes and the island they come from. */
    private static final double STUB = 5;

    private static final double LACE = 7;
    private static final String MARK = "socket ";

    private HarnessDrawing() {}

    /** How a rope is drawn, by what goes through it. */
    private enum Strand {
        /** To a screen. */
        PICTURE("picture", 1.3, false, Ink.ACCENT),
        /** USB and networks. */
        DATA("USB, network", 0.8, false, Ink.INK),
        /** Drives, cards and cards in slots. */
        STORAGE("drive, card", 0.8, true, Ink.INK),
        /** Single pins. */
        PINS("pins, buses", 0.45, false, Ink.SOFT),
        /** Sound. */
        SOUND("sound", 0.8, true, Ink.ACCENT),
        /** Antennas. */
        RADIO("antenna", 0.45, true, Ink.SOFT);

        private final String words;
        private final double pen;
        private final boolean dashed;
        private final Ink ink;

        Strand(String words, double pen, boolean dashed, Ink ink) {
            this.words = words;
            this.pen = pen;
            this.dashed = dashed;
            this.ink = ink;
        }

        static Strand of(Signal.Kind kind) {
            return switch (kind) {
                case HDMI, DISPLAYPORT, EDP, LVDS, DSI, CAMERA -> PICTURE;
                case USB, ETHERNET -> DATA;
                case PCIE, SATA, CARD -> STORAGE;
                case I2C, SPI, UART, GPIO, PWM, ANALOGUE, KEYS -> PINS;
                case LINE, SPEAKER, MICROPHONE -> SOUND;
                case RADIO -> RADIO;
            };
        }
    }

    /** What a socket is told by in the drawing. */
    public static String id(Link.End end) {
        return MARK + end.part() + " " + end.port();
    }

    /** The socket of an id, if it is one. */
    public static Optional<Link.End> socket(String id) {
        if (!id.startsWith(MARK)) {
            return Optional.empty();
        }
        String rest = id.substring(MARK.length());
        int space = rest.indexOf(' ');
        return Optional.of(Link.End.of(rest.substring(0, space), rest.substring(space + 1)));
    }

    /**
     * The board.
     *
     * @param selected id of the part or socket to point out; empty for none
     */
    public static Drawing board(Build build, LinksResult links, String selected) {
        return new Layout(build, links, selected).draw();
    }

    /** A part as it is laid. */
    private static final class Island {
        final Part part;
        int column;
        double x;
        double y;
        final List<Port> left = new ArrayList<>();
        final List<Port> right = new ArrayList<>();

        Island(Part part) {
            this.part = part;
        }

        double width() {
            return column == 0 ? MIDDLE : ISLAND;
        }

        double height() {
            return HEAD + ROW * Math.max(1, Math.max(left.size(), right.size())) + 1;
        }

        /** Middle of a socket's row, from the top. */
        double row(Port port) {
            int at = Math.max(index(left, port), index(right, port));
            return y + HEAD + ROW * (at + 0.5);
        }

        boolean isLeft(Port port) {
            return index(left, port) >= 0;
        }

        private static int index(List<Port> ports, Port port) {
            for (int i = 0; i < ports.size(); i++) {
                if (ports.get(i).id().equals(port.id())) {
                    return i;
                }
            }
            return -1;
        }
    }

    private static final class Layout {
        private final Build build;
        private final LinksResult links;
        private final String selected;
        private final Map<String, Island> islands = new LinkedHashMap<>();
        private final List<Run> runs;
        private final Map<Integer, List<Island>> columns = new HashMap<>();
        private final Map<Integer, Double> columnX = new HashMap<>();
        private final Set<Strand> drawn = new LinkedHashSet<>();
        private double width;
        private double height;

        Layout(Build build, LinksResult links, String selected) {
            this.build = build;
            this.links = links;
            this.selected = selected;
            runs = Run.all(build);
        }

        Drawing draw() {
            for (Part part : build.parts().list()) {
                boolean talks =
                        part.body().ports().stream().anyMatch(p -> !p.carries().isEmpty());
                if (!part.isLed() && talks && (hasNeed(part) || isPlugged(part))) {
                    islands.put(part.id(), new Island(part));
                }
            }
            if (islands.isEmpty()) {
                return new Drawing("No links yet", 220, 60, 0, 0, List.of());
            }
            spread();
            sides();
            stack();
            Sketch s = new Sketch(0, 0);
            ropes(s);
            islands.values().forEach(i -> island(s, i));
            open(s);
            legend(s);
            return s.done("Harness: what is plugged into what", width, height + 9);
        }

        private boolean hasNeed(Part part) {
            return links.needs().stream().anyMatch(n -> n.part().equals(part.id()))
                    || part.family().computes();
        }

        private boolean isPlugged(Part part) {
            return runs.stream()
                    .anyMatch(r ->
                            r.one().part().equals(part.id()) || r.other().part().equals(part.id()));
        }

        private List<Run> of(Island island) {
            return runs.stream().filter(r -> r.touches(island.part.id())).toList();
        }

        private Optional<Island> neighbour(Island island, Run run) {
            String other = run.one().part().equals(island.part.id())
                    ? run.other().part()
                    : run.one().part();
            return Optional.ofNullable(islands.get(other));
        }

        /** Gives each part a column: the one with most ropes is in the middle, and what hangs on it goes where there is more room. */
        private void spread() {
            Island root = Collections.max(
                    islands.values(),
                    Comparator.comparingInt(
                            (Island i) -> of(i).size() + (i.part.family().computes() ? 1000 : 0)));
            Set<Island> placed = new HashSet<>(Set.of(root));
            put(root, 0);
            Map<Integer, Double> high = new HashMap<>(Map.of(-1, 0.0, 1, 0.0));
            Deque<Island> queue = new ArrayDeque<>(List.of(root));
            while (!queue.isEmpty()) {
                Island at = queue.remove();
                for (Run run : of(at)) {
                    Optional<Island> next = neighbour(at, run).filter(placed::add);
                    next.ifPresent(n -> {
                        int column = at.column == 0 ? side(high) : at.column + Integer.signum(at.column);
                        put(n, column);
                        if (Math.abs(column) == 1) {
                            high.merge(column, weight(n), Double::sum);
                        }
                        queue.add(n);
                    });
                }
            }
            for (Island island : islands.values()) {
                if (placed.add(island)) {
                    int column = side(high);
                    put(island, column);
                    high.merge(column, weight(island), Double::sum);
                }
            }
        }

        private static int side(Map<Integer, Double> high) {
            return high.getOrDefault(-1, 0.0) <= high.getOrDefault(1, 0.0) ? -1 : 1;
        }

        private static double weight(Island island) {
            return HEAD + GAP + ROW * island.part.body().ports().size();
        }

        private void put(Island island, int column) {
            island.column = column;
            columns.computeIfAbsent(column, c -> new ArrayList<>()).add(island);
        }

        /** Puts each socket on the side that its rope leaves to; of those without, what is taken faces the middle. */
        private void sides() {
            for (Island island : islands.values()) {
                for (Port port : island.part.body().ports()) {
                    if (port.carries().isEmpty() && run(island, port).isEmpty()) {
                        continue;
                    }
                    int to = run(island, port)
                            .flatMap(r -> neighbour(island, r))
                            .map(n -> Integer.compare(n.column, island.column))
                            .orElse(0);
                    boolean left = to != 0
                            ? to < 0
                            : island.column == 0
                                    ? island.left.size() <= island.right.size()
                                    : (island.column > 0)
                                            == port.carries().stream().noneMatch(Carried::given);
                    (left ? island.left : island.right).add(port);
                }
            }
        }

        private Optional<Run> run(Island island, Port port) {
            Link.End end = Link.End.of(island.part.id(), port.id());
            return runs.stream().filter(r -> r.ends(end)).findFirst();
        }

        /** Stacks the columns and leaves room between them for the ropes. */
        private void stack() {
            List<Integer> order = columns.keySet().stream().sorted().toList();
            double tallest = columns.values().stream()
                    .mapToDouble(
                            c -> c.stream().mapToDouble(i -> i.height() + GAP).sum() - GAP)
                    .max()
                    .orElse(0);
            double x = 3;
            for (int column : order) {
                List<Island> here = columns.getOrDefault(column, List.of());
                columnX.put(column, x);
                double y = 3
                        + (tallest
                                        - here.stream()
                                                .mapToDouble(i -> i.height() + GAP)
                                                .sum()
                                        + GAP)
                                / 2;
                for (Island island : here) {
                    island.x = x;
                    island.y = y;
                    y += island.height() + GAP;
                }
                x += (column == 0 ? MIDDLE : ISLAND);
                if (column != order.getLast()) {
                    x += channel(column);
                }
            }
            width = x + 3;
            height = tallest + 6;
        }

        /** Room for the ropes to the right of a column. */
        private double channel(int column) {
            return STUB + LANE * Math.max(1, across(column).size()) + LABEL;
        }

        /** Ropes that run between a column and the next one. */
        private List<Run> across(int column) {
            return runs.stream()
                    .filter(r -> {
                        Island a = islands.get(r.one().part());
                        Island b = islands.get(r.other().part());
                        return a != null
                                && b != null
                                && Math.min(a.column, b.column) <= column
                                && Math.max(a.column, b.column) > column;
                    })
                    .toList();
        }

        /** A rope with its ends, the left one first. */
        private record Rope(Run run, Point from, Point to, Strand strand) {}

        private Point end(Link.End end) {
            Island island = java.util.Objects.requireNonNull(islands.get(end.part()));
            Port port = island.part.port(end.port()).orElseThrow();
            return new Point(island.isLeft(port) ? island.x : island.x + island.width(), island.row(port));
        }

        /** By the need that is met over it; where there is none, by what its socket carries first. */
        private Strand strand(Run run) {
            return links.needs().stream()
                    .flatMap(n -> n.route().stream())
                    .filter(r -> r.hops().stream().anyMatch(h -> run.ends(h.taker()) && run.ends(h.giver())))
                    .map(r -> r.taken().signal().kind())
                    .findFirst()
                    .or(() -> build.part(run.one().part())
                            .flatMap(p -> p.port(run.one().port()))
                            .flatMap(p -> p.carries().stream().findFirst())
                            .map(c -> c.signal().kind()))
                    .map(Strand::of)
                    .orElse(Strand.DATA);
        }

        private void ropes(Sketch s) {
            for (int column : columns.keySet().stream().sorted().toList()) {
                List<Rope> ropes = new ArrayList<>();
                for (Run run : across(column)) {
                    Point a = end(run.one());
                    Point b = end(run.other());
                    ropes.add(new Rope(run, a.x() <= b.x() ? a : b, a.x() <= b.x() ? b : a, strand(run)));
                }
                // Those that begin lower turn first, so that fewer cross.
                ropes.sort(Comparator.comparingDouble(r -> r.to.y() > r.from.y() ? -r.from.y() : r.from.y()));
                double left = columnX.getOrDefault(column, 0.0) + (column == 0 ? MIDDLE : ISLAND);
                double first = column < 0 ? left + LABEL : left + STUB;
                for (int i = 0; i < ropes.size(); i++) {
                    rope(s, ropes.get(i), first + LANE * i);
                }
                lace(s, ropes, first);
            }
        }

        private void rope(Sketch s, Rope rope, double lane) {
            drawn.add(rope.strand);
            boolean chosen = selected.equals(rope.run.one().part())
                    || selected.equals(rope.run.other().part())
                    || rope.run.cables().stream().anyMatch(c -> c.id().equals(selected));
            String subject = rope.run.cables().isEmpty()
                    ? ""
                    : rope.run.cables().getFirst().id();
            double bend = Math.min(1.6, Math.abs(rope.to.y() - rope.from.y()) / 2);
            double down = Math.signum(rope.to.y() - rope.from.y());
            List<double[]> way = List.of(
                    new double[] {rope.from.x(), rope.from.y()},
                    new double[] {lane - bend, rope.from.y()},
                    new double[] {lane, rope.from.y() + down * bend},
                    new double[] {lane, rope.to.y() - down * bend},
                    new double[] {lane + bend, rope.to.y()},
                    new double[] {rope.to.x(), rope.to.y()});
            s.line(way, rope.strand.pen * (chosen ? 1.8 : 1), rope.strand.dashed, rope.strand.ink, subject);
            double mm = rope.run.cables().stream()
                    .flatMap(c -> c.facet(Facet.Joins.class).stream())
                    .mapToDouble(j -> j.lengthMm().value())
                    .sum();
            if (!rope.run.cables().isEmpty()) {
                // The length stands at the outer end, where no other rope runs.
                boolean outerLeft = lane - rope.from.x() > rope.to.x() - lane;
                s.text(
                        outerLeft ? rope.from.x() + 2.6 : rope.to.x() - 2.6,
                        (outerLeft ? -rope.from.y() : -rope.to.y()) + 1,
                        TEXT - 0.6,
                        outerLeft ? Align.LEFT : Align.RIGHT,
                        false,
                        Ink.SOFT,
                        mm < 100 ? Units.format(mm, 0, "mm") : Units.format(mm / 10, 0, "cm"),
                        subject);
            }
        }

        /** Ties where ropes run side by side. */
        private void lace(Sketch s, List<Rope> ropes, double first) {
            for (double y = 6; y < height; y += LACE) {
                int from = -1;
                for (int i = 0; i <= ropes.size(); i++) {
                    boolean runs = i < ropes.size() && passes(ropes.get(i), y);
                    if (runs && from < 0) {
                        from = i;
                    } else if (!runs && from >= 0) {
                        if (i - from > 1) {
                            s.line(
                                    first + LANE * from - 1.1,
                                    -y - 0.5,
                                    first + LANE * (i - 1) + 1.1,
                                    -y + 0.5,
                                    0.7,
                                    false,
                                    Ink.WALL,
                                    "");
                        }
                        from = -1;
                    }
                }
            }
        }

        private static boolean passes(Rope rope, double y) {
            return Math.min(rope.from.y(), rope.to.y()) + 2 < y && Math.max(rope.from.y(), rope.to.y()) - 2 > y;
        }

        private void island(Sketch s, Island island) {
            String id = island.part.id();
            boolean chosen = selected.equals(id);
            double top = -island.y;
            double low = top - island.height();
            s.fill(island.x, low, island.width(), island.height(), Ink.PAPER, 1, id);
            s.fill(
                    island.x,
                    top - HEAD,
                    island.width(),
                    HEAD,
                    FamilyStyle.of(island.part.family()).tint(),
                    1,
                    id);
            s.frame(
                    island.x,
                    low,
                    island.width(),
                    island.height(),
                    chosen ? 0.9 : Sketch.WIDE,
                    false,
                    chosen ? Ink.ACCENT : Ink.INK,
                    id);
            List<String> name = wrapped(island.part.name(), island.width() - 4);
            for (int i = 0; i < name.size(); i++) {
                s.fitted(
                        island.x + 2,
                        top - LINE * (i + 1) + (name.size() == 1 ? -LINE / 2 : 0),
                        TEXT,
                        island.width() - 4,
                        Align.LEFT,
                        i == 0,
                        Ink.INK,
                        name.get(i),
                        id);
            }
            island.left.forEach(p -> socket(s, island, p, true));
            island.right.forEach(p -> socket(s, island, p, false));
        }

        /** A name on two lines: broken behind its first comma, else where the first line is full. */
        private static List<String> wrapped(String name, double room) {
            int most = (int) (room / (TEXT * SEEN_WIDTH));
            int comma = name.indexOf(", ");
            if (comma > 0 && comma <= most) {
                return List.of(name.substring(0, comma), name.substring(comma + 2));
            }
            int space = name.lastIndexOf(' ', most);
            return name.length() <= most || space <= 0
                    ? List.of(name)
                    : List.of(name.substring(0, space), name.substring(space + 1));
        }

        private void socket(Sketch s, Island island, Port port, boolean left) {
            String id = id(Link.End.of(island.part.id(), port.id()));
            boolean both = !island.left.isEmpty() && !island.right.isEmpty();
            double room = (both ? island.width() / 2 : island.width()) - 6;
            double y = -island.row(port);
            double edge = left ? island.x : island.x + island.width();
            double tab = left ? edge - 0.8 : edge - 2.4;
            boolean plugged = run(island, port).isPresent();
            boolean chosen = selected.equals(id);
            s.fill(tab, y - 1.7, 3.2, 3.4, plugged ? Ink.SOFT : Ink.PAPER, 1, id);
            s.frame(tab, y - 1.7, 3.2, 3.4, chosen ? 0.7 : Sketch.NARROW, false, chosen ? Ink.ACCENT : Ink.INK, id);
            s.fitted(
                    left ? edge + 4 : edge - 4,
                    y - 1.4,
                    TEXT,
                    room,
                    left ? Align.LEFT : Align.RIGHT,
                    false,
                    plugged ? Ink.INK : Ink.SOFT,
                    port.words(),
                    id);
        }

        /** Open ends: a stub with a ring and what is missing. */
        private void open(Sketch s) {
            for (Need need : links.open()) {
                Island island = islands.get(need.part());
                if (island == null) {
                    continue;
                }
                island.part.body().ports().stream()
                        .filter(p -> p.carries().stream().anyMatch(c -> c.takenFor(need.duty())))
                        .findFirst()
                        .ifPresent(p -> openEnd(s, island, p, need));
            }
        }

        private void openEnd(Sketch s, Island island, Port port, Need need) {
            boolean left = island.isLeft(port);
            double edge = left ? island.x : island.x + island.width();
            double out = left ? -1 : 1;
            double y = -island.row(port);
            Ink ink = need.pluggable() ? Ink.WATCH : Ink.STOP;
            double x = edge + out * 8;
            s.line(edge + out * 0.8, y, x - out * 1.5, y, 0.6, true, ink, need.part());
            List<Point> ring = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                ring.add(s.point(x + 1.5 * Math.cos(Math.PI * i / 6), y + 1.5 * Math.sin(Math.PI * i / 6)));
            }
            s.outline(ring, 0.6, false, ink, need.part());
            s.text(
                    x + out * 2.6,
                    y - 1.4,
                    TEXT,
                    left ? Align.RIGHT : Align.LEFT,
                    true,
                    ink,
                    "open: " + need.duty(),
                    need.part());
        }

        private void legend(Sketch s) {
            Map<Strand, String> all = new EnumMap<>(Strand.class);
            drawn.forEach(d -> all.put(d, d.words));
            double x = 3;
            double y = -height - 3;
            for (Map.Entry<Strand, String> e : all.entrySet()) {
                s.line(x, y, x + 9, y, e.getKey().pen, e.getKey().dashed, e.getKey().ink, "");
                s.text(x + 10.5, y - 1.4, TEXT, Align.LEFT, false, Ink.SOFT, e.getValue(), "");
                x += 18 + e.getValue().length() * TEXT * SEEN_WIDTH;
            }
        }
    }
}
