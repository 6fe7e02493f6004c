package boldsatchel.desktop;

import boldsatchel.bench.BenchFault;
import boldsatchel.bench.Measurand;
import boldsatchel.bench.Meter;
import boldsatchel.bench.PackFit;
import boldsatchel.log.LayoutGuess;
import boldsatchel.log.LogFault;
import boldsatchel.log.LogReader;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Units;
import boldsatchel.standins.BenchServer;
import boldsatchel.standins.StandInBench;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** What the command line can do on the bench. */
final class BenchCommands {

    private static final double NANOS = 1e-9;

    private BenchCommands() {}

    @Command(
            name = "import",
            description = "Reads a log that a meter wrote and says what the plan makes of it.",
            mixinStandardHelpOptions = true)
    static final class Import implements Callable<Integer> {
        @Parameters(paramLabel = "LOG", description = "a text file with columns, as loggers write them")
        @SuppressWarnings("NullAway.Init")
        private Path log;

        @Option(names = "--as", required = true, paramLabel = "TEST", description = "what it is the log of: discharge")
        @SuppressWarnings("NullAway.Init")
        private String as;

        @Option(names = "--build", required = true, paramLabel = "FILE|demo:NAME", description = "the build")
        @SuppressWarnings("NullAway.Init")
        private String source;

        @Option(names = "--of", paramLabel = "PART", description = "id of the pack; its only one where none is given")
        @SuppressWarnings("NullAway.Init")
        private Optional<String> of;

        @Option(
                names = "--celsius",
                paramLabel = "T",
                description = "how warm it was on the bench",
                defaultValue = "25")
        private double celsius;

        @Option(
                names = "--meter",
                paramLabel = "KIND",
                description = "how good what read it is: cheap, bench or unknown",
                defaultValue = "cheap")
        @SuppressWarnings("NullAway.Init")
        private String meter;

        @Spec
        @SuppressWarnings("NullAway.Init")
        private CommandSpec spec;

        @Override
        public Integer call() throws Main.UserException {
            if (!as.equals("discharge")) {
                throw new Main.UserException("A log can be read --as discharge, not as “" + as + "”.");
            }
            if (!(celsius >= -60 && celsius <= 100)) {
                throw new Main.UserException("--celsius goes from −60 to 100.");
            }
            Meter readBy = Meter.ALL.stream()
                    .filter(m -> m.id().equals(meter))
                    .findFirst()
                    .orElseThrow(
                            () -> new Main.UserException("--meter is cheap, bench or unknown, not “" + meter + "”."));
            Build build = Main.document(source).build();
            Part pack = pack(build);
            PrintWriter out = spec.commandLine().getOut();
            try {
                if (Files.size(log) > LogReader.MOST_CHARS) {
                    throw new Main.UserException(log + " is larger than 200 MB. Cut it into pieces.");
                }
                String text = LayoutGuess.text(Files.readAllBytes(log));
                LogReader.Read read = LogReader.read(text, LayoutGuess.of(text));
                PackFit.Result fit =
                        PackFit.of(read.log(), pack.facet(Facet.Cells.class).orElseThrow(), celsius, readBy);
                out.println(pack.name() + ", " + read.log().size() + " moments, read by " + readBy.words());
                Evaluation evaluation = Evaluator.evaluate(build);
                Measurand.Known known = Measurand.Known.of(build, evaluation.results(), celsius);
                line(out, pack, known, "pack.chargeAh", fit.chargeAh());
                line(out, pack, known, "pack.ohms", fit.ohms());
                line(out, pack, known, "pack.cellOhms", fit.cellOhms());
                read.notes().forEach(out::println);
                fit.notes().forEach(out::println);
            } catch (IOException e) {
                throw new Main.UserException(log + " cannot be read. Is it there, and may you read it?");
            } catch (LogFault | BenchFault e) {
                throw new Main.UserException(log + ": " + e.getMessage());
            }
            return 0;
        }

        private Part pack(Build build) throws Main.UserException {
            List<Part> packs = build.parts().list().stream()
                    .filter(p -> p.facet(Facet.Cells.class).isPresent())
                    .filter(p -> of.isEmpty() || of.get().equals(p.id()))
                    .toList();
            if (packs.size() == 1) {
                return packs.getFirst();
            }
            throw new Main.UserException(
                    packs.isEmpty()
                            ? "There is no pack" + of.map(id -> " “" + id + "”").orElse("") + " in “" + build.name()
                                    + "”."
                            : "There are several packs: say --of with one of "
                                    + String.join(
                                            ", ", packs.stream().map(Part::id).toList()) + ".");
        }

        private static void line(PrintWriter out, Part pack, Measurand.Known known, String what, Figure read) {
            Measurand m = Measurand.of(what).orElseThrow();
            String planned = m.expected(pack, known)
                    .map(e -> "planned " + Units.format(m.quantity(), e.value())
                            + (e.differs(read) ? ", not as planned" : ", as planned"))
                    .orElse("not in the plan");
            out.printf("  %-26s %-22s %s%n", m.label(), Units.format(m.quantity(), read), planned);
        }
    }

    @Command(
            name = "bench-standins",
            description = "Starts instruments that are not there, wired to a simulation of a build, until it is ended.",
            mixinStandardHelpOptions = true)
    static final class StandIns implements Callable<Integer> {
        @Parameters(
                arity = "0..1",
                paramLabel = "FILE|demo:NAME",
                description = "the build on the bench",
                defaultValue = "demo:cave-survey")
        @SuppressWarnings("NullAway.Init")
        private String source;

        @Option(names = "--port", paramLabel = "N", description = "of the first; 0 for any", defaultValue = "5025")
        private int port;

        @Option(
                names = "--seed",
                paramLabel = "N",
                description = "of what is otherwise than planned",
                defaultValue = "1")
        private long seed;

        @Option(
                names = "--speed",
                paramLabel = "N",
                description = "seconds that go by on it in one",
                defaultValue = "60")
        private double speed;

        @Spec
        @SuppressWarnings("NullAway.Init")
        private CommandSpec spec;

        @Override
        public Integer call() throws Main.UserException {
            if (!(speed > 0 && speed <= 10_000)) {
                throw new Main.UserException("--speed goes from just over 0 to 10000.");
            }
            if (port < 0 || port > 65_000) {
                throw new Main.UserException("--port goes from 0 to 65000.");
            }
            StandInBench bench =
                    new StandInBench(Main.document(source).build(), seed, speed, () -> System.nanoTime() * NANOS);
            PrintWriter out = spec.commandLine().getOut();
            try (BenchServer server = new BenchServer(bench, port)) {
                server.addresses().forEach(a -> out.printf("%-20s %s%n", a.name(), a.address()));
                out.println("Clip to a part by BENC:HOOK and its id. End with Ctrl+C.");
                out.flush();
                new CountDownLatch(1).await();
                return 0;
            } catch (IOException e) {
                throw new Main.UserException(
                        "Port " + port + " or one of the five after it is taken. Give another --port, or 0 for any.");
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return 0;
            }
        }
    }
}
