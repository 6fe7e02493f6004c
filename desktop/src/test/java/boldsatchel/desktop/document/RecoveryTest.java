package boldsatchel.desktop.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Copies of unsaved work: one a window and build, live ones left alone, gone only when somebody says so. */
public class RecoveryTest {

    private String before = "";
    private Path folder = Path.of(".");

    @BeforeMethod
    public void ownFolder() throws IOException {
        folder = Files.createTempDirectory("satchel-recovery");
        before = System.getProperty(AppFolders.STATE_PROPERTY, "");
        System.setProperty(AppFolders.STATE_PROPERTY, folder.toString());
    }

    @AfterMethod(alwaysRun = true)
    public void back() {
        System.setProperty(AppFolders.STATE_PROPERTY, before);
    }

    private static Recovery keeping(String name) throws BuildStore.StoreException {
        Recovery recovery = new Recovery();
        recovery.keep(Build.empty(name), Extras.NONE);
        return recovery;
    }

    private static List<String> left() {
        return Recovery.left().stream().map(Recovery.Kept::name).sorted().toList();
    }

    @Test
    public void theWorkOfALiveWindowIsNotOfferedToAnother() throws Exception {
        Recovery first = keeping("mine");
        Recovery second = keeping("yours");
        assertThat(left()).isEmpty();
        first.release();
        assertThat(left()).containsExactly("mine");
        second.forget();
        assertThat(left()).containsExactly("mine");
    }

    @Test
    public void aCopyGoesWhenItsWorkWasSavedAndNoOther() throws Exception {
        keeping("one").release();
        Recovery two = keeping("two");
        two.keep(Build.empty("two, later"), Extras.NONE);
        two.forget();
        two.release();
        assertThat(left()).containsExactly("one");
    }

    @Test
    public void oneWindowMayLeaveTheWorkOfSeveralBuilds() throws Exception {
        Recovery recovery = keeping("first");
        recovery.release();
        recovery.keep(Build.empty("second"), Extras.NONE);
        recovery.release();
        assertThat(left()).containsExactly("first", "second");
        Recovery.left().getFirst().throwAway();
        assertThat(left()).hasSize(1);
        assertThat(Recovery.left().getFirst().open().build().name()).isEqualTo(left().getFirst());
        Recovery.left().getFirst().throwAway();
        assertThat(folder).isEmptyDirectory();
    }

    /** Keeps work until it is killed. */
    public static final class Keeper {
        public static void main(String[] args) throws Exception {
            System.setProperty(AppFolders.STATE_PROPERTY, args[0]);
            keeping("in the other program");
            System.err.write("kept\n".getBytes(StandardCharsets.UTF_8));
            System.err.flush();
            TimeUnit.MINUTES.sleep(1);
        }
    }

    @Test
    public void theWorkOfAProgramThatRunsIsLiveAndOfOneThatWasKilledIsLeft() throws Exception {
        Process keeper = BuildStoreTest.java(Keeper.class, folder.toString());
        try {
            assertThat(keeper.getErrorStream().read()).isEqualTo('k');
            assertThat(left()).isEmpty();
        } finally {
            keeper.destroyForcibly().waitFor();
        }
        assertThat(left()).containsExactly("in the other program");
    }

    @Test
    public void whereNoCopyCanBeKeptItIsSaid() throws Exception {
        Path inTheWay = folder.resolve("file");
        Files.writeString(inTheWay, "x");
        System.setProperty(AppFolders.STATE_PROPERTY, inTheWay.toString());
        assertThatThrownBy(() -> keeping("nowhere"))
                .isInstanceOf(BuildStore.StoreException.class)
                .hasMessageContaining("No copy of the unsaved work can be kept")
                .hasMessageContaining("Save it to a file soon");
    }

    @Test
    public void whatCannotBeReadIsListedAndStays() throws Exception {
        Files.writeString(folder.resolve("recovered-old" + BuildStore.ENDING), "{ cut off");
        assertThat(left()).containsExactly("recovered-old" + BuildStore.ENDING);
        Recovery.Kept kept = Recovery.left().getFirst();
        assertThatThrownBy(kept::open).isInstanceOf(BuildStore.StoreException.class);
        assertThat(left()).hasSize(1);
    }
}
