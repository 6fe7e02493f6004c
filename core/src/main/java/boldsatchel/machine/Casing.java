package boldsatchel.machine;

import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * Section: the case.
 *
 * @param shells its trays
 * @param hinge joins lid to base, if there is a lid
 * @param sundriesG screws, glue, tape, sleeves
 */
public record Casing(
        @Label("trays") List<Shell> shells,
        @Label("hinge") Optional<Hinge> hinge,

        @Label(value = "screws, glue, sleeves", in = Quantity.MASS)
        Figure sundriesG) {

    /** No case. */
    public static final Casing NONE = new Casing(List.of(), Optional.empty(), Figure.guess(0));

    /** Copies the list. */
    public Casing {
        shells = List.copyOf(shells);
    }

    /** The shell with an id. */
    public Optional<Shell> shell(String id) {
        for (Shell shell : shells) {
            if (shell.id().equals(id)) {
                return Optional.of(shell);
            }
        }
        return Optional.empty();
    }

    /** The sundries as an input of a result. */
    public Input sundriesInput() {
        return new Input("build", "build", Casing.class, "sundriesG", sundriesG);
    }

    /** Whether a shell is the lid. */
    public boolean isLid(Shell shell) {
        return hinge.filter(h -> h.lidShell().equals(shell.id())).isPresent();
    }

    /** The same with other shells. */
    public Casing withShells(List<Shell> newShells) {
        return new Casing(newShells, hinge, sundriesG);
    }

    /** The same with one shell put in place of the shell of the same id, or added when there is none. */
    public Casing withShell(Shell shell) {
        return withShells(Section.replaced(shells, s -> s.id().equals(shell.id()), shell));
    }

    /** The same with another hinge, or none. */
    public Casing withHinge(Optional<Hinge> newHinge) {
        return new Casing(shells, newHinge, sundriesG);
    }

    /** The same with other sundries. */
    public Casing withSundries(Figure newSundriesG) {
        return new Casing(shells, hinge, newSundriesG);
    }
}
