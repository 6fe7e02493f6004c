package boldsatchel.desktop.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import boldsatchel.log.Log;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.quantity.Quantity;
import boldsatchel.shelf.Library;
import boldsatchel.standins.BenchServer;
import boldsatchel.standins.StandInBench;
import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Random;
import java.util.concurrent.atomic.AtomicReference;
import org.testng.annotations.Test;

/** Instruments that answer as they should, and those that do not. */
public class LineInstrumentTest {

    /** Answers every line with the same bytes. */
    private static final class Parrot implements AutoCloseable {
        private final ServerSocket socket = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
        private final AtomicReference<byte[]> answer = new AtomicReference<>(new byte[0]);
        private final AtomicReference<String> heard = new AtomicReference<>("");

        Parrot() throws IOException {
            Thread.ofVirtual().start(this::accept);
        }

        private void accept() {
            while (!socket.isClosed()) {
                try (Socket line = socket.accept()) {
                    InputStream in = line.getInputStream();
                    for (int c = in.read(); c >= 0; c = in.read()) {
                        char letter = (char) c;
                        heard.updateAndGet(h -> h.length() > 10_000 ? h : h + letter);
                        if (c == '\n') {
                            line.getOutputStream().write(answer.get());
                        }
                    }
                } catch (IOException e) {
                    // Who asked has hung up.
                    answer.set(new byte[0]);
                }
            }
        }

        LineInstrument call() throws InstrumentFault {
            return LineInstrument.call("127.0.0.1:" + socket.getLocalPort());
        }

        void says(String bytes) {
            answer.set(bytes.getBytes(StandardCharsets.ISO_8859_1));
        }

        String heard() {
            return String.valueOf(heard.get());
        }

        @Override
        public void close() throws IOException {
            socket.close();
        }
    }

    /** A meter behind a serial port: a pair of pseudo-terminals, the far one answered here. */
    @Test
    public void aSerialMeterAnswersLikeOneOnTheNetwork() throws Exception {
        Path folder = Files.createTempDirectory("serial");
        Path near = folder.resolve("near");
        Path far = folder.resolve("far");
        Process pair = new ProcessBuilder("socat", "pty,raw,echo=0,link=" + near, "pty,raw,echo=0,link=" + far)
                .redirectErrorStream(true)
                .start();
        try {
            while (!Files.exists(near) || !Files.exists(far)) {
                assertThat(pair.isAlive()).isTrue();
                Thread.onSpinWait();
            }
            try (RandomAccessFile meter = new RandomAccessFile(far.toRealPath().toFile(), "rw");
                    LineInstrument called = LineInstrument.call(near.toRealPath() + " 115200")) {
                Thread answering = Thread.ofVirtual().start(() -> {
                    try {
                        for (String question = meter.readLine(); question != null; question = meter.readLine()) {
                            switch (question) {
                                case "MEAS:VOLT?" -> meter.write("12.034 V\r\n".getBytes(StandardCharsets.US_ASCII));
                                case "HALF?" -> meter.write("12.0".getBytes(StandardCharsets.US_ASCII));
                                default -> {}
                            }
                        }
                    } catch (IOException e) {
                        // The pair has gone.
                        Thread.currentThread().interrupt();
                    }
                });
                assertThat(called.number("MEAS:VOLT?")).isEqualTo(12.034);
                assertThatThrownBy(() -> called.number("HALF?"))
                        .isInstanceOf(InstrumentFault.class)
                        .hasMessageContaining("half a line: “12.0”");
                assertThatThrownBy(() -> called.number("SILENT?")).hasMessageContaining("does not answer");
                // What came late for an earlier question answers no later one.
                assertThat(called.number("MEAS:VOLT?")).isEqualTo(12.034);
                pair.destroy();
                pair.waitFor();
                assertThatThrownBy(() -> called.number("MEAS:VOLT?"))
                        .isInstanceOf(InstrumentFault.class)
                        .hasMessageMatching("(?s).*(was cut|does not answer).*");
                answering.interrupt();
            }
        } finally {
            pair.destroy();
        }
        assertThatThrownBy(() -> LineInstrument.call("/dev/ttyNONE9"))
                .isInstanceOf(InstrumentFault.class)
                .hasMessageContaining("cannot be opened");
        assertThatThrownBy(() -> LineInstrument.call("/dev/ttyUSB0 1234")).hasMessageContaining("one of 1200, 2400");
    }

    @Test
    public void numbersAreReadAsInstrumentsWriteThem() throws Exception {
        try (Parrot parrot = new Parrot();
                LineInstrument meter = parrot.call()) {
            for (String said : new String[] {"+3.712E+00\n", "3.712 V\r\n", " 3.712\n", "003.7120VDC\n"}) {
                parrot.says(said);
                assertThat(meter.number("MEAS:VOLT?")).as(said).isEqualTo(3.712);
            }
        }
    }

    @Test
    public void whatIsNoAnswerIsSaidInWordsAndTheNextQuestionIsAskedAfresh() throws Exception {
        try (Parrot parrot = new Parrot();
                LineInstrument meter = parrot.call()) {
            parrot.says("hello\n");
            assertThatThrownBy(() -> meter.number("MEAS:VOLT?")).hasMessageContaining("“hello”: that is no number");
            parrot.says("9.9E37\n");
            assertThatThrownBy(() -> meter.number("MEAS:VOLT?")).hasMessageContaining("beyond its range");
            parrot.says("OL\n");
            assertThatThrownBy(() -> meter.number("MEAS:VOLT?")).hasMessageContaining("beyond its range");
            parrot.says("3.7");
            assertThatThrownBy(() -> meter.number("MEAS:VOLT?")).hasMessageContaining("half a line: “3.7”");
            parrot.says("");
            assertThatThrownBy(() -> meter.number("MEAS:VOLT?")).hasMessageContaining("does not answer");
            parrot.says("1.5\n");
            assertThat(meter.number("MEAS:VOLT?")).isEqualTo(1.5);
            parrot.says("x".repeat(5000));
            assertThatThrownBy(() -> meter.ask("MEAS:VOLT?")).hasMessageContaining("without an end");
        }
    }

    @Test
    public void anAddressThatCannotBeIsRefusedInWords() {
        for (String address : new String[] {"", ":5025", "a b:1", "127.0.0.1:0", "127.0.0.1:x", "127.0.0.1:99999"}) {
            assertThatThrownBy(() -> LineInstrument.call(address).close())
                    .as(address)
                    .isInstanceOf(InstrumentFault.class)
                    .hasMessageMatching("(?s).*[.?]");
        }
        assertThatThrownBy(() -> LineInstrument.call("127.0.0.1:1").close()).hasMessageContaining("Nobody answers");
    }

    /** Each is whole, so that no time is spent on waiting for its end. */
    @Test
    public void twentyThousandBrokenAnswersAreEachANumberOrAWord() throws Exception {
        Random random = new Random(3);
        String odd = "0123456789+-.eE VAmµ,;:\t\"\u0000\u0007é#?";
        int numbers = 0;
        try (Parrot parrot = new Parrot()) {
            LineInstrument meter = parrot.call();
            for (int i = 0; i < 20_000; i++) {
                StringBuilder said = new StringBuilder("+3.712E+00");
                for (int k = random.nextInt(6); k > 0; k--) {
                    said.insert(random.nextInt(said.length() + 1), odd.charAt(random.nextInt(odd.length())));
                }
                parrot.says(said + "\n");
                try {
                    assertThat(meter.number("MEAS:VOLT?")).isFinite();
                    numbers++;
                } catch (InstrumentFault e) {
                    assertThat(e.getMessage()).endsWith("?");
                    if (e.lineIsGone()) {
                        meter.close();
                        meter = parrot.call();
                    }
                }
            }
            meter.close();
        }
        assertThat(numbers).isBetween(2000, 19_000);
    }

    @Test
    public void aPackThatIsAnotherOrTurnedRoundIsNotDischarged() throws Exception {
        for (String[] said :
                new String[][] {{"12.4\n", "right pack"}, {"-16.4\n", "exchanged"}, {"0.01\n", "right pack"}}) {
            try (Parrot parrot = new Parrot()) {
                parrot.says(said[0]);
                Recording recording = Recording.start(new Recording.Plan(
                        "127.0.0.1:" + parrot.socket.getLocalPort(),
                        "battery",
                        1.7,
                        12,
                        16.7,
                        1800,
                        90,
                        Duration.ofMillis(5),
                        Duration.ofMillis(5)));
                while (recording.isRunning()) {
                    Thread.onSpinWait();
                }
                assertThat(recording.words()).contains(said[1]);
                assertThat(recording.log().size()).isZero();
                assertThat(parrot.heard()).doesNotContain("INP ON");
            }
        }
    }

    @Test
    public void aDischargeGoesOnAfterItsLineWasCutAndKeepsAllReadings() throws Exception {
        Build build = Library.demo("cave-survey").orElseThrow();
        Facet.Cells cells =
                build.part("battery").flatMap(p -> p.facet(Facet.Cells.class)).orElseThrow();
        StandInBench bench = new StandInBench(build, 4, 3000, () -> System.nanoTime() * 1e-9);
        try (BenchServer server = new BenchServer(bench, 0)) {
            Recording recording = Recording.start(new Recording.Plan(
                    server.addresses().getFirst().address(),
                    "battery",
                    1.7,
                    cells.cutoffV() * cells.series(),
                    16.7,
                    1800,
                    90,
                    Duration.ofMillis(5),
                    Duration.ofMillis(5)));
            boolean cut = false;
            while (recording.isRunning()) {
                if (!cut && recording.log().size() > 100) {
                    server.cut();
                    cut = true;
                }
                Thread.onSpinWait();
            }
            assertThat(recording.isEnded()).as(recording.words()).isTrue();
            Log log = recording.log();
            assertThat(cut).isTrue();
            assertThat(log.lasts() / 3600).isBetween(3.0, 4.6);
            Log.Channel volts = log.of(Quantity.VOLTAGE).orElseThrow();
            assertThat(volts.at(0) - volts.at(log.size() - 1)).isGreaterThan(3);
        }
    }
}
