package boldsatchel.format;

import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.Arrays;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Fills in what a file leaves out, from the records' own defaults, so that a field added tomorrow breaks no file of today. */
final class Absent {

    private Absent() {}

    /** Fills an object that stands for a record, and all inside it. */
    static void fill(ObjectNode node, Class<?> record) {
        for (Form.Field field : Form.of(record).fields()) {
            JsonNode value = node.get(field.name());
            if (value != null && !value.isNull()) {
                inside(value, field.holds());
            } else if (!field.optional() && !field.needed()) {
                node.set(field.name(), absent(node, field));
            }
        }
    }

    /** A plus-minus left out is the one usual for the basis; everything else is the field's own default. */
    private static JsonNode absent(ObjectNode node, Form.Field field) {
        Object value = field.absent();
        if (field.name().equals("plusMinus")) {
            Basis basis = Arrays.stream(Basis.values())
                    .filter(b -> BuildMapper.name(b).equals(node.path("basis").asString("")))
                    .findFirst()
                    .orElse(Basis.GUESS);
            value = Figure.of(node.path("value").asDouble(0), basis).plusMinus();
        }
        return BuildMapper.MAPPER.valueToTree(value);
    }

    private static void inside(JsonNode value, Class<?> type) {
        if (value instanceof ArrayNode list) {
            Class<?> of = type == Parts.class ? Part.class : type;
            list.forEach(element -> inside(element, of));
        } else if (value instanceof ObjectNode object) {
            record(object, type).ifPresent(r -> fill(object, r));
        }
    }

    /** The record an object stands for: the type itself, or the alternative it names. */
    private static Optional<Class<?>> record(ObjectNode object, Class<?> type) {
        if (type.isRecord()) {
            return Optional.of(type);
        }
        return BuildMapper.alternatives(type).stream()
                .filter(a -> BuildMapper.name(a).equals(object.path("is").asString("")))
                .findFirst();
    }
}
