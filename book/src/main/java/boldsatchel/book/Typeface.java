package boldsatchel.book;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.ToDoubleFunction;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** The face that ships with the program: its files, and how wide its words are. */
public enum Typeface {
    /** Running text. */
    REGULAR("B612-Regular.ttf"),
    /** Headings. */
    BOLD("B612-Bold.ttf");

    /** Stands for a letter that cannot be written. */
    private static final int UNKNOWN = '?';

    private static final Map<Typeface, Widths> WIDTHS = new ConcurrentHashMap<>();

    private final String file;

    Typeface(String file) {
        this.file = file;
    }

    /** The font file; the caller closes it. */
    public InputStream open() {
        InputStream in = Typeface.class.getResourceAsStream(file);
        if (in == null) {
            throw new IllegalStateException("the program was built without its face " + file);
        }
        return in;
    }

    /** Width of a text, in the unit of the size. */
    public double width(String text, double size) {
        return WIDTHS.computeIfAbsent(this, Typeface::load).of(text) * size;
    }

    /** A text on one line without what no drawing can hold: breaks and tabs become spaces, halves of letters a mark. */
    static String onOneLine(String text) {
        StringBuilder line = new StringBuilder();
        text.codePoints()
                .map(c -> Character.isISOControl(c) || c == 0x2028 || c == 0x2029 ? ' ' : c)
                .map(c -> (c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE) || (c >= 0xFFFE && c <= 0xFFFF)
                        ? UNKNOWN
                        : c)
                .forEach(line::appendCodePoint);
        return line.toString();
    }

    /** The same with a mark for every letter that the face does not have. */
    String printable(String text) {
        Widths widths = WIDTHS.computeIfAbsent(this, Typeface::load);
        StringBuilder known = new StringBuilder();
        onOneLine(text).codePoints().map(c -> widths.has(c) ? c : UNKNOWN).forEach(known::appendCodePoint);
        return known.toString();
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
        return text.substring(0, letters).strip() + "…";
    }

    private Widths load() {
        try (InputStream in = open()) {
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in));
            return new Widths(font, font.getUnicodeCmapLookup(), font.getUnitsPerEm());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private record Widths(TrueTypeFont font, CmapLookup glyphs, int unitsPerEm) {
        synchronized boolean has(int letter) {
            return glyphs.getGlyphId(letter) != 0;
        }

        synchronized double of(String text) {
            try {
                double sum = 0;
                for (int letter : text.codePoints().toArray()) {
                    sum += font.getAdvanceWidth(glyphs.getGlyphId(letter));
                }
                return sum / unitsPerEm;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
