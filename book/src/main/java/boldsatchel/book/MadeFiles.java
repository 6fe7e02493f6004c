package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.TemplateDrawing;
import boldsatchel.made.Made;
import boldsatchel.made.Panel;
import boldsatchel.made.Printed;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What the workshop needs: pieces to print as STL and 3MF, panels to cut as DXF, templates for found boxes as a PDF at full size. */
final class MadeFiles {

    /** All templates, at full size. */
    static final String TEMPLATES = "templates.pdf";
    /** All pieces to print. */
    static final String PIECES = "pieces.3mf";

    private MadeFiles() {}

    /** Every file by its name. */
    static Map<String, byte[]> of(String build, Made made) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (Printed piece : made.printed()) {
            files.put(Names.free("print-" + piece.name(), ".stl", files.keySet()), StlWriter.stl(piece.mesh()));
        }
        if (!made.printed().isEmpty()) {
            files.put(PIECES, ThreeMfWriter.threeMf(made.printed()));
        }
        for (Panel panel : made.panels()) {
            files.put(
                    Names.free("cut-" + panel.name(), ".dxf", files.keySet()),
                    DxfWriter.dxf(panel).getBytes(StandardCharsets.US_ASCII));
        }
        if (!made.templates().isEmpty()) {
            List<Drawing> pages = new ArrayList<>();
            made.templates().forEach(t -> pages.addAll(Tiles.of(TemplateDrawing.of(t))));
            files.put(TEMPLATES, PdfWriter.pdf("Templates · " + build, pages));
        }
        return files;
    }
}
