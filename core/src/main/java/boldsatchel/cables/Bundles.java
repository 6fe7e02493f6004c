package boldsatchel.cables;

import boldsatchel.cables.CablesResult.Bundle;
import boldsatchel.geometry.Vec;
import java.util.ArrayList;
import java.util.List;

/** Finds legs that run together: side by side, in one direction, for a while. */
final class Bundles {

    /** Middles this near one another are one bundle, mm. */
    private static final double ASIDE_MM = 1;
    /** What runs together for less is a crossing, mm. */
    private static final double LEAST_MM = 10;

    private static final double PARALLEL = 0.999;

    /** A leg of a way, with the others that run beside it. */
    private record Leg(Way way, int number, Vec from, Vec along, double mm, List<Way> beside) {
        String shell() {
            return way.knots().get(number).shell();
        }

        boolean isOf(Way other) {
            return way.lead().id().equals(other.lead().id());
        }

        boolean runsWith(Leg other) {
            if (isOf(other.way) || Math.abs(along.dot(other.along)) < PARALLEL || !shell().equals(other.shell())) {
                return false;
            }
            Vec off = other.from.minus(from);
            double low = off.dot(along);
            double high = low + other.mm * other.along.dot(along);
            return off.minus(along.times(low)).length() < ASIDE_MM
                    && Math.min(Math.max(low, high), mm) - Math.max(Math.min(low, high), 0) > LEAST_MM;
        }

        void with(Way other) {
            if (!beside.contains(other)) {
                beside.add(other);
            }
        }

        Bundle bundle() {
            List<Girth> together = new ArrayList<>(List.of(way.lead().girth()));
            beside.forEach(w -> together.add(w.lead().girth()));
            return new Bundle(number, beside.stream().map(w -> w.lead().id()).toList(), Girth.bundleMm(together));
        }
    }

    private Bundles() {}

    /** The bundles that the legs of each way are part of, in the order of the ways. */
    static List<List<Bundle>> of(List<Way> ways) {
        List<Leg> legs = new ArrayList<>();
        for (Way way : ways) {
            for (int i = 0; i < way.legs(); i++) {
                if (way.isInside(i) && !way.isPlug(i)) {
                    legs.add(new Leg(
                            way, i, way.knots().get(i).at(), way.direction(i), way.legMm(i), new ArrayList<>(0)));
                }
            }
        }
        for (int i = 0; i < legs.size(); i++) {
            for (int k = i + 1; k < legs.size(); k++) {
                if (legs.get(i).runsWith(legs.get(k))) {
                    legs.get(i).with(legs.get(k).way);
                    legs.get(k).with(legs.get(i).way);
                }
            }
        }
        List<List<Bundle>> bundles = new ArrayList<>();
        for (Way way : ways) {
            List<Bundle> of = new ArrayList<>(0);
            for (Leg leg : legs) {
                if (leg.isOf(way) && !leg.beside.isEmpty()) {
                    of.add(leg.bundle());
                }
            }
            bundles.add(of);
        }
        return bundles;
    }
}
