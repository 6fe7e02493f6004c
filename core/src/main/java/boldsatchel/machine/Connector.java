package boldsatchel.machine;

/**
 * Connectors with the room a plug needs in front of the socket, its body plus the tightest bend a usual cable takes, and the size of what goes
 * into the socket.  * Typical sizes of moulded plugs; measure your own.
 */
public enum Connector {
    /** USB type A. */
    USB_A("USB-A", 16, 8, 38, 18, 12.2, 4.7),
    /** USB type C. */
    USB_C("USB-C", 12, 7, 32, 15, 8.5, 2.7),
    /** Micro USB. */
    USB_MICRO("Micro USB", 11, 8, 32, 14, 7, 2),
    /** Full-size HDMI. */
    HDMI("HDMI", 21, 12, 45, 20, 14.1, 4.6),
    /** Micro HDMI. */
    MICRO_HDMI("Micro HDMI", 12, 8, 35, 16, 6.2, 2.4),
    /** Embedded DisplayPort ribbon. */
    EDP("eDP", 20, 3, 10, 6, 18, 1.2),
    /** Flat camera or display cable. */
    FLAT_CABLE("flat cable", 18, 3, 8, 5, 16.5, 0.6),
    /** Barrel jack for direct current. */
    BARREL("DC barrel", 11, 11, 36, 16, 5.7, 5.7),
    /** Ethernet. */
    ETHERNET("RJ45", 14, 12, 38, 30, 11.8, 8.3),
    /** Headphone jack. */
    JACK("3.5 mm jack", 9, 9, 28, 14, 3.6, 3.6),
    /** Miniature coaxial antenna connector. */
    UFL("U.FL", 4, 4, 6, 6, 2.6, 2.6),
    /** Panel antenna connector. */
    SMA("SMA", 10, 10, 30, 20, 6.5, 6.5),
    /** Rows of pins at 2.54 mm. */
    PIN_HEADER("pin header", 52, 6, 14, 10, 51, 5.2),
    /** Full-size DisplayPort. */
    DISPLAYPORT("DisplayPort", 18, 12, 45, 20, 16.2, 4.9),
    /** Slot for drives. */
    M2_KEY_M("M.2 slot, key M", 22, 3, 0, 0, 22, 0.9),
    /** Slot for radio cards. */
    M2_KEY_E("M.2 slot, key E", 22, 3, 0, 0, 22, 0.9),
    /** Slot for mobile network cards and SATA drives. */
    M2_KEY_B("M.2 slot, key B", 22, 3, 0, 0, 22, 0.9),
    /** Data socket of a 2.5-inch drive. */
    SATA("SATA", 15, 5, 22, 14, 12.6, 3.2),
    /** Slot for memory cards. */
    CARD_SLOT("memory card slot", 12, 2, 0, 0, 11.2, 1.1),
    /** Small locking plug with a few wires. */
    SMALL_PLUG("small wire plug", 12, 5, 10, 8, 11, 4.5),
    /** Where wires are soldered on. */
    PADS("solder pads", 12, 3, 3, 3, 12, 3),
    /** Where wires are screwed down. */
    TERMINAL("screw terminal", 15, 9, 12, 10, 15, 9),
    /** The bare or crimped ends of single wires. */
    WIRES("single wires", 12, 3, 10, 8, 12, 3),
    /** Mini USB. */
    USB_MINI("Mini USB", 11, 9, 32, 14, 7.8, 3.9),
    /** USB type B, square. */
    USB_B("USB-B", 13, 12, 42, 22, 8.6, 7.9),
    /** Mini HDMI. */
    MINI_HDMI("Mini HDMI", 16, 9, 38, 18, 10.5, 2.6),
    /** Mini DisplayPort. */
    MINI_DISPLAYPORT("Mini DisplayPort", 11, 9, 35, 16, 7.6, 4.7),
    /** Analogue picture, 15 pins. */
    VGA("VGA", 32, 16, 55, 32, 25, 12.6),
    /** Digital picture, 24 pins. */
    DVI("DVI", 41, 16, 55, 35, 37, 12),
    /** Serial, nine pins. */
    DE9("DE-9", 32, 16, 52, 32, 25, 12.6),
    /** Headphone jack, small. */
    JACK_2_5("2.5 mm jack", 8, 8, 24, 12, 2.7, 2.7),
    /** Jack of instruments. */
    JACK_6_3("6.3 mm jack", 15, 15, 60, 32, 6.6, 6.6),
    /** Full-size memory cards. */
    SD_SLOT("SD card slot", 24, 2.1, 0, 0, 24.4, 2.4),
    /** Plug of a fan, three or four wires. */
    FAN("fan plug", 11, 7, 14, 10, 10.5, 6),
    /** Two thick poles of a pack. */
    TWO_POLES("two-pole battery plug", 16, 9, 28, 18, 16, 8.2);

    private final String words;
    private final double plugWidthMm;
    private final double plugHeightMm;
    private final double straightRoomMm;
    private final double angledRoomMm;
    private final double mouthWidthMm;
    private final double mouthHeightMm;

    Connector(
            String words,
            double plugWidthMm,
            double plugHeightMm,
            double straightRoomMm,
            double angledRoomMm,
            double mouthWidthMm,
            double mouthHeightMm) {
        this.words = words;
        this.plugWidthMm = plugWidthMm;
        this.plugHeightMm = plugHeightMm;
        this.straightRoomMm = straightRoomMm;
        this.angledRoomMm = angledRoomMm;
        this.mouthWidthMm = mouthWidthMm;
        this.mouthHeightMm = mouthHeightMm;
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

    /** Width of the metal of the plug, or of the card: what goes into the socket, mm. */
    public double mouthWidthMm() {
        return mouthWidthMm;
    }

    /** Height of what goes into the socket, mm. */
    public double mouthHeightMm() {
        return mouthHeightMm;
    }

    /** Whether what goes into the socket is round. */
    public boolean isRound() {
        return mouthWidthMm == mouthHeightMm;
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
