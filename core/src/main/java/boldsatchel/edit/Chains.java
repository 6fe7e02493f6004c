package boldsatchel.edit;

import boldsatchel.machine.Build;
import boldsatchel.machine.Rung;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;

/** Rebuilding trees of rungs. */
final class Chains {

    private Chains() {}

    /**
     * Every rung, leaves first, replaced by any number of rungs. A socket that nothing is plugged into any more goes. A joint that is left with one source gives way to it, one without any to
     * what it fed.
     */
    static List<Rung> rewrite(List<Rung> rungs, Function<Rung, List<Rung>> change) {
        List<Rung> kept = new ArrayList<>();
        for (Rung rung : rungs) {
            Rung inner = rung.feeding(rewrite(rung.feeds(), change));
            if (rung.stage() instanceof Rung.Join join) {
                List<Rung> sources = rewrite(join.sources(), change);
                if (sources.size() < 2) {
                    kept.addAll(sources.isEmpty() ? inner.feeds() : List.of(atEnd(sources.getFirst(), inner.feeds())));
                    continue;
                }
                inner = inner.as(new Rung.Join(sources));
            }
            for (Rung now : change.apply(inner)) {
                if (!(now.stage() instanceof Rung.Socket) || !now.feeds().isEmpty()) {
                    kept.add(now);
                }
            }
        }
        return kept;
    }

    /** A row of rungs with others hung on its end. */
    static Rung atEnd(Rung row, List<Rung> feeds) {
        return row.feeds().isEmpty()
                ? row.feeding(feeds)
                : row.feeding(List.of(atEnd(row.feeds().getFirst(), feeds)));
    }

    /** Without some rungs; what they fed hangs on the rung above. */
    static List<Rung> without(List<Rung> rungs, Predicate<Rung> gone) {
        return rewrite(rungs, r -> gone.test(r) ? r.feeds() : List.of(r));
    }

    /** Without a part as a rung, as a charger and as what is charged. */
    static List<Rung> withoutPart(List<Rung> rungs, String part) {
        return without(rungs, r -> r.parts().contains(part));
    }

    /** Without some rungs and all that they feed. */
    static List<Rung> pruned(List<Rung> rungs, Predicate<Rung> gone) {
        return rewrite(rungs, r -> gone.test(r) ? List.of() : List.of(r));
    }

    /** With one rung changed. */
    static List<Rung> with(List<Rung> rungs, String id, Function<Rung, Rung> change) {
        return rewrite(rungs, r -> List.of(r.id().equals(id) ? change.apply(r) : r));
    }

    /** The rung that feeds another, or that joins it when it begins a row of a joint. */
    static Optional<Rung> above(Build build, String id) {
        return build.rungs()
                .filter(r -> r.feeds().stream().anyMatch(f -> f.id().equals(id))
                        || r.joined().stream().anyMatch(f -> f.id().equals(id)))
                .findFirst();
    }
}
