package boldsatchel.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.log.Layout.Role;
import boldsatchel.quantity.Quantity;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Logs as loggers write them, whole and broken. */
public class LogReaderTest {

    private static LogReader.Read read(String text) throws LogFault {
        return LogReader.read(text, LayoutGuess.of(text));
    }

    private static String lines(String... lines) {
        return String.join("\n", lines);
    }

    /** Three moments, 0, 10 and 25 s, with 3.9, 3.8, 3.7 V and 0.5, 0.25, 0.5 A each. */
    @DataProvider
    public Object[][] dialects() {
        return new Object[][] {
            {"comma", "time,volts,current\n0,3.9,0.5\n10,3.8,0.25\n25,3.7,0.5\n"},
            {"semicolon, decimal comma", "Zeit [s];U [V];I [mA]\r\n0;3,9;500\r\n10;3,8;250\r\n25;3,7;500\r\n"},
            {
                "tab, stamps",
                lines(
                        "Date\tTime\tVoltage(V)\tCurrent(A)",
                        "2026-11-20\t23:59:50\t3.9\t0.5",
                        "2026-11-21\t00:00:00\t3.8\t0.25",
                        "2026-11-21\t00:00:15\t3.7\t0.5")
            },
            {
                "ISO stamps with zones",
                "stamp,V,A\n2026-11-20T14:00:00.000Z,3.9,0.5\n2026-11-20T15:00:10+01:00,3.8,0.25\n2026-11-20T14:00:25Z,3.7,0.5\n"
            },
            {"clock over midnight", "t;V;A\n23:59:45;3.9;.5\n23:59:55;3.8;.25\n00:00:10;3.7;.5\n"},
            {
                "month first, noon",
                lines(
                        "Time,Voltage/V,Current/mA",
                        "11/20/2026 11:59:50 AM,3.9,500",
                        "11/20/2026 12:00:00 PM,3.8,250",
                        "11/20/2026 12:00:15 PM,3.7,500",
                        "")
            },
            {
                "day first",
                lines(
                        "Time;Voltage/V;Current/mA",
                        "20.11.2026 11:59:50;3,9;500",
                        "20.11.2026 12:00:00;3,8;250",
                        "20.11.2026 12:00:15;3,7;500",
                        "")
            },
            {
                "units in cells, quotes, remarks",
                lines(
                        "# a logger",
                        "\"name\",\"of, the thing\"",
                        "\"time\",\"volts\",\"amps\"",
                        "0,\"3.9 V\",500 mA",
                        "# a break",
                        "10,3.8V,250mA",
                        "25,3.7 V,500 mA",
                        "")
            },
            {
                "a line of units",
                "elapsed\tvoltage\tcurrent\nms\tmV\tA\n0\t3900\t0.5\n10000\t3800\t0.25\n25000\t3700\t0.5\n"
            },
            {"spaces", "   time    V      A\n   0.0   3.90   0.50\n  10.0   3.80   0.25\n  25.0   3.70   0.50\n"},
            {
                "milliseconds since 1970",
                "time;V;A\n1795000000000;3.9;0.5\n1795000010000;3.8;0.25\n1795000025000;3.7;0.5\n"
            },
            {"minutes", "t (min)|V|A\n0|3.9|0.5\n0.16666666667|3.8|0.25\n0.41666666667|3.7|0.5\n"},
        };
    }

    @Test(dataProvider = "dialects")
    public void aLogIsReadHoweverItIsWritten(String name, String text) throws LogFault {
        LogReader.Read read = read(text);
        Log log = read.log();
        assertThat(log.size()).as(name).isEqualTo(3);
        double[] s = {0, 10, 25};
        double[] v = {3.9, 3.8, 3.7};
        double[] a = {0.5, 0.25, 0.5};
        for (int i = 0; i < 3; i++) {
            assertThat(log.second(i)).as(name).isCloseTo(s[i], within(1e-6));
            assertThat(log.of(Quantity.VOLTAGE).orElseThrow().at(i)).as(name).isCloseTo(v[i], within(1e-12));
            assertThat(log.of(Quantity.CURRENT).orElseThrow().at(i)).as(name).isCloseTo(a[i], within(1e-12));
        }
        assertThat(read.notes()).as(name).isEmpty();
    }

    @Test
    public void bytesOfAnyCodeAreText() {
        String text = "t;°C\n0;21,5\n";
        assertThat(LayoutGuess.text(("\ufeff" + text).getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(text);
        assertThat(LayoutGuess.text(("\ufeff" + text).getBytes(StandardCharsets.UTF_16LE)))
                .isEqualTo(text);
        assertThat(LayoutGuess.text(("\ufeff" + text).getBytes(StandardCharsets.UTF_16BE)))
                .isEqualTo(text);
        assertThat(LayoutGuess.text(text.getBytes(StandardCharsets.ISO_8859_1))).isEqualTo(text);
    }

    @Test
    public void whatCannotBeReadIsToldWithItsLineAndTheRestIsKept() throws LogFault {
        LogReader.Read read =
                read("time;V;A\n0;3,9;0,5\n1;OL;0,5\nsoon;3,8;0,5\n2;3,7;\ntime;V;A\n0;3,6;0,5\n0,5;3,5;0,4\n8;3,");
        assertThat(read.log().size()).isEqualTo(6);
        assertThat(read.log().of(Quantity.VOLTAGE).orElseThrow().values())
                .containsExactly(3.9, Double.NaN, 3.7, 3.6, 3.5, 3);
        assertThat(read.log().lasts()).as("goes on after its clock began anew").isEqualTo(11);
        assertThat(String.join("\n", read.notes()))
                .contains("1 line has no time that can be read and is left out: in line 4 (“soon;3,8;0,5”).")
                .contains("1 line has a cell that is no number: in line 3 (“OL”).")
                .contains("1 time the clock starts anew; the log goes on from there: in line 7.")
                .contains("1 line among the readings is none and is left out: in line 6 (“time;V;A”).");
    }

    @Test
    public void aColumnIsReadAsTheBuilderSays() throws LogFault {
        String text = "a,b,c\n0,1200,7\n1,1300,8\n2,1250,9\n";
        Layout guess = LayoutGuess.of(text);
        assertThat(guess.columns())
                .extracting(Layout.Column::role)
                .containsExactly(Role.TIME, Role.LEFT_OUT, Role.LEFT_OUT);
        Layout said = guess.with(1, guess.columns().get(1).as(Role.VALUE, Quantity.CURRENT, 1e-3));
        assertThat(LogReader.read(text, said)
                        .log()
                        .of(Quantity.CURRENT)
                        .orElseThrow()
                        .values())
                .containsExactly(1.2, 1.3, 1.25);
        assertThatThrownBy(() -> LogReader.read(text, guess)).hasMessageContaining("No column is taken for a reading");
    }

    @Test
    public void aMillionRowsAreThinnedWithoutLosingAPeak() throws LogFault {
        Random random = new Random(5);
        StringBuilder text = new StringBuilder("time,V\n");
        int rows = 1_000_000;
        int peak = 123_457;
        for (int i = 0; i < rows; i++) {
            text.append(i)
                    .append(",")
                    .append(i == peak ? "9.000" : String.format(Locale.ROOT, "3.%03d", random.nextInt(1000)))
                    .append('\n');
        }
        Log log = read(text.toString()).log();
        Log.Channel volts = log.of(Quantity.VOLTAGE).orElseThrow();
        assertThat(log.size()).isEqualTo(rows);
        int columns = 900;
        Thinning thin = Thinning.of(log, volts, 0, log.lasts(), columns);
        assertThat(thin.size()).isLessThanOrEqualTo(4 * (columns + 1));
        double[] most = new double[columns + 1];
        double[] left = new double[columns + 1];
        boolean kept = false;
        for (int i = 0; i < rows; i++) {
            int c = (int) (log.second(i) / log.lasts() * columns);
            most[c] = Math.max(most[c], volts.at(i));
        }
        for (int i = 0; i < thin.size(); i++) {
            int c = (int) (log.second(thin.moment(i)) / log.lasts() * columns);
            left[c] = Math.max(left[c], volts.at(thin.moment(i)));
            kept |= thin.moment(i) == peak;
            assertThat(i == 0 || thin.moment(i) > thin.moment(i - 1)).isTrue();
        }
        assertThat(kept).isTrue();
        assertThat(left).isEqualTo(most);
    }

    /** Long names and lines without end are no way to keep it busy. */
    @Test
    public void whatIsFarTooLongEndsSoon() throws LogFault {
        String name = "a" + " ".repeat(19_000) + "b";
        Log log = read(name + ",V\n0,1\n1,2\n").log();
        assertThat(log.size()).isEqualTo(2);
        assertThatThrownBy(() -> read("1,".repeat(3_000_000)))
                .isInstanceOf(LogFault.class)
                .hasMessageMatching("(?s)\\p{Lu}.*[.?]");
        assertThat(read("t,V\n" + "0,1\n".repeat(300_000) + "x".repeat(5_000_000))
                        .log()
                        .size())
                .isEqualTo(300_000);
    }

    @Test
    public void fiveThousandBrokenLogsEachEndInALogOrAClearWord() {
        Random random = new Random(11);
        String[] good = new String[dialects().length];
        for (int i = 0; i < good.length; i++) {
            good[i] = (String) dialects()[i][1];
        }
        String odd = "\"\";,\t|:.-+eE \n\r#€°\u0000\ufffd9Tµ/";
        for (int i = 0; i < 5000; i++) {
            StringBuilder text = new StringBuilder(good[random.nextInt(good.length)]);
            for (int k = random.nextInt(12); k >= 0 && !text.isEmpty(); k--) {
                int at = random.nextInt(text.length());
                switch (random.nextInt(4)) {
                    case 0 -> text.setCharAt(at, odd.charAt(random.nextInt(odd.length())));
                    case 1 -> text.deleteCharAt(at);
                    case 2 -> text.insert(at, odd.charAt(random.nextInt(odd.length())));
                    default -> text.setLength(at);
                }
            }
            try {
                LogReader.Read read = read(text.toString());
                assertThat(read.log().size()).isPositive();
                for (int m = 1; m < read.log().size(); m++) {
                    assertThat(read.log().second(m))
                            .isGreaterThanOrEqualTo(read.log().second(m - 1));
                }
            } catch (LogFault e) {
                assertThat(e.getMessage()).matches("(?s)\\p{Lu}.*[.?]");
            }
        }
    }
}
