package boldsatchel.plan;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.hands.Grip;
import boldsatchel.hands.HandsEngine;
import boldsatchel.hands.HandsResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.machine.User;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/** How a machine is better sat before: screens turned, seen from further off, drawn larger; keys lower. */
public final class Sitting {

    /** Angles of a hinge that are tried, and what is worth turning it. */
    private static final double TURN_DEG = 5;

    private static final double LEAST_GAIN_DEG = 1;

    /** Nobody sits further from a screen that stands on a table. */
    private static final double FARTHEST_MM = 900;
    /** Systems draw in such steps. */
    private static final double SCALE_STEP = 0.25;
    /** A palm rest is seldom higher. */
    private static final double REST_MOST_MM = 45;
    /** With it the wrists are bent by no more than this. */
    private static final double EASY_WRIST_DEG = 10;

    private Sitting() {}

    /**
     * A hinge opened otherwise.
     *
     * @param deg how far
     */
    public record Turned(Joint joint, double deg) {}

    /** The hinge between a screen and the tray that stands, opened so that the screen faces the eyes best; nothing where none helps. */
    public static Optional<Turned> facing(Build build, Posture posture, String screen) {
        double now =
                sight(build, posture, screen).map(HandsResult.Sight::obliqueDeg).orElse(Double.POSITIVE_INFINITY);
        return turned(build, posture, screen, HandsResult.Sight::obliqueDeg, now - LEAST_GAIN_DEG);
    }

    /** The same so that its picture is turned by no more than that, and faces the eyes as well as it can. */
    public static Optional<Turned> level(Build build, Posture posture, String screen, double mostDeg) {
        return within(build, posture, screen, HandsResult.Sight::rollDeg, mostDeg);
    }

    /** The same so that the eyes look no further down than that, and the screen faces them as well as it can. */
    public static Optional<Turned> higher(Build build, Posture posture, String screen, double mostDeg) {
        return within(build, posture, screen, HandsResult.Sight::belowDeg, mostDeg);
    }

    private static Optional<Turned> within(
            Build build, Posture posture, String screen, ToDoubleFunction<HandsResult.Sight> of, double most) {
        double never = Double.POSITIVE_INFINITY;
        return turned(build, posture, screen, s -> of.applyAsDouble(s) > most ? never : s.obliqueDeg(), never);
    }

    private static Optional<Turned> turned(
            Build build, Posture posture, String screen, ToDoubleFunction<HandsResult.Sight> bad, double least) {
        Optional<Turned> best = Optional.empty();
        double left = least;
        for (Joint joint :
                build.placement(screen).map(p -> build.casing().path(p.shell())).orElse(List.of())) {
            for (double deg = 0;
                    joint.way() instanceof Joint.Hinged && deg <= joint.way().most();
                    deg += TURN_DEG) {
                Build turned = CaseEdits.open(joint, posture, deg).change().apply(build);
                double found =
                        sight(turned, posture, screen).map(bad::applyAsDouble).orElse(Double.POSITIVE_INFINITY);
                if (found < left) {
                    left = found;
                    best = Optional.of(new Turned(joint, deg));
                }
            }
        }
        return best;
    }

    private static Optional<HandsResult.InPosture> in(Build build, Posture posture) {
        return HandsEngine.evaluate(build, BalanceEngine.evaluate(build)).posture(posture.name());
    }

    private static Optional<HandsResult.Sight> sight(Build build, Posture posture, String screen) {
        return in(build, posture).stream()
                .flatMap(in -> in.sights().stream())
                .filter(s -> s.screen().equals(screen))
                .findFirst();
    }

    /**
     * So far from it that the eyes look no further down on a screen than that, mm; nothing where that is further than anybody sits, or than the
     * arms of somebody who types reach.
     */
    public static OptionalDouble further(Build build, Posture posture, String screen, double mostDeg) {
        Optional<HandsResult.InPosture> in = in(build, posture);
        Optional<HandsResult.Sight> now = sight(build, posture, screen);
        if (now.isEmpty()) {
            return OptionalDouble.empty();
        }
        User user = build.brief().user().orElse(User.USUAL);
        boolean types = in.filter(i -> !i.typings().isEmpty()).isPresent();
        double farthest = types ? Grip.armsMm(user) / Math.cos(Math.toRadians(mostDeg)) : FARTHEST_MM;
        double over = now.get().eyesMm() * Math.sin(Math.toRadians(now.get().belowDeg()));
        double away = Math.ceil(over / Math.sin(Math.toRadians(mostDeg)) / 10) * 10;
        Build seated = sitting(away).change().apply(build);
        boolean helps = sight(seated, posture, screen)
                .filter(s -> s.belowDeg() <= mostDeg)
                .isPresent();
        return helps && away <= farthest ? OptionalDouble.of(away) : OptionalDouble.empty();
    }

    /** Writes down how far from the screen the eyes are. */
    public static Edit sitting(double eyesMm) {
        return Edits.brief(
                "sit further off", b -> b.withUser(b.user().orElse(User.USUAL).seeing(eyesMm)));
    }

    /**
     * How large the system is to draw on a screen so that what goes over to it from another keeps its size.
     *
     * @param scale times what it draws without one
     */
    public record Scaled(Part screen, double scale) {}

    /** The screens whose dots look smaller than those of another by more than that, drawn larger; nothing where the steps of systems are too wide. */
    public static List<Scaled> scaled(Build build, HandsResult.InPosture in, double mostUnequal) {
        double largest = in.sights().stream()
                .mapToDouble(HandsResult.Sight::dotArcmin)
                .max()
                .orElse(1);
        return in.sights().stream()
                .filter(s -> largest / s.dotArcmin() > mostUnequal)
                .flatMap(s -> build.part(s.screen()).stream().map(p -> {
                    double drawn =
                            p.facet(Facet.ShowsPicture.class).orElseThrow().drawn();
                    double wanted = drawn * largest / s.dotArcmin();
                    return new Scaled(p, Math.max(1, Math.round(wanted / SCALE_STEP)) * SCALE_STEP);
                }))
                .toList();
    }

    /** Has them drawn so. */
    public static Edit drawing(List<Scaled> all) {
        return new Edit("draw alike on all screens", build -> {
            Build drawn = build;
            for (Scaled scaled : all) {
                Optional<Part> part = drawn.part(scaled.screen().id());
                drawn = part.flatMap(
                                p -> p.facet(Facet.ShowsPicture.class).map(s -> p.withFacet(s.drawn(scaled.scale()))))
                        .map(drawn::with)
                        .orElse(drawn);
            }
            return drawn;
        });
    }

    /** How high a rest for the palms before the keys is, mm; nothing where no usual one is high enough, or there is no table to lay it on. */
    public static OptionalDouble rest(Build build, Posture posture, HandsResult.Typing typing, double mostDeg) {
        double slope = typing.wristDeg() - HandsResult.Typing.bentDeg(typing.riseMm());
        double easy = HandsResult.Typing.WRIST_TO_TIPS_MM * Math.tan(Math.toRadians(EASY_WRIST_DEG - slope));
        double now = build.brief().user().flatMap(User::palmsMm).orElse(0.0);
        double high = Math.min(REST_MOST_MM, Math.ceil(now + typing.riseMm() - easy));
        boolean helps = high > 0
                && in(resting(high).change().apply(build), posture).stream()
                        .flatMap(i -> i.typings().stream())
                        .anyMatch(t -> t.keyboard().equals(typing.keyboard()) && t.wristDeg() <= mostDeg);
        return helps ? OptionalDouble.of(high) : OptionalDouble.empty();
    }

    /** Lays a rest for the palms before the keys. */
    public static Edit resting(double highMm) {
        return Edits.brief(
                "lay a palm rest before it",
                b -> b.withUser(b.user().orElse(User.USUAL).resting(highMm)));
    }

    /** Whether no keystroke lifts the far side of a keyboard in a posture. */
    public static Predicate<Build> typedFirmly(Posture posture, String keyboard) {
        return build -> in(build, posture).stream()
                .flatMap(in -> in.typings().stream())
                .noneMatch(t -> t.keyboard().equals(keyboard) && t.tips());
    }
}
