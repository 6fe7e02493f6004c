package boldsatchel.machine;

import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

/**
 * One rung of the power chain and all that it feeds. The first rung of a chain is a source; loads end it.
 *
 * @param id unique in the build
 * @param stage what it is
 * @param feeds the rungs behind it
 */
public record Rung(
        @Label(value = "id", needed = true) String id,
        @Label(value = "what it is", needed = true) Stage stage,
        @Label("feeds") List<Rung> feeds) {

    /** What a rung is. */
    public sealed interface Stage {}

    /**
     * A part of the build: source, converter or load, by its facets.
     *
     * @param part its id
     */
    public record OfPart(
            @Label(value = "part", needed = true) String part) implements Stage {}

    /**
     * A socket of the part above, through which it feeds what is plugged in.
     *
     * @param part id of the part above
     * @param port name of the socket
     */
    public record Socket(
            @Label(value = "part", needed = true) String part,
            @Label(value = "socket", needed = true) String port) implements Stage {}

    /**
     * A pair of copper wires.
     *
     * @param awg gauge number, 0 to 40
     * @param lengthMm one way
     * @param finish colours and joints, once they are known
     * @param readyMade whether it is a cable as bought, whose copper nobody chose
     */
    public record Wire(
            @Label(value = "gauge", absent = 24, least = 0, most = 40)
            int awg,

            @Label(value = "length, one way", in = Quantity.LENGTH, absent = 100, least = 0)
            double lengthMm,

            @Label("colours and joints") Optional<Finish> finish,
            @Label("a ready-made cable") boolean readyMade)
            implements Stage {
        /** A pair of wires of which nothing more is known. */
        public Wire(int awg, double lengthMm) {
            this(awg, lengthMm, Optional.empty());
        }

        /** A pair of wires that was made up by hand. */
        public Wire(int awg, double lengthMm, Optional<Finish> finish) {
            this(awg, lengthMm, finish, false);
        }

        /** The same wire with other colours and joints; the usual ones where none were said. */
        public Wire finished(UnaryOperator<Finish> change) {
            return new Wire(awg, lengthMm, Optional.of(change.apply(finish.orElse(Finish.USUAL))), readyMade);
        }

        /** The same pair in another gauge. */
        public Wire gauge(int newAwg) {
            return new Wire(newAwg, lengthMm, finish, readyMade);
        }
    }

    /**
     * How a pair of wires is made up.
     *
     * @param plus colour of the plus wire
     * @param minus colour of the minus wire
     * @param sleeved whether each joint is insulated and held against pull
     */
    public record Finish(
            @Label("plus") String plus,
            @Label("minus") String minus,
            @Label("joints sleeved and held") boolean sleeved) {
        /** Red and black, sleeved. */
        public static final Finish USUAL = new Finish("red", "black", true);

        /** The same with another plus wire. */
        public Finish plus(String colour) {
            return new Finish(colour, minus, sleeved);
        }

        /** The same with another minus wire. */
        public Finish minus(String colour) {
            return new Finish(plus, colour, sleeved);
        }

        /** The same with its joints sleeved and held, or not. */
        public Finish sleeved(boolean is) {
            return new Finish(plus, minus, is);
        }

        /** Whether plus and minus can be told apart. */
        public boolean toldApart() {
            return !plus.strip().equalsIgnoreCase(minus.strip());
        }
    }

    /** What a contact is. */
    public enum ContactKind {
        /** Fuse. */
        FUSE("fuse"),
        /** Switch that stays where it is put: sliding, rocking or guarded. */
        SWITCH("switch"),
        /** Switch that a push turns on, in a bag too. */
        BUTTON("push-button"),
        /** Plug and socket. */
        CONNECTOR("connector"),
        /** Protection board: ends the discharge and trips on over-current. */
        PROTECTION("protection"),
        /** Protection board that also keeps the cells in series at one voltage. */
        BALANCER("balancing protection");

        private final String words;

        ContactKind(String words) {
            this.words = words;
        }

        /** As written in a sentence. */
        public String words() {
            return words;
        }

        /** Whether it opens by itself on too much current. */
        public boolean trips() {
            return this == FUSE || protects();
        }

        /** Whether it ends the discharge before the cells are harmed. */
        public boolean protects() {
            return this == PROTECTION || this == BALANCER;
        }

        /** Whether it cuts what is behind it off when the machine is off. */
        public boolean opens() {
            return this == SWITCH || this == BUTTON;
        }
    }

    /**
     * Something current passes through with a little loss.
     *
     * @param kind what it is
     * @param ohms its resistance
     * @param ratedA the most current it is made for
     */
    public record Contact(
            @Label("kind") ContactKind kind,

            @Label(value = "resistance", in = Quantity.RESISTANCE, absent = 0.01)
            Figure ohms,

            @Label(value = "rated for", in = Quantity.CURRENT, absent = 3)
            double ratedA)
            implements Stage {
        /** The same contact as another kind. */
        public Contact as(ContactKind newKind) {
            return new Contact(newKind, ohms, ratedA);
        }

        /** The same contact for another current. */
        public Contact rated(double newRatedA) {
            return new Contact(kind, ohms, newRatedA);
        }
    }

    /**
     * A diode.
     *
     * @param kneeV voltage lost at any current
     * @param ohms and what is lost with current
     * @param ratedA the most current it is made for
     */
    public record Diode(
            @Label(value = "knee voltage", in = Quantity.VOLTAGE, absent = 0.3)
            Figure kneeV,

            @Label(value = "resistance", in = Quantity.RESISTANCE, absent = 0.04)
            Figure ohms,

            @Label(value = "rated for", in = Quantity.CURRENT, absent = 3)
            double ratedA)
            implements Stage {}

    /**
     * A capacitor across a rail, which bridges a gap in the supply.
     *
     * @param farads its capacity
     */
    public record Capacitor(
            @Label(value = "capacity", in = Quantity.CAPACITANCE, absent = 0.001)
            Figure farads) implements Stage {}

    /**
     * Fills a store of the build from the supply it hangs on.
     *
     * @param charger part that does it; absent when the store has a charger of its own
     * @param store part that is filled
     */
    public record Charging(
            @Label("charger") Optional<String> charger,
            @Label(value = "fills", needed = true) String store) implements Stage {}

    /**
     * Several sources on one rail. Each comes by its own row of rungs; a diode in the row keeps one source from feeding another.
     *
     * @param sources one row each, from the source down; no rung of a row feeds more than one other
     */
    public record Join(@Label("sources") List<Rung> sources) implements Stage {
        /** Copies the list. */
        public Join {
            sources = List.copyOf(sources);
        }
    }

    /** Copies the list. */
    public Rung {
        feeds = List.copyOf(feeds);
    }

    /** A rung that ends the chain. */
    public static Rung of(String id, Stage stage, Rung... feeds) {
        return new Rung(id, stage, List.of(feeds));
    }

    /** This rung, the sources it joins and all below it. */
    public Stream<Rung> walk() {
        List<Rung> all = new ArrayList<>();
        gather(all);
        return all.stream();
    }

    private void gather(List<Rung> all) {
        all.add(this);
        gather(joined(), all);
        gather(feeds, all);
    }

    private static void gather(List<Rung> rungs, List<Rung> all) {
        for (int i = 0; i < rungs.size(); i++) {
            rungs.get(i).gather(all);
        }
    }

    /** The rung with an id, this one or one below it. */
    public Optional<Rung> find(String wanted) {
        if (id.equals(wanted)) {
            return Optional.of(this);
        }
        Optional<Rung> found = find(joined(), wanted);
        return found.isPresent() ? found : find(feeds, wanted);
    }

    /** The first rung of a part, this one or one below it. */
    public Optional<Rung> ofPart(String part) {
        return walk().filter(r -> r.part().filter(part::equals).isPresent()).findFirst();
    }

    /** The rungs from this one down to a part's, both included; empty when it is not below. */
    public List<Rung> pathToPart(String part) {
        return ofPart(part).map(r -> pathTo(r.id())).orElse(List.of());
    }

    /** The rung with an id in several trees. */
    static Optional<Rung> find(List<Rung> trees, String wanted) {
        for (Rung tree : trees) {
            Optional<Rung> found = tree.find(wanted);
            if (found.isPresent()) {
                return found;
            }
        }
        return Optional.empty();
    }

    /** The rows of sources it joins; empty for every other rung. */
    public List<Rung> joined() {
        return stage instanceof Join join ? join.sources() : List.of();
    }

    /** First rungs of all sources of the chain that begins with this rung: itself, or those it joins. */
    public List<Rung> sources() {
        return stage instanceof Join join ? join.sources() : List.of(this);
    }

    /** This rung and what follows it in a row, as far as each feeds just one other. */
    public List<Rung> row() {
        List<Rung> row = new ArrayList<>(List.of(this));
        while (row.getLast().feeds().size() == 1) {
            row.add(row.getLast().feeds().getFirst());
        }
        return row;
    }

    /** The rungs from this one down to another, both included; empty when it is not below. */
    public List<Rung> pathTo(String other) {
        List<Rung> up = new ArrayList<>();
        if (!climbs(other, up)) {
            return List.of();
        }
        Collections.reverse(up);
        return up;
    }

    /** Gathers the rungs from another one up to this one; whether it is below at all. */
    private boolean climbs(String other, List<Rung> up) {
        if (id.equals(other) || climbs(joined(), other, up) || climbs(feeds, other, up)) {
            up.add(this);
            return true;
        }
        return false;
    }

    private static boolean climbs(List<Rung> rungs, String other, List<Rung> up) {
        for (int i = 0; i < rungs.size(); i++) {
            if (rungs.get(i).climbs(other, up)) {
                return true;
            }
        }
        return false;
    }

    /** The part it is, if it is one. */
    public Optional<String> part() {
        return stage instanceof OfPart of ? Optional.of(of.part()) : Optional.empty();
    }

    /** The part that its heat warms: itself, or the one whose socket it is. */
    public Optional<String> warms() {
        return stage instanceof Socket socket ? Optional.of(socket.part()) : part();
    }

    /** Ids of all parts it names. */
    public List<String> parts() {
        return switch (stage) {
            case OfPart of -> List.of(of.part());
            case Socket s -> List.of(s.part());
            case Charging c -> c.charger().map(id -> List.of(id, c.store())).orElse(List.of(c.store()));
            default -> List.of();
        };
    }

    /** What it is called, for people. */
    public String name(Build build) {
        return switch (stage) {
            case OfPart of -> partName(build, of.part());
            case Socket s ->
                "socket “"
                        + build.part(s.part())
                                .flatMap(p -> p.port(s.port()))
                                .map(Port::words)
                                .orElse(s.port()) + "”";
            case Wire w -> "wire AWG " + w.awg() + ", " + Units.format(w.lengthMm()) + " mm";
            case Contact c -> c.kind().words() + ", " + Units.format(c.ratedA()) + " A";
            case Diode d -> (d.kneeV().value() == 0 ? "ideal diode, " : "diode, ") + Units.format(d.ratedA()) + " A";
            case Capacitor c -> "capacitor, " + Units.format(c.farads().value()) + " F";
            case Charging c ->
                c.charger().map(id -> partName(build, id) + " charges ").orElse("charges ")
                        + partName(build, c.store());
            case Join j -> j.sources().size() + " sources joined";
        };
    }

    private static String partName(Build build, String id) {
        return build.part(id).map(Part::name).orElse("missing part " + id);
    }

    /** A short word for an id. */
    public static String word(Stage stage) {
        return switch (stage) {
            case OfPart of -> "rung-" + of.part();
            case Socket s -> "socket";
            case Wire w -> "wire";
            case Contact c -> c.kind().words().replace(' ', '-');
            case Diode d -> "diode";
            case Capacitor c -> "capacitor";
            case Charging c -> "charging";
            case Join j -> "joint";
        };
    }

    /** The same rung as another stage. */
    public Rung as(Stage newStage) {
        return new Rung(id, newStage, feeds);
    }

    /** The same rung with other rungs behind it. */
    public Rung feeding(List<Rung> newFeeds) {
        return new Rung(id, stage, newFeeds);
    }

    /** The same chain with every rung passed through a change, leaves first. */
    public Rung map(UnaryOperator<Rung> change) {
        return change.apply(new Rung(
                id,
                stage instanceof Join join
                        ? new Join(
                                join.sources().stream().map(s -> s.map(change)).toList())
                        : stage,
                feeds.stream().map(f -> f.map(change)).toList()));
    }
}
