package boldsatchel.heat;

/** A way for heat between two nodes. */
sealed interface Link {

    /** Warmer end when heat flows as usual. */
    int from();

    /** Cooler end. */
    int to();

    /**
     * What crosses it.
     *
     * @param fromC temperature of the first end
     * @param toC temperature of the second
     * @param flow takes it
     */
    void cross(double fromC, double toC, Flow flow);

    /** Heat from one end to the other, W. */
    default double watts(double fromC, double toC) {
        Flow flow = new Flow();
        cross(fromC, toC, flow);
        return flow.watts;
    }

    /** What of that is as doubtful as correlations of convection are, W. */
    default double convectedW(double fromC, double toC) {
        return 0;
    }

    /** What crosses a link, and how that grows; one is used for all links of a network in turn. */
    final class Flow {
        /** Heat from one end to the other, W. */
        double watts;
        /**
         * How that grows with the first end's temperature; it falls as much with the second's, as all ways here see a difference or
         * end at the surroundings, W/K.
         */
        double slope;
    }

    /** A fixed conductance, W/K. */
    record Fixed(int from, int to, double wattsPerK) implements Link {
        @Override
        public void cross(double fromC, double toC, Flow flow) {
            flow.watts = wattsPerK * (fromC - toC);
            flow.slope = wattsPerK;
        }
    }

    /**
     * A heat pipe: a fixed conductance until it carries as much as it can, and next to nothing more beyond, as it is dry then.
     *
     * @param mostW what it carries at most
     */
    record Pipe(int from, int to, double wattsPerK, double mostW) implements Link {

        /** Of what it would carry more, a dry pipe of copper still does; about the share of its walls. */
        private static final double DRY = 0.02;

        /** A pipe, or what carries any heat. */
        static Link of(int from, int to, double wattsPerK, double mostW) {
            return mostW < Double.POSITIVE_INFINITY
                    ? new Pipe(from, to, wattsPerK, mostW)
                    : new Fixed(from, to, wattsPerK);
        }

        @Override
        public void cross(double fromC, double toC, Flow flow) {
            double wet = wattsPerK * (fromC - toC);
            double beyond = Math.max(0, Math.abs(wet) - mostW);
            flow.watts = wet - Math.copySign((1 - DRY) * beyond, wet);
            flow.slope = beyond > 0 ? DRY * wattsPerK : wattsPerK;
        }
    }

    /**
     * A surface in air: natural convection, or forced where that is more, and linear radiation.
     *
     * @param stillWm2K what natural convection gives off at a difference of 1 K
     */
    record Convection(int from, int to, double areaM2, double stillWm2K, double forcedWm2K, double radiationWm2K)
            implements Link {

        static Convection of(
                int from, int to, double areaM2, double c, double lengthM, double forcedWm2K, double radiationWm2K) {
            return new Convection(from, to, areaM2, Air.natural(c, 1, lengthM), forcedWm2K, radiationWm2K);
        }

        /** Natural convection goes with ΔT to the power of 5/4. */
        @Override
        public void cross(double fromC, double toC, Flow flow) {
            double difference = fromC - toC;
            double natural = Air.natural(stillWm2K, difference);
            boolean still = natural > forcedWm2K;
            flow.watts = areaM2 * ((still ? natural : forcedWm2K) + radiationWm2K) * difference;
            flow.slope = areaM2 * ((still ? 1.25 * natural : forcedWm2K) + radiationWm2K);
        }

        @Override
        public double convectedW(double fromC, double toC) {
            return watts(fromC, toC);
        }

        /** The same in another forced flow. */
        Convection forced(double newWm2K) {
            return new Convection(from, to, areaM2, stillWm2K, newWm2K, radiationWm2K);
        }
    }

    /**
     * A surface in the open: natural convection, and radiation to the surroundings.
     *
     * @param stillWm2K what natural convection gives off at a difference of 1 K
     */
    record Outside(int from, double areaM2, double stillWm2K, double emissivity) implements Link {

        static Outside of(int from, double areaM2, double c, double lengthM, double emissivity) {
            return new Outside(from, areaM2, Air.natural(c, 1, lengthM), emissivity);
        }

        @Override
        public int to() {
            return 0;
        }

        @Override
        public void cross(double fromC, double toC, Flow flow) {
            double natural = areaM2 * Air.natural(stillWm2K, fromC - toC);
            double grey = emissivity * Air.STEFAN_BOLTZMANN * areaM2;
            flow.watts = natural * (fromC - toC) + grey * (Air.fourth(fromC) - Air.fourth(toC));
            flow.slope = 1.25 * natural + 4 * grey * Air.third(fromC);
        }

        @Override
        public double convectedW(double fromC, double toC) {
            return areaM2 * Air.natural(stillWm2K, fromC - toC) * (fromC - toC);
        }
    }

    /**
     * Fins in air that is driven through them, or rises in them where it carries more so.
     *
     * @param forcedWK what they give off with the air that is driven, W/K
     * @param upright whether the channels between them stand
     */
    record Finned(int from, int to, FinnedSurface fins, double forcedWK, boolean upright) implements Link {
        @Override
        public void cross(double fromC, double toC, Flow flow) {
            double difference = fromC - toC;
            flow.watts = 0;
            if (upright) {
                fins.risen(difference, flow);
            }
            if (Math.abs(flow.watts) <= forcedWK * Math.abs(difference)) {
                flow.watts = forcedWK * difference;
                flow.slope = forcedWK;
            }
        }

        @Override
        public double convectedW(double fromC, double toC) {
            return watts(fromC, toC);
        }
    }

    /**
     * Warm air leaving by the upper vents while cool air enters by the lower.
     *
     * @param filter what filters take of the pressure, Pa·s/m³
     */
    record Chimney(int from, int to, double areaM2, double riseM, double filter) implements Link {
        /** Without filters the flow goes with the root of the difference, the heat with its power of 3/2. */
        @Override
        public void cross(double fromC, double toC, Flow flow) {
            double free = Air.chimney(areaM2, riseM, fromC - toC, toC);
            double edge = Air.DISCHARGE * areaM2;
            // Of the orifices alone the pressure is ρ/2·(free/edge)².
            double half = filter * edge * edge / Air.DENSITY;
            double through =
                    half == 0 || free == 0 ? free : free * free / (half + Math.sqrt(half * half + free * free));
            double carried = Air.carried(through);
            flow.watts = carried * (fromC - toC);
            flow.slope = carried * (1.5 + 0.5 * half / Math.max(Double.MIN_NORMAL, half + through));
        }
    }

    /** Two faces that see each other. */
    record Facing(int from, int to, double areaM2, double emissivity) implements Link {
        /** The slope at the mean of both ends, so that it is the same for either. */
        @Override
        public void cross(double fromC, double toC, Flow flow) {
            double grey = emissivity * Air.STEFAN_BOLTZMANN * areaM2;
            flow.watts = grey * (Air.fourth(fromC) - Air.fourth(toC));
            flow.slope = 4 * grey * Air.third((fromC + toC) / 2);
        }
    }

    /**
     * Along one half of a wall's thickness, from a footprint to the rest of it. The way is worked out for two strengths of what the wall's faces give off, and
     * grows between them with its root.
     *
     * @param f the footprint on its wall
     * @param wall what the wall is and gives off
     * @param feedWm2K what feeds the footprint
     * @param least conductance of this half where the outside gives off nothing, W/K
     * @param root how it grows with the root of what that gives off, W/K for a root of 1 W/(m²·K)
     * @param power with which of the plate's thickness both go
     */
    record Along(
            int from,
            int to,
            Spreading.Footprint f,
            Wall wall,
            double feedWm2K,
            double least,
            double root,
            double power)
            implements Link {

        /**
         * A wall and what its faces give off.
         *
         * @param kt conductivity times thickness, W/K
         * @param half resistance of half its thickness, m²·K/W
         * @param free whether its outside gives off heat
         * @param stillWm2K what natural convection outside gives off at a difference of 1 K
         * @param emissivity of its outside
         * @param ambientC surroundings
         */
        record Wall(double kt, double half, boolean free, double stillWm2K, double emissivity, double ambientC) {

            static Wall of(
                    double conductivityWmK,
                    double thickM,
                    boolean free,
                    double stillWm2K,
                    double emissivity,
                    double ambientC) {
                return new Wall(
                        conductivityWmK * thickM, thickM / 2 / conductivityWmK, free, stillWm2K, emissivity, ambientC);
            }

            /** What its outside gives off, behind half its thickness, W/(m²·K). */
            double outsideWm2K(double celsius) {
                if (!free) {
                    return 0;
                }
                double h = Air.natural(stillWm2K, celsius - ambientC)
                        + 4 * emissivity * Air.STEFAN_BOLTZMANN * Air.third((celsius + ambientC) / 2);
                return h / (1 + h * half);
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
            return new Along(otherFrom, otherTo, f, wall, feedWm2K, least, root, power);
        }

        /** The same along a plate so many times as thick. */
        Along thicker(double times) {
            double grows = Math.pow(times, power);
            return new Along(from, to, f, wall, feedWm2K, least * grows, root * grows, power);
        }

        static Along of(int from, int to, Spreading.Footprint f, Wall wall, double feedWm2K) {
            double weakWm2K = wall.free() ? WEAK_WM2K : 0;
            double strongWm2K = wall.free() ? STRONG_WM2K : WEAK_WM2K;
            Spreading.Way weak = Spreading.way(f, wall.kt(), weakWm2K + INSIDE_WM2K, feedWm2K + weakWm2K);
            Spreading.Way strong = Spreading.way(f, wall.kt(), strongWm2K + INSIDE_WM2K, feedWm2K + strongWm2K);
            double low = weak.conductance() / 2;
            double root = (strong.conductance() / 2 - low) / (Math.sqrt(strongWm2K) - Math.sqrt(weakWm2K));
            root = wall.free() ? Math.clamp(root, 0, low / Math.sqrt(weakWm2K)) : 0;
            double power =
                    weak.powerOfThickness(strong, Math.log((strongWm2K + INSIDE_WM2K) / (weakWm2K + INSIDE_WM2K)));
            return new Along(from, to, f, wall, feedWm2K, low - root * Math.sqrt(weakWm2K), root, power);
        }

        /** The conductance itself grows a little with the difference, as the natural convection in it does by a quarter of its power. */
        @Override
        public void cross(double fromC, double toC, Flow flow) {
            double grown = root == 0 ? 0 : root * Math.sqrt(wall.outsideWm2K(toC + FIN_SHARE * (fromC - toC)));
            flow.watts = (least + grown) * (fromC - toC);
            flow.slope = least + 1.125 * grown;
        }

        /** How much hotter the footprint's middle is than its mean, K. */
        double middleK(double fromC, double toC) {
            return 2 * watts(fromC, toC) * Spreading.middle(f, wall.kt(), feedWm2K + wall.outsideWm2K(fromC));
        }
    }
}
