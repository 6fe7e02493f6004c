package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.edit.ChainEdits;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Usual;
import boldsatchel.power.Charge;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Reading;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.List;
import java.util.Optional;

/** Chargers, their supplies and the packs they fill. */
final class ChargeRules {

    /** A charge that takes longer than this is not done in a night. */
    private static final double NIGHT_HOURS = 10;

    private final Build build;
    private final Sheet sheet;

    private ChargeRules(Build build, PowerResult power) {
        this.build = build;
        this.sheet = new Sheet(new ChargeTelling(build, power));
    }

    static List<Finding> judge(Build build, PowerResult power) {
        ChargeRules rules = new ChargeRules(build, power);
        build.wiring().chain().forEach(rules::supply);
        power.charges().forEach(rules::one);
        build.wiring().chain().stream()
                .flatMap(r -> r.sources().stream())
                .flatMap(r -> build.partOf(r).stream())
                .filter(Part::isSource)
                .filter(p -> !ChainEdits.isCharged(build, p))
                .forEach(p -> rules.sheet.add("power.no-charger", Severity.NOTE, List.of(p.id()), numbers()));
        return rules.sheet.findings();
    }

    /** What the chargers on a supply ask of it. */
    static List<Charge.Intake> intakes(Build build, Rung root) {
        return Charge.chargings(root).stream()
                .flatMap(r -> Charge.input(build, (Rung.Charging) r.stage(), Reading.NOMINAL).stream())
                .toList();
    }

    /** A supply against the sum of its chargers. */
    private void supply(Rung root) {
        Optional<Facet.Offer> offer = build.partOf(root).flatMap(Part::offer);
        List<Charge.Intake> intakes = intakes(build, root);
        if (offer.isEmpty() || intakes.isEmpty()) {
            return;
        }
        double sum =
                intakes.stream().mapToDouble(i -> i.ampsAt(offer.get().volts())).sum();
        double needed = sum * (intakes.size() > 1 ? Usual.CHARGERS_MARGIN : 1);
        if (needed > offer.get().amps() * 1.0001) {
            sheet.add(
                    "power.charger-supply",
                    Severity.STOP,
                    List.of(root.id()),
                    numbers(
                            "amps",
                            sum,
                            "neededA",
                            needed,
                            "limitA",
                            offer.get().amps()));
        }
    }

    private void one(Charge.Result r) {
        Part supply = build.part(r.supply()).orElseThrow();
        Part store = build.part(r.store()).orElseThrow();
        boolean right = ChargeTelling.charger(build, r.rung())
                .map(c -> suits(r, c, store))
                .orElse(true);
        if (!r.fits()) {
            sheet.add(
                    "power.charge-voltage",
                    Severity.STOP,
                    List.of(r.rung()),
                    numbers(
                            "volts",
                            supply.offer().map(Facet.Offer::volts).orElse(0.0),
                            "lowV",
                            r.asked().lowV(),
                            "highV",
                            r.asked().highV()));
        } else if (right) {
            slow(r, supply);
            running(r);
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
        double pushes = made.get().amps().value();
        boolean same = made.get().series() == cells.get().series()
                && made.get().chemistry() == cells.get().chemistry();
        if (!same) {
            sheet.add(
                    "power.charger-mismatch",
                    Severity.STOP,
                    List.of(r.rung(), store.id()),
                    numbers(
                            "chargerSeries",
                            made.get().series(),
                            "packSeries",
                            cells.get().series()));
        } else if (pushes > bears * 1.001) {
            sheet.add(
                    "power.charge-current",
                    Severity.STOP,
                    List.of(r.rung(), store.id()),
                    numbers("amps", pushes, "limitA", bears));
        }
        return same;
    }

    /** Through the wrong port it takes a night. */
    private void slow(Charge.Result r, Part supply) {
        if (r.off().hours() > NIGHT_HOURS) {
            sheet.add(
                    "power.slow-charge",
                    Severity.WATCH,
                    List.of(r.rung(), supply.id()),
                    numbers(
                            "hours",
                            r.off().hours(),
                            "limitHours",
                            NIGHT_HOURS,
                            "chargerW",
                            r.asked().watts()));
        }
    }

    /** What the machine draws never reaches the cells; perhaps nothing does. */
    private void running(Charge.Result r) {
        if (Double.isInfinite(r.running().hours()) && Double.isFinite(r.off().hours())) {
            sheet.add(
                    "power.charge-running",
                    Severity.WATCH,
                    List.of(r.rung()),
                    numbers("cellsA", r.cellsA(), "chargerA", r.asked().amps()));
        }
    }
}
