package boldsatchel.desktop.arrange;

import boldsatchel.arrange.Onlooker;
import boldsatchel.arrange.Proposal;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicLong;
import javafx.application.Platform;

/** One search as the window looks on: keeps the newest of what it tells, for the window to show when it gets round to it. */
final class Looking implements Onlooker {

    /** The window is told of every so many tries. */
    private static final long OFTEN = 50;

    private final Runnable show;
    private final AtomicLong tried = new AtomicLong();
    private final AtomicLong most = new AtomicLong();
    private final AtomicLong told = new AtomicLong();
    private final AtomicBoolean asked = new AtomicBoolean();
    private volatile List<Proposal> found = List.of();
    private volatile boolean enough;
    private volatile boolean cancelled;

    /** A search; show is called on the window's thread when there is something new. */
    Looking(Runnable show) {
        this.show = show;
    }

    void enough() {
        enough = true;
    }

    void cancel() {
        cancelled = true;
    }

    long tried() {
        return tried.get();
    }

    long most() {
        return most.get();
    }

    List<Proposal> found() {
        return found;
    }

    @Override
    public void tried(long rounds, long ofMost) {
        tried.set(rounds);
        most.set(ofMost);
        if (rounds / OFTEN != told.getAndSet(rounds / OFTEN)) {
            tell();
        }
    }

    @Override
    public void found(List<Proposal> proposals) {
        found = proposals;
        tell();
    }

    private void tell() {
        if (!asked.getAndSet(true)) {
            Platform.runLater(() -> {
                asked.set(false);
                show.run();
            });
        }
    }

    @Override
    public boolean isEnough() {
        return enough;
    }

    @Override
    public boolean isCancelled() {
        return cancelled;
    }
}
