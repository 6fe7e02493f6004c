package boldsatchel.assembly;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Takes one tray of boxes apart by moving them a millimetre at a time and looking at each place whether anything is in one place: knows
 * nothing of swept rooms. All sizes and places are whole millimetres.
 */
final class ByHand {

    private static final double IN_MM = 0.01;
    private static final int FAR = 120;

    private final Shell tray;
    private final List<Placed> parts;
    /** Cards: what carries each, and to which side it leaves it. */
    private final Map<String, Ties.Rider> riders;

    private final List<Set<String>> wired;

    ByHand(Build build, Map<String, Ties.Rider> riders, List<Set<String>> wired) {
        this.tray = build.casing().shells().getFirst();
        this.parts = Placed.all(build);
        this.riders = riders;
        this.wired = wired;
    }

    /** What never comes out, the cover under its own name among it. */
    Set<String> stuck(Set<String> from) {
        Set<String> present = new HashSet<>(from);
        boolean any = true;
        while (any) {
            any = false;
            for (String id : List.copyOf(present)) {
                if (present.contains(id) && leaves(id, present)) {
                    present.removeAll(unit(id, present, isAlone(id, present)));
                    any = true;
                }
            }
        }
        return present;
    }

    Set<String> all() {
        Set<String> all = new HashSet<>();
        parts.forEach(p -> all.add(p.id()));
        if (!tray.openTop()) {
            all.add(tray.id());
        }
        return all;
    }

    private boolean leaves(String id, Set<String> present) {
        if (id.equals(tray.id())) {
            return isFree(List.of(cover()), Face.TOP, Vec.ZERO, FAR, boxes(present, Set.of(id)));
        }
        return isAlone(id, present) || together(id, present);
    }

    private boolean isAlone(String id, Set<String> present) {
        Ties.Rider rides = riders.get(id);
        if (rides == null || !present.contains(parts.get(rides.host()).id())) {
            return false;
        }
        Set<String> group = group(id, present);
        boolean held = wired.stream()
                .anyMatch(w -> w.stream().anyMatch(group(id, all())::contains)
                        && !group(id, all()).containsAll(w));
        return !held
                && isUnscrewed(id, present)
                && isFree(boxes(group, Set.of()), rides.away(), Vec.ZERO, FAR, boxes(present, group));
    }

    private boolean together(String id, Set<String> present) {
        Set<String> unit = unit(id, present, false);
        List<String> hosts = unit.stream()
                .filter(p -> !riders.containsKey(p)
                        || !present.contains(parts.get(riders.get(p).host()).id()))
                .toList();
        Set<String> still = new HashSet<>(present);
        List<String> left = new ArrayList<>(hosts);
        boolean any = true;
        while (any && !left.isEmpty()) {
            any = false;
            for (String host : List.copyOf(left)) {
                Set<String> group = group(host, still);
                if ((riders.containsKey(host) || isUnscrewed(host, still)) && way(group, still)) {
                    still.removeAll(group);
                    left.remove(host);
                    any = true;
                }
            }
        }
        return left.isEmpty();
    }

    private Set<String> unit(String id, Set<String> present, boolean alone) {
        if (alone || id.equals(tray.id())) {
            return alone ? group(id, present) : Set.of(id);
        }
        Set<String> unit = new HashSet<>(Set.of(id));
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Placed p : parts) {
                Ties.Rider rides = riders.get(p.id());
                if (rides != null) {
                    String host = parts.get(rides.host()).id();
                    grew |= unit.contains(host) && unit.add(p.id());
                    grew |= unit.contains(p.id()) && unit.add(host);
                }
            }
            for (Set<String> w : wired) {
                grew |= w.stream().anyMatch(unit::contains) && unit.addAll(w);
            }
        }
        unit.retainAll(present);
        return unit;
    }

    private Set<String> group(String host, Set<String> present) {
        Set<String> group = new HashSet<>(Set.of(host));
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Placed p : parts) {
                Ties.Rider rides = riders.get(p.id());
                grew |= rides != null
                        && present.contains(p.id())
                        && group.contains(parts.get(rides.host()).id())
                        && group.add(p.id());
            }
        }
        return group;
    }

    private boolean isUnscrewed(String id, Set<String> present) {
        Placed part = Placed.of(parts, id).orElseThrow();
        boolean screwed = part.placement()
                .fixing()
                .filter(f -> f.by() == Fixing.By.SCREWS)
                .isPresent();
        return !screwed
                || Takedown.heads(part).stream()
                        .allMatch(head -> isFree(
                                List.of(head.around(head.moved(new Vec(0, 0, -1)))),
                                Face.TOP,
                                Vec.ZERO,
                                FAR,
                                boxes(present, Set.of(id))));
    }

    private boolean way(Set<String> group, Set<String> present) {
        List<Box> movers = boxes(group, Set.of());
        List<Box> others = boxes(present, group);
        for (Face out : Face.ALL) {
            if (isFree(movers, out, Vec.ZERO, FAR, others)) {
                return true;
            }
            for (Face to : Face.ALL) {
                for (int mm = 1; to.axis() != out.axis() && mm < FAR; mm++) {
                    if (!isFree(movers, to, Vec.ZERO, mm, others)) {
                        break;
                    }
                    if (isFree(movers, out, Vec.on(to.axis(), to.sign() * mm), FAR, others)) {
                        return true;
                    }
                }
            }
        }
        return false;
    }

    /** Whether a way that was said is free all along. */
    boolean isFree(List<String> group, Way way, Set<String> present) {
        List<Box> movers = boxes(Set.copyOf(group), Set.of());
        List<Box> others = boxes(present, Set.copyOf(group));
        Vec from = way.aside()
                .map(a -> Vec.on(a.to().axis(), a.to().sign() * a.mm()))
                .orElse(Vec.ZERO);
        return way.aside()
                        .map(a -> isFree(movers, a.to(), Vec.ZERO, (int) Math.round(a.mm()), others))
                        .orElse(true)
                && isFree(movers, way.out(), from, FAR, others);
    }

    private static boolean isFree(List<Box> movers, Face way, Vec from, int mm, List<Box> others) {
        for (int step = 1; step <= mm; step++) {
            Vec by = from.plus(Vec.on(way.axis(), way.sign() * step));
            for (Box mover : movers) {
                Box there = mover.moved(by);
                for (Box other : others) {
                    if (there.signedDistance(other) < -IN_MM) {
                        return false;
                    }
                }
            }
        }
        return true;
    }

    private Box cover() {
        return new Box(
                -tray.wallMm().value(),
                -tray.wallMm().value(),
                tray.heightMm().value(),
                tray.outside().dx(),
                tray.outside().dy(),
                tray.wallMm().value());
    }

    /** What is solid of some pieces and of the tray, without others. */
    private List<Box> boxes(Set<String> of, Set<String> without) {
        List<Box> boxes = new ArrayList<>();
        boolean only = without.isEmpty();
        for (Placed p : parts) {
            if (of.contains(p.id()) && !without.contains(p.id())) {
                p.solids().forEach(s -> boxes.add(s.bounds()));
            }
        }
        if (!only) {
            Box out = tray.outside();
            double t = tray.wallMm().value();
            double h = tray.heightMm().value();
            double w = tray.widthMm().value();
            double d = tray.depthMm().value();
            boxes.addAll(tray.ribs());
            boxes.add(new Box(-t, -t, -t, out.dx(), out.dy(), t));
            boxes.add(new Box(-t, -t, 0, t, out.dy(), h));
            boxes.add(new Box(w, -t, 0, t, out.dy(), h));
            boxes.add(new Box(-t, -t, 0, out.dx(), t, h));
            boxes.add(new Box(-t, d, 0, out.dx(), t, h));
            if (of.contains(tray.id()) && !without.contains(tray.id())) {
                boxes.add(cover());
            }
        }
        return boxes;
    }

    /** What is wrong with a circle: members that leave, or others that stay when a member is gone; nothing where it is one. */
    Map<String, Set<String>> notOfCircle(Set<String> set) {
        Map<String, Set<String>> wrong = new HashMap<>();
        Set<String> leave = new HashSet<>(set);
        leave.removeAll(stuck(set));
        leave.forEach(l -> wrong.put(l, Set.of()));
        for (String member : set) {
            Set<String> without = new HashSet<>(set);
            without.remove(member);
            Set<String> stay = stuck(without);
            if (!stay.isEmpty()) {
                wrong.put(member, stay);
            }
        }
        return wrong;
    }
}
