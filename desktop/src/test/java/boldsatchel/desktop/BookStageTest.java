package boldsatchel.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.Pictures;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.revise.Difference;
import boldsatchel.shelf.Library;
import boldsatchel.standins.AsPlanned;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;

/** The book: its chapters, the pieces to make, revisions compared, and what may be passed on. */
public class BookStageTest extends WindowHarness {

    private String words(String of) {
        return onFx(() -> robot.lookup(of + " .label").queryAllAs(Label.class).stream()
                .map(Label::getText)
                .collect(Collectors.joining("\n")));
    }

    private List<?> rows(String list) {
        return onFx(() -> List.copyOf(((ListView<?>) robot.lookup(list).query()).getItems()));
    }

    @Test
    public void chaptersAreTurnedTo() throws Exception {
        show("cave-survey");
        open("book");
        ComboBox<?> chapters = robot.lookup("#chapter").queryComboBox();
        assertThat(chapters.getItems()).hasSizeGreaterThan(6);
        onFx(() -> {
            chapters.getSelectionModel().select(3);
            return 0;
        });
        settle();
        assertThat(text("#book-page")).doesNotStartWith("page 1 ");
        press("#page-back");
        assertThat(chapters.getSelectionModel().getSelectedIndex()).isEqualTo(2);
    }

    @Test
    public void piecesAreSeenAsTheyAreMade() throws Exception {
        show("orchard-ledger");
        open("book");
        press("#tab-pieces-to-make");
        assertThat(rows("#pieces")).hasSize(3);
        assertThat(words("#piece-notes")).contains("Print it first");
        focus("#pieces");
        robot.type(KeyCode.DOWN).type(KeyCode.DOWN);
        settle();
        assertThat(words("#piece-notes")).contains("Bent up on all four sides");
        command("pieces to print, cut and drill");
        assertThat(rows("#pieces")).hasSize(3);
    }

    @Test
    public void aRevisionIsNamedComparedAndGoneBackTo() throws Exception {
        show("cave-survey");
        open("book");
        press("#tab-revisions");
        assertThat(words("#revision-standing")).contains("It is a draft");
        write("#revision-name", "A");
        press("#revision-add");
        assertThat(build().journal().revisions()).hasSize(1);
        assertThat(words("#revision-standing")).contains("It is revision A");
        assertThat(rows("#differences")).isEmpty();
        write("#revision-name", "A");
        press("#revision-add");
        assertThat(text("#revision-refused")).contains("already");
        Build was = build();
        onFx(() -> {
            session().does(Edits.brief("x", b -> b.withPurpose("something else")));
            session().does(Edits.rename("Another"));
            return 0;
        });
        settle();
        assertThat(rows("#differences"))
                .extracting(d -> ((Difference) d).path())
                .containsExactly(List.of("name"), List.of("brief", "purpose"));
        press("#revision-back");
        assertThat(build()).isEqualTo(was);
        keys(KeyCode.CONTROL, KeyCode.Z);
        assertThat(build().name()).isEqualTo("Another");
    }

    @Test
    public void theNextBuilderIsTold() throws Exception {
        show("cave-survey");
        open("book");
        press("#tab-for-the-next-builder");
        write("#lesson-first", "a deeper base");
        write("#lesson-second", "wires rub");
        press("#lesson-add");
        write("#credit-first", "A friend");
        press("#credit-add");
        assertThat(build().journal().lessons()).containsExactly(new Journal.Lesson("a deeper base", "wires rub"));
        assertThat(build().journal().credits()).containsExactly(new Journal.Credit("A friend", ""));
        assertThat(words("#lessons")).contains("a deeper base, because wires rub");
        press("#lesson-remove-0");
        assertThat(build().journal().lessons()).isEmpty();
    }

    /** The demo with its one stop mended by its own remedies. */
    private static Build sound() {
        Build build = Library.demo("harbour-watch").orElseThrow();
        for (int i = 0; i < 5; i++) {
            Evaluation evaluation = Evaluator.evaluate(build);
            build = evaluation.findings().stream()
                    .filter(f -> f.severity() == Severity.STOP)
                    .map(Finding::remedies)
                    .flatMap(List::stream)
                    .flatMap(r -> r.edit().stream())
                    .findFirst()
                    .map(e -> e.change())
                    .orElse(b -> b)
                    .apply(build);
        }
        return build;
    }

    /** What is not tested is not passed on; what is, is one file that is opened again with its pictures. */
    @Test
    public void onlyWhatIsTestedIsPublishedAndItOpensAgain() throws Exception {
        Path folder = Files.createTempDirectory("publish");
        show(sound());
        Path file = folder.resolve("mine.satchel.json");
        Path photo = folder.resolve("photo.png");
        Files.write(photo, new byte[] {1, 2, 3});
        onFx(() -> {
            app().frame().files().saveTo(file, true);
            app().frame().files().addPicture(photo, "from the front");
            return 0;
        });
        settle();
        open("book");
        press("#tab-revisions");
        assertThat(onFx(() -> robot.lookup("#publish").query().isDisabled())).isTrue();
        assertThat(words("#revision-lacks")).contains("is not proven");
        onFx(() -> {
            app().frame().files().publish(folder.resolve("out"));
            return 0;
        });
        WaitForAsyncUtils.waitFor(
                20, TimeUnit.SECONDS, () -> text("#message-text").contains("Only what is tested"));
        assertThat(folder.resolve("out")).doesNotExist();

        onFx(() -> {
            Build tested = AsPlanned.tested(build(), LocalDate.of(2026, 11, 29));
            session()
                    .does(Edits.journal(
                            "tests", j -> j.withTests(tested.journal().tests())));
            return 0;
        });
        settle();
        write("#revision-name", "A");
        press("#revision-add");
        assertThat(words("#revision-standing")).contains("It is tested");
        assertThat(onFx(() -> robot.lookup("#publish").query().isDisabled())).isFalse();
        Build published = build();
        Path to = folder.resolve("out");
        onFx(() -> {
            app().frame().files().publish(to);
            return 0;
        });
        Path archive = to.resolve("harbour-watch-deck-a.satchel.zip");
        WaitForAsyncUtils.waitFor(
                20,
                TimeUnit.SECONDS,
                () -> Files.exists(archive) && text("#message-text").startsWith("Wrote"));
        show("cave-survey");
        onFx(() -> {
            app().frame().files().open(archive);
            return 0;
        });
        settle();
        assertThat(build()).isEqualTo(published);
        Path unpacked = to.resolve("harbour-watch-deck-a" + BuildStore.ENDING);
        assertThat(session().file()).contains(unpacked);
        assertThat(Pictures.folder(unpacked).resolve("photo.png")).hasBinaryContent(new byte[] {1, 2, 3});
    }
}
