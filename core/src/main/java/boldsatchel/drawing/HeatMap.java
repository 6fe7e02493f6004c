package boldsatchel.drawing;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.heat.HeatPlace;
import boldsatchel.heat.HeatResult;
import boldsatchel.heat.HeatRun;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Temperatures that a picture is tinted by: each place at its hottest spot.
 *
 * @param celsius of each place, °C
 * @param beyondK how far each place is beyond what it may reach, K; places that are not are left out
 * @param outLs of each tray by its vents what goes out, L/s; negative where air comes in
 */
public record HeatMap(Map<HeatPlace, Double> celsius, Map<HeatPlace, Double> beyondK, Map<String, List<Double>> outLs) {

    /** Where each of the tints ends, °C; the last has no end. */
    static final List<Integer> ENDS = List.of(25, 35, 45, 60, 75, 90);

    /** Less air is not drawn. */
    private static final double LEAST_LS = 0.005;

    private static final List<Ink> INKS =
            List.of(Ink.HEAT_1, Ink.HEAT_2, Ink.HEAT_3, Ink.HEAT_4, Ink.HEAT_5, Ink.HEAT_6, Ink.HEAT_7);

    /** Copies the maps. */
    public HeatMap {
        celsius = Map.copyOf(celsius);
        beyondK = Map.copyOf(beyondK);
        outLs = Map.copyOf(outLs);
    }

    private static final class Gathered {
        private final Map<HeatPlace, Double> celsius = new HashMap<>();
        private final Map<HeatPlace, Double> beyondK = new HashMap<>();
        private final Map<String, List<Double>> outLs = new HashMap<>();

        void add(HeatPlace place, double at, double limitC) {
            celsius.merge(place, at, Math::max);
            if (at > limitC) {
                beyondK.merge(place, at - limitC, Math::max);
            }
        }

        HeatMap done() {
            return new HeatMap(celsius, beyondK, outLs);
        }
    }

    /** A use at its highest. */
    public static HeatMap of(HeatResult.Use use) {
        Gathered all = new Gathered();
        use.spots().forEach(s -> all.add(s.place(), s.celsius(), s.limitC()));
        for (HeatResult.ShellAir air : use.shells()) {
            all.add(HeatPlace.air(air.shell()), air.airC(), Double.POSITIVE_INFINITY);
            all.outLs.put(air.shell(), air.outLs());
        }
        return all.done();
    }

    /** A moment of a run. */
    public static HeatMap of(HeatRun run, HeatRun.Moment moment) {
        Gathered all = new Gathered();
        for (int i = 0; i < run.spots().size(); i++) {
            HeatRun.Spot spot = run.spots().get(i);
            all.add(spot.place(), moment.celsius().get(i), spot.limitC());
        }
        return all.done();
    }

    /** What goes out by a vent of a tray, L/s; nothing where that is not known, or next to nothing moves. */
    OptionalDouble outLs(Shell tray, int vent) {
        return outLs.getOrDefault(tray.id(), List.of()).stream()
                .skip(vent)
                .limit(1)
                .mapToDouble(Double::doubleValue)
                .filter(ls -> Math.abs(ls) >= LEAST_LS)
                .findFirst();
    }

    /** The tint of a temperature. */
    static Ink ink(double celsius) {
        int i = 0;
        while (i < ENDS.size() && celsius >= ENDS.get(i)) {
            i++;
        }
        return INKS.get(i);
    }

    /** The tint of each step of the scale. */
    static List<Ink> inks() {
        return INKS;
    }

    /** The tint of a place; nothing where its temperature is not known. */
    Optional<Ink> ink(HeatPlace place) {
        return Optional.ofNullable(celsius.get(place)).map(HeatMap::ink);
    }

    /** The tint of a thing of a scene: of a part, or of the wall that it is a piece of. */
    Optional<Ink> ink(Scene.Thing thing, Optional<Shell> tray) {
        return thing.part()
                .map(p -> ink(HeatPlace.part(p.id())))
                .orElseGet(() -> tray.flatMap(
                        t -> ink(HeatPlace.wall(t.id(), wall(t, thing.solid().bounds())))));
    }

    /** The wall that a piece of a tray is of: the one it is furthest out at. */
    private static Face wall(Shell tray, Box piece) {
        Box room = tray.cavity();
        Face wall = Face.BOTTOM;
        double furthest = Double.NEGATIVE_INFINITY;
        for (Face face : Face.ALL) {
            double out = face.sign() * (piece.centre().along(face.axis()) - room.end(face));
            if (out > furthest) {
                furthest = out;
                wall = face;
            }
        }
        return wall;
    }

    /** What is written of a place after its name; nothing where its temperature is not known. */
    String words(HeatPlace place) {
        Double at = celsius.get(place);
        if (at == null) {
            return "";
        }
        Double beyond = beyondK.get(place);
        return Units.format(at, 0, "°C") + (beyond == null ? "" : ", " + Units.format(beyond, 0, "K") + " too warm");
    }

    /** Walls and air of a tray in a line. */
    String line(Shell tray) {
        List<String> said = new ArrayList<>();
        Optional.ofNullable(celsius.get(HeatPlace.air(tray.id())))
                .ifPresent(air -> said.add("air " + Units.format(air, 0, "°C") + through(tray)));
        for (Face face : Face.ALL) {
            Optional.ofNullable(celsius.get(HeatPlace.wall(tray.id(), face)))
                    .ifPresent(at -> said.add(face.words() + " " + Units.format(at, 0, "°C")));
        }
        return String.join(" · ", said);
    }

    /** What goes through a tray; nothing where no air moves. */
    private String through(Shell tray) {
        double ls = 0;
        for (int i = 0; i < tray.vents().size(); i++) {
            ls += Math.max(0, outLs(tray, i).orElse(0));
        }
        return ls == 0 ? "" : ", " + Units.format(ls, ls < 1 ? 2 : 1, "L/s") + " through";
    }
}
