package boldsatchel.format;

import com.networknt.schema.Error;
import com.networknt.schema.Schema;
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
 * A file on its way through the gates, each with its own words when it does not open: it is JSON; it is a file of its kind and of a version
 * this program knows; it fits its schema; its values make sense. Places are told as they stand in the file, whatever its version.
 */
final class Gates {

    /** Some editors put it before a text. */
    private static final String MARK = "\uFEFF";

    /**
     * A kind of file.
     *
     * @param format what it says it is
     * @param words what people call it
     * @param ending of its name
     */
    record Kind(String format, String words, String ending) {}

    private final Kind kind;
    private final String json;
    private final int version;
    private final ObjectNode root;
    /** What is wrong, by where it stands in the file. */
    private final List<Map.Entry<String, String>> problems = new ArrayList<>();

    /**
     * Opens the first two gates.
     *
     * @param text of the file
     */
    Gates(Kind kind, String text) throws FormatException {
        this.kind = kind;
        this.json = text.startsWith(MARK) ? text.substring(MARK.length()) : text;
        ObjectNode file = tree();
        version = version(file);
        root = Migrations.upToDate(file, version);
        letters(root, "");
    }

    /** The file's tree as this version would have it. */
    ObjectNode root() {
        return root;
    }

    /** Whether nothing is wrong so far. */
    boolean clear() {
        return problems.isEmpty();
    }

    private ObjectNode tree() throws FormatException {
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
                    0,
                    "",
                    "This is no " + kind.words() + ": it holds no JSON object. Choose a file ending in " + kind.ending()
                            + ".");
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

    private int version(JsonNode root) throws FormatException {
        if (!root.path("format").asString("").equals(kind.format())) {
            throw problem(
                    lineOf(json, "/format"),
                    "format",
                    "This is no " + kind.words() + ": “format” should say “" + kind.format()
                            + "”. Choose a file ending in " + kind.ending() + ".");
        }
        int version = root.path("version").asInt(0);
        if (version > BuildFormat.VERSION) {
            throw problem(
                    lineOf(json, "/version"),
                    "version",
                    "This file was written by a newer Bold Satchel (version " + version + "; this one knows up to "
                            + BuildFormat.VERSION + "). It is left as it is; open it with the newer program.");
        }
        return Math.max(1, version);
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

    void schema(Schema schema) throws FormatException {
        for (Error error : schema.validate(root)) {
            tell(error.getInstanceLocation().toString(), error.getMessage() + ".");
        }
        refuseOnProblems();
    }

    <T> T made(JsonNode known, String at, Class<T> type) throws FormatException {
        try {
            return BuildMapper.MAPPER.treeToValue(known, type);
        } catch (JacksonException e) {
            String message =
                    Optional.ofNullable(e.getCause()).map(Throwable::getMessage).orElse(e.getOriginalMessage());
            tell(at + pointer(e), message + ".");
            throw refusal();
        }
    }

    void once(List<String> ids, IntFunction<String> pointer, String what) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < ids.size(); i++) {
            if (!seen.add(ids.get(i))) {
                tell(pointer.apply(i), "Two " + what + " have the id “" + ids.get(i) + "”; give one another id.");
            }
        }
    }

    void tell(String pointer, String message) {
        problems.add(Map.entry(Migrations.inFile(pointer, version), message));
    }

    void refuseOnProblems() throws FormatException {
        if (!problems.isEmpty()) {
            throw refusal();
        }
    }

    /** All that is wrong, with its lines: the file is walked once more, however much there is. */
    private FormatException refusal() {
        Map<String, Integer> lines =
                linesOf(json, problems.stream().map(Map.Entry::getKey).toList());
        return new FormatException(problems.stream()
                .map(p ->
                        new FormatException.Problem(lines.getOrDefault(p.getKey(), 1), field(p.getKey()), p.getValue()))
                .toList());
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
