package boldsatchel.arrange;

import boldsatchel.cables.CablesResult;
import boldsatchel.cables.Lead;
import boldsatchel.cables.Way;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.hands.HandsResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.quantity.Units;
import boldsatchel.stow.Lying;
import boldsatchel.verdict.Evaluation;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoubleFunction;
import java.util.function.ToDoubleFunction;

/**
 * What may be wished for beside what is always read; each is a number of which less is better. What nobody wishes for does not count.
 *
 * @param words as it is wished for
 * @param reading as it is read
 */
public record Aim(String words, Reading reading) {

    /** Straight from end to end of each, closed, as no way is known before all lies: what is laid is longer. */
    public static final Aim CABLES =
            of("cables", "short cables", "Cables, straight", 0, 50, Aim::cablesMm, v -> Units.format(v, 0, "mm"));

    /** On a wrist, or on the neck or elbow that wears it, where that is most over all postures; elbows that hold it bear its weight, however it is packed. */
    public static final Aim HANDS =
            of("hands", "light in the hands", "Grip moment", 2, 0.1, Aim::gripNm, v -> Units.format(v, 2, "N·m"));

    /** Parts that have to be lifted out before a battery, a drive or a card is free, over all of these. */
    public static final Aim AT_HAND = of(
            "at-hand", "battery and cards at hand", "Over battery and cards", 0, 1, Aim::over, v -> counted(v, "part"));

    /** Sides of parts, from left to right and from front to back, that are flush with no other and no wall. */
    public static final Aim IN_LINE =
            of("in-line", "parts in line", "Out of line", 0, 1, e -> Lines.outOf(e.build()), v -> counted(v, "side"));

    /** How far the middles of what is looked at or pressed are from the middle of their tray, from left to right, added up. */
    public static final Aim CENTRED = of(
            "centred",
            "screens and keys in the middle",
            "Off the middle",
            0,
            10,
            Aim::offMm,
            v -> Units.format(v, 0, "mm"));

    /** All there are, as they are shown. */
    public static final List<Aim> ALL = List.of(CABLES, HANDS, AT_HAND, IN_LINE, CENTRED);

    /** What lies on another may be so much lower, mm. */
    private static final double ON_MM = 0.5;

    private static final Set<Family> TAKEN_OUT = EnumSet.of(Family.BATTERY, Family.DRIVE);

    private static Aim of(
            String id,
            String words,
            String title,
            int decimals,
            double step,
            ToDoubleFunction<Evaluation> of,
            DoubleFunction<String> format) {
        return new Aim(
                words,
                new Reading(
                        id,
                        title,
                        Reading.Sense.LESS,
                        OptionalDouble.empty(),
                        decimals,
                        of,
                        v -> Double.isNaN(v) ? "–" : format.apply(v),
                        new Burden(Burden.Counts.STEPS, step)));
    }

    private static String counted(double value, String what) {
        return Math.round(value) + " " + what + (Math.round(value) == 1 ? "" : "s");
    }

    /** How all are read. */
    static List<Reading> readings() {
        return ALL.stream().map(Aim::reading).toList();
    }

    /** As it is asked for on the command line. */
    public String id() {
        return reading.id();
    }

    /** Whether there is anything to read of it. */
    public boolean isOf(Evaluation evaluation) {
        return !Double.isNaN(reading.of().applyAsDouble(evaluation));
    }

    /** Whether it is served by moving parts until they are flush or in the middle, which packing them tightly does not do by itself. */
    boolean isOfLines() {
        return equals(IN_LINE) || equals(CENTRED);
    }

    private static double cablesMm(Evaluation evaluation) {
        Build build = evaluation.build();
        Map<String, Placed> lying = new HashMap<>();
        evaluation.of(FitResult.class).placed().forEach(p -> lying.put(p.id(), p));
        double sum = 0;
        for (Lead lead : evaluation.of(CablesResult.class).leads()) {
            Placed one = lying.get(lead.one().part());
            Placed other = lying.get(lead.other().part());
            if (one != null && other != null) {
                sum += Way.straightMm(lead, one, other, build.casing());
            }
        }
        return sum;
    }

    private static double gripNm(Evaluation evaluation) {
        return evaluation.of(HandsResult.class).postures().stream()
                .flatMap(p -> p.loads().stream())
                .filter(l -> l.bearer() != HandsResult.Bearer.ELBOW)
                .mapToDouble(HandsResult.Load::momentNm)
                .max()
                .orElse(Double.NaN);
    }

    private static double over(Evaluation evaluation) {
        List<Placed> all = evaluation.of(FitResult.class).placed();
        int sum = 0;
        for (Placed taken : all) {
            if (TAKEN_OUT.contains(taken.part().family())) {
                Set<Placed> over = new LinkedHashSet<>();
                addOver(taken, all, over);
                sum += over.size();
            }
        }
        return sum;
    }

    /** What lies over a part, and what lies over that: each goes straight out of its tray. */
    private static void addOver(Placed below, List<Placed> all, Set<Placed> over) {
        for (Placed above : all) {
            if (isOver(above, below) && over.add(above)) {
                addOver(above, all, over);
            }
        }
    }

    private static boolean isOver(Placed above, Placed below) {
        Box a = above.bounds();
        Box b = below.bounds();
        return above.shell().equals(below.shell())
                && a.z() >= b.high(2) - ON_MM
                && a.gapAlong(0, b) < 0
                && a.gapAlong(1, b) < 0;
    }

    private static double offMm(Evaluation evaluation) {
        return evaluation.of(FitResult.class).placed().stream()
                .filter(p -> Lying.facesUp(p.part()))
                .mapToDouble(p -> Math.abs(
                        p.bounds().centre().x() - p.shell().cavity().centre().x()))
                .sum();
    }
}
