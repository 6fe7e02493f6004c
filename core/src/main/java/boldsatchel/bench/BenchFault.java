package boldsatchel.bench;

/** Why nothing comes of a test or a log: what, and what to do. */
public final class BenchFault extends Exception {
    private static final long serialVersionUID = 1;

    /** In words, as a sentence. */
    public BenchFault(String message) {
        super(message);
    }
}
