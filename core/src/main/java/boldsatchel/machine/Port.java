package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A socket of a part, or the plug at the end of its lead.
 *
 * @param id what links and chains know it by, unique in its body; its first name where nobody gave one
 * @param name what is written beside it
 * @param connector its kind
 * @param plug whether it is the plug rather than the socket
 * @param face of the part it opens on
 * @param at centre of its mouth in the part's frame
 * @param use what this build does with it
 * @param gives what it feeds to what is plugged in, if anything
 * @param carries its signals; empty where it carries power only, or nobody said
 * @param contacts the side that the contacts of a flat cable have to look to, where somebody said
 */
public record Port(
        @Label("id") String id,
        @Label("name") String name,
        @Label("connector") Connector connector,
        @Label("a plug, not a socket") boolean plug,
        @Label("opens on the") Face face,
        @Label("centre of its mouth") Vec at,
        @Label("use") Use use,
        @Label("gives power") Optional<Gives> gives,
        @Label("signals") List<Carried> carries,
        @Label("a flat cable's contacts look") Optional<Contacts> contacts) {

    /** A side of a flat cable as it lies in its socket, in the part's frame. */
    public enum Contacts {
        /** Upwards, or to the back where the socket opens upwards or downwards. */
        UP("up, or to the back", 1),
        /** Downwards, or to the front. */
        DOWN("down, or to the front", -1);

        private final String words;
        private final int sign;

        Contacts(String words, int sign) {
            this.words = words;
            this.sign = sign;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }
    }

    /** The side of the part that contacts look to in a socket which opens on a side. */
    public Optional<Face> contactSide() {
        return contacts.map(c -> Face.of(Opening.up(face), c.sign));
    }

    /** Copies the list. */
    public Port {
        carries = List.copyOf(carries);
    }

    /**
     * What a socket feeds to what is plugged in.
     *
     * @param rail name of the rail of its part that it hangs on, see {@link Facet.FeedsOthers}; what its part is fed with when there is
     *     none of that name
     * @param amps the most it gives by itself
     * @param ohms of its switch, traces and contacts
     */
    public record Gives(
            @Label("from the rail") String rail,

            @Label(value = "at most", in = Quantity.CURRENT, absent = 0.9)
            double amps,

            @Label(value = "resistance", in = Quantity.RESISTANCE, absent = 0.05, usualMost = 0.5)
            Figure ohms) {}

    /** A socket of which nobody said where its contacts are. */
    public Port(
            String id,
            String name,
            Connector connector,
            boolean plug,
            Face face,
            Vec at,
            Use use,
            Optional<Gives> gives,
            List<Carried> carries) {
        this(id, name, connector, plug, face, at, use, gives, carries, Optional.empty());
    }

    /** A socket of which nobody said what it carries. */
    public Port(String name, Connector connector, Face face, Vec at, Use use, Optional<Gives> gives) {
        this("", name, connector, false, face, at, use, gives, List.of());
    }

    /** The same; it gives no power either. */
    public Port(String name, Connector connector, Face face, Vec at, Use use) {
        this(name, connector, face, at, use, Optional.empty());
    }

    /** The same sockets, each with an id of its own: those that have none are known by their names. */
    static List<Port> identified(List<Port> ports) {
        Set<String> taken = new HashSet<>();
        List<Port> all = new ArrayList<>(ports.size());
        for (Port port : ports) {
            String wish = port.id.isBlank() ? port.words() : port.id;
            String id = wish;
            for (int n = 2; !taken.add(id); n++) {
                id = wish + " " + n;
            }
            all.add(id.equals(port.id) ? port : port.with(id, port.at, port.use));
        }
        return all;
    }

    private Port with(String newId, Vec newAt, Use newUse) {
        return new Port(newId, name, connector, plug, face, newAt, newUse, gives, carries, contacts);
    }

    /** Whether it gives a signal of one of these kinds. */
    public boolean gives(Set<Signal.Kind> kinds) {
        for (Carried c : carries) {
            if (c.given() && kinds.contains(c.signal().kind())) {
                return true;
            }
        }
        return false;
    }

    /** Whether it takes something for a duty. */
    public boolean takes(String duty) {
        for (Carried c : carries) {
            if (c.takenFor(duty)) {
                return true;
            }
        }
        return false;
    }

    /** What people call it: its name, or its kind where it has none. */
    public String words() {
        return name.isBlank() ? connector.words() : name;
    }

    /** Whether it fits into another one: a plug into a socket of its kind, single wires into whatever takes single wires. */
    public boolean mates(Port other) {
        return plug != other.plug && connector.mates(other.connector);
    }

    /** What a build does with a socket. */
    public enum Use {
        /** Nothing is plugged in. */
        UNUSED("unused"),
        /** A cable inside the case, straight plug. */
        INSIDE_STRAIGHT("straight plug inside"),
        /** A cable inside the case, right-angle plug. */
        INSIDE_ANGLED("right-angle plug inside"),
        /** Reached through an opening in the wall. */
        OUTSIDE("through the wall");

        private final String words;

        Use(String words) {
            this.words = words;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }
    }

    /** The same socket used differently. */
    public Port withUse(Use newUse) {
        return with(id, at, newUse);
    }

    /** The same socket elsewhere. */
    public Port at(Vec newAt) {
        return with(id, newAt, use);
    }

    /**
     * What has to go through a wall before a socket.
     *
     * @param wideMm along its wider side
     * @param highMm along its other side
     */
    public record Room(double wideMm, double highMm, boolean round) {}

    /** A socket this far behind the outside of a wall still takes a plug whose handle stays outside, mm. */
    public static final double FLUSH_MM = 1;

    /** What has to go through the wall when something is plugged in: the metal of the plug, or its handle too where the socket lies deep. */
    public Room room(double behindMm) {
        return behindMm <= FLUSH_MM
                ? new Room(connector.mouthWidthMm(), connector.mouthHeightMm(), connector.isRound())
                : new Room(
                        Math.max(connector.plugWidthMm(), connector.mouthWidthMm()),
                        Math.max(connector.plugHeightMm(), connector.mouthHeightMm()),
                        connector.isRound() && connector.plugWidthMm() == connector.plugHeightMm());
    }

    /** The room a plug takes in front of the socket, in the part's frame; flat when none is needed. */
    public Box plugRoom() {
        double room = connector.roomMm(use);
        double w = connector.plugWidthMm();
        double h = connector.plugHeightMm();
        double[] low = {at.x(), at.y(), at.z()};
        double[] size = {w, w, w};
        size[2] = h;
        if (face.axis() == 2) {
            size[1] = h;
        }
        for (int axis = 0; axis < 3; axis++) {
            if (axis == face.axis()) {
                size[axis] = room;
                low[axis] -= face.sign() < 0 ? room : 0;
            } else {
                low[axis] -= size[axis] / 2;
            }
        }
        return new Box(low[0], low[1], low[2], size[0], size[1], size[2]);
    }
}
