package boldsatchel.format;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.quantity.Form;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * The JSON Schema (draft 2020-12) of build and library files, derived from the records themselves so that it cannot fall behind them. Unknown
 * fields are allowed: a newer minor version may have written them, and they survive.
 */
public final class BuildSchema {

    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private final Map<String, ObjectNode> definitions = new LinkedHashMap<>();

    private BuildSchema() {}

    /** The schema of a build file as JSON text. */
    public static String text() {
        BuildSchema schema = new BuildSchema();
        ObjectNode root = schema.root("Bold Satchel build", BuildFormat.FORMAT);
        ((ObjectNode) root.get("properties")).set("build", schema.of(Build.class));
        ((ArrayNode) root.get("required")).add("build");
        return schema.done(root);
    }

    /** The schema of a library file as JSON text. */
    public static String library() {
        BuildSchema schema = new BuildSchema();
        ObjectNode root = schema.root("Bold Satchel library", LibraryFormat.FORMAT);
        for (Form.Field field : Form.of(LibraryFormat.Contents.class).fields()) {
            ObjectNode list = NODES.objectNode().put("type", "array");
            list.set("items", schema.of(field.holds()));
            ((ObjectNode) root.get("properties")).set(field.name(), list);
        }
        return schema.done(root);
    }

    private String done(ObjectNode root) {
        ObjectNode defs = root.putObject("$defs");
        definitions.forEach(defs::set);
        return BuildMapper.MAPPER.writeValueAsString(root) + "\n";
    }

    private ObjectNode root(String title, String format) {
        ObjectNode root = NODES.objectNode();
        root.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        root.put("title", title);
        root.put("type", "object");
        ObjectNode properties = root.putObject("properties");
        properties.putObject("format").put("const", format);
        properties.putObject("version").put("type", "integer").put("minimum", 1);
        root.putArray("required").add("format").add("version");
        return root;
    }

    private ObjectNode of(Type type) {
        if (type instanceof ParameterizedType generic) {
            Type inner = generic.getActualTypeArguments()[0];
            if (generic.getRawType() == Optional.class) {
                return of(inner);
            }
            ObjectNode array = NODES.objectNode().put("type", "array");
            array.set("items", of(inner));
            if (generic.getRawType() == Set.class) {
                array.put("uniqueItems", true);
            }
            return array;
        }
        Class<?> raw = (Class<?>) type;
        if (raw == Parts.class) {
            ObjectNode array = NODES.objectNode().put("type", "array");
            array.set("items", of(Part.class));
            return array;
        }
        if (raw == String.class) {
            return NODES.objectNode().put("type", "string");
        }
        if (raw == LocalDate.class) {
            return NODES.objectNode().put("type", "string").put("pattern", "^\\d{4}-\\d{2}-\\d{2}$");
        }
        if (raw == boolean.class) {
            return NODES.objectNode().put("type", "boolean");
        }
        if (raw == int.class || raw == Integer.class) {
            return NODES.objectNode().put("type", "integer");
        }
        if (raw == double.class || raw == Double.class) {
            return NODES.objectNode().put("type", "number");
        }
        if (raw.isEnum()) {
            ObjectNode node = NODES.objectNode();
            ArrayNode words = node.putArray("enum");
            for (Object constant : raw.getEnumConstants()) {
                words.add(BuildMapper.name((Enum<?>) constant));
            }
            return node;
        }
        if (BuildMapper.OPEN.contains(raw)) {
            return alternatives(raw);
        }
        return record(raw);
    }

    private ObjectNode reference(String name) {
        return NODES.objectNode().put("$ref", "#/$defs/" + name);
    }

    private ObjectNode record(Class<?> raw) {
        String name = BuildMapper.name(raw);
        if (!definitions.containsKey(name)) {
            ObjectNode node = NODES.objectNode().put("type", "object");
            definitions.put(name, node);
            fill(node, raw);
        }
        return reference(name);
    }

    /** Only what nothing could be taken for is required: ids and what points at them. */
    private void fill(ObjectNode node, Class<?> raw) {
        ObjectNode properties = node.putObject("properties");
        ArrayNode required = NODES.arrayNode();
        for (RecordComponent component : raw.getRecordComponents()) {
            ObjectNode property = of(component.getGenericType());
            Form.Field field = Form.of(raw).field(component.getName());
            if (!field.label().equals(field.name())) {
                property.put("title", field.label());
            }
            bound(property, field);
            properties.set(component.getName(), property);
            if (field.needed()) {
                required.add(component.getName());
            }
        }
        if (!required.isEmpty()) {
            node.set("required", required);
        }
    }

    /** How far a number goes; a figure's value stands one step deeper. */
    private static void bound(ObjectNode property, Form.Field field) {
        switch (field.kind()) {
            case FIGURE -> bound(property.putObject("properties").putObject("value"), field.least(), field.most());
            case NUMBER, WHOLE -> bound(property, field.least(), field.most());
            default -> {
                // No number.
            }
        }
    }

    private static void bound(ObjectNode number, double least, double most) {
        number.put("minimum", least).put("maximum", most);
    }

    /** Told apart by the word in {@code is}: one condition an alternative, so that errors speak of the right one. */
    private ObjectNode alternatives(Class<?> raw) {
        String name = BuildMapper.name(raw);
        if (!definitions.containsKey(name)) {
            ObjectNode node = NODES.objectNode().put("type", "object");
            definitions.put(name, node);
            node.putArray("required").add("is");
            ArrayNode words = node.putObject("properties").putObject("is").putArray("enum");
            ArrayNode conditions = node.putArray("allOf");
            for (Class<?> alternative : BuildMapper.alternatives(raw)) {
                words.add(BuildMapper.name(alternative));
                ObjectNode condition = conditions.addObject();
                condition
                        .putObject("if")
                        .putObject("properties")
                        .putObject("is")
                        .put("const", BuildMapper.name(alternative));
                condition.set("then", record(alternative));
            }
        }
        return reference(name);
    }
}
