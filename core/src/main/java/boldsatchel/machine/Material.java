package boldsatchel.machine;

/**
 * The table of what shells are made of. Densities, conductivities, emissivities and heat capacities as in the usual engineering tables
 * (Incropera et al., Fundamentals of Heat and Mass Transfer, appendix A; VDI Heat Atlas, part D6); plastics as their makers' sheets say,
 * printed ones without their hollows. What the sun warms is that of dark surfaces, bare metal aside.
 */
public enum Material {
    /** Printed or moulded plastic, not known which. */
    PLASTIC("plastic", 1100, 0.2, 0.9, 0.9, 1.0, false),
    /** Polylactic acid. */
    PLA("PLA", 1240, 0.13, 0.9, 0.9, 1.8, false),
    /** Glycol-modified polyethylene terephthalate. */
    PETG("PETG", 1270, 0.2, 0.9, 0.9, 1.2, false),
    /** Acrylonitrile butadiene styrene. */
    ABS("ABS", 1050, 0.18, 0.9, 0.9, 1.4, false),
    /** Polycarbonate. */
    POLYCARBONATE("polycarbonate", 1200, 0.2, 0.9, 0.9, 1.2, false),
    /** Acrylic sheet. */
    ACRYLIC("acrylic", 1190, 0.19, 0.9, 0.9, 1.45, false),
    /** Bare aluminium. */
    ALUMINIUM_BARE("bare aluminium", 2700, 160, 0.1, 0.2, 0.9, true),
    /** Painted or anodised aluminium. */
    ALUMINIUM_PAINTED("painted aluminium", 2700, 160, 0.9, 0.9, 0.9, true),
    /** Painted steel sheet. */
    STEEL_PAINTED("painted steel", 7850, 50, 0.9, 0.9, 0.47, true),
    /** Bare stainless steel. */
    STAINLESS("stainless steel", 7900, 15, 0.2, 0.4, 0.48, true),
    /** Tin plate, as cans and tins are of. */
    TIN_PLATE("tin plate", 7850, 60, 0.1, 0.4, 0.45, true),
    /** Bare brass sheet. */
    BRASS("brass", 8500, 110, 0.1, 0.4, 0.38, true),
    /** Sheet of carbon fibre in resin. */
    CARBON_SHEET("carbon fibre sheet", 1550, 1, 0.9, 0.9, 0.9, true),
    /** Glass-fibre board, as circuit boards are of. */
    GLASS_FIBRE("glass-fibre board", 1850, 0.3, 0.9, 0.8, 1.1, false),
    /** Plywood. */
    PLYWOOD("plywood", 600, 0.12, 0.9, 0.7, 1.3, false),
    /** Hardwood. */
    HARDWOOD("hardwood", 720, 0.16, 0.9, 0.7, 1.6, false),
    /** Cardboard. */
    CARDBOARD("cardboard", 650, 0.07, 0.9, 0.7, 1.4, false);

    @SuppressWarnings("ImmutableEnumChecker") // A record of numbers.
    private final Substance substance;

    Material(
            String words,
            double densityKgM3,
            double conductivityWmK,
            double emissivity,
            double absorptivity,
            double heatJgK,
            boolean metal) {
        substance = new Substance(words, densityKgM3, conductivityWmK, emissivity, absorptivity, heatJgK, metal);
    }

    /** As written in a sentence. */
    public String words() {
        return substance.words();
    }

    /** Its figures. */
    public Substance substance() {
        return substance;
    }
}
