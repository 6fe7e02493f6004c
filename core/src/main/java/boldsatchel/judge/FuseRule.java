package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.edit.ChainEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Usual;
import boldsatchel.power.CellCurve;
import boldsatchel.power.Sizing;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Cells can feed a short circuit; a bank or an adapter limits itself. However many packs of a build have no fuse, it is one thing that is
 * missing, and one finding.
 */
final class FuseRule implements Telling {

    /** Packs without a fuse, by the rung of each, with the chain it begins. */
    private final Map<String, Line> bare = new LinkedHashMap<>();

    private final Build build;

    private FuseRule(Build build) {
        this.build = build;
    }

    static List<Finding> judge(Build build, List<Line> lines) {
        FuseRule rule = new FuseRule(build);
        for (Line line : lines) {
            for (Rung source : line.root().sources()) {
                if (rule.cells(source.id()) && !fused(line, source)) {
                    rule.bare.put(source.id(), line);
                }
            }
        }
        Sheet sheet = new Sheet(rule);
        if (!rule.bare.isEmpty()) {
            List<String> sources = List.copyOf(rule.bare.keySet());
            sheet.add(
                    "power.no-fuse",
                    Severity.WATCH,
                    sources,
                    numbers(
                            "fuseA", rule.fuseA(sources.getFirst()),
                            "shortA",
                                    sources.stream()
                                            .mapToDouble(s -> shortA(rule.pack(s)))
                                            .max()
                                            .orElseThrow(),
                            "tripA",
                                    sources.stream()
                                            .mapToDouble(s -> rule.facet(s).tripA())
                                            .max()
                                            .orElseThrow()));
        }
        return sheet.findings();
    }

    private boolean cells(String source) {
        return build.rung(source)
                .flatMap(build::partOf)
                .flatMap(p -> p.facet(Facet.Cells.class))
                .isPresent();
    }

    private static boolean fused(Line line, Rung source) {
        return source.row().stream().anyMatch(WiringRules::isFuse)
                || (line.root().joined().isEmpty() && line.root().walk().anyMatch(WiringRules::isFuse));
    }

    /** Current of a full pack into a short circuit, A. */
    static double shortA(Part pack) {
        Facet.Cells c = pack.facet(Facet.Cells.class).orElseThrow();
        return c.series() * CellCurve.restVolts(c.chemistry(), 1) / c.ohms();
    }

    private Part pack(String source) {
        return build.rung(source).flatMap(build::partOf).orElseThrow();
    }

    private Facet.Cells facet(String source) {
        return pack(source).facet(Facet.Cells.class).orElseThrow();
    }

    private Line line(String source) {
        return java.util.Objects.requireNonNull(bare.get(source));
    }

    private double fuseA(String source) {
        Line line = line(source);
        return Sizing.fuse(line.steadyA(source), line.startA(source));
    }

    @Override
    public String sentence(Noted f) {
        String packs = f.subjects().stream().map(s -> pack(s).name()).distinct().collect(Collectors.joining(" and "));
        boolean trips = f.number("tripA") < f.number("shortA");
        return "No fuse between " + packs + " and the rest: "
                + (trips
                        ? "in a short circuit its own protection should trip at " + f.n("tripA")
                                + " A; where it does not, about " + f.n("shortA") + " A flow."
                        : "a short circuit would be fed with about " + f.n("shortA") + " A.");
    }

    @Override
    public List<Working.Step> working(Noted f) {
        String first = f.first();
        double steady = line(first).steadyA(first);
        Facet.Cells c = facet(first);
        return List.of(
                new Working.Step(
                        "Fuse",
                        "next usual rating above 1.25 · I working, and above the start-up peak",
                        "1.25 · " + n(steady) + " A = " + n(Usual.HEADROOM * steady) + " A; peak "
                                + n(line(first).startA(first)) + " A",
                        f.n("fuseA") + " A"),
                new Working.Step(
                        "Current into a short circuit",
                        "I = V / R of the pack",
                        n(c.series() * CellCurve.restVolts(c.chemistry(), 1)) + " V / " + n(c.ohms()) + " Ω",
                        n(shortA(pack(first))) + " A"));
    }

    @Override
    public List<Remedy> cures(Noted f) {
        List<Remedy> cures = new ArrayList<>();
        for (String source : f.subjects()) {
            double amps = fuseA(source);
            cures.add(Remedy.by(
                    "Put a " + n(amps) + " A fuse next to "
                            + (f.subjects().size() == 1 ? "its" : "the") + " plus terminal"
                            + (f.subjects().size() == 1
                                    ? ""
                                    : " of " + pack(source).name()),
                    ChainEdits.insertBelow(
                            build,
                            lastProtection(build.rung(source).orElseThrow()).id(),
                            ChainEdits.Piece.of("a fuse", ChainEdits.fuse(amps)))));
        }
        cures.add(Remedy.advice("Take a pack with a fuse inside, and say so in its note"));
        return cures;
    }

    private static Rung lastProtection(Rung source) {
        Rung last = source;
        for (Rung r : source.row()) {
            if (r.stage() instanceof Rung.Contact c && c.kind().protects()) {
                last = r;
            }
        }
        return last;
    }
}
