package boldsatchel.quantity;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Inputs in the order in which they were first met, so that what each does can be added up by its place. Not for several threads. */
public final class Inputs {

    private final Map<Input, Integer> places = new HashMap<>();
    private final List<Input> list = new ArrayList<>();

    /** None yet. */
    public Inputs() {}

    /** The place of an input; a new one gets the next. */
    public int place(Input input) {
        Integer known = places.putIfAbsent(input, list.size());
        if (known != null) {
            return known;
        }
        list.add(input);
        return list.size() - 1;
    }

    /** The input at a place. */
    public Input at(int place) {
        return list.get(place);
    }

    /** How many there are. */
    public int size() {
        return list.size();
    }

    /** Effects of single inputs, by place, that are met one after the other. */
    public final class Effects {
        private double[] byPlace = new double[Math.max(8, size())];

        /** None yet. */
        public Effects() {}

        /** Adds to what an input does. */
        public void add(Input input, double effect) {
            int place = place(input);
            if (place >= byPlace.length) {
                byPlace = Arrays.copyOf(byPlace, 2 * place);
            }
            byPlace[place] += effect;
        }

        /** By place; zero for those that do nothing. */
        public double[] byPlace() {
            return Arrays.copyOf(byPlace, size());
        }
    }
}
