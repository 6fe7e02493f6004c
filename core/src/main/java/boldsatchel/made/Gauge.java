package boldsatchel.made;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Flat;
import boldsatchel.geometry.Layered;
import boldsatchel.geometry.Outlines;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Brief.Workshop;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A small plate that is printed before the trays: the tightest of their openings and one boss of each kind, to be tried with the plug and the screw. */
final class Gauge {

    private static final double THICK_MM = 3;
    private static final double APART_MM = 4;
    private static final double POST_MM = 8;
    private static final int MOST_OPENINGS = 5;
    private static final int SIDES = 48;

    private final Layered body = new Layered();
    private final List<Cutout> holes = new ArrayList<>();
    private final List<String> notes = new ArrayList<>();
    private double x = APART_MM;
    private double row = APART_MM;
    private double next = APART_MM;

    private Gauge() {}

    /** That of some trays; nothing where none has anything to be tried. */
    static Optional<Printed> of(List<Shell> trays) {
        List<Cutout> tight = new ArrayList<>();
        Map<String, Boss> bosses = new LinkedHashMap<>();
        for (Shell tray : trays) {
            tray.openings().stream()
                    .filter(o -> o.serves().isPresent())
                    .map(Cutout::of)
                    .filter(c -> c.wideMm() <= Workshop.GAUGE_MM - 2 * APART_MM)
                    .forEach(tight::add);
            tray.bosses().forEach(b -> bosses.putIfAbsent(b.thread() + " " + b.diameterMm(), b));
        }
        if (tight.isEmpty() && bosses.isEmpty()) {
            return Optional.empty();
        }
        tight.sort(Comparator.comparingDouble(c -> Math.min(c.wideMm(), c.highMm())));
        Gauge gauge = new Gauge();
        Map<String, Cutout> sizes = new LinkedHashMap<>();
        tight.forEach(c -> sizes.putIfAbsent(c.wideMm() + " " + c.highMm() + " " + c.round(), c));
        sizes.values().stream().limit(MOST_OPENINGS).forEach(gauge::opening);
        bosses.values().forEach(gauge::post);
        return Optional.of(gauge.printed());
    }

    private Flat place(double wide, double high) {
        if (x + wide + APART_MM > Workshop.GAUGE_MM) {
            x = APART_MM;
            row = next;
        }
        Flat middle = new Flat(x + wide / 2, row + high / 2);
        x += wide + APART_MM;
        next = Math.max(next, row + high + APART_MM);
        return middle;
    }

    private void opening(Cutout hole) {
        Flat middle = place(hole.wideMm(), hole.highMm());
        holes.add(new Cutout(hole.name(), hole.wall(), middle, hole.wideMm(), hole.highMm(), hole.round()));
        notes.add((hole.round()
                        ? "Hole of " + Units.format(hole.wideMm(), 1, "mm")
                        : Units.format(hole.wideMm(), 1, "") + " × " + Units.format(hole.highMm(), 1, "mm"))
                + ": “" + hole.name() + "”.");
    }

    private void post(Boss boss) {
        Flat middle = place(boss.diameterMm(), boss.diameterMm());
        body.add(0, POST_MM, Outlines.circle(middle, boss.diameterMm() / 2, SIDES, false));
        TrayMesh.bore(boss).ifPresent(bore -> {
            body.cut(0, POST_MM, Outlines.circle(middle, bore / 2, SIDES, true));
            notes.add("Boss for " + boss.thread().words() + ", bore of " + Units.format(bore, 2, "mm") + ".");
        });
    }

    private Printed printed() {
        body.add(-THICK_MM, 0, Outlines.rounded(new Box(0, 0, 0, Workshop.GAUGE_MM, next, 0), 0));
        holes.forEach(hole -> body.cut(-THICK_MM, 0, hole.outline(SIDES)));
        notes.addFirst("Print it first. It is drawn " + Units.format(Workshop.GAUGE_MM, 1, "mm")
                + " long: write what it measures under Brief, Workshop, and all pieces are made larger or smaller by that;"
                + " by how much its holes came out smaller is written there too.");
        return Printed.of("Gauge piece", body.mesh(), notes);
    }
}
