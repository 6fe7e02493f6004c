package boldsatchel.plan;

import boldsatchel.cables.CablesEngine;
import boldsatchel.cables.CablesResult;
import boldsatchel.cables.Lead;
import boldsatchel.cables.Way;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.fit.Obstacle;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Purchase;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.UnaryOperator;

/** Ways for cables, and what a builder does to them. */
public final class Layings {

    /** Lengths that cables and wires are made in, mm. */
    private static final double STEP_MM = 10;

    /** Of a wire or cable a little is left, to plug it in by, mm. */
    public static final double SPARE_MM = 15;

    private static final double THROUGH_MM = 1000;
    private static final double FOLD_MM = 10;
    private static final double TIGHT = 10;

    private Layings() {}

    /** Nobody stops it. */
    private static boolean goesOn() {
        return false;
    }

    /** Finds a way for one, whatever way it had. */
    public static Edit lay(String what) {
        return Edit.searched("lay a cable", b -> laid(b, what, Layings::goesOn));
    }

    /**
     * A build in which one is laid, whatever way it had.
     *
     * @param stop asked now and then; the build stays as it is once that is so
     */
    public static Build laid(Build build, String what, BooleanSupplier stop) {
        return stop.getAsBoolean() ? build : laid(build, CablesEngine.evaluate(build), what, stop);
    }

    /** Finds a better way for one; the one it has stays where none is better. */
    public static Edit anew(String what) {
        return Edit.searched("lay a cable anew", b -> {
            Build other = laid(b, what, Layings::goesOn);
            return b.layout()
                    .laid(what)
                    .map(now -> smoothed(b, now, Layings::goesOn))
                    .filter(now -> fault(now, what) <= fault(other, what))
                    .orElse(other);
        });
    }

    /** Finds a way for each of which nobody said it: the thickest first, so that thin ones go beside it. */
    public static Edit layAll() {
        return Edit.searched("lay the cables", b -> {
            CablesResult cables = CablesEngine.evaluate(b);
            List<Lead> leads = new ArrayList<>(cables.leads());
            leads.removeIf(l -> !cables.unlaid().contains(l.id()));
            leads.sort((x, y) -> Double.compare(y.girth().takesMm2(), x.girth().takesMm2()));
            Build laid = b;
            for (Lead lead : leads) {
                laid = laid(laid, lead.id(), Layings::goesOn);
            }
            return laid;
        });
    }

    /** Forgets how one is laid. */
    public static Edit takeUp(String what) {
        return new Edit("take up a cable", b -> b.with(b.layout().withoutCable(what)));
    }

    /** Changes how one is laid, where it is. */
    public static Edit change(String name, String what, UnaryOperator<Laid> change) {
        return new Edit(
                name,
                b -> b.layout()
                        .laid(what)
                        .map(l -> b.with(b.layout().with(change.apply(l))))
                        .orElse(b));
    }

    /** Moves a bend of one. */
    public static Edit move(String what, int bend, Vec to) {
        return change("move a bend", what, l -> bend < l.bends().size() ? l.moved(bend, to) : l);
    }

    /** Takes a bend out of one. */
    public static Edit straighten(String what, int bend) {
        return change("straighten a cable", what, l -> bend < l.bends().size() ? l.straightened(bend) : l);
    }

    /** Puts one more bend into one, in the middle of its longest leg inside a tray; none where it has no leg inside one. */
    public static Edit bend(String what) {
        return new Edit(
                "bend a cable",
                b -> CablesEngine.evaluate(b)
                        .laying(what)
                        .flatMap(l -> bend(b, l.way()))
                        .map(l -> with(b, l))
                        .orElse(b));
    }

    private static Optional<Laid> bend(Build build, Way way) {
        int longest = -1;
        for (int leg = 0; leg + 1 < way.knots().size(); leg++) {
            if (way.isInside(leg) && !way.isPlug(leg) && (longest < 0 || way.legMm(leg) > way.legMm(longest))) {
                longest = leg;
            }
        }
        if (longest < 0) {
            return Optional.empty();
        }
        Way.Knot from = way.knots().get(longest);
        Vec middle = from.at().plus(way.knots().get(longest + 1).at()).times(0.5);
        int before = (int) way.knots().subList(0, longest + 1).stream()
                .filter(k -> k.kind() == Way.Kind.BEND)
                .count();
        return build.layout().laid(way.lead().id()).map(l -> l.bent(before, new Laid.Bend(from.shell(), middle)));
    }

    /** Makes one as long as its way and a little more: a wire is cut so, of a cable another is taken. */
    public static Edit asLong(String what, double mm) {
        double length = lengthFor(mm);
        return new Edit("make it " + Math.round(length) + " mm long", b -> {
            Optional<Rung.Wire> wire =
                    b.rung(what).flatMap(r -> r.stage() instanceof Rung.Wire w ? Optional.of(w) : Optional.empty());
            if (wire.isPresent()) {
                Rung.Wire cut = new Rung.Wire(
                        wire.get().awg(),
                        length,
                        wire.get().finish(),
                        wire.get().readyMade());
                return b.withChain(b.wiring().chain().stream()
                        .map(root -> root.map(r -> r.id().equals(what) ? r.as(cut) : r))
                        .toList());
            }
            return b.part(what)
                    .flatMap(p ->
                            p.facet(Facet.Joins.class).map(j -> b.with(p.withFacet(j.longer(Figure.guess(length))))))
                    .orElse(b);
        });
    }

    /** Lays what is not laid, and makes all as long as their ways that can be: wires are cut, of cables that are not here yet others are taken. */
    public static Edit tidy() {
        return Edit.searched("make cables as long as their ways", b -> {
            Build tidy = layAll().change().apply(b);
            for (CablesResult.Laying laying : CablesEngine.evaluate(tidy).laid()) {
                String id = laying.lead().id();
                if (isToBeMade(tidy, id) && laying.spareMm().orElse(0) > SPARE_MM) {
                    tidy = asLong(id, laying.lengthMm()).change().apply(tidy);
                }
            }
            return tidy;
        });
    }

    /** Whether a lead can still be had as long as is wanted: a wire that is cut, a cable that is not here yet. */
    public static boolean isToBeMade(Build build, String what) {
        return build.rung(what).isPresent()
                || build.part(what).filter(p -> p.standing().toBuy()).isPresent();
    }

    /** Takes a flat cable with its contacts on other sides; one that is here already is bought in vain. */
    public static Edit withContacts(String what, Facet.Joins.Ends ends) {
        return new Edit("take a cable with contacts " + ends.words(), b -> {
            Optional<Part> old = b.part(what);
            Optional<Part> by = old.flatMap(p -> p.facet(Facet.Joins.class).map(j -> p.withFacet(j.with(ends))));
            if (by.isEmpty()) {
                return b;
            }
            return old.get().standing().here()
                    ? Edits.replacePart(old.get(), by.get().standing(Part.Standing.TO_BUY, Purchase.NONE))
                            .change()
                            .apply(b)
                    : b.with(by.get());
        });
    }

    /** A length that does for a way, mm. */
    public static double lengthFor(double mm) {
        return Math.ceil((mm + SPARE_MM) / STEP_MM) * STEP_MM;
    }

    private static Build laid(Build build, CablesResult cables, String what, BooleanSupplier stop) {
        return cables.lead(what)
                .flatMap(l -> bends(build, cables, l, stop))
                .map(bends -> smoothed(build, new Laid(what, bends), stop))
                .filter(b -> !stop.getAsBoolean())
                .orElse(build);
    }

    /** Without the bends that it is better without: a grid has more than a wire needs. */
    private static Build smoothed(Build build, Laid found, BooleanSupplier stop) {
        Laid best = found;
        double least = fault(with(build, best), best.what());
        for (boolean better = true; better; ) {
            better = false;
            for (int i = 0; i < best.bends().size() && !stop.getAsBoolean(); i++) {
                if (crosses(best.bends(), i)) {
                    continue;
                }
                Laid tried = best.straightened(i);
                double fault = fault(with(build, tried), tried.what());
                if (fault < least) {
                    best = tried;
                    least = fault;
                    better = true;
                    break;
                }
            }
        }
        return with(build, best);
    }

    private static Build with(Build build, Laid laid) {
        return build.with(build.layout().with(laid));
    }

    /** Whether it goes to another tray at a bend, or comes from there: between trays nobody looks at what is in the way. */
    private static boolean crosses(List<Laid.Bend> bends, int i) {
        String shell = bends.get(i).shell();
        return (i > 0 && !bends.get(i - 1).shell().equals(shell))
                || (i + 1 < bends.size() && !bends.get(i + 1).shell().equals(shell));
    }

    /** How bad a way is: what it runs through before what is bent too tightly or folded, and that before a long way. */
    private static double fault(Build build, String what) {
        return CablesEngine.evaluate(build)
                .laying(what)
                .map(l -> {
                    double through = l.meetings().stream()
                            .mapToDouble(m -> THROUGH_MM + m.depthMm())
                            .sum();
                    double tight = l.corners().stream()
                            .mapToDouble(c -> c.fold() ? FOLD_MM : l.lacksMm(c))
                            .sum();
                    return through + TIGHT * tight + (l.crooked() ? FOLD_MM : 0) + l.lengthMm();
                })
                .orElse(Double.POSITIVE_INFINITY);
    }

    private static Optional<List<Laid.Bend>> bends(Build build, CablesResult cables, Lead lead, BooleanSupplier stop) {
        List<Placed> placed = Placed.all(build);
        Optional<Placed> one = part(placed, lead.one());
        Optional<Placed> other = part(placed, lead.other());
        if (one.isEmpty() || other.isEmpty()) {
            return Optional.empty();
        }
        Casing casing = build.casing();
        List<Joint> joints =
                between(casing, one.get().shell().id(), other.get().shell().id());
        if (joints.isEmpty() && !one.get().shell().equals(other.get().shell())) {
            return Optional.empty();
        }
        List<Laid.Bend> bends = new ArrayList<>();
        Shell shell = one.get().shell();
        Vec middle = middle(casing, one.get(), other.get());
        Maze.Gate from = gate(one.get(), lead.one(), other.get());
        for (Joint joint : joints) {
            boolean up = joint.carries().equals(shell.id());
            Shell next = build.shell(up ? joint.on() : joint.carries()).orElseThrow();
            Vec out = crossing(casing, joint, shell, middle, lead);
            Optional<List<Vec>> way = way(casing, cables, placed, lead, shell, from, Maze.Gate.open(out), stop);
            if (way.isEmpty()) {
                return Optional.empty();
            }
            add(bends, shell, way.get());
            bends.add(new Laid.Bend(shell.id(), out));
            Vec in = crossing(casing, joint, next, middle, lead);
            bends.add(new Laid.Bend(next.id(), in));
            from = Maze.Gate.open(in);
            shell = next;
        }
        Optional<List<Vec>> last =
                way(casing, cables, placed, lead, shell, from, gate(other.get(), lead.other(), one.get()), stop);
        if (last.isEmpty()) {
            return Optional.empty();
        }
        add(bends, shell, last.get());
        return Optional.of(bends);
    }

    private static Optional<Placed> part(List<Placed> placed, Lead.End end) {
        return placed.stream().filter(p -> p.id().equals(end.part())).findFirst();
    }

    private static void add(List<Laid.Bend> bends, Shell shell, List<Vec> points) {
        points.forEach(p -> bends.add(new Laid.Bend(shell.id(), p)));
    }

    private static Optional<List<Vec>> way(
            Casing casing,
            CablesResult cables,
            List<Placed> placed,
            Lead lead,
            Shell shell,
            Maze.Gate from,
            Maze.Gate to,
            BooleanSupplier stop) {
        List<Vec[]> others = new ArrayList<>();
        cables.laid().stream()
                .map(CablesResult.Laying::way)
                .filter(w -> !w.lead().id().equals(lead.id()))
                .forEach(w -> others.addAll(w.legsIn(shell.id())));
        return new Maze(
                        shell,
                        Placed.in(shell, placed),
                        Obstacle.in(casing, shell, placed),
                        lead.girth(),
                        from,
                        to,
                        others)
                .bends(stop);
    }

    private static Maze.Gate gate(Placed part, Lead.End end, Placed other) {
        Vec to = other.shell().equals(part.shell())
                ? other.bounds().centre()
                : part.bounds().centre();
        Way.Knot knot = Way.end(end, part, to);
        if (end.port().filter(p -> !p.plug()).isEmpty()) {
            return Maze.Gate.open(knot.at());
        }
        Port port = end.port().get();
        Face face = part.placement().orientation().turn(port.face());
        return new Maze.Gate(
                knot.at(),
                Optional.of(face.axis()),
                face.sign() > 0,
                Optional.of(part.placement().orientation().axis(Opening.across(port.face()))));
    }

    /** The joints from a tray to another, in the order they are passed; nothing where they do not hang together. */
    private static List<Joint> between(Casing casing, String from, String to) {
        List<Joint> up = new ArrayList<>(casing.path(from));
        List<Joint> down = new ArrayList<>(casing.path(to));
        while (!up.isEmpty() && !down.isEmpty() && up.getLast().equals(down.getLast())) {
            up.removeLast();
            down.removeLast();
        }
        boolean together = casing.belongs(from) && casing.belongs(to);
        List<Joint> all = new ArrayList<>(up);
        all.addAll(down.reversed());
        return together ? all : List.of();
    }

    /** Half way between two parts when all is closed, in the frame of the tray that stands. */
    private static Vec middle(Casing casing, Placed one, Placed other) {
        return closed(casing, one).plus(closed(casing, other)).times(0.5);
    }

    private static Vec closed(Casing casing, Placed part) {
        return casing.pose(part.shell().id(), Posture.CLOSED)
                .apply(part.bounds().centre());
    }

    /** Where a cable goes from one tray to the other: inside the tray, as near to the joint as its walls let it, so that it is bent least. */
    private static Vec crossing(Casing casing, Joint joint, Shell shell, Vec middle, Lead lead) {
        boolean on = joint.on().equals(shell.id());
        Vec here = casing.pose(shell.id(), Posture.CLOSED).back().apply(middle);
        Vec point = on ? joint.at() : joint.mark();
        Vec along = joint.hinge()
                .map(Joint.Hinged::axis)
                .map(a -> on ? a : joint.closed().back().direction(a))
                .orElse(Vec.ZERO);
        Vec at = along.equals(Vec.ZERO)
                ? here
                : point.plus(along.times(here.minus(point).dot(along) / along.dot(along)));
        Box in = shell.cavity();
        double off = Math.max(lead.girth().thickMm() / 2 + 0.5, 1);
        double[] c = new double[3];
        for (int axis = 0; axis < 3; axis++) {
            double half = lead.girth().flat() && axis == 0 ? lead.girth().wideMm() / 2 : 0;
            double room = Math.min(off + half, in.size(axis) / 2);
            c[axis] = Math.clamp(at.along(axis), in.low(axis) + room, in.high(axis) - room);
        }
        return new Vec(c[0], c[1], c[2]);
    }
}
