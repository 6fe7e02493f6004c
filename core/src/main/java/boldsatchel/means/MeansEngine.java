package boldsatchel.means;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** Compares what the build asks for with the tools at hand. What nobody said is not looked at. */
public final class MeansEngine implements Engine<Lacks> {

    /** An engine; all are alike. */
    public MeansEngine() {}

    @Override
    public String about() {
        return "whether the tools are up to it";
    }

    @Override
    public Class<Lacks> result() {
        return Lacks.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.WIRING);
    }

    @Override
    public Lacks work(Build build, Results results) {
        return evaluate(build);
    }

    @Override
    public Lacks nothing() {
        return new Lacks(List.of());
    }

    /** Looks a build over. */
    public static Lacks evaluate(Build build) {
        List<Lack> lacks = new ArrayList<>();
        build.brief().workshop().ifPresent(w -> {
            build.casing().shells().forEach(s -> making(s, w, lacks));
            joining(build, w, lacks);
        });
        return new Lacks(lacks);
    }

    private static Lack lack(Lack.Kind kind, List<String> subjects) {
        return new Lack(kind, subjects, Double.NaN, Double.NaN);
    }

    private static void making(Shell shell, Brief.Workshop tools, List<Lack> lacks) {
        List<String> it = List.of(shell.id());
        switch (shell.making()) {
            case PRINTED ->
                tools.bed()
                        .ifPresentOrElse(
                                bed -> shell.pieces().stream()
                                        .flatMap(piece -> bed.beyond(piece).stream())
                                        .max(Comparator.comparingDouble(over -> over.size() - over.limit()))
                                        .ifPresent(over ->
                                                lacks.add(new Lack(Lack.Kind.BED, it, over.size(), over.limit()))),
                                () -> lacks.add(lack(Lack.Kind.NO_PRINTER, it)));
            case CUT -> {
                if (!tools.cuts()) {
                    lacks.add(lack(Lack.Kind.NO_CUTTER, it));
                }
            }
            case FOUND -> {
                if (!tools.drills()
                        && !tools.cuts()
                        && shell.substance().metal()
                        && !(shell.vents().isEmpty() && shell.openings().isEmpty())) {
                    lacks.add(lack(Lack.Kind.NO_DRILL, it));
                }
            }
        }
    }

    private static void joining(Build build, Brief.Workshop tools, List<Lack> lacks) {
        List<String> bare = ids(build, MeansEngine::isBarePack);
        if (!tools.spotWelds() && !bare.isEmpty()) {
            lacks.add(lack(Lack.Kind.NO_WELDER, bare));
        }
        if (!tools.solders() && !tools.hotAir()) {
            List<String> soldered = new ArrayList<>(ids(
                    build, p -> p.alterations().stream().anyMatch(a -> a.kind().solders())));
            build.rungs()
                    .filter(r -> r.stage() instanceof Rung.Wire w && w.lengthMm() > 0)
                    .map(Rung::id)
                    .forEach(soldered::add);
            if (!soldered.isEmpty()) {
                lacks.add(lack(Lack.Kind.NO_IRON, soldered));
            }
        }
    }

    private static List<String> ids(Build build, Predicate<Part> which) {
        return build.parts().list().stream().filter(which).map(Part::id).toList();
    }

    /** Several cells that are still to be bought, without a circuit or socket of their own: they are joined by the builder. */
    private static boolean isBarePack(Part part) {
        return !part.standing().here()
                && part.facet(Facet.Manages.class).isEmpty()
                && part.body().ports().stream().map(Port::gives).noneMatch(Optional::isPresent)
                && part.facet(Facet.Cells.class)
                        .filter(c -> c.series() * c.parallel() > 1)
                        .isPresent();
    }
}
