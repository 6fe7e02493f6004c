package boldsatchel.log;

/** Why a log cannot be read: what, in which line, and what to do. */
public final class LogFault extends Exception {
    private static final long serialVersionUID = 1;

    /** In words, as a sentence. */
    public LogFault(String message) {
        super(message);
    }
}
