package boldsatchel.format;

import boldsatchel.build.Build;
import com.networknt.schema.Error;
import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonPointer;
import tools.jackson.core.TokenStreamLocation;
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
    public static final int VERSION = 1;

    private static final int MOST_PROBLEMS = 12;

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
     * Reads a build.
     *
     * @param json text of the file
     * @throws FormatException with line, field and what was expected
     */
    public static Document read(String json) throws FormatException {
        JsonNode root = tree(json);
        version(json, root);
        schema(json);
        Build build = build(json, root);
        references(json, build);
        return new Document(build, Extras.between(root, written(build)));
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

    private static JsonNode tree(String json) throws FormatException {
        try {
            JsonNode root = BuildMapper.MAPPER.readTree(json);
            if (root.isObject()) {
                return root;
            }
            throw problem(
                    0, "", "This is no build file: it holds no JSON object. Choose a file ending in .satchel.json.");
        } catch (JacksonException e) {
            throw problem(
                    line(e),
                    "",
                    "This is not readable as JSON: " + e.getOriginalMessage()
                            + ". The file may be cut off; a backup stands beside it as .bak.");
        }
    }

    private static void version(String json, JsonNode root) throws FormatException {
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
    }

    private static void schema(String json) throws FormatException {
        List<FormatException.Problem> problems = new ArrayList<>();
        for (Error error : Lazy.SCHEMA.validate(json, InputFormat.JSON)) {
            String pointer = error.getInstanceLocation().toString();
            String field = field(pointer);
            problems.add(new FormatException.Problem(lineOf(json, pointer), field, error.getMessage() + "."));
            if (problems.size() == MOST_PROBLEMS) {
                break;
            }
        }
        if (!problems.isEmpty()) {
            throw new FormatException(problems);
        }
    }

    private static Build build(String json, JsonNode root) throws FormatException {
        try {
            return BuildMapper.MAPPER.treeToValue(root.path("build"), Build.class);
        } catch (JacksonException e) {
            String pointer = "/build" + pointer(e);
            String message =
                    Optional.ofNullable(e.getCause()).map(Throwable::getMessage).orElse(e.getOriginalMessage());
            throw problem(lineOf(json, pointer), field(pointer), message + ".");
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

    /** Ids must be unique and point at something. */
    private static void references(String json, Build build) throws FormatException {
        List<FormatException.Problem> problems = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < build.parts().size(); i++) {
            String id = build.parts().get(i).id();
            if (!seen.add(id)) {
                add(
                        problems,
                        json,
                        "/build/parts/" + i + "/id",
                        "Two parts have the id “" + id + "”; give one another id.");
            }
        }
        for (int i = 0; i < build.placements().size(); i++) {
            String at = "/build/placements/" + i;
            String part = build.placements().get(i).part();
            String shell = build.placements().get(i).shell();
            if (build.part(part).isEmpty()) {
                add(
                        problems,
                        json,
                        at + "/part",
                        "There is no part with the id “" + part + "”; name one of the parts.");
            }
            if (build.shell(shell).isEmpty()) {
                add(
                        problems,
                        json,
                        at + "/shell",
                        "There is no shell with the id “" + shell + "”; name one of the shells.");
            }
        }
        build.rungs()
                .flatMap(r -> r.parts().stream())
                .filter(part -> build.part(part).isEmpty())
                .forEach(part -> add(
                        problems, json, "/build/chain", "The chain names a part “" + part + "” that there is not."));
        build.hinge()
                .filter(h -> build.shell(h.baseShell()).isEmpty()
                        || build.shell(h.lidShell()).isEmpty())
                .ifPresent(h -> add(problems, json, "/build/hinge", "The hinge names a shell that there is not."));
        if (!problems.isEmpty()) {
            throw new FormatException(problems);
        }
    }

    private static void add(List<FormatException.Problem> problems, String json, String pointer, String message) {
        problems.add(new FormatException.Problem(lineOf(json, pointer), field(pointer), message));
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

    /** Line of the deepest field on the way to a pointer; the file is walked once more, which only happens on errors. */
    private static int lineOf(String json, String pointer) {
        int line = 1;
        try (JsonParser parser = BuildMapper.MAPPER.createParser(json)) {
            String best = "";
            while (parser.nextToken() != null) {
                JsonPointer at = parser.streamReadContext().pathAsPointer();
                String here = at.toString();
                if (here.length() > best.length() && (pointer.equals(here) || pointer.startsWith(here + "/"))) {
                    best = here;
                    line = parser.currentTokenLocation().getLineNr();
                }
            }
        } catch (JacksonException e) {
            return line;
        }
        return line;
    }
}
