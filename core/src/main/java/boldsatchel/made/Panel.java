package boldsatchel.made;

import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import java.util.List;

/**
 * A flat piece that is cut from sheet, as it lies before anything is bent.
 *
 * @param name for people
 * @param material in words
 * @param thickMm of the sheet
 * @param outline corners in order, its low corner at nothing
 * @param holes in it
 * @param bends lines along the middle of what bends, each up by 90°
 * @param notes what has to be known when it is cut or put together
 */
public record Panel(
        String name,
        String material,
        double thickMm,
        List<Flat> outline,
        List<Hole> holes,
        List<Bend> bends,
        List<String> notes) {

    /** Copies the lists. */
    public Panel {
        outline = List.copyOf(outline);
        holes = List.copyOf(holes);
        bends = List.copyOf(bends);
        notes = List.copyOf(notes);
    }

    /**
     * A hole, or a cut-out.
     *
     * @param name for people
     * @param middle where
     * @param wideMm across
     * @param highMm up
     * @param round whether it is a circle; its sides are alike then
     */
    public record Hole(String name, Flat middle, double wideMm, double highMm, boolean round) {
        /** Its corners where it is no circle. */
        public List<Flat> corners() {
            return List.of(
                    middle.plus(-wideMm / 2, -highMm / 2),
                    middle.plus(wideMm / 2, -highMm / 2),
                    middle.plus(wideMm / 2, highMm / 2),
                    middle.plus(-wideMm / 2, highMm / 2));
        }

        /** What it takes, mm². */
        double areaMm2() {
            return wideMm * highMm * (round ? Math.PI / 4 : 1);
        }
    }

    /** A line along which it is bent up. */
    public record Bend(Flat from, Flat to) {}

    /** Across, mm. */
    public double wideMm() {
        return outline.stream().mapToDouble(Flat::across).max().orElse(0);
    }

    /** Up, mm. */
    public double highMm() {
        return outline.stream().mapToDouble(Flat::up).max().orElse(0);
    }

    /** What is left of it, mm². */
    public double areaMm2() {
        return Outlines.area(outline)
                - holes.stream().mapToDouble(Hole::areaMm2).sum();
    }
}
