package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.balance.BalanceEngine;
import boldsatchel.balance.BalanceResult;
import boldsatchel.edit.Edit;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.plan.Lightening;
import boldsatchel.plan.Steadying;
import boldsatchel.quantity.Spread;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Carries and stands, and what unbalances it. */
public final class BalanceJudge implements Judge<BalanceResult> {

    private static final String METHOD = "balance";

    /** A judge; all are alike. */
    public BalanceJudge() {}

    @Override
    public Engine<BalanceResult> engine() {
        return new BalanceEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING);
    }

    @Override
    public List<Verdict.Kind> kinds() {
        return List.of(Verdict.Kind.CARRIES, Verdict.Kind.STANDS);
    }

    @Override
    public Judgement judge(Build build, BalanceResult result) {
        return new Judgement(List.of(carries(build, result), stands(build, result)), findings(build, result));
    }

    private static Verdict carries(Build build, BalanceResult balance) {
        OptionalDouble limit =
                build.brief().limits().massG().map(OptionalDouble::of).orElse(OptionalDouble.empty());
        Spread mass = balance.massG();
        return new Verdict(
                Verdict.Kind.CARRIES,
                balance.items().isEmpty()
                        ? State.WATCH
                        : Verdict.against(
                                mass.nominal(),
                                mass.low(),
                                mass.high(),
                                limit,
                                false,
                                build.brief().limits().isWish(Brief.Limit.MASS)),
                mass.nominal(),
                limit,
                mass.low(),
                mass.high(),
                Lazy.of(() -> heaviest(balance)),
                Lazy.of(() -> new Working(items(balance), mass, METHOD)));
    }

    private static String heaviest(BalanceResult balance) {
        return balance.items().isEmpty()
                ? "Not known yet: nothing weighs anything."
                : "Heaviest: " + balance.items().getFirst().name() + ", "
                        + Math.round(balance.items().getFirst().massG()) + " g.";
    }

    private static Verdict stands(Build build, BalanceResult balance) {
        double wanted = build.brief().limits().tipMarginDeg();
        boolean stands = build.casing().looks().stream().anyMatch(p -> p.held().stands());
        if (build.brief().surroundings().worn() || !stands) {
            return new Verdict(
                    Verdict.Kind.STANDS,
                    State.FINE,
                    Double.NaN,
                    OptionalDouble.empty(),
                    Double.NaN,
                    Double.NaN,
                    stands ? "Not asked of a machine that is worn." : "Not asked: no posture of it stands by itself.",
                    Lazy.known(Working.NONE));
        }
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
                Lazy.of(() -> sentence(build, balance, margin)),
                Lazy.of(() -> new Working(steps(build, balance, margin), margin, METHOD)));
    }

    private static String sentence(Build build, BalanceResult balance, Spread margin) {
        if (Double.isNaN(margin.nominal())) {
            return "Not known yet: there is no case.";
        }
        String lid = where(build, balance.worst());
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
                "Centre of mass as it is used",
                "x, y, z = Σ m·x / Σ m",
                "",
                n(balance.centre().x()) + ", " + n(balance.centre().y()) + ", "
                        + n(balance.centre().z()) + " mm"));
        steps.add(new Working.Step(
                "Least margin over postures and all that opens" + where(build, balance.worst()),
                "margin = atan(distance to the edge / height)",
                "",
                degrees(margin.nominal())));
        for (BalanceResult.InPosture p : balance.postures()) {
            if (!Double.isNaN(p.marginDeg())) {
                steps.add(new Working.Step(
                        "Margin in the posture “" + p.posture().name() + "”",
                        "",
                        "centre " + n(p.centre().y()) + " mm from the front, "
                                + n(p.centre().z()) + " mm up",
                        degrees(p.marginDeg())));
            }
            p.pushN()
                    .ifPresent(push -> steps.add(new Working.Step(
                            "Push at the screen's top that tips it, in “"
                                    + p.posture().name() + "”",
                            "F = m·g·d / h",
                            "",
                            n(push) + " N")));
        }
        return steps;
    }

    /** How the machine is where it stands worst, as said after what it does; empty where there is only one way. */
    private static String where(Build build, BalanceResult.Margin worst) {
        if (worst.joint().isEmpty()) {
            return build.casing().postures().isEmpty()
                    ? ""
                    : " in the posture “" + worst.posture().name() + "”";
        }
        Optional<Joint> joint = build.casing().joint(worst.joint());
        if (joint.isEmpty() || joint.get().hinge().isEmpty()) {
            return joint.map(j -> " with " + j.name() + " out by " + n(worst.amount()) + " mm")
                    .orElse("");
        }
        boolean lid = build.casing().lid().filter(joint.get()::equals).isPresent();
        String who = lid
                ? "the lid"
                : build.shell(joint.get().carries())
                        .map(Shell::name)
                        .orElse(joint.get().name());
        return " with " + who + " at " + n(worst.amount()) + "°";
    }

    private static List<Working.Step> items(BalanceResult balance) {
        return balance.items().stream()
                .map(item -> new Working.Step(item.name(), "", "", Math.round(item.massG()) + " g"))
                .toList();
    }

    private static List<Finding> findings(Build build, BalanceResult balance) {
        Sheet sheet = new Sheet(new BalanceTelling(build, balance));
        double wanted = build.brief().limits().tipMarginDeg();
        balance.tipMarginDeg()
                .filter(m ->
                        m.nominal() < wanted && !build.brief().surroundings().worn())
                .ifPresent(m -> sheet.add(
                        "balance.tips",
                        m.nominal() < 0 ? Severity.STOP : Severity.WATCH,
                        build.casing()
                                .joint(balance.worst().joint())
                                .map(j -> List.of(j.carries(), j.on()))
                                .orElse(List.of()),
                        numbers(
                                "marginDeg",
                                m.nominal(),
                                "limitDeg",
                                wanted,
                                "amount",
                                balance.worst().amount(),
                                "counterweightG",
                                balance.counterweightG().orElse(Double.NaN))));
        balance.joints().forEach(j -> hinge(build, j, sheet));
        build.brief()
                .limits()
                .massG()
                .filter(limit -> balance.massG().nominal() > limit)
                .ifPresent(limit -> sheet.add(
                        "balance.too-heavy",
                        build.brief().limits().isWish(Brief.Limit.MASS) ? Severity.WATCH : Severity.STOP,
                        List.of(),
                        numbers("massG", balance.massG().nominal(), "limitG", limit)));
        return sheet.findings();
    }

    private static void hinge(Build build, BalanceResult.OfJoint of, Sheet sheet) {
        Joint joint = build.casing().joint(of.joint()).orElseThrow();
        double friction = joint.hinge().orElseThrow().frictionNm().value();
        if (!of.sags().isEmpty()) {
            sheet.add(
                    "balance.hinge-weak",
                    Severity.WATCH,
                    List.of(joint.carries()),
                    numbers("torqueNm", of.torqueNm(), "frictionNm", friction));
        }
        if (of.lifts()) {
            sheet.add("balance.hinge-lifts", Severity.WATCH, List.of(joint.on()), numbers("frictionNm", friction));
        }
    }

    private static String degrees(double value) {
        return Units.format(value, 1, "°");
    }

    /** Tells of what unbalances a machine. */
    private record BalanceTelling(Build build, BalanceResult balance) implements Telling {

        /** The hinge that a finding is about: the one that sags carries its subject, the one that lifts is on it. */
        private Optional<Joint> hinge(Noted f) {
            boolean weak = f.code().equals("balance.hinge-weak");
            return build.casing().joints().stream()
                    .filter(j -> (weak ? j.carries() : j.on()).equals(f.first()))
                    .filter(j -> balance.joints().stream()
                            .anyMatch(o -> o.joint().equals(j.id())
                                    && (weak ? !o.sags().isEmpty() : o.lifts())))
                    .findFirst();
        }

        private List<Remedy> hinges(Noted f, String advice) {
            List<Remedy> remedies = new ArrayList<>();
            hinge(f).ifPresent(j -> Steadying.friction(build, j.id())
                    .ifPresent(nm -> remedies.add(Remedy.by(
                            "Take hinges for " + j.name() + " that hold " + Units.format(nm, 2, "N·m") + " together",
                            Steadying.hinged(j.id(), nm)))));
            remedies.add(Remedy.advice(advice));
            return remedies;
        }

        private boolean lidded() {
            return !balance.joints().isEmpty();
        }

        /** Where a tray sags, after what it does. */
        private String sags(Noted f) {
            return balance.joints().stream()
                    .filter(j -> build.casing()
                            .joint(j.joint())
                            .filter(c -> c.carries().equals(f.first()))
                            .isPresent())
                    .map(j -> " in “" + String.join("”, “", j.sags()) + "”")
                    .findFirst()
                    .orElse("");
        }

        @Override
        public String sentence(Noted f) {
            return switch (f.code()) {
                case "balance.tips" -> {
                    String lid = where(build, balance.worst());
                    double margin = f.number("marginDeg");
                    yield margin < 0
                            ? "It tips over by itself" + lid + " (" + degrees(margin) + ")."
                            : "Only " + degrees(margin) + " before it tips" + lid + "; " + f.n("limitDeg")
                                    + "° is wanted.";
                }
                case "balance.hinge-weak" ->
                    name(build, f.first()) + " pulls with up to " + f.n("torqueNm") + " N·m; the hinge holds "
                            + f.n("frictionNm") + " N·m and will not keep it" + sags(f) + ".";
                case "balance.hinge-lifts" ->
                    "The hinge is stiffer than " + name(build, f.first())
                            + " is heavy: opening it with one hand lifts it off the table.";
                case "balance.too-heavy" ->
                    "It weighs " + Math.round(f.number("massG")) + " g; the brief allows " + f.n("limitG") + " g.";
                default -> throw Telling.unknown(f);
            };
        }

        @Override
        public List<Remedy> cures(Noted f) {
            return switch (f.code()) {
                case "balance.tips" -> {
                    List<Remedy> remedies = new ArrayList<>();
                    Steadying.stopDeg(build, balance)
                            .ifPresent(stop ->
                                    remedies.add(Remedy.by("Stop the lid at " + n(stop) + "°", Steadying.stop())));
                    Steadying.shift(build).ifPresent(s -> remedies.add(Remedy.by(s.words(), Steadying.edit(s))));
                    double weight = f.number("counterweightG");
                    if (weight > 0) {
                        Optional<Build> weighted = Steadying.weighted(build);
                        String words = "Add " + Math.round(weight) + " g at the front edge of the base";
                        remedies.add(
                                weighted.isPresent()
                                        ? Remedy.by(
                                                "Put a steel bar at the front, where there is room",
                                                new Edit(
                                                        "add a counterweight",
                                                        now -> Steadying.weighted(now)
                                                                .orElse(now)))
                                        : Remedy.advice(words));
                    }
                    remedies.add(Remedy.advice("Move the battery to the front"));
                    if (lidded()) {
                        remedies.add(Remedy.advice("Move the hinge forward"));
                    }
                    yield remedies;
                }
                case "balance.hinge-weak" -> hinges(f, "Take stiffer hinges or one more");
                case "balance.hinge-lifts" -> hinges(f, "Take softer hinges or move weight to the front");
                case "balance.too-heavy" -> {
                    List<Remedy> remedies = new ArrayList<>();
                    Lightening.walls(build, f.number("limitG"))
                            .ifPresent(e -> remedies.add(Remedy.by(Words.begun(e.name()), e)));
                    remedies.add(Remedy.advice("Look at the heaviest items in the working of Carries"));
                    yield remedies;
                }
                default -> throw Telling.unknown(f);
            };
        }
    }
}
