package boldsatchel.bench;

import java.util.List;

/**
 * How far what an instrument says may be off, as makers print it: within these bounds 95 times in a hundred (coverage factor two, JCGM
 * 100:2008, 6.2). Which of them an instrument is, its own data sheet says; these are what such instruments usually keep.
 *
 * @param id stable name
 * @param words for people
 * @param voltsShare of the reading
 * @param voltsOffset whatever is read, V
 * @param ampsShare of the reading
 * @param ampsOffset whatever is read, A
 */
public record Meter(
        String id, String words, double voltsShare, double voltsOffset, double ampsShare, double ampsOffset) {

    /** A cheap electronic load or USB meter: half a percent and a few digits. */
    public static final Meter CHEAP =
            new Meter("cheap", "a cheap load or USB meter, amps to 0.5 %", 0.002, 0.005, 0.005, 0.002);

    /** A calibrated bench instrument. */
    public static final Meter BENCH =
            new Meter("bench", "a calibrated bench instrument, amps to 0.1 %", 0.0005, 0.002, 0.001, 0.0005);

    /** Something of which nothing is known. */
    public static final Meter UNKNOWN =
            new Meter("unknown", "nobody knows: amps to 3 %, volts to 1 %", 0.01, 0.02, 0.03, 0.01);

    /** All there are to choose from, the usual one first. */
    public static final List<Meter> ALL = List.of(CHEAP, BENCH, UNKNOWN);
}
