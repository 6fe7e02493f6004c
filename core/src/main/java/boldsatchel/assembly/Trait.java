package boldsatchel.assembly;

/** What rules of the trade ask of steps; which step has which is told where steps are made ({@link Steps}). */
public enum Trait {
    /** Makes chips or dust. */
    DUSTY,
    /** Makes threads. */
    THREADING,
    /** Brings water to the case. */
    WASHING_CASE,
    /** Brings solvent to boards. */
    WASHING_BOARD,
    /** Writes on things. */
    MARKING,
    /** Brings an iron. */
    SOLDERING,
    /** Insulates joints. */
    SLEEVING,
    /** Has electronics in it. */
    ELECTRONIC,
    /** Goes on inside the case. */
    INSIDE,
    /** Lays in something flat. */
    FLAT,
    /** Lays in something tall. */
    TALL,
    /** Plugs a ribbon. */
    RIBBON,
    /** Joins two parts electrically. */
    WIRING,
    /** Makes the machine live. */
    LIVE,
    /** Proves something on the table. */
    PROVING_LOOSE,
    /** Proves the pack. */
    PROVING_PACK,
    /** Proves something in the open case. */
    PROVING_OPEN,
    /** Proves something in the closed case. */
    PROVING_CLOSED,
    /** Installs the system. */
    INSTALLING,
    /** Closes the case. */
    CLOSING,
    /** Glues. */
    GLUING,
    /** Takes a film off. */
    PEELING,
    /** Every step but those that take a film off. */
    ANYTHING_ELSE
}
