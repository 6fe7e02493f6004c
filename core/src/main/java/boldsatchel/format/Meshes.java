package boldsatchel.format;

import boldsatchel.geometry.Flat;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** Meshes: STL, as text and as bytes, and OBJ. Only where their corners are is read; what they bound is the outline around them and their height. */
final class Meshes {

    private static final int HEADER = 80;
    private static final int TRIANGLE = 50;
    private static final int LEAST_CORNERS = 4;

    private Meshes() {}

    /** Corners so far. */
    private static final class Corners {
        private final List<Flat> seen = new ArrayList<>();
        private double low = Double.POSITIVE_INFINITY;
        private double high = Double.NEGATIVE_INFINITY;

        void add(double x, double y, double z, int line) throws FormatException {
            if (!Double.isFinite(x) || !Double.isFinite(y) || !Double.isFinite(z)) {
                throw DrawnFile.wrong(line, "a corner is no number");
            }
            seen.add(new Flat(x, y));
            low = Math.min(low, z);
            high = Math.max(high, z);
        }

        Drawn drawn() throws FormatException {
            if (seen.size() < LEAST_CORNERS) {
                throw DrawnFile.wrong(0, "it has " + seen.size() + " corners, and a body has four or more");
            }
            return DrawnFile.around(seen, low, high);
        }
    }

    static Drawn stl(byte[] bytes) throws FormatException {
        Corners corners = new Corners();
        long told = bytes.length < HEADER + 4
                ? -1
                : Integer.toUnsignedLong(
                        ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).getInt(HEADER));
        if (told >= 0 && HEADER + 4 + told * TRIANGLE == bytes.length) {
            bytes(bytes, (int) told, corners);
        } else if (new String(bytes, 0, Math.min(bytes.length, 5), StandardCharsets.US_ASCII)
                .equalsIgnoreCase("solid")) {
            text(bytes, "vertex", corners);
        } else {
            throw DrawnFile.wrong(
                    0,
                    "it is no STL: it neither begins with “solid” nor is as long as the triangles that it tells of"
                            + (told >= 0 ? " (" + told + ")" : ""));
        }
        return corners.drawn();
    }

    private static void bytes(byte[] bytes, int triangles, Corners corners) throws FormatException {
        ByteBuffer buffer = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < triangles; i++) {
            int at = HEADER + 4 + i * TRIANGLE + 12;
            for (int k = 0; k < 3; k++) {
                corners.add(buffer.getFloat(at), buffer.getFloat(at + 4), buffer.getFloat(at + 8), 0);
                at += 12;
            }
        }
    }

    static Drawn obj(byte[] bytes) throws FormatException {
        Corners corners = new Corners();
        text(bytes, "v", corners);
        return corners.drawn();
    }

    /** Lines that begin with a word and give a corner. */
    private static void text(byte[] bytes, String word, Corners corners) throws FormatException {
        int number = 0;
        for (String line :
                new String(bytes, StandardCharsets.ISO_8859_1).lines().toList()) {
            number++;
            String[] words = line.strip().split("\\s+", -1);
            if (!words[0].equalsIgnoreCase(word)) {
                continue;
            }
            if (words.length < 4) {
                throw DrawnFile.wrong(number, "“" + word + "” wants three numbers");
            }
            try {
                corners.add(
                        Double.parseDouble(words[1]),
                        Double.parseDouble(words[2]),
                        Double.parseDouble(words[3]),
                        number);
            } catch (NumberFormatException e) {
                throw DrawnFile.wrong(number, "“" + line.strip() + "” should have three numbers behind “" + word + "”");
            }
        }
    }
}
