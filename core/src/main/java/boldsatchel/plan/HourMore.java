package boldsatchel.plan;

import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.edit.Packs;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Usual;
import boldsatchel.power.CellTemperatures;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.power.Sizing;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Units;
import boldsatchel.shelf.Picks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** What another hour of run time would take: each way is tried on the whole chain, and the one that changes least comes first. */
public final class HourMore {

    private static final double DIMMEST = 0.1;

    private final CellTemperatures cells;

    private HourMore(CellTemperatures cells) {
        this.cells = cells;
    }

    /**
     * One way.
     *
     * @param words what to do
     * @param hours that it adds
     * @param reaches whether it adds the whole hour
     * @param addedG mass it adds
     * @param addedCost money it costs
     * @param edit that does it
     */
    public record Way(String words, double hours, boolean reaches, double addedG, double addedCost, Edit edit) {}

    /**
     * Ways to another hour, those that reach it first, then by mass and money.
     *
     * @param cells how warm they are in the runs
     */
    public static List<Way> of(Build build, CellTemperatures cells) {
        return new HourMore(cells).ways(build);
    }

    private List<Way> ways(Build build) {
        double now = hours(build);
        List<Way> ways = new ArrayList<>();
        if (now <= 0 || Double.isInfinite(now)) {
            return ways;
        }
        dimmer(build, now).ifPresent(ways::add);
        asleep(build, now).ifPresent(ways::add);
        build.rungs()
                .flatMap(r -> build.partOf(r).stream())
                .filter(Part::isSource)
                .distinct()
                .forEach(p -> bigger(build, p, now).ifPresent(ways::add));
        build.rungs()
                .filter(r -> build.partOf(r)
                        .filter(p -> p.facet(Facet.Converts.class).isPresent())
                        .isPresent())
                .forEach(r -> better(build, r, now).ifPresent(ways::add));
        ways.removeIf(w -> w.hours() < 0.02);
        ways.sort(Comparator.comparing((Way w) -> !w.reaches())
                .thenComparingDouble(Way::addedG)
                .thenComparingDouble(Way::addedCost)
                .thenComparingDouble(w -> -w.hours()));
        return ways;
    }

    private double hours(Build build) {
        return build.wiring().chain().stream()
                .flatMap(r -> Network.of(build, r, Reading.NOMINAL, cells).stream())
                .mapToDouble(n -> Discharge.run(n, build.brief().profile()).hours())
                .min()
                .orElse(0);
    }

    private static Edit dim(double factor) {
        return Edits.judgedProfile("dim the screens", p -> p.dimmed(factor));
    }

    private Optional<Way> dimmer(Build build, double now) {
        double by = least(dark -> hours(dim(1 - dark).change().apply(build)) >= now + 1, 0, 1 - DIMMEST);
        Edit edit = dim(1 - by);
        double gained = hours(edit.change().apply(build)) - now;
        return Optional.of(new Way(
                "Dim the screen to " + Math.round((1 - by) * 100) + " % of each step's brightness",
                gained,
                gained >= 1,
                0,
                0,
                edit));
    }

    /** The least amount for which a condition holds; the most when it never does. */
    private static double least(java.util.function.DoublePredicate holds, double low, double high) {
        if (!holds.test(high)) {
            return high;
        }
        double from = low;
        double to = high;
        while (to - from > 0.01) {
            double middle = (from + to) / 2;
            if (holds.test(middle)) {
                to = middle;
            } else {
                from = middle;
            }
        }
        return to;
    }

    private Optional<Way> asleep(Build build, double now) {
        UseProfile profile = build.brief().profile();
        if (profile.steps().stream().noneMatch(s -> s.mode() == Mode.IDLE)) {
            return Optional.empty();
        }
        UseProfile sleeping = new UseProfile(
                profile.name(),
                profile.steps().stream()
                        .map(s -> s.mode() == Mode.IDLE ? s.in(Mode.SLEEP).at(0).running(Optional.empty()) : s)
                        .toList());
        Edit edit = Edits.judgedProfile("sleep instead of idling", p -> sleeping);
        double gained = hours(edit.change().apply(build)) - now;
        return Optional.of(new Way("Let it sleep instead of idling", gained, gained >= 1, 0, 0, edit));
    }

    /** Cells of more capacity, or a bank of more energy, in proportion. */
    private Optional<Way> bigger(Build build, Part source, double now) {
        Optional<Facet.Cells> cells = source.facet(Facet.Cells.class);
        if (cells.isPresent()) {
            Facet.Cells c = cells.get();
            for (int strings = c.parallel() + 1; strings <= c.parallel() + 8; strings++) {
                Part more = Packs.with(source, c.series(), strings);
                Way way = replaced(
                        build,
                        source,
                        more,
                        now,
                        "Put " + strings + " strings of cells in parallel instead of " + c.parallel());
                if (way.reaches()) {
                    return Optional.of(way);
                }
            }
            return Optional.empty();
        }
        Facet.PowerBank bank = source.facet(Facet.PowerBank.class).orElseThrow();
        double share = (now + 1) / now * 1.01;
        Facet.PowerBank larger =
                bank.rated(Figure.guess(Math.ceil(bank.ratedWh().value() * share)));
        Part grown = source.named(source.name() + ", larger")
                .weighing(Figure.guess(source.massG().value() * share))
                .priced(Figure.guess(source.price().value() * share));
        return Optional.of(replaced(
                build,
                source,
                grown.withFacet(larger),
                now,
                "Take a power bank of " + Units.format(larger.ratedWh().value()) + " Wh"));
    }

    private Way replaced(Build build, Part old, Part by, double now, String words) {
        Edit edit = Edits.replacePart(old, by);
        double gained = hours(edit.change().apply(build)) - now;
        return new Way(
                words,
                gained,
                gained >= 1,
                by.massG().value() - old.massG().value(),
                by.standing().toBuy()
                        ? by.price().value()
                                - (old.standing().toBuy() ? old.price().value() : 0)
                        : 0,
                edit);
    }

    /** The converter on the shelf that loses least, for what the old one carries. */
    private Optional<Way> better(Build build, Rung rung, double now) {
        Part old = build.partOf(rung).orElseThrow();
        Facet.Converts c = old.facet(Facet.Converts.class).orElseThrow();
        List<Part> sources = build.rungs()
                .flatMap(r -> build.partOf(r).stream())
                .filter(Part::isSource)
                .toList();
        double low = sources.stream().mapToDouble(Part::feedsLowV).min().orElse(c.lowV());
        double high = sources.stream().mapToDouble(Part::feedsHighV).max().orElse(c.highV());
        double watts = rung.feeds().stream()
                .flatMap(Rung::walk)
                .flatMap(r -> build.partOf(r).flatMap(p -> p.facet(Facet.DrawsPower.class)).stream())
                .mapToDouble(d -> d.busyW().value() + d.backlightW().value())
                .sum();
        Part picked = Picks.converter(new Picks.Conversion(
                low, high, c.outV() * Usual.RAIL_LOW, c.outV(), c.outV() * Usual.RAIL_HIGH, watts * 1.3));
        Facet.Converts p = picked.facet(Facet.Converts.class).orElseThrow();
        boolean wins = Sizing.lossWatts(p, (low + high) / 2, watts / 2 / p.outV())
                < Sizing.lossWatts(c, (low + high) / 2, watts / 2 / c.outV()) * 0.98;
        boolean guess = picked.note().startsWith("A guess");
        return wins && !guess
                ? Optional.of(replaced(build, old, picked, now, "Take “" + picked.name() + "” for " + old.name()))
                : Optional.empty();
    }
}
