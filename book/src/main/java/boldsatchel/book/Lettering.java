package boldsatchel.book;

import java.text.Bidi;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * How text is put down letter by letter by somebody who knows nothing of scripts: joined forms of Arabic letters (Unicode, Arabic
 * presentation forms), and the order from left to right of what is read from right to left (Unicode annex 9).
 */
final class Lettering {

    private static final String BRACKETS = "()[]{}<>«»‹›≤≥";

    private Lettering() {}

    /** What is written from one edge to the other in one way of reading, in the order in which it is read. */
    record Stretch(String fromTheLeft, int spacesBefore) {}

    /** Marks that steer how others look and are not seen themselves. */
    static boolean isUnseen(int c) {
        return Character.getType(c) == Character.FORMAT || (c >= 0xFE00 && c <= 0xFE0F);
    }

    /**
     * A line cut where the way of reading changes, each stretch as it stands from left to right. The line as a whole is read from the
     * left. Spaces where it changes belong to no stretch: programs that read a page back then know where each begins.
     */
    static List<Stretch> stretches(String line) {
        Bidi bidi = new Bidi(line, Bidi.DIRECTION_LEFT_TO_RIGHT);
        if (bidi.isLeftToRight()) {
            return List.of(new Stretch(line, 0));
        }
        List<Stretch> stretches = new ArrayList<>();
        int spaces = 0;
        int at = 0;
        while (at < line.length()) {
            boolean back = bidi.getLevelAt(at) > 0;
            int end = at;
            while (end < line.length() && bidi.getLevelAt(end) > 0 == back) {
                end++;
            }
            String words = line.substring(at, end);
            String kept = words.strip();
            spaces += words.length() - words.stripLeading().length();
            if (!kept.isEmpty()) {
                stretches.add(new Stretch(back ? turned(kept) : kept, spaces));
                spaces = words.length() - words.stripTrailing().length();
            }
            at = end;
        }
        return stretches;
    }

    /** Words read from the right, with numbers and foreign words among them, from left to right. */
    private static String turned(String words) {
        Bidi bidi = new Bidi(words, Bidi.DIRECTION_RIGHT_TO_LEFT);
        int count = bidi.getRunCount();
        byte[] levels = new byte[count];
        Integer[] order = new Integer[count];
        for (int i = 0; i < count; i++) {
            levels[i] = (byte) bidi.getRunLevel(i);
            order[i] = i;
        }
        Bidi.reorderVisually(levels, 0, order, 0, count);
        StringBuilder line = new StringBuilder();
        for (int i : order) {
            String run = words.substring(bidi.getRunStart(i), bidi.getRunLimit(i));
            line.append(levels[i] % 2 == 0 ? run : backwards(run));
        }
        return line.toString();
    }

    private static String backwards(String run) {
        StringBuilder line = new StringBuilder();
        int[] letters = run.codePoints().toArray();
        for (int i = letters.length - 1; i >= 0; i--) {
            line.appendCodePoint(mirrored(letters[i]));
        }
        return line.toString();
    }

    private static int mirrored(int c) {
        int at = BRACKETS.indexOf(c);
        return at < 0 ? c : BRACKETS.charAt(at ^ 1);
    }

    /** Arabic letters in the forms they take beside their neighbours; all else as it was. */
    static String joined(String text) {
        if (text.codePoints().noneMatch(c -> c >= 0x0620 && c <= 0x06FF)) {
            return text;
        }
        int[] letters = Forms.ligated(text).codePoints().toArray();
        StringBuilder line = new StringBuilder();
        for (int i = 0; i < letters.length; i++) {
            Forms forms = Forms.of(letters[i]);
            boolean before =
                    forms.joinsBefore() && Forms.of(neighbour(letters, i, -1)).joinsAfter();
            boolean after =
                    forms.joinsAfter() && Forms.of(neighbour(letters, i, 1)).joinsBefore();
            line.appendCodePoint(forms.form(letters[i], before, after));
        }
        return line.toString();
    }

    /** The next letter in a direction, over marks that stand above or below; 0 at the end. */
    private static int neighbour(int[] letters, int from, int step) {
        int i = from + step;
        while (i >= 0 && i < letters.length && Character.getType(letters[i]) == Character.NON_SPACING_MARK) {
            i += step;
        }
        return i < 0 || i >= letters.length ? 0 : letters[i];
    }

    /** The forms of one letter, by their Unicode names; 0 where it has none. */
    private record Forms(int isolated, int end, int beginning, int middle) {
        private static final Forms NONE = new Forms(0, 0, 0, 0);
        private static final Forms STROKE = new Forms(0x0640, 0x0640, 0x0640, 0x0640);
        private static final Map<String, Forms> ALL = all();

        static Forms of(int letter) {
            return letter == 0x0640 ? STROKE : ALL.getOrDefault(base(letter), NONE);
        }

        boolean joinsBefore() {
            return end != 0;
        }

        boolean joinsAfter() {
            return beginning != 0;
        }

        int form(int letter, boolean before, boolean after) {
            int form = before ? after ? middle : end : after ? beginning : 0;
            return form == 0 ? letter : form;
        }

        /** Lam with an alef is one letter, whatever the writer typed. */
        static String ligated(String text) {
            String line = text;
            for (Map.Entry<String, Forms> entry : ALL.entrySet()) {
                if (entry.getKey().length() == 2) {
                    line = line.replace(
                            entry.getKey(), Character.toString(entry.getValue().isolated()));
                }
            }
            return line;
        }

        private static String base(int form) {
            return Normalizer.normalize(Character.toString(form), Normalizer.Form.NFKC);
        }

        private static Map<String, Forms> all() {
            Map<String, Forms> all = new HashMap<>();
            for (int c = 0xFB50; c <= 0xFEFC; c++) {
                String name = Character.getName(c);
                String base = base(c);
                boolean lamAlef = base.length() == 2 && c >= 0xFEF5;
                if (name == null || !(base.length() == 1 || lamAlef)) {
                    continue;
                }
                Forms f = all.getOrDefault(base, NONE);
                if (name.endsWith("ISOLATED FORM")) {
                    all.put(base, new Forms(c, f.end, f.beginning, f.middle));
                } else if (name.endsWith("FINAL FORM")) {
                    all.put(base, new Forms(f.isolated, c, f.beginning, f.middle));
                } else if (name.endsWith("INITIAL FORM")) {
                    all.put(base, new Forms(f.isolated, f.end, c, f.middle));
                } else if (name.endsWith("MEDIAL FORM")) {
                    all.put(base, new Forms(f.isolated, f.end, f.beginning, c));
                }
            }
            return Collections.unmodifiableMap(all);
        }
    }
}
