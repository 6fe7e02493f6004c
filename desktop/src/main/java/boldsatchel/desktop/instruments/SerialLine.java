package boldsatchel.desktop.instruments;

import com.fazecast.jSerialComm.SerialPort;
import com.fazecast.jSerialComm.SerialPortInvalidPortException;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A line over a serial port: eight bits, no parity, one stop bit. */
final class SerialLine implements Line {

    private static final int USUAL_SPEED = 9600;
    private static final List<Integer> SPEEDS =
            List.of(1200, 2400, 4800, 9600, 19_200, 38_400, 57_600, 115_200, 230_400, 460_800, 921_600);
    private static final int BITS = 8;
    private static final int SEND_MS = 1000;

    /** {@code /dev/ttyUSB0}, {@code COM3}, each with a speed behind it or without. */
    private static final Pattern TYPED = Pattern.compile("(/dev/\\S+|(?i:COM)\\d{1,3})(?:\\s+(\\d{1,7}))?");

    private final SerialPort port;

    private SerialLine(SerialPort port) {
        this.port = port;
    }

    /** Opens a port; nothing where what was typed is none. */
    static Optional<Line> open(String typed) throws InstrumentFault {
        Matcher m = TYPED.matcher(typed);
        if (!m.matches()) {
            return Optional.empty();
        }
        int speed = Optional.ofNullable(m.group(2)).map(Integer::parseInt).orElse(USUAL_SPEED);
        if (!SPEEDS.contains(speed)) {
            throw new InstrumentFault(
                    "A serial port at " + speed + " bits a second is not usual. Its manual says one of "
                            + SPEEDS.stream()
                                    .map(String::valueOf)
                                    .reduce((a, b) -> a + ", " + b)
                                    .orElse("") + ".",
                    true);
        }
        try {
            SerialPort port = SerialPort.getCommPort(m.group(1));
            port.setComPortParameters(speed, BITS, SerialPort.ONE_STOP_BIT, SerialPort.NO_PARITY);
            if (!port.openPort()) {
                throw nobody(m.group(1));
            }
            return Optional.of(new SerialLine(port));
        } catch (SerialPortInvalidPortException e) {
            throw nobody(m.group(1));
        }
    }

    private static InstrumentFault nobody(String port) {
        return new InstrumentFault(
                port
                        + " cannot be opened. Is the meter plugged in, does no other program hold the port, and may you use it"
                        + " (on Linux: group dialout)?",
                true);
    }

    @Override
    public void send(byte[] letters) throws IOException {
        port.setComPortTimeouts(SerialPort.TIMEOUT_WRITE_BLOCKING, 0, SEND_MS);
        if (port.writeBytes(letters, letters.length) != letters.length) {
            throw new IOException("not sent");
        }
    }

    @Override
    public int next(int withinMs) throws IOException {
        port.setComPortTimeouts(SerialPort.TIMEOUT_READ_SEMI_BLOCKING, Math.max(1, withinMs), 0);
        byte[] one = new byte[1];
        int read = port.readBytes(one, 1);
        if (read < 0) {
            return -1;
        }
        return read == 0 ? NOTHING : one[0] & 0xff;
    }

    @Override
    public void forget() {
        byte[] late = new byte[Math.max(0, port.bytesAvailable())];
        if (port.readBytes(late, late.length) < 0) {
            Arrays.fill(late, (byte) 0);
        }
    }

    @Override
    public void close() {
        port.closePort();
    }
}
