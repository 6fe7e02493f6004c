package boldsatchel.power;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.LoadKind;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/**
 * The electrical model of one chain: its sources and the network they feed. Solving finds the operating point at a state of charge
 * and a demand.
 */
public final class Network {

    private static final double WIRE_CELSIUS = 20;
    private static final Num NOTHING = Num.exact(0);

    private final Rung root;
    private final Supply supply;
    private final Modeller modeller;
    private final Map<Demand, Circuit> circuits = new HashMap<>();
    private final Map<TableOf, DischargeTable> tables = new HashMap<>();

    private Network(Rung root, Supply supply, Modeller modeller) {
        this.root = root;
        this.supply = supply;
        this.modeller = modeller;
    }

    /**
     * Models a chain as it runs on its own: mains adapters give nothing, unless the chain has no other source.
     *
     * @param build whose parts the chain names
     * @param root first rung of the chain
     * @param reading how figures become numbers
     * @return nothing when no source begins it, or when it only charges
     */
    public static Optional<Network> of(Build build, Rung root, Reading reading) {
        return of(build, root, reading, CellTemperatures.begin(build));
    }

    /** The same with cells that have warmed up. */
    public static Optional<Network> of(Build build, Rung root, Reading reading, CellTemperatures cells) {
        List<Rung> stores = stores(build, root);
        boolean feedsLoads = stores.isEmpty()
                && root.walk()
                        .anyMatch(r -> build.partOf(r)
                                .filter(p -> p.facet(Facet.DrawsPower.class).isPresent())
                                .isPresent());
        return feedsLoads
                ? of(build, root, root.sources(), new Modeller(build, reading, cells))
                : of(build, root, stores, new Modeller(build, reading, cells));
    }

    /** Models a chain with everything plugged in: adapters give, chargers draw. */
    public static Optional<Network> plugged(Build build, Rung root, Reading reading) {
        return of(build, root, root.sources(), new Modeller(build, reading, CellTemperatures.begin(build)));
    }

    /**
     * The same for every first rung of a build, each modelled once.
     *
     * @param running chains as they run on their own; one that leaves no source out is the same when all is plugged in
     */
    static Function<Rung, Optional<Network>> plugged(Build build, List<Network> running) {
        Map<String, Optional<Network>> made = new HashMap<>();
        for (Network network : running) {
            if (network.supply.branches().size() == network.root.sources().size()) {
                made.put(network.root(), Optional.of(network));
            }
        }
        return root -> made.computeIfAbsent(root.id(), id -> plugged(build, root, Reading.NOMINAL));
    }

    /** Models a joined chain as it runs on its own with one of its sources missing. */
    static Optional<Network> without(Build build, Rung root, Rung missing, CellTemperatures cells) {
        List<Rung> left =
                stores(build, root).stream().filter(r -> !r.equals(missing)).toList();
        return of(build, root, left, new Modeller(build, Reading.NOMINAL, cells));
    }

    private static List<Rung> stores(Build build, Rung root) {
        return root.sources().stream()
                .filter(r -> build.partOf(r).filter(Part::isSource).isPresent())
                .toList();
    }

    private static Optional<Network> of(Build build, Rung root, List<Rung> sources, Modeller modeller) {
        List<Supply.Branch> branches = new ArrayList<>();
        for (Rung source : sources) {
            build.partOf(source)
                    .flatMap(modeller::store)
                    .ifPresent(store -> branches.add(Supply.Branch.of(
                            source.id(), store, root.joined().isEmpty() ? List.of() : modeller.row(source))));
        }
        return branches.isEmpty()
                ? Optional.empty()
                : Optional.of(new Network(root, new Supply(List.copyOf(branches)), modeller));
    }

    /** What hangs on the sources at a demand; only the figures of that demand are read. */
    Circuit at(Demand demand) {
        return circuits.computeIfAbsent(demand, d -> new Circuit(root, supply, d, modeller.feeds(root, d)));
    }

    /** What a demand does to the sources; for a single one a table, made once, whichever profiles ask for it. */
    Drain drain(Demand demand, int intervals) {
        return supply.isJoined() ? new Drain.Joined(at(demand)) : table(demand, intervals);
    }

    /** The table of a single source. */
    DischargeTable table(Demand demand, int intervals) {
        return tables.computeIfAbsent(new TableOf(demand, intervals), t -> new DischargeTable(this, demand, intervals));
    }

    private record TableOf(Demand demand, int intervals) {}

    /** Id of the chain's first rung. */
    String root() {
        return root.id();
    }

    Supply supply() {
        return supply;
    }

    /**
     * Solves and reads off every rung.
     *
     * @param level state of charge of every source, 0 to 1
     */
    public OperatingPoint solve(double level, Demand demand) {
        return at(demand).solve(supply.levels(level));
    }

    /**
     * Solves and reads off every rung.
     *
     * @param levels state of charge of each source in the order of the chain; negative for one that is taken out, see {@link Discharge.Sample}
     */
    public OperatingPoint solve(List<Double> levels, Demand demand) {
        return at(demand).solve(levels.stream().mapToDouble(l -> l).toArray());
    }

    /**
     * Every limit there is at a level and a demand, passed or not: how near each stands.
     *
     * @param level state of charge of every source, 0 to 1
     * @return nothing but the collapse where no voltage satisfies the loads
     */
    public List<Breach> limits(double level, Demand demand) {
        List<Breach> limits = new ArrayList<>();
        Circuit circuit = at(demand);
        circuit.solve(supply.levels(level), new Node.Observer() {
            @Override
            public void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW) {}

            @Override
            public void limit(Breach.Kind kind, String id, double value, double limit) {
                limits.add(new Breach(kind, id, value, limit));
            }
        });
        return limits;
    }

    /**
     * What the sources show, without every rung: for the thousands of solutions behind a discharge.
     *
     * @param volts at the terminals, or at the rail of joined sources; 0 on a collapse
     * @param amps from all sources together; 0 on a collapse
     * @param flow of each source
     * @param stop the first limit that ends a run there
     */
    record Terminals(double volts, double amps, Supply.Flow flow, Optional<Breach> stop) {}

    /** The chain at one demand. */
    record Circuit(Rung root, Supply supply, Demand demand, Node next) {

        Terminals terminals(double level) {
            return terminals(supply.levels(level));
        }

        /** Takes joined sources out of the levels when they end by themselves. */
        Terminals terminals(double[] levels) {
            StopWatcher watcher = new StopWatcher();
            Supply.Flow flow = solve(levels, watcher);
            return new Terminals(flow.volts(), flow.total(), flow, watcher.stop());
        }

        /** The same, going on from the solution of a fuller source. */
        Terminals terminalsBelow(Terminals fuller, double level) {
            StopWatcher watcher = new StopWatcher();
            Supply.Flow flow = fuller.flow().collapsed() || supply.isJoined()
                    ? supply.solve(supply.levels(level), next)
                    : supply.goOn(fuller.volts(), level, next);
            flow = told(supply.levels(level), flow, watcher);
            return new Terminals(flow.volts(), flow.total(), flow, watcher.stop());
        }

        /** Tells what each rung does at a level of all sources; nothing on a collapse. */
        void tell(double level, Node.Observer observer) {
            Supply.Flow flow = supply.solve(supply.levels(level), next);
            if (!flow.collapsed()) {
                told(supply.levels(level), flow, observer);
            }
        }

        /** How far a limit is from being passed at a level of a single source; not a number where nothing is solved. */
        double margin(Breach limit, double level) {
            MarginWatcher watcher = new MarginWatcher(limit);
            solve(supply.levels(level), watcher);
            return watcher.margin;
        }

        /** Tells how the current of a single source moves with each input, at the solution last found. */
        void sense(double level, Terminals at, double weight, Num.Sink sink) {
            Store store = supply.branches().getFirst().store();
            Draw draw = new Draw();
            next.draw(at.volts(), draw);
            double passed = weight / (1 + store.ohms(level) * draw.slope);
            store.tellOhms(level, -passed * draw.slope * at.amps(), sink);
            next.sense(at.volts(), passed, sink);
        }

        /** How the heat of each rung moves with each input. */
        HeatMoves moves(double[] levels) {
            HeatMoves moves = new HeatMoves();
            Supply.Flow flow = supply.solve(levels, next);
            if (!flow.collapsed()) {
                next.warm(flow.volts(), supply.warm(levels, flow, moves), moves);
            }
            return moves;
        }

        OperatingPoint solve(double[] levels) {
            OperatingPoint.Collector collector = new OperatingPoint.Collector();
            double mean = Arrays.stream(levels)
                    .filter(l -> !Supply.isOut(l))
                    .average()
                    .orElse(0);
            Supply.Flow flow = solve(levels, collector);
            return flow.collapsed()
                    ? collector.done(mean, demand, Double.NaN, Double.NaN)
                    : collector.done(mean, demand, flow.volts(), flow.total());
        }

        private Supply.Flow solve(double[] levels, Node.Observer observer) {
            return told(levels, supply.solve(levels, next), observer);
        }

        private Supply.Flow told(double[] levels, Supply.Flow flow, Node.Observer observer) {
            if (flow.collapsed()) {
                double open = supply.branches().getFirst().store().openVolts(Supply.left(levels[0]));
                observer.limit(Breach.Kind.COLLAPSE, root.id(), 0, open);
                return flow;
            }
            supply.readOff(levels, flow, observer);
            if (root.stage() instanceof Rung.Join) {
                double amps = flow.total();
                observer.rung(root.id(), flow.volts(), flow.volts(), amps, amps, 0);
            }
            next.readOff(flow.volts(), observer);
            return flow;
        }
    }

    /** Remembers how far one limit is from being passed. */
    private static final class MarginWatcher implements Node.Observer {
        private final Breach watched;
        private double margin = Double.NaN;

        MarginWatcher(Breach watched) {
            this.watched = watched;
        }

        @Override
        public void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW) {}

        @Override
        public void limit(Breach.Kind kind, String id, double value, double limit) {
            if (kind == watched.kind() && id.equals(watched.rung())) {
                margin = kind.margin(value, limit);
            }
        }
    }

    /** Reads a build's parts into nodes. */
    private static final class Modeller {
        private final Build build;
        private final Reading reading;
        private final CellTemperatures cells;
        /** What only loses voltage is the same at every demand. */
        private final Map<String, Optional<Node.Resistor>> resistors = new HashMap<>();

        Modeller(Build build, Reading reading, CellTemperatures cells) {
            this.build = build;
            this.reading = reading;
            this.cells = cells;
        }

        Optional<Store> store(Part part) {
            Optional<Store> pack = part.facet(Facet.Cells.class).map(c -> pack(part, c));
            Optional<Store> bank = part.facet(Facet.PowerBank.class)
                    .map(b -> new Store.Bank(
                            b,
                            read(part, Facet.PowerBank.class, "ratedWh", b.ratedWh())
                                    .times(read(part, Facet.PowerBank.class, "efficiency", b.efficiency()))
                                    .times(1 / b.outV()),
                            read(part, Facet.PowerBank.class, "outOhms", b.outOhms()),
                            read(part, Facet.PowerBank.class, "efficiency", b.efficiency())));
            Optional<Store> mains = part.facet(Facet.Adapter.class)
                    .map(a -> new Store.Mains(a, read(part, Facet.Adapter.class, "outOhms", a.outOhms())));
            return pack.or(() -> bank).or(() -> mains);
        }

        private Store pack(Part part, Facet.Cells c) {
            double celsius = cells.of(part.id());
            return Store.Pack.at(
                    c,
                    read(part, Facet.Cells.class, "cellOhms", c.cellOhms()),
                    read(part, Facet.Cells.class, "packOhms", c.packOhms()),
                    read(part, Facet.Cells.class, "capacityAh", c.capacityAh())
                            .times(read(part, Facet.Cells.class, "health", c.health()))
                            .times(CellCurve.capacityFactor(celsius) * c.parallel()),
                    celsius);
        }

        /** What stands between a joined source and the rail. */
        List<Node.Resistor> row(Rung source) {
            return source.row().stream()
                    .skip(1)
                    .flatMap(r -> resistor(r).stream())
                    .toList();
        }

        Node feeds(Rung rung, Demand demand) {
            return together(branches(rung, demand));
        }

        private static Node together(List<Node> nodes) {
            return switch (nodes.size()) {
                case 0 -> new Node.Open();
                case 1 -> nodes.getFirst();
                default -> Node.Fork.of(nodes);
            };
        }

        /** What hangs on a rung; sockets of one rail together. */
        private List<Node> branches(Rung rung, Demand demand) {
            List<Node> nodes = new ArrayList<>(rung.feeds().size());
            Map<Facet.Rail, List<Rung>> rails = new LinkedHashMap<>();
            for (Rung next : rung.feeds()) {
                Optional<Part.Outlet> outlet = build.outlet(next);
                Optional<Facet.Rail> rail = outlet.flatMap(Part.Outlet::rail);
                if (rail.isPresent()) {
                    rails.computeIfAbsent(rail.get(), r -> new ArrayList<>()).add(next);
                } else {
                    nodes.add(outlet.map(o -> plugged(next, o, demand)).orElseGet(() -> node(next, demand)));
                }
            }
            rails.forEach((rail, sockets) -> nodes.add(rail(rail, sockets, demand)));
            return nodes;
        }

        private Node rail(Facet.Rail rail, List<Rung> sockets, Demand demand) {
            List<Node> nodes = new ArrayList<>(sockets.size());
            double made = 0;
            for (Rung socket : sockets) {
                Node node = plugged(socket, build.outlet(socket).orElseThrow(), demand);
                made += node instanceof Node.Outlet o ? o.amps() : 0;
                nodes.add(node);
            }
            return new Node.Watched(
                    Breach.Kind.RAIL_LIMIT,
                    sockets.getFirst().id(),
                    rail.amps(),
                    rail.efficiency().isPresent() ? made : Double.NaN,
                    together(nodes));
        }

        /** What is plugged into a socket; nothing flows where it is dead. */
        private Node plugged(Rung socket, Part.Outlet outlet, Demand demand) {
            if (!outlet.live(demand.mode())) {
                return new Node.Idle(socket.id());
            }
            Part part = build.part(((Rung.Socket) socket.stage()).part()).orElseThrow();
            Num ohms = read(part, Port.Gives.class, "ohms", outlet.gives().ohms());
            Node next = feeds(socket, demand);
            Optional<Figure> efficiency = outlet.rail().flatMap(Facet.Rail::efficiency);
            if (efficiency.isEmpty()) {
                double never = Double.POSITIVE_INFINITY;
                return new Node.Series(
                        List.of(new Node.Resistor(
                                socket.id(),
                                NOTHING,
                                ohms,
                                never,
                                outlet.gives().amps(),
                                false,
                                Breach.Kind.SOCKET_LIMIT)),
                        next);
            }
            return Node.Outlet.of(
                    socket.id(),
                    outlet.rail().orElseThrow().volts(),
                    read(part, Facet.Rail.class, "efficiency", efficiency.get()),
                    ohms,
                    outlet.gives().amps(),
                    next);
        }

        /** What a load takes in, for itself and others, may have a limit. */
        private static Node inlet(Rung rung, Part part, Node all) {
            return part.facet(Facet.FeedsOthers.class)
                    .flatMap(Facet.FeedsOthers::inA)
                    .<Node>map(most -> new Node.Watched(Breach.Kind.OVER_RATING, rung.id(), most, Double.NaN, all))
                    .orElse(all);
        }

        private Node node(Rung rung, Demand demand) {
            return switch (rung.stage()) {
                case Rung.OfPart of ->
                    build.part(of.part())
                            .map(part -> ofPart(rung, part, demand))
                            .orElseGet(Node.Open::new);
                case Rung.Contact c when c.kind().opens() && demand.mode() == Mode.OFF -> new Node.Idle(rung.id());
                case Rung.Charging c -> charging(rung, c);
                case Rung.Capacitor c -> new Node.Idle(rung.id());
                case Rung.Join j -> new Node.Open();
                case Rung.Wire w -> row(rung, demand);
                case Rung.Contact c -> row(rung, demand);
                case Rung.Diode d -> row(rung, demand);
                // The socket of a part that has no such socket any more.
                case Rung.Socket s -> feeds(rung, demand);
            };
        }

        private Node row(Rung rung, Demand demand) {
            List<Node.Resistor> row = new ArrayList<>();
            resistor(rung).ifPresent(row::add);
            Node next = feeds(rung, demand);
            if (next instanceof Node.Series series) {
                row.addAll(series.row());
                next = series.next();
            }
            return new Node.Series(row, next);
        }

        /** What a rung costs the current that passes through it; nothing for rungs that are more than that. */
        private Optional<Node.Resistor> resistor(Rung rung) {
            return resistors.computeIfAbsent(rung.id(), id -> readResistor(rung));
        }

        private Optional<Node.Resistor> readResistor(Rung rung) {
            double never = Double.POSITIVE_INFINITY;
            return switch (rung.stage()) {
                case Rung.Wire w ->
                    Optional.of(new Node.Resistor(
                            rung.id(),
                            NOTHING,
                            Num.exact(Copper.loopOhms(w.awg(), w.lengthMm(), WIRE_CELSIUS)),
                            Copper.closedCaseAmps(w.awg()),
                            never,
                            false));
                case Rung.Contact c ->
                    Optional.of(new Node.Resistor(
                            rung.id(),
                            NOTHING,
                            read(input(rung, c.kind().words(), "ohms", c.ohms())),
                            c.ratedA(),
                            c.kind().trips() ? c.ratedA() : never,
                            false));
                case Rung.Diode d ->
                    Optional.of(new Node.Resistor(
                            rung.id(),
                            read(input(rung, "diode", "kneeV", d.kneeV())),
                            read(input(rung, "diode", "ohms", d.ohms())),
                            d.ratedA(),
                            never,
                            true));
                case Rung.OfPart of ->
                    build.part(of.part())
                            .flatMap(p -> p.facet(Facet.ShowsLevel.class)
                                    .map(g -> new Node.Resistor(
                                            rung.id(),
                                            NOTHING,
                                            read(p, Facet.ShowsLevel.class, "ohms", g.ohms()),
                                            never,
                                            never,
                                            false)));
                case Rung.Socket s -> Optional.empty();
                case Rung.Capacitor c -> Optional.empty();
                case Rung.Charging c -> Optional.empty();
                case Rung.Join j -> Optional.empty();
            };
        }

        private Node ofPart(Rung rung, Part part, Demand demand) {
            if (part.facet(Facet.ShowsLevel.class).isPresent()) {
                return row(rung, demand);
            }
            Optional<Node> converter = part.facet(Facet.Converts.class).map(c -> converter(rung, part, c, demand));
            return converter
                    .or(() -> part.facet(Facet.DrawsPower.class).map(d -> load(rung, part, d, demand)))
                    .orElseGet(() -> feeds(rung, demand));
        }

        private Node converter(Rung rung, Part part, Facet.Converts c, Demand demand) {
            Optional<Facet.SwitchesOff> off = part.facet(Facet.SwitchesOff.class);
            if (demand.mode() == Mode.OFF && off.isPresent()) {
                Num watts =
                        read(part, Facet.SwitchesOff.class, "offW", off.get().offW());
                return new Node.Load(rung.id(), LoadKind.POWER, c.lowV(), c.outV(), c.highV(), watts, false);
            }
            return Node.Converter.of(
                    rung.id(),
                    c,
                    read(part, Facet.Converts.class, "quietW", c.quietW()),
                    read(part, Facet.Converts.class, "dropV", c.dropV()),
                    read(part, Facet.Converts.class, "lossOhms", c.lossOhms()),
                    feeds(rung, demand));
        }

        private Node load(Rung rung, Part part, Facet.DrawsPower draws, Demand demand) {
            Demand asked = stays(part, demand);
            Num watts = watts(part, draws, asked);
            if (asked.brightness() > 0) {
                watts = watts.plus(read(part, Facet.DrawsPower.class, "backlightW", draws.backlightW())
                        .times(asked.brightness()));
            }
            Optional<Facet.Refreshes> refreshes = part.facet(Facet.Refreshes.class);
            if (demand.refreshesPerMinute() > 0 && refreshes.isPresent()) {
                double perMinute =
                        Math.min(demand.refreshesPerMinute(), refreshes.get().mostPerMinute());
                watts = watts.plus(read(
                                part,
                                Facet.Refreshes.class,
                                "joules",
                                refreshes.get().joules())
                        .times(perMinute / 60));
            }
            Node load = new Node.Load(
                    rung.id(),
                    draws.kind(),
                    draws.lowV(),
                    draws.nominalV(),
                    draws.highV(),
                    watts,
                    demand.mode() != Mode.OFF);
            if (rung.feeds().isEmpty()) {
                return inlet(rung, part, load);
            }
            List<Node> all = new ArrayList<>(List.of(load));
            for (Rung fed : rung.feeds()) {
                if (!(fed.stage() instanceof Rung.Socket)) {
                    all.add(unsaidSocket(fed, draws, demand));
                }
            }
            all.addAll(branches(
                    rung.feeding(rung.feeds().stream()
                            .filter(f -> f.stage() instanceof Rung.Socket)
                            .toList()),
                    demand));
            return inlet(rung, part, Node.Fork.of(all));
        }

        /**
         * What hangs on a load by a socket of which nothing is said. Where it bears what the load itself bears, the socket may pass its input on; where it does not,
         * the load must have a converter for it inside, of which nothing is known: it is taken to give what is asked for, without loss.
         */
        private Node unsaidSocket(Rung fed, Facet.DrawsPower owner, Demand demand) {
            Node node = node(fed, demand);
            return fed.walk()
                    .flatMap(r -> build.partOf(r).stream())
                    .flatMap(p -> p.facet(Facet.DrawsPower.class).stream())
                    .findFirst()
                    .filter(owner::converts)
                    .map(d -> (Node) new Node.Socket(d.nominalV(), node, Node.ampsOn(d.nominalV(), node)))
                    .orElse(node);
        }

        /** A screen that stays lit without a picture goes neither to sleep nor off with the board. */
        private static Demand stays(Part part, Demand demand) {
            boolean dark = demand.mode() == Mode.OFF || demand.mode() == Mode.SLEEP;
            return dark && part.facet(Facet.StaysLit.class).isPresent() ? Demand.of(Mode.IDLE) : demand;
        }

        /** A board that runs a known program draws what was read for it, or as much of the way to busy as it is loaded. */
        private Num watts(Part part, Facet.DrawsPower draws, Demand demand) {
            Mode mode = demand.mode();
            boolean runs = part.family().computes() && (mode == Mode.IDLE || mode == Mode.BUSY);
            Optional<UseProfile.Program> program = demand.program().filter(p -> runs);
            if (program.isEmpty()) {
                return read(part, Facet.DrawsPower.class, mode.words() + "W", draws.watts(mode));
            }
            Optional<Figure> known = program.get().watts();
            if (known.isPresent()) {
                return read(new Input(part.id(), program.get().name(), UseProfile.Program.class, "watts", known.get()));
            }
            double effort = program.get().effort();
            return read(part, Facet.DrawsPower.class, "idleW", draws.idleW())
                    .times(1 - effort)
                    .plus(read(part, Facet.DrawsPower.class, "busyW", draws.busyW())
                            .times(effort));
        }

        /** A charger at its full current, with the pack about to be full: the most it asks of its supply. */
        private Node charging(Rung rung, Rung.Charging charging) {
            return Charge.input(build, charging, reading)
                    .map(in -> (Node) new Node.Charger(
                            new Node.Load(
                                    rung.id(),
                                    in.linear() ? LoadKind.CURRENT : LoadKind.POWER,
                                    in.lowV(),
                                    in.nominalV(),
                                    in.highV(),
                                    Num.of(reading, r -> asked(charging, r).watts()),
                                    true),
                            Num.of(reading, r -> Charge.reachesW(build, charging, asked(charging, r))),
                            Num.of(reading, r -> Charge.storeHeatW(build, charging, asked(charging, r), r))))
                    .orElseGet(() -> new Node.Idle(rung.id()));
        }

        private Charge.Intake asked(Rung.Charging charging, Reading read) {
            return Charge.input(build, charging, read).orElseThrow();
        }

        private static Input input(Rung rung, String name, String field, Figure figure) {
            return new Input(rung.id(), name, rung.stage().getClass(), field, figure);
        }

        private Num read(Part part, Class<?> of, String field, Figure figure) {
            return read(part.input(of, field, figure));
        }

        private Num read(Input input) {
            return Num.of(input, reading.of(input));
        }
    }
}
