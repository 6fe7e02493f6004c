package boldsatchel.desktop.desk;

import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.util.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * Work beside the window for one place in it. What was asked last wins: while one job runs only the newest of those that came meanwhile
 * is kept. When a job takes so long that one waits for it, the place is {@link #pending}. All methods are called on the window's thread; the work
 * runs on another.
 */
public final class Latest {
    private static final Logger LOG = LoggerFactory.getLogger(Latest.class);
    /** What answers sooner is taken to answer at once (Miller, 1968), and needs no mark. */
    private static final Duration SLOW = Duration.millis(100);

    private static final ExecutorService WORKERS = Executors.newVirtualThreadPerTaskExecutor();
    /** Jobs asked for and not yet shown or dropped, in all windows. */
    private static final AtomicInteger OPEN = new AtomicInteger();

    private final boolean showsAll;
    private final ReadOnlyBooleanWrapper pending = new ReadOnlyBooleanWrapper(false);
    private final PauseTransition slow = new PauseTransition(SLOW);
    private Optional<Job<?>> waiting = Optional.empty();
    private boolean running;
    private boolean ended;

    private record Job<T>(Supplier<T> work, Consumer<T> show) {}

    private Latest(boolean showsAll) {
        this.showsAll = showsAll;
        slow.setOnFinished(e -> pending.set(running));
    }

    /** Shows only what is still wanted when it is done: for a place whose question changes. */
    public static Latest only() {
        return new Latest(false);
    }

    /** Shows whatever is done, newest last: for a place that follows a drag. */
    public static Latest following() {
        return new Latest(true);
    }

    /** Whether work takes long enough to be marked. */
    public ReadOnlyBooleanProperty pending() {
        return pending.getReadOnlyProperty();
    }

    /** Whether any place of any window waits for work. */
    public static boolean isAnyAtWork() {
        return OPEN.get() > 0;
    }

    /**
     * Asks for work.
     *
     * @param work done beside the window; must not touch it
     * @param show shows the result, on the window's thread
     */
    public <T> void ask(Supplier<T> work, Consumer<T> show) {
        if (ended) {
            return;
        }
        if (waiting.isEmpty()) {
            OPEN.incrementAndGet();
        }
        waiting = Optional.of(new Job<>(work, show));
        if (!running) {
            next();
        }
    }

    private void next() {
        waiting.ifPresent(job -> {
            waiting = Optional.empty();
            running = true;
            if (!pending.get()) {
                slow.playFromStart();
            }
            start(job);
        });
    }

    private <T> void start(Job<T> job) {
        WORKERS.execute(() -> {
            try {
                T result = job.work().get();
                Platform.runLater(() -> done(() -> job.show().accept(result)));
            } catch (RuntimeException | StackOverflowError e) {
                LOG.error("work beside the window failed", e);
                Platform.runLater(() -> done(() -> {}));
            }
        });
    }

    private void done(Runnable show) {
        running = false;
        try {
            if (!ended && (showsAll || waiting.isEmpty())) {
                show.run();
            }
        } finally {
            OPEN.decrementAndGet();
            next();
            if (!running) {
                slow.stop();
                pending.set(false);
            }
        }
    }

    /** Drops what is waiting; what still runs is not shown. */
    public void end() {
        ended = true;
        slow.stop();
        if (waiting.isPresent()) {
            waiting = Optional.empty();
            OPEN.decrementAndGet();
        }
    }
}
