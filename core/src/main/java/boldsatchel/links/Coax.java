package boldsatchel.links;

/** What is lost of a radio signal in thin coaxial cable. */
public final class Coax {

    /** Of the usual 1.13 mm cable, dB a metre at 1 GHz; makers' tables give 2.1 to 2.4. */
    private static final double DB_PER_METRE = 2.2;

    /** Of a pair of small connectors, dB; makers' tables give 0.1 to 0.3. */
    private static final double DB_PER_PAIR = 0.2;

    /** The highest band that is usual, Hz, where nobody said another. */
    private static final double USUAL_HERTZ = 5.5e9;

    /** Half of the power. */
    static final double MOST_DB = 10 * Math.log10(2);

    private Coax() {}

    /**
     * Loss, dB: along the cable with the root of the frequency, by the skin effect (Pozar, Microwave Engineering, 2.7), and at each pair of
     * connectors.
     */
    public static double lossDb(double lengthMm, double hertz, int pairs) {
        return DB_PER_METRE * lengthMm / 1000 * Math.sqrt(hertz / 1e9) + DB_PER_PAIR * pairs;
    }

    /** The length that loses no more than half, mm. */
    public static double bearsMm(double hertz, int pairs) {
        return Math.max(0, (MOST_DB - DB_PER_PAIR * pairs) / (DB_PER_METRE * Math.sqrt(hertz / 1e9)) * 1000);
    }

    /** What a route to an antenna loses, dB. */
    public static double lossDb(Route route) {
        return lossDb(route.lengthMm(), hertz(route), pairs(route));
    }

    /** How long its cable may be, mm. */
    public static double bearsMm(Route route) {
        return bearsMm(hertz(route), pairs(route));
    }

    private static double hertz(Route route) {
        return route.taken().hertz().orElse(USUAL_HERTZ);
    }

    private static int pairs(Route route) {
        return route.through().size() + 1;
    }

    /** Share of the power that is left. */
    public static double left(double lossDb) {
        return Math.pow(10, -lossDb / 10);
    }
}
