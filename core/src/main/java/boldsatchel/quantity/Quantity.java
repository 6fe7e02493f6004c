package boldsatchel.quantity;

import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The kinds of number a build holds, each with the unit it is stored in, the least and the most it can be, and the units people write it
 * in. Factors are exact by definition (BIPM SI brochure, 9th ed.; NIST SP 811 for the inch and the pound).
 */
public enum Quantity {
    /** Stored in mm. */
    LENGTH(
            "mm",
            "127 mm",
            -10000,
            10000,
            unit("mm", 1),
            unit("cm", 10),
            unit("m", 1000),
            unit("in", 25.4),
            unit("\"", 25.4)),
    /** Stored in g. */
    MASS("g", "350 g", 0, 100_000, unit("g", 1), unit("kg", 1000), unit("lb", 453.59237), unit("oz", 28.349523125)),
    /** Stored in W. */
    POWER("W", "12 W", 0, 10000, unit("W", 1), unit("mW", 1e-3), unit("kW", 1e3)),
    /** Stored in V. */
    VOLTAGE("V", "5.1 V", 0, 1000, unit("V", 1), unit("mV", 1e-3)),
    /** Stored in A. */
    CURRENT("A", "2.4 A", 0, 1000, unit("A", 1), unit("mA", 1e-3), unit("µA", 1e-6), unit("uA", 1e-6)),
    /** Stored in Wh. */
    ENERGY("Wh", "9.6 Wh", 0, 10000, unit("Wh", 1), unit("mWh", 1e-3), unit("kWh", 1e3), unit("kJ", 1 / 3.6)),
    /** Stored in J: a pulse of energy. */
    PULSE("J", "1.3 J", 0, 10000, unit("J", 1), unit("mJ", 1e-3), unit("Ws", 1)),
    /** Stored in F. */
    CAPACITANCE("F", "1.5 F", 0, 1000, unit("F", 1), unit("mF", 1e-3), unit("µF", 1e-6), unit("uF", 1e-6)),
    /** Stored in Ah. */
    CHARGE("Ah", "2600 mAh", 0, 1000, unit("Ah", 1), unit("mAh", 1e-3)),
    /** Stored in Ω. */
    RESISTANCE("Ω", "35 mΩ", 0, 1_000_000, unit("Ω", 1), unit("mΩ", 1e-3), unit("ohm", 1), unit("mohm", 1e-3)),
    /** Stored in Hz. */
    FREQUENCY("Hz", "60 Hz", 0, 1e12, unit("Hz", 1), unit("kHz", 1e3), unit("MHz", 1e6), unit("GHz", 1e9)),
    /** Stored in GB: a thousand million bytes. */
    DATA("GB", "256 GB", 0, 1e6, unit("GB", 1), unit("MB", 1e-3), unit("TB", 1e3)),
    /** Stored in MB/s. */
    DATA_RATE("MB/s", "400 MB/s", 0, 1e6, unit("MB/s", 1), unit("GB/s", 1e3), unit("kB/s", 1e-3)),
    /** Stored in °C. */
    TEMPERATURE("°C", "25 °C", -60, 300, unit("°C", 1), unit("C", 1)),
    /** Stored in h. */
    TIME("h", "90 min", 0, 8760, unit("h", 1), unit("min", 1.0 / 60), unit("s", 1.0 / 3600), unit("d", 24)),
    /** Stored in min. */
    MINUTES("min", "5 min", 0, 525_600, unit("min", 1), unit("h", 60), unit("s", 1.0 / 60)),
    /** Stored in s. */
    SHORT_TIME("s", "1.5 s", 0, 86400, unit("s", 1), unit("ms", 1e-3), unit("min", 60)),
    /** In the currency of the brief. */
    MONEY("", "49.50", 0, 10_000_000),
    /** Stored in degrees. */
    ANGLE("°", "110 °", -360, 360, unit("°", 1), unit("deg", 1)),
    /** Stored in N. */
    FORCE("N", "3 N", 0, 10000, unit("N", 1)),
    /** Stored in N·m. */
    TORQUE("N·m", "0.4 N·m", 0, 1000, unit("N·m", 1), unit("Nm", 1)),
    /** Stored as a share of one. */
    SHARE("%", "87 %", 0, 1, unit("%", 0.01)),
    /** Of a part on a bus. */
    ADDRESS("", "32", 0, 127),
    /** A plain number. */
    COUNT("", "4", -1_000_000, 1_000_000),
    /** Stored in K/W. */
    THERMAL_RESISTANCE("K/W", "4.5 K/W", 0, 10000, unit("K/W", 1)),
    /** Stored in K. */
    TEMPERATURE_DIFFERENCE("K", "5 K", -300, 300, unit("K", 1)),
    /** Stored in mm². */
    AREA("mm²", "400 mm²", 0, 100_000_000, unit("mm²", 1), unit("mm2", 1), unit("cm²", 100), unit("cm2", 100)),
    /** Stored in L/s. */
    AIR_FLOW(
            "L/s",
            "1.5 L/s",
            0,
            10000,
            unit("L/s", 1),
            unit("m³/h", 1 / 3.6),
            unit("m3/h", 1 / 3.6),
            unit("cfm", 0.4719474432)),
    /** Stored in W/m²: sunshine. */
    IRRADIANCE("W/m²", "800 W/m²", 0, 1500, unit("W/m²", 1), unit("W/m2", 1)),
    /** Stored in kg/m³. */
    DENSITY(
            "kg/m³",
            "1100 kg/m³",
            0,
            25_000,
            unit("kg/m³", 1),
            unit("kg/m3", 1),
            unit("g/cm³", 1000),
            unit("g/cm3", 1000)),
    /** Stored in W/(m·K). */
    CONDUCTIVITY("W/mK", "0.2 W/mK", 0, 3000, unit("W/mK", 1), unit("W/(m·K)", 1)),
    /** Stored in J/(g·K). */
    SPECIFIC_HEAT("J/gK", "0.9 J/gK", 0, 20, unit("J/gK", 1), unit("J/(g·K)", 1), unit("kJ/kgK", 1)),
    /** Stored in dB(A). */
    SOUND("dB(A)", "32 dB(A)", 0, 140, unit("dB(A)", 1), unit("dB", 1), unit("dBA", 1)),
    /** Stored in Pa. */
    PRESSURE("Pa", "20 Pa", 0, 1_000_000, unit("Pa", 1), unit("mmH2O", 9.80665));

    private final String unit;
    private final String example;
    private final double least;
    private final double most;

    @SuppressWarnings("ImmutableEnumChecker") // Unmodifiable; the map keeps the order in which units are named.
    private final Map<String, Double> factors;

    Quantity(String unit, String example, double least, double most, Written... written) {
        this.unit = unit;
        this.example = example;
        this.least = least;
        this.most = most;
        Map<String, Double> map = new LinkedHashMap<>();
        Arrays.stream(written).forEach(w -> map.put(w.symbol, w.factor));
        this.factors = Collections.unmodifiableMap(map);
    }

    private record Written(String symbol, double factor) {}

    private static Written unit(String symbol, double factor) {
        return new Written(symbol, factor);
    }

    /** Symbol of the unit it is shown in; shares are shown in percent. */
    public String unit() {
        return unit;
    }

    /** A value as someone would write it. */
    public String example() {
        return example;
    }

    /** Least that anything a builder packs can have of it, in the stored unit; a field may be narrower, see {@link Label}. */
    public double least() {
        return least;
    }

    /** Most that anything a builder packs can have of it, in the stored unit. */
    public double most() {
        return most;
    }

    /** Most of it that is usual in something carried, in the stored unit; more is worth a second look. */
    public double usualMost() {
        return switch (this) {
            case LENGTH -> 1000;
            case MASS -> 10_000;
            case POWER -> 250;
            // What may be touched: extra-low voltage, 60 V DC (IEC 61140).
            case VOLTAGE -> 60;
            case CURRENT -> 60;
            case ENERGY -> 500;
            case RESISTANCE -> 1000;
            case TEMPERATURE -> 150;
            case SHORT_TIME -> 600;
            case THERMAL_RESISTANCE -> 300;
            case AIR_FLOW -> 50;
            case PRESSURE -> 1000;
            default -> most;
        };
    }

    /**
     * Refuses a number that cannot be.
     *
     * @param what it is, for people
     * @param from least it may be, in the stored unit
     * @param to most it may be
     * @throws IllegalArgumentException saying how far it goes; for what is no number too
     */
    public void check(String what, double value, double from, double to) {
        if (!(value >= from && value <= to)) {
            throw new IllegalArgumentException(
                    what + " goes from " + Units.format(this, from) + " to " + Units.format(this, to));
        }
    }

    /** Unit symbols that can be read. */
    public List<String> units() {
        return List.copyOf(factors.keySet());
    }

    /** Factor from a written unit to the stored one; case counts only where it tells units apart (mA, MA). */
    public Optional<Double> factor(String symbol) {
        Double exact = factors.get(symbol);
        if (exact != null) {
            return Optional.of(exact);
        }
        List<Double> loose = factors.entrySet().stream()
                .filter(e -> e.getKey().equalsIgnoreCase(symbol))
                .map(Map.Entry::getValue)
                .distinct()
                .toList();
        return loose.size() == 1 ? Optional.of(loose.getFirst()) : Optional.empty();
    }
}
