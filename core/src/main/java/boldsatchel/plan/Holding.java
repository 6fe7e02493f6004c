package boldsatchel.plan;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.balance.BalanceResult;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.hands.Grip;
import boldsatchel.hands.HandsEngine;
import boldsatchel.hands.HandsResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.machine.User;
import java.util.List;
import java.util.Optional;

/** Where a machine is better held, and how large letters want to be. */
public final class Holding {

    /** Places along the side that are tried. */
    private static final int PLACES = 24;
    /** Text is read with ease at this height of capitals, minutes of arc (ISO 9241-303: 20 to 22). */
    private static final double EASY_ARCMIN = 20;

    /** Angles of a hinge that are tried, and what is worth turning it. */
    private static final double TURN_DEG = 5;

    private static final double LEAST_GAIN_DEG = 1;

    private Holding() {}

    /** Puts the handle, or the band, over the centre of mass. */
    public static Edit overTheCentre(String posture) {
        return new Edit("hold it over its weight", b -> {
            Optional<BalanceResult.InPosture> in = BalanceEngine.evaluate(b).posture(posture);
            Optional<Shell> standing = b.casing().standing();
            return in.isPresent() && standing.isPresent()
                    ? heldAt(b, in.get().posture(), over(in.get(), standing.get()))
                    : b;
        });
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

    /**
     * A hinge opened otherwise.
     *
     * @param deg how far
     */
    public record Turned(Joint joint, double deg) {}

    /** The hinge between a screen and the tray that stands, opened so that the screen faces the eyes best; nothing where none helps. */
    public static Optional<Turned> facing(Build build, Posture posture, String screen) {
        double least = oblique(build, posture.name(), screen) - LEAST_GAIN_DEG;
        Optional<Turned> best = Optional.empty();
        for (Joint joint :
                build.placement(screen).map(p -> build.casing().path(p.shell())).orElse(List.of())) {
            for (double deg = 0;
                    joint.way() instanceof Joint.Hinged && deg <= joint.way().most();
                    deg += TURN_DEG) {
                Build turned = CaseEdits.open(joint, posture, deg).change().apply(build);
                double oblique = oblique(turned, posture.name(), screen);
                if (oblique < least) {
                    least = oblique;
                    best = Optional.of(new Turned(joint, deg));
                }
            }
        }
        return best;
    }

    private static double oblique(Build build, String posture, String screen) {
        return HandsEngine.evaluate(build, BalanceEngine.evaluate(build)).postures().stream()
                .filter(in -> in.posture().name().equals(posture))
                .flatMap(in -> in.sights().stream())
                .filter(s -> s.screen().equals(screen))
                .mapToDouble(HandsResult.Sight::obliqueDeg)
                .findFirst()
                .orElse(Double.POSITIVE_INFINITY);
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
