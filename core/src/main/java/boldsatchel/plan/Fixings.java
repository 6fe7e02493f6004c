package boldsatchel.plan;

import boldsatchel.edit.Edit;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.hold.Closing;
import boldsatchel.hold.HoldEngine;
import boldsatchel.hold.HoldResult;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Magnet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Screw;
import boldsatchel.machine.ScrewThread;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;

/** What parts are usually held by, bosses under their holes, and screws that are long enough. */
public final class Fixings {

    /** A boss is so many diameters of its screw thick; with an insert a little more is left. */
    private static final double BOSS_DIAMETERS = 2.4;

    private static final int SCREWS = 4;
    /** More magnets than this nobody glues in. */
    private static final int MOST_MAGNETS = 12;
    /** Discs that are sold everywhere, mm. */
    private static final double[] MAGNETS_MM = {8, 10, 12, 15, 20};

    /** What trays are usually screwed together by. */
    private static final ScrewThread CLOSES = ScrewThread.M3;

    /** Whether at the right, and at the back: corners across from one another first. */
    private static final boolean[][] CORNERS = {{false, false}, {true, true}, {true, false}, {false, true}};

    private static final int CORNER_STEPS = 16;
    private static final double CORNER_STEP_MM = 4;

    private static final int POST_STEPS = 4;
    private static final double POST_STEP_MM = 2;

    private Fixings() {}

    /** Holds a part by something. */
    public static Edit hold(String part, Fixing.By by) {
        return new Edit("hold it by " + by.words(), b -> held(b, part, Fixing.by(by)));
    }

    private static Build held(Build build, String part, Fixing fixing) {
        return build.placement(part)
                .map(p -> build.with(p.held(Optional.of(fixing))))
                .orElse(build);
    }

    /** Holds every part of which nobody said it by what is usual for it. */
    public static Edit usual() {
        return new Edit("hold parts as usual", b -> {
            Build said = b;
            for (String id : HoldEngine.evaluate(b).unsaid()) {
                said = held(said, id, usual(said, id));
            }
            return said;
        });
    }

    private static Fixing usual(Build build, String id) {
        Part part = build.part(id).orElseThrow();
        Fixing screwed = Fixing.by(Fixing.By.SCREWS);
        Build tried = held(build, id, screwed);
        if (!part.body().holes().isEmpty()
                && !HoldEngine.evaluate(tried).unscrewable().contains(id)) {
            return screwed;
        }
        if (part.family() == Family.BATTERY) {
            return Fixing.by(Fixing.By.STRAP);
        }
        Fixing taped = Fixing.by(Fixing.By.TAPE);
        boolean bears = HoldEngine.evaluate(held(build, id, taped)).tapes().stream()
                .noneMatch(t -> t.part().equals(id));
        boolean light = part.family() == Family.CABLE || part.family() == Family.RADIO || part.family() == Family.SOUND;
        return bears && light ? taped : Fixing.by(Fixing.By.CLIPS);
    }

    /** Puts a boss under each hole of a part that is bored downwards, as high as the part lies; bosses near them go. */
    public static Edit bosses(String partId) {
        return new Edit("put bosses under it", b -> {
            Optional<Part> part = b.part(partId);
            Optional<Placement> lies = b.placement(partId);
            Optional<Shell> shell = lies.flatMap(p -> b.shell(p.shell()));
            if (part.isEmpty() || shell.isEmpty()) {
                return b;
            }
            Box bounds = part.get().body().bounds();
            List<Boss> bosses = new ArrayList<>(shell.get().bosses());
            for (Hole hole : part.get().body().holes()) {
                Vec at = lies.get().place(hole.at(), bounds);
                if (lies.get().orientation().turn(hole.face()).axis() == 2 && !hole.tapped()) {
                    double thick = BOSS_DIAMETERS * hole.thread().diameterMm();
                    bosses.removeIf(o -> Math.hypot(o.xMm() - at.x(), o.yMm() - at.y()) < thick);
                    bosses.add(new Boss(at.x(), at.y(), under(part.get(), lies.get(), at), thick, hole.thread()));
                }
            }
            return b.with(
                    b.casing().withShell(Form.of(Shell.class).field("bosses").with(shell.get(), bosses)));
        });
    }

    /** Height of the underside of what a hole goes through. */
    private static double under(Part part, Placement lies, Vec hole) {
        Box bounds = part.body().bounds();
        return part.body().whole().stream()
                .map(s -> lies.place(s.bounds(), bounds))
                .filter(b -> b.x() <= hole.x() && hole.x() <= b.high(0) && b.y() <= hole.y() && hole.y() <= b.high(1))
                .mapToDouble(Box::z)
                .min()
                .orElse(lies.at().z());
    }

    /** The shortest screw to be had that holds and does not come through; nothing where there is none. */
    public static Optional<Screw> screw(HoldResult.Screwed hole) {
        return Screw.LENGTHS.stream()
                .map(l -> new Screw(hole.thread(), l))
                .filter(s -> s.lengthMm() - hole.clampedMm() >= Math.min(hole.wantedMm(), hole.boredMm() - 1)
                        && s.lengthMm() - hole.clampedMm() <= hole.boredMm())
                .findFirst();
    }

    /** Takes other screws for a part, or for a tray that is screwed on. */
    public static Edit screws(String id, Screw screw) {
        return new Edit(
                "take screws " + screw.words(),
                b -> b.casing()
                        .carrying(id)
                        .map(j -> way(
                                b, j.id(), w -> w instanceof Joint.Held h ? Joint.Held.screws(h.count(), screw) : w))
                        .orElseGet(() -> held(b, id, new Fixing(Fixing.By.SCREWS, Optional.of(screw)))));
    }

    /**
     * Puts bosses that take the screws of a tray into the corners of the one that it lies face to face on, or lies over, as near to each corner as the parts let it,
     * and takes screws that hold in them; nothing where there is no room for any.
     */
    public static Optional<Edit> corners(Build build, String carried) {
        return cornered(build, carried)
                .map(c -> new Edit(
                        "put bosses into the corners", b -> cornered(b, carried).orElse(b)));
    }

    private static Optional<Build> cornered(Build build, String carried) {
        return build.casing()
                .carrying(carried)
                .flatMap(joint -> joint.way() instanceof Joint.Held held
                        ? Closing.of(build.casing(), joint).stream()
                                .map(c -> cornered(build, c, held.count()))
                                .flatMap(Optional::stream)
                                .findFirst()
                        : Optional.empty())
                .map(b -> HoldEngine.evaluate(b).holes().stream()
                        .filter(h -> h.part().equals(carried))
                        .findFirst()
                        .flatMap(Fixings::screw)
                        .map(s -> screws(carried, s).change().apply(b))
                        .orElse(b));
    }

    private static Optional<Build> cornered(Build build, Closing closing, int count) {
        int before = FreeMove.trouble(build, FitEngine.evaluate(build));
        double inset = BOSS_DIAMETERS * CLOSES.diameterMm() / 2;
        Box in = closing.bosses().cavity();
        Build made = build;
        for (int corner = 0; corner < Math.min(count, CORNERS.length); corner++) {
            boolean placed = false;
            for (int step = 0; step < 2 * CORNER_STEPS && !placed; step++) {
                double off = inset + (step - step % 2) * CORNER_STEP_MM / 2;
                double right = step % 2 == 0 ? off : inset;
                double back = step % 2 == 0 ? inset : off;
                Boss boss = new Boss(
                        CORNERS[corner][0] ? in.high(0) - right : right,
                        CORNERS[corner][1] ? in.high(1) - back : back,
                        closing.plate().z(),
                        2 * inset,
                        CLOSES);
                boolean within = right <= in.dx() / 2 && back <= in.dy() / 2;
                if (within && boss.heightMm() > 0 && closing.takes(boss)) {
                    Build tried = with(made, closing.bosses().id(), boss);
                    placed = FreeMove.trouble(tried, FitEngine.evaluate(tried)) <= before;
                    made = placed ? tried : made;
                }
            }
        }
        return made.equals(build) ? Optional.empty() : Optional.of(made);
    }

    /** Puts posts under the corners of a keyboard that lie hollow, or beside them where something lies in the way; nothing where that does not bear it. */
    public static Optional<Edit> posts(Build build, String keyboard) {
        return posted(build, keyboard)
                .map(c ->
                        new Edit("put posts under it", b -> posted(b, keyboard).orElse(b)));
    }

    private static Optional<HoldResult.Hollow> hollow(Build build, String keyboard) {
        return HoldEngine.evaluate(build).hollow().stream()
                .filter(h -> h.part().equals(keyboard))
                .findFirst();
    }

    private static Optional<Build> posted(Build build, String keyboard) {
        Optional<Placed> lies = Placed.of(build, keyboard);
        Optional<HoldResult.Hollow> hollow = hollow(build, keyboard);
        if (lies.isEmpty() || hollow.isEmpty()) {
            return Optional.empty();
        }
        Vec middle = lies.get().bounds().centre();
        Build made = build;
        for (Vec corner : hollow.get().corners()) {
            made = posted(made, lies.get().shell().id(), corner, middle).orElse(made);
        }
        return Optional.of(made).filter(b -> hollow(b, keyboard).isEmpty());
    }

    /** A post as near to a corner of a keyboard as there is room, towards its middle along either side. */
    private static Optional<Build> posted(Build build, String shell, Vec corner, Vec middle) {
        int before = FreeMove.trouble(build, FitEngine.evaluate(build));
        Vec in = new Vec(Math.signum(middle.x() - corner.x()), Math.signum(middle.y() - corner.y()), 0);
        return IntStream.range(0, 2 * POST_STEPS)
                .mapToObj(step ->
                        corner.plus(Vec.on(step % 2, in.along(step % 2) * POST_STEP_MM * (step - step % 2) / 2)))
                .map(at -> new Boss(at.x(), at.y(), at.z(), BOSS_DIAMETERS * CLOSES.diameterMm(), CLOSES))
                .filter(boss -> boss.heightMm() > 0)
                .map(boss -> with(build, shell, boss))
                .filter(tried -> FreeMove.trouble(tried, FitEngine.evaluate(tried)) <= before)
                .findFirst();
    }

    private static Build with(Build build, String shell, Boss boss) {
        Shell now = build.shell(shell).orElseThrow();
        List<Boss> bosses = new ArrayList<>(now.bosses());
        bosses.add(boss);
        return build.with(
                build.casing().withShell(Form.of(Shell.class).field("bosses").with(now, bosses)));
    }

    /** Screws a tray on in place of what holds it. */
    public static Edit screwOn(String joint) {
        return new Edit("screw a tray on", b -> way(b, joint, w -> new Joint.Held(Joint.Held.By.SCREWS, SCREWS)));
    }

    /** Says which magnets hold a tray. */
    public static Edit magnets(String shell, Magnet magnet) {
        return new Edit(
                "say which magnets",
                b -> b.casing()
                        .carrying(shell)
                        .map(j -> way(
                                b,
                                j.id(),
                                w -> w instanceof Joint.Held held ? Joint.Held.magnets(held.count(), magnet) : w))
                        .orElse(b));
    }

    /** Holds a tray otherwise. */
    public static Edit heldSo(String shell, Joint.Held held) {
        return new Edit(
                "hold a tray otherwise",
                b -> b.casing()
                        .carrying(shell)
                        .map(j -> way(b, j.id(), w -> held))
                        .orElse(b));
    }

    private static Build way(Build build, String joint, UnaryOperator<Joint.Way> change) {
        return build.casing()
                .joint(joint)
                .map(j -> build.with(build.casing().withJoint(j.with(change.apply(j.way())))))
                .orElse(build);
    }

    /** Magnets that hold a tray: as few more of the same as do, or larger ones; nothing where none of those that are usual do. */
    public static Optional<Joint.Held> strongEnough(Build build, HoldResult.Magnetic now) {
        return build.casing()
                .joint(now.joint())
                .flatMap(j -> j.way() instanceof Joint.Held held ? held.magnet() : Optional.empty())
                .flatMap(magnet -> DoubleStream.concat(
                                DoubleStream.of(magnet.diameterMm()),
                                DoubleStream.of(MAGNETS_MM).filter(d -> d > magnet.diameterMm()))
                        .mapToObj(d -> new Magnet(d, magnet.thickMm(), magnet.gapMm(), magnet.onSteel()))
                        .flatMap(m -> IntStream.rangeClosed(Math.max(1, now.count()), MOST_MAGNETS)
                                .mapToObj(n -> Joint.Held.magnets(n, m)))
                        .filter(h -> h.count() * HoldEngine.pullN(h.magnet().orElseThrow()) >= now.wantedN())
                        .findFirst());
    }
}
