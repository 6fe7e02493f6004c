package boldsatchel.machine;

/** What a part is for; decides its hatch and tint in drawings and where the shelf lists it. */
public enum Family {
    /** Mini PC boards and laptop mainboards with x86 processors. */
    X86_BOARD("x86 board"),
    /** Single-board computers with ARM or RISC-V processors. */
    SINGLE_BOARD("single-board computer"),
    /** Screens, bare panels and their driver boards. */
    SCREEN("screen"),
    /** Keyboards. */
    KEYBOARD("keyboard"),
    /** Track pads, balls, sticks and mice. */
    POINTER("pointing device"),
    /** Cells, packs, power banks and tool batteries. */
    BATTERY("battery"),
    /** Chargers and protection boards. */
    CHARGER("charger"),
    /** Voltage converters. */
    CONVERTER("converter"),
    /** Hubs and adapters. */
    HUB("hub"),
    /** Drives and memory cards. */
    DRIVE("drive"),
    /** Radios and antennas. */
    RADIO("radio"),
    /** Loudspeakers, amplifiers, microphones. */
    SOUND("sound"),
    /** Fans, heat sinks, spreaders. */
    COOLING("cooling"),
    /** Hinges, feet, magnets, screws and other mechanics. */
    MECHANICS("mechanics"),
    /** Sticks, triggers, buttons and their boards. */
    CONTROL("controls"),
    /** Small boards that watch pins and drive lamps. */
    MICROCONTROLLER("microcontroller"),
    /** Cables, adapters and panel sockets. */
    CABLE("cable or adapter"),
    /** Switches, fuses, plugs and clamps. */
    ELECTRICAL("switch, fuse or plug");

    private final String words;

    Family(String words) {
        this.words = words;
    }

    /** Whether programs run on it. */
    public boolean computes() {
        return this == X86_BOARD || this == SINGLE_BOARD;
    }

    /** Whether it may have sockets that feed others. */
    public boolean passesPowerOn() {
        return computes() || this == HUB || this == SCREEN;
    }

    /** As written in a list. */
    public String words() {
        return words;
    }
}
