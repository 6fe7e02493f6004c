package boldsatchel.verdict;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import java.util.List;
import java.util.function.UnaryOperator;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What can be but seldom is, is asked about; what is usual is not. */
public class PlausibleTest {

    private static Build cave() {
        return Library.demo("cave-survey").orElseThrow();
    }

    private static List<Finding> odd(Build build) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().startsWith("figure."))
                .toList();
    }

    private static <F extends Facet> Build with(Class<F> kind, String field, Object value) {
        Build build = cave();
        Part part = build.parts().list().stream()
                .filter(p -> p.facet(kind).isPresent())
                .findFirst()
                .orElseThrow();
        F facet = part.facet(kind).orElseThrow();
        Facet changed = Form.of(kind).field(field).with(facet, value);
        return Edits.changePart("x", part, p -> p.withFacet(changed)).change().apply(build);
    }

    @Test
    public void demosAndShelfAreUsual() {
        for (String demo : Library.DEMOS) {
            assertThat(odd(Library.demo(demo).orElseThrow())).as(demo).isEmpty();
        }
        Build all = cave();
        for (Part part : Library.shipped().parts()) {
            all = all.with(all.parts().with(part.withId("x-" + part.id())));
        }
        assertThat(odd(all)).isEmpty();
    }

    @DataProvider
    Object[][] slips() {
        UnaryOperator<Part> heavy = p -> Form.of(Part.class).field("massG").with(p, exact(9_999));
        return new Object[][] {
            {with(Facet.Cells.class, "capacityAh", exact(95)), "figure.unusual", "cell capacity 95 Ah is unusual"},
            {with(Facet.Cells.class, "health", exact(0.2)), "figure.unusual", "health 20 %"},
            {with(Facet.Cells.class, "capacityAh", exact(9.9)), "figure.rich", "Wh a kilogram"},
            {with(Facet.Cells.class, "cellOhms", new Figure(0.04, 0.3, Basis.GUESS)), "figure.doubted", "± 0.3 Ω"},
            {with(Facet.DrawsPower.class, "lowV", 30.0), "figure.turned", "at no voltage at all"},
            {with(Facet.DrawsPower.class, "idleW", exact(99)), "figure.disordered", "idle power 99 W"},
            {with(Facet.Thermal.class, "limitC", 12.0), "figure.unusual", "usual is 35 °C to 125 °C"},
            {
                Edits.changePart("x", cave().part("battery").orElseThrow(), heavy)
                        .change()
                        .apply(cave()),
                "figure.dense",
                "g/cm³"
            },
            {
                Edits.brief(
                                "x",
                                b -> b.withSurroundings(
                                        new boldsatchel.machine.Brief.Surroundings(90, 25, false, true)))
                        .change()
                        .apply(cave()),
                "figure.unusual",
                "The brief: Air around it 90 °C"
            },
        };
    }

    @Test(dataProvider = "slips")
    public void aSlipIsAskedAboutWithItsPart(Build build, String code, String words) {
        assertThat(odd(build)).anySatisfy(f -> {
            assertThat(f.code()).isEqualTo(code);
            assertThat(f.severity()).isEqualTo(Severity.WATCH);
            assertThat(f.message()).contains(words);
            assertThat(f.remedies()).isNotEmpty();
        });
    }

    @Test
    public void whereEverythingIsOddItIsSaidThatThereIsMore() {
        Build build = cave();
        for (Part part : cave().parts().list()) {
            build = Edits.changePart(
                            "x",
                            part,
                            p -> Form.of(Part.class).field("massG").with(p, new Figure(1, 50_000, Basis.GUESS)))
                    .change()
                    .apply(build);
        }
        List<Finding> odd = odd(build);
        assertThat(odd.getLast().code()).isEqualTo("figure.more");
        assertThat(odd).hasSize(13);
    }
}
