package boldsatchel.verdict;

/** How much a finding matters; graver ones come first. */
public enum Severity {
    /** It will not work. */
    STOP("stop"),
    /** It may not work, or not well. */
    WATCH("watch"),
    /** Worth knowing. */
    NOTE("note");

    private final String words;

    Severity(String words) {
        this.words = words;
    }

    /** As shown and as written in files. */
    public String words() {
        return words;
    }
}
