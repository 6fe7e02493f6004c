package boldsatchel.judge;

import boldsatchel.engine.Engine;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.means.Lack;
import boldsatchel.means.Lacks;
import boldsatchel.means.MeansEngine;
import boldsatchel.plan.Printing;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Tells what tools are not at hand. It answers no question of its own. */
public final class MeansJudge implements Judge<Lacks> {

    /** A judge; all are alike. */
    public MeansJudge() {}

    @Override
    public Engine<Lacks> engine() {
        return new MeansEngine();
    }

    /** Names of parts and trays. */
    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.WIRING);
    }

    @Override
    public Judgement judge(Build build, Lacks lacks) {
        return new Judgement(
                List.of(), lacks.list().stream().map(l -> finding(build, l)).toList());
    }

    private static Finding finding(Build build, Lack lack) {
        return Finding.of(
                "means." + lack.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                Severity.WATCH,
                lack.subjects(),
                Words.numbers("size", lack.size(), "limit", lack.limit()),
                () -> sentence(build, lack),
                List::of,
                () -> remedies(build, lack));
    }

    private static List<Remedy> remedies(Build build, Lack lack) {
        Remedy advice = Remedy.advice(advice(lack));
        Optional<Shell> parted = lack.kind() == Lack.Kind.BED
                ? build.shell(lack.subjects().getFirst()).flatMap(s -> Printing.parted(build, s))
                : Optional.empty();
        return parted.map(s -> List.of(
                        Remedy.by(
                                "Make it of " + s.pieces().size() + " pieces, joined over a lap",
                                Printing.part(s.id())),
                        advice))
                .orElse(List.of(advice));
    }

    private static String names(Build build, Lack lack) {
        return lack.subjects().stream()
                .limit(3)
                .map(id -> Words.name(build, id))
                .distinct()
                .collect(Collectors.joining(", "));
    }

    private static String sentence(Build build, Lack lack) {
        return switch (lack.kind()) {
            case NO_PRINTER -> names(build, lack) + " is to be printed; there is no printer at hand.";
            case BED ->
                what(build, lack) + " is larger than the printer's bed: " + Words.n(lack.size()) + " mm, where "
                        + Words.n(lack.limit()) + " mm can be printed.";
            case NO_CUTTER -> names(build, lack) + " is to be cut from sheet; there is no cutter at hand.";
            case NO_DRILL ->
                names(build, lack)
                        + " is metal and wants openings; there is neither a drill press nor a cutter at hand.";
            case NO_WELDER ->
                "The cells of " + names(build, lack) + " are joined by spot welding; there is no spot welder at hand.";
            case NO_IRON ->
                lack.subjects().size() + (lack.subjects().size() == 1 ? " joint is" : " joints are")
                        + " soldered or crimped; there is no soldering iron at hand.";
        };
    }

    private static String what(Build build, Lack lack) {
        boolean parted = build.shell(lack.subjects().getFirst())
                .filter(s -> !s.seams().isEmpty())
                .isPresent();
        return (parted ? "A piece of " : "") + names(build, lack);
    }

    private static String advice(Lack lack) {
        return switch (lack.kind()) {
            case NO_PRINTER -> "Have it printed, or take a found box";
            case BED -> "Have it printed on a larger bed, or pack it into a smaller tray";
            case NO_CUTTER -> "Have it cut to size, or print it";
            case NO_DRILL -> "Borrow a drill press, or have the holes made; eyes protected, the sheet clamped down";
            case NO_WELDER ->
                "Buy the pack ready-made with its circuit, or have it welded; never solder to a cell itself";
            case NO_IRON -> "Take ready-made leads with connectors or screw terminals, or have the joints made";
        };
    }
}
