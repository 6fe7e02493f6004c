package boldsatchel.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Every record a builder can see has a label for each field, and each field can be read and changed. */
public class FormTest {

    @DataProvider
    Object[][] records() {
        List<Class<?>> types = new ArrayList<>(List.of(
                Part.class,
                Shell.class,
                Posture.class,
                Vent.class,
                Port.class,
                Brief.Limits.class,
                Brief.Surroundings.class));
        types.addAll(Arrays.asList(Facet.class.getPermittedSubclasses()));
        types.addAll(Arrays.asList(Rung.Stage.class.getPermittedSubclasses()));
        types.addAll(Arrays.asList(Joint.Way.class.getPermittedSubclasses()));
        return types.stream().map(t -> new Object[] {t}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "records")
    public void everyFieldHasALabelOfItsOwn(Class<?> type) {
        assertThat(Form.of(type).fields())
                .allSatisfy(f -> assertThat(f.label())
                        .as(type.getSimpleName() + "." + f.name())
                        .isNotEqualTo(f.name().matches("[a-z]+") ? "" : f.name())
                        .isNotBlank());
        assertThat(Form.of(type).fields().stream().map(Form.Field::label).distinct())
                .hasSameSizeAs(Form.of(type).fields());
    }

    @Test(dataProvider = "records")
    public void whatAFieldIsGivenItHolds(Class<?> type) {
        Object record = Form.of(type).absent();
        for (Form.Field field : Form.of(type).fields()) {
            Object other = other(field, field.get(record));
            Object changed = field.with(record, other);
            assertThat(field.get(changed)).as(field.name()).isEqualTo(other);
            Form.of(type).fields().stream()
                    .filter(f -> !f.name().equals(field.name()))
                    .forEach(f -> assertThat(f.get(changed)).isEqualTo(f.get(record)));
        }
    }

    private static Object other(Form.Field field, Object now) {
        if (field.optional()) {
            return field.kind() == Form.Kind.FIGURE ? Optional.of(Figure.guess(3)) : now;
        }
        return switch (field.kind()) {
            case FIGURE -> Figure.measured(Math.min(7, field.most()));
            case NUMBER -> Math.min(7.5, field.most() / 2);
            case WHOLE -> 3;
            case FLAG -> !((Boolean) now);
            case TEXT -> "words";
            case CHOICE -> field.choices().getLast();
            default -> now;
        };
    }

    @Test
    public void aRecordRefusesInItsOwnWords() {
        Object cells = Form.of(Facet.Cells.class).absent();
        assertThatThrownBy(() -> Form.of(Facet.Cells.class).field("series").with(cells, 0))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("cells in series goes from 1 to 200");
        assertThatThrownBy(() -> Form.of(String.class)).hasMessageContaining("no record");
        assertThatThrownBy(() -> Form.of(Vent.class).field("colour")).hasMessageContaining("no field “colour”");
    }

    /** Engines name the fields they read; a name that no record has would show here. */
    @Test
    public void everyInputToBlameHasTheLabelOfItsField() {
        for (String demo : Library.DEMOS) {
            Build build = Library.demo(demo).orElseThrow();
            for (Verdict v : Evaluator.evaluate(build).verdicts()) {
                assertThat(v.working().range().blame())
                        .allSatisfy(b -> assertThat(b.input().what()).isNotBlank());
            }
        }
    }
}
