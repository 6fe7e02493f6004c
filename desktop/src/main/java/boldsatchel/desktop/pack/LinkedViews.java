package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.DrawingView;
import javafx.scene.layout.Region;

/** Two drawings of one frame, one below the other at one scale and in line, as on a drawing sheet. */
final class LinkedViews extends Region {

    private static final double MOST_PIXELS_PER_MM = 6;

    private final DrawingView upper;
    private final DrawingView lower;

    LinkedViews(DrawingView upper, DrawingView lower) {
        this.upper = upper;
        this.lower = lower;
        getChildren().addAll(upper, lower);
        setMinSize(200, 200);
    }

    @Override
    protected void layoutChildren() {
        double left = Math.max(upper.drawing().originX(), lower.drawing().originX());
        double right = Math.max(right(upper), right(lower));
        double height = upper.drawing().heightMm() + lower.drawing().heightMm();
        double scale = Math.min(MOST_PIXELS_PER_MM, Math.min(getWidth() / (left + right), getHeight() / height));
        double x = (getWidth() - (left + right) * scale) / 2;
        double y = (getHeight() - height * scale) / 2;
        put(upper, x + (left - upper.drawing().originX()) * scale, y, scale);
        put(
                lower,
                x + (left - lower.drawing().originX()) * scale,
                y + upper.drawing().heightMm() * scale,
                scale);
    }

    private static double right(DrawingView view) {
        return view.drawing().widthMm() - view.drawing().originX();
    }

    private static void put(DrawingView view, double x, double y, double scale) {
        view.atMost(scale);
        view.resizeRelocate(
                x, y, view.drawing().widthMm() * scale, view.drawing().heightMm() * scale);
        view.requestLayout();
    }
}
