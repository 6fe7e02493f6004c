package boldsatchel.desktop.instruments;

import java.io.IOException;

/** What carries the letters to and from an instrument. Not for several threads. */
interface Line extends AutoCloseable {

    /** Nothing came in time. */
    int NOTHING = -2;

    /** Sends letters. */
    void send(byte[] letters) throws IOException;

    /**
     * The next letter.
     *
     * @param withinMs waits no longer
     * @return the letter, {@link #NOTHING}, or -1 where the other end has gone
     */
    int next(int withinMs) throws IOException;

    /** Throws away what has come and was not asked for. */
    void forget() throws IOException;

    @Override
    void close();
}
