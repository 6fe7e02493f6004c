package boldsatchel.standins;

import java.util.Random;

/**
 * What an instrument adds to what it reads: a gain and an offset that stay, noise that does not, and steps of its display.
 */
final class MeterError {

    private final Random random;
    private final double gain;
    private final double offset;
    private final double noise;
    private final double step;

    /**
     * Draws the lasting errors.
     *
     * @param share of the reading that it may be off by, two standard deviations
     * @param offset that it may have, two standard deviations
     * @param noise of a reading, one standard deviation
     * @param step of its display
     */
    MeterError(Random random, double share, double offset, double noise, double step) {
        this.random = random;
        this.gain = 1 + random.nextGaussian() * share / 2;
        this.offset = random.nextGaussian() * offset / 2;
        this.noise = noise;
        this.step = step;
    }

    /** What it shows for a true value. */
    double shown(double truly) {
        return Math.rint((truly * gain + offset + random.nextGaussian() * noise) / step) * step;
    }
}
