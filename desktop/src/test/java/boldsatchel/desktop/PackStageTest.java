package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.drawing.Mark;
import boldsatchel.drawing.PackView;
import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Part;
import boldsatchel.machine.Peg;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import javafx.geometry.Point2D;
import javafx.geometry.VerticalDirection;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import org.testng.annotations.Test;

/** Looking at a case and working on it, in the real window. */
public class PackStageTest extends WindowHarness {

    private DrawingView view(String id) {
        return robot.lookup(id).query();
    }

    private Set<String> subjects(String id) {
        return view(id).drawing().marks().stream().map(Mark::subject).collect(Collectors.toSet());
    }

    @Test
    public void twoViewsAreChosenAndFollowThePosture() throws Exception {
        show("orchard-ledger");
        open("pack");
        choose("#view-second", PackView.SIDE);
        settle();
        double closed = view("#side").drawing().heightMm();
        choose("#posture", "in use");
        settle();
        assertThat(view("#side").drawing().title()).isEqualTo("Side section of Orchard ledger laptop");
        assertThat(view("#side").drawing().heightMm()).isGreaterThan(closed);
        assertThat(subjects("#side")).contains("panel", "keyboard", "battery");
        choose("#view-first", PackView.EXPLODED);
        settle();
        assertThat(subjects("#exploded")).contains("panel", "keyboard", "mainboard", "blower", "lid", "base");
        choose("#view-first", PackView.PLAN);
        choose("#view-second", PackView.FRONT);
        settle();
    }

    /** One below the other plan and front are in line: as wide, and at the same place; each next to the other is as large as it goes. */
    @Test
    public void whatIsDrawnBelowIsInLine() throws Exception {
        for (String demo : Library.DEMOS) {
            show(demo);
            open("pack");
            DrawingView plan = view("#plan");
            DrawingView front = view("#front");
            double scale = plan.scale();
            assertThat(front.scale()).as(demo).isCloseTo(scale, within(1e-3));
            double left = onScreen("#plan", 0, 0).getX();
            assertThat(onScreen("#front", 0, 0).getX()).as(demo).isCloseTo(left, within(2.0));
            assertThat(onScreen("#front", 0, 0).getY())
                    .isGreaterThan(onScreen("#plan", 0, 0).getY());
        }
    }

    /** What is lifted apart is high, and its parts keep most of the room from a section below it. */
    @Test
    public void whatIsLiftedApartAndASectionAreBothLarge() throws Exception {
        show("harbour-watch");
        open("pack");
        choose("#view-first", PackView.EXPLODED);
        settle();
        DrawingView apart = view("#exploded");
        assertThat(apart.getHeight()).isGreaterThan(view("#front").getHeight());
        assertThat(apart.getWidth()).isEqualTo(view("#front").getWidth());
        assertThat(apart.drawing().marks())
                .anyMatch(m -> m instanceof Mark.Text t && t.text().startsWith("8.8-inch"));
    }

    /** What stands at the front is gone when the cut is behind it, and back when it is drawn back. */
    @Test
    public void theWheelCutsDeeperAndCtrlComesNearer() throws Exception {
        show("cave-survey");
        open("pack");
        assertThat(subjects("#front")).contains("charger", "battery");
        robot.moveTo("#front");
        for (int i = 0; i < 12; i++) {
            robot.scroll(VerticalDirection.UP);
        }
        settle();
        Set<String> cut = subjects("#front");
        for (int i = 0; i < 24; i++) {
            robot.scroll(VerticalDirection.DOWN);
        }
        settle();
        Set<String> back = subjects("#front");
        assertThat(Set.of(cut.contains("charger"), back.contains("charger"))).containsExactlyInAnyOrder(true, false);
        focus("#front");
        robot.type(KeyCode.COMMA, 40);
        settle();
        assertThat(subjects("#front")).contains("charger");
        double scale = view("#plan").scale();
        select("board");
        focus("#plan");
        robot.type(KeyCode.Z);
        settle();
        assertThat(view("#plan").scale()).isGreaterThan(scale * 1.2);
        robot.type(KeyCode.HOME);
        settle();
        assertThat(view("#plan").scale()).isCloseTo(scale, within(0.01));
    }

    @Test
    public void inTheSideSectionAPartIsDraggedToTheBackAndUp() throws Exception {
        show("harbour-watch");
        open("pack");
        choose("#view-second", PackView.SIDE);
        settle();
        Vec before = build().placement("ball").orElseThrow().at();
        Point2D from = onScreen("#side", before.y() + 20, before.z() + 10);
        Point2D to = onScreen("#side", before.y() + 30, before.z() + 10);
        drag(from, to);
        Vec after = build().placement("ball").orElseThrow().at();
        assertThat(after.y()).isCloseTo(before.y() + 10, within(2.0));
        assertThat(after.x()).isEqualTo(before.x());
        choose("#view-second", PackView.FRONT);
        settle();
    }

    /** All but two parts of a handheld lie on the table; one click finds places for all, one undo takes them out again. */
    @Test
    public void allThatLiesOnTheTableIsPlaced() throws Exception {
        Build demo = Library.demo("cave-survey").orElseThrow();
        Build empty = demo;
        for (Placement lies : demo.layout().placements().subList(2, 12)) {
            empty = empty.with(empty.layout().without(lies.part()));
        }
        show(empty);
        open("pack");
        assertThat(build().loose()).hasSize(10);
        fire("#place", "All for which there are places");
        assertThat(build().loose()).isEmpty();
        assertThat(codes()).doesNotContain("fit.clash", "fit.outside", "fit.port-short");
        assertThat(robot.lookup("#place-cancel").query().getParent().isVisible())
                .isFalse();
        press("#undo");
        assertThat(build().loose()).hasSize(10);
    }

    /** A second tray becomes a drawer; opened, it is told that it meets the wall before it; taken off, it is no longer. */
    @Test
    public void aDrawerIsJoinedOpenedAndTakenOff() throws Exception {
        show("cave-survey");
        open("pack");
        press("#case-figures");
        press("#tray-add");
        select("tray-2");
        fire("#tray-join", "Slide it out as a drawer");
        assertThat(build().casing().joints()).hasSize(1);
        choose("#posture", "open");
        settle();
        assertThat(codes()).contains("fit.sweep");
        focus("#joint-drawer");
        robot.type(KeyCode.HOME);
        settle();
        assertThat(build().casing().postures().getLast().settings().getFirst().amount())
                .isZero();
        assertThat(codes()).doesNotContain("fit.sweep");
        select("tray-2");
        fire("#tray-join", "Take it off");
        assertThat(build().casing().joints()).isEmpty();
    }

    private List<String> told() {
        return robot.lookup(".finding-message").queryAllAs(Label.class).stream()
                .map(Label::getText)
                .toList();
    }

    /** What comes out downwards comes to the table: told where the joint is pulled, gone when it is pushed back. */
    @Test
    public void aDrawerThatComesToTheTablesEdgeIsTold() throws Exception {
        Build demo = Library.demo("cave-survey").orElseThrow();
        Build two = CaseEdits.another(demo.shell("slab").orElseThrow()).change().apply(demo);
        Edit join = CaseEdits.drawer(two, two.shell("tray-2").orElseThrow()).orElseThrow();
        Build drawer = join.change().apply(two);
        Joint slide = drawer.casing().joint("drawer").orElseThrow();
        Joint down = slide.with(new Joint.Sliding(new Vec(0, -1, -0.2), 100, Figure.guess(3)));
        show(drawer.with(drawer.casing().withJoint(down)));
        open("pack");
        choose("#posture", "open");
        focus("#joint-drawer");
        robot.type(KeyCode.END);
        settle();
        assertThat(codes()).contains("fit.below-table");
        assertThat(told()).anyMatch(t -> t.contains("below the table") && t.contains("mm"));
        robot.type(KeyCode.HOME);
        settle();
        assertThat(codes()).doesNotContain("fit.below-table");
    }

    /** A flat cable is bent too tightly by a typed place, told, and mended by the first remedy; a bend is dragged, another put in and taken out. */
    @Test
    public void aFlatCableIsBentTooTightlyAndMended() throws Exception {
        show("cave-survey");
        open("pack");
        press("#cables");
        assertThat(words("#cables-pane")).anyMatch(w -> w.contains("200 mm long, its way 180 mm"));
        press("#cable-flat-hdmi-20");
        assertThat(codes()).noneMatch(c -> c.equals("cable.short"));
        long bent = codes().stream().filter("cable.bend"::equals).count();
        inSight("#bend-0-z");
        write("#bend-0-z", "15.5 mm");
        settle();
        assertThat(codes().stream().filter("cable.bend"::equals).count()).isEqualTo(bent + 1);
        assertThat(words("#cables-pane")).anyMatch(w -> w.contains("! bent to") && w.contains("bears 3.0 mm"));
        press("#lay-flat-hdmi-20");
        settle();
        assertThat(codes().stream().filter("cable.bend"::equals).count()).isEqualTo(bent);
        choose("#facet-Joins-ends", Facet.Joins.Ends.OPPOSITE);
        settle();
        assertThat(ends()).contains(Facet.Joins.Ends.OPPOSITE);
        choose("#facet-Joins-ends", "not said");
        settle();
        assertThat(ends()).as("what was said is taken back").isEmpty();
        int bends = build().layout().laid("flat-hdmi-20").orElseThrow().bends().size();
        press("#add-bend");
        assertThat(build().layout().laid("flat-hdmi-20").orElseThrow().bends()).hasSize(bends + 1);
        press("#bend-0-out");
        assertThat(build().layout().laid("flat-hdmi-20").orElseThrow().bends()).hasSize(bends);
    }

    private Optional<Facet.Joins.Ends> ends() {
        return build().part("flat-hdmi-20")
                .flatMap(p -> p.facet(Facet.Joins.class))
                .flatMap(Facet.Joins::ends);
    }

    /** All that is led is laid at once, beside the window; a bend is taken hold of in the plan, and what is laid is taken up. */
    @Test
    public void cablesAreLaidDraggedAndTakenUp() throws Exception {
        show("harbour-watch");
        open("pack");
        assertThat(codes()).contains("cable.unlaid");
        press("#cables");
        press("#lay-all");
        settle();
        assertThat(codes()).doesNotContain("cable.unlaid");
        press("#cable-usb-a-c-20-2");
        Laid before = build().layout().laid("usb-a-c-20-2").orElseThrow();
        Vec bend = before.bends().getFirst().at();
        Point2D from = onScreen("#plan", bend.x(), bend.y());
        drag(from, from.add(0, -20));
        Vec now = build().layout()
                .laid("usb-a-c-20-2")
                .orElseThrow()
                .bends()
                .getFirst()
                .at();
        assertThat(now.y()).isGreaterThan(bend.y() + 1);
        assertThat(now.x()).isCloseTo(bend.x(), within(1.0));
        press("#take-up-usb-a-c-20-2");
        assertThat(build().layout().laid("usb-a-c-20-2")).isEmpty();
    }

    /** The version that was opened is laid over: what moved, and by how much, follows every edit. */
    @Test
    public void anotherVersionIsLaidOver() throws Exception {
        show("cave-survey");
        open("pack");
        fire("#compare", "With how it was saved or opened");
        assertThat(words("#compare-pane")).contains("Everything lies as it lay.");
        select("charger");
        focus("#plan");
        robot.press(KeyCode.SHIFT).type(KeyCode.RIGHT).release(KeyCode.SHIFT);
        settle();
        assertThat(words("#compare-pane")).anyMatch(w -> w.startsWith("moved by 5.0 mm (x +5.0"));
        fire("#compare", "With nothing");
        assertThat(robot.lookup("#compare-pane").query().isVisible()).isFalse();
        fire("#compare", "With how it was saved or opened");
        assertThat(robot.lookup("#compare-pane").query().isVisible()).isTrue();
        show("harbour-watch");
        assertThat(robot.lookup("#compare-pane").query().isVisible())
                .as("what was compared is nothing to another build")
                .isFalse();
    }

    /** Keys do what the menu does: to the other side and back, locked in place, another of it, out of sight. */
    @Test
    public void aPartIsMirroredLockedCopiedAndHidden() throws Exception {
        show("cave-survey");
        open("pack");
        select("charger");
        focus("#plan");
        Vec before = build().placement("charger").orElseThrow().at();
        robot.type(KeyCode.M);
        settle();
        assertThat(build().placement("charger").orElseThrow().at().x()).isNotCloseTo(before.x(), within(1.0));
        robot.type(KeyCode.M, KeyCode.L);
        robot.type(KeyCode.RIGHT);
        settle();
        assertThat(build().placement("charger").orElseThrow().at()).isEqualTo(before);
        robot.type(KeyCode.L, KeyCode.D);
        settle();
        assertThat(build().part("charger-2")).isPresent();
        assertThat(subjects("#plan")).contains("charger");
        select("charger");
        focus("#plan");
        robot.type(KeyCode.H);
        settle();
        assertThat(subjects("#plan")).doesNotContain("charger");
        assertThat(text("#apart")).isEqualTo("1 part is hidden; Shift H shows all again.");
        keys(KeyCode.SHIFT, KeyCode.H);
        settle();
        assertThat(subjects("#plan")).contains("charger");
    }

    /** Two are grouped and moved as one, copied and pasted; a grid is drawn; what is no part cannot be pasted. */
    @Test
    public void partsAreGroupedAndPasted() throws Exception {
        show("cave-survey");
        open("pack");
        select("charger");
        select("protection");
        focus("#plan");
        Vec before = build().placement("charger").orElseThrow().at();
        robot.type(KeyCode.G, KeyCode.UP);
        settle();
        assertThat(build().placement("charger").orElseThrow().group()).contains("group 1");
        assertThat(build().placement("charger").orElseThrow().at()).isEqualTo(before.plus(new Vec(0, 0.5, 0)));
        robot.type(KeyCode.G, KeyCode.DOWN);
        settle();
        assertThat(build().placement("charger").orElseThrow().at()).isEqualTo(before.plus(new Vec(0, 0.5, 0)));
        keys(KeyCode.CONTROL, KeyCode.C);
        assertThat(text("#apart")).contains("is on the clipboard");
        keys(KeyCode.CONTROL, KeyCode.V);
        settle();
        assertThat(build().part("protection-2")).isPresent();
        focus("#plan");
        keys(KeyCode.SHIFT, KeyCode.G);
        settle();
        int lines = view("#plan").drawing().marks().size();
        keys(KeyCode.SHIFT, KeyCode.G);
        settle();
        assertThat(view("#plan").drawing().marks().size()).isLessThan(lines - 10);
        ClipboardContent words = new ClipboardContent();
        words.putString("nothing of that kind");
        onFx(() -> Clipboard.getSystemClipboard().setContent(words));
        keys(KeyCode.CONTROL, KeyCode.V);
        assertThat(text("#apart")).contains("no part on the clipboard");
    }

    /** Walls told to follow the parts are drawn round them at once, and again when one is moved out; undone they are where they were. */
    @Test
    public void wallsFollowTheParts() throws Exception {
        show("cave-survey");
        open("pack");
        double wide = build().casing().shells().getFirst().widthMm().value();
        press("#case-figures");
        inSight("#shell-aroundMm");
        write("#shell-aroundMm", "2 mm");
        settle();
        double drawn = build().casing().shells().getFirst().widthMm().value();
        assertThat(drawn).isNotCloseTo(wide, within(0.5));
        select("battery");
        focus("#plan");
        keys(KeyCode.SHIFT, KeyCode.RIGHT);
        settle();
        assertThat(build().casing().shells().getFirst().widthMm().value()).isCloseTo(drawn + 5, within(1e-6));
        press("#undo");
        press("#undo");
        assertThat(build().casing().shells().getFirst().widthMm().value()).isEqualTo(wide);
    }

    /** In each posture its own: eyes and wrists at a table, thumbs and arms in the hands. */
    @Test
    public void handsAndEyesAreShownForThePosture() throws Exception {
        show("cave-survey");
        open("pack");
        press("#hands");
        assertThat(words("#hands-pane")).contains("each wrist", "each elbow");
        choose("#posture", "on a table");
        settle();
        assertThat(words("#hands-pane")).doesNotContain("each wrist").anyMatch(w -> w.contains("from the eyes, eyes"));
        press("#hands");
    }

    private List<String> words(String pane) {
        return robot.from(robot.lookup(pane)).lookup(".label").queryAllAs(Label.class).stream()
                .map(Label::getText)
                .toList();
    }

    /** The trackball under the closed screen: the first remedy frees it. */
    @Test
    public void aLidThatDoesNotCloseIsMendedByItsRemedy() throws Exception {
        show("harbour-watch");
        assertThat(codes()).contains("fit.lid-clash");
        press("#try-fit-lid-clash-0");
        press("#take");
        assertThat(codes()).doesNotContain("fit.lid-clash", "fit.clash", "fit.outside");
        press("#undo");
        assertThat(codes()).contains("fit.lid-clash");
    }

    /** All of a handheld on the table, and back into its case where there is room, until Packs is fine. */
    @Test
    public void anEmptyHandheldIsPacked() throws Exception {
        Build full = Library.demo("cave-survey").orElseThrow();
        show(full.with(Layout.NONE));
        open("pack");
        for (Part part : full.parts().list()) {
            if (build().loose().stream().anyMatch(p -> p.id().equals(part.id()))) {
                fire("#place", part.name());
            }
        }
        assertThat(build().loose()).isEmpty();
        assertThat(state(Verdict.Kind.PACKS)).isEqualTo(State.FINE);
    }

    /** A drawing let go over the window gives the selected part its shape; without a part, or with a drawing that is none, it is said why not. */
    @Test
    public void aDrawingGivesAPartItsShape() throws Exception {
        Path drawing = Files.createTempFile("board", ".dxf");
        String board = "0 SECTION 2 ENTITIES 0 LWPOLYLINE 70 1 10 0 20 0 10 52 20 0 10 52 20 31 10 0 20 31 0 ENDSEC";
        Files.writeString(drawing, board.replace(' ', '\n'));
        show("cave-survey");
        open("pack");
        select("");
        onFx(() -> dropped(drawing));
        assertThat(text("#message-text")).contains("becomes that of a part");
        select("converter");
        onFx(() -> dropped(drawing));
        assertThat(build().part("converter").orElseThrow().body().widthMm().value())
                .isEqualTo(52);
        press("#undo");
        Path svg = Files.writeString(
                drawing.resolveSibling("outline.svg"),
                "<svg width=\"48mm\" viewBox=\"0 0 48 30\"><rect width=\"48\" height=\"30\" rx=\"3\"/></svg>");
        onFx(() -> dropped(svg));
        assertThat(build().part("converter").orElseThrow().body().widthMm().value())
                .isCloseTo(48, within(0.05));
        press("#undo");
        Files.writeString(svg, "<svg><path d=\"M0 0L9\"/></svg>");
        onFx(() -> dropped(svg));
        assertThat(text("#message-text")).contains("a path ends where a number is wanted");
        Files.delete(svg);
        Files.writeString(drawing, "0\nSECTION\n");
        onFx(() -> dropped(drawing));
        assertThat(text("#message-text")).contains("no closed line");
        Files.delete(drawing);
    }

    private boolean dropped(Path file) {
        app().frame().dropped(List.of(file));
        return true;
    }

    /** The core sample goes through what lies over the point in the posture on show: the lid too while it is closed. */
    @Test
    public void theCoreSampleIsThatOfThePosture() throws Exception {
        show("harbour-watch");
        open("pack");
        press("#core-sample");
        robot.clickOn(onScreen("#plan", 245, 128));
        settle();
        assertThat(core()).contains("screen");
        aLayerIsDrawnUp();
        choose("#posture", "in use");
        settle();
        assertThat(core()).doesNotContain("screen").isNotEmpty();
        press("#core-sample");
    }

    /** Layers go up and down by as much as they are drawn, as one step, and what the mouse is over is outlined in both views. */
    private void aLayerIsDrawnUp() throws Exception {
        DrawingView sample = view("#sample");
        String part = core().stream()
                .filter(id -> build().placement(id).filter(p -> !p.locked()).isPresent())
                .findFirst()
                .orElseThrow();
        Vec before = build().placement(part).orElseThrow().at();
        Point2D layer = onFx(() -> sample.localToScreen(middle(sample, part)));
        robot.moveTo(layer);
        drag(layer, layer.subtract(0, 30));
        Vec after = build().placement(part).orElseThrow().at();
        assertThat(after.minus(before).length()).isBetween(0.5, 60.0);
        assertThat(after.x()).isEqualTo(before.x());
        press("#undo");
        assertThat(build().placement(part).orElseThrow().at()).isEqualTo(before);
        Point2D at = onFx(() -> view("#plan").localToScreen(middle(view("#plan"), "battery")));
        robot.moveTo(at);
        settle();
        assertThat(List.of(view("#plan").pointed(), view("#front").pointed())).containsOnly("battery");
        robot.moveTo("#core-sample");
        settle();
        assertThat(view("#plan").pointed()).isEmpty();
    }

    /** A point of a view where something lies on top. */
    private static Point2D middle(DrawingView view, String subject) {
        for (double y = 2; y < view.getHeight(); y += 3) {
            for (double x = 2; x < view.getWidth(); x += 3) {
                if (view.subjectAt(x, y).filter(subject::equals).isPresent()
                        && view.subjectAt(x, y + 4).filter(subject::equals).isPresent()) {
                    return new Point2D(x, y + 2);
                }
            }
        }
        throw new AssertionError(subject + " is not on top anywhere");
    }

    private List<String> core() {
        DrawingView sample = robot.lookup("#sample").query();
        return sample.drawing().marks().stream().map(Mark::subject).distinct().toList();
    }

    /** A laptop whose lid tips it far back: the remedy puts a stop, and so does whoever types one. */
    @Test
    public void aLaptopStopsTippingInTwoWays() throws Exception {
        show("orchard-ledger");
        assertThat(codes()).contains("balance.tips");
        press("#try-balance-tips-0");
        press("#take");
        assertThat(codes()).doesNotContain("balance.tips");
        press("#undo");
        assertThat(codes()).contains("balance.tips");
        open("pack");
        select("lid");
        inSight("#way-opensDeg");
        write("#way-opensDeg", "90");
        assertThat(codes()).doesNotContain("balance.tips");
    }

    /** A socket that is used through a wall gets its opening from the case's own menu, and it is drawn. */
    @Test
    public void anOpeningIsCutFromTheMenu() throws Exception {
        Build demo = Library.demo("cave-survey").orElseThrow();
        show(demo.with(demo.casing().withShell(demo.shell("slab").orElseThrow().withOpenings(List.of()))));
        open("pack");
        press("#case-figures");
        assertThat(codes()).contains("fit.no-opening");
        fire("#tray-opening", "for USB-C in");
        assertThat(build().shell("slab").orElseThrow().openings()).hasSize(1);
        assertThat(codes()).doesNotContain("fit.no-opening");
        fire("#tray-opening", "plain, back");
        assertThat(build().shell("slab").orElseThrow().openings()).hasSize(2);
        // How the peg in it is made is said in the same place.
        press("#shell-openings-fold");
        press("#shell-openings-1-made-say");
        inSight("#shell-openings-1-made-lengthMm");
        write("#shell-openings-1-made-lengthMm", "12.5 mm");
        press("#shell-openings-1-made-spring-say");
        inSight("#shell-openings-1-made-spring-roomMm");
        write("#shell-openings-1-made-spring-roomMm", "8");
        Peg peg = build().shell("slab").orElseThrow().openings().get(1).made().orElseThrow();
        assertThat(peg.lengthMm()).isEqualTo(12.5);
        assertThat(peg.spring().orElseThrow().roomMm()).isEqualTo(8);
        press("#undo");
        assertThat(build().shell("slab")
                        .orElseThrow()
                        .openings()
                        .get(1)
                        .made()
                        .orElseThrow()
                        .spring())
                .hasValueSatisfying(s -> assertThat(s.roomMm()).isEqualTo(9));
    }

    /** An opening goes with what it serves, so a drag changes the tray; what the choice of the tray tells stays, and it is not filled anew. */
    @Test
    public void aDragLeavesTheChoiceOfTheTrayAlone() {
        open("pack");
        select("charger");
        Shell before = build().shell("slab").orElseThrow();
        AtomicInteger changes = new AtomicInteger();
        onFx(() -> {
            ComboBox<?> trays = robot.lookup("#trays").queryComboBox();
            trays.valueProperty().subscribe((was, is) -> changes.incrementAndGet());
            trays.getItems().subscribe(changes::incrementAndGet);
            return 0;
        });
        focus("#plan");
        robot.type(KeyCode.RIGHT);
        settle();
        assertThat(build().shell("slab").orElseThrow()).isNotEqualTo(before);
        assertThat(changes).hasValue(0);
    }
}
