package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Places;
import boldsatchel.geometry.Box;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Joint;
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
    /** Meetings that the working tells of. */
    private static final int MOST_STEPS = 4;

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
        return fit.nearest()
                .map(m -> sentence(build, m))
                .orElse(fit.tightest().isPresent() ? "Everything is far apart." : "Not known yet: nothing is packed.");
    }

    private static String sentence(Build build, FitResult.Meeting meeting) {
        String by = " by " + n(-meeting.mm()) + " mm.";
        String where = where(meeting.where());
        return switch (meeting) {
            case FitResult.Gap g ->
                "Tightest gap " + n(g.gapMm()) + " mm, " + name(build, g.a()) + " to " + name(build, g.b()) + where
                        + ".";
            case FitResult.Clash c ->
                name(build, c.a()) + " and " + name(build, c.b()) + " are in the same place" + where + by;
            case FitResult.Outside o ->
                name(build, o.part()) + " goes through the wall of " + o.shell().name() + by;
            case FitResult.Hit h -> name(build, h.a()) + " hits " + other(build, h.b()) + way(h) + by;
            case FitResult.Below b -> name(build, b.subject()) + " reaches below the table " + in(b.posture()) + by;
        };
    }

    /** On which way something is hit. */
    static String way(FitResult.Hit hit) {
        return " on the way from “" + hit.from() + "” to “" + hit.to() + "”";
    }

    /** How far the joint is open where something is hit. */
    static String open(Build build, FitResult.Hit hit) {
        Optional<Joint> joint = build.casing().joint(hit.joint());
        boolean slides = joint.filter(j -> j.hinge().isEmpty()).isPresent();
        return joint.map(Joint::name).orElse("the joint") + " open by " + n(hit.amount()) + (slides ? " mm" : "°");
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

    /** The tightest meetings, each with its place. */
    private static List<Working.Step> steps(Build build, FitResult fit) {
        Places places = new Places(build, fit);
        return fit.meetings().stream()
                .limit(MOST_STEPS)
                .map(m -> new Working.Step(
                        name(build, m.a()) + " – " + other(build, m.b())
                                + (m instanceof FitResult.Hit h ? way(h) : where(m.where())),
                        formula(build, m),
                        places.of(m).map(p -> place(build, p)).orElse(""),
                        n(Math.abs(m.mm())) + " mm"))
                .toList();
    }

    private static String formula(Build build, FitResult.Meeting meeting) {
        return switch (meeting) {
            case FitResult.Gap g -> "gap = straight between their nearest points";
            case FitResult.Clash c -> "depth = least way that parts them";
            case FitResult.Outside o -> "how far it is beyond the inside of the wall";
            case FitResult.Hit h ->
                "depth = deepest on the way; the place is where they first meet, with " + open(build, h);
            case FitResult.Below b -> "how far it is below the table";
        };
    }

    /** Points as they are measured, from three sides of a tray. */
    private static String place(Build build, Places.Place place) {
        return between(place, 0) + " mm from the left, " + between(place, 1) + " from the front, " + between(place, 2)
                + " from the floor of " + name(build, place.tray());
    }

    private static String between(Places.Place place, int axis) {
        String one = n(place.onA().along(axis));
        String other = n(place.onB().along(axis));
        return one.equals(other) ? one : one + " to " + other;
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
