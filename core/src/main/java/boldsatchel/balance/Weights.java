package boldsatchel.balance;

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
     * @param input what its mass goes with
     * @param g its mass, g
     * @param sigmaG how that moves when the input moves by one standard deviation, g
     */
    public record OfShell(Shell shell, Input input, double g, double sigmaG) {}
}
