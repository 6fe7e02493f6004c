package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.numbers;

import boldsatchel.edit.ChainEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.CellCurve;
import boldsatchel.power.Copper;
import boldsatchel.power.Sizing;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/** Fuses, switches and wires: what is missing, too thin, too thick or easily mistaken. */
final class WiringRules {

    /** A machine that is flat after fewer days than this on the shelf drains itself. */
    private static final double PATIENT_DAYS = 60;
    /** A wire with this many times the copper it needs is in the way. */
    private static final double THICK = 4;

    private static final double SHORT_WIRE_MM = 60;

    private final Line line;
    private final Build build;
    private final Words.Sheet sheet;

    private WiringRules(Line line) {
        this.line = line;
        this.build = line.build();
        this.sheet = line.sheet();
    }

    static void judge(Line line) {
        WiringRules rules = new WiringRules(line);
        rules.fuse();
        rules.switches();
        rules.idleDrain();
        line.root().walk().filter(r -> r.stage() instanceof Rung.Wire).forEach(rules::wire);
    }

    /** Cells can feed a short circuit; a bank or an adapter limits itself. */
    private void fuse() {
        for (Rung source : line.root().sources()) {
            Optional<Part> cells =
                    build.partOf(source).filter(p -> p.facet(Facet.Cells.class).isPresent());
            boolean fused = source.row().stream().anyMatch(WiringRules::isFuse)
                    || (line.root().joined().isEmpty() && line.root().walk().anyMatch(WiringRules::isFuse));
            if (cells.isPresent() && !fused) {
                double steady = line.steadyA(source.id());
                double peak = line.startA(source.id());
                double rating = Sizing.fuse(steady, peak);
                String after = lastProtection(source).id();
                sheet.add(
                        "power.no-fuse",
                        Severity.WATCH,
                        List.of(source.id()),
                        "No fuse between " + cells.get().name()
                                + " and the rest: a short circuit would be fed with about " + n(shortA(cells.get()))
                                + " A.",
                        numbers("fuseA", rating, "shortA", shortA(cells.get())),
                        List.of(
                                new Working.Step(
                                        "Fuse",
                                        "next usual rating above 1.25 · I working, and above the start-up peak",
                                        "1.25 · " + n(steady) + " A = " + n(Sizing.HEADROOM * steady) + " A; peak "
                                                + n(peak) + " A",
                                        n(rating) + " A"),
                                shortStep(cells.get())),
                        List.of(
                                Remedy.by(
                                        "Put a " + n(rating) + " A fuse next to its plus terminal",
                                        ChainEdits.insertBelow(
                                                build, after, ChainEdits.Piece.of("a fuse", ChainEdits.fuse(rating)))),
                                Remedy.advice("Take a pack with a fuse inside, and say so in its note")));
            }
        }
    }

    private static boolean isFuse(Rung r) {
        return r.stage() instanceof Rung.Contact c && c.kind() == Rung.ContactKind.FUSE;
    }

    private static Rung lastProtection(Rung source) {
        Rung last = source;
        for (Rung r : source.row()) {
            if (r.stage() instanceof Rung.Contact c && c.kind().protects()) {
                last = r;
            }
        }
        return last;
    }

    private double shortA(Part pack) {
        Facet.Cells c = pack.facet(Facet.Cells.class).orElseThrow();
        double ohms =
                c.cellOhms().value() * c.series() / c.parallel() + c.packOhms().value();
        return c.series() * CellCurve.restVolts(c.chemistry(), 1) / ohms;
    }

    private Working.Step shortStep(Part pack) {
        Facet.Cells c = pack.facet(Facet.Cells.class).orElseThrow();
        double ohms =
                c.cellOhms().value() * c.series() / c.parallel() + c.packOhms().value();
        return new Working.Step(
                "Current into a short circuit",
                "I = V / R of the pack",
                n(c.series() * CellCurve.restVolts(c.chemistry(), 1)) + " V / " + n(ohms) + " Ω",
                n(shortA(pack)) + " A");
    }

    private void switches() {
        line.root()
                .walk()
                .filter(r -> r.stage() instanceof Rung.Contact c && c.kind() == Rung.ContactKind.BUTTON)
                .forEach(r -> {
                    Rung.Contact c = (Rung.Contact) r.stage();
                    double watts = line.chain().half().watts();
                    sheet.add(
                            "power.bag-switch",
                            Severity.WATCH,
                            List.of(r.id()),
                            "The push-button can be pressed in a bag: the machine would then run unseen at " + n(watts)
                                    + " W until it is flat, with its vents covered.",
                            numbers("watts", watts),
                            List.of(),
                            List.of(
                                    Remedy.by(
                                            "Take a sliding or guarded switch",
                                            ChainEdits.change(
                                                    "switch",
                                                    r.id(),
                                                    new Rung.Contact(Rung.ContactKind.SWITCH, c.ohms(), c.ratedA()))),
                                    Remedy.advice("Sink the button below the surface")));
                });
    }

    private void idleDrain() {
        double days = line.chain().offDays();
        boolean switched = line.root()
                .walk()
                .anyMatch(r -> r.stage() instanceof Rung.Contact c && c.kind().opens());
        if (days >= PATIENT_DAYS || line.stores().isEmpty() || switched) {
            return;
        }
        double amps = Math.max(
                Sizing.HEADROOM * line.steadyA(line.root().id()),
                line.startA(line.root().id()));
        String above = lastContact(line.root()).id();
        sheet.add(
                "power.idle-drain",
                Severity.WATCH,
                List.of(line.root().id()),
                "Switched off it still drains: flat after " + n(days) + " days on the shelf. Converters and boards that"
                        + " never switch off go on drawing, and no main switch cuts them off.",
                numbers("days", days, "limitDays", PATIENT_DAYS),
                List.of(new Working.Step(
                        "Days on the shelf",
                        "t = charge / (current when off + self-discharge)",
                        "at half charge, every load off",
                        n(days) + " days")),
                List.of(
                        Remedy.by(
                                "Put a main switch in",
                                ChainEdits.insertBelow(
                                        build,
                                        above,
                                        ChainEdits.Piece.of(
                                                "a switch", ChainEdits.slideSwitch(Math.ceil(Math.max(1, amps)))))),
                        Remedy.advice("Take converters with an off input")));
    }

    /** The last protection or fuse in the row below the sources. */
    private static Rung lastContact(Rung root) {
        Rung last = root;
        for (Rung r : root.row().stream().skip(1).toList()) {
            if (!(r.stage() instanceof Rung.Contact)) {
                break;
            }
            last = r;
        }
        return last;
    }

    private void wire(Rung rung) {
        Rung.Wire wire = (Rung.Wire) rung.stage();
        double amps = line.steadyA(rung.id());
        double volts = line.rail(rung.id()).lowV();
        double bears = Copper.closedCaseAmps(wire.awg());
        OptionalInt needed = Sizing.gauge(amps, wire.lengthMm(), Math.max(0.01, volts * Sizing.DROP_SHARE));
        if (amps > bears) {
            sheet.add(
                    "power.wire-thin",
                    Severity.WATCH,
                    List.of(rung.id()),
                    rung.name(build) + " carries " + n(amps) + " A; usual for it inside a closed case is " + n(bears)
                            + " A.",
                    numbers("amps", amps, "limitA", bears),
                    gaugeSteps(amps, wire, volts),
                    gauge(rung, wire, needed));
        } else if (needed.isPresent()
                && wire.lengthMm() > SHORT_WIRE_MM
                && Copper.sectionMm2(wire.awg()) > THICK * Copper.sectionMm2(needed.getAsInt()) * 1.01
                && Copper.sectionMm2(wire.awg()) > 0.8) {
            double room = wire.lengthMm() * 2 * outsideMm2(wire.awg()) / 1000;
            sheet.add(
                    "power.wire-thick",
                    Severity.NOTE,
                    List.of(rung.id()),
                    rung.name(build) + " has " + n(Copper.sectionMm2(wire.awg()) / Copper.sectionMm2(needed.getAsInt()))
                            + " times the copper it needs and takes " + n(room)
                            + " cm³ with its bends stiff: room the battery may want.",
                    numbers("amps", amps, "limitA", bears, "roomCm3", room, "neededAwg", needed.getAsInt()),
                    gaugeSteps(amps, wire, volts),
                    gauge(rung, wire, needed));
        }
        fuseAgainstWire(rung, wire);
        wire.finish().ifPresent(f -> finish(rung, wire, f));
    }

    /** Square around an insulated wire: copper plus 0.4 mm of insulation on each side. */
    private static double outsideMm2(int awg) {
        double d = Copper.diameterMm(awg) * 1.15 + 0.8;
        return d * d;
    }

    private List<Working.Step> gaugeSteps(double amps, Rung.Wire wire, double volts) {
        return List.of(
                new Working.Step(
                        "Current it must bear",
                        "I = 1.25 · I working",
                        "1.25 · " + n(amps) + " A",
                        n(Sizing.HEADROOM * amps) + " A"),
                new Working.Step(
                        "Drop there and back",
                        "U = I · 2·ρ·l / A",
                        n(amps) + " A · " + n(Copper.loopOhms(wire.awg(), wire.lengthMm(), 20)) + " Ω",
                        Units.format(amps * Copper.loopOhms(wire.awg(), wire.lengthMm(), 20), 3, "V") + "; 3 % of "
                                + n(volts) + " V is " + n(volts * Sizing.DROP_SHARE) + " V"));
    }

    private List<Remedy> gauge(Rung rung, Rung.Wire wire, OptionalInt needed) {
        List<Remedy> remedies = new ArrayList<>();
        needed.ifPresent(awg ->
                remedies.add(Remedy.by("Take AWG " + awg, ChainEdits.change("gauge", rung.id(), wire.gauge(awg)))));
        if (needed.isEmpty()) {
            remedies.add(Remedy.advice("Run two pairs side by side, or bring the converter nearer"));
        }
        return remedies;
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
                .ifPresent(f -> {
                    Rung.Contact fuse = (Rung.Contact) f.stage();
                    double smaller = Sizing.fuse(line.steadyA(f.id()), line.startA(f.id()));
                    if (fuse.ratedA() > bears) {
                        sheet.add(
                                "power.fuse-large",
                                Severity.WATCH,
                                List.of(f.id(), rung.id()),
                                f.name(build) + " would let " + rung.name(build) + " burn, which bears " + n(bears)
                                        + " A in open air.",
                                numbers("fuseA", fuse.ratedA(), "limitA", bears),
                                List.of(),
                                smaller <= bears
                                        ? List.of(Remedy.by(
                                                "Take a " + n(smaller) + " A fuse",
                                                ChainEdits.change("fuse", f.id(), ChainEdits.fuse(smaller))))
                                        : List.of(Remedy.advice("Take a thicker wire")));
                    }
                });
    }

    private void finish(Rung rung, Rung.Wire wire, Rung.Finish finish) {
        if (!finish.toldApart()) {
            sheet.add(
                    "power.one-colour",
                    Severity.WATCH,
                    List.of(rung.id()),
                    "Plus and minus of " + rung.name(build) + " are both " + finish.plus() + ": all "
                            + "4 joints can be mixed up, and crossed they put "
                            + n(line.rail(rung.id()).highV()) + " V the wrong way round on what follows.",
                    numbers("joints", 4, "volts", line.rail(rung.id()).highV()),
                    List.of(),
                    List.of(
                            Remedy.by(
                                    "Make plus red and minus black",
                                    ChainEdits.change(
                                            "wire colours",
                                            rung.id(),
                                            new Rung.Wire(
                                                    wire.awg(),
                                                    wire.lengthMm(),
                                                    Optional.of(new Rung.Finish("red", "black", finish.sleeved()))))),
                            Remedy.advice("Mark each end before it is cut")));
        }
        if (!finish.sleeved()) {
            double amps = line.stores().stream()
                    .filter(p -> p.facet(Facet.Cells.class).isPresent())
                    .mapToDouble(this::shortA)
                    .max()
                    .orElse(line.steadyA(rung.id()));
            sheet.add(
                    "power.bare-joints",
                    Severity.WATCH,
                    List.of(rung.id()),
                    "The joints of " + rung.name(build)
                            + " are bare and not held: a bridge between them would carry up to " + n(amps)
                            + " A until a fuse opens.",
                    numbers("joints", 4, "amps", amps),
                    List.of(),
                    List.of(
                            Remedy.by(
                                    "Sleeve each joint and hold the wires against pull",
                                    ChainEdits.change(
                                            "joints",
                                            rung.id(),
                                            new Rung.Wire(
                                                    wire.awg(),
                                                    wire.lengthMm(),
                                                    Optional.of(
                                                            new Rung.Finish(finish.plus(), finish.minus(), true))))),
                            Remedy.advice("Set the joints apart, one further along than the other")));
        }
    }
}
