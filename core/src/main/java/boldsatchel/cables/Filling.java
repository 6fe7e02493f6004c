package boldsatchel.cables;

import boldsatchel.cables.CablesResult.Laying;
import boldsatchel.cables.CablesResult.Room;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Solid;
import boldsatchel.machine.Build;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;

/** What cables take of the room in each tray; what is to spare of one, or is laid nobody knows how, lies by half at either end. */
final class Filling {

    private final List<Shell> shells;
    private final double[] free;
    private final double[] taken;
    private final int[] unknown;

    private Filling(List<Shell> shells) {
        this.shells = shells;
        free = new double[shells.size()];
        taken = new double[shells.size()];
        unknown = new int[shells.size()];
    }

    static List<Room> of(Build build, List<Placed> placed, List<Lead> leads, List<Laying> laid) {
        Filling filling = new Filling(build.casing().shells());
        filling.parts(placed);
        int next = 0;
        for (Lead lead : leads) {
            // Those that are laid stand in the order of all.
            boolean isLaid = next < laid.size() && laid.get(next).lead().id().equals(lead.id());
            if (isLaid) {
                filling.laid(placed, laid.get(next++));
            } else {
                filling.unlaid(placed, lead);
            }
        }
        return filling.rooms();
    }

    private void parts(List<Placed> placed) {
        for (int i = 0; i < free.length; i++) {
            free[i] = shells.get(i).cavity().volume();
            for (Solid solid : shells.get(i).solids()) {
                free[i] -= solid.volume();
            }
        }
        for (Placed p : placed) {
            int tray = index(p.shell().id());
            for (Solid solid : p.solids()) {
                free[tray] -= solid.volume();
            }
        }
    }

    private void laid(List<Placed> placed, Laying laying) {
        for (int i = 0; i < taken.length; i++) {
            taken[i] += laying.lead().girth().takesMm2()
                    * laying.way().insideMm(shells.get(i).id());
        }
        loose(placed, laying.lead(), Math.max(0, laying.spareMm().orElse(0)));
    }

    private void unlaid(List<Placed> placed, Lead lead) {
        loose(placed, lead, lead.lengthMm().orElse(Double.NaN));
    }

    /** Half of a length at either end; not a number where nobody knows it. */
    private void loose(List<Placed> placed, Lead lead, double mm) {
        int before = -1;
        for (Lead.End end : List.of(lead.one(), lead.other())) {
            int tray = CablesEngine.find(placed, end.part())
                    .map(p -> index(p.shell().id()))
                    .orElse(-1);
            if (tray >= 0 && Double.isNaN(mm)) {
                unknown[tray] += tray == before ? 0 : 1;
                before = tray;
            } else if (tray >= 0) {
                taken[tray] += lead.girth().takesMm2() * mm / 2;
            }
        }
    }

    private int index(String shell) {
        for (int i = 0; i < shells.size(); i++) {
            if (shells.get(i).id().equals(shell)) {
                return i;
            }
        }
        return -1;
    }

    private List<Room> rooms() {
        List<Room> rooms = new ArrayList<>(shells.size());
        for (int i = 0; i < shells.size(); i++) {
            rooms.add(new Room(shells.get(i).id(), Math.max(0, free[i]), taken[i], unknown[i]));
        }
        return rooms;
    }
}
