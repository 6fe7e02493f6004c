package boldsatchel.made;

import boldsatchel.fit.Placed;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Brief.Workshop;
import boldsatchel.machine.Build;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Hole;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;

/**
 * What the builder makes of a build: pieces to print, panels to cut, boxes to drill. Worked out when it is wanted, not with every
 * move: a tray costs some ms.
 *
 * @param printed pieces to print, the gauge piece first
 * @param panels flat pieces to cut
 * @param templates for walls of boxes that were found
 */
public record Made(List<Printed> printed, List<Panel> panels, List<Template> templates) {

    /** Copies the lists. */
    public Made {
        printed = List.copyOf(printed);
        panels = List.copyOf(panels);
        templates = List.copyOf(templates);
    }

    /** All that is made of a build. */
    public static Made of(Build build) {
        List<Placed> placed = Placed.all(build);
        List<Shell> prints = new ArrayList<>();
        List<Panel> panels = new ArrayList<>();
        List<Template> templates = new ArrayList<>();
        for (Shell shell : build.casing().shells()) {
            List<Cutout> holes = new ArrayList<>(Cutout.all(shell));
            holes.addAll(drilled(shell, placed));
            switch (shell.making()) {
                case PRINTED -> prints.add(shell);
                case CUT -> panels.addAll(Panels.of(shell, holes));
                case FOUND -> templates.addAll(Template.of(shell, holes));
            }
        }
        List<Printed> printed = new ArrayList<>();
        Gauge.of(prints).ifPresent(printed::add);
        double scale = build.brief().workshop().map(Workshop::scale).orElse(1.0);
        // The gauge piece stays as drawn: it is what tells the scale.
        prints.forEach(s -> TrayMesh.pieces(s).forEach(p -> printed.add(scale == 1 ? p : p.scaled(scale))));
        return new Made(printed, panels, templates);
    }

    /** Whether there is nothing to make. */
    public boolean isEmpty() {
        return printed.isEmpty() && panels.isEmpty() && templates.isEmpty();
    }

    /** Holes in the floor of a tray that is not printed: for its bosses, which are bought posts there, and for what is screwed to it. */
    private static List<Cutout> drilled(Shell shell, List<Placed> placed) {
        List<Cutout> holes = new ArrayList<>();
        for (Boss boss : shell.bosses()) {
            double wide = boss.thread().clearanceMm();
            holes.add(new Cutout(
                    boss.thread().words() + " post", Face.BOTTOM, new Flat(boss.xMm(), boss.yMm()), wide, wide, true));
        }
        for (Placed part : Placed.in(shell, placed)) {
            boolean screwed = part.placement()
                    .fixing()
                    .filter(f -> f.by() == Fixing.By.SCREWS)
                    .isPresent();
            for (Hole hole : screwed ? part.part().body().holes() : List.<Hole>of()) {
                Vec at = part.placement().place(hole.at(), part.part().body().bounds());
                boolean upright =
                        part.placement().orientation().turn(hole.face()).axis() == Face.TOP.axis();
                boolean posted = shell.bosses().stream()
                        .anyMatch(b -> Math.hypot(b.xMm() - at.x(), b.yMm() - at.y()) < b.diameterMm() / 2);
                if (upright && !posted) {
                    double wide = hole.thread().clearanceMm();
                    holes.add(new Cutout(
                            hole.thread().words() + " of " + part.part().name(),
                            Face.BOTTOM,
                            new Flat(at.x(), at.y()),
                            wide,
                            wide,
                            true));
                }
            }
        }
        return holes;
    }
}
