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
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

    /** About how far a place varies: the tightest may be the one that is known best. */
    private static final double USUAL_MM = 0.2;
    /** As many of the tightest meetings are looked at for the range of the least. */
    private static final int MOST_MEETINGS = 8;

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
        List<Placed> placed = Placed.all(build, Reading.NOMINAL);
        List<String> loose = build.loose().stream().map(Part::id).toList();
        Findings found = new Findings(build);
        for (Shell shell : build.casing().shells()) {
            List<Placed> inside = placed.stream()
                    .filter(p -> p.shell().id().equals(shell.id()))
                    .toList();
            found.insideShell(shell, inside);
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
                tightest(build, found));
    }

    /**
     * A meeting of a part with another, or with its tray.
     *
     * @param a id of the part
     * @param b id of the other part, or of the tray
     * @param mm signed distance
     */
    private record Meeting(String a, String b, FitResult.Where where, double mm, boolean outside) {}

    /** A meeting with each size of its parts moved both ways; another side may come to count on either. */
    private static Spread.Candidate candidate(Build build, Meeting meeting) {
        Map<Input, Double> effects = new LinkedHashMap<>();
        Optional<Placed> a = placed(build, meeting.a(), Reading.NOMINAL);
        Optional<Placed> b = placed(build, meeting.b(), Reading.NOMINAL);
        double base = distance(build, meeting, a, b);
        for (String id : List.of(meeting.a(), meeting.b())) {
            for (Input input : build.part(id).map(Part::sizes).orElse(List.of())) {
                double sigma = input.figure().sigma();
                if (sigma == 0) {
                    continue;
                }
                double up = moved(build, meeting, a, b, id, Reading.shifted(input, sigma)) - base;
                double down = base - moved(build, meeting, a, b, id, Reading.shifted(input, -sigma));
                effects.merge(input, Math.copySign(Math.hypot(up, down) / Math.sqrt(2), up + down), Double::sum);
            }
        }
        return new Spread.Candidate(meeting.mm(), effects);
    }

    private static double moved(
            Build build, Meeting meeting, Optional<Placed> a, Optional<Placed> b, String id, Reading reading) {
        Optional<Placed> other = placed(build, id, reading);
        return id.equals(meeting.a()) ? distance(build, meeting, other, b) : distance(build, meeting, a, other);
    }

    private static double distance(Build build, Meeting meeting, Optional<Placed> a, Optional<Placed> b) {
        return meeting.outside()
                ? a.map(p -> -outsideBy(p, p.shell())).orElse(0.0)
                : meeting(build, a, b, meeting.b(), meeting.where());
    }

    /**
     * The tightest meetings again with their parts' figures moved: the range of the least gap. What touches is put where it touches,
     * whatever its size, and is in no range.
     */
    private static Optional<Spread> tightest(Build build, Findings found) {
        List<Meeting> meetings = new ArrayList<>();
        for (FitResult.Outside out : found.outside) {
            meetings.add(new Meeting(out.part(), out.shell().id(), FitResult.Where.SHELL, -out.byMm(), true));
        }
        for (FitResult.Clash c : found.clashes) {
            meetings.add(new Meeting(c.a(), c.b(), c.where(), -c.depthMm(), false));
        }
        for (FitResult.Gap g : found.gaps) {
            meetings.add(new Meeting(g.a(), g.b(), g.where(), g.gapMm(), false));
        }
        if (meetings.isEmpty()) {
            return build.layout().placements().size() > 1 ? Optional.of(Spread.exact(NEAR_MM)) : Optional.empty();
        }
        meetings.sort(Comparator.comparingDouble(Meeting::mm));
        Spread.Candidate least = candidate(build, meetings.getFirst());
        double reach = least.nominal() + Spread.REACH * Math.max(USUAL_MM, Math.sqrt(least.variance()));
        List<Spread.Candidate> candidates = new ArrayList<>(List.of(least));
        for (Meeting next : meetings.subList(1, Math.min(meetings.size(), MOST_MEETINGS))) {
            if (next.mm() < reach) {
                candidates.add(candidate(build, next));
            }
        }
        return Optional.of(Spread.least(candidates));
    }

    private static Optional<Placed> placed(Build build, String part, Reading reading) {
        return build.part(part)
                .flatMap(p -> build.placement(part)
                        .flatMap(at -> build.shell(at.shell()).map(s -> Placed.bare(p, at, s, reading))));
    }

    /** Signed distance of two parts, or of a part and the ribs and walls of a shell; negative for the depth of a clash. */
    private static double meeting(
            Build build, Optional<Placed> one, Optional<Placed> two, String b, FitResult.Where where) {
        Optional<Placed> first = one.map(p -> seen(build, p, where));
        Optional<Placed> second = two.map(p -> seen(build, p, where));
        double least = Double.POSITIVE_INFINITY;
        if (second.isEmpty() && where == FitResult.Where.SHELL) {
            least = build.shell(b).flatMap(s -> first.map(p -> toWall(p, s))).orElse(least);
        }
        List<Box> others = second.map(Placed::solids)
                .orElseGet(() ->
                        build.shell(b).map(s -> shellSolids(build, s, where)).orElse(List.of()));
        for (Box x : first.map(Placed::solids).orElse(List.of())) {
            for (Box y : others) {
                double signed = signedDistance(x, y);
                least = Math.min(least, signed);
            }
        }
        return least;
    }

    private static Placed seen(Build build, Placed placed, FitResult.Where where) {
        boolean lid = where == FitResult.Where.CLOSED_LID && build.casing().isLid(placed.shell());
        return lid ? placed.closed(build.casing().hinge().orElseThrow()) : placed;
    }

    private static List<Box> shellSolids(Build build, Shell shell, FitResult.Where where) {
        if (where == FitResult.Where.SHELL) {
            return shell.ribs();
        }
        boolean lid = build.casing().isLid(shell);
        return solidsWithFloor(shell).stream()
                .map(b -> lid ? build.casing().hinge().orElseThrow().closed(b) : b)
                .toList();
    }

    /** The least space between a part and the inside of a wall that it does not touch, mm; infinite when it touches or passes all. */
    private static double toWall(Placed placed, Shell shell) {
        double least = Double.POSITIVE_INFINITY;
        Box cavity = shell.cavity();
        for (Face face : Face.values()) {
            double space = Double.POSITIVE_INFINITY;
            for (Box solid : placed.solids()) {
                space = Math.min(space, face.sign() * (cavity.end(face) - solid.end(face)));
            }
            boolean open = face == Face.TOP && shell.openTop();
            least = open || space < CONTACT_MM ? least : Math.min(least, space);
        }
        return least;
    }

    /** The side walls, whose upper edges are the rim. */
    private static List<Box> rim(Shell shell) {
        double wall = Math.max(CONTACT_MM, shell.wallMm().value());
        double w = shell.widthMm();
        double d = shell.depthMm();
        double h = shell.heightMm();
        return List.of(
                new Box(-wall, -wall, 0, wall, d + 2 * wall, h),
                new Box(w, -wall, 0, wall, d + 2 * wall, h),
                new Box(0, -wall, 0, w, wall, h),
                new Box(0, d, 0, w, wall, h));
    }

    /** Ribs and the floor plate: what a part of the other half can hit. */
    private static List<Box> solidsWithFloor(Shell shell) {
        List<Box> solids = new ArrayList<>(shell.ribs());
        double wall = shell.wallMm().value();
        solids.add(new Box(0, 0, -wall, shell.widthMm(), shell.depthMm(), wall));
        return solids;
    }

    /** Straight distance when apart, minus the least depth when overlapping, mm. */
    static double signedDistance(Box a, Box b) {
        double square = 0;
        double deepest = Double.NEGATIVE_INFINITY;
        for (int axis = 0; axis < 3; axis++) {
            double gap = a.gapAlong(axis, b);
            square += gap > 0 ? gap * gap : 0;
            deepest = Math.max(deepest, gap);
        }
        return deepest > 0 ? Math.sqrt(square) : deepest;
    }

    /** How far a part is through the walls of its shell; parts may rise through an open top. */
    private static double outsideBy(Placed placed, Shell shell) {
        double most = 0;
        Box cavity = shell.cavity();
        for (Box solid : placed.solids()) {
            for (Face face : Face.values()) {
                if (face == Face.TOP && shell.openTop()) {
                    continue;
                }
                double beyond = face.sign() * (solid.end(face) - cavity.end(face));
                most = Math.max(most, beyond);
            }
        }
        return most;
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
                double by = outsideBy(p, shell);
                if (by > CONTACT_MM) {
                    outside.add(new FitResult.Outside(p.id(), shell, by));
                }
                double space = toWall(p, shell);
                if (space < NEAR_MM) {
                    gaps.add(new FitResult.Gap(p.id(), shell.id(), FitResult.Where.SHELL, space));
                }
                for (Box rib : shell.ribs()) {
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
            List<Placed> below =
                    placed.stream().filter(p -> p.shell().equals(base.get())).toList();
            List<Placed> above = placed.stream()
                    .filter(p -> p.shell().equals(lid.get()))
                    .map(p -> p.closed(hinge))
                    .toList();
            List<Placed> both = new ArrayList<>(below);
            both.addAll(above);
            pairs(both, (a, b) -> {
                if (!a.shell().equals(b.shell())) {
                    meet(a, b, FitResult.Where.CLOSED_LID, base.get().id());
                    intrude(a, b, CLOSED);
                    intrude(b, a, CLOSED);
                }
            });
            List<Box> lidSolids =
                    solidsWithFloor(lid.get()).stream().map(hinge::closed).toList();
            List<Box> baseSolids = solidsWithFloor(base.get());
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
            List<Box> lidRim = rim(lid.get()).stream().map(hinge::closed).toList();
            List<Box> baseRim = rim(base.get());
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
                    depth = Math.max(depth, -signedDistance(zone.box(), solid));
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
                    double distance = signedDistance(x, y);
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
                double distance = signedDistance(solid, fixed);
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
                    double depth = -signedDistance(zone.box(), solid);
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
                for (Face face : Face.values()) {
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
