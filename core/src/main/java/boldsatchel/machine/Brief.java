package boldsatchel.machine;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * What the machine is for and what it is judged against.
 *
 * @param purpose in the builder's words
 * @param currency how money is written
 * @param limits hard limits; an absent one is not judged
 * @param surroundings where it is used
 * @param profiles ways of use; the first is the one verdicts are about
 */
public record Brief(
        @Label("purpose") String purpose,
        @Label("currency") String currency,
        @Label("limits") Limits limits,
        @Label("surroundings") Surroundings surroundings,
        @Label(value = "use profiles", absent = 1) List<UseProfile> profiles) {

    /**
     * The limits.
     *
     * @param hours least run time
     * @param massG most mass
     * @param money most still to be spent
     * @param widthMm most outside width
     * @param depthMm most outside depth
     * @param heightMm most outside height, closed
     * @param gapMm least gap between parts
     * @param tipMarginDeg least angle before it tips
     * @param heatMarginK least distance from any temperature limit
     */
    public record Limits(
            @Label(value = "Runs at least", in = Quantity.TIME)
            Optional<Double> hours,

            @Label(value = "Weighs at most", in = Quantity.MASS)
            Optional<Double> massG,

            @Label(value = "Costs at most", in = Quantity.MONEY)
            Optional<Double> money,

            @Label(value = "Width at most", in = Quantity.LENGTH, least = 0)
            Optional<Double> widthMm,

            @Label(value = "Depth at most", in = Quantity.LENGTH, least = 0)
            Optional<Double> depthMm,

            @Label(value = "Height closed at most", in = Quantity.LENGTH, least = 0)
            Optional<Double> heightMm,

            @Label(value = "Gap between parts", in = Quantity.LENGTH, absent = 0.8, least = 0)
            double gapMm,

            @Label(value = "Bears a tilt of", in = Quantity.ANGLE, absent = 10, least = 0, most = 90)
            double tipMarginDeg,

            @Label(value = "Stays below limits by", in = Quantity.TEMPERATURE_DIFFERENCE, absent = 5)
            double heatMarginK) {

        /** No limits but the usual care: 0.8 mm gaps, 10° before tipping, 5 K before too hot. */
        public static Limits usual() {
            return new Limits(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    0.8,
                    10,
                    5);
        }
    }

    /**
     * Where it is used.
     *
     * @param ambientC air temperature
     * @param packC temperature of the cells at the start
     * @param inHands whether it is held for minutes, so that 48 °C is the most a wall may reach
     * @param onTable whether the underside gives off no heat
     * @param sunWm2 sunshine on what faces up, W/m²; about 1000 at noon in summer
     * @param worn whether it hangs on a body, so that nobody asks whether it stands, and it may get no warmer than what is held
     */
    public record Surroundings(
            @Label(value = "Air around it", in = Quantity.TEMPERATURE, absent = 25, usualLeast = -30, usualMost = 50)
            double ambientC,

            @Label(value = "Cells at first", in = Quantity.TEMPERATURE, absent = 25, usualLeast = -30, usualMost = 50)
            double packC,

            @Label("held in the hands for minutes") boolean inHands,
            @Label(value = "stands on a table", absent = 1) boolean onTable,

            @Label(value = "Sun on it", in = Quantity.IRRADIANCE)
            double sunWm2,

            @Label("worn on the body") boolean worn) {
        /** Whether skin stays on it for minutes. */
        public boolean touchesSkin() {
            return inHands || worn;
        }

        /** Out of the sun, and not worn. */
        public Surroundings(double ambientC, double packC, boolean inHands, boolean onTable) {
            this(ambientC, packC, inHands, onTable, 0, false);
        }
    }

    /** Copies the list; at least one profile is needed. */
    public Brief {
        if (profiles.isEmpty()) {
            throw new IllegalArgumentException("a brief needs at least one use profile");
        }
        profiles = List.copyOf(profiles);
    }

    /** The profile that verdicts are about. */
    public UseProfile profile() {
        return profiles.getFirst();
    }

    /** A brief without limits, indoors. */
    public static Brief empty() {
        return new Brief(
                "", "€", Limits.usual(), new Surroundings(25, 25, false, true), List.of(UseProfile.always(Mode.BUSY)));
    }

    /** The same brief for another purpose. */
    public Brief withPurpose(String newPurpose) {
        return new Brief(newPurpose, currency, limits, surroundings, profiles);
    }

    /** The same brief with other limits. */
    public Brief withLimits(Limits newLimits) {
        return new Brief(purpose, currency, newLimits, surroundings, profiles);
    }

    /** The same brief with other surroundings. */
    public Brief withSurroundings(Surroundings newSurroundings) {
        return new Brief(purpose, currency, limits, newSurroundings, profiles);
    }

    /** The same brief with other profiles. */
    public Brief withProfiles(List<UseProfile> newProfiles) {
        return new Brief(purpose, currency, limits, surroundings, newProfiles);
    }
}
