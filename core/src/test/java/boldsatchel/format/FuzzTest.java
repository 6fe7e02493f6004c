package boldsatchel.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import boldsatchel.report.Report;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.testng.annotations.Test;

/**
 * Files that went wrong, by a seed: bytes, text, structure, numbers and what points where. Each is refused in words or judged, and no verdict
 * that says fine is made from a number that is none. {@code -Dboldsatchel.fuzz=100000} runs more of them.
 */
public class FuzzTest {

    private static final int FILES = Integer.getInteger("boldsatchel.fuzz", 1_000);
    /** A file hangs if it takes this many times what nine in ten others take at most: no time of its own, as machines differ. */
    private static final int HANGS = 20;

    private static final Pattern NUMBER = Pattern.compile("(?<=: )-?\\d+(\\.\\d+)?(E-?\\d+)?");
    private static final Pattern WORD = Pattern.compile("\"[a-zA-Z0-9-]+\"");
    private static final Pattern ELEMENT = Pattern.compile("(?m)^ *\\{\\s*\"id\"[^{}]*},?$");
    private static final String[] NUMBERS = {
        "0", "-1", "1e-9", "1e9", "1e308", "-1e308", "0.5", "95", "360", "1e999", "null", "\"7\"", "[]", "{}", "true",
        "3.7e-5"
    };

    private final Random random = new Random(2026);
    private final AtomicInteger judged = new AtomicInteger();
    private final AtomicInteger refused = new AtomicInteger();

    private String changed(String text) {
        return switch (random.nextInt(9)) {
            case 0 -> number(text);
            case 1 -> number(number(text));
            case 2 -> {
                int at = random.nextInt(text.length());
                yield text.substring(0, at) + (char) random.nextInt(0x10000) + text.substring(at + 1);
            }
            case 3 -> text.substring(0, random.nextInt(text.length()));
            case 4 -> {
                int from = random.nextInt(text.length());
                int to = Math.min(text.length(), from + random.nextInt(400));
                yield text.substring(0, from) + text.substring(to);
            }
            case 5 -> swapped(text, WORD);
            case 6 -> bytes(text);
            case 7 -> repeated(text);
            default -> swapped(text, ELEMENT);
        };
    }

    /** Bytes turned over, as a bad disk would, read as text. */
    private String bytes(String text) {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        for (int k = random.nextInt(1, 6); k > 0; k--) {
            bytes[random.nextInt(bytes.length)] ^= (byte) (1 << random.nextInt(8));
        }
        return new String(bytes, StandardCharsets.UTF_8);
    }

    /** Some lines a second time, elsewhere: rungs below rungs, lists in lists, fields that are there twice. */
    private String repeated(String text) {
        List<String> lines = new ArrayList<>(text.lines().toList());
        int from = random.nextInt(lines.size());
        List<String> some = List.copyOf(lines.subList(from, Math.min(lines.size(), from + random.nextInt(1, 30))));
        lines.addAll(random.nextInt(lines.size()), some);
        return String.join("\n", lines);
    }

    private String number(String text) {
        return replaced(text, NUMBER, NUMBERS[random.nextInt(NUMBERS.length)]);
    }

    private String replaced(String text, Pattern what, String by) {
        List<MatchResult> all = what.matcher(text).results().toList();
        if (all.isEmpty()) {
            return text;
        }
        MatchResult one = all.get(random.nextInt(all.size()));
        return text.substring(0, one.start()) + by + text.substring(one.end());
    }

    /** Puts one of its kind in place of another: ids that point elsewhere, things that are there twice. */
    private String swapped(String text, Pattern what) {
        List<MatchResult> all = what.matcher(text).results().toList();
        return all.isEmpty()
                ? text
                : replaced(text, what, all.get(random.nextInt(all.size())).group());
    }

    @Test
    public void everyFileIsRefusedInWordsOrJudged() {
        List<String> demos = Library.DEMOS.stream()
                .flatMap(d -> Stream.of(
                        BuildFormat.write(
                                new BuildFormat.Document(Library.demo(d).orElseThrow(), Extras.NONE)),
                        BuildFormatTest.old(d)))
                .toList();
        List<String> files = IntStream.range(0, FILES)
                .mapToObj(i -> changed(demos.get(i % demos.size())))
                .toList();
        List<Double> seconds = IntStream.range(0, FILES)
                .parallel()
                .mapToObj(i -> seconds(files.get(i), i))
                .toList();
        double usual = seconds.stream().sorted().toList().get(FILES * 9 / 10);
        // What hangs does so again; a machine that stands still for a while does not.
        List<String> slow = IntStream.range(0, FILES)
                .filter(i -> seconds.get(i) >= HANGS * usual)
                .filter(i -> seconds(files.get(i), i) >= HANGS * usual)
                .mapToObj(i -> "file " + i + ": " + seconds.get(i) / usual + " times as long as others")
                .toList();
        assertThat(slow).as("files that hang").isEmpty();
        assertThat(judged.get()).isGreaterThan(FILES / 10);
        assertThat(refused.get()).isGreaterThan(FILES / 10);
    }

    /** How long a file takes to be refused in words or judged. */
    private double seconds(String text, int i) {
        long began = System.nanoTime();
        try {
            judge(BuildFormat.read(text), i);
            judged.incrementAndGet();
        } catch (FormatException e) {
            assertThat(e.getMessage()).as("file " + i).isNotBlank().doesNotContain("REDACTED", "boldsatchel.", "java.");
            refused.incrementAndGet();
        } catch (RuntimeException | StackOverflowError e) {
            fail("file " + i + ": " + e, e);
        }
        return (System.nanoTime() - began) / 1e9;
    }

    private static void judge(BuildFormat.Document document, int i) {
        Evaluation evaluation = Evaluator.evaluate(document.build());
        for (Verdict v : evaluation.verdicts()) {
            if (Double.isNaN(v.value())) {
                assertThat(v.state()).as("file " + i + ": " + v).isNotEqualTo(State.FINE);
            }
        }
        evaluation.findings().forEach(f -> {
            assertThat(f.message()).isNotBlank().doesNotContain("Exception", "boldsatchel.", "NaN", "Infinity");
            f.remedies();
            f.working();
        });
        assertThat(Report.json(evaluation)).isNotBlank().doesNotContain("NaN", "Infinity");
        BuildFormat.write(document);
    }
}
