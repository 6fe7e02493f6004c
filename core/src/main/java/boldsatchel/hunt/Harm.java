package boldsatchel.hunt;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Copper;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.List;
import java.util.Optional;

/** What a cause does to the figures of a build, from just felt to grave. What is read under it follows from the laws, not from a table. */
public enum Harm {
    /** A joint that takes a good part of the volts of the part, busy. */
    JOINT((build, subject, gravity) -> copper(build, subject, between(0.08, 0.25, gravity))),
    /** A cable that takes somewhat less. */
    LONG_WIRE((build, subject, gravity) -> copper(build, subject, between(0.06, 0.15, gravity))),
    /** An output set too low. */
    CONVERTER_LOW(above(Facet.Converts.class, 0.92, 0.75, "outV", "noLoadV")),
    /** An output set too high. */
    CONVERTER_HIGH(above(Facet.Converts.class, 1.08, 1.5, "outV", "noLoadV")),
    /** Cells that hold much less. */
    TIRED(above(Facet.Cells.class, 0.7, 0.3, "health")),
    /** Cells with several times the resistance. */
    WEAK_CELLS(above(Facet.Cells.class, 2.5, 6, "cellOhms")),
    /** Everything that draws power draws more of it. */
    DRAWS_MORE(everywhere(Facet.DrawsPower.class, 1.5, 2.2, "idleW", "busyW")),
    /** The hungriest part goes on drawing while it is off. */
    OFF_DRAIN((build, subject, gravity) -> stayingOn(build, between(0.08, 0.3, gravity)));

    private static final int THIN_AWG = 28;
    private static final double METRE = 1000;
    private static final double WARM_C = 25;

    @SuppressWarnings("ImmutableEnumChecker") // A function without a state.
    private final Doing doing;

    /** Does it to a build. */
    @FunctionalInterface
    private interface Doing {
        Build done(Build build, Part subject, double gravity);
    }

    Harm(Doing doing) {
        this.doing = doing;
    }

    /**
     * A build with it; as it was where it has no place in it.
     *
     * @param subject the part that is in trouble
     * @param gravity from just felt, 0, to grave, 1
     */
    public Build on(Build build, Part subject, double gravity) {
        try {
            return doing.done(build, subject, gravity);
        } catch (IllegalArgumentException e) {
            return build;
        }
    }

    private static double between(double mild, double grave, double gravity) {
        return mild + (grave - mild) * gravity;
    }

    /** Figures of the part with such a facet that feeds the subject, or is it, times a factor. */
    private static Doing above(Class<? extends Facet> facet, double mild, double grave, String... figures) {
        return (build, subject, gravity) -> Places.feeding(build, subject, facet)
                .map(p -> build.with(times(p, facet, between(mild, grave, gravity), figures)))
                .orElse(build);
    }

    private static Doing everywhere(Class<? extends Facet> facet, double mild, double grave, String... figures) {
        return (build, subject, gravity) -> {
            Build now = build;
            for (Part part : build.parts().list()) {
                now = now.with(times(part, facet, between(mild, grave, gravity), figures));
            }
            return now;
        };
    }

    private static Part times(Part part, Class<? extends Facet> kind, double factor, String... figures) {
        Part now = part;
        for (String name : figures) {
            Optional<? extends Facet> facet = now.facet(kind);
            if (facet.isPresent()) {
                Form.Field field = Form.of(kind).field(name);
                now = now.withFacet(field.with(facet.get(), scaled(field.get(facet.get()), factor)));
            }
        }
        return now;
    }

    private static Object scaled(Object value, double factor) {
        return value instanceof Figure figure ? figure.withValue(figure.value() * factor) : (double) value * factor;
    }

    private static Build stayingOn(Build build, double share) {
        return build.parts().list().stream()
                .filter(p -> p.facet(Facet.DrawsPower.class).isPresent())
                .reduce((a, b) -> idle(b) > idle(a) ? b : a)
                .map(p -> build.with(p.withFacet(Form.of(Facet.DrawsPower.class)
                        .field("offW")
                        .with(p.facet(Facet.DrawsPower.class).orElseThrow(), Figure.measured(share * idle(p))))))
                .orElse(build);
    }

    private static double idle(Part part) {
        return part.facet(Facet.DrawsPower.class).map(d -> d.idleW().value()).orElse(0.0);
    }

    /** Copper above the part, so long that it takes a share of its volts when it is busy. */
    private static Build copper(Build build, Part subject, double share) {
        return subject.facet(Facet.DrawsPower.class)
                .filter(d -> d.watts(Mode.BUSY).value() > 0)
                .map(d ->
                        share * d.nominalV() * d.nominalV() / d.watts(Mode.BUSY).value())
                .map(ohms -> METRE * ohms / Copper.loopOhms(THIN_AWG, METRE, WARM_C))
                .map(mm -> build.withChain(build.wiring().chain().stream()
                        .map(root -> root.map(r -> wired(r, subject.id(), new Rung.Wire(THIN_AWG, mm))))
                        .toList()))
                .orElse(build);
    }

    private static Rung wired(Rung rung, String part, Rung.Wire wire) {
        return rung.part().filter(part::equals).isPresent()
                ? new Rung("harmed " + rung.id(), wire, List.of(rung))
                : rung;
    }
}
