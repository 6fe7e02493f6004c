package boldsatchel.format;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.databind.node.StringNode;

/**
 * How files of older versions become files of this one: for each version, what changed on the way to the next. What a step does not name
 * stays where it is, known or not.
 */
final class Migrations {

    /** Of version 2, the signs that money was written in. */
    private static final Map<String, String> CODES = Map.of("€", "EUR", "$", "USD", "£", "GBP", "¥", "JPY", "", "EUR");

    /**
     * From version 1 the build came in sections; from version 2 the inside of a tray is known as well or ill as everything else, and money
     * has its ISO code; to version 4 only fields and words were added; from version 4 trays hang on joints and a solid may be round.
     */
    private static final Map<Integer, List<Change>> STEPS = new TreeMap<>(Map.of(
            1,
            List.of(
                    new Move("/build/shells", "/build/casing/shells"),
                    new Move("/build/hinge", "/build/casing/hinge"),
                    new Move("/build/sundriesG", "/build/casing/sundriesG"),
                    new Move("/build/placements", "/build/layout/placements"),
                    new Move("/build/chain", "/build/wiring/chain"),
                    new Move("/build/heatPaths", "/build/cooling/heatPaths")),
            2,
            List.of(
                    new Each("/build/casing/shells", Migrations::insideInDoubt),
                    new Each("/cases/*/shells", Migrations::insideInDoubt),
                    new Rewritten("/build/brief/currency", Migrations::code)),
            4,
            List.of(
                    new Each("/build/parts", Migrations::solidsAreBoxes),
                    new Each("/parts", Migrations::solidsAreBoxes),
                    new Within("/build/casing", Migrations::hingeIsJoint),
                    new Each("/cases", Migrations::hingeIsJoint))));

    private Migrations() {}

    /** One thing that a step does. */
    private sealed interface Change {
        void on(ObjectNode root);

        /** Where a place after the change stood before it. */
        default String back(String pointer) {
            return pointer;
        }
    }

    private static String parent(String pointer) {
        return pointer.substring(0, pointer.lastIndexOf('/'));
    }

    private static String name(String pointer) {
        return pointer.substring(pointer.lastIndexOf('/') + 1);
    }

    /** A field that is elsewhere now. */
    private record Move(String from, String to) implements Change {
        @Override
        public void on(ObjectNode root) {
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

        @Override
        public String back(String pointer) {
            return pointer.equals(to) || pointer.startsWith(to + "/") ? from + pointer.substring(to.length()) : pointer;
        }
    }

    /** A list whose objects change; a star stands for every element of a list above it. */
    private record Each(String list, Consumer<ObjectNode> change) implements Change {
        @Override
        public void on(ObjectNode root) {
            int star = list.indexOf("/*");
            if (star < 0) {
                all(root.at(list));
            } else if (root.at(list.substring(0, star)) instanceof ArrayNode above) {
                above.forEach(element -> all(element.at(list.substring(star + 2))));
            }
        }

        private void all(JsonNode found) {
            if (found instanceof ArrayNode elements) {
                elements.forEach(e -> {
                    if (e instanceof ObjectNode object) {
                        change.accept(object);
                    }
                });
            }
        }
    }

    /** A word that is written otherwise now. */
    private record Rewritten(String at, UnaryOperator<String> as) implements Change {
        @Override
        public void on(ObjectNode root) {
            if (root.at(at) instanceof StringNode word && root.at(parent(at)) instanceof ObjectNode object) {
                object.put(name(at), as.apply(word.stringValue()));
            }
        }
    }

    /** One object that changes. */
    private record Within(String at, Consumer<ObjectNode> change) implements Change {
        @Override
        public void on(ObjectNode root) {
            if (root.at(at) instanceof ObjectNode object) {
                change.accept(object);
            }
        }
    }

    private static void solidsAreBoxes(ObjectNode part) {
        part.path("body").path("solids").forEach(solid -> {
            if (solid instanceof ObjectNode box) {
                box.put("is", "box");
            }
        });
    }

    /** There was one hinge, of a lid that is closed face down, along an axis from left to right; and one angle of use. */
    private static void hingeIsJoint(ObjectNode casing) {
        if (!(casing.remove("hinge") instanceof ObjectNode old)) {
            return;
        }
        ObjectNode joint = casing.putArray("joints").addObject();
        joint.put("id", "hinge").put("name", "Hinge");
        joint.set("on", old.path("baseShell"));
        joint.set("carries", old.path("lidShell"));
        point(joint.putObject("at"), old.path("axisYMm"), old.path("axisZMm"));
        point(joint.putObject("mark"), old.path("lidAxisYMm"), old.path("lidAxisZMm"));
        joint.putObject("turned").put("up", "bottom").put("quarterTurns", 0);
        ObjectNode way = joint.putObject("way").put("is", "hinged");
        way.putObject("axis").put("x", -1.0).put("y", 0.0).put("z", 0.0);
        way.put("opensDeg", old.path("maxAngleDeg").asDouble(135));
        if (old.has("frictionNm")) {
            way.set("frictionNm", old.path("frictionNm"));
        }
        ArrayNode postures = casing.putArray("postures");
        postures.addObject()
                .put("name", "closed")
                .put("held", "table")
                .put("used", false)
                .putArray("settings");
        ObjectNode used =
                postures.addObject().put("name", "in use").put("held", "table").put("used", true);
        used.putArray("settings")
                .addObject()
                .put("joint", "hinge")
                .put("amount", old.path("useAngleDeg").asDouble(110));
    }

    private static void point(ObjectNode at, JsonNode y, JsonNode z) {
        at.put("x", 0.0).put("y", y.asDouble(0)).put("z", z.asDouble(0));
    }

    private static String code(String sign) {
        return CODES.getOrDefault(sign.strip(), sign);
    }

    /** A found box was measured, to half a millimetre; any other is made as planned. */
    private static void insideInDoubt(ObjectNode shell) {
        boolean found = shell.path("making").asString("").equals("found");
        for (String size : List.of("widthMm", "depthMm", "heightMm")) {
            JsonNode value = shell.path(size);
            if (value.isNumber()) {
                ObjectNode figure = shell.putObject(size);
                figure.set("value", value);
                if (found) {
                    figure.put("plusMinus", 0.5);
                }
                figure.put("basis", found ? "measured" : "planned");
            }
        }
    }

    /** The file's tree as this version would have it; the tree given is not changed. */
    static ObjectNode upToDate(ObjectNode file, int version) {
        ObjectNode root = file.deepCopy();
        steps(version).forEach(changes -> changes.forEach(c -> c.on(root)));
        root.put("version", BuildFormat.VERSION);
        return root;
    }

    /** Where a place in a tree of this version stands in a file of an older one. */
    static String inFile(String pointer, int version) {
        String back = pointer;
        for (List<Change> changes : steps(version).reversed()) {
            for (Change change : changes.reversed()) {
                back = change.back(back);
            }
        }
        return back;
    }

    private static List<List<Change>> steps(int version) {
        Map<Integer, List<Change>> left = new LinkedHashMap<>(STEPS);
        left.keySet().removeIf(v -> v < version);
        return List.copyOf(left.values());
    }
}
