package boldsatchel.links;

import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is plugged into what, found by socket; follows a signal from the part that needs it to the one that makes it. */
final class Harness {

    /** No signal passes more cables, hubs and adapters: five hubs with a cable each, and a few to spare. A ring ends here. */
    private static final int MOST_STEPS = 24;

    private record Socket(String part, String port) {}

    /**
     * A socket that a link names, looked up once.
     *
     * @param end as the link has it
     * @param part its part
     * @param port the socket
     */
    record Plugged(Link.End end, Part part, Port port) {}

    /**
     * A link with both its sockets.
     *
     * @param link itself
     * @param one of them
     * @param other of them
     */
    record Joint(Link link, Plugged one, Plugged other) {}

    private final Map<Socket, List<Plugged>> across = new HashMap<>();
    private final List<Joint> joints = new ArrayList<>();
    private final List<Link> broken = new ArrayList<>();

    Harness(Build build) {
        for (Link link : build.wiring().links()) {
            Optional<Joint> joint = joint(build, link);
            joint.ifPresentOrElse(
                    j -> {
                        joints.add(j);
                        put(link.one(), j.other);
                        put(link.other(), j.one);
                    },
                    () -> broken.add(link));
        }
    }

    private void put(Link.End from, Plugged to) {
        across.computeIfAbsent(new Socket(from.part(), from.port()), s -> new ArrayList<>(1))
                .add(to);
    }

    private static Optional<Plugged> plugged(Build build, Link.End end) {
        return build.part(end.part()).flatMap(part -> part.port(end.port()).map(port -> new Plugged(end, part, port)));
    }

    /** A link with its sockets, if both are there and fit. */
    static Optional<Joint> joint(Build build, Link link) {
        return plugged(build, link.one())
                .flatMap(one -> plugged(build, link.other())
                        .filter(other -> one.port.mates(other.port))
                        .map(other -> new Joint(link, one, other)));
    }

    /** Links whose sockets are there and fit. */
    List<Joint> joints() {
        return joints;
    }

    /** Links of which a socket is gone, or that do not fit. */
    List<Link> broken() {
        return broken;
    }

    /** What is plugged into a socket. */
    List<Plugged> at(String part, String port) {
        return across.getOrDefault(new Socket(part, port), List.of());
    }

    /** What following a signal came upon. */
    private static final class Search {
        final List<Route> routes = new ArrayList<>();
        boolean noData;
    }

    /** How a need stands that sockets of a part take signals for. */
    record Found(Optional<Route> route, Need.Why why) {}

    /** Follows each signal that a part takes for a duty; the fastest that is found. */
    Found find(Part part, String duty) {
        Search search = new Search();
        boolean plugged = false;
        for (Port port : part.body().ports()) {
            for (Carried taken : port.carries()) {
                if (taken.takenFor(duty)) {
                    plugged |= !at(part.id(), port.id()).isEmpty();
                    walk(
                            search,
                            Way.from(Link.End.of(part.id(), port.id()), taken),
                            part,
                            port,
                            taken.signal().kind());
                }
            }
        }
        if (!search.routes.isEmpty()) {
            return new Found(
                    search.routes.stream().max(Comparator.comparingDouble(Route::bitsPerSecond)), Need.Why.MET);
        }
        return new Found(
                Optional.empty(),
                search.noData ? Need.Why.NO_DATA : plugged ? Need.Why.LEADS_NOWHERE : Need.Why.UNPLUGGED);
    }

    /**
     * How far a signal was followed.
     *
     * @param hops behind it
     * @param taker where the stretch it is on began
     * @param taken what is taken there
     * @param through cables, hubs and adapters so far
     * @param bits the slowest so far, bit/s
     * @param runMm cable since it was last made anew
     * @param longestMm the longest such run so far
     */
    private record Way(
            List<Route.Hop> hops,
            Link.End taker,
            Carried taken,
            List<String> through,
            double bits,
            double runMm,
            double longestMm) {

        static Way from(Link.End taker, Carried taken) {
            return new Way(List.of(), taker, taken, List.of(), taken.bitsPerSecond(), 0, 0);
        }

        private static <T> List<T> and(List<T> list, T more) {
            List<T> all = new ArrayList<>(list);
            all.add(more);
            return all;
        }

        private List<Route.Hop> hop(Link.End giver, Carried given) {
            return and(hops, new Route.Hop(taker, taken, giver, given));
        }

        Way along(String cable, Facet.Joins joins, Signal best) {
            double run = runMm + joins.lengthMm().value();
            double carried = best.bitsPerSecond() * Math.min(joins.lanes(), taken.lanes());
            return new Way(
                    hops, taker, taken, and(through, cable), Math.min(bits, carried), run, Math.max(longestMm, run));
        }

        /** Past a part that takes the signal for what it gives: the next stretch begins there. */
        Way past(Link.End giver, Carried given, Link.End next, Carried takenThere) {
            return new Way(
                    hop(giver, given),
                    next,
                    takenThere,
                    and(through, giver.part()),
                    Math.min(bits, Math.min(given.bitsPerSecond(), takenThere.bitsPerSecond())),
                    0,
                    longestMm);
        }

        Route to(Link.End giver, Carried given) {
            return new Route(hop(giver, given), through, Math.min(bits, given.bitsPerSecond()), longestMm);
        }
    }

    private void walk(Search search, Way way, Part part, Port port, Signal.Kind kind) {
        if (way.through().size() > MOST_STEPS) {
            return;
        }
        for (Plugged there : at(part.id(), port.id())) {
            Optional<Facet.Joins> joins = there.part.facet(Facet.Joins.class);
            if (joins.isPresent()) {
                along(search, way, there.part, there.port, joins.get(), kind);
            } else {
                arrive(search, way, there.part, there.port, kind);
            }
        }
    }

    private void along(Search search, Way way, Part cable, Port in, Facet.Joins joins, Signal.Kind kind) {
        Optional<Signal> best = joins.best(kind);
        if (best.isEmpty()) {
            search.noData = true;
            return;
        }
        Way on = way.along(cable.id(), joins, best.get());
        for (Port end : cable.body().ports()) {
            if (!end.id().equals(in.id())) {
                walk(search, on, cable, end, kind);
            }
        }
    }

    private void arrive(Search search, Way way, Part part, Port in, Signal.Kind kind) {
        boolean any = false;
        Link.End giver = Link.End.of(part.id(), in.id());
        for (Carried given : in.carries()) {
            if (!given.given() || given.signal().kind() != kind) {
                continue;
            }
            any = true;
            if (given.duty().isEmpty()) {
                search.routes.add(way.to(giver, given));
            } else {
                up(search, way, part, giver, given);
            }
        }
        search.noData |= !any;
    }

    /** A hub or adapter passes on what it takes itself. */
    private void up(Search search, Way way, Part part, Link.End giver, Carried given) {
        for (Port port : part.body().ports()) {
            for (Carried taken : port.carries()) {
                if (taken.takenFor(given.duty())) {
                    walk(
                            search,
                            way.past(giver, given, Link.End.of(part.id(), port.id()), taken),
                            part,
                            port,
                            taken.signal().kind());
                }
            }
        }
    }
}
