package boldsatchel.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.shelf.Library;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** The instruments over their lines. */
public class BenchServerTest {

    private double wall;

    private StandInBench bench() {
        wall = 0;
        return new StandInBench(Library.demo("cave-survey").orElseThrow(), 4, 60, () -> wall);
    }

    /** A line to an instrument. */
    private record Line(Socket socket, BufferedReader in) implements AutoCloseable {
        static Line to(BenchServer server, String name) throws IOException {
            String address = server.addresses().stream()
                    .filter(a -> a.name().equals(name))
                    .findFirst()
                    .orElseThrow()
                    .address();
            Socket socket = new Socket(
                    InetAddress.getLoopbackAddress(), Integer.parseInt(address.substring(address.indexOf(':') + 1)));
            socket.setSoTimeout(5000);
            return new Line(
                    socket,
                    new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII)));
        }

        void say(String line) throws IOException {
            socket.getOutputStream().write((line + "\r\n").getBytes(StandardCharsets.US_ASCII));
        }

        String ask(String line) throws IOException {
            say(line);
            return String.valueOf(in.readLine());
        }

        double number(String line) throws IOException {
            return Double.parseDouble(ask(line));
        }

        @Override
        public void close() throws IOException {
            socket.close();
        }
    }

    @Test
    public void everyInstrumentSaysWhoItIsAndMeasuresWhatItIsClippedTo() throws IOException {
        StandInBench bench = bench();
        try (BenchServer server = new BenchServer(bench, 0)) {
            assertThat(server.addresses()).hasSize(6);
            for (BenchServer.Address address : server.addresses()) {
                try (Line line = Line.to(server, address.name())) {
                    assertThat(line.ask("*IDN?")).as(address.name()).matches("BENCH STAND-IN,[A-Z0-9-]+,0,1\\.0");
                }
            }
            try (Line scale = Line.to(server, "scale")) {
                scale.say("bench:hook battery");
                double truth =
                        bench.truth().part("battery").orElseThrow().massG().value();
                assertThat(scale.number("MEASure:MASS?")).isCloseTo(truth, within(3.0));
            }
            try (Line meter = Line.to(server, "USB power meter")) {
                meter.say("BENC:HOOK board;BENC:MODE BUSY");
                double busy = meter.number("MEAS:POW?");
                meter.say("BENC:MODE IDLE");
                assertThat(busy).isGreaterThan(1.5 * meter.number("MEAS:POW?"));
                assertThat(meter.ask("MEAS:VOLT?;CURR?;:SYST:ERR?")).endsWith("-113,\"Undefined header\"");
            }
        }
    }

    @Test
    public void aPackIsDischargedOverTheLineAndALineThatWasCutIsHeardAgain() throws IOException {
        Build plan = Library.demo("cave-survey").orElseThrow();
        Facet.Cells cells =
                plan.part("battery").flatMap(p -> p.facet(Facet.Cells.class)).orElseThrow();
        StandInBench bench = bench();
        try (BenchServer server = new BenchServer(bench, 0)) {
            double before;
            try (Line load = Line.to(server, "electronic load")) {
                load.say("BENC:HOOK battery");
                load.say("SOUR:VOLT:CUT " + cells.cutoffV() * cells.series());
                load.say("SOUR:CURR 2;:INP ON");
                before = load.number("MEAS:VOLT?");
                assertThat(load.number("MEAS:CURR?")).isCloseTo(2, within(0.03));
                server.cut();
                assertThatThrownBy(() -> {
                            String left = load.ask("MEAS:VOLT?");
                            throw new IOException(left);
                        })
                        .isInstanceOf(IOException.class);
            }
            wall += 60;
            try (Line load = Line.to(server, "electronic load")) {
                assertThat(load.number("BENC:TIME?")).isEqualTo(3600);
                assertThat(load.number("MEAS:VOLT?")).as("an hour later").isBetween(12.0, before - 0.1);
                assertThat(load.ask("INP?")).isEqualTo("1");
                wall += 400;
                assertThat(load.ask("INP?")).as("stopped at its cut-off").isEqualTo("0");
                assertThat(load.number("MEAS:CURR?")).isCloseTo(0, within(0.02));
            }
        }
    }

    @Test
    public void nonsenseIsPutOnTheListOfErrorsAndNothingElse() {
        Instrument load = bench().instruments().getFirst();
        load.line("SOUR:CURR two");
        assertThat(load.line("SYST:ERR?")).contains("-224,\"Illegal parameter value\"");
        load.line("SOUR:CURR NaN");
        assertThat(load.line("SYST:ERR?")).contains("-224,\"Illegal parameter value\"");
        load.line("BENC:HOOK nothing-of-the-kind");
        assertThat(load.line("SYST:ERR?;SYST:ERR?")).contains("-224,\"Illegal parameter value\";0,\"No error\"");
        Random random = new Random(7);
        List<String> pieces = List.of(
                "MEAS", ":", "VOLT", "?", ";", " ", "*", "INP", "ON", "1e999", "NaN", "-", "SOUR:CURR", "\u0000", "é");
        for (int i = 0; i < 20_000; i++) {
            StringBuilder line = new StringBuilder();
            for (int k = random.nextInt(8); k >= 0; k--) {
                line.append(pieces.get(random.nextInt(pieces.size())));
            }
            load.line(line.toString());
        }
        load.line("*CLS;:INP OFF");
        assertThat(load.line("SYST:ERR?")).contains("0,\"No error\"");
        assertThat(Double.parseDouble(load.line("MEAS:CURR?").orElseThrow())).isBetween(-0.1, 0.1);
    }
}
