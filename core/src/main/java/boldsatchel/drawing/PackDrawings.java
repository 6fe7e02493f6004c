package boldsatchel.drawing;

import boldsatchel.balance.BalanceResult;
import boldsatchel.cables.CablesResult;
import boldsatchel.cables.Lead;
import boldsatchel.cables.Way;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.fit.Change;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Axis;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.geometry.Viewpoint;
import boldsatchel.hands.Grip;
import boldsatchel.heat.HeatPlace;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.machine.User;
import boldsatchel.machine.Vent;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;

/** Plan, sections and exploded view of a packed case, to scale: each made for the room it has. */
public final class PackDrawings {

    /** Half of an arrow that shows how air goes, in letters. */
    private static final double FLOW_ARROW = 1.3;
    /** Bars of a vent; on a very large one they move apart. */
    private static final int MOST_BARS = 200;

    private static final int MOST_GAPS = 3;
    /** Strokes and gaps of a dashed circle. */
    private static final int ARC_STEPS = 96;
    /** Walls of several trays this near behind one another are cut together, mm. */
    private static final double SAME_WALL_MM = 20;

    /** Written round the picture, in letters' sizes: dimensions above and at the left, scale and legend below. */
    private static final double ABOVE = 2.6;

    private static final double BELOW = 3.2;
    private static final double LEGEND = 1.8;
    /** Of the tints, beside the scale. */
    private static final double TINTS = 2.6;

    private static final double BESIDE = 2.6;
    /** A column of names and the room before it. */
    private static final double COLUMN = Names.columnLetters() + BESIDE;
    /** So much larger what is drawn has to be with all names at one side. */
    private static final double WORTH_ONE_SIDE = 1.2;
    /** Share of a room that names take at most, if they can. */
    private static final double MOST_WRITTEN = 0.7;
    /** Of a name beside a picture. */
    private static final int USUAL_LINES = 2;
    /** Width of a frame around what is pointed out, as a share of the picture's longer side. */
    private static final double FRAME_SHARE = 0.012;

    private PackDrawings() {}

    /**
     * What is to be drawn.
     *
     * @param view way to look
     * @param shell id of the tray; the whole machine is drawn where it is the one that stands, but for the plan
     * @param posture in which it is drawn
     * @param depth where a section is cut, as a share of the way through, 0 to 1; inside the nearest walls where it is not said
     * @param selected id of the part to point out; empty for none
     * @param legend whether it says which tint and hatch is which kind of part
     * @param hidden ids of parts that are left out
     * @param against another version that is laid over it
     * @param grid whether lines 10 mm apart lie over it
     * @param heat temperatures that it is tinted by, in place of kinds of part
     */
    public record Look(
            PackView view,
            String shell,
            Posture posture,
            OptionalDouble depth,
            String selected,
            boolean legend,
            Set<String> hidden,
            Optional<Build> against,
            boolean grid,
            Optional<HeatMap> heat) {

        /** Copies the set. */
        public Look {
            hidden = Set.copyOf(hidden);
        }

        /** A view in which nothing is hidden. */
        public Look(
                PackView view, String shell, Posture posture, OptionalDouble depth, String selected, boolean legend) {
            this(view, shell, posture, depth, selected, legend, Set.of(), Optional.empty(), false, Optional.empty());
        }

        /** A view of a tray as it is usually looked at. */
        public Look(PackView view, String shell, Posture posture) {
            this(view, shell, posture, OptionalDouble.empty(), "", true);
        }

        /** The same with some parts left out. */
        public Look without(Set<String> left) {
            return new Look(view, shell, posture, depth, selected, legend, left, against, grid, heat);
        }

        /** The same tinted by temperatures. */
        public Look tinted(HeatMap by) {
            return new Look(view, shell, posture, depth, selected, legend, hidden, against, grid, Optional.of(by));
        }
    }

    /** What a look shows, made ready to be drawn in any room. */
    public static Picture of(Evaluation evaluation, Look look) {
        return new Picture(evaluation, look);
    }

    /**
     * The rooms of two pictures, with names at the sides that leave them larger; where one is drawn under the other and in line with it, at the same sides
     * and so that a millimetre is as long in both.
     */
    public static List<Room> rooms(Picture first, Room one, Picture second, Room other, boolean inLine) {
        Room a = first.roomier(one);
        Room b = second.roomier(other);
        if (!inLine) {
            return List.of(a, b);
        }
        if (a.oneSided() != b.oneSided()) {
            a = one;
            b = other;
        }
        double most = Math.min(first.scale(a), second.scale(b));
        return List.of(a.atMost(most), b.atMost(most));
    }

    /** What a look shows, ready to be drawn. */
    public static final class Picture {
        private final Evaluation evaluation;
        private final Look look;
        private final Scene scene;
        private final Flat low;
        private final Flat size;
        /** How many parts have a name. */
        private final long names;

        private Picture(Evaluation evaluation, Look look) {
            this.evaluation = evaluation;
            this.look = look;
            // Its extent is that of all, cut away or not: a cut that moves does not move the picture.
            scene = uncut(evaluation, look);
            List<Flat> seen = new ArrayList<>();
            for (Scene.Thing thing : scene.things()) {
                for (Vec corner : thing.solid().bounds().corners()) {
                    seen.add(look.view().from().at(thing.pose().apply(corner)));
                }
            }
            double left = seen.stream().mapToDouble(Flat::across).min().orElse(0);
            double bottom = seen.stream().mapToDouble(Flat::up).min().orElse(0);
            low = new Flat(left, bottom);
            size = new Flat(
                    seen.stream().mapToDouble(Flat::across).max().orElse(0) - left,
                    seen.stream().mapToDouble(Flat::up).max().orElse(0) - bottom);
            names = scene.things().stream()
                    .flatMap(t -> t.part().stream().map(Part::id))
                    .distinct()
                    .count();
            cut(evaluation, look, scene);
        }

        /** Drawn, with all that is written on it. */
        public Drawing in(Room room) {
            return new Sheet(this, room).drawn();
        }

        /** Without a word, to be told by its shape. */
        public Drawing bare() {
            return bare(Set.of());
        }

        /**
         * Without a word, to be told by its shape.
         *
         * @param framed ids of parts that have a frame around them
         */
        public Drawing bare(Set<String> framed) {
            Sketch bare = new Sketch(low.across(), low.up() + size.up());
            new ScenePainter(
                            bare,
                            new Names(size.across(), size.up()),
                            look.view().from(),
                            false)
                    .paint(scene, look.selected());
            double pen = FRAME_SHARE * Math.max(size.across(), size.up());
            framed.stream().sorted().forEach(id -> frame(bare, id, pen));
            return bare.done(look.view().title() + look.shell(), size.across(), size.up());
        }

        private void frame(Sketch sketch, String part, double pen) {
            List<Flat> corners = scene.things().stream()
                    .filter(t -> t.subject().equals(part))
                    .flatMap(t -> t.solid().bounds().corners().stream()
                            .map(c -> look.view().from().at(t.pose().apply(c))))
                    .toList();
            if (!corners.isEmpty()) {
                double left = corners.stream().mapToDouble(Flat::across).min().orElseThrow() - pen;
                double low = corners.stream().mapToDouble(Flat::up).min().orElseThrow() - pen;
                double wide = corners.stream().mapToDouble(Flat::across).max().orElseThrow() + pen - left;
                double high = corners.stream().mapToDouble(Flat::up).max().orElseThrow() + pen - low;
                sketch.frame(left, low, wide, high, pen, false, Ink.ACCENT, part);
            }
        }

        /** Units a millimetre takes in a room. */
        public double scale(Room room) {
            return room.scale(size.across(), size.up(), across(room), ABOVE + below());
        }

        /** How wide and how high the sheet has to be in a room at least, in its units. */
        public Flat sheet(Room room) {
            double scale = scale(room);
            return new Flat(
                    size.across() * scale + across(room) * room.letter(),
                    size.up() * scale + (ABOVE + below()) * room.letter());
        }

        /** Width of what is written at the sides, in letter sizes. */
        private static double across(Room room) {
            return COLUMN + (room.oneSided() ? BESIDE : COLUMN);
        }

        /**
         * The same room with all names at one side, where that leaves what is drawn much larger and they have room there, or where two columns would take
         * most of it.
         */
        public Room roomier(Room room) {
            Room one = room.withOneSide();
            boolean written = names * Names.heightLetters(USUAL_LINES) * room.letter() < room.height();
            boolean narrow = across(room) * room.letter() > MOST_WRITTEN * room.width();
            return (written || narrow) && scale(one) > WORTH_ONE_SIDE * scale(room) ? one : room;
        }

        /** Height of what is written below, in letter sizes. */
        private double below() {
            return BELOW + (look.legend() ? LEGEND : 0);
        }
    }

    /** Solid things that a look shows, in the frame of its tray; those that a section cuts away are not among them. */
    static Scene scene(Evaluation evaluation, Look look) {
        return of(evaluation, look).scene;
    }

    private static void cut(Evaluation evaluation, Look look, Scene scene) {
        Casing casing = evaluation.build().casing();
        Shell shell = casing.shell(look.shell()).orElseThrow();
        look.view()
                .cut()
                .ifPresent(from -> plane(casing, shell, look, scene, from).ifPresent(at -> scene.cut(from, at)));
    }

    private static Scene uncut(Evaluation evaluation, Look look) {
        Casing casing = evaluation.build().casing();
        FitResult fit = evaluation.of(FitResult.class);
        Scene scene = new Scene();
        if (look.view() == PackView.EXPLODED) {
            Explosion explosion = Explosion.of(casing, fit);
            for (Shell tray : casing.shells()) {
                if (explosion.has(tray)) {
                    scene.tray(tray, explosion.tray(tray).pose());
                }
            }
            for (Placed placed : fit.placed()) {
                if (explosion.has(placed.shell()) && !look.hidden().contains(placed.id())) {
                    scene.part(placed, explosion.part(placed).pose());
                }
            }
            return scene;
        }
        for (Shell tray : shown(casing, look)) {
            Pose pose = pose(casing, look, tray);
            scene.tray(tray, pose);
            fit.placed().stream()
                    .filter(p ->
                            p.shell().id().equals(tray.id()) && !look.hidden().contains(p.id()))
                    .forEach(p -> scene.part(p, pose));
        }
        return scene;
    }

    private static boolean whole(Casing casing, Look look) {
        return look.view() != PackView.PLAN
                && casing.standing().filter(s -> s.id().equals(look.shell())).isPresent();
    }

    /** Trays that are drawn. */
    private static List<Shell> shown(Casing casing, Look look) {
        boolean whole = whole(casing, look);
        return casing.shells().stream()
                .filter(s -> whole ? casing.belongs(s.id()) : s.id().equals(look.shell()))
                .toList();
    }

    private static Pose pose(Casing casing, Look look, Shell tray) {
        return whole(casing, look) ? casing.pose(tray.id(), look.posture()) : Pose.NONE;
    }

    /** Where a section is cut: where it is asked for, or just inside the walls that are nearest to the eye. */
    private static OptionalDouble plane(Casing casing, Shell shell, Look look, Scene scene, Face from) {
        if (look.depth().isPresent()) {
            Box all = scene.extent();
            double near = all.end(from);
            double far = from.sign() > 0 ? all.low(from.axis()) : all.high(from.axis());
            return OptionalDouble.of(near + look.depth().getAsDouble() * (far - near));
        }
        if (from == Face.TOP) {
            return shell.openTop()
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(shell.cavity().end(from));
        }
        double at = pose(casing, look, shell).around(shell.cavity()).end(from);
        double deepest = at;
        for (Shell tray : shown(casing, look)) {
            double end = pose(casing, look, tray).around(tray.cavity()).end(from);
            double deeper = from.sign() * (at - end);
            deepest = deeper > from.sign() * (at - deepest) && deeper < SAME_WALL_MM ? end : deepest;
        }
        return OptionalDouble.of(deepest);
    }

    /** One drawing. */
    private static final class Sheet {
        private static final double GRID_MM = 10;

        private final Evaluation evaluation;
        private final Build build;
        private final Casing casing;
        private final FitResult fit;
        private final Look look;
        private final Shell shell;
        private final Viewpoint from;
        private final Scene scene;
        private final double[] extent;
        private final double letter;
        private final double below;
        /** Room at the left and at the right of what is drawn, to the edges of the sheet. */
        private final double left;

        private final double right;
        /** Height of the drawn frame that what is written below begins under. */
        private final double foot;

        private final double high;
        private final Sketch s;

        Sheet(Picture picture, Room room) {
            this.evaluation = picture.evaluation;
            this.build = evaluation.build();
            this.casing = build.casing();
            this.fit = evaluation.of(FitResult.class);
            this.look = picture.look;
            this.shell = build.shell(look.shell()).orElseThrow();
            this.from = look.view().from();
            this.scene = picture.scene;
            extent = new double[] {
                picture.low.across(),
                picture.low.up(),
                picture.low.across() + picture.size.across(),
                picture.low.up() + picture.size.up()
            };
            below = picture.below();
            double scale = picture.scale(room);
            Flat sheet = picture.sheet(room);
            letter = room.letter() / scale;
            double least = sheet.up() / scale;
            high = room.filled() ? Math.max(least, room.height() / scale) : least;
            double spare = room.filled() ? Math.max(0, room.width() - sheet.across()) / scale : 0;
            left = (room.oneSided() ? BESIDE : COLUMN) * letter + spare / 2;
            right = COLUMN * letter + spare / 2;
            foot = extent[1] - (high - least) / 2;
            s = new Sketch(extent[0] - left, extent[3] + (high - least) / 2 + ABOVE * letter);
        }

        private double width() {
            return extent[2] - extent[0];
        }

        private double height() {
            return extent[3] - extent[1];
        }

        Drawing drawn() {
            double wide = left + width() + right;
            Names names = new Names(
                    wide,
                    high - (look.legend() ? LEGEND * letter : 0) - (look.heat().isPresent() ? TINTS * letter : 0));
            boolean square = look.view().isSquare();
            table();
            look.heat().ifPresent(this::air);
            new ScenePainter(s, names, from, !square, this::tint).paint(scene, look.selected());
            if (square) {
                if (look.grid()) {
                    grid();
                }
                cables();
                look.against().ifPresent(this::changes);
                vents();
                if (look.heat().isEmpty()) {
                    measures();
                } else {
                    new HeatLeads(s, across(), up(), letter)
                            .draw(
                                    build,
                                    fit.placed(),
                                    p -> posed(p.shell().id()).filter(Pose::isSquare));
                }
                overall();
            } else {
                Explosion explosion = Explosion.of(casing, fit);
                ways(explosion);
                cables(explosion);
            }
            write(names);
            if (square && look.heat().isEmpty()) {
                clashes();
            }
            scaleBar();
            if (look.legend()) {
                look.heat().ifPresentOrElse(this::scale, this::legend);
            }
            String what = look.view().title() + (whole(casing, look) || !square ? build.name() : shell.name());
            return s.done(what, wide, high);
        }

        /** What matters where parts are put. */
        private void measures() {
            thumbs();
            zones();
            sizes();
            centre();
            gaps();
        }

        /** Thin lines from the low corner of the room inside, each tenth of them stronger. */
        private void grid() {
            double more = letter;
            for (int axis = 0; axis < 2; axis++) {
                double low = extent[axis] - more;
                double high = extent[axis + 2] + more;
                for (int n = (int) Math.ceil(low / GRID_MM); n * GRID_MM <= high; n++) {
                    double at = n * GRID_MM;
                    double pen = n % 10 == 0 ? 0.3 : 0.1;
                    double from = extent[1 - axis] - more;
                    double to = extent[3 - axis] + more;
                    if (axis == 0) {
                        s.line(at, from, at, to, pen, false, Ink.FAINT, "");
                    } else {
                        s.line(from, at, to, at, pen, false, Ink.FAINT, "");
                    }
                }
            }
        }

        /** What it stands on, where the machine is seen as it stands. */
        private void table() {
            if (look.view() == PackView.PLAN || look.view() == PackView.EXPLODED || !whole(casing, look)) {
                return;
            }
            double z = casing.tableZ();
            boolean stands = look.posture().held().stands();
            if (stands) {
                double more = 1.6 * letter;
                s.hatch(
                        extent[0] - more,
                        z - letter * 0.7,
                        width() + 2 * more,
                        letter * 0.7,
                        45,
                        letter / 3,
                        0.12,
                        Ink.FAINT,
                        "");
                s.line(extent[0] - more, z, extent[2] + more, z, Sketch.WIDE, false, Ink.SOFT, "");
            }
            casing.feet().filter(f -> f.heightMm() > 0).ifPresent(f -> {
                int across = look.view().across();
                Box out = shell.outside();
                for (double at : new double[] {out.low(across) + f.insetMm(), out.high(across) - f.insetMm()}) {
                    s.fill(at - 4, z, 8, f.heightMm(), Ink.SOFT, 1, "");
                }
            });
        }

        private void write(Names names) {
            List<Names.Name> all = new ArrayList<>();
            Set<String> seen = new TreeSet<>();
            for (Scene.Thing thing : scene.things()) {
                thing.part().filter(p -> seen.add(p.id())).ifPresent(p -> all.add(name(thing, p)));
            }
            names.write(
                    s.marks(),
                    all,
                    letter,
                    left - BESIDE * letter,
                    left + width() + (BESIDE - 1.4) * letter,
                    look.view() == PackView.EXPLODED);
        }

        private Names.Name name(Scene.Thing thing, Part part) {
            String warm = look.heat()
                    .map(h -> h.words(HeatPlace.part(part.id())))
                    .filter(w -> !w.isEmpty())
                    .map(w -> w + ": ")
                    .orElse("");
            return new Names.Name(
                    part.id(),
                    warm + part.name(),
                    part.id().equals(look.selected()),
                    tint(thing).orElseGet(() -> FamilyStyle.of(part.family()).tint()));
        }

        private Optional<Ink> tint(Scene.Thing thing) {
            return look.heat().flatMap(h -> h.ink(thing, casing.shell(thing.subject())));
        }

        /** The air in a tray that is cut, behind all that lies in it. */
        private void air(HeatMap heat) {
            if (look.view().cut().isEmpty()) {
                return;
            }
            for (Shell tray : shown(casing, look)) {
                Pose pose = pose(casing, look, tray);
                Box room = tray.cavity();
                if (pose.isSquare()) {
                    Box at = pose.around(room);
                    heat.ink(HeatPlace.air(tray.id()))
                            .ifPresent(ink -> s.fill(
                                    at.low(across()),
                                    at.low(up()),
                                    at.size(across()),
                                    at.size(up()),
                                    ink,
                                    1,
                                    tray.id()));
                }
            }
        }

        /** What the tints stand for, beside the scale, and below what air and walls have. */
        private void scale(HeatMap heat) {
            double size = letter * 0.9;
            double x = extent[0] + letter * 16;
            double y = foot - BELOW * letter + letter * 0.5;
            List<Ink> inks = HeatMap.inks();
            for (int i = 0; i < inks.size(); i++) {
                s.fill(x, y, size * 2.4, size * 0.8, inks.get(i), 1, "");
                s.frame(x, y, size * 2.4, size * 0.8, 0.15, false, Ink.INK, "");
                x += size * 2.4;
                String end = i < HeatMap.ENDS.size() ? Units.format(HeatMap.ENDS.get(i)) : "°C";
                s.text(x, y - size, size * 0.85, Align.CENTRE, false, Ink.SOFT, end, "");
            }
            s.fitted(
                    extent[0] - left + letter * 0.4,
                    foot - below * letter + letter * 0.3,
                    size,
                    left + width() + right - letter,
                    Align.LEFT,
                    false,
                    Ink.INK,
                    shell.name() + ": " + heat.line(shell),
                    "");
        }

        /** Which way a lifted part goes back. */
        private void ways(Explosion explosion) {
            for (Placed p : fit.placed()) {
                if (explosion.has(p.shell())) {
                    Explosion.Lifted lifted = explosion.part(p);
                    Vec at = lifted.pose().apply(p.bounds().centre());
                    Vec back = at.minus(lifted.by());
                    Flat a = from.at(at.minus(lifted.by()
                            .times(0.5
                                    * p.bounds().dz()
                                    / Math.max(1, lifted.by().length()))));
                    Flat b = from.at(back);
                    s.line(a.across(), a.up(), b.across(), b.up(), 0.15, true, Ink.FAINT, "");
                }
            }
        }

        /** Where things lay in another version: broken outlines, with a line to where they lie now. */
        private void changes(Build before) {
            for (Change change : Change.between(before, build)) {
                Optional<Box> was = change.before().flatMap(this::seen);
                Optional<Box> is = change.now().flatMap(this::seen);
                was.ifPresent(b -> frame(b, Sketch.WIDE, true, Ink.WATCH, change.part()));
                if (was.isPresent() && is.isPresent()) {
                    Vec a = was.get().centre();
                    Vec b = is.get().centre();
                    s.line(
                            a.along(across()),
                            a.along(up()),
                            b.along(across()),
                            b.along(up()),
                            Sketch.WIDE,
                            false,
                            Ink.WATCH,
                            "");
                }
            }
        }

        private Optional<Box> seen(Placed placed) {
            return posed(placed.shell().id()).filter(Pose::isSquare).map(p -> p.around(placed.bounds()));
        }

        private void cables() {
            CablesResult cables = evaluation.of(CablesResult.class);
            CableLines lines = new CableLines(
                    s, from, (way, knot) -> posed(way.knots().get(knot).shell()), scene);
            lines.draw(cables, look.selected());
            cables.laying(look.selected()).ifPresent(l -> lines.handles(l, letter));
        }

        /** From socket to socket where these are lifted to; what lies between the plugs stays in its tray. */
        private void cables(Explosion explosion) {
            new CableLines(s, from, (way, knot) -> lifted(explosion, way, knot), scene)
                    .draw(evaluation.of(CablesResult.class), look.selected());
        }

        private Optional<Pose> lifted(Explosion explosion, Way way, int knot) {
            Lead.End end = way.isOfFirst(knot) ? way.lead().one() : way.lead().other();
            return way.knots().get(knot).kind() != Way.Kind.BEND
                    ? fit.placed().stream()
                            .filter(p -> p.id().equals(end.part()) && explosion.has(p.shell()))
                            .findFirst()
                            .map(p -> explosion.part(p).pose())
                    : build.shell(way.knots().get(knot).shell())
                            .filter(explosion::has)
                            .map(t -> explosion.tray(t).pose());
        }

        /** How a tray lies in the picture, where it is shown. */
        private Optional<Pose> posed(String tray) {
            return build.shell(tray)
                    .filter(t -> shown(casing, look).contains(t))
                    .map(t -> pose(casing, look, t));
        }

        private int across() {
            return look.view().across();
        }

        private int up() {
            return look.view().up();
        }

        private void vents() {
            for (Shell tray : shown(casing, look)) {
                Pose pose = pose(casing, look, tray);
                if (pose.isSquare()) {
                    for (int i = 0; i < tray.vents().size(); i++) {
                        vent(tray.vents().get(i), i, tray, pose);
                    }
                }
            }
        }

        private void vent(Vent vent, int place, Shell tray, Pose pose) {
            double wall = tray.wall(vent.wall()).value();
            Box flat = vent.box();
            Vec out = Vec.on(vent.wall().axis(), vent.wall().sign() * wall);
            Box b = pose.around(flat.around(flat.moved(out)));
            int through = pose.turned(Axis.ALL.get(vent.wall().axis())).ordinal();
            if (through == across() || through == up()) {
                slots(b.low(across()), b.low(up()), b.size(across()), b.size(up()));
                look.heat()
                        .ifPresent(h ->
                                h.outLs(tray, place).ifPresent(ls -> flow(b, through, pose.around(tray.cavity()), ls)));
            }
        }

        /** An arrow through a vent, and how much air goes its way. */
        private void flow(Box vent, int through, Box room, double outLs) {
            Vec at = vent.centre();
            double out = Math.signum(at.along(through) - room.centre().along(through));
            double half = letter * FLOW_ARROW;
            double ux = through == across() ? out * Math.signum(outLs) : 0;
            double uy = through == across() ? 0 : out * Math.signum(outLs);
            double x = at.along(across());
            double y = at.along(up());
            s.arrow(x - ux * half, y - uy * half, x + ux * half, y + uy * half, letter, Ink.ACCENT);
            String words = Units.format(Math.abs(outLs), outLs < 1 ? 2 : 1, "L/s");
            double inside = -out * (half + letter * 0.5);
            double wide = letter * 0.55 * words.length();
            double left = through == across() ? x + inside - (out > 0 ? wide : 0) : x - wide / 2;
            double low = through == across() ? y - letter * 2.2 : y + inside - (out > 0 ? letter : 0);
            s.fill(left - letter * 0.2, low - letter * 0.2, wide + letter * 0.4, letter * 1.3, Ink.PAPER, 1, "");
            s.text(left + wide / 2, low, letter * 0.9, Align.CENTRE, false, Ink.INK, words, "");
        }

        private void slots(double x, double y, double w, double h) {
            s.fill(x, y, w, h, Ink.PAPER, 1, "");
            boolean flat = w > h;
            int bars = Math.clamp((long) ((flat ? w : h) / 2.5), 2, MOST_BARS);
            for (int i = 0; i <= bars; i++) {
                double at = (double) i / bars;
                if (flat) {
                    s.line(x + w * at, y, x + w * at, y + h, Sketch.NARROW, false, Ink.INK, "");
                } else {
                    s.line(x, y + h * at, x + w, y + h * at, Sketch.NARROW, false, Ink.INK, "");
                }
            }
        }

        /** Parts as this view has them, where that is square. */
        private List<Placed> seen() {
            List<Placed> seen = new ArrayList<>();
            for (Shell tray : shown(casing, look)) {
                Pose pose = pose(casing, look, tray);
                if (pose.isSquare()) {
                    fit.placed().stream()
                            .filter(p -> p.shell().id().equals(tray.id())
                                    && !look.hidden().contains(p.id()))
                            .forEach(p -> seen.add(p.posed(pose)));
                }
            }
            return seen;
        }

        private void zones() {
            seen().stream().filter(p -> p.id().equals(look.selected())).forEach(p -> {
                for (Zone zone : p.zones()) {
                    frame(zone.box(), Sketch.NARROW, true, Ink.ACCENT, p.id());
                }
            });
        }

        private void frame(Box b, double pen, boolean dashed, Ink ink, String subject) {
            s.frame(b.low(across()), b.low(up()), b.size(across()), b.size(up()), pen, dashed, ink, subject);
        }

        private void clashes() {
            for (FitResult.Clash c : fit.clashes()) {
                Optional<Shell> frame =
                        build.shell(c.shell()).filter(f -> shown(casing, look).contains(f));
                boolean here = c.where().inTray()
                        || look.view() == PackView.PLAN
                        || c.where().posture().equals(look.posture().name());
                boolean hidden = look.hidden().contains(c.a()) || look.hidden().contains(c.b());
                if (frame.isEmpty() || !here || hidden) {
                    continue;
                }
                Box o = pose(casing, look, frame.get()).around(c.overlap());
                s.hatch(o.low(across()), o.low(up()), o.size(across()), o.size(up()), 60, 1.6, 0.35, Ink.STOP, c.a());
                frame(o, Sketch.WIDE, false, Ink.STOP, c.a());
                String when = c.where().inTray() ? "" : c.where().posture() + ": ";
                note(
                        o.low(across()) + o.size(across()) / 2,
                        o.high(up()) + letter * 0.4,
                        when + "clash " + Units.format(c.depthMm()) + " mm",
                        c.a());
            }
        }

        /** Where two hands hold it, and how far their thumbs work. */
        private void thumbs() {
            Posture posture = look.posture();
            boolean isHeld = posture.held() == Posture.Held.HANDS
                    && look.view() == PackView.PLAN
                    && casing.standing().filter(shell::equals).isPresent();
            Optional<Vec> hold = Grip.at(casing, posture).filter(h -> isHeld);
            if (hold.isEmpty()) {
                return;
            }
            double reach = Grip.thumbMm(build.brief().user().orElse(User.USUAL));
            Box out = shell.outside();
            for (Vec thumb : Grip.thumbs(casing, hold.get())) {
                for (int i = 0; i < ARC_STEPS; i += 2) {
                    Vec from = around(thumb, reach, i);
                    Vec to = around(thumb, reach, i + 1);
                    if (isWithin(out, from) && isWithin(out, to)) {
                        s.line(from.x(), from.y(), to.x(), to.y(), Sketch.WIDE, false, Ink.ACCENT, "");
                    }
                }
                double palm = letter * 0.7;
                s.fill(thumb.x() - palm / 2, thumb.y() - palm * 2, palm, palm * 4, Ink.ACCENT, 0.8, "");
            }
            // Beside the scale bar and its figure, or over them where there is no room.
            double x = Math.max(extent[2] - letter * 13, extent[0] + letter * 15);
            double y = foot - BELOW * letter + letter * 0.65;
            if (x + letter * 13 > extent[2] + right) {
                x = extent[0];
                y += letter * 1.2;
            }
            for (int i = 0; i < 3; i++) {
                double dash = x + i * letter * 0.7;
                s.line(dash, y, dash + letter * 0.4, y, Sketch.WIDE, false, Ink.ACCENT, "");
            }
            s.text(
                    x + letter * 2.6,
                    y - letter * 0.3,
                    letter * 0.9,
                    Align.LEFT,
                    false,
                    Ink.SOFT,
                    "reach of the thumbs",
                    "");
        }

        private static boolean isWithin(Box out, Vec at) {
            return at.x() >= out.x() && at.x() <= out.high(0) && at.y() >= out.y() && at.y() <= out.high(1);
        }

        private static Vec around(Vec middle, double radius, int step) {
            double angle = 2 * Math.PI * step / ARC_STEPS;
            return middle.plus(new Vec(radius * Math.cos(angle), radius * Math.sin(angle), 0));
        }

        private void note(double x, double y, String text, String subject) {
            double w = text.length() * letter * Sketch.LETTER_WIDTH;
            // No further out than to the names, however small the picture is.
            double middle = (extent[0] + extent[2]) / 2;
            double off = Math.max(0, (width() - w) / 2 + letter * (BESIDE - 1.4));
            double at = Math.clamp(x, middle - off, middle + off);
            s.fill(at - w / 2 - letter * 0.2, y - letter * 0.25, w + letter * 0.4, letter * 1.3, Ink.PAPER, 0.95, "");
            s.text(at, y, letter, Align.CENTRE, true, Ink.STOP, text, subject);
        }

        /** The sides of the selected part, along its edges. */
        private void sizes() {
            seen().stream()
                    .filter(p -> p.id().equals(look.selected()))
                    .findFirst()
                    .ifPresent(p -> {
                        Box b = p.bounds();
                        double y = b.low(up()) - letter * 0.5;
                        s.dimension(b.low(across()), y, b.high(across()), y, "", letter, Ink.ACCENT);
                        number(b.low(across()) + b.size(across()) / 2, y - letter * 0.4, b.size(across()));
                        double x = b.high(across()) + letter * 0.5;
                        s.dimension(x, b.low(up()), x, b.high(up()), "", letter, Ink.ACCENT);
                        number(x, b.low(up()) + b.size(up()) / 2 - letter * 0.4, b.size(up()));
                    });
        }

        /** A size on its line, on a ground of its own. */
        private void number(double x, double y, double mm) {
            String text = Units.format(mm, 1, "");
            double size = letter * 0.85;
            double wide = (text.length() + 0.6) * size * Sketch.LETTER_WIDTH;
            s.fill(x - wide / 2, y - size * 0.2, wide, size * 1.15, Ink.PAPER, 0.9, "");
            s.text(x, y, size, Align.CENTRE, false, Ink.ACCENT, text, "");
        }

        private void centre() {
            Vec centre;
            if (look.view() == PackView.PLAN) {
                if (casing.standing().filter(shell::equals).isEmpty()) {
                    return;
                }
                centre = evaluation.of(BalanceResult.class).centre();
            } else if (whole(casing, look)) {
                centre = evaluation
                        .of(BalanceResult.class)
                        .posture(look.posture().name())
                        .map(BalanceResult.InPosture::centre)
                        .orElse(evaluation.of(BalanceResult.class).centre());
                double z = casing.tableZ();
                s.line(centre.along(across()), centre.z(), centre.along(across()), z, Sketch.NARROW, true, Ink.INK, "");
            } else {
                return;
            }
            s.centreOfMass(centre.along(across()), centre.along(up()), Math.max(2.6, letter * 0.55));
        }

        /** The smallest gaps that can be seen in this view, dimensioned. */
        private void gaps() {
            List<Placed> seen = seen();
            fit.gaps().stream()
                    .filter(g -> g.gapMm() > 0
                            && (g.where().inTray()
                                    || g.where().posture().equals(look.posture().name())))
                    .flatMap(g -> gap(g, seen).stream())
                    .limit(MOST_GAPS)
                    .forEach(d ->
                            s.dimension(d[0], d[1], d[2], d[3], Units.format(d[4], 1, ""), letter * 0.9, Ink.WATCH));
        }

        private List<double[]> gap(FitResult.Gap gap, List<Placed> all) {
            Optional<Box> first =
                    all.stream().filter(p -> p.id().equals(gap.a())).findFirst().map(Placed::bounds);
            Optional<Box> second =
                    all.stream().filter(p -> p.id().equals(gap.b())).findFirst().map(Placed::bounds);
            if (first.isEmpty() || second.isEmpty()) {
                return List.of();
            }
            Box a = first.get();
            Box b = second.get();
            for (int axis : new int[] {across(), up()}) {
                int other = axis == across() ? up() : across();
                double along = a.gapAlong(axis, b);
                if (Math.abs(along - gap.gapMm()) < 1e-6) {
                    double start = Math.min(a.high(axis), b.high(axis));
                    double low = Math.max(a.low(other), b.low(other));
                    double high = Math.min(a.high(other), b.high(other));
                    double middle = (low + high) / 2;
                    return List.of(
                            axis == across()
                                    ? new double[] {start, middle, start + along, middle, along}
                                    : new double[] {middle, start, middle, start + along, along});
                }
            }
            return List.of();
        }

        private void overall() {
            double above = extent[3] + letter * 0.9;
            String size = Units.format(width(), 1, "") + " × " + Units.format(height(), 1, "mm");
            s.dimension(extent[0], above, extent[2], above, size, letter, Ink.SOFT);
            double aside = extent[2] + letter * 0.9;
            s.dimension(aside, extent[1], aside, extent[3], "", letter, Ink.SOFT);
        }

        /** A length that can be compared with, of a round number of millimetres. */
        private void scaleBar() {
            double wanted = letter * 9;
            double step = Math.pow(10, Math.floor(Math.log10(Math.max(1, wanted))));
            double length = step * (wanted >= 5 * step ? 5 : wanted >= 2 * step ? 2 : 1);
            double x = extent[0];
            double y = foot - BELOW * letter + letter * 0.5;
            double high = letter * 0.28;
            for (int i = 0; i < 4; i++) {
                s.fill(x + length * i / 4, y, length / 4, high, i % 2 == 0 ? Ink.INK : Ink.PAPER, 1, "");
            }
            s.frame(x, y, length, high, 0.15, false, Ink.INK, "");
            s.text(
                    x + length + letter * 0.5,
                    y - letter * 0.1,
                    letter * 0.9,
                    Align.LEFT,
                    false,
                    Ink.SOFT,
                    Units.format(length, 0, "mm"),
                    "");
        }

        /** The families that are drawn, each with its tint and hatch; as many as there is room for. */
        private void legend() {
            Set<Family> families = new TreeSet<>();
            scene.things().forEach(t -> t.part().ifPresent(p -> families.add(p.family())));
            double size = letter * 0.9;
            double x = extent[0] - left + letter * 0.4;
            double end = extent[2] + right - letter;
            double y = foot - below * letter + letter * 0.6;
            for (Family family : families) {
                FamilyStyle style = FamilyStyle.of(family);
                double wide = size * (1.8 + family.words().length() * Sketch.LETTER_WIDTH);
                if (x + wide > end) {
                    break;
                }
                List<Point> swatch = List.of(
                        s.point(x, y - size * 0.15),
                        s.point(x + size * 1.3, y - size * 0.15),
                        s.point(x + size * 1.3, y + size * 0.75),
                        s.point(x, y + size * 0.75));
                s.polygon(swatch, style.tint(), 1, "");
                if (style.spacingMm() > 0) {
                    s.hatch(swatch, style.degrees(), size * 0.3, 0.12, Ink.SOFT, "");
                }
                s.outline(swatch, 0.15, false, Ink.INK, "");
                s.text(x + size * 1.6, y, size, Align.LEFT, false, Ink.SOFT, family.words(), "");
                x += wide + size;
            }
        }
    }
}
