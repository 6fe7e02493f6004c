package boldsatchel.power;

import boldsatchel.course.Course;
import boldsatchel.engine.CannotAnswer;
import boldsatchel.engine.Lazy;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Usual;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.function.Function;

/**
 * Charging: constant current up to the full voltage, then constant voltage until the current has fallen to a twentieth of the capacity
 * an hour (Linden, Handbook of Batteries, ch. 26). Twice the resistance of a short pulse stands between rest and terminal
 * voltage, as the slow part of a cell's polarisation has time to build up. The level follows dQ = I·dt.
 */
public final class Charge {

    private static final int INTERVALS = 60;
    private static final int MACHINE_LEVELS = 6;
    private static final double SLOW_FACTOR = 2;
    private static final Facet.Offer NOTHING = new Facet.Offer(0, 0);

    private static final double END_PER_HOUR = 1.0 / 20;

    private Charge() {}

    /**
     * What a charger asks of its supply.
     *
     * @param linear whether its input current is its charge current at any voltage
     * @param lowV least input voltage
     * @param nominalV voltage the power holds at
     * @param highV most input voltage
     * @param watts at the nominal voltage
     * @param amps charge current; not a number for a store that only tells its power
     */
    public record Intake(boolean linear, double lowV, double nominalV, double highV, double watts, double amps) {
        /** Current drawn from a supply of a voltage, A. */
        public double ampsAt(double volts) {
            return linear ? watts / nominalV : watts / volts;
        }
    }

    /**
     * How one store is filled from one supply.
     *
     * @param rung id of the charging rung
     * @param store id of the part that is filled
     * @param supply id of the part it is filled from
     * @param asked what the charger asks of the supply
     * @param fits whether the supply's voltage is inside the charger's input range
     * @param off from empty with the machine off
     * @param running the same while the brief's profile runs
     * @param cellsA current into the cells at half charge in the hardest step of the profile; negative when they are drained
     * @param byOffer hours from empty, machine off, for each voltage the supply can be asked for
     */
    public record Result(
            String rung,
            String store,
            String supply,
            Intake asked,
            boolean fits,
            Curve off,
            Curve running,
            double cellsA,
            Lazy<List<OfferHours>> byOffer) {}

    /**
     * @param offer what the supply is asked for
     * @param hours from empty to full; infinite when it never gets there
     */
    public record OfferHours(Facet.Offer offer, double hours) {}

    /**
     * Filling over time.
     *
     * @param hours from empty to full; infinite when it never gets there
     * @param samples along the way
     */
    public record Curve(double hours, List<Discharge.Sample> samples) {
        /** Copies the list. */
        public Curve {
            samples = List.copyOf(samples);
        }
    }

    /** What a charging rung asks of its supply; nothing when there is no charger for it. */
    public static Optional<Intake> input(Build build, Rung.Charging charging, Reading reading) {
        Optional<Part> charger = charging.charger().flatMap(build::part);
        Optional<Part> store = build.part(charging.store());
        Optional<Intake> by = charger.flatMap(p -> p.facet(Facet.Charges.class).map(c -> {
            double amps = reading.of(p.input(Facet.Charges.class, "amps", c.amps()));
            double nominal = (c.lowV() + c.highV()) / 2;
            double watts = c.linear()
                    ? amps * nominal
                    : amps
                            * c.series()
                            * c.chemistry().chargeV()
                            / reading.of(p.input(Facet.Charges.class, "efficiency", c.efficiency()));
            return new Intake(c.linear(), c.lowV(), nominal, c.highV(), watts, amps);
        }));
        return by.or(() -> store.flatMap(p -> p.facet(Facet.Recharges.class)
                .map(r -> new Intake(
                        false,
                        Usual.USB_LEAST_V,
                        5,
                        Usual.USB_MOST_V,
                        reading.of(p.input(Facet.Recharges.class, "watts", r.watts())),
                        Double.NaN))));
    }

    /**
     * What of a charger's intake reaches the store at its full voltage, W; all of it where nothing is known of the store.
     *
     * @param in the intake
     */
    static double reachesW(Build build, Rung.Charging charging, Intake in) {
        Optional<Part> store = build.part(charging.store());
        return store.flatMap(p -> p.facet(Facet.Cells.class))
                .filter(c -> !Double.isNaN(in.amps()))
                .map(c -> in.amps() * c.series() * c.chemistry().chargeV())
                .or(() -> store.flatMap(p -> p.facet(Facet.Recharges.class))
                        .map(r -> in.watts() * r.efficiency().value()))
                .orElse(in.watts());
    }

    /** What of that warms cells: their current through the resistance that stands between rest and terminals, W. */
    static double storeHeatW(Build build, Rung.Charging charging, Intake in, Reading reading) {
        double celsius = build.brief().surroundings().packC();
        return build.part(charging.store())
                .filter(p -> !Double.isNaN(in.amps()))
                .flatMap(p -> p.facet(Facet.Cells.class)
                        .map(c -> in.amps()
                                * in.amps()
                                * SLOW_FACTOR
                                * (reading.of(p.input(Facet.Cells.class, "cellOhms", c.cellOhms()))
                                                * CellCurve.resistanceFactor(1, celsius)
                                                * c.series()
                                                / c.parallel()
                                        + reading.of(p.input(Facet.Cells.class, "packOhms", c.packOhms())))))
                .orElse(0.0);
    }

    /** Every charging of a build. */
    public static List<Result> all(Build build) {
        return all(build, Network.plugged(build, List.of()));
    }

    /**
     * Every charging of a build.
     *
     * @param plugged a first rung's chain with everything plugged in
     */
    static List<Result> all(Build build, Function<Rung, Optional<Network>> plugged) {
        List<Result> results = new ArrayList<>();
        for (Rung root : build.wiring().chain()) {
            List<Rung> chargings = chargings(root);
            Optional<Part> supply = build.partOf(root);
            for (Rung rung : chargings) {
                if (supply.isPresent()
                        && rung.stage() instanceof Rung.Charging charging
                        && build.part(charging.store()).isPresent()) {
                    input(build, charging, Reading.NOMINAL)
                            .map(in -> new One(build, plugged, chargings, rung, charging, in))
                            .ifPresent(one -> results.add(CannotAnswer.at(
                                    List.of(charging.store(), supply.get().id()), () -> one.from(supply.get()))));
                }
            }
        }
        return results;
    }

    private static Store.Pack pack(Facet.Cells c, double celsius) {
        return Store.Pack.at(
                c,
                Num.exact(c.cellOhms().value()),
                Num.exact(c.packOhms().value()),
                Num.exact(
                        c.capacityAh().value() * c.health().value() * CellCurve.capacityFactor(celsius) * c.parallel()),
                celsius);
    }

    /** Charging rungs below a first rung. */
    public static List<Rung> chargings(Rung root) {
        return root.walk().filter(r -> r.stage() instanceof Rung.Charging).toList();
    }

    /**
     * Filling cells from empty.
     *
     * @param pack the cells, with their figures read
     * @param givenA current the charger can give at a level
     * @param takenA current that the machine takes of it at a level
     */
    static Curve fill(Store.Pack pack, DoubleUnaryOperator givenA, DoubleUnaryOperator takenA) {
        List<Discharge.Sample> samples = new ArrayList<>();
        double[] level = {0};
        Filling filling = new Filling(pack, givenA, takenA);
        samples.add(filling.at(level, new double[1]).sample(0, 0));
        Course.Leg<Filled> leg = new Course(0, 1, INTERVALS)
                .go(
                        filling,
                        level,
                        Double.POSITIVE_INFINITY,
                        (hours, from, before, to, after) ->
                                samples.add(after.sample(samples.getLast().hours() + hours, to[0])));
        return new Curve(leg.last().full() ? samples.getLast().hours() : Double.POSITIVE_INFINITY, samples);
    }

    /** What is seen of cells being filled. */
    private record Filled(double volts, double amps, boolean full, boolean stops) implements Course.Sight {
        Discharge.Sample sample(double hours, double level) {
            return new Discharge.Sample(hours, level, volts, amps);
        }
    }

    /** Cells being filled: as much as is left for them, and no more than holds them at their full voltage. */
    private static final class Filling implements Course.Motion<Filled> {
        private final Store.Pack pack;
        private final DoubleUnaryOperator givenA;
        private final DoubleUnaryOperator takenA;
        /** Ampere-hours that have to go in for a full pack. */
        private final double capacityAh;

        private final double fullV;

        Filling(Store.Pack pack, DoubleUnaryOperator givenA, DoubleUnaryOperator takenA) {
            this.pack = pack;
            this.givenA = givenA;
            this.takenA = takenA;
            Facet.Cells cells = pack.cells();
            capacityAh = pack.hoursAt(1) / CellCurve.chargeAcceptance(cells.chemistry());
            fullV = cells.series() * cells.chemistry().chargeV();
        }

        @Override
        public Filled at(double[] levels, double[] perHour) {
            double level = levels[0];
            double ohms = SLOW_FACTOR * pack.ohms(level);
            double open = pack.openVolts(level);
            double held = Math.max(0, (fullV - open) / ohms);
            double left = givenA.applyAsDouble(level) - takenA.applyAsDouble(level);
            double amps = Math.min(left, held);
            boolean full = left > 0 && (level >= 1 || (held < left && amps <= capacityAh * END_PER_HOUR));
            perHour[0] = amps / capacityAh;
            return new Filled(open + ohms * Math.max(0, amps), amps, full, full || left <= 0);
        }
    }

    /** One charging rung on one supply; chains with everything plugged in are modelled once for all of them. */
    private record One(
            Build build,
            Function<Rung, Optional<Network>> plugged,
            List<Rung> chargings,
            Rung rung,
            Rung.Charging charging,
            Intake in) {

        Result from(Part supply) {
            Facet.Offer now = supply.offer().orElse(NOTHING);
            Optional<Network> machine = machine();
            double busyA = 0;
            List<UseProfile.Step> steps = build.brief().profile().steps();
            for (UseProfile.Step step : steps) {
                busyA = Math.max(busyA, machineA(machine, Demand.of(step), 0.5));
            }
            double busy = busyA;
            double idle = given(now, supply, Optional.empty());
            double least = idle;
            double mean = 0;
            double minutes = build.brief().profile().minutes();
            for (UseProfile.Step step : steps) {
                double left = given(now, supply, Optional.of(Demand.of(step)));
                least = Math.min(least, left);
                mean += left * step.minutes() / minutes;
            }
            double given = least;
            Curve off = curve(idle, level -> 0);
            return new Result(
                    rung.id(),
                    charging.store(),
                    supply.id(),
                    in,
                    fits(now),
                    off,
                    curve(mean, meanMachineA(machine)),
                    store(charging.store())
                            .facet(Facet.PowerBank.class)
                            .map(b -> bankCellsA(b, given, busy))
                            .orElse(given - busy),
                    Lazy.of(() -> byOffer(supply, idle, off)));
        }

        /** Offers that let the charger take as much fill as fast. */
        private List<OfferHours> byOffer(Part supply, double idle, Curve off) {
            Map<Double, Double> hours = new HashMap<>(Map.of(idle, off.hours()));
            List<OfferHours> byOffer = new ArrayList<>();
            for (Facet.Offer offer : offers(supply)) {
                double given = given(offer, supply, Optional.empty());
                byOffer.add(new OfferHours(
                        offer,
                        hours.computeIfAbsent(given, g -> curve(g, level -> 0).hours())));
            }
            return List.copyOf(byOffer);
        }

        private List<Facet.Offer> offers(Part supply) {
            return supply.offers().isEmpty() ? supply.offer().stream().toList() : supply.offers();
        }

        private boolean fits(Facet.Offer offer) {
            return offer.volts() >= in.lowV() && offer.volts() <= in.highV();
        }

        /** The chain the store runs, if it runs one. */
        private Optional<Rung> root() {
            return build.wiring().chain().stream()
                    .filter(r -> r.sources().stream()
                            .anyMatch(s ->
                                    s.part().filter(charging.store()::equals).isPresent()))
                    .findFirst();
        }

        private Optional<Network> machine() {
            return root().flatMap(plugged);
        }

        /** What the store itself gives to the running machine with everything plugged in. */
        private double machineA(Optional<Network> machine, Demand demand, double level) {
            if (machine.isEmpty()) {
                return 0;
            }
            List<Supply.Branch> branches = machine.get().supply().branches();
            Supply.Flow flow = machine.get().at(demand).terminals(level).flow();
            for (int k = 0; k < branches.size() && !flow.collapsed(); k++) {
                if (build.rung(branches.get(k).source())
                        .flatMap(Rung::part)
                        .filter(charging.store()::equals)
                        .isPresent()) {
                    return flow.amps()[k];
                }
            }
            return 0;
        }

        /** Mean over the profile at a few levels, straight between: it changes little with the level. */
        private DoubleUnaryOperator meanMachineA(Optional<Network> machine) {
            UseProfile profile = build.brief().profile();
            double[] at = new double[MACHINE_LEVELS + 1];
            for (int i = 0; i <= MACHINE_LEVELS; i++) {
                for (UseProfile.Step step : profile.steps()) {
                    double level = Math.max(0.02, (double) i / MACHINE_LEVELS);
                    at[i] += step.minutes() / profile.minutes() * machineA(machine, Demand.of(step), level);
                }
            }
            return level -> {
                int i = Math.min((int) (level * MACHINE_LEVELS), MACHINE_LEVELS - 1);
                return at[i] + (at[i + 1] - at[i]) * (level * MACHINE_LEVELS - i);
            };
        }

        /** What the running machine draws straight from the supply past the store. */
        private double pastA(Part supply, Demand demand) {
            double past = 0;
            for (Rung r : build.wiring().chain()) {
                for (Rung source : r.sources()) {
                    boolean passes = !r.joined().isEmpty()
                            && source.part().filter(supply.id()::equals).isPresent();
                    if (passes) {
                        past = Math.max(
                                past,
                                plugged.apply(r)
                                        .flatMap(n -> n.solve(0.5, demand).rung(source.id()))
                                        .map(OperatingPoint.RungState::ampsOut)
                                        .orElse(0.0));
                    }
                }
            }
            return past;
        }

        /** Charge current that the supply allows, A; for a store that tells only its power, that power, W. */
        private double given(Facet.Offer offer, Part supply, Optional<Demand> running) {
            if (!fits(offer)) {
                return 0;
            }
            double asked = chargings.stream()
                    .flatMap(r -> r.stage() instanceof Rung.Charging c
                            ? input(build, c, Reading.NOMINAL).stream()
                            : java.util.stream.Stream.empty())
                    .mapToDouble(i -> i.ampsAt(offer.volts()))
                    .sum();
            double left = offer.amps() - running.map(d -> pastA(supply, d)).orElse(0.0);
            double share = Math.clamp(left / asked, 0, 1);
            return Double.isNaN(in.amps()) ? share * in.watts() : share * in.amps();
        }

        private Curve curve(double given, DoubleUnaryOperator taken) {
            Part store = store(charging.store());
            if (given <= 0) {
                return new Curve(Double.POSITIVE_INFINITY, List.of());
            }
            return store.facet(Facet.Cells.class)
                    .map(c -> fill(pack(c, build.brief().surroundings().packC()), level -> given, taken))
                    .or(() -> store.facet(Facet.PowerBank.class).map(b -> bank(b, given, taken)))
                    .orElse(new Curve(Double.POSITIVE_INFINITY, List.of()));
        }

        private Part store(String id) {
            return build.part(id).orElseThrow();
        }

        /** What reaches the cells of a power bank, W: what is stored less what its output takes. */
        private double bankCellsW(Facet.PowerBank b, double watts, double takenA) {
            double efficiency = store(charging.store())
                    .facet(Facet.Recharges.class)
                    .map(r -> r.efficiency().value())
                    .orElse(1.0);
            return watts * efficiency - takenA * b.outV() / b.efficiency().value();
        }

        private double bankCellsA(Facet.PowerBank b, double watts, double takenA) {
            return bankCellsW(b, watts, takenA) / Usual.BANK_CELL_V;
        }

        private Curve bank(Facet.PowerBank b, double watts, DoubleUnaryOperator taken) {
            double cells = bankCellsW(b, watts, taken.applyAsDouble(0.5));
            if (cells <= 0) {
                return new Curve(Double.POSITIVE_INFINITY, List.of());
            }
            double hours = b.ratedWh().value() / cells;
            return new Curve(
                    hours,
                    List.of(
                            new Discharge.Sample(0, 0, b.outV(), cells / Usual.BANK_CELL_V),
                            new Discharge.Sample(hours, 1, b.outV(), cells / Usual.BANK_CELL_V)));
        }
    }
}
