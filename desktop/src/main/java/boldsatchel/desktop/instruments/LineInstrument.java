package boldsatchel.desktop.instruments;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/**
 * An instrument that takes lines (SCPI-1999 over a raw socket, or over a serial port), at the address that the user typed and no other. Every question
 * has an answer, or a fault in words, within a second and a half. Not for several threads.
 */
public final class LineInstrument implements AutoCloseable {

    /** Where such instruments listen where no port is typed (registered with IANA as scpi-raw). */
    public static final int USUAL_PORT = 5025;

    private static final String STAND_IN = "BENCH STAND-IN";
    private static final long ANSWER_NS = 1_500_000_000L;
    private static final int NS_PER_MS = 1_000_000;
    /** Longer lines are no answers, bytes. */
    private static final int LONGEST = 4096;

    private final String address;
    private final Line line;

    private LineInstrument(String address, Line line) {
        this.address = address;
        this.line = line;
    }

    /**
     * Calls an instrument.
     *
     * @param address host and port, {@code 192.168.1.20:5025}, or a serial port and its speed, {@code /dev/ttyUSB0 9600}
     * @throws InstrumentFault where nobody answers there
     */
    public static LineInstrument call(String address) throws InstrumentFault {
        String typed = address.strip();
        Optional<Line> serial = SerialLine.open(typed);
        return new LineInstrument(typed, serial.isPresent() ? serial.get() : NetworkLine.call(typed, USUAL_PORT));
    }

    /** Where it is. */
    public String address() {
        return address;
    }

    /** Whether it is one of those that ship with the program, which have to be told what they are clipped to. */
    public boolean isStandIn() throws InstrumentFault {
        return ask("*IDN?").startsWith(STAND_IN);
    }

    /** Tells it something that has no answer. */
    public void tell(String command) throws InstrumentFault {
        try {
            line.send((command + "\n").getBytes(StandardCharsets.US_ASCII));
        } catch (IOException e) {
            throw gone();
        }
    }

    /**
     * Asks it something.
     *
     * @return the line that it answers
     * @throws InstrumentFault where there is no whole line of text in time
     */
    public String ask(String question) throws InstrumentFault {
        try {
            // What came too late for an earlier question answers no later one.
            line.forget();
            tell(question);
            return answer(question);
        } catch (IOException e) {
            throw gone();
        }
    }

    private String answer(String question) throws IOException, InstrumentFault {
        long until = System.nanoTime() + ANSWER_NS;
        StringBuilder said = new StringBuilder();
        while (true) {
            long left = (until - System.nanoTime()) / NS_PER_MS;
            int c = left <= 0 ? Line.NOTHING : line.next((int) left);
            if (c == Line.NOTHING) {
                throw late(question, said);
            }
            if (c < 0) {
                throw gone();
            }
            if (c == '\n') {
                return said.toString().strip();
            }
            if (said.length() == LONGEST) {
                throw new InstrumentFault(
                        address + " answers “" + question + "” with more than " + LONGEST
                                + " characters without an end. Is this the port for text commands?",
                        true);
            }
            if (c >= 127 || (c < ' ' && c != '\r' && c != '\t')) {
                throw new InstrumentFault(
                        address + " answers “" + question
                                + "” with something that is no text. Is this the port for text commands?",
                        true);
            }
            said.append((char) c);
        }
    }

    private InstrumentFault late(String question, StringBuilder half) {
        return new InstrumentFault(
                half.isEmpty()
                        ? address + " does not answer “" + question + "”. Does it know this question?"
                        : address + " answers “" + question + "” with half a line: “"
                                + half.toString().strip() + "”.",
                false);
    }

    private InstrumentFault gone() {
        return new InstrumentFault(
                "The line to " + address
                        + " was cut. What was read so far is kept; look at cable and power, then go on.",
                true);
    }

    /**
     * Asks for a number.
     *
     * @throws InstrumentFault where the answer is none, or beyond what the instrument can show
     */
    public double number(String question) throws InstrumentFault {
        String answer = ask(question);
        return Answers.number(answer)
                .orElseThrow(() -> new InstrumentFault(
                        address + " answers “" + question + "” with “" + Answers.brief(answer) + "”: "
                                + (Answers.isOverload(answer)
                                        ? "that is beyond its range. Choose a larger range."
                                        : "that is no number. Does it know this question?"),
                        false));
    }

    @Override
    public void close() {
        line.close();
    }
}
