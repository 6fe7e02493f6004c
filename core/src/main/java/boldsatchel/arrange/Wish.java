package boldsatchel.arrange;

import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * What is to be looked for.
 *
 * @param trays ids of the trays that are arranged; of several, parts that need not be where they are go from one to another
 * @param stepMm of what sizes inside that change are whole multiples where its walls may be elsewhere, nearer rather than farther; nothing where they stay, as what was found as a box
 *     always does
 * @param aims what is wished for beside what is always read
 * @param seed of all chance
 * @param threads at work, each with chances of its own
 * @param rounds that each of them tries at most; of the same seed, threads and rounds the same is found
 */
public record Wish(List<String> trays, Optional<Double> stepMm, Set<Aim> aims, long seed, int threads, int rounds) {

    /** Some ten seconds of a machine that is not the newest. */
    public static final int ROUNDS = 8_000;

    /** Copies list and set. */
    public Wish {
        trays = List.copyOf(trays);
        aims = Set.copyOf(aims);
    }

    /** Of one tray, with nothing wished for beside. */
    public Wish(String tray, Optional<Double> stepMm, long seed, int threads, int rounds) {
        this(List.of(tray), stepMm, Set.of(), seed, threads, rounds);
    }

    /** The same with something wished for beside. */
    public Wish with(Set<Aim> wished) {
        return new Wish(trays, stepMm, wished, seed, threads, rounds);
    }
}
