package boldsatchel.edit;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Building a power chain, rung by rung. Each attempt gives an edit, or says why it cannot be. */
public final class ChainEdits {

    private ChainEdits() {}

    /**
     * Something to put into a chain.
     *
     * @param name for people
     * @param fresh a part that is not in the build yet and comes with it
     * @param stage what the rung will be; that of a fresh part names it by its id on the shelf
     */
    public record Piece(String name, Optional<Part> fresh, Rung.Stage stage) {

        /** A rung that is no part. */
        public static Piece of(String name, Rung.Stage stage) {
            return new Piece(name, Optional.empty(), stage);
        }

        /** A part of the build. */
        public static Piece of(Part part) {
            return new Piece(part.name(), Optional.empty(), new Rung.OfPart(part.id()));
        }

        /** A part off the shelf. */
        public static Piece fresh(Part part) {
            return new Piece(part.name(), Optional.of(part), new Rung.OfPart(part.id()));
        }

        /** The build with the fresh part in it, and the rung. */
        private Put into(Build build) {
            if (fresh.isEmpty()) {
                return new Put(build, Rung.of(build.freeId(Rung.word(stage)), stage));
            }
            String id = build.freeId(fresh.get().id());
            Build with = build.with(build.parts().and(fresh.get().withId(id)));
            Rung.Stage named = stage instanceof Rung.Charging c
                    ? new Rung.Charging(Optional.of(id), c.store())
                    : new Rung.OfPart(id);
            return new Put(with, Rung.of(with.freeId(Rung.word(named)), named));
        }
    }

    private record Put(Build build, Rung rung) {}

    private static Attempt put(Build build, String name, Piece piece, Function<Put, Build> how) {
        return Attempt.on(build, new Edit(name + " " + piece.name(), b -> how.apply(piece.into(b))));
    }

    /** The piece a charger is, for the pack of the build that it suits; nothing when there is none. */
    public static Optional<Piece> charger(Build build, Part charger, boolean fresh) {
        return charger.facet(Facet.Charges.class)
                .flatMap(c -> build.parts().list().stream()
                        .filter(p -> p.facet(Facet.Cells.class)
                                .filter(cells -> cells.chemistry() == c.chemistry() && cells.series() == c.series())
                                .isPresent())
                        .sorted(java.util.Comparator.comparing(p -> isCharged(build, p)))
                        .findFirst()
                        .map(store -> new Piece(
                                charger.name(),
                                fresh ? Optional.of(charger) : Optional.empty(),
                                new Rung.Charging(Optional.of(charger.id()), store.id()))));
    }

    /** Sockets of a part that give power and have nothing plugged in. */
    public static List<Part.Outlet> freeOutlets(Build build, Part part) {
        Set<String> taken = build.rungs()
                .flatMap(r -> r.stage() instanceof Rung.Socket s && s.part().equals(part.id())
                        ? Stream.of(s.port())
                        : Stream.of())
                .collect(Collectors.toSet());
        return part.outlets().stream()
                .filter(o -> !taken.contains(o.port().id()))
                .toList();
    }

    /** Plugs what hangs on a socket into another one of the same part. */
    public static Edit plug(String rung, String port) {
        return change("the socket", rung, Rung.Socket.class, s -> new Rung.Socket(s.part(), port));
    }

    /**
     * What is hung on a part with sockets goes into one of them: of the free ones the first whose voltage what is hung bears; the first
     * where none does, and a finding will say so.
     */
    private static Rung pluggedInto(Build build, Rung above, Rung hung) {
        Optional<Part> owner = build.partOf(above);
        if (hung.stage() instanceof Rung.Socket
                || owner.isEmpty()
                || owner.get().outlets().isEmpty()) {
            return hung;
        }
        List<Part.Outlet> free = freeOutlets(build, owner.get());
        Optional<Facet.DrawsPower> draws = hung.walk()
                .flatMap(r -> build.partOf(r).stream())
                .flatMap(p -> p.facet(Facet.DrawsPower.class).stream())
                .findFirst();
        return free.stream()
                .filter(o -> o.madeV()
                        .filter(v ->
                                draws.filter(d -> v < d.lowV() || v > d.highV()).isPresent())
                        .isEmpty())
                .findFirst()
                .or(() -> free.stream().findFirst())
                .map(o -> {
                    Rung.Socket socket =
                            new Rung.Socket(owner.get().id(), o.port().id());
                    return Rung.of(build.freeId(Rung.word(socket)), socket, hung);
                })
                .orElse(hung);
    }

    /** Whether all sockets of a part that gives power are taken. */
    private static Optional<String> noSocketLeft(Build build, String rung) {
        return build.rung(rung)
                .flatMap(build::partOf)
                .filter(p -> !p.outlets().isEmpty() && freeOutlets(build, p).isEmpty())
                .map(p ->
                        "All sockets of " + p.name() + " that give power are taken. Hang a hub on one of them, or add a"
                                + " socket to it in its details.");
    }

    /** Whether something in the build fills a store. */
    public static boolean isCharged(Build build, Part store) {
        return build.rungs()
                .anyMatch(r -> r.stage() instanceof Rung.Charging c && c.store().equals(store.id()));
    }

    /** Where a piece goes. */
    public enum Place {
        /** Behind a rung, beside what hangs there. */
        BELOW("below"),
        /** Between a rung and all that it feeds. */
        BETWEEN("between"),
        /** Between a rung and the one that feeds it. */
        ABOVE("above");

        private final String words;

        Place(String words) {
            this.words = words;
        }

        /** As said after the piece and before the rung. */
        public String words() {
            return words;
        }
    }

    /**
     * Puts a piece where it was dropped: a source begins a chain or joins the one it is dropped on, anything else goes to the place asked for.
     *
     * @param at id of the rung it was dropped on; absent for the empty ground
     */
    public static Attempt put(Build build, Piece piece, Optional<String> at, Place place) {
        Optional<Part> part = piece.fresh()
                .or(() -> piece.stage() instanceof Rung.OfPart of ? build.part(of.part()) : Optional.empty());
        boolean source = part.filter(Part::givesPower).isPresent() && piece.stage() instanceof Rung.OfPart;
        if (at.isEmpty()) {
            return source
                    ? start(build, piece)
                    : new Attempt.Refused("A chain begins with a battery, a power bank or a mains adapter. Drop "
                            + piece.name() + " on a rung.");
        }
        String rung = at.get();
        if (source) {
            return build.wiring().chain().stream()
                    .filter(r -> r.walk().anyMatch(x -> x.id().equals(rung)))
                    .findFirst()
                    .map(root -> join(build, root.id(), piece))
                    .orElseGet(() -> start(build, piece));
        }
        boolean charger = part.filter(p -> p.facet(Facet.Charges.class).isPresent()
                        && p.facet(Facet.DrawsPower.class).isEmpty())
                .isPresent();
        if (charger && piece.stage() instanceof Rung.OfPart) {
            return charger(build, part.get(), piece.fresh().isPresent())
                    .map(c -> hang(build, rung, c))
                    .orElseGet(() -> new Attempt.Refused("No pack of the build is of the kind that " + piece.name()
                            + " fills. Add the pack first."));
        }
        return switch (place) {
            case BELOW -> hang(build, rung, piece);
            case BETWEEN -> insertBelow(build, rung, piece);
            case ABOVE -> insertAbove(build, rung, piece);
        };
    }

    /** Rungs that are no parts, as they are usually wanted. */
    public static List<Piece> usual() {
        return List.of(
                Piece.of("wire", wire(22, 150)),
                Piece.of("fuse", fuse(5)),
                Piece.of("switch", slideSwitch(8)),
                Piece.of("plug", connector(5)),
                Piece.of("protection", protection(false, 15)),
                Piece.of("balancer", protection(true, 15)),
                Piece.of("diode", SCHOTTKY),
                Piece.of("ideal diode", IDEAL_DIODE),
                Piece.of("capacitor", new Rung.Capacitor(Figure.guess(0.1))));
    }

    /** Makes a source the first rung of a new chain. */
    public static Attempt start(Build build, Piece source) {
        return put(build, "start a chain at", source, p -> {
            List<Rung> chain = new ArrayList<>(p.build.wiring().chain());
            chain.add(p.rung);
            return p.build.withChain(chain);
        });
    }

    /** Hangs a piece behind a rung, beside what hangs there already. In the row of a joined source it goes between. */
    public static Attempt hang(Build build, String above, Piece piece) {
        boolean inRow = build.rungs()
                .flatMap(r -> r.joined().stream())
                .flatMap(Rung::walk)
                .anyMatch(r -> r.id().equals(above));
        return inRow
                ? insertBelow(build, above, piece)
                : noSocketLeft(build, above)
                        .<Attempt>map(Attempt.Refused::new)
                        .orElseGet(() -> put(build, "hang", piece, p -> hung(p.build, above, p.rung)));
    }

    private static Build hung(Build build, String above, Rung rung) {
        return build.withChain(Chains.with(build.wiring().chain(), above, r -> {
            List<Rung> feeds = new ArrayList<>(r.feeds());
            feeds.add(pluggedInto(build, r, rung));
            return r.feeding(feeds);
        }));
    }

    /** Puts a piece between a rung and all that it feeds. */
    public static Attempt insertBelow(Build build, String above, Piece piece) {
        return put(
                build,
                "insert",
                piece,
                p -> p.build.withChain(Chains.with(
                        p.build.wiring().chain(), above, r -> r.feeding(List.of(p.rung.feeding(r.feeds()))))));
    }

    /** Puts a piece between a rung and the one that feeds it. */
    public static Attempt insertAbove(Build build, String below, Piece piece) {
        boolean first = build.wiring().chain().stream().anyMatch(r -> r.id().equals(below))
                || build.rungs().flatMap(r -> r.joined().stream()).anyMatch(r -> r.id().equals(below));
        if (first) {
            return new Attempt.Refused("Nothing can stand before a source. Insert it below "
                    + build.rung(below).map(r -> r.name(build)).orElse("it") + ".");
        }
        return put(
                build,
                "insert",
                piece,
                p -> p.build.withChain(Chains.with(p.build.wiring().chain(), below, r -> p.rung.feeding(List.of(r)))));
    }

    /** Takes a rung and all that it feeds to another rung. */
    public static Attempt move(Build build, String rung, String to) {
        Optional<Rung> moved = build.rung(rung);
        Optional<Rung> target = build.rung(to);
        if (moved.isEmpty() || target.isEmpty()) {
            return new Attempt.Refused("That rung is not in the chain any more.");
        }
        boolean source = build.partOf(moved.get()).filter(Part::givesPower).isPresent()
                || moved.get().stage() instanceof Rung.Join;
        if (source) {
            return new Attempt.Refused(moved.get().name(build) + " begins its chain. Move what hangs on it instead.");
        }
        if (moved.get().walk().anyMatch(r -> r.id().equals(to))) {
            return new Attempt.Refused(moved.get().name(build) + " cannot hang below itself.");
        }
        if (moved.get().stage() instanceof Rung.Socket) {
            return new Attempt.Refused("A socket stays on its part. Move what is plugged into it instead.");
        }
        Optional<String> full = noSocketLeft(build, to);
        return full.isPresent()
                ? new Attempt.Refused(full.get())
                : Attempt.on(
                        build,
                        new Edit(
                                "move " + moved.get().name(build) + " to "
                                        + target.get().name(build),
                                b -> hung(
                                        b.withChain(Chains.pruned(b.wiring().chain(), r -> r.id().equals(rung))),
                                        to,
                                        moved.get())));
    }

    /** Lets a rung change places with the one that feeds it; what they fed stays where it was. */
    public static Attempt raise(Build build, String rung) {
        Optional<Rung> above = Chains.above(build, rung);
        Optional<Rung> moved = build.rung(rung);
        if (above.isEmpty() || moved.isEmpty()) {
            return new Attempt.Refused("Nothing stands above it.");
        }
        return Attempt.on(
                build,
                new Edit(
                        "raise " + moved.get().name(build),
                        b -> b.withChain(Chains.with(
                                b.wiring().chain(), above.get().id(), r -> {
                                    List<Rung> feeds = new ArrayList<>();
                                    for (Rung fed : r.feeds()) {
                                        feeds.addAll(fed.id().equals(rung) ? fed.feeds() : List.of(fed));
                                    }
                                    return moved.get().feeding(List.of(r.feeding(feeds)));
                                }))));
    }

    /** Lets a rung change places with the only one it feeds. */
    public static Attempt lower(Build build, String rung) {
        return build.rung(rung)
                .filter(r -> r.feeds().size() == 1)
                .map(r -> raise(build, r.feeds().getFirst().id()))
                .orElseGet(() -> new Attempt.Refused("It changes places only with a single rung below it."));
    }

    /** Takes a rung out; what it fed hangs on the rung above. */
    public static Attempt remove(Build build, String rung) {
        Optional<Rung> gone = build.rung(rung);
        if (gone.isEmpty()) {
            return new Attempt.Refused("Select a rung first.");
        }
        if (gone.get().stage() instanceof Rung.Socket) {
            return new Attempt.Refused(
                    "A socket belongs to its part. Move or remove what is plugged into it; the socket's rung goes with it.");
        }
        boolean begins = build.wiring().chain().stream().anyMatch(r -> r.id().equals(rung));
        String name = gone.get().name(build);
        if (build.rungs().flatMap(r -> r.joined().stream()).anyMatch(r -> r.id().equals(rung))) {
            return removeSource(build, rung);
        }
        if (!begins) {
            return Attempt.on(
                    build,
                    new Edit(
                            "remove " + name,
                            b -> b.withChain(Chains.without(b.wiring().chain(), r -> r.id().equals(rung)))));
        }
        return gone.get().feeds().isEmpty()
                ? new Attempt.Allowed(dropChain(name, rung))
                : new Attempt.Refused(
                        name + " begins the chain and feeds all of it. Replace it on the Shelf, or take out"
                                + " the whole chain.");
    }

    /** Takes a whole chain out; its parts stay in the build. */
    public static Edit dropChain(String name, String root) {
        return new Edit(
                "remove the chain of " + name,
                b -> b.withChain(b.wiring().chain().stream()
                        .filter(r -> !r.id().equals(root))
                        .toList()));
    }

    /** Takes a joined source out with its whole row. */
    public static Attempt removeSource(Build build, String source) {
        String name = build.rung(source).map(r -> r.name(build)).orElse("source");
        return Attempt.on(
                build,
                new Edit(
                        "take out the source " + name,
                        b -> b.withChain(Chains.pruned(b.wiring().chain(), r -> r.id().equals(source)))));
    }

    /**
     * Changes what a rung is, as it is then: a wire's gauge, a fuse's rating. A rung that is of another kind by then stays as it is.
     *
     * @param what is changed, for people
     * @param rung its id
     * @param kind what it must be
     */
    public static <S extends Rung.Stage> Edit change(String what, String rung, Class<S> kind, UnaryOperator<S> change) {
        UnaryOperator<Rung> changed = r -> kind.isInstance(r.stage()) ? r.as(change.apply(kind.cast(r.stage()))) : r;
        return new Edit(
                "change " + what, b -> b.withChain(Chains.with(b.wiring().chain(), rung, changed)));
    }

    /**
     * Joins another source to a chain: each source comes by a diode, ahead of everything the first one fed.
     *
     * @param root first rung of the chain
     */
    public static Attempt join(Build build, String root, Piece source) {
        return put(build, "join", source, p -> joined(p.build, root, p.rung));
    }

    private static Build joined(Build build, String root, Rung source) {
        return build.withChain(build.wiring().chain().stream()
                .map(r -> r.id().equals(root) ? joined(build, r, source) : r)
                .toList());
    }

    private static Rung joined(Build build, Rung root, Rung source) {
        Set<String> used = build.rungs().map(Rung::id).collect(Collectors.toCollection(HashSet::new));
        used.add(source.id());
        List<Rung> row = guards(root.sources().getFirst());
        List<Rung.Stage> alike = new ArrayList<>();
        if (build.partOf(root.sources().getFirst()).filter(Part::isSource).isPresent()) {
            row.stream().skip(1).forEach(r -> alike.add(r.stage()));
        }
        alike.add(IDEAL_DIODE);
        Rung added = source.feeding(List.of(line(alike, used)));
        if (root.stage() instanceof Rung.Join join) {
            List<Rung> sources = new ArrayList<>(join.sources());
            sources.add(added);
            return root.as(new Rung.Join(sources));
        }
        Rung own = line(List.of(IDEAL_DIODE), used);
        for (Rung r : row.reversed()) {
            own = r.feeding(List.of(own));
        }
        return new Rung(
                fresh("joint", used),
                new Rung.Join(List.of(own, added)),
                row.getLast().feeds());
    }

    /** A source and its own protection and fuses, which stay with it. */
    private static List<Rung> guards(Rung source) {
        List<Rung> row = new ArrayList<>(List.of(source));
        while (row.getLast().feeds().size() == 1
                && row.getLast().feeds().getFirst().stage() instanceof Rung.Contact c
                && c.kind().trips()) {
            row.add(row.getLast().feeds().getFirst());
        }
        return row;
    }

    /** Stages as rungs in a row. */
    private static Rung line(List<Rung.Stage> stages, Set<String> used) {
        List<Rung> behind = List.of();
        for (Rung.Stage stage : stages.reversed()) {
            behind = List.of(new Rung(fresh(Rung.word(stage), used), stage, behind));
        }
        return behind.getFirst();
    }

    private static String fresh(String wish, Set<String> used) {
        String id = wish;
        for (int n = 2; !used.add(id); n++) {
            id = wish + "-" + n;
        }
        return id;
    }

    /** A transistor that conducts one way only, with next to no loss. */
    public static final Rung.Diode IDEAL_DIODE = new Rung.Diode(Figure.dataSheet(0), Figure.dataSheet(0.015), 8);

    /** A Schottky diode. */
    public static final Rung.Diode SCHOTTKY = new Rung.Diode(Figure.dataSheet(0.30), Figure.dataSheet(0.04), 5);

    /** A fuse of a rating; the resistance is usual for blade and glass fuses, a guess. */
    public static Rung.Contact fuse(double ratedA) {
        return new Rung.Contact(Rung.ContactKind.FUSE, Figure.guess(0.075 / ratedA), ratedA);
    }

    /** A sliding switch. */
    public static Rung.Contact slideSwitch(double ratedA) {
        return new Rung.Contact(Rung.ContactKind.SWITCH, Figure.guess(0.015), ratedA);
    }

    /** A protection board, with or without balancing. */
    public static Rung.Contact protection(boolean balancing, double ratedA) {
        return new Rung.Contact(
                balancing ? Rung.ContactKind.BALANCER : Rung.ContactKind.PROTECTION, Figure.guess(0.012), ratedA);
    }

    /** A plug and socket. */
    public static Rung.Contact connector(double ratedA) {
        return new Rung.Contact(Rung.ContactKind.CONNECTOR, Figure.guess(0.020), ratedA);
    }

    /** A pair of wires, red and black, sleeved. */
    public static Rung.Wire wire(int awg, double lengthMm) {
        return new Rung.Wire(awg, lengthMm, Optional.of(Rung.Finish.USUAL));
    }
}
