package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.numbers;

import boldsatchel.balance.BalanceResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Hinge;
import boldsatchel.quantity.Spread;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;

/** Carries and stands, and what unbalances it. */
final class BalanceJudge {

    private static final String METHOD = "balance";

    private BalanceJudge() {}

    static Verdict carries(Build build, BalanceResult balance) {
        OptionalDouble limit =
                build.brief().limits().massG().map(OptionalDouble::of).orElse(OptionalDouble.empty());
        Spread mass = balance.massG();
        List<Working.Step> steps = new ArrayList<>();
        for (BalanceResult.Item item : balance.items()) {
            steps.add(new Working.Step(item.name(), "", "", Math.round(item.massG()) + " g"));
        }
        String heaviest = balance.items().isEmpty()
                ? "Nothing weighs anything yet."
                : "Heaviest: " + balance.items().getFirst().name() + ", "
                        + Math.round(balance.items().getFirst().massG()) + " g.";
        return new Verdict(
                Verdict.Kind.CARRIES,
                Verdict.against(mass.nominal(), mass.low(), mass.high(), limit, false),
                mass.nominal(),
                limit,
                mass.low(),
                mass.high(),
                heaviest,
                new Working(steps, mass, METHOD));
    }

    static Verdict stands(Build build, BalanceResult balance) {
        double wanted = build.brief().limits().tipMarginDeg();
        Spread margin = balance.tipMarginDeg().orElse(Spread.exact(Double.NaN));
        State state =
                balance.tipMarginDeg().isEmpty() ? State.WATCH : Verdict.margin(margin.nominal(), margin.low(), wanted);
        return new Verdict(
                Verdict.Kind.STANDS,
                state,
                margin.nominal(),
                OptionalDouble.of(wanted),
                margin.low(),
                margin.high(),
                sentence(build, balance, margin),
                new Working(steps(build, balance, margin), margin, METHOD));
    }

    private static String sentence(Build build, BalanceResult balance, Spread margin) {
        if (Double.isNaN(margin.nominal())) {
            return "There is no case yet.";
        }
        String lid = build.casing().hinge().isPresent() ? " with the lid at " + n(balance.worstAngleDeg()) + "°" : "";
        return margin.nominal() < 0
                ? "Tips over by itself" + lid + "."
                : "Bears a tilt of " + degrees(margin.nominal()) + lid + " before it tips.";
    }

    private static List<Working.Step> steps(Build build, BalanceResult balance, Spread margin) {
        if (Double.isNaN(margin.nominal())) {
            return List.of();
        }
        List<Working.Step> steps = new ArrayList<>();
        steps.add(new Working.Step(
                "Centre of mass at the angle of use",
                "x, y, z = Σ m·x / Σ m",
                "",
                n(balance.centre().x()) + ", " + n(balance.centre().y()) + ", "
                        + n(balance.centre().z()) + " mm"));
        steps.add(new Working.Step(
                "Least margin over lid angles",
                "margin = atan(distance to the edge / height)",
                "lid at " + n(balance.worstAngleDeg()) + "°",
                degrees(margin.nominal())));
        balance.pushN()
                .ifPresent(push -> steps.add(new Working.Step(
                        "Push at the screen's top that tips it, at " + n(useAngle(build)) + "°",
                        "F = m·g·d / h",
                        "",
                        n(push) + " N")));
        return steps;
    }

    private static double useAngle(Build build) {
        return build.casing().hinge().map(Hinge::useAngleDeg).orElse(0.0);
    }

    static List<Finding> findings(Build build, BalanceResult balance) {
        Words.Sheet sheet = new Words.Sheet();
        double wanted = build.brief().limits().tipMarginDeg();
        balance.tipMarginDeg()
                .filter(m -> m.nominal() < wanted)
                .ifPresent(m -> tips(build, balance, m.nominal(), wanted, sheet));
        build.casing().hinge().ifPresent(hinge -> hinge(hinge, balance, sheet));
        build.brief()
                .limits()
                .massG()
                .filter(limit -> balance.massG().nominal() > limit)
                .ifPresent(limit -> sheet.add(
                        "balance.too-heavy",
                        Severity.STOP,
                        List.of(),
                        "It weighs " + Math.round(balance.massG().nominal()) + " g; the brief allows " + n(limit)
                                + " g.",
                        numbers("massG", balance.massG().nominal(), "limitG", limit),
                        "Look at the heaviest items in the working of Carries"));
        return sheet.findings();
    }

    private static void tips(Build build, BalanceResult balance, double margin, double wanted, Words.Sheet sheet) {
        List<String> remedies = new ArrayList<>();
        balance.counterweightG()
                .filter(g -> g > 0)
                .ifPresent(g -> remedies.add("Add " + Math.round(g) + " g at the front edge of the base"));
        remedies.add("Move the battery to the front");
        if (build.casing().hinge().isPresent()) {
            remedies.add("Stop the lid at a smaller angle, or move the hinge forward");
        }
        List<String> subjects = build.casing()
                .hinge()
                .map(h -> List.of(h.lidShell(), h.baseShell()))
                .orElse(List.of());
        String lid = build.casing().hinge().isPresent() ? " with the lid at " + n(balance.worstAngleDeg()) + "°" : "";
        String message = margin < 0
                ? "It tips over by itself" + lid + " (" + degrees(margin) + ")."
                : "Only " + degrees(margin) + " before it tips" + lid + "; " + n(wanted) + "° is wanted.";
        sheet.add(
                "balance.tips",
                margin < 0 ? Severity.STOP : Severity.WATCH,
                subjects,
                message,
                numbers(
                        "marginDeg",
                        margin,
                        "limitDeg",
                        wanted,
                        "lidAngleDeg",
                        balance.worstAngleDeg(),
                        "counterweightG",
                        balance.counterweightG().orElse(Double.NaN)),
                remedies.toArray(String[]::new));
    }

    private static void hinge(Hinge hinge, BalanceResult balance, Words.Sheet sheet) {
        double friction = hinge.frictionNm().value();
        if (!balance.holds()) {
            sheet.add(
                    "balance.hinge-weak",
                    Severity.WATCH,
                    List.of(hinge.lidShell()),
                    "The lid pulls with up to " + n(balance.lidTorqueNm()) + " N·m; the hinge holds " + n(friction)
                            + " N·m and will not keep it at " + n(hinge.useAngleDeg()) + "°.",
                    numbers("torqueNm", balance.lidTorqueNm(), "frictionNm", friction),
                    "Take stiffer hinges or one more");
        }
        if (balance.liftsBase()) {
            sheet.add(
                    "balance.hinge-lifts",
                    Severity.WATCH,
                    List.of(hinge.baseShell()),
                    "The hinge is stiffer than the base is heavy: opening the lid with one hand lifts the base.",
                    numbers("frictionNm", friction),
                    "Take softer hinges or move weight to the front");
        }
    }

    private static String degrees(double value) {
        return Units.format(value, 1, "°");
    }
}
