package boldsatchel.power;

import boldsatchel.build.Build;
import boldsatchel.build.Facet;
import boldsatchel.build.Mode;
import boldsatchel.build.Part;
import boldsatchel.build.Rung;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The electrical model of one chain: its store and the network it feeds. Solving finds the operating point at a state of charge
 * and a demand.
 */
public final class Network {

    private static final double WIRE_CELSIUS = 20;

    private final Rung source;
    private final Store store;
    private final Modeller modeller;
    private final Map<Demand, Circuit> circuits = new HashMap<>();

    private Network(Rung source, Store store, Modeller modeller) {
        this.source = source;
        this.store = store;
        this.modeller = modeller;
    }

    /**
     * Models a chain.
     *
     * @param build whose parts the chain names
     * @param source first rung of the chain
     * @param reading how figures become numbers
     * @return nothing when the first rung is no source
     */
    public static Optional<Network> of(Build build, Rung source, Reading reading) {
        Modeller modeller = new Modeller(build, reading);
        return source.part()
                .flatMap(build::part)
                .flatMap(modeller::store)
                .map(store -> new Network(source, store, modeller));
    }

    /** What hangs on the terminals at a demand; only the figures of that demand are read. */
    Circuit at(Demand demand) {
        return circuits.computeIfAbsent(demand, d -> new Circuit(source.id(), store, d, modeller.feeds(source, d)));
    }

    String sourceRung() {
        return source.id();
    }

    /**
     * Solves and reads off every rung.
     *
     * @param level state of charge, 0 to 1
     */
    public OperatingPoint solve(double level, Demand demand) {
        return at(demand).solve(level);
    }

    /**
     * What the source's terminals show, without every rung: for the thousands of solutions behind a discharge.
     *
     * @param volts at the terminals; 0 on a collapse
     * @param amps from the terminals; 0 on a collapse
     * @param stop the first limit that ends a run there
     */
    record Terminals(double volts, double amps, Optional<Breach> stop) {}

    /** The chain at one demand. */
    record Circuit(String source, Store store, Demand demand, Node next) {

        Terminals terminals(double level) {
            StopWatcher watcher = new StopWatcher();
            double volts = solve(level, watcher);
            return new Terminals(volts, volts == 0 ? 0 : watcher.amps, watcher.stop);
        }

        OperatingPoint solve(double level) {
            OperatingPoint.Collector collector = new OperatingPoint.Collector();
            double volts = solve(level, collector);
            return volts == 0
                    ? collector.done(level, demand, Double.NaN, Double.NaN)
                    : collector.done(level, demand, volts, Node.amps(next, volts));
        }

        /** Volts at the terminals, 0 on a collapse; the observer hears the rest. */
        private double solve(double level, Node.Observer observer) {
            double open = store.openVolts(level);
            Draw draw = new Draw();
            double volts = new Node.Series(List.of(), 0, store.ohms(level), next).voltsBehind(open, draw);
            if (draw.collapsed) {
                observer.breach(Breach.Kind.COLLAPSE, source, 0, open);
                return 0;
            }
            double amps = Node.amps(next, volts);
            observer.rung(source, open, volts, amps, amps, (open - volts) * amps);
            store.check(source, level, volts, amps, observer);
            next.readOff(volts, observer);
            return volts;
        }
    }

    /** Remembers only the first limit that ends a run. */
    private static final class StopWatcher implements Node.Observer {
        private Optional<Breach> stop = Optional.empty();
        private double amps = Double.NaN;

        /** The source reports first; nothing else is kept. */
        @Override
        public void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW) {
            if (Double.isNaN(amps)) {
                amps = ampsIn;
            }
        }

        @Override
        public void breach(Breach.Kind kind, String id, double value, double limit) {
            if (stop.isEmpty() && kind.endsRun()) {
                stop = Optional.of(new Breach(kind, id, value, limit));
            }
        }
    }

    /** Reads a build's parts into nodes. */
    private record Modeller(Build build, Reading reading) {

        Optional<Store> store(Part part) {
            Optional<Store> pack = part.facet(Facet.Cells.class)
                    .map(c -> new Store.Pack(
                            c,
                            read(part, "cell resistance", c.cellOhms()),
                            read(part, "pack resistance", c.packOhms()),
                            read(part, "cell capacity", c.capacityAh())
                                    * read(part, "state of health", c.health())
                                    * CellCurve.capacityFactor(
                                            build.brief().surroundings().packC()),
                            build.brief().surroundings().packC()));
            return pack.or(() -> part.facet(Facet.PowerBank.class)
                    .map(b -> new Store.Bank(
                            b,
                            read(part, "rated energy", b.ratedWh()) * read(part, "efficiency", b.efficiency()),
                            read(part, "output resistance", b.outOhms()))));
        }

        Node feeds(Rung rung, Demand demand) {
            List<Node> nodes = rung.feeds().stream().map(r -> node(r, demand)).toList();
            return switch (nodes.size()) {
                case 0 -> new Node.Open();
                case 1 -> nodes.getFirst();
                default -> Node.Fork.of(nodes);
            };
        }

        private Node node(Rung rung, Demand demand) {
            return switch (rung.stage()) {
                case Rung.OfPart of ->
                    build.part(of.part())
                            .map(part -> ofPart(rung, part, demand))
                            .orElseGet(Node.Open::new);
                case Rung.Wire wire ->
                    resistor(
                            rung,
                            demand,
                            0,
                            Copper.loopOhms(wire.awg(), wire.lengthMm(), WIRE_CELSIUS),
                            Copper.closedCaseAmps(wire.awg()),
                            Double.POSITIVE_INFINITY);
                case Rung.Contact contact ->
                    resistor(
                            rung,
                            demand,
                            0,
                            reading.of(contact.kind().words(), "resistance", contact.ohms()),
                            contact.ratedA(),
                            contact.kind() == Rung.ContactKind.FUSE || contact.kind() == Rung.ContactKind.PROTECTION
                                    ? contact.ratedA()
                                    : Double.POSITIVE_INFINITY);
                case Rung.Diode diode ->
                    resistor(
                            rung,
                            demand,
                            reading.of("diode", "knee voltage", diode.kneeV()),
                            reading.of("diode", "resistance", diode.ohms()),
                            diode.ratedA(),
                            Double.POSITIVE_INFINITY);
            };
        }

        private Node resistor(Rung rung, Demand demand, double kneeV, double ohms, double ratedA, double tripA) {
            Node.Resistor first = new Node.Resistor(rung.id(), kneeV, ohms, ratedA, tripA);
            List<Node.Resistor> row = new ArrayList<>(List.of(first));
            Node next = feeds(rung, demand);
            if (next instanceof Node.Series series) {
                row.addAll(series.row());
                next = series.next();
            }
            return Node.Series.of(List.copyOf(row), next);
        }

        private Node ofPart(Rung rung, Part part, Demand demand) {
            Optional<Node> converter = part.facet(Facet.Converts.class).map(c -> converter(rung, part, c, demand));
            return converter
                    .or(() -> part.facet(Facet.DrawsPower.class).map(d -> load(rung, part, d, demand)))
                    .orElseGet(() -> feeds(rung, demand));
        }

        private Node converter(Rung rung, Part part, Facet.Converts c, Demand demand) {
            Node next = feeds(rung, demand);
            return new Node.Converter(
                    rung.id(),
                    c.kind(),
                    c.outV(),
                    read(part, "quiet power", c.quietW()),
                    read(part, "loss voltage", c.dropV()),
                    read(part, "loss resistance", c.lossOhms()),
                    c.limitA(),
                    c.dropoutV(),
                    c.lowV(),
                    c.highV(),
                    next,
                    Node.amps(next, c.outV()));
        }

        private Node load(Rung rung, Part part, Facet.DrawsPower draws, Demand demand) {
            Mode mode = demand.mode();
            double watts = read(part, mode.words() + " power", draws.watts(mode));
            if (demand.brightness() > 0) {
                watts += demand.brightness() * read(part, "backlight power", draws.backlightW());
            }
            Node load = new Node.Load(
                    rung.id(), draws.kind(), draws.lowV(), draws.nominalV(), draws.highV(), watts, mode != Mode.OFF);
            return rung.feeds().isEmpty() ? load : Node.Fork.of(List.of(load, feeds(rung, demand)));
        }

        private double read(Part part, String what, Figure figure) {
            return reading.of(part.name(), what, figure);
        }
    }
}
