package boldsatchel.heat;

/** A way for heat between two nodes. */
sealed interface Link {

    /** Warmer end when heat flows as usual. */
    int from();

    /** Cooler end. */
    int to();

    /**
     * Heat from one end to the other, W.
     *
     * @param fromC temperature of the first end
     * @param toC temperature of the second
     */
    double watts(double fromC, double toC);

    /** A fixed conductance, W/K. */
    record Fixed(int from, int to, double wattsPerK) implements Link {
        @Override
        public double watts(double fromC, double toC) {
            return wattsPerK * (fromC - toC);
        }
    }

    /** A surface in air: natural convection, or forced where that is more, and linear radiation; scale is the model's own doubt. */
    record Convection(
            int from,
            int to,
            double areaM2,
            double c,
            double lengthM,
            double forcedWm2K,
            double radiationWm2K,
            double scale)
            implements Link {
        @Override
        public double watts(double fromC, double toC) {
            double h = Math.max(Air.natural(c, fromC - toC, lengthM), forcedWm2K) + radiationWm2K;
            return scale * h * areaM2 * (fromC - toC);
        }
    }

    /** A surface seeing its surroundings. */
    record Radiation(int from, int to, double areaM2, double emissivity) implements Link {
        @Override
        public double watts(double fromC, double toC) {
            double a = Math.pow(fromC + Air.ZERO_CELSIUS, 2);
            double b = Math.pow(toC + Air.ZERO_CELSIUS, 2);
            return emissivity * Air.STEFAN_BOLTZMANN * areaM2 * (a * a - b * b);
        }
    }

    /** Warm air leaving by the upper vents while cool air enters by the lower. */
    record Chimney(int from, int to, double areaM2, double riseM) implements Link {
        @Override
        public double watts(double fromC, double toC) {
            return Air.carried(Air.chimney(areaM2, riseM, fromC - toC, toC)) * (fromC - toC);
        }
    }
}
