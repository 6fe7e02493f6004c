package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.name;
import static boldsatchel.verdict.Words.numbers;

import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Spread;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Packs, and what is wrong with the room inside. */
final class FitJudge {

    private static final String METHOD = "fit";

    private FitJudge() {}

    static Verdict packs(Build build, FitResult fit) {
        double wanted = build.brief().limits().gapMm();
        Spread gap = fit.tightest().orElse(Spread.exact(Double.NaN));
        State state = fit.tightest().isEmpty() ? State.WATCH : Verdict.margin(gap.nominal(), gap.low(), wanted);
        if (oversize(build).isPresent()) {
            state = State.STOP;
        }
        return new Verdict(
                Verdict.Kind.PACKS,
                state,
                gap.nominal(),
                OptionalDouble.of(wanted),
                gap.low(),
                gap.high(),
                sentence(build, fit),
                new Working(steps(build, fit), gap, METHOD));
    }

    private static String sentence(Build build, FitResult fit) {
        Optional<FitResult.Clash> clash = deepest(fit);
        if (clash.isPresent()) {
            return meeting(build, clash.get()) + " by " + n(clash.get().depthMm()) + " mm.";
        }
        if (!fit.outside().isEmpty()) {
            FitResult.Outside out = fit.outside().getFirst();
            return name(build, out.part()) + " goes through the wall of "
                    + out.shell().name() + " by " + n(out.byMm()) + " mm.";
        }
        return fit.gaps().stream()
                .findFirst()
                .map(g -> "The tightest gap is between " + name(build, g.a()) + " and " + name(build, g.b())
                        + where(g.where()) + ".")
                .orElse(fit.tightest().isPresent() ? "Everything is far apart." : "Nothing is packed yet.");
    }

    private static String where(FitResult.Where where) {
        return where == FitResult.Where.CLOSED_LID ? " with the lid closed" : "";
    }

    private static Optional<FitResult.Clash> deepest(FitResult fit) {
        return fit.clashes().stream().reduce((a, b) -> b.depthMm() > a.depthMm() ? b : a);
    }

    private static String meeting(Build build, FitResult.Clash clash) {
        return name(build, clash.a()) + " and " + name(build, clash.b()) + " are in the same place"
                + where(clash.where());
    }

    private static List<Working.Step> steps(Build build, FitResult fit) {
        if (deepest(fit).isPresent()) {
            FitResult.Clash c = deepest(fit).get();
            Box o = c.overlap();
            return List.of(new Working.Step(
                    name(build, c.a()) + " – " + name(build, c.b()),
                    "depth = least side of the shared box",
                    "min(" + n(o.dx()) + ", " + n(o.dy()) + ", " + n(o.dz()) + ") mm",
                    n(c.depthMm()) + " mm"));
        }
        return fit.gaps().stream().limit(4).map(g -> gapStep(build, fit, g)).toList();
    }

    private static Working.Step gapStep(Build build, FitResult fit, FitResult.Gap g) {
        Optional<Placed> a = fit.placed(g.a());
        Optional<Placed> b = fit.placed(g.b());
        String numbers = "";
        if (a.isPresent() && b.isPresent() && g.where() == FitResult.Where.SHELL) {
            StringBuilder text = new StringBuilder();
            for (int axis = 0; axis < 3; axis++) {
                double gap = a.get().bounds().gapAlong(axis, b.get().bounds());
                text.append(axis == 0 ? "" : ", ")
                        .append("xyz".charAt(axis))
                        .append(": ")
                        .append(n(gap));
            }
            numbers = text.append(" mm (minus: side by side)").toString();
        }
        return new Working.Step(
                name(build, g.a()) + " – " + name(build, g.b()) + where(g.where()),
                "gap = √(Σ positive gaps along x, y, z squared)",
                numbers,
                n(g.gapMm()) + " mm");
    }

    /** Outside of the closed machine beyond the brief, if it is. */
    private static Optional<String> oversize(Build build) {
        if (build.casing().shells().isEmpty()) {
            return Optional.empty();
        }
        Box out = closedOutside(build);
        var limits = build.brief().limits();
        StringBuilder over = new StringBuilder();
        check(over, "wide", out.dx(), limits.widthMm());
        check(over, "deep", out.dy(), limits.depthMm());
        check(over, "high", out.dz(), limits.heightMm());
        return over.isEmpty() ? Optional.empty() : Optional.of(over.toString());
    }

    private static void check(StringBuilder over, String word, double is, Optional<Double> may) {
        may.filter(limit -> is > limit + 1e-9)
                .ifPresent(limit -> over.append(over.isEmpty() ? "" : ", ")
                        .append(n(is))
                        .append(" mm ")
                        .append(word)
                        .append(" (limit ")
                        .append(n(limit))
                        .append(" mm)"));
    }

    /** Outside of everything with the lid closed. */
    private static Box closedOutside(Build build) {
        Optional<Hinge> hinge = build.casing().hinge();
        return build.casing().shells().stream()
                .map(s -> build.casing().isLid(s) ? hinge.orElseThrow().closed(s.outside()) : s.outside())
                .reduce(Box::around)
                .orElseThrow();
    }

    static List<Finding> findings(Build build, FitResult fit) {
        Words.Sheet sheet = new Words.Sheet();
        for (FitResult.Clash c : fit.clashes()) {
            boolean lid = c.where() == FitResult.Where.CLOSED_LID;
            sheet.add(
                    lid ? "fit.lid-clash" : "fit.clash",
                    Severity.STOP,
                    List.of(c.a(), c.b()),
                    meeting(build, c) + ", " + n(c.depthMm()) + " mm deep.",
                    numbers("depthMm", c.depthMm()),
                    lid
                            ? "Lower the part in the base or make the lid deeper by that much"
                            : "Move one of them by that much");
        }
        for (FitResult.Outside o : fit.outside()) {
            sheet.add(
                    "fit.outside",
                    Severity.STOP,
                    List.of(o.part(), o.shell().id()),
                    name(build, o.part()) + " goes through the wall of "
                            + o.shell().name() + " by " + n(o.byMm()) + " mm.",
                    numbers("byMm", o.byMm()),
                    "Move it inwards or make the case larger by that much");
        }
        oversize(build)
                .ifPresent(words -> sheet.add(
                        "fit.size",
                        Severity.STOP,
                        build.casing().shells().stream().map(Shell::id).toList(),
                        "The closed case is larger than the brief allows: " + words + ".",
                        numbers(),
                        "Make the case smaller or loosen the limit"));
        double least = build.brief().limits().gapMm();
        fit.gaps().stream()
                .filter(g -> g.gapMm() < least)
                .forEach(g -> sheet.add(
                        "fit.gap",
                        Severity.WATCH,
                        List.of(g.a(), g.b()),
                        "Only " + n(g.gapMm()) + " mm between " + name(build, g.a()) + " and " + name(build, g.b())
                                + where(g.where()) + "; " + n(least) + " mm is wanted.",
                        numbers("gapMm", g.gapMm(), "limitMm", least),
                        "Move them apart, or mark them as touching if they are meant to"));
        fit.intrusions().forEach(i -> intrusion(build, i, sheet));
        fit.stranded()
                .forEach(s -> sheet.add(
                        "fit.port-short",
                        Severity.WATCH,
                        List.of(s.part()),
                        s.port().name() + " of " + name(build, s.part()) + " should open through the wall and ends "
                                + n(s.byMm()) + " mm before it.",
                        numbers("byMm", s.byMm()),
                        "Move the part to the wall or use a panel extension"));
        fit.covered()
                .forEach(c -> sheet.add(
                        "fit.vent-covered",
                        Severity.WATCH,
                        List.of(c.by(), c.shell()),
                        name(build, c.by()) + " stands " + n(c.gapMm()) + " mm before the vent “" + c.vent() + "”.",
                        numbers("gapMm", c.gapMm()),
                        "Move the part or the vent"));
        antennas(fit, sheet);
        if (!fit.onTheTable().isEmpty()) {
            sheet.add(
                    "fit.on-the-table",
                    Severity.NOTE,
                    fit.onTheTable(),
                    fit.onTheTable().size() + " of " + build.parts().list().size() + " parts are not packed yet.",
                    numbers("count", fit.onTheTable().size()),
                    "Place them in Pack");
        }
        return sheet.findings();
    }

    private static void intrusion(Build build, FitResult.Intrusion i, Words.Sheet sheet) {
        String code = switch (i.kind()) {
            case PLUG -> "fit.plug-room";
            case AIR -> "fit.air-room";
            case FINGER -> "fit.finger-room";
            case ANTENNA -> "fit.antenna-field";
            case SWELL -> "fit.swell-room";
            case KEEPOUT -> "fit.keep-out";
        };
        String remedy = i.kind() == Zone.Kind.PLUG
                ? "Use a right-angle plug, turn the part, or move what is in the way"
                : "Move what is in the way";
        sheet.add(
                code,
                i.kind() == Zone.Kind.PLUG ? Severity.STOP : Severity.WATCH,
                List.of(i.owner(), i.by()),
                name(build, i.by()) + " reaches " + n(i.depthMm()) + " mm into the "
                        + i.kind().words() + " of " + name(build, i.owner()) + ".",
                numbers("depthMm", i.depthMm()),
                remedy);
    }

    private static void antennas(FitResult fit, Words.Sheet sheet) {
        fit.placed().stream()
                .filter(p -> p.part().facet(Facet.Radiates.class).isPresent()
                        && p.shell().material().metal())
                .forEach(p -> sheet.add(
                        "fit.antenna-metal",
                        Severity.WATCH,
                        List.of(p.id(), p.shell().id()),
                        p.part().name() + " sits inside " + p.shell().material().words()
                                + ", which shields it: expect little or no reach.",
                        numbers(),
                        "Lead an antenna outside"));
    }
}
