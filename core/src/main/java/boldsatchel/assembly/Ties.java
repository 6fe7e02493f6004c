package boldsatchel.assembly;

import boldsatchel.cables.CablesResult;
import boldsatchel.cables.Lead;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.links.Run;
import boldsatchel.machine.Build;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * What holds parts to one another: cards in their slots and what is stuck on others, wires without a plug, leads too short to take a part
 * aside. Parts are told by their place in a list.
 *
 * @param riders what rides on what
 * @param soldered wires that do not come apart, and so short that what they hold goes in together
 * @param trailing wires that do not come apart, but so long that the one part, or the tray it is in, can lie beside the case while the other is
 *     in it
 * @param tight leads that must be plugged where both parts lie
 */
record Ties(SortedMap<Integer, Rider> riders, List<Soldered> soldered, List<Soldered> trailing, List<Tight> tight) {

    /** A lead with so much to spare lets its part be taken aside with the lead still plugged in, mm; a guess. */
    static final double SPARE_MM = 40;

    /** Over the rim and down to what lies beside the case wires take so much more, mm; a guess. */
    private static final double BESIDE_MM = 30;

    /**
     * A part that another one carries.
     *
     * @param host which
     * @param away to which side it leaves it, in the frame of their tray
     */
    record Rider(int host, Face away) {}

    /**
     * Wires that do not come apart.
     *
     * @param lead id
     */
    record Soldered(String lead, int one, int other) {}

    /**
     * A lead that is too short to be plugged in hand.
     *
     * @param lead id
     * @param onePort where it ends, if that is known
     */
    record Tight(String lead, int one, Optional<Port> onePort, int other, Optional<Port> otherPort) {}

    /** How a rider rides. */
    Rider rider(int part) {
        return Optional.ofNullable(riders.get(part)).orElseThrow();
    }

    /**
     * What holds parts.
     *
     * @param plugged what is {@link #plugged} into what
     */
    static Ties of(
            Build build,
            List<Placed> placed,
            CablesResult cables,
            List<Loosening> loosened,
            Map<Integer, Rider> plugged) {
        Map<String, Integer> index = index(placed);
        Map<Integer, Rider> riders = new HashMap<>(plugged);
        stuck(placed, riders);
        List<Soldered> soldered = new ArrayList<>();
        List<Soldered> trailing = new ArrayList<>();
        List<Tight> tight = new ArrayList<>();
        for (Lead lead : cables.leads()) {
            Integer one = index.get(lead.one().part());
            Integer other = index.get(lead.other().part());
            if (one != null && other != null && !one.equals(other)) {
                if (!comesApart(build, lead)) {
                    if (!loosened.contains(Loosening.of(Loosening.Kind.CONNECTOR, lead.id()))) {
                        boolean trails = lead.lengthMm().orElse(0) >= besideMm(placed.get(one), placed.get(other));
                        (trails ? trailing : soldered).add(new Soldered(lead.id(), one, other));
                    }
                } else if (isShort(cables, lead)
                        && !loosened.contains(Loosening.of(Loosening.Kind.LONGER_LEAD, lead.id()))) {
                    tight.add(new Tight(
                            lead.id(),
                            one,
                            lead.one().port(),
                            other,
                            lead.other().port()));
                }
            }
        }
        return new Ties(
                Collections.unmodifiableSortedMap(new TreeMap<>(riders)),
                List.copyOf(soldered),
                List.copyOf(trailing),
                List.copyOf(tight));
    }

    /**
     * What wires between two parts take while the one lies in its place and the other beside the case; where they are in two trays, while
     * those lie open side by side.
     */
    private static double besideMm(Placed one, Placed other) {
        return one.shell().id().equals(other.shell().id())
                ? Math.max(besideMm(one), besideMm(other))
                : besideMm(one) + besideMm(other);
    }

    /** What wires of a part that lies in its place take to something beside the case. */
    private static double besideMm(Placed part) {
        Box out = part.shell().outside();
        Vec middle = part.bounds().centre();
        double aside = Double.POSITIVE_INFINITY;
        for (Face face : List.of(Face.LEFT, Face.RIGHT, Face.FRONT, Face.BACK)) {
            aside = Math.min(aside, face.sign() * (out.end(face) - middle.along(face.axis())));
        }
        return Math.max(0, aside) + Math.max(0, out.high(2) - middle.z()) + BESIDE_MM;
    }

    /** All wires that do not come apart. */
    Stream<Soldered> fast() {
        return Stream.concat(soldered.stream(), trailing.stream());
    }

    private static Map<String, Integer> index(List<Placed> placed) {
        Map<String, Integer> index = new HashMap<>();
        for (int i = 0; i < placed.size(); i++) {
            index.put(placed.get(i).id(), i);
        }
        return index;
    }

    /** Cards, and what else is plugged straight into a part of its tray; goes with how parts are turned, not with where in the tray they lie. */
    static Map<Integer, Rider> plugged(Build build, List<Placed> placed) {
        Map<String, Integer> index = index(placed);
        Map<Integer, Rider> riders = new HashMap<>();
        for (Run run : Run.all(build)) {
            Integer one = index.get(run.one().part());
            Integer other = index.get(run.other().part());
            if (!run.cables().isEmpty()
                    || one == null
                    || other == null
                    || !placed.get(one)
                            .shell()
                            .id()
                            .equals(placed.get(other).shell().id())) {
                continue;
            }
            Optional<Port> onePort = placed.get(one).part().port(run.one().port());
            Optional<Port> otherPort = placed.get(other).part().port(run.other().port());
            onePort.filter(Ties::isEdge).ifPresent(p -> rides(placed, one, other, p, riders));
            otherPort.filter(Ties::isEdge).ifPresent(p -> rides(placed, other, one, p, riders));
        }
        return riders;
    }

    /** Whether a plug is part of its body, not at the end of a lead. */
    private static boolean isEdge(Port port) {
        return port.plug() && port.connector().roomMm(Port.Use.INSIDE_STRAIGHT) == 0;
    }

    private static void rides(List<Placed> placed, int rider, int host, Port plug, Map<Integer, Rider> riders) {
        if (!ridesOn(riders, /* rider= */ host, /* host= */ rider)) {
            Face into = placed.get(rider).placement().orientation().turn(plug.face());
            riders.putIfAbsent(rider, new Rider(host, into.opposite()));
        }
    }

    /** Whether one rides on another, over others or by itself. */
    private static boolean ridesOn(Map<Integer, Rider> riders, int rider, int host) {
        int at = rider;
        while (at != host) {
            Rider next = riders.get(at);
            if (next == null) {
                return false;
            }
            at = next.host();
        }
        return true;
    }

    /** What is stuck on another part and touches no wall. */
    private static void stuck(List<Placed> placed, Map<Integer, Rider> riders) {
        for (int i = 0; i < placed.size(); i++) {
            Placed part = placed.get(i);
            boolean stuck = part.placement()
                    .fixing()
                    .map(f -> f.by() == Fixing.By.TAPE || f.by() == Fixing.By.GLUE)
                    .orElse(false);
            if (!stuck || riders.containsKey(i) || leansOnTray(part)) {
                continue;
            }
            int host = -1;
            for (int j = 0; j < placed.size(); j++) {
                Placed other = placed.get(j);
                if (j != i
                        && other.shell().id().equals(part.shell().id())
                        && part.placement().touches().contains(other.id())
                        && (host < 0
                                || other.bounds().volume()
                                        > placed.get(host).bounds().volume())) {
                    host = j;
                }
            }
            if (host >= 0 && !ridesOn(riders, host, i)) {
                riders.put(
                        i, new Rider(host, away(part.bounds(), placed.get(host).bounds())));
            }
        }
    }

    private static boolean leansOnTray(Placed part) {
        Box cavity = part.shell().cavity();
        for (Face face : Face.ALL) {
            boolean open = face == Face.TOP && part.shell().openTop();
            double space = face.sign() * (cavity.end(face) - part.bounds().end(face));
            if (!open && space < FitEngine.CONTACT_MM) {
                return true;
            }
        }
        return false;
    }

    private static Face away(Box part, Box host) {
        Face best = Face.TOP;
        double most = Double.NEGATIVE_INFINITY;
        for (Face face : Face.ALL) {
            double beyond = face.sign() > 0
                    ? part.low(face.axis()) - host.high(face.axis())
                    : host.low(face.axis()) - part.high(face.axis());
            if (beyond > most) {
                most = beyond;
                best = face;
            }
        }
        return best;
    }

    private static boolean isShort(CablesResult cables, Lead lead) {
        return cables.laid().stream()
                .anyMatch(l -> l.lead().id().equals(lead.id())
                        && l.spareMm().isPresent()
                        && l.spareMm().getAsDouble() < SPARE_MM);
    }

    /** Whether something led can be parted without a soldering iron. */
    static boolean comesApart(Build build, Lead lead) {
        if (lead.kind() != Lead.Kind.WIRES) {
            return !(isSoldered(lead.one()) && isSoldered(lead.other()));
        }
        if (lead.one().port().isPresent() || lead.other().port().isPresent()) {
            return true;
        }
        return build.rung(lead.id())
                        .filter(r -> r.stage() instanceof Rung.Wire w && w.readyMade())
                        .isPresent()
                || contacts(build, lead).stream().anyMatch(c -> c.kind() == Rung.ContactKind.CONNECTOR);
    }

    private static boolean isSoldered(Lead.End end) {
        return end.port()
                .filter(p -> p.connector() == Connector.PADS || p.connector() == Connector.WIRES)
                .isPresent();
    }

    /** Fuses, switches and plugs between the parts that wires lead from and to, from the source down. */
    static List<Rung.Contact> contacts(Build build, Lead lead) {
        List<Rung.Contact> contacts = new ArrayList<>();
        for (Rung root : build.wiring().chain()) {
            List<Rung> above = root.pathTo(lead.id());
            int from = above.size() - 1;
            while (from > 0 && above.get(from - 1).parts().isEmpty()) {
                from--;
            }
            above.subList(Math.max(0, from), above.size()).forEach(r -> contact(r, contacts));
        }
        build.rung(lead.id()).ifPresent(w -> w.pathToPart(lead.other().part()).forEach(r -> contact(r, contacts)));
        return contacts;
    }

    private static void contact(Rung rung, List<Rung.Contact> into) {
        if (rung.stage() instanceof Rung.Contact c) {
            into.add(c);
        }
    }
}
