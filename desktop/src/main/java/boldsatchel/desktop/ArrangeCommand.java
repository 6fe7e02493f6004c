package boldsatchel.desktop;

import boldsatchel.arrange.Aim;
import boldsatchel.arrange.Arrangements;
import boldsatchel.arrange.Change;
import boldsatchel.arrange.Onlooker;
import boldsatchel.arrange.Proposal;
import boldsatchel.arrange.RoomMaking;
import boldsatchel.arrange.Wish;
import boldsatchel.book.Book;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.format.BuildFormat;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import boldsatchel.report.ArrangeReport;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Proposes arrangements of a tray on the command line. */
@Command(
        name = "arrange",
        description =
                "Proposes arrangements of a tray or several; exits 0 when one has no clash, 1 otherwise, 2 on a bad file.",
        mixinStandardHelpOptions = true)
final class ArrangeCommand implements Callable<Integer> {

    private static final double NANOS = 1e-9;
    private static final double MOST_SECONDS = 3600;
    private static final int MOST_THREADS = 64;
    private static final double LEAST_STEP_MM = 0.1;
    private static final double MOST_STEP_MM = 50;
    private static final double MM3_PER_L = 1e6;
    private static final String AS_IT_IS = "as-it-is";
    private static final String PLAN = ".svg";
    private static final String ALL = "all";

    /** Whether walls may be elsewhere. */
    enum CaseSize {
        FIXED,
        FREE
    }

    @Parameters(paramLabel = "FILE|demo:NAME", description = "a build file or a demo")
    @SuppressWarnings("NullAway.Init")
    private String source;

    @Option(
            names = "--tray",
            paramLabel = "ID",
            split = ",",
            description = "the tray, several after commas, or all; the one with most parts where none is given")
    private List<String> tray = List.of();

    @Option(names = "--case", defaultValue = "fixed", description = "fixed, or free: as small as it takes")
    private CaseSize size = CaseSize.FIXED;

    @Option(
            names = "--step",
            paramLabel = "MM",
            defaultValue = "1",
            description = "with a free case: sizes inside are whole multiples of it (1)")
    private double stepMm;

    @Option(names = "--seconds", paramLabel = "S", defaultValue = "10", description = "for how long (10)")
    private double seconds;

    @Option(
            names = "--rounds",
            paramLabel = "N",
            description = "tries on each thread; the same seed, threads and rounds find the same")
    @SuppressWarnings("NullAway.Init")
    private Optional<Integer> rounds;

    @Option(names = "--seed", paramLabel = "N", defaultValue = "1", description = "of all chance (1)")
    private long seed;

    @Option(names = "--threads", paramLabel = "N", defaultValue = "2", description = "at work (2)")
    private int threads;

    @Option(names = "--make-room", description = "tell which single part, turned or replaced, lets all go in")
    private boolean makeRoom;

    @Option(names = "--more", paramLabel = "PART", description = "with one more part of the shelf, by its id")
    @SuppressWarnings("NullAway.Init")
    private Optional<String> more;

    @Option(
            names = "--wish",
            paramLabel = "AIM",
            split = ",",
            description = "what else counts: cables, hands, at-hand, in-line, centred; several after commas")
    private List<String> wished = List.of();

    @Option(names = "--json", description = "print one JSON object")
    private boolean json;

    @Option(names = "--to", paramLabel = "DIR", description = "write each proposal there as a build file and a plan")
    @SuppressWarnings("NullAway.Init")
    private Optional<Path> folder;

    @Option(names = "--replace", description = "write over files of the same names")
    private boolean replace;

    @Spec
    @SuppressWarnings("NullAway.Init")
    private CommandSpec spec;

    @Override
    public Integer call() throws Main.UserException {
        check();
        BuildFormat.Document document = Main.document(source);
        Build build = document.build();
        List<Shell> shells = shells(build);
        Wish wish = new Wish(
                shells.stream().map(Shell::id).toList(),
                size == CaseSize.FREE ? Optional.of(stepMm) : Optional.empty(),
                aims(),
                seed,
                threads,
                rounds.orElse(Integer.MAX_VALUE));
        long start = System.nanoTime();
        Onlooker onlooker = new Onlooker() {
            @Override
            public boolean isEnough() {
                return rounds.isEmpty() && (System.nanoTime() - start) * NANOS > seconds;
            }
        };
        Change change = change();
        List<Proposal> found = makeRoom
                ? RoomMaking.find(build, wish, Picks.shelf().parts(), onlooker)
                : Arrangements.find(build, change, wish, onlooker);
        String why = !found.isEmpty()
                ? ""
                : makeRoom ? RoomMaking.whyNone(build, wish) : Arrangements.whyNone(build, change, wish);
        Evaluation now = Evaluator.evaluate(build);
        List<String> files = write(now, shells, found, document);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(ArrangeReport.json(now, wish, found, why, files));
        } else {
            out.println(build.name() + ", "
                    + String.join(" and ", shells.stream().map(Shell::name).toList()));
            print(out, "as it is", now, wish.aims());
            for (int i = 0; i < found.size(); i++) {
                String name = i < files.size() ? files.get(i) : "proposal " + (i + 1);
                String what = found.get(i).change().words();
                print(
                        out,
                        what.isEmpty() ? name : name + ": " + what,
                        found.get(i).evaluation(),
                        wish.aims());
            }
            if (found.isEmpty()) {
                out.println("  " + why);
            }
        }
        if (out.checkError()) {
            throw new Main.UserException("The proposals cannot be written where they should go. Is the disk full?");
        }
        return found.isEmpty() ? Main.STOPPED : 0;
    }

    private Set<Aim> aims() throws Main.UserException {
        Set<Aim> aims = new HashSet<>();
        for (String id : wished) {
            aims.add(Aim.ALL.stream()
                    .filter(a -> a.id().equals(id))
                    .findFirst()
                    .orElseThrow(() -> new Main.UserException("--wish knows no “" + id + "”. It knows: "
                            + String.join(", ", Aim.ALL.stream().map(Aim::id).toList()) + ".")));
        }
        return aims;
    }

    private Change change() throws Main.UserException {
        if (more.isEmpty()) {
            return Change.NONE;
        }
        return Picks.shelf()
                .part(more.get())
                .map(Change::more)
                .orElseThrow(() -> new Main.UserException("There is no part “" + more.get() + "” on the shelf."));
    }

    private void check() throws Main.UserException {
        if (!(seconds > 0 && seconds <= MOST_SECONDS)) {
            throw new Main.UserException("--seconds is more than 0 and at most 3600.");
        }
        if (!(stepMm >= LEAST_STEP_MM && stepMm <= MOST_STEP_MM)) {
            throw new Main.UserException("--step is 0.1 to 50.");
        }
        if (threads < 1 || threads > MOST_THREADS) {
            throw new Main.UserException("--threads is 1 to 64.");
        }
        if (makeRoom && more.isPresent()) {
            throw new Main.UserException("--make-room and --more are two questions: ask one of them.");
        }
        if (rounds.filter(r -> r < 1).isPresent()) {
            throw new Main.UserException("--rounds is 1 or more.");
        }
        if (folder.isPresent()) {
            // Before the search, not after it.
            Main.mayWrite(folder.get(), Set.of(AS_IT_IS + PLAN, name(0) + BuildStore.ENDING, name(0) + PLAN), replace);
        }
    }

    private List<Shell> shells(Build build) throws Main.UserException {
        List<Shell> shells = build.casing().shells();
        if (shells.isEmpty()) {
            throw new Main.UserException(source + ": there is no case to arrange parts in.");
        }
        if (tray.equals(List.of(ALL)) && build.shell(ALL).isEmpty()) {
            return shells;
        }
        List<Shell> named = new ArrayList<>();
        for (String id : new LinkedHashSet<>(tray)) {
            String ids = String.join(", ", shells.stream().map(Shell::id).toList());
            named.add(build.shell(id)
                    .orElseThrow(
                            () -> new Main.UserException("There is no tray “" + id + "”. There are: " + ids + ".")));
        }
        return named.isEmpty() ? List.of(Arrangements.fullest(build).orElseThrow()) : named;
    }

    /** Each proposal as a build and as a plan, beside the plan as it is; names the builds. */
    private List<String> write(Evaluation now, List<Shell> trays, List<Proposal> found, BuildFormat.Document document)
            throws Main.UserException {
        if (folder.isEmpty() || found.isEmpty()) {
            return List.of();
        }
        Map<String, byte[]> files = new LinkedHashMap<>();
        plans(files, AS_IT_IS, now, trays);
        for (int i = 0; i < found.size(); i++) {
            String text =
                    BuildFormat.write(new BuildFormat.Document(found.get(i).build(), document.extras()));
            files.put(name(i) + BuildStore.ENDING, text.getBytes(StandardCharsets.UTF_8));
            plans(files, name(i), found.get(i).evaluation(), trays);
        }
        return Main.written(folder.get(), files, replace).stream()
                .map(Path::toString)
                .filter(file -> file.endsWith(BuildStore.ENDING))
                .toList();
    }

    /** A plan of each tray; of more than the first with its id in the name. */
    private static void plans(Map<String, byte[]> files, String name, Evaluation evaluation, List<Shell> trays) {
        for (Shell tray : trays) {
            String of = tray.equals(trays.getFirst()) ? name : name + "-" + tray.id();
            files.put(of + PLAN, Book.plan(evaluation, tray));
        }
    }

    private static String name(int proposal) {
        return String.format(Locale.ROOT, "proposal-%02d", proposal + 1);
    }

    private static void print(PrintWriter out, String name, Evaluation evaluation, Set<Aim> aims) {
        out.println("  " + name);
        for (Verdict v : evaluation.verdicts()) {
            out.printf(
                    "    %-11s %-5s %10s%n",
                    v.kind().title(), v.state().words(), v.kind().format(v.value()));
        }
        out.printf(
                Locale.ROOT,
                "    %-11s %16.3f l, %d stop, %d watch%n",
                "Outside",
                evaluation.build().casing().outsideMm3() / MM3_PER_L,
                count(evaluation, Severity.STOP),
                count(evaluation, Severity.WATCH));
        for (Aim aim : Aim.ALL) {
            if (aims.contains(aim)) {
                out.printf("    %s: %s%n", aim.reading().title(), aim.reading().read(evaluation));
            }
        }
    }

    private static long count(Evaluation evaluation, Severity severity) {
        return evaluation.findings().stream()
                .filter(f -> f.severity() == severity)
                .count();
    }
}
