package boldsatchel.made;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Mesh;
import boldsatchel.geometry.Vec;
import java.util.List;

/**
 * A piece to be printed.
 *
 * @param name for people
 * @param mesh its surface as it lies on the bed, its low corner at the origin
 * @param origin where the origin of its tray's frame lies in it
 * @param notes what has to be known when it is printed or put together
 */
public record Printed(String name, Mesh mesh, Vec origin, List<String> notes) {

    /** Copies the list. */
    public Printed {
        notes = List.copyOf(notes);
    }

    /** A piece from its surface in the frame of its tray. */
    static Printed of(String name, Mesh inTray, List<String> notes) {
        Box bounds = inTray.bounds();
        Vec by = bounds.lowCorner().times(-1);
        return new Printed(name, inTray.moved(by), by, notes);
    }

    /** Whether its surface is closed, so that a slicer knows what is inside. */
    public boolean isSound() {
        return mesh.isClosed();
    }

    /** The same made so many times as large, for a printer whose pieces come out too small. */
    Printed scaled(double times) {
        return new Printed(name, mesh.scaled(times), origin.times(times), notes);
    }
}
