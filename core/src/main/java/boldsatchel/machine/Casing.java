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
 * @param feet what it stands on, if not on its whole floor
 */
public record Casing(
        @Label("trays") List<Shell> shells,
        @Label("hinge") Optional<Hinge> hinge,

        @Label(value = "screws, glue, sleeves", in = Quantity.MASS)
        Figure sundriesG,

        @Label("feet") Optional<Feet> feet) {

    /**
     * Four feet under the tray that stands.
     *
     * @param insetMm from the outside of the tray to the middle of a foot, from each side
     * @param heightMm of a foot
     */
    public record Feet(
            @Label(value = "in from the sides", in = Quantity.LENGTH, absent = 10, least = 0)
            double insetMm,

            @Label(value = "height", in = Quantity.LENGTH, absent = 3, least = 0)
            double heightMm) {}

    /** A case that stands on its floor. */
    public Casing(List<Shell> shells, Optional<Hinge> hinge, Figure sundriesG) {
        this(shells, hinge, sundriesG, Optional.empty());
    }

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
        return new Casing(newShells, hinge, sundriesG, feet);
    }

    /** The same with one shell put in place of the shell of the same id, or added when there is none. */
    public Casing withShell(Shell shell) {
        return withShells(Section.replaced(shells, s -> s.id().equals(shell.id()), shell));
    }

    /** The same with another hinge, or none. */
    public Casing withHinge(Optional<Hinge> newHinge) {
        return new Casing(shells, newHinge, sundriesG, feet);
    }

    /** The same on other feet, or on none. */
    public Casing withFeet(Optional<Feet> newFeet) {
        return new Casing(shells, hinge, sundriesG, newFeet);
    }

    /** The tray that stands: the hinge's base, or the first. */
    public Optional<Shell> standing() {
        return hinge.flatMap(h -> shell(h.baseShell())).or(() -> shells.stream().findFirst());
    }

    /** The same with other sundries. */
    public Casing withSundries(Figure newSundriesG) {
        return new Casing(shells, hinge, newSundriesG, feet);
    }
}
