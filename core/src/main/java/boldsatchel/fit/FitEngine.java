package boldsatchel.fit;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;

/**
 * Fit: does everything go in, with room. All solids are boxes along the axes, so every answer is exact. Pairs are found by
 * sweeping along x, sorted by low end, which looks at neighbours only.
 */
public final class FitEngine implements Engine<FitResult> {

    /** Overlaps smaller than this are rounding or contact, mm. */
    static final double CONTACT_MM = 0.01;

    /** Gaps wider than this are no news, mm. */
    private static final double NEAR_MM = 15;

    /** Air a vent needs in front of it, mm. */
    public static final double VENT_CLEAR_MM = 3;

    private static final Set<Zone.Kind> ALL = EnumSet.allOf(Zone.Kind.class);
    /** Room that must stay free with the lid closed too; no finger is in it then, its air is the air inside, and its radio mostly off. */
    private static final Set<Zone.Kind> CLOSED = EnumSet.of(Zone.Kind.PLUG, Zone.Kind.SWELL, Zone.Kind.KEEPOUT);

    /** A socket this close behind its wall is reached by a plug, mm. */
    private static final double PORT_REACH_MM = 3;

    /** An engine; all are alike. */
    public FitEngine() {}

    @Override
    public String about() {
        return "the room inside";
    }

    @Override
    public Class<FitResult> result() {
        return FitResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.LAYOUT);
    }

    @Override
    public FitResult work(Build build, Results results) {
        return evaluate(build);
    }

    @Override
    public FitResult nothing() {
        return new FitResult(
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty());
    }

    /** Evaluates a build. */
    public static FitResult evaluate(Build build) {
        List<Placed> placed = Placed.all(build);
        List<String> loose = build.loose().stream().map(Part::id).toList();
        Findings found = new Findings(build);
        for (Shell shell : build.casing().shells()) {
            found.insideShell(shell, Placed.in(shell, placed));
        }
        build.casing().hinge().ifPresent(hinge -> found.closedLid(hinge, placed));
        found.gaps.sort(Comparator.comparingDouble(FitResult.Gap::gapMm));
        return new FitResult(
                placed,
                loose,
                List.copyOf(found.clashes),
                List.copyOf(found.gaps),
                List.copyOf(found.outside),
                List.copyOf(found.intrusions),
                List.copyOf(found.stranded),
                List.copyOf(found.covered),
                tightest(build, placed, found));
    }

    private static Optional<Spread> tightest(Build build, List<Placed> placed, Findings found) {
        Tightest tightest = new Tightest(build, placed);
        found.outside.forEach(tightest::add);
        found.clashes.forEach(tightest::add);
        found.gaps.stream().limit(Tightest.MOST_MEETINGS).forEach(tightest::add);
        return tightest.range().or(() -> placed.size() > 1 ? Optional.of(Spread.exact(NEAR_MM)) : Optional.empty());
    }

    /** Gathers what is found. */
    private static final class Findings {
        private final Build build;
        private final List<FitResult.Clash> clashes = new ArrayList<>();
        private final List<FitResult.Gap> gaps = new ArrayList<>();
        private final List<FitResult.Outside> outside = new ArrayList<>();
        private final List<FitResult.Intrusion> intrusions = new ArrayList<>();
        private final List<FitResult.Stranded> stranded = new ArrayList<>();
        private final List<FitResult.Covered> covered = new ArrayList<>();

        Findings(Build build) {
            this.build = build;
        }

        void insideShell(Shell shell, List<Placed> inside) {
            pairs(inside, (a, b) -> meet(a, b, FitResult.Where.SHELL, shell.id()));
            for (Placed p : inside) {
                double by = Trays.outsideBy(p.solids(), shell);
                if (by > CONTACT_MM) {
                    outside.add(new FitResult.Outside(p.id(), shell, by));
                }
                double space = Trays.toWall(p.solids(), shell);
                if (space < NEAR_MM) {
                    gaps.add(new FitResult.Gap(p.id(), shell.id(), FitResult.Where.SHELL, space));
                }
                for (Box rib : shell.solids()) {
                    meetFixed(p, rib, FitResult.Where.SHELL, shell.id(), shell.id());
                }
                ports(shell, p);
                plugsAgainstWalls(shell, p);
            }
            shell.vents().forEach(vent -> vent(shell, vent, inside));
        }

        void closedLid(Hinge hinge, List<Placed> placed) {
            Optional<Shell> base = build.shell(hinge.baseShell());
            Optional<Shell> lid = build.shell(hinge.lidShell());
            if (base.isEmpty() || lid.isEmpty()) {
                return;
            }
            List<Placed> below = Placed.in(base.get(), placed);
            List<Placed> above = new ArrayList<>(Placed.in(lid.get(), placed));
            above.replaceAll(p -> p.closed(hinge));
            List<Placed> both = new ArrayList<>(below);
            both.addAll(above);
            pairs(both, (a, b) -> {
                if (!a.shell().equals(b.shell())) {
                    meet(a, b, FitResult.Where.CLOSED_LID, base.get().id());
                    intrude(a, b, CLOSED);
                    intrude(b, a, CLOSED);
                }
            });
            List<Box> lidSolids = Trays.closed(hinge, Trays.solidsWithFloor(lid.get()));
            List<Box> baseSolids = Trays.solidsWithFloor(base.get());
            for (Box closed : lidSolids) {
                below.forEach(p -> meetFixed(
                        p,
                        closed,
                        FitResult.Where.CLOSED_LID,
                        lid.get().id(),
                        base.get().id()));
            }
            for (Box solid : baseSolids) {
                above.forEach(p -> meetFixed(
                        p,
                        solid,
                        FitResult.Where.CLOSED_LID,
                        base.get().id(),
                        base.get().id()));
            }
            List<Box> lidRim = Trays.closed(hinge, Trays.rim(lid.get()));
            List<Box> baseRim = Trays.rim(base.get());
            below.forEach(p -> againstOtherHalf(p, lidRim, lidSolids, lid.get(), base.get()));
            above.forEach(p -> againstOtherHalf(p, baseRim, baseSolids, base.get(), base.get()));
        }

        /** What rises above its own half against the rim of the other, and the room it needs against all of that half. */
        private void againstOtherHalf(Placed part, List<Box> rim, List<Box> solids, Shell other, Shell frame) {
            for (Box edge : rim) {
                boolean over =
                        part.bounds().gapAlong(0, edge) < 0 && part.bounds().gapAlong(1, edge) < 0;
                if (over) {
                    meetFixed(part, edge, FitResult.Where.CLOSED_LID, other.id(), frame.id());
                }
            }
            for (Zone zone : part.zones()) {
                double depth = 0;
                for (Box solid : CLOSED.contains(zone.kind()) ? joined(rim, solids) : List.<Box>of()) {
                    depth = Math.max(depth, -zone.box().signedDistance(solid));
                }
                if (depth > CONTACT_MM) {
                    intrusions.add(new FitResult.Intrusion(part.id(), other.id(), zone.kind(), depth));
                }
            }
        }

        private static List<Box> joined(List<Box> a, List<Box> b) {
            List<Box> all = new ArrayList<>(a);
            all.addAll(b);
            return all;
        }

        /** Sweep along x over bounds grown by the largest gap or zone of interest; what is apart along y or z is passed over. */
        private static void pairs(List<Placed> parts, BiConsumer<Placed, Placed> visit) {
            record Reach(Placed part, Box box) {
                static Reach of(Placed part) {
                    Box box = part.bounds();
                    for (Zone zone : part.zones()) {
                        box = box.around(zone.box());
                    }
                    return new Reach(part, box);
                }

                boolean near(Reach other, int axis) {
                    return box.gapAlong(axis, other.box) <= NEAR_MM;
                }
            }
            List<Reach> sorted = new ArrayList<>(parts.size());
            for (Placed part : parts) {
                sorted.add(Reach.of(part));
            }
            sorted.sort(Comparator.comparingDouble(r -> r.box().x()));
            for (int i = 0; i < sorted.size(); i++) {
                Reach a = sorted.get(i);
                for (int j = i + 1; j < sorted.size() && a.near(sorted.get(j), 0); j++) {
                    Reach b = sorted.get(j);
                    if (a.near(b, 1) && a.near(b, 2)) {
                        visit.accept(a.part(), b.part());
                    }
                }
            }
        }

        private void meet(Placed a, Placed b, FitResult.Where where, String frame) {
            double least = Double.POSITIVE_INFINITY;
            Box at = a.bounds();
            for (Box x : a.solids()) {
                for (Box y : b.solids()) {
                    double distance = x.signedDistance(y);
                    if (distance < least) {
                        least = distance;
                        at = distance < 0 ? overlap(x, y) : at;
                    }
                }
            }
            record(a.id(), b.id(), where, frame, least, at, a.mayTouch(b));
            if (where == FitResult.Where.SHELL) {
                intrude(a, b, ALL);
                intrude(b, a, ALL);
            }
        }

        private void meetFixed(Placed part, Box fixed, FitResult.Where where, String owner, String frame) {
            for (Box solid : part.solids()) {
                double distance = solid.signedDistance(fixed);
                boolean clash = distance < -CONTACT_MM;
                record(
                        part.id(),
                        owner,
                        where,
                        frame,
                        distance,
                        clash ? overlap(solid, fixed) : solid,
                        distance < CONTACT_MM);
            }
        }

        private void record(
                String a, String b, FitResult.Where where, String frame, double distance, Box at, boolean mayTouch) {
            if (distance < -CONTACT_MM) {
                clashes.add(new FitResult.Clash(a, b, where, frame, at, -distance));
            } else if (!mayTouch && distance < NEAR_MM) {
                gaps.add(new FitResult.Gap(a, b, where, Math.max(0, distance)));
            }
        }

        private static Box overlap(Box a, Box b) {
            return Box.between(
                    new Vec(Math.max(a.x(), b.x()), Math.max(a.y(), b.y()), Math.max(a.z(), b.z())),
                    new Vec(
                            Math.min(a.high(0), b.high(0)),
                            Math.min(a.high(1), b.high(1)),
                            Math.min(a.high(2), b.high(2))));
        }

        private void intrude(Placed owner, Placed by, Set<Zone.Kind> kinds) {
            if (owner.mayTouch(by)) {
                return;
            }
            for (Zone zone : owner.zones()) {
                for (Box solid : kinds.contains(zone.kind()) ? by.solids() : List.<Box>of()) {
                    double depth = -zone.box().signedDistance(solid);
                    if (depth > CONTACT_MM) {
                        intrusions.add(new FitResult.Intrusion(owner.id(), by.id(), zone.kind(), depth));
                    }
                }
            }
        }

        /** Plugs inside must end before the wall. */
        private void plugsAgainstWalls(Shell shell, Placed p) {
            for (Zone zone : p.zones()) {
                if (zone.kind() != Zone.Kind.PLUG && zone.kind() != Zone.Kind.SWELL) {
                    continue;
                }
                double beyond = 0;
                for (Face face : Face.ALL) {
                    if (face == Face.TOP && shell.openTop()) {
                        continue;
                    }
                    beyond = Math.max(
                            beyond,
                            face.sign() * (zone.box().end(face) - shell.cavity().end(face)));
                }
                if (beyond > CONTACT_MM) {
                    intrusions.add(new FitResult.Intrusion(p.id(), shell.id(), zone.kind(), beyond));
                }
            }
        }

        private void ports(Shell shell, Placed p) {
            for (Port port : p.part().body().ports()) {
                if (port.use() != Port.Use.OUTSIDE) {
                    continue;
                }
                Face face = p.placement().orientation().turn(port.face());
                Vec mouth = p.placement().place(port.at(), p.part().body().bounds());
                double by = Math.abs(shell.cavity().end(face) - mouth.along(face.axis()));
                if (by > PORT_REACH_MM) {
                    stranded.add(new FitResult.Stranded(p.id(), port, by));
                }
            }
        }

        private void vent(Shell shell, Vent vent, List<Placed> inside) {
            for (Placed p : inside) {
                boolean movesAir =
                        p.part().facet(boldsatchel.machine.Facet.MovesAir.class).isPresent();
                for (Box solid : p.solids()) {
                    boolean before = true;
                    for (int axis = 0; axis < 3; axis++) {
                        before &= axis == vent.wall().axis() || solid.gapAlong(axis, vent.box()) < 0;
                    }
                    double air = Math.abs(shell.cavity().end(vent.wall()) - solid.end(vent.wall()));
                    if (before && air < VENT_CLEAR_MM && !movesAir) {
                        covered.add(new FitResult.Covered(shell.id(), vent.name(), p.id(), air));
                    }
                }
            }
        }
    }
}
