package boldsatchel.format;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * How files of older versions become files of this one: for each version, the fields that moved on the way to the next. What a step does
 * not name stays where it is, known or not.
 */
final class Migrations {

    /** From version 1 the build came in sections. */
    private static final Map<Integer, List<Move>> STEPS = new TreeMap<>(Map.of(
            1,
            List.of(
                    new Move("/build/shells", "/build/casing/shells"),
                    new Move("/build/hinge", "/build/casing/hinge"),
                    new Move("/build/sundriesG", "/build/casing/sundriesG"),
                    new Move("/build/placements", "/build/layout/placements"),
                    new Move("/build/chain", "/build/wiring/chain"),
                    new Move("/build/heatPaths", "/build/cooling/heatPaths"))));

    private Migrations() {}

    private record Move(String from, String to) {
        private static String parent(String pointer) {
            return pointer.substring(0, pointer.lastIndexOf('/'));
        }

        private static String name(String pointer) {
            return pointer.substring(pointer.lastIndexOf('/') + 1);
        }

        void on(ObjectNode root) {
            JsonNode value = root.at(from);
            if (value.isMissingNode() || !(root.at(parent(from)) instanceof ObjectNode old)) {
                return;
            }
            old.remove(name(from));
            ObjectNode at = root;
            for (String step : parent(to).substring(1).split("/")) {
                at = at.get(step) instanceof ObjectNode inside ? inside : at.putObject(step);
            }
            at.set(name(to), value);
        }

        String back(String pointer) {
            return pointer.equals(to) || pointer.startsWith(to + "/") ? from + pointer.substring(to.length()) : pointer;
        }
    }

    /** The file's tree as this version would have it; the tree given is not changed. */
    static ObjectNode upToDate(ObjectNode file, int version) {
        ObjectNode root = file.deepCopy();
        steps(version).forEach(moves -> moves.forEach(m -> m.on(root)));
        root.put("version", BuildFormat.VERSION);
        return root;
    }

    /** Where a place in a tree of this version stands in a file of an older one. */
    static String inFile(String pointer, int version) {
        String back = pointer;
        for (List<Move> moves : steps(version).reversed()) {
            for (Move move : moves.reversed()) {
                back = move.back(back);
            }
        }
        return back;
    }

    private static List<List<Move>> steps(int version) {
        Map<Integer, List<Move>> left = new LinkedHashMap<>(STEPS);
        left.keySet().removeIf(v -> v < version);
        return List.copyOf(left.values());
    }
}
