package boldsatchel.assembly;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Takes trays of boxes apart by moving them a millimetre at a time and looking at each place whether anything is in one place: knows nothing
 * of swept rooms. All sizes and places are whole millimetres. Everything is looked at as the first tray lies; what was taken off it lies
 * elsewhere.
 */
final class ByHand {

    private static final double IN_MM = 0.01;
    private static final int FAR = 120;

    private final Casing casing;
    private final List<Placed> parts;
    /** Cards: what carries each, and to which side it leaves it. */
    private final Map<String, Ties.Rider> riders;

    private final List<Set<String>> wired;

    ByHand(Build build, Map<String, Ties.Rider> riders, List<Set<String>> wired) {
        this.casing = build.casing();
        this.parts = Placed.all(build);
        this.riders = riders;
        this.wired = wired;
    }

    /** The name of a piece: covers and trays do not have that of a part. */
    static String name(Piece piece) {
        return piece.kind() == Piece.Kind.PART ? piece.id() : piece.kind() + " " + piece.id();
    }

    private static String cover(String tray) {
        return name(new Piece(Piece.Kind.COVER, tray));
    }

    private static String shut(Joint joint) {
        return name(new Piece(Piece.Kind.SHUT, joint.id()));
    }

    private static String hung(String tray) {
        return name(new Piece(Piece.Kind.TRAY, tray));
    }

    /** What never comes out. */
    Set<String> stuck(Set<String> from) {
        Set<String> present = new HashSet<>(from);
        boolean any = true;
        while (any) {
            any = false;
            for (String id : List.copyOf(present)) {
                if (present.contains(id) && !isShut(id) && leaves(id, present)) {
                    present.removeAll(isPart(id) ? unit(id, present, isAlone(id, present)) : Set.of(id));
                    any = true;
                }
            }
            // What is open may be in the way: as late as can be.
            any |= !any && present.removeIf(this::isShut);
        }
        return present;
    }

    Set<String> all() {
        Set<String> all = new HashSet<>();
        parts.forEach(p -> all.add(p.id()));
        casing.shells().stream().filter(s -> !s.openTop()).forEach(s -> all.add(cover(s.id())));
        for (Joint joint : casing.joints()) {
            all.add(hung(joint.carries()));
            if (!(joint.way() instanceof Joint.Held)) {
                all.add(shut(joint));
            }
        }
        return all;
    }

    private boolean isPart(String id) {
        return Placed.of(parts, id).isPresent();
    }

    private boolean isShut(String id) {
        return casing.joints().stream().anyMatch(j -> id.equals(shut(j)));
    }

    /** Whether a piece is free to leave. */
    boolean leaves(String id, Set<String> present) {
        for (Shell shell : casing.shells()) {
            if (id.equals(cover(shell.id()))) {
                Pose pose = pose(shell.id(), present);
                List<Box> cover = cover(shell).stream().map(pose::around).toList();
                return isFree(
                        cover,
                        turned(shell.id(), Face.TOP, present),
                        Vec.ZERO,
                        FAR,
                        boxes(shell.id(), present, Set.of(id)));
            }
            if (id.equals(hung(shell.id()))) {
                return comesOff(shell.id(), present);
            }
        }
        return isShut(id) || isAlone(id, present) || together(id, present);
    }

    /**
     * A tray with all that is in it: no wires hold it, it is open if it can be, and what is held has nothing of the rest in its way to one side
     * or another.
     */
    private boolean comesOff(String lid, Set<String> present) {
        Set<String> in = new HashSet<>(Set.of(cover(lid)));
        parts.stream().filter(p -> p.shell().id().equals(lid)).forEach(p -> in.add(p.id()));
        boolean wiredTo = wired.stream()
                .anyMatch(w -> present.containsAll(w) && w.stream().anyMatch(in::contains) && !in.containsAll(w));
        Joint joint = casing.carrying(lid).orElseThrow();
        if (wiredTo || !(joint.way() instanceof Joint.Held)) {
            return !wiredTo && !present.contains(shut(joint));
        }
        Set<String> rest = new HashSet<>(present);
        rest.remove(hung(lid));
        List<Box> others = boxes(casing.shells().getFirst().id(), rest, Set.of());
        Set<String> own = new HashSet<>(present);
        own.retainAll(in);
        List<Box> movers = boxes(lid, own, Set.of());
        return Face.ALL.stream().anyMatch(way -> isFree(movers, way, Vec.ZERO, FAR, others));
    }

    /** How a tray lies: open where its joint is. */
    private Pose pose(String tray, Set<String> present) {
        Posture posture = Posture.CLOSED;
        for (Joint joint : casing.joints()) {
            if (!present.contains(shut(joint))) {
                posture = posture.with(joint.id(), joint.way().most());
            }
        }
        return casing.pose(tray, posture);
    }

    private Face turned(String tray, Face face, Set<String> present) {
        Vec way = pose(tray, present).direction(Vec.on(face.axis(), face.sign()));
        return Face.ALL.stream()
                .filter(f -> f.sign() * way.along(f.axis()) > 0.5)
                .findFirst()
                .orElseThrow();
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
        String tray = tray(id);
        return !held
                && isUnscrewed(id, present)
                && isFree(
                        solid(group, present),
                        turned(tray, rides.away(), present),
                        Vec.ZERO,
                        FAR,
                        boxes(tray, present, group));
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
        if (alone) {
            return group(id, present);
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
                                List.of(pose(tray(id), present).around(head.around(head.moved(new Vec(0, 0, -1))))),
                                turned(tray(id), Face.TOP, present),
                                Vec.ZERO,
                                FAR,
                                boxes(tray(id), present, Set.of(id))));
    }

    private boolean way(Set<String> group, Set<String> present) {
        List<Box> movers = solid(group, present);
        List<Box> others = boxes(tray(group.iterator().next()), present, group);
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
        String tray = tray(group.getFirst());
        List<Box> movers = solid(Set.copyOf(group), present);
        List<Box> others = boxes(tray, present, Set.copyOf(group));
        Vec from = way.aside()
                .map(a -> pose(tray, present).direction(Vec.on(a.to().axis(), a.to().sign() * a.mm())))
                .orElse(Vec.ZERO);
        return way.aside()
                        .map(a -> isFree(
                                movers, turned(tray, a.to(), present), Vec.ZERO, (int) Math.round(a.mm()), others))
                        .orElse(true)
                && isFree(movers, turned(tray, way.out(), present), from, FAR, others);
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

    private String tray(String part) {
        return Placed.of(parts, part).orElseThrow().shell().id();
    }

    /** What is solid of parts. */
    private List<Box> solid(Set<String> of, Set<String> present) {
        List<Box> boxes = new ArrayList<>();
        for (Placed p : parts) {
            if (of.contains(p.id())) {
                p.solids().forEach(s -> boxes.add(pose(p.shell().id(), present).around(s.bounds())));
            }
        }
        return boxes;
    }

    /** What is solid of what hangs together with a tray, without some pieces. */
    private List<Box> boxes(String from, Set<String> of, Set<String> without) {
        Set<String> there = new HashSet<>(of);
        there.removeAll(without);
        List<Box> boxes = new ArrayList<>();
        for (Shell shell : casing.shells()) {
            boolean together = shell.id().equals(from)
                    || casing.joints().stream().allMatch(j -> there.contains(hung(j.carries())));
            if (together) {
                Set<String> in = new HashSet<>(there);
                in.removeIf(p -> isPart(p) && !tray(p).equals(shell.id()));
                boxes.addAll(solid(in, of));
                solid(shell).forEach(b -> boxes.add(pose(shell.id(), of).around(b)));
                if (there.contains(cover(shell.id()))) {
                    cover(shell).forEach(b -> boxes.add(pose(shell.id(), of).around(b)));
                }
            }
        }
        return boxes;
    }

    /** Floor, walls and ribs of a tray. */
    static List<Box> solid(Shell tray) {
        Box out = tray.outside();
        double t = tray.wallMm().value();
        double h = tray.heightMm().value();
        double w = tray.widthMm().value();
        double d = tray.depthMm().value();
        List<Box> boxes = new ArrayList<>(tray.ribs());
        boxes.add(new Box(-t, -t, -t, out.dx(), out.dy(), t));
        boxes.add(new Box(-t, -t, 0, t, out.dy(), h));
        boxes.add(new Box(w, -t, 0, t, out.dy(), h));
        boxes.add(new Box(-t, -t, 0, out.dx(), t, h));
        boxes.add(new Box(-t, d, 0, out.dx(), t, h));
        return boxes;
    }

    /** The cover of a tray that has one. */
    static List<Box> cover(Shell tray) {
        double t = tray.wallMm().value();
        return tray.openTop()
                ? List.of()
                : List.of(new Box(
                        -t,
                        -t,
                        tray.heightMm().value(),
                        tray.outside().dx(),
                        tray.outside().dy(),
                        t));
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
