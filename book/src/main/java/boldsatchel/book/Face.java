package boldsatchel.book;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** A font file that ships with the program: which letters it has, and how wide they are. Read when it is first asked. */
enum Face {
    /** The program's own letters. */
    OWN("B612-Regular.ttf"),
    OWN_BOLD("B612-Bold.ttf"),
    /** Latin of all countries, Greek, Cyrillic, Armenian, Georgian, Hebrew, Arabic; the box for what nobody has. */
    EUROPE("DejaVuSans.ttf"),
    EUROPE_BOLD("DejaVuSans-Bold.ttf"),
    /** Chinese, Japanese, Korean. */
    EAST("WenQuanYiMicroHei.ttf"),
    /** All else in plain squares: Thai, the scripts of India, pictures. */
    REST("UnifontRest.ttf");

    private static final Map<Face, Letters> READ = new ConcurrentHashMap<>();

    private final String file;

    Face(String file) {
        this.file = file;
    }

    /** The font file; the caller closes it. */
    InputStream open() {
        InputStream in = Face.class.getResourceAsStream(file);
        if (in == null) {
            throw new IllegalStateException("the program was built without its face " + file);
        }
        return in;
    }

    boolean has(int letter) {
        return letters().has(letter);
    }

    boolean hasAll(String text) {
        return text.codePoints().allMatch(this::has);
    }

    /** Width of a text as a share of the size. */
    double width(String text) {
        return letters().width(text);
    }

    private Letters letters() {
        return READ.computeIfAbsent(this, Face::read);
    }

    private Letters read() {
        try (InputStream in = open()) {
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in));
            return new Letters(font, font.getUnicodeCmapLookup(), font.getUnitsPerEm());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private record Letters(TrueTypeFont font, CmapLookup glyphs, int unitsPerEm) {
        synchronized boolean has(int letter) {
            return glyphs.getGlyphId(letter) != 0;
        }

        synchronized double width(String text) {
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
