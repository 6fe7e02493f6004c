package boldsatchel.bench;

/** How instrument and part are connected in a test. */
public enum HookUp {
    /** Probes on its terminals, and nothing else. */
    BARE,
    /** Probes across its terminals while it runs; nothing is opened. */
    ACROSS,
    /** Between what feeds it and itself. */
    IN_LINE,
    /** The load on its terminals, with sense wires of their own. */
    LOADED,
    /** Fed from a supply, the meter at its output. */
    SUPPLIED,
    /** Nothing is connected. */
    NONE
}
