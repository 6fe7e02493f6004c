package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.UseProfile;
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
        Dimmed dimmed = Dimmed.of(line);
        double scale = hours / dimmed.hours(1);
        double half = scale * dimmed.hours(0.5);
        double off = scale * dimmed.hours(0);
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

    /** The same chain at other brightnesses; a coarse run is enough to compare. */
    record Dimmed(Optional<Network> network, UseProfile profile) {
        static Dimmed of(Line line) {
            return new Dimmed(
                    Network.of(
                            line.build(),
                            line.root(),
                            Reading.NOMINAL,
                            line.chain().cells()),
                    line.build().brief().profile());
        }

        /** Hours with every brightness multiplied. */
        double hours(double factor) {
            return network.map(n -> Discharge.coarse(n, profile.dimmed(factor)).hours())
                    .orElse(0.0);
        }
    }
}
