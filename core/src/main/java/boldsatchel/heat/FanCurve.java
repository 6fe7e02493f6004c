package boldsatchel.heat;

import boldsatchel.machine.Facet;
import boldsatchel.quantity.Input;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What a fan moves against a pressure: straight lines between the points of its curve, from free flow to shut-off.
 *
 * @param points by rising pressure, the flow falling or staying; first free flow, last shut-off
 */
record FanCurve(List<Point> points) {

    /** A point, m³/s and Pa. */
    private record Point(double flowM3s, double pa) {}

    private static final double LITRE = 1e-3;

    /** Of a fan that moves nothing. */
    private static final FanCurve NONE = new FanCurve(List.of(new Point(0, 0)));

    /** Points outside of free flow and shut-off, or at which it would move more against more, count as little as they can. */
    static FanCurve of(Facet.MovesAir fan, double freeLs, double shutOffPa) {
        if (freeLs <= 0 || shutOffPa <= 0) {
            return NONE;
        }
        double stretchedLs = fan.freeLs().value() > 0 ? freeLs / fan.freeLs().value() : 1;
        double stretchedPa =
                fan.shutOffPa().value() > 0 ? shutOffPa / fan.shutOffPa().value() : 1;
        List<Facet.MovesAir.Point> given = new ArrayList<>(fan.between());
        given.sort(Comparator.comparingDouble(Facet.MovesAir.Point::pa));
        List<Point> points = new ArrayList<>(List.of(new Point(freeLs * LITRE, 0)));
        for (Facet.MovesAir.Point p : given) {
            double pa = p.pa() * stretchedPa;
            if (pa > points.getLast().pa && pa < shutOffPa) {
                points.add(new Point(Math.clamp(p.ls() * stretchedLs * LITRE, 0, points.getLast().flowM3s), pa));
            }
        }
        points.add(new Point(0, shutOffPa));
        return new FanCurve(List.copyOf(points));
    }

    /** The same with one of its two figures moved. */
    static FanCurve of(Facet.MovesAir fan, Input moved, double by) {
        double freeLs = fan.freeLs().value() + (moved.field().equals("freeLs") ? by : 0);
        double shutOffPa = fan.shutOffPa().value() + (moved.field().equals("shutOffPa") ? by : 0);
        return of(fan, freeLs, shutOffPa);
    }

    /** Fans beside one another give their flows at one pressure. */
    static FanCurve beside(List<FanCurve> fans) {
        if (fans.size() == 1) {
            return fans.getFirst();
        }
        return new FanCurve(fans.stream()
                .flatMap(f -> f.points.stream())
                .mapToDouble(Point::pa)
                .sorted()
                .distinct()
                .mapToObj(pa ->
                        new Point(fans.stream().mapToDouble(f -> f.flowM3s(pa)).sum(), pa))
                .toList());
    }

    /**
     * What it drives out through an opening that it sits tight at, m³/s: what it raises and the room's pressure are what the opening takes.
     *
     * @param roomPa pressure of the room over the surroundings
     */
    double through(AirNetwork.Orifice vent, double roomPa) {
        if (vent.areaM2() <= 0 || points.size() < 2) {
            return 0;
        }
        double square = vent.square();
        for (int i = 0; i < points.size(); i++) {
            Point here = points.get(i);
            if (here.pa + roomPa >= here.flowM3s * (square * here.flowM3s + vent.filter())) {
                Point low = points.get(Math.max(0, i - 1));
                Point high = points.get(Math.max(1, i));
                return line(low, high, square, vent.filter(), roomPa);
            }
        }
        return 0;
    }

    /** On a straight piece of the curve the flow is the root of a square. */
    private static double line(Point low, Point high, double square, double filter, double roomPa) {
        double falls = (low.flowM3s - high.flowM3s) / (high.pa - low.pa);
        if (falls <= 0) {
            return low.flowM3s;
        }
        double half = (filter + 1 / falls) / 2;
        double drives = roomPa + low.pa + low.flowM3s / falls;
        return drives / (half + Math.sqrt(half * half + square * drives));
    }

    double shutOffPa() {
        return points.getLast().pa;
    }

    /** Flow against a pressure, m³/s; helped by one it goes on as straight as it begins, and beyond shut-off it lets nothing back. */
    double flowM3s(double pa) {
        for (int i = 1; i < points.size(); i++) {
            Point high = points.get(i);
            if (pa < high.pa) {
                Point low = points.get(i - 1);
                return low.flowM3s + (high.flowM3s - low.flowM3s) * (pa - low.pa) / (high.pa - low.pa);
            }
        }
        return 0;
    }
}
