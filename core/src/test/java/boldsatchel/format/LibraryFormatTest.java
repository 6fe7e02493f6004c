package boldsatchel.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import boldsatchel.shelf.Library;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.Test;

public class LibraryFormatTest {

    private static final String SMALL = """
            {
             "format": "bold-satchel-library",
             "version": 2,
             "parts": [
              {"id": "mine", "name": "My board", "family": "x86-board",
               "body": {"widthMm": {"value": 90, "basis": "measured"}}},
              {"id": "other", "name": "Other", "family": "hub"}
             ]
            }
            """;

    private static FormatException refused(String text) {
        return catchThrowableOfType(FormatException.class, () -> LibraryFormat.read(text));
    }

    @Test
    public void whatIsWrittenComesBackEqual() throws FormatException {
        Library shipped = Library.shipped();
        LibraryFormat.Contents contents = new LibraryFormat.Contents(shipped.parts(), shipped.cases());
        String text = LibraryFormat.write(contents);
        assertThat(LibraryFormat.read(text)).isEqualTo(contents);
        assertThat(LibraryFormat.write(LibraryFormat.read(text))).isEqualTo(text);
    }

    @Test
    public void whatIsLeftOutIsFilledIn() throws FormatException {
        LibraryFormat.Contents read = LibraryFormat.read(SMALL);
        assertThat(read.parts()).hasSize(2);
        assertThat(read.parts().getFirst().body().widthMm().value()).isEqualTo(90);
        assertThat(read.cases()).isEmpty();
    }

    @Test
    public void whatIsWrongIsToldWithLineAndField() {
        FormatException twice = refused(SMALL.replace("\"other\"", "\"mine\""));
        assertThat(twice.problems()).singleElement().satisfies(p -> {
            assertThat(p.line()).isEqualTo(7);
            assertThat(p.field()).isEqualTo("parts[1].id");
            assertThat(p.message()).contains("give one another id");
        });
        FormatException family = refused(SMALL.replace("\"hub\"", "\"hob\""));
        assertThat(family.problems().getFirst().line()).isEqualTo(7);
        assertThat(family.problems().getFirst().field()).isEqualTo("parts[1].family");
        assertThat(refused("{}").getMessage()).contains("bold-satchel-library");
        assertThat(refused("[1").getMessage()).contains("not readable as JSON");
        assertThat(refused("{\"format\": \"bold-satchel-build\"}").getMessage()).contains("This is no library file");
        assertThat(refused(SMALL.replace(": 2", ": 99")).getMessage()).contains("newer Bold Satchel");
    }

    @Test
    public void theSchemaThatShipsIsTheOneDerivedFromTheRecords() throws IOException {
        Path shipped = Path.of("../docs/library.schema.json");
        if (System.getProperty("boldsatchel.write") != null) {
            Files.writeString(shipped, BuildSchema.library());
        }
        assertThat(Files.readString(shipped)).isEqualTo(BuildSchema.library());
    }
}
