package boldsatchel.format;

import boldsatchel.machine.Build;
import boldsatchel.machine.ChainRules;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import com.networknt.schema.Error;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntFunction;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.TokenStreamLocation;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Reads, checks and writes build files. Reading goes through four gates, each with its own words when it does not open: it is JSON; it
 * is a build file of a version this program knows; it fits the schema; its values make sense together.
 */
public final class BuildFormat {

    /** What a build file says it is. */
    public static final String FORMAT = "bold-satchel-build";

    /** The version written, and the newest that can be read. */
    public static final int VERSION = 2;

    /** Some editors put it before a text. */
    private static final String MARK = "\uFEFF";

    private BuildFormat() {}

    private static final class Lazy {
        static final Schema SCHEMA = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(BuildSchema.text());
    }

    /**
     * A build and the fields of its file that this version does not know.
     *
     * @param build the build
     * @param extras unknown fields, put back on writing
     */
    public record Document(Build build, Extras extras) {}

    /**
     * Reads a build, of this version or an older one; what the file leaves out is filled in.
     *
     * @param json text of the file
     * @throws FormatException with line, field and what was expected
     */
    public static Document read(String json) throws FormatException {
        return new Reading(json.startsWith(MARK) ? json.substring(MARK.length()) : json).document();
    }

    /** A build from a file that ships with the program and is known to be right: nothing is checked, so that the window is up sooner. */
    public static Build readTrusted(String json) {
        return BuildMapper.MAPPER.treeToValue(BuildMapper.MAPPER.readTree(json).path("build"), Build.class);
    }

    /** Any record from text that ships with the program and is known to be right. */
    public static <T> T readTrusted(String json, Class<T> type) {
        return BuildMapper.MAPPER.readValue(json, type);
    }

    /** The file's text, ending in a line break; the same build gives the same text. */
    public static String write(Document document) {
        ObjectNode root = written(document.build());
        document.extras().putInto(root);
        return BuildMapper.MAPPER.writeValueAsString(root) + "\n";
    }

    /** Any JSON as this program writes it: one element a line. */
    public static String text(JsonNode node) {
        return BuildMapper.MAPPER.writeValueAsString(node);
    }

    private static ObjectNode written(Build build) {
        ObjectNode root = BuildMapper.MAPPER.createObjectNode();
        root.put("format", FORMAT);
        root.put("version", VERSION);
        root.set("build", BuildMapper.MAPPER.valueToTree(build));
        return root;
    }

    private static ObjectNode tree(String json) throws FormatException {
        try (JsonParser parser = BuildMapper.MAPPER.createParser(json)) {
            JsonNode file = BuildMapper.MAPPER
                    .reader(
                            DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS,
                            DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
                    .with(new NumbersAsWritten(parser))
                    .readTree(parser);
            if (file instanceof ObjectNode object) {
                return object;
            }
            throw problem(
                    0, "", "This is no build file: it holds no JSON object. Choose a file ending in .satchel.json.");
        } catch (JacksonException e) {
            throw problem(
                    line(e),
                    "",
                    "This is not readable as JSON: " + plain(e.getOriginalMessage())
                            + ". The file may be cut off; where it was saved more than once, the one before stands beside it as .bak.");
        }
    }

    /** The parser's words without what only its makers understand. */
    private static String plain(String message) {
        return message.replaceAll("\\s*\\(?(start marker )?at \\[[^\\]]*\\]\\)?", "")
                .replaceAll("\\.$", "");
    }

    private static int version(String json, JsonNode root) throws FormatException {
        if (!root.path("format").asString("").equals(FORMAT)) {
            throw problem(
                    lineOf(json, "/format"),
                    "format",
                    "This is no build file: “format” should say “" + FORMAT
                            + "”. Choose a file ending in .satchel.json.");
        }
        int version = root.path("version").asInt(0);
        if (version > VERSION) {
            throw problem(
                    lineOf(json, "/version"),
                    "version",
                    "This file was written by a newer Bold Satchel (version " + version + "; this one knows up to "
                            + VERSION + "). It is left as it is; open it with the newer program.");
        }
        return Math.max(1, version);
    }

    /** One file on its way through the gates; places are told as they stand in the file, whatever its version. */
    private static final class Reading {
        private final String json;
        private final int version;
        private final ObjectNode root;
        /** What is wrong, by where it stands in the file. */
        private final List<Map.Entry<String, String>> problems = new ArrayList<>();

        Reading(String json) throws FormatException {
            this.json = json;
            ObjectNode file = tree(json);
            version = version(json, file);
            root = Migrations.upToDate(file, version);
        }

        /** Half of a letter can be written in no file. */
        private void letters(JsonNode node, String at) {
            for (Map.Entry<String, JsonNode> property : node.properties()) {
                whole(property.getKey(), at);
                letters(property.getValue(), at + "/" + property.getKey());
            }
            for (int i = 0; node.isArray() && i < node.size(); i++) {
                letters(node.get(i), at + "/" + i);
            }
            if (node.isString()) {
                whole(node.stringValue(), at);
            }
        }

        private void whole(String text, String at) {
            if (text.codePoints().anyMatch(c -> c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE)) {
                tell(at, "This holds half of a letter (a lone surrogate). Write the letter anew.");
            }
        }

        Document document() throws FormatException {
            letters(root, "");
            schema();
            ObjectNode known = root.deepCopy();
            if (known.path("build") instanceof ObjectNode build) {
                Absent.fill(build, Build.class);
            }
            Build build = build(known);
            references(build);
            return new Document(build, Extras.between(root, written(build)));
        }

        private void schema() throws FormatException {
            for (Error error : Lazy.SCHEMA.validate(root)) {
                tell(error.getInstanceLocation().toString(), error.getMessage() + ".");
            }
            refuseOnProblems();
        }

        private Build build(ObjectNode known) throws FormatException {
            try {
                return BuildMapper.MAPPER.treeToValue(known.path("build"), Build.class);
            } catch (JacksonException e) {
                String message = Optional.ofNullable(e.getCause())
                        .map(Throwable::getMessage)
                        .orElse(e.getOriginalMessage());
                tell("/build" + pointer(e), message + ".");
                throw refusal();
            }
        }

        /** Ids must be unique and point at something. */
        private void references(Build build) throws FormatException {
            once(build.parts().list().stream().map(Part::id).toList(), i -> "/build/parts/" + i + "/id", "parts");
            once(
                    build.casing().shells().stream().map(Shell::id).toList(),
                    i -> "/build/casing/shells/" + i + "/id",
                    "shells");
            once(build.rungs().map(Rung::id).toList(), i -> "/build/wiring/chain", "rungs");
            List<Placement> placements = build.layout().placements();
            for (int i = 0; i < placements.size(); i++) {
                String at = "/build/layout/placements/" + i;
                String part = placements.get(i).part();
                String shell = placements.get(i).shell();
                if (build.part(part).isEmpty()) {
                    tell(at + "/part", "There is no part with the id “" + part + "”; name one of the parts.");
                }
                if (build.shell(shell).isEmpty()) {
                    tell(at + "/shell", "There is no shell with the id “" + shell + "”; name one of the shells.");
                }
            }
            build.rungs()
                    .flatMap(r -> r.parts().stream())
                    .filter(part -> build.part(part).isEmpty())
                    .forEach(part ->
                            tell("/build/wiring/chain", "The chain names a part “" + part + "” that there is not."));
            if (problems.isEmpty()) {
                ChainRules.refusals(build).distinct().forEach(words -> tell("/build/wiring/chain", words));
            }
            build.casing()
                    .hinge()
                    .filter(h -> build.shell(h.baseShell()).isEmpty()
                            || build.shell(h.lidShell()).isEmpty())
                    .ifPresent(h -> tell("/build/casing/hinge", "The hinge names a shell that there is not."));
            refuseOnProblems();
        }

        private void once(List<String> ids, IntFunction<String> pointer, String what) {
            Set<String> seen = new HashSet<>();
            for (int i = 0; i < ids.size(); i++) {
                if (!seen.add(ids.get(i))) {
                    tell(pointer.apply(i), "Two " + what + " have the id “" + ids.get(i) + "”; give one another id.");
                }
            }
        }

        private void tell(String pointer, String message) {
            problems.add(Map.entry(Migrations.inFile(pointer, version), message));
        }

        private void refuseOnProblems() throws FormatException {
            if (!problems.isEmpty()) {
                throw refusal();
            }
        }

        /** All that is wrong, with its lines: the file is walked once more, however much there is. */
        private FormatException refusal() {
            Map<String, Integer> lines =
                    linesOf(json, problems.stream().map(Map.Entry::getKey).toList());
            return new FormatException(problems.stream()
                    .map(p -> new FormatException.Problem(
                            lines.getOrDefault(p.getKey(), 1), field(p.getKey()), p.getValue()))
                    .toList());
        }
    }

    private static String pointer(JacksonException e) {
        StringBuilder pointer = new StringBuilder();
        for (JacksonException.Reference reference : e.getPath()) {
            pointer.append('/')
                    .append(reference.getPropertyName() != null ? reference.getPropertyName() : reference.getIndex());
        }
        return pointer.toString();
    }

    private static FormatException problem(int line, String field, String message) {
        return new FormatException(List.of(new FormatException.Problem(line, field, message)));
    }

    /** {@code /build/parts/3/massG} as {@code build.parts[3].massG}. */
    private static String field(String pointer) {
        return pointer.replaceFirst("^/", "")
                .replaceAll("/(\\d+)(?=/|$)", "[$1]")
                .replace('/', '.');
    }

    private static int line(JacksonException e) {
        TokenStreamLocation location = e.getLocation();
        return location == null ? 0 : Math.max(0, location.getLineNr());
    }

    private static int lineOf(String json, String pointer) {
        return linesOf(json, List.of(pointer)).getOrDefault(pointer, 1);
    }

    /** For each pointer the line of the deepest field on the way to it that the file has; as far as the file can be read. */
    private static Map<String, Integer> linesOf(String json, List<String> pointers) {
        Map<String, Integer> lines = new HashMap<>();
        Set<String> wanted = new HashSet<>();
        for (String pointer : pointers) {
            for (int end = pointer.length(); end > 0; end = pointer.lastIndexOf('/', end - 1)) {
                wanted.add(pointer.substring(0, end));
            }
        }
        try (JsonParser parser = BuildMapper.MAPPER.createParser(json)) {
            while (parser.nextToken() != null) {
                String here = parser.streamReadContext().pathAsPointer().toString();
                if (wanted.contains(here)) {
                    lines.putIfAbsent(here, parser.currentTokenLocation().getLineNr());
                }
            }
        } catch (JacksonException e) {
            // What was found before the file breaks off is told.
        }
        Map<String, Integer> found = new HashMap<>();
        for (String pointer : pointers) {
            for (int end = pointer.length();
                    end > 0 && !found.containsKey(pointer);
                    end = pointer.lastIndexOf('/', end - 1)) {
                Integer line = lines.get(pointer.substring(0, end));
                if (line != null) {
                    found.put(pointer, line);
                }
            }
        }
        return found;
    }
}
