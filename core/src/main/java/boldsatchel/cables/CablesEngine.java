package boldsatchel.cables;

import boldsatchel.cables.CablesResult.Bundle;
import boldsatchel.cables.CablesResult.Laying;
import boldsatchel.cables.CablesResult.Meeting;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Laid;
import boldsatchel.machine.Port;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Cables, leads and wires where they are laid: how long they have to be, how tightly they are bent, what they run through, which run together
 * and how much of the room they fill. Legs are looked at inside their trays; between two trays only their length is.
 */
public final class CablesEngine implements Engine<CablesResult> {

    /** Between two postures that many places are looked at. */
    private static final int STEPS = 4;

    /** An engine; all are alike. */
    public CablesEngine() {}

    @Override
    public String about() {
        return "how cables are laid";
    }

    @Override
    public Class<CablesResult> result() {
        return CablesResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.LAYOUT, Section.WIRING);
    }

    @Override
    public Set<Class<?>> asks() {
        return Set.of(FitResult.class);
    }

    @Override
    public CablesResult work(Build build, Results results) {
        return evaluate(build, results.of(FitResult.class).placed(), Lead.all(build));
    }

    @Override
    public CablesResult again(Build build, Results results, Last<CablesResult> last) {
        return last.isSame(build, Section.PARTS) && last.isSame(build, Section.WIRING)
                ? evaluate(
                        build,
                        results.of(FitResult.class).placed(),
                        last.result().leads())
                : work(build, results);
    }

    @Override
    public CablesResult nothing() {
        return CablesResult.NOTHING;
    }

    /** Evaluates a build. */
    public static CablesResult evaluate(Build build) {
        return evaluate(build, Placed.all(build), Lead.all(build));
    }

    static CablesResult evaluate(Build build, List<Placed> placed, List<Lead> leads) {
        if (leads.isEmpty()) {
            return CablesResult.NOTHING;
        }
        List<Way> ways = new ArrayList<>();
        List<String> unlaid = new ArrayList<>();
        for (Lead lead : leads) {
            Optional<Way> way = way(build, placed, lead);
            way.ifPresent(ways::add);
            if (way.isEmpty()) {
                unlaid.add(lead.id());
            }
        }
        List<Laying> laid = new ArrayList<>();
        if (!ways.isEmpty()) {
            List<Obstacles> trays = new ArrayList<>();
            for (Shell shell : build.casing().shells()) {
                trays.add(Obstacles.of(build.casing(), shell, placed));
            }
            List<List<Bundle>> bundles = Bundles.of(ways);
            for (int i = 0; i < ways.size(); i++) {
                laid.add(laying(build.casing(), placed, trays, ways.get(i), bundles.get(i)));
            }
        }
        return new CablesResult(leads, laid, unlaid, Filling.of(build, placed, leads, laid));
    }

    /** The way of one that is laid, where both its parts lie in the case and each of its bends in a tray of it. */
    static Optional<Way> way(Build build, List<Placed> placed, Lead lead) {
        Optional<Laid> laid = build.layout().laid(lead.id());
        Optional<Placed> one = find(placed, lead.one().part());
        Optional<Placed> other = find(placed, lead.other().part());
        return laid.filter(l ->
                        l.bends().stream().allMatch(b -> build.shell(b.shell()).isPresent()))
                .flatMap(l -> one.flatMap(a -> other.map(b -> Way.of(lead, a, b, l.bends()))));
    }

    static Optional<Placed> find(List<Placed> placed, String part) {
        for (Placed p : placed) {
            if (p.id().equals(part)) {
                return Optional.of(p);
            }
        }
        return Optional.empty();
    }

    private static Laying laying(
            Casing casing, List<Placed> placed, List<Obstacles> trays, Way way, List<Bundle> bundles) {
        Lead lead = way.lead();
        Optional<Vec> across = lead.girth().flat() ? across(placed, lead.one()) : Optional.empty();
        List<Vec> wide = across.map(way::wide).orElse(List.of());
        boolean crooked = across.isPresent()
                && !way.crosses()
                && across(placed, lead.other())
                        .filter(a -> Math.abs(a.dot(wide.getLast())) < Math.cos(Math.toRadians(45)))
                        .isPresent();
        List<Meeting> meetings = new ArrayList<>();
        for (int leg = 0; leg < way.legs(); leg++) {
            if (way.isInside(leg) && !way.isPlug(leg)) {
                String shell = way.knots().get(leg).shell();
                double radius = lead.girth().radiusMm();
                for (Bundle bundle : bundles) {
                    radius = bundle.leg() == leg ? bundle.mm() / 2 : radius;
                }
                for (Obstacles tray : trays) {
                    if (tray.shell().id().equals(shell)) {
                        tray.meet(way, leg, radius, wide.isEmpty() ? Vec.ZERO : wide.get(leg), meetings);
                    }
                }
            }
        }
        Length length = length(casing, way);
        return new Laying(
                way,
                length.mm,
                length.posture,
                way.corners(across),
                meetings,
                bundles,
                wide,
                crooked,
                crooked ? Optional.empty() : needs(placed, way, across));
    }

    /** Between trays nobody says how a flat cable is led. */
    private static Optional<Facet.Joins.Ends> needs(List<Placed> placed, Way way, Optional<Vec> across) {
        Optional<Vec> one = contacts(placed, way.lead().one());
        Optional<Vec> other = contacts(placed, way.lead().other());
        return across.isPresent() && one.isPresent() && other.isPresent() && !way.crosses()
                ? Optional.of(
                        way.carried(across.get(), one.get()).dot(other.get()) > 0
                                ? Facet.Joins.Ends.SAME
                                : Facet.Joins.Ends.OPPOSITE)
                : Optional.empty();
    }

    /** Where the contacts of a cable have to look to in a socket, in the frame of its tray. */
    private static Optional<Vec> contacts(List<Placed> placed, Lead.End end) {
        return end.port()
                .flatMap(Port::contactSide)
                .flatMap(side -> find(placed, end.part())
                        .map(p -> p.placement().orientation().turn(side)))
                .map(face -> Vec.on(face.axis(), face.sign()));
    }

    private static Optional<Vec> across(List<Placed> placed, Lead.End end) {
        Optional<Port> port = end.port();
        return find(placed, end.part()).flatMap(p -> port.map(o -> Way.across(p, o)));
    }

    private record Length(double mm, String posture) {}

    /** The furthest it has to go, in postures and on the way between them. */
    private static Length length(Casing casing, Way way) {
        if (!way.crosses()) {
            return new Length(way.lengthMm(casing, Posture.CLOSED), "");
        }
        Length longest = new Length(0, "");
        List<Posture> looks = casing.looks();
        for (int i = 0; i < looks.size(); i++) {
            for (int step = 0; step < (i + 1 < looks.size() ? STEPS : 1); step++) {
                Posture at = step == 0 ? looks.get(i) : between(casing, looks.get(i), looks.get(i + 1), step);
                double mm = way.lengthMm(casing, at);
                if (mm > longest.mm) {
                    longest = new Length(mm, at.name());
                }
            }
        }
        return longest;
    }

    private static Posture between(Casing casing, Posture from, Posture to, int step) {
        List<Posture.Setting> settings = new ArrayList<>();
        casing.joints().forEach(j -> {
            double a = from.amount(j);
            settings.add(new Posture.Setting(j.id(), a + (to.amount(j) - a) * step / STEPS));
        });
        return new Posture(from.name() + " to " + to.name(), to.held(), false, settings);
    }
}
