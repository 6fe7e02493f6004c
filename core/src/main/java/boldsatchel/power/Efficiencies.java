package boldsatchel.power;

import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.ConverterKind;
import boldsatchel.quantity.Figure;
import java.util.List;
import java.util.Optional;
import org.apache.commons.math3.linear.Array2DRowRealMatrix;
import org.apache.commons.math3.linear.ArrayRealVector;
import org.apache.commons.math3.linear.QRDecomposition;
import org.apache.commons.math3.linear.RealVector;
import org.apache.commons.math3.linear.SingularMatrixException;

/**
 * The losses of a converter, P = q + v·I + r·I², from efficiencies that its data sheet or a measurement gives, by least squares of the
 * efficiencies; none of the three is negative. All choices of which are zero are tried (Lawson and Hanson, Solving Least Squares Problems,
 * ch. 23, for so few that every active set can be looked at).
 */
public final class Efficiencies {

    private static final int TERMS = 3;
    /** Residuals nearer than this are one: then the more terms the better. */
    private static final double ALIKE = 1e-12;

    private Efficiencies() {}

    /**
     * A point of the curve.
     *
     * @param inV input voltage
     * @param outA output current, more than zero
     * @param efficiency more than 0, less than 1
     */
    public record Point(double inV, double outA, double efficiency) {
        /** Refuses what cannot be. */
        public Point {
            if (!(inV > 0 && outA > 0)) {
                throw new IllegalArgumentException("input voltage and output current are more than zero");
            }
            if (!(efficiency > 0 && efficiency < 1)) {
                throw new IllegalArgumentException("an efficiency is more than 0 and less than 100 %");
            }
        }
    }

    /**
     * The converter with its losses worked out.
     *
     * @param points two or three, or more
     * @throws IllegalArgumentException for fewer, or for a linear regulator, whose efficiency is that of its voltages
     */
    public static Facet.Converts fitted(Facet.Converts converter, List<Point> points) {
        if (points.size() < 2) {
            throw new IllegalArgumentException("losses need the efficiencies at two currents at least");
        }
        if (converter.kind() == ConverterKind.LINEAR) {
            throw new IllegalArgumentException("a linear regulator's efficiency is that of its voltages");
        }
        Optional<double[]> best = Optional.empty();
        double least = Double.POSITIVE_INFINITY;
        for (int mask = (1 << TERMS) - 1; mask > 0; mask--) {
            Optional<double[]> tried =
                    Integer.bitCount(mask) > points.size() ? Optional.empty() : solved(converter, points, mask);
            double residual = tried.map(t -> residual(converter, points, t)).orElse(Double.POSITIVE_INFINITY);
            if (residual < least - ALIKE) {
                least = residual;
                best = tried;
            }
        }
        double[] terms = best.orElse(new double[TERMS]);
        return new Facet.Converts(
                converter.kind(),
                converter.outV(),
                Figure.dataSheet(terms[0]),
                Figure.dataSheet(terms[1]),
                Figure.dataSheet(terms[2]),
                converter.limitA(),
                converter.dropoutV(),
                converter.lowV(),
                converter.highV(),
                converter.noLoadV());
    }

    /** Efficiency of a converter at an input voltage and an output current, 0 to 1; 0 where it cannot give that. */
    public static double at(Facet.Converts c, double inV, double outA) {
        double out = c.outV() * outA;
        double down = out
                + c.quietW().value()
                + c.dropV().value() * outA
                + c.lossOhms().value() * outA * outA;
        if (!boosts(c.kind(), down / inV, outA)) {
            return out / down;
        }
        double u = inV - c.dropV().value();
        double root = u * u - 4 * c.lossOhms().value() * (out + c.quietW().value());
        return u <= 0 || root < 0 ? 0 : out / (inV * 2 * (out + c.quietW().value()) / (u + Math.sqrt(root)));
    }

    private static boolean boosts(ConverterKind kind, double inA, double outA) {
        return kind == ConverterKind.STEP_UP || (kind == ConverterKind.STEP_UP_DOWN && inA > outA);
    }

    /** Current of the inductor at a point. */
    private static double coilA(Facet.Converts c, Point p) {
        double inA = c.outV() * p.outA() / p.efficiency() / p.inV();
        return boosts(c.kind(), inA, p.outA()) ? inA : p.outA();
    }

    private static double inW(Facet.Converts c, Point p) {
        return c.outV() * p.outA() / p.efficiency();
    }

    private static double lossW(Facet.Converts c, Point p) {
        return inW(c, p) * (1 - p.efficiency());
    }

    /** The terms of a mask by least squares; nothing where one is negative or they cannot be told apart. */
    private static Optional<double[]> solved(Facet.Converts c, List<Point> points, int mask) {
        double[][] rows = new double[points.size()][Integer.bitCount(mask)];
        double[] wanted = new double[points.size()];
        for (int i = 0; i < points.size(); i++) {
            Point p = points.get(i);
            double weight = 1 / inW(c, p);
            int column = 0;
            for (int k = 0; k < TERMS; k++) {
                if ((mask & 1 << k) != 0) {
                    rows[i][column++] = Math.pow(coilA(c, p), k) * weight;
                }
            }
            wanted[i] = lossW(c, p) * weight;
        }
        try {
            RealVector found = new QRDecomposition(new Array2DRowRealMatrix(rows))
                    .getSolver()
                    .solve(new ArrayRealVector(wanted));
            return found.getMinValue() < 0 ? Optional.empty() : Optional.of(spread(found, mask));
        } catch (SingularMatrixException e) {
            return Optional.empty();
        }
    }

    private static double[] spread(RealVector found, int mask) {
        double[] terms = new double[TERMS];
        int column = 0;
        for (int k = 0; k < TERMS; k++) {
            terms[k] = (mask & 1 << k) != 0 ? found.getEntry(column++) : 0;
        }
        return terms;
    }

    private static double residual(Facet.Converts c, List<Point> points, double[] terms) {
        double sum = 0;
        for (Point p : points) {
            double amps = coilA(c, p);
            double off = (terms[0] + terms[1] * amps + terms[2] * amps * amps - lossW(c, p)) / inW(c, p);
            sum += off * off;
        }
        return sum;
    }
}
