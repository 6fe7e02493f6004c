package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Something that lies somewhere on a part: the same few things can be done to each, whatever it is.
 *
 * @param kind what it is
 * @param index its place in the list of its kind
 */
public record Feature(Kind kind, int index) {

    /** What a part's body can have, each in a list of its own. */
    public enum Kind {
        /** Something solid. */
        SOLID("Solid", "solids"),
        /** A room to be kept free. */
        ROOM("Free room", "zones"),
        /** A socket. */
        SOCKET("Socket", "ports"),
        /** A mounting hole. */
        HOLE("Hole", "holes"),
        /** A button. */
        BUTTON("Button", "keys");

        private final String words;
        private final String field;

        Kind(String words, String field) {
            this.words = words;
            this.field = field;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }
    }

    private static final String MARK = "feature-";

    /** What it is told by in a drawing. */
    public String id() {
        return MARK + kind.field + "-" + index;
    }

    /** The feature of an id, if it is one. */
    public static Optional<Feature> of(String id) {
        for (Kind kind : Kind.values()) {
            String start = MARK + kind.field + "-";
            if (id.startsWith(start)) {
                return Optional.of(new Feature(kind, Integer.parseInt(id.substring(start.length()))));
            }
        }
        return Optional.empty();
    }

    private static List<?> list(Body body, Kind kind) {
        return (List<?>) Form.of(Body.class).field(kind.field).get(body);
    }

    private static Body with(Body body, Kind kind, List<?> list) {
        return Form.of(Body.class).field(kind.field).with(body, list);
    }

    /** How many of a kind a body has. */
    public static int count(Body body, Kind kind) {
        return list(body, kind).size();
    }

    /** All that a body has. */
    public static List<Feature> all(Body body) {
        List<Feature> all = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            for (int i = 0; i < count(body, kind); i++) {
                all.add(new Feature(kind, i));
            }
        }
        return all;
    }

    /** Whether a body has it. */
    public boolean in(Body body) {
        return index < count(body, kind);
    }

    /** What it is called. */
    public String name(Body body) {
        return switch (list(body, kind).get(index)) {
            case Port p -> p.words();
            case Hole h -> "hole " + h.thread().words();
            case Key k -> k.name().isBlank() ? "button" : k.name();
            case Zone z -> z.kind().words();
            default -> "solid " + (index + 1);
        };
    }

    /** Where it is: the low corner of a box, the middle of anything else. */
    public Vec at(Body body) {
        return switch (list(body, kind).get(index)) {
            case Port p -> p.at();
            case Hole h -> h.at();
            case Key k -> k.at();
            case Zone z -> z.box().lowCorner();
            case Solid s -> s.bounds().lowCorner();
            default -> throw new IllegalStateException("a " + kind.words + " lies nowhere");
        };
    }

    /** The body with it elsewhere. */
    public Body moved(Body body, Vec to) {
        List<Object> all = new ArrayList<>(list(body, kind));
        all.set(
                index,
                switch (all.get(index)) {
                    case Port p -> p.at(to);
                    case Hole h -> h.at(to);
                    case Key k -> k.at(to);
                    case Zone z ->
                        new Zone(z.kind(), z.box().moved(to.minus(z.box().lowCorner())));
                    case Solid s -> s.moved(to.minus(s.bounds().lowCorner()));
                    default -> throw new IllegalStateException("a " + kind.words + " cannot be moved");
                });
        return with(body, kind, all);
    }

    /** The body without it. */
    public Body removed(Body body) {
        List<Object> all = new ArrayList<>(list(body, kind));
        all.remove(index);
        return with(body, kind, all);
    }

    /** A body with one more of a kind at a point of one of its faces; its sizes are usual ones, to be put right. */
    public static Body added(Body body, Kind kind, Face face, Vec at) {
        Box b = body.bounds();
        Object made = switch (kind) {
            case SOCKET ->
                new Port("", face.axis() == 2 ? Connector.PIN_HEADER : Connector.USB_C, face, at, Port.Use.UNUSED);
            case HOLE -> new Hole(ScrewThread.M2_5, false, face, at);
            case BUTTON -> new Key("", face, at, 6, 4, 0.5);
            case ROOM -> new Zone(Zone.Kind.KEEPOUT, before(face, at));
            case SOLID -> within(b, at);
        };
        List<Object> all = new ArrayList<>(list(body, kind));
        // The first solid of a body that was solid all through stands for what it was.
        if (kind == Kind.SOLID && all.isEmpty()) {
            all.add(b);
        }
        all.add(made);
        return with(body, kind, all);
    }

    private static final double ROOM_MM = 10;

    /** A room before a face. */
    private static Box before(Face face, Vec at) {
        Vec half = new Vec(ROOM_MM / 2, ROOM_MM / 2, ROOM_MM / 2);
        Box about = Box.between(at.minus(half), at.plus(half));
        return about.moved(Vec.on(face.axis(), face.sign() * ROOM_MM / 2));
    }

    /** A block about a point, a fifth of the body's size, inside its box. */
    private static Box within(Box b, Vec at) {
        double dx = b.dx() / 5;
        double dy = b.dy() / 5;
        double dz = b.dz() / 5;
        return new Box(
                Math.clamp(at.x() - dx / 2, 0, b.dx() - dx),
                Math.clamp(at.y() - dy / 2, 0, b.dy() - dy),
                Math.clamp(at.z() - dz / 2, 0, b.dz() - dz),
                dx,
                dy,
                dz);
    }

    /** A body with four holes, so far from its sides: the pattern of most boards. */
    public static Body fourHoles(Body body, ScrewThread thread, double insetMm) {
        Box b = body.bounds();
        if (!(insetMm >= 0 && 2 * insetMm < Math.min(b.dx(), b.dy()))) {
            throw new IllegalArgumentException("four holes so far from the sides leave nothing between them");
        }
        List<Object> all = new ArrayList<>(body.holes());
        for (double x : new double[] {insetMm, b.dx() - insetMm}) {
            for (double y : new double[] {insetMm, b.dy() - insetMm}) {
                all.add(new Hole(thread, false, Face.TOP, new Vec(x, y, b.dz())));
            }
        }
        return with(body, Kind.HOLE, all);
    }
}
