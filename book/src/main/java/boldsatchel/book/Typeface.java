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

    /** A text cut to a width, with an ellipsis; empty where not even three letters would stand. */
    public String fit(String text, double size, double room) {
        return fit(text, room, t -> width(t, size));
    }

    /** The same with widths measured by whoever puts the text down. */
    public static String fit(String text, double room, ToDoubleFunction<String> width) {
        if (width.applyAsDouble(text) <= room) {
            return text;
        }
        for (int letters = text.length() - 1; letters >= 3; letters--) {
            String cut = text.substring(0, letters).strip() + "…";
            if (width.applyAsDouble(cut) <= room) {
                return cut;
            }
        }
        return "";
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
        synchronized double of(String text) {
            try {
                double sum = 0;
                for (int i = 0; i < text.length(); i++) {
                    sum += font.getAdvanceWidth(glyphs.getGlyphId(text.charAt(i)));
                }
                return sum / unitsPerEm;
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
