package boldsatchel.machine;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.Optional;

/**
 * A peg or cap in an opening as it is made: it passes a press on to a button that lies deeper.
 *
 * @param lengthMm from the button to its outer end, a lever between them among it
 * @param playMm it moves so far before it presses
 * @param lever how far the button goes down for each mm of the cap: 1 where no lever turns about a pivot between them
 * @param spring what pushes it back out, if something but the button does
 */
public record Peg(
        @Label(value = "length", in = Quantity.LENGTH, absent = 10, least = 0.1, most = 300)
        double lengthMm,

        @Label(value = "free play", in = Quantity.LENGTH, absent = 0.2, least = 0, most = 50)
        double playMm,

        @Label(value = "the button goes, for each mm of the cap", absent = 1, least = 0.05, most = 20)
        double lever,

        @Label("spring") Optional<Spring> spring) {

    /** One stands out so far when the button is down, to be felt and found, mm; a guess. */
    public static final double PROUD_MM = 1;

    /**
     * A coil spring between two seats, pressed together.
     *
     * @param freeMm length when nothing presses it
     * @param solidMm length when its coils touch
     * @param newtonsPerMm its rate
     * @param roomMm between its two seats while nobody presses
     */
    public record Spring(
            @Label(value = "length when free", in = Quantity.LENGTH, absent = 10, least = 0.1, most = 300)
            double freeMm,

            @Label(value = "length when its coils touch", in = Quantity.LENGTH, absent = 4, least = 0.05, most = 300)
            double solidMm,

            @Label(value = "newtons for each mm", absent = 0.3, least = 0.001, most = 1000)
            double newtonsPerMm,

            @Label(value = "room between its seats", in = Quantity.LENGTH, absent = 9, least = 0.1, most = 300)
            double roomMm) {

        /** The same between other seats. */
        public Spring in(double newRoomMm) {
            return new Spring(freeMm, solidMm, newtonsPerMm, newRoomMm);
        }
    }

    /**
     * The cap stands out so far while nobody presses, mm; negative where it lies in the wall.
     *
     * @param behindMm of the button from the outside of the wall
     */
    public double proudMm(double behindMm) {
        return lengthMm + playMm - behindMm;
    }

    /** The same of another length and play. */
    public Peg of(double newLengthMm, double newPlayMm) {
        return new Peg(newLengthMm, newPlayMm, lever, spring);
    }

    /** The same with another spring. */
    public Peg with(Spring newSpring) {
        return new Peg(lengthMm, playMm, lever, Optional.of(newSpring));
    }
}
