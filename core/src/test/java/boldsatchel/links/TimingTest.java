package boldsatchel.links;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Pixel clocks with reduced blanking, as VESA's list of coordinated video timings (CVT 1.2, RB) and DMT 1.13 give them. */
public class TimingTest {

    @DataProvider
    Object[][] modes() {
        return new Object[][] {
            {1024, 768, 60, 56.00e6},
            {1280, 800, 60, 71.00e6},
            {1440, 900, 60, 88.75e6},
            {1680, 1050, 60, 119.00e6},
            {1920, 1080, 60, 138.50e6},
            {1920, 1200, 60, 154.00e6},
            {2560, 1440, 60, 241.50e6},
            {2560, 1600, 60, 268.50e6},
            {3840, 2160, 60, 533.25e6},
        };
    }

    @Test(dataProvider = "modes")
    public void aPictureTakesThePixelClockOfTheStandard(int across, int down, double hertz, double clock) {
        assertThat(new Timing(across, down, hertz).pixelHz()).isCloseTo(clock, within(clock * 1e-3));
    }

    @Test
    public void morePicturesASecondNeverTakeFewerPixels() {
        double before = 0;
        for (double hertz = 5; hertz < 500; hertz += 5) {
            double clock = new Timing(1280, 800, hertz).pixelHz();
            assertThat(clock).isGreaterThanOrEqualTo(before).isGreaterThanOrEqualTo(1280 * 800 * hertz * 0.99);
            before = clock;
        }
    }

    @Test
    public void soManyPicturesThatNoTimeIsLeftForBlankingAreCarriedByNothing() {
        assertThat(new Timing(1280, 800, 2500).pixelHz()).isInfinite();
    }
}
