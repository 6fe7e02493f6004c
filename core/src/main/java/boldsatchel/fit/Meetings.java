package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Zone;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.function.BiConsumer;

/** Gathers who meets whom. */
final class Meetings {
    private final List<FitResult.Clash> clashes = new ArrayList<>();
    private final List<FitResult.Gap> gaps = new ArrayList<>();
    private final List<FitResult.Intrusion> intrusions = new ArrayList<>();

    List<FitResult.Clash> clashes() {
        return clashes;
    }

    /** The gaps, smallest first. */
    List<FitResult.Gap> gaps() {
        gaps.sort(Comparator.comparingDouble(FitResult.Gap::gapMm));
        return gaps;
    }

    List<FitResult.Intrusion> intrusions() {
        return intrusions;
    }

    void gap(String a, String b, FitResult.Where where, double mm) {
        gaps.add(new FitResult.Gap(a, b, where, mm));
    }

    /**
     * Two solids at a distance.
     *
     * @param frame id of the shell whose frame the box is in
     * @param mayTouch whether the space between them is no news
     */
    void record(String a, String b, FitResult.Where where, String frame, double distance, Box at, boolean mayTouch) {
        if (distance < -FitEngine.CONTACT_MM) {
            clashes.add(new FitResult.Clash(a, b, where, frame, at, -distance));
        } else if (!mayTouch && distance < FitEngine.NEAR_MM) {
            gaps.add(new FitResult.Gap(a, b, where, Math.max(0, distance)));
        }
    }

    void intrusion(String owner, String by, Zone.Kind kind, double depth) {
        if (depth > FitEngine.CONTACT_MM) {
            intrusions.add(new FitResult.Intrusion(owner, by, kind, depth));
        }
    }

    /** What of one part is in the free rooms of another, in one frame that is square to both. */
    void intrude(Placed owner, Placed by, Set<Zone.Kind> kinds) {
        if (owner.mayTouch(by)) {
            return;
        }
        for (Zone zone : owner.zones()) {
            for (Solid solid : kinds.contains(zone.kind()) ? by.solids() : List.<Solid>of()) {
                intrusion(owner.id(), by.id(), zone.kind(), -zone.box().signedDistance(solid));
            }
        }
    }

    /**
     * Pairs that may meet: a sweep along x over their boxes, sorted by low end, looks at neighbours only; what is apart along y or z is passed
     * over. n·log n for parts that lie in a row, n² for a heap.
     */
    static <T> void pairs(List<Reach<T>> things, BiConsumer<T, T> visit) {
        List<Reach<T>> sorted = new ArrayList<>(things);
        sorted.sort(Comparator.comparingDouble(r -> r.box().x()));
        for (int i = 0; i < sorted.size(); i++) {
            Reach<T> a = sorted.get(i);
            for (int j = i + 1; j < sorted.size() && a.near(sorted.get(j), 0); j++) {
                Reach<T> b = sorted.get(j);
                if (a.near(b, 1) && a.near(b, 2)) {
                    visit.accept(a.of(), b.of());
                }
            }
        }
    }

    /** How far something reaches, its free rooms included. */
    record Reach<T>(T of, Box box) {
        static Reach<Placed> of(Placed part) {
            Box box = part.bounds();
            for (Zone zone : part.zones()) {
                box = box.around(zone.box());
            }
            return new Reach<>(part, box);
        }

        boolean near(Reach<?> other, int axis) {
            return box.gapAlong(axis, other.box) <= FitEngine.NEAR_MM;
        }
    }
}
