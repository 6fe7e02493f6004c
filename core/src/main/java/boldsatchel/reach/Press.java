package boldsatchel.reach;

import boldsatchel.machine.Peg;

/**
 * What happens when a finger presses a peg: lengths along it, outwards from the button. The force of the button itself is not known and not in it.
 *
 * @param peg as made
 * @param behindMm of the button from the outside of the wall
 * @param mayMm a fingertip follows the cap so far behind the outside
 * @param travelMm the button is pressed by so much
 */
public record Press(Peg peg, double behindMm, double mayMm, double travelMm) {

    private static final double EXACT_MM = 1e-6;
    /** Left where coils would touch, and where a spring would be loose, mm; guesses. */
    private static final double CLEAR_MM = 0.2;

    private static final double PRELOAD_MM = 0.5;

    /**
     * A push button for one fingertip asks for no more than this, N (MIL-STD-1472, push buttons operated by a finger).
     */
    public static final double MOST_N = 11.1;

    /** The cap stands out so far while nobody presses; negative where it lies in the wall. */
    public double proudMm() {
        return peg.proudMm(behindMm);
    }

    /** The cap has to go so far until the button is all the way down. */
    public double strokeMm() {
        return peg.playMm() + travelMm / peg.lever();
    }

    /** A fingertip takes it so far. */
    public double goesMm() {
        return Math.max(0, proudMm() + mayMm);
    }

    /** Whether a fingertip does not get the button down. */
    public boolean isShort() {
        return goesMm() + EXACT_MM < strokeMm();
    }

    /**
     * Whether it may hold the button down for ever.
     *
     * @param unsureMm by which its length may be off
     */
    public boolean mayHold(double unsureMm) {
        return peg.playMm() + EXACT_MM < unsureMm;
    }

    /** Whether its spring is shorter than its room: nothing pushes the cap back. */
    public boolean isLoose() {
        return peg.spring().filter(s -> s.roomMm() > s.freeMm() - EXACT_MM).isPresent();
    }

    /** How far the cap goes until the coils touch; without end where there is no spring. */
    public double untilSolidMm() {
        return peg.spring().map(s -> Math.max(0, s.roomMm() - s.solidMm())).orElse(Double.POSITIVE_INFINITY);
    }

    /** Whether the coils touch before the button is down. */
    public boolean isSolid() {
        return untilSolidMm() + EXACT_MM < strokeMm();
    }

    /** What the spring asks for when the button is down, N; zero without one. */
    public double downN() {
        return peg.spring()
                .map(s -> s.newtonsPerMm() * Math.max(0, s.freeMm() - s.roomMm() + strokeMm()))
                .orElse(0.0);
    }

    /** The same peg with the play that keeps it off while nobody presses, and so long that the button goes down; one that was too short then stands out 1 mm. */
    public Peg fitted(double unsureMm) {
        double play = Math.max(peg.playMm(), unsureMm);
        double down = behindMm + travelMm / peg.lever();
        return isShort()
                ? peg.of(Math.ceil((down + Peg.PROUD_MM) * 10 - EXACT_MM) / 10, play)
                : peg.of(Math.max(peg.lengthMm() - (play - peg.playMm()), down - mayMm), play);
    }

    /** The same peg with a spring that neither is loose nor stops it: the same one between other seats where that does, or else a longer one. */
    public Peg sprung() {
        Peg.Spring s = peg.spring().orElseThrow();
        double least = s.solidMm() + strokeMm() + CLEAR_MM;
        double most = s.freeMm() - PRELOAD_MM;
        if (least <= most) {
            return peg.with(s.in(Math.clamp(s.roomMm(), least, most)));
        }
        return peg.with(new Peg.Spring(least + PRELOAD_MM, s.solidMm(), s.newtonsPerMm(), least));
    }

    /** The same peg, whose spring asks for too much, with one that asks for half of the most. */
    public Peg soft() {
        Peg.Spring s = peg.spring().orElseThrow();
        return peg.with(new Peg.Spring(s.freeMm(), s.solidMm(), s.newtonsPerMm() * MOST_N / 2 / downN(), s.roomMm()));
    }
}
