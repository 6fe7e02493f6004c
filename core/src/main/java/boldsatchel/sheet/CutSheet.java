package boldsatchel.sheet;

import boldsatchel.made.Panel;
import boldsatchel.quantity.Units;
import java.util.Comparator;
import java.util.List;

/** What is cut from which sheet. */
final class CutSheet {

    static final String ID = "cut-list";
    static final String TITLE = "Cut list";

    private CutSheet() {}

    static Table of(Sheets.Source source) {
        List<List<String>> rows = source.made().get().panels().stream()
                .sorted(Comparator.comparing(Panel::material)
                        .thenComparingDouble(Panel::thickMm)
                        .thenComparingDouble(p -> -p.areaMm2()))
                .map(CutSheet::row)
                .toList();
        return new Table(
                ID,
                TITLE,
                "By sheet; sizes are those of the flat piece. The drawings to cut by are DXF files of the same name, with bend lines on a layer of their own.",
                List.of("sheet", "thick, mm", "piece", "long, mm", "wide, mm", "holes", "bends", "area, cm²", "mind"),
                List.of(16, 9, 20, 9, 9, 7, 7, 9, 34),
                rows);
    }

    private static List<String> row(Panel panel) {
        double longer = Math.max(panel.wideMm(), panel.highMm());
        double shorter = Math.min(panel.wideMm(), panel.highMm());
        return List.of(
                panel.material(),
                Units.format(panel.thickMm(), 2, ""),
                panel.name(),
                Units.format(longer, 1, ""),
                Units.format(shorter, 1, ""),
                "" + panel.holes().size(),
                "" + panel.bends().size(),
                Units.format(panel.areaMm2() / 100, 0, ""),
                String.join(" ", panel.notes()));
    }
}
