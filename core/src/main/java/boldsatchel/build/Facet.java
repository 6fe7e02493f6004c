package boldsatchel.build;

import boldsatchel.quantity.Figure;
import java.util.List;
import java.util.Optional;

/**
 * Something a part does beside taking up room. A part is a body plus facets: a new kind of part needs no new class, a new
 * kind of behaviour one record here and one engine that reads it.
 */
public sealed interface Facet {

    /** How a load's current follows its voltage. */
    enum LoadKind {
        /** Takes the same power at any voltage: anything behind a switching converter. */
        POWER,
        /** Takes the same current at any voltage: anything behind a linear regulator. */
        CURRENT,
        /** Takes current in proportion to voltage: heaters, plain motors. */
        RESISTANCE
    }

    /**
     * Draws electrical power.
     *
     * @param lowV least voltage it works at
     * @param nominalV voltage its figures hold at
     * @param highV most voltage it bears
     * @param kind how current follows voltage
     * @param offW drain when switched off but connected
     * @param sleepW asleep
     * @param idleW on, waiting; without the backlight
     * @param busyW working; without the backlight
     * @param startW peak while starting up
     * @param startSeconds how long the peak lasts
     * @param backlightW at full brightness; zero when there is none
     */
    record DrawsPower(
            double lowV,
            double nominalV,
            double highV,
            LoadKind kind,
            Figure offW,
            Figure sleepW,
            Figure idleW,
            Figure busyW,
            Figure startW,
            Figure startSeconds,
            Figure backlightW)
            implements Facet {

        /** The figure for a mode, without the backlight. */
        public Figure watts(Mode mode) {
            return switch (mode) {
                case OFF -> offW;
                case SLEEP -> sleepW;
                case IDLE -> idleW;
                case BUSY -> busyW;
                case START -> startW;
            };
        }
    }

    /** Cell chemistries with known rest voltages. */
    enum Chemistry {
        /** Lithium-ion charged to 4.2 V. */
        LI_ION("Li-ion", 4.2),
        /** Lithium iron phosphate. */
        LIFEPO4("LiFePO4", 3.65),
        /** Nickel metal hydride. */
        NIMH("NiMH", 1.45);

        private final String words;
        private final double chargeV;

        Chemistry(String words, double chargeV) {
            this.words = words;
            this.chargeV = chargeV;
        }

        /** The usual name. */
        public String words() {
            return words;
        }

        /** Highest voltage of a cell on the charger, V. */
        public double chargeV() {
            return chargeV;
        }
    }

    /**
     * Gives power from cells.
     *
     * @param chemistry of every cell
     * @param series cells in series
     * @param parallel cells in parallel
     * @param capacityAh of one cell at 25 °C when new
     * @param nominalV of one cell, for the energy on the label
     * @param cellOhms series resistance of one cell at 25 °C
     * @param packOhms everything between the cells and the terminals
     * @param cutoffV per cell, under load; where the maker or the protection ends the discharge
     * @param maxDischargeA for the whole pack
     * @param tripA over-current trip of its protection, whole pack
     * @param ownCutoff whether the pack itself switches off when empty
     * @param health remaining share of the capacity, 0 to 1
     */
    record Cells(
            Chemistry chemistry,
            int series,
            int parallel,
            Figure capacityAh,
            double nominalV,
            Figure cellOhms,
            Figure packOhms,
            double cutoffV,
            double maxDischargeA,
            double tripA,
            boolean ownCutoff,
            Figure health)
            implements Facet {

        /** Refuses packs without cells. */
        public Cells {
            if (series < 1 || parallel < 1) {
                throw new IllegalArgumentException("a pack has at least one cell in series and one in parallel");
            }
        }

        /** Energy on the label, Wh. */
        public double nominalWh() {
            return nominalV * capacityAh.value() * series * parallel;
        }
    }

    /**
     * Gives power from a ready power bank.
     *
     * @param ratedWh energy of its cells: label mAh times 3.7 V
     * @param efficiency of its own converter, 0 to 1
     * @param outV voltage of the profile in use
     * @param outA most current at that voltage
     * @param outOhms fall of the output with current
     * @param shutOffA switches itself off below this current
     */
    record PowerBank(Figure ratedWh, Figure efficiency, double outV, double outA, Figure outOhms, double shutOffA)
            implements Facet {}

    /** Kinds of converter. */
    enum ConverterKind {
        /** Output below input. */
        STEP_DOWN("step-down"),
        /** Output above input. */
        STEP_UP("step-up"),
        /** Output below or above input. */
        STEP_UP_DOWN("step-up-down"),
        /** Burns the difference. */
        LINEAR("linear");

        private final String words;

        ConverterKind(String words) {
            this.words = words;
        }

        /** The usual name. */
        public String words() {
            return words;
        }
    }

    /**
     * Turns one voltage into another. Loss = q + v·I + r·I² with I the inductor current: output current for a step-down, input
     * current for a step-up.
     *
     * @param kind which way
     * @param outV set output voltage
     * @param quietW q, drawn without load; for a linear regulator its ground current times the output voltage
     * @param dropV v, loss in proportion to current
     * @param lossOhms r, loss with the square of current
     * @param limitA switch current limit for a step-up, output current limit otherwise
     * @param dropoutV least input above the output, for step-down and linear
     * @param lowV least input voltage
     * @param highV most input voltage
     * @param noLoadV output before any load settles it
     */
    record Converts(
            ConverterKind kind,
            double outV,
            Figure quietW,
            Figure dropV,
            Figure lossOhms,
            double limitA,
            double dropoutV,
            double lowV,
            double highV,
            double noLoadV)
            implements Facet {}

    /**
     * Has a temperature that matters.
     *
     * @param limitC the most it may reach
     * @param stillKW from the part to still air; computed from its free faces when absent
     * @param fanKW the same with moving air
     */
    record Thermal(double limitC, Optional<Figure> stillKW, Optional<Figure> fanKW) implements Facet {}

    /**
     * Moves air.
     *
     * @param freeLs flow against no resistance, L/s
     * @param shutOffPa pressure at no flow
     */
    record MovesAir(Figure freeLs, Figure shutOffPa) implements Facet {}

    /**
     * Shows a picture.
     *
     * @param widthPx pixels across
     * @param heightPx pixels down
     * @param picture its visible rectangle in the part's frame, on the top face
     */
    record ShowsPicture(int widthPx, int heightPx, Box picture) implements Facet {}

    /** Sends or receives; metal around it matters. */
    record Radiates() implements Facet {}

    /** All kinds of facet by the name they have in a build file. */
    static List<Class<? extends Facet>> kinds() {
        return List.of(
                DrawsPower.class,
                Cells.class,
                PowerBank.class,
                Converts.class,
                Thermal.class,
                MovesAir.class,
                ShowsPicture.class,
                Radiates.class);
    }
}
