package boldsatchel.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.Test;

/** What is worked out when somebody looks is worked out once, however many look at once. */
public class LazyTest {

    @Test
    public void nothingIsWorkedOutBeforeSomebodyLooks() {
        AtomicInteger worked = new AtomicInteger();
        Lazy<Integer> lazy = Lazy.of(worked::incrementAndGet);
        assertThat(worked).hasValue(0);
        assertThat(lazy.get()).isEqualTo(1);
        assertThat(lazy.get()).isEqualTo(1);
        assertThat(worked).hasValue(1);
        assertThat(Lazy.known("here").get()).isEqualTo("here");
    }

    @Test
    public void manyThatLookAtOnceSeeOneAnswer() throws Exception {
        try (ExecutorService threads = Executors.newFixedThreadPool(8)) {
            for (int round = 0; round < 300; round++) {
                AtomicInteger worked = new AtomicInteger();
                Lazy<List<Integer>> lazy = Lazy.of(() -> List.of(worked.incrementAndGet()));
                CountDownLatch start = new CountDownLatch(1);
                List<Future<List<Integer>>> seen = new ArrayList<>();
                for (int i = 0; i < 8; i++) {
                    seen.add(threads.submit(() -> {
                        start.await();
                        return lazy.get();
                    }));
                }
                start.countDown();
                List<Integer> first = seen.getFirst().get();
                for (Future<List<Integer>> other : seen) {
                    assertThat(other.get()).isSameAs(first);
                }
                assertThat(worked).hasValue(1);
            }
        }
    }

    /** One that fails says so to whoever looks, and is tried again by the next. */
    @Test
    public void aFailureIsNotKept() {
        AtomicInteger tries = new AtomicInteger();
        Lazy<String> lazy = Lazy.of(() -> {
            if (tries.incrementAndGet() < 3) {
                throw new IllegalStateException("not yet");
            }
            return "done";
        });
        assertThatThrownBy(lazy::get).hasMessage("not yet");
        assertThatThrownBy(lazy::get).hasMessage("not yet");
        assertThat(lazy.get()).isEqualTo("done");
        assertThat(lazy.get()).isEqualTo("done");
        assertThat(tries).hasValue(3);
    }

    /** One answer may need another: those that wait for one another in a row do not wait for ever. */
    @Test
    public void oneMayLookAtAnother() {
        Lazy<Integer> first = Lazy.of(() -> 2);
        Lazy<Integer> second = Lazy.of(() -> first.get() * 3);
        Lazy<Integer> third = Lazy.of(() -> second.get() + first.get());
        assertThat(third.get()).isEqualTo(8);
    }

    @Test
    public void whatHoldsTheSameIsEqual() {
        assertThat(Lazy.of(() -> "a"))
                .isEqualTo(Lazy.known("a"))
                .hasSameHashCodeAs(Lazy.known("a"))
                .hasToString("a");
        assertThat(Lazy.of(() -> "a")).isNotEqualTo(Lazy.known("b")).isNotEqualTo("a");
    }
}
