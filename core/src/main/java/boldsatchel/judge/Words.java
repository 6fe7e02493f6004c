package boldsatchel.judge;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** Names and numbers as the judges' sentences need them. */
final class Words {

    private Words() {}

    /** The name of a part, shell or rung. */
    static String name(Build build, String id) {
        return build.part(id)
                .map(Part::name)
                .or(() -> build.shell(id).map(Shell::name))
                .or(() -> build.rung(id).map(r -> r.name(build)))
                .orElse(id);
    }

    /** A share of one in per cent. */
    static String percent(double share) {
        return String.valueOf(Math.round(share * 100));
    }

    /** As a sentence begins. */
    static String begun(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
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
}
