package boldsatchel.desktop.instruments;

import boldsatchel.log.Log;
import boldsatchel.quantity.Quantity;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * A discharge that runs by itself: the load is set, read again and again, and let go at the end. What was read is never lost: when the line is
 * cut it is called again, and the load is switched off whenever nobody looks after it any more. Works on a thread of its own; safe to look at
 * from any.
 */
public final class Recording implements AutoCloseable {

    /** What is clipped to what: the simulated instruments need to be told, as nobody can clip to them. */
    private static final int MOST_MOMENTS = 2_000_000;

    private static final int MOST_CALLS = 60;
    private static final int MOST_ODD_ANSWERS = 5;
    /** A full pack rests within this share of what is usual of its chemistry. */
    private static final double FULL_SHARE = 0.06;

    /** Less than nothing by so much is no offset of a meter. */
    private static final double TURNED_V = 0.5;

    /** Longer than an answer may take. */
    private static final Duration LONGEST_GOODBYE = Duration.ofSeconds(3);

    private static final double NANOS = 1e-9;
    /** Simulated instruments need no time between two readings. */
    private static final Duration SIMULATED = Duration.ofMillis(20);

    /**
     * What is done.
     *
     * @param address of the load, as typed
     * @param part id of the pack
     * @param amps that are drawn
     * @param cutOffV at which it ends
     * @param fullV that a full pack has without load; what is far from it is not discharged
     * @param restEveryS the load is switched off each time so many seconds have gone by
     * @param restS for so long
     * @param pause between two readings of a real instrument
     * @param callAgain after so long when the line was cut
     */
    public record Plan(
            String address,
            String part,
            double amps,
            double cutOffV,
            double fullV,
            double restEveryS,
            double restS,
            Duration pause,
            Duration callAgain) {}

    private final Plan plan;
    private double[][] read = new double[3][1024];
    private int size;
    private String words = "";
    private boolean running = true;
    private boolean ended;
    private volatile boolean stopped;
    private Optional<Thread> thread = Optional.empty();

    private Recording(Plan plan) {
        this.plan = plan;
    }

    /** Starts. */
    public static Recording start(Plan plan) {
        Recording recording = new Recording(plan);
        recording.say("Calling " + plan.address() + " …");
        recording.thread = Optional.of(Thread.ofVirtual().name("recording").start(recording::run));
        return recording;
    }

    /** What was read so far. */
    public synchronized Log log() {
        return new Log(
                Arrays.copyOf(read[0], size),
                List.of(
                        new Log.Channel("voltage", Quantity.VOLTAGE, Arrays.copyOf(read[1], size)),
                        new Log.Channel("current", Quantity.CURRENT, Arrays.copyOf(read[2], size))));
    }

    /** How it goes, in words. */
    public synchronized String words() {
        return words;
    }

    /** Whether it still reads. */
    public synchronized boolean isRunning() {
        return running;
    }

    /** Whether the pack came to its cut-off. */
    public synchronized boolean isEnded() {
        return ended;
    }

    /** Ends it; the load is switched off. */
    @Override
    public void close() {
        stopped = true;
    }

    /** Ends it and waits until the load has been told, or cannot be. */
    public void closeNow() {
        close();
        thread.ifPresent(t -> {
            try {
                t.join(LONGEST_GOODBYE);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
    }

    private synchronized void say(String now) {
        words = now;
    }

    private synchronized void take(double seconds, double volts, double amps) {
        if (size == read[0].length) {
            for (int i = 0; i < read.length; i++) {
                read[i] = Arrays.copyOf(read[i], size + (size >> 1));
            }
        }
        read[0][size] = size == 0 ? seconds : Math.max(seconds, read[0][size - 1]);
        read[1][size] = volts;
        read[2][size] = amps;
        size++;
    }

    private synchronized boolean isFull() {
        return size >= MOST_MOMENTS;
    }

    private synchronized void done(String how, boolean atCutOff) {
        words = how;
        ended = atCutOff;
        running = false;
    }

    private void run() {
        Session session = new Session();
        int calls = 0;
        while (!stopped && !isFull()) {
            try (LineInstrument load = LineInstrument.call(plan.address())) {
                session.begin(load);
                calls = 0;
                session.readOn(load);
                return;
            } catch (InstrumentFault e) {
                calls++;
                if (!session.begun || calls > MOST_CALLS || !e.lineIsGone()) {
                    done(String.valueOf(e.getMessage()), false);
                    return;
                }
                say(e.getMessage() + " Calling again …");
                pause(plan.callAgain());
            }
        }
        done(
                stopped
                        ? "Stopped. The load is off unless its line was cut: look."
                        : "Two million readings are kept; no more.",
                false);
    }

    private void pause(Duration time) {
        try {
            Thread.sleep(time);
        } catch (InterruptedException e) {
            stopped = true;
        }
    }

    /** What goes on over a line that was cut. */
    private final class Session {
        private boolean begun;
        private boolean resting;
        private boolean standIn;
        private double began;
        private double wallBegan;

        void begin(LineInstrument load) throws InstrumentFault {
            standIn = load.isStandIn();
            if (standIn) {
                load.tell("BENC:HOOK " + plan.part());
            }
            if (begun) {
                return;
            }
            load.tell(String.format(Locale.ROOT, "SOUR:VOLT:CUT %.3f", plan.cutOffV()));
            load.tell(String.format(Locale.ROOT, "SOUR:CURR %.3f", plan.amps()));
            check(load.number("MEAS:VOLT?"));
            load.tell("INP ON");
            wallBegan = System.nanoTime() * NANOS;
            began = standIn ? load.number("BENC:TIME?") : 0;
            begun = true;
        }

        /** Another pack, a flat one or one that is turned round is found before anything is drawn from it. */
        private void check(double volts) throws InstrumentFault {
            if (volts < -TURNED_V) {
                throw new InstrumentFault(
                        "The load reads " + said(volts)
                                + ": plus and minus are exchanged. Disconnect the pack, then turn the plug.",
                        false);
            }
            if (volts < plan.cutOffV() || Math.abs(volts - plan.fullV()) > FULL_SHARE * plan.fullV()) {
                throw new InstrumentFault(
                        "The load reads " + said(volts) + ", and this pack has about " + said(plan.fullV())
                                + " when it is full. Is it the right pack, connected, and charged to the end?",
                        false);
            }
        }

        private String said(double volts) {
            return String.format(Locale.ROOT, "%.1f V", volts);
        }

        private double seconds(LineInstrument load) throws InstrumentFault {
            return standIn ? load.number("BENC:TIME?") - began : System.nanoTime() * NANOS - wallBegan;
        }

        /** Until the pack is at its cut-off, or somebody stops it. */
        void readOn(LineInstrument load) throws InstrumentFault {
            int odd = 0;
            while (!stopped && !isFull()) {
                try {
                    double seconds = seconds(load);
                    double volts = load.number("MEAS:VOLT?");
                    double amps = load.number("MEAS:CURR?");
                    String input = load.ask("INP?");
                    boolean on = input.startsWith("1") || input.equalsIgnoreCase("ON");
                    take(seconds, volts, amps);
                    say(String.format(Locale.ROOT, "%.3f V, %.3f A, %.0f min", volts, amps, seconds / 60));
                    odd = 0;
                    if (!resting && !on) {
                        done("At its cut-off; the load is off.", true);
                        return;
                    }
                    boolean rest = seconds > plan.restEveryS() / 2 && seconds % plan.restEveryS() < plan.restS();
                    if (rest != resting) {
                        load.tell(rest ? "INP OFF" : "INP ON");
                        resting = rest;
                    }
                } catch (InstrumentFault e) {
                    odd++;
                    say(String.valueOf(e.getMessage()));
                    if (e.lineIsGone()) {
                        throw e;
                    }
                    if (odd > MOST_ODD_ANSWERS) {
                        load.tell("INP OFF");
                        throw e;
                    }
                }
                pause(standIn ? SIMULATED : plan.pause());
            }
            load.tell("INP OFF");
            done("Stopped; the load is off.", false);
        }
    }
}
