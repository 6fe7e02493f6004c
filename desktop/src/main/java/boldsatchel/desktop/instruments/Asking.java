package boldsatchel.desktop.instruments;

import boldsatchel.bench.Measurand;
import boldsatchel.machine.Mode;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Quantity;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.math3.stat.descriptive.SummaryStatistics;

/** One reading off an instrument: the mean of a few, with what they scatter and what its kind may be off. */
public final class Asking {

    private static final int TIMES = 5;

    /** SCPI-1999, vol. 2, MEASure; mass is no quantity of that standard. */
    private static final Map<Quantity, String> QUESTIONS = Map.of(
            Quantity.VOLTAGE, "MEAS:VOLT?",
            Quantity.CURRENT, "MEAS:CURR?",
            Quantity.POWER, "MEAS:POW?",
            Quantity.TEMPERATURE, "MEAS:TEMP?",
            Quantity.MASS, "MEAS:MASS?");

    /** What the machine does while a figure is read. */
    private static final Map<String, Mode> MODES = Map.of(
            "DrawsPower.offW", Mode.OFF,
            "DrawsPower.sleepW", Mode.SLEEP,
            "DrawsPower.idleW", Mode.IDLE,
            "supply.idleV", Mode.IDLE,
            "DrawsPower.startW", Mode.START);

    private Asking() {}

    /**
     * What came of asking.
     *
     * @param read a figure
     * @param wrong why there is none, in words
     */
    public record Answer(Optional<Figure> read, String wrong) {}

    /** Whether there is an instrument that can be asked for it. */
    public static boolean isPossible(Measurand what) {
        return QUESTIONS.containsKey(what.quantity());
    }

    /**
     * Asks an instrument; waits seconds at most.
     *
     * @param address that the user typed
     * @param part what it is clipped to: a stand-in has to be told
     */
    public static Answer of(String address, String part, Measurand what) {
        try {
            return new Answer(Optional.of(read(address, part, what)), "");
        } catch (InstrumentFault e) {
            return new Answer(Optional.empty(), String.valueOf(e.getMessage()));
        }
    }

    private static Figure read(String address, String part, Measurand what) throws InstrumentFault {
        String question = Optional.ofNullable(QUESTIONS.get(what.quantity()))
                .orElseThrow(() -> new InstrumentFault("Nothing here reads “" + what.label() + "”. Type it.", false));
        try (LineInstrument instrument = LineInstrument.call(address)) {
            if (instrument.isStandIn()) {
                instrument.tell("BENC:HOOK " + part);
                instrument.tell("BENC:MODE " + MODES.getOrDefault(what.id(), Mode.BUSY));
            }
            SummaryStatistics all = new SummaryStatistics();
            for (int n = 0; n < TIMES; n++) {
                all.addValue(instrument.number(question));
            }
            double off = Math.hypot(
                    Figure.measured(all.getMean()).plusMinus(), 2 * all.getStandardDeviation() / Math.sqrt(TIMES));
            return new Figure(all.getMean(), off, Basis.MEASURED);
        }
    }
}
