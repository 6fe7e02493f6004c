package boldsatchel.verdict;

import boldsatchel.build.Build;
import boldsatchel.build.Part;
import boldsatchel.build.Rung;
import boldsatchel.build.Shell;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Names and numbers as the judges' sentences need them. */
final class Words {

    private Words() {}

    /** The name of a part, shell or rung. */
    static String name(Build build, String id) {
        return build.part(id)
                .map(Part::name)
                .or(() -> build.shell(id).map(Shell::name))
                .or(() -> rung(build, id))
                .orElse(id);
    }

    private static Optional<String> rung(Build build, String id) {
        return build.rungs().filter(r -> r.id().equals(id)).findFirst().map(r -> rung(build, r));
    }

    /** What a rung is called. */
    static String rung(Build build, Rung rung) {
        return switch (rung.stage()) {
            case Rung.OfPart of -> build.part(of.part()).map(Part::name).orElse(of.part());
            case Rung.Wire wire -> "wire AWG " + wire.awg() + ", " + Units.format(wire.lengthMm()) + " mm";
            case Rung.Contact contact -> contact.kind().words() + ", " + Units.format(contact.ratedA()) + " A";
            case Rung.Diode diode -> "diode, " + Units.format(diode.ratedA()) + " A";
        };
    }

    static String n(double value) {
        return Units.format(value);
    }

    /** Numbers by name, in order: name, value, name, value. */
    static Map<String, Double> numbers(Object... namesAndValues) {
        Map<String, Double> map = new LinkedHashMap<>();
        for (int i = 0; i + 1 < namesAndValues.length; i += 2) {
            map.put((String) namesAndValues[i], ((Number) namesAndValues[i + 1]).doubleValue());
        }
        return map;
    }

    /** Collects findings. */
    static final class Sheet {
        private final List<Finding> findings = new ArrayList<>();

        void add(
                String code,
                Severity severity,
                List<String> subjects,
                String message,
                Map<String, Double> numbers,
                String... remedies) {
            findings.add(new Finding(code, severity, subjects, message, numbers, List.of(remedies)));
        }

        List<Finding> findings() {
            return findings;
        }
    }
}
