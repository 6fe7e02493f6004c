package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.percent;

import boldsatchel.edit.Edits;
import boldsatchel.verdict.Remedy;
import java.util.List;

/** Tells what dimming would give. */
final class UseTelling implements Telling {

    /** A screen dimmer than this is hard to read indoors; a guess. */
    private static final double DIM = 0.3;

    private static final double DIMMEST = 0.05;

    private final Line line;

    UseTelling(Line line) {
        this.line = line;
    }

    @Override
    public String sentence(Noted f) {
        double hours = f.number("hours");
        return "Half the brightness would give " + n(f.number("halfHours") - hours)
                + " h more, and no backlight at all " + n(f.number("offHours") - hours)
                + " h: the cheapest run time there is.";
    }

    @Override
    public List<Remedy> cures(Noted f) {
        double enough = enough(f.number("wantedHours"), f.number("hours"));
        boolean reaches = enough >= DIM;
        double to = reaches ? enough : DIM;
        return List.of(
                Remedy.by(
                        "Dim every step to " + percent(to) + " % of what it is"
                                + (reaches ? ": " + f.n("wantedHours") + " h are reached" : ""),
                        Edits.judgedProfile("dim the screens", p -> p.dimmed(to))),
                Remedy.advice("Let the backlight go off after a minute without a key"));
    }

    /** The most brightness, as a factor, that reaches the hours; 0 when none does. */
    private double enough(double hours, double onFineRun) {
        UseRules.Dimmed dimmed = UseRules.Dimmed.of(line);
        double wanted = hours * dimmed.hours(1) / onFineRun;
        if (dimmed.hours(DIMMEST) < wanted) {
            return 0;
        }
        double low = DIMMEST;
        double high = 1;
        while (high - low > 0.01) {
            double middle = (low + high) / 2;
            if (dimmed.hours(middle) >= wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Math.floor(low * 100) / 100;
    }
}
