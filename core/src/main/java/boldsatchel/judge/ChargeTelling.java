package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;

import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edit;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Usual;
import boldsatchel.power.Charge;
import boldsatchel.power.PowerResult;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** Tells of chargers, their supplies and the packs they fill. */
final class ChargeTelling implements Telling {
    private final Build build;
    private final PowerResult power;

    ChargeTelling(Build build, PowerResult power) {
        this.build = build;
        this.power = power;
    }

    @Override
    public String sentence(Noted f) {
        return switch (f.code()) {
            case "power.charger-supply" -> supplySentence(f);
            case "power.charger-mismatch" -> mismatch(f);
            case "power.charge-current" ->
                charger(build, f.first()).map(Part::name).orElse("the charger") + " pushes " + f.n("amps") + " A into "
                        + name(build, f.subjects().get(1)) + ", which bears " + f.n("limitA") + " A.";
            case "power.charge-voltage" ->
                name(build, f.first()) + " wants " + f.n("lowV") + " to " + f.n("highV") + " V; "
                        + supply(f).name() + " gives " + f.n("volts") + " V: nothing is charged.";
            case "power.slow-charge" ->
                store(f).name() + " takes "
                        + (Double.isFinite(f.number("hours")) ? f.n("hours") + " h" : "for ever") + " to fill from "
                        + supply(f).name() + ": more than a night.";
            case "power.charge-running" -> runningSentence(f);
            case "power.no-charger" -> "Nothing in the build charges " + name(build, f.first()) + ".";
            default -> throw Telling.unknown(f);
        };
    }

    @Override
    public List<Working.Step> working(Noted f) {
        return switch (f.code()) {
            case "power.charger-supply" -> {
                boolean one = intakes(f).size() == 1;
                yield List.of(new Working.Step(
                        "Current of the supply",
                        one ? "I" : "I = 4/3 · sum of the chargers",
                        (one ? "" : "4/3 · ") + f.n("amps") + " A at "
                                + n(supplyOf(f).offer().map(Facet.Offer::volts).orElse(0.0)) + " V",
                        f.n("neededA") + " A"));
            }
            case "power.slow-charge" ->
                result(f).byOffer().get().stream()
                        .map(o -> new Working.Step(
                                "From " + n(o.offer().volts()) + " V "
                                        + n(o.offer().amps()) + " A",
                                "",
                                "",
                                n(o.hours()) + " h"))
                        .toList();
            case "power.charge-running" ->
                List.of(new Working.Step(
                        "Current into the cells",
                        "I = charger − machine",
                        f.n("chargerA") + " A at most − machine",
                        f.n("cellsA") + " A"));
            default -> List.of();
        };
    }

    @Override
    public List<Remedy> cures(Noted f) {
        return switch (f.code()) {
            case "power.charger-supply" -> strongerSupply(f);
            case "power.charger-mismatch", "power.charge-current" ->
                charger(build, f.first()).stream()
                        .map(c -> otherCharger(c, store(f)))
                        .toList();
            case "power.charge-voltage" -> otherVoltage(f);
            case "power.slow-charge" -> quicker(f);
            case "power.charge-running" -> whileRunning(f);
            case "power.no-charger" -> addCharger(build.part(f.first()).orElseThrow());
            default -> throw Telling.unknown(f);
        };
    }

    /** The charger of a charging rung; nothing when the store has its own. */
    static Optional<Part> charger(Build build, String rung) {
        return build.rung(rung)
                .flatMap(r -> r.stage() instanceof Rung.Charging c ? c.charger() : Optional.empty())
                .flatMap(build::part);
    }

    private Charge.Result result(Noted f) {
        return power.charges().stream()
                .filter(r -> r.rung().equals(f.first()))
                .filter(r -> f.subjects().size() < 2
                        || f.subjects().get(1).equals(r.supply())
                        || f.subjects().get(1).equals(r.store()))
                .findFirst()
                .orElseThrow();
    }

    private Part supply(Noted f) {
        return build.part(result(f).supply()).orElseThrow();
    }

    private Part store(Noted f) {
        return build.part(result(f).store()).orElseThrow();
    }

    /** Of a finding about the supply's own rung. */
    private Part supplyOf(Noted f) {
        return build.rung(f.first()).flatMap(build::partOf).orElseThrow();
    }

    private List<Charge.Intake> intakes(Noted f) {
        return ChargeRules.intakes(build, build.rung(f.first()).orElseThrow());
    }

    private String supplySentence(Noted f) {
        int chargers = intakes(f).size();
        String supply = supplyOf(f).name();
        return chargers == 1
                ? "The charger draws " + f.n("amps") + " A from " + supply + ", which gives " + f.n("limitA")
                        + " A: it may not start."
                : chargers + " chargers draw " + f.n("amps") + " A together; with a third on top " + supply
                        + " should give " + f.n("neededA") + " A and gives " + f.n("limitA")
                        + " A: they may start one another out, or not at all.";
    }

    private String mismatch(Noted f) {
        Part charger = charger(build, f.first()).orElseThrow();
        Facet.Charges made = charger.facet(Facet.Charges.class).orElseThrow();
        Facet.Cells cells = store(f).facet(Facet.Cells.class).orElseThrow();
        return charger.name() + " is made for " + made.series() + "S "
                + made.chemistry().words() + " and would charge " + cells.series() + "S "
                + cells.chemistry().words() + " to the wrong voltage: danger of fire, or never full.";
    }

    private String runningSentence(Noted f) {
        double cells = f.number("cellsA");
        return "While the machine runs, " + (cells > 0 ? "only " + n(cells) + " A reach" : "nothing reaches")
                + " the cells of " + store(f).name()
                + (cells < 0
                        ? "; they are drained by " + n(-cells) + " A in the busiest step though plugged in."
                        : ".");
    }

    private static Remedy otherCharger(Part charger, Part store) {
        Facet.Cells cells = store.facet(Facet.Cells.class).orElseThrow();
        return Remedies.instead(charger, Picks.charger(cells, store.maxChargeA()));
    }

    private List<Remedy> strongerSupply(Noted f) {
        Part supply = supplyOf(f);
        List<Charge.Intake> intakes = intakes(f);
        double margin = f.number("neededA") / f.number("amps");
        double low = intakes.stream().mapToDouble(Charge.Intake::lowV).max().orElse(0);
        double high = intakes.stream().mapToDouble(Charge.Intake::highV).min().orElse(0);
        List<Remedy> remedies = new ArrayList<>();
        supply.offers().stream()
                .filter(o -> o.volts() >= low && o.volts() <= high)
                .filter(o ->
                        intakes.stream().mapToDouble(i -> i.ampsAt(o.volts())).sum() * margin <= o.amps())
                .forEach(o -> remedies.add(Remedies.ask(supply, o)));
        double watts =
                f.number("neededA") * supply.offer().map(Facet.Offer::volts).orElse(0.0);
        remedies.add(Remedies.instead(supply, Picks.adapter(low, Math.min(high, Usual.USB_MOST_V), watts)));
        remedies.add(Remedy.advice("Set the chargers to less current, or charge one after the other"));
        return remedies;
    }

    private static Predicate<Facet.Offer> suits(Charge.Result r) {
        return o -> o.volts() >= r.asked().lowV() && o.volts() <= r.asked().highV();
    }

    private List<Remedy> otherVoltage(Noted f) {
        Charge.Result r = result(f);
        Part supply = supply(f);
        List<Remedy> remedies = new ArrayList<>();
        supply.offers().stream()
                .filter(suits(r))
                .max(Comparator.comparingDouble(Facet.Offer::watts))
                .ifPresent(o -> remedies.add(Remedies.ask("Ask it for " + n(o.volts()) + " V", supply, o)));
        remedies.add(Remedies.instead(supply, adapter(r)));
        return remedies;
    }

    private static Part adapter(Charge.Result r) {
        return Picks.adapter(r.asked().lowV(), r.asked().highV(), r.asked().watts());
    }

    private List<Remedy> quicker(Noted f) {
        Charge.Result r = result(f);
        Part supply = supply(f);
        Part store = store(f);
        double hours = f.number("hours");
        List<Remedy> remedies = new ArrayList<>();
        r.byOffer().get().stream()
                .filter(o -> o.hours() < Math.min(f.number("limitHours"), hours * 0.8))
                .sorted(Comparator.comparingDouble(Charge.OfferHours::hours))
                .limit(1)
                .forEach(o -> remedies.add(Remedies.ask(
                        "Ask it for " + n(o.offer().volts()) + " V: full in " + n(o.hours()) + " h",
                        supply,
                        o.offer())));
        if (supply.offer().map(Facet.Offer::watts).orElse(0.0) < r.asked().watts()) {
            remedies.add(Remedies.instead(supply, adapter(r)));
        }
        charger(build, f.first())
                .filter(c -> store.facet(Facet.Cells.class).isPresent())
                .ifPresent(c -> remedies.add(otherCharger(c, store)));
        remedies.add(Remedy.advice("Use the other port, if the machine has a faster one"));
        return remedies;
    }

    private List<Remedy> whileRunning(Noted f) {
        Charge.Result r = result(f);
        Part supply = supply(f);
        Part store = store(f);
        List<Remedy> remedies = new ArrayList<>();
        double now = supply.offer().map(Facet.Offer::watts).orElse(0.0);
        supply.offers().stream()
                .filter(o -> o.watts() > now * 1.1)
                .filter(suits(r))
                .sorted(Comparator.comparingDouble(Facet.Offer::watts).reversed())
                .limit(1)
                .forEach(o -> remedies.add(
                        Remedies.ask("Ask the supply for " + n(o.volts()) + " V, " + n(o.amps()) + " A", supply, o)));
        charger(build, f.first())
                .filter(c -> store.facet(Facet.Cells.class).isPresent())
                .ifPresent(c -> remedies.add(otherCharger(c, store)));
        powerPath(supply, store).ifPresent(remedies::add);
        remedies.add(Remedy.advice("Charge with the machine off or asleep"));
        return ranked(r, remedies);
    }

    private Optional<Remedy> powerPath(Part supply, Part store) {
        return build.wiring().chain().stream()
                .filter(root -> root.sources().stream()
                        .anyMatch(s -> s.part().filter(store.id()::equals).isPresent()))
                .findFirst()
                .filter(root -> root.walk()
                        .flatMap(x -> build.partOf(x).stream())
                        .anyMatch(p -> p.facet(Facet.DrawsPower.class).isPresent()))
                .map(root -> Remedy.by(
                        "Let the adapter feed the machine too, through an ideal diode (power path)",
                        ChainEdits.join(build, root.id(), ChainEdits.Piece.of(supply))));
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

    private static List<Remedy> addCharger(Part store) {
        List<Remedy> remedies = new ArrayList<>();
        store.facet(Facet.Cells.class).ifPresent(c -> {
            Part charger = Picks.charger(c, store.maxChargeA());
            Facet.Charges made = charger.facet(Facet.Charges.class).orElseThrow();
            double amps = made.amps().value();
            double watts = made.linear()
                    ? amps * Usual.USB_PLAIN_V
                    : amps * c.series() * c.chemistry().chargeV() / Usual.CONVERTER_EFFICIENCY;
            remedies.add(added(store, Optional.of(charger), Picks.adapter(made.lowV(), made.highV(), watts)));
        });
        store.facet(Facet.Recharges.class)
                .ifPresent(x -> remedies.add(added(
                        store,
                        Optional.empty(),
                        Picks.adapter(
                                Usual.USB_LEAST_V, Usual.USB_MOST_V, x.watts().value()))));
        remedies.add(Remedy.advice("Charge it outside the machine"));
        return remedies;
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
                .applied(build);
    }
}
