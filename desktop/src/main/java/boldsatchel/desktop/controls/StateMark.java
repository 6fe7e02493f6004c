package boldsatchel.desktop.controls;

import boldsatchel.verdict.State;
import javafx.scene.Node;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Shape;

/** A state as a shape: a disc for fine, a diamond for watch, a square with a bar for stop. */
public final class StateMark {

    private StateMark() {}

    /** The mark, with its word for those who cannot see it. */
    public static Node of(State state, double size) {
        double r = size / 2;
        Shape shape = switch (state) {
            case FINE -> new Circle(r * 0.92);
            case WATCH -> new Polygon(0, -r, r, 0, 0, r, -r, 0);
            case STOP ->
                Shape.subtract(
                        new Polygon(-r * .9, -r * .9, r * .9, -r * .9, r * .9, r * .9, -r * .9, r * .9),
                        new Polygon(-r * .5, -r * .18, r * .5, -r * .18, r * .5, r * .18, -r * .5, r * .18));
        };
        shape.getStyleClass().addAll("state-mark", state.words());
        StackPane box = new StackPane(shape);
        box.setMinSize(size, size);
        box.setMaxSize(size, size);
        box.setAccessibleText(state.words());
        return box;
    }
}
