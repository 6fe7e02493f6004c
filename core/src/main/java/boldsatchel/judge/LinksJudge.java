package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.links.Flaw;
import boldsatchel.links.LinksEngine;
import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.links.Route;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

/** Connects: which needs are still open, and what will not talk although it is plugged in. */
public final class LinksJudge implements Judge<LinksResult> {

    private static final String METHOD = "links";

    /** A judge; all are alike. */
    public LinksJudge() {}

    @Override
    public Engine<LinksResult> engine() {
        return new LinksEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.WIRING);
    }

    @Override
    public List<Verdict.Kind> kinds() {
        return List.of(Verdict.Kind.CONNECTS);
    }

    @Override
    public Judgement judge(Build build, LinksResult links) {
        List<Finding> findings = findings(build, links);
        return new Judgement(List.of(connects(build, links, findings)), findings);
    }

    private static Verdict connects(Build build, LinksResult links, List<Finding> findings) {
        if (links.needs().isEmpty()) {
            return new Verdict(
                    Verdict.Kind.CONNECTS,
                    State.WATCH,
                    Double.NaN,
                    OptionalDouble.empty(),
                    Double.NaN,
                    Double.NaN,
                    "Not known yet: no socket says what it carries.",
                    Lazy.known(Working.NONE));
        }
        int open = links.open().size();
        State worst = findings.stream()
                .map(f -> f.severity() == Severity.STOP
                        ? State.STOP
                        : f.severity() == Severity.WATCH ? State.WATCH : State.FINE)
                .max(Enum::compareTo)
                .orElse(State.FINE);
        return new Verdict(
                Verdict.Kind.CONNECTS,
                worst,
                open,
                OptionalDouble.of(0),
                open,
                open,
                sentence(build, links, open),
                Lazy.of(() -> new Working(steps(build, links), Spread.exact(open), METHOD)));
    }

    private static String sentence(Build build, LinksResult links, int open) {
        long waived =
                links.needs().stream().filter(n -> n.why() == Need.Why.WAIVED).count();
        String left = waived == 0 ? "" : "; " + waived + " left open on purpose";
        if (open == 0) {
            return "Needs met: " + (links.needs().size() - waived) + " of "
                    + links.needs().size() + left + ".";
        }
        return "Needs still open: "
                + links.open().stream()
                        .limit(3)
                        .map(n -> Words.name(build, n.part()) + ", " + n.duty())
                        .collect(Collectors.joining("; "))
                + (open > 3 ? "; and " + (open - 3) + " more" : "") + left + ".";
    }

    private static List<Working.Step> steps(Build build, LinksResult links) {
        List<Working.Step> steps = new ArrayList<>();
        for (Need need : links.needs()) {
            steps.add(new Working.Step(
                    Words.name(build, need.part()) + ", " + need.duty(),
                    "",
                    need.route().map(r -> by(build, r)).orElse(""),
                    switch (need.why()) {
                        case MET -> need.slow() ? "met, slowly" : "met";
                        case WAIVED -> "left open on purpose";
                        case UNPLUGGED -> "open: nothing is plugged in";
                        case NO_DATA -> "open: what is plugged in carries no such signal";
                        case LEADS_NOWHERE -> "open: the cable leads nowhere";
                    }));
        }
        return steps;
    }

    private static String by(Build build, Route route) {
        List<String> way = new ArrayList<>();
        route.through().forEach(id -> way.add(Words.name(build, id)));
        way.add(Words.name(build, route.giver().part()));
        return String.join(" ← ", way);
    }

    private static List<Finding> findings(Build build, LinksResult links) {
        Sheet sheet = new Sheet(new LinksTelling(build, links));
        Map<String, List<Need>> open = new LinkedHashMap<>();
        for (Need need : links.open()) {
            open.computeIfAbsent(code(need), c -> new ArrayList<>()).add(need);
        }
        open.forEach((code, needs) -> {
            if (code.equals("links.unplugged") || code.equals("links.no-port")) {
                sheet.add(code, severity(needs.getFirst()), subjects(needs), numbers("needs", needs.size()));
            } else {
                needs.forEach(n -> sheet.add(code, severity(n), List.of(n.part()), numbers("needs", 1)));
            }
        });
        for (Flaw flaw : links.flaws()) {
            sheet.add(
                    code(flaw.kind()),
                    severity(build, flaw),
                    flaw.subjects(),
                    numbers("is", flaw.is(), "may", flaw.may()));
        }
        return sheet.findings();
    }

    private static List<String> subjects(List<Need> needs) {
        return needs.stream().map(Need::part).distinct().toList();
    }

    /** The code of an open need. */
    static String code(Need need) {
        return switch (need.why()) {
            case NO_DATA -> "links.no-data";
            case LEADS_NOWHERE -> "links.leads-nowhere";
            default -> need.pluggable() ? "links.unplugged" : need.givers() == 0 ? "links.nobody" : "links.no-port";
        };
    }

    static String code(Flaw.Kind kind) {
        return "links." + kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** What is only not plugged in yet is still to be done; anything else fails. */
    private static Severity severity(Need need) {
        return need.pluggable() ? Severity.WATCH : Severity.STOP;
    }

    private static Severity severity(Build build, Flaw flaw) {
        return switch (flaw.kind()) {
            case NO_ROOM, SPARE -> Severity.NOTE;
            case SLOW, REFRESH, LENGTH, LEVEL_LOW, FEEDS_OTHER, NO_PULL_UPS, RISE, PULL_STRONG, RADIO_LOSS ->
                Severity.WATCH;
            case FRAMES -> LinksTelling.serial(build, flaw) ? Severity.WATCH : Severity.STOP;
            case BROKEN, TWICE, SCREENS, PIXELS, LEVEL_HIGH, ADDRESS, PIN, NO_PINS, TIERS -> Severity.STOP;
        };
    }
}
