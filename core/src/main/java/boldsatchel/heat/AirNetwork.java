package boldsatchel.heat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.apache.commons.math3.analysis.solvers.BrentSolver;

/**
 * What fans move through the openings of one room: as much air comes in as goes out at the pressure of the room, and at the small room between
 * each fan and its vent, from which some escapes back around the fan.
 *
 * @param orifices of all vents
 * @param ducts fans at their vents
 */
record AirNetwork(List<Orifice> orifices, List<Duct> ducts) {

    private static final double EXACT_PA = 1e-9;
    private static final int MOST_TRIES = 1000;

    /**
     * An opening: as through a sharp edge, and a filter that takes pressure in proportion.
     *
     * @param areaM2 free
     * @param filter what it takes, Pa·s/m³
     */
    record Orifice(double areaM2, double filter) {
        /** Flow at a difference of pressure, with its sign, m³/s. */
        double flowM3s(double pa) {
            if (areaM2 <= 0 || pa == 0) {
                return 0;
            }
            double edge = Air.DISCHARGE * areaM2;
            double square = Air.DENSITY / 2 / (edge * edge);
            return 2 * pa / (filter + Math.sqrt(filter * filter + 4 * square * Math.abs(pa)));
        }
    }

    /**
     * Fans before a vent.
     *
     * @param vent its place among the orifices
     * @param out whether they blow out of it; else they draw in by it
     * @param fans beside one another
     * @param leakM2 free area between fan and vent to the room about them
     */
    record Duct(int vent, boolean out, List<FanCurve> fans, double leakM2) {
        double mostPa() {
            return fans.stream().mapToDouble(FanCurve::shutOffPa).max().orElse(0);
        }

        double flowM3s(double pa) {
            double sum = 0;
            for (FanCurve fan : fans) {
                sum += fan.flowM3s(pa);
            }
            return sum;
        }
    }

    /**
     * Flows, m³/s.
     *
     * @param outM3s by vent, out of the room; negative where air comes in
     * @param fansM3s what the fans move, whether it leaves or goes round inside
     */
    record Flows(List<Double> outM3s, double fansM3s) {
        /** What comes in, and goes out. */
        double throughM3s() {
            return outM3s.stream().mapToDouble(q -> Math.max(0, q)).sum();
        }
    }

    /** Flows at balance. */
    Flows solve() {
        double most = ducts.stream().mapToDouble(Duct::mostPa).max().orElse(0);
        double room = root(pa -> Arrays.stream(out(pa)).sum(), -most, most);
        double fans = 0;
        for (Duct duct : ducts) {
            double side = duct.out ? 1 : -1;
            fans += duct.flowM3s(between(duct, side * room) - side * room);
        }
        List<Double> flows = new ArrayList<>();
        for (double q : out(room)) {
            flows.add(q);
        }
        return new Flows(flows, fans);
    }

    /** What leaves by each vent at a pressure of the room. */
    private double[] out(double pa) {
        double[] flows = new double[orifices.size()];
        for (int i = 0; i < flows.length; i++) {
            flows[i] = orifices.get(i).flowM3s(pa);
        }
        for (Duct duct : ducts) {
            // What draws in is what blows out, seen with all pressures turned over.
            double side = duct.out ? 1 : -1;
            flows[duct.vent] = side * orifices.get(duct.vent).flowM3s(between(duct, side * pa));
        }
        return flows;
    }

    /** The pressure between fans that blow out and their vent. */
    private double between(Duct duct, double roomPa) {
        Orifice vent = orifices.get(duct.vent);
        Orifice leak = new Orifice(duct.leakM2, 0);
        return root(
                pa -> vent.flowM3s(pa) + leak.flowM3s(pa - roomPa) - duct.flowM3s(pa - roomPa),
                Math.min(0, roomPa),
                Math.max(0, roomPa + duct.mostPa()));
    }

    /** Where something that grows is nothing; an end where it is nothing in between. */
    private static double root(DoubleUnaryOperator grows, double low, double high) {
        double atLow = grows.applyAsDouble(low);
        double atHigh = grows.applyAsDouble(high);
        if (atLow >= 0 || atHigh <= 0) {
            return atLow >= 0 ? low : high;
        }
        return new BrentSolver(EXACT_PA, EXACT_PA, 1e-15).solve(MOST_TRIES, grows::applyAsDouble, low, high);
    }
}
