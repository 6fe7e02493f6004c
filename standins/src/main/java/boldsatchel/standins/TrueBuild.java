package boldsatchel.standins;

import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import java.util.HashMap;
import java.util.Map;
import java.util.Random;

/** A build as it may really be: every figure of its parts drawn from its range. Parts off one shelf entry have one truth. */
final class TrueBuild {

    /** No truth lies further off than this, standard deviations. */
    private static final double FURTHEST = 2.5;

    private final Random random;
    private final Map<String, Double> errors = new HashMap<>();

    private TrueBuild(long seed) {
        random = new Random(seed);
    }

    /** The same for the same build and seed. */
    static Build of(Build plan, long seed) {
        TrueBuild truth = new TrueBuild(seed);
        Build build = plan;
        for (Part part : plan.parts().list()) {
            Part real = part.weighing(truth.drawn(part.origin().orElse(part.id()) + "/mass", part.massG()));
            for (Facet facet : part.facets()) {
                real = real.withFacet(truth.facet(part, facet));
            }
            build = build.with(build.parts().with(real));
        }
        return build;
    }

    private Facet facet(Part part, Facet facet) {
        Facet real = facet;
        for (Form.Field field : Form.of(facet.getClass()).fields()) {
            if (field.kind() == Form.Kind.FIGURE && field.get(facet) instanceof Figure figure) {
                String key =
                        part.origin().orElse(part.id()) + "/" + facet.getClass().getSimpleName() + "/" + field.name();
                real = changed(real, field, drawn(key, figure));
            }
        }
        return real;
    }

    /** What a record refuses, it cannot truly be. */
    private static Facet changed(Facet facet, Form.Field field, Figure to) {
        try {
            return field.with(facet, to);
        } catch (IllegalArgumentException e) {
            return facet;
        }
    }

    private Figure drawn(String key, Figure figure) {
        double error = errors.computeIfAbsent(key, k -> Math.clamp(random.nextGaussian(), -FURTHEST, FURTHEST));
        return new Figure(figure.value() + error * figure.sigma(), figure.plusMinus(), figure.basis());
    }
}
