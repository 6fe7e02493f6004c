package boldsatchel.machine;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What a power chain can be, for edits and for files. What can be but should not is a finding, not a refusal. */
public final class ChainRules {

    private ChainRules() {}

    /** The first rule a build's chains break, in words; nothing when they break none. */
    public static Optional<String> refusal(Build build) {
        return refusals(build).findFirst();
    }

    /** Every rule that a build's chains break, in words. */
    public static Stream<String> refusals(Build build) {
        return Stream.<Optional<String>>concat(
                        Stream.of(twice(build), sharedSocket(build)),
                        build.wiring().chain().stream().flatMap(root -> ofChain(build, root)))
                .flatMap(Optional::stream);
    }

    private static Stream<Optional<String>> ofChain(Build build, Rung root) {
        return Stream.concat(
                Stream.concat(
                        root.sources().stream().map(s -> beginning(build, s)),
                        root.joined().stream().map(row -> joinedRow(build, row))),
                root.walk().map(r -> rung(build, root, r)));
    }

    private static Optional<String> twice(Build build) {
        Set<String> seen = new HashSet<>();
        return build.rungs()
                .flatMap(r -> build.partOf(r).stream())
                .filter(p -> !p.staysOutside())
                .filter(p -> !seen.add(p.id()))
                .findFirst()
                .map(p -> p.name() + " is in the chain already; it can hang in one place only.");
    }

    private static Optional<String> sharedSocket(Build build) {
        Set<Rung.Stage> seen = new HashSet<>();
        return build.rungs()
                .filter(r -> r.stage() instanceof Rung.Socket && !seen.add(r.stage()))
                .findFirst()
                .map(r -> "Two things are plugged into " + r.name(build)
                        + ": one socket takes one plug. Use another, or" + " a hub.");
    }

    private static Optional<String> beginning(Build build, Rung source) {
        return build.partOf(source).filter(Part::givesPower).isPresent()
                ? Optional.empty()
                : Optional.of("A chain begins with a battery, a power bank or a mains adapter, not with "
                        + source.name(build) + ". Start it at one of those.");
    }

    /** Only what current passes straight through may stand between a source and a joint. */
    private static Optional<String> joinedRow(Build build, Rung row) {
        boolean straight = row.walk().allMatch(r -> r.feeds().size() <= 1);
        if (!straight) {
            return Optional.of("Before the joint a source has one way only. Hang this behind the joint, where all"
                    + " sources feed it.");
        }
        return row.row().stream()
                .skip(1)
                .filter(r -> !passes(build, r))
                .findFirst()
                .map(r ->
                        "Between a source and the joint stand only protection, fuses, switches, wires, plugs, gauges and"
                                + " diodes; " + r.name(build) + " belongs behind the joint.");
    }

    private static boolean passes(Build build, Rung rung) {
        return switch (rung.stage()) {
            case Rung.Wire w -> true;
            case Rung.Contact c -> true;
            case Rung.Diode d -> true;
            case Rung.OfPart of ->
                build.part(of.part())
                        .flatMap(p -> p.facet(Facet.ShowsLevel.class))
                        .isPresent();
            case Rung.Socket s -> false;
            case Rung.Capacitor c -> false;
            case Rung.Charging c -> false;
            case Rung.Join j -> false;
        };
    }

    private static Optional<String> rung(Build build, Rung root, Rung rung) {
        List<Rung> below = rung.feeds();
        for (Rung fed : below) {
            Optional<String> source = build.partOf(fed)
                    .filter(Part::givesPower)
                    .map(p -> p.name() + " gives power and cannot hang below " + rung.name(build)
                            + ". Join it to the chain as another source, or start a chain of its own.");
            if (source.isPresent()) {
                return source;
            }
            if (fed.stage() instanceof Rung.Join) {
                return Optional.of("A joint begins a chain; it cannot hang below " + rung.name(build) + ".");
            }
        }
        Optional<String> plugged = below.stream()
                .filter(fed ->
                        fed.stage() instanceof Rung.Socket s && !rung.part().equals(Optional.of(s.part())))
                .findFirst()
                .map(fed ->
                        "A " + fed.name(build) + " belongs below its own part, not below " + rung.name(build) + ".");
        if (plugged.isPresent()) {
            return plugged;
        }
        return switch (rung.stage()) {
            case Rung.OfPart of -> build.part(of.part()).flatMap(p -> part(p, below));
            case Rung.Capacitor c
            when !below.isEmpty() ->
                Optional.of("A capacitor lies across its rail and feeds nothing by itself; hang this beside it.");
            case Rung.Charging c -> charging(build, root, c, below);
            default -> Optional.empty();
        };
    }

    private static Optional<String> part(Part part, List<Rung> below) {
        boolean electric = part.givesPower()
                || part.facet(Facet.DrawsPower.class).isPresent()
                || part.facet(Facet.Converts.class).isPresent()
                || part.facet(Facet.ShowsLevel.class).isPresent();
        if (part.facet(Facet.Charges.class).isPresent() && !electric) {
            return Optional.of(part.name() + " hangs on a supply and fills a pack: add it below a mains adapter, as a"
                    + " charger.");
        }
        if (!electric) {
            return Optional.of(part.name() + " has nothing to do with power.");
        }
        boolean ends = part.facet(Facet.DrawsPower.class).isPresent()
                && part.facet(Facet.Converts.class).isEmpty()
                && !part.family().passesPowerOn();
        boolean plugged = below.stream().allMatch(r -> r.stage() instanceof Rung.Socket);
        return ends && !plugged
                ? Optional.of(part.name() + " uses power and passes none on. Hang this beside it, on the rung above.")
                : Optional.empty();
    }

    private static Optional<String> charging(Build build, Rung root, Rung.Charging c, List<Rung> below) {
        if (!below.isEmpty()) {
            return Optional.of("A charger feeds its pack and nothing else; hang this beside it.");
        }
        boolean itself = root.sources().stream()
                .anyMatch(s -> s.part().filter(c.store()::equals).isPresent());
        if (itself) {
            return Optional.of("A pack cannot charge itself: hang the charger on a mains adapter or another source.");
        }
        return build.part(c.store()).filter(Part::isSource).isPresent()
                ? Optional.empty()
                : Optional.of("There is no battery or power bank for this charger to fill.");
    }
}
