package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Usual;
import boldsatchel.power.Breach;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Voltages and currents that do not hold: working, starting up, unloaded, full and nearly empty. */
final class BreachRules {
    /** A machine that stops starting above this level does so early. */
    private static final double LATE_START = 0.15;
    /** A load that stops with no more than this left has used its cells up. */
    private static final double USED_UP = 0.03;

    private final Line line;
    private final Build build;
    private final ChainResult chain;
    private final Sheet sheet;
    private final Set<String> told = new HashSet<>();

    private BreachRules(Line line) {
        this.line = line;
        this.build = line.build();
        this.chain = line.chain();
        this.sheet = new Sheet(new BreachTelling(line));
    }

    static List<Finding> judge(Line line) {
        BreachRules rules = new BreachRules(line);
        line.root().walk().forEach(rules::window);
        rules.breaches();
        rules.stepUpLimit();
        rules.starting();
        line.root().walk().forEach(rules::noLoad);
        return rules.sheet.findings();
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
        if (d.lowV() > rail.highV()) {
            told.add("below " + rung.id());
            double loss = BreachTelling.lossOfOwnConverter(d, rail);
            sheet.add(
                    "power.needs-rail",
                    Severity.STOP,
                    List.of(rung.id()),
                    numbers("volts", rail.highV(), "limitV", d.lowV(), "lossW", loss));
            return;
        }
        boolean straightOnCells = rail.converter().isEmpty()
                && line.stores().stream()
                        .anyMatch(p -> p.facet(Facet.Cells.class).isPresent());
        if (!straightOnCells) {
            return;
        }
        if (rail.highV() > d.highV()) {
            told.add("above " + rung.id());
            sheet.add(
                    "power.window-high",
                    Severity.STOP,
                    List.of(rung.id()),
                    numbers("volts", rail.highV(), "limitV", d.highV()));
        } else if (rail.lowV() < d.lowV()) {
            double left = chain.run().endLevel();
            boolean endsThere = chain.run().end().kind() == Breach.Kind.BELOW_WINDOW
                    && chain.run().end().rung().equals(rung.id());
            if (endsThere && left > USED_UP) {
                sheet.add(
                        "power.window-low",
                        Severity.WATCH,
                        List.of(rung.id()),
                        numbers("volts", rail.lowV(), "limitV", d.lowV(), "level", left));
            }
        }
    }

    private void breaches() {
        List<Breach> all = new ArrayList<>(chain.busiest().breaches());
        all.addAll(chain.full().breaches());
        for (Breach b : all) {
            if (told.add(b.kind() + b.rung())) {
                breach(b);
            }
        }
    }

    private void breach(Breach b) {
        switch (b.kind()) {
            case COLLAPSE -> stop("power.collapse", b, "", "openV");
            case CELL_CUTOFF -> stop("power.sag", b, "volts", "limitV");
            case OVER_CURRENT -> stop("power.trip", b, "amps", "limitA");
            case SOURCE_LIMIT -> stop("power.supply-current", b, "amps", "limitA");
            case CONVERTER_LIMIT -> stop("power.converter-limit", b, "amps", "limitA");
            case DROPOUT -> stop("power.dropout", b, "volts", "limitV");
            case ABOVE_INPUT -> stop("power.over-input", b, "volts", "limitV");
            case ABOVE_OUTPUT -> stop("power.passes-through", b, "volts", "limitV");
            case BELOW_WINDOW -> {
                if (!told.contains("below " + b.rung())) {
                    belowWindow(b);
                }
            }
            case ABOVE_WINDOW -> {
                if (!told.contains("above " + b.rung())) {
                    stop("power.over-voltage", b, "volts", "limitV");
                }
            }
            case OVER_RATING -> {
                boolean wire = build.rung(b.rung())
                        .filter(r -> r.stage() instanceof Rung.Wire)
                        .isPresent();
                if (!wire) {
                    sheet.add(
                            "power.contact-rating",
                            Severity.WATCH,
                            List.of(b.rung()),
                            numbers("amps", b.value(), "limitA", b.limit()));
                }
            }
            case SOCKET_LIMIT, RAIL_LIMIT, SHUTS_OFF, EMPTY -> {
                // Told with the sockets, with the sleeping machine, and by the run time.
            }
        }
    }

    private void stop(String code, Breach b, String value, String limit) {
        sheet.add(
                code,
                Severity.STOP,
                List.of(b.rung()),
                value.isEmpty() ? numbers(limit, b.limit()) : numbers(value, b.value(), limit, b.limit()));
    }

    private void belowWindow(Breach b) {
        double lost = line.lostOnTheWay(b.rung(), chain.busiest());
        boolean wired = line.wiresTo(b.rung()).findAny().isPresent();
        sheet.add(
                wired && lost > Usual.DROP_SHARE * b.limit() ? "power.cable-drop" : "power.under-voltage",
                Severity.STOP,
                List.of(b.rung()),
                numbers("volts", b.value(), "limitV", b.limit(), "lostV", lost));
    }

    private void stepUpLimit() {
        Breach end = chain.run().end();
        boolean early = end.kind() == Breach.Kind.CONVERTER_LIMIT || end.kind() == Breach.Kind.COLLAPSE;
        if (!early || chain.run().endLevel() <= 0.02 || !told.add(end.kind() + end.rung())) {
            return;
        }
        build.rung(end.rung())
                .filter(r -> build.partOf(r)
                        .flatMap(p -> p.facet(Facet.Converts.class))
                        .isPresent())
                .or(() -> line.steppingUp().findFirst())
                .ifPresent(rung -> sheet.add(
                        "power.step-up-limit",
                        Severity.WATCH,
                        List.of(rung.id(), chain.source()),
                        numbers("level", chain.run().endLevel(), "amps", end.value(), "limitA", end.limit())));
    }

    private void starting() {
        boolean runs = chain.full().stop().isEmpty();
        if (chain.startsDownTo().isEmpty() && runs) {
            Breach stop = chain.starting().stop().orElseThrow();
            sheet.add(
                    "power.start-dip",
                    Severity.STOP,
                    List.of(stop.rung(), chain.source()),
                    numbers("value", stop.value(), "limit", stop.limit()));
        }
        chain.startsDownTo()
                .filter(level -> level > Math.max(LATE_START, chain.run().endLevel() + 0.05))
                .ifPresent(level -> sheet.add(
                        "power.start-dip",
                        Severity.WATCH,
                        List.of(chain.source()),
                        numbers("startsDownTo", level, "runsDownTo", chain.run().endLevel())));
    }

    /** A converter's output before any load settles it, against what hangs on it. */
    private void noLoad(Rung rung) {
        Optional<Part> part = build.partOf(rung);
        Optional<Facet.Converts> converts = part.flatMap(p -> p.facet(Facet.Converts.class));
        if (converts.isEmpty()) {
            return;
        }
        Facet.Converts c = converts.get();
        double high = part.get()
                .facet(Facet.Holds.class)
                .map(h -> c.outV() * (1 + h.tolerance()))
                .orElse(0.0);
        double volts = Math.max(c.noLoadV(), high);
        rung.feeds().stream()
                .flatMap(Rung::walk)
                .filter(r -> line.rail(r.id()).converter().filter(rung::equals).isPresent())
                .forEach(r -> build.partOf(r)
                        .flatMap(p -> p.facet(Facet.DrawsPower.class))
                        .filter(d -> d.highV() < volts && d.highV() >= c.outV())
                        .ifPresent(d -> sheet.add(
                                "power.no-load-voltage",
                                Severity.STOP,
                                List.of(r.id(), rung.id()),
                                numbers("volts", volts, "limitV", d.highV()))));
    }
}
