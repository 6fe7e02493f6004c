package boldsatchel.sheet;

import boldsatchel.made.Panel;
import boldsatchel.made.Template;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;

/** What is drilled and cut in boxes that were found. */
final class DrillSheet {

    static final String ID = "drill-list";
    static final String TITLE = "Holes in found boxes";

    private DrillSheet() {}

    static Table of(Sheets.Source source) {
        List<List<String>> rows = new ArrayList<>();
        for (Template template : source.made().get().templates()) {
            for (Panel.Hole hole : template.holes()) {
                rows.add(List.of(
                        template.name(),
                        hole.name(),
                        hole.round() ? "drilled" : "cut",
                        hole.round()
                                ? Units.format(hole.wideMm(), 1, "")
                                : Units.format(hole.wideMm(), 1, "") + " × " + Units.format(hole.highMm(), 1, ""),
                        Units.format(hole.middle().across(), 1, ""),
                        Units.format(hole.middle().up(), 1, "")));
            }
        }
        return new Table(
                ID,
                TITLE,
                "Seen from outside; middles from the left and the lower edge of the wall. The paper templates are in templates.pdf. Drill before"
                        + " electronics are near.",
                List.of("wall", "for", "how", "size, mm", "from the left, mm", "from below, mm"),
                List.of(24, 38, 10, 16, 16, 16),
                rows);
    }
}
