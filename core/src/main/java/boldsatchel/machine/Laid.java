package boldsatchel.machine;

import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Label;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * How a cable, a lead or a pair of wires is laid: from one end straight to its first bend, from bend to bend, and on to its other end.
 *
 * @param what id of the cable, of the wire in the power chain, or of the link that a lead is plugged in by
 * @param bends from its first end to the other; none where it runs straight
 */
public record Laid(
        @Label(value = "cable or wire", needed = true) String what,
        @Label("bends") List<Bend> bends) {

    /**
     * A place where it is bent, or held.
     *
     * @param shell id of the tray it is in
     * @param at its middle, in the frame of that tray
     */
    public record Bend(
            @Label(value = "tray", needed = true) String shell,
            @Label("place") Vec at) {}

    /** Copies the list. */
    public Laid {
        bends = List.copyOf(bends);
    }

    /** Where most of it is: in the tray of most of its bends, the first of those that have as many, at their mean; nothing where it has none. */
    public Optional<Bend> middle() {
        String most = "";
        int count = 0;
        for (Bend bend : bends) {
            int here = 0;
            for (Bend other : bends) {
                here += other.shell().equals(bend.shell()) ? 1 : 0;
            }
            if (here > count) {
                most = bend.shell();
                count = here;
            }
        }
        Vec sum = Vec.ZERO;
        for (Bend bend : bends) {
            sum = bend.shell().equals(most) ? sum.plus(bend.at()) : sum;
        }
        return count == 0 ? Optional.empty() : Optional.of(new Bend(most, sum.times(1.0 / count)));
    }

    /** The same with its bends in a tray elsewhere. */
    Laid inTray(String shell, UnaryOperator<Vec> moved) {
        return bends.stream().noneMatch(b -> b.shell().equals(shell))
                ? this
                : new Laid(
                        what,
                        bends.stream()
                                .map(b -> b.shell().equals(shell) ? new Bend(shell, moved.apply(b.at())) : b)
                                .toList());
    }

    /** The same with one bend elsewhere. */
    public Laid moved(int index, Vec to) {
        List<Bend> all = new ArrayList<>(bends);
        all.set(index, new Bend(all.get(index).shell(), to));
        return new Laid(what, all);
    }

    /** The same with one bend more. */
    public Laid bent(int index, Bend bend) {
        List<Bend> all = new ArrayList<>(bends);
        all.add(index, bend);
        return new Laid(what, all);
    }

    /** The same with one bend less. */
    public Laid straightened(int index) {
        List<Bend> all = new ArrayList<>(bends);
        all.remove(index);
        return new Laid(what, all);
    }
}
