package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Zone;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Predicate;

/**
 * Gathers who meets whom. After a move it begins with what is known of all that did not move, and only what did is looked at; what is gathered is
 * put in an order of its own, so that it is the same either way.
 */
final class Meetings {
    private static final Comparator<FitResult.Where> BY_POSTURE = Comparator.comparing(FitResult.Where::posture);

    private final Optional<Kept> before;
    private final List<FitResult.Clash> clashes;
    private final List<FitResult.Gap> gaps;
    private final List<FitResult.Intrusion> intrusions;
    private final List<FitResult.Outside> outside;
    private final List<FitResult.Stranded> stranded;
    private final List<FitResult.Mouth> mouths;
    private final List<FitResult.Covered> covered;
    private final List<FitResult.Hit> hits;
    private final List<FitResult.Below> below;

    /** Begins with nothing. */
    Meetings() {
        this(Optional.empty());
    }

    /**
     * Begins.
     *
     * @param before what is known, but for what changed
     */
    Meetings(Optional<Kept> before) {
        this.before = before;
        clashes = kept(FitResult::clashes, c -> isNew(c.a(), c.b()));
        gaps = kept(FitResult::gaps, g -> isNew(g.a(), g.b()));
        intrusions = kept(FitResult::intrusions, i -> isNew(i.owner(), i.by()));
        outside = kept(FitResult::outside, o -> isNew(o.part()));
        stranded = kept(FitResult::stranded, s -> isNew(s.part()));
        mouths = kept(FitResult::mouths, m -> isNew(m.part()));
        covered = kept(FitResult::covered, c -> isNew(c.by()));
        hits = kept(FitResult::hits, h -> isNew(h.a(), h.b()));
        below = kept(FitResult::below, b -> isNew(b.subject()));
    }

    private <T> List<T> kept(Function<FitResult, List<T>> of, Predicate<T> isNew) {
        List<T> kept = new ArrayList<>();
        for (T known : before.map(Kept::known).map(of).orElse(List.of())) {
            if (!isNew.test(known)) {
                kept.add(known);
            }
        }
        return kept;
    }

    /** Whether something has to be looked at by itself. */
    boolean isNew(String id) {
        return before.isEmpty() || before.get().about().contains(id);
    }

    /** Whether how two meet has to be looked at. */
    boolean isNew(String a, String b) {
        return before.isEmpty()
                || before.get().moved().contains(a)
                || before.get().moved().contains(b);
    }

    /** The clashes, deepest first. */
    List<FitResult.Clash> clashes() {
        clashes.sort(Comparator.comparingDouble((FitResult.Clash c) -> -c.depthMm())
                .thenComparing(FitResult.Clash::where, BY_POSTURE)
                .thenComparing(FitResult.Clash::a)
                .thenComparing(FitResult.Clash::b));
        return List.copyOf(clashes);
    }

    /** The gaps, smallest first. */
    List<FitResult.Gap> gaps() {
        gaps.sort(Comparator.comparingDouble(FitResult.Gap::gapMm)
                .thenComparing(FitResult.Gap::where, BY_POSTURE)
                .thenComparing(FitResult.Gap::a)
                .thenComparing(FitResult.Gap::b));
        return List.copyOf(gaps);
    }

    List<FitResult.Intrusion> intrusions() {
        intrusions.sort(Comparator.comparing(FitResult.Intrusion::owner)
                .thenComparing(FitResult.Intrusion::by)
                .thenComparing(FitResult.Intrusion::kind)
                .thenComparingDouble(i -> -i.depthMm()));
        return List.copyOf(intrusions);
    }

    List<FitResult.Outside> outside() {
        outside.sort(
                Comparator.comparingDouble((FitResult.Outside o) -> -o.byMm()).thenComparing(FitResult.Outside::part));
        return List.copyOf(outside);
    }

    List<FitResult.Stranded> stranded() {
        stranded.sort(Comparator.comparing(FitResult.Stranded::part));
        return List.copyOf(stranded);
    }

    List<FitResult.Mouth> mouths() {
        mouths.sort(Comparator.comparing(FitResult.Mouth::part)
                .thenComparing(m -> m.port().id()));
        return List.copyOf(mouths);
    }

    List<FitResult.Covered> covered() {
        covered.sort(Comparator.comparing(FitResult.Covered::shell)
                .thenComparing(FitResult.Covered::vent)
                .thenComparing(FitResult.Covered::by));
        return List.copyOf(covered);
    }

    List<FitResult.Hit> hits() {
        hits.sort(Comparator.comparingDouble((FitResult.Hit h) -> -h.depthMm())
                .thenComparing(FitResult.Hit::from)
                .thenComparing(FitResult.Hit::to)
                .thenComparing(FitResult.Hit::joint)
                .thenComparing(FitResult.Hit::a)
                .thenComparing(FitResult.Hit::b));
        return List.copyOf(hits);
    }

    List<FitResult.Below> below() {
        below.sort(Comparator.comparingDouble((FitResult.Below b) -> -b.byMm())
                .thenComparing(FitResult.Below::posture)
                .thenComparing(FitResult.Below::subject));
        return List.copyOf(below);
    }

    void add(FitResult.Outside found) {
        outside.add(found);
    }

    void add(FitResult.Stranded found) {
        stranded.add(found);
    }

    void add(FitResult.Mouth found) {
        mouths.add(found);
    }

    void add(FitResult.Covered found) {
        covered.add(found);
    }

    void add(FitResult.Hit found) {
        hits.add(found);
    }

    void add(FitResult.Below found) {
        below.add(found);
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
     * Pairs that may meet and have to be looked at: a sweep along x over their boxes, sorted by low end, looks at neighbours only; what is apart along y or z is passed
     * over. n·log n for parts that lie in a row, n² for a heap.
     */
    void pairs(List<Reach> things, BiConsumer<Placed, Placed> visit) {
        if (before.isPresent()) {
            for (int i = 0; i < things.size(); i++) {
                for (int j = i + 1; j < things.size(); j++) {
                    Reach a = things.get(i);
                    Reach b = things.get(j);
                    if (isNew(a.of().id(), b.of().id()) && a.near(b, 0) && a.near(b, 1) && a.near(b, 2)) {
                        visit.accept(a.of(), b.of());
                    }
                }
            }
            return;
        }
        List<Reach> sorted = new ArrayList<>(things);
        sorted.sort(Comparator.comparingDouble(r -> r.box().x()));
        for (int i = 0; i < sorted.size(); i++) {
            Reach a = sorted.get(i);
            for (int j = i + 1; j < sorted.size() && a.near(sorted.get(j), 0); j++) {
                Reach b = sorted.get(j);
                if (a.near(b, 1) && a.near(b, 2)) {
                    // As they stand in the build, so that it does not depend on where they lie who is named first.
                    boolean turned = a.index() > b.index();
                    visit.accept(turned ? b.of() : a.of(), turned ? a.of() : b.of());
                }
            }
        }
    }

    /**
     * How far a part reaches, its free rooms included.
     *
     * @param index its place among the others
     */
    record Reach(Placed of, int index, Box box) {
        static List<Reach> all(List<Placed> parts) {
            List<Reach> all = new ArrayList<>(parts.size());
            for (Placed part : parts) {
                Box box = part.bounds();
                for (Zone zone : part.zones()) {
                    box = box.around(zone.box());
                }
                all.add(new Reach(part, all.size(), box));
            }
            return all;
        }

        boolean near(Reach other, int axis) {
            return box.gapAlong(axis, other.box) <= FitEngine.NEAR_MM;
        }
    }
}
