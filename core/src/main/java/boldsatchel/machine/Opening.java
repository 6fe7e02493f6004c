package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A hole through a wall of a tray: for a socket, a card, a drawer, a button; or a window.
 *
 * @param name for people
 * @param wall it is in
 * @param at its middle in the tray's frame; along the wall's axis it is in the wall, whatever is said
 * @param wideMm along the wall: to the right, or to the back in the walls at the sides
 * @param highMm upwards; to the back in floor and cover
 * @param round whether it is as round as its sides allow
 * @param serves the socket, button or picture it is for, if it is for one
 * @param peg whether a peg or a cap sits in it, by which what lies deeper is pressed
 * @param made that peg, where somebody said how it is made
 */
public record Opening(
        @Label("name") String name,
        @Label("wall") Face wall,
        @Label("its middle") Vec at,

        @Label(value = "wide", in = Quantity.LENGTH, absent = 10, least = 0.1, most = 2000)
        double wideMm,

        @Label(value = "high", in = Quantity.LENGTH, absent = 4, least = 0.1, most = 2000)
        double highMm,

        @Label("round") boolean round,
        @Label("for a socket, button or picture") Optional<Serves> serves,
        @Label("a peg sits in it") boolean peg,
        @Label("the peg as made") Optional<Peg> made) {

    /** Left round a plug or socket on each side, mm. */
    private static final double CLEAR_MM = 0.5;

    /**
     * What an opening is for.
     *
     * @param part its id
     * @param port id of the socket, name of the button, or {@link Passage#PICTURE}
     * @param follows whether it is where that is; one that was found is where it was found
     */
    public record Serves(
            @Label(value = "part", needed = true) String part,

            @Label(value = "socket, button or picture", needed = true)
            String port,

            @Label(value = "moves with it", absent = 1) boolean follows) {}

    /** A peg that is described sits in it. */
    public Opening {
        peg |= made.isPresent();
    }

    /** A hole without a peg. */
    public Opening(
            String name, Face wall, Vec at, double wideMm, double highMm, boolean round, Optional<Serves> serves) {
        this(name, wall, at, wideMm, highMm, round, serves, false, Optional.empty());
    }

    /** Axis that runs along a wall. */
    public static int across(Face wall) {
        return wall.axis() == 0 ? 1 : 0;
    }

    /** Axis that runs up a wall. */
    public static int up(Face wall) {
        return wall.axis() == 2 ? 1 : 2;
    }

    /**
     * An opening for a socket of a part where it lies, large enough for what has to go in: the plug's metal where the socket ends with the wall,
     * its whole handle where it lies behind.
     */
    public static Opening of(Shell shell, Part part, Port port, Placement lies) {
        return of(shell, part, Passage.of(shell, part, port, lies), port.words(), port.id());
    }

    /** One for a button, as large as it is, with a peg where it is deeper than it can be pressed without. */
    public static Opening of(Shell shell, Part part, Key key, Placement lies, boolean peg) {
        Opening made = of(shell, part, Passage.of(shell, part, key, lies), key.name(), key.name());
        return made.with(peg, Optional.empty());
    }

    /** A window for the picture of a screen; nothing for what shows none. */
    public static Optional<Opening> ofPicture(Shell shell, Part part, Placement lies) {
        return Passage.ofPicture(shell, part, lies).map(p -> of(shell, part, p, "Window", Passage.PICTURE));
    }

    private static Opening of(Shell shell, Part part, Passage passage, String name, String what) {
        return new Opening(
                name + " of " + part.name(),
                passage.wall(),
                passage.mouth(),
                passage.wideMm() + 2 * CLEAR_MM,
                passage.highMm() + 2 * CLEAR_MM,
                passage.round(),
                Optional.of(new Serves(part.id(), what, shell.making() != Shell.Making.FOUND)));
    }

    /** By how much it is too small, or too far aside, for what has to go through; negative for the room that is left, mm. */
    public double lacksMm(Passage passage) {
        Vec off = passage.mouth().minus(at);
        double across = Math.abs(off.along(across(wall)));
        double up = Math.abs(off.along(up(wall)));
        double wide = passage.wideMm() / 2;
        double high = passage.highMm() / 2;
        if (round) {
            // The farthest corner of what goes through, or its rim, must be inside the circle.
            double radius = Math.min(wideMm, highMm) / 2;
            double reach = passage.round() ? Math.hypot(across, up) + wide : Math.hypot(across + wide, up + high);
            return reach - radius;
        }
        return Math.max(across + wide - wideMm / 2, up + high - highMm / 2);
    }

    /** The same about its middle, wider and higher by so much. */
    public Opening widened(double byMm) {
        return new Opening(name, wall, at, wideMm + byMm, highMm + byMm, round, serves, peg, made);
    }

    /** The same with its middle elsewhere. */
    public Opening at(Vec newAt) {
        return new Opening(name, wall, newAt, wideMm, highMm, round, serves, peg, made);
    }

    /** The same with such a peg. */
    public Opening with(Peg newPeg) {
        return with(true, Optional.of(newPeg));
    }

    private Opening with(boolean newPeg, Optional<Peg> newMade) {
        return new Opening(name, wall, at, wideMm, highMm, round, serves, newPeg, newMade);
    }

    /** What it takes out of its wall, mm². */
    public double areaMm2() {
        return wideMm * highMm * (round ? Math.PI / 4 : 1);
    }

    /** What it takes out of its wall. */
    public Box through(Shell shell) {
        double[] low = new double[3];
        double[] size = new double[3];
        double inside = shell.cavity().end(wall);
        double outside = inside + wall.sign() * Math.max(shell.wall(wall).value(), 1e-3);
        for (int axis = 0; axis < 3; axis++) {
            boolean along = axis == wall.axis();
            size[axis] = along ? Math.abs(outside - inside) : axis == across(wall) ? wideMm : highMm;
            low[axis] = along ? Math.min(inside, outside) : at.along(axis) - size[axis] / 2;
        }
        return new Box(low[0], low[1], low[2], size[0], size[1], size[2]);
    }

    /** Whether it is for a socket. */
    public boolean isFor(String part, String port) {
        return serves.filter(s -> s.part().equals(part) && s.port().equals(port))
                .isPresent();
    }

    /** Walls without what openings take out of them. */
    public static List<Box> cut(List<Box> walls, Shell shell) {
        List<Box> left = walls;
        for (Opening opening : shell.openings()) {
            Box hole = opening.through(shell);
            List<Box> next = new ArrayList<>(left.size() + 3);
            left.forEach(w -> next.addAll(w.without(hole)));
            left = next;
        }
        return left;
    }

    /** The same case, with every opening that moves with a socket where that socket is. */
    static Casing following(Casing casing, Layout layout, Parts parts) {
        List<Shell> shells = new ArrayList<>(casing.shells());
        shells.replaceAll(shell -> following(shell, layout, parts));
        return shells.equals(casing.shells()) ? casing : casing.withShells(shells);
    }

    private static Shell following(Shell shell, Layout layout, Parts parts) {
        if (shell.openings().isEmpty()) {
            return shell;
        }
        List<Opening> openings = new ArrayList<>(shell.openings());
        openings.replaceAll(o -> o.followed(shell, layout, parts));
        return openings.equals(shell.openings()) ? shell : shell.withOpenings(openings);
    }

    private Opening followed(Shell shell, Layout layout, Parts parts) {
        if (serves.isEmpty() || !serves.get().follows()) {
            return this;
        }
        Optional<Placement> lies =
                layout.of(serves.get().part()).filter(p -> p.shell().equals(shell.id()));
        Optional<Passage> passage = parts.part(serves.get().part())
                .flatMap(
                        p -> lies.flatMap(l -> Passage.of(shell, p, serves.get().port(), l)));
        return passage.map(p -> new Opening(name, p.wall(), p.mouth(), wideMm, highMm, round, serves, peg, made))
                .orElse(this);
    }
}
