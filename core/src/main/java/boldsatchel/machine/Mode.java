package boldsatchel.machine;

/** What a load is doing. */
public enum Mode {
    /** Switched off, still connected. */
    OFF,
    /** Asleep. */
    SLEEP,
    /** On, waiting. */
    IDLE,
    /** Working. */
    BUSY,
    /** The short peak of starting up. */
    START;

    /** As written in a sentence. */
    public String words() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
