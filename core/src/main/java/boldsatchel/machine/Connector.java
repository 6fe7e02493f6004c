package boldsatchel.machine;

/**
 * Connectors with the room a plug needs in front of the socket: plug body plus the tightest bend a usual cable takes.
 * Typical sizes of moulded plugs; measure your own.
 */
public enum Connector {
    /** USB type A. */
    USB_A("USB-A", 16, 8, 38, 18),
    /** USB type C. */
    USB_C("USB-C", 12, 7, 32, 15),
    /** Micro USB. */
    USB_MICRO("Micro USB", 11, 8, 32, 14),
    /** Full-size HDMI. */
    HDMI("HDMI", 21, 12, 45, 20),
    /** Micro HDMI. */
    MICRO_HDMI("Micro HDMI", 12, 8, 35, 16),
    /** Embedded DisplayPort ribbon. */
    EDP("eDP", 20, 3, 10, 6),
    /** Flat camera or display cable. */
    FLAT_CABLE("flat cable", 18, 3, 8, 5),
    /** Barrel jack for direct current. */
    BARREL("DC barrel", 11, 11, 36, 16),
    /** Ethernet. */
    ETHERNET("RJ45", 14, 12, 38, 30),
    /** Headphone jack. */
    JACK("3.5 mm jack", 9, 9, 28, 14),
    /** Miniature coaxial antenna connector. */
    UFL("U.FL", 4, 4, 6, 6),
    /** Panel antenna connector. */
    SMA("SMA", 10, 10, 30, 20),
    /** Rows of pins at 2.54 mm. */
    PIN_HEADER("pin header", 52, 6, 14, 10),
    /** Full-size DisplayPort. */
    DISPLAYPORT("DisplayPort", 18, 12, 45, 20),
    /** Slot for drives. */
    M2_KEY_M("M.2 slot, key M", 22, 3, 0, 0),
    /** Slot for radio cards. */
    M2_KEY_E("M.2 slot, key E", 22, 3, 0, 0),
    /** Slot for mobile network cards and SATA drives. */
    M2_KEY_B("M.2 slot, key B", 22, 3, 0, 0),
    /** Data socket of a 2.5-inch drive. */
    SATA("SATA", 15, 5, 22, 14),
    /** Slot for memory cards. */
    CARD_SLOT("memory card slot", 12, 2, 0, 0),
    /** Small locking plug with a few wires. */
    SMALL_PLUG("small wire plug", 12, 5, 10, 8),
    /** Where wires are soldered on. */
    PADS("solder pads", 12, 3, 3, 3),
    /** Where wires are screwed down. */
    TERMINAL("screw terminal", 15, 9, 12, 10),
    /** The bare or crimped ends of single wires. */
    WIRES("single wires", 12, 3, 10, 8);

    private final String words;
    private final double plugWidthMm;
    private final double plugHeightMm;
    private final double straightRoomMm;
    private final double angledRoomMm;

    Connector(String words, double plugWidthMm, double plugHeightMm, double straightRoomMm, double angledRoomMm) {
        this.words = words;
        this.plugWidthMm = plugWidthMm;
        this.plugHeightMm = plugHeightMm;
        this.straightRoomMm = straightRoomMm;
        this.angledRoomMm = angledRoomMm;
    }

    /** The usual name. */
    public String words() {
        return words;
    }

    /** Whether single wires go to single contacts of it, so that it takes several at a time. */
    public boolean byPins() {
        return this == PIN_HEADER || this == PADS || this == TERMINAL || this == WIRES;
    }

    /** Whether a plug of one kind goes into a socket of the other. */
    boolean mates(Connector other) {
        return this == other
                || (this == WIRES && (other.byPins() || other == SMALL_PLUG))
                || (other == WIRES && (byPins() || this == SMALL_PLUG));
    }

    /** Width of the plug body, mm. */
    public double plugWidthMm() {
        return plugWidthMm;
    }

    /** Height of the plug body, mm. */
    public double plugHeightMm() {
        return plugHeightMm;
    }

    /** Room in front of the socket for a plug of a style, mm; none when nothing is plugged in inside. */
    public double roomMm(Port.Use use) {
        return switch (use) {
            case INSIDE_STRAIGHT -> straightRoomMm;
            case INSIDE_ANGLED -> angledRoomMm;
            case OUTSIDE, UNUSED -> 0;
        };
    }
}
