package boldsatchel.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class UnitsTest {

    @DataProvider
    Object[][] written() {
        return new Object[][] {
            {Quantity.LENGTH, "5 in", 127.0},
            {Quantity.LENGTH, "5\"", 127.0},
            {Quantity.LENGTH, "127 mm", 127.0},
            {Quantity.LENGTH, "12.7cm", 127.0},
            {Quantity.LENGTH, "12,7 cm", 127.0},
            {Quantity.LENGTH, "127", 127.0},
            {Quantity.LENGTH, " .5 mm ", 0.5},
            {Quantity.LENGTH, "-3 mm", -3.0},
            {Quantity.MASS, "1 lb 4 oz", 566.9904625},
            {Quantity.MASS, "1.2 kg", 1200.0},
            {Quantity.CHARGE, "2600 mAh", 2.6},
            {Quantity.CHARGE, "2600 mah", 2.6},
            {Quantity.ENERGY, "9.6 Wh", 9.6},
            {Quantity.ENERGY, "3.6 kJ", 1.0},
            {Quantity.RESISTANCE, "35 mΩ", 0.035},
            {Quantity.RESISTANCE, "35 mohm", 0.035},
            {Quantity.TIME, "1 h 30 min", 1.5},
            {Quantity.TIME, "90 min", 1.5},
            {Quantity.TIME, "2 d", 48.0},
            {Quantity.MINUTES, "0.5 h", 30.0},
            {Quantity.AIR_FLOW, "3.6 m³/h", 1.0},
            {Quantity.AREA, "4 cm²", 400.0},
            {Quantity.AREA, "4 cm2", 400.0},
            {Quantity.SHARE, "87 %", 0.87},
            {Quantity.POWER, "1.5e3 mW", 1.5},
            {Quantity.MONEY, "49.50", 49.5},
            {Quantity.ANGLE, "110°", 110.0},
        };
    }

    @Test(dataProvider = "written")
    public void unitsAreTakenAsPeopleWriteThem(Quantity quantity, String text, double stored) throws Exception {
        assertThat(Units.parse(quantity, text)).isCloseTo(stored, within(1e-9));
    }

    @DataProvider
    Object[][] unreadable() {
        return new Object[][] {
            {Quantity.LENGTH, "5 W", "no unit for this field"},
            {Quantity.LENGTH, "five", "not a number"},
            {Quantity.LENGTH, "", "Nothing is written"},
            {Quantity.LENGTH, "5 mm +", "not a number"},
            {Quantity.MONEY, "5 mm", "write the number alone"},
            {Quantity.POWER, "3 parsec", "W, mW, kW"},
        };
    }

    @Test(dataProvider = "unreadable")
    public void whatCannotBeReadIsSaidInWordsWithWhatWouldBeRight(Quantity quantity, String text, String words) {
        assertThatThrownBy(() -> Units.parse(quantity, text))
                .isInstanceOf(Units.UnreadableException.class)
                .hasMessageContaining(words);
    }

    @DataProvider
    Object[][] ranges() {
        return new Object[][] {
            {"12-19 V", 12.0, 19.0},
            {"12 – 19 V", 12.0, 19.0},
            {"12 V to 19 V", 12.0, 19.0},
            {"5 V", 5.0, 5.0},
            {"4750-5250 mV", 4.75, 5.25}
        };
    }

    @Test(dataProvider = "ranges")
    public void rangesAreTakenAsPeopleWriteThem(String text, double low, double high) throws Exception {
        Units.Range range = Units.parseRange(Quantity.VOLTAGE, text);
        assertThat(range.low()).isCloseTo(low, within(1e-9));
        assertThat(range.high()).isCloseTo(high, within(1e-9));
    }

    @Test
    public void aRangeThatRunsBackwardsIsRefused() {
        assertThatThrownBy(() -> Units.parseRange(Quantity.VOLTAGE, "19-12 V")).hasMessageContaining("12–19 V");
    }

    @Test
    public void gaugesAreReadInEveryUsualSpelling() throws Exception {
        assertThat(Units.parseGauge("AWG 24")).isEqualTo(24);
        assertThat(Units.parseGauge("24 awg")).isEqualTo(24);
        assertThat(Units.parseGauge("24")).isEqualTo(24);
        assertThatThrownBy(() -> Units.parseGauge("AWG 60")).hasMessageContaining("0 to 40");
    }

    @DataProvider
    Object[][] shown() {
        return new Object[][] {
            {Quantity.LENGTH, 127.0, "127 mm"},
            {Quantity.POWER, 0.35, "0.35 W"},
            {Quantity.SHARE, 0.87, "87 %"},
            {Quantity.ANGLE, -6.5, "−6.5°"},
            {Quantity.MASS, 1234.6, "1235 g"},
            {Quantity.LENGTH, 0.0, "0 mm"},
            {Quantity.TIME, Double.POSITIVE_INFINITY, "∞ h"},
        };
    }

    @Test(dataProvider = "shown")
    public void numbersAreShownShortAndWithTheirUnit(Quantity quantity, double stored, String text) {
        assertThat(Units.format(quantity, stored)).isEqualTo(text);
    }

    @Test
    public void whatIsShownCanBeReadBack() throws Exception {
        for (Quantity quantity : Quantity.values()) {
            for (double value : new double[] {0.25, 3, 42.5, 780}) {
                String text = Units.format(quantity, value);
                assertThat(Units.parse(quantity, text)).as(text).isCloseTo(value, within(1e-6 * value));
            }
        }
    }

    @Test
    public void everyQuantityReadsItsOwnExample() throws Exception {
        for (Quantity quantity : Quantity.values()) {
            assertThat(Units.parse(quantity, quantity.example())).isNotNaN();
        }
    }

    @Test
    public void aFigureIsShownWithItsRange() {
        assertThat(Units.format(Quantity.POWER, Figure.dataSheet(24))).isEqualTo("24 ± 2.4 W");
    }

    /** Halves of what is written go up, as people round; nothing has no sign. */
    @Test
    public void decimalsAreRoundedAsPeopleRound() {
        assertThat(Units.format(1.005, 2, "K")).isEqualTo("1.01 K");
        assertThat(Units.format(-0.25, 1, "K")).isEqualTo("−0.3 K");
        assertThat(Units.format(-0.04, 1, "K")).isEqualTo("0.0 K");
        assertThat(Units.format(-0.00004)).isEqualTo("0");
        assertThat(Units.format(1200.4)).isEqualTo("1200");
    }
}
