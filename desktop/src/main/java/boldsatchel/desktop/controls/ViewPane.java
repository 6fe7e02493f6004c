package boldsatchel.desktop.controls;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import java.util.Locale;
import java.util.OptionalDouble;
import javafx.geometry.Point2D;
import javafx.scene.control.ComboBox;
import javafx.scene.input.ScrollEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;

/**
 * One view of the case with the choice of what it shows. The wheel moves the cut of a section, with Ctrl it comes nearer or goes away; drawn by its
 * ground the picture moves in its frame.
 */
public final class ViewPane extends Region {

    private static final double MOST_ZOOM = 8;
    private static final double CUT_STEP = 0.03;
    private static final double ZOOM_STEP = 1.2;

    private final ComboBox<PackView> choice;
    private final DrawingView drawing = new DrawingView().atMost(40);
    private final Runnable changed;
    private OptionalDouble depth = OptionalDouble.empty();
    private double zoom = 1;
    private Point2D shift = Point2D.ZERO;

    /**
     * A pane.
     *
     * @param choice of the ways to look; is filled
     * @param first way to look
     * @param changed when it has to be drawn anew
     */
    public ViewPane(ComboBox<PackView> choice, PackView first, Runnable changed) {
        this.choice = choice;
        this.changed = changed;
        choice.getItems().setAll(PackView.values());
        choice.setValue(first);
        name();
        choice.setOnAction(e -> {
            depth = OptionalDouble.empty();
            fit();
            name();
            changed.run();
        });
        drawing.setFocusTraversable(true);
        getChildren().addAll(drawing, choice);
        Rectangle frame = new Rectangle();
        frame.widthProperty().bind(widthProperty());
        frame.heightProperty().bind(heightProperty());
        setClip(frame);
        setMinSize(120, 90);
        addEventHandler(ScrollEvent.SCROLL, this::scroll);
        widthProperty().addListener((o, was, is) -> changed.run());
        heightProperty().addListener((o, was, is) -> changed.run());
    }

    /** The picture is told by what it shows. */
    private void name() {
        drawing.setId(view().name().toLowerCase(Locale.ROOT));
    }

    /** The way to look that is chosen. */
    public PackView view() {
        return choice.getValue();
    }

    /** Where a section is cut, if it was said. */
    public OptionalDouble depth() {
        return depth;
    }

    /** The picture. */
    public DrawingView drawing() {
        return drawing;
    }

    /** The room its picture has, as near as it is looked at. */
    public Room room() {
        return Room.window(getWidth() * zoom, getHeight() * zoom);
    }

    /** Shows a picture made for its room. */
    public void show(Drawing shown, boolean dark) {
        drawing.show(shown, dark);
        requestLayout();
    }

    /** Whether all of the picture is shown. */
    public boolean isFitted() {
        return zoom == 1;
    }

    /** As large as the pane. */
    public void fit() {
        zoom = 1;
        shift = Point2D.ZERO;
        requestLayout();
    }

    /** Comes so near that a box of the drawn frame fills much of the pane. */
    public void near(double x, double y, double width, double height) {
        double wanted = 0.6 * Math.min(getWidth() / Math.max(1, width), getHeight() / Math.max(1, height));
        double now = drawing.scale();
        zoom = Math.clamp(zoom * wanted / Math.max(1e-6, now), 1, MOST_ZOOM);
        Point2D at = drawing.fromFrame(x + width / 2, y + height / 2);
        double share = at.getX() / Math.max(1, drawing.getWidth());
        double down = at.getY() / Math.max(1, drawing.getHeight());
        shift = new Point2D((0.5 - share) * getWidth() * zoom, (0.5 - down) * getHeight() * zoom);
        changed.run();
        requestLayout();
    }

    /** Moves the picture in its frame. */
    public void pan(Point2D by) {
        shift = shift.add(by);
        requestLayout();
    }

    private void scroll(ScrollEvent e) {
        if (e.getDeltaY() == 0) {
            return;
        }
        double way = Math.signum(e.getDeltaY());
        if (e.isControlDown()) {
            zoom(e.getX(), e.getY(), way > 0 ? ZOOM_STEP : 1 / ZOOM_STEP);
        } else if (view().cut().isPresent()) {
            deeper(way < 0 ? CUT_STEP : -CUT_STEP);
        }
        e.consume();
    }

    /** Moves the cut, as a share of the way through; before the first wall it is where it usually is. */
    public void deeper(double by) {
        double now = depth.orElse(0) + by;
        depth = now <= 0 ? OptionalDouble.empty() : OptionalDouble.of(Math.min(0.99, now));
        changed.run();
    }

    private void zoom(double x, double y, double times) {
        double next = Math.clamp(zoom * times, 1, MOST_ZOOM);
        Point2D middle = new Point2D(getWidth() / 2, getHeight() / 2);
        Point2D from = new Point2D(x, y).subtract(middle).subtract(shift);
        shift = next == 1 ? Point2D.ZERO : shift.subtract(from.multiply(next / zoom - 1));
        zoom = next;
        changed.run();
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth() * zoom;
        double h = getHeight() * zoom;
        double mostX = (w - getWidth()) / 2;
        double mostY = (h - getHeight()) / 2;
        shift = new Point2D(Math.clamp(shift.getX(), -mostX, mostX), Math.clamp(shift.getY(), -mostY, mostY));
        drawing.resizeRelocate(shift.getX() - mostX, shift.getY() - mostY, w, h);
        choice.autosize();
        choice.relocate(0, 0);
    }
}
