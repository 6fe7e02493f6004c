package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.drawing.HarnessDrawing;
import boldsatchel.drawing.Mark;
import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Signal;
import boldsatchel.plan.LinkPlanner;
import boldsatchel.sheet.Sheets;
import boldsatchel.sheet.Table;
import boldsatchel.shelf.Library;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Verdict;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.TimeUnit;
import javafx.geometry.Point2D;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.input.KeyCode;
import javafx.scene.text.Text;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;

/** The harness board, by mouse and by keys. */
public class LinksStageTest extends WindowHarness {

    /** A demo before anything was plugged in, without its cables. */
    private static Build loose(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        List<Part> kept = build.parts().list().stream().filter(p -> !p.isLed()).toList();
        return build.with(new Parts(kept)).with(build.wiring().withLinks(List.of()));
    }

    private static Build off(String... shelf) {
        return Build.empty("links")
                .with(new Parts(Arrays.stream(shelf)
                        .map(id -> Picks.shelf().part(id).orElseThrow())
                        .toList()));
    }

    private long openNeeds() {
        return evaluation().of(LinksResult.class).open().size();
    }

    /** Where a socket is on the screen. */
    private Point2D at(String part, String port) {
        DrawingView view = robot.lookup("#harness").query();
        String id = HarnessDrawing.id(Link.End.of(part, port));
        Mark.Fill tab = view.drawing().marks().stream()
                .filter(m -> m instanceof Mark.Fill && m.subject().equals(id))
                .map(Mark.Fill.class::cast)
                .findFirst()
                .orElseThrow();
        double x = tab.points().stream().mapToDouble(Mark.Point::x).average().orElseThrow();
        double y = tab.points().stream().mapToDouble(Mark.Point::y).average().orElseThrow();
        return onScreen("#harness", x, -y);
    }

    @Test
    public void aMachineOfLoosePartsIsWiredByOneButtonAndUnwiredByOneUndo() throws Exception {
        Build before = loose("orchard-ledger");
        show(before);
        open("links");
        assertThat(openNeeds()).isGreaterThan(5);
        assertThat(text("#verdict-connects")).contains("open");
        robot.clickOn("#connect");
        settle();
        assertThat(openNeeds()).isZero();
        assertThat(text("#verdict-connects")).isEqualTo("0 open");
        assertThat(text("#links-hint")).contains("Panel cable").contains("Ctrl Z");
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(build()).isEqualTo(before);
    }

    @Test
    public void whatCannotBeConnectedIsNamedAndTheRestIsConnected() throws Exception {
        show(loose("cave-survey"));
        open("links");
        robot.clickOn("#connect");
        settle();
        assertThat(openNeeds()).isEqualTo(1);
        assertThat(text("#links-hint")).contains("Cannot be connected").contains("speakers");
    }

    @Test
    public void aSocketIsPluggedIntoAnotherByMouseAndWhatDoesNotGoIsRefusedInWords() throws Exception {
        show(off("arm-card", "touch-7"));
        open("links");
        drag(at("touch-7", "HDMI"), at("arm-card", "USB-A 1"));
        assertThat(text("#links-hint")).contains("nothing to say to each other");
        assertThat(build().wiring().links()).isEmpty();
        drag(at("touch-7", "HDMI"), at("arm-card", "Micro HDMI"));
        assertThat(evaluation().of(LinksResult.class).needs())
                .filteredOn(n -> n.duty().equals("picture"))
                .allMatch(n -> n.why() == Need.Why.MET);
        assertThat(build().parts().list()).anyMatch(p -> p.id().equals("hdmi-micro-30"));
    }

    @Test
    public void aDriveDraggedToASlowSocketSaysWhatItCosts() throws Exception {
        Build build = off("arm-card", "usb-drive");
        show(LinkPlanner.connect(build).edit().orElseThrow().change().apply(build));
        open("links");
        assertThat(codes()).doesNotContain("links.slow");
        drag(at("usb-drive", "Plug"), at("arm-card", "USB-A 2"));
        Finding slow = evaluation().findings().stream()
                .filter(f -> f.code().equals("links.slow"))
                .findFirst()
                .orElseThrow();
        // 480 Mbit/s are 60 MB/s: 10 GB take 167 s; at 150 MB/s they take 67 s.
        assertThat(slow.message()).contains("60 MB/s").contains("3 min instead of 67 s");
    }

    @Test
    public void theWireListIsReadAndPrinted() throws Exception {
        show(Library.demo("harbour-watch").orElseThrow());
        open("links");
        ComboBox<Object> views = robot.lookup("#links-view").query();
        focus("#links-view");
        robot.type(KeyCode.DOWN);
        settle();
        assertThat(views.getValue()).isEqualTo(java.util.Optional.of("wire-list"));
        assertThat(text("#sheet-about")).isEqualTo("15 rows");
        assertThat(robot.lookup("#sheet-pages").query().lookupAll("Text"))
                .anyMatch(n -> n instanceof Text t && t.getText().equals("Wire list"));
        assertThat(robot.lookup("#print-sheet").query().isDisabled()).isFalse();
        Table list = Sheets.all(evaluation()).getFirst();
        Path to = folder.resolve("printed");
        onFx(() -> {
            app().frame().files().print(to, list);
            return 0;
        });
        WaitForAsyncUtils.waitFor(
                20,
                TimeUnit.SECONDS,
                () -> Files.exists(to.resolve("wire-list.csv"))
                        && text("#message-text").startsWith("Wrote"));
        assertThat(to.resolve("wire-list.pdf")).isNotEmptyFile();
        assertThat(Files.readString(to.resolve("wire-list.svg"))).contains("picture (HDMI)");
        assertThat(Files.readAllLines(to.resolve("wire-list.csv")))
                .hasSize(16)
                .anyMatch(l -> l.contains("Headphones") && l.contains("jack to single wires") && l.contains("30 cm"));
        onFx(() -> {
            views.setValue(java.util.Optional.of("addresses"));
            return 0;
        });
        settle();
        assertThat(text("#sheet-about")).contains("connect the parts first");
        assertThat(robot.lookup("#print-sheet").query().isDisabled()).isTrue();
        onFx(() -> {
            views.setValue(java.util.Optional.empty());
            return 0;
        });
    }

    @Test
    public void whatElseWouldTalkIsOfferedAndTaken() throws Exception {
        Build build = off("arm-card", "trackball");
        show(LinkPlanner.connect(build).edit().orElseThrow().change().apply(build));
        open("links");
        robot.clickOn("#instead");
        settle();
        assertThat(text("#links-hint")).contains("in the place of Trackball");
        robot.type(KeyCode.DOWN).type(KeyCode.ENTER);
        settle();
        assertThat(build().part("trackball").orElseThrow().name()).isNotEqualTo("Trackball, 34 mm");
        assertThat(openNeeds()).isZero();
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(build().part("trackball").orElseThrow().name()).isEqualTo("Trackball, 34 mm");
    }

    @Test
    public void addressesAndSignalsAreTypedAndTicked() throws Exception {
        show(off("clock-cell", "usb-a-c-20"));
        select("clock-cell");
        settle();
        inSight("#facet-OnBus-addresses");
        write("#facet-OnBus-addresses", "0x30, 49");
        assertThat(build().part("clock-cell")
                        .orElseThrow()
                        .facet(Facet.OnBus.class)
                        .orElseThrow()
                        .addresses())
                .containsExactly(0x30, 49);
        write("#facet-OnBus-addresses", "thirty");
        assertThat(robot.lookup(".field-error").queryAll())
                .anyMatch(n ->
                        n instanceof Label l && l.isVisible() && l.getText().contains("no whole number"));
        assertThat(build().part("clock-cell")
                        .orElseThrow()
                        .facet(Facet.OnBus.class)
                        .orElseThrow()
                        .addresses())
                .containsExactly(0x30, 49);
        select("usb-a-c-20");
        settle();
        inSight("#facet-Joins-signals");
        MenuButton signals = robot.lookup("#facet-Joins-signals").query();
        onFx(() -> {
            signals.getItems().stream()
                    .filter(i -> i.getUserData() == Signal.USB_10G)
                    .forEach(MenuItem::fire);
            return 0;
        });
        settle();
        assertThat(build().part("usb-a-c-20")
                        .orElseThrow()
                        .facet(Facet.Joins.class)
                        .orElseThrow()
                        .signals())
                .contains(Signal.USB_10G);
        assertThat(signals.getText()).contains("USB 10 Gbit/s");
    }

    @Test
    public void aNeedIsUnpluggedAndPluggedInByKeys() {
        open("links");
        ListView<Need> needs = robot.lookup("#needs").query();
        focus("#needs");
        onFx(() -> {
            needs.getSelectionModel().select(0);
            return 0;
        });
        long before = openNeeds();
        robot.type(KeyCode.DELETE);
        settle();
        assertThat(openNeeds()).isGreaterThan(before);
        robot.type(KeyCode.ENTER);
        settle();
        robot.type(KeyCode.DOWN).type(KeyCode.ENTER);
        settle();
        assertThat(openNeeds()).isEqualTo(before);
        robot.clickOn("#unplug");
        settle();
        robot.clickOn("#leave-open");
        settle();
        assertThat(openNeeds()).isEqualTo(before);
        assertThat(evaluation().verdict(Verdict.Kind.CONNECTS).sentence()).contains("on purpose");
    }
}
