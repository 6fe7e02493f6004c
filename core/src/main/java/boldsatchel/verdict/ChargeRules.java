package boldsatchel.verdict;

import static boldsatchel.verdict.Words.n;
import static boldsatchel.verdict.Words.name;
import static boldsatchel.verdict.Words.numbers;

import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Charge;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Reading;
import boldsatchel.shelf.Picks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Chargers and what they hang on. */
final class ChargeRules {

    private static final double NIGHT_HOURS = 10;

    private final Build build;
    private final Words.Sheet sheet;

    private ChargeRules(Build build, Words.Sheet sheet) {
        this.build = build;
        this.sheet = sheet;
    }

    static void judge(Build build, PowerResult power, Words.Sheet sheet) {
        ChargeRules rules = new ChargeRules(build, sheet);
        build.wiring().chain().forEach(rules::supply);
        power.charges().forEach(rules::one);
        build.wiring().chain().stream()
                .flatMap(r -> r.sources().stream())
                .flatMap(r -> build.partOf(r).stream())
                .filter(Part::isSource)
                .filter(p -> !ChainEdits.isCharged(build, p))
                .forEach(rules::uncharged);
    }

    /** A supply against the sum of its chargers. */
    private void supply(Rung root) {
        Optional<Part> supply = build.partOf(root);
        List<Rung> chargings = Charge.chargings(root);
        Optional<Facet.Offer> offer = supply.flatMap(Part::offer);
        if (offer.isEmpty() || chargings.isEmpty()) {
            return;
        }
        List<Charge.Intake> inputs = chargings.stream()
                .flatMap(r -> Charge.input(build, (Rung.Charging) r.stage(), Reading.NOMINAL).stream())
                .toList();
        double sum =
                inputs.stream().mapToDouble(i -> i.ampsAt(offer.get().volts())).sum();
        double margin = inputs.size() > 1 ? Charge.MARGIN : 1;
        if (sum * margin <= offer.get().amps() * 1.0001) {
            return;
        }
        List<Remedy> remedies = new ArrayList<>();
        double low = inputs.stream().mapToDouble(Charge.Intake::lowV).max().orElse(0);
        double high = inputs.stream().mapToDouble(Charge.Intake::highV).min().orElse(0);
        supply.get().offers().stream()
                .filter(o -> o.volts() >= low && o.volts() <= high)
                .filter(o ->
                        inputs.stream().mapToDouble(i -> i.ampsAt(o.volts())).sum() * margin <= o.amps())
                .forEach(o -> remedies.add(Remedy.by(
                        "Ask it for " + n(o.volts()) + " V, " + n(o.amps()) + " A",
                        Edits.changePart("voltage asked", supply.get().asked(o)))));
        Part other = Picks.adapter(
                low, Math.min(high, 21), sum * margin * offer.get().volts());
        remedies.add(Remedy.by("Take “" + other.name() + "” instead", Edits.replacePart(supply.get(), other)));
        remedies.add(Remedy.advice("Set the chargers to less current, or charge one after the other"));
        sheet.add(
                "power.charger-supply",
                Severity.STOP,
                List.of(root.id()),
                inputs.size() == 1
                        ? "The charger draws " + n(sum) + " A from "
                                + supply.get().name() + ", which gives "
                                + n(offer.get().amps()) + " A: it may not start."
                        : inputs.size() + " chargers draw " + n(sum) + " A together; with a third on top "
                                + supply.get().name() + " should give " + n(sum * margin) + " A and gives "
                                + n(offer.get().amps()) + " A: they may start one another out, or not at all.",
                numbers(
                        "amps",
                        sum,
                        "neededA",
                        sum * margin,
                        "limitA",
                        offer.get().amps()),
                List.of(new Working.Step(
                        "Current of the supply",
                        inputs.size() == 1 ? "I" : "I = 4/3 · sum of the chargers",
                        (inputs.size() == 1 ? "" : "4/3 · ") + n(sum) + " A at "
                                + n(offer.get().volts()) + " V",
                        n(sum * margin) + " A")),
                remedies);
    }

    private void one(Charge.Result r) {
        Rung.Charging charging =
                (Rung.Charging) build.rung(r.rung()).orElseThrow().stage();
        Part supply = build.part(r.supply()).orElseThrow();
        Part store = build.part(r.store()).orElseThrow();
        Optional<Part> charger = charging.charger().flatMap(build::part);
        boolean right = charger.map(c -> suits(r, c, store)).orElse(true);
        if (!r.fits()) {
            wrongVoltage(r, supply);
        } else if (right) {
            slow(r, supply, store);
            running(r, supply, store);
        }
    }

    /** Chemistry, cells in series and current of charger and pack. */
    private boolean suits(Charge.Result r, Part charger, Part store) {
        Optional<Facet.Charges> made = charger.facet(Facet.Charges.class);
        Optional<Facet.Cells> cells = store.facet(Facet.Cells.class);
        if (made.isEmpty() || cells.isEmpty()) {
            return true;
        }
        double bears = store.maxChargeA();
        Part picked = Picks.charger(cells.get(), bears);
        Remedy other = Remedy.by("Take “" + picked.name() + "” instead", Edits.replacePart(charger, picked));
        boolean same = made.get().series() == cells.get().series()
                && made.get().chemistry() == cells.get().chemistry();
        if (!same) {
            sheet.add(
                    "power.charger-mismatch",
                    Severity.STOP,
                    List.of(r.rung(), store.id()),
                    charger.name() + " is made for " + made.get().series() + "S "
                            + made.get().chemistry().words() + " and would charge "
                            + cells.get().series() + "S "
                            + cells.get().chemistry().words() + " to the wrong voltage: danger of fire, or never full.",
                    numbers(
                            "chargerSeries",
                            made.get().series(),
                            "packSeries",
                            cells.get().series()),
                    List.of(),
                    List.of(other));
        } else if (made.get().amps().value() > bears * 1.001) {
            sheet.add(
                    "power.charge-current",
                    Severity.STOP,
                    List.of(r.rung(), store.id()),
                    charger.name() + " pushes " + n(made.get().amps().value()) + " A into " + store.name()
                            + ", which bears " + n(bears) + " A.",
                    numbers("amps", made.get().amps().value(), "limitA", bears),
                    List.of(),
                    List.of(other));
        }
        return same;
    }

    private void wrongVoltage(Charge.Result r, Part supply) {
        double volts = supply.offer().map(Facet.Offer::volts).orElse(0.0);
        List<Remedy> remedies = new ArrayList<>();
        supply.offers().stream()
                .filter(o ->
                        o.volts() >= r.asked().lowV() && o.volts() <= r.asked().highV())
                .max(Comparator.comparingDouble(Facet.Offer::watts))
                .ifPresent(o -> remedies.add(Remedy.by(
                        "Ask it for " + n(o.volts()) + " V", Edits.changePart("voltage asked", supply.asked(o)))));
        Part other =
                Picks.adapter(r.asked().lowV(), r.asked().highV(), r.asked().watts());
        remedies.add(Remedy.by("Take “" + other.name() + "” instead", Edits.replacePart(supply, other)));
        sheet.add(
                "power.charge-voltage",
                Severity.STOP,
                List.of(r.rung()),
                name(build, r.rung()) + " wants " + n(r.asked().lowV()) + " to "
                        + n(r.asked().highV()) + " V; " + supply.name() + " gives " + n(volts)
                        + " V: nothing is charged.",
                numbers(
                        "volts",
                        volts,
                        "lowV",
                        r.asked().lowV(),
                        "highV",
                        r.asked().highV()),
                List.of(),
                remedies);
    }

    /** Through the wrong port it takes a night. */
    private void slow(Charge.Result r, Part supply, Part store) {
        double hours = r.off().hours();
        if (hours <= NIGHT_HOURS) {
            return;
        }
        List<Remedy> remedies = new ArrayList<>();
        r.byOffer().stream()
                .filter(o -> o.hours() < Math.min(NIGHT_HOURS, hours * 0.8))
                .sorted(Comparator.comparingDouble(Charge.OfferHours::hours))
                .limit(1)
                .forEach(o -> remedies.add(Remedy.by(
                        "Ask it for " + n(o.offer().volts()) + " V: full in " + n(o.hours()) + " h",
                        Edits.changePart("voltage asked", supply.asked(o.offer())))));
        double watts = r.asked().watts();
        if (supply.offer().map(Facet.Offer::watts).orElse(0.0) < watts) {
            Part other = Picks.adapter(r.asked().lowV(), r.asked().highV(), watts);
            remedies.add(Remedy.by("Take “" + other.name() + "” instead", Edits.replacePart(supply, other)));
        }
        build.rung(r.rung())
                .flatMap(x -> ((Rung.Charging) x.stage()).charger())
                .flatMap(build::part)
                .filter(c -> store.facet(Facet.Cells.class).isPresent())
                .ifPresent(c -> {
                    Facet.Cells cells = store.facet(Facet.Cells.class).orElseThrow();
                    Part picked = Picks.charger(cells, store.maxChargeA());
                    remedies.add(Remedy.by("Take “" + picked.name() + "” instead", Edits.replacePart(c, picked)));
                });
        remedies.add(Remedy.advice("Use the other port, if the machine has a faster one"));
        sheet.add(
                "power.slow-charge",
                Severity.WATCH,
                List.of(r.rung(), supply.id()),
                store.name() + " takes " + (Double.isFinite(hours) ? n(hours) + " h" : "for ever") + " to fill from "
                        + supply.name() + ": more than a night.",
                numbers("hours", hours, "limitHours", NIGHT_HOURS, "chargerW", watts),
                r.byOffer().stream()
                        .map(o -> new Working.Step(
                                "From " + n(o.offer().volts()) + " V "
                                        + n(o.offer().amps()) + " A",
                                "",
                                "",
                                n(o.hours()) + " h"))
                        .toList(),
                remedies);
    }

    /** What the machine draws never reaches the cells; perhaps nothing does. */
    private void running(Charge.Result r, Part supply, Part store) {
        if (Double.isFinite(r.running().hours()) || !Double.isFinite(r.off().hours())) {
            return;
        }
        List<Remedy> remedies = new ArrayList<>();
        supply.offers().stream()
                .filter(o -> o.watts() > supply.offer().map(Facet.Offer::watts).orElse(0.0) * 1.1)
                .filter(o ->
                        o.volts() >= r.asked().lowV() && o.volts() <= r.asked().highV())
                .sorted(Comparator.comparingDouble(Facet.Offer::watts).reversed())
                .limit(1)
                .forEach(o -> remedies.add(Remedy.by(
                        "Ask the supply for " + n(o.volts()) + " V, " + n(o.amps()) + " A",
                        Edits.changePart("voltage asked", supply.asked(o)))));
        store.facet(Facet.Cells.class)
                .ifPresent(c -> build.rung(r.rung())
                        .flatMap(x -> ((Rung.Charging) x.stage()).charger())
                        .flatMap(build::part)
                        .ifPresent(old -> {
                            Part picked = Picks.charger(c, store.maxChargeA());
                            remedies.add(
                                    Remedy.by("Take “" + picked.name() + "” instead", Edits.replacePart(old, picked)));
                        }));
        build.wiring().chain().stream()
                .filter(root -> root.sources().stream()
                        .anyMatch(s -> s.part().filter(store.id()::equals).isPresent()))
                .findFirst()
                .ifPresent(root -> {
                    List<Facet.DrawsPower> straight = root.walk()
                            .flatMap(x -> build.partOf(x).stream())
                            .flatMap(p -> p.facet(Facet.DrawsPower.class).stream())
                            .toList();
                    if (!straight.isEmpty()) {
                        remedies.add(Remedy.by(
                                "Let the adapter feed the machine too, through an ideal diode (power path)",
                                ChainEdits.join(
                                        build,
                                        root.id(),
                                        new ChainEdits.Piece(
                                                supply.name(), Optional.empty(), new Rung.OfPart(supply.id())))));
                    }
                });
        remedies.add(Remedy.advice("Charge with the machine off or asleep"));
        double share = Math.max(0, r.cellsA());
        sheet.add(
                "power.charge-running",
                Severity.WATCH,
                List.of(r.rung()),
                "While the machine runs, " + (r.cellsA() > 0 ? "only " + n(share) + " A reach" : "nothing reaches")
                        + " the cells of " + store.name()
                        + (r.cellsA() < 0
                                ? "; they are drained by " + n(-r.cellsA())
                                        + " A in the busiest step though plugged in."
                                : "."),
                numbers("cellsA", r.cellsA(), "chargerA", r.asked().amps()),
                List.of(new Working.Step(
                        "Current into the cells",
                        "I = charger − machine",
                        n(r.asked().amps()) + " A at most − machine",
                        n(r.cellsA()) + " A")),
                ranked(r, remedies));
    }

    /** Those after which the cells fill while the machine runs come first. */
    private List<Remedy> ranked(Charge.Result r, List<Remedy> remedies) {
        return remedies.stream()
                .sorted(Comparator.comparing(x -> !x.edit()
                        .map(e -> Charge.all(e.change().apply(build)).stream()
                                .anyMatch(c -> c.rung().equals(r.rung())
                                        && Double.isFinite(c.running().hours())))
                        .orElse(false)))
                .toList();
    }

    private void uncharged(Part store) {
        List<Remedy> remedies = new ArrayList<>();
        store.facet(Facet.Cells.class).ifPresent(c -> {
            Part charger = Picks.charger(c, store.maxChargeA());
            Facet.Charges made = charger.facet(Facet.Charges.class).orElseThrow();
            double watts = made.amps().value() * c.series() * c.chemistry().chargeV() / 0.85;
            Part adapter = Picks.adapter(
                    made.lowV(), made.highV(), made.linear() ? made.amps().value() * 5.2 : watts);
            remedies.add(added(store, Optional.of(charger), adapter));
        });
        store.facet(Facet.Recharges.class)
                .ifPresent(x -> remedies.add(added(
                        store,
                        Optional.empty(),
                        Picks.adapter(4.5, 21, x.watts().value()))));
        remedies.add(Remedy.advice("Charge it outside the machine"));
        sheet.add(
                "power.no-charger",
                Severity.NOTE,
                List.of(store.id()),
                "Nothing in the build charges " + store.name() + ".",
                numbers(),
                List.of(),
                remedies);
    }

    /** A charger and an adapter added in one edit. */
    private static Remedy added(Part store, Optional<Part> charger, Part adapter) {
        String words = charger.map(c -> "Add “" + c.name() + "” and “" + adapter.name() + "”")
                .orElse("Add “" + adapter.name() + "”");
        return Remedy.by(
                words,
                new Edit(
                        "add a charger for " + store.name(),
                        b -> ChainEdits.start(b, ChainEdits.Piece.fresh(adapter))
                                .allowed()
                                .map(e -> e.change().apply(b))
                                .map(with -> hung(with, store, charger))
                                .orElse(b)));
    }

    private static Build hung(Build build, Part store, Optional<Part> charger) {
        ChainEdits.Piece piece = new ChainEdits.Piece(
                charger.map(Part::name).orElse("its own charger"),
                charger,
                new Rung.Charging(charger.map(Part::id), store.id()));
        return ChainEdits.hang(build, build.wiring().chain().getLast().id(), piece)
                .allowed()
                .map(e -> e.change().apply(build))
                .orElse(build);
    }
}
