package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.List;
import java.util.Optional;

/**
 * One tray of the case: base, lid or single slab. Its frame starts at the inner front-left-bottom corner.
 *
 * @param id unique in the build
 * @param name for people
 * @param widthMm inside, along x
 * @param depthMm inside, along y
 * @param heightMm inside, along z
 * @param wallMm thickness of every wall
 * @param material of every wall
 * @param making how it comes to be
 * @param openTop whether the top is left open for a lid or a deck of parts
 * @param ribs solids inside: ribs, bosses, taper of found boxes
 * @param vents openings for air
 * @param weighedG if it has been weighed; computed from its walls otherwise
 * @param price in the currency of the brief
 */
public record Shell(
        @Label(value = "id", needed = true) String id,
        @Label("name") String name,

        @Label(value = "inside width", in = Quantity.LENGTH, absent = 200, least = 1)
        double widthMm,

        @Label(value = "inside depth", in = Quantity.LENGTH, absent = 120, least = 1)
        double depthMm,

        @Label(value = "inside height", in = Quantity.LENGTH, absent = 30, least = 1)
        double heightMm,

        @Label(
                value = "wall thickness",
                in = Quantity.LENGTH,
                absent = 2.5,
                least = 0,
                most = 100,
                usualLeast = 0.4,
                usualMost = 15)
        Figure wallMm,

        @Label("material") Material material,
        @Label("made by") Making making,
        @Label("top left open") boolean openTop,
        @Label("ribs and bosses") List<Box> ribs,
        @Label("vents") List<Vent> vents,
        @Label(value = "weighed mass", in = Quantity.MASS) Optional<Figure> weighedG,
        @Label(value = "price", in = Quantity.MONEY) Figure price) {

    /** How a shell comes to be. */
    public enum Making {
        /** Printed in plastic. */
        PRINTED("printed"),
        /** Cut from sheet. */
        CUT("cut"),
        /** A box that was found. */
        FOUND("found");

        private final String words;

        Making(String words) {
            this.words = words;
        }

        /** As written in a sentence. */
        public String words() {
            return words;
        }
    }

    /** Copies the lists. */
    public Shell {
        if (!(widthMm > 0 && depthMm > 0 && heightMm > 0)) {
            throw new IllegalArgumentException("a shell's inside is more than zero in every direction");
        }
        ribs = List.copyOf(ribs);
        vents = List.copyOf(vents);
    }

    /**
     * One of its figures as an input of a result.
     *
     * @param field its name
     */
    public Input input(String field, Figure figure) {
        return new Input(id, name, Shell.class, field, figure);
    }

    /** The room inside. */
    public Box cavity() {
        return new Box(0, 0, 0, widthMm, depthMm, heightMm);
    }

    /** The outside; the wall of an open top is left away. */
    public Box outside() {
        double wall = wallMm.value();
        return new Box(
                -wall, -wall, -wall, widthMm + 2 * wall, depthMm + 2 * wall, heightMm + wall + (openTop ? 0 : wall));
    }

    /** The same shell with another inside. */
    public Shell withInside(double width, double depth, double height) {
        return new Shell(
                id, name, width, depth, height, wallMm, material, making, openTop, ribs, vents, weighedG, price);
    }

    /** The same shell of another material. */
    public Shell withMaterial(Material newMaterial) {
        return new Shell(
                id,
                name,
                widthMm,
                depthMm,
                heightMm,
                wallMm,
                newMaterial,
                making,
                openTop,
                ribs,
                vents,
                weighedG,
                price);
    }
}
