package boldsatchel.reach;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Key;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Passage;
import boldsatchel.machine.Port;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.reach.ReachResult.Access;
import boldsatchel.reach.ReachResult.Idle;
import boldsatchel.reach.ReachResult.Kind;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Looks at what fingers and eyes get at: buttons and pictures behind walls, and openings that serve nothing any more. */
public final class ReachEngine implements Engine<ReachResult> {

    /** What lies before less than this of a button or picture, mm, is beside it. */
    public static final double BESIDE_MM = 0.5;

    /** What closes the gap between a screen and the wall that it is held to. */
    private static final Set<Fixing.By> SEALS = EnumSet.of(Fixing.By.TAPE, Fixing.By.GLUE);

    /** An engine; all are alike. */
    public ReachEngine() {}

    @Override
    public String about() {
        return "what fingers and eyes get at";
    }

    @Override
    public Class<ReachResult> result() {
        return ReachResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.LAYOUT);
    }

    @Override
    public Set<Class<?>> asks() {
        return Set.of(FitResult.class);
    }

    @Override
    public ReachResult work(Build build, Results results) {
        return evaluate(build, results.of(FitResult.class).placed());
    }

    @Override
    public ReachResult nothing() {
        return ReachResult.NOTHING;
    }

    /** Evaluates a build. */
    public static ReachResult evaluate(Build build) {
        return evaluate(build, Placed.all(build));
    }

    private static ReachResult evaluate(Build build, List<Placed> placed) {
        List<Access> all = new ArrayList<>();
        for (Placed p : placed) {
            for (Key key : p.part().body().keys()) {
                Passage way = Passage.of(p.shell(), p.part(), key, p.placement());
                all.add(access(p, key.name(), Kind.BUTTON, way, placed, key.travelMm(), false));
            }
            Passage.ofPicture(p.shell(), p.part(), p.placement())
                    .ifPresent(way -> all.add(access(
                            p,
                            Passage.PICTURE,
                            Kind.PICTURE,
                            way,
                            placed,
                            0,
                            p.part()
                                    .facet(Facet.Touches.class)
                                    .filter(Facet.Touches::pressed)
                                    .isPresent())));
        }
        List<Idle> idle = new ArrayList<>();
        for (Shell shell : build.casing().shells()) {
            for (Opening opening : shell.openings()) {
                if (isIdle(build, shell, opening)) {
                    idle.add(new Idle(shell.id(), opening, shell.making() == Shell.Making.FOUND));
                }
            }
        }
        return new ReachResult(all, idle);
    }

    private static Access access(
            Placed p, String what, Kind kind, Passage way, List<Placed> placed, double travel, boolean pressure) {
        Shell shell = p.shell();
        Optional<Opening> best = Optional.empty();
        double least = Double.NaN;
        for (Opening opening : shell.openings()) {
            double lacks = opening.wall() == way.wall() ? opening.lacksMm(way) : Double.POSITIVE_INFINITY;
            boolean near = opening.isFor(p.id(), what) || lacks < Math.max(way.wideMm(), way.highMm());
            if (opening.wall() == way.wall() && near && (best.isEmpty() || lacks < least)) {
                best = Optional.of(opening);
                least = lacks;
            }
        }
        double gap = way.wall().sign()
                * (shell.cavity().end(way.wall()) - way.mouth().along(way.wall().axis()));
        return new Access(
                p.id(),
                what,
                kind,
                shell,
                way.wall().words(),
                way.behindMm(),
                gap,
                way.wall() == Face.TOP && shell.openTop(),
                best,
                least,
                best.map(o -> past(o, p)).orElse(Double.NaN),
                covering(p, way, placed),
                travel,
                pressure,
                p.placement().fixing().filter(f -> SEALS.contains(f.by())).isPresent());
    }

    private static double past(Opening opening, Placed p) {
        double past = Double.NEGATIVE_INFINITY;
        Box hole = opening.through(p.shell());
        for (int axis : new int[] {Opening.across(opening.wall()), Opening.up(opening.wall())}) {
            past = Math.max(past, p.bounds().low(axis) - hole.low(axis));
            past = Math.max(past, hole.high(axis) - p.bounds().high(axis));
        }
        return past;
    }

    /** A part of the same tray that lies between it and the wall. */
    private static Optional<String> covering(Placed p, Passage way, List<Placed> placed) {
        Box before = way.before(p.shell(), BESIDE_MM);
        for (Placed other : placed) {
            if (other.id().equals(p.id())
                    || !other.shell().id().equals(p.shell().id())) {
                continue;
            }
            for (Solid solid : other.solids()) {
                if (solid.bounds().signedDistance(before) < -0.01) {
                    return Optional.of(other.id());
                }
            }
        }
        return Optional.empty();
    }

    /** Whether what an opening was made for is in another tray, at another wall, or used otherwise. */
    private static boolean isIdle(Build build, Shell shell, Opening opening) {
        if (opening.serves().isEmpty()) {
            return false;
        }
        Opening.Serves serves = opening.serves().get();
        Optional<Placed> placed = build.placement(serves.part())
                .filter(l -> l.shell().equals(shell.id()))
                .flatMap(l -> build.part(serves.part()).map(p -> Placed.of(p, l, shell)));
        if (placed.isEmpty()) {
            return true;
        }
        Placed p = placed.get();
        Optional<Port> port = p.part().port(serves.port());
        if (port.isPresent()) {
            return port.get().use() != Port.Use.OUTSIDE
                    || p.placement().orientation().turn(port.get().face()) != opening.wall();
        }
        boolean isKey = p.part().body().keys().stream().anyMatch(k -> k.name().equals(serves.port()));
        return !isKey && !(serves.port().equals(Passage.PICTURE) && p.part().isScreen());
    }
}
