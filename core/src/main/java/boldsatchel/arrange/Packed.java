package boldsatchel.arrange;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Placement;
import boldsatchel.stow.Item;
import boldsatchel.stow.Lying;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Where each item lies in its tray: in which of its ways, and with its low corner where; some may have no place. Changed only by who made it. */
final class Packed {

    private final Frame frame;
    private final List<Item> items;
    private final int[] way;
    private final double[] @Nullable [] at;

    private Packed(Frame frame, List<Item> items, int[] way, double[] @Nullable [] at) {
        this.frame = frame;
        this.items = items;
        this.way = way;
        this.at = at;
    }

    /** As they lie in a build. */
    static Packed of(Build build, Frame frame, List<Item> items) {
        double[][] at = new double[items.size()][];
        for (int i = 0; i < items.size(); i++) {
            if (build.placement(items.get(i).ids().getFirst()).isPresent()) {
                Box bounds = items.get(i).ways().getFirst().bundle().bounds();
                at[i] = new double[] {bounds.x(), bounds.y(), bounds.z()};
            }
        }
        return new Packed(frame, items, new int[items.size()], at);
    }

    /** The same, to be changed. */
    Packed copy() {
        return new Packed(frame, items, way.clone(), at.clone());
    }

    /** The same, to be changed, in trays of other sizes. */
    Packed in(Frame other) {
        return new Packed(other, items, way.clone(), at.clone());
    }

    Frame frame() {
        return frame;
    }

    /** Of items. */
    int count() {
        return items.size();
    }

    /** How it lies, or lay last. */
    int way(int item) {
        return way[item];
    }

    Lying lying(int item) {
        return items.get(item).ways().get(way[item]);
    }

    double @Nullable [] at(int item) {
        return at[item];
    }

    /** The tray that it lies in, or lay in last. */
    Frame.Tray tray(int item) {
        return frame.trays().get(lying(item).tray());
    }

    void takeOut(int item) {
        at[item] = null;
    }

    void put(int item, int newWay, double[] newAt) {
        way[item] = newWay;
        at[item] = newAt;
    }

    /** What has no place, mm³. */
    double loose() {
        double loose = 0;
        for (int i = 0; i < items.size(); i++) {
            loose += at[i] == null ? items.get(i).volume() : 0;
        }
        return loose;
    }

    boolean isLike(Packed other) {
        return frame.isSizedLike(other.frame) && Arrays.equals(way, other.way) && Arrays.deepEquals(at, other.at);
    }

    /** The build. */
    Build built() {
        List<Placement> places = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            double[] corner = at[i];
            if (corner != null) {
                places.addAll(lying(i).bundle().at(new Vec(corner[0], corner[1], corner[2])));
            }
        }
        return frame.with(places);
    }
}
