package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.numbers;
import static boldsatchel.verdict.Words.percent;

import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.edit.Packs;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Breach;
import boldsatchel.power.CellCurve;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.Sizing;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Picks;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Cells, packs and power banks: protection, company, carriage, and whether anyone sees how full they are. */
final class SourceRules {

    /** Limits that carriers commonly set for one battery, Wh. */
    static final double CARRIAGE_FREE_WH = 100;
    /** Above this most carriers refuse, Wh. */
    static final double CARRIAGE_MOST_WH = 160;
    /** Difference of charge between two cells that nobody has matched; a guess. */
    private static final double UNMATCHED = 0.3;

    private final Line line;
    private final Build build;
    private final Words.Sheet sheet;

    private SourceRules(Line line) {
        this.line = line;
        this.build = line.build();
        this.sheet = line.sheet();
    }

    static void judge(Line line) {
        SourceRules rules = new SourceRules(line);
        for (Rung source : line.root().sources()) {
            line.build().partOf(source).ifPresent(part -> {
                part.facet(Facet.Cells.class).ifPresent(c -> rules.cells(source, part, c));
                rules.energy(part);
            });
        }
        rules.unisolated();
        rules.alone();
        rules.unseen();
        rules.bankSleep();
        rules.bankGap();
    }

    private boolean protects(Rung source, boolean balancing) {
        return (line.root().joined().isEmpty() ? line.root().walk() : source.walk())
                .anyMatch(r -> r.stage() instanceof Rung.Contact c
                        && (balancing
                                ? c.kind() == Rung.ContactKind.BALANCER
                                : c.kind().protects()));
    }

    private void cells(Rung source, Part part, Facet.Cells c) {
        double most = Math.max(
                Sizing.fuse(line.steadyA(source.id()), line.startA(source.id())), Math.ceil(c.maxDischargeA() * 0.8));
        boolean lithium = c.chemistry() != Facet.Chemistry.NIMH;
        boolean balanced = c.series() < 2
                || !lithium
                || part.facet(Facet.Manages.class)
                        .filter(Facet.Manages::balances)
                        .isPresent()
                || protects(source, true);
        if (!c.ownCutoff() && !protects(source, false)) {
            sheet.add(
                    "power.no-cutoff",
                    Severity.STOP,
                    List.of(source.id()),
                    part.name() + " does not switch off when empty and nothing in the chain does it: the cells would be"
                            + " drained below " + n(c.cutoffV())
                            + " V and ruined, and may be dangerous to charge again.",
                    numbers("cutoffV", c.cutoffV(), "packV", c.cutoffV() * c.series()),
                    List.of(new Working.Step(
                            "Cut-off of the pack",
                            "V = cells in series · cut-off of a cell",
                            c.series() + " · " + n(c.cutoffV()) + " V",
                            n(c.series() * c.cutoffV()) + " V")),
                    List.of(
                            Remedy.by(
                                    balanced
                                            ? "Put a cut-off for " + n(c.series() * c.cutoffV())
                                                    + " V first in the chain"
                                            : "Put a protection board with balancing first in the chain",
                                    ChainEdits.insertBelow(
                                            build,
                                            source.id(),
                                            ChainEdits.Piece.of(
                                                    "a protection board", ChainEdits.protection(!balanced, most)))),
                            Remedy.advice("Take a pack that switches itself off")));
        }
        if (!balanced) {
            sheet.add(
                    "power.no-balancing",
                    Severity.WATCH,
                    List.of(source.id()),
                    part.name() + " has " + c.series()
                            + " cells in series and nothing keeps them at one voltage: the weakest"
                            + " ends every run and is charged too far.",
                    numbers("series", c.series()),
                    List.of(),
                    List.of(balancing(source, most), Remedy.advice("Charge with a balancing charger every time")));
        }
    }

    /** A balancing board in place of the plain one, or as the first rung. */
    private Remedy balancing(Rung source, double most) {
        Optional<Rung> plain = (line.root().joined().isEmpty() ? line.root().walk() : source.walk())
                .filter(r -> r.stage() instanceof Rung.Contact c && c.kind() == Rung.ContactKind.PROTECTION)
                .findFirst();
        return plain.map(r -> {
                    Rung.Contact c = (Rung.Contact) r.stage();
                    return Remedy.by(
                            "Take a protection board that balances",
                            ChainEdits.change(
                                    "protection",
                                    r.id(),
                                    new Rung.Contact(Rung.ContactKind.BALANCER, c.ohms(), c.ratedA())));
                })
                .orElseGet(() -> Remedy.by(
                        "Put a protection board with balancing first in the chain",
                        ChainEdits.insertBelow(
                                build,
                                source.id(),
                                ChainEdits.Piece.of("a balancing board", ChainEdits.protection(true, most)))));
    }

    /** Cells or packs on one rail without a diode: the fuller charges the emptier with whatever their resistance allows. */
    private void unisolated() {
        List<Rung> bare = line.root().joined().stream()
                .filter(s -> s.row().stream().noneMatch(r -> r.stage() instanceof Rung.Diode))
                .filter(s -> build.partOf(s).filter(Part::isSource).isPresent())
                .toList();
        if (bare.isEmpty()) {
            return;
        }
        Optional<Facet.Cells> cells = build.partOf(bare.getFirst()).flatMap(p -> p.facet(Facet.Cells.class));
        double rush = cells.map(SourceRules::rushA).orElse(Double.NaN);
        Edit edit = new Edit("isolate the sources by ideal diodes", b -> {
            Build after = b;
            for (Rung s : bare) {
                after = ChainEdits.insertBelow(
                                after,
                                s.row().getLast().id(),
                                ChainEdits.Piece.of("an ideal diode", ChainEdits.IDEAL_DIODE))
                        .allowed()
                        .map(Edit::change)
                        .orElse(x -> x)
                        .apply(after);
            }
            return after;
        });
        sheet.add(
                "power.parallel",
                Severity.STOP,
                bare.stream().map(Rung::id).toList(),
                "Sources in parallel without a diode each: a pack that is fuller by " + percent(UNMATCHED)
                        + " % would push about " + n(rush) + " A into the other the moment they are joined.",
                numbers("amps", rush),
                cells.map(SourceRules::rushSteps).orElse(List.of()),
                List.of(
                        Remedy.by("Give each source an ideal diode", edit),
                        Remedy.advice("Match the cells to within 0.05 V before they are joined for good")));
    }

    private static double ohms(Facet.Cells c) {
        return c.cellOhms().value() * c.series() / c.parallel() + c.packOhms().value();
    }

    private static double apartV(Facet.Cells c) {
        return c.series()
                * (CellCurve.restVolts(c.chemistry(), 0.5 + UNMATCHED / 2)
                        - CellCurve.restVolts(c.chemistry(), 0.5 - UNMATCHED / 2));
    }

    private static double rushA(Facet.Cells c) {
        return apartV(c) / (2 * ohms(c));
    }

    private static List<Working.Step> rushSteps(Facet.Cells c) {
        return List.of(new Working.Step(
                "Current between unequal packs",
                "I = (V₁ − V₂) / (R₁ + R₂)",
                n(apartV(c)) + " V / " + n(2 * ohms(c)) + " Ω, at 65 % and 35 %",
                n(rushA(c)) + " A"));
    }

    /** Joined packs are taken for spares: one alone should carry the machine. */
    private void alone() {
        line.chain()
                .withoutOne()
                .filter(hours -> hours <= 0)
                .ifPresent(hours -> sheet.add(
                        "power.alone",
                        Severity.WATCH,
                        List.of(line.root().id()),
                        "With one source missing or dead the others cannot carry the machine: no hot swap, and one bad cell stops"
                                + " it.",
                        numbers("hoursWithoutOne", hours),
                        List.of(),
                        List.of(Remedy.advice("Take sources that each carry the busiest load alone"))));
    }

    private void unseen() {
        List<Part> silent = line.stores().stream()
                .filter(p -> p.facet(Facet.Manages.class)
                        .filter(Facet.Manages::reports)
                        .isEmpty())
                .toList();
        boolean told = line.root()
                .walk()
                .anyMatch(r -> build.partOf(r)
                        .flatMap(p -> p.facet(Facet.ShowsLevel.class))
                        .filter(Facet.ShowsLevel::toComputer)
                        .isPresent());
        if (silent.isEmpty() || told) {
            return;
        }
        Part part = silent.getFirst();
        boolean bank = part.facet(Facet.PowerBank.class).isPresent();
        double hours = line.chain().run().hours();
        sheet.add(
                "power.level-unseen",
                Severity.NOTE,
                silent.stream().map(Part::id).toList(),
                "The operating system cannot see how full " + part.name() + " is: it stops without warning"
                        + (Double.isFinite(hours) ? " after about " + n(hours) + " h" : "") + "."
                        + (bank
                                ? " Its own gauge must stay in sight in the case."
                                : " Print the voltmeter table for it."),
                numbers("hours", hours),
                List.of(),
                List.of(
                        Remedy.by("Put a fuel gauge on I2C behind it", gauge()),
                        Remedy.advice("Keep its own gauge in sight, or fit a voltmeter with the printed table")));
    }

    private Edit gauge() {
        Part gauge = Picks.gauge();
        String above = line.root().id();
        return new Edit(
                "insert " + gauge.name(),
                b -> ChainEdits.insertBelow(b, above, ChainEdits.Piece.fresh(gauge))
                        .allowed()
                        .map(e -> e.change().apply(b))
                        .orElse(b));
    }

    private void bankSleep() {
        OperatingPoint sleeping = line.chain().noLoad();
        sleeping.breaches().stream()
                .filter(b -> b.kind() == Breach.Kind.SHUTS_OFF)
                .forEach(b -> sheet.add(
                        "power.bank-sleep",
                        Severity.WATCH,
                        List.of(b.rung()),
                        Words.name(build, b.rung()) + " switches itself off below " + n(b.limit())
                                + " A; asleep the machine draws " + n(b.value()) + " A and would be cut off.",
                        numbers("amps", b.value(), "limitA", b.limit()),
                        List.of(),
                        bankAwake(b)));
    }

    private List<Remedy> bankAwake(Breach b) {
        List<Remedy> remedies = new ArrayList<>();
        build.rung(b.rung())
                .flatMap(build::partOf)
                .ifPresent(part -> part.facet(Facet.PowerBank.class)
                        .ifPresent(bank -> remedies.add(Remedy.by(
                                "Use its always-on setting, if it has one; or take a bank that has",
                                Edits.changePart("shut-off current", part.withFacet(bank.alwaysOn()))))));
        remedies.add(Remedy.advice("Shut down instead of sleeping"));
        return remedies;
    }

    /** The output of a bank is away for a moment when its charger is plugged: a capacitor, or a second source, bridges it. */
    private void bankGap() {
        List<Part> gappy = line.stores().stream().filter(p -> gapSeconds(p) > 0).toList();
        if (gappy.isEmpty()
                || line.sourceParts().size() > gappy.size()
                || (line.sourceParts().size() > 1
                        && line.chain().withoutOne().filter(h -> h > 0).isPresent())) {
            return;
        }
        Part bank = gappy.getFirst();
        double seconds = gapSeconds(bank);
        double fromV = line.chain().half().terminalVolts();
        double watts = line.chain().half().watts();
        double toV = leastV();
        double needed = Sizing.holdUpFarads(watts, seconds, fromV, toV);
        double there = line.root()
                .walk()
                .filter(r -> r.stage() instanceof Rung.Capacitor)
                .mapToDouble(r -> ((Rung.Capacitor) r.stage()).farads().value())
                .sum();
        if (there >= needed || Double.isNaN(watts)) {
            return;
        }
        double endV = there > 0 ? Sizing.afterGapV(there, watts, seconds, fromV) : 0;
        List<Remedy> remedies = new ArrayList<>();
        if (Double.isFinite(needed)) {
            double usual = Sizing.usualFarads(needed * 1.2);
            remedies.add(Remedy.by(
                    "Hang a capacitor of " + n(usual) + " F on its output, filled through a resistor",
                    ChainEdits.hang(
                            build,
                            line.root().id(),
                            ChainEdits.Piece.of("a capacitor", new Rung.Capacitor(Figure.dataSheet(usual))))));
        }
        remedies.add(Remedy.by(
                "Join a second bank of the kind by ideal diodes, and plug in one at a time",
                ChainEdits.join(build, line.root().id(), ChainEdits.Piece.fresh(bank))));
        remedies.add(Remedy.advice("Charge it only while the machine is off"));
        sheet.add(
                "power.bank-gap",
                Severity.WATCH,
                List.of(line.root().id()),
                bank.name() + " drops its output for about " + n(seconds)
                        + " s when its charger is plugged in or out; at " + n(watts) + " W the rail falls from "
                        + n(fromV) + " V to " + n(endV) + " V, and " + n(toV) + " V is the least.",
                numbers("seconds", seconds, "watts", watts, "neededF", needed, "presentF", there),
                List.of(new Working.Step(
                        "Capacitor for the gap",
                        "C = 2·P·t / (V₁² − V₂²)",
                        "2 · " + n(watts) + " W · " + n(seconds) + " s / (" + n(fromV) + "² − " + n(toV) + "²)",
                        n(needed) + " F, and a fifth on top")),
                remedies);
    }

    private static double gapSeconds(Part p) {
        return p.facet(Facet.Recharges.class).map(r -> r.gapSeconds().value()).orElse(0.0);
    }

    /** The least voltage that everything straight on the source's rail bears. */
    private double leastV() {
        return line.root()
                .walk()
                .filter(r -> line.rail(r.id()).converter().isEmpty())
                .flatMap(r -> build.partOf(r).stream())
                .mapToDouble(p -> Math.max(
                        p.facet(Facet.DrawsPower.class)
                                .map(Facet.DrawsPower::lowV)
                                .orElse(0.0),
                        p.facet(Facet.Converts.class)
                                .map(c -> c.kind() == Facet.ConverterKind.STEP_DOWN
                                        ? Math.max(c.lowV(), c.outV() + c.dropoutV())
                                        : c.lowV())
                                .orElse(0.0)))
                .max()
                .orElse(0);
    }

    private void energy(Part part) {
        double wh = part.labelWh();
        if (wh <= CARRIAGE_FREE_WH) {
            return;
        }
        double limit = wh > CARRIAGE_MOST_WH ? CARRIAGE_MOST_WH : CARRIAGE_FREE_WH;
        sheet.add(
                "power.carriage-energy",
                wh > CARRIAGE_MOST_WH ? Severity.WATCH : Severity.NOTE,
                List.of(part.id()),
                part.name() + " holds " + n(wh)
                        + " Wh. Carriers commonly set limits at 100 and 160 Wh for one battery; ask"
                        + " the carrier, whose word counts.",
                numbers("energyWh", wh, "limitWh", limit),
                part.facet(Facet.Cells.class)
                        .map(c -> List.of(new Working.Step(
                                "Energy on the label",
                                "E = nominal voltage · capacity · series · parallel",
                                n(c.nominalV()) + " V · " + n(c.capacityAh().value()) + " Ah · " + c.series() + " · "
                                        + c.parallel(),
                                n(wh) + " Wh")))
                        .orElse(List.of()),
                split(part, wh));
    }

    /** As many smaller packs as it takes to keep each below the limit, joined by ideal diodes. */
    private List<Remedy> split(Part part, double wh) {
        List<Remedy> remedies = new ArrayList<>();
        int pieces = (int) Math.ceil(wh / CARRIAGE_FREE_WH);
        boolean whole = part.facet(Facet.Cells.class)
                .filter(c -> c.parallel() % pieces == 0)
                .isPresent();
        Optional<Rung> root = build.wiring().chain().stream()
                .filter(r -> r.id().equals(line.root().id()))
                .findFirst();
        if (whole && root.isPresent()) {
            Facet.Cells c = part.facet(Facet.Cells.class).orElseThrow();
            Part small = Packs.with(part, c.series(), c.parallel() / pieces);
            Edit edit = new Edit("split " + part.name() + " into " + pieces + " packs", b -> {
                Build after = b.with(small);
                for (int i = 1; i < pieces; i++) {
                    Rung first = after.wiring().chain().stream()
                            .filter(r -> r.walk()
                                    .anyMatch(x ->
                                            x.part().filter(part.id()::equals).isPresent()))
                            .findFirst()
                            .orElseThrow();
                    after = ChainEdits.join(after, first.id(), ChainEdits.Piece.fresh(small))
                            .allowed()
                            .map(Edit::change)
                            .orElse(x -> x)
                            .apply(after);
                }
                return after;
            });
            remedies.add(Remedy.by(
                    "Split it into " + pieces + " packs that can be taken out, joined by ideal diodes", edit));
        }
        Picks.shelf().parts().stream()
                .filter(p -> p.facet(Facet.PowerBank.class).isPresent()
                        && part.facet(Facet.PowerBank.class).isPresent()
                        && p.labelWh() <= CARRIAGE_FREE_WH)
                .max(java.util.Comparator.comparingDouble(Part::labelWh))
                .ifPresent(p -> remedies.add(Remedy.by("Take “" + p.name() + "” instead", Edits.replacePart(part, p))));
        remedies.add(Remedy.advice("Ask the carrier before the trip"));
        return remedies;
    }
}
