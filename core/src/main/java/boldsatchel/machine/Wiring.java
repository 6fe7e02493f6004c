package boldsatchel.machine;

import boldsatchel.quantity.Label;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Section: what is wired to what.
 *
 * @param chain the power chain: one tree a source, or a joint of several
 * @param links what is plugged into what
 * @param waived needs that are left open on purpose
 */
public record Wiring(
        @Label("power chain") List<Rung> chain,
        @Label("links") List<Link> links,
        @Label("left open on purpose") List<Waived> waived) {

    /** Nothing is wired. */
    public static final Wiring NONE = new Wiring(List.of(), List.of(), List.of());

    /** Copies the lists. */
    public Wiring {
        chain = List.copyOf(chain);
        links = List.copyOf(links);
        waived = List.copyOf(waived);
    }

    /**
     * A need that nothing is to meet.
     *
     * @param part that has it
     * @param duty what it is for
     */
    public record Waived(
            @Label(value = "part", needed = true) String part,
            @Label("for") String duty) {}

    /** Whether a need is left open on purpose. */
    public boolean waives(String part, String duty) {
        for (Waived w : waived) {
            if (w.part().equals(part) && w.duty().equals(duty)) {
                return true;
            }
        }
        return false;
    }

    /** All rungs of all chains, from the sources down. */
    public Stream<Rung> rungs() {
        return chain.stream().flatMap(Rung::walk);
    }

    /** The rung with an id. */
    public Optional<Rung> rung(String id) {
        return Rung.find(chain, id);
    }

    /** The rung that is a part of the chain as a source, converter or load. */
    public Optional<Rung> rungOf(String partId) {
        return rungs().filter(r -> r.part().filter(partId::equals).isPresent()).findFirst();
    }

    /** The same with another chain. */
    public Wiring withChain(List<Rung> newChain) {
        return new Wiring(newChain, links, waived);
    }

    /** The same plugged differently. */
    public Wiring withLinks(List<Link> newLinks) {
        return new Wiring(chain, newLinks, waived);
    }

    /** The same with other needs left open. */
    public Wiring waiving(List<Waived> newWaived) {
        return new Wiring(chain, links, newWaived);
    }

    /** The same without a part: what was plugged into it is plugged into nothing. */
    public Wiring without(String part) {
        return new Wiring(
                chain,
                links.stream().filter(l -> !l.touches(part)).toList(),
                waived.stream().filter(w -> !w.part().equals(part)).toList());
    }
}
