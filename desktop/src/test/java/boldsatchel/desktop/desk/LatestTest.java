package boldsatchel.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Work beside the window: what was asked last wins, and nothing that fails or was ended is shown. */
public class LatestTest {

    private final List<Integer> shown = new CopyOnWriteArrayList<>();

    @BeforeClass
    public void start() throws Exception {
        FxToolkit.registerPrimaryStage();
    }

    private static void onFx(Runnable job) throws Exception {
        WaitForAsyncUtils.asyncFx(job).get(20, TimeUnit.SECONDS);
    }

    private static void settle() throws Exception {
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> !Latest.isAnyAtWork());
        WaitForAsyncUtils.waitForFxEvents();
    }

    private static Supplier<Integer> held(CountDownLatch gate, int result) {
        return () -> {
            try {
                gate.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return result;
        };
    }

    private List<Integer> asked(Latest latest) throws Exception {
        shown.clear();
        CountDownLatch gate = new CountDownLatch(1);
        List<Integer> worked = new CopyOnWriteArrayList<>();
        onFx(() -> {
            latest.ask(held(gate, 0), shown::add);
            for (int i = 1; i < 10; i++) {
                int result = i;
                latest.ask(
                        () -> {
                            worked.add(result);
                            return result;
                        },
                        shown::add);
            }
        });
        gate.countDown();
        settle();
        assertThat(worked).as("what was overtaken is not even begun").containsExactly(9);
        return new ArrayList<>(shown);
    }

    @Test
    public void onlyTheLastOfManyIsShown() throws Exception {
        assertThat(asked(Latest.only())).containsExactly(9);
    }

    @Test
    public void aPlaceThatFollowsADragShowsWhatIsDoneNewestLast() throws Exception {
        assertThat(asked(Latest.following())).containsExactly(0, 9);
    }

    @Test
    public void whatTakesLongIsPendingUntilItIsShown() throws Exception {
        Latest latest = Latest.only();
        CountDownLatch gate = new CountDownLatch(1);
        shown.clear();
        onFx(() -> latest.ask(held(gate, 1), shown::add));
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> latest.pending().get());
        assertThat(shown).isEmpty();
        gate.countDown();
        settle();
        assertThat(latest.pending().get()).isFalse();
        assertThat(shown).containsExactly(1);
    }

    @Test
    public void workThatFailsShowsNothingAndHoldsNothingUp() throws Exception {
        Latest latest = Latest.only();
        shown.clear();
        onFx(() -> latest.ask(
                () -> {
                    throw new IllegalStateException("a test's own failure");
                },
                (Integer i) -> shown.add(i)));
        settle();
        assertThat(shown).isEmpty();
        onFx(() -> latest.ask(() -> 2, shown::add));
        settle();
        assertThat(shown).containsExactly(2);
    }

    @Test
    public void whatRanWhenThePlaceWasEndedIsNotShown() throws Exception {
        Latest latest = Latest.following();
        CountDownLatch gate = new CountDownLatch(1);
        shown.clear();
        onFx(() -> {
            latest.ask(held(gate, 1), shown::add);
            latest.ask(() -> 2, shown::add);
            latest.end();
            latest.ask(() -> 3, shown::add);
        });
        gate.countDown();
        settle();
        assertThat(shown).isEmpty();
    }

    @Test
    public void workIsDoneOnAnotherThreadThanItIsShownOn() throws Exception {
        List<String> threads = new CopyOnWriteArrayList<>();
        onFx(() -> Latest.only()
                .ask(
                        () -> threads.add(Thread.currentThread().isVirtual() ? "beside" : "window"),
                        done -> threads.add(
                                javafx.application.Platform.isFxApplicationThread() ? "window" : "beside")));
        settle();
        assertThat(threads).containsExactly("beside", "window");
    }
}
