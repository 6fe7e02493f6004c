package boldsatchel.standins;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** The instruments of a bench, each at a port of its own, on loopback only. */
public final class BenchServer implements AutoCloseable {

    /** Longer lines are no commands, bytes. */
    private static final int LONGEST_LINE = 4096;

    private final StandInBench bench;
    private final List<Listening> listening = new ArrayList<>();
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();

    /**
     * An instrument and where it listens.
     *
     * @param name of the instrument
     * @param address as typed where an instrument is looked for: host and port
     */
    public record Address(String name, String address) {}

    private record Listening(Instrument instrument, ServerSocket socket) {}

    /**
     * Starts listening.
     *
     * @param firstPort of the first instrument, the others follow; 0 for whichever are free
     * @throws IOException where a port is taken
     */
    public BenchServer(StandInBench bench, int firstPort) throws IOException {
        this.bench = bench;
        int port = firstPort;
        try {
            for (Instrument instrument : bench.instruments()) {
                ServerSocket socket = new ServerSocket();
                listening.add(new Listening(instrument, socket));
                socket.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
                port += firstPort == 0 ? 0 : 1;
                Thread.ofVirtual().name(instrument.name()).start(() -> accept(instrument, socket));
            }
        } catch (IOException e) {
            close();
            throw e;
        }
    }

    /** Where each instrument is. */
    public List<Address> addresses() {
        return listening.stream()
                .map(l -> new Address(
                        l.instrument().name(), "127.0.0.1:" + l.socket().getLocalPort()))
                .toList();
    }

    private void accept(Instrument instrument, ServerSocket socket) {
        while (!socket.isClosed()) {
            try {
                Socket line = socket.accept();
                open.add(line);
                Thread.ofVirtual().start(() -> talk(instrument, line));
            } catch (IOException e) {
                // Closed while it waited, or who called has hung up already.
                open.removeIf(Socket::isClosed);
            }
        }
    }

    private void talk(Instrument instrument, Socket line) {
        try (line) {
            InputStream in = new BufferedInputStream(line.getInputStream());
            OutputStream out = line.getOutputStream();
            Optional<String> said = read(in);
            while (said.isPresent()) {
                String command = said.get();
                Optional<String> answer;
                synchronized (bench) {
                    answer = instrument.line(command);
                }
                if (answer.isPresent()) {
                    out.write((answer.get() + "\n").getBytes(StandardCharsets.US_ASCII));
                    out.flush();
                }
                said = read(in);
            }
        } catch (IOException e) {
            // Who asked has gone: there is nobody to tell.
            open.remove(line);
        }
        open.remove(line);
    }

    /** A line without its end; nothing at the end of all lines. */
    private static Optional<String> read(InputStream in) throws IOException {
        StringBuilder line = new StringBuilder();
        int c = in.read();
        while (c >= 0 && c != '\n') {
            if (c != '\r' && line.length() < LONGEST_LINE) {
                line.append((char) c);
            }
            c = in.read();
        }
        return c < 0 ? Optional.empty() : Optional.of(line.toString());
    }

    /** Pulls all cables, as somebody who trips over one does; who asks again is heard again. */
    public void cut() {
        open.forEach(BenchServer::shut);
        open.clear();
    }

    private static void shut(AutoCloseable socket) {
        try {
            socket.close();
        } catch (Exception e) {
            throw new IllegalStateException("a socket cannot be closed", e);
        }
    }

    @Override
    public void close() {
        listening.forEach(l -> shut(l.socket()));
        cut();
    }
}
