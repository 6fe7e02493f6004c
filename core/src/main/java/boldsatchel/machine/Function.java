package boldsatchel.machine;

/** What a machine does for its user that depends on what its boards have and on the system that runs on them. */
public enum Function {
    /** Draws quickly, by the graphics of the processor. */
    GRAPHICS("graphics"),
    /** The board's own output to a bare panel. */
    PANEL("panel output"),
    /** Feels fingers on the screen. */
    TOUCH("touch"),
    /** Moves a pointer. */
    POINTING("pointing"),
    /** Wireless network. */
    NETWORK("wireless network"),
    /** Short-range radio. */
    BLUETOOTH("Bluetooth"),
    /** Is heard. */
    SOUND("sound"),
    /** Wakes up where it was left. */
    SLEEP("sleep"),
    /** I2C, SPI, serial lines and pins. */
    BUSES("buses and pins"),
    /** Keeps files. */
    STORAGE("storage");

    private final String words;

    Function(String words) {
        this.words = words;
    }

    /** As said in a sentence. */
    public String words() {
        return words;
    }
}
