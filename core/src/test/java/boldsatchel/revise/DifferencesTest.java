package boldsatchel.revise;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.edit.Edits;
import boldsatchel.format.BuildFormat;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Two builds differ in what was edited, and in nothing else: set against their files, read as plain JSON. */
public final class DifferencesTest {

    private final Random random = new Random(16);

    @Test
    public void randomEditsAreToldExactly() {
        int told = 0;
        for (int i = 0; i < 300; i++) {
            Build before =
                    Library.demo(Library.DEMOS.get(i % Library.DEMOS.size())).orElseThrow();
            Build now = before;
            int edits = random.nextInt(5);
            for (int k = 0; k < edits; k++) {
                now = edited(now);
            }
            List<Difference> differences = Differences.between(before, now);
            Map<List<String>, String> one = new LinkedHashMap<>();
            Map<List<String>, String> other = new LinkedHashMap<>();
            leaves(BuildFormat.node(before).path("build"), List.of(), one);
            leaves(BuildFormat.node(now).path("build"), List.of(), other);
            Set<List<String>> changed = new HashSet<>();
            one.forEach((path, value) -> {
                if (!value.equals(other.get(path))) {
                    changed.add(path);
                }
            });
            other.forEach((path, value) -> {
                if (!value.equals(one.get(path))) {
                    changed.add(path);
                }
            });
            assertThat(differences.isEmpty()).isEqualTo(before.equals(now));
            for (List<String> path : changed) {
                assertThat(differences.stream().filter(d -> covers(d, path)).count())
                        .as("edit " + i + ": " + path + " in " + differences)
                        .isEqualTo(1);
            }
            for (Difference d : differences) {
                assertThat(changed.stream().anyMatch(path -> covers(d, path)))
                        .as("edit " + i + ": " + d)
                        .isTrue();
                assertThat(d.words()).hasSameSizeAs(d.path());
                // As near as can be told: what is there before and after is a leaf, or a list in another order.
                boolean leaf = changed.contains(d.path());
                boolean came = one.keySet().stream().noneMatch(path -> covers(d, path))
                        || other.keySet().stream().noneMatch(path -> covers(d, path));
                assertThat(leaf || came || d.path().size() > 3)
                        .as("edit " + i + ": " + d)
                        .isTrue();
            }
            told += differences.size();
        }
        assertThat(told).isGreaterThan(400);
    }

    private static boolean covers(Difference d, List<String> path) {
        return path.size() >= d.path().size()
                && path.subList(0, d.path().size()).equals(d.path());
    }

    /** A figure is one leaf; an empty list has none. */
    private static void leaves(JsonNode node, List<String> path, Map<List<String>, String> into) {
        if (node.isObject() && !node.has("basis")) {
            node.propertyNames().forEach(name -> leaves(node.path(name), more(path, name), into));
        } else if (node.isArray()) {
            List<String> keys = new ArrayList<>();
            for (JsonNode element : node) {
                keys.add(element.isString() ? element.asString() : key(element).orElse(""));
            }
            boolean unique = !keys.contains("") && new HashSet<>(keys).size() == keys.size();
            for (int i = 0; i < node.size(); i++) {
                leaves(node.get(i), more(path, unique ? keys.get(i) : "" + i), into);
            }
        } else {
            into.put(path, node.toString());
        }
    }

    private static Optional<String> key(JsonNode element) {
        for (String name : List.of("id", "part", "name")) {
            if (element.path(name).isString()) {
                return Optional.of(element.path(name).asString());
            }
        }
        return Optional.empty();
    }

    private static List<String> more(List<String> path, String name) {
        List<String> more = new ArrayList<>(path);
        more.add(name);
        return more;
    }

    private Build edited(Build build) {
        List<Part> parts = build.parts().list();
        Part part = parts.get(random.nextInt(parts.size()));
        return switch (random.nextInt(8)) {
            case 0 -> build.with(build.parts().with(part.named(part.name() + " " + random.nextInt(100))));
            case 1 -> Edits.notes("note " + random.nextInt(1000)).change().apply(build);
            case 2 ->
                Edits.brief("x", b -> b.withPurpose("for " + random.nextInt(1000)))
                        .change()
                        .apply(build);
            case 3 -> build.with(build.journal().withLessons(List.of(new Journal.Lesson("w" + random.nextInt(9), ""))));
            case 4 -> Edits.removePart(part).change().apply(build);
            default -> (Build) leaf(build);
        };
    }

    /** Another value somewhere in a tree of records; the same where the record refuses it. */
    private Object leaf(Object record) {
        List<Form.Field> fields = Form.of(record.getClass()).fields();
        Form.Field field = fields.get(random.nextInt(fields.size()));
        try {
            return field.with(record, other(field.get(record)));
        } catch (IllegalArgumentException e) {
            return record;
        }
    }

    private Object other(Object value) {
        return switch (value) {
            case Figure f -> new Figure(f.value() * 1.25, f.plusMinus(), f.basis());
            case Double d -> d * 1.5;
            case Boolean b -> !b;
            case Optional<?> o when o.isPresent() -> Optional.of(other(o.get()));
            case List<?> list
            when !list.isEmpty() -> {
                List<Object> changed = new ArrayList<>(list);
                int at = random.nextInt(changed.size());
                changed.set(at, other(changed.get(at)));
                yield changed;
            }
            case Record r -> leaf(r);
            default -> value;
        };
    }
}
