package boldsatchel.verdict;

import boldsatchel.engine.CannotAnswer;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Section;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.ServiceLoader;
import java.util.Set;
import java.util.concurrent.ForkJoinPool;

/**
 * Judges builds: runs the engines that are listed, then each one's judge. {@link #evaluate} is the door for one build; an object of this
 * class remembers its last answers and works out again only what an edit changed, told by the identity of sections and results, so that
 * moving a part costs no run of the power chain. What it remembers never shows in an answer: the same build gives the same evaluation,
 * remembered or not.
 *
 * <p>An engine that cannot answer is a finding, {@code engine.cannot}, and its verdicts say stop; those that need it have no answer
 * either, and all others go on.
 *
 * <p>Safe on any thread. Costs one comparison a section and engine where nothing changed.
 */
public final class Evaluator {

    private static final class Listed {
        static final List<Wired<?>> JUDGES = inOrder(load());

        private static List<Judge<?>> load() {
            List<Judge<?>> all = new ArrayList<>();
            ServiceLoader.load(Judge.class).forEach(all::add);
            for (Engine<?> engine : ServiceLoader.load(Engine.class)) {
                all.add(Judge.silent(engine));
            }
            if (all.isEmpty()) {
                throw new IllegalStateException("no engine is listed: the program must run on the module path");
            }
            return all;
        }
    }

    /** A judge and its engine, asked once what they read: in one order, whatever the order of a set. */
    private static final class Wired<R> {
        private final Judge<R> judge;
        private final Engine<R> engine;
        private final Class<R> kind;
        private final List<Section> reads;
        private final List<Class<?>> needs;
        private final List<Class<?>> asks;
        private final List<Section> sees;

        Wired(Judge<R> judge) {
            this.judge = judge;
            engine = judge.engine();
            kind = engine.result();
            reads = engine.reads().stream().sorted().toList();
            needs = List.copyOf(engine.needs());
            asks = List.copyOf(engine.asks());
            sees = judge.reads().stream().sorted().toList();
        }

        /** What of the results that went in it is given; they come after the sections. */
        Results given(List<Object> read) {
            Map<Class<?>, Object> given = new HashMap<>();
            int at = reads.size();
            for (Class<?> need : needs) {
                given.put(need, read.get(at++));
            }
            for (Class<?> ask : asks) {
                given.put(ask, read.get(at++));
            }
            return new Results(given);
        }
    }

    /** So many judges have too little to do for two threads. */
    private static final int FEW = 8;

    private final List<Wired<?>> judges;
    private volatile Map<Class<?>, Lazy<Answer>> memory = Map.of();

    /** Remembers nothing yet; the judges are those the modules list. */
    public Evaluator() {
        judges = Listed.JUDGES;
    }

    /** Remembers nothing yet; with judges of one's own. */
    public Evaluator(List<Judge<?>> judges) {
        this.judges = inOrder(judges);
    }

    /** Remembers nothing yet; answers one question and works out no more than that needs, bearing of others left out. */
    public static Evaluator answering(Verdict.Kind question) {
        Set<Class<?>> needed = new HashSet<>();
        List<Judge<?>> judges = new ArrayList<>();
        for (Wired<?> wired : Listed.JUDGES.reversed()) {
            if (wired.judge.kinds().contains(question) || needed.contains(wired.kind)) {
                needed.addAll(wired.needs);
                needed.addAll(wired.asks);
                judges.add(wired.judge);
            }
        }
        return new Evaluator(judges);
    }

    /** Judges a build once. */
    public static Evaluation evaluate(Build build) {
        return new Evaluator().judge(build);
    }

    /**
     * What one engine and its judge said last, and what went in.
     *
     * @param build that it was said of
     * @param read by the engine: sections and results
     * @param result of the engine
     * @param failure why it has none; empty when it has
     * @param seen by the judge beside the result
     * @param judgement of the judge
     */
    private record Answer(
            Build build, List<Object> read, Object result, String failure, List<Object> seen, Judgement judgement) {
        boolean worked() {
            return failure.isEmpty();
        }
    }

    /** Judges a build, going on from the last one. */
    public Evaluation judge(Build build) {
        Map<Class<?>, Lazy<Answer>> now = answers(build, memory);
        memory = now;
        Map<Class<?>, Object> results = new HashMap<>();
        List<Verdict> verdicts = new ArrayList<>();
        List<Finding> findings = new ArrayList<>();
        now.forEach((kind, answered) -> {
            Answer answer = answered.get();
            results.put(kind, answer.result());
            verdicts.addAll(answer.judgement().verdicts());
            findings.addAll(answer.judgement().findings());
        });
        for (Wired<?> wired : judges) {
            Lazy<Answer> answered = now.get(wired.kind);
            if (answered != null) {
                wired.judge.bearsOn().ifPresent(kind -> bear(verdicts, kind, answered.get()));
            }
        }
        verdicts.sort(Comparator.comparingInt(v -> v.kind().order()));
        findings.sort(Comparator.comparing(Finding::severity));
        return new Evaluation(build, new Results(results), verdicts, findings);
    }

    private static void bear(List<Verdict> verdicts, Verdict.Kind kind, Answer answer) {
        for (Finding finding : answer.judgement().findings()) {
            if (finding.severity() == Severity.STOP) {
                verdicts.replaceAll(v -> v.kind().equals(kind) ? v.stoppedBy(finding) : v);
                return;
            }
        }
    }

    /**
     * A second thread helps: it begins with what needs nothing, while this one begins with what needs most, so that both are at work on
     * different things for as long as there are any.
     */
    private Map<Class<?>, Lazy<Answer>> answers(Build build, Map<Class<?>, Lazy<Answer>> before) {
        Map<Class<?>, Lazy<Answer>> working = new LinkedHashMap<>();
        for (Wired<?> wired : judges) {
            Optional<Answer> last = Optional.ofNullable(before.get(wired.kind)).map(Lazy::get);
            working.put(wired.kind, Lazy.of(() -> answer(wired, build, last, working)));
        }
        if (judges.size() > FEW) {
            ForkJoinPool.commonPool().execute(() -> working.values().forEach(Lazy::get));
        }
        List.copyOf(working.values()).reversed().forEach(Lazy::get);
        return working;
    }

    /** What there is to show of a build before it is judged: nothing is known, and every question says so. */
    public Evaluation notYet(Build build) {
        Map<Class<?>, Object> results = new HashMap<>();
        List<Verdict> verdicts = new ArrayList<>();
        for (Wired<?> wired : judges) {
            results.put(wired.kind, wired.engine.nothing());
            wired.judge.kinds().forEach(kind -> verdicts.add(unknown(kind, State.WATCH, "Being worked out.")));
        }
        verdicts.sort(Comparator.comparingInt(v -> v.kind().order()));
        return new Evaluation(build, new Results(results), verdicts, List.of());
    }

    private static Verdict unknown(Verdict.Kind kind, State state, String sentence) {
        return new Verdict(
                kind,
                state,
                Double.NaN,
                OptionalDouble.empty(),
                Double.NaN,
                Double.NaN,
                sentence,
                Lazy.known(Working.NONE));
    }

    private static <R> Answer answer(
            Wired<R> wired, Build build, Optional<Answer> before, Map<Class<?>, Lazy<Answer>> now) {
        List<Object> read = new ArrayList<>(wired.reads.size() + wired.needs.size() + wired.asks.size());
        wired.reads.forEach(section -> read.add(section.of(build)));
        List<String> missing = new ArrayList<>(0);
        for (Class<?> need : wired.needs) {
            Answer answer = answered(wired.engine, need, now);
            read.add(answer.result());
            if (!answer.worked()) {
                missing.add(answer.failure());
            }
        }
        for (Class<?> ask : wired.asks) {
            read.add(answered(wired.engine, ask, now).result());
        }
        List<Object> seen = new ArrayList<>(wired.sees.size());
        wired.sees.forEach(section -> seen.add(section.of(build)));
        Optional<Answer> last = before.filter(b -> same(b.read(), read));
        if (last.isPresent()) {
            return !last.get().worked() || same(last.get().seen(), seen)
                    ? last.get()
                    : judged(
                            wired.judge, build, read, wired.kind.cast(last.get().result()), seen);
        }
        if (!missing.isEmpty()) {
            return unanswered(wired.judge, build, read, seen, new CannotAnswer(missing.getFirst(), List.of()), false);
        }
        try {
            Results given = wired.given(read);
            R result = before.filter(Answer::worked)
                    .map(b ->
                            wired.engine.again(build, given, new Engine.Last<>(wired.kind.cast(b.result()), b.build())))
                    .orElseGet(() -> wired.engine.work(build, given));
            R kept = before.filter(b -> wired.engine.keepsEqual()
                            && b.worked()
                            && b.result().equals(result))
                    .map(b -> wired.kind.cast(b.result()))
                    .orElse(result);
            return judged(wired.judge, build, read, kept, seen);
        } catch (RuntimeException | StackOverflowError e) {
            return unanswered(wired.judge, build, read, seen, reason(e), true);
        }
    }

    private static Answer answered(Engine<?> engine, Class<?> kind, Map<Class<?>, Lazy<Answer>> now) {
        Lazy<Answer> answer = now.get(kind);
        if (answer == null) {
            throw new IllegalStateException(engine.about() + " needs a " + kind.getSimpleName() + " that nobody lists");
        }
        return answer.get();
    }

    private static <R> Answer judged(Judge<R> judge, Build build, List<Object> read, R result, List<Object> seen) {
        try {
            return new Answer(build, read, result, "", seen, judge.judge(build, result));
        } catch (RuntimeException | StackOverflowError e) {
            return unanswered(judge, build, read, seen, reason(e), true);
        }
    }

    /** An engine that cannot answer says so in words for a builder; anything else that is thrown is for programmers only. */
    private static CannotAnswer reason(Throwable e) {
        return e instanceof CannotAnswer known
                ? known
                : new CannotAnswer(
                        "an error of this program, not of the build; please send the file to its makers", List.of());
    }

    private static <R> Answer unanswered(
            Judge<R> judge, Build build, List<Object> read, List<Object> seen, CannotAnswer cannot, boolean tell) {
        String about = judge.engine().about();
        String why = cannot.getMessage() + at(build, cannot.subjects());
        List<Verdict> verdicts = judge.kinds().stream()
                .map(kind -> unknown(kind, State.STOP, "No answer: " + why + "."))
                .toList();
        List<Finding> findings = tell
                ? List.of(Finding.of(
                        "engine.cannot",
                        Severity.STOP,
                        cannot.subjects(),
                        Map.of(),
                        () -> "Nothing can be said of " + about + " in “" + build.name() + "”: " + why
                                + ". The other answers stand.",
                        List::of,
                        () -> List.of(Remedy.advice(
                                "Undo the last change, or look for a figure that cannot be, in what it is about"))))
                : List.of();
        return new Answer(build, read, judge.engine().nothing(), why, seen, new Judgement(verdicts, findings));
    }

    /** Where an engine was, by the names that the builder knows. */
    private static String at(Build build, List<String> subjects) {
        List<String> names = subjects.stream()
                .map(id -> "“"
                        + build.part(id)
                                .or(() -> build.rung(id).flatMap(build::partOf))
                                .map(Part::name)
                                .orElse(id)
                        + "”")
                .distinct()
                .toList();
        return names.isEmpty() ? "" : ", at " + String.join(", ", names);
    }

    @SuppressWarnings(
            "ReferenceEquality") // An edit shares what it did not change; comparing all of it would cost as much as
    // working it out.
    private static boolean same(List<Object> a, List<Object> b) {
        for (int i = 0; i < a.size(); i++) {
            if (a.get(i) != b.get(i)) {
                return false;
            }
        }
        return a.size() == b.size();
    }

    /** Those whose results others need come first; otherwise by the questions they answer. */
    private static List<Wired<?>> inOrder(List<Judge<?>> judges) {
        List<Wired<?>> left = new ArrayList<>();
        judges.forEach(judge -> left.add(new Wired<>(judge)));
        left.sort(Comparator.comparingInt(w ->
                w.judge.kinds().stream().mapToInt(Verdict.Kind::order).min().orElse(Integer.MAX_VALUE)));
        List<Wired<?>> ordered = new ArrayList<>();
        Set<Class<?>> done = new HashSet<>();
        while (!left.isEmpty()) {
            Wired<?> next = left.stream()
                    .filter(w -> done.containsAll(w.needs) && done.containsAll(w.asks))
                    .findFirst()
                    .orElseThrow(() -> new IllegalStateException(
                            left.getFirst().engine.about() + " needs a result that nobody works out, or needs itself"));
            left.remove(next);
            done.add(next.kind);
            ordered.add(next);
        }
        return List.copyOf(ordered);
    }
}
