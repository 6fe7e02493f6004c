package boldsatchel.standins;

import boldsatchel.machine.Facet;
import boldsatchel.power.CellCurve;

/** Cells on the bench: a level that falls as charge is drawn, and the voltage that goes with it. Not for several threads. */
final class TruePack {

    private static final double LONGEST_STEP_S = 10;
    private static final double SECONDS = 3600;

    private final Facet.Cells cells;
    private final double celsius;
    private double level;

    /**
     * A pack.
     *
     * @param cells as they truly are
     * @param celsius how warm they are
     * @param level state of charge at first, 0 to 1
     */
    TruePack(Facet.Cells cells, double celsius, double level) {
        this.cells = cells;
        this.celsius = celsius;
        this.level = level;
    }

    double level() {
        return level;
    }

    double chargeAh() {
        return cells.capacityAh().value()
                * cells.parallel()
                * cells.health().value()
                * CellCurve.capacityFactor(celsius);
    }

    /** Of the whole pack, as warm as it is and more than 30 % full. */
    double ohms() {
        return cellsOhms(1) + cells.packOhms().value();
    }

    private double cellsOhms(double at) {
        return cells.cellOhms().value() * CellCurve.resistanceFactor(at, celsius) * cells.series() / cells.parallel();
    }

    /** Voltage at the terminals with a current drawn, V; of its protection that has tripped or an empty pack nothing. */
    double volts(double amps) {
        if (amps > cells.tripA() || (level <= 0 && amps > 0)) {
            return 0;
        }
        return Math.max(
                0,
                cells.series() * CellCurve.restVolts(cells.chemistry(), level)
                        - amps * (cellsOhms(level) + cells.packOhms().value()));
    }

    /** Draws a current for some time; negative charges. */
    void draw(double amps, double seconds) {
        double left = seconds;
        while (left > 0) {
            double step = Math.min(left, LONGEST_STEP_S);
            level = Math.clamp(level - amps * step / SECONDS / chargeAh(), 0, 1);
            left -= step;
        }
    }
}
