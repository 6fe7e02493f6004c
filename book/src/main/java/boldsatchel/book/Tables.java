package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.Ink;
import boldsatchel.machine.Build;
import boldsatchel.sheet.Table;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Tables on paper, as drawings and as values. */
public final class Tables {

    private static final double SIZE = 2.9;

    private Tables() {}

    /** Everything one table is printed and read as: pages, a drawing a page, values. */
    public static Map<String, byte[]> files(Build build, Table table) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        List<Drawing> pages = pages(build, table);
        files.put(table.id() + ".pdf", PdfWriter.pdf(build.name() + ", " + table.title(), pages));
        files.putAll(apart(table, pages));
        return files;
    }

    /** The same without the pages in one file. */
    static Map<String, byte[]> apart(Build build, Table table) {
        return apart(table, pages(build, table));
    }

    private static Map<String, byte[]> apart(Table table, List<Drawing> pages) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        for (int i = 0; i < pages.size(); i++) {
            String name = table.id() + (i == 0 ? "" : "-" + (i + 1)) + ".svg";
            files.put(name, SvgWriter.svg(pages.get(i)).getBytes(StandardCharsets.UTF_8));
        }
        files.put(table.id() + ".csv", csv(table).getBytes(StandardCharsets.UTF_8));
        return files;
    }

    /** The pages of one table. */
    public static List<Drawing> pages(Build build, Table table) {
        Flow flow = new Flow(table.title() + " · " + build.name() + " · " + build.variant());
        put(flow, table);
        return flow.done();
    }

    /** Lays a table down. */
    static void put(Flow flow, Table table) {
        flow.heading(table.title());
        if (!table.note().isEmpty()) {
            flow.paragraph(table.note(), SIZE, false, Ink.SOFT, 0);
            flow.space(2);
        }
        flow.rows(new Block.Rows(
                table.columns(),
                table.shares(),
                Set.of(),
                table.rows().stream().map(Block.Row::new).toList()));
    }

    /** A table as comma-separated values (RFC 4180). */
    public static String csv(Table table) {
        StringWriter text = new StringWriter();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(table.columns().toArray(String[]::new))
                .get();
        try (CSVPrinter out = new CSVPrinter(text, format)) {
            for (List<String> row : table.rows()) {
                out.printRecord(row.stream().map(Tables::cell).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    /** Words that a spreadsheet would run as a formula begin with an apostrophe. */
    static String cell(String words) {
        return words.matches("(?s)\\s*[=+\\-@].*") ? "'" + words : words;
    }
}
