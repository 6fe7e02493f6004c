package boldsatchel.desktop.pack;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.ViewPane;
import java.util.List;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;

/**
 * Two views in one frame: one below the other or side by side, whichever leaves their pictures larger; the room goes to each as its picture needs
 * it.
 */
final class LinkedViews extends Region {

    private final ViewPane first;
    private final ViewPane second;
    private Split split = Split.USUAL;

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

    /** How the frame is divided. */
    Split split() {
        return split;
    }

    /** Divides the frame otherwise. */
    void divide(Split other) {
        if (!other.equals(split)) {
            split = other;
            requestLayout();
        }
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        double h = getHeight();
        boolean beside = split.beside();
        double across = beside ? Math.rint(w * split.share()) : w;
        double down = beside ? h : Math.rint(h * split.share());
        first.resizeRelocate(0, 0, across, down);
        second.resizeRelocate(beside ? across : 0, beside ? 0 : down, beside ? w - across : w, beside ? h : h - down);
    }
}
