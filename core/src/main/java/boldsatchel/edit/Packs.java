package boldsatchel.edit;

import boldsatchel.build.Facet;
import boldsatchel.build.Part;
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
        Part grown = new Part(
                pack.id(),
                pack.name().replaceFirst(", as \\d+S\\d+P$", "") + ", as " + series + "S" + parallel + "P",
                pack.family(),
                pack.note(),
                Figure.guess(pack.massG().value() * share),
                Figure.guess(pack.price().value() * share),
                pack.standing(),
                pack.body()
                        .resized(
                                pack.body().widthMm(),
                                pack.body().depthMm(),
                                Figure.guess(pack.body().heightMm().value() * share)),
                pack.facets());
        Part changed = grown.withFacet(cells);
        return pack.facet(Facet.Manages.class)
                .map(m -> changed.withFacet(new Facet.Manages(m.balances(), m.reports(), m.maxChargeA() * wide)))
                .orElse(changed);
    }
}
