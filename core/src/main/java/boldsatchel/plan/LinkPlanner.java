package boldsatchel.plan;

import boldsatchel.edit.Attempt;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.links.LinksEngine;
import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Family;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.shelf.Picks;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Connects what needs something to what gives it, with cables, hubs and adapters off the shelf: fewest pieces, then least money, then least
 * mass. What is plugged in stays where it is; where that leaves no answer, all is planned anew. Parts whose needs cannot be met together are
 * named by a smallest set: without any one of them the others could be connected.
 */
public final class LinkPlanner {

    private LinkPlanner() {}

    /**
     * What is proposed.
     *
     * @param edit that does it; absent where nothing is to be done
     * @param reasons one sentence a need
     * @param stuck sets of parts that are in each other's way; of one part, where nothing gives what it needs
     * @param proved whether it is certain that these cannot be connected
     */
    public record Proposal(Optional<Edit> edit, List<String> reasons, List<List<String>> stuck, boolean proved) {
        /** Copies the lists. */
        public Proposal {
            reasons = List.copyOf(reasons);
            stuck = stuck.stream().map(List::copyOf).toList();
        }

        /** Whether all needs are met by it. */
        public boolean whole() {
            return stuck.isEmpty();
        }
    }

    /** Connects all open needs of a build from the shipped shelf. */
    public static Proposal connect(Build build) {
        return connect(build, Picks.shelf().parts());
    }

    /**
     * Connects all open needs of a build.
     *
     * @param shelf cables, hubs and adapters to take from; what is no such thing is left there
     */
    public static Proposal connect(Build build, List<Part> shelf) {
        List<Need> open = LinksEngine.evaluate(build).open();
        if (open.isEmpty()) {
            return new Proposal(Optional.empty(), List.of(), List.of(), true);
        }
        Set<String> wrong = open.stream()
                .filter(n -> n.why() != Need.Why.UNPLUGGED)
                .map(Need::part)
                .collect(Collectors.toSet());
        Try kept = new Try(build, b -> unplugged(b, wrong), shelf);
        Proposal first = kept.asManyAsCan();
        if (first.whole() || build.wiring().links().isEmpty()) {
            return first;
        }
        Proposal anew = new Try(build, b -> b.with(b.wiring().withLinks(List.of())), shelf).asManyAsCan();
        return anew.whole() ? anew : new Proposal(first.edit(), first.reasons(), anew.stuck(), anew.proved());
    }

    /**
     * A build with what some parts are plugged into unplugged, cables and all, so that it can be planned anew; the cables stay in the build.
     */
    public static Build unplugged(Build build, Set<String> parts) {
        return unplugged(build, parts, Link.End.of("", ""));
    }

    private static Build unplugged(Build build, Set<String> parts, Link.End socket) {
        Set<String> gone = new HashSet<>();
        Set<String> loose = new HashSet<>(parts);
        for (boolean more = true; more; ) {
            more = false;
            for (Link link : build.wiring().links()) {
                boolean hangs =
                        link.ends().anyMatch(e -> loose.contains(e.part()) || e.is(socket.part(), socket.port()));
                if (hangs && gone.add(link.id())) {
                    more = true;
                    link.ends()
                            .map(Link.End::part)
                            .filter(id -> build.part(id).filter(Part::isLed).isPresent())
                            .forEach(loose::add);
                }
            }
        }
        return build.with(build.wiring()
                .withLinks(build.wiring().links().stream()
                        .filter(l -> !gone.contains(l.id()))
                        .toList()));
    }

    /** Whether a part can be added to connect others: it passes signals on and does nothing else. */
    private static boolean isAdapter(Part part) {
        boolean passes = false;
        for (Port port : part.body().ports()) {
            for (Carried c : port.carries()) {
                passes |= c.given() && !c.duty().isEmpty();
                if (c.given() && c.duty().isEmpty()) {
                    return false;
                }
            }
        }
        return passes
                && (part.family() == Family.CABLE || part.family() == Family.HUB || part.family() == Family.SCREEN);
    }

    /** Pairs of sockets that are compared to prove what is in each other's way: a few seconds. */
    private static final long MOST_PROVING = 4_000_000;

    /** And to find as many as can be, where that was not enough. */
    private static final long MOST_GROWING = 4_000_000;

    /** One build that connections are looked for in. */
    private static final class Try {
        private final UnaryOperator<Build> unplug;
        private final Build build;
        private final List<Part> adapters;
        private final List<Part> cables;
        private final List<Part> ownCables;
        private final LinksResult now;

        Try(Build before, UnaryOperator<Build> unplug, List<Part> shelf) {
            this.unplug = unplug;
            build = unplug.apply(before);
            adapters = shelf.stream().filter(LinkPlanner::isAdapter).toList();
            cables = shelf.stream().filter(Part::isLed).toList();
            ownCables = spare(build);
            now = LinksEngine.evaluate(build);
        }

        Set<String> needing() {
            return now.open().stream().map(Need::part).collect(Collectors.toCollection(LinkedHashSet::new));
        }

        /** Leaves out as few as it takes, and says which sets are in each other's way. */
        Proposal asManyAsCan() {
            Set<String> left = needing();
            List<List<String>> stuck = new ArrayList<>();
            boolean proved = true;
            LinkSearch.Budget budget = new LinkSearch.Budget(MOST_PROVING);
            LinkSearch.Outcome outcome = meet(left, budget);
            while (outcome.answer().isEmpty() && !budget.spent()) {
                proved &= outcome.proved();
                List<String> set = new ArrayList<>(left);
                for (String part : left) {
                    Set<String> without = new LinkedHashSet<>(set);
                    without.remove(part);
                    LinkSearch.Outcome tried = meet(without, budget);
                    if (tried.answer().isEmpty()) {
                        proved &= tried.proved();
                        set.remove(part);
                    }
                }
                if (!budget.spent()) {
                    stuck.add(set);
                    left.remove(set.getLast());
                    outcome = meet(left, budget);
                }
            }
            return outcome.answer().isPresent() ? proposal(outcome, stuck, proved) : grown(left, stuck);
        }

        /** Where proving takes too long: as many as are found by adding halves of what is left, and the rest is said to be stuck. */
        private Proposal grown(Set<String> wanted, List<List<String>> stuck) {
            LinkSearch.Budget budget = new LinkSearch.Budget(MOST_GROWING);
            Set<String> kept = new LinkedHashSet<>();
            LinkSearch.Outcome best = meet(kept, budget);
            Deque<List<String>> toTry = new ArrayDeque<>(List.of(List.copyOf(wanted)));
            while (!toTry.isEmpty() && !budget.spent()) {
                List<String> some = toTry.pop();
                Set<String> more = new LinkedHashSet<>(kept);
                more.addAll(some);
                LinkSearch.Outcome outcome = meet(more, budget);
                if (outcome.answer().isPresent()) {
                    kept = more;
                    best = outcome;
                } else if (some.size() > 1) {
                    toTry.push(some.subList(some.size() / 2, some.size()));
                    toTry.push(some.subList(0, some.size() / 2));
                }
            }
            List<String> rest = new ArrayList<>(wanted);
            rest.removeAll(kept);
            List<List<String>> all = new ArrayList<>(stuck);
            if (!rest.isEmpty()) {
                all.add(rest);
            }
            return proposal(best, all, false);
        }

        private LinkSearch.Outcome meet(Set<String> parts, LinkSearch.Budget budget) {
            Map<String, LinkSearch.Node> nodes = nodes();
            List<LinkSearch.Want> wants = new ArrayList<>();
            for (Need need : now.open()) {
                LinkSearch.Node node = nodes.get(need.part());
                if (node != null && parts.contains(need.part())) {
                    boolean picture =
                            build.part(need.part()).filter(Part::isScreen).isPresent();
                    wants.add(new LinkSearch.Want(node, need.duty(), picture ? need.wantsBits() : 0, need.wantsBits()));
                }
            }
            return new LinkSearch(List.copyOf(nodes.values()), adapters, new Cabling(ownCables, cables), budget)
                    .meet(wants);
        }

        private Map<String, LinkSearch.Node> nodes() {
            Map<String, LinkSearch.Node> nodes = new LinkedHashMap<>();
            for (Part part : build.parts().list()) {
                if (!part.isLed() && !part.body().ports().isEmpty()) {
                    nodes.put(part.id(), new LinkSearch.Node(part, false));
                }
            }
            for (Link link : build.wiring().links()) {
                link.ends()
                        .forEach(e -> Optional.ofNullable(nodes.get(e.part())).ifPresent(n -> n.busy.add(e.port())));
            }
            for (Need need : now.needs()) {
                need.route().stream().flatMap(r -> r.hops().stream()).forEach(hop -> {
                    LinkSearch.Node giver = nodes.get(hop.giver().part());
                    if (giver != null && !hop.given().pins().isEmpty()) {
                        giver.pinned
                                .computeIfAbsent(hop.giver().port(), f -> new ArrayList<>())
                                .add(LinkSearch.lines(hop.given(), hop.taken()));
                    }
                });
            }
            for (Need passing : now.passing()) {
                LinkSearch.Node node = nodes.get(passing.part());
                if (node != null && !passing.open()) {
                    node.fed.add(passing.duty());
                }
            }
            build.rungs()
                    .filter(r -> r.stage() instanceof Rung.Socket)
                    .forEach(r -> reserve(nodes, r, (Rung.Socket) r.stage()));
            return nodes;
        }

        private static void reserve(Map<String, LinkSearch.Node> nodes, Rung rung, Rung.Socket socket) {
            LinkSearch.Node node = nodes.get(socket.part());
            if (node != null) {
                Set<String> fed = rung.walk()
                        .flatMap(r -> r.part().stream())
                        .filter(id -> !id.equals(socket.part()))
                        .collect(Collectors.toSet());
                if (!fed.isEmpty()) {
                    node.reserved.put(socket.port(), fed);
                }
            }
        }

        Proposal proposal(LinkSearch.Outcome outcome, List<List<String>> stuck, boolean proved) {
            Optional<LinkSearch.Answer> answer =
                    outcome.answer().filter(a -> !a.choices().isEmpty());
            return new Proposal(
                    answer.map(a -> new Edit("connect what needs it", b -> done(unplug.apply(b), a))),
                    answer.map(Try::reasons).orElse(List.of()),
                    stuck,
                    proved);
        }

        /** A build with the answer's parts and links; a socket that it no longer has stays unplugged. */
        private static Build done(Build before, LinkSearch.Answer answer) {
            Build made = before;
            Map<LinkSearch.Node, String> ids = new HashMap<>();
            for (LinkSearch.Node node : answer.added()) {
                String shelfId = node.part.id().substring(0, node.part.id().indexOf('#'));
                String id = made.freeId(shelfId);
                ids.put(node, id);
                made = made.with(made.parts().and(node.part.withId(id)));
            }
            for (LinkSearch.Choice choice : answer.choices()) {
                if (!choice.rides()) {
                    LinkSearch.Node node = choice.wants().getFirst().node();
                    made = laid(
                            made,
                            Link.End.of(
                                    ids.getOrDefault(
                                            choice.giver(), choice.giver().part.id()),
                                    choice.from().id()),
                            Link.End.of(
                                    ids.getOrDefault(node, node.part.id()),
                                    choice.at().id()),
                            choice.path().pieces());
                }
            }
            return made;
        }

        private static List<String> reasons(LinkSearch.Answer answer) {
            return answer.choices().stream()
                    .map(c -> {
                        String by = c.rides()
                                ? "by the same plug, from"
                                : c.path().pieces().isEmpty()
                                        ? c.from().plug() ? "its socket takes" : "straight into"
                                        : "by "
                                                + c.path().pieces().stream()
                                                        .map(p -> p.cable().name())
                                                        .collect(Collectors.joining(", then "))
                                                + ", from";
                        String what =
                                c.wants().stream().map(LinkSearch.Want::duty).collect(Collectors.joining(" and "));
                        return c.wants().getFirst().node().part.name() + ", " + what + ": " + by + " “"
                                + c.from().words() + "” of " + c.giver().part.name() + ".";
                    })
                    .toList();
        }
    }

    /**
     * Joins two sockets by hand, with the cheapest cable of the build or the shelf that carries what the one gives and the other takes. What
     * was plugged into the socket that takes comes out first. Refused in words where they have nothing to say to each other, where the
     * giving socket is taken, or where no cable fits.
     */
    public static Attempt join(Build build, Link.End one, Link.End other, List<Part> shelf) {
        Optional<Port> a = port(build, one);
        Optional<Port> b = port(build, other);
        if (a.isEmpty() || b.isEmpty()) {
            return new Attempt.Refused("That socket is not there any more. Choose another.");
        }
        boolean forward = talks(a.get(), b.get());
        if (!forward && !talks(b.get(), a.get())) {
            return new Attempt.Refused(
                    "“" + a.get().words() + "” and “" + b.get().words()
                            + "” have nothing to say to each other: neither gives what the other takes. Choose another socket.");
        }
        Link.End giver = forward ? one : other;
        Link.End taker = forward ? other : one;
        Build bare = unplugged(build, Set.of(), taker);
        Port from = forward ? a.get() : b.get();
        Port to = forward ? b.get() : a.get();
        if (!from.connector().byPins()
                && bare.wiring().links().stream().flatMap(Link::ends).anyMatch(e -> e.is(giver.part(), giver.port()))) {
            return new Attempt.Refused("“" + from.words() + "” of " + name(build, giver)
                    + " is taken. Unplug what is in it first, or use another.");
        }
        Optional<Cabling.Path> path = new Cabling(spare(bare), shelf).between(from, to, loads(from, to), Set.of());
        if (path.isEmpty()) {
            return new Attempt.Refused("No cable of yours or on the shelf leads from "
                    + from.connector().words() + " to " + to.connector().words()
                    + " and carries that. An adapter or another socket may do; try “Connect for me”.");
        }
        return new Attempt.Allowed(new Edit(
                "plug " + name(build, taker) + " into “" + from.words() + "”",
                later -> laid(
                        unplugged(later, Set.of(), taker),
                        giver,
                        taker,
                        path.get().pieces())));
    }

    /** Sockets of other parts that give what a need wants. */
    public static List<Link.End> givers(Build build, Need need) {
        return build.parts().list().stream()
                .filter(p -> !p.id().equals(need.part()))
                .flatMap(part -> part.body().ports().stream()
                        .filter(port -> port.gives(need.kinds()))
                        .map(port -> Link.End.of(part.id(), port.id())))
                .toList();
    }

    /** Meets a need by hand from a socket, by whichever socket of its part goes with it. */
    public static Attempt plug(Build build, Need need, Link.End giver, List<Part> shelf) {
        return build.part(need.part()).stream()
                .flatMap(p -> p.body().ports().stream())
                .filter(p -> p.takes(need.duty()))
                .map(p -> join(build, Link.End.of(need.part(), p.id()), giver, shelf))
                .reduce((a, b) -> a.allowed().isPresent() ? a : b)
                .orElse(new Attempt.Refused("It has no socket for that."));
    }

    private static Optional<Port> port(Build build, Link.End end) {
        return build.part(end.part()).flatMap(p -> p.port(end.port()));
    }

    private static String name(Build build, Link.End end) {
        return build.part(end.part()).map(Part::name).orElse(end.part());
    }

    /** A build with a run of cables from one socket to another; a socket that is gone meanwhile stays unplugged. */
    private static Build laid(Build build, Link.End giver, Link.End taker, List<Cabling.Piece> pieces) {
        Build made = build;
        List<Link> links = new ArrayList<>(build.wiring().links());
        Set<String> taken = links.stream().map(Link::id).collect(Collectors.toCollection(HashSet::new));
        Link.End at = giver;
        List<Link> run = new ArrayList<>();
        for (Cabling.Piece piece : pieces) {
            String cable = piece.cable().id();
            if (!piece.own() || made.part(cable).isEmpty()) {
                cable = made.freeId(cable);
                made = made.with(made.parts().and(piece.cable().withId(cable)));
            }
            run.add(new Link(free(taken), at, Link.End.of(cable, piece.near().id())));
            at = Link.End.of(cable, piece.far().id());
        }
        run.add(new Link(free(taken), at, taker));
        Build with = made;
        if (!run.stream().allMatch(l -> LinksEngine.holds(with, l))) {
            return build;
        }
        links.addAll(run);
        return with.with(with.wiring().withLinks(links));
    }

    private static String free(Set<String> taken) {
        int n = taken.size() + 1;
        while (!taken.add("link-" + n)) {
            n++;
        }
        return "link-" + n;
    }

    /** Whether one socket gives something that the other takes. */
    private static boolean talks(Port from, Port to) {
        return !loads(from, to).isEmpty();
    }

    private static List<Cabling.Load> loads(Port from, Port to) {
        return to.carries().stream()
                .filter(t -> !t.given())
                .flatMap(t -> from.carries().stream()
                        .filter(g ->
                                g.given() && g.signal().kind() == t.signal().kind())
                        .limit(1)
                        .map(g -> new Cabling.Load(t.signal().kind(), t.lanes(), 0, Double.POSITIVE_INFINITY)))
                .toList();
    }

    /** Cables of a build that nothing hangs on. */
    private static List<Part> spare(Build build) {
        Set<String> plugged = build.wiring().links().stream()
                .flatMap(Link::ends)
                .map(Link.End::part)
                .collect(Collectors.toSet());
        return build.parts().list().stream()
                .filter(p -> p.isLed() && !plugged.contains(p.id()))
                .toList();
    }

    /** Unplugs what is in a socket, with the cables that then hang on one side only; they stay in the build. */
    public static Edit unplug(Part part, Port port) {
        return new Edit(
                "unplug “" + port.words() + "” of " + part.name(),
                b -> unplugged(b, Set.of(), Link.End.of(part.id(), port.id())));
    }

    /** Plans the links of one part anew; where that does not help, all links. */
    public static Optional<Edit> replug(Build build, String part, Predicate<LinksResult> cured) {
        List<Part> shelf = Picks.shelf().parts();
        return Stream.<UnaryOperator<Build>>of(
                        b -> unplugged(b, Set.of(part)), b -> b.with(b.wiring().withLinks(List.of())))
                .map(unplug -> new Try(build, unplug, shelf).asManyAsCan())
                .flatMap(p -> p.edit().stream())
                .filter(e -> cured.test(LinksEngine.evaluate(e.change().apply(build))))
                .findFirst()
                .map(e -> new Edit("plug in otherwise", e.change()));
    }

    /** More parts are not tried for a need: each is a search. */
    private static final int MOST_HELPERS = 8;

    /** As many parts one behind the other are added for one need: a sound adapter, and an amplifier behind it. */
    private static final int MOST_ADDED = 2;

    /**
     * Parts that help.
     *
     * @param parts off the shelf
     * @param edit that adds and connects them
     */
    public record Helper(List<Part> parts, Edit edit) {
        /** Copies the list. */
        public Helper {
            parts = List.copyOf(parts);
        }
    }

    /**
     * The cheapest part off the shelf which gives what a need wants, with all that it needs itself and all that connects it; nothing where
     * no part on the shelf does.
     */
    public static Optional<Helper> helper(Build build, Need need) {
        for (int most = 1; most <= MOST_ADDED; most++) {
            int parts = most;
            Optional<List<Part>> added = helpers(build, need, need, parts);
            if (added.isPresent()) {
                List<Part> all = added.get();
                return Optional.of(new Helper(
                        all,
                        new Edit(
                                "add and connect " + all.getFirst().name(),
                                b -> LinkPlanner.with(b, all, Picks.shelf().parts()))));
            }
        }
        return Optional.empty();
    }

    private static Optional<List<Part>> helpers(Build build, Need need, Need wanted, int most) {
        List<Part> shelf = Picks.shelf().parts();
        List<Part> able = shelf.stream()
                .filter(p -> !p.isLed() && !p.family().computes() && gives(p, wanted))
                .sorted(Comparator.comparingDouble(p -> p.price().value()))
                .limit(MOST_HELPERS)
                .toList();
        for (Part part : able) {
            Build with = with(build, List.of(part), shelf);
            LinksResult links = LinksEngine.evaluate(with);
            if (!links.leavesOpen(need)) {
                return Optional.of(List.of(part));
            }
            Optional<Need> next = links.passing().stream()
                    .filter(n -> n.open() && build.part(n.part()).isEmpty())
                    .findFirst();
            if (most > 1 && next.isPresent()) {
                Optional<List<Part>> rest = helpers(with, need, next.get(), most - 1);
                if (rest.isPresent()) {
                    return Optional.of(
                            Stream.concat(Stream.of(part), rest.get().stream()).toList());
                }
            }
        }
        return Optional.empty();
    }

    private static boolean gives(Part part, Need need) {
        return part.body().ports().stream().anyMatch(p -> p.gives(need.kinds()));
    }

    /**
     * The cheapest part off the shelf of some kind that can be connected and cures something.
     *
     * @param which parts come into question
     * @param cured by the build with it
     */
    public static Optional<Helper> adding(Build build, Predicate<Part> which, Predicate<Build> cured) {
        List<Part> shelf = Picks.shelf().parts();
        int open = LinksEngine.evaluate(build).open().size();
        return shelf.stream()
                .filter(p -> !p.isLed() && !p.family().computes() && which.test(p))
                .sorted(Comparator.comparingDouble(p -> p.price().value()))
                .limit(MOST_HELPERS)
                .filter(p -> {
                    Build with = with(build, List.of(p), shelf);
                    return LinksEngine.evaluate(with).open().size() <= open && cured.test(with);
                })
                .findFirst()
                .map(p -> new Helper(
                        List.of(p), new Edit("add and connect " + p.name(), b -> with(b, List.of(p), shelf))));
    }

    /** The cheapest part off the shelf of a part's family that talks in its place and cures something. */
    public static Optional<Helper> swapping(Build build, Part part, Predicate<Build> cured) {
        List<Part> shelf = Picks.shelf().parts();
        int open = LinksEngine.evaluate(build).open().size();
        return shelf.stream()
                .filter(p -> p.family() == part.family() && !p.name().equals(part.name()))
                .sorted(Comparator.comparingDouble(p -> p.price().value()))
                .limit(MOST_HELPERS)
                .filter(p -> {
                    Build with = swapped(build, part, p, shelf);
                    return LinksEngine.evaluate(with).open().size() <= open && cured.test(with);
                })
                .findFirst()
                .map(p -> new Helper(List.of(p), swap(part, p, shelf)));
    }

    private static Build swapped(Build build, Part part, Part by, List<Part> shelf) {
        Build loose = unplugged(Edits.replacePart(part, by).change().apply(build), Set.of(part.id()));
        return connect(loose, shelf).edit().map(e -> e.change().apply(loose)).orElse(loose);
    }

    /** A build with more parts, connected. */
    private static Build with(Build build, List<Part> parts, List<Part> shelf) {
        Build now = build;
        for (Part part : parts) {
            now = now.with(now.parts().and(part.withId(now.freeId(part.id()))));
        }
        Build with = now;
        return connect(with, shelf).edit().map(e -> e.change().apply(with)).orElse(with);
    }

    /** Parts off a shelf that could stand in for one so that everything still talks. */
    public static Stream<Part> substitutes(Build build, Part part, List<Part> shelf) {
        Build loose = unplugged(build, Set.of(part.id()));
        return shelf.stream()
                .filter(p -> p.family() == part.family()
                        && !p.isLed()
                        && !p.name().equals(part.name())
                        && connect(loose.with(p.withId(part.id())), shelf).whole());
    }

    /** Takes another part in the place of one and connects it. */
    public static Edit swap(Part part, Part by, List<Part> shelf) {
        return new Edit("take " + by.name() + " for " + part.name(), b -> swapped(b, part, by, shelf));
    }
}
