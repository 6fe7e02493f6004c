package boldsatchel.balance;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Build;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.power.Copper;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Inputs;
import boldsatchel.quantity.Spread;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** What weighs how much. Apart from where it lies, so that a move does not weigh everything again. */
public final class WeightsEngine implements Engine<Weights> {

    /** An engine; all are alike. */
    public WeightsEngine() {}

    @Override
    public String about() {
        return "what weighs how much";
    }

    @Override
    public Class<Weights> result() {
        return Weights.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.WIRING);
    }

    @Override
    public Weights work(Build build, Results results) {
        return evaluate(build);
    }

    @Override
    public Weights nothing() {
        return evaluate(Build.empty(""));
    }

    /** Weighs a build. */
    public static Weights evaluate(Build build) {
        List<Weights.OfPart> parts = new ArrayList<>();
        for (Part part : build.parts().list()) {
            if (!part.staysOutside()) {
                parts.add(new Weights.OfPart(part, part.input(Part.class, "massG", part.massG()), part.sizes()));
            }
        }
        List<Weights.OfShell> shells = new ArrayList<>();
        for (Shell shell : build.casing().shells()) {
            shells.add(weight(shell));
        }
        double wiresG = wiresG(build);
        Input sundries = build.casing().sundriesInput();
        return new Weights(
                massRange(wiresG, sundries, parts, shells),
                items(wiresG, sundries, parts, shells),
                wiresG,
                sundries,
                List.copyOf(parts),
                List.copyOf(shells));
    }

    private static Weights.OfShell weight(Shell shell) {
        boolean weighed = shell.weighedG().isPresent();
        Vec at = shell.outside().centre();
        double g = shell.weighedG().map(Figure::value).orElseGet(() -> shellG(shell));
        List<Weights.Off> others = new ArrayList<>(6);
        shell.weighedG()
                .map(f -> shell.input("weighedG", f))
                .ifPresent(input ->
                        others.add(new Weights.Off(input, input.figure().sigma(), at)));
        for (Shell.Measure measure : shell.doubtful()) {
            Shell other = measure.off(shell, measure.input().figure().sigma());
            double more = weighed ? 0 : shellG(other) - g;
            others.add(new Weights.Off(measure.input(), more, other.outside().centre()));
        }
        return new Weights.OfShell(shell, g, at, others);
    }

    /** The range of the mass: a sum moves by what its parts move. */
    private static Spread massRange(
            double wiresG, Input sundries, List<Weights.OfPart> parts, List<Weights.OfShell> shells) {
        Inputs inputs = new Inputs();
        Inputs.Effects effects = inputs.new Effects();
        double sum = wiresG + sundries.figure().value();
        effects.add(sundries, sundries.figure().sigma());
        for (Weights.OfPart part : parts) {
            sum += part.massG().figure().value();
            effects.add(part.massG(), part.massG().figure().sigma());
        }
        for (Weights.OfShell shell : shells) {
            sum += shell.g();
            for (Weights.Off other : shell.others()) {
                effects.add(other.input(), other.moreG());
            }
        }
        return Spread.ofEffects(sum, inputs, effects.byPlace());
    }

    private static List<BalanceResult.Item> items(
            double wiresG, Input sundries, List<Weights.OfPart> parts, List<Weights.OfShell> shells) {
        List<BalanceResult.Item> items = new ArrayList<>();
        for (Weights.OfPart part : parts) {
            items.add(new BalanceResult.Item(
                    part.part().name(), part.massG().figure().value()));
        }
        for (Weights.OfShell shell : shells) {
            items.add(new BalanceResult.Item(shell.shell().name(), shell.g()));
        }
        items.add(new BalanceResult.Item("wires of the power chain", wiresG));
        items.add(new BalanceResult.Item(
                "screws, glue, sleeves", sundries.figure().value()));
        items.removeIf(i -> i.massG() == 0);
        items.sort((a, b) -> Double.compare(b.massG(), a.massG()));
        return List.copyOf(items);
    }

    /** Mass of a shell from its walls: outside less inside, and what is solid in it, less vents and openings, times density. */
    private static double shellG(Shell shell) {
        double mm3 = shell.outside().volume() - shell.cavity().volume() - shell.roundedMm3();
        for (Box solid : shell.ribs()) {
            mm3 += solid.volume();
        }
        for (Boss boss : shell.bosses()) {
            mm3 += boss.volumeMm3();
        }
        for (Vent vent : shell.vents()) {
            mm3 -= vent.areaMm2() * shell.wall(vent.wall()).value();
        }
        for (Opening opening : shell.openings()) {
            mm3 -= opening.areaMm2() * shell.wall(opening.wall()).value();
        }
        return Math.max(0, mm3) * 1e-9 * shell.substance().densityKgM3() * 1e3;
    }

    /** Mass of the wires of the power chain, both ways, g. */
    public static double wiresG(Build build) {
        return build.rungs()
                .filter(r -> r.stage() instanceof Rung.Wire)
                .map(r -> (Rung.Wire) r.stage())
                .mapToDouble(w -> Copper.pairMassG(w.awg(), w.lengthMm()))
                .sum();
    }
}
