package boldsatchel.fit;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Solid;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Fit: does everything go in, with room, in every posture and on the way between them. Inside a tray solids are square to the axes, so that
 * boxes are answered exactly; trays that lean on one another are seen as convex bodies ({@link boldsatchel.geometry.Separation}).
 */
public final class FitEngine implements Engine<FitResult> {

    /** Overlaps smaller than this are rounding or contact, mm. */
    public static final double CONTACT_MM = 0.01;

    /** Gaps wider than this are no news, mm. */
    static final double NEAR_MM = 15;

    /** Air a vent needs in front of it, mm. */
    public static final double VENT_CLEAR_MM = 3;

    private static final Set<Zone.Kind> ALL = EnumSet.allOf(Zone.Kind.class);

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
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty());
    }

    /** A drag moves a part or two: what did not move keeps its place, and two that did not move meet as they did. */
    private static final int MOST_MOVED = 3;

    @Override
    public FitResult again(Build build, Results results, Last<FitResult> last) {
        return again(build, last);
    }

    /**
     * Evaluates a build that is like one of which it is known: trying a move costs a look at what moved.
     *
     * @param known of the other
     */
    public static FitResult evaluate(Build build, Build like, FitResult known) {
        return again(build, new Last<>(known, like));
    }

    private static FitResult again(Build build, Last<FitResult> last) {
        Optional<Set<String>> recut = last.isSame(build, Section.PARTS)
                ? build.casing().recutSince(last.before().casing())
                : Optional.empty();
        if (recut.isEmpty()) {
            return evaluate(build);
        }
        List<Placed> placed = Placed.all(build, last.result().placed());
        Set<String> moved = moved(last.result().placed(), placed);
        return evaluate(
                build,
                placed,
                moved.size() > MOST_MOVED
                        ? Optional.empty()
                        : Optional.of(Kept.of(last.result(), placed, moved, recut.get())));
    }

    /** Ids of those that are not where they were: placed anew, taken out or elsewhere. */
    @SuppressWarnings("ReferenceEquality") // An edit shares what it did not change.
    private static Set<String> moved(List<Placed> before, List<Placed> now) {
        Set<String> moved = new HashSet<>();
        if (before.size() != now.size()) {
            before.forEach(p -> moved.add(p.id()));
            now.forEach(p -> moved.add(p.id()));
            return moved;
        }
        for (int i = 0; i < now.size(); i++) {
            Placed was = before.get(i);
            Placed is = now.get(i);
            if (was.placement() != is.placement() || was.part() != is.part()) {
                moved.add(was.id());
                moved.add(is.id());
            }
        }
        return moved;
    }

    /** Evaluates a build. */
    public static FitResult evaluate(Build build) {
        return evaluate(build, Placed.all(build), Optional.empty());
    }

    /**
     * Evaluates a build.
     *
     * @param before what is known of all that did not move
     */
    private static FitResult evaluate(Build build, List<Placed> placed, Optional<Kept> before) {
        List<String> loose = build.loose().stream().map(Part::id).toList();
        Meetings meetings = new Meetings(before);
        InTray inTray = new InTray(meetings);
        for (Shell shell : build.casing().shells()) {
            inTray.look(shell, Placed.in(shell, placed));
        }
        Hung hung = Hung.of(build.casing(), placed);
        BetweenTrays between = new BetweenTrays(hung, meetings);
        between.look();
        new Sweep(hung, meetings).look();
        Tightest tightest = new Tightest(build, placed);
        meetings.outside().forEach(tightest::add);
        meetings.clashes().forEach(tightest::add);
        meetings.hits().forEach(tightest::add);
        meetings.below().forEach(tightest::add);
        meetings.gaps().stream().limit(Tightest.MOST_MEETINGS).forEach(tightest::add);
        return new FitResult(
                placed,
                loose,
                meetings.clashes(),
                meetings.gaps(),
                meetings.outside(),
                meetings.intrusions(),
                meetings.stranded(),
                meetings.mouths(),
                before.filter(Kept::uncut).map(b -> b.known().webs()).orElseGet(() -> webs(build)),
                meetings.covered(),
                meetings.hits(),
                meetings.below(),
                tightest.range().or(() -> placed.size() > 1 ? Optional.of(Spread.exact(NEAR_MM)) : Optional.empty()));
    }

    private static List<FitResult.Web> webs(Build build) {
        List<FitResult.Web> webs = new ArrayList<>();
        for (Shell shell : build.casing().shells()) {
            webs.addAll(Mouths.webs(shell));
        }
        return List.copyOf(webs);
    }

    /** What is found inside one tray, whatever the posture. */
    private static final class InTray {
        private final Meetings meetings;

        InTray(Meetings meetings) {
            this.meetings = meetings;
        }

        void look(Shell shell, List<Placed> inside) {
            meetings.pairs(Meetings.Reach.all(inside), (a, b) -> meet(a, b, shell));
            List<Solid> solids = shell.solids();
            for (Placed p : inside) {
                if (!meetings.isNew(p.id())) {
                    continue;
                }
                double by = Trays.outsideBy(p.solids(), shell);
                if (by > CONTACT_MM) {
                    meetings.add(new FitResult.Outside(p.id(), shell, by));
                }
                double space = Trays.toWall(p.solids(), shell);
                if (space < NEAR_MM) {
                    meetings.gap(p.id(), shell.id(), FitResult.Where.TRAY, space);
                }
                for (Solid fixed : solids) {
                    meet(p, fixed, shell);
                }
                ports(shell, p);
                plugsAgainstWalls(shell, p);
            }
            shell.vents().forEach(vent -> vent(shell, vent, inside));
        }

        private void meet(Placed a, Placed b, Shell shell) {
            double least = Double.POSITIVE_INFINITY;
            Box at = a.bounds();
            for (Solid x : a.solids()) {
                for (Solid y : b.solids()) {
                    double distance = x.signedDistance(y);
                    if (distance < least) {
                        least = distance;
                        at = distance < 0 ? Shape.shared(x.bounds(), y.bounds()) : at;
                    }
                }
            }
            meetings.record(a.id(), b.id(), FitResult.Where.TRAY, shell.id(), least, at, a.mayTouch(b));
            meetings.intrude(a, b, ALL);
            meetings.intrude(b, a, ALL);
        }

        private void meet(Placed part, Solid fixed, Shell shell) {
            for (Solid solid : part.solids()) {
                double distance = solid.signedDistance(fixed);
                meetings.record(
                        part.id(),
                        shell.id(),
                        FitResult.Where.TRAY,
                        shell.id(),
                        distance,
                        distance < -CONTACT_MM ? Shape.shared(solid.bounds(), fixed.bounds()) : solid.bounds(),
                        distance < CONTACT_MM);
            }
        }

        /** Plugs inside must end before the wall. */
        private void plugsAgainstWalls(Shell shell, Placed p) {
            for (Zone zone : p.zones()) {
                if (!zone.isFilled()) {
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
                meetings.intrusion(p.id(), shell.id(), zone.kind(), beyond);
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
                    meetings.add(new FitResult.Stranded(p.id(), port, by));
                } else if (face != Face.TOP || !shell.openTop()) {
                    meetings.add(Mouths.of(shell, p, port));
                }
            }
        }

        private void vent(Shell shell, Vent vent, List<Placed> inside) {
            for (Placed p : inside) {
                if (!meetings.isNew(p.id())) {
                    continue;
                }
                boolean letsAir = p.part().facet(Facet.MovesAir.class).isPresent()
                        || p.isOpenAlong(vent.wall().axis());
                for (Solid solid : p.solids()) {
                    Box bounds = solid.bounds();
                    boolean before = true;
                    for (int axis = 0; axis < 3; axis++) {
                        before &= axis == vent.wall().axis() || bounds.gapAlong(axis, vent.box()) < 0;
                    }
                    double air = Math.abs(shell.cavity().end(vent.wall()) - bounds.end(vent.wall()));
                    if (before && air < VENT_CLEAR_MM && !letsAir) {
                        meetings.add(new FitResult.Covered(shell.id(), vent.name(), p.id(), air));
                    }
                }
            }
        }
    }
}
