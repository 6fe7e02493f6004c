package boldsatchel.desktop.pack;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.Room;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Ruler;
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
        Split split,
        double width,
        double height,
        Optional<Point2D> probe,
        boolean hands,
        Optional<Part> before) {

    Pictures pictures() {
        PackDrawings.Picture a = PackDrawings.of(evaluation, first);
        PackDrawings.Picture b = PackDrawings.of(evaluation, second);
        List<Room> rooms = PackDrawings.rooms(a, firstRoom, b, secondRoom, oneScale);
        return new Pictures(
                a.in(rooms.getFirst()),
                b.in(rooms.getLast()),
                split.fitting(a, b, first.view().isInLineWith(second.view()), width, height),
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
            Split split,
            Optional<CorePane.Core> core,
            Optional<Table> hands,
            Optional<String> ruler,
            List<ChangesSheet.Row> changes) {}
}
