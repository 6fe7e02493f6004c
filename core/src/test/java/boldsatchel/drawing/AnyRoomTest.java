package boldsatchel.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.RandomBuilds;
import boldsatchel.assembly.ThrownTogether;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.machine.Build;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Whatever is packed can be drawn wherever it is to be drawn. */
public class AnyRoomTest {

    private static final List<Room> ROOMS = List.of(
            Room.window(0, 0),
            Room.window(240, 240),
            Room.window(430, 390),
            Room.window(780, 340),
            Room.window(3000, 150),
            Room.window(150, 3000),
            Room.page(180, 235),
            Room.page(40, 40));

    @DataProvider
    Object[][] seeds() {
        return IntStream.range(0, 20).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void demosAreDrawnInAnyRoom(String demo) {
        drawnInAnyRoom(Library.demo(demo).orElseThrow(), 1);
    }

    @Test(dataProvider = "seeds")
    public void whatIsThrownTogetherIsDrawnInAnyRoom(int seed) {
        drawnInAnyRoom(RandomBuilds.of(seed), seed);
        drawnInAnyRoom(ThrownTogether.tray(seed), seed);
        drawnInAnyRoom(ThrownTogether.lidded(seed), seed);
    }

    private static void drawnInAnyRoom(Build build, long seed) {
        Evaluation evaluation = Evaluator.evaluate(build);
        Random random = new Random(seed);
        List<String> placed =
                build.layout().placements().stream().map(Placement::part).toList();
        for (PackView view : PackView.values()) {
            for (Shell shell : build.casing().shells()) {
                List<Posture> postures = new ArrayList<>(build.casing().postures());
                postures.add(Posture.CLOSED);
                for (Posture posture : postures) {
                    PackDrawings.Look look = new PackDrawings.Look(view, shell.id(), posture);
                    Set<String> without =
                            placed.stream().filter(p -> random.nextInt(4) == 0).collect(Collectors.toSet());
                    PackDrawings.Picture picture =
                            PackDrawings.of(evaluation, random.nextBoolean() ? look : look.without(without));
                    for (Room room : ROOMS) {
                        for (Room as : List.of(room, room.withOneSide(), picture.roomier(room), room.atMost(0.3))) {
                            drawn(picture, as);
                        }
                    }
                }
            }
        }
    }

    private static void drawn(PackDrawings.Picture picture, Room room) {
        Drawing drawing = picture.in(room);
        double scale = picture.scale(room);
        assertThat(scale).isPositive();
        assertThat(drawing.widthMm()).isPositive().isFinite();
        assertThat(drawing.heightMm()).isPositive().isFinite();
        if (room.filled()) {
            assertThat(drawing.widthMm() * scale).isGreaterThan(room.width() - 1e-6);
            assertThat(drawing.heightMm() * scale).isGreaterThan(room.height() - 1e-6);
        }
        double letter = room.letter() / scale;
        for (Mark mark : drawing.marks()) {
            switch (mark) {
                case Mark.Line line -> line.points().forEach(p -> finite(p));
                case Mark.Fill fill -> fill.points().forEach(p -> finite(p));
                case Mark.Text text -> {
                    finite(text.at());
                    assertThat(text.at().x()).isBetween(-letter, drawing.widthMm() + letter);
                    assertThat(text.text()).isNotBlank();
                    assertThat(text.sizeMm()).isBetween(letter * 0.5, letter * 1.5);
                }
            }
        }
    }

    private static void finite(Point p) {
        assertThat(Double.isFinite(p.x()) && Double.isFinite(p.y())).isTrue();
    }
}
