package boldsatchel.balance;

import boldsatchel.geometry.Vec;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Spread;
import java.util.List;

/**
 * What weighs how much, wherever it lies.
 *
 * @param massG everything
 * @param items what weighs how much, heaviest first
 * @param wiresG the wires of the power chain, both ways, g
 * @param sundries screws, glue, sleeves
 * @param parts those that are not left outside
 * @param shells every tray
 */
public record Weights(
        Spread massG,
        List<BalanceResult.Item> items,
        double wiresG,
        Input sundries,
        List<OfPart> parts,
        List<OfShell> shells) {

    /**
     * A part.
     *
     * @param massG its mass
     * @param sizes its width, depth and height
     */
    public record OfPart(Part part, Input massG, List<Input> sizes) {}

    /**
     * A shell.
     *
     * @param g its mass, g
     * @param at its middle, in its own frame
     * @param others with each figure that its mass or its middle go with off by a standard deviation
     */
    public record OfShell(Shell shell, double g, Vec at, List<Off> others) {}

    /**
     * A shell with one of its figures off by a standard deviation.
     *
     * @param moreG what it weighs more, g
     * @param at its middle
     */
    public record Off(Input input, double moreG, Vec at) {}
}
