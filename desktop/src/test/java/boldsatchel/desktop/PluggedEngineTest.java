package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A new engine is its package and one line: a module that brings one is heard of everywhere, without any other file changed. */
public class PluggedEngineTest {

    private static final String MODULE = """
            module throwaway {
                requires boldsatchel.core;
                provides boldsatchel.verdict.Judge with throwaway.Scent;
            }
            """;

    private static final String ENGINE = """
            package throwaway;

            import boldsatchel.engine.Engine;
            import boldsatchel.engine.Lazy;
            import boldsatchel.engine.Results;
            import boldsatchel.machine.Build;
            import boldsatchel.machine.Section;
            import boldsatchel.verdict.*;
            import java.util.*;

            public final class Scent implements Judge<Scent.Result>, Engine<Scent.Result> {
                public record Result(int smells) {}
                static final Verdict.Kind SMELLS = new Verdict.Kind("smells", "Smells", "parts", 0, false, 5);
                public Engine<Result> engine() { return this; }
                public String about() { return "the smell"; }
                public Class<Result> result() { return Result.class; }
                public Set<Section> reads() { return Set.of(Section.PARTS); }
                public Result work(Build build, Results results) { return new Result(build.parts().list().size()); }
                public Result nothing() { return new Result(0); }
                public List<Verdict.Kind> kinds() { return List.of(SMELLS); }
                public Judgement judge(Build build, Result result) {
                    double n = result.smells();
                    return new Judgement(
                            List.of(new Verdict(SMELLS, State.FINE, n, OptionalDouble.empty(), n, n, "It smells.",
                                    Lazy.known(Working.NONE))),
                            List.of(Finding.of("smell.new", Severity.NOTE, List.of("board"), Map.of("count", n),
                                    () -> "It smells of " + result.smells() + " new parts.", List::of, List::of)));
                }
            }
            """;

    private static Path compiled() throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("throwaway");
        Path module = Files.writeString(folder.resolve("module-info.java"), MODULE);
        Files.createDirectories(folder.resolve("throwaway"));
        Path engine = Files.writeString(folder.resolve("throwaway/Scent.java"), ENGINE);
        Path out = folder.resolve("classes");
        String said = run(
                "javac",
                List.of(
                        "-d",
                        out.toString(),
                        "--module-path",
                        WholeProgram.modulePath(),
                        module.toString(),
                        engine.toString()));
        assertThat(said).as("the throw-away engine compiles").isEmpty();
        return out;
    }

    private static JsonNode check(String path) throws IOException, InterruptedException {
        String json = run(
                "java",
                List.of(
                        "-p",
                        path,
                        "--add-modules",
                        path.contains("throwaway") ? "throwaway" : "boldsatchel.desktop",
                        "-m",
                        "boldsatchel.desktop/boldsatchel.desktop.Main",
                        "check",
                        "demo:cave-survey",
                        "--json"));
        return JsonMapper.builder().build().readTree(json);
    }

    /** Runs a tool of this JDK; what it printed. */
    private static String run(String tool, List<String> arguments) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(
                List.of(Path.of(System.getProperty("java.home"), "bin", tool).toString()));
        command.addAll(arguments);
        Process process = new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        return said;
    }

    private static List<String> texts(JsonNode list, String field) {
        List<String> texts = new ArrayList<>();
        list.forEach(n -> texts.add(n.path(field).asString()));
        return texts;
    }

    @Test
    public void aModuleThatBringsAnEngineIsHeardInTheReport() throws Exception {
        JsonNode without = check(WholeProgram.modulePath());
        JsonNode with = check(compiled() + File.pathSeparator + WholeProgram.modulePath());
        assertThat(texts(without.path("verdicts"), "id"))
                .doesNotContain("smells")
                .hasSize(8);
        assertThat(texts(with.path("verdicts"), "id")).first().isEqualTo("smells");
        assertThat(texts(with.path("verdicts"), "id")).containsAll(texts(without.path("verdicts"), "id"));
        assertThat(with.path("verdicts").get(0).path("value").asInt()).isEqualTo(15);
        assertThat(texts(with.path("findings"), "message")).contains("It smells of 15 new parts.");
    }
}
