package boldsatchel.plan;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.balance.BalanceResult;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.hands.Grip;
import boldsatchel.hands.HandsEngine;
import boldsatchel.hands.HandsResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.machine.User;
import java.util.Comparator;
import java.util.Optional;
import java.util.function.BiFunction;

/** Where a machine is better held, and how large letters want to be. */
public final class Holding {

    /** Places along the side that are tried. */
    private static final int PLACES = 24;
    /** Text is read with ease at this height of capitals, minutes of arc (ISO 9241-303: 20 to 22). */
    private static final double EASY_ARCMIN = 20;

    private Holding() {}

    /** Puts the handle, or the band, over the centre of mass. */
    public static Edit overTheCentre(String posture) {
        return new Edit(
                "hold it over its weight", b -> held(b, posture, Holding::over).orElse(b));
    }

    private static Vec over(BalanceResult.InPosture in, Shell standing) {
        return new Vec(in.centre().x(), in.centre().y(), standing.outside().high(2));
    }

    private static Build heldAt(Build build, Posture posture, Vec at) {
        return build.with(build.casing().withPosture(posture.heldAt(at)));
    }

    /** The build held along its sides where the control that is farthest from the thumbs is nearest; nothing where that is no nearer than now. */
    public static Optional<Build> nearer(Build build, String posture) {
        Optional<Posture> held = build.casing().looks().stream()
                .filter(p -> p.name().equals(posture))
                .findFirst();
        Optional<Vec> now = held.flatMap(p -> Grip.at(build.casing(), p));
        if (now.isEmpty()) {
            return Optional.empty();
        }
        Box out = build.casing().standing().orElseThrow().outside();
        double least = farthest(build, posture);
        Optional<Build> best = Optional.empty();
        for (int i = 0; i <= PLACES; i++) {
            Vec at = new Vec(
                    now.get().x(), out.y() + out.dy() * i / PLACES, now.get().z());
            Build moved = heldAt(build, held.orElseThrow(), at);
            double far = farthest(moved, posture);
            if (far < least - 1) {
                least = far;
                best = Optional.of(moved);
            }
        }
        return best;
    }

    private static double farthest(Build build, String posture) {
        return HandsEngine.evaluate(build, BalanceEngine.evaluate(build))
                .posture(posture)
                .map(HandsResult.InPosture::reaches)
                .flatMap(all -> all.stream().map(HandsResult.Reach::beyondMm).max(Double::compare))
                .orElse(Double.NEGATIVE_INFINITY);
    }

    /** Carries it otherwise in a posture. */
    public static Edit carried(String posture, Posture.Held held) {
        return Edits.casing(
                "carry it with " + held.words(),
                c -> c.looks().stream()
                        .filter(p -> p.name().equals(posture))
                        .findFirst()
                        .map(p -> c.withPosture(p.carriedBy(held)))
                        .orElse(c));
    }

    /** The build held in two hands beside its weight, where nothing of it tires before that long; nothing where something does. */
    public static Optional<Build> level(Build build, String posture, double leastMinutes) {
        return held(build, posture, (in, standing) -> {
                    Vec now = Grip.at(build.casing(), in.posture()).orElse(in.centre());
                    return new Vec(now.x(), in.centre().y(), now.z());
                })
                .filter(b -> tiresAfter(b, posture) >= leastMinutes);
    }

    /** The build worn with that of its sides at the forehead that its weight is nearest to, where a neck bears that; nothing where none does. */
    public static Optional<Build> nearHead(Build build, String posture) {
        return held(
                        build,
                        posture,
                        (in, standing) -> Face.ALL.stream()
                                .map(f -> onSide(in.centre(), standing.outside(), f))
                                .min(Comparator.comparingDouble(
                                        at -> at.minus(in.centre()).length()))
                                .orElseThrow())
                .filter(b -> isBorne(b, posture));
    }

    private static Vec onSide(Vec point, Box box, Face face) {
        return point.plus(Vec.on(face.axis(), box.end(face) - point.along(face.axis())));
    }

    /** The lightest of the batteries that may be worn elsewhere so that a neck bears the rest; nothing where none is enough. */
    public static Optional<Part> toBelt(Build build, String posture) {
        return build.layout().placements().stream()
                .filter(p -> build.casing().belongs(p.shell()))
                .flatMap(p -> build.part(p.part()).stream())
                .filter(p -> p.family() == Family.BATTERY)
                .sorted(Comparator.comparingDouble(p -> p.massG().value()))
                .filter(p -> isBorne(Aside.out(p).change().apply(build), posture))
                .findFirst();
    }

    private static boolean isBorne(Build build, String posture) {
        return in(build, posture).stream().flatMap(i -> i.loads().stream()).noneMatch(l -> l.momentNm() > l.mostNm());
    }

    private static double tiresAfter(Build build, String posture) {
        return in(build, posture).stream()
                .flatMap(i -> i.loads().stream())
                .mapToDouble(HandsResult.Load::minutes)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }

    private static Optional<HandsResult.InPosture> in(Build build, String posture) {
        return HandsEngine.evaluate(build, BalanceEngine.evaluate(build)).posture(posture);
    }

    private static Optional<Build> held(
            Build build, String posture, BiFunction<BalanceResult.InPosture, Shell, Vec> place) {
        return BalanceEngine.evaluate(build)
                .posture(posture)
                .flatMap(in -> build.casing().standing().map(s -> heldAt(build, in.posture(), place.apply(in, s))));
    }

    /** Letters so large that those of a screen are read with ease. */
    public static double capitalsPx(Build build, HandsResult.Sight sight) {
        double now = build.brief().user().orElse(User.USUAL).capitalsPx();
        return Math.ceil(now * EASY_ARCMIN / sight.capitalsArcmin());
    }

    /** Draws letters of a height. */
    public static Edit drawing(double capitalsPx) {
        return Edits.brief(
                "draw letters larger",
                b -> b.withUser(b.user().orElse(User.USUAL).drawing(capitalsPx)));
    }
}
