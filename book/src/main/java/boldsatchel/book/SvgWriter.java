package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Mark;
import java.io.StringWriter;
import java.util.Locale;
import java.util.stream.Collectors;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes drawings as SVG 1.1, one user unit a millimetre, so that they print and cut to scale. */
public final class SvgWriter {

    private SvgWriter() {}

    /** The drawing as an SVG document. */
    public static String svg(Drawing drawing) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter out = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            out.writeStartDocument("UTF-8", "1.0");
            out.writeStartElement("svg");
            out.writeDefaultNamespace("http://www.w3.org/2000/svg");
            out.writeAttribute("width", n(drawing.widthMm()) + "mm");
            out.writeAttribute("height", n(drawing.heightMm()) + "mm");
            out.writeAttribute("viewBox", "0 0 " + n(drawing.widthMm()) + " " + n(drawing.heightMm()));
            out.writeStartElement("title");
            out.writeCharacters(Typeface.onOneLine(drawing.title()));
            out.writeEndElement();
            for (Mark mark : drawing.marks()) {
                mark(out, mark);
            }
            out.writeEndElement();
            out.writeEndDocument();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("writing to memory does not fail", e);
        }
        return text.toString();
    }

    private static void mark(XMLStreamWriter out, Mark mark) throws XMLStreamException {
        switch (mark) {
            case Mark.Line line -> {
                out.writeEmptyElement(line.closed() ? "polygon" : "polyline");
                out.writeAttribute("points", points(line.points()));
                out.writeAttribute("fill", "none");
                out.writeAttribute("stroke", line.ink().light());
                out.writeAttribute("stroke-width", n(line.widthMm()));
                if (line.dashed()) {
                    out.writeAttribute("stroke-dasharray", n(Marks.DASH_MM) + " " + n(Marks.SPACE_MM));
                }
                subject(out, line.subject());
            }
            case Mark.Fill fill -> {
                out.writeEmptyElement("polygon");
                out.writeAttribute("points", points(fill.points()));
                out.writeAttribute("fill", fill.ink().light());
                out.writeAttribute("fill-opacity", n(fill.opacity()));
                subject(out, fill.subject());
            }
            case Mark.Text t -> {
                out.writeStartElement("text");
                out.writeAttribute("x", n(t.at().x()));
                out.writeAttribute("y", n(t.at().y()));
                out.writeAttribute("font-family", "B612, sans-serif");
                out.writeAttribute("font-size", n(t.sizeMm()));
                out.writeAttribute("font-weight", t.bold() ? "bold" : "normal");
                out.writeAttribute(
                        "text-anchor",
                        switch (t.align()) {
                            case LEFT -> "start";
                            case CENTRE -> "middle";
                            case RIGHT -> "end";
                        });
                out.writeAttribute("fill", t.ink().light());
                subject(out, t.subject());
                out.writeCharacters((t.bold() ? Typeface.BOLD : Typeface.REGULAR)
                        .fit(Typeface.onOneLine(t.text()), t.sizeMm(), t.roomMm()));
                out.writeEndElement();
            }
        }
    }

    private static void subject(XMLStreamWriter out, String subject) throws XMLStreamException {
        if (!subject.isEmpty()) {
            out.writeAttribute("data-subject", Typeface.onOneLine(subject));
        }
    }

    private static String points(java.util.List<Mark.Point> points) {
        return points.stream().map(p -> n(p.x()) + "," + n(p.y())).collect(Collectors.joining(" "));
    }

    private static String n(double value) {
        return String.format(Locale.ROOT, "%.3f", value).replaceAll("0+$", "").replaceAll("\\.$", "");
    }
}
