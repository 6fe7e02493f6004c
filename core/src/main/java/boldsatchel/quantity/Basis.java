package boldsatchel.quantity;

/** How a number came to be known, and so how far it may be trusted. */
public enum Basis {
    /** Read off the part itself with an instrument. */
    MEASURED("measured", 0.02),
    /** Taken from the maker's data sheet. */
    DATA_SHEET("data sheet", 0.10),
    /** Somebody's guess. */
    GUESS("guess", 0.30),
    /** Decided by the builder, and made that close. */
    PLANNED("planned", 0.002);

    private final String words;
    private final double defaultShare;

    Basis(String words, double defaultShare) {
        this.words = words;
        this.defaultShare = defaultShare;
    }

    /** As written in a sentence. */
    public String words() {
        return words;
    }

    /** Half width of the range assumed where none is given, as a share of the value. */
    public double defaultShare() {
        return defaultShare;
    }
}
