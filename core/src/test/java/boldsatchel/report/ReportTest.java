package boldsatchel.report;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.fit.FitEngine;
import boldsatchel.machine.Build;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.power.PowerResult;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What other programs are told. */
public class ReportTest {

    private static final JsonMapper MAPPER = new JsonMapper();

    private static JsonNode report(String demo) {
        return MAPPER.readTree(Report.json(Evaluator.evaluate(Library.demo(demo).orElseThrow())));
    }

    @Test
    public void theReportIsOneObjectWithEveryVerdict() {
        JsonNode root = report("harbour-watch");
        assertThat(root.path("build").asString()).isEqualTo("Harbour watch deck");
        assertThat(root.path("verdicts").valueStream().map(v -> v.path("id").asString()))
                .containsExactly("packs", "lasts", "keeps-cool", "carries", "stands", "connects", "mends", "costs");
        root.path("verdicts").forEach(v -> {
            assertThat(v.path("state").asString()).isIn("fine", "watch", "stop");
            assertThat(v.has("value") && v.has("unit") && v.has("limit") && v.has("low") && v.has("high"))
                    .isTrue();
        });
        assertThat(root.path("findings").get(0).path("code").asString()).isEqualTo("fit.lid-clash");
        assertThat(root.path("findings").get(0).path("numbers").path("depthMm").asDouble())
                .isEqualTo(3);
    }

    @Test
    public void whatCannotBeJudgedYetIsNull() {
        JsonNode root = MAPPER.readTree(Report.json(Evaluator.evaluate(Build.empty("x"))));
        assertThat(root.path("verdicts").get(0).path("value").isNull()).isTrue();
        assertThat(root.path("power").path("chains").isEmpty()).isTrue();
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void powerTellsEveryProfileRungAndCharge(String demo) {
        Evaluation evaluation = Evaluator.evaluate(Library.demo(demo).orElseThrow());
        JsonNode chain = report(demo).path("power").path("chains").get(0);
        assertThat(chain.path("profiles")
                        .valueStream()
                        .map(p -> p.path("profile").asString()))
                .containsExactlyElementsOf(evaluation.build().brief().profiles().stream()
                        .map(p -> p.name())
                        .toList());
        JsonNode judged = chain.path("profiles").get(0);
        assertThat(judged.path("hours").asDouble())
                .isCloseTo(
                        evaluation
                                .of(PowerResult.class)
                                .chains()
                                .getFirst()
                                .run()
                                .hours(),
                        within(1e-4));
        assertThat(judged.path("end").asString()).isNotBlank();
        assertThat(chain.path("startsDownTo").isNumber()).isTrue();
        assertThat(chain.path("offDays").asDouble()).isPositive();
        for (String at : new String[] {"full", "half", "nearlyEmpty"}) {
            JsonNode rungs = chain.path("rungs").path(at);
            assertThat(rungs.size()).isEqualTo((int)
                    evaluation.build().wiring().chain().getFirst().walk().count());
            rungs.forEach(r -> assertThat(r.path("watts").asDouble()).isNotNegative());
            assertThat(rungs.get(0).path("volts").asDouble()).isPositive();
        }
        JsonNode charges = report(demo).path("power").path("charges");
        assertThat(charges.size())
                .isEqualTo(evaluation.of(PowerResult.class).charges().size());
        charges.forEach(c -> assertThat(c.path("hours").asDouble()).isPositive());
    }

    /** What a script needs to check each verdict by itself: first law, lever, distances. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void theNumbersBehindEachVerdictAddUp(String demo) {
        JsonNode root = report(demo);
        JsonNode heat = root.path("heat");
        JsonNode uses = heat.path("uses");
        double least = Double.POSITIVE_INFINITY;
        for (JsonNode use : uses) {
            double watts = use.path("parts")
                    .valueStream()
                    .mapToDouble(p -> p.path("watts").asDouble())
                    .sum();
            assertThat(use.path("heatW").asDouble()).isGreaterThanOrEqualTo(watts - 1e-9);
            for (String list : new String[] {"parts", "walls"}) {
                for (JsonNode spot : use.path(list)) {
                    if (!spot.path("limitC").isNull()) {
                        least = Math.min(
                                least,
                                spot.path("limitC").asDouble()
                                        - spot.path("peakC").asDouble());
                    }
                }
            }
        }
        assertThat(least).isCloseTo(verdict(root, "keeps-cool"), within(1e-9));
        for (JsonNode use : root.path("power").path("heat")) {
            for (JsonNode step : use.path("steps")) {
                double parts = step.path("parts")
                        .valueStream()
                        .mapToDouble(JsonNode::asDouble)
                        .sum();
                assertThat(parts + step.path("wiresW").asDouble())
                        .isCloseTo(
                                step.path("inW").asDouble()
                                        - step.path("storedW").asDouble(),
                                within(1e-6));
            }
        }
        JsonNode balance = root.path("balance");
        assertThat(balance.path("items")
                        .valueStream()
                        .mapToDouble(i -> i.path("massG").asDouble())
                        .sum())
                .isCloseTo(verdict(root, "carries"), within(1e-6));
        assertThat(Stream.concat(
                                balance.path("margins").valueStream(),
                                balance.path("postures").valueStream())
                        .filter(m -> m.path("marginDeg").isNumber())
                        .mapToDouble(m -> m.path("marginDeg").asDouble())
                        .min()
                        .orElseThrow())
                .isCloseTo(verdict(root, "stands"), within(1e-9))
                .isCloseTo(balance.path("worst").path("marginDeg").asDouble(), within(1e-9));
        JsonNode fit = root.path("fit");
        double deepest = fit.path("clashes")
                .valueStream()
                .mapToDouble(c -> -c.path("depthMm").asDouble())
                .min()
                .orElse(0);
        double tightest = fit.path("gaps")
                .valueStream()
                .mapToDouble(g -> g.path("gapMm").asDouble())
                .min()
                .orElseThrow();
        assertThat(deepest < 0 ? deepest : tightest).isCloseTo(verdict(root, "packs"), within(1e-9));
        assertThat(fit.path("tightest").path("mm").asDouble()).isCloseTo(verdict(root, "packs"), within(1e-9));
        assertThat(fit.path("tightest").path("a").asString()).isNotBlank();
        for (JsonNode gap : fit.path("gaps")) {
            JsonNode place = gap.path("place");
            double apart = 0;
            for (int axis = 0; axis < 3; axis++) {
                apart = Math.hypot(
                        apart,
                        place.path("onAMm").path(axis).asDouble()
                                - place.path("onBMm").path(axis).asDouble());
            }
            assertThat(apart).isCloseTo(gap.path("gapMm").asDouble(), within(FitEngine.CONTACT_MM));
            assertThat(place.path("tray").asString()).isNotBlank();
        }
        assertThat(fit.path("tightest").path("place").path("onAMm").size()).isEqualTo(3);
    }

    private static double verdict(JsonNode root, String id) {
        return root.path("verdicts")
                .valueStream()
                .filter(v -> v.path("id").asString().equals(id))
                .findFirst()
                .orElseThrow()
                .path("value")
                .asDouble();
    }

    /** What stands behind the findings about hands, what holds, and openings, posture by posture and part by part. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void handsFixingsAndOpeningsAreTold(String demo) {
        Build build = Library.demo(demo).orElseThrow();
        JsonNode root = report(demo);
        assertThat(root.path("hands").valueStream().map(p -> p.path("posture").asString()))
                .containsExactlyElementsOf(build.casing().looks().stream()
                        .filter(p -> p.held() != Posture.Held.STOWED)
                        .map(Posture::name)
                        .toList());
        JsonNode used = root.path("hands")
                .valueStream()
                .filter(p -> p.path("posture")
                        .asString()
                        .equals(build.casing().inUse().name()))
                .findFirst()
                .orElseThrow();
        assertThat(used.path("massG").asDouble()).isPositive();
        assertThat(used.path("screens").get(0).path("capitalsArcmin").asDouble())
                .isPositive();
        boolean held = build.casing().inUse().held() == Posture.Held.HANDS;
        assertThat(used.path("loads").valueStream().map(l -> l.path("on").asString()))
                .isEqualTo(held ? List.of("wrist", "elbow") : List.of());
        assertThat(used.path("screens").get(0).path("belowDeg").isNull()).isEqualTo(held);
        assertThat(used.path("hangsDeg").isNull()).isTrue();
        assertThat(root.path("hold").path("unsaid").size()).isZero();
        assertThat(root.path("hold").has("screws") && root.path("hold").has("closedByGlue"))
                .isTrue();
        JsonNode socket = root.path("fit").path("sockets").get(0);
        assertThat(socket.path("opening").asString()).isNotBlank();
        assertThat(socket.path("lacksMm").asDouble()).isNegative();
        assertThat(root.path("fit").path("webs").isArray()).isTrue();
    }

    @Test
    public void aSocketWithoutAnOpeningHasNull() {
        Build build = Library.demo("cave-survey").orElseThrow();
        Shell slab = build.shell("slab").orElseThrow();
        Build whole = build.with(build.casing().withShell(slab.withOpenings(List.of())));
        JsonNode socket = MAPPER.readTree(Report.json(Evaluator.evaluate(whole)))
                .path("fit")
                .path("sockets")
                .get(0);
        assertThat(socket.path("part").asString()).isEqualTo("charger");
        assertThat(socket.path("opening").isNull()).isTrue();
        assertThat(socket.path("lacksMm").isNull()).isTrue();
        assertThat(socket.path("behindMm").asDouble()).isCloseTo(slab.wallMm().value(), within(1e-9));
    }
}
