package boldsatchel.desktop;

import java.io.File;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The program as its users start it, in a process and on a display of its own: its windows take no focus from those of other tests. */
final class WholeProgram {

    private static final Optional<String> DISPLAY = display();

    private WholeProgram() {}

    /** A virtual display where there is one to be had; it ends with the tests. */
    private static Optional<String> display() {
        try {
            Process server = new ProcessBuilder("Xvfb", "-displayfd", "1", "-screen", "0", "1600x1000x24")
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            Runtime.getRuntime().addShutdownHook(new Thread(server::destroy));
            return Optional.ofNullable(server.inputReader().readLine()).map(number -> ":" + number);
        } catch (IOException e) {
            return Optional.empty();
        }
    }

    /** Where its modules are while tests run: classes that are not packed yet. */
    static String modulePath() {
        String given = System.getProperty("jdk.module.path", "");
        String classes = System.getProperty("java.class.path", "");
        String desktop = Path.of("target", "classes").toAbsolutePath().toString();
        return Stream.of(
                        (desktop + File.pathSeparator + given + File.pathSeparator + classes).split(File.pathSeparator))
                .filter(p -> !p.isBlank() && !p.contains("test-classes") && !p.contains("surefire"))
                .distinct()
                .collect(Collectors.joining(File.pathSeparator));
    }

    /**
     * A process to be started.
     *
     * @param state its folder of recovery copies and log
     * @param main a class of the desktop's module, of its tests too
     */
    static ProcessBuilder of(Path state, Class<?> main, String... arguments) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                // It lives for a second or two: the quick compiler is enough.
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "--enable-native-access=javafx.graphics",
                "-Dboldsatchel.state=" + state,
                "-p",
                modulePath(),
                "--patch-module",
                "boldsatchel.desktop=" + Path.of("target", "test-classes").toAbsolutePath(),
                "-m",
                "boldsatchel.desktop/" + main.getName()));
        command.addAll(List.of(arguments));
        ProcessBuilder program = new ProcessBuilder(command);
        DISPLAY.ifPresent(display -> program.environment().put("DISPLAY", display));
        return program;
    }
}
