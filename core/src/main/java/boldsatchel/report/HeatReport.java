package boldsatchel.report;

import static boldsatchel.report.Report.number;

import boldsatchel.fit.FitResult;
import boldsatchel.heat.HeatResult;
import boldsatchel.heat.HeatRun;
import boldsatchel.heat.Noise;
import boldsatchel.heat.Sustained;
import boldsatchel.machine.Build;
import boldsatchel.machine.UseProfile;
import boldsatchel.power.Points;
import boldsatchel.power.Warmth;
import boldsatchel.verdict.Evaluation;
import java.util.Locale;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What stands behind <em>Keeps cool</em>. */
final class HeatReport {

    private HeatReport() {}

    static void write(ObjectNode node, Evaluation evaluation) {
        HeatResult heat = evaluation.of(HeatResult.class);
        ArrayNode uses = node.putArray("uses");
        heat.uses().forEach(u -> use(uses.addObject(), u));
        heat.gravest().ifPresent(u -> node.put("gravest", heat.uses().indexOf(u)));
        heat.hottest().ifPresent(s -> node.put("hottest", s.name()));
        number(node, "noiseDb", Noise.of(evaluation.build()).decibels().orElse(Double.NaN));
        ArrayNode loose = node.putArray("notPlaced");
        heat.loose().forEach(loose::add);
        runs(node, evaluation);
    }

    /** Each profile followed through time, and the warmest of them plugged in where something can be. */
    private static void runs(ObjectNode node, Evaluation evaluation) {
        Build build = evaluation.build();
        FitResult fit = evaluation.of(FitResult.class);
        Points points = evaluation.of(Points.class);
        ArrayNode runs = node.putArray("runs");
        ArrayNode sustained = node.putArray("sustained");
        for (Warmth warmth : points.warmths()) {
            UseProfile profile = build.brief().profiles().stream()
                    .filter(p -> p.name().equals(warmth.profile()))
                    .findFirst()
                    .orElse(build.brief().profile());
            HeatRun.of(build, fit, points, profile, warmth.pluggedIn())
                    .ifPresent(run -> run(runs.addObject(), run, warmth.pluggedIn()));
            Sustained.of(build, fit, points, profile, warmth.pluggedIn())
                    .ifPresent(s -> sustained(sustained.addObject(), s, warmth));
        }
    }

    private static void run(ObjectNode node, HeatRun run, boolean pluggedIn) {
        node.put("profile", run.profile());
        node.put("pluggedIn", pluggedIn);
        number(node, "hours", run.hours());
        node.put("end", run.end().map(e -> e.kind().words()).orElse(null));
        number(node, "work", run.work());
        ArrayNode events = node.putArray("events");
        for (HeatRun.Event event : run.events()) {
            ObjectNode at = events.addObject();
            number(at, "hours", event.hours());
            at.put("kind", event.kind().name().toLowerCase(Locale.ROOT).replace('_', '-'));
            if (event.spot() >= 0) {
                at.put("at", run.spots().get(event.spot()).name());
                number(at, "celsius", event.celsius());
            }
        }
        ObjectNode heat = node.putObject("heatJ");
        number(heat, "putIn", run.heat().putInJ());
        number(heat, "stored", run.heat().storedJ());
        number(heat, "givenOff", run.heat().givenOffJ());
        ArrayNode spots = node.putArray("spots");
        for (int i = 0; i < run.spots().size(); i++) {
            ObjectNode at = spots.addObject();
            at.put("name", run.spots().get(i).name());
            number(at, "limitC", run.spots().get(i).limitC());
            number(at, "highestC", run.highestC(i));
            number(at, "lastC", run.moments().getLast().celsius().get(i));
        }
    }

    private static void sustained(ObjectNode node, Sustained s, Warmth warmth) {
        node.put("profile", warmth.profile());
        node.put("pluggedIn", warmth.pluggedIn());
        node.put("step", s.step().name());
        number(node, "watts", s.watts());
        number(node, "askedW", s.askedW());
        number(node, "waitingW", s.waitingW());
        number(node, "work", s.work());
        node.put("first", s.first().map(HeatRun.Spot::name).orElse(null));
        number(node, "burstSeconds", s.burstSeconds());
    }

    private static void use(ObjectNode node, HeatResult.Use use) {
        node.put("profile", use.profile());
        node.put("pluggedIn", use.when().pluggedIn());
        node.put("lidClosed", use.when().closed());
        number(node, "minutes", use.minutes());
        number(node, "heatW", use.heatW());
        number(node, "sunW", use.sunW());
        use.waiting().ifPresent(w -> {
            ObjectNode fans = node.putObject("fansWait");
            ArrayNode which = fans.putArray("parts");
            w.fans().forEach(which::add);
            fans.put("byTurns", w.byTurns());
            number(fans, "marginRunningK", w.runningK().get());
        });
        ArrayNode parts = node.putArray("parts");
        ArrayNode walls = node.putArray("walls");
        for (HeatResult.Spot spot : use.spots()) {
            boolean part = spot.kind() == HeatResult.Kind.PART;
            ObjectNode at = (part ? parts : walls).addObject();
            at.put(part ? "part" : "shell", spot.subject());
            spot.wall().ifPresent(w -> at.put("wall", w.words()));
            at.put("name", spot.name());
            number(at, "peakC", spot.celsius());
            number(at, "meanC", spot.meanC());
            number(at, "limitC", spot.limitC());
            if (part) {
                number(at, "watts", spot.heatW());
            }
        }
        ArrayNode airs = node.putArray("air");
        for (HeatResult.ShellAir air : use.shells()) {
            ObjectNode at = airs.addObject();
            at.put("shell", air.shell());
            number(at, "meanC", air.airC());
            number(at, "wallsMeanC", air.wallMeanC());
            number(at, "flowLs", air.flowLs());
            ArrayNode out = at.putArray("outLs");
            air.outLs().forEach(out::add);
            number(at, "drawnAgain", air.again());
            number(at, "insideLs", air.insideLs());
            number(at, "carriedW", air.ventW());
            ArrayNode fins = at.putArray("fins");
            for (HeatResult.FinsAt f : air.fins()) {
                ObjectNode each = fins.addObject();
                each.put("part", f.part());
                number(each, "flowLs", f.flowLs());
                each.put("leaves", f.out());
                number(each, "watts", f.watts());
            }
        }
    }
}
