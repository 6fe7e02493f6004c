package boldsatchel.bench;

import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.power.CellCurve;
import boldsatchel.power.Charge;
import boldsatchel.power.Demand;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.Points;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Reading;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.ToDoubleFunction;

/** What is worked out rather than a figure of the plan: its expectation and, where there is one, how it is taken over. */
enum Derived {
    FULL_V("pack.fullV", "voltage when full", Quantity.VOLTAGE, Derived::fullV, Optional.empty()),
    CHARGE_AH(
            "pack.chargeAh",
            "charge from full to empty",
            Quantity.CHARGE,
            Derived::chargeAh,
            Optional.of(Derived::charged)),
    OHMS("pack.ohms", "resistance, as warm as it is", Quantity.RESISTANCE, Derived::ohms, Optional.empty()),
    CELL_OHMS(
            "pack.cellOhms",
            "of one cell at 25 °C",
            Quantity.RESISTANCE,
            Derived::cellOhms,
            Optional.of(Derived::withCellOhms)),
    NO_LOAD_V(
            "converter.noLoadV",
            "output without load",
            Quantity.VOLTAGE,
            Derived::noLoadV,
            Optional.of(ofConverter("noLoadV"))),
    FAR_END_V("supply.farEndV", "voltage at its socket, busy", Quantity.VOLTAGE, Derived::farEndV, Optional.empty()),
    IDLE_V("supply.idleV", "voltage at its socket, idle", Quantity.VOLTAGE, Derived::idleV, Optional.empty()),
    LOST_V("supply.lostV", "volts lost on the way, busy", Quantity.VOLTAGE, Derived::lostV, Optional.empty()),
    SOURCE_V("supply.sourceV", "voltage at the source, busy", Quantity.VOLTAGE, Derived::sourceV, Optional.empty()),
    CHARGE_A(
            "charge.amps", "current into the pack, half full", Quantity.CURRENT, Derived::chargeAmps, Optional.empty()),
    CELSIUS(
            "part.celsius",
            "temperature at its hottest place",
            Quantity.TEMPERATURE,
            Derived::celsius,
            Optional.empty()),
    CHARGE_H("charge.hours", "from empty to full, off", Quantity.TIME, Derived::chargeHours, Optional.empty()),
    LOSS_HALF_W(
            "converter.lossHalfW",
            "lost at half of its limit",
            Quantity.POWER,
            (part, known) -> loss(part, 0.5),
            Optional.empty()),
    LOSS_FULL_W(
            "converter.lossFullW",
            "lost at its limit",
            Quantity.POWER,
            (part, known) -> loss(part, 1),
            Optional.empty()),
    LIMIT_A(
            "converter.limitA",
            "current that it really gives",
            Quantity.CURRENT,
            Derived::limitA,
            Optional.of(ofConverter("limitA"))),
    LOOSE_C(
            "part.looseCelsius",
            "temperature, loose and busy",
            Quantity.TEMPERATURE,
            Derived::looseCelsius,
            Optional.of(Derived::withStillKW)),
    PORTS("ports.work", "sockets that work", Quantity.COUNT, Derived::ports, Optional.empty()),
    BUS_SEEN("bus.seen", "scans in which it was there", Quantity.SHARE, Derived::always, Optional.empty()),
    PROGRAM_W("program.watts", "watts of the program", Quantity.POWER, Derived::programWatts, Optional.empty()),
    PROGRAM_FPS(
            "program.frames",
            "frames a second",
            Quantity.FREQUENCY,
            (part, known) -> program(known, UseProfile.Program::framesPerSecond),
            Optional.empty()),
    PROGRAM_CPU(
            "program.processor",
            "load of the processor",
            Quantity.SHARE,
            (part, known) -> program(known, UseProfile.Program::processor),
            Optional.empty()),
    PROGRAM_GPU(
            "program.graphics",
            "load of the graphics",
            Quantity.SHARE,
            (part, known) -> program(known, UseProfile.Program::graphics),
            Optional.empty()),
    PROGRAM_OK("program.usable", "usable: 1, not: 0", Quantity.COUNT, Derived::always, Optional.empty()),
    RUN_H("run.hours", "run time", Quantity.TIME, Derived::hours, Optional.empty());

    private static final double NO_LOAD_SHARE = 0.02;
    private static final double FULL_SHARE = 0.01;
    private static final double RAIL_SHARE = 0.01;
    private static final double NEARLY_EMPTY = 0.05;
    private static final double CHARGE_SHARE = 0.1;
    /** Doubt of a temperature inside a case, K: way of the heat and its place both stand on guesses. */
    private static final double HEAT_DOUBT_K = 8;

    private static final double LIMIT_SHARE = 0.1;
    /** Doubt of a loss on wires and plugs: their length and contacts are guesses, and two readings are taken. */
    private static final double LOST_SHARE = 0.25;

    private static final double LOST_V_DOUBT = 0.02;
    private static final double LOAD_SHARE = 0.2;

    private final String id;
    private final String label;
    private final Quantity quantity;

    @SuppressWarnings("ImmutableEnumChecker") // A function without a state.
    private final BiFunction<Part, Measurand.Known, Optional<Expectation>> expects;

    @SuppressWarnings("ImmutableEnumChecker") // A function without a state.
    private final Optional<Taking> takes;

    /** Puts what was measured at some temperature into a part. */
    @FunctionalInterface
    private interface Taking {
        Part put(Part part, double celsius, Figure measured);
    }

    Derived(
            String id,
            String label,
            Quantity quantity,
            BiFunction<Part, Measurand.Known, Optional<Expectation>> expects,
            Optional<Taking> takes) {
        this.id = id;
        this.label = label;
        this.quantity = quantity;
        this.expects = expects;
        this.takes = takes;
    }

    String id() {
        return id;
    }

    String label() {
        return label;
    }

    Quantity quantity() {
        return quantity;
    }

    Optional<Expectation> expected(Part part, Measurand.Known known) {
        return expects.apply(part, known);
    }

    boolean canBeTaken() {
        return takes.isPresent();
    }

    Part taken(Part part, double celsius, Figure measured) {
        return takes.map(t -> t.put(part, celsius, measured)).orElse(part);
    }

    static Optional<Derived> of(String id) {
        return Arrays.stream(values()).filter(d -> d.id.equals(id)).findFirst();
    }

    private static Optional<Facet.Cells> cells(Part part) {
        return part.facet(Facet.Cells.class);
    }

    private static Optional<Expectation> fullV(Part part, Measurand.Known known) {
        return cells(part).map(c -> {
            double volts = c.series() * CellCurve.restVolts(c.chemistry(), 1);
            return Expectation.around(volts, FULL_SHARE * volts, "usual of the chemistry");
        });
    }

    private static Optional<Expectation> chargeAh(Part part, Measurand.Known known) {
        return cells(part).map(c -> {
            double times = c.parallel() * CellCurve.capacityFactor(known.celsius());
            double value = times * c.capacityAh().value() * c.health().value();
            double off = value * Math.hypot(share(c.capacityAh()), share(c.health()));
            return Expectation.around(value, off, "capacity · parallel · health, as warm as the cells are");
        });
    }

    private static double share(Figure figure) {
        return figure.value() == 0 ? 0 : figure.plusMinus() / figure.value();
    }

    /** What was measured is the capacity as it is: nothing of it is left to the health. */
    private static Part charged(Part part, double celsius, Figure chargeAh) {
        return cells(part)
                .map(c -> (Facet) changed(
                        changed(
                                c,
                                "capacityAh",
                                times(chargeAh, 1 / (c.parallel() * CellCurve.capacityFactor(celsius)))),
                        "health",
                        new Figure(1, 0, Basis.MEASURED)))
                .map(part::withFacet)
                .orElse(part);
    }

    private static Optional<Expectation> ohms(Part part, Measurand.Known known) {
        return cells(part).map(c -> {
            double warmth = CellCurve.resistanceFactor(1, known.celsius());
            double times = warmth * c.series() / c.parallel();
            return Expectation.around(
                    times * c.cellOhms().value() + c.packOhms().value(),
                    Math.hypot(times * c.cellOhms().plusMinus(), c.packOhms().plusMinus()),
                    "cells and pack, as warm as they are");
        });
    }

    private static Optional<Expectation> cellOhms(Part part, Measurand.Known known) {
        return cells(part).map(c -> Expectation.of(c.cellOhms()));
    }

    private static Part withCellOhms(Part part, double celsius, Figure ohms) {
        return cells(part)
                .map(c -> part.withFacet(changed(c, "cellOhms", ohms)))
                .orElse(part);
    }

    private static Optional<Expectation> noLoadV(Part part, Measurand.Known known) {
        return part.facet(Facet.Converts.class)
                .map(c -> Expectation.around(c.noLoadV(), NO_LOAD_SHARE * c.noLoadV(), "its maker's figure"));
    }

    /** The part with a plain number of its converter as measured. */
    private static Taking ofConverter(String field) {
        return (part, celsius, measured) -> part.facet(Facet.Converts.class)
                .map(c -> part.withFacet(
                        Form.of(Facet.Converts.class).field(field).with(c, measured.value())))
                .orElse(part);
    }

    /** From a full source to a nearly empty one, in the hardest step of the profile. */
    private static Optional<Expectation> farEndV(Part part, Measurand.Known known) {
        List<OperatingPoint> points = new ArrayList<>();
        known.points().chains().forEach(c -> points.addAll(List.of(c.full(), c.low())));
        return between(at(part, known, points), "from full to nearly empty, in the hardest step");
    }

    private static Optional<Expectation> idleV(Part part, Measurand.Known known) {
        List<OperatingPoint> points = new ArrayList<>();
        for (Rung root : known.build().wiring().chain()) {
            Network.of(known.build(), root, Reading.NOMINAL).ifPresent(n -> {
                points.add(n.solve(1, Demand.of(Mode.IDLE)));
                points.add(n.solve(NEARLY_EMPTY, Demand.of(Mode.IDLE)));
            });
        }
        return between(at(part, known, points), "from full to nearly empty, idle");
    }

    private static Optional<Expectation> sourceV(Part part, Measurand.Known known) {
        List<Double> volts = new ArrayList<>();
        for (Points.Chain chain : known.points().chains()) {
            boolean feeds = known.build()
                    .rung(chain.source())
                    .flatMap(root -> root.ofPart(part.id()))
                    .isPresent();
            if (feeds) {
                volts.add(chain.full().terminalVolts());
                volts.add(chain.low().terminalVolts());
            }
        }
        return between(volts, "from full to nearly empty, in the hardest step");
    }

    /** Between the output of what feeds it, source or converter, and its own input: how full the source is cancels out. */
    private static Optional<Expectation> lostV(Part part, Measurand.Known known) {
        List<Double> lost = new ArrayList<>();
        for (Points.Chain chain : known.points().chains()) {
            for (OperatingPoint point : List.of(chain.full(), chain.low())) {
                known.build()
                        .rung(chain.source())
                        .ifPresent(
                                root -> lost(root, part, known.build(), point).ifPresent(lost::add));
            }
        }
        if (lost.isEmpty()) {
            return Optional.empty();
        }
        double low = lost.stream().mapToDouble(v -> v).min().orElseThrow();
        double high = lost.stream().mapToDouble(v -> v).max().orElseThrow();
        return Optional.of(new Expectation(
                (low + high) / 2,
                Math.max(0, low * (1 - LOST_SHARE) - LOST_V_DOUBT),
                high * (1 + LOST_SHARE) + LOST_V_DOUBT,
                "from full to nearly empty, in the hardest step"));
    }

    private static Optional<Double> lost(Rung root, Part part, Build build, OperatingPoint point) {
        List<Rung> path = root.pathToPart(part.id());
        for (int i = path.size() - 2; i >= 0; i--) {
            if (build.partOf(path.get(i)).isPresent() || path.get(i).stage() instanceof Rung.Join) {
                Optional<OperatingPoint.RungState> above =
                        point.rung(path.get(i).id());
                return point.rung(path.getLast().id()).flatMap(at -> above.map(a -> a.voltsOut() - at.voltsIn()));
            }
        }
        return Optional.empty();
    }

    /** At the input of a part in each of some operating points. */
    private static List<Double> at(Part part, Measurand.Known known, List<OperatingPoint> points) {
        List<Double> volts = new ArrayList<>();
        for (OperatingPoint point : points) {
            known.build()
                    .rungs()
                    .filter(r -> r.part().filter(part.id()::equals).isPresent())
                    .flatMap(r -> point.rung(r.id()).stream())
                    .forEach(r -> volts.add(r.voltsIn()));
        }
        return volts;
    }

    private static Optional<Expectation> between(List<Double> volts, String from) {
        List<Double> there = volts.stream().filter(v -> v > 0).toList();
        if (there.isEmpty()) {
            return Optional.empty();
        }
        double low = there.stream().mapToDouble(v -> v).min().orElseThrow();
        double high = there.stream().mapToDouble(v -> v).max().orElseThrow();
        return Optional.of(new Expectation((low + high) / 2, low * (1 - RAIL_SHARE), high * (1 + RAIL_SHARE), from));
    }

    /** Of the first charger that fills it, machine off. */
    private static Optional<Expectation> chargeAmps(Part part, Measurand.Known known) {
        return known.points().charges().stream()
                .filter(c -> c.store().equals(part.id()))
                .filter(Charge.Result::fits)
                .map(c -> c.asked().amps())
                .filter(a -> a > 0)
                .findFirst()
                .map(a -> Expectation.around(a, CHARGE_SHARE * a, "what its charger gives"));
    }

    private static Optional<Expectation> chargeHours(Part part, Measurand.Known known) {
        return known.points().charges().stream()
                .filter(c -> c.store().equals(part.id()))
                .map(c -> c.off().hours())
                .filter(Double::isFinite)
                .findFirst()
                .map(h -> Expectation.around(h, CHARGE_SHARE * h, "from empty, machine off"));
    }

    /** Lost at a share of the current limit; a linear regulator burns its drop instead. */
    private static Optional<Expectation> loss(Part part, double share) {
        return part.facet(Facet.Converts.class)
                .filter(c -> c.kind() != Facet.ConverterKind.LINEAR)
                .map(c -> {
                    double amps = share * c.limitA();
                    double value = c.quietW().value()
                            + c.dropV().value() * amps
                            + c.lossOhms().value() * amps * amps;
                    double off = Math.hypot(
                            c.quietW().plusMinus(),
                            Math.hypot(
                                    c.dropV().plusMinus() * amps, c.lossOhms().plusMinus() * amps * amps));
                    return Expectation.around(value, off, "quiet power, loss voltage and loss resistance");
                });
    }

    private static Optional<Expectation> limitA(Part part, Measurand.Known known) {
        return part.facet(Facet.Converts.class)
                .map(c -> Expectation.around(c.limitA(), LIMIT_SHARE * c.limitA(), "its maker's figure"));
    }

    private static Optional<Figure> busyW(Part part) {
        return part.facet(Facet.DrawsPower.class).map(Facet.DrawsPower::busyW).filter(w -> w.value() > 0);
    }

    private static Optional<Expectation> looseCelsius(Part part, Measurand.Known known) {
        return part.facet(Facet.Thermal.class)
                .flatMap(Facet.Thermal::stillKW)
                .flatMap(way -> busyW(part)
                        .map(w -> Expectation.around(
                                known.celsius() + way.value() * w.value(),
                                Math.hypot(way.plusMinus() * w.value(), way.value() * w.plusMinus()),
                                "busy watts times its way to still air, over the air of the bench")));
    }

    /** Kelvins over the air of the bench, a watt. */
    private static Part withStillKW(Part part, double celsius, Figure read) {
        return part.facet(Facet.Thermal.class)
                .flatMap(t -> busyW(part).map(w -> {
                    double over = read.value() - celsius;
                    double way = over / w.value();
                    double off = Math.hypot(read.plusMinus() / w.value(), way * w.plusMinus() / w.value());
                    return part.withFacet(Form.of(Facet.Thermal.class)
                            .field("stillKW")
                            .with(t, Optional.of(new Figure(way, off, Basis.MEASURED))));
                }))
                .orElse(part);
    }

    private static Optional<Expectation> ports(Part part, Measurand.Known known) {
        int ports = part.body().ports().size();
        return ports == 0 ? Optional.empty() : Optional.of(Expectation.around(ports, 0, "its sockets"));
    }

    private static Optional<Expectation> always(Part part, Measurand.Known known) {
        return Optional.of(Expectation.around(1, 0, "every time"));
    }

    /** Of the hardest program that the brief names. */
    private static Optional<UseProfile.Program> hardest(Measurand.Known known) {
        return known.build().brief().profiles().stream()
                .flatMap(p -> p.steps().stream())
                .flatMap(s -> s.program().stream())
                .max(Comparator.comparingDouble(p -> p.processor() + p.graphics()));
    }

    private static Optional<Expectation> program(Measurand.Known known, ToDoubleFunction<UseProfile.Program> figure) {
        return hardest(known)
                .map(p -> Expectation.around(
                        figure.applyAsDouble(p),
                        LOAD_SHARE * figure.applyAsDouble(p),
                        "“" + p.name() + "” in the brief"));
    }

    private static Optional<Expectation> programWatts(Part part, Measurand.Known known) {
        return hardest(known).flatMap(UseProfile.Program::watts).map(Expectation::of);
    }

    private static Optional<Expectation> celsius(Part part, Measurand.Known known) {
        return known.heat()
                .part(part.id())
                .map(HeatResult.Spot::celsius)
                .filter(Double::isFinite)
                .map(c -> Expectation.around(c, HEAT_DOUBT_K, "steady air and walls in the gravest use"));
    }

    private static Optional<Expectation> hours(Part part, Measurand.Known known) {
        return known.power()
                .shortest()
                .filter(c -> Double.isFinite(c.run().hours()) && c.run().hours() > 0)
                .map(c -> new Expectation(
                        c.run().hours(),
                        known.power().hours().low(),
                        known.power().hours().high(),
                        "the run of the profile that is judged"));
    }

    private static Figure times(Figure figure, double factor) {
        return new Figure(figure.value() * factor, figure.plusMinus() * factor, figure.basis());
    }

    private static <R> R changed(R record, String field, Figure to) {
        return Form.of(record.getClass()).field(field).with(record, to);
    }
}
