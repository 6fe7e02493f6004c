package boldsatchel.hold;

import boldsatchel.balance.Weights;
import boldsatchel.balance.WeightsEngine;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.hold.HoldResult.Closed;
import boldsatchel.hold.HoldResult.Magnetic;
import boldsatchel.hold.HoldResult.Screwed;
import boldsatchel.hold.HoldResult.Taped;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Magnet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Screw;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Looks at what holds each part when the machine is dropped or shaken, and at what glue closes. */
public final class HoldEngine implements Engine<HoldResult> {

    /** Foam tape holds so much for long, g/mm²: 55 cm² a kilogram, the usual advice of makers of acrylic foam tape. */
    private static final double TAPE_G_MM2 = 1 / 5.5;
    /** A hole this far from a boss is not meant for it, mm. */
    private static final double MEANT_MM = 6;

    /** An engine; all are alike. */
    public HoldEngine() {}

    @Override
    public String about() {
        return "what holds the parts";
    }

    @Override
    public Class<HoldResult> result() {
        return HoldResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.LAYOUT);
    }

    @Override
    public Set<Class<?>> asks() {
        return Set.of(Weights.class, FitResult.class);
    }

    @Override
    public HoldResult work(Build build, Results results) {
        return evaluate(
                build, results.of(Weights.class), results.of(FitResult.class).placed());
    }

    @Override
    public HoldResult nothing() {
        return HoldResult.NOTHING;
    }

    /** What a magnet holds, N. */
    public static double pullN(Magnet magnet) {
        return Pull.newtons(magnet);
    }

    /** Evaluates a build. */
    public static HoldResult evaluate(Build build) {
        return evaluate(build, WeightsEngine.evaluate(build), Placed.all(build));
    }

    private static HoldResult evaluate(Build build, Weights weights, List<Placed> placed) {
        return new Looking(build, weights, placed).looked();
    }

    /** What was found so far. */
    private static final class Looking {
        private final Build build;
        private final Weights weights;
        private final List<Placed> placed;
        private final List<String> loose = new ArrayList<>();
        private final List<String> unsaid = new ArrayList<>();
        private final List<Screwed> holes = new ArrayList<>();
        private final List<String> unscrewable = new ArrayList<>();
        private final List<Taped> tapes = new ArrayList<>();
        private final List<String> glued = new ArrayList<>();
        private final List<HoldResult.Hollow> hollow = new ArrayList<>();

        Looking(Build build, Weights weights, List<Placed> placed) {
            this.build = build;
            this.weights = weights;
            this.placed = placed;
        }

        HoldResult looked() {
            for (Placement lies : build.layout().placements()) {
                Optional<Part> part = build.part(lies.part());
                Optional<Shell> shell = build.shell(lies.shell());
                if (part.isPresent() && shell.isPresent()) {
                    look(part.get(), shell.get(), lies);
                }
            }
            build.casing().joints().forEach(this::screwedOn);
            return new HoldResult(loose, unsaid, holes, unscrewable, tapes, glued, hollow, closed(), magnets());
        }

        private void look(Part part, Shell shell, Placement lies) {
            if (lies.fixing().isEmpty()) {
                unsaid.add(part.id());
                return;
            }
            Fixing fixing = lies.fixing().get();
            if (part.family() == Family.KEYBOARD && Underlay.isAskedOf(fixing.by())) {
                bearing(part, shell, lies, fixing.by());
            }
            switch (fixing.by()) {
                case NOTHING -> loose.add(part.id());
                case TAPE -> tape(part, lies);
                case GLUE -> {
                    if (wearsOut(part)) {
                        glued.add(part.id());
                    }
                }
                case SCREWS -> screws(part, shell, lies, fixing.screw());
                case CLIPS, WEDGE, STRAP -> {
                    // Held; by how much is not looked at.
                }
            }
        }

        /** Whether a keyboard is borne where it is struck. */
        private void bearing(Part part, Shell shell, Placement lies, Fixing.By by) {
            List<Hole> screws = by != Fixing.By.SCREWS
                    ? List.of()
                    : part.body().holes().stream()
                            .filter(h ->
                                    h.tapped() || boss(part, shell, lies, h).isPresent())
                            .toList();
            Placed.of(placed, part.id())
                    .ifPresent(p -> hollow.addAll(Underlay.under(p, Placed.in(shell, placed), screws)));
        }

        /** The boss that a hole is meant for, if it is bored down over one. */
        private static Optional<Boss> boss(Part part, Shell shell, Placement lies, Hole hole) {
            boolean down = lies.orientation().turn(hole.face()).axis() == Face.TOP.axis() && !hole.tapped();
            return down ? nearest(shell, lies.place(hole.at(), part.body().bounds())) : Optional.empty();
        }

        private void tape(Part part, Placement lies) {
            double area = lies.orientation().turn(part.body().bounds()).area(Face.BOTTOM);
            double bears = area * TAPE_G_MM2;
            if (part.massG().value() > bears) {
                tapes.add(new Taped(part.id(), part.massG().value(), bears));
            }
        }

        private void screws(Part part, Shell shell, Placement lies, Optional<Screw> screw) {
            boolean any = false;
            List<Hole> all = part.body().holes();
            for (int i = 0; i < all.size(); i++) {
                Hole hole = all.get(i);
                Vec mouth = lies.place(hole.at(), part.body().bounds());
                Optional<Boss> boss = boss(part, shell, lies, hole);
                if (boss.isPresent()) {
                    any = true;
                    holes.add(over(part, i, hole, mouth, lies, shell, boss.get(), screw));
                }
            }
            // What has the thread itself is screwed on from outside, through a wall.
            boolean tapped = all.stream().anyMatch(Hole::tapped);
            if (!any && !tapped) {
                unscrewable.add(part.id());
            }
        }

        /** A tray that is held by screws. */
        private void screwedOn(Joint joint) {
            if (!(joint.way() instanceof Joint.Held held) || held.by() != Joint.Held.By.SCREWS) {
                return;
            }
            boolean any = false;
            for (Closing closing : Closing.of(build.casing(), joint)) {
                List<Boss> bosses = closing.bosses().bosses();
                for (int i = 0; i < bosses.size(); i++) {
                    Boss boss = bosses.get(i);
                    if (closing.takes(boss)) {
                        any = true;
                        holes.add(new Screwed(
                                joint.carries(),
                                i,
                                boss.thread(),
                                0,
                                0,
                                closing.clampedMm(boss),
                                boss.heightMm() + closing.bosses().floor().value(),
                                held.screw().map(Screw::lengthMm)));
                    }
                }
            }
            if (!any) {
                unscrewable.add(joint.carries());
            }
        }

        private static Optional<Boss> nearest(Shell shell, Vec at) {
            Optional<Boss> best = Optional.empty();
            double least = MEANT_MM;
            for (Boss boss : shell.bosses()) {
                double aside = Math.hypot(boss.xMm() - at.x(), boss.yMm() - at.y());
                if (aside < least) {
                    least = aside;
                    best = Optional.of(boss);
                }
            }
            return best;
        }

        private static Screwed over(
                Part part,
                int index,
                Hole hole,
                Vec mouth,
                Placement lies,
                Shell shell,
                Boss boss,
                Optional<Screw> screw) {
            double aside = Math.hypot(boss.xMm() - mouth.x(), boss.yMm() - mouth.y());
            double may = (hole.thread().clearanceMm() - boss.thread().diameterMm()) / 2;
            // A hole bored from below has its head side up where the part ends above it.
            boolean fromAbove = lies.orientation().turn(hole.face()) == Face.TOP;
            double head = fromAbove
                    ? mouth.z()
                    : lies.place(part.body().bounds(), part.body().bounds()).high(2);
            return new Screwed(
                    part.id(),
                    index,
                    boss.thread(),
                    aside,
                    Math.max(0, may),
                    Math.max(0, head - boss.heightMm()),
                    boss.heightMm() + shell.floor().value(),
                    screw.map(Screw::lengthMm));
        }

        /** Whether somebody will want it out one day. */
        private static boolean wearsOut(Part part) {
            return part.family() == Family.BATTERY
                    || part.family() == Family.DRIVE
                    || part.facet(Facet.Cells.class).isPresent()
                    || part.facet(Facet.MovesAir.class).isPresent();
        }

        /** Trays that only glue closes, and what wears out in them. */
        private List<Closed> closed() {
            Casing casing = build.casing();
            List<Closed> closed = new ArrayList<>();
            for (Joint joint : casing.joints()) {
                if (isGlue(joint)) {
                    List<String> parts = new ArrayList<>();
                    for (Placement lies : build.layout().placements()) {
                        boolean behind =
                                (lies.shell().equals(joint.on()) || lies.shell().equals(joint.carries()))
                                        && casing.joints().stream()
                                                .noneMatch(j -> !isGlue(j)
                                                        && (j.on().equals(lies.shell())
                                                                || j.carries().equals(lies.shell())));
                        build.part(lies.part())
                                .filter(p -> behind && wearsOut(p))
                                .ifPresent(p -> parts.add(p.id()));
                    }
                    if (!parts.isEmpty()) {
                        closed.add(new Closed(joint.id(), List.copyOf(parts)));
                    }
                }
            }
            return closed;
        }

        private List<Magnetic> magnets() {
            List<Magnetic> all = new ArrayList<>();
            for (Joint joint : build.casing().joints()) {
                if (joint.way() instanceof Joint.Held held && held.by() == Joint.Held.By.MAGNETS) {
                    double each = held.magnet().map(Pull::newtons).orElse(Double.NaN);
                    all.add(new Magnetic(joint.id(), joint.carries(), held.count(), each, carriedG(joint)));
                }
            }
            return all;
        }

        /** Of what hangs on a joint. */
        private double carriedG(Joint joint) {
            double g = 0;
            Set<String> hung = new HashSet<>();
            for (Weights.OfShell tray : weights.shells()) {
                if (build.casing().path(tray.shell().id()).contains(joint)) {
                    hung.add(tray.shell().id());
                    g += tray.g();
                }
            }
            for (Weights.OfPart part : weights.parts()) {
                boolean lies = build.placement(part.part().id())
                        .filter(p -> hung.contains(p.shell()))
                        .isPresent();
                g += lies ? part.massG().figure().value() : 0;
            }
            return g;
        }

        private static boolean isGlue(Joint joint) {
            return joint.way() instanceof Joint.Held held && held.by() == Joint.Held.By.GLUE;
        }
    }
}
