package boldsatchel.plan;

import boldsatchel.edit.ChainEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Usual;
import boldsatchel.power.Copper;
import boldsatchel.power.Sizing;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Units;
import boldsatchel.shelf.Picks;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.ToDoubleFunction;

/**
 * Works out a chain from sources to the loads of a build: protection, fuse, switch, wires, one rail for each voltage that the loads need,
 * charger and adapter. Loads that bear every voltage of the sources hang straight on them; the others are put together, greedily
 * by falling power, on rails whose voltage suits all on them. It proposes; the findings judge what it proposes like any other chain.
 */
final class ChainPlanner {

    private static final double MAIN_WIRE_MM = 150;
    private static final double LOAD_WIRE_MM = 120;
    /** Loads below this need no pair of wires worth planning, W. */
    private static final double SMALL_W = 2;
    /** A source whose voltage changes by less than this holds it. */
    private static final double STEADY_V = 0.1;

    /** Resistance from a bank's cells to a board: output, diode, switch, plugs, wires; a guess. */
    private static final double PATH_OHMS = 0.08;

    /** A socket is not planned to give more than this share of its most. */
    private static final double SOCKET_SHARE = 0.9;

    private static final double STEADY_DROP_SHARE = 0.008;

    private final Build base;
    private final List<Part> added = new ArrayList<>();
    private final Set<String> ids = new HashSet<>();
    private final List<String> reasons = new ArrayList<>();
    private final List<Part> loads;
    /** Ids of the loads that sockets of others feed. */
    private final Set<String> plugged = new HashSet<>();

    /** By the id of a board, its sockets with what is plugged in. */
    private final Map<String, List<Rung>> sockets = new HashMap<>();

    private double lowV;
    private double highV;

    private ChainPlanner(Build base, List<Part> loads) {
        this.base = base;
        this.loads = loads;
        base.parts().list().forEach(p -> ids.add(p.id()));
    }

    /** How sources come together and are filled. */
    record Wish(List<Part> sources, boolean diodes, boolean charged, boolean powerPath, boolean bridged) {
        static Wish plain(Part source) {
            return new Wish(List.of(source), false, true, false, false);
        }
    }

    /** The loads of a build that a chain should feed. */
    static List<Part> loads(Build build) {
        return build.parts().list().stream()
                .filter(p -> p.facet(Facet.DrawsPower.class).isPresent())
                .filter(p -> p.facet(Facet.Converts.class).isEmpty())
                .toList();
    }

    /**
     * Plans.
     *
     * @param base a build whose chain is thrown away; its loads and its other parts stay
     * @param wish the sources: parts of the build, or off the shelf, which are added
     */
    static Planned plan(Build base, Wish wish) {
        return new ChainPlanner(base, loads(base)).plan(wish);
    }

    /** The build with its new chain, and why. */
    record Planned(Build build, List<String> reasons) {}

    private Planned plan(Wish wish) {
        List<Part> sources = wish.sources().stream().map(this::take).toList();
        range(sources);
        double watts = loads.stream().mapToDouble(ChainPlanner::busyW).sum();
        double startWatts = loads.stream().mapToDouble(ChainPlanner::mostW).sum();
        List<Rung> feeds = feeds();
        if (wish.bridged()) {
            feeds = new ArrayList<>(feeds);
            feeds.add(bridge(sources.getFirst(), watts));
        }
        double mainA = watts / Usual.CHAIN_EFFICIENCY / lowV;
        double peakA = startWatts / Usual.CHAIN_EFFICIENCY / lowV;
        Rung main = wire("main-wire", mainA, peakA, MAIN_WIRE_MM, feeds);
        List<Rung> chain = new ArrayList<>();
        List<Rung> behind = List.of(toggle(peakA, main));
        if (sources.size() == 1 && !wish.powerPath()) {
            Part source = sources.getFirst();
            chain.add(Rung.of(rungId(source), new Rung.OfPart(source.id()), guard(source, mainA, peakA, behind)));
        } else {
            chain.add(joint(sources, wish, mainA, peakA, behind));
        }
        if (wish.charged()) {
            chargers(sources, wish, chain);
        }
        List<Part> parts = new ArrayList<>(base.parts().list());
        parts.addAll(added);
        return new Planned(base.with(new Parts(parts)).withChain(chain), reasons);
    }

    private Part take(Part source) {
        if (base.part(source.id()).filter(source::equals).isPresent()) {
            return source;
        }
        return add(source);
    }

    private Part add(Part part) {
        Part with = part.withId(free(part.id()));
        added.add(with);
        return with;
    }

    private String free(String wish) {
        String id = wish;
        for (int n = 2; !ids.add(id); n++) {
            id = wish + "-" + n;
        }
        return id;
    }

    private String rungId(Part part) {
        return free("rung-" + part.id());
    }

    private void range(List<Part> sources) {
        lowV = sources.stream().mapToDouble(Part::feedsLowV).min().orElse(5);
        highV = sources.stream().mapToDouble(Part::feedsHighV).max().orElse(5);
    }

    private static Facet.DrawsPower draws(Part load) {
        return load.facet(Facet.DrawsPower.class).orElseThrow();
    }

    private static double busyW(Part load) {
        Facet.DrawsPower d = draws(load);
        return d.busyW().value() + d.backlightW().value();
    }

    private static double mostW(Part load) {
        Facet.DrawsPower d = draws(load);
        return Math.max(d.startW().value(), d.busyW().value()) + d.backlightW().value();
    }

    /** What a load draws and passes on to what is plugged into it. */
    private double whole(Part load, ToDoubleFunction<Part> watts) {
        double fed = sockets.getOrDefault(load.id(), List.of()).stream()
                .flatMap(Rung::walk)
                .flatMap(r -> r.part().stream())
                .flatMap(id -> loads.stream().filter(p -> p.id().equals(id)))
                .mapToDouble(watts)
                .sum();
        return watts.applyAsDouble(load) + fed / Usual.CHAIN_EFFICIENCY;
    }

    /** Loads straight on the sources, and a rail for each voltage that the rest need. */
    private List<Rung> feeds() {
        List<Rung> feeds = new ArrayList<>();
        List<Part> rest = new ArrayList<>();
        double peakA = loads.stream().mapToDouble(ChainPlanner::mostW).sum() / lowV;
        plugIn();
        for (Part load : loads) {
            if (plugged.contains(load.id())) {
                continue;
            }
            Facet.DrawsPower d = draws(load);
            boolean straight = highV - lowV >= STEADY_V && d.lowV() <= lowV * 1.001 && d.highV() >= highV * 0.999;
            boolean steady = highV - lowV < STEADY_V && d.lowV() <= lowV - peakA * PATH_OHMS && d.highV() >= highV;
            if (straight || steady) {
                feeds.add(hung(load, lowV));
                reasons.add(load.name() + " hangs straight on the source: it bears " + n(d.lowV()) + " to "
                        + n(d.highV()) + " V, and sees " + n(lowV) + " to " + n(highV) + " V.");
            } else {
                rest.add(load);
            }
        }
        rest.sort(Comparator.comparingDouble(ChainPlanner::mostW).reversed());
        while (!rest.isEmpty()) {
            feeds.add(rail(rest));
        }
        return feeds;
    }

    /** What sockets of boards can feed is plugged in there, the lightest first: it has to be connected to the board anyway. */
    private void plugIn() {
        Map<Facet.Rail, Double> left = new HashMap<>();
        List<Part> light = loads.stream()
                .filter(p -> !p.family().computes())
                .sorted(Comparator.comparingDouble(ChainPlanner::mostW))
                .toList();
        for (Part board : loads.stream().filter(p -> p.family().computes()).toList()) {
            for (Part.Outlet outlet : board.outlets()) {
                double volts = outlet.madeV().orElse(draws(board).nominalV());
                double amps = Math.min(
                                outlet.gives().amps(),
                                outlet.rail()
                                        .map(r -> left.computeIfAbsent(r, Facet.Rail::amps))
                                        .orElse(outlet.gives().amps()))
                        * SOCKET_SHARE;
                light.stream()
                        .filter(p -> !plugged.contains(p.id()) && suits(p, outlet, volts) && mostW(p) / volts <= amps)
                        .findFirst()
                        .ifPresent(p -> {
                            plugged.add(p.id());
                            outlet.rail().ifPresent(r -> left.merge(r, -mostW(p) / volts, Double::sum));
                            String socket = outlet.port().id();
                            sockets.computeIfAbsent(board.id(), b -> new ArrayList<>())
                                    .add(Rung.of(
                                            free("socket"),
                                            new Rung.Socket(board.id(), socket),
                                            Rung.of(rungId(p), new Rung.OfPart(p.id()))));
                            reasons.add(p.name() + " is fed by the socket “"
                                    + outlet.port().words() + "” of " + board.name()
                                    + ": it draws up to " + n(mostW(p) / volts) + " A of the "
                                    + n(outlet.gives().amps()) + " A there.");
                        });
            }
        }
    }

    /** Whether a load bears a socket's voltage and its plug fits: panels have a plug of their own, all else comes by any other. */
    private static boolean suits(Part load, Part.Outlet outlet, double volts) {
        Facet.DrawsPower d = draws(load);
        boolean panel = outlet.port().connector() == Connector.EDP;
        boolean wantsPanel = load.body().ports().stream().anyMatch(p -> p.connector() == Connector.EDP);
        return panel == wantsPanel
                && d.lowV() <= volts * Usual.RAIL_LOW
                && d.highV() >= volts
                && load.facet(Facet.Charges.class).isEmpty();
    }

    /** A converter for the heaviest load left and all others that bear its voltage. */
    private Rung rail(List<Part> rest) {
        double low = draws(rest.getFirst()).lowV();
        double high = draws(rest.getFirst()).highV();
        double nominal = draws(rest.getFirst()).nominalV();
        List<Part> group = new ArrayList<>();
        for (Part load : List.copyOf(rest)) {
            Facet.DrawsPower d = draws(load);
            double newLow = Math.max(low, d.lowV());
            double newHigh = Math.min(high, d.highV());
            if (newLow * 1.02 < newHigh) {
                low = newLow;
                high = newHigh;
                group.add(load);
                rest.remove(load);
            }
        }
        double volts = Math.clamp(nominal, low * 1.03, high * 0.98);
        double watts =
                group.stream().mapToDouble(p -> whole(p, ChainPlanner::mostW)).sum();
        Part converter = add(Picks.converter(new Picks.Conversion(lowV, highV, low, volts, high, watts)));
        Facet.Converts c = converter.facet(Facet.Converts.class).orElseThrow();
        double loss = Sizing.lossWatts(
                c,
                (lowV + highV) / 2,
                group.stream().mapToDouble(p -> whole(p, ChainPlanner::busyW)).sum() / c.outV());
        reasons.add(converter.name() + " for " + names(group) + ": they share " + n(low) + " to " + n(high)
                + " V, start with " + n(watts) + " W, and the converter then loses about " + n(loss) + " W when busy.");
        return new Rung(
                rungId(converter),
                new Rung.OfPart(converter.id()),
                group.stream().map(load -> hung(load, c.outV())).toList());
    }

    private static String names(List<Part> parts) {
        return String.join(", ", parts.stream().map(Part::name).toList());
    }

    /** A load, with a pair of wires of its own when it draws enough to need one. */
    private Rung hung(Part load, double volts) {
        Rung rung = new Rung(rungId(load), new Rung.OfPart(load.id()), sockets.getOrDefault(load.id(), List.of()));
        double busy = whole(load, ChainPlanner::busyW);
        double most = whole(load, ChainPlanner::mostW);
        return most < SMALL_W ? rung : wire("wire", busy / volts, most / volts, LOAD_WIRE_MM, List.of(rung));
    }

    private Rung wire(String id, double steadyA, double peakA, double lengthMm, List<Rung> feeds) {
        double amps = Math.max(steadyA, peakA / Usual.HEADROOM);
        // A steady supply has little voltage to lose before the board stops; cells have more.
        double share = highV - lowV < STEADY_V ? STEADY_DROP_SHARE : Usual.DROP_SHARE;
        OptionalInt awg = Sizing.gauge(amps, lengthMm, lowV * share);
        int gauge = awg.orElse(10);
        if (id.equals("main-wire")) {
            reasons.add("Main wires of AWG " + gauge + ": " + n(amps) + " A with a quarter on top is within the "
                    + n(Copper.closedCaseAmps(gauge)) + " A usual inside a closed case, and they lose "
                    + n(amps * Copper.loopOhms(gauge, lengthMm, 20)) + " V.");
        }
        return new Rung(free(id), ChainEdits.wire(gauge, lengthMm), feeds);
    }

    private Rung toggle(double peakA, Rung behind) {
        double rated = Math.max(2, Math.ceil(peakA * 1.1));
        reasons.add("A sliding switch for " + n(rated)
                + " A, which cannot be pressed in a bag and cuts off every idle drain.");
        return Rung.of(free("switch"), ChainEdits.slideSwitch(rated), behind);
    }

    /** Protection where the pack has none, and a fuse where cells could feed a short circuit. */
    private Rung guard(Part source, double steadyA, double peakA, List<Rung> behind) {
        Rung row = behind.getFirst();
        Optional<Facet.Cells> cells = source.facet(Facet.Cells.class);
        if (cells.isPresent()) {
            double rating = Sizing.fuse(steadyA, peakA);
            row = Rung.of(free("fuse"), ChainEdits.fuse(rating), row);
            reasons.add("Fuse " + n(rating) + " A beside " + source.name() + ": the next usual one above 1.25 · "
                    + n(steadyA) + " A and the peak of " + n(peakA) + " A.");
            boolean balances = source.facet(Facet.Manages.class)
                    .filter(Facet.Manages::balances)
                    .isPresent();
            boolean balancing = cells.get().series() > 1 && !balances;
            if (!cells.get().ownCutoff() || balancing) {
                double trips = Math.max(rating, Math.min(cells.get().tripA(), rating * 1.5));
                row = Rung.of(free("protection"), ChainEdits.protection(balancing, Math.ceil(trips)), row);
                reasons.add(source.name() + " needs " + (balancing ? "balancing and " : "")
                        + "a cut-off: a protection board comes first.");
            }
        }
        return row;
    }

    private Rung joint(List<Part> sources, Wish wish, double steadyA, double peakA, List<Rung> behind) {
        List<Rung> rows = new ArrayList<>();
        for (Part source : sources) {
            Rung end = Rung.of(
                    free(wish.diodes() ? "diode" : "ideal-diode"),
                    wish.diodes() ? ChainEdits.SCHOTTKY : ChainEdits.IDEAL_DIODE);
            rows.add(
                    Rung.of(rungId(source), new Rung.OfPart(source.id()), guard(source, steadyA, peakA, List.of(end))));
        }
        if (wish.diodes()) {
            reasons.add(
                    "Each source comes by a Schottky diode: about 0.3 V are lost, and one dead source does not stop the"
                            + " rest.");
        } else if (sources.size() > 1) {
            reasons.add(
                    "Each source comes by an ideal diode, so that one can be taken out while the other runs the machine.");
        }
        return new Rung(free("joint"), new Rung.Join(rows), behind);
    }

    private void chargers(List<Part> sources, Wish wish, List<Rung> chain) {
        List<Rung> chargings = new ArrayList<>();
        double low = 0;
        double high = Usual.USB_MOST_V;
        double amps5 = 0;
        double watts = 0;
        for (Part source : sources) {
            Optional<Facet.Cells> cells = source.facet(Facet.Cells.class);
            Optional<Part> host = loads.stream().filter(p -> fills(p, cells)).findFirst();
            if (cells.isPresent()) {
                double bears = source.maxChargeA();
                Part charger = host.orElseGet(() -> add(Picks.charger(cells.get(), bears)));
                Facet.Charges c = charger.facet(Facet.Charges.class).orElseThrow();
                chargings.add(Rung.of(free("charging"), new Rung.Charging(Optional.of(charger.id()), source.id())));
                low = Math.max(low, c.lowV());
                high = Math.min(high, c.highV());
                amps5 += c.linear() ? c.amps().value() : 0;
                watts += c.linear()
                        ? 0
                        : c.amps().value()
                                * c.series()
                                * c.chemistry().chargeV()
                                / c.efficiency().value();
                reasons.add(charger.name() + " fills " + source.name() + " with "
                        + n(c.amps().value()) + " A.");
            } else if (source.facet(Facet.Recharges.class).isPresent()) {
                chargings.add(Rung.of(free("charging"), new Rung.Charging(Optional.empty(), source.id())));
                low = Math.max(low, Usual.USB_LEAST_V);
                watts += source.facet(Facet.Recharges.class)
                        .orElseThrow()
                        .watts()
                        .value();
            }
        }
        if (chargings.isEmpty()) {
            return;
        }
        double margin = chargings.size() > 1 ? Usual.CHARGERS_MARGIN : Usual.SUPPLY_MARGIN;
        double needed = Math.max(watts, amps5 * low * 1.12) * margin;
        Part adapter = add(Picks.adapter(low, high, needed));
        reasons.add(adapter.name() + ": the charger" + (chargings.size() > 1 ? "s ask" : " asks") + " for " + n(needed)
                + " W" + (chargings.size() > 1 ? ", a third on top included." : "."));
        chain.add(new Rung(rungId(adapter), new Rung.OfPart(adapter.id()), chargings));
        if (wish.powerPath() && chain.getFirst().stage() instanceof Rung.Join join) {
            List<Rung> rows = new ArrayList<>(join.sources());
            rows.add(Rung.of(
                    free("rung-plugged"),
                    new Rung.OfPart(adapter.id()),
                    Rung.of(free("ideal-diode"), ChainEdits.IDEAL_DIODE)));
            chain.set(0, chain.getFirst().as(new Rung.Join(rows)));
            reasons.add("Plugged in, the adapter feeds the machine past the battery, which rests and fills.");
        }
    }

    private static boolean fills(Part load, Optional<Facet.Cells> cells) {
        return cells.isPresent()
                && load.facet(Facet.Charges.class)
                        .filter(c -> c.chemistry() == cells.get().chemistry()
                                && c.series() == cells.get().series())
                        .isPresent();
    }

    /** A capacitor that bridges the gap of a bank's output. */
    private Rung bridge(Part bank, double watts) {
        double seconds = bank.facet(Facet.Recharges.class)
                .map(r -> r.gapSeconds().value())
                .orElse(0.4);
        double least = loads.stream()
                .map(ChainPlanner::draws)
                .filter(d -> d.lowV() <= lowV && d.highV() >= highV)
                .mapToDouble(Facet.DrawsPower::lowV)
                .max()
                .orElse(lowV * Usual.CONVERTER_EFFICIENCY);
        double volts = lowV * 0.985;
        double farads = Sizing.usualFarads(1.2 * Math.min(40, Sizing.holdUpFarads(watts, seconds, volts, least)));
        reasons.add("A capacitor of " + n(farads) + " F keeps " + n(watts) + " W above " + n(least) + " V for the "
                + n(seconds) + " s the bank drops out when its charger is plugged.");
        return Rung.of(free("capacitor"), new Rung.Capacitor(Figure.dataSheet(farads)));
    }

    private static String n(double value) {
        return Units.format(value);
    }
}
