package boldsatchel.machine;

/** What shells are made of. Densities, conductivities, emissivities and heat capacities as in the usual
 * engineering tables; what the sun warms is that of dark surfaces, bare aluminium aside. */
public enum Material {
    /** Printed or moulded plastic. */
    PLASTIC("plastic", 1100, 0.2, 0.9, 0.9, 1.0, false),
    /** Bare aluminium. */
    ALUMINIUM_BARE("bare aluminium", 2700, 160, 0.1, 0.2, 0.9, true),
    /** Painted or anodised aluminium. */
    ALUMINIUM_PAINTED("painted aluminium", 2700, 160, 0.9, 0.9, 0.9, true),
    /** Painted steel sheet. */
    STEEL_PAINTED("painted steel", 7850, 50, 0.9, 0.9, 0.47, true),
    /** Plywood. */
    PLYWOOD("plywood", 600, 0.12, 0.9, 0.7, 1.3, false);

    private final String words;
    private final double densityKgM3;
    private final double conductivityWmK;
    private final double emissivity;
    private final double absorptivity;
    private final double heatJgK;
    private final boolean metal;

    Material(
            String words,
            double densityKgM3,
            double conductivityWmK,
            double emissivity,
            double absorptivity,
            double heatJgK,
            boolean metal) {
        this.words = words;
        this.densityKgM3 = densityKgM3;
        this.conductivityWmK = conductivityWmK;
        this.emissivity = emissivity;
        this.absorptivity = absorptivity;
        this.heatJgK = heatJgK;
        this.metal = metal;
    }

    /** As written in a sentence. */
    public String words() {
        return words;
    }

    /** kg/m³. */
    public double densityKgM3() {
        return densityKgM3;
    }

    /** W/(m·K). */
    public double conductivityWmK() {
        return conductivityWmK;
    }

    /** Of its surface in the infrared, 0 to 1. */
    public double emissivity() {
        return emissivity;
    }

    /** Share of sunshine that it takes up, 0 to 1. */
    public double absorptivity() {
        return absorptivity;
    }

    /** Heat that warms a gram by a kelvin, J/(g·K). */
    public double heatJgK() {
        return heatJgK;
    }

    /** Whether it is metal: shields radio and feels hotter. */
    public boolean metal() {
        return metal;
    }
}
