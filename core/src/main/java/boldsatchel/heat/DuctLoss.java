package boldsatchel.heat;

/** What ducts from a fan to its vent take of the pressure: friction along their walls, and corners. */
final class DuctLoss {

    private static final double MM = 1e-3;
    /** Darcy's, of narrow ducts at some 2000 of Reynolds' number, between 64/Re and that of turbulent flow. */
    private static final double FRICTION = 0.05;
    /** Of a corner of a rectangular duct without vanes (Idelchik, Handbook of Hydraulic Resistance, diagram 6-6). */
    private static final double CORNER = 1.2;
    /** Walls of a duct as short as this are no walls. */
    private static final double LEAST = 1e-3;

    private DuctLoss() {}

    /**
     * Straight on.
     *
     * @param lengthMm from the fan to the vent
     * @param wideMm of the fan's side
     * @param highMm of it
     */
    static AirNetwork.Orifice straight(double lengthMm, double wideMm, double highMm) {
        return orifice(0, lengthMm, wideMm, highMm);
    }

    /** The same round two corners. */
    static AirNetwork.Orifice bent(double lengthMm, double wideMm, double highMm) {
        return orifice(2, lengthMm, wideMm, highMm);
    }

    private static AirNetwork.Orifice orifice(int corners, double lengthMm, double wideMm, double highMm) {
        double hydraulic = 2 * wideMm * highMm / (wideMm + highMm);
        double heads = Math.max(LEAST, FRICTION * lengthMm / hydraulic + corners * CORNER);
        return new AirNetwork.Orifice(wideMm * highMm * MM * MM / (Air.DISCHARGE * Math.sqrt(heads)), 0);
    }
}
