package boldsatchel.heat;

import java.util.ArrayList;
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

    private static final double EXACT_PA = 1e-10;
    private static final int MOST_TRIES = 1000;

    /**
     * An opening: as through a sharp edge, and a filter that takes pressure in proportion.
     *
     * @param areaM2 free
     * @param filter what it takes, Pa·s/m³
     */
    record Orifice(double areaM2, double filter) {
        /** What the edge takes of the pressure, over the square of the flow, Pa·s²/m⁶. */
        double square() {
            double edge = Air.DISCHARGE * areaM2;
            return Air.DENSITY / 2 / (edge * edge);
        }

        /** Both one behind the other. */
        Orifice inRow(Orifice next) {
            return new Orifice(Air.inRow(areaM2, next.areaM2), filter + next.filter);
        }

        /** Both side by side; what their filters take as where each gets air by its area. */
        Orifice beside(Orifice other) {
            double all = areaM2 + other.areaM2;
            double share = all > 0 ? areaM2 / all : 0;
            return new Orifice(all, filter * share * share + other.filter * (1 - share) * (1 - share));
        }

        /** Of air that goes by either of two, what goes by this one, m³/s. */
        double shareOf(double flowM3s, Orifice other) {
            if (areaM2 <= 0 || flowM3s <= 0) {
                return 0;
            }
            return other.areaM2 <= 0 ? flowM3s : root(q -> pa(q) - other.pa(flowM3s - q), 0, flowM3s);
        }

        private double pa(double flowM3s) {
            return flowM3s * (filter + square() * flowM3s);
        }

        /** Flow at a difference of pressure, with its sign, m³/s. */
        double flowM3s(double pa) {
            if (areaM2 <= 0 || pa == 0) {
                return 0;
            }
            return 2 * pa / (filter + Math.sqrt(filter * filter + 4 * square() * Math.abs(pa)));
        }
    }

    /**
     * Fans before a vent.
     *
     * @param vent its place among the orifices
     * @param out whether they blow out of it; else they draw in by it
     * @param fan what they move together
     * @param leakM2 free area between fan and vent to the room about them
     */
    record Duct(int vent, boolean out, FanCurve fan, double leakM2) {}

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
        double most = ducts.stream().mapToDouble(d -> d.fan.shutOffPa()).max().orElse(0);
        double room = root(pa -> sum(out(pa)), -most, most);
        double fans = 0;
        for (Duct duct : ducts) {
            double pa = duct.out ? room : -room;
            fans += duct.leakM2 == 0 ? through(duct, pa) : duct.fan.flowM3s(between(duct, pa) - pa);
        }
        List<Double> flows = new ArrayList<>();
        for (double q : out(room)) {
            flows.add(q);
        }
        return new Flows(flows, fans);
    }

    private static double sum(double[] flows) {
        double sum = 0;
        for (double q : flows) {
            sum += q;
        }
        return sum;
    }

    /** What leaves by each vent at a pressure of the room. */
    private double[] out(double pa) {
        double[] flows = new double[orifices.size()];
        for (int i = 0; i < flows.length; i++) {
            flows[i] = orifices.get(i).flowM3s(pa);
        }
        for (Duct duct : ducts) {
            // What draws in is what blows out, seen with all pressures turned over.
            flows[duct.vent] = duct.out ? through(duct, pa) : -through(duct, -pa);
        }
        return flows;
    }

    /** What fans that blow out drive through their vent. */
    private double through(Duct duct, double roomPa) {
        Orifice vent = orifices.get(duct.vent);
        return duct.leakM2 == 0 ? duct.fan.through(vent, roomPa) : vent.flowM3s(between(duct, roomPa));
    }

    /** The pressure between fans that blow out and their vent. */
    private double between(Duct duct, double roomPa) {
        Orifice vent = orifices.get(duct.vent);
        Orifice leak = new Orifice(duct.leakM2, 0);
        return root(
                pa -> vent.flowM3s(pa) + leak.flowM3s(pa - roomPa) - duct.fan.flowM3s(pa - roomPa),
                Math.min(0, roomPa),
                Math.max(0, roomPa + duct.fan.shutOffPa()));
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
