package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.percent;

import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edits;
import boldsatchel.edit.Packs;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Usual;
import boldsatchel.power.Breach;
import boldsatchel.power.CellCurve;
import boldsatchel.power.Copper;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.power.Sizing;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/** Tells of voltages and currents that do not hold. */
final class BreachTelling implements Telling {
    private static final double[] CELL_LEVELS = {1, 0.5, 0.1};
    private static final String ONE_AFTER_THE_OTHER = "Let the loads start one after the other";

    private final Line line;
    private final Build build;
    private final ChainResult chain;

    BreachTelling(Line line) {
        this.line = line;
        this.build = line.build();
        this.chain = line.chain();
    }

    @Override
    public String sentence(Noted f) {
        String who = name(build, f.first());
        return switch (f.code()) {
            case "power.needs-rail" ->
                who + " wants " + f.n("limitV") + " V at least, and its rail has at most " + f.n("volts")
                        + " V. A converter of its own would burn about " + f.n("lossW") + " W while it works.";
            case "power.window-high" ->
                who + " bears " + f.n("limitV") + " V; straight on the cells it sees " + f.n("volts")
                        + " V while they are charged full.";
            case "power.window-low" ->
                who + " needs " + f.n("limitV") + " V and stops with " + percent(f.number("level"))
                        + " % still in the cells, which go down to " + f.n("volts") + " V.";
            case "power.collapse" -> who + " cannot carry the loads at half charge: the voltage collapses.";
            case "power.sag" ->
                who + " is at its cut-off though half full: " + f.n("volts") + " V under load, " + f.n("limitV")
                        + " V is the least.";
            case "power.trip" -> who + " trips: " + f.n("amps") + " A, and " + f.n("limitA") + " A is the most.";
            case "power.supply-current" ->
                "Together the loads draw " + f.n("amps") + " A from " + who + ", which gives " + f.n("limitA") + " A.";
            case "power.converter-limit" ->
                who + " would carry " + f.n("amps") + " A; " + f.n("limitA") + " A is its limit.";
            case "power.dropout" -> who + " has " + f.n("volts") + " V at its input and needs " + f.n("limitV") + " V.";
            case "power.over-input" ->
                who + " has " + f.n("volts") + " V at its input and bears " + f.n("limitV") + " V.";
            case "power.passes-through" ->
                who + " has up to " + f.n("volts") + " V at its input and steps up to " + f.n("limitV")
                        + " V: it cannot hold that back, and what it feeds sees nearly all of its input.";
            case "power.over-voltage" ->
                who + " sees " + f.n("volts") + " V and bears at most " + f.n("limitV") + " V.";
            case "power.contact-rating" ->
                who + " carries " + f.n("amps") + " A and is made for " + f.n("limitA") + " A.";
            case "power.cable-drop", "power.under-voltage" ->
                who + " sees " + f.n("volts") + " V and needs at least " + f.n("limitV")
                        + " V; wires and contacts lose " + f.n("lostV") + " V.";
            case "power.step-up-limit" ->
                who + ": as the battery falls the current rises; at " + percent(f.number("level")) + " % "
                        + chain.run().end().kind().words() + ".";
            case "power.start-dip" -> starting(f);
            case "power.no-load-voltage" ->
                name(build, f.subjects().get(1)) + " puts out up to " + f.n("volts") + " V before it is loaded; " + who
                        + " bears " + f.n("limitV") + " V.";
            default -> throw Telling.unknown(f);
        };
    }

    private String starting(Noted f) {
        if (f.numbers().containsKey("startsDownTo")) {
            return "It starts only down to " + percent(f.number("startsDownTo"))
                    + " % of charge, though it runs down to " + percent(f.number("runsDownTo")) + " %.";
        }
        return "It runs, but does not start: in the peak " + dip().kind().words() + " (" + name(build, f.first()) + ": "
                + f.n("value") + ", limit " + f.n("limit") + ").";
    }

    private Breach dip() {
        return chain.starting().stop().orElseThrow();
    }

    @Override
    public List<Working.Step> working(Noted f) {
        return switch (f.code()) {
            case "power.needs-rail" -> ownConverter(f);
            case "power.window-high" -> fullVolts();
            case "power.supply-current" -> shares();
            case "power.cable-drop", "power.under-voltage" ->
                thicker(f).stream().map(Thicker::step).toList();
            case "power.step-up-limit" -> mostItGives(f);
            default -> List.of();
        };
    }

    @Override
    public List<Remedy> cures(Noted f) {
        String rung = f.first();
        return switch (f.code()) {
            case "power.needs-rail" ->
                List.of(between(rung, true), Remedy.advice("Take one that works at " + f.n("volts") + " V"));
            case "power.window-high" ->
                List.of(
                        between(rung, false),
                        Remedy.advice("Take one cell in series less, if everything else can live with that"));
            case "power.window-low" -> List.of(between(rung, false), Remedy.advice("Take one cell in series more"));
            case "power.collapse" -> line.ranked(moreCells("Lower the loads, or take cells with less resistance"));
            case "power.sag" -> line.ranked(moreCells("Take cells with less resistance"));
            case "power.trip", "power.contact-rating" -> List.of(stronger(rung));
            case "power.supply-current" -> supplyCurrent(f);
            case "power.converter-limit" ->
                line.ranked(List.of(otherConverter(rung), Remedy.advice("Share the loads between two converters")));
            case "power.dropout" ->
                line.ranked(List.of(otherConverter(rung), Remedy.advice("Take more cells in series")));
            case "power.over-input" -> List.of(otherConverter(rung));
            case "power.passes-through" ->
                line.ranked(List.of(
                        otherConverter(rung),
                        Remedy.advice("Use one that steps up and down, or fewer cells in series")));
            case "power.over-voltage" -> overVoltage(rung);
            case "power.cable-drop", "power.under-voltage" -> belowWindow(f);
            case "power.step-up-limit" -> {
                List<Remedy> remedies = new ArrayList<>(List.of(otherConverter(rung)));
                remedies.addAll(moreCells("Put more cells in series, so that the input current falls"));
                yield remedies;
            }
            case "power.start-dip" ->
                f.numbers().containsKey("startsDownTo") ? forLateStart() : line.ranked(forStarting(dip()));
            case "power.no-load-voltage" ->
                List.of(
                        otherConverter(f.subjects().get(1)),
                        Remedy.advice(
                                "Set the converter lower and measure its output unloaded before anything is connected"));
            default -> throw Telling.unknown(f);
        };
    }

    private Facet.DrawsPower draws(String rung) {
        return build.rung(rung)
                .flatMap(build::partOf)
                .flatMap(p -> p.facet(Facet.DrawsPower.class))
                .orElseThrow();
    }

    private static double brightW(Facet.DrawsPower d) {
        return d.busyW().value() + d.backlightW().value();
    }

    /** The converter for a load that its rail does not suit; at its nominal voltage, or as low as it may be. */
    private static Part own(Facet.DrawsPower d, Line.Rail rail, boolean nominal) {
        return Picks.converter(new Picks.Conversion(
                rail.lowV(),
                rail.highV(),
                d.lowV(),
                nominal ? d.nominalV() : Math.min(d.nominalV(), d.highV()),
                d.highV(),
                Math.max(brightW(d), d.startW().value())));
    }

    /** What a converter of a load's own would burn while it works, W. */
    static double lossOfOwnConverter(Facet.DrawsPower d, Line.Rail rail) {
        Facet.Converts c = own(d, rail, true).facet(Facet.Converts.class).orElseThrow();
        return Sizing.lossWatts(c, (rail.lowV() + rail.highV()) / 2, brightW(d) / c.outV());
    }

    private Remedy between(String rung, boolean nominal) {
        Part converter = own(draws(rung), line.rail(rung), nominal);
        return Remedy.by(
                "Put “" + converter.name() + "” between them",
                ChainEdits.insertAbove(build, rung, ChainEdits.Piece.fresh(converter)));
    }

    private List<Working.Step> ownConverter(Noted f) {
        Facet.DrawsPower d = draws(f.first());
        Facet.Converts c =
                own(d, line.rail(f.first()), true).facet(Facet.Converts.class).orElseThrow();
        return List.of(new Working.Step(
                "Loss of the extra converter",
                "P = q + v·I + r·I²",
                n(c.quietW().value()) + " W + " + n(c.dropV().value()) + " V·I + "
                        + n(c.lossOhms().value()) + " Ω·I² for " + n(brightW(d)) + " W out",
                f.n("lossW") + " W"));
    }

    private List<Working.Step> fullVolts() {
        return line.stores().stream()
                .flatMap(p -> p.facet(Facet.Cells.class).stream())
                .limit(1)
                .map(c -> new Working.Step(
                        "Voltage at the end of the charge",
                        "V = cells in series · full voltage of a cell",
                        c.series() + " · " + n(c.chemistry().chargeV()) + " V",
                        n(c.series() * c.chemistry().chargeV()) + " V"))
                .toList();
    }

    private List<Remedy> overVoltage(String rung) {
        List<Remedy> remedies = new ArrayList<>();
        build.rung(rung)
                .flatMap(build::partOf)
                .flatMap(p -> p.facet(Facet.DrawsPower.class))
                .ifPresent(d -> remedies.add(between(rung, false)));
        remedies.add(Remedy.advice("Hang it on a rail with less voltage"));
        return remedies;
    }

    /** Board and screen together pass what the supply gives. */
    private List<Remedy> supplyCurrent(Noted f) {
        Part supply = build.rung(f.first()).flatMap(build::partOf).orElseThrow();
        List<Remedy> remedies = new ArrayList<>(moreCurrent(supply, f.number("amps")));
        remedies.add(Remedy.advice("Feed the screen from a source of its own"));
        return line.ranked(remedies);
    }

    /** Other voltages the supply can be asked for, and another bank, for a current at its present voltage. */
    private static List<Remedy> moreCurrent(Part supply, double amps) {
        double watts = amps * supply.offer().map(Facet.Offer::volts).orElse(0.0);
        List<Remedy> remedies = new ArrayList<>();
        supply.offers().stream().filter(o -> o.watts() >= watts).forEach(o -> remedies.add(Remedies.ask(supply, o)));
        supply.offer()
                .filter(o -> supply.isSource())
                .flatMap(o ->
                        Picks.bank(o.volts() * Usual.RAIL_LOW, o.volts() * Usual.RAIL_HIGH, watts * Usual.RAIL_HIGH))
                .ifPresent(p -> remedies.add(Remedies.instead(supply, p)));
        return remedies;
    }

    /** What each load is part of the sum. */
    private List<Working.Step> shares() {
        List<Working.Step> steps = new ArrayList<>();
        chain.busiest()
                .rungs()
                .forEach((id, state) -> build.rung(id)
                        .flatMap(build::partOf)
                        .filter(p -> p.facet(Facet.DrawsPower.class).isPresent())
                        .ifPresent(p -> steps.add(new Working.Step(
                                p.name(),
                                "",
                                "",
                                n(state.voltsIn() * state.ampsIn()) + " W, " + n(state.ampsIn()) + " A"))));
        return steps;
    }

    /** A wire on the way that would lose little enough in another gauge. */
    private record Thicker(Rung rung, Rung.Wire wire, int awg, Working.Step step) {}

    private List<Thicker> thicker(Noted f) {
        List<Thicker> found = new ArrayList<>();
        line.wiresTo(f.first()).forEach(rung -> {
            Rung.Wire wire = (Rung.Wire) rung.stage();
            double amps = Math.max(line.steadyA(rung.id()), line.startA(rung.id()));
            double ohms = Copper.loopOhms(wire.awg(), wire.lengthMm(), 20);
            double allowed = Math.max(0.005, amps * ohms - (f.number("limitV") * 1.01 - f.number("volts")));
            OptionalInt awg = Sizing.gauge(amps, wire.lengthMm(), allowed);
            if (awg.isPresent() && awg.getAsInt() < wire.awg()) {
                Working.Step step = new Working.Step(
                        "Drop in " + rung.name(build),
                        "U = I · 2·ρ·l / A",
                        n(amps) + " A · " + n(ohms) + " Ω",
                        n(amps * ohms) + " V; at most " + n(allowed) + " V will do");
                found.add(new Thicker(rung, wire, awg.getAsInt(), step));
            }
        });
        return found;
    }

    private List<Remedy> belowWindow(Noted f) {
        List<Remedy> remedies = new ArrayList<>();
        for (Thicker t : thicker(f)) {
            remedies.add(Remedy.by(
                    "Take AWG " + t.awg() + " for it",
                    ChainEdits.change("gauge", t.rung().id(), Rung.Wire.class, w -> w.gauge(t.awg()))));
        }
        remedies.add(Remedy.advice("Put the converter next to the load, and run the long wire at the higher voltage"));
        return line.ranked(remedies);
    }

    private List<Remedy> moreCells(String otherwise) {
        List<Remedy> remedies = new ArrayList<>();
        line.stores().stream()
                .filter(p -> p.facet(Facet.Cells.class).isPresent())
                .limit(1)
                .forEach(p -> remedies.add(moreStrings(p)));
        remedies.add(Remedy.advice(otherwise));
        return remedies;
    }

    private static Remedy moreStrings(Part pack) {
        Facet.Cells c = pack.facet(Facet.Cells.class).orElseThrow();
        return Remedy.by(
                "Put " + (c.parallel() + 1) + " strings of cells in parallel instead of " + c.parallel(),
                Edits.replacePart(pack, Packs.with(pack, c.series(), c.parallel() + 1)));
    }

    /** A fuse, switch, plug or protection for what it really carries. */
    private Remedy stronger(String rung) {
        return build.rung(rung)
                .filter(r -> r.stage() instanceof Rung.Contact)
                .map(r -> {
                    double rating = Sizing.fuse(line.steadyA(rung), line.startA(rung));
                    return Remedy.by(
                            "Take one for " + n(rating) + " A, if cells and wires bear that",
                            ChainEdits.change("rating", rung, Rung.Contact.class, c -> c.rated(rating)));
                })
                .orElseGet(() -> build.rung(rung)
                        .flatMap(build::partOf)
                        .filter(p -> p.facet(Facet.Cells.class).isPresent())
                        .map(BreachTelling::moreStrings)
                        .orElse(Remedy.advice("Take one made for the current")));
    }

    private Remedy otherConverter(String rung) {
        Optional<Part> old = build.rung(rung).flatMap(build::partOf);
        Optional<Facet.Converts> c = old.flatMap(p -> p.facet(Facet.Converts.class));
        if (c.isEmpty()) {
            return Remedy.advice("Take a stronger converter");
        }
        Line.Rail rail = line.rail(rung);
        double outV = c.get().outV();
        double sag = Math.min(rail.lowV(), Math.max(0.5, rail.lowV() * 0.97));
        List<Facet.DrawsPower> loads = loadsBelow(rung);
        Part picked = Picks.converter(new Picks.Conversion(
                sag,
                rail.highV(),
                loads.stream()
                        .mapToDouble(Facet.DrawsPower::lowV)
                        .filter(v -> v < outV)
                        .max()
                        .orElse(outV * Usual.RAIL_LOW),
                outV,
                loads.stream()
                        .mapToDouble(Facet.DrawsPower::highV)
                        .filter(v -> v > outV)
                        .min()
                        .orElse(outV * Usual.RAIL_HIGH),
                loads.stream()
                        .mapToDouble(d -> Math.max(d.startW().value(), d.busyW().value())
                                + d.backlightW().value())
                        .sum()));
        return Remedies.instead(old.orElseThrow(), picked);
    }

    private List<Facet.DrawsPower> loadsBelow(String rung) {
        return build.rung(rung).stream()
                .flatMap(Rung::walk)
                .flatMap(r -> build.partOf(r).flatMap(p -> p.facet(Facet.DrawsPower.class)).stream())
                .toList();
    }

    private List<Working.Step> mostItGives(Noted f) {
        Facet.Converts c = build.rung(f.first())
                .flatMap(build::partOf)
                .flatMap(p -> p.facet(Facet.Converts.class))
                .orElseThrow();
        List<Working.Step> steps = new ArrayList<>();
        line.stores().stream()
                .flatMap(p -> p.facet(Facet.Cells.class).stream())
                .limit(1)
                .forEach(cells -> {
                    for (double level : CELL_LEVELS) {
                        double volts = cells.series() * CellCurve.restVolts(cells.chemistry(), level);
                        steps.add(new Working.Step(
                                "Most it gives at " + percent(level) + " %",
                                "P = V·I − q − v·I − r·I²",
                                n(volts) + " V · " + n(c.limitA()) + " A − losses",
                                n(Sizing.stepUpMostWatts(c, volts)) + " W"));
                    }
                });
        return steps;
    }

    private List<Remedy> forStarting(Breach stop) {
        List<Remedy> remedies = new ArrayList<>();
        Optional<Part> supply = build.rung(stop.rung()).flatMap(build::partOf).filter(Part::givesPower);
        switch (stop.kind()) {
            case SOURCE_LIMIT -> supply.ifPresent(p -> remedies.addAll(moreCurrent(p, stop.value())));
            case CONVERTER_LIMIT, DROPOUT -> remedies.add(otherConverter(stop.rung()));
            case OVER_CURRENT -> remedies.add(stronger(stop.rung()));
            default -> {
                // The voltage dips: wires, cells.
            }
        }
        remedies.addAll(thickerWires());
        remedies.addAll(line.root()
                .walk()
                .filter(r -> build.partOf(r)
                        .flatMap(p -> p.facet(Facet.Converts.class))
                        .isPresent())
                .map(r -> otherConverter(r.id()))
                .toList());
        remedies.addAll(moreCells(ONE_AFTER_THE_OTHER));
        return remedies;
    }

    private List<Remedy> forLateStart() {
        List<Remedy> remedies = new ArrayList<>(
                line.steppingUp().map(r -> otherConverter(r.id())).toList());
        remedies.addAll(moreCells(ONE_AFTER_THE_OTHER));
        return remedies;
    }

    /** Every wire in the gauge that loses little in the start-up peak. */
    private List<Remedy> thickerWires() {
        List<Remedy> remedies = new ArrayList<>();
        line.root().walk().filter(r -> r.stage() instanceof Rung.Wire).forEach(r -> {
            Rung.Wire wire = (Rung.Wire) r.stage();
            double amps = Math.max(line.startA(r.id()), line.steadyA(r.id()));
            double volts = line.rail(r.id()).lowV();
            OptionalInt awg = Sizing.gauge(amps, wire.lengthMm(), volts * 0.01);
            if (awg.isPresent() && awg.getAsInt() < wire.awg()) {
                remedies.add(Remedy.by(
                        "Take AWG " + awg.getAsInt() + " for " + r.name(build),
                        ChainEdits.change("gauge", r.id(), Rung.Wire.class, w -> w.gauge(awg.getAsInt()))));
            }
        });
        return remedies;
    }
}
