package boldsatchel.power;

import boldsatchel.build.Facet;

/** Where a chain's energy comes from, with its figures read. */
sealed interface Store {

    /** Voltage without load, V. */
    double openVolts(double level);

    /** Resistance inside, Ω. */
    double ohms(double level);

    /** Hours that a full store would last at this terminal voltage and current. */
    double hoursAt(double volts, double amps);

    /** Breaches of the store's own limits at a solution. */
    void check(String rung, double level, double volts, double amps, Node.Observer observer);

    /** Cells in series and parallel. */
    record Pack(Facet.Cells cells, double cellOhms, double packOhms, double capacityAh, double celsius)
            implements Store {
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
        public void check(String rung, double level, double volts, double amps, Node.Observer observer) {
            double least = cells.cutoffV() * cells.series();
            if (volts < least) {
                observer.breach(Breach.Kind.CELL_CUTOFF, rung, volts, least);
            }
            if (amps > cells.tripA()) {
                observer.breach(Breach.Kind.OVER_CURRENT, rung, amps, cells.tripA());
            } else if (amps > cells.maxDischargeA()) {
                observer.breach(Breach.Kind.OVER_RATING, rung, amps, cells.maxDischargeA());
            }
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
        public void check(String rung, double level, double volts, double amps, Node.Observer observer) {
            if (amps > bank.outA()) {
                observer.breach(Breach.Kind.SOURCE_LIMIT, rung, amps, bank.outA());
            }
            if (amps < bank.shutOffA()) {
                observer.breach(Breach.Kind.SHUTS_OFF, rung, amps, bank.shutOffA());
            }
        }
    }
}
