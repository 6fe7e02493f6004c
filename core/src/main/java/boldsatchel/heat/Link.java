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
        static double fourth(double celsius) {
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

    /** Two faces that see each other. */
    record Facing(int from, int to, double areaM2, double emissivity) implements Link {
        @Override
        public double watts(double fromC, double toC) {
            return emissivity * Air.STEFAN_BOLTZMANN * areaM2 * (Radiation.fourth(fromC) - Radiation.fourth(toC));
        }

        /** At the mean of both ends, so that it is the same for either. */
        @Override
        public double slope(double fromC, double toC) {
            double t = Math.abs((fromC + toC) / 2 + Air.ZERO_CELSIUS);
            return 4 * emissivity * Air.STEFAN_BOLTZMANN * areaM2 * t * t * t;
        }
    }

    /**
     * Along one half of a wall's thickness, from a footprint to the rest of it. The way is worked out for two strengths of what the wall's faces give off, and
     * taken for a power of it between.
     *
     * @param f the footprint on its wall
     * @param wall what the wall is and gives off
     * @param feedWm2K what feeds the footprint
     * @param atWeak conductance of this half where the outside gives off {@link #WEAK_WM2K}
     * @param power of what it gives off
     */
    record Along(int from, int to, Spreading.Footprint f, Wall wall, double feedWm2K, double atWeak, double power)
            implements Link {

        /**
         * A wall and what its faces give off.
         *
         * @param conductivityWmK of its material
         * @param thickM how thick it is
         * @param free whether its outside gives off heat
         * @param c of its outside's convection
         * @param lengthM of its outside's convection
         * @param emissivity of its outside
         * @param ambientC surroundings
         */
        record Wall(
                double conductivityWmK,
                double thickM,
                boolean free,
                double c,
                double lengthM,
                double emissivity,
                double ambientC) {

            double kt() {
                return conductivityWmK * thickM;
            }

            /** What its outside gives off, behind half its thickness, W/(m²·K). */
            double outsideWm2K(double celsius) {
                if (!free) {
                    return 0;
                }
                double t = Math.abs((celsius + ambientC) / 2 + Air.ZERO_CELSIUS);
                double h =
                        Air.natural(c, celsius - ambientC, lengthM) + 4 * emissivity * Air.STEFAN_BOLTZMANN * t * t * t;
                return 1 / (1 / h + thickM / 2 / conductivityWmK);
            }
        }

        /** About what convection and radiation take on the inside. */
        private static final double INSIDE_WM2K = 8;
        /** The fin's temperature is taken here between wall and footprint. */
        private static final double FIN_SHARE = 0.5;

        private static final double WEAK_WM2K = 6;
        private static final double STRONG_WM2K = 18;

        /** The other half of the same way. */
        Along half(int otherFrom, int otherTo) {
            return new Along(otherFrom, otherTo, f, wall, feedWm2K, atWeak, power);
        }

        static Along of(int from, int to, Spreading.Footprint f, Wall wall, double feedWm2K) {
            double weak = conductance(f, wall, feedWm2K, wall.free() ? WEAK_WM2K : 0);
            double strong = wall.free() ? conductance(f, wall, feedWm2K, STRONG_WM2K) : weak;
            double power = Math.log(strong / weak) / Math.log(STRONG_WM2K / WEAK_WM2K);
            return new Along(from, to, f, wall, feedWm2K, weak, power);
        }

        private static double conductance(Spreading.Footprint f, Wall wall, double feed, double outside) {
            return Spreading.conductance(f, wall.kt(), outside + INSIDE_WM2K, feed + outside) / 2;
        }

        private double conductance(double fromC, double toC) {
            return wall.free()
                    ? atWeak * Math.pow(wall.outsideWm2K(toC + FIN_SHARE * (fromC - toC)) / WEAK_WM2K, power)
                    : atWeak;
        }

        @Override
        public double watts(double fromC, double toC) {
            return conductance(fromC, toC) * (fromC - toC);
        }

        /** The conductance itself grows a little with the difference, as the natural convection in it does by a quarter of its power. */
        @Override
        public double slope(double fromC, double toC) {
            return (1 + power / 4) * conductance(fromC, toC);
        }

        /** How much hotter the footprint's middle is than its mean, K. */
        double middleK(double fromC, double toC) {
            return 2 * watts(fromC, toC) * Spreading.middle(f, wall.kt(), feedWm2K + wall.outsideWm2K(fromC));
        }
    }
}
