package boldsatchel.shelf;

import boldsatchel.machine.Body;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.ConverterKind;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Usual;
import boldsatchel.power.Sizing;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Units;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The part on the shelf that does a job best. Where the shelf has none, a guess at one, which says so. */
public final class Picks {

    private Picks() {}

    private static final class Lazy {
        static final Library SHIPPED = Library.shipped();
    }

    /** The shipped library, read once, when it is first needed. */
    public static Library shelf() {
        return Lazy.SHIPPED;
    }

    private static <F extends Facet> Stream<Part> having(Class<F> facet) {
        return shelf().parts().stream().filter(p -> p.facet(facet).isPresent());
    }

    private static <F extends Facet> F facet(Part part, Class<F> kind) {
        return part.facet(kind).orElseThrow();
    }

    /**
     * What is asked of a converter.
     *
     * @param lowInV least input voltage it must work at
     * @param highInV most input voltage it must bear
     * @param leastV least voltage of what it feeds
     * @param nominalV voltage wanted
     * @param mostV most voltage of what it feeds
     * @param watts most power of what it feeds
     */
    public record Conversion(
            double lowInV, double highInV, double leastV, double nominalV, double mostV, double watts) {

        private ConverterKind kind() {
            return lowInV >= nominalV + 0.6
                    ? ConverterKind.STEP_DOWN
                    : highInV <= nominalV ? ConverterKind.STEP_UP : ConverterKind.STEP_UP_DOWN;
        }

        private boolean doneBy(Part part) {
            Facet.Converts c = facet(part, Facet.Converts.class);
            double tolerance =
                    part.facet(Facet.Holds.class).map(Facet.Holds::tolerance).orElse(0.0);
            double high = Math.max(c.noLoadV(), c.outV() * (1 + tolerance));
            boolean voltages = c.lowV() <= lowInV && c.highV() >= highInV && c.outV() > leastV * 1.01 && high <= mostV;
            boolean headroom = c.kind() == ConverterKind.STEP_UP
                    || c.kind() == ConverterKind.STEP_UP_DOWN
                    || lowInV >= c.outV() + c.dropoutV();
            boolean upward = c.kind() != ConverterKind.STEP_UP || highInV <= c.outV() + 0.3;
            return c.kind() != ConverterKind.LINEAR && voltages && headroom && upward && limitA(c) <= c.limitA();
        }

        private double limitA(Facet.Converts c) {
            double out = watts / c.outV();
            double in = watts / Usual.CONVERTER_EFFICIENCY / lowInV;
            double carried = switch (c.kind()) {
                case STEP_DOWN, LINEAR -> out;
                case STEP_UP -> in;
                case STEP_UP_DOWN -> Math.max(in, out);
            };
            return Usual.HEADROOM * carried;
        }

        private double lossW(Part part) {
            Facet.Converts c = facet(part, Facet.Converts.class);
            return Sizing.lossWatts(c, (lowInV + highInV) / 2, watts / 2 / c.outV());
        }
    }

    /** The converter on the shelf that loses least at half its load; a guess at one where none does the job. */
    public static Part converter(Conversion job) {
        return having(Facet.Converts.class)
                .filter(job::doneBy)
                .min(Comparator.comparingDouble(job::lossW))
                .orElseGet(() -> guessed(job));
    }

    private static Part guessed(Conversion job) {
        double outV = Math.min(job.nominalV(), job.mostV());
        double amps =
                Math.ceil(Usual.HEADROOM * job.watts() / Math.min(outV, job.lowInV() * Usual.CONVERTER_EFFICIENCY)) + 1;
        Facet.Converts c = new Facet.Converts(
                job.kind(),
                outV,
                Figure.guess(0.15),
                Figure.guess(0.1),
                Figure.guess(0.04),
                amps,
                job.kind() == ConverterKind.STEP_DOWN ? 0.4 : 0,
                Math.max(0.5, job.lowInV() * 0.9),
                job.highInV() * 1.1,
                outV);
        return made(
                "converter",
                job.kind().words() + ", " + Units.format(outV) + " V, to be chosen",
                Family.CONVERTER,
                45,
                25,
                12,
                25,
                15,
                List.of(c));
    }

    private static Stream<Part> chargers(Facet.Cells cells, double maxChargeA) {
        return having(Facet.Charges.class)
                .filter(p -> p.family() == Family.CHARGER)
                .filter(p -> facet(p, Facet.Charges.class).chemistry() == cells.chemistry()
                        && facet(p, Facet.Charges.class).series() == cells.series())
                .filter(p -> facet(p, Facet.Charges.class).amps().value() <= maxChargeA * 1.001);
    }

    /** Whether something on the shelf charges a pack. */
    public static boolean charges(Part pack) {
        return pack.facet(Facet.Cells.class)
                .filter(c -> chargers(c, pack.maxChargeA()).findAny().isPresent())
                .isPresent();
    }

    /** The charger on the shelf for a pack; the strongest that the pack bears. */
    public static Part charger(Facet.Cells cells, double maxChargeA) {
        return chargers(cells, maxChargeA)
                .max(Comparator.comparingDouble(
                        p -> facet(p, Facet.Charges.class).amps().value()))
                .orElseGet(() -> guessedCharger(cells, maxChargeA));
    }

    private static Part guessedCharger(Facet.Cells cells, double amps) {
        double full = cells.series() * cells.chemistry().chargeV();
        Facet.Charges c = new Facet.Charges(
                cells.chemistry(),
                cells.series(),
                Figure.guess(Math.min(amps, 3)),
                Figure.guess(Usual.CHAIN_EFFICIENCY),
                false,
                5,
                Math.max(Usual.USB_MOST_V, full + 2),
                Figure.guess(5e-5));
        return made(
                "charger",
                cells.series() + "S " + cells.chemistry().words() + " charger, to be chosen",
                Family.CHARGER,
                58,
                34,
                11,
                26,
                28,
                List.of(c));
    }

    /** The adapter on the shelf, asked for the offer with least to spare that still gives a power at a voltage in a range. */
    public static Part adapter(double leastV, double mostV, double watts) {
        record Choice(Part part, Facet.Offer offer) {}
        return having(Facet.Adapter.class)
                .flatMap(p ->
                        (p.offers().isEmpty() ? p.offer().stream() : p.offers().stream()).map(o -> new Choice(p, o)))
                .filter(c -> c.offer.volts() >= leastV && c.offer.volts() <= mostV && c.offer.watts() >= watts)
                .min(Comparator.comparingDouble((Choice c) -> c.part.price().value())
                        .thenComparingDouble(c -> -c.offer.watts()))
                .map(c -> c.part.asked(c.offer))
                .orElseGet(() -> guessedAdapter((leastV + mostV) / 2, watts));
    }

    private static Part guessedAdapter(double volts, double watts) {
        double amps = Math.ceil(watts / volts * 2) / 2;
        return made(
                "adapter",
                "Mains adapter, " + Units.format(volts, 1, "V") + " " + Units.format(amps) + " A, to be chosen",
                Family.CHARGER,
                90,
                45,
                30,
                200,
                25,
                List.of(new Facet.Adapter(volts, amps, Figure.guess(0.06))));
    }

    /** The smallest power bank on the shelf that gives a power at a voltage in a range, asked for that voltage. */
    public static Optional<Part> bank(double leastV, double mostV, double amps5V) {
        record Choice(Part part, Facet.Offer offer) {}
        return having(Facet.PowerBank.class)
                .flatMap(p ->
                        (p.offers().isEmpty() ? p.offer().stream() : p.offers().stream()).map(o -> new Choice(p, o)))
                .filter(c -> c.offer.volts() > leastV && c.offer.volts() <= mostV && c.offer.watts() >= amps5V)
                .min(Comparator.comparingDouble((Choice c) -> c.part.labelWh())
                        .thenComparingDouble(c -> -c.offer.watts()))
                .map(c -> c.part.asked(c.offer));
    }

    /** The screen on the shelf that draws at once and is nearest in size to one. */
    public static Optional<Part> quickScreen(Part like) {
        double mm = diagonal(like);
        return having(Facet.ShowsPicture.class)
                .filter(p -> p.isScreen() && p.facet(Facet.Refreshes.class).isEmpty())
                .min(Comparator.comparingDouble(p -> Math.abs(diagonal(p) - mm)));
    }

    private static double diagonal(Part part) {
        return Math.hypot(part.body().widthMm().value(), part.body().depthMm().value());
    }

    /** A fuel gauge that the computer can read. */
    public static Part gauge() {
        return having(Facet.ShowsLevel.class)
                .filter(p -> facet(p, Facet.ShowsLevel.class).toComputer())
                .findFirst()
                .orElseGet(() -> made(
                        "gauge",
                        "Fuel gauge, to be chosen",
                        Family.CHARGER,
                        26,
                        18,
                        4,
                        3,
                        8,
                        List.of(new Facet.ShowsLevel(true, Figure.guess(0.01)))));
    }

    private static Part made(
            String id,
            String name,
            Family family,
            double w,
            double d,
            double h,
            double g,
            double price,
            List<Facet> facets) {
        return new Part(
                id,
                name,
                family,
                "A guess; nothing on the shelf does this.",
                Figure.guess(g),
                Figure.guess(price),
                Part.Standing.TO_BUY,
                Body.block(Figure.guess(w), Figure.guess(d), Figure.guess(h)),
                facets);
    }
}
