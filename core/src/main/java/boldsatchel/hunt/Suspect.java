package boldsatchel.hunt;

/**
 * A cause before anything is checked.
 *
 * @param cause which
 * @param prior how likely beside the others, 0 to 1
 * @param why what of this build speaks for it; empty where nothing does
 */
record Suspect(Cause cause, double prior, String why) {}
