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

    /**
     * How that grows with the first end's temperature; it falls as much with the second's, as all ways here see a difference or
     * end at the surroundings, W/K.
     */
    double slope(double fromC, double toC);

    /** A fixed conductance, W/K. */
    record Fixed(int from, int to, double wattsPerK) implements Link {
        @Override
        public double watts(double fromC, double toC) {
            return wattsPerK * (fromC - toC);
        }

        @Override
        public double slope(double fromC, double toC) {
            return wattsPerK;
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

        /** Natural convection goes with ΔT to the power of 5/4. */
        @Override
        public double slope(double fromC, double toC) {
            double natural = Air.natural(c, fromC - toC, lengthM);
            double h = natural > forcedWm2K ? 1.25 * natural : forcedWm2K;
            return scale * (h + radiationWm2K) * areaM2;
        }

        /** The same with another share of the model's doubt. */
        Convection scaled(double newScale) {
            return new Convection(from, to, areaM2, c, lengthM, forcedWm2K, radiationWm2K, newScale);
        }

        /** The same in another forced flow. */
        Convection forced(double newWm2K) {
            return new Convection(from, to, areaM2, c, lengthM, newWm2K, radiationWm2K, scale);
        }
    }

    /** A surface seeing its surroundings. */
    record Radiation(int from, int to, double areaM2, double emissivity) implements Link {
        @Override
        public double watts(double fromC, double toC) {
            return emissivity * Air.STEFAN_BOLTZMANN * areaM2 * (fourth(fromC) - fourth(toC));
        }

        /** T⁴; below zero kelvin, where only an iteration on its way can be, going on downwards. */
        private static double fourth(double celsius) {
            double t = celsius + Air.ZERO_CELSIUS;
            return t * t * t * Math.abs(t);
        }

        @Override
        public double slope(double fromC, double toC) {
            double t = Math.abs(fromC + Air.ZERO_CELSIUS);
            return 4 * emissivity * Air.STEFAN_BOLTZMANN * areaM2 * t * t * t;
        }
    }

    /** Warm air leaving by the upper vents while cool air enters by the lower. */
    record Chimney(int from, int to, double areaM2, double riseM) implements Link {
        @Override
        public double watts(double fromC, double toC) {
            return Air.carried(Air.chimney(areaM2, riseM, fromC - toC, toC)) * (fromC - toC);
        }

        /** The flow goes with the root of the difference, the heat with its power of 3/2. */
        @Override
        public double slope(double fromC, double toC) {
            return 1.5 * Air.carried(Air.chimney(areaM2, riseM, fromC - toC, toC));
        }
    }
}
