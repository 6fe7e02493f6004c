package boldsatchel.sheet;

import boldsatchel.fit.Change;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;

/** What lies otherwise than in another version, in words. */
public final class ChangesSheet {

    private ChangesSheet() {}

    /**
     * One part that lies otherwise.
     *
     * @param part its id
     * @param name of it
     * @param how it lies otherwise
     */
    public record Row(String part, String name, String how) {}

    /** All that lies otherwise, in the order of the parts now; what is gone comes last. */
    public static List<Row> of(Build before, Build now) {
        return Change.between(before, now).stream()
                .map(c -> new Row(c.part(), c.name(), how(c)))
                .toList();
    }

    private static String how(Change change) {
        List<String> told = new ArrayList<>();
        if (change.before().isEmpty()) {
            told.add("is new here");
        } else if (change.now().isEmpty()) {
            told.add("is not packed any more");
        } else if (change.by().isEmpty()) {
            told.add("lies in another tray");
        } else if (change.isMoved()) {
            Vec by = change.by().get();
            told.add("moved by " + Units.format(by.length(), 1, "mm") + " (x " + signed(by.x()) + ", y "
                    + signed(by.y()) + ", z " + signed(by.z()) + ")");
        }
        if (change.isTurned()) {
            told.add("turned");
        }
        if (change.isReshaped()) {
            told.add("has another shape");
        }
        return told.isEmpty() ? "differs" : String.join("; ", told);
    }

    private static String signed(double mm) {
        return (mm > 0 ? "+" : "") + Units.format(mm, 1, "");
    }
}
