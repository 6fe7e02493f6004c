package boldsatchel.desktop.pack;

import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackDrawings.Picture;
import boldsatchel.drawing.Room;
import boldsatchel.geometry.Flat;
import java.util.List;

/**
 * How two pictures share a frame.
 *
 * @param beside whether they are side by side, or one below the other
 * @param share of the frame that the first takes, 0 to 1
 */
record Split(boolean beside, double share) {

    static final Split USUAL = new Split(false, 0.55);

    private static final double LEAST_SHARE = 0.3;
    private static final double STEP = 0.02;

    /** So much larger the pictures have to come out before a frame that is looked at is divided anew. */
    private static final double WORTH_A_SHIFT = 1.03;

    private static final double WORTH_A_TURN = 1.15;
    private static final double WORTH_OF_ROOM = 0.2;

    /**
     * The split that leaves both pictures large, what is written beside them counted; this one, where another is hardly better.
     *
     * @param first picture
     * @param second picture
     * @param inLine whether they are drawn to one scale where one is below the other
     * @param width of the frame, pixels
     * @param height of the frame, pixels
     */
    Split fitting(Picture first, Picture second, boolean inLine, double width, double height) {
        Split best = this;
        double most = size(first, second, inLine, width, height);
        for (boolean side : new boolean[] {beside, !beside}) {
            for (double at = LEAST_SHARE; at < 1 - LEAST_SHARE + STEP / 2; at += STEP) {
                Split other = new Split(side, at);
                double worth = best.beside != side ? WORTH_A_TURN : best.equals(this) ? WORTH_A_SHIFT : 1;
                double size = other.size(first, second, inLine, width, height);
                if (size > most * worth) {
                    best = other;
                    most = size;
                }
            }
        }
        return best;
    }

    /**
     * Pixels that a millimetre takes: where the two differ, as many as leave the mean of what a pixel covers. Where neither gets larger, room that is
     * left is worth something if both have of it: names go there.
     */
    private double size(Picture first, Picture second, boolean inLine, double width, double height) {
        List<Room> rooms = PackDrawings.rooms(
                first, room(share, width, height), second, room(1 - share, width, height), inLine && !beside);
        Room one = rooms.getFirst();
        Room other = rooms.getLast();
        double size = 2 / (1 / first.scale(one) + 1 / second.scale(other));
        return size * (1 + WORTH_OF_ROOM * Math.min(left(first, one), left(second, other)));
    }

    /** Share of a room that a picture leaves in the way that it is shared. */
    private double left(Picture picture, Room room) {
        Flat sheet = picture.sheet(room);
        double taken = beside ? sheet.across() / room.width() : sheet.up() / room.height();
        return Math.max(0, 1 - taken);
    }

    private Room room(double part, double width, double height) {
        return beside ? Room.window(width * part, height) : Room.window(width, height * part);
    }
}
