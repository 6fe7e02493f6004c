package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.percent;

import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.edit.Packs;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Sizing;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Tells of cells, packs and power banks. */
final class SourceTelling implements Telling {
    private final Line line;
    private final Build build;

    SourceTelling(Line line) {
        this.line = line;
        this.build = line.build();
    }

    @Override
    public String sentence(Noted f) {
        String who = name(build, f.first());
        return switch (f.code()) {
            case "power.no-cutoff" ->
                source(f).name()
                        + " does not switch off when empty and nothing in the chain does it: the cells would be"
                        + " drained below " + f.n("cutoffV") + " V and ruined, and may be dangerous to charge again.";
            case "power.no-balancing" ->
                source(f).name() + " has " + Math.round(f.number("series"))
                        + " cells in series and nothing keeps them at one voltage: the weakest ends every run and is"
                        + " charged too far.";
            case "power.parallel" ->
                "Sources in parallel without a diode each: a pack that is fuller by " + percent(SourceRules.UNMATCHED)
                        + " % would push about " + f.n("amps") + " A into the other the moment they are joined.";
            case "power.alone" ->
                "With one source missing or dead the others cannot carry the machine: no hot swap, and one bad cell stops"
                        + " it.";
            case "power.level-unseen" -> unseen(f);
            case "power.bank-sleep" ->
                who + " switches itself off below " + f.n("limitA") + " A; asleep the machine draws " + f.n("amps")
                        + " A and would be cut off.";
            case "power.bank-gap" -> gap(f);
            case "power.carriage-energy" ->
                who + " holds " + f.n("energyWh") + " Wh. Carriers commonly set limits at 100 and 160 Wh for one"
                        + " battery; ask the carrier, whose word counts.";
            default -> throw Telling.unknown(f);
        };
    }

    @Override
    public List<Working.Step> working(Noted f) {
        return switch (f.code()) {
            case "power.no-cutoff" -> {
                Facet.Cells c = cells(source(f));
                yield List.of(new Working.Step(
                        "Cut-off of the pack",
                        "V = cells in series · cut-off of a cell",
                        c.series() + " · " + n(c.cutoffV()) + " V",
                        n(c.series() * c.cutoffV()) + " V"));
            }
            case "power.parallel" ->
                source(f).facet(Facet.Cells.class).stream()
                        .map(c -> new Working.Step(
                                "Current between unequal packs",
                                "I = (V₁ − V₂) / (R₁ + R₂)",
                                n(SourceRules.apartV(c)) + " V / " + n(2 * c.ohms()) + " Ω, at 65 % and 35 %",
                                f.n("amps") + " A"))
                        .toList();
            case "power.bank-gap" ->
                List.of(new Working.Step(
                        "Capacitor for the gap",
                        "C = 2·P·t / (V₁² − V₂²)",
                        "2 · " + f.n("watts") + " W · " + f.n("seconds") + " s / (" + n(halfV()) + "² − "
                                + n(SourceRules.leastV(line)) + "²)",
                        f.n("neededF") + " F, and a fifth on top"));
            case "power.carriage-energy" ->
                build.part(f.first()).flatMap(p -> p.facet(Facet.Cells.class)).stream()
                        .map(c -> new Working.Step(
                                "Energy on the label",
                                "E = nominal voltage · capacity · series · parallel",
                                n(c.nominalV()) + " V · " + n(c.capacityAh().value()) + " Ah · " + c.series() + " · "
                                        + c.parallel(),
                                f.n("energyWh") + " Wh"))
                        .toList();
            default -> List.of();
        };
    }

    @Override
    public List<Remedy> cures(Noted f) {
        return switch (f.code()) {
            case "power.no-cutoff" -> List.of(cutOff(f), Remedy.advice("Take a pack that switches itself off"));
            case "power.no-balancing" ->
                List.of(balancing(f), Remedy.advice("Charge with a balancing charger every time"));
            case "power.parallel" ->
                List.of(
                        Remedy.by("Give each source an ideal diode", isolate()),
                        Remedy.advice("Match the cells to within 0.05 V before they are joined for good"));
            case "power.alone" -> List.of(Remedy.advice("Take sources that each carry the busiest load alone"));
            case "power.level-unseen" ->
                List.of(
                        Remedy.by("Put a fuel gauge on I2C behind it", gauge()),
                        Remedy.advice("Keep its own gauge in sight, or fit a voltmeter with the printed table"));
            case "power.bank-sleep" -> awake(f);
            case "power.bank-gap" -> bridged(f);
            case "power.carriage-energy" -> split(build.part(f.first()).orElseThrow(), f.number("energyWh"));
            default -> throw Telling.unknown(f);
        };
    }

    private Rung rung(Noted f) {
        return build.rung(f.first()).orElseThrow();
    }

    private Part source(Noted f) {
        return build.partOf(rung(f)).orElseThrow();
    }

    private static Facet.Cells cells(Part part) {
        return part.facet(Facet.Cells.class).orElseThrow();
    }

    private double halfV() {
        return line.chain().half().terminalVolts();
    }

    private String unseen(Noted f) {
        Part part = build.part(f.first()).orElseThrow();
        double hours = f.number("hours");
        return "The operating system cannot see how full " + part.name() + " is: it stops without warning"
                + (Double.isFinite(hours) ? " after about " + n(hours) + " h" : "") + "."
                + (part.facet(Facet.PowerBank.class).isPresent()
                        ? " Its own gauge must stay in sight in the case."
                        : " Print the voltmeter table for it.");
    }

    private String gap(Noted f) {
        double there = f.number("presentF");
        double endV = there > 0 ? Sizing.afterGapV(there, f.number("watts"), f.number("seconds"), halfV()) : 0;
        return SourceRules.gappy(line).getFirst().name() + " drops its output for about " + f.n("seconds")
                + " s when its charger is plugged in or out; at " + f.n("watts") + " W the rail falls from "
                + n(halfV()) + " V to " + n(endV) + " V, and " + n(SourceRules.leastV(line)) + " V is the least.";
    }

    /** What the protection of a source is chosen for, A. */
    private double mostA(Rung source, Facet.Cells c) {
        return Math.max(
                Sizing.fuse(line.steadyA(source.id()), line.startA(source.id())), Math.ceil(c.maxDischargeA() * 0.8));
    }

    private Remedy cutOff(Noted f) {
        Rung source = rung(f);
        Part part = source(f);
        Facet.Cells c = cells(part);
        boolean balanced = SourceRules.balanced(line, source, part, c);
        return Remedy.by(
                balanced
                        ? "Put a cut-off for " + f.n("packV") + " V first in the chain"
                        : "Put a protection board with balancing first in the chain",
                ChainEdits.insertBelow(
                        build,
                        source.id(),
                        ChainEdits.Piece.of("a protection board", ChainEdits.protection(!balanced, mostA(source, c)))));
    }

    /** A balancing board in place of the plain one, or as the first rung. */
    private Remedy balancing(Noted f) {
        Rung source = rung(f);
        Optional<Rung> plain = (line.root().joined().isEmpty() ? line.root().walk() : source.walk())
                .filter(r -> r.stage() instanceof Rung.Contact c && c.kind() == Rung.ContactKind.PROTECTION)
                .findFirst();
        return plain.map(r -> Remedy.by(
                        "Take a protection board that balances",
                        ChainEdits.change(
                                "protection", r.id(), Rung.Contact.class, c -> c.as(Rung.ContactKind.BALANCER))))
                .orElseGet(() -> Remedy.by(
                        "Put a protection board with balancing first in the chain",
                        ChainEdits.insertBelow(
                                build,
                                source.id(),
                                ChainEdits.Piece.of(
                                        "a balancing board",
                                        ChainEdits.protection(true, mostA(source, cells(source(f))))))));
    }

    private Edit isolate() {
        List<Rung> bare = SourceRules.bare(line);
        return new Edit("isolate the sources by ideal diodes", b -> {
            Build after = b;
            for (Rung s : bare) {
                after = ChainEdits.insertBelow(
                                after,
                                s.row().getLast().id(),
                                ChainEdits.Piece.of("an ideal diode", ChainEdits.IDEAL_DIODE))
                        .applied(after);
            }
            return after;
        });
    }

    private Edit gauge() {
        Part gauge = Picks.gauge();
        String above = line.root().id();
        return new Edit(
                "insert " + gauge.name(),
                b -> ChainEdits.insertBelow(b, above, ChainEdits.Piece.fresh(gauge))
                        .applied(b));
    }

    private List<Remedy> awake(Noted f) {
        List<Remedy> remedies = new ArrayList<>();
        Part part = source(f);
        part.facet(Facet.PowerBank.class)
                .ifPresent(bank -> remedies.add(Remedy.by(
                        "Use its always-on setting, if it has one; or take a bank that has",
                        Edits.changePart(
                                "shut-off current",
                                part,
                                p -> p.facet(Facet.PowerBank.class)
                                        .map(b -> p.withFacet(b.alwaysOn()))
                                        .orElse(p)))));
        remedies.add(Remedy.advice("Shut down instead of sleeping"));
        return remedies;
    }

    private List<Remedy> bridged(Noted f) {
        List<Remedy> remedies = new ArrayList<>();
        String root = line.root().id();
        double needed = f.number("neededF");
        if (Double.isFinite(needed)) {
            double usual = Sizing.usualFarads(needed * 1.2);
            remedies.add(Remedy.by(
                    "Hang a capacitor of " + n(usual) + " F on its output, filled through a resistor",
                    ChainEdits.hang(
                            build,
                            root,
                            ChainEdits.Piece.of("a capacitor", new Rung.Capacitor(Figure.dataSheet(usual))))));
        }
        remedies.add(Remedy.by(
                "Join a second bank of the kind by ideal diodes, and plug in one at a time",
                ChainEdits.join(
                        build,
                        root,
                        ChainEdits.Piece.fresh(SourceRules.gappy(line).getFirst()))));
        remedies.add(Remedy.advice("Charge it only while the machine is off"));
        return remedies;
    }

    /** As many smaller packs as it takes to keep each below the limit, joined by ideal diodes. */
    private List<Remedy> split(Part part, double wh) {
        List<Remedy> remedies = new ArrayList<>();
        int pieces = (int) Math.ceil(wh / SourceRules.CARRIAGE_FREE_WH);
        boolean whole = part.facet(Facet.Cells.class)
                .filter(c -> c.parallel() % pieces == 0)
                .isPresent();
        if (whole && !(line.root().stage() instanceof Rung.Join)) {
            remedies.add(Remedy.by(
                    "Split it into " + pieces + " packs that can be taken out, joined by ideal diodes",
                    inPieces(part, pieces)));
        }
        Picks.shelf().parts().stream()
                .filter(p -> p.facet(Facet.PowerBank.class).isPresent()
                        && part.facet(Facet.PowerBank.class).isPresent()
                        && p.labelWh() <= SourceRules.CARRIAGE_FREE_WH)
                .max(Comparator.comparingDouble(Part::labelWh))
                .ifPresent(p -> remedies.add(Remedies.instead(part, p)));
        remedies.add(Remedy.advice("Ask the carrier before the trip"));
        return remedies;
    }

    private static Edit inPieces(Part part, int pieces) {
        Facet.Cells c = cells(part);
        Part small = Packs.with(part, c.series(), c.parallel() / pieces);
        return new Edit("split " + part.name() + " into " + pieces + " packs", b -> {
            Build after = b.with(small);
            for (int i = 1; i < pieces; i++) {
                Rung first = after.wiring().chain().stream()
                        .filter(r -> r.walk()
                                .anyMatch(
                                        x -> x.part().filter(part.id()::equals).isPresent()))
                        .findFirst()
                        .orElseThrow();
                after = ChainEdits.join(after, first.id(), ChainEdits.Piece.fresh(small))
                        .applied(after);
            }
            return after;
        });
    }
}
