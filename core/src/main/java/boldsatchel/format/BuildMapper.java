package boldsatchel.format;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Rung;
import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import com.fasterxml.jackson.annotation.JsonValue;
import java.util.List;
import java.util.Locale;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.core.util.DefaultIndenter;
import tools.jackson.core.util.DefaultPrettyPrinter;
import tools.jackson.core.util.Separators;
import tools.jackson.databind.BeanDescription;
import tools.jackson.databind.DeserializationConfig;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JavaType;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.deser.ValueDeserializerModifier;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.ser.std.StdSerializer;

/** How records become JSON: field by field, alternatives told by {@code is}, enums in lower case with hyphens. */
final class BuildMapper {

    private BuildMapper() {}

    @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "is")
    private interface Named {}

    /** A box is told from other solids only where those can stand; a zone's box is a box. */
    @JsonTypeInfo(use = JsonTypeInfo.Id.NONE)
    private interface Plain {}

    /** The parts of a build are a plain list in a file; how they are found is nobody's business there. */
    private interface Listed {
        @JsonValue
        List<Part> list();
    }

    /** Types of which a file says which alternative stands there. */
    static final List<Class<?>> OPEN = List.of(Facet.class, Rung.Stage.class, Joint.Way.class, Solid.class);

    static final JsonMapper MAPPER = mapper();

    /** What can stand where a sealed type is asked for. */
    static List<Class<?>> alternatives(Class<?> type) {
        return type.isSealed() ? List.of(type.getPermittedSubclasses()) : List.of();
    }

    /** Name of an alternative in a file: its class name with a small first letter. */
    static String name(Class<?> alternative) {
        String simple = alternative.getSimpleName();
        return simple.substring(0, 1).toLowerCase(Locale.ROOT) + simple.substring(1);
    }

    /** An enum constant in a file. */
    static String name(Enum<?> constant) {
        return constant.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static JsonMapper mapper() {
        JsonMapper.Builder builder = JsonMapper.builder()
                .addMixIn(Facet.class, Named.class)
                .addMixIn(Rung.Stage.class, Named.class)
                .addMixIn(Joint.Way.class, Named.class)
                .addMixIn(Solid.class, Named.class)
                .addMixIn(Box.class, Plain.class)
                .addMixIn(Parts.class, Listed.class)
                .changeDefaultVisibility(v -> v.withFieldVisibility(Visibility.ANY)
                        .withGetterVisibility(Visibility.NONE)
                        .withIsGetterVisibility(Visibility.NONE))
                .changeDefaultPropertyInclusion(v -> v.withValueInclusion(JsonInclude.Include.NON_ABSENT))
                .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
                .enable(SerializationFeature.INDENT_OUTPUT)
                .disable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
                .enable(MapperFeature.SORT_CREATOR_PROPERTIES_FIRST)
                .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .addModule(enums())
                .defaultPrettyPrinter(printer());
        for (Class<?> open : OPEN) {
            alternatives(open).forEach(a -> builder.registerSubtypes(new NamedType(a, name(a))));
        }
        return builder.build();
    }

    /** One element a line, so that differences read well. */
    private static DefaultPrettyPrinter printer() {
        DefaultIndenter indenter = new DefaultIndenter("  ", "\n");
        return new DefaultPrettyPrinter(
                        Separators.createDefaultInstance().withObjectNameValueSpacing(Separators.Spacing.AFTER))
                .withArrayIndenter(indenter)
                .withObjectIndenter(indenter);
    }

    private static SimpleModule enums() {
        return new SimpleModule("enums")
                .addDeserializer(Parts.class, new PartsReader())
                .addSerializer(new EnumWriter())
                .setDeserializerModifier(new ValueDeserializerModifier() {
                    private static final long serialVersionUID = 1;

                    @Override
                    public ValueDeserializer<?> modifyEnumDeserializer(
                            DeserializationConfig config,
                            JavaType type,
                            BeanDescription.Supplier bean,
                            ValueDeserializer<?> deserializer) {
                        return new EnumReader(type.getRawClass());
                    }
                });
    }

    @SuppressWarnings({"rawtypes"})
    private static final class EnumWriter extends StdSerializer<Enum> {
        EnumWriter() {
            super(Enum.class);
        }

        @Override
        public void serialize(Enum value, JsonGenerator out, SerializationContext context) {
            out.writeString(name(value));
        }
    }

    private static final class EnumReader extends ValueDeserializer<Object> {
        private final Class<?> type;

        EnumReader(Class<?> type) {
            this.type = type;
        }

        @Override
        public Object deserialize(JsonParser in, DeserializationContext context) {
            String text = in.getString();
            for (Object constant : type.getEnumConstants()) {
                if (name((Enum<?>) constant).equals(text)) {
                    return constant;
                }
            }
            return context.handleWeirdStringValue(type, text, "not one of the known words");
        }
    }

    private static final class PartsReader extends ValueDeserializer<Parts> {
        @Override
        public Parts deserialize(JsonParser in, DeserializationContext context) {
            JavaType list = context.getTypeFactory().constructCollectionType(List.class, Part.class);
            List<Part> parts = context.readValue(in, list);
            return new Parts(parts);
        }
    }
}
