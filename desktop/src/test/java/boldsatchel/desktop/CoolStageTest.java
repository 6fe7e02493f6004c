package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.edit.Edits;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Verdict;
import java.util.List;
import javafx.geometry.Bounds;
import javafx.geometry.Point2D;
import javafx.scene.Node;
import javafx.scene.input.KeyCode;
import org.testng.annotations.Test;

/** Heat is looked at, followed through time and fought, by mouse and keys. */
public class CoolStageTest extends WindowHarness {

    private double margin() {
        return evaluation().verdict(Verdict.Kind.KEEPS_COOL).value();
    }

    private Box slab() {
        return build().shell("slab").orElseThrow().cavity();
    }

    private Point2D middle(String of) {
        Node node = robot.lookup(of).query();
        Bounds b = onFx(() -> node.localToScreen(node.getBoundsInLocal()));
        return new Point2D(b.getCenterX(), b.getCenterY());
    }

    /** Pulls a tool onto a point of the plan. */
    private void pull(String tool, double x, double y) {
        drag(middle(tool), onScreen("#plan", x, y));
    }

    @Test
    public void ventsAndAFanArePulledInAndVerdictsMoveAndUndoTakesThemOut() throws Exception {
        show("cave-survey");
        open("cool");
        Build before = build();
        double sealed = margin();
        pull("#put-vent", slab().dx() / 2, slab().dy() - 2);
        assertThat(build().shell("slab").orElseThrow().vents()).hasSize(1);
        assertThat(text("#undo")).startsWith("Undo: cut a vent into Slab");
        pull("#put-vent", slab().dx() / 2, 2);
        assertThat(build().shell("slab").orElseThrow().vents()).hasSize(2);
        double vented = margin();
        assertThat(vented).isGreaterThan(sealed + 1);
        pull("#put-fan", slab().dx() * 0.7, slab().dy() - 4);
        assertThat(build().parts().list())
                .filteredOn(p -> p.facet(Facet.MovesAir.class).isPresent())
                .hasSize(1);
        assertThat(margin()).isGreaterThan(vented + 5);
        press("#undo");
        assertThat(margin()).isEqualTo(vented);
        press("#undo");
        press("#undo");
        assertThat(build()).isEqualTo(before);
    }

    /** What leaves the laptop by the vent before its blower, L/s. */
    private double beforeBlowerLs() {
        List<Face> walls = build().shell("base").orElseThrow().vents().stream()
                .map(Vent::wall)
                .toList();
        return evaluation()
                .of(HeatResult.class)
                .shell("base")
                .orElseThrow()
                .outLs()
                .get(walls.indexOf(Face.RIGHT));
    }

    /** The laptop's blower draws in where it blew out, and other openings let the air out. */
    @Test
    public void aFanIsLetBlowTheOtherWay() throws Exception {
        show("orchard-ledger");
        open("cool");
        double out = beforeBlowerLs();
        assertThat(out).isPositive();
        select("blower");
        command("fan blow the other way");
        assertThat(text("#undo")).startsWith("Undo: change the way it blows");
        assertThat(beforeBlowerLs()).isNegative();
        press("#undo");
        assertThat(beforeBlowerLs()).isEqualTo(out);
    }

    /** What leads heat to a wall is changed and taken out in the details of its part. */
    @Test
    public void aHeatPipeIsChangedAndTakenOut() throws Exception {
        show("cave-survey");
        open("cool");
        Build before = build();
        select("board");
        pull("#put-pipe", slab().dx() - 3, slab().dy() / 2);
        double piped = boardC();
        write("#way-0-mostW", "40 W");
        write("#way-0-ohmsKW", "20 K/W");
        assertThat(build().cooling().heatPaths()).singleElement().satisfies(way -> {
            assertThat(way.mostW()).contains(40.0);
            assertThat(way.ohmsKW().value()).isEqualTo(20);
        });
        double less = boardC();
        assertThat(less).isGreaterThan(piped + 2);
        press("#remove-way-0");
        assertThat(build().cooling()).isEqualTo(before.cooling());
        assertThat(boardC()).isGreaterThan(less + 2);
    }

    /** A heat pipe pulled onto fins leads there; it is changed and taken out like one to a wall, and laid without a mouse. */
    @Test
    public void aHeatPipeIsPulledOntoFins() throws Exception {
        show("cave-survey");
        open("cool");
        Part fins = Library.shipped().part("fins-40").orElseThrow();
        onFx(() -> {
            session().does(Edits.addPart(fins));
            Shell slab = build().shell("slab").orElseThrow();
            session().does(Edits.place(fins, slab));
            session().does(Edits.move(fins, new Vec(185, 60, slab.cavity().dz() - 9)));
            return null;
        });
        settle();
        double alone = boardC();
        select("board");
        pull("#put-pipe", 204, 77);
        assertThat(build().cooling().heatPaths()).isEmpty();
        assertThat(build().cooling().bridges()).singleElement().satisfies(pipe -> {
            assertThat(pipe.part()).isEqualTo("board");
            assertThat(pipe.to()).isEqualTo("fins-40");
        });
        assertThat(boardC()).isLessThan(alone - 1);
        write("#bridge-0-mostW", "12 W");
        assertThat(build().cooling().bridges())
                .first()
                .satisfies(pipe -> assertThat(pipe.mostW()).contains(12.0));
        press("#remove-bridge-0");
        assertThat(build().cooling().bridges()).isEmpty();
        assertThat(boardC()).isEqualTo(alone);
        command("lead the heat of the selected part to fins");
        assertThat(build().cooling().bridges()).hasSize(1);
    }

    private double boardC() {
        return evaluation().of(HeatResult.class).part("board").orElseThrow().celsius();
    }

    /** What is let go of where nothing can be put leaves no trace. */
    @Test
    public void aToolLetGoOfBesideThePictureChangesNothing() throws Exception {
        show("cave-survey");
        open("cool");
        Build before = build();
        Bounds facts = onFx(() -> {
            Node node = robot.lookup("#heat-facts").query();
            return node.localToScreen(node.getBoundsInLocal());
        });
        Bounds vent = onFx(() -> {
            Node node = robot.lookup("#put-vent").query();
            return node.localToScreen(node.getBoundsInLocal());
        });
        drag(new Point2D(vent.getCenterX(), vent.getCenterY()), new Point2D(facts.getCenterX(), facts.getCenterY()));
        settle();
        assertThat(build()).isEqualTo(before);
        assertThat(robot.lookup("#undo").query().isDisabled()).isTrue();
    }

    @Test
    public void aMomentIsPickedByKeysAndByWhatHappens() throws Exception {
        show("cave-survey");
        open("cool");
        settle();
        assertThat(text("#heat-shown-at")).isEqualTo("shown at its warmest");
        focus("#heat-over-time");
        for (int i = 0; i < 20; i++) {
            robot.push(KeyCode.RIGHT);
        }
        settle();
        assertThat(text("#heat-shown-at")).contains("after the start");
        String picked = text("#heat-shown-at");
        press("#heat-event-3");
        settle();
        assertThat(text("#heat-shown-at")).contains("after the start").isNotEqualTo(picked);
        focus("#heat-over-time");
        robot.push(KeyCode.ESCAPE);
        settle();
        assertThat(text("#heat-shown-at")).isEqualTo("shown at its warmest");
        assertThat(text("#heat-facts")).contains("for ever");
    }

    @Test
    public void theFirstHelpIsTriedTakenAndUndone() throws Exception {
        show("cave-survey");
        open("cool");
        Build before = build();
        double least = margin();
        press("#tab-what-would-help");
        settle();
        press("#try-help-0");
        settle();
        assertThat(build()).isEqualTo(before);
        press("#take");
        settle();
        assertThat(margin()).isGreaterThan(least + 10);
        press("#undo");
        assertThat(build()).isEqualTo(before);

        press("#tab-sealed-or-open");
        settle();
        press("#try-open");
        settle();
        press("#leave");
        assertThat(build()).isEqualTo(before);
        press("#tab-way-of-the-heat");
        settle();
        assertThat(robot.lookup("#heat-ways").query().isVisible()).isTrue();
    }
}
