package boldsatchel.build;

import boldsatchel.quantity.Figure;

/**
 * A way for heat from a part to a wall: pad, spreader or heat pipe.
 *
 * @param part id of the part
 * @param wall the wall of its shell
 * @param ohmsKW thermal resistance, K/W
 * @param note what it is
 */
public record HeatPath(String part, Face wall, Figure ohmsKW, String note) {}
