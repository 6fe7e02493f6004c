package boldsatchel.heat;

import boldsatchel.engine.CannotAnswer;
import boldsatchel.quantity.Input;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.IntStream;

/**
 * Nodes with heat put in and heat capacity, and links between them. The steady state is found by Newton's method on the heat balance of
 * every node; node 0 is the surroundings and stays as it is.
 */
final class HeatNetwork {
    private static final int MOST_STEPS = 60;
    /** The last step taken; what is left after it is of the order of its square. */
    private static final double CLOSE_ENOUGH_K = 0.02;

    /** The first step taken at most; later ones may go as far as was gone already. */
    private static final double LARGEST_STEP_K = 60;

    /** Steps after which one that leaves more heat piled up than it found is halved. */
    private static final int PATIENCE = 20;

    private final double ambientC;
    private final List<Node> nodes = new ArrayList<>(List.of(new Node("", 0, 0)));
    private final List<Link> links = new ArrayList<>();
    private final List<Moved> moved = new ArrayList<>();
    /** Made for the nodes and links there are when it is first asked for. */
    private Optional<Ready> ready = Optional.empty();

    /** The links in a row, and how they hang together. */
    private record Ready(Ways ways, Elimination elimination) {}

    /** A place with one temperature: id of the part or shell that it belongs to, what is put in, and its heat capacity. */
    private static final class Node {
        private final String subject;
        private double watts;
        private double joulesPerK;

        Node(String subject, double watts, double joulesPerK) {
            this.subject = subject;
            this.watts = watts;
            this.joulesPerK = joulesPerK;
        }
    }

    /** A link, and what it would be with one input moved by a standard deviation, made once when somebody asks. */
    private static final class Moved {
        private final Input input;
        private final Link link;
        private final Supplier<Link> then;
        private Optional<Link> made = Optional.empty();

        Moved(Input input, Link link, Supplier<Link> then) {
            this.input = input;
            this.link = link;
            this.then = then;
        }

        Link then() {
            made = made.or(() -> Optional.of(then.get()));
            return made.get();
        }
    }

    /**
     * What one input, moved by a standard deviation, does to the heat.
     *
     * @param watts put into a node more, mean
     * @param swingK more that the node that is asked about swings above its mean
     */
    record Warmed(Input input, int node, double watts, double swingK) {}

    HeatNetwork(double ambientC) {
        this.ambientC = ambientC;
    }

    /** Adds a node. */
    int node(double watts) {
        return node("", watts, 0);
    }

    /**
     * Adds a node.
     *
     * @param subject id of what it belongs to
     * @param watts put in
     * @param capacityJK its heat capacity
     */
    int node(String subject, double watts, double capacityJK) {
        nodes.add(new Node(subject, watts, capacityJK));
        return nodes.size() - 1;
    }

    /** Adds a link; those of a kind after one another are visited fastest. */
    void link(Link link) {
        links.add(link);
    }

    /** Puts more into a node. */
    void heat(int node, double watts) {
        nodes.get(node).watts += watts;
    }

    /** Says what a link would be with an input moved by a standard deviation. */
    void moves(Input input, Link link, Supplier<Link> then) {
        if (input.figure().sigma() > 0) {
            moved.add(new Moved(input, link, then));
        }
    }

    int size() {
        return nodes.size();
    }

    double ambientC() {
        return ambientC;
    }

    /** What was put in with the nodes, W. */
    double[] heat() {
        double[] heat = new double[size()];
        for (int i = 0; i < heat.length; i++) {
            heat[i] = nodes.get(i).watts;
        }
        return heat;
    }

    /** Heat capacity of a node, J/K. */
    double capacity(int node) {
        return nodes.get(node).joulesPerK;
    }

    /** Heat capacities of all nodes, J/K. */
    double[] capacities() {
        double[] capacities = new double[size()];
        for (int i = 0; i < capacities.length; i++) {
            capacities[i] = nodes.get(i).joulesPerK;
        }
        return capacities;
    }

    double heatIn() {
        double sum = 0;
        for (Node node : nodes) {
            sum += node.watts;
        }
        return sum;
    }

    List<Link> links() {
        return links;
    }

    /** Heat flowing over the links that a test accepts, at given temperatures. */
    double flow(double[] celsius, Predicate<Link> which) {
        double sum = 0;
        for (Link link : links) {
            if (which.test(link)) {
                sum += link.watts(celsius[link.from()], celsius[link.to()]);
            }
        }
        return sum;
    }

    /** Temperatures of all nodes with the heat put in with them, °C. */
    double[] solve() {
        return solve(heat(), start());
    }

    /** Where nothing better is known to begin, °C. */
    double[] start() {
        double[] start = new double[size()];
        Arrays.fill(start, ambientC + 10);
        return start;
    }

    /**
     * Temperatures of all nodes, °C.
     *
     * @param watts put into each node
     * @param start where to begin
     * @throws CannotAnswer when the iteration comes to no end
     * @throws IllegalStateException when a node is linked to nothing
     */
    double[] solve(double[] watts, double[] start) {
        int n = size();
        double[] t = start.clone();
        t[0] = ambientC;
        double[] left = new double[n];
        double[] slopes = new double[links.size()];
        double[] held = new double[n];
        for (int step = 0; step < MOST_STEPS; step++) {
            look(watts, t, left, slopes);
            double[] change = ready().elimination().of(slopes, held).to(left);
            double largest = 0;
            double gone = LARGEST_STEP_K;
            for (int i = 1; i < n; i++) {
                largest = Math.max(largest, Math.abs(change[i]));
                gone = Math.max(gone, Math.abs(t[i] - ambientC));
            }
            double share = Math.min(1, gone / largest);
            t = step < PATIENCE ? moved(t, change, share) : downhill(watts, t, change, share);
            if (largest < CLOSE_ENOUGH_K) {
                return t;
            }
        }
        look(watts, t, left, slopes);
        int worst = IntStream.range(1, n)
                .boxed()
                .max(Comparator.comparingDouble(i -> Math.abs(left[i])))
                .orElse(0);
        String there = nodes.get(worst).subject;
        throw new CannotAnswer(
                "the temperatures do not settle: a figure near it cannot be",
                there.isEmpty() ? List.of() : List.of(there));
    }

    private static double[] moved(double[] t, double[] change, double share) {
        double[] to = t.clone();
        for (int i = 1; i < to.length; i++) {
            to[i] += share * change[i];
        }
        return to;
    }

    /** Moves so far that less heat is left piled up: where a link changes its kind, whole steps could go to and fro for ever. */
    private double[] downhill(double[] watts, double[] t, double[] change, double most) {
        double before = piledUp(watts, t);
        double share = most;
        double[] to = moved(t, change, share);
        while (share > most / 1000 && !(piledUp(watts, to) < before)) {
            share /= 2;
            to = moved(t, change, share);
        }
        return to;
    }

    private double piledUp(double[] watts, double[] t) {
        return Arrays.stream(residual(watts, t)).map(Math::abs).sum();
    }

    /**
     * Heat that would pile up in each node, W; the surroundings take any.
     *
     * @param watts put into each node
     * @param t temperatures
     */
    double[] residual(double[] watts, double[] t) {
        double[] left = new double[size()];
        look(watts, t, left, new double[links.size()]);
        return left;
    }

    /** Takes what would pile up in each node, and how the heat over each link grows, at given temperatures. */
    private void look(double[] watts, double[] t, double[] left, double[] slopes) {
        System.arraycopy(watts, 0, left, 0, left.length);
        ready().ways().cross(t, left, slopes);
        left[0] = 0;
    }

    /**
     * What each input, moved by one standard deviation, does to the temperature of a node, K: the residual that it leaves at the links
     * and nodes that hold it, times the node's answer to heat put in anywhere. One solution serves all inputs (adjoint method).
     *
     * @param t the steady state
     * @param convection a factor on all convection
     * @param rises what the effect of links is worth at a peak of the node
     * @param warmed inputs of the heat itself
     */
    Map<Input, Double> effects(double[] t, int node, Input convection, double rises, List<Warmed> warmed) {
        double[] unit = new double[size()];
        unit[node] = 1;
        double[] kelvinPerWatt = answersAt(t).to(unit);
        Map<Input, Double> effects = new LinkedHashMap<>();
        double convected = 0;
        for (Link link : links) {
            double watts = link.convectedW(t[link.from()], t[link.to()]);
            convected += watts * (kelvinPerWatt[link.to()] - kelvinPerWatt[link.from()]);
        }
        if (convected != 0) {
            effects.put(convection, rises * convected * convection.figure().sigma());
        }
        for (Moved m : moved) {
            double from = t[m.link.from()];
            double to = t[m.link.to()];
            double more = m.then().watts(from, to) - m.link.watts(from, to);
            double kelvin = more * (kelvinPerWatt[m.link.to()] - kelvinPerWatt[m.link.from()]);
            effects.merge(m.input, rises * kelvin, Double::sum);
        }
        for (Warmed w : warmed) {
            if (w.input.figure().sigma() > 0) {
                effects.merge(w.input, w.watts * kelvinPerWatt[w.node] + w.swingK, Double::sum);
            }
        }
        return effects;
    }

    /** Answers to small changes about given temperatures. */
    Elimination.Factors answersAt(double[] t) {
        return ready().elimination().of(slopes(t), new double[size()]);
    }

    /** How the heat over each link grows about given temperatures, W/K. */
    double[] slopes(double[] t) {
        double[] slopes = new double[links.size()];
        look(t, t, new double[size()], slopes);
        return slopes;
    }

    private Ready ready() {
        Ready now = ready.filter(
                        r -> r.elimination().size() == size() && r.ways().size() == links.size())
                .orElseGet(() -> new Ready(new Ways(links), new Elimination(size(), links)));
        ready = Optional.of(now);
        return now;
    }
}
