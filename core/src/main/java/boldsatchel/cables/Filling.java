package boldsatchel.cables;

import boldsatchel.cables.CablesResult.Laying;
import boldsatchel.cables.CablesResult.Room;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What cables take of the room in each tray; what is to spare of one, or is laid nobody knows how, lies by half at either end. */
final class Filling {

    private Filling() {}

    static List<Room> of(Build build, List<Placed> placed, List<Lead> leads, List<Laying> laid) {
        List<Room> rooms = new ArrayList<>();
        for (Shell shell : build.casing().shells()) {
            double taken = 0;
            int unknown = 0;
            for (Lead lead : leads) {
                double ends = (ends(placed, lead.one(), shell) + ends(placed, lead.other(), shell)) / 2;
                Optional<Laying> how =
                        laid.stream().filter(l -> l.lead().equals(lead)).findFirst();
                double inside = how.map(l -> l.way().insideMm(shell.id())).orElse(0.0);
                double loose = how.isPresent()
                        ? Math.max(0, how.get().spareMm().orElse(0))
                        : lead.lengthMm().orElse(0);
                taken += lead.girth().takesMm2() * (inside + ends * loose);
                unknown += ends > 0 && lead.lengthMm().isEmpty() && how.isEmpty() ? 1 : 0;
            }
            rooms.add(new Room(shell.id(), free(shell, placed), taken, unknown));
        }
        return rooms;
    }

    private static double ends(List<Placed> placed, Lead.End end, Shell shell) {
        return CablesEngine.find(placed, end.part())
                        .filter(p -> p.shell().id().equals(shell.id()))
                        .isPresent()
                ? 1
                : 0;
    }

    private static double free(Shell shell, List<Placed> placed) {
        double free = shell.cavity().volume();
        for (Placed p : Placed.in(shell, placed)) {
            for (Solid solid : p.solids()) {
                free -= solid.volume();
            }
        }
        for (Box solid : shell.solids()) {
            free -= solid.volume();
        }
        return Math.max(0, free);
    }
}
