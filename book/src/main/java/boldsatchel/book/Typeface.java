package boldsatchel.book;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How words look: the faces that write them, the program's own first, then those that have what it lacks. */
public enum Typeface {
    /** Running text. */
    REGULAR,
    /** Headings. */
    BOLD;

    private static final List<Face> PLAIN = List.of(Face.OWN, Face.EUROPE, Face.EAST, Face.REST);
    private static final List<Face> HEAVY = List.of(Face.OWN_BOLD, Face.EUROPE_BOLD, Face.EUROPE, Face.EAST, Face.REST);

    /** Stands for half a letter, which no file can hold. */
    private static final int HALF = '?';

    /** Stands for a letter that no face has. */
    private static final int BOX = '□';

    private static final Pattern WORDS = Pattern.compile(" +|[^ ]+");

    /** Those that write it, the one to be taken first in front. */
    private List<Face> faces() {
        return switch (this) {
            case REGULAR -> PLAIN;
            case BOLD -> HEAVY;
        };
    }

    /** Words that one face writes. */
    record Run(Face face, String words) {}

    /** The file of the program's own face; the caller closes it. */
    public InputStream open() {
        return faces().getFirst().open();
    }

    /** Width of a text, in the unit of the size. */
    public double width(String text, double size) {
        return runs(text).stream().mapToDouble(r -> r.face().width(r.words())).sum() * size;
    }

    /** A text on one line without what no drawing can hold: breaks and tabs become spaces, halves of letters a mark. */
    static String onOneLine(String text) {
        StringBuilder line = new StringBuilder();
        text.codePoints()
                .map(c -> Character.isISOControl(c) || c == 0x2028 || c == 0x2029 ? ' ' : c)
                .map(c -> (c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE) || (c >= 0xFFFE && c <= 0xFFFF)
                        ? HALF
                        : c)
                .forEach(line::appendCodePoint);
        return line.toString();
    }

    /** The same as it is set: joined where its script joins letters, without what is not seen, a box for what no face has. */
    String printable(String text) {
        StringBuilder known = new StringBuilder();
        Lettering.joined(onOneLine(text))
                .codePoints()
                .filter(c -> !Lettering.isUnseen(c))
                .map(c -> faces().stream().anyMatch(f -> f.has(c)) ? c : BOX)
                .forEach(known::appendCodePoint);
        return known.toString();
    }

    /** A text by the faces that write it. A word stays in one face if one has all of it; spaces go with what stands before, if its face has one. */
    List<Run> runs(String text) {
        if (faces().getFirst().hasAll(text)) {
            return List.of(new Run(faces().getFirst(), text));
        }
        List<Run> runs = new ArrayList<>();
        Matcher words = WORDS.matcher(text);
        while (words.find()) {
            String word = words.group();
            faces().stream()
                    .filter(f -> f.hasAll(word))
                    .findFirst()
                    .ifPresentOrElse(
                            face -> add(runs, face, word),
                            () -> word.codePoints().forEach(c -> add(runs, faceOf(c), Character.toString(c))));
        }
        return runs;
    }

    private Face faceOf(int letter) {
        return faces().stream().filter(f -> f.has(letter)).findFirst().orElse(faces().getFirst());
    }

    private static void add(List<Run> runs, Face face, String words) {
        boolean goesOn = !runs.isEmpty()
                && (words.isBlank()
                        ? runs.getLast().face().hasAll(words)
                        : runs.getLast().face() == face);
        if (goesOn) {
            Run before = runs.removeLast();
            runs.add(new Run(before.face(), before.words() + words));
        } else {
            runs.add(new Run(face, words));
        }
    }

    /** A text cut to a width, with an ellipsis; empty where not even three letters would stand. */
    public String fit(String text, double size, double room) {
        return fit(text, room, t -> width(t, size));
    }

    /** The same with widths measured by whoever puts the text down. */
    public static String fit(String text, double room, ToDoubleFunction<String> width) {
        if (width.applyAsDouble(text) <= room) {
            return text;
        }
        int fits = 2;
        int beyond = text.length();
        while (beyond - fits > 1) {
            int middle = (fits + beyond) / 2;
            if (width.applyAsDouble(cut(text, middle)) <= room) {
                fits = middle;
            } else {
                beyond = middle;
            }
        }
        return fits < 3 ? "" : cut(text, fits);
    }

    private static String cut(String text, int letters) {
        int end = Character.isHighSurrogate(text.charAt(letters - 1)) ? letters - 1 : letters;
        return text.substring(0, end).strip() + "…";
    }
}
