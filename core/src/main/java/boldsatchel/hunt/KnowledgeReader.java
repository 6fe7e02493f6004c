package boldsatchel.hunt;

import boldsatchel.bench.Measurand;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads symptoms, checks and causes and tells all that is wrong with them. */
final class KnowledgeReader {

    /** Lists of a file, in the order in which one refers to those before. */
    static final List<String> KINDS = List.of("symptoms", "checks", "causes");

    private static final int MOST_ENTRIES = 2000;
    private static final int MOST_NAMED = 8;
    private static final double MOST_MINUTES = 50_000;
    private static final double MOST_RATE = 100;
    private static final double ROUNDED = 0.011;

    private final List<String> faults = new ArrayList<>();

    private KnowledgeReader() {}

    /** One entry of a file, with words for where it stands. */
    private final class Entry {
        private final String where;
        private final JsonNode node;

        Entry(String where, JsonNode node) {
            this.where = where;
            this.node = node;
        }

        void fault(String what) {
            faults.add(where + ": " + what);
        }

        String text(String field) {
            String text = node.path(field).asString("").strip();
            if (text.isEmpty()) {
                fault("“" + field + "” is missing.");
            }
            return text;
        }

        String textOr(String field, String otherwise) {
            return node.path(field).asString(otherwise).strip();
        }

        List<String> texts(String field) {
            List<String> texts = new ArrayList<>();
            node.path(field).forEach(n -> texts.add(n.asString("").strip()));
            return texts;
        }

        double number(String what, JsonNode at, double least, double most) {
            double value = at.isNumber() ? at.asDouble() : Double.NaN;
            if (!(value >= least && value <= most)) {
                fault("“" + what + "” must be a number from " + least + " to " + most + ".");
                return least;
            }
            return value;
        }

        double number(String field, double least, double most) {
            return number(field, node.path(field), least, most);
        }

        <T> Optional<T> named(String field, String name, Optional<T> found, Stream<String> known) {
            if (found.isEmpty()) {
                fault("“" + field + "” is “" + name + "”, which there is not. There are: "
                        + known.limit(MOST_NAMED).collect(Collectors.joining(", ")) + ".");
            }
            return found;
        }

        void trait(String field, String name) {
            if (Trait.of(name).isEmpty()) {
                fault(
                        "“" + field + "” is “" + name
                                + "”; a facet such as Cells, family:SOUND, link:USB, contact:FUSE, case, join or series is expected.");
            }
        }

        Map<String, Double> shares(String field) {
            Map<String, Double> shares = new LinkedHashMap<>();
            node.path(field)
                    .properties()
                    .forEach(e -> shares.put(e.getKey(), number(field + " " + e.getKey(), e.getValue(), 0, 1)));
            return shares;
        }
    }

    static Knowledge read(String json, Knowledge known) throws HuntFault {
        KnowledgeReader reader = new KnowledgeReader();
        JsonNode root;
        try {
            root = new JsonMapper().readTree(json);
        } catch (JacksonException e) {
            throw new HuntFault(List.of("This is no JSON: " + e.getOriginalMessage()));
        }
        if (!root.isObject()) {
            throw new HuntFault(List.of("An object with the lists symptoms, checks and causes is expected."));
        }
        root.properties().stream()
                .filter(p -> !KINDS.contains(p.getKey()))
                .forEach(p -> reader.faults.add(
                        "“" + p.getKey() + "” is not one of the lists " + String.join(", ", KINDS) + "."));
        List<Symptom> symptoms = Knowledge.both(
                known.symptoms(), reader.all(root, "symptoms", (e, id) -> reader.symptom(e, id)), Symptom::id);
        List<Check> checks =
                Knowledge.both(known.checks(), reader.all(root, "checks", (e, id) -> reader.check(e, id)), Check::id);
        Knowledge first = new Knowledge(symptoms, checks, known.causes());
        List<Cause> causes = Knowledge.both(
                known.causes(), reader.all(root, "causes", (e, id) -> reader.cause(e, id, first)), Cause::id);
        if (!reader.faults.isEmpty()) {
            throw new HuntFault(reader.faults);
        }
        return new Knowledge(symptoms, checks, causes);
    }

    private <T> List<T> all(JsonNode root, String kind, BiFunction<Entry, String, T> made) {
        List<T> all = new ArrayList<>();
        JsonNode list = root.path(kind);
        if (!list.isArray() && !list.isMissingNode()) {
            faults.add("“" + kind + "” must be a list.");
            return all;
        }
        if (list.size() > MOST_ENTRIES) {
            faults.add("“" + kind + "” has more than " + MOST_ENTRIES + " entries.");
            return all;
        }
        Set<String> ids = new HashSet<>();
        for (int i = 0; i < list.size(); i++) {
            String id = list.get(i).path("id").asString("").strip();
            Entry entry = new Entry(kind + ", entry " + (i + 1) + (id.isEmpty() ? "" : " (" + id + ")"), list.get(i));
            if (id.isEmpty()) {
                entry.fault("“id” is missing.");
            } else if (!ids.add(id) || id.equals(Cause.OTHER.id())) {
                entry.fault("this id is taken.");
            }
            all.add(made.apply(entry, id));
        }
        return all;
    }

    private Symptom symptom(Entry e, String id) {
        String on = e.text("on");
        e.trait("on", on);
        return new Symptom(id, e.text("title"), on);
    }

    private Check check(Entry e, String id) {
        String kindName = e.text("kind");
        Check.Kind kind = e.named(
                        "kind",
                        kindName,
                        Arrays.stream(Check.Kind.values())
                                .filter(k -> k.name().equals(kindName))
                                .findFirst(),
                        Arrays.stream(Check.Kind.values()).map(Enum::name))
                .orElse(Check.Kind.LOOK);
        String at = e.textOr("at", Check.SUBJECT);
        if (!at.equals(Check.SUBJECT)) {
            e.trait("at", at);
        }
        List<Check.Outcome> outcomes = new ArrayList<>();
        String reads = e.textOr("reads", "");
        if (kind == Check.Kind.READ) {
            if (Measurand.of(reads).isEmpty()) {
                e.fault("“reads” is “" + reads + "”, which cannot be measured.");
            }
            for (Band band : Band.values()) {
                outcomes.add(new Check.Outcome(band.id(), band.words(), band.usual()));
            }
        } else {
            for (JsonNode o : e.node.path("outcomes")) {
                outcomes.add(new Check.Outcome(
                        o.path("id").asString(""),
                        o.path("words").asString(""),
                        e.number("usual", o.path("usual"), 0, 1)));
            }
            double sum = outcomes.stream().mapToDouble(Check.Outcome::usual).sum();
            if (outcomes.size() < 2 || Math.abs(sum - 1) > ROUNDED) {
                e.fault("two “outcomes” or more are expected, whose “usual” make 1 together.");
            }
        }
        return new Check(
                id,
                e.text("title"),
                kind,
                at,
                e.number("minutes", 0.1, MOST_MINUTES),
                e.texts("needs"),
                e.text("how"),
                reads,
                outcomes);
    }

    private Cause cause(Entry e, String id, Knowledge known) {
        List<String> on = e.texts("on");
        on.forEach(t -> e.trait("on", t));
        List<String> near = e.texts("near");
        near.stream()
                .filter(n -> !Nearness.isKnown(n))
                .forEach(n -> e.fault("“near” is “" + n + "”, which is no limit; finding:CODE names a finding."));
        String harmName = e.textOr("alters", "");
        Optional<Harm> harm = harmName.isEmpty()
                ? Optional.empty()
                : e.named(
                        "alters",
                        harmName,
                        Arrays.stream(Harm.values())
                                .filter(h -> h.name().equals(harmName))
                                .findFirst(),
                        Arrays.stream(Harm.values()).map(Enum::name));
        Map<String, Double> shows = e.shares("shows");
        if (shows.isEmpty()) {
            e.fault("“shows” must name a symptom.");
        }
        shows.keySet().stream()
                .filter(s -> known.symptom(s).isEmpty())
                .forEach(s -> e.fault("“shows” names “" + s + "”, which is no symptom."));
        return new Cause(
                id,
                e.text("title"),
                e.number("rate", 0.01, MOST_RATE),
                on,
                near,
                harm,
                shows,
                answers(e, known),
                e.texts("cures"));
    }

    private Map<String, Map<String, Double>> answers(Entry e, Knowledge known) {
        Map<String, Map<String, Double>> answers = new LinkedHashMap<>();
        e.node.path("answers").properties().forEach(a -> {
            Map<String, Double> outcomes = new Entry(e.where + ", answers", e.node.path("answers")).shares(a.getKey());
            Optional<Check> check = known.check(a.getKey());
            if (check.isEmpty()) {
                e.fault("“answers” names “" + a.getKey() + "”, which is no check.");
            } else {
                outcomes.keySet().stream()
                        .filter(o -> check.get().place(o) < 0)
                        .forEach(o -> e.fault("“answers” of “" + a.getKey() + "” has no “" + o + "”."));
                if (outcomes.values().stream().mapToDouble(v -> v).sum() > 1 + ROUNDED) {
                    e.fault("“answers” of “" + a.getKey() + "” are more than 1 together.");
                }
            }
            answers.put(a.getKey(), outcomes);
        });
        return answers;
    }
}
