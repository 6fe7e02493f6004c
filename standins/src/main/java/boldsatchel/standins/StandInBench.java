package boldsatchel.standins;

import boldsatchel.engine.Lazy;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Demand;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.quantity.Reading;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.function.DoubleSupplier;

/**
 * A bench with cheap instruments and a build on it that is a little otherwise than planned. Its time may run faster than the clock on the
 * wall, so that a discharge does not take a night. What is clipped to what is told by a command of its own, {@code BENCh:HOOK}, as nobody
 * can clip to it.
 */
public final class StandInBench {

    /** How warm it is in the room, °C. */
    public static final double ROOM_C = 25;

    private final Build truth;
    private final Lazy<HeatResult> warm;
    private final DoubleSupplier wall;
    private final double speed;
    private final double began;
    private final List<Instrument> instruments = new ArrayList<>();

    private double now;
    private Optional<TruePack> pack = Optional.empty();
    private String hooked = "";
    private Mode mode = Mode.IDLE;
    private double level = 1;

    private double loadA;
    private boolean loadOn;
    private double cutOffV;

    /**
     * A bench.
     *
     * @param plan the build as the builder plans it
     * @param seed of what is otherwise; the same makes the same bench
     * @param speed how many seconds go by on it in one of the wall's
     * @param wall the wall's clock, s
     */
    public StandInBench(Build plan, long seed, double speed, DoubleSupplier wall) {
        truth = TrueBuild.of(plan, seed);
        warm = Lazy.of(() -> Evaluator.evaluate(truth).of(HeatResult.class));
        this.speed = speed;
        this.wall = wall;
        began = wall.getAsDouble();
        Random random = new Random(seed + 1);
        instruments.add(load(random));
        instruments.add(supply(random));
        instruments.add(multimeter(random));
        instruments.add(usbMeter(random));
        instruments.add(thermometer(random));
        instruments.add(scale(random));
    }

    /** The build as it truly is: what a test may look at, and a builder only when practice is over. */
    public Build truth() {
        return truth;
    }

    List<Instrument> instruments() {
        return List.copyOf(instruments);
    }

    /** Goes on to now. */
    private void goOn() {
        double to = (wall.getAsDouble() - began) * speed;
        double seconds = Math.max(0, to - now);
        now = to;
        pack.ifPresent(p -> {
            double amps = drawn(p);
            p.draw(amps, seconds);
            drawn(p);
        });
    }

    /** What the load draws; it lets go at its cut-off. */
    private double drawn(TruePack p) {
        if (loadOn && p.volts(loadA) < cutOffV) {
            loadOn = false;
        }
        return loadOn ? loadA : 0;
    }

    /** Clips to a part by its id. */
    private void hook(String id) {
        Part part = truth.part(id).orElseThrow(() -> new IllegalArgumentException(id));
        goOn();
        if (!hooked.equals(id)) {
            pack = part.facet(Facet.Cells.class).map(c -> new TruePack(c, ROOM_C, level));
            hooked = id;
        }
    }

    /** An instrument that can be clipped to a part, and knows what time it is on the bench. */
    private Instrument instrument(String name, String model) {
        Instrument instrument = new Instrument(name, model);
        instrument.told("BENCh:HOOK", this::hook);
        instrument.measures("BENCh:TIME", () -> {
            goOn();
            return now;
        });
        instrument.told("BENCh:MODE", word -> mode = Mode.valueOf(word.toUpperCase(Locale.ROOT)));
        return instrument;
    }

    /** One that shows something with its own error. */
    private static void shows(Instrument instrument, String header, MeterError error, DoubleSupplier truly) {
        instrument.measures("MEASure:" + header, () -> error.shown(truly.getAsDouble()));
    }

    private double volts() {
        goOn();
        return pack.map(p -> p.volts(loadOn ? loadA : 0))
                .orElseGet(() -> rail().map(r -> r.voltsIn()).orElse(0.0));
    }

    private double amps() {
        goOn();
        return pack.map(p -> loadOn ? loadA : 0.0)
                .orElseGet(() -> rail().map(r -> r.ampsIn()).orElse(0.0));
    }

    /** Of what is clipped to: in the case and in use after a soak, as warm as the room before. */
    private double celsius() {
        return mode == Mode.BUSY
                ? warm.get().part(hooked).map(HeatResult.Spot::celsius).orElse(ROOM_C)
                : ROOM_C;
    }

    /** What goes into the part that is clipped to, in the chain that feeds it. */
    private Optional<OperatingPoint.RungState> rail() {
        for (Rung root : truth.wiring().chain()) {
            Optional<OperatingPoint.RungState> state = Network.of(truth, root, Reading.NOMINAL)
                    .map(n -> n.solve(level, Demand.of(mode)))
                    .flatMap(point -> root.walk()
                            .filter(r -> r.part().filter(hooked::equals).isPresent())
                            .flatMap(r -> point.rung(r.id()).stream())
                            .findFirst());
            if (state.isPresent()) {
                return state;
            }
        }
        return Optional.empty();
    }

    private Instrument load(Random random) {
        Instrument load = instrument("electronic load", "LOAD-40W");
        load.set("SOURce:CURRent", a -> {
            goOn();
            loadA = Math.clamp(a, 0, 30);
        });
        load.set("SOURce:VOLTage:CUToff", v -> cutOffV = Math.max(0, v));
        load.switches("INPut", on -> {
            goOn();
            loadOn = on;
        });
        load.asked("INPut", () -> {
            goOn();
            return loadOn ? "1" : "0";
        });
        shows(load, "VOLTage", new MeterError(random, 0.002, 0.005, 0.002, 0.001), this::volts);
        shows(load, "CURRent", new MeterError(random, 0.005, 0.002, 0.001, 0.001), this::amps);
        return load;
    }

    private Instrument supply(Random random) {
        Instrument supply = instrument("power supply", "SUPPLY-30V");
        double[] set = new double[2];
        boolean[] on = new boolean[1];
        supply.set("SOURce:VOLTage", v -> set[0] = Math.clamp(v, 0, 30));
        supply.set("SOURce:CURRent", a -> set[1] = Math.clamp(a, 0, 10));
        supply.switches("OUTPut", o -> on[0] = o);
        shows(supply, "VOLTage", new MeterError(random, 0.002, 0.01, 0.003, 0.01), () -> on[0] ? set[0] : 0);
        shows(
                supply,
                "CURRent",
                new MeterError(random, 0.005, 0.005, 0.002, 0.001),
                () -> on[0] ? Math.min(set[1], amps()) : 0);
        return supply;
    }

    private Instrument multimeter(Random random) {
        Instrument meter = instrument("multimeter", "METER-6000");
        MeterError u = new MeterError(random, 0.005, 0.002, 0.0005, 0.001);
        MeterError i = new MeterError(random, 0.012, 0.003, 0.001, 0.001);
        for (String kind : List.of("", ":DC")) {
            shows(meter, "VOLTage" + kind, u, this::volts);
            shows(meter, "CURRent" + kind, i, this::amps);
        }
        return meter;
    }

    private Instrument usbMeter(Random random) {
        Instrument meter = instrument("USB power meter", "INLINE-C");
        MeterError u = new MeterError(random, 0.005, 0.01, 0.003, 0.01);
        MeterError i = new MeterError(random, 0.01, 0.005, 0.003, 0.001);
        shows(meter, "VOLTage", u, this::volts);
        shows(meter, "CURRent", i, this::amps);
        meter.measures("MEASure:POWer", () -> u.shown(volts()) * i.shown(amps()));
        return meter;
    }

    private Instrument thermometer(Random random) {
        Instrument logger = instrument("temperature logger", "THERMO-4");
        shows(logger, "TEMPerature", new MeterError(random, 0.002, 1, 0.1, 0.1), this::celsius);
        return logger;
    }

    private Instrument scale(Random random) {
        Instrument scale = instrument("scale", "SCALE-5KG");
        shows(
                scale,
                "MASS",
                new MeterError(random, 0.001, 1, 0.2, 0.1),
                () -> truth.part(hooked).map(p -> p.massG().value()).orElse(0.0));
        return scale;
    }
}
