package boldsatchel.cost;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Spread;

/** Cost: what is still to be spent, with what is owned or salvaged shown apart. */
public final class CostEngine {

    private CostEngine() {}

    /** Adds up a build. */
    public static CostResult evaluate(Build build) {
        double inHand = build.parts().list().stream()
                .filter(p -> !p.standing().costs())
                .mapToDouble(p -> p.price().value())
                .sum();
        return new CostResult(Spread.of(reading -> toSpend(build, reading)), inHand);
    }

    private static double toSpend(Build build, Reading reading) {
        double sum = 0;
        for (Part part : build.parts().list()) {
            if (part.standing().costs()) {
                sum += reading.of(part.input(Part.class, "price", part.price()));
            }
        }
        for (var shell : build.casing().shells()) {
            sum += reading.of(shell.input("price", shell.price()));
        }
        return sum;
    }
}
