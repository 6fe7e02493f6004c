package boldsatchel.edit;

import boldsatchel.geometry.Face;
import boldsatchel.machine.Alteration;
import boldsatchel.machine.Body;
import boldsatchel.machine.Feature;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What is done to bought parts. The figures before are kept with the alteration; those after are guesses, to be measured when it is
 * done.
 */
public final class Alterations {

    /** A housing of plastic is about that thick, and weighs about that share of what is in it. */
    private static final double HOUSING_MM = 2;

    private static final double HOUSING_SHARE = 0.25;
    private static final double SOCKET_G = 2;
    private static final double LEAD_SHARE = 0.1;
    private static final double WIRES_G = 3;
    private static final double LEAST_SHARE = 0.4;

    /** Dried lacquer, the wall of a shrunk sleeve, and a label with its glue are about that thick. */
    private static final double LACQUER_MM = 0.1;

    private static final double SLEEVE_MM = 0.6;
    private static final double LABEL_MM = 0.15;
    /** Plastics and lacquers weigh a little more than water, g/mm³. */
    private static final double PLASTIC_G_MM3 = 1.2e-3;

    private Alterations() {}

    /**
     * Alters a part.
     *
     * @param name in the builder's words; what its kind is called when empty
     * @param socket index of the socket that is taken off, where one is
     */
    public static Edit alter(Part part, Alteration.Kind kind, String name, Optional<Integer> socket) {
        return Edits.part("alter ", part, p -> altered(p, kind, name, socket));
    }

    private static Part altered(Part part, Alteration.Kind kind, String name, Optional<Integer> socket) {
        List<Alteration> all = new ArrayList<>(part.alterations());
        all.add(new Alteration(
                name.isBlank() ? kind.words() : name, kind, kind.usuallyReversible(), part.massG(), part.body()));
        return part.altered(mass(part, kind), body(part.body(), kind, socket), all);
    }

    private static Figure mass(Part part, Alteration.Kind kind) {
        double g = part.massG().value();
        double after = switch (kind) {
            case SHELL_OFF -> g * (1 - HOUSING_SHARE);
            case SOCKET_OFF -> Math.max(g * LEAST_SHARE, g - SOCKET_G);
            case CABLE_CUT -> g * (1 - LEAD_SHARE);
            case WIRES_ON -> g + WIRES_G;
            case COATED -> g + skinG(part.body(), LACQUER_MM);
            case SLEEVED -> g + skinG(part.body(), SLEEVE_MM);
            case COVERED -> g + part.body().bounds().area(Face.TOP) * LABEL_MM * PLASTIC_G_MM3;
            case BORED, OTHER -> g;
        };
        return after == g ? part.massG() : Figure.guess(after);
    }

    private static Body body(Body body, Alteration.Kind kind, Optional<Integer> socket) {
        return switch (kind) {
            case SHELL_OFF -> body.resized(bare(body.widthMm()), bare(body.depthMm()), bare(body.heightMm()));
            case SOCKET_OFF ->
                socket.map(i -> new Feature(Feature.Kind.SOCKET, i))
                        .filter(f -> f.in(body))
                        .map(f -> f.removed(body))
                        .orElse(body);
            case COATED -> thicker(body, LACQUER_MM);
            case SLEEVED -> thicker(body, SLEEVE_MM);
            case COVERED -> body.resized(body.widthMm(), body.depthMm(), more(body.heightMm(), LABEL_MM));
            case CABLE_CUT, BORED, WIRES_ON, OTHER -> body;
        };
    }

    private static Body thicker(Body body, double skinMm) {
        return body.resized(
                more(body.widthMm(), 2 * skinMm), more(body.depthMm(), 2 * skinMm), more(body.heightMm(), 2 * skinMm));
    }

    private static Figure more(Figure size, double mm) {
        return Figure.guess(size.value() + mm);
    }

    private static double skinG(Body body, double skinMm) {
        double mm2 = 0;
        for (Face face : Face.ALL) {
            mm2 += body.bounds().area(face);
        }
        return mm2 * skinMm * PLASTIC_G_MM3;
    }

    private static Figure bare(Figure size) {
        double mm = size.value();
        return Figure.guess(Math.max(LEAST_SHARE * mm, mm - 2 * HOUSING_MM));
    }

    /** Says whether one of the things done can be put back. */
    public static Edit reversible(Part part, int index, boolean reversible) {
        return Edits.changePart("what can be put back", part, p -> {
            List<Alteration> all = new ArrayList<>(p.alterations());
            if (index < all.size()) {
                Alteration a = all.get(index);
                all.set(index, new Alteration(a.name(), a.kind(), reversible, a.beforeG(), a.before()));
            }
            return p.altered(p.massG(), p.body(), all);
        });
    }

    /** Puts a part back as it was before the last that was done to it; nothing when that cannot be. */
    public static Optional<Edit> putBack(Part part) {
        return last(part)
                .filter(Alteration::reversible)
                .map(a -> Edits.part("put back “" + a.name() + "” of ", part, Alterations::backed));
    }

    private static Optional<Alteration> last(Part part) {
        return part.alterations().isEmpty()
                ? Optional.empty()
                : Optional.of(part.alterations().getLast());
    }

    private static Part backed(Part part) {
        return last(part)
                .map(a -> part.altered(
                        a.beforeG(),
                        a.before(),
                        part.alterations().subList(0, part.alterations().size() - 1)))
                .orElse(part);
    }
}
