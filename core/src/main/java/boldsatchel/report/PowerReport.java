package boldsatchel.report;

import static boldsatchel.report.Report.number;

import boldsatchel.machine.Build;
import boldsatchel.machine.Rung;
import boldsatchel.power.Breach;
import boldsatchel.power.Charge;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.Points;
import boldsatchel.power.PowerResult;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.power.Warmth;
import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What stands behind <em>Lasts</em>. */
final class PowerReport {

    private PowerReport() {}

    static void write(ObjectNode node, Build build, PowerResult power, Points points) {
        ArrayNode chains = node.putArray("chains");
        power.chains().forEach(c -> chain(chains.addObject(), build, c));
        power.cliff().ifPresent(c -> {
            ObjectNode cliff = node.putObject("mayStopAtOnce");
            number(cliff, "chance", c.chance());
            cliff.put("limit", c.limit().kind().words());
            cliff.put("rung", c.limit().rung());
        });
        ArrayNode charges = node.putArray("charges");
        power.charges().forEach(c -> charge(charges.addObject(), c));
        ArrayNode warmths = node.putArray("heat");
        points.warmths().forEach(w -> warmth(warmths.addObject(), w));
    }

    private static void chain(ObjectNode node, Build build, ChainResult chain) {
        node.put("source", chain.source());
        ArrayNode profiles = node.putArray("profiles");
        profile(
                profiles.addObject(),
                build.brief().profile().name(),
                chain.run().hours(),
                chain.run().end());
        chain.otherRuns().forEach((name, run) -> profile(profiles.addObject(), name, run.hours(), run.end()));
        ObjectNode cells = node.putObject("cellsC");
        build.rung(chain.source()).map(Rung::sources).orElse(List.of()).stream()
                .flatMap(r -> r.part().stream())
                .distinct()
                .forEach(id -> number(cells, id, chain.cells().of(id)));
        number(node, "startsDownTo", chain.startsDownTo().orElse(Double.NaN));
        number(node, "offDays", chain.offDays());
        chain.withoutOne().ifPresent(hours -> number(node, "hoursWithoutOne", hours));
        ObjectNode rungs = node.putObject("rungs");
        rungs(rungs.putArray("full"), chain.full());
        rungs(rungs.putArray("half"), chain.half());
        rungs(rungs.putArray("nearlyEmpty"), chain.low());
        sockets(node.putArray("sockets"), build, chain);
    }

    private static void profile(ObjectNode node, String name, double hours, Breach end) {
        node.put("profile", name);
        number(node, "hours", hours);
        node.put("end", Double.isInfinite(hours) ? "goes on" : end.kind().words());
        node.put("endsAt", end.rung());
    }

    private static void rungs(ArrayNode array, OperatingPoint point) {
        point.rungs().forEach((id, state) -> {
            ObjectNode rung = array.addObject();
            rung.put("rung", id);
            number(rung, "volts", state.voltsOut());
            number(rung, "amps", Math.max(state.ampsIn(), state.ampsOut()));
            number(rung, "watts", state.voltsIn() * state.ampsIn());
            number(rung, "heatW", state.heatW());
        });
    }

    /** What every socket that feeds something gives, in the hardest step at full charge. */
    private static void sockets(ArrayNode array, Build build, ChainResult chain) {
        build.rungs().filter(r -> r.stage() instanceof Rung.Socket).forEach(rung -> {
            Rung.Socket socket = (Rung.Socket) rung.stage();
            chain.full().rung(rung.id()).ifPresent(state -> {
                ObjectNode node = array.addObject();
                node.put("rung", rung.id());
                node.put("part", socket.part());
                node.put("socket", socket.port());
                number(node, "volts", state.voltsOut());
                number(node, "amps", state.ampsOut());
                build.outlet(rung).ifPresent(o -> {
                    number(node, "mostA", o.gives().amps());
                    o.rail().ifPresent(r -> {
                        node.put("rail", r.name());
                        number(node, "railMostA", r.amps());
                        node.put("live", r.live().words());
                    });
                });
            });
        });
    }

    private static void charge(ObjectNode node, Charge.Result charge) {
        node.put("rung", charge.rung());
        node.put("store", charge.store());
        node.put("supply", charge.supply());
        number(node, "hours", charge.off().hours());
        number(node, "hoursRunning", charge.running().hours());
        number(node, "cellsA", charge.cellsA());
        ArrayNode offers = node.putArray("bySupply");
        curve(node.putArray("curve"), charge.off());
        curve(node.putArray("curveRunning"), charge.running());
        charge.byOffer().get().forEach(o -> {
            ObjectNode offer = offers.addObject();
            number(offer, "volts", o.offer().volts());
            number(offer, "amps", o.offer().amps());
            number(offer, "hours", o.hours());
        });
    }

    private static void curve(ArrayNode array, Charge.Curve curve) {
        curve.samples().forEach(s -> {
            ObjectNode at = array.addObject();
            number(at, "hours", s.hours());
            number(at, "level", s.level());
            number(at, "volts", s.volts());
            number(at, "amps", s.amps());
        });
    }

    private static void warmth(ObjectNode node, Warmth warmth) {
        node.put("profile", warmth.profile());
        node.put("pluggedIn", warmth.pluggedIn());
        ArrayNode steps = node.putArray("steps");
        warmth.steps().forEach(s -> {
            ObjectNode step = steps.addObject();
            step.put("step", s.use().name());
            number(step, "minutes", s.use().minutes());
            number(step, "inW", s.inW());
            number(step, "storedW", s.storedW());
            number(step, "wiresW", s.wiresW());
            ObjectNode parts = step.putObject("parts");
            s.byPart().keySet().stream()
                    .sorted()
                    .forEach(id -> number(parts, id, s.byPart().getOrDefault(id, 0.0)));
        });
    }
}
