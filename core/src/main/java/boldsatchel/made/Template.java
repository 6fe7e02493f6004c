package boldsatchel.made;

import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * What is drilled and cut in one wall of a box that was found, as it is seen from outside: floor and cover with the back at the top.
 *
 * @param name for people
 * @param wideMm of the wall outside
 * @param highMm of the wall outside
 * @param holes in it, from its lower left corner
 */
public record Template(String name, double wideMm, double highMm, List<Panel.Hole> holes) {

    /** Copies the list. */
    public Template {
        holes = List.copyOf(holes);
    }

    /** One for each wall that has any holes. */
    static List<Template> of(Shell shell, List<Cutout> holes) {
        Map<Face, List<Panel.Hole>> walls = new EnumMap<>(Face.class);
        for (Cutout hole : holes) {
            walls.computeIfAbsent(hole.wall(), f -> new ArrayList<>()).add(seen(shell, hole));
        }
        List<Template> all = new ArrayList<>();
        walls.forEach((wall, in) -> all.add(new Template(
                shell.name() + ", " + wall.words(),
                shell.outside().size(Opening.across(wall)),
                shell.outside().size(Opening.up(wall)),
                in)));
        return all;
    }

    /** A hole as it is seen from outside; who looks at the left, the back or the floor has the other end of it to the right. */
    private static Panel.Hole seen(Shell shell, Cutout hole) {
        double low = shell.outside().low(Opening.across(hole.wall()));
        double wide = shell.outside().size(Opening.across(hole.wall()));
        double across = hole.middle().across() - low;
        boolean mirrored = hole.wall() == Face.LEFT || hole.wall() == Face.BACK || hole.wall() == Face.BOTTOM;
        double up = hole.middle().up() - shell.outside().low(Opening.up(hole.wall()));
        return new Panel.Hole(
                hole.name(),
                new Flat(mirrored ? wide - across : across, up),
                hole.wideMm(),
                hole.highMm(),
                hole.round());
    }
}
