package boldsatchel.power;

import boldsatchel.machine.Facet;
import java.util.Optional;

/** Where a chain's energy comes from, with its figures read. */
sealed interface Store {

    /** Voltage without load, V. */
    double openVolts(double level);

    /** Resistance inside, Ω. */
    double ohms(double level);

    /** Hours that a full store would last at this current. */
    default double hoursAt(double amps) {
        return charge().value() / amps;
    }

    /** What it turns into heat beside its resistance, W. */
    default double lossW(double volts, double amps) {
        return 0;
    }

    /** Most current it regulates to rather than gives up at, A; infinite for cells. */
    double holdsAtA();

    /** Tells how the resistance moves with its inputs. */
    void tellOhms(double level, double weight, Num.Sink sink);

    /** Tells how what it turns into heat beside its resistance moves with its inputs. */
    default void tellLoss(double amps, Num.Sink sink) {}

    /** What is in it, in units of current times hours: a full store lasts this over the current. */
    Num charge();

    /** The store's own reason to give nothing more at a solution. */
    Optional<Breach.Kind> ends(double level, double volts, double amps);

    /** Breaches of the store's own limits at a solution. */
    void check(String rung, double level, double volts, double amps, Node.Observer observer);

    /** Hours after which a full store is flat by itself; infinite for what has no cells. */
    default double selfHours() {
        return Double.POSITIVE_INFINITY;
    }

    /**
     * Cells in series and parallel.
     *
     * @param warmth factor on their resistance for how warm they are
     */
    record Pack(Facet.Cells cells, Num cellOhms, Num packOhms, Num charge, double warmth) implements Store {

        private static final double MONTH_HOURS = 730;

        /** Cells of a temperature, °C. */
        static Pack at(Facet.Cells cells, Num cellOhms, Num packOhms, Num charge, double celsius) {
            return new Pack(cells, cellOhms, packOhms, charge, CellCurve.warmthFactor(celsius));
        }

        @Override
        public double openVolts(double level) {
            return cells.series() * CellCurve.restVolts(cells.chemistry(), level);
        }

        @Override
        public double ohms(double level) {
            return cellOhms.value() * cellShare(level) + packOhms.value();
        }

        private double cellShare(double level) {
            return CellCurve.levelFactor(level) * warmth * cells.series() / cells.parallel();
        }

        @Override
        public void tellOhms(double level, double weight, Num.Sink sink) {
            cellOhms.tell(weight * cellShare(level), sink);
            packOhms.tell(weight, sink);
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
            observer.limit(Breach.Kind.CELL_CUTOFF, rung, volts, leastVolts());
            observer.limit(Breach.Kind.OVER_CURRENT, rung, amps, cells.tripA());
            if (amps <= cells.tripA()) {
                observer.limit(Breach.Kind.OVER_RATING, rung, amps, cells.maxDischargeA());
            }
        }

        @Override
        public double selfHours() {
            return MONTH_HOURS / CellCurve.selfDischargePerMonth(cells.chemistry());
        }
    }

    /** A power bank: a steady voltage until its cells are empty. */
    record Bank(Facet.PowerBank bank, Num charge, Num ohmsOut, Num efficiency) implements Store {
        @Override
        public void tellLoss(double amps, Num.Sink sink) {
            efficiency.tell(-bank.outV() * amps / (efficiency.value() * efficiency.value()), sink);
        }

        /** Its cells give more than comes out. */
        @Override
        public double lossW(double volts, double amps) {
            return bank.outV() * Math.max(0, amps) * (1 / efficiency.value() - 1);
        }

        @Override
        public double openVolts(double level) {
            return bank.outV();
        }

        @Override
        public double ohms(double level) {
            return ohmsOut.value();
        }

        @Override
        public void tellOhms(double level, double weight, Num.Sink sink) {
            ohmsOut.tell(weight, sink);
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
            observer.limit(Breach.Kind.SOURCE_LIMIT, rung, amps, bank.outA());
            observer.limit(Breach.Kind.SHUTS_OFF, rung, amps, bank.shutOffA());
        }
    }

    /** A mains adapter: a steady voltage for ever. */
    record Mains(Facet.Adapter adapter, Num ohmsOut) implements Store {
        @Override
        public Num charge() {
            return Num.exact(Double.POSITIVE_INFINITY);
        }

        @Override
        public double openVolts(double level) {
            return adapter.outV();
        }

        @Override
        public double ohms(double level) {
            return ohmsOut.value();
        }

        @Override
        public void tellOhms(double level, double weight, Num.Sink sink) {
            ohmsOut.tell(weight, sink);
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
            observer.limit(Breach.Kind.SOURCE_LIMIT, rung, amps, adapter.outA());
        }
    }
}
