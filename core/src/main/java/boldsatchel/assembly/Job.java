package boldsatchel.assembly;

/** What is done in a step; its words, times and tools are in {@code trade.json}. */
public enum Job {
    /** A tray is printed. */
    PRINT,
    /** A tray is cut from sheet. */
    CUT,
    /** Openings are made in a box that was found. */
    DRILL,
    /** Edges are made smooth. */
    DEBUR,
    /** Inserts are set, or threads cut. */
    THREADS,
    /** The case is washed. */
    CLEAN_CASE,
    /** It is marked which way round things are. */
    MARK,
    /** Wires are soldered, on the table. */
    SOLDER,
    /** Joints are insulated. */
    SLEEVE,
    /** Boards are washed. */
    CLEAN_BOARD,
    /** A test is done, and nothing goes on before it has passed. */
    PROVE,
    /** The system is installed. */
    INSTALL,
    /** A card or something else is put on the part that carries it. */
    RIDE,
    /** Parts are laid in and held. */
    LAY,
    /** A cable or lead is plugged in. */
    PLUG,
    /** The battery is connected. */
    BATTERY,
    /** A tray is put on another one. */
    HANG,
    /** A lid is closed. */
    SHUT,
    /** A cover is put on. */
    COVER,
    /** A film is peeled off. */
    PEEL
}
