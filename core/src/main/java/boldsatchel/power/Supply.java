package boldsatchel.power;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What feeds a network: one source, or several joined on one rail. A joined source is a voltage behind a resistance; behind a diode it
 * gives current only while its voltage less the diode's knee is above the rail's. Sources are taken in by falling voltage until
 * the next would give nothing: with each set the rest is one Thévenin source (Horowitz and Hill, The Art of
 * Electronics, 1.2.5), and the first set whose rail voltage keeps the next source blocked is the highest solution. A
 * regulated source beyond its limit becomes a constant current and leaves the rest to the others.
 */
record Supply(List<Branch> branches) {

    /** Marks a source as taken out; what was left in it is kept. */
    static double out(double level) {
        return -1 - level;
    }

    /** Whether a level says that its source is taken out. */
    static boolean isOut(double level) {
        return level < 0;
    }

    /** What is left in a source, taken out or not. */
    static double left(double level) {
        return isOut(level) ? -1 - level : level;
    }

    /** One source and the rungs between it and the rail. */
    record Branch(String source, Store store, List<Node.Resistor> row, double kneeV, double ohms, boolean blocks) {

        static Branch of(String source, Store store, List<Node.Resistor> row) {
            return new Branch(
                    source,
                    store,
                    row,
                    row.stream().mapToDouble(Node.Resistor::kneeV).sum(),
                    row.stream().mapToDouble(Node.Resistor::ohms).sum(),
                    row.stream().anyMatch(Node.Resistor::blocks));
        }
    }

    /** Rail voltage and the current of each source; a collapse has none. */
    @SuppressWarnings("ArrayRecordComponent") // Lives for one solution and is never compared.
    record Flow(double volts, double[] amps) {
        static final Flow COLLAPSE = new Flow(0, new double[0]);

        boolean collapsed() {
            return amps.length == 0;
        }

        /** Current of all sources, A; a plain loop, as this is asked at every solution. */
        double total() {
            double sum = 0;
            for (double a : amps) {
                sum += a;
            }
            return sum;
        }
    }

    boolean isJoined() {
        return branches.size() > 1;
    }

    /** All sources at one level. */
    double[] levels(double level) {
        double[] levels = new double[branches.size()];
        java.util.Arrays.fill(levels, level);
        return levels;
    }

    /**
     * Solves for the rail; takes out joined sources that end by themselves.
     *
     * @param levels of each source; those that end are marked {@link #out}
     */
    Flow solve(double[] levels, Node next) {
        if (!isJoined()) {
            return alone(levels[0], next);
        }
        while (true) {
            Flow flow = joined(levels, next);
            int ended = flow.collapsed() ? -1 : firstEnded(levels, flow);
            if (ended < 0) {
                return flow;
            }
            levels[ended] = out(levels[ended]);
        }
    }

    /** A single source under the same loads as before, less full than it was. */
    Flow goOn(double fromV, double level, Node next) {
        Branch b = branches.getFirst();
        Draw draw = new Draw();
        double volts =
                Node.solveFrom(fromV, b.store.openVolts(level) - b.kneeV, b.store.ohms(level) + b.ohms, next, draw);
        return draw.collapsed ? Flow.COLLAPSE : new Flow(volts, new double[] {Node.amps(next, volts)});
    }

    private Flow alone(double level, Node next) {
        Branch b = branches.getFirst();
        Draw draw = new Draw();
        double volts = Node.solve(b.store.openVolts(level) - b.kneeV, b.store.ohms(level) + b.ohms, next, draw);
        return draw.collapsed ? Flow.COLLAPSE : new Flow(volts, new double[] {Node.amps(next, volts)});
    }

    /** A joined source that gives up while another goes on; -1 for none. */
    private int firstEnded(double[] levels, Flow flow) {
        int left = 0;
        int ended = -1;
        for (int k = 0; k < levels.length; k++) {
            if (!isOut(levels[k])) {
                left++;
                Branch b = branches.get(k);
                double amps = flow.amps[k];
                double volts = terminalVolts(b, levels[k], amps, flow.volts);
                if (ended < 0
                        && (b.blocks || amps > 0)
                        && b.store.ends(levels[k], volts, amps).isPresent()) {
                    ended = k;
                }
            }
        }
        return left > 1 ? ended : -1;
    }

    private static double terminalVolts(Branch b, double level, double amps, double rail) {
        return amps > 0 ? rail + b.kneeV + b.ohms * amps : b.blocks ? b.store.openVolts(level) : rail + b.ohms * amps;
    }

    private Flow joined(double[] levels, Node next) {
        boolean[] held = new boolean[levels.length];
        while (true) {
            Flow flow = withHeld(levels, held, next);
            if (flow.collapsed()) {
                return flow;
            }
            int over = -1;
            for (int k = 0; k < levels.length && over < 0; k++) {
                if (!held[k] && flow.amps[k] > branches.get(k).store.holdsAtA() * (1 + 1e-12)) {
                    over = k;
                }
            }
            if (over < 0) {
                return flow;
            }
            held[over] = true;
        }
    }

    private Flow withHeld(double[] levels, boolean[] held, Node next) {
        double fixed = 0;
        List<Integer> blocking = new ArrayList<>();
        double siemens = 0;
        double push = 0;
        for (int k = 0; k < levels.length; k++) {
            if (isOut(levels[k])) {
                continue;
            }
            if (held[k]) {
                fixed += branches.get(k).store.holdsAtA();
            } else if (branches.get(k).blocks) {
                blocking.add(k);
            } else {
                siemens += 1 / ohms(k, levels);
                push += threshold(k, levels) / ohms(k, levels);
            }
        }
        blocking.sort(
                Comparator.comparingDouble((Integer k) -> threshold(k, levels)).reversed());
        Node rest = fixed > 0 ? new Node.Relieved(next, fixed) : next;
        for (int m = 0; m <= blocking.size(); m++) {
            if (siemens > 0) {
                Draw draw = new Draw();
                double volts = Node.solve(push / siemens, 1 / siemens, rest, draw);
                boolean lastSet = m == blocking.size();
                if (!draw.collapsed && (lastSet || volts >= threshold(blocking.get(m), levels))) {
                    return new Flow(volts, amps(levels, held, blocking.subList(0, m), volts));
                }
            }
            if (m < blocking.size()) {
                int k = blocking.get(m);
                siemens += 1 / ohms(k, levels);
                push += threshold(k, levels) / ohms(k, levels);
            }
        }
        return Flow.COLLAPSE;
    }

    private double[] amps(double[] levels, boolean[] held, List<Integer> giving, double volts) {
        double[] amps = new double[levels.length];
        for (int k = 0; k < levels.length; k++) {
            if (isOut(levels[k])) {
                continue;
            }
            if (held[k]) {
                amps[k] = branches.get(k).store.holdsAtA();
            } else if (!branches.get(k).blocks || giving.contains(k)) {
                amps[k] = (threshold(k, levels) - volts) / ohms(k, levels);
            }
        }
        return amps;
    }

    private double threshold(int k, double[] levels) {
        Branch b = branches.get(k);
        return b.store.openVolts(levels[k]) - (b.blocks ? b.kneeV : 0);
    }

    private double ohms(int k, double[] levels) {
        Branch b = branches.get(k);
        return Math.max(1e-6, b.store.ohms(levels[k]) + b.ohms);
    }

    /** Tells how the heat of the sources moves, and of what stands between them and the rail; returns all of it as what carries the rest. */
    HeatMoves.@Nullable Upstream warm(double[] levels, Flow flow, HeatMoves moves) {
        HeatMoves.@Nullable Upstream up = null;
        double total = flow.total();
        for (int k = 0; k < levels.length; k++) {
            double amps = isOut(levels[k]) ? 0 : flow.amps[k];
            if (amps <= 0) {
                continue;
            }
            Branch b = branches.get(k);
            double open = b.store.openVolts(levels[k]);
            double ohms = b.store.ohms(levels[k]);
            b.store.tellOhms(levels[k], 1, (input, by) -> moves.add(input, by * amps * amps, b.source, null));
            b.store.tellLoss(amps, (input, by) -> moves.add(input, by, b.source, null));
            double share = amps / total;
            double perAmp = 2 * ohms * amps + b.store.lossW(open, 1);
            up = new HeatMoves.Upstream(up, b.source, share * perAmp / Math.max(1e-9, open - 2 * ohms * amps));
            double at = open - ohms * amps;
            for (Node.Resistor r : b.row) {
                HeatMoves.Upstream behind = r.warm(at, amps, up, moves);
                up = new HeatMoves.Upstream(up, behind.rung(), share * behind.slope());
                at -= r.kneeV() + r.ohms() * amps;
            }
        }
        return up;
    }

    /** Reports the sources and what stands between them and the rail. */
    void readOff(double[] levels, Flow flow, Node.Observer observer) {
        for (int k = 0; k < levels.length; k++) {
            if (isOut(levels[k])) {
                continue;
            }
            Branch b = branches.get(k);
            double amps = flow.amps[k];
            double open = b.store.openVolts(levels[k]);
            double volts = terminalVolts(b, levels[k], amps, flow.volts);
            double lost = b.store.lossW(volts, amps);
            observer.rung(b.source, open, volts, amps, amps, (open - volts) * amps + lost);
            observer.gives(b.source, open * amps + lost);
            if (!isJoined() || amps > 0) {
                b.store.check(b.source, levels[k], volts, amps, observer);
            }
            double at = volts;
            for (Node.Resistor r : b.row) {
                at = r.readOff(at, amps, observer);
            }
        }
    }
}
