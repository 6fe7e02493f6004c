package boldsatchel.desktop.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.bench.Measurand;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import boldsatchel.standins.BenchServer;
import boldsatchel.standins.StandInBench;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** One figure read off an instrument, whatever it measures, on the bench that ships. */
public class AskingTest {

    private final Build build = Library.demo("cave-survey").orElseThrow();
    private final StandInBench bench = new StandInBench(build, 11, 1, () -> 0);
    private Optional<BenchServer> server = Optional.empty();

    @BeforeClass
    void start() throws Exception {
        server = Optional.of(new BenchServer(bench, 0));
    }

    @AfterClass
    void end() {
        server.ifPresent(BenchServer::close);
    }

    private String address(String instrument) {
        return server.orElseThrow().addresses().stream()
                .filter(a -> a.name().equals(instrument))
                .findFirst()
                .orElseThrow()
                .address();
    }

    private static Measurand measurand(String id) {
        return Measurand.of(id).orElseThrow();
    }

    @Test
    public void aMassIsReadOffTheScale() {
        Part board = bench.truth().part("board").orElseThrow();
        Asking.Answer answer = Asking.of(address("scale"), "board", measurand("Part.massG"));
        assertThat(answer.wrong()).isEmpty();
        Figure read = answer.read().orElseThrow();
        assertThat(read.basis()).isEqualTo(Basis.MEASURED);
        assertThat(read.value()).isCloseTo(board.massG().value(), within(1.5));
        assertThat(read.plusMinus())
                .isGreaterThanOrEqualTo(Figure.measured(read.value()).plusMinus());
    }

    @DataProvider
    Object[][] powers() {
        return new Object[][] {{"DrawsPower.offW"}, {"DrawsPower.sleepW"}, {"DrawsPower.idleW"}, {"DrawsPower.busyW"}};
    }

    /** A stand-in is told what the machine does, so that each mode has its own reading. */
    @Test(dataProvider = "powers")
    public void aPowerIsReadInItsMode(String id) {
        Part truth = bench.truth().part("board").orElseThrow();
        Facet.DrawsPower draws = truth.facet(Facet.DrawsPower.class).orElseThrow();
        Object field = Form.of(Facet.DrawsPower.class)
                .field(id.substring(id.indexOf('.') + 1))
                .get(draws);
        double wanted = ((Figure) field).value();
        Asking.Answer answer = Asking.of(address("USB power meter"), "board", measurand(id));
        assertThat(answer.wrong()).isEmpty();
        assertThat(answer.read().orElseThrow().value()).isCloseTo(wanted, within(0.1 + 0.03 * wanted));
    }

    @Test
    public void readingsOfTheSameAreAlikeAndNotTheSame() {
        Figure first = Asking.of(address("scale"), "battery", measurand("Part.massG"))
                .read()
                .orElseThrow();
        Figure second = Asking.of(address("scale"), "battery", measurand("Part.massG"))
                .read()
                .orElseThrow();
        assertThat(second.value()).isCloseTo(first.value(), within(3.0));
    }

    /** What no instrument of the bench reads is typed; an instrument that is another, or none, is told in words and with its address. */
    @Test
    public void whatCannotBeReadIsTold() throws Exception {
        assertThat(Asking.isPossible(measurand("Part.massG"))).isTrue();
        assertThat(Asking.isPossible(measurand("pack.ohms"))).isFalse();
        Asking.Answer ohms = Asking.of(address("multimeter"), "battery", measurand("pack.ohms"));
        assertThat(ohms.read()).isEmpty();
        assertThat(ohms.wrong()).contains("Type it");
        Asking.Answer other = Asking.of(address("electronic load"), "battery", measurand("Part.massG"));
        assertThat(other.read()).isEmpty();
        assertThat(other.wrong()).isNotBlank();
        int free;
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            free = socket.getLocalPort();
        }
        Asking.Answer nobody = Asking.of("127.0.0.1:" + free, "battery", measurand("Part.massG"));
        assertThat(nobody.read()).isEmpty();
        assertThat(nobody.wrong()).contains(String.valueOf(free));
    }

    @DataProvider
    Object[][] addresses() {
        return Map.of(
                        "", "empty",
                        "scale", "no port",
                        "127.0.0.1:", "half of one",
                        "127.0.0.1:bench", "a word for a port",
                        "127.0.0.1:99999", "too large a port",
                        "serial:", "no serial port",
                        "serial:/dev/nowhere:fast", "a word for a speed")
                .entrySet()
                .stream()
                .map(e -> new Object[] {e.getKey(), e.getValue()})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "addresses")
    public void anAddressThatIsNoneIsToldInWords(String address, String what) {
        Asking.Answer answer = Asking.of(address, "battery", measurand("Part.massG"));
        assertThat(answer.read()).as(what).isEmpty();
        assertThat(answer.wrong()).as(what).isNotBlank().doesNotContain("Exception");
    }
}
