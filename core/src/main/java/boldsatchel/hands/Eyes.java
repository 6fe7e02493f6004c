package boldsatchel.hands;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.hands.HandsResult.Sight;
import boldsatchel.machine.Build;
import boldsatchel.machine.User;
import java.util.List;
import java.util.Optional;

/**
 * What the eyes of somebody meet who sits before a machine that stands, or holds it up. Who sits has the eyes at the height of a body over the
 * table or the thighs, behind the middle of the keys by the length of a forearm; who holds it turns the largest screen to the eyes. What is worn
 * on the head has optics that are not looked at.
 */
record Eyes(Build build, Posed posed) {

    /** Of what is held up, if nobody said. */
    private static final double HELD_MM = 400;
    /** Nobody's chin is nearer to the middle of a screen than this, along the ground. */
    private static final double LEAST_AWAY_MM = 120;
    /** How far before a machine without keys somebody sits. */
    private static final double BEFORE_MM = 250;
    /** What faces the eyes by less than this is not seen. */
    private static final double LEAST_FACING = 0.15;

    List<Sight> sights() {
        Optional<Posed.Screen> main = posed.main();
        if (main.isEmpty()) {
            return List.of();
        }
        User user = build.brief().user().orElse(User.USUAL);
        return switch (posed.posture.held()) {
            case TABLE -> seated(user, main.get(), Stature.of(user).eyesOverTable());
            case LAP -> seated(user, main.get(), Stature.of(user).eyesOverLap());
            case HANDS, ARM, WORN -> heldUp(user, main.get());
            case HANDLE, STOWED, HEAD -> List.of();
        };
    }

    private List<Sight> seated(User user, Posed.Screen main, double eyesOver) {
        Vec eye = eye(user, main, posed.tableZ + eyesOver);
        return posed.screens.stream()
                .filter(s -> s.out().dot(toward(s, eye)) > LEAST_FACING)
                .map(s -> sight(user, s, eye))
                .toList();
    }

    /** Where the eyes are; with a distance to the screen that was said they come as near as that, or as their height lets them. */
    private Vec eye(User user, Posed.Screen main, double z) {
        Box out = posed.standing.outside();
        double x = out.centre().x();
        double y = posed.keyboards.stream()
                .mapToDouble(k -> k.top().y() - Stature.of(user).eyesBehindFingers())
                .max()
                .orElse(out.y() - BEFORE_MM);
        if (user.eyesMm().isPresent()) {
            double away = Math.pow(user.eyesMm().get(), 2)
                    - Math.pow(z - main.middle().z(), 2)
                    - Math.pow(x - main.middle().x(), 2);
            y = main.middle().y() - Math.sqrt(Math.max(LEAST_AWAY_MM * LEAST_AWAY_MM, away));
        }
        return new Vec(x, Math.min(y, main.middle().y() - LEAST_AWAY_MM), z);
    }

    private static Vec toward(Posed.Screen screen, Vec eye) {
        Vec way = eye.minus(screen.middle());
        return way.times(1 / Math.max(1e-9, way.length()));
    }

    private static Sight sight(User user, Posed.Screen screen, Vec eye) {
        Vec way = toward(screen, eye);
        return sight(
                user,
                screen,
                eye.minus(screen.middle()).length(),
                Math.toDegrees(Math.asin(Math.clamp(way.z(), -1, 1))),
                screen.out().dot(way),
                roll(screen));
    }

    private List<Sight> heldUp(User user, Posed.Screen main) {
        double away = user.eyesMm().orElse(HELD_MM);
        return posed.screens.stream()
                .filter(s -> s.out().dot(main.out()) > LEAST_FACING)
                .map(s -> sight(user, s, away, Double.NaN, s.out().dot(main.out()), Double.NaN))
                .toList();
    }

    /**
     * How far neither of its sides lies level, degrees. A picture that leans back about a level side is not turned; one on a hinge of a leaning
     * screen is.
     */
    private static double roll(Posed.Screen screen) {
        double least =
                Math.min(Math.abs(screen.across().z()), Math.abs(screen.up().z()));
        return Math.toDegrees(Math.asin(Math.min(1, least)));
    }

    private static Sight sight(
            User user, Posed.Screen screen, double away, double belowDeg, double facing, double rollDeg) {
        double dot = arcmin(screen.dotMm(), away);
        // Seen from aside a letter is lower; from one side only narrower, which this does not tell apart.
        double capitals = arcmin(screen.dotMm() * user.capitalsPx() * Math.min(1, facing), away);
        double oblique = Math.toDegrees(Math.acos(Math.clamp(facing, -1, 1)));
        return new Sight(screen.part(), away, belowDeg, oblique, rollDeg, capitals, dot);
    }

    private static double arcmin(double mm, double awayMm) {
        return 60 * Math.toDegrees(2 * Math.atan(mm / 2 / awayMm));
    }
}
