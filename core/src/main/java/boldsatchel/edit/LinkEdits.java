package boldsatchel.edit;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Wiring;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Edits of what is plugged into what. */
public final class LinkEdits {

    private LinkEdits() {}

    private static Optional<Port> port(Build build, Link.End end) {
        return build.part(end.part()).flatMap(p -> p.port(end.port()));
    }

    private static String name(Build build, Link.End end) {
        return "“" + port(build, end).map(Port::words).orElse(end.port()) + "” of "
                + build.part(end.part()).map(Part::name).orElse(end.part());
    }

    /** Keeps room for a right-angle plug before every socket that a cable is plugged into and that keeps none. */
    public static Edit keepRoom() {
        return new Edit("keep room for plugs", b -> {
            Build now = b;
            for (Link link : b.wiring().links()) {
                for (Link.End end : List.of(link.one(), link.other())) {
                    Part part = now.part(end.part()).orElseThrow();
                    Optional<Port> bare =
                            part.port(end.port()).filter(p -> p.use() == Port.Use.UNUSED && !p.plug() && !part.isLed());
                    if (bare.isPresent()) {
                        now = now.with(part.withBody(part.body().using(end.port(), Port.Use.INSIDE_ANGLED)));
                    }
                }
            }
            return now;
        });
    }

    /** Uses a socket in another way. */
    public static Edit use(Part part, Port port, Port.Use use) {
        return Edits.part(
                use.words() + ": " + port.words() + " of ",
                part,
                p -> p.withBody(p.body().using(port.id(), use)));
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

    /** Pulls a bus up by resistors on one of its parts, or takes that part's resistors off. */
    public static Edit pullUp(Part part, Optional<Double> ohms) {
        return Edits.part(
                ohms.isPresent() ? "pull-ups on " : "no pull-ups on ",
                part,
                p -> p.facet(Facet.OnBus.class)
                        .or(() -> Optional.of(new Facet.OnBus(List.of(), Optional.empty(), Facet.OnBus.USUAL_FARADS)))
                        .map(on -> p.withFacet(on.pulledUp(ohms)))
                        .orElse(p));
    }

    /** Cuts a cable to a length, or takes a shorter one. */
    public static Edit shorten(Part cable, double lengthMm) {
        return Edits.part(
                "shorten ",
                cable,
                p -> p.facet(Facet.Joins.class)
                        .map(j -> p.withFacet(j.longer(Figure.guess(lengthMm))))
                        .orElse(p));
    }

    /** Takes parts out. */
    public static Edit without(List<String> parts) {
        return new Edit("take out what is plugged into nothing", b -> {
            Build now = b;
            for (String id : parts) {
                Optional<Part> part = now.part(id);
                now = part.isPresent() ? Edits.removePart(part.get()).change().apply(now) : now;
            }
            return now;
        });
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
