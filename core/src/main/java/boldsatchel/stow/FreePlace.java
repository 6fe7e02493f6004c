package boldsatchel.stow;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.stow.Stowing.Order;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/** A place for one more part: low, then at the front, then at the left, clear of all that lies in the tray and of the rooms that must stay free. Not to be shared by threads. */
public final class FreePlace {

    /** A socket ends no further before its wall; what warms stands so far off walls, mm. */
    public static final double REACH_MM = 3;

    /** Usual standoffs, mm. */
    public static final double STANDOFF_MM = 5;

    private static final Order LOW_FRONT_LEFT = new Order(List.of(2, 1, 0), List.of(false, false, false));

    private final Build build;
    private final Shell shell;
    private final Stowing stowing;

    /**
     * Looks at a tray.
     *
     * @param gapMm to leave around what lies there
     */
    public FreePlace(Build build, Shell shell, double gapMm) {
        this.build = build;
        this.shell = shell;
        Box inside = shell.cavity();
        stowing = new Stowing(new double[] {inside.dx(), inside.dy(), inside.dz()}, gapMm, 0);
        Taken.of(build, shell).forEach(stowing::put);
    }

    /** The same tray where one more room is to stay free for a finger or a look. */
    public FreePlace keeping(Box room) {
        stowing.put(Room.of(Room.Kind.OPEN, room));
        return this;
    }

    /**
     * The place, as the part is drawn or turned in plan where it is not looked at or pressed, with its sockets for the outside at their walls where that can be; nothing when
     * there is none inside the walls. Beside what lies there, and only where there is no such place in between its solids.
     */
    public Optional<Placement> of(Part part) {
        Item item = Item.of(build, Bundle.loose(part, shell), List.of(shell));
        return of(item, Lying::boxed)
                .or(() -> of(item, way -> way))
                .or(() -> of(item, way -> way.boxed().anywhere()))
                .or(() -> of(item, Lying::anywhere));
    }

    private Optional<Placement> of(Item item, UnaryOperator<Lying> how) {
        double @Nullable [] best = null;
        Optional<Placement> place = Optional.empty();
        for (Lying way : item.ways().subList(0, item.spans().getFirst().flat())) {
            double[] at = stowing.first(how.apply(way), LOW_FRONT_LEFT, true);
            if (at != null && (best == null || LOW_FRONT_LEFT.isBefore(at, best))) {
                best = at;
                place = Optional.of(way.bundle.at(new Vec(at[0], at[1], at[2])).getFirst());
            }
        }
        return place;
    }

    /** Whether all sockets for the outside of a part reach their walls there. */
    public static boolean reaches(Part part, Placement at, Shell shell) {
        Box body = Placed.of(part, at, shell).bounds();
        return part.body().ports().stream()
                .filter(p -> p.use() == Port.Use.OUTSIDE)
                .map(p -> at.orientation().turn(p.face()))
                .allMatch(wall -> Math.abs(body.end(wall) - shell.cavity().end(wall)) <= REACH_MM);
    }

    /** What warms stands on standoffs: a wall it lies on gets as warm as itself. */
    public static boolean isWarm(Part part) {
        return part.facet(Facet.DrawsPower.class).isPresent()
                || part.facet(Facet.Converts.class).isPresent()
                || part.facet(Facet.Charges.class).isPresent();
    }
}
