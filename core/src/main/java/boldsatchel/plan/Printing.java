package boldsatchel.plan;

import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Box;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Seam;
import boldsatchel.machine.Shell;
import boldsatchel.printing.PrintingEngine;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/** Trays made so that a printer can make them. */
public final class Printing {

    /** Into more pieces than this nobody parts a tray in one direction. */
    private static final int MOST = 4;

    private Printing() {}

    /** A tray made of as few pieces as the bed takes, its seams where they run through nothing; nothing where that cannot be. */
    public static Optional<Shell> parted(Build build, Shell shell) {
        return build.brief().workshop().flatMap(Brief.Workshop::bed).flatMap(bed -> parted(shell, bed));
    }

    private static Optional<Shell> parted(Shell shell, Brief.Bed bed) {
        for (int pieces = 2; pieces <= MOST * MOST; pieces++) {
            for (int across = 1; across <= Math.min(pieces, MOST); across++) {
                if (pieces % across == 0 && pieces / across <= MOST) {
                    Shell parted = shell.withSeams(seams(shell, across, pieces / across));
                    if (parted.pieces().size() == pieces
                            && parted.pieces().stream()
                                    .allMatch(p -> bed.beyond(p).isEmpty())) {
                        return Optional.of(parted);
                    }
                }
            }
        }
        return Optional.empty();
    }

    private static List<Seam> seams(Shell shell, int across, int deep) {
        List<Seam> seams = new ArrayList<>();
        even(shell, Seam.Way.LEFT_RIGHT, across, seams);
        even(shell, Seam.Way.FRONT_BACK, deep, seams);
        return seams;
    }

    private static void even(Shell shell, Seam.Way way, int pieces, List<Seam> seams) {
        Box out = shell.outside();
        for (int i = 1; i < pieces; i++) {
            double at = out.low(way.axis()) + out.size(way.axis()) * i / pieces;
            Seam even = new Seam(way, at);
            seams.add(new Seam(way, PrintingEngine.clear(shell, even).orElse(at)));
        }
    }

    /** Makes a tray of pieces that the bed takes. */
    public static Edit part(String shell) {
        return shell("part a tray", shell, (b, s) -> parted(b, s).orElse(s));
    }

    /** Moves a seam. */
    public static Edit moveSeam(String shell, int seam, double toMm) {
        return shell("move a seam", shell, (b, s) -> {
            List<Seam> seams = new ArrayList<>(s.seams());
            if (seam < seams.size()) {
                seams.set(seam, new Seam(seams.get(seam).way(), toMm));
            }
            return s.withSeams(seams);
        });
    }

    /** Puts printing a gauge piece on the list. */
    public static Edit gauge(String words) {
        return Edits.journal("add a task", j -> {
            List<Journal.Task> tasks = new ArrayList<>(j.tasks());
            tasks.add(new Journal.Task(words, Set.of(), false));
            return j.withTasks(tasks);
        });
    }

    /** Makes an opening wider and higher, about its middle. */
    public static Edit widen(String shell, String opening, double byMm) {
        return shell(
                "widen an opening",
                shell,
                (b, s) -> s.withOpenings(s.openings().stream()
                        .map(o -> o.name().equals(opening) ? o.widened(byMm) : o)
                        .toList()));
    }

    private static Edit shell(String name, String id, BiFunction<Build, Shell, Shell> change) {
        return new Edit(
                name,
                b -> b.shell(id)
                        .map(s -> b.with(b.casing().withShell(change.apply(b, s))))
                        .orElse(b));
    }
}
