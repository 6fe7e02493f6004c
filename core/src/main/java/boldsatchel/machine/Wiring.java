package boldsatchel.machine;

import boldsatchel.quantity.Label;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Section: the power chain.
 *
 * @param chain one tree a source, or a joint of several
 */
public record Wiring(@Label("power chain") List<Rung> chain) {

    /** Nothing is wired. */
    public static final Wiring NONE = new Wiring(List.of());

    /** Copies the list. */
    public Wiring {
        chain = List.copyOf(chain);
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
        return new Wiring(newChain);
    }
}
