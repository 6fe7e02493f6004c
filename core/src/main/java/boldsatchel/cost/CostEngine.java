package boldsatchel.cost;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Section;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Spread;
import java.util.EnumSet;
import java.util.Set;

/** Cost: what is still to be spent, with what is owned or salvaged shown apart. */
public final class CostEngine implements Engine<CostResult> {

    /** An engine; all are alike. */
    public CostEngine() {}

    @Override
    public String about() {
        return "what it costs";
    }

    @Override
    public Class<CostResult> result() {
        return CostResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING);
    }

    @Override
    public CostResult work(Build build, Results results) {
        return evaluate(build);
    }

    @Override
    public CostResult nothing() {
        return new CostResult(Spread.exact(Double.NaN), Double.NaN);
    }

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
