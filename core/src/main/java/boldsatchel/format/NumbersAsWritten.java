package boldsatchel.format;

import java.math.BigDecimal;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.DecimalNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.POJONode;
import tools.jackson.databind.node.ValueNode;
import tools.jackson.databind.util.RawValue;

/** Makes the numbers of a tree so that each is written again digit by digit as it stood in the file, however long or large it is. */
final class NumbersAsWritten extends JsonNodeFactory {

    private static final long serialVersionUID = 1;

    private final transient JsonParser in;

    /** Numbers are made in the moment in which a parser stands at them. */
    NumbersAsWritten(JsonParser in) {
        this.in = in;
    }

    @Override
    public ValueNode numberNode(BigDecimal value) {
        return new AsWritten(value, in.getString());
    }

    private static final class AsWritten extends DecimalNode {

        private static final long serialVersionUID = 1;

        private final String text;

        AsWritten(BigDecimal value, String text) {
            super(value);
            this.text = text;
        }

        JsonNode raw() {
            return new POJONode(new RawValue(text));
        }
    }

    /** The same JSON with its numbers as they are to be written. */
    static JsonNode toWrite(JsonNode node) {
        return switch (node) {
            case AsWritten number -> number.raw();
            case ObjectNode object -> {
                ObjectNode copy = object.objectNode();
                object.properties().forEach(p -> copy.set(p.getKey(), toWrite(p.getValue())));
                yield copy;
            }
            case ArrayNode list -> {
                ArrayNode copy = list.arrayNode();
                list.forEach(element -> copy.add(toWrite(element)));
                yield copy;
            }
            default -> node;
        };
    }
}
