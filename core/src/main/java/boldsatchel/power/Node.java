package boldsatchel.power;

import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.ConverterKind;
import boldsatchel.machine.Facet.LoadKind;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The electrical network of one chain for one demand, with all figures read: what the solver works on. Resistances in a row are one
 * node; what hangs on a converter is solved once, when the network is made.
 *
 * <p>The voltages behind all resistances are found together by Newton's method on the tree: going up, each node is a straight line of
 * current over voltage at its estimate; going down, the lines give the next estimates. Estimates start as if no current flowed. Loads
 * draw a current that is convex in voltage and does not rise faster than a resistor's, so Newton's method from above falls
 * monotonically onto the highest solution (Ortega and Rheinboldt, Iterative Solution of Nonlinear Equations in Several
 * Variables, 13.3.4), and where there is none a slope turns over: a collapse is found, not guessed from a lack of convergence.
 * One step costs as much as there are rungs, however they branch. Estimates live in the nodes: a network is solved by one thread
 * at a time.
 */
sealed interface Node {

    /** Most steps; Newton's method needs about four. */
    int STEPS = 60;

    /** The last step taken, as a share of the open voltage; what is left after it is of the order of its square. */
    double CLOSE_SHARE = 1e-8;

    /** Adds the current drawn when the node's input is at a voltage, and its slope, both at the estimates below it, or marks a collapse. */
    void draw(double volts, Draw out);

    /** Sets the estimates below to what they are without current. */
    default void start(double volts) {}

    /** Moves the estimates below to a new input voltage, by the lines last drawn; returns the largest change, V. */
    default double settle(double volts) {
        return 0;
    }

    /**
     * Solves what hangs behind a source of a voltage and a resistance.
     *
     * @return the voltage behind the resistance; not a number, and a mark, on a collapse
     */
    static double solve(double openV, double ohms, Node next, Draw out) {
        next.start(openV);
        return solveFrom(openV, openV, ohms, next, out);
    }

    /**
     * Solves on from estimates that lie above the solution: those of a fuller source under the same loads.
     *
     * @param fromV estimate of the voltage behind the resistance
     */
    static double solveFrom(double fromV, double openV, double ohms, Node next, Draw out) {
        double u = fromV;
        Draw draw = new Draw();
        for (int i = 0; i < STEPS && u > 0; i++) {
            draw.clear();
            next.draw(u, draw);
            double pivot = 1 + ohms * draw.slope;
            if (draw.collapsed || pivot <= LEAST_PIVOT) {
                break;
            }
            double closer = u - (u + ohms * draw.amps - openV) / pivot;
            double change = Math.max(Math.abs(closer - u), next.settle(closer));
            u = closer;
            if (change <= CLOSE_SHARE * Math.max(1, openV)) {
                return u;
            }
        }
        out.collapsed = true;
        return Double.NaN;
    }

    /** Below this a slope has turned over. */
    double LEAST_PIVOT = 1e-9;

    /** Reports every rung below at the solution. */
    void readOff(double volts, Observer observer);

    /**
     * Tells, at the solution, how the current drawn at a steady input voltage moves with each input below: the reverse sweep of the
     * adjoint method, one visit a rung for all inputs together (Griewank and Walther, Evaluating Derivatives, ch. 3).
     *
     * @param weight what a change of this node's current is worth to the result
     */
    default void sense(double volts, double weight, Num.Sink sink) {}

    /**
     * Tells, at the solution, how heat moves with each input below.
     *
     * @param up what carries all that is drawn here
     */
    default void warm(double volts, HeatMoves.@Nullable Upstream up, HeatMoves moves) {}

    /** Hears what each rung does at the solution. */
    interface Observer {
        void rung(String id, double voltsIn, double voltsOut, double ampsIn, double ampsOut, double heatW);

        /** All that a source gives, its own losses included, W. */
        default void gives(String id, double watts) {}

        /** What a charger puts into a store, and what warms the store meanwhile, W. */
        default void stores(String id, double storedW, double storeHeatW) {}

        /** A limit that is watched here, whether it holds or not. */
        void limit(Breach.Kind kind, String id, double value, double limit);

        /** Whether it must hear of each rung behind a converter again: what happens there is the same at every input voltage. */
        default boolean looksBehind(Converter converter) {
            return true;
        }
    }

    /** Current of a node on a steady voltage, solved for; not a number on a collapse. */
    static double ampsOn(double volts, Node node) {
        Draw draw = new Draw();
        solve(volts, 0, node, draw);
        return draw.collapsed ? Double.NaN : amps(node, volts);
    }

    /** Current of a solved node at its voltage, for reading off. */
    static double amps(Node node, double volts) {
        Draw draw = new Draw();
        node.draw(volts, draw);
        return draw.collapsed ? Double.NaN : draw.amps;
    }

    /** Nothing is connected. */
    record Open() implements Node {
        @Override
        public void draw(double volts, Draw out) {}

        @Override
        public void readOff(double volts, Observer observer) {}
    }

    /**
     * Several branches on one voltage. What draws a fixed power, current or conductance is summed once; only the rest is asked
     * again at every voltage. Plain loops: this is visited thousands of times a run.
     */
    record Fork(List<Node> branches, double watts, double amps, double siemens, List<Node> rest) implements Node {

        static Fork of(List<Node> branches) {
            double watts = 0;
            double amps = 0;
            double siemens = 0;
            List<Node> rest = new ArrayList<>();
            for (Node branch : branches) {
                switch (branch) {
                    case Load l when l.kind == LoadKind.POWER -> watts += l.watts();
                    case Load l when l.kind == LoadKind.CURRENT -> amps += l.watts() / l.nominalV;
                    case Load l -> siemens += l.watts() / (l.nominalV * l.nominalV);
                    case Converter c
                    when c.kind == ConverterKind.STEP_DOWN && !Double.isNaN(c.outAmps) -> watts += c.downWatts();
                    default -> rest.add(branch);
                }
            }
            return new Fork(branches, watts, amps, siemens, rest);
        }

        @Override
        public void start(double volts) {
            for (int i = 0; i < rest.size(); i++) {
                rest.get(i).start(volts);
            }
        }

        @Override
        public double settle(double volts) {
            double change = 0;
            for (int i = 0; i < rest.size(); i++) {
                change = Math.max(change, rest.get(i).settle(volts));
            }
            return change;
        }

        @Override
        public void sense(double volts, double weight, Num.Sink sink) {
            branches.forEach(branch -> branch.sense(volts, weight, sink));
        }

        @Override
        public void warm(double volts, HeatMoves.@Nullable Upstream up, HeatMoves moves) {
            branches.forEach(branch -> branch.warm(volts, up, moves));
        }

        @Override
        public void draw(double volts, Draw out) {
            out.add(watts / volts + amps + siemens * volts, siemens - watts / (volts * volts));
            for (int i = 0; i < rest.size(); i++) {
                rest.get(i).draw(volts, out);
            }
        }

        @Override
        public void readOff(double volts, Observer observer) {
            for (int i = 0; i < branches.size(); i++) {
                branches.get(i).readOff(volts, observer);
            }
        }
    }

    /** A rung on a rail that takes nothing: a capacitor, a socket nothing is plugged into. */
    record Idle(String rung) implements Node {
        @Override
        public void draw(double volts, Draw out) {}

        @Override
        public void readOff(double volts, Observer observer) {
            observer.rung(rung, volts, volts, 0, 0, 0);
        }
    }

    /** Stands before another node at the same voltage and passes everything on. */
    sealed interface Passing extends Node {
        /** What it stands before. */
        Node next();

        @Override
        default void start(double volts) {
            next().start(volts);
        }

        @Override
        default double settle(double volts) {
            return next().settle(volts);
        }

        @Override
        default void draw(double volts, Draw out) {
            next().draw(volts, out);
        }

        @Override
        default void sense(double volts, double weight, Num.Sink sink) {
            next().sense(volts, weight, sink);
        }

        @Override
        default void warm(double volts, HeatMoves.@Nullable Upstream up, HeatMoves moves) {
            next().warm(volts, up, moves);
        }

        @Override
        default void readOff(double volts, Observer observer) {
            next().readOff(volts, observer);
        }
    }

    /** What is left to feed when a source in its current limit already gives some. */
    record Relieved(Node next, double amps) implements Passing {
        @Override
        public void draw(double volts, Draw out) {
            next.draw(volts, out);
            out.add(-amps, 0);
        }

        @Override
        public void readOff(double volts, Observer observer) {
            next.readOff(volts, observer);
        }
    }

    /**
     * One rung that only loses voltage; a diode lets current through one way.
     *
     * @param trips what it is when it carries more than {@code tripA}
     */
    record Resistor(
            String rung, Num knee, Num resistance, double ratedA, double tripA, boolean blocks, Breach.Kind trips) {

        /** One that trips as fuses do. */
        Resistor(String rung, Num knee, Num resistance, double ratedA, double tripA, boolean blocks) {
            this(rung, knee, resistance, ratedA, tripA, blocks, Breach.Kind.OVER_CURRENT);
        }

        double kneeV() {
            return knee.value();
        }

        double ohms() {
            return resistance.value();
        }

        /** Tells how its heat, knee·I + R·I², moves; returns it as what carries all behind it, which takes P = I·(V − knee − R·I). */
        HeatMoves.Upstream warm(double volts, double amps, HeatMoves.@Nullable Upstream up, HeatMoves moves) {
            moves.add(knee, amps, rung, up);
            moves.add(resistance, amps * amps, rung, up);
            double perAmp = kneeV() + 2 * ohms() * amps;
            return new HeatMoves.Upstream(up, rung, perAmp / Math.max(LEAST_PIVOT, volts - perAmp));
        }

        /** Reports it; returns the voltage behind it. */
        double readOff(double volts, double amps, Observer observer) {
            double after = volts - (amps > 0 ? kneeV() : 0) - ohms() * amps;
            observer.rung(rung, volts, after, amps, amps, (volts - after) * amps);
            observer.limit(trips, rung, amps, tripA);
            if (amps <= tripA) {
                observer.limit(Breach.Kind.OVER_RATING, rung, amps, ratedA);
            }
            return after;
        }
    }

    /** Rungs in a row that only lose voltage, then what they feed. */
    final class Series implements Node {
        private final List<Resistor> row;
        private final Node next;
        private final double kneeV;
        private final double ohms;
        /** Estimate of the voltage behind the row, and the line drawn there. */
        private double behindV;

        private double lineAmps;
        private double lineSlope;
        /** Scratch: what is drawn behind the row. */
        private final Draw below = new Draw();

        Series(List<Resistor> row, Node next) {
            this.row = List.copyOf(row);
            this.next = next;
            double knees = 0;
            double resistances = 0;
            for (Resistor r : this.row) {
                knees += r.kneeV();
                resistances += r.ohms();
            }
            this.kneeV = knees;
            this.ohms = resistances;
        }

        List<Resistor> row() {
            return row;
        }

        Node next() {
            return next;
        }

        private double pivot() {
            return 1 + ohms * lineSlope;
        }

        @Override
        public void start(double volts) {
            behindV = volts - kneeV;
            next.start(behindV);
        }

        /** With I = I₀ + g·(u − u₀) behind and u = V − knee − R·I, the row draws (I₀ + g·(V − knee − u₀)) / (1 + R·g). */
        @Override
        public void draw(double volts, Draw out) {
            below.clear();
            if (behindV > 0) {
                next.draw(behindV, below);
            }
            lineAmps = below.amps;
            lineSlope = below.slope;
            if (behindV <= 0 || below.collapsed || pivot() <= LEAST_PIVOT) {
                out.collapsed = true;
                return;
            }
            out.add((lineAmps + lineSlope * (volts - kneeV - behindV)) / pivot(), lineSlope / pivot());
        }

        @Override
        public double settle(double volts) {
            double before = behindV;
            behindV = (volts - kneeV - ohms * (lineAmps - lineSlope * before)) / pivot();
            return Math.max(Math.abs(behindV - before), next.settle(behindV));
        }

        /** With g the slope behind, the row draws (f·I)′ = (I′ − g·(knee′ + I·R′)) / (1 + R·g). */
        @Override
        public void sense(double volts, double weight, Num.Sink sink) {
            below.clear();
            next.draw(behindV, below);
            double passed = weight / (1 + ohms * below.slope);
            for (Resistor r : row) {
                r.knee().tell(-passed * below.slope, sink);
                r.resistance().tell(-passed * below.slope * below.amps, sink);
            }
            next.sense(behindV, passed, sink);
        }

        @Override
        public void warm(double volts, HeatMoves.@Nullable Upstream up, HeatMoves moves) {
            double amps = amps(next, behindV);
            double at = volts;
            HeatMoves.@Nullable Upstream above = up;
            for (Resistor r : row) {
                above = r.warm(at, amps, above, moves);
                at -= r.kneeV() + r.ohms() * amps;
            }
            next.warm(behindV, above, moves);
        }

        @Override
        public void readOff(double volts, Observer observer) {
            double amps = amps(next, behindV);
            double at = volts;
            for (Resistor r : row) {
                at = r.readOff(at, amps, observer);
            }
            next.readOff(behindV, observer);
        }
    }

    /**
     * A converter and its output. What it feeds does not depend on its input, so it is solved at the output voltage once, and what stops
     * a run there is found then.
     */
    record Converter(
            String rung,
            ConverterKind kind,
            double outV,
            Num quiet,
            Num drop,
            Num loss,
            double limitA,
            double dropoutV,
            double lowV,
            double highV,
            Node next,
            double outAmps,
            Optional<Breach> stopBehind)
            implements Node {

        static Converter of(String rung, Facet.Converts converts, Num quiet, Num drop, Num loss, Node next) {
            double amps = ampsOn(converts.outV(), next);
            StopWatcher watcher = new StopWatcher();
            if (!Double.isNaN(amps)) {
                next.readOff(converts.outV(), watcher);
            }
            return new Converter(
                    rung,
                    converts.kind(),
                    converts.outV(),
                    quiet,
                    drop,
                    loss,
                    converts.limitA(),
                    converts.dropoutV(),
                    converts.lowV(),
                    converts.highV(),
                    next,
                    amps,
                    watcher.stop());
        }

        @Override
        public void draw(double volts, Draw out) {
            if (Double.isNaN(outAmps) || volts <= 0) {
                out.collapsed = true;
                return;
            }
            switch (kind) {
                case STEP_DOWN -> stepDown(volts, out);
                case STEP_UP -> stepUp(volts, out);
                case STEP_UP_DOWN -> {
                    if (boosts(volts)) {
                        stepUp(volts, out);
                    } else {
                        stepDown(volts, out);
                    }
                }
                case LINEAR -> out.add(outAmps + q() / outV, 0);
            }
        }

        private double q() {
            return quiet.value();
        }

        private double v() {
            return drop.value();
        }

        private double r() {
            return loss.value();
        }

        private boolean boosts(double volts) {
            return kind == ConverterKind.STEP_UP
                    || (kind == ConverterKind.STEP_UP_DOWN && downWatts() / volts > outAmps);
        }

        private double downWatts() {
            return outV * outAmps + q() + v() * outAmps + r() * outAmps * outAmps;
        }

        private void stepDown(double volts, Draw out) {
            double amps = downWatts() / volts;
            out.add(amps, -amps / volts);
        }

        /** Power balance V·I = Pout + q + v·I + r·I² solved for the smaller I. */
        private void stepUp(double volts, Draw out) {
            double watts = outV * outAmps + q();
            double u = volts - v();
            double root = u * u - 4 * r() * watts;
            if (u <= 0 || root <= 0) {
                out.collapsed = true;
                return;
            }
            double d = Math.sqrt(root);
            double amps = 2 * watts / (u + d);
            out.add(amps, -amps / d);
        }

        /** Derivatives of the power balance V·Iin = Vout·Iout + q + v·I + r·I², I the inductor's current. */
        @Override
        public void sense(double volts, double weight, Num.Sink sink) {
            if (kind == ConverterKind.LINEAR) {
                quiet.tell(weight / outV, sink);
                next.sense(outV, weight, sink);
                return;
            }
            boolean boost = boosts(volts);
            double coil = boost ? amps(this, volts) : outAmps;
            double perWatt = weight / (boost ? volts - v() - 2 * r() * coil : volts);
            quiet.tell(perWatt, sink);
            drop.tell(perWatt * coil, sink);
            loss.tell(perWatt * coil * coil, sink);
            next.sense(outV, perWatt * (outV + (boost ? 0 : v() + 2 * r() * outAmps)), sink);
        }

        /** Of the power balance V·Iin = Vout·Iout + q + v·I + r·I², all but Vout·Iout is heat. */
        @Override
        public void warm(double volts, HeatMoves.@Nullable Upstream up, HeatMoves moves) {
            if (kind == ConverterKind.LINEAR) {
                moves.add(quiet, volts / outV, rung, up);
                next.warm(outV, new HeatMoves.Upstream(up, rung, volts / outV - 1), moves);
                return;
            }
            boolean boost = boosts(volts);
            double coil = boost ? amps(this, volts) : outAmps;
            double perAmp = v() + 2 * r() * coil;
            double perWatt = boost ? 1 / Math.max(LEAST_PIVOT, volts - perAmp) : 1 / outV;
            double grows = boost ? 1 + perAmp * perWatt : 1;
            moves.add(quiet, grows, rung, up);
            moves.add(drop, grows * coil, rung, up);
            moves.add(loss, grows * coil * coil, rung, up);
            next.warm(outV, new HeatMoves.Upstream(up, rung, perAmp * perWatt), moves);
        }

        @Override
        public void readOff(double volts, Observer observer) {
            double in = amps(this, volts);
            observer.rung(rung, volts, outV, in, outAmps, volts * in - outV * outAmps);
            boolean boosting = kind == ConverterKind.STEP_UP || (kind == ConverterKind.STEP_UP_DOWN && in > outAmps);
            double limited = boosting ? in : outAmps;
            observer.limit(Breach.Kind.CONVERTER_LIMIT, rung, limited, limitA);
            boolean needsHeadroom = kind == ConverterKind.STEP_DOWN || kind == ConverterKind.LINEAR;
            double least = needsHeadroom ? Math.max(lowV, outV + dropoutV) : lowV;
            observer.limit(Breach.Kind.DROPOUT, rung, volts, least);
            observer.limit(Breach.Kind.ABOVE_INPUT, rung, volts, highV);
            if (kind == ConverterKind.STEP_UP) {
                observer.limit(Breach.Kind.ABOVE_OUTPUT, rung, volts, outV);
            }
            if (observer.looksBehind(this)) {
                next.readOff(outV, observer);
            }
        }
    }

    /**
     * A charger: draws from its rail, and only what does not reach the cells warms it.
     *
     * @param load what it draws
     * @param reaches what reaches the cells, W
     * @param storeHeat what of that warms them, W
     */
    record Charger(Load load, Num reaches, Num storeHeat) implements Node {

        /** What it draws it turns into heat but for what reaches the cells; what reaches them it draws all the same. */
        @Override
        public void warm(double volts, HeatMoves.@Nullable Upstream up, HeatMoves moves) {
            load.warm(volts, up, moves);
            moves.add(reaches, -1, load.rung, null);
            moves.addToStore(storeHeat, load.rung);
        }

        @Override
        public void sense(double volts, double weight, Num.Sink sink) {
            load.sense(volts, weight, sink);
        }

        @Override
        public void draw(double volts, Draw out) {
            load.draw(volts, out);
        }

        /** A rail lower than the cells bears less. */
        @Override
        public void readOff(double volts, Observer observer) {
            double amps = load.amps(volts);
            double in = volts * amps;
            double reached = Math.min(reaches.value(), in);
            double warms = Math.min(storeHeat.value(), reached);
            observer.rung(load.rung, volts, volts, amps, 0, in - reached);
            observer.stores(load.rung, reached - warms, warms);
            load.watch(volts, observer);
        }
    }

    /**
     * A current that is watched against a limit, on its way down.
     *
     * @param kind of the limit
     * @param rung whose it is
     * @param limitA the most
     * @param amps that flow, whatever is drawn here; not a number for what is drawn here
     */
    record Watched(Breach.Kind kind, String rung, double limitA, double amps, Node next) implements Passing {
        @Override
        public void readOff(double volts, Observer observer) {
            observer.limit(kind, rung, Double.isNaN(amps) ? Node.amps(next, volts) : amps, limitA);
            Passing.super.readOff(volts, observer);
        }
    }

    /**
     * A socket on a rail that its part makes: a source of a voltage and a resistance, for which the part draws by its efficiency. What it
     * feeds does not depend on the part's input, so it is solved once.
     *
     * @param volts of the rail
     * @param efficiency of what makes it
     * @param resistance of the socket
     * @param limitA the most it gives
     * @param behindV what is left at the plug
     * @param amps it gives; not a number on a collapse
     */
    record Outlet(
            String rung,
            double volts,
            Num efficiency,
            Num resistance,
            double limitA,
            Node next,
            double behindV,
            double amps)
            implements Node {

        static Outlet of(String rung, double volts, Num efficiency, Num resistance, double limitA, Node next) {
            Draw draw = new Draw();
            double behind = Node.solve(volts, resistance.value(), next, draw);
            double amps = draw.collapsed ? Double.NaN : Node.amps(next, behind);
            return new Outlet(rung, volts, efficiency, resistance, limitA, next, behind, amps);
        }

        private double watts() {
            return volts * amps / efficiency.value();
        }

        @Override
        public void draw(double in, Draw out) {
            if (Double.isNaN(amps) || in <= 0) {
                out.collapsed = true;
                return;
            }
            out.add(watts() / in, -watts() / (in * in));
        }

        @Override
        public void sense(double in, double weight, Num.Sink sink) {
            Draw below = new Draw();
            next.draw(behindV, below);
            double passed = weight * volts / efficiency.value() / in / (1 + resistance.value() * below.slope);
            efficiency.tell(-weight * watts() / efficiency.value() / in, sink);
            resistance.tell(-passed * below.slope * amps, sink);
            next.sense(behindV, passed, sink);
        }

        /** Of V·I/η, all but what goes on behind the plug is heat in the part. */
        @Override
        public void warm(double in, HeatMoves.@Nullable Upstream up, HeatMoves moves) {
            moves.add(efficiency, -watts() / efficiency.value(), rung, up);
            moves.add(resistance, amps * amps, rung, up);
            double perAmp = volts / efficiency.value() - volts + 2 * resistance.value() * amps;
            double passes = Math.max(LEAST_PIVOT, volts - 2 * resistance.value() * amps);
            next.warm(behindV, new HeatMoves.Upstream(up, rung, perAmp / passes), moves);
        }

        @Override
        public void readOff(double in, Observer observer) {
            double drawn = watts() / in;
            observer.rung(rung, in, behindV, drawn, amps, in * drawn - behindV * amps);
            observer.limit(Breach.Kind.SOCKET_LIMIT, rung, amps, limitA);
            next.readOff(behindV, observer);
        }
    }

    /**
     * A socket of a load that holds another voltage than the load is fed with, by a converter of which nothing is known.
     *
     * @param volts it gives
     * @param next what hangs on it
     * @param amps that this draws; not a number on a collapse
     */
    record Socket(double volts, Node next, double amps) implements Node {
        @Override
        public void draw(double in, Draw out) {
            if (Double.isNaN(amps)) {
                out.collapsed = true;
                return;
            }
            out.add(volts * amps / in, -volts * amps / (in * in));
        }

        @Override
        public void sense(double in, double weight, Num.Sink sink) {
            next.sense(volts, weight * volts / in, sink);
        }

        @Override
        public void warm(double in, HeatMoves.@Nullable Upstream up, HeatMoves moves) {
            next.warm(volts, up, moves);
        }

        @Override
        public void readOff(double in, Observer observer) {
            next.readOff(volts, observer);
        }
    }

    /** A load that draws its watts at the nominal voltage. */
    record Load(String rung, LoadKind kind, double lowV, double nominalV, double highV, Num power, boolean on)
            implements Node {

        double watts() {
            return power.value();
        }

        @Override
        public void sense(double volts, double weight, Num.Sink sink) {
            power.tell(
                    weight
                            * switch (kind) {
                                case POWER -> 1 / volts;
                                case CURRENT -> 1 / nominalV;
                                case RESISTANCE -> volts / (nominalV * nominalV);
                            },
                    sink);
        }

        @Override
        public void warm(double volts, HeatMoves.@Nullable Upstream up, HeatMoves moves) {
            moves.add(power, volts * amps(volts) / Math.max(LEAST_PIVOT, watts()), rung, up);
        }

        private double amps(double volts) {
            return switch (kind) {
                case POWER -> watts() / volts;
                case CURRENT -> watts() / nominalV;
                case RESISTANCE -> watts() * volts / (nominalV * nominalV);
            };
        }

        @Override
        public void draw(double volts, Draw out) {
            double amps = amps(volts);
            out.add(
                    amps,
                    switch (kind) {
                        case POWER -> -amps / volts;
                        case CURRENT -> 0;
                        case RESISTANCE -> amps / volts;
                    });
        }

        @Override
        public void readOff(double volts, Observer observer) {
            double amps = amps(volts);
            observer.rung(rung, volts, volts, amps, 0, volts * amps);
            watch(volts, observer);
        }

        /** Its window, while it is on. */
        private void watch(double volts, Observer observer) {
            if (!on) {
                return;
            }
            observer.limit(Breach.Kind.BELOW_WINDOW, rung, volts, lowV);
            if (volts >= lowV) {
                observer.limit(Breach.Kind.ABOVE_WINDOW, rung, volts, highV);
            }
        }
    }
}
