package boldsatchel.heat;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import java.util.ArrayList;
import java.util.List;

/**
 * Which faces of the parts of a shell lie close to a wall or to one another, which see one another, and what is left of each part for the
 * air. Heat crosses a gap up to {@link #CLOSE_MM} through air that does not move (it begins to beyond about 10 mm, at a Rayleigh number of
 * 1708: Incropera and DeWitt, ch. 9.8), and no air flows along these faces.
 */
final class Faces {

    /** No air to speak of flows in a gap narrower than this. */
    static final double CLOSE_MM = 6;
    /** Faces nearer than this touch. */
    static final double CONTACT_MM = 0.1;

    private static final double MM = 1e-3;
    private static final double MM2 = 1e-6;
    /** Exchange that would be seen nowhere, m². */
    private static final double LEAST_M2 = 1e-6;

    /** Between two grey faces of 0.9: 1 / (1/ε + 1/ε − 1). */
    static final double BETWEEN_GREY = 1 / (2 / 0.9 - 1);

    /**
     * Two faces opposite one another.
     *
     * @param a place of the one part in the list
     * @param b place of the other
     * @param gapMm between them
     * @param areaM2 that faces the other
     */
    record Opposite(int a, int b, double gapMm, double areaM2) {
        boolean close() {
            return gapMm <= CLOSE_MM;
        }

        /** As much area as would see nothing but the other, m². */
        double seenM2() {
            double side = Math.sqrt(areaM2) / (Math.max(CONTACT_MM, gapMm) * MM);
            return areaM2 * viewFactor(side, side);
        }
    }

    private final List<Placed> parts;
    /** By part and face, how far the wall is that it looks at, mm. */
    private final double[] toWallMm;

    private final List<Opposite> opposites = new ArrayList<>();
    private final double[] coveredM2;
    private final double[] seenM2;

    /** For the parts of one shell that take or give heat; others only stand between. */
    Faces(List<Placed> parts, List<Placed> standing) {
        this.parts = parts;
        toWallMm = new double[parts.size() * Face.ALL.size()];
        coveredM2 = new double[parts.size()];
        seenM2 = new double[parts.size()];
        for (int a = 0; a < parts.size(); a++) {
            for (int b = a + 1; b < parts.size(); b++) {
                meet(a, b, standing);
            }
            Box bounds = parts.get(a).bounds();
            Box cavity = parts.get(a).shell().cavity();
            for (Face face : Face.ALL) {
                toWallMm[a * Face.ALL.size() + face.ordinal()] = Math.abs(bounds.end(face) - cavity.end(face));
                if (closeToWall(a, face)) {
                    coveredM2[a] += bounds.area(face) * MM2;
                }
            }
        }
    }

    /** Two boxes are opposite one another where they are apart along one axis and abreast along the others. */
    private void meet(int a, int b, List<Placed> standing) {
        Box one = parts.get(a).bounds();
        Box two = parts.get(b).bounds();
        double x = one.gapAlong(0, two);
        double y = one.gapAlong(1, two);
        double z = one.gapAlong(2, two);
        if (x >= 0 && y < 0 && z < 0) {
            face(a, b, 0, x, y * z, standing);
        } else if (y >= 0 && z < 0 && x < 0) {
            face(a, b, 1, y, z * x, standing);
        } else if (z >= 0 && x < 0 && y < 0) {
            face(a, b, 2, z, x * y, standing);
        }
    }

    private void face(int a, int b, int axis, double gap, double sharedMm2, List<Placed> standing) {
        Box one = parts.get(a).bounds();
        Box two = parts.get(b).bounds();
        double[] low = new double[3];
        double[] high = new double[3];
        for (int i = 0; i < 3; i++) {
            low[i] = Math.max(one.low(i), two.low(i));
            high[i] = Math.min(one.high(i), two.high(i));
        }
        low[axis] = Math.min(one.high(axis), two.high(axis));
        high[axis] = low[axis] + gap;
        double free = sharedMm2 - between(a, b, low, high, axis, standing);
        Opposite pair = new Opposite(a, b, gap, Math.max(0, free) * MM2);
        if (pair.areaM2() < LEAST_M2) {
            return;
        }
        opposites.add(pair);
        if (pair.close()) {
            coveredM2[a] += pair.areaM2();
            coveredM2[b] += pair.areaM2();
        } else {
            double seen = pair.seenM2();
            seenM2[a] += seen;
            seenM2[b] += seen;
        }
    }

    /** What other parts hide, mm². */
    private double between(int a, int b, double[] low, double[] high, int axis, List<Placed> standing) {
        double hidden = 0;
        for (Placed other : standing) {
            double area = 1;
            for (int i = 0; i < 3 && area > 0; i++) {
                double shared = Math.min(high[i], other.bounds().high(i))
                        - Math.max(low[i], other.bounds().low(i));
                area *= i == axis ? (shared > 0 ? 1 : 0) : Math.max(0, shared);
            }
            if (area > 0
                    && !other.id().equals(parts.get(a).id())
                    && !other.id().equals(parts.get(b).id())) {
                hidden += area;
            }
        }
        return hidden;
    }

    /** Whether a face of a part lies close to its wall. */
    boolean closeToWall(int part, Face face) {
        return toWallMm(part, face) <= CLOSE_MM;
    }

    /** Between a face of a part and the wall it looks at, mm. */
    double toWallMm(int part, Face face) {
        return toWallMm[part * Face.ALL.size() + face.ordinal()];
    }

    List<Opposite> opposites() {
        return opposites;
    }

    /** All of a part's surface, m². */
    double wholeM2(int part) {
        double whole = 0;
        for (Face face : Face.ALL) {
            whole += parts.get(part).bounds().area(face) * MM2;
        }
        return Math.max(LEAST_M2, whole);
    }

    /** What of a part's surface air flows along, m². */
    double freeM2(int part) {
        return Math.max(LEAST_M2, wholeM2(part) - coveredM2[part]);
    }

    /** Share of that surface that sees walls and what is no hotter than the air; the rest sees other parts. */
    double seesWalls(int part) {
        return Math.clamp(1 - seenM2[part] / freeM2(part), 0, 1);
    }

    /**
     * Share of what leaves one of two equal rectangles, straight opposite, that reaches the other (Incropera and DeWitt, table 13.2).
     *
     * @param x width over distance
     * @param y depth over distance
     */
    static double viewFactor(double x, double y) {
        double x1 = Math.sqrt(1 + x * x);
        double y1 = Math.sqrt(1 + y * y);
        return 2
                / (Math.PI * x * y)
                * (Math.log(x1 * y1 / Math.sqrt(1 + x * x + y * y))
                        + x * y1 * Math.atan(x / y1)
                        + y * x1 * Math.atan(y / x1)
                        - x * Math.atan(x)
                        - y * Math.atan(y));
    }
}
