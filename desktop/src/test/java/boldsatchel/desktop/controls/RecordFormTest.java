package boldsatchel.desktop.controls;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.machine.Facet;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A form made from a record's fields shows each of them, and what is written in it comes out as a change of the record. */
public class RecordFormTest {

    @BeforeClass
    public void start() throws Exception {
        FxToolkit.registerPrimaryStage();
    }

    private static <T> T onFx(Callable<T> job) throws Exception {
        return WaitForAsyncUtils.asyncFx(job).get(20, TimeUnit.SECONDS);
    }

    /** A form on a record that takes every change at once, as the window does. */
    private static final class Bench {
        private final RecordForm form;
        private final List<String> heard = new ArrayList<>();
        private Object record;

        Bench(Object record) {
            this.record = record;
            form = new RecordForm("f", record.getClass(), (what, change) -> {
                heard.add(what);
                this.record = change.apply(this.record);
                show();
            });
            show();
        }

        private void show() {
            form.show(record);
        }

        <N extends Node> N find(String id, Class<N> kind) {
            Node found = form.lookup("#" + id);
            assertThat(found).as(id).isInstanceOf(kind);
            return kind.cast(found);
        }

        void write(String id, String text) {
            TextField field = find(id, TextField.class);
            field.setText(text);
            field.getOnAction().handle(new javafx.event.ActionEvent());
        }
    }

    @DataProvider
    Object[][] records() {
        List<Class<?>> types = new ArrayList<>(List.of(Part.class, Shell.class, Posture.class));
        types.addAll(Arrays.asList(Facet.class.getPermittedSubclasses()));
        types.addAll(Arrays.asList(Rung.Stage.class.getPermittedSubclasses()));
        types.addAll(Arrays.asList(Joint.Way.class.getPermittedSubclasses()));
        return types.stream().map(t -> new Object[] {t}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "records")
    public void everyFieldOfEveryRecordIsThere(Class<?> type) throws Exception {
        Bench bench = onFx(() -> new Bench(Form.of(type).absent()));
        for (Form.Field field : Form.of(type).fields()) {
            boolean shown = switch (field.kind()) {
                case LIST ->
                    field.holds() == Part.class
                            || bench.form.lookup("#f-" + field.name() + "-fold") != null
                            || isPlain(field);
                case GROUP -> true;
                default ->
                    bench.form.lookup("#f-" + field.name()) != null
                            || bench.form.lookup("#f-" + field.name() + "-say") != null;
            };
            assertThat(shown).as(type.getSimpleName() + "." + field.name()).isTrue();
        }
    }

    /** Lists of what points at something else are edited where they are drawn. */
    private static boolean isPlain(Form.Field field) {
        return !field.holds().isRecord()
                || Form.of(field.holds()).fields().stream().anyMatch(Form.Field::needed);
    }

    @Test
    public void whatIsWrittenComesOutInTheRecord() throws Exception {
        Bench bench = onFx(() -> new Bench(Form.of(Facet.Cells.class).absent()));
        onFx(() -> {
            bench.write("f-series", "4");
            bench.write("f-capacityAh", "2600 mAh");
            bench.write("f-cutoffV", "2.8 V");
            bench.find("f-ownCutoff", CheckBox.class).fire();
            return 0;
        });
        Facet.Cells cells = (Facet.Cells) bench.record;
        assertThat(cells.series()).isEqualTo(4);
        assertThat(cells.capacityAh()).isEqualTo(Figure.guess(2.6));
        assertThat(cells.cutoffV()).isEqualTo(2.8);
        assertThat(cells.ownCutoff()).isTrue();
        assertThat(bench.heard)
                .containsExactly("cells in series", "cell capacity", "cell cut-off", "switches itself off when empty");
    }

    @Test
    public void whatTheRecordRefusesIsSaidAndChangesNothing() throws Exception {
        Bench bench = onFx(() -> new Bench(Form.of(Facet.Cells.class).absent()));
        onFx(() -> {
            bench.write("f-series", "0");
            bench.write("f-parallel", "1.5");
            bench.write("f-cutoffV", "3 mm");
            return 0;
        });
        assertThat(bench.record).isEqualTo(Form.of(Facet.Cells.class).absent());
        List<String> said = onFx(() -> bench.form.lookupAll(".field-error").stream()
                .filter(Node::isVisible)
                .map(n -> ((javafx.scene.control.Label) n).getText())
                .toList());
        assertThat(said).hasSize(3);
        assertThat(said).anyMatch(w -> w.contains("goes from 1 to 200"));
        assertThat(said).anyMatch(w -> w.contains("whole number"));
    }

    @Test
    public void aListGrowsAndShrinksAndItsElementsAreForms() throws Exception {
        Bench bench = onFx(() -> new Bench(Form.of(Shell.class).absent()));
        onFx(() -> {
            bench.find("f-vents-add", Button.class).fire();
            bench.find("f-vents-add", Button.class).fire();
            bench.write("f-vents-1-name", "high");
            bench.write("f-vents-1-openShare", "80 %");
            return 0;
        });
        Shell shell = (Shell) bench.record;
        assertThat(shell.vents()).hasSize(2);
        assertThat(shell.vents().get(1).name()).isEqualTo("high");
        assertThat(shell.vents().get(1).openShare()).isEqualTo(0.8);
        onFx(() -> {
            bench.find("f-vents-0-remove", Button.class).fire();
            return 0;
        });
        assertThat(((Shell) bench.record).vents()).extracting(v -> v.name()).containsExactly("high");
    }

    @Test
    public void whatMayBeUnsaidIsSaidAndForgotten() throws Exception {
        Bench bench = onFx(() -> new Bench(Form.of(Shell.class).absent()));
        onFx(() -> {
            bench.find("f-weighedG-say", Button.class).fire();
            bench.write("f-weighedG", "1 lb");
            return 0;
        });
        assertThat(((Shell) bench.record).weighedG().orElseThrow().value()).isEqualTo(453.59237);
        onFx(() -> {
            bench.find("f-weighedG-forget", Button.class).fire();
            return 0;
        });
        assertThat(((Shell) bench.record).weighedG()).isEmpty();
    }

    @Test
    public void aChangeFromElsewhereIsShownInPlaceAndIsNoChangeOfOnesOwn() throws Exception {
        Bench bench = onFx(() -> new Bench(Form.of(Shell.class).absent()));
        TextField width = onFx(() -> bench.find("f-widthMm", TextField.class));
        onFx(() -> {
            Object wider = Form.of(Shell.class).field("widthMm").with(bench.record, Figure.planned(250));
            bench.record = Form.of(Shell.class).field("material").with(wider, Material.STEEL_PAINTED);
            bench.show();
            return 0;
        });
        assertThat(onFx(() -> bench.find("f-widthMm", TextField.class))).isSameAs(width);
        assertThat(width.getText()).isEqualTo("250 mm");
        assertThat(onFx(() -> bench.find("f-material", ComboBox.class).getValue()))
                .isEqualTo(Material.STEEL_PAINTED);
        assertThat(bench.heard).isEmpty();
    }
}
