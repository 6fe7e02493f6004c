package boldsatchel.cables;

import boldsatchel.machine.Connector;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.power.Copper;
import java.util.List;

/**
 * How thick something is that is led between parts, and how tightly it bends. Where nobody measured it, it is guessed: a round cable half as
 * thick as the lower side of its plugs, a flat one as wide as what goes into its sockets. At rest a round cable bends to four times its
 * thickness, as ANSI/TIA-568 has it for cables of four pairs; a flat one, by rule of thumb, to ten times its own.
 *
 * @param wideMm width; of what is round its thickness
 * @param thickMm thickness
 * @param flat whether it bends over its flat side only
 * @param bendMm tightest radius of its middle
 * @param guessed whether its size is a guess
 */
public record Girth(double wideMm, double thickMm, boolean flat, double bendMm, boolean guessed) {

    private static final double ROUND_BENDS = 4;
    private static final double FLAT_BENDS = 10;
    private static final double USUAL_FLAT_MM = 0.3;
    private static final double LEAST_MM = 1;
    private static final double MOST_MM = 8;
    /** Both insulations of a hook-up wire, mm; usual. */
    private static final double INSULATION_MM = 0.8;
    /** Round things side by side are tied to a bundle so many times as thick as the root of the sum of their squares: usual in harnesses. */
    private static final double BUNDLES = 1.2;

    /** Of a round cable. */
    private static Girth round(double mm, boolean guessed) {
        return new Girth(mm, mm, false, ROUND_BENDS * mm, guessed);
    }

    /** Of a cable between sockets. */
    static Girth of(Facet.Joins joins, List<Port> plugs) {
        Girth usual = joins.flat()
                ? flat(
                        joins.wideMm().orElseGet(() -> widest(plugs)),
                        joins.thickMm().orElse(USUAL_FLAT_MM),
                        joins.wideMm().isEmpty() || joins.thickMm().isEmpty())
                : joins.wideMm().map(mm -> round(mm, false)).orElseGet(() -> ofLead(plugs));
        return joins.bendMm()
                .map(mm -> new Girth(usual.wideMm, usual.thickMm, usual.flat, mm, usual.guessed))
                .orElse(usual);
    }

    private static Girth flat(double wide, double thick, boolean guessed) {
        return new Girth(wide, thick, true, FLAT_BENDS * thick, guessed);
    }

    private static double widest(List<Port> plugs) {
        return plugs.stream()
                .map(Port::connector)
                .mapToDouble(Connector::mouthWidthMm)
                .max()
                .orElse(USUAL_FLAT_MM);
    }

    /** Of a lead that somebody fixed to a part. */
    static Girth ofLead(List<Port> plugs) {
        double lower = plugs.stream()
                .map(Port::connector)
                .mapToDouble(c -> Math.min(c.plugHeightMm(), c.plugWidthMm()))
                .max()
                .orElse(LEAST_MM);
        return round(Math.clamp(lower / 2, LEAST_MM, MOST_MM), true);
    }

    /** Of a pair of wires. */
    static Girth of(Rung.Wire wire) {
        Girth one = round(Copper.diameterMm(wire.awg()) + INSULATION_MM, false);
        double pair = bundleMm(List.of(one, one));
        return new Girth(pair, pair, false, one.bendMm, false);
    }

    /** Half of its thickness. */
    double radiusMm() {
        return thickMm / 2;
    }

    /** Of a bundle of several, its thickness, mm. */
    static double bundleMm(List<Girth> together) {
        double squares = 0;
        for (Girth girth : together) {
            squares += girth.wideMm * girth.thickMm;
        }
        return together.size() == 1 ? together.getFirst().thickMm : BUNDLES * Math.sqrt(squares);
    }

    /** What it takes across its length, mm²; of what is round the square about it, for round things leave corners. */
    public double takesMm2() {
        return wideMm * thickMm;
    }
}
