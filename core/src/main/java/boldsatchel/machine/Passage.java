package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import java.util.Optional;

/**
 * What has to go, be pressed or be seen through the wall before a part, where that lies.
 *
 * @param wall it goes through
 * @param mouth middle of the socket's mouth, the button or the picture, in the tray's frame
 * @param behindMm of it from the outside of the wall
 * @param wideMm along the wall
 * @param highMm up the wall
 * @param round whether it is round
 */
public record Passage(Face wall, Vec mouth, double behindMm, double wideMm, double highMm, boolean round) {

    private static final double LEAST_MM = 0.1;

    /** What an opening is said to be for where it is a window. */
    public static final String PICTURE = "picture";

    /** Of a socket of a part in a tray. */
    public static Passage of(Shell shell, Part part, Port port, Placement lies) {
        Face wall = lies.orientation().turn(port.face());
        Vec mouth = lies.place(port.at(), part.body().bounds());
        Port.Room room = port.room(behind(shell, wall, mouth));
        return of(shell, port.face(), mouth, lies, room);
    }

    /** Of a button. */
    public static Passage of(Shell shell, Part part, Key key, Placement lies) {
        Vec mouth = lies.place(key.at(), part.body().bounds());
        return of(shell, key.face(), mouth, lies, new Port.Room(key.wideMm(), key.highMm(), false));
    }

    /** Of the picture of a screen; nothing of what shows none. */
    public static Optional<Passage> ofPicture(Shell shell, Part part, Placement lies) {
        return part.facet(Facet.ShowsPicture.class).map(s -> {
            Box picture = s.picture();
            Face face = face(picture, part.body().bounds());
            double wide = picture.size(Opening.across(face));
            double high = picture.size(Opening.up(face));
            Vec mouth = lies.place(picture.centre(), part.body().bounds());
            return of(shell, face, mouth, lies, new Port.Room(wide, high, false));
        });
    }

    /** Of what an opening says it is for: a socket by its id, a button by its name, or the picture. */
    public static Optional<Passage> of(Shell shell, Part part, String what, Placement lies) {
        return part.port(what)
                .map(p -> of(shell, part, p, lies))
                .or(() -> part.body().keys().stream()
                        .filter(k -> k.name().equals(what))
                        .findFirst()
                        .map(k -> of(shell, part, k, lies)))
                .or(() -> what.equals(PICTURE) ? ofPicture(shell, part, lies) : Optional.empty());
    }

    private static Passage of(Shell shell, Face face, Vec mouth, Placement lies, Port.Room room) {
        Face wall = lies.orientation().turn(face);
        // What is wide on a side of the part may stand upright in the wall that it is turned to.
        boolean swapped = lies.orientation().axis(Opening.across(face)) != Opening.across(wall);
        return new Passage(
                wall,
                mouth,
                behind(shell, wall, mouth),
                swapped ? room.highMm() : room.wideMm(),
                swapped ? room.wideMm() : room.highMm(),
                room.round());
    }

    /**
     * The room between it and the outside of the wall.
     *
     * @param lessMm left away along its rim: what is there lies beside it
     */
    public Box before(Shell shell, double lessMm) {
        int axis = wall.axis();
        Vec outside = Vec.on(axis, shell.outside().end(wall) - mouth.along(axis));
        Vec half = Vec.on(Opening.across(wall), Math.max(LEAST_MM, wideMm / 2 - lessMm))
                .plus(Vec.on(Opening.up(wall), Math.max(LEAST_MM, highMm / 2 - lessMm)));
        return Box.between(mouth.minus(half), mouth.plus(half).plus(outside));
    }

    private static double behind(Shell shell, Face wall, Vec mouth) {
        return wall.sign() * (shell.outside().end(wall) - mouth.along(wall.axis()));
    }

    /** The side that a picture is on: it is flat, and on the side that it is nearer to. */
    private static Face face(Box picture, Box body) {
        int axis = picture.dz() == 0 ? 2 : picture.dy() == 0 ? 1 : 0;
        boolean high = picture.low(axis) >= body.centre().along(axis);
        return Face.of(axis, high ? 1 : -1);
    }
}
