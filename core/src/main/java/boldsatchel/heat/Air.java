package boldsatchel.heat;

/**
 * Air at and near room temperature and pressure, and the correlations for surfaces in it: natural convection in the simplified
 * laminar form h = c·(ΔT/L)^¼ (McAdams, Heat Transmission, ch. 7; Incropera and DeWitt, Fundamentals of Heat and Mass Transfer,
 * ch. 9), forced convection along a plate (ibid., ch. 7), flow through openings as through sharp-edged orifices.
 */
final class Air {

    /** kg/m³. */
    static final double DENSITY = 1.16;

    /** J/(kg·K). */
    static final double HEAT_CAPACITY = 1007;

    /** W/(m·K). */
    static final double CONDUCTIVITY = 0.027;

    /** W/(m²·K⁴), Stefan and Boltzmann (CODATA). */
    static final double STEFAN_BOLTZMANN = 5.670374419e-8;

    /** m²/s, between warm surfaces. */
    static final double KINEMATIC = 1.7e-5;

    static final double PRANDTL = 0.71;

    /** Offset of the Celsius scale, K. */
    static final double ZERO_CELSIUS = 273.15;

    /** Of an opening. */
    static final double DISCHARGE = 0.6;

    /** Exchange between inner surfaces, W/(m²·K), linear about room temperature. */
    static final double INSIDE_RADIATION = 5;

    /** Coefficient c for a vertical surface, L its height. */
    static final double VERTICAL = 1.42;

    /** Coefficient c for a warm surface facing up, or a cool one facing down; L its mean side. */
    static final double FACING_UP = 1.32;

    /** Coefficient c for a warm surface facing down, or a cool one facing up. */
    static final double FACING_DOWN = 0.59;

    /** m/s². */
    static final double GRAVITY = 9.80665;
    /** Convection at no difference is as at this one. */
    static final double LEAST_DIFFERENCE_K = 0.01;

    private Air() {}

    /**
     * Below which temperature water settles from air, °C, by the formula of Magnus with the constants of Alduchov and Eskridge (Journal of Applied
     * Meteorology 35, 1996, 601).
     *
     * @param humidity of the air, 0 to 1, more than 0
     */
    static double dewPoint(double celsius, double humidity) {
        double g = Math.log(humidity) + 17.625 * celsius / (243.04 + celsius);
        return 243.04 * g / (17.625 - g);
    }

    /** Natural convection, W/(m²·K). */
    static double natural(double c, double differenceK, double lengthM) {
        return natural(c / Math.sqrt(Math.sqrt(lengthM)), differenceK);
    }

    /**
     * Natural convection, W/(m²·K).
     *
     * @param atOneK the same at a difference of 1 K
     */
    static double natural(double atOneK, double differenceK) {
        return atOneK * Math.sqrt(Math.sqrt(Math.max(LEAST_DIFFERENCE_K, Math.abs(differenceK))));
    }

    /** T⁴, K⁴; below zero kelvin, where only an iteration on its way can be, going on downwards. */
    static double fourth(double celsius) {
        double t = celsius + ZERO_CELSIUS;
        return t * t * t * Math.abs(t);
    }

    /** T³ by its size, K³. */
    static double third(double celsius) {
        double t = Math.abs(celsius + ZERO_CELSIUS);
        return t * t * t;
    }

    /** Laminar flow along a plate: Nu = 0.664·Re^½·Pr^⅓ with the properties of air, W/(m²·K). */
    static double forced(double metresPerSecond, double lengthM) {
        return 3.9 * Math.sqrt(metresPerSecond / lengthM);
    }

    /** Heat carried by a flow, W/K. */
    static double carried(double cubicMetresPerSecond) {
        return DENSITY * HEAT_CAPACITY * cubicMetresPerSecond;
    }

    /**
     * Chimney flow through two openings in a row, m³/s.
     *
     * @param areaM2 effective area, see {@link #inRow}
     * @param riseM height between them
     * @param differenceK inside less outside
     * @param ambientC outside
     */
    static double chimney(double areaM2, double riseM, double differenceK, double ambientC) {
        return DISCHARGE
                * areaM2
                * Math.sqrt(2 * GRAVITY * riseM * Math.max(0, differenceK) / (ambientC + ZERO_CELSIUS));
    }

    /** Effective area of an inlet and an outlet in a row, m². */
    static double inRow(double inM2, double outM2) {
        return inM2 <= 0 || outM2 <= 0 ? 0 : 1 / Math.sqrt(1 / (inM2 * inM2) + 1 / (outM2 * outM2));
    }
}
