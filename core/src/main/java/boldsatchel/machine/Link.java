package boldsatchel.machine;

import boldsatchel.quantity.Label;
import java.util.List;
import java.util.stream.Stream;

/**
 * Two sockets that are plugged into one another: a card in its slot, or the end of a cable in a socket. A cable is a part; what it joins
 * are the sockets that its ends are plugged into.
 *
 * @param id unique among the links
 * @param one of them
 * @param other of them
 */
public record Link(
        @Label(value = "id", needed = true) String id,
        @Label("from") End one,
        @Label("to") End other) {

    /**
     * A socket of a part.
     *
     * @param part its id
     * @param port id of the socket
     * @param pins those it is given on a header; empty where the program chooses
     */
    public record End(
            @Label(value = "part", needed = true) String part,
            @Label(value = "socket", needed = true) String port,
            @Label("pins") List<Integer> pins) {
        /** Copies the list. */
        public End {
            pins = List.copyOf(pins);
        }

        /** A socket whose pins the program chooses. */
        public static End of(String part, String port) {
            return new End(part, port, List.of());
        }

        /** The same socket, its pins left to the program. */
        public End unpinned() {
            return pins.isEmpty() ? this : of(part, port);
        }

        /** Whether it is that socket. */
        public boolean is(String otherPart, String otherPort) {
            return part.equals(otherPart) && port.equals(otherPort);
        }
    }

    /** Both ends. */
    public Stream<End> ends() {
        return Stream.of(one, other);
    }

    /** Whether an end is a socket of that part. */
    public boolean touches(String part) {
        return one.part().equals(part) || other.part().equals(part);
    }

    /** The end across from a socket; the second one when both are that socket. */
    public End across(String part, String port) {
        return one.is(part, port) ? other : one;
    }
}
