package boldsatchel.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import boldsatchel.machine.Brief;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.OptionalDouble;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** How far numbers go: said once beside each field, obeyed by files, schema and edits. */
public class BoundsTest {

    private static String demo() {
        return BuildFormat.write(
                new BuildFormat.Document(Library.demo("orchard-ledger").orElseThrow(), Extras.NONE));
    }

    @DataProvider
    public Object[][] impossible() {
        return new Object[][] {
            {"(\"health\": \\{\\s*\"value\": )[\\d.]+", "95", "health", "maximum value of 1"},
            {"(\"capacityAh\": \\{\\s*\"value\": )[\\d.]+", "-3", "capacityAh", "minimum value of 0.001"},
            {"(\"series\": )\\d+", "0", "series", "minimum value of 1"},
            {"(\"opensDeg\": )[\\d.]+", "-10", "opensDeg", "minimum value of 0"},
            {"(\"opensDeg\": )[\\d.]+", "1e7", "opensDeg", "maximum value of 360"},
            {"(\"busyW\": \\{\\s*\"value\": )[\\d.]+", "-5", "busyW", "minimum value of 0"},
            {"(\"cellOhms\": \\{\\s*\"value\": )[\\d.]+", "-0.05", "cellOhms", "minimum value of 0"},
            {"(\"massG\": \\{\\s*\"value\": )[\\d.]+", "-100", "massG", "minimum value of 0"},
            {"(\"price\": \\{\\s*\"value\": )[\\d.]+", "-1", "price", "minimum value of 0"},
            {"(\"wallMm\": \\{\\s*\"value\": )[\\d.]+", "-2", "wallMm", "minimum value of 0"},
            {"(\"ambientC\": )[\\d.]+", "-300", "ambientC", "minimum value of -60"},
        };
    }

    @Test(dataProvider = "impossible")
    public void aFigureThatCannotBeIsRefusedWithItsPlaceAndItsLimit(
            String field, String value, String name, String words) {
        String text = demo();
        String wrong = text.replaceFirst(field, "$1" + value);
        assertThat(wrong).isNotEqualTo(text);
        assertThatThrownBy(() -> BuildFormat.read(wrong))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining("line ")
                .hasMessageContaining(name)
                .hasMessageContaining(words);
    }

    @Test
    public void anEditRefusesWhatAFileWouldInTheFieldsOwnUnit() {
        Facet.Cells cells = Library.demo("orchard-ledger").orElseThrow().parts().list().stream()
                .flatMap(p -> p.facet(Facet.Cells.class).stream())
                .findFirst()
                .orElseThrow();
        Form.Field health = Form.of(Facet.Cells.class).field("health");
        assertThatThrownBy(() -> health.with(cells, Figure.guess(95)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage("health goes from 1 % to 100 %");
        assertThat(health.with(cells, Figure.guess(0.8)).health().value()).isEqualTo(0.8);
        assertThatCode(() -> Form.of(Part.class).field("name").with(part(), "other"))
                .doesNotThrowAnyException();
    }

    private static Part part() {
        return Library.demo("orchard-ledger").orElseThrow().parts().list().getFirst();
    }

    @Test
    public void whatIsTakenWhereAFileSaysNothingLiesWithinTheBounds() {
        for (Class<?> type : Facet.class.getPermittedSubclasses()) {
            within(type);
        }
        within(Brief.Limits.class);
        within(Brief.Surroundings.class);
    }

    private static void within(Class<?> type) {
        Object record = Form.of(type).absent();
        for (Form.Field field : Form.of(type).fields()) {
            assertThatCode(() -> field.with(record, field.get(record)))
                    .as(type.getSimpleName() + "." + field.name())
                    .doesNotThrowAnyException();
        }
    }

    @Test
    public void fiveOfManyProblemsAreToldAndHowManyMoreThereAre() {
        StringBuilder placements = new StringBuilder();
        for (int i = 0; i < 3_000; i++) {
            placements
                    .append(i == 0 ? "" : ",\n")
                    .append("{\"part\": \"gone-")
                    .append(i)
                    .append("\", \"shell\": \"none\"}");
        }
        String text =
                "{\"format\": \"bold-satchel-build\", \"version\": 2, \"build\": {\"layout\": {\"placements\": [\n"
                        + placements + "]}}}";
        assertThatThrownBy(() -> BuildFormat.read(text)).isInstanceOfSatisfying(FormatException.class, e -> {
            assertThat(e.problems()).hasSize(6_000);
            assertThat(e.problems().getLast().line()).isEqualTo(3_001);
            String message = String.valueOf(e.getMessage());
            assertThat(message.lines()).hasSize(6);
            assertThat(message).endsWith("and 5995 more like these.");
        });
    }

    @Test
    public void noVerdictIsMadeFromANumberThatIsNone() {
        double none = Double.NaN;
        assertThat(Verdict.against(none, 1, 2, OptionalDouble.of(1), true)).isEqualTo(State.STOP);
        assertThat(Verdict.against(none, none, none, OptionalDouble.empty(), true))
                .isEqualTo(State.STOP);
        assertThat(Verdict.against(5, none, none, OptionalDouble.of(1), true)).isEqualTo(State.WATCH);
        assertThat(Verdict.margin(none, none, 1)).isEqualTo(State.STOP);
        assertThat(Verdict.margin(5, none, 1)).isEqualTo(State.WATCH);
        assertThat(Verdict.margin(5, 4, 1)).isEqualTo(State.FINE);
    }
}
