package boldsatchel.verdict;

/** How a verdict stands; worse ones come later. */
public enum State {
    /** Holds, with the doubt there is. */
    FINE("fine"),
    /** Holds, but narrowly or not for certain. */
    WATCH("watch"),
    /** Does not hold. */
    STOP("stop");

    private final String words;

    State(String words) {
        this.words = words;
    }

    /** As shown and as written in files. */
    public String words() {
        return words;
    }
}
