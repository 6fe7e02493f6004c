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
     * @param g its mass, g
     * @param effects how that moves with each measure that it goes with
     */
    public record OfShell(Shell shell, double g, List<Effect> effects) {}

    /**
     * A measure that moves a mass.
     *
     * @param sigmaG by how much, when it moves by one standard deviation, g
     */
    public record Effect(Input input, double sigmaG) {}
}
