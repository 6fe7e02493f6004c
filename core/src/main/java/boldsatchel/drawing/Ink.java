package boldsatchel.drawing;

/** What a mark is drawn in, by meaning. The window's light and dark themes and the printed page give it a colour. */
public enum Ink {
    /** Outlines and words. */
    INK("#2b2620", "#ece4d6"),
    /** Words of less weight. */
    SOFT("#665d50", "#b9ae9c"),
    /** Guides. */
    FAINT("#b8ab97", "#6b6254"),
    /** Ground. */
    PAPER("#fbf7ef", "#211d19"),
    /** What can be acted on, and what is selected. */
    ACCENT("#0b5f78", "#62bcd4"),
    /** Fine. */
    FINE("#2c6a3f", "#7fc08f"),
    /** Watch. */
    WATCH("#8a5a00", "#e0ad4c"),
    /** Stop. */
    STOP("#a32a1d", "#f08a78"),
    /** Walls of a case. */
    WALL("#cfc4b2", "#4a4339"),
    /** Boards. */
    BOARD("#c9d8c0", "#3f5238"),
    /** Screens. */
    SCREEN("#c4d5e0", "#354b5a"),
    /** Keys and pointers. */
    KEYS("#ddd2e3", "#4c4055"),
    /** Cells. */
    ENERGY("#ecd9a8", "#5e4d22"),
    /** Chargers and converters. */
    POWER("#f0cdb8", "#64402c"),
    /** Fans and heat sinks. */
    AIR("#d3e3df", "#38504b"),
    /** Glass of a screen that is off. */
    GLASS("#3a4148", "#0f1317"),
    /** Packages on a board. */
    CHIP("#4b4a48", "#15130f"),
    /** The sleeve of a cell. */
    CELL("#d8bd78", "#7a6630"),
    /** Cool, the first of seven that grow in weight, so that they are told apart without colour. */
    HEAT_1("#f3eee2", "#2b2824"),
    /** Lukewarm. */
    HEAT_2("#f5e1ae", "#45392b"),
    /** Skin-warm. */
    HEAT_3("#f0c27c", "#674a2c"),
    /** Warm. */
    HEAT_4("#e59a58", "#94602c"),
    /** Too warm to hold. */
    HEAT_5("#cf6d45", "#c27f36"),
    /** Hot. */
    HEAT_6("#a6413b", "#e8a95c"),
    /** Very hot. */
    HEAT_7("#6c1f33", "#ffdca6"),
    /** Everything else. */
    OTHER("#dcd7cc", "#47423a");

    private final String light;
    private final String dark;

    Ink(String light, String dark) {
        this.light = light;
        this.dark = dark;
    }

    /** Colour on paper and in the light theme, as in CSS. */
    public String light() {
        return light;
    }

    /** Colour in the dark theme, as in CSS. */
    public String dark() {
        return dark;
    }
}
