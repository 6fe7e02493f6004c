package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;

import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.LinkEdits;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Signal;
import boldsatchel.machine.Zone;
import boldsatchel.plan.FreeMove;
import boldsatchel.plan.LinkPlanner;
import boldsatchel.plan.Openings;
import boldsatchel.quantity.Units;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** Tells of what does not go in. */
record FitTelling(Build build, FitResult fit) implements Telling {

    /** Higher ones are legs. */
    private static final double MOST_FEET_MM = 25;

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

    private Port port(Noted f) {
        return fit.stranded().stream()
                .filter(s -> s.part().equals(f.first()) && s.byMm() == f.number("byMm"))
                .map(FitResult.Stranded::port)
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

    private FitResult.Web web(Noted f) {
        return fit.webs().stream()
                .filter(w -> w.shell().equals(f.first()) && w.mm() == f.number("leftMm"))
                .findFirst()
                .orElseThrow();
    }

    private String beside(Noted f) {
        FitResult.Web web = web(f);
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
                .map(c -> FitJudge.where(c.where()))
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

    /** In which posture a gap is. */
    private String gapWhere(Noted f) {
        return fit.gaps().stream()
                .filter(g ->
                        g.a().equals(f.first()) && g.b().equals(f.subjects().get(1)) && g.gapMm() == f.number("gapMm"))
                .map(g -> FitJudge.where(g.where()))
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
            case "fit.clash" -> who + " and " + second(f) + " are in the same place, " + f.n("depthMm") + " mm deep.";
            case "fit.lid-clash" ->
                who + " and " + second(f) + " are in the same place" + clashWhere(f) + ", " + f.n("depthMm")
                        + " mm deep.";
            case "fit.sweep" -> {
                FitResult.Hit hit = hit(f);
                yield who + " hits " + FitJudge.other(build, f.subjects().get(1)) + FitJudge.way(hit) + ", with "
                        + FitJudge.open(build, hit) + ", and would be " + f.n("depthMm") + " mm deep in it.";
            }
            case "fit.below-table" ->
                who + " reaches " + f.n("byMm") + " mm below the table " + FitJudge.in(below(f).posture()) + ".";
            case "fit.outside" -> who + " goes through the wall of " + second(f) + " by " + f.n("byMm") + " mm.";
            case "fit.size" ->
                "The closed case is larger than the brief allows: "
                        + FitJudge.oversize(build).orElse("") + ".";
            case "fit.gap" ->
                "Only " + f.n("gapMm") + " mm between " + who + " and " + second(f) + gapWhere(f) + "; "
                        + f.n("limitMm") + " mm is wanted.";
            case "fit.port-short" ->
                port(f).name() + " of " + who + " should open through the wall and ends " + f.n("byMm")
                        + " mm before it.";
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
                "Only " + f.n("leftMm") + " mm of wall are left between " + beside(f) + " in " + who + "; "
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
        if (Set.of("fit.no-opening", "fit.opening-off").contains(f.code())) {
            return cuts(f);
        }
        if (f.code().equals("fit.antenna-metal")) {
            return outside(f.first());
        }
        List<Remedy> cures = new ArrayList<>(moves(f));
        switch (f.code()) {
            case "fit.web" ->
                Openings.apart(build, web(f)).ifPresent(e -> cures.add(Remedy.by(Words.begun(e.name()), e)));
            case "fit.plug-room" -> cures.addAll(angled(f));
            case "fit.below-table" -> cures.addAll(feet(f));
            case "fit.size" ->
                build.casing().shells().stream()
                        .flatMap(s -> drawnRound(s, b -> FitJudge.oversize(b).isEmpty()).stream())
                        .findFirst()
                        .ifPresent(cures::add);
            case "fit.outside" ->
                build.shell(f.subjects().get(1)).ifPresent(s -> cures.addAll(drawnRound(s, b -> isInside(b, s.id()))));
            default -> {}
        }
        cures.add(Remedy.advice(
                switch (f.code()) {
                    case "fit.plug-room" -> "Turn the part, move what is in the way, or use a right-angle plug";
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
                    case "fit.web" -> "Move one of them, take one opening for both, or glue a brace behind the place";
                    case "fit.vent-covered" -> "Move the part or the vent";
                    case "fit.on-the-table" -> "Place them in Pack";
                    default -> {
                        if (kind(f).isEmpty()) {
                            throw Telling.unknown(f);
                        }
                        yield "Move what is in the way";
                    }
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
        long without = fit.mouths().stream().filter(m -> m.opening().isEmpty()).count();
        if (f.code().equals("fit.no-opening") && without > 1) {
            cures.add(Remedy.by("Cut openings for all " + without + " that have none", Openings.cutAll()));
        }
        cures.add(Remedy.advice(
                f.code().equals("fit.no-opening")
                        ? "Say that nothing is plugged in there, if that is so"
                        : "Move the part in line with it, or nearer to the wall"));
        return cures;
    }

    /** The smallest move that mends it. */
    private List<Remedy> moves(Noted f) {
        List<String> who = movable(f);
        return lack(f)
                .flatMap(lack -> FreeMove.of(build, who, lack)
                        .map(m -> Remedy.by(
                                m.words(), FreeMove.edit("move " + m.part().name(), who, lack))))
                .stream()
                .toList();
    }

    /** Ids of the parts that may move: those that it is about, or that openings too near to one another are for. */
    private List<String> movable(Noted f) {
        return f.code().equals("fit.web")
                ? build.shell(f.first()).stream()
                        .flatMap(s -> s.openings().stream())
                        .filter(o -> web(f).isBeside(o.name()))
                        .flatMap(o -> o.serves().stream())
                        .map(Opening.Serves::part)
                        .toList()
                : f.subjects();
    }

    /** How far it has to go at least; nothing for what no move mends. */
    private Optional<FreeMove.Lack> lack(Noted f) {
        String first = f.subjects().isEmpty() ? "" : f.first();
        String second = f.subjects().size() > 1 ? f.subjects().get(1) : "";
        return switch (f.code()) {
            case "fit.clash", "fit.lid-clash", "fit.outside", "fit.sweep" -> Optional.of(FreeMove.Lack.FREE);
            case "fit.gap" -> {
                double least = build.brief().limits().gapMm();
                yield Optional.of(FreeMove.Lack.of(now -> now.gaps().stream()
                        .filter(g -> g.a().equals(first) && g.b().equals(second) && !Verdict.isEnough(g.gapMm(), least))
                        .mapToDouble(g -> least - g.gapMm())
                        .max()
                        .orElse(0)));
            }
            case "fit.port-short" -> {
                String port = port(f).id();
                yield Optional.of(FreeMove.Lack.of(now -> now.stranded().stream()
                        .filter(s -> s.part().equals(first) && s.port().id().equals(port))
                        .mapToDouble(FitResult.Stranded::byMm)
                        .max()
                        .orElse(0)));
            }
            case "fit.web" -> {
                FitResult.Web web = web(f);
                yield Optional.of(FreeMove.Lack.of(now -> now.webs().stream()
                        .filter(w ->
                                w.opening().equals(web.opening()) && w.other().equals(web.other()))
                        .mapToDouble(w -> w.wantedMm() - w.mm())
                        .max()
                        .orElse(0)));
            }
            case "fit.vent-covered" -> {
                String vent = vent(f);
                yield Optional.of(FreeMove.Lack.of(now -> now.covered().stream()
                        .filter(c -> c.by().equals(first) && c.vent().equals(vent))
                        .mapToDouble(c -> FitEngine.VENT_CLEAR_MM - c.gapMm())
                        .max()
                        .orElse(0)));
            }
            default ->
                kind(f).map(kind -> FreeMove.Lack.of(now -> now.intrusions().stream()
                        .filter(i -> i.owner().equals(first) && i.by().equals(second) && i.kind() == kind)
                        .mapToDouble(FitResult.Intrusion::depthMm)
                        .max()
                        .orElse(0)));
        };
    }

    /** Walls round what lies in a tray, where that helps. */
    private List<Remedy> drawnRound(Shell shell, Predicate<Build> helps) {
        Edit edit = CaseEdits.follow(shell, build.brief().limits().gapMm());
        boolean isNew = shell.aroundMm().isEmpty() && helps.test(edit.change().apply(build));
        return isNew ? List.of(Remedy.by(Words.begun(edit.name()), edit)) : List.of();
    }

    /** A right-angle plug for the straight one that has no room, where it has. */
    private List<Remedy> angled(Noted f) {
        return build.part(f.first()).stream()
                .flatMap(part -> part.body().ports().stream()
                        .filter(p -> p.use() == Port.Use.INSIDE_STRAIGHT)
                        .map(p -> Remedy.by(
                                "Use a right-angle plug for “" + p.words() + "”",
                                LinkEdits.use(part, p, Port.Use.INSIDE_ANGLED))))
                .filter(r -> isFree(r.edit().orElseThrow().change().apply(build), f))
                .limit(1)
                .toList();
    }

    private static boolean isFree(Build build, Noted f) {
        return FitEngine.evaluate(build).intrusions().stream()
                .noneMatch(i -> code(i.kind()).equals(f.code()) && f.subjects().equals(List.of(i.owner(), i.by())));
    }

    private static boolean isInside(Build build, String shell) {
        return FitEngine.evaluate(build).outside().stream()
                .noneMatch(o -> o.shell().id().equals(shell));
    }

    /** Feet so high that nothing reaches the table. */
    private List<Remedy> feet(Noted f) {
        double high = Math.ceil(f.number("byMm")
                + build.casing().feet().map(Casing.Feet::heightMm).orElse(0.0));
        Edit edit = CaseEdits.feet(high);
        boolean helps = high <= MOST_FEET_MM
                && FitEngine.evaluate(edit.change().apply(build)).below().stream()
                        .noneMatch(b -> b.subject().equals(f.first()));
        return helps
                ? List.of(Remedy.by("Put feet of " + Units.format(high, 0, "mm") + " under the machine", edit))
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
}
