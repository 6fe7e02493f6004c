package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.Optional;

/**
 * A socket of a part.
 *
 * @param name what is written beside it
 * @param connector its kind
 * @param face of the part it opens on
 * @param at centre of its mouth in the part's frame
 * @param use what this build does with it
 * @param gives what it feeds to what is plugged in, if anything
 */
public record Port(
        @Label("name") String name,
        @Label("connector") Connector connector,
        @Label("opens on the") Face face,
        @Label("centre of its mouth") Vec at,
        @Label("use") Use use,
        @Label("gives power") Optional<Gives> gives) {

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

    /** A socket that gives no power. */
    public Port(String name, Connector connector, Face face, Vec at, Use use) {
        this(name, connector, face, at, use, Optional.empty());
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
        return new Port(name, connector, face, at, newUse, gives);
    }

    /** The same socket elsewhere. */
    public Port at(Vec newAt) {
        return new Port(name, connector, face, newAt, use, gives);
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
