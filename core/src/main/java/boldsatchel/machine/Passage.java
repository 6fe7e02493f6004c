package boldsatchel.machine;

import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;

/**
 * What has to go through the wall before a socket of a part, where that lies.
 *
 * @param wall it goes through
 * @param mouth middle of the socket's mouth in the tray's frame
 * @param behindMm of the mouth from the outside of the wall
 * @param wideMm along the wall
 * @param highMm up the wall
 * @param round whether it is round
 */
public record Passage(Face wall, Vec mouth, double behindMm, double wideMm, double highMm, boolean round) {

    /** Of a socket of a part in a tray. */
    public static Passage of(Shell shell, Part part, Port port, Placement lies) {
        Face wall = lies.orientation().turn(port.face());
        Vec mouth = lies.place(port.at(), part.body().bounds());
        double behind = wall.sign() * (shell.outside().end(wall) - mouth.along(wall.axis()));
        Port.Room room = port.room(behind);
        // What is wide on a side of the part may stand upright in the wall that it is turned to.
        boolean swapped = lies.orientation().axis(Opening.across(port.face())) != Opening.across(wall);
        return new Passage(
                wall,
                mouth,
                behind,
                swapped ? room.highMm() : room.wideMm(),
                swapped ? room.wideMm() : room.highMm(),
                room.round());
    }
}
