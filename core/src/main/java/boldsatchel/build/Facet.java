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
            implements Facet {
        /** The same bank with another figure for its energy. */
        public PowerBank rated(Figure newRatedWh) {
            return new PowerBank(newRatedWh, efficiency, outV, outA, outOhms, shutOffA);
        }

        /** The same bank with another efficiency. */
        public PowerBank efficient(Figure newEfficiency) {
            return new PowerBank(ratedWh, newEfficiency, outV, outA, outOhms, shutOffA);
        }

        /** The same bank asked for another voltage. */
        public PowerBank asked(Offer offer) {
            return new PowerBank(ratedWh, efficiency, offer.volts(), offer.amps(), outOhms, shutOffA);
        }

        /** The same bank in its always-on setting. */
        public PowerBank alwaysOn() {
            return new PowerBank(ratedWh, efficiency, outV, outA, outOhms, 0);
        }
    }

    /**
     * What a pack's own electronics do beside the cut-off. A pack without this facet neither balances its cells nor tells anybody how
     * full it is, and takes a charge of {@link #USUAL_CHARGE_PER_HOUR} times its capacity.
     *
     * @param balances keeps cells in series at one voltage
     * @param reports tells the computer its state of charge
     * @param maxChargeA most charge current of the whole pack
     */
    record Manages(boolean balances, boolean reports, double maxChargeA) implements Facet {
        /** Charge current usual where the maker gives none, as a share of the capacity an hour; a guess. */
        public static final double USUAL_CHARGE_PER_HOUR = 0.5;
    }

    /**
     * A pair of voltage and current that a supply can be asked for.
     *
     * @param volts at its output
     * @param amps the most at that voltage
     */
    record Offer(double volts, double amps) {
        /** Most power, W. */
        public double watts() {
            return volts * amps;
        }
    }

    /**
     * Can be asked for other voltages than the one in use.
     *
     * @param offers what can be had, the one in use among them
     */
    record Offers(List<Offer> offers) implements Facet {
        /** Copies the list. */
        public Offers {
            offers = List.copyOf(offers);
        }
    }

    /**
     * A ready-made mains adapter; it stays outside the case and is not carried.
     *
     * @param outV voltage in use
     * @param outA most current at that voltage
     * @param outOhms fall of the output with current
     */
    record Adapter(double outV, double outA, Figure outOhms) implements Facet {}

    /** Stands beside the machine rather than in it: a charging dock. It needs no place and is not carried. */
    record StaysBeside() implements Facet {}

    /**
     * Has a charger of its own inside, as power banks do.
     *
     * @param watts most power it takes
     * @param efficiency share of it that is stored
     * @param gapSeconds how long its output is away when the charger is plugged in or out; 0 for none
     */
    record Recharges(Figure watts, Figure efficiency, Figure gapSeconds) implements Facet {}

    /**
     * Charges a pack: constant current, then constant voltage.
     *
     * @param chemistry of the cells it is made for
     * @param series cells in series it is made for
     * @param amps constant current
     * @param efficiency of the conversion; for a linear one the charge current is the input current and this is not read
     * @param linear burns the difference of input and cell voltage
     * @param lowV least input voltage
     * @param highV most input voltage
     * @param backA current it takes from the pack when nothing is plugged in
     */
    record Charges(
            Chemistry chemistry,
            int series,
            Figure amps,
            Figure efficiency,
            boolean linear,
            double lowV,
            double highV,
            Figure backA)
            implements Facet {}

    /**
     * Shows or tells how full the battery is: a voltmeter, a fuel gauge.
     *
     * @param toComputer whether the operating system can read it
     * @param ohms its resistance in the current's way
     */
    record ShowsLevel(boolean toComputer, Figure ohms) implements Facet {}

    /**
     * Takes energy for each new picture and hardly any between: a paper-like panel.
     *
     * @param joules for one refresh of the whole panel
     * @param mostPerMinute refreshes it can do
     */
    record Refreshes(Figure joules, double mostPerMinute) implements Facet {}

    /**
     * A converter that can be told to be off; its output is dead then. One without this facet never switches off.
     *
     * @param offW what leaks through it then
     */
    record SwitchesOff(Figure offW) implements Facet {}

    /**
     * How well a converter holds its set voltage.
     *
     * @param tolerance share of the set voltage, up and down
     */
    record Holds(double tolerance) implements Facet {}

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
                Manages.class,
                Offers.class,
                Adapter.class,
                StaysBeside.class,
                Recharges.class,
                Charges.class,
                ShowsLevel.class,
                Refreshes.class,
                Converts.class,
                SwitchesOff.class,
                Holds.class,
                Thermal.class,
                MovesAir.class,
                ShowsPicture.class,
                Radiates.class);
    }
}
