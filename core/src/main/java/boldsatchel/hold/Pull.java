package boldsatchel.hold;

import boldsatchel.machine.Magnet;

/**
 * Pull of one round magnet on another along one axis, or on steel. Both are taken for evenly magnetised along the axis: their ends are discs
 * of magnetic charge, of which each pulls or pushes each of the other's by B²A/μ₀ ∫ J₁(u)² exp(−uz/R) du/u (J. D. Jackson, Classical
 * Electrodynamics, on magnetic charge and on cylindrical coordinates). A plate of steel that is thick and wide enough mirrors the magnet.
 */
final class Pull {

    /** Remanence of usual neodymium magnets, T; a guess, sold from 1.17 to 1.45. */
    static final double REMANENCE_T = 1.2;

    private static final double MU0 = 4e-7 * Math.PI;
    private static final int STEPS = 400;

    private Pull() {}

    /** Of one pair, N. */
    static double newtons(Magnet magnet) {
        double radius = magnet.diameterMm() / 2e3;
        double area = Math.PI * radius * radius;
        double gap = magnet.gapMm() / 1e3 * (magnet.onSteel() ? 2 : 1) / radius;
        double thick = magnet.thickMm() / 1e3 / radius;
        return REMANENCE_T * REMANENCE_T * area / MU0 * (discs(gap) + discs(gap + 2 * thick) - 2 * discs(gap + thick));
    }

    /**
     * The integral above: one half at no distance, and falling with it. By J₁² = 1/π ∫ J₀(2u sin(θ/2)) cos θ dθ over half a turn the one over u
     * is a hyperbolic function; the ends are spared by the midpoint rule.
     *
     * @param z distance of the discs, in radii
     */
    static double discs(double z) {
        double sum = 0;
        for (int i = 0; i < STEPS; i++) {
            double angle = Math.PI * (i + 0.5) / STEPS;
            double ratio = z / (2 * Math.sin(angle / 2));
            sum += Math.cos(angle) * Math.log(ratio + Math.hypot(1, ratio));
        }
        return 0.5 - sum / STEPS;
    }
}
