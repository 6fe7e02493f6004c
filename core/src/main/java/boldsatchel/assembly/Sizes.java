package boldsatchel.assembly;

import boldsatchel.fit.Placed;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Screw;
import boldsatchel.machine.ScrewThread;
import boldsatchel.machine.Shell;
import boldsatchel.made.Cutout;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Which drills, taps and bits a step wants. */
final class Sizes {

    /** Wider holes are cut with a step drill or a hole saw, mm. */
    private static final double WIDEST_DRILL_MM = 13;
    /** Where a square hole is begun, mm. */
    private static final double CORNER_DRILL_MM = 4;

    private Sizes() {}

    /** Drills for what is cut in a box. */
    static List<String> drills(List<Cutout> holes) {
        Set<Double> drills = new TreeSet<>();
        Set<Double> saws = new TreeSet<>();
        for (Cutout hole : holes) {
            if (hole.round()) {
                (hole.wideMm() <= WIDEST_DRILL_MM ? drills : saws).add(hole.wideMm());
            } else {
                drills.add(Math.min(CORNER_DRILL_MM, Math.min(hole.wideMm(), hole.highMm())));
            }
        }
        List<String> words = new ArrayList<>();
        if (!drills.isEmpty()) {
            words.add("drills of " + mm(drills));
        }
        if (!saws.isEmpty()) {
            words.add("step drill or hole saw of " + mm(saws));
        }
        return words;
    }

    private static String mm(Set<Double> sizes) {
        return sizes.stream().map(s -> Units.format(s, 1, "")).collect(Collectors.joining(", ")) + " mm";
    }

    /** Drill and tap for each thread of a tray's bosses. */
    static List<String> taps(Shell tray) {
        return tray.bosses().stream()
                .map(Boss::thread)
                .distinct()
                .sorted()
                .map(t -> "for " + t.words() + ": drill of " + Units.format(t.tapMm(), 2, "mm") + " and tap")
                .toList();
    }

    /** Bits for the screws that hold a part: those that were chosen, or else the ones its holes are for. */
    static Set<String> bits(Placed part) {
        Set<String> bits = new TreeSet<>();
        part.placement()
                .fixing()
                .filter(f -> f.by() == Fixing.By.SCREWS)
                .ifPresent(f -> f.screw()
                        .map(Screw::thread)
                        .ifPresentOrElse(
                                t -> bits.add(bit(t)),
                                () -> part.part().body().holes().stream()
                                        .map(Hole::thread)
                                        .forEach(t -> bits.add(bit(t)))));
        return bits;
    }

    /** Cross recess of pan heads by thread (ISO 7045). */
    private static String bit(ScrewThread thread) {
        return "bit PH " + (thread.diameterMm() <= 3 ? 1 : 2) + " for " + thread.words();
    }
}
