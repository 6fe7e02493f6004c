package boldsatchel.arrange;

import java.util.Optional;

/**
 * What is to be looked for.
 *
 * @param tray id of the tray that is arranged
 * @param stepMm of what sizes inside that change are whole multiples where its walls may be elsewhere, nearer rather than farther; nothing where they stay, as what was found as a box
 *     always does
 * @param seed of all chance
 * @param threads at work, each with chances of its own
 * @param rounds that each of them tries at most; of the same seed, threads and rounds the same is found
 */
public record Wish(String tray, Optional<Double> stepMm, long seed, int threads, int rounds) {

    /** Some ten seconds of a machine that is not the newest. */
    public static final int ROUNDS = 8_000;
}
