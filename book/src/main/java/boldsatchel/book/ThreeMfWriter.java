package boldsatchel.book;

import boldsatchel.geometry.Mesh;
import boldsatchel.geometry.Vec;
import boldsatchel.made.Printed;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;

/** Writes all pieces to print as one 3MF (3D Manufacturing Format, core specification 1.2), side by side. */
final class ThreeMfWriter {

    private static final String CORE = "http://schemas.microsoft.com/3dmanufacturing/core/2015/02";
    private static final double APART_MM = 10;

    private ThreeMfWriter() {}

    static byte[] threeMf(List<Printed> pieces) {
        Map<String, String> files = new LinkedHashMap<>();
        files.put("[Content_Types].xml", """
                <?xml version="1.0" encoding="UTF-8"?>
                <Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">
                <Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>
                <Default Extension="model" ContentType="application/vnd.ms-package.3dmanufacturing-3dmodel+xml"/>
                </Types>
                """);
        files.put("_rels/.rels", """
                <?xml version="1.0" encoding="UTF-8"?>
                <Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">
                <Relationship Target="/3D/3dmodel.model" Id="rel0" \
                Type="http://schemas.microsoft.com/3dmanufacturing/2013/01/3dmodel"/>
                </Relationships>
                """);
        files.put("3D/3dmodel.model", model(pieces));
        Map<String, byte[]> bytes = new LinkedHashMap<>();
        files.forEach((name, text) -> bytes.put(name, text.getBytes(StandardCharsets.UTF_8)));
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            Zips.write(out, bytes);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String model(List<Printed> pieces) {
        StringWriter text = new StringWriter();
        try {
            XMLStreamWriter out = XMLOutputFactory.newFactory().createXMLStreamWriter(text);
            out.writeStartDocument("UTF-8", "1.0");
            out.writeStartElement("model");
            out.writeDefaultNamespace(CORE);
            out.writeAttribute("unit", "millimeter");
            out.writeStartElement("resources");
            for (int i = 0; i < pieces.size(); i++) {
                object(out, i + 1, pieces.get(i));
            }
            out.writeEndElement();
            out.writeStartElement("build");
            double x = 0;
            for (int i = 0; i < pieces.size(); i++) {
                out.writeEmptyElement("item");
                out.writeAttribute("objectid", "" + (i + 1));
                out.writeAttribute("transform", "1 0 0 0 1 0 0 0 1 " + n(x) + " 0 0");
                x += pieces.get(i).mesh().bounds().dx() + APART_MM;
            }
            out.writeEndDocument();
        } catch (XMLStreamException e) {
            throw new IllegalStateException("writing to memory does not fail", e);
        }
        return text.toString();
    }

    private static void object(XMLStreamWriter out, int id, Printed piece) throws XMLStreamException {
        Mesh mesh = piece.mesh();
        out.writeStartElement("object");
        out.writeAttribute("id", "" + id);
        out.writeAttribute("type", "model");
        out.writeAttribute("name", Typeface.onOneLine(piece.name()));
        out.writeStartElement("mesh");
        out.writeStartElement("vertices");
        for (Vec corner : mesh.corners()) {
            out.writeEmptyElement("vertex");
            out.writeAttribute("x", n(corner.x()));
            out.writeAttribute("y", n(corner.y()));
            out.writeAttribute("z", n(corner.z()));
        }
        out.writeEndElement();
        out.writeStartElement("triangles");
        for (Mesh.Triangle t : mesh.triangles()) {
            out.writeEmptyElement("triangle");
            out.writeAttribute("v1", "" + t.a());
            out.writeAttribute("v2", "" + t.b());
            out.writeAttribute("v3", "" + t.c());
        }
        out.writeEndElement();
        out.writeEndElement();
        out.writeEndElement();
    }

    private static String n(double mm) {
        return String.format(Locale.ROOT, "%.5f", mm).replaceAll("0+$", "").replaceAll("\\.$", "");
    }
}
