package boldsatchel.links;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Looks over links that are there for what will not work all the same. */
final class Flaws {

    /** Hubs one behind the other that USB allows (USB 2.0, 4.1.1: seven tiers, host and device among them). */
    private static final int MOST_HUBS = 5;

    private final Build build;
    private final Harness harness;
    private final List<Need> needs;
    private final List<Flaw> found = new ArrayList<>();

    Flaws(Build build, Harness harness, List<Need> needs) {
        this.build = build;
        this.harness = harness;
        this.needs = needs;
    }

    List<Flaw> all() {
        broken();
        for (Need need : needs) {
            need.route().ifPresent(route -> {
                rate(need, route);
                levels(need, route);
                length(need, route);
                tiers(need, route);
                radio(need, route);
            });
        }
        screens();
        addresses();
        Bus.all(build, needs).forEach(this::pulled);
        feeds();
        rooms();
        spare();
        return found;
    }

    private void add(Flaw.Kind kind, List<String> subjects, String duty, double is, double may) {
        found.add(new Flaw(kind, subjects, duty, is, may));
    }

    private void broken() {
        for (Link link : harness.broken()) {
            add(Flaw.Kind.BROKEN, parts(link), link.id(), 0, 0);
        }
        for (Harness.Joint joint : harness.joints()) {
            if (shared(joint.one(), joint.other()) || shared(joint.other(), joint.one())) {
                add(Flaw.Kind.TWICE, parts(joint.link()), joint.link().id(), 2, 1);
            }
        }
    }

    private static List<String> parts(Link link) {
        return List.of(link.one().part(), link.other().part());
    }

    /** Whether a socket that takes one plug had another one before this. */
    private boolean shared(Harness.Plugged socket, Harness.Plugged plug) {
        if (socket.port().connector().byPins()) {
            return false;
        }
        List<Harness.Plugged> there =
                harness.at(socket.end().part(), socket.end().port());
        return there.size() > 1 && !there.getFirst().end().equals(plug.end());
    }

    private void rate(Need need, Route route) {
        if (!need.slow()) {
            return;
        }
        Optional<Facet.ShowsPicture> picture = build.part(need.part()).flatMap(p -> p.facet(Facet.ShowsPicture.class));
        List<String> subjects = subjects(need, route);
        if (picture.isPresent()) {
            double hertz = picture.get().hertz();
            add(Flaw.Kind.FRAMES, subjects, need.duty(), hertz * route.bitsPerSecond() / need.wantsBits(), hertz);
        } else {
            add(Flaw.Kind.SLOW, subjects, need.duty(), route.bitsPerSecond() / 8e6, need.wantsBits() / 8e6);
        }
    }

    /** Who needs it and who gives it. */
    private static List<String> subjects(Need need, Route route) {
        return List.of(need.part(), route.giver().part());
    }

    private void levels(Need need, Route route) {
        for (Route.Hop hop : route.hops()) {
            Levels.clash(hop.taken(), hop.given()).ifPresent(c -> {
                List<String> subjects = List.of(hop.taker().part(), hop.giver().part());
                Flaw flaw = new Flaw(
                        c.high() ? Flaw.Kind.LEVEL_HIGH : Flaw.Kind.LEVEL_LOW,
                        c.byTaker() ? subjects : subjects.reversed(),
                        need.duty(),
                        c.drivesV(),
                        c.ofV());
                if (!found.contains(flaw)) {
                    found.add(flaw);
                }
            });
        }
    }

    private void length(Need need, Route route) {
        if (route.lengthMm() == 0) {
            return;
        }
        double bears = route.hops().stream()
                .mapToDouble(h -> Levels.bearsMm(h.taken(), h.given()))
                .min()
                .orElseThrow();
        if (route.lengthMm() > bears) {
            add(Flaw.Kind.LENGTH, subjects(need, route), need.duty(), route.lengthMm(), bears);
        }
    }

    private void tiers(Need need, Route route) {
        if (LinksEngine.kind(route) != Signal.Kind.USB || route.through().size() <= MOST_HUBS) {
            return;
        }
        int hubs = (int) route.through().stream()
                .filter(id -> build.part(id).filter(p -> !p.isLed()).isPresent())
                .count();
        if (hubs > MOST_HUBS) {
            add(Flaw.Kind.TIERS, subjects(need, route), need.duty(), hubs, MOST_HUBS);
        }
    }

    private void screens() {
        Map<String, List<String>> shown = new LinkedHashMap<>();
        for (Need need : needs) {
            Optional<Facet.ShowsPicture> picture =
                    build.part(need.part()).flatMap(p -> p.facet(Facet.ShowsPicture.class));
            if (picture.isEmpty() || need.route().isEmpty()) {
                continue;
            }
            refreshes(need, picture.get());
            Route route = need.route().get();
            if (!route.given().signal().kind().picture()) {
                continue;
            }
            String board = route.giver().part();
            shown.computeIfAbsent(board, b -> new ArrayList<>()).add(need.part());
            double pixelHz = new Timing(
                            picture.get().widthPx(),
                            picture.get().heightPx(),
                            picture.get().hertz())
                    .pixelHz();
            drives(board)
                    .filter(d -> pixelHz > d.pixelHz())
                    .ifPresent(d -> add(
                            Flaw.Kind.PIXELS, subjects(need, route), need.duty(), pixelHz / 1e6, d.pixelHz() / 1e6));
        }
        shown.forEach((board, screens) -> drives(board)
                .filter(d -> screens.size() > d.screens())
                .ifPresent(d -> {
                    List<String> subjects = new ArrayList<>(List.of(board));
                    subjects.addAll(screens);
                    add(Flaw.Kind.SCREENS, subjects, "", screens.size(), d.screens());
                }));
    }

    private void refreshes(Need need, Facet.ShowsPicture picture) {
        boolean shows = need.wantsBits() > 0;
        build.part(need.part())
                .flatMap(p -> p.facet(Facet.Refreshes.class))
                .filter(r -> shows && picture.hertz() > r.mostPerMinute() / 60 * (1 + 1e-9))
                .ifPresent(r -> add(
                        Flaw.Kind.REFRESH, List.of(need.part()), need.duty(), r.mostPerMinute() / 60, picture.hertz()));
    }

    private Optional<Facet.DrivesScreens> drives(String board) {
        return build.part(board).flatMap(p -> p.facet(Facet.DrivesScreens.class));
    }

    private void addresses() {
        Map<List<Object>, String> taken = new LinkedHashMap<>();
        for (Need need : needs) {
            Optional<Facet.OnBus> bus = build.part(need.part()).flatMap(p -> p.facet(Facet.OnBus.class));
            if (bus.isEmpty()
                    || bus.get().addresses().isEmpty()
                    || need.route()
                            .filter(r -> LinksEngine.kind(r) == Signal.Kind.I2C)
                            .isEmpty()) {
                continue;
            }
            Route.Hop hop = need.route().get().hops().getFirst();
            int address = bus.get().addresses().getFirst();
            List<Object> place = List.of(hop.giver(), hop.given(), address);
            String first = taken.putIfAbsent(place, need.part());
            if (first != null) {
                add(Flaw.Kind.ADDRESS, List.of(need.part(), first, hop.giver().part()), need.duty(), address, 1);
            }
        }
    }

    private void pulled(Bus bus) {
        List<String> subjects = new ArrayList<>(bus.parts());
        subjects.add(bus.header().part());
        if (Double.isInfinite(bus.pullUpOhms())) {
            add(Flaw.Kind.NO_PULL_UPS, subjects, bus.header().port(), 0, bus.mostOhms());
        } else if (bus.riseSeconds() > bus.riseMostSeconds()) {
            add(Flaw.Kind.RISE, subjects, bus.header().port(), bus.riseSeconds() * 1e9, bus.riseMostSeconds() * 1e9);
        } else if (bus.sinkA() > Bus.MOST_SINK_A) {
            add(Flaw.Kind.PULL_STRONG, subjects, bus.header().port(), bus.sinkA() * 1e3, Bus.MOST_SINK_A * 1e3);
        }
    }

    private void radio(Need need, Route route) {
        if (LinksEngine.kind(route) != Signal.Kind.RADIO || route.lengthMm() == 0) {
            return;
        }
        double loss = Coax.lossDb(route);
        if (loss > Coax.MOST_DB) {
            add(Flaw.Kind.RADIO_LOSS, subjects(need, route), need.duty(), loss, Coax.MOST_DB);
        }
    }

    private void spare() {
        Set<String> linked = new HashSet<>();
        build.wiring().links().forEach(l -> l.ends().forEach(e -> linked.add(e.part())));
        List<String> spare = new ArrayList<>();
        for (Part part : build.parts().list()) {
            if (!linked.contains(part.id()) && (part.isLed() || passesOnly(part))) {
                spare.add(part.id());
            }
        }
        if (!spare.isEmpty()) {
            add(Flaw.Kind.SPARE, spare, "", spare.size(), 0);
        }
    }

    /** Whether a part does nothing with signals but to pass them on. */
    private static boolean passesOnly(Part part) {
        Set<String> passed = new HashSet<>();
        Set<String> duties = LinksEngine.duties(part, passed);
        return !duties.isEmpty() && passed.containsAll(duties);
    }

    private void rooms() {
        List<String> parts = new ArrayList<>();
        for (Harness.Joint joint : harness.joints()) {
            if (isTight(joint.one(), joint.other())) {
                parts.add(joint.one().part().id());
            }
            if (isTight(joint.other(), joint.one())) {
                parts.add(joint.other().part().id());
            }
        }
        if (!parts.isEmpty()) {
            add(Flaw.Kind.NO_ROOM, parts.stream().distinct().toList(), "", parts.size(), 0);
        }
    }

    /** Whether a socket of a part keeps no room for the plug of the cable in it. */
    private static boolean isTight(Harness.Plugged socket, Harness.Plugged plug) {
        return socket.port().use() == Port.Use.UNUSED
                && !socket.port().plug()
                && plug.part().isLed()
                && !socket.part().isLed();
    }

    /** A plug brings its power along: the chain must feed by a socket what is plugged into it. */
    private void feeds() {
        for (Rung rung :
                build.rungs().filter(r -> r.stage() instanceof Rung.Socket).toList()) {
            Rung.Socket socket = (Rung.Socket) rung.stage();
            List<String> fed = rung.walk()
                    .flatMap(r -> r.part().stream())
                    .filter(id -> !id.equals(socket.part()))
                    .toList();
            for (Need need : needs) {
                boolean there = need.route()
                        .filter(r ->
                                passes(r, socket) && !r.taken().signal().kind().logic())
                        .isPresent();
                if (there && !fed.isEmpty() && !fed.contains(need.part()) && direct(need, socket)) {
                    add(
                            Flaw.Kind.FEEDS_OTHER,
                            List.of(need.part(), fed.getFirst(), socket.part()),
                            socket.port(),
                            0,
                            0);
                }
            }
        }
    }

    private static boolean passes(Route route, Rung.Socket socket) {
        return route.giver().is(socket.part(), socket.port());
    }

    /** Whether nothing but cables lies between. */
    private boolean direct(Need need, Rung.Socket socket) {
        return need.route()
                .filter(r -> r.through().stream()
                        .allMatch(id -> build.part(id).filter(Part::isLed).isPresent()))
                .filter(r -> passes(r, socket))
                .isPresent();
    }
}
