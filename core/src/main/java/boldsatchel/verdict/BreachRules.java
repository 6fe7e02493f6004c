package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.name;
import static boldsatchel.verdict.Words.numbers;
import static boldsatchel.verdict.Words.percent;

import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edits;
import boldsatchel.edit.Packs;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.ConverterKind;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Breach;
import boldsatchel.power.CellCurve;
import boldsatchel.power.Copper;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.power.Sizing;
import boldsatchel.shelf.Picks;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;

/** Voltages and currents that do not hold: working, starting up, unloaded, full and nearly empty. */
final class BreachRules {

    private static final double LATE_START = 0.15;
    private static final double[] CELL_LEVELS = {1, 0.5, 0.1};

    private final Line line;
    private final Build build;
    private final ChainResult chain;
    private final Words.Sheet sheet;
    private final Set<String> told = new HashSet<>();

    private BreachRules(Line line) {
        this.line = line;
        this.build = line.build();
        this.chain = line.chain();
        this.sheet = line.sheet();
    }

    static void judge(Line line) {
        BreachRules rules = new BreachRules(line);
        line.root().walk().forEach(rules::window);
        rules.breaches();
        rules.stepUpLimit();
        rules.starting();
        line.root().walk().forEach(rules::noLoad);
    }

    /** What hangs straight on a rail, against all the voltages that rail can have. */
    private void window(Rung rung) {
        Optional<Facet.DrawsPower> draws = build.partOf(rung)
                .flatMap(p -> p.facet(Facet.DrawsPower.class))
                .filter(d -> d.busyW().value() > 0);
        if (draws.isEmpty()) {
            return;
        }
        Facet.DrawsPower d = draws.get();
        Line.Rail rail = line.rail(rung.id());
        String who = rung.name(build);
        if (d.lowV() > rail.highV()) {
            needsRail(rung, d, rail, who);
            return;
        }
        if (rail.converter().isPresent()
                || line.stores().stream()
                        .noneMatch(p -> p.facet(Facet.Cells.class).isPresent())) {
            return;
        }
        if (rail.highV() > d.highV()) {
            told.add("above " + rung.id());
            sheet.add(
                    "power.window-high",
                    Severity.STOP,
                    List.of(rung.id()),
                    who + " bears " + n(d.highV()) + " V; straight on the cells it sees " + n(rail.highV())
                            + " V while they are charged full.",
                    numbers("volts", rail.highV(), "limitV", d.highV()),
                    fullVolts(),
                    List.of(between(rung, d, rail), fewerCells()));
        } else if (rail.lowV() < d.lowV()) {
            double left = chain.run().endLevel();
            boolean endsThere = chain.run().end().kind() == Breach.Kind.BELOW_WINDOW
                    && chain.run().end().rung().equals(rung.id());
            if (endsThere && left > 0.03) {
                sheet.add(
                        "power.window-low",
                        Severity.WATCH,
                        List.of(rung.id()),
                        who + " needs " + n(d.lowV()) + " V and stops with " + percent(left)
                                + " % still in the cells, which go down to " + n(rail.lowV()) + " V.",
                        numbers("volts", rail.lowV(), "limitV", d.lowV(), "level", left),
                        List.of(),
                        List.of(between(rung, d, rail), Remedy.advice("Take one cell in series more")));
            }
        }
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

    private Remedy fewerCells() {
        return Remedy.advice("Take one cell in series less, if everything else can live with that");
    }

    /** A converter between a load and a rail that does not suit it. */
    private Remedy between(Rung rung, Facet.DrawsPower d, Line.Rail rail) {
        double watts =
                Math.max(d.startW().value(), d.busyW().value() + d.backlightW().value());
        Part converter = Picks.converter(new Picks.Conversion(
                rail.lowV(), rail.highV(), d.lowV(), Math.min(d.nominalV(), d.highV()), d.highV(), watts));
        return Remedy.by(
                "Put “" + converter.name() + "” between them",
                ChainEdits.insertAbove(build, rung.id(), ChainEdits.Piece.fresh(converter)));
    }

    private void needsRail(Rung rung, Facet.DrawsPower d, Line.Rail rail, String who) {
        told.add("below " + rung.id());
        double watts = d.busyW().value() + d.backlightW().value();
        Part converter = Picks.converter(new Picks.Conversion(
                rail.lowV(),
                rail.highV(),
                d.lowV(),
                d.nominalV(),
                d.highV(),
                Math.max(watts, d.startW().value())));
        Facet.Converts c = converter.facet(Facet.Converts.class).orElseThrow();
        double loss = Sizing.lossWatts(c, (rail.lowV() + rail.highV()) / 2, watts / c.outV());
        sheet.add(
                "power.needs-rail",
                Severity.STOP,
                List.of(rung.id()),
                who + " wants " + n(d.lowV()) + " V at least, and its rail has at most " + n(rail.highV())
                        + " V. A converter of its own would burn about " + n(loss) + " W while it works.",
                numbers("volts", rail.highV(), "limitV", d.lowV(), "lossW", loss),
                List.of(new Working.Step(
                        "Loss of the extra converter",
                        "P = q + v·I + r·I²",
                        n(c.quietW().value()) + " W + " + n(c.dropV().value()) + " V·I + "
                                + n(c.lossOhms().value()) + " Ω·I² for " + n(watts) + " W out",
                        n(loss) + " W")),
                List.of(
                        Remedy.by(
                                "Put “" + converter.name() + "” between them",
                                ChainEdits.insertAbove(build, rung.id(), ChainEdits.Piece.fresh(converter))),
                        Remedy.advice("Take one that works at " + n(rail.highV()) + " V")));
    }

    private void breaches() {
        OperatingPoint busiest = chain.busiest();
        List<Breach> all = new ArrayList<>(busiest.breaches());
        all.addAll(chain.full().breaches());
        for (Breach b : all) {
            if (told.add(b.kind() + b.rung())) {
                breach(b, busiest);
            }
        }
    }

    private void breach(Breach b, OperatingPoint at) {
        String who = name(build, b.rung());
        String is = n(b.value());
        String may = n(b.limit());
        List<String> subjects = List.of(b.rung());
        var amps = numbers("amps", b.value(), "limitA", b.limit());
        var volts = numbers("volts", b.value(), "limitV", b.limit());
        switch (b.kind()) {
            case COLLAPSE ->
                sheet.add(
                        "power.collapse",
                        Severity.STOP,
                        subjects,
                        who + " cannot carry the loads at half charge: the voltage collapses.",
                        numbers("openV", b.limit()),
                        List.of(),
                        line.ranked(moreCells("Lower the loads, or take cells with less resistance")));
            case CELL_CUTOFF ->
                sheet.add(
                        "power.sag",
                        Severity.STOP,
                        subjects,
                        who + " is at its cut-off though half full: " + is + " V under load, " + may
                                + " V is the least.",
                        volts,
                        List.of(),
                        line.ranked(moreCells("Take cells with less resistance")));
            case OVER_CURRENT ->
                sheet.add(
                        "power.trip",
                        Severity.STOP,
                        subjects,
                        who + " trips: " + is + " A, and " + may + " A is the most.",
                        amps,
                        List.of(),
                        List.of(stronger(b.rung())));
            case SOURCE_LIMIT -> supplyCurrent(b);
            case BELOW_WINDOW -> {
                if (!told.contains("below " + b.rung())) {
                    belowWindow(b, at);
                }
            }
            case ABOVE_WINDOW -> {
                if (!told.contains("above " + b.rung())) {
                    build.rung(b.rung()).ifPresent(rung -> overVoltage(b, rung, who));
                }
            }
            case CONVERTER_LIMIT ->
                sheet.add(
                        "power.converter-limit",
                        Severity.STOP,
                        subjects,
                        who + " would carry " + is + " A; " + may + " A is its limit.",
                        amps,
                        List.of(),
                        line.ranked(List.of(
                                otherConverter(b.rung()), Remedy.advice("Share the loads between two converters"))));
            case DROPOUT ->
                sheet.add(
                        "power.dropout",
                        Severity.STOP,
                        subjects,
                        who + " has " + is + " V at its input and needs " + may + " V.",
                        volts,
                        List.of(),
                        line.ranked(List.of(otherConverter(b.rung()), Remedy.advice("Take more cells in series"))));
            case ABOVE_INPUT ->
                sheet.add(
                        "power.over-input",
                        Severity.STOP,
                        subjects,
                        who + " has " + is + " V at its input and bears " + may + " V.",
                        volts,
                        List.of(),
                        List.of(otherConverter(b.rung())));
            case OVER_RATING -> {
                if (build.rung(b.rung())
                        .filter(r -> r.stage() instanceof Rung.Wire)
                        .isEmpty()) {
                    sheet.add(
                            "power.contact-rating",
                            Severity.WATCH,
                            subjects,
                            who + " carries " + is + " A and is made for " + may + " A.",
                            amps,
                            List.of(),
                            List.of(stronger(b.rung())));
                }
            }
            case SHUTS_OFF, EMPTY -> {
                // Told with the sleeping machine, and by the run time.
            }
        }
    }

    private void overVoltage(Breach b, Rung rung, String who) {
        Optional<Facet.DrawsPower> draws = build.partOf(rung).flatMap(p -> p.facet(Facet.DrawsPower.class));
        List<Remedy> remedies = new ArrayList<>();
        draws.ifPresent(d -> remedies.add(between(rung, d, line.rail(rung.id()))));
        remedies.add(Remedy.advice("Hang it on a rail with less voltage"));
        sheet.add(
                "power.over-voltage",
                Severity.STOP,
                List.of(b.rung()),
                who + " sees " + n(b.value()) + " V and bears at most " + n(b.limit()) + " V.",
                numbers("volts", b.value(), "limitV", b.limit()),
                List.of(),
                remedies);
    }

    /** Board and screen together pass what the supply gives. */
    private void supplyCurrent(Breach b) {
        Part supply = build.rung(b.rung()).flatMap(build::partOf).orElseThrow();
        List<Remedy> remedies = new ArrayList<>(moreCurrent(supply, b.value()));
        remedies.add(Remedy.advice("Feed the screen from a source of its own"));
        sheet.add(
                "power.supply-current",
                Severity.STOP,
                List.of(b.rung()),
                "Together the loads draw " + n(b.value()) + " A from " + supply.name() + ", which gives " + n(b.limit())
                        + " A.",
                numbers("amps", b.value(), "limitA", b.limit()),
                shares(),
                line.ranked(remedies));
    }

    /** Other voltages the supply can be asked for, and another bank, for a current at its present voltage. */
    private static List<Remedy> moreCurrent(Part supply, double amps) {
        double watts = amps * supply.offer().map(Facet.Offer::volts).orElse(0.0);
        List<Remedy> remedies = new ArrayList<>();
        supply.offers().stream()
                .filter(o -> o.watts() >= watts)
                .forEach(o -> remedies.add(Remedy.by(
                        "Ask it for " + n(o.volts()) + " V, " + n(o.amps()) + " A",
                        Edits.changePart("voltage asked", supply.asked(o)))));
        supply.offer()
                .filter(o -> supply.isSource())
                .flatMap(o -> Picks.bank(o.volts() * 0.95, o.volts() * 1.05, watts * 1.05))
                .ifPresent(
                        p -> remedies.add(Remedy.by("Take “" + p.name() + "” instead", Edits.replacePart(supply, p))));
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

    private void belowWindow(Breach b, OperatingPoint at) {
        List<Rung> wires = line.root().pathTo(b.rung()).stream()
                .filter(r -> r.stage() instanceof Rung.Wire)
                .toList();
        double lost = line.root().pathTo(b.rung()).stream()
                .filter(r -> !(r.stage() instanceof Rung.OfPart) && !(r.stage() instanceof Rung.Join))
                .flatMap(r -> at.rung(r.id()).stream())
                .mapToDouble(s -> s.voltsIn() - s.voltsOut())
                .sum();
        boolean cable = lost > 0.03 * b.limit() && !wires.isEmpty();
        List<Remedy> remedies = new ArrayList<>();
        List<Working.Step> steps = new ArrayList<>();
        for (Rung rung : wires) {
            Rung.Wire wire = (Rung.Wire) rung.stage();
            double amps = Math.max(line.steadyA(rung.id()), line.startA(rung.id()));
            double drop = amps * Copper.loopOhms(wire.awg(), wire.lengthMm(), 20);
            double allowed = Math.max(0.005, drop - (b.limit() * 1.01 - b.value()));
            OptionalInt awg = Sizing.gauge(amps, wire.lengthMm(), allowed);
            if (awg.isPresent() && awg.getAsInt() < wire.awg()) {
                steps.add(new Working.Step(
                        "Drop in " + rung.name(build),
                        "U = I · 2·ρ·l / A",
                        n(amps) + " A · " + n(Copper.loopOhms(wire.awg(), wire.lengthMm(), 20)) + " Ω",
                        n(drop) + " V; at most " + n(allowed) + " V will do"));
                remedies.add(Remedy.by(
                        "Take AWG " + awg.getAsInt() + " for it",
                        ChainEdits.change("gauge", rung.id(), wire.gauge(awg.getAsInt()))));
            }
        }
        remedies.add(Remedy.advice("Put the converter next to the load, and run the long wire at the higher voltage"));
        sheet.add(
                cable ? "power.cable-drop" : "power.under-voltage",
                Severity.STOP,
                List.of(b.rung()),
                name(build, b.rung()) + " sees " + n(b.value()) + " V and needs at least " + n(b.limit())
                        + " V; wires and contacts lose " + n(lost) + " V.",
                numbers("volts", b.value(), "limitV", b.limit(), "lostV", lost),
                steps,
                line.ranked(remedies));
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
        double steady = line.steadyA(rung);
        double start = line.startA(rung);
        return build.rung(rung)
                .filter(r -> r.stage() instanceof Rung.Contact)
                .map(r -> {
                    Rung.Contact c = (Rung.Contact) r.stage();
                    double rating = Sizing.fuse(steady, start);
                    return Remedy.by(
                            "Take one for " + n(rating) + " A, if cells and wires bear that",
                            ChainEdits.change("rating", rung, new Rung.Contact(c.kind(), c.ohms(), rating)));
                })
                .orElseGet(() -> build.rung(rung)
                        .flatMap(build::partOf)
                        .filter(p -> p.facet(Facet.Cells.class).isPresent())
                        .map(BreachRules::moreStrings)
                        .orElse(Remedy.advice("Take one made for the current")));
    }

    private Remedy otherConverter(String rung) {
        Optional<Part> old = build.rung(rung).flatMap(build::partOf);
        Optional<Facet.Converts> c = old.flatMap(p -> p.facet(Facet.Converts.class));
        if (c.isEmpty()) {
            return Remedy.advice("Take a stronger converter");
        }
        Line.Rail rail = line.rail(rung);
        double sag = Math.min(rail.lowV(), Math.max(0.5, rail.lowV() * 0.97));
        Part picked = Picks.converter(new Picks.Conversion(
                sag,
                rail.highV(),
                leastBelow(rung, c.get()),
                c.get().outV(),
                mostBelow(rung, c.get()),
                wattsBelow(rung)));
        return Remedy.by("Take “" + picked.name() + "” instead", Edits.replacePart(old.orElseThrow(), picked));
    }

    private double leastBelow(String rung, Facet.Converts c) {
        return loadsBelow(rung).stream()
                .mapToDouble(Facet.DrawsPower::lowV)
                .filter(v -> v < c.outV())
                .max()
                .orElse(c.outV() * 0.95);
    }

    private double mostBelow(String rung, Facet.Converts c) {
        return loadsBelow(rung).stream()
                .mapToDouble(Facet.DrawsPower::highV)
                .filter(v -> v > c.outV())
                .min()
                .orElse(c.outV() * 1.06);
    }

    private List<Facet.DrawsPower> loadsBelow(String rung) {
        return build.rung(rung).stream()
                .flatMap(Rung::walk)
                .flatMap(r -> build.partOf(r).flatMap(p -> p.facet(Facet.DrawsPower.class)).stream())
                .toList();
    }

    /** What hangs below at its worst: every load starting up, screens bright. */
    private double wattsBelow(String rung) {
        return loadsBelow(rung).stream()
                .mapToDouble(d -> Math.max(d.startW().value(), d.busyW().value())
                        + d.backlightW().value())
                .sum();
    }

    private void stepUpLimit() {
        Breach end = chain.run().end();
        boolean early = end.kind() == Breach.Kind.CONVERTER_LIMIT || end.kind() == Breach.Kind.COLLAPSE;
        if (!early || chain.run().endLevel() <= 0.02 || !told.add(end.kind() + end.rung())) {
            return;
        }
        Optional<Rung> rung = build.rung(end.rung())
                .filter(r -> build.partOf(r)
                        .flatMap(p -> p.facet(Facet.Converts.class))
                        .isPresent())
                .or(() -> line.root()
                        .walk()
                        .filter(r -> build.partOf(r)
                                .flatMap(p -> p.facet(Facet.Converts.class))
                                .filter(c -> c.kind() != ConverterKind.STEP_DOWN)
                                .isPresent())
                        .findFirst());
        if (rung.isEmpty()) {
            return;
        }
        Facet.Converts c = build.partOf(rung.get())
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
        List<Remedy> remedies =
                new ArrayList<>(List.of(otherConverter(rung.get().id())));
        remedies.addAll(moreCells("Put more cells in series, so that the input current falls"));
        sheet.add(
                "power.step-up-limit",
                Severity.WATCH,
                List.of(rung.get().id(), chain.source()),
                rung.get().name(build) + ": as the battery falls the current rises; at "
                        + percent(chain.run().endLevel()) + " % " + end.kind().words() + ".",
                numbers("level", chain.run().endLevel(), "amps", end.value(), "limitA", end.limit()),
                steps,
                remedies);
    }

    private void starting() {
        boolean runs = chain.full().stop().isEmpty();
        if (chain.startsDownTo().isEmpty() && runs) {
            Breach stop = chain.starting().stop().orElseThrow();
            sheet.add(
                    "power.start-dip",
                    Severity.STOP,
                    List.of(stop.rung(), chain.source()),
                    "It runs, but does not start: in the peak " + stop.kind().words() + " (" + name(build, stop.rung())
                            + ": " + n(stop.value()) + ", limit " + n(stop.limit()) + ").",
                    numbers("value", stop.value(), "limit", stop.limit()),
                    List.of(),
                    line.ranked(forStarting(stop)));
        }
        chain.startsDownTo()
                .filter(level -> level > Math.max(LATE_START, chain.run().endLevel() + 0.05))
                .ifPresent(level -> sheet.add(
                        "power.start-dip",
                        Severity.WATCH,
                        List.of(chain.source()),
                        "It starts only down to " + percent(level) + " % of charge, though it runs down to "
                                + percent(chain.run().endLevel()) + " %.",
                        numbers("startsDownTo", level, "runsDownTo", chain.run().endLevel()),
                        List.of(),
                        forLateStart()));
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
        remedies.addAll(moreCells("Let the loads start one after the other"));
        return remedies;
    }

    private List<Remedy> forLateStart() {
        List<Remedy> remedies = new ArrayList<>();
        line.root()
                .walk()
                .filter(r -> build.partOf(r)
                        .flatMap(p -> p.facet(Facet.Converts.class))
                        .filter(c -> c.kind() != ConverterKind.STEP_DOWN)
                        .isPresent())
                .map(r -> otherConverter(r.id()))
                .forEach(remedies::add);
        remedies.addAll(moreCells("Let the loads start one after the other"));
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
                        ChainEdits.change("gauge", r.id(), wire.gauge(awg.getAsInt()))));
            }
        });
        return remedies;
    }

    /** A converter's output before any load settles it, against what hangs on it. */
    private void noLoad(Rung rung) {
        Optional<Part> part = build.partOf(rung);
        Optional<Facet.Converts> converts = part.flatMap(p -> p.facet(Facet.Converts.class));
        if (converts.isEmpty()) {
            return;
        }
        double high = part.get()
                .facet(Facet.Holds.class)
                .map(h -> converts.get().outV() * (1 + h.tolerance()))
                .orElse(0.0);
        double volts = Math.max(converts.get().noLoadV(), high);
        rung.feeds().stream()
                .flatMap(Rung::walk)
                .filter(r -> line.rail(r.id()).converter().filter(rung::equals).isPresent())
                .forEach(r -> build.partOf(r)
                        .flatMap(p -> p.facet(Facet.DrawsPower.class))
                        .filter(d ->
                                d.highV() < volts && d.highV() >= converts.get().outV())
                        .ifPresent(d -> sheet.add(
                                "power.no-load-voltage",
                                Severity.STOP,
                                List.of(r.id(), rung.id()),
                                rung.name(build) + " puts out up to " + n(volts) + " V before it is loaded; "
                                        + r.name(build) + " bears " + n(d.highV()) + " V.",
                                numbers("volts", volts, "limitV", d.highV()),
                                List.of(),
                                List.of(
                                        otherConverter(rung.id()),
                                        Remedy.advice(
                                                "Set the converter lower and measure its output unloaded before anything is"
                                                        + " connected")))));
    }
}
