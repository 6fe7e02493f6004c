package boldsatchel.report;

import static boldsatchel.report.Report.number;

import boldsatchel.bench.BenchResult;
import boldsatchel.bench.Expectation;
import boldsatchel.bench.Measurand;
import java.time.LocalDate;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Plan against measured in a report. */
final class BenchReport {

    private BenchReport() {}

    static void write(ObjectNode at, BenchResult bench) {
        ArrayNode readings = at.putArray("readings");
        bench.compared().forEach(c -> reading(readings.addObject(), c));
    }

    private static void reading(ObjectNode node, BenchResult.Compared c) {
        node.put("test", c.test().test());
        node.put("part", c.test().part());
        node.put("on", c.test().on().map(LocalDate::toString).orElse(""));
        node.put("instrument", c.test().instrument());
        node.put("what", c.taken().what());
        node.put(
                "unit",
                c.measurand().map(Measurand::quantity).map(q -> q.unit()).orElse(""));
        number(node, "measured", c.taken().value().value());
        number(node, "plusMinus", c.taken().value().plusMinus());
        Optional<Expectation> expected = c.expected();
        number(node, "planned", expected.map(Expectation::value).orElse(Double.NaN));
        number(node, "low", expected.map(Expectation::low).orElse(Double.NaN));
        number(node, "high", expected.map(Expectation::high).orElse(Double.NaN));
        node.put("differs", c.differs());
        node.put("latest", c.latest());
    }
}
