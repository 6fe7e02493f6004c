package boldsatchel.heat;

import boldsatchel.engine.CannotAnswer;
import boldsatchel.engine.Lazy;
import boldsatchel.quantity.Input;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * Nodes with heat put in and heat capacity, and links between them. The steady state is found by Newton's method on the heat balance of
 * every node; node 0 is the surroundings and stays as it is.
 */
final class HeatNetwork {
    private static final int MOST_STEPS = 60;
    /** The last step taken: what is left after it goes with its square, some microkelvin about a difference of 10 K. */
    private static final double CLOSE_K = 0.02;

    /** The same where nodes take up heat over a piece of time: what is left then is told by the next piece; some tenths of a millikelvin. */
    private static final double CLOSE_HELD_K = 0.2;

    /** A step this small is rounding: where next to nothing is put in, as little may be piled up. */
    private static final double NOTHING_K = 1e-7;

    /** What may be piled up in all nodes before it, as a share of what is put in. */
    private static final double CLOSE_SHARE = 0.01;
    /** Less than this is rounding, W. */
    private static final double ROUNDING_W = 1e-9;

    /** A difference that links usually bear. */
    private static final double USUAL_K = 10;

    /** No node is first taken for further from the surroundings. */
    private static final double FIRST_K = 100;

    /** The first step taken at most; later ones may go as far as was gone already. */
    private static final double LARGEST_STEP_K = 60;

    /** Steps after which one that leaves more heat piled up than it found is halved. */
    private static final int PATIENCE = 20;

    /** What holds a node where it is held, W/K: a kilowatt moves it by a millikelvin. */
    private static final double HELD_WK = 1e6;

    private final double ambientC;
    private final List<Node> nodes = new ArrayList<>(List.of(new Node("", 0, 0)));
    private final List<Link> links = new ArrayList<>();
    private final List<Moved> moved = new ArrayList<>();
    private final Advection advection = new Advection();
    /** Made for the nodes and links there are when it is first asked for. */
    private Optional<Ready> ready = Optional.empty();

    /**
     * The links in a row, and how they hang together.
     *
     * @param usual answers where every link bears a difference that is usual
     */
    private record Ready(Ways ways, Elimination elimination, Elimination.Factors usual) {
        static Ready of(HeatNetwork network) {
            Ways ways = new Ways(network.links);
            Elimination elimination = Elimination.of(network.size(), ways);
            return new Ready(ways, elimination, elimination.of(ways.perK(network.ambientC, USUAL_K)));
        }

        boolean fits(HeatNetwork network) {
            return elimination.size() == network.size() && ways.size() == network.links.size();
        }
    }

    /** A steady state, and the answers to small changes about it. */
    static final class Steady {
        private final double[] celsius;
        private final Elimination.Factors answers;
        private final Taken taken;

        private Steady(double[] celsius, Elimination.Factors answers, Taken taken) {
            this.celsius = celsius;
            this.answers = answers;
            this.taken = taken;
        }

        /** Temperatures of all nodes, °C. */
        double[] celsius() {
            return celsius;
        }

        Elimination.Factors answers() {
            return answers;
        }
    }

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

    /** A link, and what it would be with one input moved by a standard deviation. */
    record Moved(Input input, Link link, Lazy<? extends Link> then) {
        /** What crosses it more with the input moved, W. */
        double moreW(double[] t) {
            Link.Flow flow = new Link.Flow();
            link.cross(t[link.from()], t[link.to()], flow);
            double now = flow.watts;
            then.get().cross(t[link.from()], t[link.to()], flow);
            return flow.watts - now;
        }
    }

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

    /** Adds a link of which a share of what crosses it arrives at another node than its end: air goes on there with it. */
    void carries(Link link, int to, double share) {
        advection.add(new Advection.Way(links.size(), link, to, share));
        links.add(link);
    }

    /** Puts more into a node. */
    void heat(int node, double watts) {
        nodes.get(node).watts += watts;
    }

    /** Says what a link would be with an input moved by a standard deviation. */
    void moves(Input input, Link link, Lazy<? extends Link> then) {
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

    /**
     * Heat on its way.
     *
     * @param from node
     * @param to node
     * @param watts negative where it goes the other way
     */
    record Crossing(int from, int to, double watts) {}

    /** What crosses all links, and what is carried on from there. */
    List<Crossing> crossings(double[] t) {
        List<Crossing> crossings = new ArrayList<>(links.size());
        for (Link link : links) {
            crossings.add(new Crossing(link.from(), link.to(), link.watts(t[link.from()], t[link.to()])));
        }
        for (Advection.Way way : advection.ways()) {
            crossings.add(new Crossing(way.over().from(), way.over().to(), -way.watts(t)));
            crossings.add(new Crossing(way.over().from(), way.to(), way.watts(t)));
        }
        return crossings;
    }

    /** What comes into a node from each other, W; negative where it goes there. */
    double[] into(int node, double[] t) {
        double[] comes = new double[size()];
        for (Link link : links) {
            if (link.to() == node) {
                comes[link.from()] += link.watts(t[link.from()], t[node]);
            } else if (link.from() == node) {
                comes[link.to()] -= link.watts(t[node], t[link.to()]);
            }
        }
        return comes;
    }

    /** Temperatures of all nodes with the heat put in with them, °C. */
    double[] solve() {
        return settle(heat()).celsius();
    }

    /** The steady state with heat put in. */
    Steady settle(double[] watts) {
        return settle(watts, start(watts), CLOSE_K);
    }

    /**
     * The steady state with heat put in and some nodes held at a temperature, whatever that takes.
     *
     * @param heldC which, °C
     */
    Steady settle(double[] watts, Map<Integer, Double> heldC) {
        double[] held = new double[size()];
        double[] base = new double[size()];
        double[] start = start(watts);
        heldC.forEach((node, celsius) -> {
            held[node] = HELD_WK;
            base[node] = celsius;
            start[node] = celsius;
        });
        return settle(new Taken(watts, held, base), start, CLOSE_K);
    }

    /** Where it may settle: every link gives as much for a kelvin as it does at a difference that is usual, °C. */
    private double[] start(double[] watts) {
        double[] start = ready().usual().to(watts);
        for (int i = 0; i < start.length; i++) {
            start[i] = ambientC + Math.clamp(start[i], -FIRST_K, FIRST_K);
        }
        return start;
    }

    /**
     * The steady state with heat put in.
     *
     * @param watts put into each node
     * @param start where to begin
     * @param closeK a step that is no larger is the last
     * @throws CannotAnswer when the iteration comes to no end
     * @throws IllegalStateException when a node is linked to nothing
     */
    Steady settle(double[] watts, double[] start, double closeK) {
        return settle(new Taken(watts, new double[size()], new double[size()]), start, closeK);
    }

    /** The same with other heat put in, the same nodes held. */
    Steady settle(Steady like, double[] watts, double[] start, double closeK) {
        return settle(new Taken(watts, like.taken.held, like.taken.baseC), start, closeK);
    }

    private Steady settle(Taken taken, double[] start, double closeK) {
        double[] t = start.clone();
        t[0] = ambientC;
        Elimination.Factors answers = factors();
        if (!Double.isNaN(balance(taken, t, answers, closeK, CLOSE_SHARE))) {
            return new Steady(t, answers, taken);
        }
        double[] left = residual(taken.watts, t);
        int worst = IntStream.range(1, size())
                .boxed()
                .max(Comparator.comparingDouble(i -> Math.abs(left[i])))
                .orElse(0);
        String there = nodes.get(worst).subject;
        throw new CannotAnswer(
                "the temperatures do not settle: a figure near it cannot be",
                there.isEmpty() ? List.of() : List.of(there));
    }

    /** Room for answers of this network. */
    Elimination.Factors factors() {
        return ready().elimination().factors();
    }

    /** Heat that nodes get, and take up. */
    static final class Taken {
        private final double[] watts;
        private final double[] held;
        private final double[] baseC;

        /**
         * Heat; kept as it is.
         *
         * @param watts put into each node
         * @param held what each takes up for a kelvin above its base, W/K
         * @param baseC above which it does
         */
        Taken(double[] watts, double[] held, double[] baseC) {
            this.watts = watts;
            this.held = held;
            this.baseC = baseC;
        }
    }

    /**
     * Where nodes are that take up heat for each kelvin above a base, as over an implicit piece of time.
     *
     * @param t where to begin; is moved there
     * @param answers room for them
     * @return what crosses into the surroundings there, W; not a number where it does not settle
     */
    double hold(Taken taken, double[] t, Elimination.Factors answers) {
        return balance(taken, t, answers, CLOSE_HELD_K, 1);
    }

    /**
     * Newton's method on the balance of every node; as above.
     *
     * @param closeK a step that is no larger is the last
     * @param closeShare where no larger share of what is put in was piled up before it
     */
    private double balance(Taken taken, double[] t, Elimination.Factors answers, double closeK, double closeShare) {
        int n = size();
        double[] watts = taken.watts;
        double[] change = new double[n];
        double[] slopes = new double[links.size()];
        for (int step = 0; step < MOST_STEPS; step++) {
            double givenOff = look(taken, t, change, slopes);
            double put = ROUNDING_W;
            double piledUp = 0;
            for (int i = 1; i < n; i++) {
                put += Math.abs(watts[i]) + taken.held[i] * Math.abs(t[i] - taken.baseC[i]);
                piledUp += Math.abs(change[i]);
            }
            answers.take(slopes, taken.held);
            answers.answer(change);
            advection.answer(answers, slopes, change);
            double largest = 0;
            double gone = LARGEST_STEP_K;
            for (int i = 1; i < n; i++) {
                largest = Math.max(largest, Math.abs(change[i]));
                gone = Math.max(gone, Math.abs(t[i] - ambientC));
            }
            double share = Math.min(1, gone / largest);
            move(t, change, step < PATIENCE ? share : downhill(taken, t, change, share));
            if (largest < closeK && (piledUp < closeShare * put || largest < NOTHING_K)) {
                return givenOff + ready().ways().moreGivenOff(slopes, change) + advection.moreGivenOff(slopes, change);
            }
        }
        return Double.NaN;
    }

    private static void move(double[] t, double[] change, double share) {
        for (int i = 1; i < t.length; i++) {
            t[i] += share * change[i];
        }
    }

    /** So much of a step that less heat is left piled up: where a link changes its kind, whole steps could go to and fro for ever. */
    private double downhill(Taken taken, double[] t, double[] change, double most) {
        double before = piledUp(taken, t);
        double share = most;
        while (share > most / 1000 && !(piledUp(taken, moved(t, change, share)) < before)) {
            share /= 2;
        }
        return share;
    }

    private static double[] moved(double[] t, double[] change, double share) {
        double[] to = t.clone();
        move(to, change, share);
        return to;
    }

    private double piledUp(Taken taken, double[] t) {
        double[] left = new double[size()];
        look(taken, t, left, new double[links.size()]);
        return Arrays.stream(left).map(Math::abs).sum();
    }

    /**
     * Heat that would pile up in each node, W; the surroundings take any.
     *
     * @param watts put into each node
     * @param t temperatures
     */
    double[] residual(double[] watts, double[] t) {
        double[] left = new double[size()];
        look(new Taken(watts, new double[size()], t), t, left, new double[links.size()]);
        return left;
    }

    /**
     * Takes what would pile up in each node, and how the heat over each link grows, at given temperatures.
     *
     * @return what crosses into the surroundings, W
     */
    private double look(Taken taken, double[] t, double[] left, double[] slopes) {
        System.arraycopy(taken.watts, 0, left, 0, left.length);
        left[0] = 0;
        ready().ways().cross(t, left, slopes);
        advection.cross(t, left);
        double givenOff = left[0];
        for (int i = 1; i < left.length; i++) {
            left[i] -= taken.held[i] * (t[i] - taken.baseC[i]);
        }
        left[0] = 0;
        return givenOff;
    }

    /** Links that inputs move. */
    List<Moved> moved() {
        return moved;
    }

    /**
     * What convection brings into each node at given temperatures, W.
     *
     * @param times of it
     */
    double[] convectedW(double[] t, double times) {
        double[] into = new double[size()];
        for (Link link : links) {
            double watts = times * link.convectedW(t[link.from()], t[link.to()]);
            into[link.from()] -= watts;
            into[link.to()] += watts;
        }
        return into;
    }

    private Ready ready() {
        if (ready.isPresent() && ready.get().fits(this)) {
            return ready.get();
        }
        ready = Optional.of(Ready.of(this));
        return ready.get();
    }
}
