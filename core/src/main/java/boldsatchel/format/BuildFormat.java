package boldsatchel.format;

import boldsatchel.machine.Build;
import boldsatchel.machine.ChainRules;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.List;
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
    public static final int VERSION = 5;

    private static final Gates.Kind KIND = new Gates.Kind(FORMAT, "build file", ".satchel.json");

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
        Gates gates = new Gates(KIND, json);
        gates.schema(Lazy.SCHEMA);
        ObjectNode known = gates.root().deepCopy();
        if (known.path("build") instanceof ObjectNode build) {
            Absent.fill(build, Build.class);
        }
        Build build = gates.made(known.path("build"), "/build", Build.class);
        references(gates, build);
        return new Document(build, Extras.between(gates.root(), written(build)));
    }

    /** A build from a file that ships with the program and is known to be right: nothing is checked, so that the window is up sooner. */
    public static Build readTrusted(String json) {
        return BuildMapper.MAPPER.treeToValue(BuildMapper.MAPPER.readTree(json).path("build"), Build.class);
    }

    /** The file's text, ending in a line break; the same build gives the same text. */
    public static String write(Document document) {
        ObjectNode root = written(document.build());
        document.extras().putInto(root);
        return BuildMapper.MAPPER.writeValueAsString(root) + "\n";
    }

    /** A build as the file has it, to be put into something larger. */
    public static JsonNode node(Build build) {
        return written(build);
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

    /** Ids must be unique and point at something. */
    private static void references(Gates gates, Build build) throws FormatException {
        gates.once(build.parts().list().stream().map(Part::id).toList(), i -> "/build/parts/" + i + "/id", "parts");
        gates.once(
                build.casing().shells().stream().map(Shell::id).toList(),
                i -> "/build/casing/shells/" + i + "/id",
                "shells");
        gates.once(build.rungs().map(Rung::id).toList(), i -> "/build/wiring/chain", "rungs");
        List<Placement> placements = build.layout().placements();
        for (int i = 0; i < placements.size(); i++) {
            String at = "/build/layout/placements/" + i;
            String part = placements.get(i).part();
            String shell = placements.get(i).shell();
            if (build.part(part).isEmpty()) {
                gates.tell(at + "/part", "There is no part with the id “" + part + "”; name one of the parts.");
            }
            if (build.shell(shell).isEmpty()) {
                gates.tell(at + "/shell", "There is no shell with the id “" + shell + "”; name one of the shells.");
            }
        }
        build.rungs()
                .flatMap(r -> r.parts().stream())
                .filter(part -> build.part(part).isEmpty())
                .forEach(part ->
                        gates.tell("/build/wiring/chain", "The chain names a part “" + part + "” that there is not."));
        if (gates.clear()) {
            ChainRules.refusals(build).distinct().forEach(words -> gates.tell("/build/wiring/chain", words));
        }
        gates.once(
                build.wiring().links().stream().map(Link::id).toList(),
                i -> "/build/wiring/links/" + i + "/id",
                "links");
        for (int i = 0; i < build.wiring().links().size(); i++) {
            String at = "/build/wiring/links/" + i;
            build.wiring()
                    .links()
                    .get(i)
                    .ends()
                    .map(Link.End::part)
                    .filter(part -> build.part(part).isEmpty())
                    .forEach(part -> gates.tell(at, "The link names a part “" + part + "” that there is not."));
        }
        CasingGate.joints(gates, "/build/casing", build.casing());
        gates.refuseOnProblems();
    }
}
