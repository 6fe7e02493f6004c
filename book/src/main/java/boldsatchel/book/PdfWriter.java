package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import boldsatchel.drawing.Mark;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDDocumentOutline;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;

/** Writes drawings as the pages of a PDF, true to scale, with the letters embedded so that text can be found and copied. */
final class PdfWriter {

    private static final double POINTS_PER_MM = 72 / 25.4;

    private PdfWriter() {}

    static byte[] pdf(String title, List<Drawing> pages) {
        return pdf(title, pages, Map.of());
    }

    /**
     * A document with a table of contents beside its pages.
     *
     * @param contents headings, and the page on which each begins, from 0; in their order
     */
    static byte[] pdf(String title, List<Drawing> pages, Map<String, Integer> contents) {
        try (PDDocument document = new PDDocument();
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            document.getDocumentInformation().setTitle(title);
            Map<Face, PDFont> fonts = new EnumMap<>(Face.class);
            for (Drawing drawing : pages) {
                PDPage page = new PDPage(new PDRectangle(pt(drawing.widthMm()), pt(drawing.heightMm())));
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    for (Mark mark : drawing.marks()) {
                        new Page(document, content, drawing.heightMm(), fonts).put(mark);
                    }
                }
            }
            contents(document, contents);
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void contents(PDDocument document, Map<String, Integer> contents) {
        PDDocumentOutline outline = new PDDocumentOutline();
        contents.forEach((heading, page) -> {
            PDOutlineItem item = new PDOutlineItem();
            item.setTitle(Typeface.onOneLine(heading));
            item.setDestination(document.getPage(page));
            outline.addLast(item);
        });
        if (!contents.isEmpty()) {
            document.getDocumentCatalog().setDocumentOutline(outline);
        }
    }

    private static float pt(double mm) {
        return (float) (mm * POINTS_PER_MM);
    }

    private static PDColor color(Ink ink) {
        int rgb = Integer.decode(ink.light());
        float[] shares = {(rgb >> 16 & 255) / 255f, (rgb >> 8 & 255) / 255f, (rgb & 255) / 255f};
        return new PDColor(shares, PDDeviceRGB.INSTANCE);
    }

    private record Page(PDDocument document, PDPageContentStream content, double heightMm, Map<Face, PDFont> fonts) {

        void put(Mark mark) throws IOException {
            switch (mark) {
                case Mark.Line line -> {
                    content.setStrokingColor(color(line.ink()));
                    content.setLineWidth(pt(line.widthMm()));
                    content.setLineDashPattern(
                            line.dashed() ? new float[] {pt(Marks.DASH_MM), pt(Marks.SPACE_MM)} : new float[0], 0);
                    path(line.points());
                    if (line.closed()) {
                        content.closeAndStroke();
                    } else {
                        content.stroke();
                    }
                }
                case Mark.Fill fill -> {
                    PDExtendedGraphicsState state = new PDExtendedGraphicsState();
                    state.setNonStrokingAlphaConstant((float) fill.opacity());
                    content.setGraphicsStateParameters(state);
                    content.setNonStrokingColor(color(fill.ink()));
                    path(fill.points());
                    content.fill();
                }
                case Mark.Text text -> text(text);
            }
        }

        private void path(List<Mark.Point> points) throws IOException {
            for (int i = 0; i < points.size(); i++) {
                float x = pt(points.get(i).x());
                float y = pt(heightMm - points.get(i).y());
                if (i == 0) {
                    content.moveTo(x, y);
                } else {
                    content.lineTo(x, y);
                }
            }
        }

        private void text(Mark.Text text) throws IOException {
            PDExtendedGraphicsState state = new PDExtendedGraphicsState();
            state.setNonStrokingAlphaConstant(1f);
            content.setGraphicsStateParameters(state);
            Typeface face = text.bold() ? Typeface.BOLD : Typeface.REGULAR;
            String words = face.fit(face.printable(text.text()), text.sizeMm(), text.roomMm());
            double width = face.width(words, text.sizeMm());
            double x = switch (text.align()) {
                case LEFT -> text.at().x();
                case CENTRE -> text.at().x() - width / 2;
                case RIGHT -> text.at().x() - width;
            };
            content.setNonStrokingColor(color(text.ink()));
            for (Lettering.Stretch stretch : Lettering.stretches(words)) {
                x += face.width(" ", text.sizeMm()) * stretch.spacesBefore();
                for (Typeface.Run run : face.runs(stretch.fromTheLeft())) {
                    content.beginText();
                    content.setFont(font(run.face()), pt(text.sizeMm()));
                    content.newLineAtOffset(pt(x), pt(heightMm - text.at().y()));
                    content.showText(run.words());
                    content.endText();
                    x += run.face().width(run.words()) * text.sizeMm();
                }
            }
        }

        /** A face is embedded when a page first needs it, and only the letters it writes. */
        private PDFont font(Face face) throws IOException {
            PDFont font = fonts.get(face);
            if (font == null) {
                try (InputStream in = face.open()) {
                    font = PDType0Font.load(document, in);
                }
                fonts.put(face, font);
            }
            return font;
        }
    }
}
