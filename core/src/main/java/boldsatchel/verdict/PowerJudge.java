package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.name;
import static boldsatchel.verdict.Words.numbers;

import boldsatchel.build.Build;
import boldsatchel.build.Facet;
import boldsatchel.build.Part;
import boldsatchel.build.Rung;
import boldsatchel.power.Breach;
import boldsatchel.power.CellCurve;
import boldsatchel.power.Discharge;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.PowerResult;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Lasts, and what the power chain has to say. */
final class PowerJudge {

    private static final String METHOD = "power";
    private static final double CARRIAGE_FREE_WH = 100;
    private static final double CARRIAGE_MOST_WH = 160;
    private static final double LATE_START = 0.15;

    private PowerJudge() {}

    static Verdict lasts(Build build, PowerResult power) {
        OptionalDouble limit =
                build.brief().limits().hours().map(OptionalDouble::of).orElse(OptionalDouble.empty());
        Optional<ChainResult> shortest = power.shortest();
        double value = shortest.map(c -> c.run().hours()).orElse(Double.NaN);
        double low = Math.max(0, power.hours().low());
        State state = shortest.isEmpty()
                ? State.WATCH
                : value == 0
                        ? State.STOP
                        : Verdict.against(value, low, power.hours().high(), limit, true);
        String sentence = shortest.map(c -> sentence(build, c)).orElse("No source feeds anything yet.");
        return new Verdict(
                Verdict.Kind.LASTS,
                state,
                value,
                limit,
                low,
                power.hours().high(),
                sentence,
                new Working(shortest.map(c -> steps(build, c)).orElse(List.of()), power.hours(), METHOD));
    }

    private static String sentence(Build build, ChainResult chain) {
        Discharge run = chain.run();
        String culprit = name(build, run.end().rung());
        if (Double.isInfinite(run.hours())) {
            return "Runs for more than a year.";
        }
        String end = "because " + run.end().kind().words() + " (" + culprit + ")";
        return run.hours() == 0
                ? "Does not run: stops at once " + end + "."
                : "Runs “" + build.brief().profile().name() + "” until it stops " + end + ", with "
                        + percent(run.endLevel()) + " % left.";
    }

    private static List<Working.Step> steps(Build build, ChainResult chain) {
        List<Working.Step> steps = new ArrayList<>();
        Discharge run = chain.run();
        if (run.hours() == 0 || Double.isInfinite(run.hours())) {
            return steps;
        }
        Optional<Part> source = sourcePart(build, chain.source());
        double used = 1 - run.endLevel();
        source.flatMap(p -> p.facet(Facet.Cells.class)).ifPresent(c -> {
            double factor =
                    CellCurve.capacityFactor(build.brief().surroundings().packC());
            double charge = c.capacityAh().value() * c.parallel() * c.health().value() * factor;
            double volts = meanVolts(run);
            double amps = run.meanWatts() / volts;
            steps.add(new Working.Step(
                    "Charge that can be used",
                    "Q = capacity · parallel · health · cold factor · share used",
                    n(c.capacityAh().value()) + " Ah · " + c.parallel() + " · "
                            + n(c.health().value()) + " · " + n(factor) + " · " + n(used),
                    Units.format(Quantity.CHARGE, charge * used)));
            steps.add(new Working.Step(
                    "Mean current",
                    "I = mean power / mean voltage under load",
                    n(run.meanWatts()) + " W / " + n(volts) + " V",
                    Units.format(Quantity.CURRENT, amps)));
            steps.add(new Working.Step(
                    "Run time",
                    "t = ∫ Q·ds / I(s) ≈ Q / I",
                    n(charge * used) + " Ah / " + n(amps) + " A = " + n(charge * used / amps) + " h; step by step",
                    Units.format(run.hours(), 2, "h")));
        });
        source.flatMap(p -> p.facet(Facet.PowerBank.class)).ifPresent(b -> {
            double usable = b.ratedWh().value() * b.efficiency().value();
            steps.add(new Working.Step(
                    "Energy at its output",
                    "E = rated energy · efficiency",
                    n(b.ratedWh().value()) + " Wh · " + n(b.efficiency().value()),
                    Units.format(Quantity.ENERGY, usable)));
            steps.add(new Working.Step(
                    "Run time",
                    "t = E / mean power",
                    n(usable) + " Wh / " + n(run.meanWatts()) + " W",
                    Units.format(run.hours(), 2, "h")));
        });
        return steps;
    }

    private static String percent(double share) {
        return String.valueOf(Math.round(share * 100));
    }

    private static double meanVolts(Discharge run) {
        double area = 0;
        List<Discharge.Sample> s = run.samples();
        for (int i = 1; i < s.size(); i++) {
            area += (s.get(i - 1).level() - s.get(i).level())
                    * (s.get(i).volts() + s.get(i - 1).volts())
                    / 2;
        }
        double used = s.getFirst().level() - s.getLast().level();
        return used > 0 ? area / used : s.getFirst().volts();
    }

    private static Optional<Part> sourcePart(Build build, String rung) {
        return build.chain().stream()
                .filter(r -> r.id().equals(rung))
                .findFirst()
                .flatMap(Rung::part)
                .flatMap(build::part);
    }

    static List<Finding> findings(Build build, PowerResult power) {
        Words.Sheet sheet = new Words.Sheet();
        if (power.chains().isEmpty()) {
            sheet.add(
                    "power.no-source",
                    Severity.WATCH,
                    List.of(),
                    "Nothing gives power yet.",
                    numbers(),
                    "Add a battery or a power bank from the shelf and make it the first rung of the chain");
        }
        for (String id : power.unfed()) {
            sheet.add(
                    "power.unfed",
                    Severity.WATCH,
                    List.of(id),
                    name(build, id) + " draws power but hangs on no rung of the chain.",
                    numbers(),
                    "Hang it on the rail with its voltage in Power");
        }
        for (ChainResult chain : power.chains()) {
            Rung source = build.chain().stream()
                    .filter(r -> r.id().equals(chain.source()))
                    .findFirst()
                    .orElseThrow();
            breaches(build, chain, sheet);
            starting(build, chain, sheet);
            noLoad(build, source, sheet);
            protection(build, source, sheet);
            energy(build, source, sheet);
        }
        return sheet.findings();
    }

    private static void breaches(Build build, ChainResult chain, Words.Sheet sheet) {
        Set<String> told = new HashSet<>();
        OperatingPoint busiest = chain.busiest();
        List<Breach> all = new ArrayList<>(busiest.breaches());
        all.addAll(chain.full().breaches());
        for (Breach b : all) {
            if (told.add(b.kind() + b.rung())) {
                breach(build, b, busiest, sheet);
            }
        }
        Breach end = chain.run().end();
        boolean early = end.kind() == Breach.Kind.CONVERTER_LIMIT || end.kind() == Breach.Kind.COLLAPSE;
        if (early && chain.run().endLevel() > 0.02 && told.add(end.kind() + end.rung())) {
            sheet.add(
                    "power.step-up-limit",
                    Severity.WATCH,
                    List.of(end.rung(), chain.source()),
                    name(build, end.rung()) + ": as the battery falls the current rises; at "
                            + percent(chain.run().endLevel()) + " % "
                            + end.kind().words() + ".",
                    numbers("level", chain.run().endLevel(), "amps", end.value(), "limitA", end.limit()),
                    "Take a converter with a higher switch current",
                    "Put more cells in series so that the input current falls");
        }
        OperatingPoint sleeping = chain.noLoad();
        sleeping.breaches().stream()
                .filter(b -> b.kind() == Breach.Kind.SHUTS_OFF)
                .forEach(b -> sheet.add(
                        "power.bank-sleep",
                        Severity.WATCH,
                        List.of(b.rung()),
                        name(build, b.rung()) + " switches itself off below " + n(b.limit())
                                + " A; asleep the machine draws " + n(b.value()) + " A and would be cut off.",
                        numbers("amps", b.value(), "limitA", b.limit()),
                        "Shut down instead of sleeping",
                        "Take a power bank with an always-on setting"));
    }

    private static void breach(Build build, Breach b, OperatingPoint at, Words.Sheet sheet) {
        String who = name(build, b.rung());
        String is = n(b.value());
        String may = n(b.limit());
        List<String> subjects = List.of(b.rung());
        switch (b.kind()) {
            case COLLAPSE ->
                sheet.add(
                        "power.collapse",
                        Severity.STOP,
                        subjects,
                        who + " cannot carry the loads at half charge: the voltage collapses.",
                        numbers("openV", b.limit()),
                        "Lower the loads, or take cells with less resistance, more in parallel or in series");
            case CELL_CUTOFF ->
                sheet.add(
                        "power.sag",
                        Severity.STOP,
                        subjects,
                        who + " is at its cut-off though half full: " + is + " V under load, " + may
                                + " V is the least.",
                        numbers("volts", b.value(), "limitV", b.limit()),
                        "Take more cells in parallel or cells with less resistance");
            case OVER_CURRENT ->
                sheet.add(
                        "power.trip",
                        Severity.STOP,
                        subjects,
                        who + " trips: " + is + " A, and " + may + " A is the most.",
                        numbers("amps", b.value(), "limitA", b.limit()),
                        "Take a protection or fuse for the current the loads really draw, if the cells allow it");
            case SOURCE_LIMIT ->
                sheet.add(
                        "power.supply-current",
                        Severity.STOP,
                        subjects,
                        "Together the loads draw " + is + " A from " + who + ", which gives " + may + " A.",
                        numbers("amps", b.value(), "limitA", b.limit()),
                        "Use a profile with a higher current or voltage",
                        "Feed the screen from a source of its own");
            case BELOW_WINDOW -> {
                double wires = wireLossVolts(build, at);
                sheet.add(
                        wires > 0.03 * b.limit() ? "power.cable-drop" : "power.under-voltage",
                        Severity.STOP,
                        subjects,
                        who + " sees " + is + " V and needs at least " + may + " V; wires and contacts lose " + n(wires)
                                + " V.",
                        numbers("volts", b.value(), "limitV", b.limit(), "lostV", wires),
                        "Shorten the wire or take a thicker gauge",
                        "Put the converter next to the load");
            }
            case ABOVE_WINDOW ->
                sheet.add(
                        "power.over-voltage",
                        Severity.STOP,
                        subjects,
                        who + " sees " + is + " V from a full battery and bears at most " + may + " V.",
                        numbers("volts", b.value(), "limitV", b.limit()),
                        "Put a step-down converter between them",
                        "Take one cell in series less");
            case CONVERTER_LIMIT ->
                sheet.add(
                        "power.converter-limit",
                        Severity.STOP,
                        subjects,
                        who + " would carry " + is + " A; " + may + " A is its limit.",
                        numbers("amps", b.value(), "limitA", b.limit()),
                        "Take a stronger converter or share the loads between two");
            case DROPOUT ->
                sheet.add(
                        "power.dropout",
                        Severity.STOP,
                        subjects,
                        who + " has " + is + " V at its input and needs " + may + " V.",
                        numbers("volts", b.value(), "limitV", b.limit()),
                        "Take more cells in series or a step-up-down converter");
            case ABOVE_INPUT ->
                sheet.add(
                        "power.over-input",
                        Severity.STOP,
                        subjects,
                        who + " has " + is + " V at its input and bears " + may + " V.",
                        numbers("volts", b.value(), "limitV", b.limit()),
                        "Take a converter with a wider input range");
            case OVER_RATING -> overRating(build, b, sheet);
            case SHUTS_OFF, EMPTY -> {
                // Told with the sleeping machine, and by the run time.
            }
        }
    }

    private static void overRating(Build build, Breach b, Words.Sheet sheet) {
        boolean wire = build.rungs().filter(r -> r.id().equals(b.rung())).anyMatch(r -> r.stage() instanceof Rung.Wire);
        String message = name(build, b.rung()) + " carries " + n(b.value())
                + " A; usual for it inside a closed case is " + n(b.limit()) + " A.";
        sheet.add(
                wire ? "power.wire-thin" : "power.contact-rating",
                Severity.WATCH,
                List.of(b.rung()),
                message,
                numbers("amps", b.value(), "limitA", b.limit()),
                wire ? "Take a thicker gauge" : "Take one rated for the current");
    }

    private static double wireLossVolts(Build build, OperatingPoint at) {
        Set<String> passive = new HashSet<>();
        build.rungs().filter(r -> !(r.stage() instanceof Rung.OfPart)).forEach(r -> passive.add(r.id()));
        return at.rungs().entrySet().stream()
                .filter(e -> passive.contains(e.getKey()))
                .mapToDouble(e -> e.getValue().voltsIn() - e.getValue().voltsOut())
                .sum();
    }

    private static void starting(Build build, ChainResult chain, Words.Sheet sheet) {
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
                    "Take a source or converter that carries the peak",
                    "Let the loads start one after the other");
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
                        "Take cells with less resistance or a converter that carries the peak",
                        "Let the loads start one after the other"));
    }

    /** A converter's output before any load settles it, against what hangs on it. */
    private static void noLoad(Build build, Rung source, Words.Sheet sheet) {
        source.walk()
                .forEach(
                        rung -> rung.part()
                                .flatMap(build::part)
                                .flatMap(p -> p.facet(Facet.Converts.class))
                                .ifPresent(
                                        converter -> rung.walk()
                                                .skip(1)
                                                .flatMap(r -> r.part().flatMap(build::part).stream())
                                                .forEach(
                                                        load -> load.facet(Facet.DrawsPower.class)
                                                                .filter(d -> converter.noLoadV() > d.highV())
                                                                .ifPresent(
                                                                        d -> sheet.add(
                                                                                "power.no-load-voltage",
                                                                                Severity.STOP,
                                                                                List.of(rung.id(), load.id()),
                                                                                name(build, rung.id()) + " gives "
                                                                                        + n(converter.noLoadV())
                                                                                        + " V before it is loaded; "
                                                                                        + load.name() + " bears "
                                                                                        + n(d.highV()) + " V.",
                                                                                numbers(
                                                                                        "volts",
                                                                                        converter.noLoadV(),
                                                                                        "limitV",
                                                                                        d.highV()),
                                                                                "Set the converter lower or take one that holds its voltage unloaded")))));
    }

    private static void protection(Build build, Rung source, Words.Sheet sheet) {
        Optional<Part> part = source.part().flatMap(build::part);
        Optional<Facet.Cells> cells = part.flatMap(p -> p.facet(Facet.Cells.class));
        if (cells.isEmpty()) {
            part.ifPresent(p -> sheet.add(
                    "power.level-unseen",
                    Severity.NOTE,
                    List.of(p.id()),
                    "The operating system cannot see how full " + p.name() + " is; it will stop without warning.",
                    numbers(),
                    "Keep its own gauge in sight"));
            return;
        }
        boolean protectedBelow = has(source, Rung.ContactKind.PROTECTION);
        if (!cells.get().ownCutoff() && !protectedBelow) {
            sheet.add(
                    "power.no-cutoff",
                    Severity.STOP,
                    List.of(source.id()),
                    part.get().name()
                            + " does not switch off when empty and nothing in the chain does it: the cells would be"
                            + " drained below " + n(cells.get().cutoffV())
                            + " V and ruined, and may be dangerous to charge"
                            + " again.",
                    numbers("cutoffV", cells.get().cutoffV()),
                    "Add a cut-off or protection board as the first rung");
        }
        if (!has(source, Rung.ContactKind.FUSE)) {
            sheet.add(
                    "power.no-fuse",
                    Severity.WATCH,
                    List.of(source.id()),
                    "No fuse between " + part.get().name()
                            + " and the rest: a short circuit would be fed by the cells.",
                    numbers(),
                    "Put a fuse next to the pack's plus terminal");
        }
    }

    private static boolean has(Rung source, Rung.ContactKind kind) {
        return source.walk().anyMatch(r -> r.stage() instanceof Rung.Contact c && c.kind() == kind);
    }

    private static void energy(Build build, Rung source, Words.Sheet sheet) {
        source.part().flatMap(build::part).ifPresent(part -> {
            double wh = part.facet(Facet.Cells.class)
                    .map(Facet.Cells::nominalWh)
                    .or(() -> part.facet(Facet.PowerBank.class)
                            .map(b -> b.ratedWh().value()))
                    .orElse(0.0);
            if (wh > CARRIAGE_FREE_WH) {
                sheet.add(
                        "power.carriage-energy",
                        wh > CARRIAGE_MOST_WH ? Severity.WATCH : Severity.NOTE,
                        List.of(part.id()),
                        part.name() + " holds " + n(wh) + " Wh. Carriers commonly set limits at 100 and 160 Wh; ask the"
                                + " carrier, whose word counts.",
                        numbers("energyWh", wh, "limitWh", wh > CARRIAGE_MOST_WH ? CARRIAGE_MOST_WH : CARRIAGE_FREE_WH),
                        "Split the energy over packs that can be taken out");
            }
        });
    }
}
