package boldsatchel.cost;

import boldsatchel.quantity.Spread;

/**
 * What the build costs, in the currency of the brief.
 *
 * @param toSpend still to be spent: to buy or ordered
 * @param inHand worth of what is owned or salvaged
 */
public record CostResult(Spread toSpend, double inHand) {}
