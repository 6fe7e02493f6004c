package boldsatchel.plausible;

import boldsatchel.machine.Section;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * The figures of a build that are worth a second look.
 *
 * @param bySection where they stand
 */
public record Oddities(Map<Section, List<Odd>> bySection) {

    /** Nothing odd. */
    public static final Oddities NONE = new Oddities(Map.of());

    /** Copies the map. */
    public Oddities {
        Map<Section, List<Odd>> copy = new EnumMap<>(Section.class);
        bySection.forEach((section, odd) -> copy.put(section, List.copyOf(odd)));
        bySection = Collections.unmodifiableMap(copy);
    }

    /** Those of a section. */
    List<Odd> in(Section section) {
        return bySection.getOrDefault(section, List.of());
    }

    /** All, in the order of the build. */
    public List<Odd> list() {
        List<Odd> all = new ArrayList<>();
        bySection.values().forEach(all::addAll);
        return all;
    }
}
