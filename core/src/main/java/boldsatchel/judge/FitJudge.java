package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Spread;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
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
import java.util.stream.Collectors;

/** Packs, and what is wrong with the room inside. */
public final class FitJudge implements Judge<FitResult> {

    private static final String METHOD = "fit";
    /** What hits by less than this scrapes: a file or a washer mends it, mm. */
    private static final double SCRAPES_MM = 0.5;

    /** A judge; all are alike. */
    public FitJudge() {}

    @Override
    public Engine<FitResult> engine() {
        return new FitEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING);
    }

    @Override
    public List<Verdict.Kind> kinds() {
        return List.of(Verdict.Kind.PACKS);
    }

    @Override
    public Optional<Verdict.Kind> bearsOn() {
        return Optional.of(Verdict.Kind.PACKS);
    }

    @Override
    public Judgement judge(Build build, FitResult result) {
        return new Judgement(List.of(packs(build, result)), findings(build, result));
    }

    private static Verdict packs(Build build, FitResult fit) {
        double wanted = build.brief().limits().gapMm();
        Spread gap = fit.tightest().orElse(Spread.exact(Double.NaN));
        State state = fit.tightest().isEmpty() ? State.WATCH : Verdict.margin(gap.nominal(), gap.low(), wanted);
        if (oversize(build).isPresent()) {
            state = oversizeStops(build) ? State.STOP : state == State.FINE ? State.WATCH : state;
        }
        return new Verdict(
                Verdict.Kind.PACKS,
                state,
                gap.nominal(),
                OptionalDouble.of(wanted),
                gap.low(),
                gap.high(),
                Lazy.of(() -> sentence(build, fit)),
                Lazy.of(() -> new Working(steps(build, fit), gap, METHOD)));
    }

    /** What is told of the tightest place, whatever it is. */
    private static String sentence(Build build, FitResult fit) {
        double depth = -fit.nearest().map(FitResult.Nearest::mm).orElse(0.0);
        if (depth > 0) {
            return stuck(build, fit, depth);
        }
        return fit.gaps().stream()
                .findFirst()
                .map(g -> "Tightest gap " + n(g.gapMm()) + " mm, " + name(build, g.a()) + " to " + name(build, g.b())
                        + where(g.where()) + ".")
                .orElse(fit.tightest().isPresent() ? "Everything is far apart." : "Not known yet: nothing is packed.");
    }

    private static String stuck(Build build, FitResult fit, double depth) {
        String by = " by " + n(depth) + " mm.";
        Optional<FitResult.Clash> clash = deepest(fit).filter(c -> c.depthMm() == depth);
        if (clash.isPresent()) {
            return meeting(build, clash.get()) + by;
        }
        for (FitResult.Outside out : fit.outside()) {
            if (out.byMm() == depth) {
                return name(build, out.part()) + " goes through the wall of "
                        + out.shell().name() + by;
            }
        }
        for (FitResult.Hit hit : fit.hits()) {
            if (hit.depthMm() == depth) {
                return name(build, hit.a()) + " hits " + other(build, hit.b()) + " on the way from “" + hit.from()
                        + "” to “" + hit.to() + "”" + by;
            }
        }
        FitResult.Below below = fit.below().getFirst();
        return name(build, below.subject()) + " reaches below the table " + in(below.posture()) + by;
    }

    /** What is hit; the table is neither part nor tray. */
    static String other(Build build, String id) {
        return id.equals(FitResult.TABLE) ? id : name(build, id);
    }

    static String where(FitResult.Where where) {
        return where.inTray()
                ? ""
                : where.posture().equals(Posture.CLOSED.name()) ? " when closed" : " " + in(where.posture());
    }

    static String in(String posture) {
        return "in the posture “" + posture + "”";
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
        if (a.isPresent() && b.isPresent() && g.where().inTray()) {
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

    /** One side that is beyond the brief. */
    private record Over(Brief.Limit limit, String word, double is, double may) {
        String words() {
            return n(is) + " mm " + word + " (limit " + n(may) + " mm)";
        }
    }

    private static List<Over> over(Build build) {
        if (build.casing().shells().isEmpty()) {
            return List.of();
        }
        Box out = closedOutside(build);
        Brief.Limits limits = build.brief().limits();
        List<Over> over = new ArrayList<>();
        check(over, Brief.Limit.WIDTH, "wide", out.dx(), limits.widthMm());
        check(over, Brief.Limit.DEPTH, "deep", out.dy(), limits.depthMm());
        check(over, Brief.Limit.HEIGHT, "high", out.dz(), limits.heightMm());
        return over;
    }

    /** Outside of the closed machine beyond the brief, if it is. */
    static Optional<String> oversize(Build build) {
        List<Over> over = over(build);
        return over.isEmpty()
                ? Optional.empty()
                : Optional.of(over.stream().map(Over::words).collect(Collectors.joining(", ")));
    }

    /** Whether a side is beyond a limit that is more than a wish. */
    private static boolean oversizeStops(Build build) {
        return over(build).stream().anyMatch(o -> !build.brief().limits().isWish(o.limit()));
    }

    private static void check(List<Over> over, Brief.Limit limit, String word, double is, Optional<Double> may) {
        may.filter(most -> is > most + 1e-9).ifPresent(most -> over.add(new Over(limit, word, is, most)));
    }

    /** Outside of everything with the lid closed. */
    private static Box closedOutside(Build build) {
        Casing casing = build.casing();
        return casing.shells().stream()
                .filter(s -> casing.belongs(s.id()))
                .map(s -> casing.pose(s.id(), Posture.CLOSED).around(s.outside()))
                .reduce(Box::around)
                .orElseThrow();
    }

    private static List<Finding> findings(Build build, FitResult fit) {
        Sheet sheet = new Sheet(new FitTelling(build, fit));
        for (FitResult.Clash c : fit.clashes()) {
            sheet.add(
                    c.where().inTray() ? "fit.clash" : "fit.lid-clash",
                    Severity.STOP,
                    List.of(c.a(), c.b()),
                    numbers("depthMm", c.depthMm()));
        }
        for (FitResult.Hit h : fit.hits()) {
            sheet.add(
                    "fit.sweep",
                    h.depthMm() < SCRAPES_MM ? Severity.WATCH : Severity.STOP,
                    List.of(h.a(), h.b()),
                    numbers("amount", h.amount(), "depthMm", h.depthMm()));
        }
        for (FitResult.Below b : fit.below()) {
            sheet.add("fit.below-table", Severity.STOP, List.of(b.subject()), numbers("byMm", b.byMm()));
        }
        for (FitResult.Outside o : fit.outside()) {
            sheet.add("fit.outside", Severity.STOP, List.of(o.part(), o.shell().id()), numbers("byMm", o.byMm()));
        }
        if (oversize(build).isPresent()) {
            sheet.add(
                    "fit.size",
                    Severity.STOP,
                    build.casing().shells().stream().map(Shell::id).toList(),
                    numbers());
        }
        double least = build.brief().limits().gapMm();
        fit.gaps().stream()
                .filter(g -> !Verdict.isEnough(g.gapMm(), least))
                .forEach(g -> sheet.add(
                        "fit.gap",
                        Severity.WATCH,
                        List.of(g.a(), g.b()),
                        numbers("gapMm", g.gapMm(), "limitMm", least)));
        fit.intrusions()
                .forEach(i -> sheet.add(
                        FitTelling.code(i.kind()),
                        i.kind() == Zone.Kind.PLUG ? Severity.STOP : Severity.WATCH,
                        List.of(i.owner(), i.by()),
                        numbers("depthMm", i.depthMm())));
        fit.stranded()
                .forEach(
                        s -> sheet.add("fit.port-short", Severity.WATCH, List.of(s.part()), numbers("byMm", s.byMm())));
        openings(fit, sheet);
        fit.covered()
                .forEach(c -> sheet.add(
                        "fit.vent-covered", Severity.WATCH, List.of(c.by(), c.shell()), numbers("gapMm", c.gapMm())));
        fit.placed().stream()
                .filter(p -> p.part().facet(Facet.Radiates.class).isPresent()
                        && p.shell().substance().metal())
                .forEach(p -> sheet.add(
                        "fit.antenna-metal",
                        Severity.WATCH,
                        List.of(p.id(), p.shell().id()),
                        numbers()));
        if (!fit.onTheTable().isEmpty()) {
            sheet.add(
                    "fit.on-the-table",
                    Severity.NOTE,
                    fit.onTheTable(),
                    numbers("count", fit.onTheTable().size()));
        }
        return sheet.findings();
    }

    private static void openings(FitResult fit, Sheet sheet) {
        for (FitResult.Mouth m : fit.mouths()) {
            if (m.opening().isEmpty()) {
                sheet.add("fit.no-opening", Severity.WATCH, List.of(m.part()), numbers("behindMm", m.behindMm()));
            } else if (!m.letsIn()) {
                sheet.add(
                        "fit.opening-off",
                        Severity.STOP,
                        List.of(m.part()),
                        numbers("lacksMm", m.lacksMm(), "behindMm", m.behindMm()));
            }
        }
        for (FitResult.Web w : fit.webs()) {
            sheet.add(
                    "fit.web", Severity.WATCH, List.of(w.shell()), numbers("leftMm", w.mm(), "wantedMm", w.wantedMm()));
        }
    }
}
