package boldsatchel.bench;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The tests there are, from {@code tests.json}: a new one is an entry there. */
public final class BenchTests {

    private static final List<BenchTest> ALL = read();

    private BenchTests() {}

    private static List<BenchTest> read() {
        try (InputStream in = BenchTests.class.getResourceAsStream("tests.json")) {
            return List.copyOf(new JsonMapper().readValue(in, new TypeReference<List<BenchTest>>() {}));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** All, in the order in which they are best done. */
    public static List<BenchTest> all() {
        return ALL;
    }

    /** The test of a name. */
    public static Optional<BenchTest> test(String id) {
        return ALL.stream().filter(t -> t.id().equals(id)).findFirst();
    }

    /** Parts of a build that a test can be done to. */
    public static List<Part> parts(Build build, BenchTest test) {
        return build.parts().list().stream().filter(test::fits).toList();
    }
}
