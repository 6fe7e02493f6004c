package boldsatchel.desktop.controls;

import boldsatchel.book.Marks;
import boldsatchel.book.Typeface;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import boldsatchel.drawing.Mark;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import javafx.geometry.BoundingBox;
import javafx.geometry.Bounds;
import javafx.geometry.Orientation;
import javafx.geometry.Point2D;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.paint.Paint;
import javafx.scene.shape.LineTo;
import javafx.scene.shape.MoveTo;
import javafx.scene.shape.Path;
import javafx.scene.shape.PathElement;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;
import javafx.scene.shape.StrokeLineCap;
import javafx.scene.shape.StrokeType;
import javafx.scene.text.Font;
import javafx.scene.text.FontWeight;
import javafx.scene.text.Text;

/** Shows a drawing, as large as there is room for. Each mark knows what it stands for, so that it can be pointed at. */
public final class DrawingView extends Region {

    private static final double LEAST_LETTER = 10.5;
    private static final double MOST_LETTER = 15;

    private static final double POINTED_PX = 2.5;

    /** Frames larger than this are painted as four bars, square pixels. */
    private static final double LARGE_PX2 = 4000;
    /** So many lines are bars of their own; more are one outline. */
    private static final int FEW = 12;

    private final Pane sheet = new Pane();
    /** Outlines of what is pointed at, over all else. */
    private final Pane over = new Pane();

    private String pointed = "";
    private Drawing drawing = new Drawing("", 100, 100, 0, 0, List.of());
    /** What the nodes of the sheet show, one each. */
    private List<Piece> pieces = List.of();

    private boolean dark;
    private boolean onPaper;
    private boolean tall;
    private double mostScale = 12;
    private double scale = 1;

    /** An empty view. */
    public DrawingView() {
        getChildren().addAll(sheet, over);
        sheet.setMouseTransparent(true);
        over.setMouseTransparent(true);
        setPickOnBounds(true);
        getStyleClass().add("drawing-view");
        setAccessibleRole(AccessibleRole.IMAGE_VIEW);
        setMinSize(40, 40);
    }

    /** Limits how large a millimetre may be, in pixels. */
    public DrawingView atMost(double pixelsPerMm) {
        mostScale = pixelsPerMm;
        return this;
    }

    /** Keeps letters true to scale, as on paper, however small. */
    public DrawingView asOnPaper() {
        onPaper = true;
        return this;
    }

    /** Takes the height that the width asks for, to be scrolled, rather than shrinking to the height there is. */
    public DrawingView asTallAsItIs() {
        tall = true;
        return this;
    }

    @Override
    public Orientation getContentBias() {
        return tall ? Orientation.HORIZONTAL : super.getContentBias();
    }

    /** Shows a drawing. */
    public void show(Drawing shown, boolean inDark) {
        if (inDark == dark && shown.equals(drawing)) {
            return;
        }
        drawing = shown;
        dark = inDark;
        setAccessibleText(shown.title());
        rebuild();
        if (tall) {
            requestLayout();
        }
    }

    /** The drawing on show. */
    public Drawing drawing() {
        return drawing;
    }

    @Override
    protected void layoutChildren() {
        double wanted = fitting();
        if (Math.abs(wanted - scale) > 1e-6) {
            rebuild();
        }
        double left = Math.max(0, (getWidth() - drawing.widthMm() * scale) / 2);
        double top = Math.max(0, (getHeight() - drawing.heightMm() * scale) / 2);
        sheet.relocate(left, top);
        over.relocate(left, top);
    }

    private double fitting() {
        if (getWidth() <= 0 || getHeight() <= 0) {
            return 1;
        }
        if (tall) {
            return Math.min(mostScale, getWidth() / drawing.widthMm());
        }
        return Math.min(mostScale, Math.min(getWidth() / drawing.widthMm(), getHeight() / drawing.heightMm()));
    }

    /** Pixels a millimetre. */
    public double scale() {
        return scale;
    }

    /** A point of this view in the drawn frame, mm; its second axis runs up. */
    public Point2D toFrame(double x, double y) {
        return new Point2D(
                (x - sheet.getLayoutX()) / scale - drawing.originX(),
                drawing.originY() - (y - sheet.getLayoutY()) / scale);
    }

    /** A point of the drawn frame in this view, pixels. */
    public Point2D fromFrame(double x, double y) {
        return new Point2D(
                sheet.getLayoutX() + (x + drawing.originX()) * scale,
                sheet.getLayoutY() + (drawing.originY() - y) * scale);
    }

    /**
     * What is on top at a point of this view. Marks are looked up by where they are rather than by events of their own: a view that is
     * redrawn under a pressed button would lose them.
     */
    public Optional<String> subjectAt(double x, double y) {
        for (Node node : sheet.getChildren().reversed()) {
            boolean solid = node instanceof Text || isFilled(node);
            if (solid
                    && node.isVisible()
                    && node.getUserData() instanceof String id
                    && !id.isEmpty()
                    && node.contains(x - sheet.getLayoutX(), y - sheet.getLayoutY())) {
                return Optional.of(id);
            }
        }
        return Optional.empty();
    }

    /** Outlines what stands for something, wherever it is drawn; for what is not drawn here, nothing. */
    public void point(String subject) {
        if (!subject.equals(pointed)) {
            pointed = subject;
            outline();
        }
    }

    /** What is pointed at; empty for nothing. */
    public String pointed() {
        return pointed;
    }

    private void outline() {
        List<Node> filled = new ArrayList<>();
        if (!pointed.isEmpty()) {
            for (Node node : sheet.getChildren()) {
                if (isFilled(node) && pointed.equals(node.getUserData())) {
                    filled.add(node);
                }
            }
        }
        // What is drawn on something larger of the same thing needs no line of its own.
        filled.sort(Comparator.comparingDouble(DrawingView::areaPx2).reversed());
        List<Node> outlines = new ArrayList<>();
        for (Node node : filled) {
            if (outlines.stream().noneMatch(o -> o.getBoundsInLocal().contains(node.getBoundsInLocal()))) {
                Shape outline = copy((Shape) node);
                outline.setFill(null);
                outline.setStroke(color(Ink.ACCENT, 1));
                outline.setStrokeWidth(POINTED_PX);
                outlines.add(outline);
            }
        }
        over.getChildren().setAll(outlines);
    }

    private static double areaPx2(Node node) {
        Bounds b = node.getBoundsInLocal();
        return b.getWidth() * b.getHeight();
    }

    private static boolean isFilled(Node node) {
        return node instanceof Shape shape && !(node instanceof Text) && shape.getFill() != null;
    }

    private static Shape copy(Shape shape) {
        if (shape instanceof Rectangle r) {
            return new Rectangle(r.getX(), r.getY(), r.getWidth(), r.getHeight());
        }
        Polygon copy = new Polygon();
        copy.getPoints().setAll(((Polygon) shape).getPoints());
        return copy;
    }

    /** Marks that are shown by one node, and what they are shown at. */
    private record Piece(List<Mark> marks, double scale, boolean dark) {}

    /**
     * Changes the nodes by difference: those of pieces that are as they were stay, so that a drag lays out and paints only what it moves.
     * What changed lies between a beginning and an end that are alike.
     */
    private void rebuild() {
        scale = fitting();
        List<Piece> before = pieces;
        pieces = pieces();
        int alike = Math.min(before.size(), pieces.size());
        int first = 0;
        while (first < alike && pieces.get(first).equals(before.get(first))) {
            first++;
        }
        int last = 0;
        while (last < alike - first
                && pieces.get(pieces.size() - 1 - last).equals(before.get(before.size() - 1 - last))) {
            last++;
        }
        List<Node> nodes = sheet.getChildren();
        if (before.size() != pieces.size()) {
            nodes.subList(first, before.size() - last).clear();
            nodes.addAll(
                    first,
                    pieces.subList(first, pieces.size() - last).stream()
                            .map(p -> node(p, Optional.empty()))
                            .toList());
        } else {
            for (int i = first; i < pieces.size() - last; i++) {
                if (!pieces.get(i).equals(before.get(i))) {
                    Node old = nodes.get(i);
                    Node now = node(pieces.get(i), Optional.of(old));
                    if (!now.equals(old)) {
                        nodes.set(i, now);
                    }
                }
            }
        }
        if (!onPaper) {
            uncover(nodes);
        }
        if (!pointed.isEmpty()) {
            outline();
        }
    }

    private List<Piece> pieces() {
        List<Piece> all = new ArrayList<>();
        List<Mark> marks = drawing.marks();
        int i = 0;
        while (i < marks.size()) {
            int from = i++;
            if (marks.get(from) instanceof Mark.Line first && !first.closed()) {
                while (i < marks.size() && marks.get(i) instanceof Mark.Line next && sameStroke(first, next)) {
                    i++;
                }
            }
            all.add(new Piece(marks.subList(from, i), scale, dark));
        }
        return all;
    }

    /** The node of a piece: the one given, changed, where it is of the right kind. */
    private Node node(Piece piece, Optional<Node> old) {
        return switch (piece.marks().getFirst()) {
            case Mark.Line line
            when !line.closed() ->
                areFewBars(piece.marks())
                        ? bars(piece.marks(), line, as(Group.class, old, Group::new))
                        : path(piece.marks(), line, as(Path.class, old, Path::new));
            case Mark.Line line -> {
                if (isLargeFrame(line)) {
                    yield frame(line, as(Group.class, old, Group::new));
                }
                Shape outline = shape(line.points(), old);
                outline.setFill(null);
                stroke(outline, line);
                yield outline;
            }
            case Mark.Fill fill -> {
                Shape filled = shape(fill.points(), old);
                filled.setFill(color(fill.ink(), fill.opacity()));
                filled.setStroke(null);
                filled.setUserData(fill.subject());
                yield filled;
            }
            case Mark.Text text -> text(text, as(Text.class, old, Text::new));
        };
    }

    private static <N extends Node> N as(Class<N> kind, Optional<Node> old, Supplier<N> made) {
        return old.filter(kind::isInstance).map(kind::cast).orElseGet(made);
    }

    /** Runs of like lines, as hatching is, become one node. */
    private static boolean sameStroke(Mark.Line a, Mark.Line b) {
        return !b.closed()
                && a.ink() == b.ink()
                && a.widthMm() == b.widthMm()
                && a.dashed() == b.dashed()
                && a.subject().equals(b.subject());
    }

    private Path path(List<Mark> lines, Mark.Line first, Path path) {
        List<PathElement> elements = new ArrayList<>();
        for (Mark mark : lines) {
            if (mark instanceof Mark.Line line) {
                for (int k = 0; k < line.points().size(); k++) {
                    double x = line.points().get(k).x() * scale;
                    double y = line.points().get(k).y() * scale;
                    elements.add(k == 0 ? new MoveTo(x, y) : new LineTo(x, y));
                }
            }
        }
        path.getElements().setAll(elements);
        stroke(path, first);
        return path;
    }

    /** What is square to the sheet is a rectangle: that is painted far faster than an outline. */
    private Shape shape(List<Mark.Point> points, Optional<Node> old) {
        return isSquare(points) ? rectangle(points, old) : polygon(points, old);
    }

    /** Painting an outline takes as long as painting all that is inside it: a large one that is square is four bars. */
    private boolean isLargeFrame(Mark.Line line) {
        if (line.dashed() || !isSquare(line.points())) {
            return false;
        }
        Mark.Point a = line.points().get(0);
        Mark.Point b = line.points().get(2);
        return Math.abs((a.x() - b.x()) * (a.y() - b.y())) * scale * scale > LARGE_PX2;
    }

    private Group frame(Mark.Line line, Group frame) {
        double pen = pen(line);
        Mark.Point a = line.points().get(0);
        Mark.Point b = line.points().get(2);
        double left = Math.min(a.x(), b.x()) * scale - pen / 2;
        double top = Math.min(a.y(), b.y()) * scale - pen / 2;
        double wide = Math.abs(a.x() - b.x()) * scale;
        double high = Math.abs(a.y() - b.y()) * scale;
        Paint paint = color(line.ink(), 1);
        frame.getChildren()
                .setAll(
                        bar(left, top, wide + pen, pen, paint),
                        bar(left, top + high, wide + pen, pen, paint),
                        bar(left, top, pen, high + pen, paint),
                        bar(left + wide, top, pen, high + pen, paint));
        frame.setUserData(line.subject());
        return frame;
    }

    /** Some straight lines along the sheet's sides, drawn through. */
    private static boolean areFewBars(List<Mark> marks) {
        return marks.size() <= FEW
                && marks.stream().allMatch(m -> m instanceof Mark.Line l && !l.dashed() && isBar(l.points()));
    }

    private static boolean isBar(List<Mark.Point> points) {
        return points.size() == 2
                && (points.getFirst().x() == points.getLast().x()
                        || points.getFirst().y() == points.getLast().y());
    }

    private Group bars(List<Mark> lines, Mark.Line first, Group group) {
        double pen = pen(first);
        Paint paint = color(first.ink(), 1);
        List<Node> bars = new ArrayList<>(lines.size());
        for (Mark mark : lines) {
            if (mark instanceof Mark.Line line) {
                Mark.Point a = line.points().getFirst();
                Mark.Point b = line.points().getLast();
                boolean down = a.x() == b.x();
                double left = Math.min(a.x(), b.x()) * scale - (down ? pen / 2 : 0);
                double top = Math.min(a.y(), b.y()) * scale - (down ? 0 : pen / 2);
                double length = Math.hypot(a.x() - b.x(), a.y() - b.y()) * scale;
                bars.add(bar(left, top, down ? pen : length, down ? length : pen, paint));
            }
        }
        group.getChildren().setAll(bars);
        group.setUserData(first.subject());
        return group;
    }

    private static Rectangle bar(double x, double y, double wide, double high, Paint paint) {
        Rectangle bar = new Rectangle(x, y, wide, high);
        bar.setFill(paint);
        return bar;
    }

    private double pen(Mark.Line line) {
        return Math.max(0.6, line.widthMm() * scale * 0.8);
    }

    private static boolean isSquare(List<Mark.Point> points) {
        if (points.size() != 4) {
            return false;
        }
        boolean alongFirst = points.get(0).y() == points.get(1).y();
        for (int i = 0; i < 4; i++) {
            Mark.Point a = points.get(i);
            Mark.Point b = points.get((i + 1) % 4);
            boolean along = (i % 2 == 0) == alongFirst;
            if (along ? a.y() != b.y() : a.x() != b.x()) {
                return false;
            }
        }
        return true;
    }

    private Rectangle rectangle(List<Mark.Point> corners, Optional<Node> old) {
        Rectangle rectangle = as(Rectangle.class, old, Rectangle::new);
        Mark.Point a = corners.get(0);
        Mark.Point b = corners.get(2);
        rectangle.setX(Math.min(a.x(), b.x()) * scale);
        rectangle.setY(Math.min(a.y(), b.y()) * scale);
        rectangle.setWidth(Math.abs(a.x() - b.x()) * scale);
        rectangle.setHeight(Math.abs(a.y() - b.y()) * scale);
        return rectangle;
    }

    private Polygon polygon(List<Mark.Point> points, Optional<Node> old) {
        Polygon polygon = as(Polygon.class, old, Polygon::new);
        polygon.getPoints()
                .setAll(points.stream()
                        .flatMap(p -> Stream.of(p.x() * scale, p.y() * scale))
                        .toList());
        return polygon;
    }

    private void stroke(Shape shape, Mark.Line line) {
        shape.setStroke(color(line.ink(), 1));
        shape.setStrokeWidth(pen(line));
        shape.setStrokeType(StrokeType.CENTERED);
        shape.setStrokeLineCap(StrokeLineCap.BUTT);
        if (line.dashed()) {
            shape.getStrokeDashArray().setAll(Marks.DASH_MM * scale, Marks.SPACE_MM * scale);
        } else {
            shape.getStrokeDashArray().clear();
        }
        shape.setUserData(line.subject());
    }

    private Text text(Mark.Text text, Text node) {
        double trueSize = text.sizeMm() * scale;
        double size = onPaper ? trueSize : Math.clamp(trueSize, LEAST_LETTER, MOST_LETTER);
        node.setFont(Font.font("B612", text.bold() ? FontWeight.BOLD : FontWeight.NORMAL, size));
        // The style sheet colours all text and would win over a fill that is set; only a style of the node's own stands
        // above it.
        node.setStyle("-fx-fill: " + (dark ? text.ink().dark() : text.ink().light()));
        node.setTextOrigin(VPos.BASELINE);
        node.setText(Typeface.fit(text.text(), text.roomMm() * scale, words -> widthOf(node, words)));
        double width = node.getLayoutBounds().getWidth();
        double shift = switch (text.align()) {
            case LEFT -> 0;
            case CENTRE -> width / 2;
            case RIGHT -> width;
        };
        node.setX(text.at().x() * scale - shift);
        node.setY(text.at().y() * scale);
        node.setUserData(text.subject());
        return node;
    }

    private static double widthOf(Text node, String words) {
        node.setText(words);
        return node.getLayoutBounds().getWidth();
    }

    /** Letters never get smaller than can be read, so on a small drawing some names would lie on others: earlier ones give way. */
    private static void uncover(List<Node> nodes) {
        List<Bounds> taken = new ArrayList<>();
        for (Node node : nodes.reversed()) {
            if (node instanceof Text text && !text.getText().isEmpty()) {
                Bounds b = text.getBoundsInLocal();
                Bounds tight =
                        new BoundingBox(b.getMinX(), b.getMinY() + 2, b.getWidth(), Math.max(1, b.getHeight() - 4));
                boolean covered = taken.stream().anyMatch(t -> t.intersects(tight));
                text.setVisible(!covered);
                if (!covered) {
                    taken.add(tight);
                }
            }
        }
    }

    private Color color(Ink ink, double opacity) {
        return Color.web(dark ? ink.dark() : ink.light(), opacity);
    }

    @Override
    protected double computePrefWidth(double height) {
        return drawing.widthMm() * 2;
    }

    @Override
    protected double computePrefHeight(double width) {
        double wide = width > 0 ? width : getWidth();
        return tall ? drawing.heightMm() * Math.min(mostScale, wide / drawing.widthMm()) : drawing.heightMm() * 2;
    }
}
