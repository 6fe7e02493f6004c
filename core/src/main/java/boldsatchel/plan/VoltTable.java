package boldsatchel.plan;

import boldsatchel.machine.Build;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Rung;
import boldsatchel.power.CellTemperatures;
import boldsatchel.power.Demand;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.power.PointsEngine;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Which voltage at the terminals means how much is left: switched off, idle and busy, to print and stick on the case.
 *
 * @param rows from full to empty
 * @param warnLevel where a warning should come: a quarter of an hour before the end, at least a tenth of the charge
 */
public record VoltTable(List<Row> rows, double warnLevel) {

    private static final double WARN_HOURS = 0.25;
    private static final double WARN_LEVEL = 0.1;

    /**
     * @param level state of charge, 0 to 1
     * @param restV switched off
     * @param idleV idle
     * @param busyV in the hardest step of the profile; not a number where it does not run any more
     */
    public record Row(double level, double restV, double idleV, double busyV) {}

    /** Copies the list. */
    public VoltTable {
        rows = List.copyOf(rows);
    }

    /** The table of a chain whose cells are that warm; nothing without a source. */
    public static Optional<VoltTable> of(Build build, Rung root, CellTemperatures cells) {
        return Network.of(build, root, Reading.NOMINAL, cells).map(n -> {
            Demand busy = PointsEngine.hardest(build.brief().profile());
            List<Row> rows = new ArrayList<>();
            for (int i = 10; i >= 0; i--) {
                double level = i / 10.0;
                rows.add(new Row(
                        level,
                        n.solve(level, Demand.of(Mode.OFF)).terminalVolts(),
                        volts(n, level, Demand.of(Mode.IDLE)),
                        volts(n, level, busy)));
            }
            return new VoltTable(rows, warnLevel(Discharge.run(n, build.brief().profile())));
        });
    }

    private static double volts(Network n, double level, Demand demand) {
        var point = n.solve(level, demand);
        return point.stop().isPresent() ? Double.NaN : point.terminalVolts();
    }

    /** State of charge at which a warning leaves time to save and shut down. */
    public static double warnLevel(Discharge run) {
        if (Double.isInfinite(run.hours())) {
            return 0;
        }
        double early = run.samples().stream()
                .filter(s -> s.hours() <= run.hours() - WARN_HOURS)
                .mapToDouble(Discharge.Sample::level)
                .min()
                .orElse(1);
        return Math.max(early, run.endLevel() + WARN_LEVEL);
    }
}
