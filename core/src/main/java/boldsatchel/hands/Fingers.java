package boldsatchel.hands;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.balance.BalanceResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.geometry.Vec;
import boldsatchel.hands.HandsResult.Typing;
import boldsatchel.machine.Build;
import boldsatchel.machine.Posture;
import boldsatchel.machine.User;
import java.util.List;

/**
 * What wrists meet at a keyboard, and what a keystroke does to the machine. The wrists lie on what is before the keys, where that is deep enough, and
 * else on a rest that lies there, on the table or the thighs.
 */
record Fingers(Build build, Posed posed, BalanceResult balance, BalanceResult.InPosture in) {

    /** A palm rests on what is at least this deep. */
    private static final double PALM_MM = 60;
    /** Greatest force of a keystroke, N (about what Rempel and others measured, Journal of Biomechanics 27, 1994, 1101). */
    private static final double STROKE_N = 3;
    /** Fingers push forward a little as they strike: about 20° off the vertical; a guess. */
    private static final double SIDEWAYS_N = STROKE_N * Math.tan(Math.toRadians(20));
    /** Friction of rubber feet and of a bare case on a smooth table; guesses. */
    private static final double RUBBER = 0.6;

    private static final double BARE = 0.25;

    List<Typing> typings() {
        return posed.posture.held().stands()
                ? posed.keyboards.stream().map(this::typing).toList()
                : List.of();
    }

    private Typing typing(Posed.Keyboard keyboard) {
        Box out = posed.standing.outside();
        boolean rests = keyboard.belongs() && keyboard.frontY() - out.y() >= PALM_MM;
        double support = rests ? out.high(2) : rest() + (keyboard.belongs() ? posed.tableZ : tableOf(keyboard));
        double rise = keyboard.top().z() - support;
        double slope =
                Math.toDegrees(Math.atan2(-keyboard.out().y(), keyboard.out().z()));
        double wrist = Typing.bentDeg(rise) + slope;
        return new Typing(keyboard.part().id(), rise, wrist, grips(keyboard), keyboard.belongs() && tips(keyboard));
    }

    /** A rest for the palms lies on a table; on thighs none does. */
    private double rest() {
        return posed.posture.held() == Posture.Held.TABLE
                ? build.brief().user().flatMap(User::palmsMm).orElse(0.0)
                : 0;
    }

    private double tableOf(Posed.Keyboard keyboard) {
        return build.placement(keyboard.part().id())
                .flatMap(p -> build.shell(p.shell()))
                .map(s -> s.outside().z())
                .orElse(posed.tableZ);
    }

    private double grips(Posed.Keyboard keyboard) {
        double weight =
                keyboard.belongs() ? in.weightN() : keyboard.part().massG().value() * 1e-3 * BalanceEngine.GRAVITY;
        double friction = build.casing().feet().isPresent() && keyboard.belongs() ? RUBBER : BARE;
        return friction * (weight + STROKE_N) / SIDEWAYS_N;
    }

    /** Whether a stroke at a corner brings what bears down out of the feet. */
    private boolean tips(Posed.Keyboard keyboard) {
        double weight = in.weightN();
        for (Vec corner : keyboard.corners()) {
            Vec middle = in.centre().times(weight).plus(corner.times(STROKE_N)).times(1 / (weight + STROKE_N));
            if (weight > 0 && inside(in.centre()) && !inside(middle)) {
                return true;
            }
        }
        return false;
    }

    private boolean inside(Vec point) {
        List<Flat> ring =
                balance.support().stream().map(v -> new Flat(v.x(), v.y())).toList();
        return ring.size() < 3 || Outlines.holds(ring, point.x(), point.y());
    }
}
