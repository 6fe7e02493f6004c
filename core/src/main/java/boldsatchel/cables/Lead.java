package boldsatchel.cables;

import boldsatchel.links.Run;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Something that is led from one part to another: a cable between sockets, the lead of a part, a pair of wires of the power chain.
 *
 * @param id of the cable, of the link that a lead is plugged in by, or of the wire in the chain
 * @param name for people
 * @param kind what it is
 * @param one end
 * @param other end
 * @param girth how thick it is
 * @param lengthMm its own length, where that is known
 * @param ends on which sides a flat one has its contacts, where that is known
 */
public record Lead(
        String id,
        String name,
        Kind kind,
        End one,
        End other,
        Girth girth,
        OptionalDouble lengthMm,
        Optional<Facet.Joins.Ends> ends) {

    /** One of which nobody has to know where its contacts are. */
    private Lead(String id, String name, Kind kind, End one, End other, Girth girth, OptionalDouble lengthMm) {
        this(id, name, kind, one, other, girth, lengthMm, Optional.empty());
    }

    /** What is led. */
    public enum Kind {
        /** A cable with plugs at its ends. */
        CABLE("cable"),
        /** A lead that is fixed to a part. */
        LEAD("lead"),
        /** A pair of wires. */
        WIRES("wires");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        /** As shown in a list. */
        public String words() {
            return words;
        }
    }

    /**
     * Where it ends.
     *
     * @param part id
     * @param port socket; absent where nobody says where wires are joined to the part
     */
    public record End(String part, Optional<Port> port) {}

    /** All that is led inside a machine, cables and leads in the order of its links, then wires. */
    static List<Lead> all(Build build) {
        List<Lead> all = new ArrayList<>();
        for (Run run : Run.all(build)) {
            Optional<End> one = end(build, run.one());
            Optional<End> other = end(build, run.other());
            if (one.isPresent() && other.isPresent()) {
                (run.cables().isEmpty()
                                ? ofLead(build, run, one.get(), other.get())
                                : Optional.of(ofCables(run, one.get(), other.get())))
                        .ifPresent(all::add);
            }
        }
        build.wiring().chain().forEach(root -> wires(build, root, Optional.empty(), all));
        return List.copyOf(all);
    }

    private static Optional<End> end(Build build, Link.End end) {
        return build.part(end.part())
                .filter(p -> !p.staysOutside())
                .flatMap(p -> p.port(end.port()))
                .map(port -> new End(end.part(), Optional.of(port)));
    }

    private static Lead ofCables(Run run, End one, End other) {
        List<String> names = new ArrayList<>();
        double length = 0;
        Girth thickest = new Girth(0, 0, false, 0, true);
        for (Part cable : run.cables()) {
            Facet.Joins joins = cable.facet(Facet.Joins.class).orElseThrow();
            Girth girth = Girth.of(joins, cable.body().ports());
            thickest = girth.takesMm2() > thickest.takesMm2() ? girth : thickest;
            length += joins.lengthMm().value();
            names.add(cable.name());
        }
        return new Lead(
                run.cables().getFirst().id(),
                String.join(" + ", names),
                Kind.CABLE,
                one,
                other,
                thickest,
                OptionalDouble.of(length),
                // Of several in a row nobody says how they are joined.
                run.cables().size() == 1
                        ? run.cables().getFirst().facet(Facet.Joins.class).flatMap(Facet.Joins::ends)
                        : Optional.empty());
    }

    /** A plug on a lead; what is plugged straight in, as a card in its slot, is led nowhere. */
    private static Optional<Lead> ofLead(Build build, Run run, End one, End other) {
        List<Port> plugs = List.of(one.port().orElseThrow(), other.port().orElseThrow()).stream()
                .filter(p -> p.plug() && p.connector().roomMm(Port.Use.INSIDE_STRAIGHT) > 0)
                .toList();
        if (plugs.isEmpty()) {
            return Optional.empty();
        }
        boolean first = plugs.contains(one.port().orElseThrow());
        String of =
                build.part(first ? one.part() : other.part()).map(Part::name).orElse("");
        return build.wiring().links().stream()
                .filter(l -> run.ends(l.one().unpinned()) && run.ends(l.other().unpinned()))
                .findFirst()
                .map(l -> new Lead(
                        l.id(), "Lead of " + of, Kind.LEAD, one, other, Girth.ofLead(plugs), OptionalDouble.empty()));
    }

    /** The wires of a chain, each from the part above it to the first part below; fuses and switches on the way are part of it. */
    private static void wires(Build build, Rung rung, Optional<End> above, List<Lead> all) {
        Optional<End> here = ends(build, rung).or(() -> above);
        if (rung.stage() instanceof Rung.Wire wire && above.isPresent()) {
            below(build, rung)
                    .filter(b -> !b.part().equals(above.get().part()))
                    .ifPresent(b -> all.add(new Lead(
                            rung.id(),
                            "Wires AWG " + wire.awg(),
                            Kind.WIRES,
                            above.get(),
                            b,
                            Girth.of(wire),
                            wire.lengthMm() > 0 ? OptionalDouble.of(wire.lengthMm()) : OptionalDouble.empty())));
        }
        for (Rung source : rung.joined()) {
            wires(build, source, Optional.empty(), all);
        }
        for (Rung fed : rung.feeds()) {
            wires(build, fed, here, all);
        }
    }

    private static Optional<End> ends(Build build, Rung rung) {
        return switch (rung.stage()) {
            case Rung.OfPart of -> inside(build, of.part()).map(p -> new End(p.id(), Optional.empty()));
            case Rung.Socket s -> inside(build, s.part()).map(p -> new End(p.id(), p.port(s.port())));
            case Rung.Charging c ->
                inside(build, c.charger().orElse(c.store())).map(p -> new End(p.id(), Optional.empty()));
            default -> Optional.empty();
        };
    }

    private static Optional<Part> inside(Build build, String part) {
        return build.part(part).filter(p -> !p.staysOutside() && !p.isLed());
    }

    private static Optional<End> below(Build build, Rung rung) {
        for (Rung fed : rung.feeds()) {
            Optional<End> end = ends(build, fed).or(() -> below(build, fed));
            if (end.isPresent()) {
                return end;
            }
        }
        return Optional.empty();
    }
}
