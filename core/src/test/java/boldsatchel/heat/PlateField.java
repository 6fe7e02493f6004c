package boldsatchel.heat;

import java.util.Arrays;

/**
 * The temperature field of a plate by finite volumes in three dimensions, solved by over-relaxation: independent of the closed forms it
 * is held against. The outside gives off heat by natural convection and radiation at each place by its own temperature, the inside to
 * air at the surroundings' temperature by a fixed coefficient, but for a footprint that is fed through a pad.
 */
final class PlateField {
    private static final double CELL = 0.0025;
    private static final double SIGMA = 5.670374419e-8;

    private final int nx;
    private final int ny;
    private final int nz;
    private final double[] t;
    private final boolean[] fed;
    private double part;

    PlateField(
            double width,
            double depth,
            double thick,
            int layers,
            double k,
            double emissivity,
            double c,
            double length,
            double insideWm2K,
            double ambientC,
            double[] footprint,
            double padKW,
            double watts) {
        nx = (int) Math.round(width / CELL);
        ny = (int) Math.round(depth / CELL);
        nz = layers;
        t = new double[nx * ny * nz];
        Arrays.fill(t, ambientC + 10);
        fed = new boolean[nx * ny];
        int cells = 0;
        for (int i = 0; i < nx; i++) {
            for (int j = 0; j < ny; j++) {
                double x = (i + 0.5) * CELL;
                double y = (j + 0.5) * CELL;
                fed[i * ny + j] = x > footprint[0]
                        && x < footprint[0] + footprint[2]
                        && y > footprint[1]
                        && y < footprint[1] + footprint[3];
                cells += fed[i * ny + j] ? 1 : 0;
            }
        }
        double dz = thick / nz;
        double side = k * dz;
        double up = k * CELL * CELL / dz;
        double half = 2 * up;
        double pad = 1 / (cells * padKW + 1e-12 + 1 / half);
        double film = 1 / (1 / (insideWm2K * CELL * CELL) + 1 / half);
        part = ambientC + 30;
        for (int sweep = 0; sweep < 20_000; sweep++) {
            double change = 0;
            double feeds = 0;
            for (int i = 0; i < nx; i++) {
                for (int j = 0; j < ny; j++) {
                    for (int z = 0; z < nz; z++) {
                        int at = (i * ny + j) * nz + z;
                        double g = 0;
                        double q = 0;
                        if (i > 0) {
                            g += side;
                            q += side * t[at - ny * nz];
                        }
                        if (i < nx - 1) {
                            g += side;
                            q += side * t[at + ny * nz];
                        }
                        if (j > 0) {
                            g += side;
                            q += side * t[at - nz];
                        }
                        if (j < ny - 1) {
                            g += side;
                            q += side * t[at + nz];
                        }
                        if (z > 0) {
                            g += up;
                            q += up * t[at - 1];
                        } else {
                            double own = fed[i * ny + j] ? pad : film;
                            g += own;
                            q += own * (fed[i * ny + j] ? part : ambientC);
                        }
                        if (z < nz - 1) {
                            g += up;
                            q += up * t[at + 1];
                        } else {
                            double over = Math.max(0.01, t[at] - ambientC);
                            double tk = t[at] + 273.15;
                            double ak = ambientC + 273.15;
                            double h = c * Math.pow(over / length, 0.25)
                                    + emissivity * SIGMA * (tk * tk + ak * ak) * (tk + ak);
                            double own = 1 / (1 / (h * CELL * CELL) + 1 / half);
                            g += own;
                            q += own * ambientC;
                        }
                        double next = t[at] + 1.9 * (q / g - t[at]);
                        change = Math.max(change, Math.abs(next - t[at]));
                        t[at] = next;
                        if (z == 0 && fed[i * ny + j]) {
                            feeds += t[at];
                        }
                    }
                }
            }
            double next = watts / (cells * pad) + feeds / cells;
            change = Math.max(change, Math.abs(next - part));
            part = next;
            if (change < 1e-6) {
                return;
            }
        }
        throw new IllegalStateException("the field does not settle");
    }

    /** Temperature of the part behind the pad. */
    double partC() {
        return part;
    }

    /** The hottest cell outside. */
    double hottestC() {
        double most = -1e9;
        for (int i = 0; i < nx * ny; i++) {
            most = Math.max(most, t[i * nz + nz - 1]);
        }
        return most;
    }
}
