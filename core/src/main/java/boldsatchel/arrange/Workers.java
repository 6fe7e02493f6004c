package boldsatchel.arrange;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.IntFunction;

/** Work on several threads that answers in its own order. */
final class Workers {

    private Workers() {}

    /** Does some work on some threads; answers in the order of the work, whatever came first. */
    static <T> List<T> on(int threads, int count, IntFunction<T> work) {
        try (ExecutorService workers = Executors.newFixedThreadPool(threads)) {
            List<CompletableFuture<T>> done = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                int one = i;
                done.add(CompletableFuture.supplyAsync(() -> work.apply(one), workers));
            }
            return done.stream().map(CompletableFuture::join).toList();
        }
    }
}
