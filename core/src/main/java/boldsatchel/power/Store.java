package boldsatchel.power;

import boldsatchel.machine.Facet;
import java.util.Optional;

/** Where a chain's energy comes from, with its figures read. */
sealed interface Store {

    /** Voltage without load, V. */
    double openVolts(double level);

    /** Resistance inside, Ω. */
    double ohms(double level);

    /** Hours that a full store would last at this terminal voltage and current. */
    double hoursAt(double volts, double amps);

    /** Most current it regulates to rather than gives up at, A; infinite for cells. */
    double holdsAtA();

    /** The store's own reason to give nothing more at a solution. */
    Optional<Breach.Kind> ends(double level, double volts, double amps);

    /** Breaches of the store's own limits at a solution. */
    void check(String rung, double level, double volts, double amps, Node.Observer observer);

    /** Hours after which a full store is flat by itself; infinite for what has no cells. */
    default double selfHours() {
        return Double.POSITIVE_INFINITY;
    }

    /** Cells in series and parallel. */
    record Pack(Facet.Cells cells, double cellOhms, double packOhms, double capacityAh, double celsius)
            implements Store {

        private static final double MONTH_HOURS = 730;

        @Override
        public double openVolts(double level) {
            return cells.series() * CellCurve.restVolts(cells.chemistry(), level);
        }

        @Override
        public double ohms(double level) {
            return cellOhms * CellCurve.resistanceFactor(level, celsius) * cells.series() / cells.parallel() + packOhms;
        }

        @Override
        public double hoursAt(double volts, double amps) {
            return capacityAh * cells.parallel() / amps;
        }

        @Override
        public double holdsAtA() {
            return Double.POSITIVE_INFINITY;
        }

        private double leastVolts() {
            return cells.cutoffV() * cells.series();
        }

        @Override
        public Optional<Breach.Kind> ends(double level, double volts, double amps) {
            return volts < leastVolts() || level <= 0 ? Optional.of(Breach.Kind.CELL_CUTOFF) : Optional.empty();
        }

        @Override
        public void check(String rung, double level, double volts, double amps, Node.Observer observer) {
            if (volts < leastVolts()) {
                observer.breach(Breach.Kind.CELL_CUTOFF, rung, volts, leastVolts());
            }
            if (amps > cells.tripA()) {
                observer.breach(Breach.Kind.OVER_CURRENT, rung, amps, cells.tripA());
            } else if (amps > cells.maxDischargeA()) {
                observer.breach(Breach.Kind.OVER_RATING, rung, amps, cells.maxDischargeA());
            }
        }

        @Override
        public double selfHours() {
            return MONTH_HOURS / CellCurve.selfDischargePerMonth(cells.chemistry());
        }
    }

    /** A power bank: a steady voltage until its cells are empty. */
    record Bank(Facet.PowerBank bank, double usableWh, double ohmsOut) implements Store {
        @Override
        public double openVolts(double level) {
            return bank.outV();
        }

        @Override
        public double ohms(double level) {
            return ohmsOut;
        }

        @Override
        public double hoursAt(double volts, double amps) {
            return usableWh / (bank.outV() * amps);
        }

        @Override
        public double holdsAtA() {
            return bank.outA();
        }

        @Override
        public Optional<Breach.Kind> ends(double level, double volts, double amps) {
            return level <= 0
                    ? Optional.of(Breach.Kind.EMPTY)
                    : amps < bank.shutOffA() ? Optional.of(Breach.Kind.SHUTS_OFF) : Optional.empty();
        }

        @Override
        public void check(String rung, double level, double volts, double amps, Node.Observer observer) {
            if (amps > bank.outA()) {
                observer.breach(Breach.Kind.SOURCE_LIMIT, rung, amps, bank.outA());
            }
            if (amps < bank.shutOffA()) {
                observer.breach(Breach.Kind.SHUTS_OFF, rung, amps, bank.shutOffA());
            }
        }
    }

    /** A mains adapter: a steady voltage for ever. */
    record Mains(Facet.Adapter adapter, double ohmsOut) implements Store {
        @Override
        public double openVolts(double level) {
            return adapter.outV();
        }

        @Override
        public double ohms(double level) {
            return ohmsOut;
        }

        @Override
        public double hoursAt(double volts, double amps) {
            return Double.POSITIVE_INFINITY;
        }

        @Override
        public double holdsAtA() {
            return adapter.outA();
        }

        @Override
        public Optional<Breach.Kind> ends(double level, double volts, double amps) {
            return Optional.empty();
        }

        @Override
        public void check(String rung, double level, double volts, double amps, Node.Observer observer) {
            if (amps > adapter.outA()) {
                observer.breach(Breach.Kind.SOURCE_LIMIT, rung, amps, adapter.outA());
            }
        }
    }
}
