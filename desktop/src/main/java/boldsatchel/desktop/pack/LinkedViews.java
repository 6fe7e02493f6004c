package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.ViewPane;
import boldsatchel.geometry.Flat;
import java.util.List;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/**
 * Two views in one frame: one below the other or side by side, whichever leaves their pictures larger; the room goes to each as its picture needs
 * it.
 */
final class LinkedViews extends Region {

    private static final double LEAST_SHARE = 0.3;

    private final ViewPane first;
    private final ViewPane second;
    private double share = 0.55;
    private boolean beside;

    LinkedViews(ViewPane first, ViewPane second) {
        this.first = first;
        this.second = second;
        getChildren().addAll(first, second);
        setMinSize(240, 240);
        for (ViewPane pane : List.of(first, second)) {
            DrawingView view = pane.drawing();
            view.addEventHandler(
                    MouseEvent.MOUSE_MOVED,
                    e -> point(view.subjectAt(e.getX(), e.getY()).orElse("")));
            view.addEventHandler(MouseEvent.MOUSE_EXITED, e -> point(""));
        }
    }

    /** What the mouse is over in one view is outlined in both. */
    private void point(String subject) {
        first.drawing().point(subject);
        second.drawing().point(subject);
    }

    /**
     * Lays both out for two pictures.
     *
     * @param a extent of what the first shows, mm
     * @param b extent of what the second shows, mm
     */
    void arrange(Flat a, Flat b) {
        double below =
                Math.min(getWidth() / Math.max(a.across(), b.across()), getHeight() / Math.max(1, a.up() + b.up()));
        double aside =
                Math.min(getHeight() / Math.max(a.up(), b.up()), getWidth() / Math.max(1, a.across() + b.across()));
        boolean side = aside > below * 1.15;
        double now = Math.clamp(
                side ? a.across() / (a.across() + b.across()) : a.up() / (a.up() + b.up()),
                LEAST_SHARE,
                1 - LEAST_SHARE);
        if (side != beside || Math.abs(now - share) > 0.02) {
            beside = side;
            share = now;
            requestLayout();
        }
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        double h = getHeight();
        double across = beside ? Math.rint(w * share) : w;
        double down = beside ? h : Math.rint(h * share);
        first.resizeRelocate(0, 0, across, down);
        second.resizeRelocate(beside ? across : 0, beside ? 0 : down, beside ? w - across : w, beside ? h : h - down);
    }
}
