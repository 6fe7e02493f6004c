package boldsatchel.format;

import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The fields of a file that this version does not know, as a tree beside the build's. Elements of lists are found again by their id, or
 * by the part they are about, and by their place only when they have neither; an element that was removed takes its unknown fields
 * with it.
 *
 * @param fields unknown fields of this object
 * @param inside what is unknown inside its known fields or elements, by name or key
 */
public record Extras(Map<String, JsonNode> fields, Map<String, Extras> inside) {

    /** Nothing unknown. */
    public static final Extras NONE = new Extras(Map.of(), Map.of());

    /** What a file has that writing its build would not. */
    static Extras between(JsonNode file, JsonNode written) {
        Map<String, JsonNode> fields = new LinkedHashMap<>();
        Map<String, Extras> inside = new LinkedHashMap<>();
        if (file instanceof ObjectNode object && written instanceof ObjectNode known) {
            for (Map.Entry<String, JsonNode> field : object.properties()) {
                JsonNode same = known.get(field.getKey());
                if (same == null) {
                    fields.put(field.getKey(), NumbersAsWritten.toWrite(field.getValue()));
                } else {
                    keep(inside, field.getKey(), between(field.getValue(), same));
                }
            }
        } else if (file instanceof ArrayNode list && written instanceof ArrayNode known) {
            for (int i = 0; i < Math.min(list.size(), known.size()); i++) {
                keep(inside, key(known.get(i), i), between(list.get(i), known.get(i)));
            }
        }
        return fields.isEmpty() && inside.isEmpty() ? NONE : new Extras(fields, inside);
    }

    @SuppressWarnings("ReferenceEquality") // NONE is the one empty instance.
    private static void keep(Map<String, Extras> inside, String key, Extras extras) {
        if (extras != NONE) {
            inside.put(key, extras);
        }
    }

    private static String key(JsonNode element, int index) {
        for (String name : new String[] {"id", "part", "is", "name"}) {
            if (element.path(name).isString()) {
                return name + ":" + element.path(name).asString();
            }
        }
        return "#" + index;
    }

    /** Puts the unknown fields back. */
    void putInto(JsonNode written) {
        if (written instanceof ObjectNode object) {
            fields.forEach(object::putIfAbsent);
            inside.forEach((name, extras) -> extras.putInto(object.path(name)));
        } else if (written instanceof ArrayNode list) {
            for (int i = 0; i < list.size(); i++) {
                Extras extras = inside.get(key(list.get(i), i));
                if (extras != null) {
                    extras.putInto(list.get(i));
                }
            }
        }
    }
}
