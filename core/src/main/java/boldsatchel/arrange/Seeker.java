package boldsatchel.arrange;

import boldsatchel.verdict.Evaluator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/**
 * One that looks for arrangements of a tray: items are taken out and put in again, and the engines judge each in which all have a place. What is a little worse is gone on from
 * for a while, less and less so; then the next leg begins elsewhere, with other weights on the verdicts (ruin and recreate: Schrimpf, Schneider, Stamm-Wilbrandt and Dueck,
 * J. Comput. Phys. 159, 2000, 139). Not to be shared by threads.
 */
final class Seeker {

    /** Rounds of one leg. */
    private static final int LEG = 250;
    /** How often all is packed anew for a leg to begin with, until all have a place. */
    private static final int BEGINNINGS = 20;

    private static final double FIRST_WARMTH = 1;
    private static final double LAST_WARMTH = 0.03;

    private final Start start;
    private final Packed asItIs;
    private final Packer packer;
    private final Pain even;
    private final SplittableRandom random;
    private final Consumer<Proposal> found;
    private final Evaluator evaluator = new Evaluator();
    private final Unbeaten unbeaten;

    /** Judged, with what is to be borne with it. */
    private record Tried(Packed packed, double pain) {}

    /**
     * One that begins there.
     *
     * @param found is told of each that nothing it found before beats
     */
    Seeker(Start start, SplittableRandom random, Consumer<Proposal> found) {
        this.start = start;
        this.random = random;
        this.found = found;
        asItIs = start.packed();
        packer = new Packer(start.items(), start.gapMm(), start.front(), start.walls(), start.lines(), random);
        even = start.pain();
        unbeaten = start.begun();
    }

    /**
     * Looks for some rounds.
     *
     * @param stop asked before each
     * @return those that nothing beats, in the order in which they were found
     */
    List<Proposal> seek(int rounds, BooleanSupplier stop) {
        Pain pain = even;
        Tried from = tried(begun(0), pain);
        for (int round = 0; round < rounds && !stop.getAsBoolean(); round++) {
            int inLeg = round % LEG;
            if (inLeg == 0 && round > 0) {
                pain = even.otherwise(random);
                from = tried(begun(round / LEG), pain);
            }
            double warmth = FIRST_WARMTH * Math.pow(LAST_WARMTH / FIRST_WARMTH, (double) inLeg / LEG);
            Optional<Packed> next = packer.changed(from.packed());
            if (next.isPresent() && isWorthATry(next.get(), from.packed())) {
                Tried tried = tried(next.get(), pain);
                boolean isBorne = tried.pain() <= from.pain() - warmth * Math.log(1 - random.nextDouble());
                from = isBorne ? tried : from;
            }
        }
        return start.foundIn(unbeaten);
    }

    private static boolean isWorthATry(Packed next, Packed from) {
        return next.loose() <= from.loose() && !next.isLike(from);
    }

    /** As it is, with what lies nowhere put in beside it, or with all packed anew; where that does not take all, as wide as walls may go. */
    private Packed begun(int leg) {
        Packed best = leg == 0 ? packer.completed(asItIs) : asItIs;
        for (int tries = 0; tries < BEGINNINGS && (best.loose() > 0 || (tries == 0 && leg > 0)); tries++) {
            Packed anew = packer.anew(tries < BEGINNINGS / 2 ? asItIs : packer.widest(asItIs));
            boolean isLess = anew.loose() < best.loose();
            best = isLess || (anew.loose() == best.loose() && leg % 2 == 1) ? anew : best;
        }
        return best;
    }

    /** Judged by all engines where everything has a place. */
    private Tried tried(Packed packed, Pain pain) {
        if (packed.loose() > 0) {
            return new Tried(packed, Pain.loose(packed.loose()));
        }
        Proposal proposal = start.proposal(evaluator.judge(packed.built()));
        boolean isProposal = proposal.merit().isSound() && packed.frame().keeps(proposal.build());
        if (isProposal && unbeaten.offer(proposal)) {
            found.accept(proposal);
        }
        return new Tried(packed, pain.of(proposal.merit()));
    }
}
