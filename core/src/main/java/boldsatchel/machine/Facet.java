package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;

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
    @Label("Draws power")
    record DrawsPower(
            @Label(value = "works from", in = Quantity.VOLTAGE, absent = 4.75)
            double lowV,

            @Label(value = "figures hold at", in = Quantity.VOLTAGE, absent = 5, least = 0.1)
            double nominalV,

            @Label(value = "bears up to", in = Quantity.VOLTAGE, absent = 5.25)
            double highV,

            @Label("current follows voltage as") LoadKind kind,

            @Label(value = "power when off", in = Quantity.POWER)
            Figure offW,

            @Label(value = "asleep power", in = Quantity.POWER)
            Figure sleepW,

            @Label(value = "idle power", in = Quantity.POWER)
            Figure idleW,

            @Label(value = "busy power", in = Quantity.POWER)
            Figure busyW,

            @Label(value = "start power", in = Quantity.POWER)
            Figure startW,

            @Label(value = "start lasts", in = Quantity.SHORT_TIME, absent = 3, usualMost = 180)
            Figure startSeconds,

            @Label(value = "backlight power", in = Quantity.POWER)
            Figure backlightW)
            implements Facet {
        /** Whether a socket of it must hold another voltage than it is fed with, for what hangs there bears less. */
        public boolean converts(DrawsPower fed) {
            return fed.highV < highV;
        }

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
    @Label("Gives power from cells")
    record Cells(
            @Label("chemistry") Chemistry chemistry,

            @Label(value = "cells in series", absent = 1, least = 1, most = 200, usualMost = 16)
            int series,

            @Label(value = "cells in parallel", absent = 1, least = 1, most = 200, usualMost = 20)
            int parallel,

            @Label(
                    value = "cell capacity",
                    in = Quantity.CHARGE,
                    absent = 3,
                    least = 0.001,
                    usualLeast = 0.1,
                    usualMost = 40)
            Figure capacityAh,

            @Label(
                    value = "cell nominal voltage",
                    in = Quantity.VOLTAGE,
                    absent = 3.6,
                    least = 0.1,
                    usualLeast = 1,
                    usualMost = 4)
            double nominalV,

            @Label(
                    value = "cell resistance",
                    in = Quantity.RESISTANCE,
                    absent = 0.04,
                    usualLeast = 0.0005,
                    usualMost = 0.5)
            Figure cellOhms,

            @Label(value = "pack resistance", in = Quantity.RESISTANCE, absent = 0.02, usualMost = 0.5)
            Figure packOhms,

            @Label(value = "cell cut-off", in = Quantity.VOLTAGE, absent = 3, usualLeast = 0.8, usualMost = 3.6)
            double cutoffV,

            @Label(value = "most discharge current", in = Quantity.CURRENT, absent = 5)
            double maxDischargeA,

            @Label(value = "protection trips at", in = Quantity.CURRENT, absent = 10)
            double tripA,

            @Label("switches itself off when empty") boolean ownCutoff,

            @Label(value = "health", in = Quantity.SHARE, absent = 1, least = 0.01, usualLeast = 0.5)
            Figure health)
            implements Facet {

        /** Refuses packs without cells. */
        public Cells {
            if (series < 1 || parallel < 1) {
                throw new IllegalArgumentException("a pack has at least one cell in series and one in parallel");
            }
        }

        /** Resistance of the whole pack at 25 °C, Ω. */
        public double ohms() {
            return cellOhms.value() * series / parallel + packOhms.value();
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
    @Label("Power bank")
    record PowerBank(
            @Label(value = "rated energy", in = Quantity.ENERGY, absent = 37, least = 0.001)
            Figure ratedWh,

            @Label(
                    value = "efficiency",
                    in = Quantity.SHARE,
                    absent = 0.87,
                    least = 0.05,
                    usualLeast = 0.6,
                    usualMost = 0.98)
            Figure efficiency,

            @Label(value = "output voltage in use", in = Quantity.VOLTAGE, absent = 5, least = 0.1)
            double outV,

            @Label(value = "most output current", in = Quantity.CURRENT, absent = 3)
            double outA,

            @Label(value = "output resistance", in = Quantity.RESISTANCE, absent = 0.05)
            Figure outOhms,

            @Label(value = "switches off below", in = Quantity.CURRENT)
            double shutOffA)
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
    @Label("Its own electronics")
    record Manages(
            @Label("balances its cells") boolean balances,
            @Label("tells the computer its level") boolean reports,

            @Label(value = "most charge current", in = Quantity.CURRENT, absent = 1)
            double maxChargeA)
            implements Facet {
        /** Charge current usual where the maker gives none, as a share of the capacity an hour; a guess. */
        public static final double USUAL_CHARGE_PER_HOUR = 0.5;
    }

    /**
     * A pair of voltage and current that a supply can be asked for.
     *
     * @param volts at its output
     * @param amps the most at that voltage
     */
    record Offer(
            @Label(value = "voltage", in = Quantity.VOLTAGE, absent = 5, least = 0.1)
            double volts,

            @Label(value = "most current", in = Quantity.CURRENT, absent = 3)
            double amps) {
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
    @Label("Can be asked for other voltages")
    record Offers(@Label("can be asked for") List<Offer> offers) implements Facet {
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
    @Label("Mains adapter")
    record Adapter(
            @Label(value = "output voltage in use", in = Quantity.VOLTAGE, absent = 5, least = 0.1)
            double outV,

            @Label(value = "most output current", in = Quantity.CURRENT, absent = 3)
            double outA,

            @Label(value = "output resistance", in = Quantity.RESISTANCE, absent = 0.05)
            Figure outOhms)
            implements Facet {}

    /** Stands beside the machine rather than in it: a charging dock. It needs no place and is not carried. */
    @Label("Stands beside the machine")
    record StaysBeside() implements Facet {}

    /**
     * Has a charger of its own inside, as power banks do.
     *
     * @param watts most power it takes
     * @param efficiency share of it that is stored
     * @param gapSeconds how long its output is away when the charger is plugged in or out; 0 for none
     */
    @Label("Its own charger")
    record Recharges(
            @Label(value = "charge power", in = Quantity.POWER, absent = 15)
            Figure watts,

            @Label(value = "charge efficiency", in = Quantity.SHARE, absent = 0.85, least = 0.05, usualLeast = 0.5)
            Figure efficiency,

            @Label(value = "output gap when plugged", in = Quantity.SHORT_TIME)
            Figure gapSeconds)
            implements Facet {}

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
    @Label("Charges a pack")
    record Charges(
            @Label("made for") Chemistry chemistry,

            @Label(value = "cells in series", absent = 1, least = 1, most = 200)
            int series,

            @Label(value = "charge current", in = Quantity.CURRENT, absent = 1)
            Figure amps,

            @Label(value = "charge efficiency", in = Quantity.SHARE, absent = 0.88, least = 0.05, usualLeast = 0.3)
            Figure efficiency,

            @Label("linear: burns the difference") boolean linear,

            @Label(value = "input from", in = Quantity.VOLTAGE, absent = 4.5)
            double lowV,

            @Label(value = "input up to", in = Quantity.VOLTAGE, absent = 6)
            double highV,

            @Label(value = "taken back unplugged", in = Quantity.CURRENT)
            Figure backA)
            implements Facet {}

    /**
     * Shows or tells how full the battery is: a voltmeter, a fuel gauge.
     *
     * @param toComputer whether the operating system can read it
     * @param ohms its resistance in the current's way
     */
    @Label("Shows how full the battery is")
    record ShowsLevel(
            @Label("tells the computer") boolean toComputer,

            @Label(value = "resistance", in = Quantity.RESISTANCE)
            Figure ohms)
            implements Facet {}

    /**
     * Takes energy for each new picture and hardly any between: a paper-like panel.
     *
     * @param joules for one refresh of the whole panel
     * @param mostPerMinute refreshes it can do
     */
    @Label("Paper-like panel")
    record Refreshes(
            @Label(value = "energy a refresh", in = Quantity.PULSE, absent = 1)
            Figure joules,

            @Label(value = "refreshes a minute at most", absent = 60)
            double mostPerMinute)
            implements Facet {}

    /**
     * A converter that can be told to be off; its output is dead then. One without this facet never switches off.
     *
     * @param offW what leaks through it then
     */
    @Label("Can be switched off")
    record SwitchesOff(
            @Label(value = "leakage when off", in = Quantity.POWER)
            Figure offW) implements Facet {}

    /**
     * How well a converter holds its set voltage.
     *
     * @param tolerance share of the set voltage, up and down
     */
    @Label("Holds its voltage")
    record Holds(
            @Label(value = "holds its voltage within", in = Quantity.SHARE, absent = 0.02)
            double tolerance) implements Facet {}

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
    @Label("Turns one voltage into another")
    record Converts(
            @Label("kind") ConverterKind kind,

            @Label(value = "output voltage", in = Quantity.VOLTAGE, absent = 5, least = 0.1)
            double outV,

            @Label(value = "quiet power", in = Quantity.POWER, absent = 0.1, usualMost = 3)
            Figure quietW,

            @Label(value = "loss voltage", in = Quantity.VOLTAGE, absent = 0.08, usualMost = 2)
            Figure dropV,

            @Label(value = "loss resistance", in = Quantity.RESISTANCE, absent = 0.04, usualMost = 2)
            Figure lossOhms,

            @Label(value = "current limit", in = Quantity.CURRENT, absent = 3)
            double limitA,

            @Label(value = "dropout", in = Quantity.VOLTAGE, absent = 0.4)
            double dropoutV,

            @Label(value = "input from", in = Quantity.VOLTAGE, absent = 3)
            double lowV,

            @Label(value = "input up to", in = Quantity.VOLTAGE, absent = 24)
            double highV,

            @Label(value = "output without load", in = Quantity.VOLTAGE, absent = 5)
            double noLoadV)
            implements Facet {}

    /** In which states of its part a rail is live. */
    enum Live {
        /** Only while the part is on. */
        ON("on"),
        /** On and asleep. */
        ASLEEP("on and asleep"),
        /** Off as well, as long as the part is fed. */
        ALWAYS("always");

        private final String words;

        Live(String words) {
            this.words = words;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }

        /** Whether it is live in a mode of the part. */
        public boolean in(Mode mode) {
            return switch (mode) {
                case OFF -> this == ALWAYS;
                case SLEEP -> this != ON;
                case IDLE, BUSY, START -> true;
            };
        }
    }

    /**
     * A voltage that a part makes or passes on for others; its sockets hang on it.
     *
     * @param name as its sockets call it
     * @param volts it holds; what it passes on instead when it makes none of its own
     * @param amps the most of all its sockets together
     * @param live when there is anything on it
     * @param efficiency of what makes it from the part's input; absent when the input is passed on as it is
     */
    record Rail(
            @Label("name") String name,

            @Label(value = "voltage", in = Quantity.VOLTAGE, absent = 5, least = 0.1)
            double volts,

            @Label(value = "most of all sockets", in = Quantity.CURRENT, absent = 2)
            double amps,

            @Label("live when its part is") Live live,

            @Label(value = "made with an efficiency of", in = Quantity.SHARE, least = 0.05, usualLeast = 0.6)
            Optional<Figure> efficiency) {}

    /**
     * Has sockets that feed others.
     *
     * @param rails what they hang on
     * @param inA the most it takes in, for itself and all that it feeds
     */
    @Label("Feeds others through its sockets")
    record FeedsOthers(
            @Label("rails") List<Rail> rails,

            @Label(value = "takes in at most", in = Quantity.CURRENT)
            Optional<Double> inA)
            implements Facet {
        /** Copies the list. */
        public FeedsOthers {
            rails = List.copyOf(rails);
        }

        /** The rail of a name. */
        public Optional<Rail> rail(String name) {
            return rails.stream().filter(r -> r.name().equals(name)).findFirst();
        }
    }

    /**
     * Has a temperature that matters.
     *
     * @param limitC the most it may reach
     * @param stillKW from the part to still air; computed from its free faces when absent
     * @param fanKW the same with moving air
     */
    @Label("Has a temperature that matters")
    record Thermal(
            @Label(value = "may reach", in = Quantity.TEMPERATURE, absent = 85, usualLeast = 35, usualMost = 125)
            double limitC,

            @Label(value = "to still air", in = Quantity.THERMAL_RESISTANCE)
            Optional<Figure> stillKW,

            @Label(value = "to moving air", in = Quantity.THERMAL_RESISTANCE)
            Optional<Figure> fanKW)
            implements Facet {}

    /**
     * Has fins: plates side by side on a foot, with air between them. What they give off is worked out in place of a given resistance to air.
     *
     * @param count of plates
     * @param heightMm from the foot to their tips
     * @param thickMm of a plate
     * @param lengthMm along the air
     * @param widthMm over all plates
     * @param conductivityWmK of their metal
     * @param through a side as it is drawn at which air goes in or out between them; it runs to the side across
     */
    @Label("Has fins")
    record Fins(
            @Label(value = "fins", absent = 20, least = 2, most = 500, usualLeast = 4, usualMost = 120)
            int count,

            @Label(value = "fin height", in = Quantity.LENGTH, absent = 10, least = 0.1, usualMost = 60)
            double heightMm,

            @Label(value = "fin thickness", in = Quantity.LENGTH, absent = 0.4, least = 0.05, usualMost = 3)
            double thickMm,

            @Label(value = "length along the air", in = Quantity.LENGTH, absent = 40, least = 1, usualMost = 200)
            double lengthMm,

            @Label(value = "width over all fins", in = Quantity.LENGTH, absent = 40, least = 1, usualMost = 200)
            double widthMm,

            @Label(
                    value = "metal conducts",
                    in = Quantity.CONDUCTIVITY,
                    absent = 200,
                    least = 1,
                    usualLeast = 100,
                    usualMost = 400)
            double conductivityWmK,

            @Label("air runs through from") Face through)
            implements Facet {

        /** As much of them as fits into a box: its length along the air, its section across. */
        public Fins within(Box box) {
            int along = through.axis();
            double across = box.size((along + 1) % 3);
            double up = box.size((along + 2) % 3);
            double wide = Math.min(widthMm, Math.max(across, up));
            return new Fins(
                    count,
                    Math.min(heightMm, across * up / wide),
                    thickMm,
                    Math.min(lengthMm, box.size(along)),
                    wide,
                    conductivityWmK,
                    through);
        }

        /** Between two fins, mm; nothing where they are too thick for the width. */
        public double gapMm() {
            return Math.max(0, (widthMm - count * thickMm) / Math.max(1, count - 1));
        }
    }

    /**
     * Moves air.
     *
     * @param freeLs flow against no resistance, L/s
     * @param shutOffPa pressure at no flow
     * @param noiseDb sound pressure level at full speed, 1 m away, dB(A)
     * @param draws its side as it is drawn at which it takes air in, if known
     * @param blows its side at which it lets air out, if known
     * @param between points of its curve between free flow and shut-off; a straight line without any
     * @param startsC how warm the board it belongs to, or of the machine the one that draws most, is when it starts, °C; absent where it runs
     *     whenever the machine does
     * @param stopsC below which it stops again, °C
     * @param ducted whether walls lead its air to a vent: that straight before it, or the next one round a corner
     */
    @Label("Moves air")
    record MovesAir(
            @Label(value = "free flow", in = Quantity.AIR_FLOW, absent = 2)
            Figure freeLs,

            @Label(value = "shut-off pressure", in = Quantity.PRESSURE, absent = 20)
            Figure shutOffPa,

            @Label(value = "noise at 1 m", in = Quantity.SOUND)
            Optional<Figure> noiseDb,

            @Label("draws in at") Optional<Face> draws,
            @Label("blows out at") Optional<Face> blows,
            @Label("curve between") List<Point> between,

            @Label(value = "starts when the board reaches", in = Quantity.TEMPERATURE)
            Optional<Double> startsC,

            @Label(value = "stops again below", in = Quantity.TEMPERATURE)
            Optional<Double> stopsC,

            @Label("a duct leads to its vent") boolean ducted)
            implements Facet {

        /** Where nobody said how far it cools before a fan stops again, K. */
        private static final double USUAL_BAND_K = 10;
        /** No fan starts and stops within less, K. */
        private static final double LEAST_BAND_K = 1;

        /**
         * A point of a fan's curve.
         *
         * @param ls flow, L/s
         * @param pa pressure, Pa
         */
        public record Point(
                @Label(value = "flow", in = Quantity.AIR_FLOW, absent = 1)
                double ls,

                @Label(value = "pressure", in = Quantity.PRESSURE, absent = 10)
                double pa) {}

        /** Copies the list. */
        public MovesAir {
            between = List.copyOf(between);
        }

        /** Of which nobody knows how loud it is. */
        public MovesAir(Figure freeLs, Figure shutOffPa) {
            this(freeLs, shutOffPa, Optional.empty());
        }

        /** Of which nobody knows which way it blows. */
        public MovesAir(Figure freeLs, Figure shutOffPa, Optional<Figure> noiseDb) {
            this(freeLs, shutOffPa, noiseDb, Optional.empty(), Optional.empty(), List.of());
        }

        /** Which runs whenever the machine does. */
        public MovesAir(
                Figure freeLs,
                Figure shutOffPa,
                Optional<Figure> noiseDb,
                Optional<Face> draws,
                Optional<Face> blows,
                List<Point> between) {
            this(freeLs, shutOffPa, noiseDb, draws, blows, between, Optional.empty(), Optional.empty(), false);
        }

        /** The same started and stopped by the temperature of a board. */
        public MovesAir switched(double onC, double offC) {
            return started(Optional.of(onC), Optional.of(offC));
        }

        /** The same running whenever the machine does. */
        public MovesAir always() {
            return started(Optional.empty(), Optional.empty());
        }

        private MovesAir started(Optional<Double> onC, Optional<Double> offC) {
            return new MovesAir(freeLs, shutOffPa, noiseDb, draws, blows, between, onC, offC, ducted);
        }

        /** The same with a duct to its vent. */
        public MovesAir withDuct() {
            return new MovesAir(freeLs, shutOffPa, noiseDb, draws, blows, between, startsC, stopsC, true);
        }

        /** Below which a fan that starts at a temperature stops again, °C; at least a kelvin lower. */
        public double offC(double onC) {
            return Math.min(onC - LEAST_BAND_K, stopsC.orElse(onC - USUAL_BAND_K));
        }

        /** Whether it is known where air comes in or goes out. */
        public boolean isDirected() {
            return draws.isPresent() || blows.isPresent();
        }
    }

    /**
     * Shows a picture.
     *
     * @param widthPx pixels across
     * @param heightPx pixels down
     * @param picture its visible rectangle in the part's frame, on the top face
     * @param hertz pictures a second that it is made for
     * @param bits a pixel
     * @param scale how much larger than without the system draws on it, where somebody set that
     */
    @Label("Shows a picture")
    record ShowsPicture(
            @Label(value = "pixels across", absent = 1280) int widthPx,
            @Label(value = "pixels down", absent = 800) int heightPx,
            @Label("visible rectangle") Box picture,

            @Label(value = "pictures a second", in = Quantity.FREQUENCY, absent = 60, least = 0.001, most = 1000)
            double hertz,

            @Label(value = "bits a pixel", absent = 24, least = 1, most = 48)
            int bits,

            @Label(value = "drawn larger by, times", least = 0.5, most = 8)
            Optional<Double> scale)
            implements Facet {
        /** Drawn on as systems do that nobody told otherwise. */
        public ShowsPicture(int widthPx, int heightPx, Box picture, double hertz, int bits) {
            this(widthPx, heightPx, picture, hertz, bits, Optional.empty());
        }

        /** How much larger than without the system draws on it; 1 where nobody set that. */
        public double drawn() {
            return scale.orElse(1.0);
        }

        /** The same drawn on at a scale. */
        public ShowsPicture drawn(double newScale) {
            return new ShowsPicture(widthPx, heightPx, picture, hertz, bits, Optional.of(newScale));
        }
    }

    /**
     * A cable, or a plain adapter: joins what its ends are plugged into, wire by wire, and changes nothing.
     *
     * @param signals it carries, the fastest of each kind; empty for one that only charges
     * @param lanes it carries of kinds that have lanes
     * @param lengthMm from end to end
     * @param flat whether it is flat rather than round
     * @param wideMm how wide it is, or how thick where it is round; absent where nobody measured it
     * @param thickMm of a flat one
     * @param bendMm the tightest radius it may be bent to, where its maker says
     * @param ends on which sides a flat one has its contacts, where somebody looked
     */
    @Label("Joins sockets")
    record Joins(
            @Label("carries") Set<Signal> signals,

            @Label(value = "lanes", absent = 4, least = 1, most = 64)
            int lanes,

            @Label(value = "length", in = Quantity.LENGTH, absent = 300, least = 0)
            Figure lengthMm,

            @Label("flat") boolean flat,

            @Label(value = "width, or thickness of a round one", in = Quantity.LENGTH, least = 0.1, most = 200)
            Optional<Double> wideMm,

            @Label(value = "thickness of a flat one", in = Quantity.LENGTH, least = 0.02, most = 50)
            Optional<Double> thickMm,

            @Label(value = "bends to a radius of", in = Quantity.LENGTH, least = 0.1, most = 500)
            Optional<Double> bendMm,

            @Label("contacts of a flat one") Optional<Ends> ends)
            implements Facet {

        /** Where a flat cable that lies straight has the contacts of its ends. */
        public enum Ends {
            /** On one side. */
            SAME("on one side at both ends"),
            /** On opposite sides. */
            OPPOSITE("on opposite sides");

            private final String words;

            Ends(String words) {
                this.words = words;
            }

            /** As shown in a choice. */
            public String words() {
                return words;
            }
        }

        /** A cable of which nobody said where its contacts are. */
        public Joins(
                Set<Signal> signals,
                int lanes,
                Figure lengthMm,
                boolean flat,
                Optional<Double> wideMm,
                Optional<Double> thickMm,
                Optional<Double> bendMm) {
            this(signals, lanes, lengthMm, flat, wideMm, thickMm, bendMm, Optional.empty());
        }

        /** The same cable with its contacts so. */
        public Joins with(Ends newEnds) {
            return new Joins(signals, lanes, lengthMm, flat, wideMm, thickMm, bendMm, Optional.of(newEnds));
        }

        /** Copies the set, in a stable order. */
        public Joins {
            signals = Collections.unmodifiableSortedSet(new TreeSet<>(signals));
        }

        /** A cable that nobody measured but for its length. */
        public Joins(Set<Signal> signals, int lanes, Figure lengthMm, boolean flat) {
            this(signals, lanes, lengthMm, flat, Optional.empty(), Optional.empty(), Optional.empty());
        }

        /** The same cable of another length. */
        public Joins longer(Figure newLengthMm) {
            return new Joins(signals, lanes, newLengthMm, flat, wideMm, thickMm, bendMm, ends);
        }

        /** The fastest signal of a kind that it carries. */
        public Optional<Signal> best(Signal.Kind kind) {
            Optional<Signal> best = Optional.empty();
            for (Signal s : signals) {
                if (s.kind() == kind
                        && (best.isEmpty() || s.bitsPerSecond() > best.get().bitsPerSecond())) {
                    best = Optional.of(s);
                }
            }
            return best;
        }
    }

    /**
     * What it can show at once, however many sockets it has.
     *
     * @param screens how many
     * @param pixelHz most pixels a second of one of them, blanking among them
     */
    @Label("Drives screens")
    record DrivesScreens(
            @Label(value = "screens at once", absent = 2, least = 1, most = 16)
            int screens,

            @Label(value = "pixel clock at most", in = Quantity.FREQUENCY, absent = 300e6)
            double pixelHz)
            implements Facet {}

    /**
     * Stores data.
     *
     * @param gigabytes how much
     * @param readMbS read in one go, MB/s
     */
    @Label("Stores data")
    record Stores(
            @Label(value = "capacity", in = Quantity.DATA, absent = 128)
            double gigabytes,

            @Label(value = "reads", in = Quantity.DATA_RATE, absent = 400)
            double readMbS)
            implements Facet {}

    /**
     * Hangs on a bus where parts are told apart by address.
     *
     * @param addresses it can be set to, seven bits; the one in use first
     * @param pullUpOhms resistors it brings to its logic level; absent for none
     * @param farads it puts on each wire
     */
    @Label("Hangs on a bus")
    record OnBus(
            @Label(value = "addresses, the one in use first", in = Quantity.ADDRESS)
            List<Integer> addresses,

            @Label(value = "pull-up resistors", in = Quantity.RESISTANCE, usualLeast = 500, usualMost = 100_000)
            Optional<Double> pullUpOhms,

            @Label(value = "capacitance", in = Quantity.CAPACITANCE, absent = 1e-11)
            double farads)
            implements Facet {
        /** Of a pin where nobody said more, F: the most that the bus allows (UM10204, table 10). */
        public static final double USUAL_FARADS = 1e-11;

        /** Copies the list; addresses have seven bits. */
        public OnBus {
            addresses = List.copyOf(addresses);
            for (int address : addresses) {
                if (address < 0 || address > 127) {
                    throw new IllegalArgumentException("an address on the bus lies between 0 and 127");
                }
            }
        }

        /** The same set to one of its addresses. */
        public OnBus at(int address) {
            List<Integer> others = addresses.stream().filter(a -> a != address).toList();
            return new OnBus(Stream.concat(Stream.of(address), others.stream()).toList(), pullUpOhms, farads);
        }

        /** The same with other resistors, or none. */
        public OnBus pulledUp(Optional<Double> ohms) {
            return new OnBus(addresses, ohms, farads);
        }
    }

    /**
     * Runs programs.
     *
     * @param processor its family
     * @param memoryGb for programs; absent where nobody said
     * @param has what is built in
     */
    @Label("Runs programs")
    record Computes(
            @Label("processor") Processor processor,
            @Label(value = "memory", in = Quantity.DATA) Optional<Double> memoryGb,
            @Label("built in") Set<Function> has)
            implements Facet {
        /** Copies the set, in a stable order. */
        public Computes {
            has = Collections.unmodifiableSortedSet(new TreeSet<>(has));
        }

        /** Of which nobody said more. */
        public Computes(Processor processor) {
            this(processor, Optional.empty(), Set.of());
        }
    }

    /** How well something works. */
    enum Degree {
        /** As it should. */
        WORKS("works"),
        /** With flaws. */
        PARTLY("works in part"),
        /** Nobody has tried. */
        UNKNOWN("not known"),
        /** Not at all. */
        FAILS("does not work");

        private final String words;

        Degree(String words) {
            this.words = words;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }
    }

    /**
     * How a function of a board works under a system.
     *
     * @param function which
     * @param system the operating system, and its version where that matters
     * @param degree how well
     * @param basis who says so: tried, read, told
     * @param seen when
     */
    record Support(
            @Label("function") Function function,
            @Label("system") String system,
            @Label("it") Degree degree,
            @Label("says who") String basis,
            @Label("on") Optional<LocalDate> seen) {}

    /**
     * How its functions work under systems.
     *
     * @param known what is known of it
     */
    @Label("Runs under systems")
    record Supported(@Label("known") List<Support> known) implements Facet {
        /** Copies the list. */
        public Supported {
            known = List.copyOf(known);
        }

        /** What is known of a function under a system, the last that was said; system names are compared without case. */
        public Optional<Support> of(Function function, String system) {
            return known.stream()
                    .filter(s -> s.function() == function && s.system().equalsIgnoreCase(system.strip()))
                    .reduce((a, b) -> b);
        }
    }

    /**
     * Feels fingers on a picture.
     *
     * @param turnDeg how far its own top is turned from the picture's, clockwise
     * @param setDeg how far the system turns it back
     * @param pressed whether it feels pressure, as resistive panels do: what rests on it is felt all the time
     */
    @Label("Feels fingers")
    record Touches(
            @Label(value = "turned from the picture by", in = Quantity.ANGLE, least = 0, most = 359)
            double turnDeg,

            @Label(value = "turned back by the system", in = Quantity.ANGLE, least = 0, most = 359)
            double setDeg,

            @Label("feels pressure, as resistive panels do") boolean pressed)
            implements Facet {
        /** A panel that feels fingers, not pressure. */
        public Touches(double turnDeg, double setDeg) {
            this(turnDeg, setDeg, false);
        }
    }

    /**
     * Makes sound strong enough for a loudspeaker.
     *
     * @param watts of each channel into the impedance below
     * @param ohms that its power holds at
     * @param leastOhms less of which overloads it
     * @param inputOhms between its input and ground
     * @param muted whether a plug in the headphone socket silences it
     * @param mixed whether resistors bring left and right together before it
     */
    @Label("Amplifies sound")
    record Amplifies(
            @Label(value = "power a channel", in = Quantity.POWER, absent = 3, usualLeast = 0.1, usualMost = 50)
            Figure watts,

            @Label(value = "into", in = Quantity.RESISTANCE, absent = 4, least = 1, usualMost = 600)
            double ohms,

            @Label(value = "bears no less than", in = Quantity.RESISTANCE, absent = 4, least = 1, usualMost = 600)
            double leastOhms,

            @Label(
                    value = "input resistance",
                    in = Quantity.RESISTANCE,
                    absent = 20_000,
                    least = 1,
                    usualLeast = 500,
                    usualMost = 1e6)
            double inputOhms,

            @Label("silent while headphones are in") boolean muted,
            @Label("left and right mixed by resistors") boolean mixed)
            implements Facet {}

    /**
     * Is heard.
     *
     * @param ohms its nominal impedance
     * @param watts the most it bears for long
     * @param dbAtMetre sound pressure level at 1 m for 1 W, dB
     */
    @Label("Loudspeaker")
    record Sounds(
            @Label(value = "impedance", in = Quantity.RESISTANCE, absent = 8, least = 1, usualMost = 64)
            double ohms,

            @Label(value = "bears", in = Quantity.POWER, absent = 2, usualLeast = 0.1, usualMost = 50)
            double watts,

            @Label(
                    value = "loudness at 1 m for 1 W",
                    in = Quantity.SOUND,
                    absent = 80,
                    usualLeast = 60,
                    usualMost = 100)
            Figure dbAtMetre)
            implements Facet {}

    /**
     * Has sockets of which nobody knows which pin is which.
     *
     * @param sockets their names
     */
    @Label("Has unmarked sockets")
    record Unmarked(@Label("sockets") List<String> sockets) implements Facet {
        /** Copies the list. */
        public Unmarked {
            sockets = List.copyOf(sockets);
        }
    }

    /**
     * Bare keys in rows and columns.
     *
     * @param rows lines one way
     * @param columns lines the other way
     * @param diodes whether each key has a diode
     */
    @Label("Keys in rows and columns")
    record Matrix(
            @Label(value = "rows", absent = 5, least = 1, most = 64)
            int rows,

            @Label(value = "columns", absent = 10, least = 1, most = 64)
            int columns,

            @Label("a diode at each key") boolean diodes)
            implements Facet {}

    /**
     * Takes its current from the pins it hangs on: lamps, buzzers, small motors.
     *
     * @param amps through one pin
     * @param buffered whether a transistor takes it off the pin
     */
    @Label("Takes current from pins")
    record PinLoad(
            @Label(value = "current a pin", in = Quantity.CURRENT, absent = 0.005, usualMost = 0.1)
            Figure amps,

            @Label("by a transistor") boolean buffered)
            implements Facet {}

    /**
     * What its pins may be asked for.
     *
     * @param pinA of one
     * @param allA of all together
     */
    @Label("Gives current from pins")
    record PinLimits(
            @Label(value = "a pin at most", in = Quantity.CURRENT, absent = 0.008, usualMost = 0.05)
            double pinA,

            @Label(value = "all pins at most", in = Quantity.CURRENT, absent = 0.05, usualMost = 0.5)
            double allA)
            implements Facet {}

    /** A screen that stays lit when its picture goes, as long as it is fed. */
    @Label("Stays lit without a picture")
    record StaysLit() implements Facet {}

    /** Sends or receives; metal around it matters. */
    @Label("Sends or receives")
    record Radiates() implements Facet {}
}
