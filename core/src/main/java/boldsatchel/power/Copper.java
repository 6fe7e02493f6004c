package boldsatchel.power;

/**
 * Copper wire. Resistivity and its temperature coefficient as in IEC 60028; gauge by ASTM B258. Currents are usual figures for
 * a single wire in open air; local codes stand above them.
 */
public final class Copper {

    private static final double OHM_METRES_20C = 1.724e-8;
    private static final double PER_KELVIN = 0.00393;
    private static final int[] GAUGES = {18, 20, 22, 24, 26, 28, 30};
    private static final double[] AMPS = {16, 11, 7, 3.5, 2.2, 1.4, 0.86};
    private static final double DENSITY_G_PER_MM3 = 8.96e-3;
    private static final double INSULATION_SHARE = 0.6;

    private Copper() {}

    /** Diameter of a gauge, mm. */
    public static double diameterMm(int awg) {
        return 0.127 * Math.pow(92, (36 - awg) / 39.0);
    }

    /** Section of a gauge, mm². */
    public static double sectionMm2(int awg) {
        double d = diameterMm(awg);
        return Math.PI * d * d / 4;
    }

    /**
     * Resistance there and back.
     *
     * @param awg gauge
     * @param lengthMm one way
     * @param celsius of the copper
     * @return ohms
     */
    public static double loopOhms(int awg, double lengthMm, double celsius) {
        double rho = OHM_METRES_20C * (1 + PER_KELVIN * (celsius - 20));
        return rho * 2 * lengthMm * 1e-3 / (sectionMm2(awg) * 1e-6);
    }

    /** Most current of a single wire in open air, A; thicker than AWG 18 and thinner than 30 in proportion to the section. */
    public static double openAirAmps(int awg) {
        for (int i = 0; i < GAUGES.length; i++) {
            if (awg <= GAUGES[i]) {
                if (GAUGES[i] == awg) {
                    return AMPS[i];
                }
                return i == 0
                        ? AMPS[0] * sectionMm2(awg) / sectionMm2(GAUGES[0])
                        : AMPS[i - 1] + (AMPS[i] - AMPS[i - 1]) * (awg - GAUGES[i - 1]) / (GAUGES[i] - GAUGES[i - 1]);
            }
        }
        return AMPS[AMPS.length - 1] * sectionMm2(awg) / sectionMm2(GAUGES[GAUGES.length - 1]);
    }

    /** Most current inside a closed case: half of that in open air, A. */
    public static double closedCaseAmps(int awg) {
        return openAirAmps(awg) / 2;
    }

    /** Mass of a pair of wires with their insulation, g. */
    public static double pairMassG(int awg, double lengthMm) {
        return 2 * lengthMm * sectionMm2(awg) * DENSITY_G_PER_MM3 * (1 + INSULATION_SHARE);
    }
}
