package boldsatchel.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.drawing.Mark.Point;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Names of parts on their pictures: each there, none on another, and what is drawn on parts on those parts. */
public class NamesTest {

    private static final double LETTER = 4;

    private static List<Point> rectangle(double x, double y, double w, double h) {
        return List.of(new Point(x, y), new Point(x + w, y), new Point(x + w, y + h), new Point(x, y + h));
    }

    private static Names.Name name(String subject, String text) {
        return new Names.Name(subject, text, false, Ink.PAPER);
    }

    private static List<Mark.Text> texts(List<Mark> marks) {
        return marks.stream()
                .filter(Mark.Text.class::isInstance)
                .map(Mark.Text.class::cast)
                .toList();
    }

    @Test
    public void whatIsPaintedLastIsOnTop() {
        Names names = new Names(200, 100);
        names.paint("under", rectangle(10, 10, 100, 60));
        names.paint("over", rectangle(50, 20, 100, 60));
        assertThat(names.at(20, 15)).isEqualTo("under");
        assertThat(names.at(80, 40)).isEqualTo("over");
        assertThat(names.at(140, 70)).isEqualTo("over");
        assertThat(names.at(180, 90)).isEmpty();
        assertThat(names.at(-5, 500)).isEmpty();
    }

    /** A name that has room stands on its thing, where that is seen; one that has not stands aside with a line to it. */
    @Test
    public void aNameStandsOnItsThingOrAside() {
        Names names = new Names(200, 100);
        names.paint("wide", rectangle(50, 10, 100, 30));
        names.paint("small", rectangle(90, 70, 6, 6));
        List<Mark> marks = new ArrayList<>();
        names.write(marks, List.of(name("wide", "Battery"), name("small", "Converter")), LETTER, 40, 160, false);
        Mark.Text wide = texts(marks).stream()
                .filter(t -> t.subject().equals("wide"))
                .findFirst()
                .orElseThrow();
        assertThat(wide.at().x()).isBetween(50.0, 150.0);
        assertThat(wide.at().y()).isBetween(10.0, 40.0);
        Mark.Text small = texts(marks).stream()
                .filter(t -> t.subject().equals("small"))
                .findFirst()
                .orElseThrow();
        assertThat(small.at().x()).isLessThan(40);
        assertThat(marks)
                .filteredOn(m -> m instanceof Mark.Line && m.subject().equals("small"))
                .singleElement()
                .satisfies(m -> {
                    Point end = ((Mark.Line) m).points().getLast();
                    assertThat(end.x()).isBetween(90.0, 96.0);
                    assertThat(end.y()).isBetween(70.0, 76.0);
                });
    }

    /** What is covered altogether has no name: a line to it would end on something else. */
    @Test
    public void whatIsNotSeenIsNotNamed() {
        Names names = new Names(200, 100);
        names.paint("hidden", rectangle(60, 20, 20, 20));
        names.paint("lid", rectangle(50, 10, 100, 60));
        List<Mark> marks = new ArrayList<>();
        names.write(
                marks,
                List.of(name("hidden", "Drive"), name("lid", "Lid"), name("nobody", "Nobody")),
                LETTER,
                40,
                160,
                false);
        assertThat(texts(marks)).extracting(Mark.Text::text).containsExactly("Lid");
    }

    /** Of five on the left three have room for two lines and two for one, of four on the right three for all three lines and one for two. */
    @Test
    public void aLongNameIsBrokenAndAFullColumnHasAsManyLinesAsThereIsRoomFor() {
        Names names = new Names(200, 60);
        List<Names.Name> all = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            names.paint("p" + i, rectangle(60 + i, 4 + 6 * i, 3, 3));
            all.add(name("p" + i, "Laptop keyboard, 13-inch class"));
        }
        List<Mark> marks = new ArrayList<>();
        names.write(marks, all, LETTER, 37, 163, true);
        assertThat(texts(marks)).hasSize(3 * 2 + 2 + 3 * 3 + 2).allSatisfy(t -> {
            assertThat(t.text()).hasSizeLessThanOrEqualTo(14);
            assertThat(t.at().y()).isLessThanOrEqualTo(60);
        });
        List<Mark> few = new ArrayList<>();
        names.write(few, all.subList(4, 5), LETTER, 37, 163, true);
        assertThat(texts(few).stream().map(Mark.Text::text).collect(Collectors.joining(" ")))
                .isEqualTo("Laptop keyboard, 13-inch class");
    }

    /** Where a column is wide its lines are long, and none of a name is much shorter than the others. */
    @Test
    public void aWideColumnTakesFewerLinesOfOneLength() {
        Names names = new Names(400, 120);
        names.paint("p", rectangle(150, 50, 3, 3));
        List<Mark> marks = new ArrayList<>();
        names.write(marks, List.of(name("p", "4S protection and balancing board")), LETTER, 110, 290, true);
        assertThat(texts(marks)).extracting(Mark.Text::text).containsExactly("4S protection and", "balancing board");
    }

    /** In a narrow room all names stand at the right, and what is drawn is larger for it; in a wide one they stand at both sides. */
    @Test
    public void inANarrowRoomNamesStandAtOneSide() {
        Build build = Library.demo("orchard-ledger").orElseThrow();
        String tray = build.casing().standing().orElseThrow().id();
        PackDrawings.Picture plan =
                PackDrawings.of(Evaluator.evaluate(build), new PackDrawings.Look(PackView.PLAN, tray, Posture.CLOSED));
        Room wide = Room.window(900, 400);
        assertThat(plan.roomier(wide)).isEqualTo(wide);
        Room narrow = Room.window(430, 400);
        Room one = plan.roomier(narrow);
        assertThat(plan.scale(one)).isGreaterThan(1.2 * plan.scale(narrow));
        assertThat(beside(plan.in(narrow), plan.scale(narrow), 430)).contains(Mark.Align.RIGHT);
        assertThat(beside(plan.in(one), plan.scale(one), 430)).containsOnly(Mark.Align.LEFT);
    }

    /** How names beside what is drawn are aligned: towards it. None leaves the sheet. */
    private static Set<Mark.Align> beside(Drawing drawing, double scale, double width) {
        assertThat(drawing.widthMm() * scale).isCloseTo(width, within(1e-6));
        List<Mark.Text> names = texts(drawing.marks()).stream()
                .filter(t -> !t.subject().isEmpty() && t.align() != Mark.Align.CENTRE)
                .toList();
        assertThat(names).allSatisfy(t -> {
            double wide = t.text().length() * t.sizeMm() * Sketch.LETTER_WIDTH;
            double left = t.align() == Mark.Align.LEFT ? t.at().x() : t.at().x() - wide;
            assertThat(left).isGreaterThan(-1);
            assertThat(left + wide).isLessThan(drawing.widthMm() + 1);
        });
        return names.stream().map(Mark.Text::align).collect(Collectors.toSet());
    }

    @DataProvider
    Object[][] views() {
        List<Object[]> all = new ArrayList<>();
        for (String demo : Library.DEMOS) {
            for (PackView view : PackView.values()) {
                all.add(new Object[] {demo, view});
            }
        }
        return all.toArray(Object[][]::new);
    }

    /** In a window of a usual size no name lies on another, and no two lines to names on one side cross. */
    @Test(dataProvider = "views")
    public void noNameLiesOnAnother(String demo, PackView view) {
        Build build = Library.demo(demo).orElseThrow();
        Evaluation evaluation = Evaluator.evaluate(build);
        Drawing drawing = PackDrawings.of(
                        evaluation,
                        new PackDrawings.Look(
                                view, build.casing().standing().orElseThrow().id(), Posture.CLOSED))
                .in(Room.window(780, 420));
        Set<String> parts = build.parts().list().stream().map(Part::id).collect(Collectors.toCollection(TreeSet::new));
        List<Box> taken = new ArrayList<>();
        for (Mark.Text t : texts(drawing.marks())) {
            if (!parts.contains(t.subject()) || t.ink() != Ink.INK) {
                continue;
            }
            double wide = t.text().length() * t.sizeMm() * Sketch.LETTER_WIDTH * 0.85;
            double x = switch (t.align()) {
                case LEFT -> t.at().x();
                case CENTRE -> t.at().x() - wide / 2;
                case RIGHT -> t.at().x() - wide;
            };
            Box box = new Box(x, t.at().y() - t.sizeMm() * 0.7, 0, wide, t.sizeMm() * 0.7, 1);
            assertThat(taken).as(t.text()).allMatch(b -> b.gapAlong(0, box) > 0 || b.gapAlong(1, box) > 0);
            taken.add(box);
        }
        assertThat(taken).isNotEmpty();
    }

    /** What is drawn on a part stays on the part: nothing sticks out over its sides. */
    @Test
    public void whatIsDrawnOnAPartIsOnIt() {
        int drawn = 0;
        for (Part part : Library.shipped().parts()) {
            Box bounds = part.body().bounds();
            for (Decals.Decal decal : Decals.of(part)) {
                drawn++;
                if (decal.face() == Face.TOP
                        && part.body().ports().isEmpty()
                        && part.body().holes().isEmpty()) {
                    for (Vec point : decal.points()) {
                        assertThat(point.x()).as(part.name()).isBetween(-0.6, bounds.dx() + 0.6);
                        assertThat(point.y()).as(part.name()).isBetween(-0.6, bounds.dy() + 0.6);
                        assertThat(point.z()).isCloseTo(bounds.dz(), within(1e-9));
                    }
                }
            }
        }
        assertThat(drawn).isGreaterThan(500);
    }
}
