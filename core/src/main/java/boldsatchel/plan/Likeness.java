package boldsatchel.plan;

import boldsatchel.machine.Body;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import java.util.Optional;

/** Parts of which somebody has measured a little, and that are otherwise like one on the shelf: what was not measured is a guess. */
public final class Likeness {

    private Likeness() {}

    /**
     * What somebody measured.
     *
     * @param widthMm in plan, as it will lie
     * @param depthMm in plan
     * @param heightMm as it will lie
     * @param massG weighed
     * @param watts drawn when it is busy
     */
    public record Measured(
            Optional<Double> widthMm,
            Optional<Double> depthMm,
            Optional<Double> heightMm,
            Optional<Double> massG,
            Optional<Double> watts) {
        /** Nothing yet. */
        public static final Measured NOTHING =
                new Measured(Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** A part like another, with what was measured of it. */
    public static Part of(Part pattern, Measured measured) {
        Body b = pattern.body();
        Body body = b.resized(
                said(measured.widthMm(), b.widthMm()),
                said(measured.depthMm(), b.depthMm()),
                said(measured.heightMm(), b.heightMm()));
        Part like = new Part(
                pattern.id(),
                pattern.family().words() + ", like " + pattern.name(),
                pattern.family(),
                "Only what is marked as measured is; the rest is taken from " + pattern.name() + ".",
                said(measured.massG(), pattern.massG()),
                guessed(pattern.price()),
                Part.Standing.OWNED,
                body,
                pattern.facets().stream().map(Likeness::guessed).toList());
        return measured.watts()
                .flatMap(w -> like.facet(Facet.DrawsPower.class).map(d -> drawing(d, w)))
                .map(like::withFacet)
                .orElse(like);
    }

    /** A part of a family to begin with, all of it a guess; like the first of them on a shelf. */
    public static Part template(Family family, Library shelf) {
        return shelf.parts().stream()
                .filter(p -> p.family() == family)
                .findFirst()
                .map(p -> of(p, Measured.NOTHING))
                .orElseThrow(() -> new IllegalArgumentException("there is no " + family.words() + " on the shelf"))
                .named("New " + family.words())
                .withId("own-"
                        + family.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-'));
    }

    private static Figure said(Optional<Double> measured, Figure pattern) {
        return measured.map(Figure::measured).orElse(guessed(pattern));
    }

    private static Figure guessed(Figure figure) {
        return Figure.guess(figure.value());
    }

    /** A facet whose figures are guesses. */
    private static Facet guessed(Facet facet) {
        Facet now = facet;
        for (Form.Field field : Form.of(facet.getClass()).fields()) {
            if (field.kind() == Form.Kind.FIGURE) {
                Object value = field.get(now);
                now = field.with(
                        now,
                        value instanceof Optional<?> o ? o.map(f -> guessed((Figure) f)) : guessed((Figure) value));
            }
        }
        return now;
    }

    /** All it draws in proportion to what it draws when busy. */
    private static Facet.DrawsPower drawing(Facet.DrawsPower d, double watts) {
        double whole = d.busyW().value() + d.backlightW().value();
        double times = whole > 0 ? watts / whole : 1;
        Facet.DrawsPower now = d;
        for (String field : new String[] {"offW", "sleepW", "idleW", "busyW", "startW", "backlightW"}) {
            Form.Field of = Form.of(Facet.DrawsPower.class).field(field);
            double scaled = ((Figure) of.get(now)).value() * times;
            boolean itself = field.equals("busyW") || field.equals("backlightW");
            now = of.with(now, itself ? Figure.measured(scaled) : Figure.guess(scaled));
        }
        return now;
    }
}
