package boldsatchel.sheet;

import boldsatchel.geometry.Box;
import boldsatchel.made.Printed;
import boldsatchel.quantity.Units;
import java.util.List;

/** What comes off the printer. */
final class PrintSheet {

    static final String ID = "print-list";
    static final String TITLE = "Pieces to print";

    private PrintSheet() {}

    static Table of(Sheets.Source source) {
        return new Table(
                ID,
                TITLE,
                "Each is a file of its own (STL), all are in pieces.3mf. Volumes are those of full walls: what is printed hollow takes less.",
                List.of("piece", "size, mm", "volume, cm³", "surface", "mind"),
                List.of(24, 20, 12, 12, 52),
                source.made().get().printed().stream().map(PrintSheet::row).toList());
    }

    private static List<String> row(Printed piece) {
        Box size = piece.mesh().bounds();
        return List.of(
                piece.name(),
                Units.format(size.dx(), 1, "") + " × " + Units.format(size.dy(), 1, "") + " × "
                        + Units.format(size.dz(), 1, ""),
                Units.format(piece.mesh().volumeMm3() / 1000, 1, ""),
                piece.isSound() ? "closed" : "touches itself or is open: let the slicer mend it, and look at it",
                String.join(" ", piece.notes()));
    }
}
