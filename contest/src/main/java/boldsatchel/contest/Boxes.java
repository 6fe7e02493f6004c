package boldsatchel.contest;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;

/**
 * Boxes that are known to go into a room: it was cut into them, then they were made smaller by whole millimetres until they fill a share of it.
 *
 * @param sizes of each, mm
 */
record Boxes(List<int[]> sizes) {

    /** Size of the room, mm. */
    static final int[] ROOM = {240, 150, 60};

    private static final int LEAST = 4;
    private static final double LEAST_SHARE = 0.25;

    /**
     * Cuts the room.
     *
     * @param seed of all chance
     * @param count of boxes
     * @param fill share of the room
     * @param straight whether each cut goes through a whole box; else five boxes are laid round like the sails of a mill first, which no such cut can make
     */
    static Boxes cut(long seed, int count, double fill, boolean straight) {
        Random random = new Random(seed);
        List<int[]> boxes = new ArrayList<>();
        if (straight) {
            boxes.add(ROOM.clone());
        } else {
            int a = share(random, ROOM[0]);
            int b = share(random, ROOM[1]);
            int width = ROOM[0] - 2 * a;
            int depth = ROOM[1] - 2 * b;
            int z = ROOM[2];
            boxes.add(new int[] {a + width, b, z});
            boxes.add(new int[] {a, b + depth, z});
            boxes.add(new int[] {a + width, b, z});
            boxes.add(new int[] {a, b + depth, z});
            boxes.add(new int[] {width, depth, z});
        }
        while (boxes.size() < count) {
            boxes.sort(Comparator.comparingLong(b -> -volume(b)));
            int[] box = boxes.get(random.nextInt(Math.min(3, boxes.size())));
            int axis = random.nextInt(3);
            int at = (int) Math.rint(box[axis] * (LEAST_SHARE + (1 - 2 * LEAST_SHARE) * random.nextDouble()));
            if (at >= LEAST && box[axis] - at >= LEAST) {
                int[] rest = box.clone();
                rest[axis] = box[axis] - at;
                box[axis] = at;
                boxes.add(rest);
            }
        }
        double most = fill * volume(ROOM);
        while (boxes.stream().mapToLong(Boxes::volume).sum() > most) {
            int[] box = boxes.get(random.nextInt(count));
            int axis = random.nextInt(3);
            box[axis] = Math.max(LEAST, box[axis] - 1);
        }
        return new Boxes(boxes);
    }

    private static int share(Random random, int of) {
        return (int) Math.rint(of * (LEAST_SHARE + 0.2 * random.nextDouble()));
    }

    private static long volume(int[] box) {
        return (long) box[0] * box[1] * box[2];
    }
}
