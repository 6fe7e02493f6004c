package boldsatchel.book;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.assembly.PlanResult;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import boldsatchel.drawing.Mark;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitResult;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Purchase;
import boldsatchel.machine.Shell;
import boldsatchel.made.Made;
import boldsatchel.quantity.Form;
import boldsatchel.revise.Revisions;
import boldsatchel.sheet.Sheets;
import boldsatchel.sheet.Table;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Verdict;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.w3c.dom.Document;
import org.w3c.dom.Element;

public class BookTest {

    @DataProvider
    Object[][] demos() {
        return Library.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    private static Evaluation demo(String name) {
        return Evaluator.evaluate(Library.demo(name).orElseThrow());
    }

    private static byte[] file(Map<String, byte[]> files, String name) {
        byte[] bytes = files.get(name);
        assertThat(bytes).as(name).isNotNull();
        return bytes == null ? new byte[0] : bytes;
    }

    private static String words(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    @Test(dataProvider = "demos")
    public void theSheetSaysEveryVerdictFindingPartAndCaution(String name) throws IOException {
        Evaluation e = demo(name);
        String text = words(file(Book.files(e), Book.PAGES));
        assertThat(text).contains(e.build().name());
        for (Verdict v : e.verdicts()) {
            assertThat(text).contains(v.kind().title()).contains(v.kind().format(v.value()));
        }
        e.findings().forEach(f -> assertThat(text).contains(f.message()));
        e.build().parts().list().forEach(p -> assertThat(text).contains(p.name()));
        assertThat(text).contains("Lithium cells").contains("collection point").contains("data sheet stands above");
        assertThat(text).contains("Plan of").contains("scale 1 :").contains("Power chain");
    }

    @Test
    public void pagesAreA4AndLettersAreEmbedded() throws IOException {
        try (PDDocument document = Loader.loadPDF(file(Book.files(demo("cave-survey")), Book.PAGES))) {
            assertThat(document.getNumberOfPages()).isBetween(10, 40);
            assertThat(document.getPage(0).getMediaBox().getWidth()).isBetween(595f, 596f);
            for (var font : document.getPage(0).getResources().getFontNames()) {
                assertThat(document.getPage(0).getResources().getFont(font).isEmbedded())
                        .isTrue();
            }
        }
    }

    @Test(dataProvider = "demos")
    public void everyDrawingIsAnSvgOfItsSizeWithItsSubjects(String name) throws Exception {
        Evaluation e = demo(name);
        for (Drawing drawing : Book.drawings(e)) {
            Document svg = DocumentBuilderFactory.newInstance()
                    .newDocumentBuilder()
                    .parse(new ByteArrayInputStream(SvgWriter.svg(drawing).getBytes(StandardCharsets.UTF_8)));
            Element root = svg.getDocumentElement();
            assertThat(root.getAttribute("width")).endsWith("mm");
            int elements = svg.getElementsByTagName("polygon").getLength()
                    + svg.getElementsByTagName("polyline").getLength()
                    + svg.getElementsByTagName("text").getLength();
            assertThat(elements).isEqualTo(drawing.marks().size());
        }
        String plan = SvgWriter.svg(Book.drawings(e).getFirst());
        e.of(FitResult.class).placed().stream()
                .filter(p -> p.shell().equals(e.build().casing().shells().getFirst()))
                .forEach(p -> assertThat(plan).contains("data-subject=\"" + p.id() + "\""));
    }

    @Test
    public void thePlansBoardIsAsWideInTheSvgAsInTheBuild() throws Exception {
        Evaluation e = demo("cave-survey");
        String plan = SvgWriter.svg(Book.drawings(e).getFirst());
        Document svg = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new ByteArrayInputStream(plan.getBytes(StandardCharsets.UTF_8)));
        var polygons = svg.getElementsByTagName("polygon");
        double widest = 0;
        for (int i = 0; i < polygons.getLength(); i++) {
            Element polygon = (Element) polygons.item(i);
            if (polygon.getAttribute("data-subject").equals("battery")) {
                double low = Double.MAX_VALUE;
                double high = -Double.MAX_VALUE;
                for (String point : polygon.getAttribute("points").split(" ")) {
                    double x = Double.parseDouble(point.split(",")[0]);
                    low = Math.min(low, x);
                    high = Math.max(high, x);
                }
                widest = Math.max(widest, high - low);
            }
        }
        assertThat(widest).isEqualTo(76, org.assertj.core.api.Assertions.within(1e-6));
    }

    @Test(dataProvider = "demos")
    public void thePartsListHasARowForEveryPartAndAddsUp(String name) throws IOException {
        Build build = Library.demo(name).orElseThrow();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(Book.partsList(build)), format)) {
            List<CSVRecord> rows = parser.getRecords();
            assertThat(rows).hasSameSizeAs(build.parts().list());
            double mass = rows.stream()
                    .mapToDouble(r -> Double.parseDouble(r.get("mass_g")))
                    .sum();
            assertThat(mass)
                    .isEqualTo(
                            build.parts().list().stream()
                                    .mapToDouble(p -> p.massG().value())
                                    .sum(),
                            org.assertj.core.api.Assertions.within(1e-6));
            assertThat(rows)
                    .allSatisfy(r -> assertThat(
                                    build.part(r.get("id")).orElseThrow().name())
                            .isEqualTo(r.get("name")));
            assertThat(rows).allSatisfy(r -> {
                List<Purchase.Quote> asked =
                        build.part(r.get("id")).orElseThrow().purchase().quotes();
                String offers = r.get("offers");
                assertThat(offers.isEmpty() ? 0 : offers.split("; ").length).isEqualTo(asked.size());
                assertThat(asked).allSatisfy(q -> assertThat(offers).contains(q.from() + ": "));
            });
        }
    }

    /** The page for a browser is well-formed, has all that the pages have, and fetches and runs nothing. */
    @Test(dataProvider = "demos")
    public void thePageStandsAlone(String name) throws Exception {
        Evaluation e = demo(name);
        String html = new String(file(Book.files(e), Book.PAGE), StandardCharsets.UTF_8);
        String page = html.substring(html.indexOf("<body>"), html.indexOf("</html>"));
        Document parsed = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new ByteArrayInputStream(page.getBytes(StandardCharsets.UTF_8)));
        String text = parsed.getDocumentElement().getTextContent();
        e.findings().forEach(f -> assertThat(text).contains(f.message()));
        e.build().parts().list().forEach(p -> assertThat(text).contains(p.name()));
        e.of(PlanResult.class)
                .plan()
                .get()
                .steps()
                .forEach(s -> assertThat(text).contains(s.words()));
        for (Drawing drawing : Book.drawings(e)) {
            assertThat(text).contains(drawing.title());
        }
        assertThat(html).doesNotContain("<script").doesNotContain("src=\"http").doesNotContain("url(http");
        assertThat(html.replaceAll("xmlns=\"http://www.w3.org/2000/svg\"", "")).doesNotContain("http:");
    }

    @Test
    public void wordsCannotBreakThePage() throws Exception {
        Build build = Edits.rename("</title><script>x</script> & \"q\"")
                .change()
                .apply(demo("cave-survey").build());
        String html = new String(file(Book.files(Evaluator.evaluate(build)), Book.PAGE), StandardCharsets.UTF_8);
        assertThat(html).doesNotContain("<script>").contains("&lt;script&gt;");
    }

    /** What the book says of its own worth: a draft is none that was tested, and says why. */
    @Test
    public void aDraftSaysThatItIsOne() throws IOException {
        Evaluation e = demo("harbour-watch");
        assertThat(words(file(Book.files(e), Book.PAGES)))
                .contains("A draft: it is no named revision")
                .contains("Not tested")
                .contains("is not proven");
        Build named = e.build()
                .with(e.build()
                        .journal()
                        .and(Revisions.named(e.build(), "A", LocalDate.of(2026, 11, 29), "the first")));
        Build moved = Edits.notes("later").change().apply(named);
        assertThat(words(file(Book.files(Evaluator.evaluate(moved)), Book.PAGES)))
                .contains("Revision A, 2026-11-29: the first")
                .contains("revision A page");
        Build changed = Edits.rename("Another").change().apply(named);
        assertThat(words(file(Book.files(Evaluator.evaluate(changed)), Book.PAGES)))
                .contains("From A to this draft")
                .contains("Another");
    }

    @Test
    public void anArchiveOpensAgainAsTheBuild() throws Exception {
        Build demo = demo("orchard-ledger").build();
        Build build = demo.with(demo.journal().and(Revisions.named(demo, "A", LocalDate.of(2026, 11, 29), "")));
        BuildFormat.Document document = new BuildFormat.Document(build, Extras.NONE);
        Map<String, byte[]> pictures = Map.of("front.png", new byte[] {1, 2, 3});
        byte[] zip = Archive.pack(document, pictures, Map.of("book.html", new byte[9]));
        Archive archive = Archive.unpack(zip);
        assertThat(BuildFormat.read(archive.build()).build()).isEqualTo(build);
        assertThat(archive.pictures()).containsOnlyKeys("front.png");
        assertThat(archive.pictures().get("front.png")).containsExactly(1, 2, 3);
        assertThat(Archive.pack(document, pictures, Map.of("book.html", new byte[9])))
                .isEqualTo(zip);
        // Cut off or turned about anywhere, it is read or refused in words, and nothing leads out of it.
        Random random = new Random(3);
        for (int i = 0; i < 300; i++) {
            byte[] broken = Arrays.copyOf(zip, random.nextInt(zip.length));
            for (int k = random.nextInt(4); k > 0 && broken.length > 0; k--) {
                broken[random.nextInt(broken.length)] ^= (byte) (1 << random.nextInt(8));
            }
            try {
                Archive.unpack(broken)
                        .pictures()
                        .keySet()
                        .forEach(p -> assertThat(p).doesNotContain("/").doesNotContain(".."));
            } catch (Archive.NoArchiveException e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
    }

    @Test
    public void anEmptyBuildStillMakesABook() throws IOException {
        Map<String, byte[]> files = Book.files(Evaluator.evaluate(Build.empty("Nothing yet")));
        assertThat(words(file(files, Book.PAGES))).contains("Nothing yet").contains("Not known yet: nothing is packed");
    }

    /** Names as people have them: the sheet's text says them again letter by letter. */
    @DataProvider
    Object[][] names() {
        return Stream.of(
                        "Příliš žluťoučký kůň, zażółć gęślą jaźń, İstanbul ığdır",
                        "Đồng hồ Nguyễn",
                        "Μικρό φορητό Ωδείο",
                        "Маленький ящик Їжак",
                        "Ճամպրուկ ჩანთა",
                        "שלום עולם (קטן) 12 end",
                        "مرحبا بالعالم 34 چمدان لا",
                        "大胆的书包 測試箱",
                        "かばん カバン 鞄",
                        "튼튼한 가방",
                        "กล่องเล็ก",
                        "थैला",
                        "🙂 🚀 box",
                        "Čeština Ελληνικά Кириллица עברית العربية 漢字 かな 한국어 ไทย")
                .map(name -> new Object[] {name})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "names")
    public void aNameInAnyScriptReadsBackEqual(String name) throws IOException {
        Build build = Edits.rename(name).change().apply(demo("cave-survey").build());
        byte[] sheet = file(Book.files(Evaluator.evaluate(build)), Book.PAGES);
        assertThat(words(sheet)).contains(name).doesNotContain("□");
        assertThat(sheet.length).isLessThan(1_500_000);
    }

    /** Trays whose names differ in capitals only, or not at all, and of any length: a drawing each, in files that every system tells apart. */
    @Test
    public void everyDrawingHasAFileOfItsOwn() {
        Build build = demo("orchard-ledger").build();
        String name = "The same tray ".repeat(40);
        List<Shell> shells = build.casing().shells();
        for (int i = 0; i < shells.size(); i++) {
            String other = i % 2 == 0 ? name : name.toUpperCase(Locale.ROOT);
            build = build.with(
                    build.casing().withShell(Form.of(Shell.class).field("name").with(shells.get(i), other)));
        }
        Evaluation evaluation = Evaluator.evaluate(build);
        assertThat(shells).hasSizeGreaterThan(1);
        Map<String, byte[]> files = Book.files(evaluation);
        assertThat(files).hasSize(fileCount(evaluation));
        assertThat(files.keySet()).allSatisfy(file -> assertThat(file).matches("[a-z0-9.-]{1,64}"));
    }

    /** The book twice, the parts list, two files a drawing, of each table its pages and its values, what is made, and the plans at full size. */
    static int fileCount(Evaluation evaluation) {
        Build build = evaluation.build();
        return 3
                + 2 * Book.drawings(evaluation).size()
                + MadeFiles.of(build.name(), Made.of(build)).size()
                + (build.casing().shells().isEmpty() ? 0 : 1)
                + Sheets.all(evaluation).stream()
                        .mapToInt(t -> Tables.pages(evaluation.build(), t).size() + 1)
                        .sum();
    }

    @Test
    public void tablesGoOverPagesAndTheirValuesAreSafe() {
        Build demo = demo("harbour-watch").build();
        List<List<String>> rows = java.util.stream.IntStream.range(0, 120)
                .mapToObj(i -> List.of("" + i, "=1+1"))
                .toList();
        Table table = new Table("long", "Long", "", List.of("no.", "words"), List.of(1, 9), rows);
        assertThat(Tables.pages(demo, table)).hasSizeGreaterThan(2);
        assertThat(Tables.files(demo, table))
                .containsKeys("long.pdf", "long.svg", "long-2.svg", "long-3.svg", "long.csv")
                .hasSize(2 + Tables.pages(demo, table).size());
        assertThat(Tables.csv(table)).contains("119,'=1+1");
    }

    @Test
    public void fittingALongNameMeasuresItAFewTimesOnly() {
        int[] measured = {0};
        String name = "long ".repeat(200_000);
        Typeface.fit(name, 40, t -> {
            measured[0]++;
            return t.length();
        });
        assertThat(measured[0]).isLessThan(30);
    }

    @Test
    public void lettersOfArabicAreJoined() {
        assertThat(Lettering.joined("بيت")).isEqualTo("\ufe91\ufef4\ufe96");
        assertThat(Lettering.joined("سلام")).isEqualTo("\ufeb3\ufefc\u0645");
        assertThat(Lettering.joined("دار")).isEqualTo("دار");
    }

    @Test
    public void whatIsReadFromTheRightStandsFromTheLeft() {
        assertThat(Lettering.stretches("abc def")).containsExactly(new Lettering.Stretch("abc def", 0));
        assertThat(Lettering.stretches("to אבג (דה) 12 end"))
                .containsExactly(
                        new Lettering.Stretch("to", 0),
                        new Lettering.Stretch("12 (הד) גבא", 1),
                        new Lettering.Stretch("end", 1));
    }

    @Test
    public void wordsWithoutSpacesAreBrokenWhereTheLineEnds() {
        String text = "漢字".repeat(60);
        List<String> lines = Flow.wrap(text, 3, false, 40);
        assertThat(String.join("", lines)).isEqualTo(text);
        assertThat(lines)
                .hasSizeGreaterThan(5)
                .allSatisfy(l -> assertThat(Typeface.REGULAR.width(l, 3)).isLessThanOrEqualTo(40));
    }

    @Test
    public void aLetterThatNoFaceHasIsABox() {
        assertThat(Typeface.REGULAR.printable("a\udbff\udffdb")).isEqualTo("a□b");
    }

    /** Line breaks, letters no face has, halves of letters: the sheet is written all the same, and what can be told is. */
    @Test
    public void textOfAnyKindIsExported() throws IOException {
        String odd = "Žluťoučký\nkůň\t漢字 עברית 🙂 \u202f \ud83d end";
        Build build = Edits.brief("odd", b -> b.withPurpose(odd))
                .change()
                .apply(Edits.rename(odd).change().apply(demo("cave-survey").build()));
        Map<String, byte[]> files = Book.files(Evaluator.evaluate(build));
        assertThat(words(file(files, Book.PAGES))).contains("end");
    }

    @Test
    public void cellsThatBeginLikeAFormulaAreWrittenAsWords() {
        Build build = demo("cave-survey").build();
        Part part = build.parts().list().getFirst();
        for (String formula : List.of("=1+1", "+1", "-1", "@SUM(A1)", " =1")) {
            Build named = build.with(build.parts().with(part.named(formula)));
            assertThat(Book.partsList(named)).contains("'" + formula);
        }
    }

    @Test
    public void wrappingKeepsEveryWordAndTheWidth() {
        String text = "The tightest gap is between the keyboard and the battery with the lid closed.";
        List<String> lines = Flow.wrap(text, 3, false, 40);
        assertThat(String.join(" ", lines)).isEqualTo(text);
        assertThat(lines)
                .hasSizeGreaterThan(2)
                .allSatisfy(l -> assertThat(Typeface.REGULAR.width(l, 3)).isLessThanOrEqualTo(40));
    }

    @Test
    public void fittingCutsWithAnEllipsisAndNeverGoesBeyondTheRoom() {
        assertThat(Typeface.BOLD.fit("short", 3, 40)).isEqualTo("short");
        String cut = Typeface.REGULAR.fit("a very long name of a part", 3, 20);
        assertThat(cut).endsWith("…");
        assertThat(Typeface.REGULAR.width(cut, 3)).isLessThanOrEqualTo(20);
        assertThat(Typeface.REGULAR.fit("abc", 3, 1)).isEmpty();
    }

    @Test
    public void aDrawingPutDownSmallerKeepsItsProportionsAndLegibleLetters() {
        Drawing drawing = new Drawing(
                "x",
                100,
                50,
                0,
                0,
                List.of(
                        new Mark.Line(
                                List.of(new Mark.Point(0, 0), new Mark.Point(100, 50)), false, 1, false, Ink.INK, ""),
                        Mark.Text.free(new Mark.Point(10, 10), 3, Mark.Align.LEFT, false, Ink.INK, "word", "")));
        List<Mark> small = Marks.placed(drawing, 5, 7, 0.2);
        assertThat(((Mark.Line) small.getFirst()).points().getLast()).isEqualTo(new Mark.Point(25, 17));
        assertThat(((Mark.Text) small.getLast()).sizeMm()).isEqualTo(2.2);
    }

    @Test
    public void cautionsAppearWhereTheyApply() {
        assertThat(Cautions.of(Build.empty("x"))).noneMatch(c -> c.startsWith("Lithium"));
        assertThat(Cautions.of(Library.demo("cave-survey").orElseThrow())).anyMatch(c -> c.startsWith("Lithium"));
        assertThat(Cautions.of(Library.demo("harbour-watch").orElseThrow())).anyMatch(c -> c.startsWith("Cutting"));
    }
}
