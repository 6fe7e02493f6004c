package boldsatchel.desktop.instruments;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;

/**
 * An instrument that takes lines over TCP (SCPI-1999 over a raw socket), at the address that the user typed and no other. Every question
 * has an answer, or a fault in words, within a second and a half. Not for several threads.
 */
public final class LineInstrument implements AutoCloseable {

    /** Where such instruments listen where no port is typed (registered with IANA as scpi-raw). */
    public static final int USUAL_PORT = 5025;

    private static final int CONNECT_MS = 2000;
    private static final long ANSWER_NS = 1_500_000_000L;
    private static final int NS_PER_MS = 1_000_000;
    private static final int MOST_PORT = 65_535;
    /** Longer lines are no answers, bytes. */
    private static final int LONGEST = 4096;

    private final String address;
    private final Socket socket;

    private LineInstrument(String address, Socket socket) {
        this.address = address;
        this.socket = socket;
    }

    /**
     * Calls an instrument.
     *
     * @param address host and port: {@code 192.168.1.20:5025}
     * @throws InstrumentFault where nobody answers there
     */
    public static LineInstrument call(String address) throws InstrumentFault {
        String typed = address.strip();
        int colon = typed.lastIndexOf(':');
        String host = colon < 0 ? typed : typed.substring(0, colon);
        int port = colon < 0 ? USUAL_PORT : port(typed, typed.substring(colon + 1));
        if (host.isBlank() || host.chars().anyMatch(Character::isWhitespace)) {
            throw new InstrumentFault(
                    "“" + typed + "” is no address. Write host and port, as in 192.168.1.20:5025.", true);
        }
        Socket socket = new Socket();
        try {
            socket.connect(new InetSocketAddress(host, port), CONNECT_MS);
            socket.setTcpNoDelay(true);
            return new LineInstrument(typed, socket);
        } catch (UnknownHostException e) {
            close(socket);
            throw new InstrumentFault(
                    "There is no “" + host + "” on this network. Is it written as the instrument shows it?", true);
        } catch (IOException | IllegalArgumentException e) {
            close(socket);
            throw new InstrumentFault(
                    "Nobody answers at " + typed
                            + ". Is the instrument on, its network port switched on in its menu, and the port right?",
                    true);
        }
    }

    private static int port(String typed, String digits) throws InstrumentFault {
        if (digits.matches("\\d{1,5}")) {
            int port = Integer.parseInt(digits);
            if (port > 0 && port <= MOST_PORT) {
                return port;
            }
        }
        throw new InstrumentFault("“" + typed + "” has no port between 1 and 65535 behind its colon.", true);
    }

    /** Where it is. */
    public String address() {
        return address;
    }

    /** Tells it something that has no answer. */
    public void tell(String command) throws InstrumentFault {
        try {
            socket.getOutputStream().write((command + "\n").getBytes(StandardCharsets.US_ASCII));
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
            forget();
            tell(question);
            return line(question);
        } catch (IOException e) {
            throw gone();
        }
    }

    /** What came too late for an earlier question answers no later one. */
    private void forget() throws IOException {
        InputStream in = socket.getInputStream();
        int late = in.available();
        while (late > 0 && in.skip(late) > 0) {
            late = in.available();
        }
    }

    private String line(String question) throws IOException, InstrumentFault {
        long until = System.nanoTime() + ANSWER_NS;
        StringBuilder line = new StringBuilder();
        InputStream in = socket.getInputStream();
        while (true) {
            long left = (until - System.nanoTime()) / NS_PER_MS;
            if (left <= 0) {
                throw late(question, line);
            }
            socket.setSoTimeout((int) left);
            int c;
            try {
                c = in.read();
            } catch (SocketTimeoutException e) {
                throw late(question, line);
            }
            if (c < 0) {
                throw gone();
            }
            if (c == '\n') {
                return line.toString().strip();
            }
            if (line.length() == LONGEST) {
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
            line.append((char) c);
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
        close(socket);
    }

    private static void close(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // It is not used any more, whatever became of it.
            socket.isClosed();
        }
    }
}
