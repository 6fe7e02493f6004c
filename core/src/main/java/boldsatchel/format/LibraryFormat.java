package boldsatchel.format;

import boldsatchel.machine.Case;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Label;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.util.List;
import tools.jackson.databind.node.ObjectNode;

/** Reads, checks and writes library files: parts and cases as they stand in build files, so that one can be carried into the other by hand. */
public final class LibraryFormat {

    /** What a library file says it is. */
    public static final String FORMAT = "bold-satchel-library";

    /** What names of library files end in. */
    public static final String ENDING = ".parts.json";

    private static final Gates.Kind KIND = new Gates.Kind(FORMAT, "library file", ENDING);

    private LibraryFormat() {}

    private static final class Lazy {
        static final Schema SCHEMA = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                .getSchema(BuildSchema.library());
    }

    /**
     * What a library file holds.
     *
     * @param parts each under an id of its own
     * @param cases each under a name of its own
     */
    public record Contents(
            @Label("parts") List<Part> parts,
            @Label("cases") List<Case> cases) {
        /** Nothing. */
        public static final Contents NONE = new Contents(List.of(), List.of());

        /** Copies the lists. */
        public Contents {
            parts = List.copyOf(parts);
            cases = List.copyOf(cases);
        }
    }

    /**
     * Reads a library; what the file leaves out is filled in.
     *
     * @param json text of the file
     * @throws FormatException with line, field and what was expected
     */
    public static Contents read(String json) throws FormatException {
        Gates gates = new Gates(KIND, json);
        gates.schema(Lazy.SCHEMA);
        ObjectNode known = gates.root().deepCopy();
        Absent.fill(known, Contents.class);
        Contents contents = gates.made(known, "", Contents.class);
        gates.once(contents.parts().stream().map(Part::id).toList(), i -> "/parts/" + i + "/id", "parts");
        gates.once(contents.cases().stream().map(Case::name).toList(), i -> "/cases/" + i + "/name", "cases");
        gates.refuseOnProblems();
        return contents;
    }

    /** Contents of a file that ships with the program and is known to be right. */
    public static Contents readTrusted(String json) {
        ObjectNode known = (ObjectNode) BuildMapper.MAPPER.readTree(json);
        for (String list : List.of("parts", "cases")) {
            if (!known.has(list)) {
                known.putArray(list);
            }
        }
        return BuildMapper.MAPPER.treeToValue(known, Contents.class);
    }

    /** The file's text, ending in a line break; the same contents give the same text. */
    public static String write(Contents contents) {
        ObjectNode root = BuildMapper.MAPPER.createObjectNode();
        root.put("format", FORMAT);
        root.put("version", BuildFormat.VERSION);
        root.set("parts", BuildMapper.MAPPER.valueToTree(contents.parts()));
        root.set("cases", BuildMapper.MAPPER.valueToTree(contents.cases()));
        return BuildMapper.MAPPER.writeValueAsString(root) + "\n";
    }
}
