package boldsatchel.made;

import boldsatchel.fit.Placed;
import boldsatchel.machine.Brief.Workshop;
import boldsatchel.machine.Build;
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
            List<Cutout> holes = Cutout.all(shell, placed);
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
}
