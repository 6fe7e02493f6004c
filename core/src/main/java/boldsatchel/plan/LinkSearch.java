package boldsatchel.plan;

import boldsatchel.links.Levels;
import boldsatchel.links.PinMap;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Finds which socket meets which need: depth first, the need with fewest ways first. A branch is left when some need has no way any more,
 * or when a matching of needs and free sockets (Kuhn's augmenting paths, which leaves cables out) shows that not all can be met.
 * Hubs and adapters that must be added are counted: first without any, then with one, and so on, so that the first answer has fewest.
 * A search that fails without having wished for one more has proved that there is no answer. Sockets that are alike on one part are
 * tried once. Exponential at worst; a budget of steps ends it, and then nothing is proved.
 */
final class LinkSearch {

    /** More hubs and adapters than that are nothing that a builder wants. */
    private static final int MOST_ADDED = 8;

    private static final int MOST_STEPS = 40_000;

    /** As many pairs of sockets are compared for one answer: most of a second. */
    private static final long MOST_WORK = 1_000_000;

    /** What several searches for one question may spend together, in pairs of sockets. */
    static final class Budget {
        private long left;

        Budget(long left) {
            this.left = left;
        }

        boolean spent() {
            return left <= 0;
        }
    }

    /** After the first answer, so much is spent on a cheaper one. */
    private static final int STEPS_FOR_BETTER = 1500;

    /** What is preferred among equals: less than any piece. */
    private static final double PREFERRED = -1;

    /** A part with sockets, there or to be added. */
    static final class Node {
        final Part part;
        final boolean added;
        final Set<String> busy = new HashSet<>();
        /** Duties whose need is met, or wanted already. */
        final Set<String> fed = new HashSet<>();
        /** By its duties, what it hangs on. */
        final Map<String, Node> above = new HashMap<>();
        /** Requests for pins, by socket. */
        final Map<String, List<Carried>> pinned = new HashMap<>();
        /** By socket, ids of the parts that alone may be plugged in, because the chain feeds them there. */
        final Map<String, Set<String>> reserved = new HashMap<>();

        Node(Part part, boolean added) {
            this.part = part;
            this.added = added;
        }
    }

    /**
     * Something to be met.
     *
     * @param node whose it is
     * @param duty what for
     * @param bits least rate, bit/s
     * @param wishBits rate it could make use of, bit/s
     */
    record Want(Node node, String duty, double bits, double wishBits) {

        /** What a slower socket costs a plan: less than a piece, more than any money. */
        double slowness(double given) {
            return given >= wishBits ? 0 : 5e9 * (1 - given / wishBits);
        }
    }

    /**
     * A way to meet wants.
     *
     * @param wants those it meets: several where one plug carries them all
     * @param at socket that takes
     * @param giver whose socket gives
     * @param from that socket
     * @param givens what it gives, one a want
     * @param takens what is taken, one a want
     * @param path cables between
     * @param cost to be compared
     * @param rides whether it goes by a plug that is in its socket already
     */
    record Choice(
            List<Want> wants,
            Port at,
            Node giver,
            Port from,
            List<Carried> givens,
            List<Carried> takens,
            Cabling.Path path,
            double cost,
            boolean rides) {}

    /**
     * An answer.
     *
     * @param choices in the order they were made
     * @param added hubs and adapters
     */
    record Answer(List<Choice> choices, List<Node> added, double cost) {
        /** Copies the lists. */
        Answer {
            choices = List.copyOf(choices);
            added = List.copyOf(added);
        }
    }

    /**
     * What came of it.
     *
     * @param answer the cheapest found
     * @param proved whether it is certain that there is none
     */
    record Outcome(Optional<Answer> answer, boolean proved) {}

    private final List<Node> nodes;
    private final List<Part> adapters;
    private final Cabling cabling;
    private final Set<Signal.Kind> rooted;
    private final Set<Signal.Kind> passed = new HashSet<>();

    private final List<Want> open = new ArrayList<>();
    private final List<Choice> chosen = new ArrayList<>();
    private final List<Node> added = new ArrayList<>();
    private final Set<String> usedCables = new HashSet<>();
    private double cost;
    private int limit;
    private boolean wished;
    private int steps;
    private long work;
    private final Budget budget;
    private Optional<Answer> best = Optional.empty();
    private int mostGained;

    /**
     * A search.
     *
     * @param nodes all parts with sockets
     * @param adapters hubs and adapters that can be had
     * @param cabling cables between them
     * @param budget of this search and others
     */
    LinkSearch(List<Node> nodes, List<Part> adapters, Cabling cabling, Budget budget) {
        this.budget = budget;
        this.nodes = new ArrayList<>(nodes);
        this.adapters = adapters;
        this.cabling = cabling;
        rooted = rooted();
        Set<Signal.Kind> loose = new HashSet<>();
        nodes.forEach(n -> byPins(n.part, loose));
        adapters.forEach(a -> byPins(a, loose));
        for (Part adapter : adapters) {
            mostGained = Math.max(mostGained, gained(adapter, loose));
        }
    }

    /** Gathers the kinds of signal that a part gives by pins. */
    private static void byPins(Part part, Set<Signal.Kind> kinds) {
        for (Port port : part.body().ports()) {
            for (Carried c : port.carries()) {
                if (c.given() && port.connector().byPins()) {
                    kinds.add(c.signal().kind());
                }
            }
        }
    }

    /**
     * How many sockets more there are with an adapter: its outputs less the socket that it takes itself, unless it may hang on pins, which take several.
     *
     * @param loose kinds of signal that pins give
     */
    private int gained(Part adapter, Set<Signal.Kind> loose) {
        int outputs = 0;
        boolean takes = true;
        for (Port port : adapter.body().ports()) {
            boolean gives = false;
            for (Carried c : port.carries()) {
                if (c.given()) {
                    passed.add(c.signal().kind());
                    gives = true;
                } else {
                    takes &= !port.connector().byPins()
                            && !loose.contains(c.signal().kind());
                }
            }
            outputs += gives ? 1 : 0;
        }
        return takes ? outputs - 1 : outputs;
    }

    /** Kinds of signal that some free socket gives, or an adapter could make of one. */
    private Set<Signal.Kind> rooted() {
        Set<Signal.Kind> kinds = new HashSet<>();
        for (Node node : nodes) {
            for (Port port : node.part.body().ports()) {
                for (Carried c : port.carries()) {
                    if (c.given() && c.duty().isEmpty() && free(node, port)) {
                        kinds.add(c.signal().kind());
                    }
                }
            }
        }
        for (boolean more = true; more; ) {
            more = false;
            for (Node node : nodes) {
                more |= passesOn(node.part, p -> free(node, p), node.fed, kinds);
            }
            for (Part adapter : adapters) {
                more |= passesOn(adapter, p -> true, Set.of(), kinds);
            }
        }
        return kinds;
    }

    /** Adds kinds that a part passes on by free sockets from duties that are met, or could be; whether there were new ones. */
    private static boolean passesOn(Part part, Predicate<Port> free, Set<String> fed, Set<Signal.Kind> kinds) {
        boolean more = false;
        for (Port port : part.body().ports()) {
            for (Carried c : port.carries()) {
                if (c.given()
                        && !c.duty().isEmpty()
                        && free.test(port)
                        && (fed.contains(c.duty()) || takes(part, c.duty(), kinds))) {
                    more |= kinds.add(c.signal().kind());
                }
            }
        }
        return more;
    }

    private static boolean takes(Part part, String duty, Set<Signal.Kind> kinds) {
        return part.body().ports().stream()
                .flatMap(p -> p.carries().stream())
                .anyMatch(c -> c.takenFor(duty) && kinds.contains(c.signal().kind()));
    }

    private static boolean free(Node node, Port port) {
        return port.use() != Port.Use.OUTSIDE && (port.connector().byPins() || !node.busy.contains(port.id()));
    }

    /** Looks for the cheapest way to meet all wants. */
    Outcome meet(List<Want> wants) {
        for (limit = 0; limit <= MOST_ADDED; limit++) {
            open.addAll(wants);
            wished = false;
            wants.forEach(w -> w.node.fed.add(w.duty));
            search();
            open.clear();
            if (best.isPresent()) {
                return new Outcome(best, false);
            }
            if (spent()) {
                return new Outcome(Optional.empty(), false);
            }
            if (!wished) {
                return new Outcome(Optional.empty(), true);
            }
        }
        return new Outcome(Optional.empty(), false);
    }

    private boolean spent() {
        if (work > MOST_WORK || budget.spent()) {
            return true;
        }
        return best.isPresent() ? steps > STEPS_FOR_BETTER : steps > MOST_STEPS;
    }

    private void search() {
        steps++;
        if (spent() || best.filter(b -> cost >= b.cost).isPresent()) {
            return;
        }
        if (open.isEmpty()) {
            best = Optional.of(new Answer(chosen, added, cost));
            steps = 0;
            return;
        }
        if (!matched()) {
            return;
        }
        Ways fewest = ways(open.getFirst());
        for (int i = 1; i < open.size() && fewest.choices.size() > 1; i++) {
            Ways ways = ways(open.get(i));
            if (ways.choices.size() < fewest.choices.size()) {
                fewest = ways;
            }
        }
        wished |= fewest.wished;
        fewest.choices.sort(Comparator.comparingDouble(Choice::cost));
        for (Choice choice : fewest.choices) {
            take(choice);
            if (spent()) {
                return;
            }
        }
    }

    /** Makes a choice, goes on from there, and takes it back. */
    private void take(Choice choice) {
        Node giver = choice.giver;
        boolean fresh = giver.added && !added.contains(giver);
        List<Want> before = List.copyOf(open);
        if (fresh) {
            added.add(giver);
            nodes.add(giver);
        }
        open.removeAll(choice.wants);
        chosen.add(choice);
        Node taker = choice.wants.getFirst().node;
        boolean tookAt = taker.busy.add(choice.at.id());
        boolean tookFrom = giver.busy.add(choice.from.id());
        List<Carried> pins = giver.pinned.computeIfAbsent(choice.from.id(), f -> new ArrayList<>());
        pins.addAll(lines(choice));
        List<String> cables = choice.path.pieces().stream()
                .filter(p -> p.own() && !choice.rides)
                .map(p -> p.cable().id())
                .toList();
        usedCables.addAll(cables);
        List<String> nowFed = new ArrayList<>();
        for (int i = 0; i < choice.wants.size(); i++) {
            taker.above.put(choice.wants.get(i).duty, giver);
            String duty = choice.givens.get(i).duty();
            if (!duty.isEmpty() && giver.fed.add(duty)) {
                nowFed.add(duty);
                open.add(new Want(giver, duty, choice.wants.get(i).bits, 0));
            }
        }
        cost += choice.cost;

        search();

        cost -= choice.cost;
        nowFed.forEach(giver.fed::remove);
        choice.wants.forEach(w -> taker.above.remove(w.duty));
        cables.forEach(usedCables::remove);
        for (int i = lines(choice).size(); i > 0; i--) {
            pins.removeLast();
        }
        if (tookFrom) {
            giver.busy.remove(choice.from.id());
        }
        if (tookAt) {
            taker.busy.remove(choice.at.id());
        }
        chosen.removeLast();
        open.clear();
        open.addAll(before);
        if (fresh) {
            added.removeLast();
            nodes.removeLast();
        }
    }

    /** What a choice asks of the pins of a header. */
    private static List<Carried> lines(Choice choice) {
        List<Carried> lines = new ArrayList<>();
        for (int i = 0; i < choice.givens.size() && choice.from.connector().byPins(); i++) {
            lines.add(lines(choice.givens.get(i), choice.takens.get(i)));
        }
        return lines;
    }

    /** A signal of a header with as many lines as one part takes of it. */
    static Carried lines(Carried given, Carried taken) {
        return new Carried(
                given.signal(), given.way(), taken.lanes(), given.duty(), given.pins(), given.volts(), given.hertz());
    }

    /**
     * Ways to meet a want.
     *
     * @param choices that there are
     * @param wished whether one adapter more would give others
     */
    private record Ways(List<Choice> choices, boolean wished) {}

    private Ways ways(Want want) {
        List<Choice> choices = new ArrayList<>();
        boolean more = false;
        for (Port at : want.node.part.body().ports()) {
            for (Carried taken : at.carries()) {
                if (taken.given()
                        || !taken.duty().equals(want.duty)
                        || !rooted.contains(taken.signal().kind())) {
                    continue;
                }
                if (want.node.busy.contains(at.id()) && !at.connector().byPins()) {
                    ride(choices, want, at, taken);
                    continue;
                }
                for (Node giver : nodes) {
                    if (giver != want.node && !hangsOn(giver, want.node)) {
                        from(choices, want, at, taken, giver);
                    }
                }
                for (Part adapter : adapters) {
                    if (gives(adapter, taken.signal().kind())) {
                        if (added.size() < limit) {
                            Part fresh = adapter.withId(adapter.id() + "#" + added.size());
                            from(choices, want, at, taken, new Node(fresh, true));
                        } else {
                            more = true;
                        }
                    }
                }
            }
        }
        return new Ways(choices, more);
    }

    /** By the plug that another want of the part has put into a socket. */
    private void ride(List<Choice> choices, Want want, Port at, Carried taken) {
        for (Choice c : chosen) {
            if (c.wants.getFirst().node == want.node && c.at.id().equals(at.id()) && !c.rides) {
                given(c.from, taken, want.bits)
                        .filter(g -> Cabling.carries(c.path, load(taken, g, want.bits)))
                        .ifPresent(g -> choices.add(new Choice(
                                List.of(want), at, c.giver, c.from, List.of(g), List.of(taken), c.path, 0, true)));
            }
        }
    }

    private boolean gives(Part adapter, Signal.Kind kind) {
        for (Port port : adapter.body().ports()) {
            for (Carried c : port.carries()) {
                if (c.given() && c.signal().kind() == kind && takes(adapter, c.duty(), rooted)) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Whether a part hangs on another, by whatever hubs. */
    private static boolean hangsOn(Node low, Node high) {
        for (Node above : low.above.values()) {
            if (above == high || hangsOn(above, high)) {
                return true;
            }
        }
        return false;
    }

    private void from(List<Choice> choices, Want want, Port at, Carried taken, Node giver) {
        int pairs = giver.part.body().ports().size();
        work += pairs;
        budget.left -= pairs;
        Set<List<Object>> alike = new HashSet<>();
        for (Port from : giver.part.body().ports()) {
            Optional<Carried> given = given(from, taken, want.bits);
            if (given.isEmpty()
                    || !free(giver, from)
                    || !mayPlug(giver, from, want)
                    || !pinsLeft(giver, from, given.get(), taken)
                    || !alike.add(List.of(from.connector(), from.plug(), from.carries(), reserves(giver, from)))) {
                continue;
            }
            List<Want> wants = new ArrayList<>(List.of(want));
            List<Carried> givens = new ArrayList<>(List.of(given.get()));
            List<Carried> takens = new ArrayList<>(List.of(taken));
            together(want, at, from, wants, givens, takens);
            Optional<Choice> all = choice(wants, at, giver, from, givens, takens);
            if (all.isEmpty() && wants.size() > 1) {
                all = choice(List.of(want), at, giver, from, List.of(given.get()), List.of(taken));
            }
            all.ifPresent(choices::add);
        }
    }

    /** Other wants that the same plug could carry. */
    private void together(Want want, Port at, Port from, List<Want> wants, List<Carried> givens, List<Carried> takens) {
        for (Want other : open) {
            if (other.node != want.node || other.equals(want)) {
                continue;
            }
            for (Carried taken : at.carries()) {
                if (taken.takenFor(other.duty)) {
                    given(from, taken, other.bits).ifPresent(g -> {
                        wants.add(other);
                        givens.add(g);
                        takens.add(taken);
                    });
                    break;
                }
            }
        }
    }

    private Optional<Choice> choice(
            List<Want> wants, Port at, Node giver, Port from, List<Carried> givens, List<Carried> takens) {
        List<Cabling.Load> loads = new ArrayList<>();
        double slow = 0;
        for (int i = 0; i < wants.size(); i++) {
            loads.add(load(takens.get(i), givens.get(i), wants.get(i).bits));
            slow += wants.get(i)
                    .slowness(Math.min(
                            givens.get(i).bitsPerSecond(), takens.get(i).bitsPerSecond()));
        }
        double slower = slow;
        boolean fresh = giver.added && !added.contains(giver);
        return cabling.between(from, at, loads, usedCables)
                .map(path -> new Choice(
                        wants,
                        at,
                        giver,
                        from,
                        givens,
                        takens,
                        path,
                        path.cost()
                                + slower
                                + (fresh ? Cabling.cost(giver.part, false) : 0)
                                + (reserves(giver, from).isEmpty() ? 0 : PREFERRED),
                        false));
    }

    private static Cabling.Load load(Carried taken, Carried given, double bits) {
        return new Cabling.Load(taken.signal().kind(), taken.lanes(), bits, Levels.bearsMm(taken, given));
    }

    private static Optional<Carried> given(Port from, Carried taken, double bits) {
        return from.carries().stream()
                .filter(c -> c.given()
                        && c.signal().kind() == taken.signal().kind()
                        && Levels.agree(taken, c)
                        && Math.min(c.bitsPerSecond(), taken.bitsPerSecond()) >= bits)
                .max(Comparator.comparingDouble(Carried::bitsPerSecond));
    }

    private static Set<String> reserves(Node giver, Port from) {
        return giver.reserved.getOrDefault(from.id(), Set.of());
    }

    private static boolean mayPlug(Node giver, Port from, Want want) {
        Set<String> only = reserves(giver, from);
        return only.isEmpty() || only.contains(want.node.part.id());
    }

    /** Whether a header has pins left for one more. */
    private static boolean pinsLeft(Node giver, Port from, Carried given, Carried taken) {
        if (!from.connector().byPins()) {
            return true;
        }
        List<Carried> all = new ArrayList<>(giver.pinned.getOrDefault(from.id(), List.of()));
        all.add(lines(given, taken));
        return PinMap.fits(all, given.pins().isEmpty() ? given.lanes() : 0);
    }

    /** Whether each open want could have a free socket for itself, cables left out. */
    private boolean matched() {
        List<Set<Want>> groups = groups();
        if (groups.isEmpty()) {
            return true;
        }
        // What no adapter could help comes first: where such a group finds no socket, no number of adapters gives it
        // one.
        groups.sort(Comparator.comparingInt(g -> passable(g) ? 1 : 0));
        int helpless = (int) groups.stream().filter(g -> !passable(g)).count();
        List<boolean[]> sockets = new ArrayList<>();
        for (Node node : nodes) {
            for (Port port : node.part.body().ports()) {
                if (!free(node, port) || port.carries().isEmpty()) {
                    continue;
                }
                boolean[] serves = new boolean[groups.size()];
                boolean any = false;
                for (int g = 0; g < serves.length; g++) {
                    for (Want want : groups.get(g)) {
                        serves[g] |= want.node != node && mayPlug(node, port, want) && serves(port, want);
                    }
                    any |= serves[g];
                }
                if (any && port.connector().byPins()) {
                    for (int g = 0; g < serves.length; g++) {
                        if (serves[g]) {
                            groups.get(g).clear();
                        }
                    }
                } else if (any) {
                    sockets.add(serves);
                }
            }
        }
        int[] takenBy = new int[sockets.size()];
        Arrays.fill(takenBy, -1);
        int left = 0;
        for (int g = 0; g < groups.size(); g++) {
            if (groups.get(g).isEmpty() || augment(g, sockets, takenBy, new boolean[sockets.size()])) {
                continue;
            }
            if (g < helpless) {
                return false;
            }
            left++;
        }
        boolean enough = left <= (limit - added.size()) * mostGained;
        wished |= !enough;
        return enough;
    }

    /** Whether an adapter could meet it. */
    private boolean passable(Set<Want> group) {
        return group.stream().anyMatch(this::passable);
    }

    private boolean passable(Want want) {
        return want.node.part.body().ports().stream()
                .flatMap(p -> p.carries().stream())
                .anyMatch(c -> c.takenFor(want.duty)
                        && passed.contains(c.signal().kind())
                        && rooted.contains(c.signal().kind()));
    }

    /** Whether a want can go by a plug that is in its socket already. */
    private boolean rides(Want want) {
        List<Choice> rides = new ArrayList<>();
        for (Port at : want.node.part.body().ports()) {
            if (want.node.busy.contains(at.id())) {
                at.carries().stream().filter(c -> c.takenFor(want.duty)).forEach(c -> ride(rides, want, at, c));
            }
        }
        return !rides.isEmpty();
    }

    /** Open wants that need a socket; those of one part that one plug could carry are one group. */
    private List<Set<Want>> groups() {
        List<Set<Want>> groups = new ArrayList<>();
        for (Want want : open) {
            if (rides(want)) {
                continue;
            }
            Set<Want> mine = new LinkedHashSet<>(List.of(want));
            groups.removeIf(g -> {
                boolean together = g.stream().anyMatch(o -> o.node == want.node && shareSocket(o, want));
                if (together) {
                    mine.addAll(g);
                }
                return together;
            });
            groups.add(mine);
        }
        return groups;
    }

    private static boolean shareSocket(Want a, Want b) {
        for (Port port : a.node.part.body().ports()) {
            boolean forA = false;
            boolean forB = false;
            for (Carried c : port.carries()) {
                forA |= c.takenFor(a.duty);
                forB |= c.takenFor(b.duty);
            }
            if (forA && forB) {
                return true;
            }
        }
        return false;
    }

    private static boolean serves(Port from, Want want) {
        for (Port at : want.node.part.body().ports()) {
            for (Carried c : at.carries()) {
                if (c.takenFor(want.duty) && given(from, c, want.bits).isPresent()) {
                    return true;
                }
            }
        }
        return false;
    }

    private static boolean augment(int group, List<boolean[]> sockets, int[] takenBy, boolean[] seen) {
        for (int s = 0; s < takenBy.length; s++) {
            if (sockets.get(s)[group] && !seen[s]) {
                seen[s] = true;
                if (takenBy[s] < 0 || augment(takenBy[s], sockets, takenBy, seen)) {
                    takenBy[s] = group;
                    return true;
                }
            }
        }
        return false;
    }
}
