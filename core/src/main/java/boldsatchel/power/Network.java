package boldsatchel.power;

import boldsatchel.build.Build;
import boldsatchel.build.Facet;
import boldsatchel.build.Mode;
import boldsatchel.build.Part;
import boldsatchel.build.Rung;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The electrical model of one chain: its store and the network it feeds. Solving finds the operating point at a state of charge
 * and a demand.
 */
public final class Network {

    private static final double WIRE_CELSIUS = 20;

    private final String sourceRung;
    private final Store store;
    private final Node next;

    private Network(String sourceRung, Store store, Node next) {
        this.sourceRung = sourceRung;
        this.store = store;
        this.next = next;
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
                .map(store -> new Network(source.id(), store, modeller.feeds(source)));
    }

    Store store() {
        return store;
    }

    String sourceRung() {
        return sourceRung;
    }

    /**
     * What the source's terminals show, without every rung: for the thousands of solutions behind a discharge.
     *
     * @param volts at the terminals; 0 on a collapse
     * @param amps from the terminals; 0 on a collapse
     * @param stop the first limit that ends a run there
     */
    record Terminals(double volts, double amps, Optional<Breach> stop) {}

    Terminals terminals(double level, Demand demand) {
        StopWatcher watcher = new StopWatcher();
        double volts = solve(level, demand, watcher);
        return new Terminals(volts, volts == 0 ? 0 : Node.amps(next, volts, demand), watcher.stop);
    }

    /**
     * Solves and reads off every rung.
     *
     * @param level state of charge, 0 to 1
     */
    public OperatingPoint solve(double level, Demand demand) {
        OperatingPoint.Collector collector = new OperatingPoint.Collector();
        double volts = solve(level, demand, collector);
        return volts == 0
                ? collector.done(level, demand, Double.NaN, Double.NaN)
                : collector.done(level, demand, volts, Node.amps(next, volts, demand));
    }

    /** Volts at the terminals, 0 on a collapse; the observer hears the rest. */
    private double solve(double level, Demand demand, Node.Observer observer) {
        double open = store.openVolts(level);
        Draw draw = new Draw();
        double volts = whole(level).voltsBehind(open, demand, draw);
        if (draw.collapsed) {
            observer.breach(Breach.Kind.COLLAPSE, sourceRung, 0, open);
            return 0;
        }
        double amps = Node.amps(next, volts, demand);
        observer.rung(sourceRung, open, volts, amps, amps, (open - volts) * amps);
        store.check(sourceRung, level, volts, amps, observer);
        next.readOff(volts, demand, observer);
        return volts;
    }

    /** Remembers only the first limit that ends a run. */
    private static final class StopWatcher implements Node.Observer {
        private Optional<Breach> stop = Optional.empty();

        @Override
        public void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW) {}

        @Override
        public void breach(Breach.Kind kind, String id, double value, double limit) {
            if (stop.isEmpty() && kind.endsRun()) {
                stop = Optional.of(new Breach(kind, id, value, limit));
            }
        }
    }

    private Node.Series whole(double level) {
        return new Node.Series(List.of(), 0, store.ohms(level), next);
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

        Node feeds(Rung rung) {
            List<Node> nodes = rung.feeds().stream().map(this::node).toList();
            return switch (nodes.size()) {
                case 0 -> new Node.Open();
                case 1 -> nodes.getFirst();
                default -> new Node.Fork(nodes);
            };
        }

        private Node node(Rung rung) {
            return switch (rung.stage()) {
                case Rung.OfPart of ->
                    build.part(of.part()).map(part -> ofPart(rung, part)).orElseGet(Node.Open::new);
                case Rung.Wire wire ->
                    resistor(
                            rung,
                            0,
                            Copper.loopOhms(wire.awg(), wire.lengthMm(), WIRE_CELSIUS),
                            Copper.closedCaseAmps(wire.awg()),
                            Double.POSITIVE_INFINITY);
                case Rung.Contact contact ->
                    resistor(
                            rung,
                            0,
                            reading.of(contact.kind().words(), "resistance", contact.ohms()),
                            contact.ratedA(),
                            contact.kind() == Rung.ContactKind.FUSE || contact.kind() == Rung.ContactKind.PROTECTION
                                    ? contact.ratedA()
                                    : Double.POSITIVE_INFINITY);
                case Rung.Diode diode ->
                    resistor(
                            rung,
                            reading.of("diode", "knee voltage", diode.kneeV()),
                            reading.of("diode", "resistance", diode.ohms()),
                            diode.ratedA(),
                            Double.POSITIVE_INFINITY);
            };
        }

        private Node resistor(Rung rung, double kneeV, double ohms, double ratedA, double tripA) {
            Node.Resistor first = new Node.Resistor(rung.id(), kneeV, ohms, ratedA, tripA);
            List<Node.Resistor> row = new ArrayList<>(List.of(first));
            Node next = feeds(rung);
            if (next instanceof Node.Series series) {
                row.addAll(series.row());
                next = series.next();
            }
            return Node.Series.of(List.copyOf(row), next);
        }

        private Node ofPart(Rung rung, Part part) {
            Optional<Node> converter = part.facet(Facet.Converts.class)
                    .map(c -> new Node.Converter(
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
                            feeds(rung)));
            return converter
                    .or(() -> part.facet(Facet.DrawsPower.class).map(d -> load(rung, part, d)))
                    .orElseGet(() -> feeds(rung));
        }

        private Node load(Rung rung, Part part, Facet.DrawsPower draws) {
            Map<Mode, Double> watts = new EnumMap<>(Mode.class);
            for (Mode mode : Mode.values()) {
                watts.put(mode, read(part, mode.words() + " power", draws.watts(mode)));
            }
            Node load = new Node.Load(
                    rung.id(),
                    draws.kind(),
                    draws.lowV(),
                    draws.nominalV(),
                    draws.highV(),
                    watts,
                    read(part, "backlight power", draws.backlightW()));
            return rung.feeds().isEmpty() ? load : new Node.Fork(List.of(load, feeds(rung)));
        }

        private double read(Part part, String what, Figure figure) {
            return reading.of(part.name(), what, figure);
        }
    }
}
