package boldsatchel.hunt;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * What is known of faults. What ships lies in {@code symptoms.json}, {@code checks.json} and {@code causes.json} beside this class; a
 * builder adds a file of the same kind. How often a cause is met, shows and answers is what people who mend such machines would say: a
 * guess, and told as one.
 *
 * @param symptoms what is seen
 * @param checks what tells causes apart
 * @param causes what can be wrong
 */
public record Knowledge(List<Symptom> symptoms, List<Check> checks, List<Cause> causes) {

    private static final Knowledge NOTHING = new Knowledge(List.of(), List.of(), List.of());

    /** Read when it is first asked for. */
    private static final class Shipped {
        private static final Knowledge ALL = read();

        private static Knowledge read() {
            try {
                Knowledge all = NOTHING;
                for (String kind : KnowledgeReader.KINDS) {
                    all = KnowledgeReader.read("{\"" + kind + "\":" + resource(kind + ".json") + "}", all);
                }
                return all;
            } catch (HuntFault e) {
                throw new IllegalStateException(e);
            }
        }

        private static String resource(String name) {
            try (InputStream in = Knowledge.class.getResourceAsStream(name)) {
                if (in == null) {
                    throw new IllegalStateException("the program was built without its " + name);
                }
                return new String(in.readAllBytes(), StandardCharsets.UTF_8);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** Copies the lists. */
    public Knowledge {
        symptoms = List.copyOf(symptoms);
        checks = List.copyOf(checks);
        causes = List.copyOf(causes);
    }

    /** What ships with the program. */
    public static Knowledge shipped() {
        return Shipped.ALL;
    }

    /**
     * This with what a file holds; what the file has under the same id stands instead.
     *
     * @param json an object with lists {@code symptoms}, {@code checks}, {@code causes}, each of which may be absent
     * @throws HuntFault with all that is wrong in it
     */
    public Knowledge and(String json) throws HuntFault {
        return KnowledgeReader.read(json, this);
    }

    /** The symptom of a name. */
    public Optional<Symptom> symptom(String id) {
        return symptoms.stream().filter(s -> s.id().equals(id)).findFirst();
    }

    /** The check of a name. */
    public Optional<Check> check(String id) {
        return checks.stream().filter(c -> c.id().equals(id)).findFirst();
    }

    /** The cause of a name. */
    public Optional<Cause> cause(String id) {
        return id.equals(Cause.OTHER.id())
                ? Optional.of(Cause.OTHER)
                : causes.stream().filter(c -> c.id().equals(id)).findFirst();
    }

    static <T> List<T> both(List<T> mine, List<T> others, Function<T, String> id) {
        List<T> all = new ArrayList<>(mine);
        for (T other : others) {
            all.removeIf(m -> id.apply(m).equals(id.apply(other)));
            all.add(other);
        }
        return all;
    }
}
