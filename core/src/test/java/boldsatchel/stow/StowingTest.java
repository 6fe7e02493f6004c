package boldsatchel.stow;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.geometry.Box;
import boldsatchel.machine.Cooling;
import boldsatchel.machine.Material;
import boldsatchel.machine.Shell;
import boldsatchel.stow.Stowing.Order;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.jspecify.annotations.Nullable;
import org.testng.annotations.Test;

/** The first place in an order is the one that trying every whole millimetre finds. */
public final class StowingTest {

    private static final int GAP = 1;

    private static boolean isFree(int[] at, int[] size, int[] room, List<Room> taken) {
        for (int axis = 0; axis < 3; axis++) {
            if (at[axis] < 0 || at[axis] + size[axis] > room[axis]) {
                return false;
            }
        }
        for (Room other : taken) {
            int gap = other.kind == Room.Kind.FILLED || other.kind == Room.Kind.OPEN ? 0 : GAP;
            boolean apart = false;
            for (int axis = 0; axis < 3; axis++) {
                apart |= at[axis] + size[axis] + gap <= other.low[axis] || other.high[axis] + gap <= at[axis];
            }
            if (!apart) {
                return false;
            }
        }
        return true;
    }

    private static double key(int[] at, Order order) {
        double key = 0;
        for (int axis : order.axes()) {
            key = key * 1000 + (order.fromHigh().get(axis) ? 500 - at[axis] : at[axis]);
        }
        return key;
    }

    private static boolean isAt(double @Nullable [] found, int[] at) {
        return found != null && found[0] == at[0] && found[1] == at[1] && found[2] == at[2];
    }

    @Test
    public void theFirstPlaceIsTheOneThatTryingAllFinds() {
        Random random = new Random(4);
        int none = 0;
        for (int round = 0; round < 400; round++) {
            int[] room = {12 + random.nextInt(14), 10 + random.nextInt(10), 6 + random.nextInt(8)};
            int[] size = {2 + random.nextInt(9), 2 + random.nextInt(7), 2 + random.nextInt(5)};
            Shell tray = Samples.tray("tray", room[0], room[1], room[2], exact(2), Material.PLASTIC, false);
            Stowing stowing = new Stowing(new double[] {room[0], room[1], room[2]}, GAP, 0);
            List<Room> taken = new ArrayList<>();
            for (int k = random.nextInt(7); k >= 0; k--) {
                Room one = Room.of(
                        Room.Kind.values()[random.nextInt(4)],
                        new Box(
                                random.nextInt(room[0]),
                                random.nextInt(room[1]),
                                random.nextInt(room[2]),
                                1 + random.nextInt(7),
                                1 + random.nextInt(7),
                                1 + random.nextInt(5)));
                taken.add(one);
                stowing.put(one);
            }
            List<Integer> axes = new ArrayList<>(List.of(0, 1, 2));
            Collections.shuffle(axes, random);
            Order order = new Order(axes, List.of(random.nextBoolean(), random.nextBoolean(), random.nextBoolean()));
            int[] best = null;
            for (int x = 0; x <= room[0]; x++) {
                for (int y = 0; y <= room[1]; y++) {
                    for (int z = 0; z <= room[2]; z++) {
                        int[] at = {x, y, z};
                        if (isFree(at, size, room, taken) && (best == null || key(at, order) < key(best, order))) {
                            best = at;
                        }
                    }
                }
            }
            double[] found = stowing.first(
                    new Lying(Bundle.loose(block("b", size[0], size[1], size[2]), tray), Cooling.NONE), order, false);
            boolean isSame = best == null ? found == null : isAt(found, best);
            assertThat(isSame).as("round " + round).isTrue();
            none += best == null ? 1 : 0;
        }
        assertThat(none).as("without a place").isBetween(5, 300);
    }
}
