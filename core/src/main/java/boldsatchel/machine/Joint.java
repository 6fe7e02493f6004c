package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * Joins a tray to another one. Closed, one point of the tray that is carried lies on one point of the other, and it is turned squarely; from
 * there a hinge turns it about an axis, a slide moves it along a way, and what is screwed, latched or held by magnets stays.
 *
 * @param id unique in the case
 * @param name for people
 * @param on id of the tray it is fixed to
 * @param carries id of the tray that moves
 * @param at a point of the joint in the frame of the tray it is fixed to: of a hinge, on its axis
 * @param mark the same point in the frame of the tray that is carried
 * @param turned how the carried tray is turned when closed
 * @param way what it lets the tray do
 */
public record Joint(
        @Label(value = "id", needed = true) String id,
        @Label("name") String name,
        @Label(value = "fixed to", needed = true) String on,
        @Label(value = "carries", needed = true) String carries,
        @Label("point on the one") Vec at,
        @Label("the same on the other") Vec mark,
        @Label("closed it is turned") Orientation turned,
        @Label(value = "what it does", needed = true) Way way) {

    private static final double AXIS_MM = 4;
    private static final double OPENS_DEG = 135;
    private static final Vec LID_AXIS = new Vec(-1, 0, 0);
    private static final Vec DRAWER_WAY = new Vec(0, -1, 0);
    private static final Orientation FACE_DOWN = new Orientation(Face.BOTTOM, 0);

    /** What a joint lets a tray do. */
    public sealed interface Way permits Hinged, Sliding, Held {

        /** As shown in a choice. */
        String words();

        /** How far it goes from closed, in degrees or mm; zero for what stays. */
        double most();

        /** What it does to the carried tray at an amount, in the frame of the tray it is fixed to. */
        Pose move(Vec at, double amount);
    }

    /**
     * Turns about an axis.
     *
     * @param axis its direction in the frame of the tray it is fixed to, of any length; it opens as the fingers of a right hand point that
     *     has its thumb along it
     * @param opensDeg where it stops
     * @param frictionNm torque that it holds by itself, of all its leaves together
     * @param detents where it stays by more than that
     */
    public record Hinged(
            @Label("axis") Vec axis,

            @Label(value = "opens to", in = Quantity.ANGLE, absent = 135, least = 0, most = 360)
            double opensDeg,

            @Label(value = "friction torque", in = Quantity.TORQUE, absent = 0.5, usualMost = 10)
            Figure frictionNm,

            @Label("detents") List<Detent> detents)
            implements Way {

        /** An axis without a direction is that of a lid at the back. */
        public Hinged {
            axis = axis.length() > 0 ? axis : LID_AXIS;
            detents = List.copyOf(detents);
        }

        @Override
        public String words() {
            return "hinge";
        }

        @Override
        public double most() {
            return opensDeg;
        }

        @Override
        public Pose move(Vec at, double amount) {
            return Pose.about(at, axis, amount);
        }
    }

    /**
     * A place where a hinge stays.
     *
     * @param atDeg from closed
     * @param holdsNm torque that takes it out of there
     */
    public record Detent(
            @Label(value = "stays at", in = Quantity.ANGLE, absent = 90, least = 0, most = 360)
            double atDeg,

            @Label(value = "held by", in = Quantity.TORQUE, absent = 1, least = 0)
            double holdsNm) {}

    /**
     * Moves along a line.
     *
     * @param way its direction in the frame of the tray it is fixed to, of any length
     * @param travelMm how far
     * @param frictionN force that it holds by itself
     */
    public record Sliding(
            @Label("way") Vec way,

            @Label(value = "comes out by", in = Quantity.LENGTH, absent = 50, least = 0, most = 2000)
            double travelMm,

            @Label(value = "friction", in = Quantity.FORCE, absent = 3, least = 0)
            Figure frictionN)
            implements Way {

        /** A way without a direction is that of a drawer: to the front. */
        public Sliding {
            way = way.length() > 0 ? way : DRAWER_WAY;
        }

        @Override
        public String words() {
            return "slide";
        }

        @Override
        public double most() {
            return travelMm;
        }

        @Override
        public Pose move(Vec at, double amount) {
            return Pose.moved(way.times(amount / way.length()));
        }
    }

    /**
     * Stays where it is.
     *
     * @param by what holds it
     * @param count how many
     * @param magnet each of them, where it is held by magnets and somebody said it
     * @param screw each of them, where it is held by screws and they were chosen
     */
    public record Held(
            @Label(value = "held by") By by,

            @Label(value = "how many", absent = 4, least = 0)
            int count,

            @Label("each magnet") Optional<Magnet> magnet,
            @Label("each screw") Optional<Screw> screw)
            implements Way {

        /** By what needs no more words. */
        public Held(By by, int count) {
            this(by, count, Optional.empty(), Optional.empty());
        }

        /** By such magnets. */
        public static Held magnets(int count, Magnet magnet) {
            return new Held(By.MAGNETS, count, Optional.of(magnet), Optional.empty());
        }

        /** By such screws. */
        public static Held screws(int count, Screw screw) {
            return new Held(By.SCREWS, count, Optional.empty(), Optional.of(screw));
        }

        /** What holds a tray to another. */
        public enum By {
            /** Screws. */
            SCREWS("screws"),
            /** Magnets. */
            MAGNETS("magnets"),
            /** Latches. */
            LATCHES("latches"),
            /** Glue: not to be opened again. */
            GLUE("glue");

            private final String words;

            By(String words) {
                this.words = words;
            }

            /** As shown in a choice. */
            public String words() {
                return words;
            }
        }

        @Override
        public String words() {
            return by.words();
        }

        @Override
        public double most() {
            return 0;
        }

        @Override
        public Pose move(Vec at, double amount) {
            return Pose.NONE;
        }
    }

    /** A usual hinge along the back of a base, for a lid that closes its open top; its friction is a guess. */
    public static Joint lidAtBack(String baseId, Box base, String lidId, Box lid) {
        return lid(
                baseId,
                lidId,
                new Vec(0, base.dy() + AXIS_MM, base.dz()),
                new Vec(0, -AXIS_MM, lid.dz()),
                OPENS_DEG,
                Figure.guess(1));
    }

    /**
     * A lid that lies face down on a base and opens to the back, about an axis from left to right.
     *
     * @param at a point of the axis in the base's frame
     * @param mark the same point in the lid's frame
     */
    public static Joint lid(String baseId, String lidId, Vec at, Vec mark, double opensDeg, Figure frictionNm) {
        return new Joint(
                "hinge",
                "Hinge",
                baseId,
                lidId,
                at,
                mark,
                FACE_DOWN,
                new Hinged(LID_AXIS, opensDeg, frictionNm, List.of()));
    }

    /** Its hinge, if it is one. */
    public Optional<Hinged> hinge() {
        return way instanceof Hinged h ? Optional.of(h) : Optional.empty();
    }

    /** Whether the carried tray lies face to face with the one it is fixed to when closed. */
    public boolean facesDown() {
        return turned.turn(Face.TOP) == Face.BOTTOM;
    }

    /** How the carried tray's frame lies in that of the tray it is fixed to. */
    public Pose pose(double amount) {
        return closed().within(way.move(at, amount));
    }

    /** The same when closed: square. */
    public Pose closed() {
        return Pose.square(turned, at.minus(turned.turn(mark)));
    }

    /** The same with its point elsewhere on both. */
    Joint at(Vec newAt, Vec newMark) {
        return new Joint(id, name, on, carries, newAt, newMark, turned, way);
    }

    /** The same with another way. */
    public Joint with(Way newWay) {
        return new Joint(id, name, on, carries, at, mark, turned, newWay);
    }

    /** The same with another friction torque, if it is a hinge. */
    public Joint withFriction(Figure frictionNm) {
        return hinge().map(h -> with(new Hinged(h.axis(), h.opensDeg(), frictionNm, h.detents())))
                .orElse(this);
    }
}
