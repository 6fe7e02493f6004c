package boldsatchel.desktop.pack;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.Room;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Ruler;
import boldsatchel.geometry.Flat;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Units;
import boldsatchel.sheet.ChangesSheet;
import boldsatchel.sheet.Sheets;
import boldsatchel.sheet.Table;
import boldsatchel.verdict.Evaluation;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Point2D;

/** What is to be drawn, taken from the window before it is worked out beside it. */
record Asked(
        Evaluation evaluation,
        PackDrawings.Look first,
        Room firstRoom,
        PackDrawings.Look second,
        Room secondRoom,
        boolean oneScale,
        Optional<Point2D> probe,
        boolean hands,
        Optional<Part> before) {

    Pictures pictures() {
        PackDrawings.Picture a = PackDrawings.of(evaluation, first);
        PackDrawings.Picture b = PackDrawings.of(evaluation, second);
        List<Drawing> drawn = oneScale
                ? PackDrawings.atOneScale(a, firstRoom, b, secondRoom)
                : List.of(a.in(firstRoom), b.in(secondRoom));
        return new Pictures(
                drawn.getFirst(),
                drawn.getLast(),
                a.extent(),
                b.extent(),
                probe.map(at -> CorePane.Core.of(evaluation, first.shell(), first.posture(), at)),
                table(),
                ruler(),
                changes());
    }

    /** How far the selected part is from the one that was selected before it. */
    private Optional<String> ruler() {
        Casing casing = evaluation.build().casing();
        FitResult fit = evaluation.of(FitResult.class);
        return before.flatMap(b -> Ruler.between(casing, fit, first.posture(), first.selected(), b.id())
                .map(r -> "To " + b.name() + ": " + Units.format(r.straight(), 1, "mm") + " (x "
                        + Units.format(r.x(), 1, "") + ", y " + Units.format(r.y(), 1, "") + ", z "
                        + Units.format(r.z(), 1, "") + "; minus: side by side). "));
    }

    private List<ChangesSheet.Row> changes() {
        return first.against()
                .map(before -> ChangesSheet.of(before, evaluation.build()))
                .orElse(List.of());
    }

    private Optional<Table> table() {
        return hands ? Optional.of(Sheets.hands(evaluation, first.posture().name())) : Optional.empty();
    }

    /** What is shown. */
    record Pictures(
            Drawing first,
            Drawing second,
            Flat ofFirst,
            Flat ofSecond,
            Optional<CorePane.Core> core,
            Optional<Table> hands,
            Optional<String> ruler,
            List<ChangesSheet.Row> changes) {}
}
