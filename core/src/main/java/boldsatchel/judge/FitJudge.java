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
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Signal;
import boldsatchel.machine.Zone;
import boldsatchel.plan.FreeMove;
import boldsatchel.plan.LinkPlanner;
import boldsatchel.plan.Openings;
import boldsatchel.quantity.Spread;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.Arrays;
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
                sentence(build, fit),
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
    private static String other(Build build, String id) {
        return id.equals(FitResult.TABLE) ? id : name(build, id);
    }

    private static String where(FitResult.Where where) {
        return where.inTray()
                ? ""
                : where.posture().equals(Posture.CLOSED.name()) ? " when closed" : " " + in(where.posture());
    }

    private static String in(String posture) {
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
    private static Optional<String> oversize(Build build) {
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

    /** Tells of what does not go in. */
    private record FitTelling(Build build, FitResult fit) implements Telling {

        static String code(Zone.Kind kind) {
            return switch (kind) {
                case PLUG -> "fit.plug-room";
                case AIR -> "fit.air-room";
                case FINGER -> "fit.finger-room";
                case ANTENNA -> "fit.antenna-field";
                case SWELL -> "fit.swell-room";
                case KEEPOUT -> "fit.keep-out";
            };
        }

        private static Optional<Zone.Kind> kind(Noted f) {
            return Arrays.stream(Zone.Kind.values())
                    .filter(k -> code(k).equals(f.code()))
                    .findFirst();
        }

        private String second(Noted f) {
            return name(build, f.subjects().get(1));
        }

        private String port(Noted f) {
            return fit.stranded().stream()
                    .filter(s -> s.part().equals(f.first()) && s.byMm() == f.number("byMm"))
                    .map(s -> s.port().name())
                    .findFirst()
                    .orElseThrow();
        }

        /** The socket that a finding about an opening is about. */
        private FitResult.Mouth mouth(Noted f) {
            boolean none = f.code().equals("fit.no-opening");
            return fit.mouths().stream()
                    .filter(m -> m.part().equals(f.first())
                            && m.opening().isEmpty() == none
                            && m.behindMm() == f.number("behindMm")
                            && (none || m.lacksMm() == f.number("lacksMm")))
                    .findFirst()
                    .orElseThrow();
        }

        private String web(Noted f) {
            FitResult.Web web = fit.webs().stream()
                    .filter(w -> w.shell().equals(f.first()) && w.mm() == f.number("leftMm"))
                    .findFirst()
                    .orElseThrow();
            return "“" + web.opening() + "”" + (web.other().isEmpty() ? " and the rim" : " and “" + web.other() + "”");
        }

        private String vent(Noted f) {
            return fit.covered().stream()
                    .filter(c -> c.by().equals(f.first()) && c.gapMm() == f.number("gapMm"))
                    .map(FitResult.Covered::vent)
                    .findFirst()
                    .orElseThrow();
        }

        private String clashWhere(Noted f) {
            return fit.clashes().stream()
                    .filter(c -> c.a().equals(f.first())
                            && c.b().equals(f.subjects().get(1))
                            && c.depthMm() == f.number("depthMm"))
                    .map(c -> where(c.where()))
                    .filter(w -> !w.isEmpty())
                    .findFirst()
                    .orElse("");
        }

        private FitResult.Hit hit(Noted f) {
            return fit.hits().stream()
                    .filter(h -> h.a().equals(f.first())
                            && h.b().equals(f.subjects().get(1))
                            && h.amount() == f.number("amount"))
                    .findFirst()
                    .orElseThrow();
        }

        private FitResult.Below below(Noted f) {
            return fit.below().stream()
                    .filter(b -> b.subject().equals(f.first()) && b.byMm() == f.number("byMm"))
                    .findFirst()
                    .orElseThrow();
        }

        private String joint(FitResult.Hit hit) {
            return build.casing().joint(hit.joint()).map(Joint::name).orElse("the joint");
        }

        private String amount(FitResult.Hit hit) {
            boolean slide = build.casing()
                    .joint(hit.joint())
                    .filter(j -> j.hinge().isEmpty())
                    .isPresent();
            return n(hit.amount()) + (slide ? " mm" : "°");
        }

        /** In which posture a gap is. */
        private String gapWhere(Noted f) {
            return fit.gaps().stream()
                    .filter(g -> g.a().equals(f.first())
                            && g.b().equals(f.subjects().get(1))
                            && g.gapMm() == f.number("gapMm"))
                    .map(g -> where(g.where()))
                    .findFirst()
                    .orElse("");
        }

        @Override
        public String sentence(Noted f) {
            if (kind(f).isPresent()) {
                return second(f) + " reaches " + f.n("depthMm") + " mm into the "
                        + kind(f).get().words() + " of " + name(build, f.first()) + ".";
            }
            String who = f.subjects().isEmpty() ? "" : name(build, f.first());
            return switch (f.code()) {
                case "fit.clash" ->
                    who + " and " + second(f) + " are in the same place, " + f.n("depthMm") + " mm deep.";
                case "fit.lid-clash" ->
                    who + " and " + second(f) + " are in the same place" + clashWhere(f) + ", " + f.n("depthMm")
                            + " mm deep.";
                case "fit.sweep" -> {
                    FitResult.Hit hit = hit(f);
                    yield who + " hits " + other(build, f.subjects().get(1)) + " on the way from “" + hit.from()
                            + "” to “" + hit.to()
                            + "”, with " + joint(hit) + " open by " + amount(hit) + ", and would be " + f.n("depthMm")
                            + " mm deep in it.";
                }
                case "fit.below-table" ->
                    who + " reaches " + f.n("byMm") + " mm below the table " + in(below(f).posture()) + ".";
                case "fit.outside" -> who + " goes through the wall of " + second(f) + " by " + f.n("byMm") + " mm.";
                case "fit.size" ->
                    "The closed case is larger than the brief allows: "
                            + oversize(build).orElse("") + ".";
                case "fit.gap" ->
                    "Only " + f.n("gapMm") + " mm between " + who + " and " + second(f) + gapWhere(f) + "; "
                            + f.n("limitMm") + " mm is wanted.";
                case "fit.port-short" ->
                    port(f) + " of " + who + " should open through the wall and ends " + f.n("byMm") + " mm before it.";
                case "fit.no-opening" ->
                    mouth(f).port().words() + " of " + who + " goes through the wall, and there is no opening for it.";
                case "fit.opening-off" -> {
                    FitResult.Mouth mouth = mouth(f);
                    yield "The opening “" + mouth.opening().orElse("") + "” is too small or too far aside for "
                            + mouth.port().words() + " of " + who + " by " + f.n("lacksMm") + " mm"
                            + (mouth.behindMm() > Port.FLUSH_MM
                                    ? ": the socket lies " + n(mouth.behindMm())
                                            + " mm deep, so the handle of the plug has to go in too."
                                    : ".");
                }
                case "fit.web" ->
                    "Only " + f.n("leftMm") + " mm of wall are left between " + web(f) + " in " + who + "; "
                            + f.n("wantedMm") + " mm hold.";
                case "fit.vent-covered" -> who + " stands " + f.n("gapMm") + " mm before the vent “" + vent(f) + "”.";
                case "fit.antenna-metal" ->
                    who + " sits inside "
                            + build.shell(f.subjects().get(1))
                                    .map(s -> s.substance().words())
                                    .orElse("metal")
                            + ", which shields it: expect little or no reach.";
                case "fit.on-the-table" ->
                    f.n("count") + " of " + build.parts().list().size() + " parts are not packed yet.";
                default -> throw Telling.unknown(f);
            };
        }

        @Override
        public List<Remedy> cures(Noted f) {
            if (kind(f).isPresent()) {
                return advice(
                        kind(f).get() == Zone.Kind.PLUG
                                ? "Use a right-angle plug, turn the part, or move what is in the way"
                                : "Move what is in the way");
            }
            if (Set.of("fit.no-opening", "fit.opening-off").contains(f.code())) {
                return cuts(f);
            }
            if (f.code().equals("fit.antenna-metal")) {
                return outside(f.first());
            }
            List<Remedy> cures = new ArrayList<>(moves(f));
            cures.addAll(advice(
                    switch (f.code()) {
                        case "fit.lid-clash" -> "Lower the part in the base or make the lid deeper by that much";
                        case "fit.sweep" -> "Move the axis of the joint, or what stands in the way, by that much";
                        case "fit.below-table" ->
                            "Open it less far, put the machine on higher feet, or let it hang over the table's edge";
                        case "fit.clash" -> "Move one of them by that much";
                        case "fit.outside" -> "Move it inwards or make the case larger by that much";
                        case "fit.size" -> "Make the case smaller or loosen the limit";
                        case "fit.gap" ->
                            build.shell(f.subjects().get(1)).isPresent()
                                    ? "Move it against the wall, or further away from it"
                                    : "Move them apart, or mark them as touching if they are meant to";
                        case "fit.port-short" -> "Move the part to the wall or use a panel extension";
                        case "fit.web" ->
                            "Move one of them, take one opening for both, or glue a brace behind the place";
                        case "fit.vent-covered" -> "Move the part or the vent";
                        case "fit.on-the-table" -> "Place them in Pack";
                        default -> throw Telling.unknown(f);
                    }));
            return cures;
        }

        /** An opening for one socket, and for all that have none. */
        private List<Remedy> cuts(Noted f) {
            List<Remedy> cures = new ArrayList<>();
            Port port = mouth(f).port();
            String words =
                    f.code().equals("fit.no-opening") ? "Cut an opening for it" : "Cut the opening anew, where it is";
            cures.add(Remedy.by(words, Openings.cut(f.first(), port.id())));
            long without =
                    fit.mouths().stream().filter(m -> m.opening().isEmpty()).count();
            if (f.code().equals("fit.no-opening") && without > 1) {
                cures.add(Remedy.by("Cut openings for all " + without + " that have none", Openings.cutAll()));
            }
            cures.add(Remedy.advice(
                    f.code().equals("fit.no-opening")
                            ? "Say that nothing is plugged in there, if that is so"
                            : "Move the part in line with it, or nearer to the wall"));
            return cures;
        }

        /** The smallest move that frees one of those that are in the same place. */
        private List<Remedy> moves(Noted f) {
            boolean stuck = Set.of("fit.clash", "fit.lid-clash", "fit.outside", "fit.sweep")
                    .contains(f.code());
            return stuck
                    ? FreeMove.of(build, f.subjects()).stream()
                            .map(m -> Remedy.by(
                                    m.words(), FreeMove.edit("move " + m.part().name(), f.subjects())))
                            .toList()
                    : List.of();
        }

        /** A part that is an antenna and nothing else gives its place to a socket in the wall for one outside. */
        private List<Remedy> outside(String id) {
            List<Part> shelf = Picks.shelf().parts();
            Set<Signal.Kind> radio = Set.of(Signal.Kind.RADIO);
            List<Remedy> cures = new ArrayList<>();
            build.part(id)
                    .filter(p -> p.body().ports().stream().allMatch(q -> q.gives(radio)))
                    .flatMap(p -> shelf.stream()
                            .filter(s -> s.facet(Facet.Radiates.class).isEmpty()
                                    && s.body().ports().stream().anyMatch(q -> q.gives(radio)))
                            .findFirst()
                            .map(by -> Remedy.by(
                                    "Take “" + by.name() + "” instead, and an antenna outside",
                                    LinkPlanner.swap(p, by, shelf))))
                    .ifPresent(cures::add);
            cures.add(Remedy.advice("Lead an antenna outside"));
            return cures;
        }

        private static List<Remedy> advice(String words) {
            return List.of(Remedy.advice(words));
        }
    }
}
