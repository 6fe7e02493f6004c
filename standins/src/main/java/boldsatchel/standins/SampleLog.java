package boldsatchel.standins;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import java.util.Locale;

/** Logs as a cheap electronic load writes them, taken on the stand-in bench: for trying things out, for pictures and for tests. */
public final class SampleLog {

    private static final double REST_EVERY_S = 1800;
    private static final double REST_S = 30;
    private static final double C_RATE = 0.25;
    private static final int MOST_ROWS = 200_000;

    /** A clock that goes on when it is told to. */
    private double wall;

    private SampleLog() {}

    /**
     * A pack from full to its cut-off: a quarter of its charge an hour, with half a minute of rest every half hour.
     *
     * @param plan the build that it belongs to
     * @param part id of the pack
     * @param seed of what is otherwise than planned, in the pack and in the meter
     * @param everyS seconds between two readings
     * @return semicolons, decimal commas, a line of the logger above
     * @throws IllegalArgumentException where the part is no pack
     */
    public static String discharge(Build plan, String part, long seed, double everyS) {
        return new SampleLog().discharged(plan, part, seed, everyS);
    }

    private String discharged(Build plan, String part, long seed, double everyS) {
        Facet.Cells cells = plan.part(part)
                .flatMap(p -> p.facet(Facet.Cells.class))
                .orElseThrow(() -> new IllegalArgumentException(part + " is no pack"));
        Instrument load =
                new StandInBench(plan, seed, 1, () -> wall).instruments().getFirst();
        load.line("BENC:HOOK " + part);
        load.line("SOUR:VOLT:CUT " + cells.cutoffV() * cells.series());
        load.line("SOUR:CURR " + C_RATE * cells.capacityAh().value() * cells.parallel() + ";:INP ON");
        StringBuilder rows = new StringBuilder("LOAD-40W, memory 1\r\nt [s];U [V];I [A]\r\n");
        boolean resting = false;
        for (int n = 0; n < MOST_ROWS; n++) {
            double at = n * everyS;
            wall = at;
            String[] said =
                    load.line("MEAS:VOLT?;MEAS:CURR?;INP?").orElseThrow().split(";");
            if (!resting && said[2].equals("0")) {
                return rows.toString();
            }
            rows.append(String.format(
                    Locale.GERMANY,
                    "%.0f;%.3f;%.3f\r\n",
                    at,
                    Double.parseDouble(said[0]),
                    Double.parseDouble(said[1])));
            boolean rest = at > 0 && at % REST_EVERY_S < REST_S;
            if (rest != resting) {
                load.line(rest ? "INP OFF" : "INP ON");
                resting = rest;
            }
        }
        return rows.toString();
    }
}
