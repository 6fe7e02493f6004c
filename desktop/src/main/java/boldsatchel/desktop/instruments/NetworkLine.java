package boldsatchel.desktop.instruments;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.net.UnknownHostException;

/** A line over TCP. */
final class NetworkLine implements Line {

    private static final int CONNECT_MS = 2000;
    private static final int MOST_PORT = 65_535;

    private final Socket socket;

    private NetworkLine(Socket socket) {
        this.socket = socket;
    }

    /**
     * Calls.
     *
     * @param typed host and port
     */
    static Line call(String typed, int usualPort) throws InstrumentFault {
        int colon = typed.lastIndexOf(':');
        String host = colon < 0 ? typed : typed.substring(0, colon);
        int port = colon < 0 ? usualPort : port(typed, typed.substring(colon + 1));
        if (host.isBlank() || host.chars().anyMatch(Character::isWhitespace)) {
            throw new InstrumentFault(
                    "“" + typed
                            + "” is no address. Write host and port, as in 192.168.1.20:5025, or a serial port and its"
                            + " speed, as in /dev/ttyUSB0 9600.",
                    true);
        }
        Socket socket = new Socket();
        try {
            socket.connect(new InetSocketAddress(host, port), CONNECT_MS);
            socket.setTcpNoDelay(true);
            return new NetworkLine(socket);
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

    @Override
    public void send(byte[] letters) throws IOException {
        socket.getOutputStream().write(letters);
    }

    @Override
    public int next(int withinMs) throws IOException {
        socket.setSoTimeout(withinMs);
        try {
            return socket.getInputStream().read();
        } catch (SocketTimeoutException e) {
            return NOTHING;
        }
    }

    @Override
    public void forget() throws IOException {
        InputStream in = socket.getInputStream();
        int late = in.available();
        while (late > 0 && in.skip(late) > 0) {
            late = in.available();
        }
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
