package boldsatchel.heat;

/**
 * How heat that enters a thin plate at a footprint spreads along it while both faces give it off: a fin about a round footprint
 * (Incropera and DeWitt, Fundamentals of Heat and Mass Transfer, 3.6: annular fins of uniform section), with the Bessel functions in the
 * polynomials of Abramowitz and Stegun, 9.8.1 to 9.8.8. Rectangles are taken for circles of the same reach; what lies near an edge has
 * less plate about it.
 */
final class Spreading {

    /** A rectangle a·b spreads like a circle of this share of a + b (equal areas say 0.282 for a square); held against field solutions. */
    private static final double ROUND = 0.28;
    /** Below this a footprint is at one temperature but for the parabola of an even flow. */
    private static final double FLAT = 0.05;
    /** Below this a plate is at one temperature for the fin; what is left is the narrowing of the flow to the footprint. */
    private static final double SHORT_FIN = 0.05;
    /** Beyond this nothing reaches the plate's end. */
    private static final double LONG_FIN = 40;
    /** An image so far away adds less than a hundred-millionth. */
    private static final double FAR = 18;
    /** No plate ends nearer than this to the footprint's rim, as a ratio of radii. */
    private static final double LEAST_RIM = 1.02;

    private static final double[] I0_SMALL = {1, 3.5156229, 3.0899424, 1.2067492, 0.2659732, 0.0360768, 0.0045813};
    private static final double[] I0_LARGE = {
        0.39894228, 0.01328592, 0.00225319, -0.00157565, 0.00916281, -0.02057706, 0.02635537, -0.01647633, 0.00392377
    };
    private static final double[] I1_SMALL = {
        0.5, 0.87890594, 0.51498869, 0.15084934, 0.02658733, 0.00301532, 0.00032411
    };
    private static final double[] I1_LARGE = {
        0.39894228, -0.03988024, -0.00362018, 0.00163801, -0.01031555, 0.02282967, -0.02895312, 0.01787654, -0.00420059
    };
    private static final double[] K0_SMALL = {
        -0.57721566, 0.42278420, 0.23069756, 0.03488590, 0.00262698, 0.00010750, 0.00000740
    };
    private static final double[] K0_LARGE = {
        1.25331414, -0.07832358, 0.02189568, -0.01062446, 0.00587872, -0.00251540, 0.00053208
    };
    private static final double[] K1_SMALL = {
        1, 0.15443144, -0.67278579, -0.18156897, -0.01919402, -0.00110404, -0.00004686
    };
    private static final double[] K1_LARGE = {
        1.25331414, 0.23498619, -0.03655620, 0.01504268, -0.00780353, 0.00325614, -0.00068245
    };

    private Spreading() {}

    /**
     * Between the means of two plates that meet along an edge, W/K: a third of the length of both, the limit of the fin equation (Incropera and DeWitt, 3.6) for
     * plates that conduct well, of which one is warmed all over.
     *
     * @param k conductivity of both, W/(m·K)
     * @param edgeM length of the edge
     * @param aM length of the first away from it
     * @param aThickM its thickness
     * @param bM length of the second
     * @param bThickM its thickness
     */
    static double aroundEdge(double k, double edgeM, double aM, double aThickM, double bM, double bThickM) {
        return k * edgeM / (aM / aThickM / 3 + bM / bThickM / 3);
    }

    /**
     * A rectangle on a rectangular plate, m.
     *
     * @param width of the footprint
     * @param depth of the footprint
     * @param left from the footprint to the plate's edge
     * @param right likewise
     * @param front likewise
     * @param back likewise
     */
    record Footprint(double width, double depth, double left, double right, double front, double back) {
        double area() {
            return width * depth;
        }

        double plate() {
            return (left + width + right) * (front + depth + back);
        }

        double radius() {
            return ROUND * (width + depth);
        }

        double plateRadius() {
            return Math.max(LEAST_RIM * radius(), Math.sqrt(plate() / Math.PI));
        }
    }

    /**
     * The way from a footprint's mean temperature to that of the plate: what the fin bears less what the plate as a whole would, after the
     * way from within the footprint to its rim.
     *
     * @param unit 2π·k·t, W/K
     * @param beyond resistance from the rim on, times that
     * @param within resistance from within the footprint to its rim, times that
     * @param falls by how much the latter falls when the plate is thicker by e times, times that
     */
    record Way(double unit, double beyond, double within, double falls) {
        /** W/K. */
        double conductance() {
            return unit / (beyond + within);
        }

        /**
         * With which power of the plate's thickness the conductance goes: what lies beyond the rim is the same where loss over thickness
         * is, and so is known from another loss.
         *
         * @param other the same way with another loss
         * @param byLog logarithm of how many times as great
         */
        double powerOfThickness(Way other, double byLog) {
            return 1 + ((other.beyond - beyond) / byLog + falls) / (beyond + within);
        }
    }

    /**
     * The way out of a footprint.
     *
     * @param kt conductivity times thickness of the plate, W/K
     * @param h what both faces give off together beside the footprint, W/(m²·K)
     * @param held what holds the footprint's own temperature: what feeds it and what its outside gives off, W/(m²·K)
     */
    static Way way(Footprint f, double kt, double h, double held) {
        double x = Math.sqrt(held / kt) * f.radius();
        double r = x < FLAT || x > LONG_FIN ? 0 : i0(x) / i1(x);
        return new Way(2 * Math.PI * kt, beyond(f, Math.sqrt(h / kt)), toRim(x, r), toRimFalls(x, r));
    }

    /** From the rim on, times 2π·k·t. */
    private static double beyond(Footprint f, double m) {
        double rs = f.radius();
        double rp = f.plateRadius();
        if (m * rp < SHORT_FIN) {
            return narrowing(rs, rp) + crowded(f, m);
        }
        double fin = m * rs * ratio(m * rs, m * rp) * open(f, m);
        double whole = m * m * (rp * rp - rs * rs) / 2;
        return Math.max(1 / fin - 1 / whole, 0) + crowded(f, m);
    }

    /**
     * How much hotter the middle of a footprint is than its mean, for each watt that leaves it along the plate, K/W.
     *
     * @param kt conductivity times thickness of the plate, W/K
     * @param held as above
     */
    static double middle(Footprint f, double kt, double held) {
        double x = Math.sqrt(held / kt) * f.radius();
        double rise = x < FLAT ? 0.25 : x > LONG_FIN ? 0 : (2 * i1(x) / x - 1) / (x * i1(x));
        return rise / (2 * Math.PI * kt);
    }

    /** From the mean of an evenly fed disc to its rim: a disc with loss, times 2π·k·t; r is I₀/I₁. */
    private static double toRim(double x, double r) {
        return x < FLAT ? 0.25 : x > LONG_FIN ? 1 / x : r / x - 2 / (x * x);
    }

    /** By how much that falls as the logarithm of k·t grows: x goes with its root downwards, and (I₀/I₁)' is 1 − (I₀/I₁)² + I₀/(x·I₁). */
    private static double toRimFalls(double x, double r) {
        if (x < FLAT) {
            return 0;
        }
        if (x > LONG_FIN) {
            return -0.5 / x;
        }
        double slope = (1 - r * r + r / x) / x - r / (x * x) + 4 / (x * x * x);
        return 0.5 * x * slope;
    }

    /** Between a ring's rim and its mean without loss at the far end: ln and the ring's own share (Carslaw and Jaeger, 7.3). */
    private static double narrowing(double rs, double rp) {
        double a = rs * rs;
        double b = rp * rp;
        return b * b / ((b - a) * (b - a)) * Math.log(rp / rs) - (3 * b - a) / (4 * (b - a));
    }

    /** Share of the rim that has plate about it to warm: a side at the plate's edge has none. */
    private static double open(Footprint f, double m) {
        double across = (f.left + f.right) / 2;
        double along = (f.front + f.back) / 2;
        double has = f.depth * (Math.tanh(m * f.left) + Math.tanh(m * f.right))
                + f.width * (Math.tanh(m * f.front) + Math.tanh(m * f.back));
        double could = 2 * f.depth * Math.tanh(m * across) + 2 * f.width * Math.tanh(m * along);
        return could > 0 ? has / could : 1;
    }

    /** An edge that is nearer than the opposite one throws heat back as the footprint's image beyond it would. */
    private static double crowded(Footprint f, double m) {
        return image(m, f.left + f.width / 2, f.right + f.width / 2)
                + image(m, f.front + f.depth / 2, f.back + f.depth / 2);
    }

    private static double image(double m, double oneWay, double otherWay) {
        double near = Math.min(oneWay, otherWay);
        double half = (oneWay + otherWay) / 2;
        if (m * half < SHORT_FIN) {
            return Math.log(half / near);
        }
        double x = 2 * m * near;
        return x > FAR ? 0 : Math.max(0, k0(x) - k0(2 * m * half));
    }

    /** Slope over value of a fin between two radii, the far end giving off nothing. */
    private static double ratio(double xs, double xp) {
        if (xp > LONG_FIN) {
            return xs > LONG_FIN ? 1 + 1 / (2 * xs) : k1(xs) / k0(xs);
        }
        double i = i1(xp);
        double k = k1(xp);
        return (k1(xs) * i - i1(xs) * k) / (k0(xs) * i + i0(xs) * k);
    }

    private static double polynomial(double x, double[] coefficients) {
        double sum = 0;
        for (int i = coefficients.length - 1; i >= 0; i--) {
            sum = sum * x + coefficients[i];
        }
        return sum;
    }

    private static double i0(double x) {
        if (x < 3.75) {
            return polynomial(x / 3.75 * x / 3.75, I0_SMALL);
        }
        return Math.exp(x) / Math.sqrt(x) * polynomial(3.75 / x, I0_LARGE);
    }

    private static double i1(double x) {
        if (x < 3.75) {
            return x * polynomial(x / 3.75 * x / 3.75, I1_SMALL);
        }
        return Math.exp(x) / Math.sqrt(x) * polynomial(3.75 / x, I1_LARGE);
    }

    private static double k0(double x) {
        if (x <= 2) {
            return -Math.log(x / 2) * i0(x) + polynomial(x * x / 4, K0_SMALL);
        }
        return Math.exp(-x) / Math.sqrt(x) * polynomial(2 / x, K0_LARGE);
    }

    private static double k1(double x) {
        if (x <= 2) {
            return Math.log(x / 2) * i1(x) + polynomial(x * x / 4, K1_SMALL) / x;
        }
        return Math.exp(-x) / Math.sqrt(x) * polynomial(2 / x, K1_LARGE);
    }
}
