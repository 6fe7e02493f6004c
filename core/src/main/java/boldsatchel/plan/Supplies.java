package boldsatchel.plan;

import boldsatchel.balance.WeightsEngine;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Packs;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Usual;
import boldsatchel.power.PowerResult;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Evaluator;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Ways of feeding the same loads, side by side. Each school is planned with parts off the shelf like any suggested chain, and reckoned with
 * the same engine; none is better as such.
 */
public final class Supplies {

    private Supplies() {}

    /** The schools. */
    public enum School {
        /** The chain as it stands. */
        PRESENT("as it is now", "what the build has"),
        /** One power bank. */
        BANK("power bank", "no soldering; USB plugs"),
        /** A power bank and a capacitor for its gap. */
        BANK_BRIDGED("power bank with capacitor", "one solder joint; a capacitor that is handled charged"),
        /** Two power banks. */
        TWO_BANKS("two power banks", "ideal-diode board; little soldering"),
        /** Cells in series on a wide-input board or behind converters. */
        SERIES_PACK("cell pack, protected", "soldering or a spot welder, a multimeter, care with cells"),
        /** Iron phosphate cells. */
        IRON_PACK("iron phosphate pack", "soldering, a multimeter; sturdier cells"),
        /** Single cells, each with a charger, joined by diodes. */
        PARALLEL_CELLS("single cells joined by diodes", "soldering small boards, holders for the cells"),
        /** A tool battery with adapter. */
        TOOL_BATTERY("tool battery", "a printed or bought adapter plate, and its own cut-off"),
        /** A laptop pack. */
        LAPTOP_PACK("laptop pack", "its connector; easiest with its own mainboard"),
        /** Two packs that can be changed while it runs. */
        HOT_SWAP("two packs, hot swap", "ideal-diode board, two bays with contacts"),
        /** A pack with the adapter feeding past it. */
        POWER_PATH("cell pack with power path", "soldering; an ideal-diode board"),
        /** No battery. */
        MAINS("mains adapter only", "only a ready-made certified adapter");

        private final String words;
        private final String skills;

        School(String words, String skills) {
            this.words = words;
            this.skills = skills;
        }

        /** As shown. */
        public String words() {
            return words;
        }

        /** Tools and skills it takes. */
        public String skills() {
            return skills;
        }
    }

    /**
     * One way, reckoned.
     *
     * @param school which
     * @param build with it taken over
     * @param hours run time of the brief's profile
     * @param end what ends it, in words
     * @param massG of what feeds: sources, protection, converters, wires
     * @param volumeCm3 of the same
     * @param cost still to be spent on it
     * @param chargeHours from empty to full; absent when nothing charges it
     * @param lossW lost between cells and loads in the busiest step
     * @param seen who knows how full it is
     * @param largestWh energy of its largest battery, by the label
     * @param carriage that, and whether the carrier is to be asked: limits of 100 and 160 Wh are common
     * @param reasons why it is made up as it is
     */
    public record Option(
            School school,
            Build build,
            double hours,
            String end,
            double massG,
            double volumeCm3,
            double cost,
            OptionalDouble chargeHours,
            double lossW,
            String seen,
            double largestWh,
            String carriage,
            List<String> reasons) {

        /** Takes it over, in one step; planned anew for the build as it is then. */
        public Edit edit() {
            return new Edit(
                    "feed it by " + school.words(),
                    b -> planned(b, school).map(ChainPlanner.Planned::build).orElse(b));
        }
    }

    /** One way for a build's loads; nothing when the shelf has no source for it, or there are no loads. */
    public static Optional<Option> reckon(Build build, School school) {
        return planned(build, school).map(p -> reckoned(school, p));
    }

    /** All ways there are for a build's loads. */
    public static List<Option> all(Build build) {
        List<Option> options = new ArrayList<>();
        for (School school : School.values()) {
            reckon(build, school).ifPresent(options::add);
        }
        return options;
    }

    /** A chain worked out for the loads of a build, from the sources it has, or from a pack off the shelf; nothing without loads. */
    public static Optional<Suggestion> suggest(Build build) {
        return suggested(build)
                .map(p -> new Suggestion(
                        new Edit(
                                "suggest a chain",
                                b -> suggested(b)
                                        .map(ChainPlanner.Planned::build)
                                        .orElse(b)),
                        p.reasons()));
    }

    private static Optional<ChainPlanner.Planned> suggested(Build build) {
        if (ChainPlanner.loads(build).isEmpty()) {
            return Optional.empty();
        }
        Build bare = bare(build);
        List<Part> own = build.parts().list().stream().filter(Part::isSource).toList();
        if (own.isEmpty()) {
            return packFor(bare, Facet.Chemistry.LI_ION)
                    .map(ChainPlanner.Wish::plain)
                    .map(w -> ChainPlanner.plan(bare, w));
        }
        ChainPlanner.Wish wish = own.size() == 1
                ? ChainPlanner.Wish.plain(own.getFirst())
                : new ChainPlanner.Wish(own, false, true, false, false);
        return Optional.of(ChainPlanner.plan(withSources(bare, own), wish));
    }

    /** Everything but what feeds: sources, converters, chargers, adapters, gauges and their places. */
    static Build bare(Build build) {
        Set<String> feeding = build.parts().list().stream()
                .filter(Supplies::feeds)
                .map(Part::id)
                .collect(Collectors.toCollection(HashSet::new));
        Build bare = build.withChain(List.of());
        for (String id : feeding) {
            bare = bare.with(bare.parts().without(id))
                    .with(bare.layout().without(id))
                    .with(bare.cooling().without(id))
                    .with(bare.wiring().without(id));
        }
        return bare;
    }

    private static boolean feeds(Part p) {
        return p.givesPower() || p.family() == Family.CONVERTER || p.family() == Family.CHARGER;
    }

    private static Build withSources(Build bare, List<Part> sources) {
        List<Part> parts = new ArrayList<>(bare.parts().list());
        parts.addAll(sources);
        return bare.with(new Parts(parts));
    }

    private static Optional<ChainPlanner.Planned> planned(Build build, School school) {
        List<Part> loads = ChainPlanner.loads(build);
        if (loads.isEmpty()) {
            return Optional.empty();
        }
        if (school == School.PRESENT) {
            return build.wiring().chain().isEmpty()
                    ? Optional.empty()
                    : Optional.of(new ChainPlanner.Planned(build, List.of()));
        }
        Build bare = bare(build);
        return wish(bare, school).map(w -> ChainPlanner.plan(bare, w));
    }

    private static Optional<ChainPlanner.Wish> wish(Build bare, School school) {
        double watts = watts(bare);
        return switch (school) {
            case PRESENT -> Optional.empty();
            case BANK -> bank(bare, watts).map(ChainPlanner.Wish::plain);
            case BANK_BRIDGED ->
                bank(bare, watts).map(b -> new ChainPlanner.Wish(List.of(b), false, true, false, true));
            case TWO_BANKS ->
                bank(bare, watts / 1.6).map(b -> new ChainPlanner.Wish(List.of(b, b), false, true, false, false));
            case SERIES_PACK -> packFor(bare, Facet.Chemistry.LI_ION).map(ChainPlanner.Wish::plain);
            case IRON_PACK -> packFor(bare, Facet.Chemistry.LIFEPO4).map(ChainPlanner.Wish::plain);
            case PARALLEL_CELLS ->
                shelf("cell-21700")
                        .map(c -> new ChainPlanner.Wish(
                                java.util.Collections.nCopies(cells(c, watts), c), true, true, false, false));
            case TOOL_BATTERY -> shelf("tool-18").map(ChainPlanner.Wish::plain);
            case LAPTOP_PACK -> shelf("laptop-pack-75").map(ChainPlanner.Wish::plain);
            case HOT_SWAP ->
                packFor(bare, Facet.Chemistry.LI_ION)
                        .map(Supplies::halved)
                        .map(p -> new ChainPlanner.Wish(List.of(p, p), false, true, false, false));
            case POWER_PATH ->
                packFor(bare, Facet.Chemistry.LI_ION)
                        .map(p -> new ChainPlanner.Wish(List.of(p), false, true, true, false));
            case MAINS -> Optional.of(new ChainPlanner.Wish(List.of(mains(bare, watts)), false, false, false, false));
        };
    }

    private static double watts(Build bare) {
        return ChainPlanner.loads(bare).stream()
                .map(p -> p.facet(Facet.DrawsPower.class).orElseThrow())
                .mapToDouble(d -> Math.max(d.startW().value(), d.busyW().value())
                        + d.backlightW().value())
                .sum();
    }

    private static Optional<Part> shelf(String id) {
        return Picks.shelf().part(id);
    }

    /** The bank and the voltage that the heaviest load bears straight, else its highest. */
    private static Optional<Part> bank(Build bare, double watts) {
        Facet.DrawsPower heaviest = heaviest(bare);
        return Picks.bank(heaviest.lowV(), heaviest.highV(), watts)
                .or(() -> Picks.bank(Usual.USB_LEAST_V, Usual.USB_MOST_V, watts))
                .or(() -> Picks.bank(Usual.USB_LEAST_V, Usual.USB_MOST_V, watts / 2));
    }

    private static Facet.DrawsPower heaviest(Build bare) {
        return ChainPlanner.loads(bare).stream()
                .map(p -> p.facet(Facet.DrawsPower.class).orElseThrow())
                .max(Comparator.comparingDouble(d -> d.busyW().value()))
                .orElseThrow();
    }

    /** The pack whose voltages the heaviest load bears straight; of these, or of all, the largest that something on the shelf charges. */
    private static Optional<Part> packFor(Build bare, Facet.Chemistry chemistry) {
        Facet.DrawsPower d = heaviest(bare);
        List<Part> packs = Picks.shelf().parts().stream()
                .filter(p -> p.facet(Facet.Cells.class)
                        .filter(c -> c.chemistry() == chemistry)
                        .isPresent())
                .filter(p -> p.id().startsWith("pack-"))
                .toList();
        Comparator<Part> straight =
                Comparator.comparing(p -> !(p.feedsLowV() >= d.lowV() && p.feedsHighV() <= d.highV()));
        Comparator<Part> chargeable = Comparator.comparing(p -> !Picks.charges(p));
        return packs.stream()
                .min(straight.thenComparing(chargeable)
                        .thenComparing(Comparator.comparingDouble(Part::labelWh).reversed()));
    }

    private static Part halved(Part pack) {
        Facet.Cells c = pack.facet(Facet.Cells.class).orElseThrow();
        return c.parallel() % 2 == 0 ? Packs.with(pack, c.series(), c.parallel() / 2) : pack;
    }

    /** As many single cells as give the power at a fair current each, at least two. */
    private static int cells(Part cell, double watts) {
        Facet.Cells c = cell.facet(Facet.Cells.class).orElseThrow();
        return Math.clamp(
                (int) Math.ceil(watts / Usual.CONVERTER_EFFICIENCY / (c.cutoffV() * c.maxDischargeA() * 0.6)), 2, 12);
    }

    private static Part mains(Build bare, double watts) {
        Facet.DrawsPower d = heaviest(bare);
        return Picks.adapter(d.lowV() * Usual.SUPPLY_MARGIN, d.highV(), watts * 1.15);
    }

    private static Option reckoned(School school, ChainPlanner.Planned planned) {
        Build with = planned.build();
        PowerResult power = Evaluator.evaluate(with).of(PowerResult.class);
        Optional<PowerResult.ChainResult> chain = power.shortest();
        List<Part> feeding = with.parts().list().stream()
                .filter(Supplies::feeds)
                .filter(p -> !p.staysOutside())
                .toList();
        double largest = feeding.stream().mapToDouble(Part::labelWh).max().orElse(0);
        return new Option(
                school,
                with,
                chain.map(c -> c.run().hours()).orElse(0.0),
                chain.map(c -> Double.isInfinite(c.run().hours())
                                ? "goes on"
                                : c.run().end().kind().words())
                        .orElse("nothing runs"),
                WeightsEngine.wiresG(with)
                        + feeding.stream().mapToDouble(p -> p.massG().value()).sum(),
                feeding.stream().mapToDouble(Supplies::cm3).sum(),
                with.parts().list().stream()
                        .filter(Supplies::feeds)
                        .filter(p -> p.standing().costs())
                        .mapToDouble(p -> p.price().value())
                        .sum(),
                power.charges().isEmpty()
                        ? OptionalDouble.empty()
                        : OptionalDouble.of(power.charges().stream()
                                .mapToDouble(c -> c.off().hours())
                                .max()
                                .orElse(0)),
                chain.map(c -> lossW(with, c)).orElse(Double.NaN),
                seen(with),
                largest,
                carriage(largest),
                planned.reasons());
    }

    private static double cm3(Part p) {
        return p.body().widthMm().value()
                * p.body().depthMm().value()
                * p.body().heightMm().value()
                / 1000;
    }

    private static double lossW(Build build, PowerResult.ChainResult chain) {
        return chain.busiest().rungs().entrySet().stream()
                .filter(e -> build.rung(e.getKey())
                        .flatMap(build::partOf)
                        .filter(p -> p.facet(Facet.DrawsPower.class).isPresent()
                                && p.facet(Facet.Converts.class).isEmpty())
                        .isEmpty())
                .mapToDouble(e -> e.getValue().heatW())
                .sum();
    }

    private static String seen(Build build) {
        List<Part> stores = build.rungs()
                .flatMap(r -> build.partOf(r).stream())
                .filter(Part::isSource)
                .distinct()
                .toList();
        boolean counted = build.rungs()
                .flatMap(r -> build.partOf(r).stream())
                .anyMatch(p -> p.facet(Facet.ShowsLevel.class)
                        .filter(Facet.ShowsLevel::toComputer)
                        .isPresent());
        boolean tells = !stores.isEmpty()
                && stores.stream()
                        .allMatch(p -> p.facet(Facet.Manages.class)
                                .filter(Facet.Manages::reports)
                                .isPresent());
        boolean bank =
                stores.stream().anyMatch(p -> p.facet(Facet.PowerBank.class).isPresent());
        if (stores.isEmpty()) {
            return "–";
        }
        return counted || tells ? "computer" : bank ? "its own gauge" : "voltmeter";
    }

    private static String carriage(double wh) {
        String each = Math.round(wh) + " Wh";
        return wh == 0 ? "–" : wh <= 100 ? each : "ask: " + each;
    }
}
