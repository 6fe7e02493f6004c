package boldsatchel.bench;

import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.power.CellCurve;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.Points;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;

/**
 * Something that can be measured of a part, what the plan expects of it, and how the plan is changed by it. A figure of the plan is
 * measured as itself, and known by its record and its name there: {@code DrawsPower.idleW}. What is worked out has a name of its own.
 *
 * @param id stable name, with the unit at its end
 * @param label for people
 * @param quantity what it measures
 */
public record Measurand(String id, String label, Quantity quantity) {

    /**
     * What is known of a build where something is measured.
     *
     * @param celsius how warm it is on the bench, °C
     */
    public record Known(Build build, Points points, PowerResult power, double celsius) {}

    /** Puts what was measured at some temperature into a part. */
    @FunctionalInterface
    private interface Taking {
        Part put(Part part, double celsius, Figure measured);
    }

    /** What is worked out rather than a figure of the plan: its expectation and, where there is one, how it is taken over. */
    private enum Derived {
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
                Optional.of(Derived::withNoLoadV)),
        FAR_END_V(
                "supply.farEndV", "voltage at its socket, busy", Quantity.VOLTAGE, Derived::farEndV, Optional.empty()),
        RUN_H("run.hours", "run time", Quantity.TIME, Derived::hours, Optional.empty());

        private static final double NO_LOAD_SHARE = 0.02;
        private static final double FULL_SHARE = 0.01;
        private static final double RAIL_SHARE = 0.01;

        private final String id;
        private final String label;
        private final Quantity quantity;

        @SuppressWarnings("ImmutableEnumChecker") // A function without a state.
        private final BiFunction<Part, Known, Optional<Expectation>> expects;

        @SuppressWarnings("ImmutableEnumChecker") // A function without a state.
        private final Optional<Taking> takes;

        Derived(
                String id,
                String label,
                Quantity quantity,
                BiFunction<Part, Known, Optional<Expectation>> expects,
                Optional<Taking> takes) {
            this.id = id;
            this.label = label;
            this.quantity = quantity;
            this.expects = expects;
            this.takes = takes;
        }

        static Optional<Derived> of(String id) {
            return Arrays.stream(values()).filter(d -> d.id.equals(id)).findFirst();
        }

        private static Optional<Facet.Cells> cells(Part part) {
            return part.facet(Facet.Cells.class);
        }

        private static Optional<Expectation> fullV(Part part, Known known) {
            return cells(part).map(c -> {
                double volts = c.series() * CellCurve.restVolts(c.chemistry(), 1);
                return Expectation.around(volts, FULL_SHARE * volts, "usual of the chemistry");
            });
        }

        private static Optional<Expectation> chargeAh(Part part, Known known) {
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

        private static Optional<Expectation> ohms(Part part, Known known) {
            return cells(part).map(c -> {
                double warmth = CellCurve.resistanceFactor(1, known.celsius());
                double times = warmth * c.series() / c.parallel();
                return Expectation.around(
                        times * c.cellOhms().value() + c.packOhms().value(),
                        Math.hypot(
                                times * c.cellOhms().plusMinus(), c.packOhms().plusMinus()),
                        "cells and pack, as warm as they are");
            });
        }

        private static Optional<Expectation> cellOhms(Part part, Known known) {
            return cells(part).map(c -> Expectation.of(c.cellOhms()));
        }

        private static Part withCellOhms(Part part, double celsius, Figure ohms) {
            return cells(part)
                    .map(c -> part.withFacet(changed(c, "cellOhms", ohms)))
                    .orElse(part);
        }

        private static Optional<Expectation> noLoadV(Part part, Known known) {
            return part.facet(Facet.Converts.class)
                    .map(c -> Expectation.around(c.noLoadV(), NO_LOAD_SHARE * c.noLoadV(), "its maker's figure"));
        }

        private static Part withNoLoadV(Part part, double celsius, Figure volts) {
            return part.facet(Facet.Converts.class)
                    .map(c -> part.withFacet(
                            Form.of(Facet.Converts.class).field("noLoadV").with(c, volts.value())))
                    .orElse(part);
        }

        /** From a full source to a nearly empty one, in the hardest step of the profile. */
        private static Optional<Expectation> farEndV(Part part, Known known) {
            List<Double> volts = new ArrayList<>();
            for (Points.Chain chain : known.points().chains()) {
                for (OperatingPoint point : List.of(chain.full(), chain.low())) {
                    known.build()
                            .rungs()
                            .filter(r -> r.part().filter(part.id()::equals).isPresent())
                            .flatMap(r -> point.rung(r.id()).stream())
                            .filter(r -> r.voltsIn() > 0)
                            .forEach(r -> volts.add(r.voltsIn()));
                }
            }
            if (volts.isEmpty()) {
                return Optional.empty();
            }
            double low = volts.stream().mapToDouble(v -> v).min().orElseThrow();
            double high = volts.stream().mapToDouble(v -> v).max().orElseThrow();
            return Optional.of(new Expectation(
                    (low + high) / 2,
                    low * (1 - RAIL_SHARE),
                    high * (1 + RAIL_SHARE),
                    "from full to nearly empty, in the hardest step"));
        }

        private static Optional<Expectation> hours(Part part, Known known) {
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
    }

    /** What can be measured, by its name; nothing where there is no such thing. */
    public static Optional<Measurand> of(String id) {
        return Derived.of(id)
                .map(d -> new Measurand(d.id, d.label, d.quantity))
                .or(() -> field(id).map(f -> new Measurand(id, f.label(), f.quantity())));
    }

    private static String owner(String id) {
        return id.substring(0, Math.max(0, id.indexOf('.')));
    }

    private static Optional<Form.Field> field(String id) {
        return type(owner(id))
                .flatMap(type -> Form.of(type).fields().stream()
                        .filter(f -> f.kind() == Form.Kind.FIGURE)
                        .filter(f -> f.name().equals(id.substring(id.indexOf('.') + 1)))
                        .findFirst());
    }

    private static Optional<Class<?>> type(String name) {
        List<Class<?>> types = new ArrayList<>(List.of(Part.class, Body.class));
        types.addAll(List.of(Facet.class.getPermittedSubclasses()));
        return types.stream().filter(t -> t.getSimpleName().equals(name)).findFirst();
    }

    private Optional<Object> record(Part part) {
        return switch (owner(id)) {
            case "Part" -> Optional.of(part);
            case "Body" -> Optional.of(part.body());
            default ->
                part.facets().stream()
                        .filter(f -> f.getClass().getSimpleName().equals(owner(id)))
                        .map(f -> (Object) f)
                        .findFirst();
        };
    }

    /** What the plan expects; nothing where the part has no such thing, or where it is not known. */
    public Optional<Expectation> expected(Part part, Known known) {
        return Derived.of(id)
                .map(d -> d.expects.apply(part, known))
                .orElseGet(() -> record(part).flatMap(r -> field(id).map(f -> Expectation.of((Figure) f.get(r)))));
    }

    /** Whether the plan can take a measured value over. */
    public boolean canBeTaken() {
        return Derived.of(id).map(d -> d.takes.isPresent()).orElse(true);
    }

    /**
     * The part with a measured value in place of the plan's; as it was where there is no place for it.
     *
     * @param celsius how warm it was on the bench
     * @throws IllegalArgumentException where the plan cannot hold such a value, with the reason in words
     */
    public Part taken(Part part, double celsius, Figure measured) {
        Optional<Derived> derived = Derived.of(id);
        if (derived.isPresent()) {
            return derived.get().takes.map(t -> t.put(part, celsius, measured)).orElse(part);
        }
        return record(part)
                .flatMap(r -> field(id).map(f -> put(part, f.with(r, measured))))
                .orElse(part);
    }

    private static Part put(Part part, Object record) {
        return switch (record) {
            case Part p -> p;
            case Body b -> part.withBody(b);
            case Facet f -> part.withFacet(f);
            default -> part;
        };
    }

    private static <R> R changed(R record, String field, Figure to) {
        return Form.of(record.getClass()).field(field).with(record, to);
    }
}
