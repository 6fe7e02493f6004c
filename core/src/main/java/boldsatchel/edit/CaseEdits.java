package boldsatchel.edit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.machine.Build;
import boldsatchel.machine.Case;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Hinge;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Trays come and go, and are joined. */
public final class CaseEdits {

    private CaseEdits() {}

    /** Takes another case; parts stay where they are in shells of the same id, the others go back on the table. */
    public static Edit take(Case taken) {
        return new Edit(
                "take " + taken.name(),
                b -> kept(b, b.casing().withShells(taken.shells()).withHinge(taken.hinge())));
    }

    private static Build kept(Build build, Casing casing) {
        Set<String> ids = casing.shells().stream().map(Shell::id).collect(Collectors.toSet());
        return build.with(casing)
                .with(new Layout(build.layout().placements().stream()
                        .filter(p -> ids.contains(p.shell()))
                        .toList()));
    }

    /** Another tray of the size of one, empty. */
    public static Edit another(Shell like) {
        return new Edit("add a tray", b -> {
            List<Shell> all = new ArrayList<>(b.casing().shells());
            int n = all.size() + 1;
            while (b.shell("tray-" + n).isPresent()) {
                n++;
            }
            Box inside = like.cavity();
            all.add(Shell.plain(
                    "tray-" + n, "Tray " + n, inside, like.wallMm(), like.material(), like.making(), like.openTop()));
            return b.with(b.casing().withShells(all));
        });
    }

    /** Takes a tray away, with the hinge it hangs on; what lay in it is on the table. */
    public static Edit remove(Shell shell) {
        return new Edit("remove " + shell.name(), b -> {
            Casing casing = b.casing();
            boolean hinged = casing.hinge()
                    .filter(h ->
                            h.baseShell().equals(shell.id()) || h.lidShell().equals(shell.id()))
                    .isPresent();
            return kept(
                    b,
                    casing.withShells(casing.shells().stream()
                                    .filter(s -> !s.id().equals(shell.id()))
                                    .toList())
                            .withHinge(hinged ? Optional.empty() : casing.hinge()));
        });
    }

    /** Gives a tray other vents. */
    public static Edit vents(String name, Shell shell, List<Vent> vents) {
        return Edits.casing(
                name,
                c -> c.shell(shell.id())
                        .map(s -> c.withShell(s.withVents(vents)))
                        .orElse(c));
    }

    /** Cuts a usual vent into a wall, low or high. */
    public static Edit vent(Shell shell, Face wall, boolean above) {
        List<Vent> all = new ArrayList<>(shell.vents());
        String name = wall.axis() == Face.TOP.axis() ? wall.words() : (above ? "high " : "low ") + wall.words();
        all.add(Vent.usual(name, wall, shell.cavity(), above, Vent.Kind.SLOTS));
        return vents("cut a vent into " + shell.name(), shell, all);
    }

    /** Joins a tray to the first as its lid, on a hinge along the back; nothing where there is a hinge or no other tray. */
    public static Optional<Edit> hinge(Build build, Shell lid) {
        return build.casing().hinge().isPresent()
                ? Optional.empty()
                : build.casing().shells().stream()
                        .filter(s -> !s.id().equals(lid.id()))
                        .findFirst()
                        .map(base -> Edits.casing(
                                "hinge " + lid.name() + " to " + base.name(),
                                c -> c.withHinge(
                                        Optional.of(Hinge.atBack(base.id(), base.cavity(), lid.id(), lid.cavity())))));
    }
}
