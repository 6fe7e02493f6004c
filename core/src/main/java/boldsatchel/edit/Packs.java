package boldsatchel.edit;

import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Figure;

/** Packs of other sizes, made of the same cells. */
public final class Packs {

    private Packs() {}

    /**
     * The same cells in other numbers: mass, price, height and currents in proportion, as guesses.
     *
     * @param series cells in series, at least one
     * @param parallel cells in parallel, at least one
     */
    public static Part with(Part pack, int series, int parallel) {
        Facet.Cells c = pack.facet(Facet.Cells.class).orElseThrow();
        double share = (double) series * parallel / (c.series() * c.parallel());
        double wide = (double) parallel / c.parallel();
        Facet.Cells cells = new Facet.Cells(
                c.chemistry(),
                series,
                parallel,
                c.capacityAh(),
                c.nominalV(),
                c.cellOhms(),
                c.packOhms(),
                c.cutoffV(),
                c.maxDischargeA() * wide,
                c.tripA() * wide,
                c.ownCutoff(),
                c.health());
        Part grown = pack.named(
                        pack.name().replaceFirst(", as \\d+S\\d+P$", "") + ", as " + series + "S" + parallel + "P")
                .weighing(Figure.guess(pack.massG().value() * share))
                .priced(Figure.guess(pack.price().value() * share))
                .withBody(pack.body()
                        .resized(
                                pack.body().widthMm(),
                                pack.body().depthMm(),
                                Figure.guess(pack.body().heightMm().value() * share)));
        Part changed = grown.withFacet(cells);
        return pack.facet(Facet.Manages.class)
                .map(m -> changed.withFacet(new Facet.Manages(m.balances(), m.reports(), m.maxChargeA() * wide)))
                .orElse(changed);
    }
}
