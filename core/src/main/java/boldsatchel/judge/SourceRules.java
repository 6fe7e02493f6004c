package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Breach;
import boldsatchel.power.CellCurve;
import boldsatchel.power.Sizing;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.List;
import java.util.stream.Stream;

/** Cells, packs and power banks: protection, company, carriage, and whether anyone sees how full they are. */
final class SourceRules {

    /** Limits that carriers commonly set for one battery, Wh. */
    static final double CARRIAGE_FREE_WH = 100;
    /** Above this most carriers refuse, Wh. */
    static final double CARRIAGE_MOST_WH = 160;
    /** Difference of charge between two cells that nobody has matched; a guess. */
    static final double UNMATCHED = 0.3;

    private final Line line;
    private final Build build;
    private final Sheet sheet;

    private SourceRules(Line line) {
        this.line = line;
        this.build = line.build();
        this.sheet = new Sheet(new SourceTelling(line));
    }

    static List<Finding> judge(Line line) {
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
        return rules.sheet.findings();
    }

    /** The contacts that stand between a source and the loads. */
    static Stream<Rung.Contact> contacts(Line line, Rung source) {
        return (line.root().joined().isEmpty() ? line.root().walk() : source.walk())
                .filter(r -> r.stage() instanceof Rung.Contact)
                .map(r -> (Rung.Contact) r.stage());
    }

    /** Whether something keeps cells in series at one voltage, or nothing needs to. */
    static boolean balanced(Line line, Rung source, Part part, Facet.Cells c) {
        return c.series() < 2
                || c.chemistry() == Facet.Chemistry.NIMH
                || part.facet(Facet.Manages.class)
                        .filter(Facet.Manages::balances)
                        .isPresent()
                || contacts(line, source).anyMatch(x -> x.kind() == Rung.ContactKind.BALANCER);
    }

    private void cells(Rung source, Part part, Facet.Cells c) {
        boolean cutOff =
                c.ownCutoff() || contacts(line, source).anyMatch(x -> x.kind().protects());
        if (!cutOff) {
            sheet.add(
                    "power.no-cutoff",
                    Severity.STOP,
                    List.of(source.id()),
                    numbers("cutoffV", c.cutoffV(), "packV", c.cutoffV() * c.series()));
        }
        if (!balanced(line, source, part, c)) {
            sheet.add("power.no-balancing", Severity.WATCH, List.of(source.id()), numbers("series", c.series()));
        }
    }

    /** The joined sources that nothing keeps from feeding one another. */
    static List<Rung> bare(Line line) {
        return line.root().joined().stream()
                .filter(s -> s.row().stream().noneMatch(r -> r.stage() instanceof Rung.Diode))
                .filter(s -> line.build().partOf(s).filter(Part::isSource).isPresent())
                .toList();
    }

    /** Cells or packs on one rail without a diode: the fuller charges the emptier with whatever their resistance allows. */
    private void unisolated() {
        List<Rung> bare = bare(line);
        if (!bare.isEmpty()) {
            double rush = build.partOf(bare.getFirst())
                    .flatMap(p -> p.facet(Facet.Cells.class))
                    .map(SourceRules::rushA)
                    .orElse(Double.NaN);
            sheet.add(
                    "power.parallel", Severity.STOP, bare.stream().map(Rung::id).toList(), numbers("amps", rush));
        }
    }

    /** Voltage between two packs of one kind that differ by the charge nobody has matched, V. */
    static double apartV(Facet.Cells c) {
        return c.series()
                * (CellCurve.restVolts(c.chemistry(), 0.5 + UNMATCHED / 2)
                        - CellCurve.restVolts(c.chemistry(), 0.5 - UNMATCHED / 2));
    }

    private static double rushA(Facet.Cells c) {
        return apartV(c) / (2 * c.ohms());
    }

    /** Joined packs are taken for spares: one alone should carry the machine. */
    private void alone() {
        line.chain()
                .withoutOne()
                .filter(hours -> hours <= 0)
                .ifPresent(hours -> sheet.add(
                        "power.alone", Severity.WATCH, List.of(line.root().id()), numbers("hoursWithoutOne", hours)));
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
        if (!silent.isEmpty() && !told) {
            sheet.add(
                    "power.level-unseen",
                    Severity.NOTE,
                    silent.stream().map(Part::id).toList(),
                    numbers("hours", line.chain().run().hours()));
        }
    }

    private void bankSleep() {
        line.chain().noLoad().breaches().stream()
                .filter(b -> b.kind() == Breach.Kind.SHUTS_OFF)
                .forEach(b -> sheet.add(
                        "power.bank-sleep",
                        Severity.WATCH,
                        List.of(b.rung()),
                        numbers("amps", b.value(), "limitA", b.limit())));
    }

    /** Banks whose output is away for a moment when their charger is plugged. */
    static List<Part> gappy(Line line) {
        return line.stores().stream().filter(p -> gapSeconds(p) > 0).toList();
    }

    static double gapSeconds(Part p) {
        return p.facet(Facet.Recharges.class).map(r -> r.gapSeconds().value()).orElse(0.0);
    }

    /** A capacitor, or a second source, bridges the gap of a bank. */
    private void bankGap() {
        List<Part> gappy = gappy(line);
        if (gappy.isEmpty()
                || line.sourceParts().size() > gappy.size()
                || (line.sourceParts().size() > 1
                        && line.chain().withoutOne().filter(h -> h > 0).isPresent())) {
            return;
        }
        double seconds = gapSeconds(gappy.getFirst());
        double fromV = line.chain().half().terminalVolts();
        double watts = line.chain().half().watts();
        double toV = leastV(line);
        double needed = Sizing.holdUpFarads(watts, seconds, fromV, toV);
        double there = line.root()
                .walk()
                .filter(r -> r.stage() instanceof Rung.Capacitor)
                .mapToDouble(r -> ((Rung.Capacitor) r.stage()).farads().value())
                .sum();
        if (there < needed && !Double.isNaN(watts)) {
            sheet.add(
                    "power.bank-gap",
                    Severity.WATCH,
                    List.of(line.root().id()),
                    numbers("seconds", seconds, "watts", watts, "neededF", needed, "presentF", there));
        }
    }

    /** The least voltage that everything straight on the source's rail bears. */
    static double leastV(Line line) {
        return line.root()
                .walk()
                .filter(r -> line.rail(r.id()).converter().isEmpty())
                .flatMap(r -> line.build().partOf(r).stream())
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
        if (wh > CARRIAGE_FREE_WH) {
            boolean refused = wh > CARRIAGE_MOST_WH;
            sheet.add(
                    "power.carriage-energy",
                    refused ? Severity.WATCH : Severity.NOTE,
                    List.of(part.id()),
                    numbers("energyWh", wh, "limitWh", refused ? CARRIAGE_MOST_WH : CARRIAGE_FREE_WH));
        }
    }
}
