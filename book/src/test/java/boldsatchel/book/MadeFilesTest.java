package boldsatchel.book;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import boldsatchel.drawing.Mark;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.format.DrawnFile;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Outlines;
import boldsatchel.made.Made;
import boldsatchel.made.Panel;
import boldsatchel.made.Printed;
import boldsatchel.shelf.Library;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.testng.annotations.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

/** Files for the workshop, read back as other programs read them. */
public final class MadeFilesTest {

    private static final double MM = 25.4 / 72;

    private static Made made(String demo) {
        return Made.of(Library.demo(demo).orElseThrow());
    }

    @Test
    public void meshesAreReadBackAsTheyWere() throws Exception {
        Made made = made("cave-survey");
        Map<String, byte[]> files = MadeFiles.of("x", made);
        assertThat(files.keySet())
                .contains("print-gauge-piece.stl", "print-slab.stl", "print-slab-cover.stl", "pieces.3mf");
        Printed slab = made.printed().get(1);
        ByteBuffer stl = ByteBuffer.wrap(of(files, "print-slab.stl")).order(ByteOrder.LITTLE_ENDIAN);
        int count = stl.getInt(80);
        assertThat(count).isEqualTo(slab.mesh().triangles().size());
        double six = 0;
        for (int i = 0; i < count; i++) {
            double[] c = new double[12];
            for (int k = 0; k < 12; k++) {
                c[k] = stl.getFloat(84 + 50 * i + 4 * k);
            }
            double x = (c[7] * c[11] - c[8] * c[10]) * c[3];
            six += x + (c[8] * c[9] - c[6] * c[11]) * c[4] + (c[6] * c[10] - c[7] * c[9]) * c[5];
        }
        assertThat(six / 6).isEqualTo(slab.mesh().volumeMm3(), within(1.0));

        Map<String, byte[]> parts = unzipped(of(files, "pieces.3mf"));
        assertThat(parts.keySet()).containsExactly("[Content_Types].xml", "_rels/.rels", "3D/3dmodel.model");
        Document model = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new ByteArrayInputStream(of(parts, "3D/3dmodel.model")));
        NodeList objects = model.getElementsByTagName("object");
        assertThat(objects.getLength()).isEqualTo(made.printed().size());
        for (int i = 0; i < objects.getLength(); i++) {
            Element object = (Element) objects.item(i);
            assertThat(object.getElementsByTagName("vertex").getLength())
                    .isEqualTo(made.printed().get(i).mesh().corners().size());
            assertThat(object.getElementsByTagName("triangle").getLength())
                    .isEqualTo(made.printed().get(i).mesh().triangles().size());
        }
    }

    private static <K, V> V of(Map<K, V> map, K key) {
        return Objects.requireNonNull(map.get(key));
    }

    private static Map<String, byte[]> unzipped(byte[] zip) throws IOException {
        Map<String, byte[]> files = new java.util.LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), in.readAllBytes());
            }
        }
        return files;
    }

    @Test
    public void aPanelIsReadBackEqual() throws Exception {
        Panel lid = made("orchard-ledger").panels().getFirst();
        assertThat(lid.bends()).hasSize(4);
        Panel holed = new Panel(
                lid.name(),
                lid.material(),
                lid.thickMm(),
                lid.outline(),
                List.of(
                        new Panel.Hole("a", new Flat(100.125, 90), 3.4, 3.4, true),
                        new Panel.Hole("b", new Flat(140, 80), 20.5, 8, false)),
                lid.bends(),
                List.of());
        String dxf = DxfWriter.dxf(holed);
        List<Map<Integer, List<String>>> things = things(dxf);
        List<Flat> outline = new ArrayList<>();
        List<Flat> corners = new ArrayList<>();
        int polylines = 0;
        int bends = 0;
        for (Map<Integer, List<String>> thing : things) {
            switch (of(thing, 0).getFirst()) {
                case "POLYLINE" -> polylines++;
                case "VERTEX" -> (polylines == 1 ? outline : corners).add(at(thing, 10));
                case "CIRCLE" -> {
                    assertThat(at(thing, 10)).isEqualTo(holed.holes().get(0).middle());
                    assertThat(Double.parseDouble(of(thing, 40).getFirst())).isEqualTo(1.7);
                }
                case "LINE" -> {
                    assertThat(of(thing, 8)).containsExactly("BEND");
                    Panel.Bend bend = holed.bends().get(bends++);
                    assertThat(at(thing, 10).across()).isEqualTo(bend.from().across(), within(1e-6));
                    assertThat(at(thing, 11).up()).isEqualTo(bend.to().up(), within(1e-6));
                }
                default -> {
                    // Words and ends of polylines.
                }
            }
        }
        assertThat(bends).isEqualTo(4);
        assertThat(outline).hasSameSizeAs(holed.outline());
        for (int i = 0; i < outline.size(); i++) {
            assertThat(outline.get(i).across()).isEqualTo(holed.outline().get(i).across(), within(1e-6));
            assertThat(outline.get(i).up()).isEqualTo(holed.outline().get(i).up(), within(1e-6));
        }
        assertThat(corners).isEqualTo(holed.holes().get(1).corners());
        // The program's own reader of drawings finds the same outline.
        var read = DrawnFile.read("lid.dxf", dxf.getBytes(StandardCharsets.US_ASCII));
        assertThat(Outlines.area(read.outline())).isEqualTo(Outlines.area(holed.outline()), within(0.01));
        assertThat(read.bores()).anyMatch(b -> Math.abs(b.diameterMm() - 3.4) < 1e-6);
    }

    private static Flat at(Map<Integer, List<String>> thing, int code) {
        return new Flat(
                Double.parseDouble(of(thing, code).getFirst()),
                Double.parseDouble(of(thing, code + 10).getFirst()));
    }

    private static List<Map<Integer, List<String>>> things(String dxf) {
        List<String> lines = dxf.lines().toList();
        List<Map<Integer, List<String>>> things = new ArrayList<>();
        for (int i = 0; i < lines.size(); i += 2) {
            int code = Integer.parseInt(lines.get(i));
            if (code == 0) {
                things.add(new HashMap<>());
            }
            things.getLast().computeIfAbsent(code, k -> new ArrayList<>()).add(lines.get(i + 1));
        }
        return things;
    }

    @Test
    public void aTemplateIsPrintedTrueToSize() throws Exception {
        byte[] pdf = of(MadeFiles.of("x", made("harbour-watch")), MadeFiles.TEMPLATES);
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isGreaterThan(1);
            boolean hole = false;
            for (PDPage page : document.getPages()) {
                assertThat(page.getMediaBox().getWidth() * MM).isEqualTo(210, within(0.01));
                List<double[]> extents = extents(page);
                assertThat(lines(page)).as("a side of the square to check by").anyMatch(l -> Math.abs(l - 50) < 0.05);
                hole |= extents.stream()
                        .anyMatch(e -> Math.abs(e[2] - e[0] - 11) < 0.2 && Math.abs(e[3] - e[1] - 11) < 0.2);
            }
            assertThat(hole).as("the 11 mm hole of the antenna socket").isTrue();
        }
    }

    /** Lengths of straight lines of a page, mm. */
    private static List<Double> lines(PDPage page) throws IOException {
        List<Double> lengths = new ArrayList<>();
        for (List<Point> path : paths(page)) {
            for (int i = 0; i + 1 < path.size(); i++) {
                lengths.add(Math.hypot(
                        path.get(i + 1).x() - path.get(i).x(),
                        path.get(i + 1).y() - path.get(i).y()));
            }
        }
        return lengths;
    }

    /** The extents of runs of lines that follow one another, mm. */
    private static List<double[]> extents(PDPage page) throws IOException {
        List<double[]> extents = new ArrayList<>();
        double[] run = {};
        Point end = new Point(0, 0);
        for (List<Point> path : paths(page)) {
            boolean goesOn = run != null
                    && Math.hypot(path.getFirst().x() - end.x(), path.getFirst().y() - end.y()) < 1e-3;
            if (!goesOn) {
                run = new double[] {1e9, 1e9, -1e9, -1e9};
                extents.add(run);
            }
            for (Point p : path) {
                run[0] = Math.min(run[0], p.x());
                run[1] = Math.min(run[1], p.y());
                run[2] = Math.max(run[2], p.x());
                run[3] = Math.max(run[3], p.y());
            }
            end = path.getLast();
        }
        return extents;
    }

    private static List<List<Point>> paths(PDPage page) throws IOException {
        List<List<Point>> paths = new ArrayList<>();
        List<Double> numbers = new ArrayList<>();
        for (Object token : new PDFStreamParser(page).parse()) {
            if (token instanceof COSNumber number) {
                numbers.add(number.floatValue() * MM);
            } else if (token instanceof Operator operator) {
                if (operator.getName().equals("m")) {
                    paths.add(new ArrayList<>());
                }
                if (operator.getName().equals("m") || operator.getName().equals("l")) {
                    paths.getLast().add(new Point(numbers.get(0), numbers.get(1)));
                }
                numbers.clear();
            } else {
                numbers.clear();
            }
        }
        return paths;
    }

    @Test
    public void aLargeDrawingIsOnPagesThatFitTogether() {
        List<Mark> marks = List.of(
                new Mark.Line(List.of(new Point(0, 0), new Point(400, 300)), false, 0.2, false, Ink.INK, "x"),
                new Mark.Fill(
                        List.of(new Point(10, 10), new Point(390, 10), new Point(390, 290), new Point(10, 290)),
                        Ink.WALL,
                        1,
                        ""));
        List<Drawing> pages = Tiles.of(new Drawing("Large", 400, 300, 0, 0, marks));
        assertThat(pages).hasSize(3 * 2);
        double length = 0;
        double area = 0;
        for (Drawing page : pages) {
            for (Mark mark : page.marks()) {
                if (mark instanceof Mark.Line line && line.ink() == Ink.INK) {
                    length += Math.hypot(
                            line.points().get(1).x() - line.points().get(0).x(),
                            line.points().get(1).y() - line.points().get(0).y());
                    for (Point p : line.points()) {
                        assertThat(p.x()).isBetween(14.9, 195.1);
                    }
                }
                if (mark instanceof Mark.Fill fill) {
                    area += Outlines.area(fill.points().stream()
                            .map(p -> new Flat(p.x(), p.y()))
                            .toList());
                }
            }
        }
        // Shared strips are there twice.
        assertThat(length).isGreaterThan(500).isLessThan(500 * 1.15);
        assertThat(area).isGreaterThan(380 * 280).isLessThan(380 * 280 * 1.2);
    }
}
