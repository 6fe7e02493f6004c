package boldsatchel.bench;

/**
 * How far what an instrument says may be off, as makers print it: within these bounds 95 times in a hundred (coverage factor two, JCGM
 * 100:2008, 6.2).
 *
 * @param voltsShare of the reading
 * @param voltsOffset whatever is read, V
 * @param ampsShare of the reading
 * @param ampsOffset whatever is read, A
 */
public record Meter(double voltsShare, double voltsOffset, double ampsShare, double ampsOffset) {

    /** A cheap electronic load or USB meter, as their data sheets go: half a percent and a few digits. A guess for any one of them. */
    public static final Meter CHEAP = new Meter(0.002, 0.005, 0.005, 0.002);
}
