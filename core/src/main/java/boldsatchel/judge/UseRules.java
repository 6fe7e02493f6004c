package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.quantity.Reading;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.List;
import java.util.Optional;

/** What the way of use costs: the backlight. */
final class UseRules {

    private static final double WORTH_SAYING = 0.03;

    private UseRules() {}

    /** Dimming is the cheapest hour there is: said when hours are wanting and it would give some. */
    static List<Finding> judge(Line line) {
        Build build = line.build();
        Optional<Double> wanted = build.brief().limits().hours();
        double hours = line.chain().run().hours();
        if (wanted.isEmpty() || !(hours < wanted.get()) || hours == 0) {
            return List.of();
        }
        double scale = hours / hours(line, 1);
        double half = scale * hours(line, 0.5);
        double off = scale * hours(line, 0);
        if (half < hours * (1 + WORTH_SAYING)) {
            return List.of();
        }
        Sheet sheet = new Sheet(new UseTelling(line));
        sheet.add(
                "power.dimming",
                Severity.NOTE,
                List.of(line.root().id()),
                numbers("hours", hours, "halfHours", half, "offHours", off, "wantedHours", wanted.get()));
        return sheet.findings();
    }

    /** Hours with every brightness multiplied; a coarse run is enough to compare. */
    static double hours(Line line, double factor) {
        return Network.of(line.build(), line.root(), Reading.NOMINAL)
                .map(n -> Discharge.coarse(n, line.build().brief().profile().dimmed(factor))
                        .hours())
                .orElse(0.0);
    }
}
