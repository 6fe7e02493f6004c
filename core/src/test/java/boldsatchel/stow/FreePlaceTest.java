package boldsatchel.stow;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.part;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Picks;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** A place for one more part: with its sockets at their walls, where it can be used, and not in the way of what is used. */
public final class FreePlaceTest {

    private static Shell tray(double wide, double deep, double high) {
        return Samples.tray("tray", wide, deep, high, exact(2), Material.PLASTIC, true);
    }

    private static Build in(Shell tray, Part... parts) {
        Build build = Build.empty("tray").with(Casing.of(List.of(tray), Figure.guess(0)));
        for (Part part : parts) {
            build = build.with(part);
        }
        return build;
    }

    private static Optional<Placement> place(Build build, Part part) {
        Shell tray = build.shell("tray").orElseThrow();
        return new FreePlace(build, tray, 1).of(part);
    }

    /** A board with a socket at either end is near both walls where it can be, never beyond one, and beside them where there is too much room. */
    @Test
    public void socketsAtBothEndsAreAtTheirWallsOrNowhere() {
        Part board = Picks.shelf().part("laptop-main-13").orElseThrow();
        double wide = board.body().bounds().dx();
        for (double room : new double[] {wide - 4, wide, wide + 4, wide + 6, wide + 40}) {
            Shell tray = tray(room, 120, 30);
            Optional<Placement> at = place(in(tray, board), board);
            assertThat(at.isPresent()).as("in " + room).isEqualTo(room >= wide);
            at.ifPresent(p -> {
                Box body = Placed.of(board, p, tray).bounds();
                assertThat(body.x()).isNotNegative();
                assertThat(body.high(0)).isLessThanOrEqualTo(room);
                assertThat(FreePlace.reaches(board, p, tray)).isEqualTo(room <= wide + 6);
            });
        }
    }

    @Test
    public void keysAreNotTurnedAndNothingLiesOnThem() {
        Part keys = part("keys", Family.KEYBOARD, 90, 40, 6, 50);
        Part box = block("box", 90, 40, 6);
        assertThat(place(in(tray(45, 95, 30), keys), keys)).isEmpty();
        assertThat(place(in(tray(45, 95, 30), box), box)).isPresent();
        Shell tray = tray(95, 60, 30);
        Build build = in(tray, keys, box);
        Build typed = build.with(place(build, keys).orElseThrow());
        assertThat(place(typed, box)).isEmpty();
        Build boxed = build.with(place(build, box).orElseThrow());
        assertThat(place(boxed, keys).orElseThrow().at()).isEqualTo(new Vec(0, 0, 7));
    }
}
