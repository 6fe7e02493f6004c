package boldsatchel.bench;

import boldsatchel.engine.Results;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.power.Points;
import boldsatchel.power.PowerResult;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

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
    public record Known(Build build, Points points, PowerResult power, HeatResult heat, double celsius) {
        /** What an evaluation knows. */
        public static Known of(Build build, Results results, double celsius) {
            return new Known(
                    build,
                    results.of(Points.class),
                    results.of(PowerResult.class),
                    results.of(HeatResult.class),
                    celsius);
        }
    }

    /** What can be measured, by its name; nothing where there is no such thing. */
    public static Optional<Measurand> of(String id) {
        return Derived.of(id)
                .map(d -> new Measurand(d.id(), d.label(), d.quantity()))
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
                .map(d -> d.expected(part, known))
                .orElseGet(() -> record(part).flatMap(r -> field(id).map(f -> Expectation.of((Figure) f.get(r)))));
    }

    /** Whether the plan can take a measured value over. */
    public boolean canBeTaken() {
        return Derived.of(id).map(Derived::canBeTaken).orElse(true);
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
            return derived.get().taken(part, celsius, measured);
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
}
