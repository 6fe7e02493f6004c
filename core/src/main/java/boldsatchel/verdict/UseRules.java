package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.numbers;
import static boldsatchel.verdict.Words.percent;

import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Rung;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What the way of use costs: the backlight. */
final class UseRules {

    /** A screen dimmer than this is hard to read indoors; a guess. */
    static final double DIM = 0.3;

    private static final double WORTH_SAYING = 0.03;

    private UseRules() {}

    /** Dimming is the cheapest hour there is: said when hours are wanting and it would give some. */
    static void judge(Line line) {
        Build build = line.build();
        Optional<Double> wanted = build.brief().limits().hours();
        double hours = line.chain().run().hours();
        if (wanted.isEmpty() || !(hours < wanted.get()) || hours == 0) {
            return;
        }
        double half = hours(line, 0.5);
        double off = hours(line, 0);
        if (half < hours * (1 + WORTH_SAYING)) {
            return;
        }
        double dimmed = enough(line, wanted.get());
        boolean reaches = dimmed >= DIM;
        double to = reaches ? dimmed : DIM;
        List<Remedy> remedies = new ArrayList<>();
        remedies.add(Remedy.by(
                reaches
                        ? "Dim every step to " + percent(to) + " % of what it is: " + n(wanted.get()) + " h are reached"
                        : "Dim every step to " + percent(to) + " % of what it is",
                dim(to)));
        remedies.add(Remedy.advice("Let the backlight go off after a minute without a key"));
        line.sheet()
                .add(
                        "power.dimming",
                        Severity.NOTE,
                        List.of(line.root().id()),
                        "Half the brightness would give " + n(half - hours) + " h more, and no backlight at all "
                                + n(off - hours) + " h: the cheapest run time there is.",
                        numbers("hours", hours, "halfHours", half, "offHours", off, "wantedHours", wanted.get()),
                        List.of(),
                        remedies);
    }

    private static Edit dim(double factor) {
        return Edits.judgedProfile("dim the screens", p -> p.dimmed(factor));
    }

    private static double hours(Line line, double factor) {
        Rung root = line.root();
        return Network.of(line.build(), root, Reading.NOMINAL)
                .map(n -> Discharge.run(n, line.build().brief().profile().dimmed(factor))
                        .hours())
                .orElse(0.0);
    }

    /** The most brightness, as a factor, that reaches the hours; 0 when none does. */
    private static double enough(Line line, double wanted) {
        if (hours(line, 0.05) < wanted) {
            return 0;
        }
        double low = 0.05;
        double high = 1;
        while (high - low > 0.01) {
            double middle = (low + high) / 2;
            if (hours(line, middle) >= wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Math.floor(low * 100) / 100;
    }
}
