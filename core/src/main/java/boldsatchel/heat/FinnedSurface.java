package boldsatchel.heat;

import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import java.util.Optional;

/**
 * Fins as channels side by side: what they give off to the air that comes in between them, and what they take of the pressure that drives it. Their
 * foot is taken for one temperature; it and the tips give off nothing themselves.
 *
 * @param channels between the fins
 * @param gapM between two fins
 * @param heightM from their foot to their tips
 * @param lengthM along the air
 * @param thickM of a fin
 * @param conductivityWmK of their metal
 */
record FinnedSurface(int channels, double gapM, double heightM, double lengthM, double thickM, double conductivityWmK) {

    private static final double MM = 1e-3;
    /** Fins no further apart than this are taken for a block. */
    private static final double LEAST_GAP_MM = 0.1;
    /** Pressure that a flow between plates needs to become what it stays, over that of its speed (Shah and London, Laminar Flow Forced Convection in Ducts, 1978). */
    private static final double BECOMES = 0.674;
    /** What the edges of sharp entries take at most, likewise (Kays and London, Compact Heat Exchangers, ch. 5). */
    private static final double ENTRY = 0.42;
    /** About what air between warm fins has, K. */
    private static final double FILM_K = 320;

    /** Of a part's fins, as far as they fit into it; nothing where it has none. */
    static Optional<FinnedSurface> of(Part part) {
        return part.facet(Facet.Fins.class).flatMap(f -> of(f.within(part.body().bounds())));
    }

    /** Of fins; nothing where no air gets between them. */
    static Optional<FinnedSurface> of(Facet.Fins fins) {
        return fins.gapMm() < LEAST_GAP_MM || fins.count() < 2
                ? Optional.empty()
                : Optional.of(new FinnedSurface(
                        fins.count() - 1,
                        fins.gapMm() * MM,
                        fins.heightMm() * MM,
                        fins.lengthMm() * MM,
                        fins.thickMm() * MM,
                        fins.conductivityWmK()));
    }

    /** Across the air, between all fins, m². */
    double openM2() {
        return channels * gapM * heightM;
    }

    /** Share of the way across the fins that is open. */
    private double openShare() {
        return gapM / (gapM + thickM);
    }

    private double areaM2() {
        return 2 * channels * heightM * lengthM;
    }

    /**
     * What they give off to air that is driven through them, W for a kelvin above the air that comes in: laminar, on its way to become what it stays
     * (Teertstra, Yovanovich and Culham, Analytical forced convection modeling of plate fin heat sinks, Journal of Electronics Manufacturing 10, 2000,
     * 253), so never more than the air can take up.
     *
     * @param flowM3s through all of them
     */
    double forcedWK(double flowM3s) {
        if (flowM3s <= 0) {
            return 0;
        }
        double reynolds = flowM3s / openM2() * gapM / Air.KINEMATIC * gapM / lengthM;
        double developed = reynolds * Air.PRANDTL / 2;
        double developing =
                0.664 * Math.sqrt(reynolds) * Math.cbrt(Air.PRANDTL) * Math.sqrt(1 + 3.65 / Math.sqrt(reynolds));
        double nusselt = 1 / Math.cbrt(1 / cubed(developed) + 1 / cubed(developing));
        return givenWK(nusselt * Air.CONDUCTIVITY / gapM);
    }

    private static double cubed(double x) {
        return x * x * x;
    }

    /**
     * The same where air is driven through a share of them only.
     *
     * @param share more than nothing, 1 at most
     */
    double forcedWK(double flowM3s, double share) {
        return share * forcedWK(flowM3s / share);
    }

    /**
     * What upright channels give off to air that rises in them by its warmth (Bar-Cohen and Rohsenow, Thermally optimum spacing of vertical, natural
     * convection cooled, parallel plates, Journal of Heat Transfer 106, 1984, 116).
     *
     * @param differenceK of the fins above the air that comes in
     * @param flow takes what is given off, W, and how that grows, W/K
     */
    void risen(double differenceK, Link.Flow flow) {
        double size = Math.max(Air.LEAST_DIFFERENCE_K, Math.abs(differenceK));
        double elenbaas = Air.GRAVITY
                * size
                / FILM_K
                * Math.pow(gapM, 4)
                * Air.PRANDTL
                / (lengthM * Air.KINEMATIC * Air.KINEMATIC);
        double narrow = 576 / (elenbaas * elenbaas);
        double wide = 2.873 / Math.sqrt(elenbaas);
        double given = givenWK(Air.CONDUCTIVITY / gapM / Math.sqrt(narrow + wide));
        double power = (narrow + wide / 4) / (narrow + wide);
        flow.watts = given * differenceK;
        flow.slope = given * (1 + power);
    }

    /** What they give off with a coefficient, W/K: fins are cooler towards their tips (Incropera and DeWitt, ch. 3.6). */
    private double givenWK(double wm2K) {
        double root = heightM * Math.sqrt(2 * wm2K / (conductivityWmK * thickM));
        return wm2K * areaM2() * (root < 1e-6 ? 1 : Math.tanh(root) / root);
    }

    /**
     * What they take of the pressure: in proportion to the flow as between wide plates, and with its square what it takes to get in, to become what it stays
     * and to get out.
     *
     * @param share of them that the air goes through
     */
    AirNetwork.Orifice resists(double share) {
        double open = openM2() * share;
        double out = 1 - openShare();
        double squares = BECOMES + ENTRY * (1 - openShare() * openShare()) + out * out;
        return new AirNetwork.Orifice(
                open / (Air.DISCHARGE * Math.sqrt(squares)),
                12 * Air.KINEMATIC * Air.DENSITY * lengthM / (gapM * gapM * Math.max(1e-9, open)));
    }
}
