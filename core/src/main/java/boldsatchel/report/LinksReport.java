package boldsatchel.report;

import static boldsatchel.report.Report.number;
import static boldsatchel.report.Report.word;

import boldsatchel.links.Bus;
import boldsatchel.links.Copies;
import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.links.PinUse;
import boldsatchel.links.Route;
import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Signal;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What talks to what in a report. */
final class LinksReport {

    private LinksReport() {}

    static void write(ObjectNode at, Build build, LinksResult links) {
        ArrayNode needs = at.putArray("needs");
        links.needs().forEach(n -> need(needs.addObject(), n));
        ArrayNode offers = at.putArray("offers");
        for (Part part : build.parts().list()) {
            for (Port port : part.body().ports()) {
                port.carries().stream().filter(Carried::given).forEach(c -> offer(offers.addObject(), part, port, c));
            }
        }
        ArrayNode plugged = at.putArray("links");
        for (Link link : build.wiring().links()) {
            ObjectNode node = plugged.addObject();
            node.put("id", link.id());
            end(node, "from", link.one());
            end(node, "to", link.other());
        }
        ArrayNode cables = at.putArray("cables");
        build.parts().list().stream().filter(Part::isLed).forEach(p -> cable(cables.addObject(), p));
        ArrayNode pins = at.putArray("pins");
        links.pins().forEach(p -> pin(pins.addObject(), p));
        ArrayNode bus = at.putArray("addresses");
        for (Need need : links.needs()) {
            build.part(need.part())
                    .flatMap(p -> p.facet(Facet.OnBus.class))
                    .filter(b -> !b.addresses().isEmpty())
                    .ifPresent(b -> need.route()
                            .map(r -> r.hops().getFirst())
                            .filter(h -> h.taken().signal().kind() == Signal.Kind.I2C)
                            .ifPresent(h -> {
                                ObjectNode node = bus.addObject();
                                node.put("part", need.part());
                                node.put("address", b.addresses().getFirst());
                                end(node, "bus", h.giver());
                            }));
        }
        ArrayNode buses = at.putArray("buses");
        Bus.all(build, links.needs()).forEach(b -> bus(buses.addObject(), b));
        ArrayNode drives = at.putArray("drives");
        Copies.all(build, links).forEach(c -> {
            ObjectNode node = drives.addObject();
            node.put("part", c.part());
            number(node, "aloneMbPerSecond", c.aloneMbS());
            number(node, "togetherMbPerSecond", c.togetherMbS());
            number(node, "secondsFor10Gb", Copies.Copy.seconds(c.aloneMbS()));
        });
        ArrayNode flaws = at.putArray("flaws");
        links.flaws().forEach(f -> {
            ObjectNode node = flaws.addObject();
            node.put("kind", word(f.kind()));
            ArrayNode parts = node.putArray("parts");
            f.subjects().forEach(parts::add);
            node.put("duty", f.duty());
            number(node, "is", f.is());
            number(node, "may", f.may());
        });
    }

    private static void bus(ObjectNode node, Bus bus) {
        end(node, "at", bus.header());
        ArrayNode parts = node.putArray("parts");
        bus.parts().forEach(parts::add);
        number(node, "pullUpOhms", bus.pullUpOhms());
        number(node, "farads", bus.farads());
        number(node, "riseSeconds", bus.riseSeconds());
        number(node, "riseMostSeconds", bus.riseMostSeconds());
    }

    private static void end(ObjectNode at, String name, Link.End end) {
        ObjectNode node = at.putObject(name);
        node.put("part", end.part());
        node.put("socket", end.port());
    }

    private static void need(ObjectNode node, Need need) {
        node.put("part", need.part());
        node.put("duty", need.duty());
        ArrayNode kinds = node.putArray("kinds");
        need.kinds().forEach(k -> kinds.add(word(k)));
        node.put("state", word(need.why()));
        number(node, "wantsBitsPerSecond", need.wantsBits());
        need.route().ifPresent(r -> route(node.putObject("route"), r));
    }

    private static void route(ObjectNode node, Route route) {
        end(node, "from", route.giver());
        node.put("signal", word(route.given().signal()));
        ArrayNode through = node.putArray("through");
        route.through().forEach(through::add);
        number(node, "bitsPerSecond", route.bitsPerSecond());
        number(node, "lengthMm", route.lengthMm());
    }

    private static void offer(ObjectNode node, Part part, Port port, Carried given) {
        node.put("part", part.id());
        node.put("socket", port.id());
        node.put("signal", word(given.signal()));
        node.put("lanes", given.lanes());
        if (!given.duty().isEmpty()) {
            node.put("passedOnFrom", given.duty());
        }
    }

    private static void cable(ObjectNode node, Part part) {
        Facet.Joins joins = part.facet(Facet.Joins.class).orElseThrow();
        node.put("part", part.id());
        number(node, "lengthMm", joins.lengthMm().value());
        node.put("flat", joins.flat());
        ArrayNode signals = node.putArray("carries");
        joins.signals().forEach(s -> signals.add(word(s)));
        ArrayNode ends = node.putArray("ends");
        part.body().ports().forEach(p -> {
            ObjectNode end = ends.addObject();
            end.put("id", p.id());
            end.put("connector", word(p.connector()));
            end.put("plug", p.plug());
        });
    }

    private static void pin(ObjectNode node, PinUse use) {
        end(node, "header", use.header());
        node.put("pin", use.pin());
        node.put("signal", word(use.signal()));
        node.put("part", use.part());
        node.put("duty", use.duty());
    }
}
