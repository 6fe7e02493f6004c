package boldsatchel.revise;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * All that two builds do not have alike, figure by figure: their records are walked side by side. Elements of a list belong to one another when they have the
 * same id, part or name; where those are not unique, when they stand in the same place. A list whose elements are only in another order is one difference.
 */
public final class Differences {

    /** What tells an element of a list, the first that there is. */
    private static final List<String> KEYS = List.of("id", "part", "name");
    /** A value is told in so many letters at most. */
    private static final int LONGEST = 90;

    private final List<Difference> found = new ArrayList<>();
    private final Build before;
    private final Build now;

    private Differences(Build before, Build now) {
        this.before = before;
        this.now = now;
    }

    /** Between two builds, in the order of the file. */
    public static List<Difference> between(Build before, Build now) {
        Differences differences = new Differences(before, now);
        differences.records(List.of(), List.of(), before, now);
        return List.copyOf(differences.found);
    }

    private void records(List<String> path, List<String> words, Object a, Object b) {
        for (Form.Field field : Form.of(a.getClass()).fields()) {
            values(
                    more(path, field.name()),
                    more(words, field.label()),
                    Optional.of(field),
                    bare(field.get(a)),
                    bare(field.get(b)));
        }
    }

    /** What an optional holds, null for nothing; parts are a list in the file. */
    private static @Nullable Object bare(@Nullable Object value) {
        return switch (value) {
            case Optional<?> o -> o.orElse(null);
            case Parts p -> p.list();
            case null, default -> value;
        };
    }

    private void values(
            List<String> path, List<String> words, Optional<Form.Field> field, @Nullable Object a, @Nullable Object b) {
        if (Objects.equals(a, b)) {
            return;
        }
        if (a instanceof List<?> one && b instanceof List<?> other) {
            lists(path, words, one, other);
        } else if (a != null
                && b != null
                && !(a instanceof Figure)
                && a instanceof Record
                && a.getClass().equals(b.getClass())) {
            records(path, words, a, b);
        } else {
            found.add(new Difference(path, words, told(field, a), told(field, b)));
        }
    }

    private void lists(List<String> path, List<String> words, List<?> a, List<?> b) {
        Map<String, Object> one = new LinkedHashMap<>();
        Map<String, Object> other = new LinkedHashMap<>();
        if (!keyed(a, one) || !keyed(b, other)) {
            one.clear();
            other.clear();
            placed(a, one);
            placed(b, other);
        }
        int told = found.size();
        one.forEach((key, value) ->
                values(more(path, key), more(words, name(value, key)), Optional.empty(), value, other.get(key)));
        other.forEach((key, value) -> {
            if (!one.containsKey(key)) {
                values(more(path, key), more(words, name(value, key)), Optional.empty(), null, value);
            }
        });
        if (found.size() == told) {
            found.add(new Difference(path, words, String.join(", ", one.keySet()), String.join(", ", other.keySet())));
        }
    }

    /** Elements by what tells them; whether each is told by something of its own. */
    private static boolean keyed(List<?> list, Map<String, Object> into) {
        for (Object element : list) {
            Optional<String> key = key(element);
            if (key.isEmpty() || into.putIfAbsent(key.get(), element) != null) {
                return false;
            }
        }
        return true;
    }

    private static void placed(List<?> list, Map<String, Object> into) {
        for (int i = 0; i < list.size(); i++) {
            into.put("" + i, Objects.requireNonNull(list.get(i)));
        }
    }

    private static Optional<String> key(Object element) {
        if (element instanceof String s) {
            return Optional.of(s);
        }
        if (!(element instanceof Record)) {
            return Optional.empty();
        }
        for (String key : KEYS) {
            for (Form.Field field : Form.of(element.getClass()).fields()) {
                if (field.name().equals(key) && field.get(element) instanceof String s) {
                    return Optional.of(s);
                }
            }
        }
        return Optional.empty();
    }

    /** What people call an element: its name, or that of its part. */
    private String name(Object element, String key) {
        if (element instanceof Record) {
            for (Form.Field field : Form.of(element.getClass()).fields()) {
                if (field.name().equals("name") && field.get(element) instanceof String s && !s.isBlank()) {
                    return s;
                }
            }
        }
        return now.part(key)
                .or(() -> before.part(key))
                .map(Part::name)
                .orElse(isPlace(key) ? "no. " + place(key) : key);
    }

    private static boolean isPlace(String key) {
        return key.matches("\\d{1,6}");
    }

    private static int place(String key) {
        return Integer.parseInt(key) + 1;
    }

    private static String told(Optional<Form.Field> field, @Nullable Object value) {
        Quantity quantity = field.map(Form.Field::quantity).orElse(Quantity.COUNT);
        String words = switch (value) {
            case null -> Difference.NONE;
            case Figure f -> Units.format(quantity, f) + " (" + f.basis().words() + ")";
            case Double d -> Units.format(quantity, d);
            case Boolean b -> b ? "yes" : "no";
            case Enum<?> e -> e.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
            case Collection<?> c when c.isEmpty() -> "none";
            case Collection<?> c
            when c.stream().allMatch(e -> e instanceof String) ->
                c.stream().map(String::valueOf).collect(Collectors.joining(", "));
            case Collection<?> c -> c.size() + " of them";
            case Record r -> key(r).map(k -> "“" + k + "”").orElseGet(() -> fields(r));
            default -> String.valueOf(value);
        };
        return words.length() > LONGEST ? words.substring(0, LONGEST) + "…" : words;
    }

    /** What a record says that nothing tells from others. */
    private static String fields(Record record) {
        return Form.of(record.getClass()).fields().stream()
                .map(f -> told(Optional.of(f), bare(f.get(record))))
                .filter(w -> !w.isEmpty())
                .collect(Collectors.joining("; "));
    }

    private static List<String> more(List<String> some, String one) {
        List<String> more = new ArrayList<>(some);
        more.add(one);
        return more;
    }
}
