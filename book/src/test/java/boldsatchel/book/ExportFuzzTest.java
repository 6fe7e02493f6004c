package boldsatchel.book;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Random;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.testng.annotations.Test;

/** Words of any letters there are, by a seed, wherever a builder can write: nothing is left out of an export, and every file of it can be read. */
public class ExportFuzzTest {

    private static final int BUILDS = Integer.getInteger("boldsatchel.fuzz", 2_000) / 100;

    private final Random random = new Random(2027);

    /** Letters of all planes, mostly of those that people use; breaks, marks and halves among them. */
    private String words() {
        StringBuilder words = new StringBuilder();
        for (int i = random.nextInt(60); i >= 0; i--) {
            switch (random.nextInt(6)) {
                case 0 -> words.appendCodePoint(random.nextInt(0x110000));
                case 1 -> words.append((char) random.nextInt(0x10000));
                case 2 -> words.append((char) random.nextInt(0x20, 0x3000));
                case 3 -> words.append((char) random.nextInt(0x590, 0x700));
                case 4 -> words.append(' ');
                default -> words.append((char) random.nextInt(0x80));
            }
        }
        return words.toString();
    }

    @Test
    public void noExportIsLost() throws Exception {
        for (int i = 0; i < BUILDS; i++) {
            Build build = Library.demo(Library.DEMOS.get(i % 3)).orElseThrow();
            build = Edits.rename(words()).change().apply(build);
            build = Edits.brief("x", b -> b.withPurpose(words())).change().apply(build);
            build = Edits.notes(words()).change().apply(build);
            for (Part part : build.parts().list()) {
                build = build.with(build.parts().with(part.named(words())));
            }
            Evaluation evaluation = Evaluator.evaluate(build);
            Map<String, byte[]> files = Book.files(evaluation);
            assertThat(files).as("build " + i).hasSize(BookTest.fileCount(evaluation));
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                if (file.getKey().endsWith(".svg")) {
                    DocumentBuilderFactory.newInstance()
                            .newDocumentBuilder()
                            .parse(new ByteArrayInputStream(file.getValue()));
                } else if (file.getKey().endsWith(".html")) {
                    String page = new String(file.getValue(), StandardCharsets.UTF_8);
                    String body = page.substring(page.indexOf("<body>"), page.indexOf("</html>"));
                    DocumentBuilderFactory.newInstance()
                            .newDocumentBuilder()
                            .parse(new ByteArrayInputStream(body.getBytes(StandardCharsets.UTF_8)));
                } else if (file.getKey().endsWith(".pdf")) {
                    try (PDDocument sheet = Loader.loadPDF(file.getValue())) {
                        assertThat(sheet.getNumberOfPages())
                                .as("build " + i)
                                .isGreaterThan(file.getKey().equals(Book.PAGES) ? 3 : 0);
                    }
                }
            }
        }
    }
}
