package boldsatchel.plan;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.balance.BalanceResult;
import boldsatchel.edit.Edit;
import boldsatchel.fit.FreePlace;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import java.util.List;
import java.util.Optional;

/** What keeps a machine from tipping: a stop for what opens too far, and a weight in front. */
public final class Steadying {

    /** A lid that opens less than this is of little use, degrees. */
    private static final double USEFUL_DEG = 60;
    /** Density of mild steel, g/mm³ (EN 1993-1-1). */
    private static final double STEEL = 7.85e-3;

    private static final double BAR_DEEP_MM = 12;
    private static final double BAR_WIDE = 0.45;
    private static final int MOST_TRIES = 8;
    private static final double HEAVIER = 1.25;

    private Steadying() {}

    /** The widest angle of the joint that tips it at which the margin still is what is wanted; nothing where that is of little use. */
    public static Optional<Double> stopDeg(Build build, BalanceResult balance) {
        double wanted = build.brief().limits().tipMarginDeg();
        String joint = balance.worst().joint();
        double widest = 0;
        for (BalanceResult.Margin margin : balance.sweep()) {
            if (margin.joint().equals(joint)) {
                if (margin.marginDeg() < wanted) {
                    break;
                }
                widest = margin.amount();
            }
        }
        boolean hinge = build.casing().joint(joint).flatMap(Joint::hinge).isPresent();
        return hinge && widest >= USEFUL_DEG ? Optional.of(widest) : Optional.empty();
    }

    /** Gives the joint that tips it a stop there. */
    public static Edit stop() {
        return new Edit("stop the lid earlier", b -> {
            BalanceResult balance = BalanceEngine.evaluate(b);
            Optional<Joint> joint = b.casing().joint(balance.worst().joint());
            return stopDeg(b, balance)
                    .flatMap(stop -> joint.map(j -> b.with(b.casing().withJoint(stopped(j, stop)))))
                    .orElse(b);
        });
    }

    private static Joint stopped(Joint joint, double stop) {
        return joint.hinge()
                .map(h -> joint.with(new Joint.Hinged(h.axis(), stop, h.frictionNm(), h.detents())))
                .orElse(joint);
    }

    /** A build with a bar of steel at the front of the tray that stands, as heavy as it takes where there is room for it; nothing where there is none. */
    public static Optional<Build> weighted(Build build) {
        Optional<Shell> base = build.casing().standing();
        double grams = BalanceEngine.evaluate(build).counterweightG().orElse(0.0);
        double wanted = build.brief().limits().tipMarginDeg();
        for (int i = 0; i < MOST_TRIES && grams > 0 && base.isPresent(); i++) {
            Part bar = bar(build, base.get(), grams);
            Optional<Placement> place =
                    new FreePlace(build, base.get(), build.brief().limits().gapMm()).of(bar);
            if (place.isEmpty()) {
                return Optional.empty();
            }
            Build with = build.with(bar).with(place.get());
            boolean stands = BalanceEngine.evaluate(with)
                    .tipMarginDeg()
                    .filter(m -> m.nominal() >= wanted)
                    .isPresent();
            if (stands) {
                return Optional.of(with);
            }
            grams *= HEAVIER;
        }
        return Optional.empty();
    }

    private static Part bar(Build build, Shell base, double grams) {
        double rounded = Math.ceil(grams / 5) * 5;
        double wide = base.widthMm().value() * BAR_WIDE;
        double high = rounded / (STEEL * wide * BAR_DEEP_MM);
        return new Part(
                build.freeId("counterweight"),
                "Counterweight, steel bar, " + Math.round(rounded) + " g",
                Family.MECHANICS,
                "Cut from flat bar; weigh it.",
                Figure.guess(rounded),
                Figure.guess(0),
                Part.Standing.TO_BUY,
                Body.block(Figure.guess(wide), Figure.guess(BAR_DEEP_MM), Figure.guess(high)),
                List.of());
    }
}
