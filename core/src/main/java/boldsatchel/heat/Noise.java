package boldsatchel.heat;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/**
 * What the fans of a machine are heard with at half a metre, all at full speed: levels at a metre, 6 dB more at half of it (a point in the
 * open, where the pressure goes with one over the distance), added up as energies, since fans know nothing of one another (Kinsler et al.,
 * Fundamentals of Acoustics, ch. 5). Walls, grilles and tables change it by some dB.
 *
 * @param decibels dB(A); absent where no fan has a figure
 * @param unknown ids of fans of which nobody knows how loud they are
 * @param loudest id of the fan that makes most of it; empty without one
 */
public record Noise(OptionalDouble decibels, List<String> unknown, String loudest) {

    /** From a metre to half a metre, dB. */
    private static final double NEARER_DB = 20 * Math.log10(2);

    /** Copies the list. */
    public Noise {
        unknown = List.copyOf(unknown);
    }

    /** Of the parts of a build that move air. */
    public static Noise of(Build build) {
        double sum = 0;
        double most = Double.NEGATIVE_INFINITY;
        String loudest = "";
        List<String> unknown = new ArrayList<>();
        for (Part part : build.parts().list()) {
            if (part.facet(Facet.MovesAir.class).isEmpty()) {
                continue;
            }
            OptionalDouble here = part.facet(Facet.MovesAir.class)
                    .flatMap(Facet.MovesAir::noiseDb)
                    .map(f -> OptionalDouble.of(f.value() + NEARER_DB))
                    .orElse(OptionalDouble.empty());
            if (here.isEmpty()) {
                unknown.add(part.id());
            } else {
                sum += Math.pow(10, here.getAsDouble() / 10);
                loudest = here.getAsDouble() > most ? part.id() : loudest;
                most = Math.max(most, here.getAsDouble());
            }
        }
        return new Noise(sum > 0 ? OptionalDouble.of(10 * Math.log10(sum)) : OptionalDouble.empty(), unknown, loudest);
    }
}
