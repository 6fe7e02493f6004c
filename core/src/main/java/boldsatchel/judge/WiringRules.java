package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Usual;
import boldsatchel.power.Copper;
import boldsatchel.power.Sizing;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.List;
import java.util.OptionalInt;

/** Fuses, switches, wires and joints. */
final class WiringRules {

    /** A machine on the shelf should last so long, days; a guess at patience. */
    private static final double PATIENT_DAYS = 60;
    /** A wire with this many times the copper it needs is in the way. */
    private static final double THICK = 4;
    /** A wire thinner than this is never in the way, mm². */
    private static final double SLENDER_MM2 = 0.8;

    private static final double SHORT_WIRE_MM = 60;

    /** Two ends of two wires. */
    private static final int JOINTS = 4;

    private final Line line;
    private final Sheet sheet;

    private WiringRules(Line line) {
        this.line = line;
        this.sheet = new Sheet(new WiringTelling(line));
    }

    static List<Finding> judge(Line line) {
        WiringRules rules = new WiringRules(line);
        rules.switches();
        rules.idleDrain();
        line.root().walk().filter(r -> r.stage() instanceof Rung.Wire).forEach(rules::wire);
        return rules.sheet.findings();
    }

    static boolean isFuse(Rung r) {
        return r.stage() instanceof Rung.Contact c && c.kind() == Rung.ContactKind.FUSE;
    }

    private void switches() {
        line.root()
                .walk()
                .filter(r -> r.stage() instanceof Rung.Contact c && c.kind() == Rung.ContactKind.BUTTON)
                .forEach(r -> sheet.add(
                        "power.bag-switch",
                        Severity.WATCH,
                        List.of(r.id()),
                        numbers("watts", line.chain().half().watts())));
    }

    private void idleDrain() {
        double days = line.chain().offDays();
        boolean switched = line.root()
                .walk()
                .anyMatch(r -> r.stage() instanceof Rung.Contact c && c.kind().opens());
        if (days < PATIENT_DAYS && !line.stores().isEmpty() && !switched) {
            sheet.add(
                    "power.idle-drain",
                    Severity.WATCH,
                    List.of(line.root().id()),
                    numbers("days", days, "limitDays", PATIENT_DAYS));
        }
    }

    /** The thinnest gauge that would do for a wire. */
    static OptionalInt neededGauge(Line line, Rung rung, Rung.Wire wire) {
        double volts = line.rail(rung.id()).lowV();
        return Sizing.gauge(line.steadyA(rung.id()), wire.lengthMm(), Math.max(0.01, volts * Usual.DROP_SHARE));
    }

    private void wire(Rung rung) {
        Rung.Wire wire = (Rung.Wire) rung.stage();
        double amps = line.steadyA(rung.id());
        double bears = Copper.closedCaseAmps(wire.awg());
        OptionalInt needed = neededGauge(line, rung, wire);
        if (amps > bears) {
            sheet.add("power.wire-thin", Severity.WATCH, List.of(rung.id()), numbers("amps", amps, "limitA", bears));
        } else if (!wire.readyMade()
                && needed.isPresent()
                && wire.lengthMm() > SHORT_WIRE_MM
                && Copper.sectionMm2(wire.awg()) > THICK * Copper.sectionMm2(needed.getAsInt()) * 1.01
                && Copper.sectionMm2(wire.awg()) > SLENDER_MM2) {
            double room = wire.lengthMm() * 2 * outsideMm2(wire.awg()) / 1000;
            sheet.add(
                    "power.wire-thick",
                    Severity.NOTE,
                    List.of(rung.id()),
                    numbers("amps", amps, "limitA", bears, "roomCm3", room, "neededAwg", needed.getAsInt()));
        }
        fuseAgainstWire(rung, wire);
        wire.finish().ifPresent(f -> finish(rung, f));
    }

    /** Square around an insulated wire: copper plus 0.4 mm of insulation on each side. */
    private static double outsideMm2(int awg) {
        double d = Copper.diameterMm(awg) * 1.15 + 0.8;
        return d * d;
    }

    /** A fuse protects the wire behind it; behind a converter the converter's own limit does. */
    private void fuseAgainstWire(Rung rung, Rung.Wire wire) {
        if (line.rail(rung.id()).converter().isPresent()) {
            return;
        }
        double bears = Copper.openAirAmps(wire.awg());
        line.root().pathTo(rung.id()).reversed().stream()
                .filter(WiringRules::isFuse)
                .findFirst()
                .filter(f -> ((Rung.Contact) f.stage()).ratedA() > bears)
                .ifPresent(f -> sheet.add(
                        "power.fuse-large",
                        Severity.WATCH,
                        List.of(f.id(), rung.id()),
                        numbers("fuseA", ((Rung.Contact) f.stage()).ratedA(), "limitA", bears)));
    }

    private void finish(Rung rung, Rung.Finish finish) {
        if (!finish.toldApart()) {
            sheet.add(
                    "power.one-colour",
                    Severity.WATCH,
                    List.of(rung.id()),
                    numbers("joints", JOINTS, "volts", line.rail(rung.id()).highV()));
        }
        if (!finish.sleeved()) {
            double amps = line.stores().stream()
                    .filter(p -> p.facet(Facet.Cells.class).isPresent())
                    .mapToDouble(FuseRule::shortA)
                    .max()
                    .orElse(line.steadyA(rung.id()));
            sheet.add("power.bare-joints", Severity.WATCH, List.of(rung.id()), numbers("joints", JOINTS, "amps", amps));
        }
    }
}
