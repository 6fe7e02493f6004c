package boldsatchel.edit;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Wiring;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Edits of what is plugged into what. */
public final class LinkEdits {

    private LinkEdits() {}

    /** Plugs two sockets into one another; refused in words where they do not go together. */
    public static Attempt plug(Build build, Link.End one, Link.End other) {
        Optional<String> why = refusal(build, one, other);
        return why.isPresent()
                ? new Attempt.Refused(why.get())
                : new Attempt.Allowed(new Edit(
                        "plug " + name(build, one) + " into " + name(build, other),
                        b -> refusal(b, one, other).isPresent() ? b : with(b, new Link(free(b), one, other))));
    }

    private static Build with(Build build, Link link) {
        List<Link> links = new ArrayList<>(build.wiring().links());
        links.add(link);
        return build.with(build.wiring().withLinks(links));
    }

    private static String free(Build build) {
        List<String> taken = build.wiring().links().stream().map(Link::id).toList();
        int n = taken.size() + 1;
        while (taken.contains("link-" + n)) {
            n++;
        }
        return "link-" + n;
    }

    private static Optional<Port> port(Build build, Link.End end) {
        return build.part(end.part()).flatMap(p -> p.port(end.port()));
    }

    private static String name(Build build, Link.End end) {
        return "“" + port(build, end).map(Port::words).orElse(end.port()) + "” of "
                + build.part(end.part()).map(Part::name).orElse(end.part());
    }

    /** Why two sockets cannot be plugged together. */
    private static Optional<String> refusal(Build build, Link.End one, Link.End other) {
        Optional<Port> a = port(build, one);
        Optional<Port> b = port(build, other);
        if (a.isEmpty() || b.isEmpty()) {
            return Optional.of(
                    name(build, a.isEmpty() ? one : other) + " is not there any more. Choose another socket.");
        }
        if (one.part().equals(other.part())) {
            return Optional.of("Both are sockets of "
                    + build.part(one.part()).map(Part::name).orElseThrow() + ". Plug it into another part.");
        }
        if (a.get().plug() == b.get().plug()) {
            return Optional.of("Both ends are " + (a.get().plug() ? "plugs" : "sockets")
                    + (a.get().plug() ? ". A coupler goes between them." : ". A cable goes between them."));
        }
        if (!a.get().mates(b.get())) {
            return Optional.of("A plug for " + a.get().connector().words() + " does not go into "
                    + b.get().connector().words() + ". An adapter goes between them.");
        }
        for (Link.End end : List.of(one, other)) {
            boolean full = !port(build, end).orElseThrow().connector().byPins()
                    && build.wiring().links().stream().flatMap(Link::ends).anyMatch(e -> e.is(end.part(), end.port()));
            if (full) {
                return Optional.of(name(build, end) + " is taken. Unplug it first, or use another.");
            }
        }
        return Optional.empty();
    }

    /** Keeps room for a right-angle plug before every socket that a cable is plugged into and that keeps none. */
    public static Edit keepRoom() {
        return new Edit("keep room for plugs", b -> {
            Build now = b;
            for (Link link : b.wiring().links()) {
                for (Link.End end : List.of(link.one(), link.other())) {
                    Part part = now.part(end.part()).orElseThrow();
                    List<Port> ports = part.body().ports();
                    for (int i = 0; i < ports.size() && !part.isLed(); i++) {
                        Port port = ports.get(i);
                        if (port.id().equals(end.port()) && port.use() == Port.Use.UNUSED && !port.plug()) {
                            now = now.with(part.withBody(part.body().using(i, Port.Use.INSIDE_ANGLED)));
                        }
                    }
                }
            }
            return now;
        });
    }

    /** Unplugs. */
    public static Edit unplug(Build build, String link) {
        return new Edit(
                "unplug "
                        + build.wiring().links().stream()
                                .filter(l -> l.id().equals(link))
                                .findFirst()
                                .map(l -> name(build, l.one()))
                                .orElse(link),
                b -> b.with(b.wiring()
                        .withLinks(b.wiring().links().stream()
                                .filter(l -> !l.id().equals(link))
                                .toList())));
    }

    /** Leaves a need open on purpose, or no longer. */
    public static Edit waive(Part part, String duty, boolean waived) {
        Wiring.Waived need = new Wiring.Waived(part.id(), duty);
        return new Edit((waived ? "leave open: " : "wants to be met: ") + duty + " of " + part.name(), b -> {
            List<Wiring.Waived> all = b.wiring().waived().stream()
                    .filter(w -> !w.equals(need))
                    .collect(Collectors.toCollection(ArrayList::new));
            if (waived) {
                all.add(need);
            }
            return b.with(b.wiring().waiving(all));
        });
    }

    /** Sets a part on a bus to another of its addresses. */
    public static Edit address(Part part, int address) {
        return Edits.part(
                "set the address of ",
                part,
                p -> p.facet(Facet.OnBus.class)
                        .filter(on -> on.addresses().contains(address))
                        .map(on -> p.withFacet(on.at(address)))
                        .orElse(p));
    }

    /** Lets the program choose the pins of the last one that was given a pin by hand which others have. */
    public static Edit otherPins(Part header, int pin) {
        return new Edit("choose other pins on " + header.name(), b -> {
            List<Link> links = new ArrayList<>(b.wiring().links());
            for (int i = links.size() - 1; i >= 0; i--) {
                Link l = links.get(i);
                if (has(l.one(), header, pin) || has(l.other(), header, pin)) {
                    links.set(
                            i,
                            new Link(
                                    l.id(),
                                    Link.End.of(l.one().part(), l.one().port()),
                                    Link.End.of(l.other().part(), l.other().port())));
                    break;
                }
            }
            return b.with(b.wiring().withLinks(links));
        });
    }

    private static boolean has(Link.End end, Part header, int pin) {
        return end.part().equals(header.id()) && end.pins().contains(pin);
    }
}
