package boldsatchel.machine;

import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;

/**
 * What a wall is of, by the figures that count.
 *
 * @param words its name, as written in a sentence
 * @param densityKgM3 of it
 * @param conductivityWmK of heat
 * @param emissivity of its surface in the infrared
 * @param absorptivity share of sunshine that it takes up
 * @param heatJgK heat that warms a gram by a kelvin
 * @param metal whether it shields radio and feels hotter
 */
public record Substance(
        @Label("name") String words,

        @Label(value = "density", in = Quantity.DENSITY, absent = 1100, least = 10)
        double densityKgM3,

        @Label(value = "conducts heat", in = Quantity.CONDUCTIVITY, absent = 0.2, least = 0.01)
        double conductivityWmK,

        @Label(value = "emissivity", in = Quantity.SHARE, absent = 0.9, least = 0.02)
        double emissivity,

        @Label(value = "takes up of sunshine", in = Quantity.SHARE, absent = 0.9)
        double absorptivity,

        @Label(value = "heat capacity", in = Quantity.SPECIFIC_HEAT, absent = 1, least = 0.1)
        double heatJgK,

        @Label("is metal") boolean metal) {}
