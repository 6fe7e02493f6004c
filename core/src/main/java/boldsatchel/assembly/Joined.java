package boldsatchel.assembly;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

/** Sets that grow together. */
final class Joined {
    private final int[] above;

    Joined(int count) {
        above = IntStream.range(0, count).toArray();
    }

    private int root(int i) {
        int at = i;
        while (above[at] != at) {
            at = above[at];
        }
        return at;
    }

    void join(int a, int b) {
        int x = root(a);
        int y = root(b);
        above[Math.max(x, y)] = Math.min(x, y);
    }

    List<List<Integer>> sets() {
        List<List<Integer>> sets = new ArrayList<>();
        for (int i = 0; i < above.length; i++) {
            if (above[i] == i) {
                List<Integer> set = new ArrayList<>();
                for (int j = i; j < above.length; j++) {
                    if (root(j) == i) {
                        set.add(j);
                    }
                }
                sets.add(set);
            }
        }
        return sets;
    }
}
