package boldsatchel.heat;

import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.part;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import java.util.Optional;
import org.testng.annotations.Test;

/** Levels added up and brought nearer, and dew points, against numbers worked out by hand and tables. */
public class NoiseTest {

    private static Part fan(String id, double decibels) {
        return part(
                id,
                Family.COOLING,
                30,
                30,
                10,
                5,
                new Facet.MovesAir(exact(1), exact(20), Optional.of(exact(decibels))));
    }

    private static Noise of(Part... parts) {
        Build build = Build.empty("fans");
        for (Part part : parts) {
            build = build.with(build.parts().and(part));
        }
        return Noise.of(build);
    }

    /** One of 24 dB at a metre: 30.02 at half; two alike 3.01 more; 30 dB beside 20 dB: 30.41 at a metre. */
    @Test
    public void levelsAddUpAsEnergies() {
        assertThat(of(fan("a", 24)).decibels().orElseThrow()).isCloseTo(30.02, within(0.01));
        assertThat(of(fan("a", 24), fan("b", 24)).decibels().orElseThrow()).isCloseTo(33.03, within(0.01));
        Noise uneven = of(fan("a", 20), fan("b", 30));
        assertThat(uneven.decibels().orElseThrow()).isCloseTo(30.41 + 6.02, within(0.01));
        assertThat(uneven.loudest()).isEqualTo("b");
    }

    @Test
    public void whatNobodySaysIsNotTakenForSilent() {
        Part unsaid = part("c", Family.COOLING, 30, 30, 10, 5, new Facet.MovesAir(exact(1), exact(20)));
        Noise noise = of(fan("a", 24), unsaid);
        assertThat(noise.unknown()).containsExactly("c");
        assertThat(of(unsaid).decibels()).isEmpty();
    }

    /** Psychrometric tables: air of 25 °C at 60 % has its dew point at 16.7 °C, of 20 °C at 50 % at 9.3 °C, of 0 °C at 100 % there. */
    @Test
    public void dewPointsAreThoseOfTables() {
        assertThat(Air.dewPoint(25, 0.6)).isCloseTo(16.7, within(0.05));
        assertThat(Air.dewPoint(20, 0.5)).isCloseTo(9.3, within(0.05));
        assertThat(Air.dewPoint(0, 1)).isCloseTo(0, within(1e-9));
    }
}
