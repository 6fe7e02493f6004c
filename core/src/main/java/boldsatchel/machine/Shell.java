package boldsatchel.machine;

import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.geometry.Prism;
import boldsatchel.geometry.Solid;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiFunction;

/**
 * One tray of the case: base, lid or single slab. Its frame starts at the inner front-left-bottom corner.
 *
 * @param id unique in the build
 * @param name for people
 * @param widthMm inside, along x
 * @param depthMm inside, along y
 * @param heightMm inside, along z
 * @param aroundMm left round the parts in it by walls that follow them; absent where the walls are set. A found box is as it is
 * @param wallMm thickness of the walls
 * @param floorMm thickness of the floor, where it is another
 * @param material of walls and floor
 * @param ownMaterial of walls and floor, where the table has none that is right
 * @param making how it comes to be
 * @param openTop whether the top is left open for a lid or a deck of parts
 * @param ribs solids inside
 * @param taperMm how much narrower it is at the floor than at the top, from each side
 * @param cornerMm radius of its four upright edges, outside; absent where they are sharp
 * @param bosses posts for screws
 * @param vents openings for air
 * @param openings holes for sockets, cards, drawers and buttons
 * @param seams where it is made of two pieces
 * @param weighedG if it has been weighed; computed from its walls otherwise
 * @param price in the currency of the brief
 * @param standing whether it is still to be bought
 */
public record Shell(
        @Label(value = "id", needed = true) String id,
        @Label("name") String name,

        @Label(value = "inside width", in = Quantity.LENGTH, absent = 200, least = 1)
        Figure widthMm,

        @Label(value = "inside depth", in = Quantity.LENGTH, absent = 120, least = 1)
        Figure depthMm,

        @Label(value = "inside height", in = Quantity.LENGTH, absent = 30, least = 1)
        Figure heightMm,

        @Label(value = "walls follow the parts, leaving", in = Quantity.LENGTH, least = 0, most = 100)
        Optional<Double> aroundMm,

        @Label(
                value = "wall thickness",
                in = Quantity.LENGTH,
                absent = 2.5,
                least = 0,
                most = 100,
                usualLeast = 0.4,
                usualMost = 15)
        Figure wallMm,

        @Label(
                value = "floor, if another",
                in = Quantity.LENGTH,
                least = 0,
                most = 100,
                usualLeast = 0.4,
                usualMost = 15)
        Optional<Figure> floorMm,

        @Label("material") Material material,
        @Label("material of its own") Optional<Substance> ownMaterial,
        @Label("made by") Making making,
        @Label("top left open") boolean openTop,
        @Label("ribs") List<Box> ribs,

        @Label(value = "narrower at the floor by", in = Quantity.LENGTH, least = 0, most = 200)
        double taperMm,

        @Label(value = "edges rounded by", in = Quantity.LENGTH, least = 0, most = 200)
        Optional<Double> cornerMm,

        @Label("bosses") List<Boss> bosses,
        @Label("vents") List<Vent> vents,
        @Label("openings") List<Opening> openings,
        @Label("seams") List<Seam> seams,
        @Label(value = "weighed mass", in = Quantity.MASS) Optional<Figure> weighedG,
        @Label(value = "price", in = Quantity.MONEY) Figure price,
        @Label("to be had") Part.Standing standing) {

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
        if (!(widthMm.value() > 0 && depthMm.value() > 0 && heightMm.value() > 0)) {
            throw new IllegalArgumentException("a shell's inside is more than zero in every direction");
        }
        if (2 * taperMm >= Math.min(widthMm.value(), depthMm.value())) {
            throw new IllegalArgumentException("a taper leaves something of the floor");
        }
        ribs = List.copyOf(ribs);
        bosses = List.copyOf(bosses);
        vents = List.copyOf(vents);
        openings = List.copyOf(openings);
        seams = List.copyOf(seams);
    }

    /** A plain box: walls and floor alike, of a material from the table, without a taper and bosses. */
    public static Shell plain(
            String id, String name, Box inside, Figure wallMm, Material material, Making making, boolean openTop) {
        return new Shell(
                id,
                name,
                Figure.planned(inside.dx()),
                Figure.planned(inside.dy()),
                Figure.planned(inside.dz()),
                Optional.empty(),
                wallMm,
                Optional.empty(),
                material,
                Optional.empty(),
                making,
                openTop,
                List.of(),
                0,
                Optional.empty(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Figure.guess(0),
                Part.Standing.TO_BUY);
    }

    /**
     * One of its figures as an input of a result.
     *
     * @param field its name
     */
    public Input input(String field, Figure figure) {
        return new Input(id, name, Shell.class, field, figure);
    }

    /** A measure of a shell, and the shell with another value of it. */
    public record Measure(Input input, BiFunction<Shell, Figure, Shell> with) {
        /** The shell with this measure off by so much. */
        public Shell off(Shell shell, double by) {
            Figure f = input.figure();
            return with.apply(shell, new Figure(f.value() + by, f.plusMinus(), f.basis()));
        }
    }

    /** Its measures that are in doubt: inside, walls and floor. */
    public List<Measure> doubtful() {
        List<Measure> measures = inside();
        measures.add(new Measure(input("wallMm", wallMm), (s, f) -> s.walled(f, s.floorMm)));
        floorMm.ifPresent(floor ->
                measures.add(new Measure(input("floorMm", floor), (s, f) -> s.walled(s.wallMm, Optional.of(f)))));
        return known(measures);
    }

    /** The measures of its inside that are in doubt. */
    public List<Measure> doubtfulInside() {
        return known(inside());
    }

    private static List<Measure> known(List<Measure> measures) {
        measures.removeIf(m -> m.input().figure().sigma() == 0);
        return measures;
    }

    private List<Measure> inside() {
        List<Measure> measures = new ArrayList<>(5);
        measures.add(new Measure(input("widthMm", widthMm), (s, f) -> s.sized(f, s.depthMm, s.heightMm)));
        measures.add(new Measure(input("depthMm", depthMm), (s, f) -> s.sized(s.widthMm, f, s.heightMm)));
        measures.add(new Measure(input("heightMm", heightMm), (s, f) -> s.sized(s.widthMm, s.depthMm, f)));
        return measures;
    }

    /** What its walls are of. */
    public Substance substance() {
        return ownMaterial.orElseGet(material::substance);
    }

    /** Thickness of its floor, mm. */
    public Figure floor() {
        return floorMm.orElse(wallMm);
    }

    /** Thickness of one of its sides, mm. */
    public Figure wall(Face face) {
        return face == Face.BOTTOM ? floor() : wallMm;
    }

    /** The thickness of one of its sides as an input of a result. */
    public Input wallInput(Face face) {
        return face == Face.BOTTOM && floorMm.isPresent() ? input("floorMm", floorMm.get()) : input("wallMm", wallMm);
    }

    /** The room inside. */
    public Box cavity() {
        return new Box(0, 0, 0, widthMm.value(), depthMm.value(), heightMm.value());
    }

    /** The outside; the wall of an open top is left away. */
    public Box outside() {
        double wall = wallMm.value();
        double floor = floor().value();
        return new Box(
                -wall,
                -wall,
                -floor,
                widthMm.value() + 2 * wall,
                depthMm.value() + 2 * wall,
                heightMm.value() + floor + (openTop ? 0 : wall));
    }

    /** The outside of each piece it is made of; those before a seam come first. */
    public List<Box> pieces() {
        return parted(List.of(outside()));
    }

    /** Some of what it is made of, parted where its seams are. */
    public List<Box> parted(List<Box> boxes) {
        List<Box> pieces = boxes;
        for (Seam seam : seams) {
            List<Box> parted = new ArrayList<>(pieces.size() + 1);
            for (Box piece : pieces) {
                parted.addAll(piece.parted(seam.way().axis(), seam.atMm()));
            }
            pieces = parted;
        }
        return pieces;
    }

    /** All that is solid inside: ribs, bosses as square posts around them, what a taper takes away, and what rounded edges do. */
    public List<Solid> solids() {
        if (bosses.isEmpty() && taperMm == 0 && cornerMm.isEmpty()) {
            return List.copyOf(ribs);
        }
        List<Solid> solids = new ArrayList<>(ribs);
        bosses.forEach(b -> solids.add(b.post()));
        solids.addAll(taper());
        solids.addAll(rounds());
        return solids;
    }

    /** What a taper takes away of the room inside: a wedge on each side. */
    private List<Solid> taper() {
        if (taperMm == 0) {
            return List.of();
        }
        double w = widthMm.value();
        double d = depthMm.value();
        double h = heightMm.value();
        List<Flat> low = List.of(new Flat(0, 0), new Flat(taperMm, 0), new Flat(0, h));
        return List.of(
                new Prism(Axis.Y, low, 0, d),
                new Prism(Axis.Y, mirrored(low, w), 0, d),
                new Prism(Axis.X, low, 0, w),
                new Prism(Axis.X, mirrored(low, d), 0, w));
    }

    private static List<Flat> mirrored(List<Flat> outline, double size) {
        return outline.stream().map(f -> new Flat(size - f.across(), f.up())).toList();
    }

    /** Radius of its upright edges inside, mm: what the wall leaves of the one outside. */
    public double innerCornerMm() {
        return Math.max(0, outerCornerMm() - wallMm.value());
    }

    /** Radius of its upright edges outside, mm: no more than half of its smaller side. */
    public double outerCornerMm() {
        double most = Math.min(widthMm.value(), depthMm.value()) / 2 + wallMm.value();
        return Math.min(cornerMm.orElse(0.0), most);
    }

    /** What rounded edges take away of the room inside, one in each corner. */
    private List<Solid> rounds() {
        double r = innerCornerMm();
        if (r == 0) {
            return List.of();
        }
        List<Flat> corner = new ArrayList<>(List.of(new Flat(0, 0)));
        corner.addAll(Outlines.quarter(r, r, r, 2));
        double w = widthMm.value();
        double d = depthMm.value();
        List<Solid> rounds = new ArrayList<>(4);
        for (List<Flat> outline : List.of(corner, mirrored(corner, w))) {
            rounds.add(new Prism(Axis.Z, outline, 0, heightMm.value()));
            rounds.add(new Prism(
                    Axis.Z,
                    outline.stream().map(f -> new Flat(f.across(), d - f.up())).toList(),
                    0,
                    heightMm.value()));
        }
        return rounds;
    }

    /** How much less than sharp edges rounded ones are of wall and floor, mm³. */
    public double roundedMm3() {
        double corner = 4 - Math.PI;
        return corner * (Math.pow(outerCornerMm(), 2) * outside().dz() - Math.pow(innerCornerMm(), 2) * cavity().dz());
    }

    /** The same shell with another inside. */
    public Shell withInside(double width, double depth, double height) {
        return sized(widthMm.withValue(width), depthMm.withValue(depth), heightMm.withValue(height));
    }

    /** The same shell with walls of another thickness; a floor of its own stays. */
    public Shell walled(double newWallMm) {
        return walled(wallMm.withValue(newWallMm), floorMm);
    }

    /** The same shell whose walls follow its parts from now on, or stay where they are. */
    public Shell following(Optional<Double> newAroundMm) {
        return Form.of(Shell.class).field("aroundMm").with(this, newAroundMm);
    }

    /** The same shell of another material. */
    public Shell withMaterial(Material newMaterial) {
        return Form.of(Shell.class).field("material").with(this, newMaterial);
    }

    /** The same shell whose inside is only guessed. */
    public Shell guessedInside() {
        return sized(Figure.guess(widthMm.value()), Figure.guess(depthMm.value()), Figure.guess(heightMm.value()));
    }

    /** The same shell with what is fixed in it and its walls elsewhere. */
    Shell withFixed(
            List<Box> newRibs,
            List<Boss> newBosses,
            List<Vent> newVents,
            List<Opening> newOpenings,
            List<Seam> newSeams) {
        return new Shell(
                id,
                name,
                widthMm,
                depthMm,
                heightMm,
                aroundMm,
                wallMm,
                floorMm,
                material,
                ownMaterial,
                making,
                openTop,
                newRibs,
                taperMm,
                cornerMm,
                newBosses,
                newVents,
                newOpenings,
                newSeams,
                weighedG,
                price,
                standing);
    }

    /** The same shell with other vents. */
    public Shell withVents(List<Vent> newVents) {
        return Form.of(Shell.class).field("vents").with(this, newVents);
    }

    /** Whether it is another but for its openings. */
    boolean isRecut(Shell other) {
        return Form.of(Shell.class).field("openings").isAllThatDiffers(this, other);
    }

    /** The same shell with other openings. */
    public Shell withOpenings(List<Opening> newOpenings) {
        return Form.of(Shell.class).field("openings").with(this, newOpenings);
    }

    /** The same shell with other seams. */
    public Shell withSeams(List<Seam> newSeams) {
        return Form.of(Shell.class).field("seams").with(this, newSeams);
    }

    /** The same shell with another price. */
    public Shell priced(Figure newPrice) {
        return Form.of(Shell.class).field("price").with(this, newPrice);
    }

    private Shell sized(Figure width, Figure depth, Figure height) {
        return measured(width, depth, height, wallMm, floorMm);
    }

    private Shell walled(Figure wall, Optional<Figure> floor) {
        return measured(widthMm, depthMm, heightMm, wall, floor);
    }

    private Shell measured(Figure width, Figure depth, Figure height, Figure wall, Optional<Figure> floor) {
        return new Shell(
                id,
                name,
                width,
                depth,
                height,
                aroundMm,
                wall,
                floor,
                material,
                ownMaterial,
                making,
                openTop,
                ribs,
                taperMm,
                cornerMm,
                bosses,
                vents,
                openings,
                seams,
                weighedG,
                price,
                standing);
    }
}
