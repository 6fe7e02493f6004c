package boldsatchel.drawing;

import boldsatchel.balance.BalanceResult;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Plan, front section and side view of a packed case, to scale. */
public final class PackDrawings {

    private static final double MARGIN = 14;
    private static final double LABEL = 3.4;
    private static final double SMALL = 2.8;

    /** Bars of a vent; on a very large one they move apart. */
    private static final int MOST_BARS = 200;

    private PackDrawings() {}

    /**
     * A shell from above; a lid as seen from inside.
     *
     * @param shellId the shell
     * @param selected id of the part to point out; empty for none
     */
    public static Drawing plan(Evaluation evaluation, String shellId, String selected) {
        return view(evaluation, shellId, selected, 0, 1);
    }

    /** A shell from the front, and its closed lid above it. */
    public static Drawing front(Evaluation evaluation, String shellId, String selected) {
        return view(evaluation, shellId, selected, 0, 2);
    }

    private static Drawing view(Evaluation evaluation, String shellId, String selected, int across, int up) {
        Build build = evaluation.build();
        Shell shell = build.shell(shellId).orElseThrow();
        Optional<Hinge> lidAbove =
                up == 2 ? build.casing().hinge().filter(h -> h.baseShell().equals(shellId)) : Optional.empty();
        List<Placed> parts = new ArrayList<>(evaluation.of(FitResult.class).placed().stream()
                .filter(p -> p.shell().equals(shell))
                .toList());
        Box extent = shell.outside();
        for (Placed p : parts) {
            extent = extent.around(p.bounds());
        }
        Optional<Shell> lid = lidAbove.flatMap(h -> build.shell(h.lidShell()));
        if (lid.isPresent()) {
            extent = extent.around(lidAbove.get().closed(lid.get().outside()));
        }
        double width = extent.size(across) + 2 * MARGIN;
        double height = extent.size(up) + 2 * MARGIN;
        Sketch s = new Sketch(extent.low(across) - MARGIN, extent.high(up) + MARGIN);
        new View(s, across, up).draw(evaluation, shell, parts, lidAbove, lid, selected);
        String what = up == 1 ? "Plan of " : "Front section of ";
        return s.done(what + shell.name(), width, height);
    }

    /** One projection onto two axes. */
    private record View(Sketch s, int across, int up) {

        void draw(
                Evaluation evaluation,
                Shell shell,
                List<Placed> parts,
                Optional<Hinge> lidAbove,
                Optional<Shell> lid,
                String selected) {
            walls(shell, shell.outside(), shell.cavity());
            lid.ifPresent(l -> walls(
                    l,
                    lidAbove.orElseThrow().closed(l.outside()),
                    lidAbove.get().closed(l.cavity())));
            List<Placed> all = new ArrayList<>(parts);
            lid.ifPresent(l -> evaluation.of(FitResult.class).placed().stream()
                    .filter(p -> p.shell().equals(l))
                    .map(p -> closed(p, lidAbove.orElseThrow()))
                    .forEach(all::add));
            int depth = 3 - across - up;
            Comparator<Placed> backToFront =
                    Comparator.comparingDouble(p -> p.bounds().low(depth));
            all.sort(up == 1 ? backToFront : backToFront.reversed());
            all.forEach(p -> part(p, p.id().equals(selected)));
            for (Box rib : shell.solids()) {
                solid(rib, Ink.WALL, "");
                s.hatch(
                        rib.low(across),
                        rib.low(up),
                        rib.size(across),
                        rib.size(up),
                        45,
                        1.5,
                        Sketch.NARROW,
                        Ink.SOFT,
                        "");
            }
            shell.vents().forEach(v -> vent(v, shell));
            all.stream().filter(p -> p.id().equals(selected)).forEach(this::zones);
            List<Box> labelled = new ArrayList<>();
            all.stream()
                    .sorted(Comparator.comparing((Placed p) -> !p.id().equals(selected)))
                    .forEach(p -> label(p, labelled, p.id().equals(selected)));
            clashes(evaluation, shell, parts);
            gaps(evaluation, all);
            boolean lidClosed = up == 2 && lidAbove.isPresent();
            if (!lidClosed && !evaluation.build().casing().isLid(shell)) {
                Vec centre = evaluation.of(BalanceResult.class).centre();
                s.centreOfMass(centre.along(across), centre.along(up), 2.6);
            }
            overall(shell);
        }

        private static Placed closed(Placed p, Hinge hinge) {
            return new Placed(
                    p.part(),
                    p.placement(),
                    p.shell(),
                    hinge.closed(p.bounds()),
                    p.solids().stream().map(hinge::closed).toList(),
                    List.of());
        }

        private void walls(Shell shell, Box outside, Box cavity) {
            s.fill(
                    outside.low(across),
                    outside.low(up),
                    outside.size(across),
                    outside.size(up),
                    Ink.WALL,
                    1,
                    shell.id());
            s.fill(cavity.low(across), cavity.low(up), cavity.size(across), cavity.size(up), Ink.PAPER, 1, shell.id());
            s.frame(
                    outside.low(across),
                    outside.low(up),
                    outside.size(across),
                    outside.size(up),
                    Sketch.WIDE,
                    false,
                    Ink.INK,
                    shell.id());
            s.frame(
                    cavity.low(across),
                    cavity.low(up),
                    cavity.size(across),
                    cavity.size(up),
                    Sketch.NARROW,
                    false,
                    Ink.INK,
                    shell.id());
        }

        private void solid(Box box, Ink ink, String subject) {
            s.fill(box.low(across), box.low(up), box.size(across), box.size(up), ink, 0.92, subject);
            s.frame(
                    box.low(across),
                    box.low(up),
                    box.size(across),
                    box.size(up),
                    Sketch.NARROW,
                    false,
                    Ink.INK,
                    subject);
        }

        private void part(Placed p, boolean selected) {
            FamilyStyle style = FamilyStyle.of(p.part().family());
            Box b = p.bounds();
            List<Box> solids = new ArrayList<>(p.solids());
            int depth = 3 - across - up;
            Comparator<Box> backToFront = Comparator.comparingDouble(s -> up == 1 ? s.high(depth) : -s.low(depth));
            solids.sort(backToFront);
            for (Box box : solids) {
                solid(box, style.tint(), p.id());
                if (style.spacingMm() > 0) {
                    s.hatch(
                            box.low(across),
                            box.low(up),
                            box.size(across),
                            box.size(up),
                            style.degrees(),
                            style.spacingMm(),
                            0.12,
                            Ink.FAINT,
                            p.id());
                }
            }
            p.part().facet(Facet.ShowsPicture.class).ifPresent(picture -> {
                Box glass =
                        p.placement().place(picture.picture(), p.part().body().bounds());
                if (up == 1) {
                    s.frame(glass.low(0), glass.low(1), glass.dx(), glass.dy(), Sketch.NARROW, true, Ink.SOFT, p.id());
                }
            });
            for (Port port : p.part().body().ports()) {
                port(p, port);
            }
            if (selected) {
                s.frame(b.low(across), b.low(up), b.size(across), b.size(up), 0.9, false, Ink.ACCENT, p.id());
            }
        }

        /** A tick on the edge where a socket opens, wide as its plug. */
        private void port(Placed p, Port port) {
            if (port.use() == Port.Use.UNUSED) {
                return;
            }
            Box mouth = p.placement().place(port.plugRoom(), p.part().body().bounds());
            var face = p.placement().orientation().turn(port.face());
            if (face.axis() == across) {
                double x = face.sign() < 0 ? p.bounds().low(across) : p.bounds().high(across);
                s.line(x, mouth.low(up), x, mouth.high(up), 1.1, false, Ink.ACCENT, p.id());
            } else if (face.axis() == up) {
                double y = face.sign() < 0 ? p.bounds().low(up) : p.bounds().high(up);
                s.line(mouth.low(across), y, mouth.high(across), y, 1.1, false, Ink.ACCENT, p.id());
            }
        }

        private void zones(Placed p) {
            for (Zone zone : p.zones()) {
                Box b = zone.box();
                s.frame(b.low(across), b.low(up), b.size(across), b.size(up), Sketch.NARROW, true, Ink.ACCENT, p.id());
            }
        }

        private void vent(Vent vent, Shell shell) {
            Box b = vent.box();
            double wall = shell.wall(vent.wall()).value();
            if (vent.wall().axis() == across) {
                double x = vent.wall().sign() < 0 ? -wall : shell.cavity().high(across);
                slots(x, b.low(up), wall, b.size(up));
            } else if (vent.wall().axis() == up) {
                double y = vent.wall().sign() < 0 ? -wall : shell.cavity().high(up);
                slots(b.low(across), y, b.size(across), wall);
            }
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

        /** The name, inside the part where it fits and no other name stands. */
        private void label(Placed p, List<Box> taken, boolean selected) {
            Box b = p.bounds();
            double x = b.low(across) + 1.2;
            double room = b.size(across) - 2.4;
            double textWidth = Math.min(room, p.part().name().length() * LABEL * Sketch.LETTER_WIDTH);
            for (double y = b.high(up) - LABEL - 0.6; y >= b.low(up) + 0.5; y -= LABEL * 1.3) {
                Box place = new Box(x, y - 0.6, 0, Math.max(0, textWidth), LABEL * 1.15, 0);
                boolean free = taken.stream().noneMatch(t -> t.gapAlong(0, place) < 0 && t.gapAlong(1, place) < 0);
                if (free) {
                    taken.add(place);
                    s.fill(
                            place.x() - 0.3,
                            place.y(),
                            place.dx() + 0.6,
                            place.dy(),
                            FamilyStyle.of(p.part().family()).tint(),
                            0.9,
                            p.id());
                    s.fitted(
                            x,
                            y,
                            LABEL,
                            room,
                            Align.LEFT,
                            selected,
                            Ink.INK,
                            p.part().name(),
                            p.id());
                    return;
                }
            }
        }

        private void clashes(Evaluation evaluation, Shell shell, List<Placed> parts) {
            for (FitResult.Clash c : evaluation.of(FitResult.class).clashes()) {
                boolean closedLid = c.where() == FitResult.Where.CLOSED_LID;
                if (!c.shell().equals(shell.id())
                        || (closedLid && up != 2 && parts.stream().noneMatch(p -> p.id().equals(c.a())))) {
                    continue;
                }
                Box o = c.overlap();
                s.hatch(o.low(across), o.low(up), o.size(across), o.size(up), 60, 1.6, 0.35, Ink.STOP, c.a());
                s.frame(o.low(across), o.low(up), o.size(across), o.size(up), Sketch.WIDE, false, Ink.STOP, c.a());
                String text = (closedLid ? "lid " : "") + "clash " + Units.format(c.depthMm()) + " mm";
                double x = o.low(across) + o.size(across) / 2;
                double y = o.high(up) + 1.2;
                double w = text.length() * LABEL * Sketch.LETTER_WIDTH;
                s.fill(x - w / 2 - 0.6, y - 0.9, w + 1.2, LABEL * 1.25, Ink.PAPER, 0.95, "");
                s.text(x, y, LABEL, Align.CENTRE, true, Ink.STOP, text, c.a());
            }
        }

        /** The three smallest gaps that can be seen in this view, dimensioned. */
        private void gaps(Evaluation evaluation, List<Placed> all) {
            evaluation.of(FitResult.class).gaps().stream()
                    .filter(g -> g.gapMm() > 0)
                    .flatMap(g -> seen(g, all).stream())
                    .limit(3)
                    .forEach(d -> s.dimension(d[0], d[1], d[2], d[3], Units.format(d[4], 1, ""), SMALL, Ink.WATCH));
        }

        private List<double[]> seen(FitResult.Gap gap, List<Placed> all) {
            Optional<Box> a =
                    all.stream().filter(p -> p.id().equals(gap.a())).findFirst().map(Placed::bounds);
            Optional<Box> b =
                    all.stream().filter(p -> p.id().equals(gap.b())).findFirst().map(Placed::bounds);
            if (a.isEmpty() || b.isEmpty()) {
                return List.of();
            }
            for (int axis : new int[] {across, up}) {
                int other = axis == across ? up : across;
                double along = a.get().gapAlong(axis, b.get());
                if (Math.abs(along - gap.gapMm()) < 1e-6) {
                    double from = Math.min(a.get().high(axis), b.get().high(axis));
                    double low = Math.max(a.get().low(other), b.get().low(other));
                    double high = Math.min(a.get().high(other), b.get().high(other));
                    double middle = (low + high) / 2;
                    return List.of(
                            axis == across
                                    ? new double[] {from, middle, from + along, middle, along}
                                    : new double[] {middle, from, middle, from + along, along});
                }
            }
            return List.of();
        }

        private void overall(Shell shell) {
            Box out = shell.outside();
            double y = out.low(up) - 6;
            s.dimension(
                    out.low(across), y, out.high(across), y, Units.format(out.size(across), 1, ""), LABEL, Ink.SOFT);
            double x = out.low(across) - 5;
            s.dimension(x, out.low(up), x, out.high(up), "", LABEL, Ink.SOFT);
            s.text(
                    x - 1,
                    out.high(up) + 2.5,
                    LABEL,
                    Align.CENTRE,
                    false,
                    Ink.SOFT,
                    Units.format(out.size(up), 1, ""),
                    "");
        }
    }

    /**
     * The machine from its right side as it stands, lid at its angle of use, with centre of mass, support and the line of its weight.
     */
    public static Drawing side(Evaluation evaluation) {
        Build build = evaluation.build();
        Optional<Hinge> hinge = build.casing().hinge();
        Shell base = hinge.flatMap(h -> build.shell(h.baseShell()))
                .or(() -> build.casing().shells().stream().findFirst())
                .orElseThrow();
        double angle = hinge.map(Hinge::useAngleDeg).orElse(0.0);
        List<List<Vec>> outlines = new ArrayList<>(List.of(rectangle(base.outside())));
        hinge.ifPresent(h -> build.shell(h.lidShell())
                .ifPresent(l -> outlines.add(rectangle(l.outside()).stream()
                        .map(p -> h.toBase(p, angle))
                        .toList())));
        double lowY = outlines.stream()
                .flatMap(List::stream)
                .mapToDouble(Vec::y)
                .min()
                .orElse(0);
        double highY = outlines.stream()
                .flatMap(List::stream)
                .mapToDouble(Vec::y)
                .max()
                .orElse(0);
        double lowZ = outlines.stream()
                .flatMap(List::stream)
                .mapToDouble(Vec::z)
                .min()
                .orElse(0);
        double highZ = outlines.stream()
                .flatMap(List::stream)
                .mapToDouble(Vec::z)
                .max()
                .orElse(0);
        Sketch s = new Sketch(lowY - MARGIN, highZ + MARGIN);
        s.line(lowY - MARGIN * 0.7, lowZ, highY + MARGIN * 0.7, lowZ, Sketch.WIDE, false, Ink.SOFT, "");
        s.hatch(lowY - MARGIN * 0.7, lowZ - 3, highY - lowY + MARGIN * 1.4, 3, 45, 2, Sketch.NARROW, Ink.FAINT, "");
        for (List<Vec> outline : outlines) {
            List<Point> points =
                    outline.stream().map(p -> s.point(p.y(), p.z())).toList();
            s.polygon(points, Ink.WALL, 0.6, "");
            s.outline(points, Sketch.WIDE, false, Ink.INK, "");
        }
        for (Placed p : evaluation.of(FitResult.class).placed()) {
            boolean lid = build.casing().isLid(p.shell());
            List<Point> points = rectangle(p.bounds()).stream()
                    .map(v -> lid ? hinge.orElseThrow().toBase(v, angle) : v)
                    .map(v -> s.point(v.y(), v.z()))
                    .toList();
            s.polygon(points, FamilyStyle.of(p.part().family()).tint(), 0.85, p.id());
            s.outline(points, 0.15, false, Ink.SOFT, p.id());
        }
        Vec centre = evaluation.of(BalanceResult.class).centre();
        boolean tips = evaluation
                .of(BalanceResult.class)
                .tipMarginDeg()
                .filter(m -> m.nominal() < 0)
                .isPresent();
        Ink ink = tips ? Ink.STOP : Ink.INK;
        s.line(centre.y(), centre.z(), centre.y(), lowZ, Sketch.NARROW, true, ink, "");
        s.centreOfMass(centre.y(), centre.z(), 3.2);
        for (Vec foot : evaluation.of(BalanceResult.class).support()) {
            Point p = s.point(foot.y(), lowZ);
            s.polygon(List.of(p, new Point(p.x() - 2, p.y() + 3.4), new Point(p.x() + 2, p.y() + 3.4)), Ink.INK, 1, "");
        }
        evaluation
                .of(BalanceResult.class)
                .tipMarginDeg()
                .ifPresent(m -> s.text(
                        lowY - MARGIN * 0.7,
                        highZ + MARGIN * 0.45,
                        LABEL * 1.2,
                        Align.LEFT,
                        true,
                        ink,
                        (hinge.isPresent() ? "lid " + Units.format(angle, 0, "°") + " · " : "") + "least tip margin "
                                + Units.format(m.nominal(), 1, "°"),
                        ""));
        return s.done("Side view", highY - lowY + 2 * MARGIN, highZ - lowZ + 2 * MARGIN);
    }

    private static List<Vec> rectangle(Box b) {
        return List.of(
                new Vec(0, b.y(), b.z()),
                new Vec(0, b.high(1), b.z()),
                new Vec(0, b.high(1), b.high(2)),
                new Vec(0, b.y(), b.high(2)));
    }
}
