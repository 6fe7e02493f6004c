package boldsatchel.fit;

import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What lies otherwise in another version of a packing.
 *
 * @param part its id
 * @param name of the part, as it is now where it still is
 * @param before where it lay; absent where it did not
 * @param now where it lies; absent where it does not
 */
public record Change(String part, String name, Optional<Placed> before, Optional<Placed> now) {

    private static final double EXACT_MM = 1e-6;

    /** All that lies otherwise, in the order of the parts now; what is gone comes last. */
    public static List<Change> between(Build before, Build now) {
        List<Placed> old = Placed.all(before);
        List<Placed> all = Placed.all(now);
        List<Change> changes = new ArrayList<>();
        for (Placed p : all) {
            Optional<Placed> was = Placed.of(old, p.id());
            if (was.isEmpty() || !isAlike(was.get(), p)) {
                changes.add(new Change(p.id(), p.part().name(), was, Optional.of(p)));
            }
        }
        for (Placed p : old) {
            if (Placed.of(all, p.id()).isEmpty()) {
                String name = now.part(p.id()).orElse(p.part()).name();
                changes.add(new Change(p.id(), name, Optional.of(p), Optional.empty()));
            }
        }
        return List.copyOf(changes);
    }

    private static boolean isAlike(Placed a, Placed b) {
        return a.shell().id().equals(b.shell().id())
                && a.placement().orientation().equals(b.placement().orientation())
                && a.solids().equals(b.solids());
    }

    /** How far its middle has moved; nothing where it changed its tray, came or went. */
    public Optional<Vec> by() {
        return before.flatMap(
                b -> now.filter(n -> n.shell().id().equals(b.shell().id()))
                        .map(n -> n.bounds().centre().minus(b.bounds().centre())));
    }

    /** Whether it is turned otherwise. */
    public boolean isTurned() {
        return before.isPresent()
                && now.isPresent()
                && !before.get()
                        .placement()
                        .orientation()
                        .equals(now.get().placement().orientation());
    }

    /** Whether it has another size or shape. */
    public boolean isReshaped() {
        return before.isPresent()
                && now.isPresent()
                && !before.get()
                        .part()
                        .body()
                        .whole()
                        .equals(now.get().part().body().whole());
    }

    /** Whether it moved by more than rounding. */
    public boolean isMoved() {
        return by().filter(v -> v.length() > EXACT_MM).isPresent();
    }
}
