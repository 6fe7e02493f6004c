package boldsatchel.judge;

import boldsatchel.engine.Engine;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import boldsatchel.plausible.Odd;
import boldsatchel.plausible.Oddities;
import boldsatchel.plausible.PlausibleEngine;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Asks for a second look at figures that seldom are. It answers no question: every answer stands on them. */
public final class PlausibleJudge implements Judge<Oddities> {

    /** Told one by one; of more it is said that there are more. */
    private static final int MOST = 12;

    /** A judge; all are alike. */
    public PlausibleJudge() {}

    @Override
    public Engine<Oddities> engine() {
        return new PlausibleEngine();
    }

    /** Names of parts and trays. */
    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.WIRING);
    }

    @Override
    public Judgement judge(Build build, Oddities oddities) {
        List<Finding> findings = new ArrayList<>();
        List<Odd> odd = oddities.list();
        odd.stream().limit(MOST).forEach(o -> findings.add(finding(build, o)));
        if (odd.size() > MOST) {
            int more = odd.size() - MOST;
            findings.add(Finding.of(
                    "figure.more",
                    Severity.WATCH,
                    List.of(),
                    Map.of("more", (double) more),
                    () -> more + " more figures are unusual. Where many are, a whole column may be in another unit.",
                    List::of,
                    List::of));
        }
        return new Judgement(List.of(), findings);
    }

    private static Finding finding(Build build, Odd odd) {
        return Finding.of(
                "figure." + odd.kind().name().toLowerCase(Locale.ROOT),
                Severity.WATCH,
                odd.subject().isEmpty() ? List.of() : List.of(odd.subject()),
                Map.of("value", odd.value(), "low", odd.low(), "high", odd.high()),
                () -> owner(build, odd) + ": " + sentence(odd)
                        + (odd.kind() == Odd.Kind.LARGER ? "" : " Every answer takes it as it stands."),
                List::of,
                () -> List.of(Remedy.advice(advice(odd))));
    }

    private static String owner(Build build, Odd odd) {
        return odd.subject().isEmpty() ? "The brief" : Words.name(build, odd.subject());
    }

    private static String sentence(Odd odd) {
        String value = Units.format(odd.in(), odd.value());
        String low = Units.format(odd.in(), odd.low());
        String high = Units.format(odd.in(), odd.high());
        return switch (odd.kind()) {
            case UNUSUAL -> odd.what() + " " + value + " is unusual; usual is " + low + " to " + high + ".";
            case DOUBTED -> odd.what() + " " + value + " is known to ± " + high + " only, which is more than itself.";
            case TURNED -> "it works from " + value + " up to " + high + ", so at no voltage at all.";
            case DISORDERED -> odd.what() + " " + value + " is above what it draws when it does more (" + high + ").";
            case LARGER ->
                odd.what() + " " + value + " is more than has room in it (" + high + "); heat counts what has room.";
            case DENSE ->
                "it weighs " + Words.n(odd.value()) + " g/cm³; things of its kind weigh " + Words.n(odd.low()) + " to "
                        + Words.n(odd.high()) + ".";
            case RICH ->
                "it holds " + Words.n(odd.value()) + " Wh a kilogram; the best cells that can be bought hold about "
                        + Words.n(odd.high()) + ".";
        };
    }

    private static String advice(Odd odd) {
        return switch (odd.kind()) {
            case RICH -> "Weigh the pack and measure its capacity: labels of cells are often written too high";
            case DENSE -> "Weigh it, and measure its three sides";
            default -> "Measure it, or look whether its unit is right; if it is meant, leave it";
        };
    }
}
