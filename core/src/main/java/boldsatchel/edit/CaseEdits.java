package boldsatchel.edit;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Case;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Figure;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Trays come and go, and are joined. */
public final class CaseEdits {

    /** Of its depth a drawer comes out on usual runners. */
    private static final double DRAWN_OUT = 0.75;

    private static final double DRAWER_N = 3;
    private static final int SCREWS = 4;

    /** Round feet of rubber to stick on: half of one, and how high it is. */
    private static final double FOOT_MM = 8;

    private static final double FOOT_HIGH_MM = 3;

    private CaseEdits() {}

    /** Takes another case; parts stay where they are in shells of the same id, the others go back on the table. */
    public static Edit take(Case taken) {
        return new Edit(
                "take " + taken.name(),
                b -> kept(
                        b,
                        b.casing()
                                .withShells(taken.shells())
                                .withJoints(taken.joints())
                                .withPostures(taken.postures())));
    }

    private static Build kept(Build build, Casing casing) {
        Set<String> ids = casing.shells().stream().map(Shell::id).collect(Collectors.toSet());
        return build.with(casing)
                .with(new Layout(
                        build.layout().placements().stream()
                                .filter(p -> ids.contains(p.shell()))
                                .toList(),
                        build.layout().cables().stream()
                                .filter(c -> c.bends().stream().allMatch(bend -> ids.contains(bend.shell())))
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

    /** Takes a tray away, with the joints on it; what lay in it is on the table. */
    public static Edit remove(Shell shell) {
        return new Edit("remove " + shell.name(), b -> {
            Casing casing = b.casing();
            return kept(
                    b,
                    casing.withShells(casing.shells().stream()
                                    .filter(s -> !s.id().equals(shell.id()))
                                    .toList())
                            .withJoints(casing.joints().stream()
                                    .filter(j -> !j.on().equals(shell.id())
                                            && !j.carries().equals(shell.id()))
                                    .toList()));
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

    /** Joins a tray to the first as its lid, on a hinge along the back; nothing where there is a lid, a joint that carries it or no other tray. */
    public static Optional<Edit> hinge(Build build, Shell lid) {
        Casing casing = build.casing();
        if (casing.lid().isPresent() || casing.carrying(lid.id()).isPresent()) {
            return Optional.empty();
        }
        return casing.shells().stream()
                .filter(s -> !s.id().equals(lid.id()))
                .findFirst()
                .map(base -> Edits.casing(
                        "hinge " + lid.name() + " to " + base.name(),
                        c -> c.withLid(
                                Joint.lidAtBack(base.id(), base.cavity(), lid.id(), lid.cavity()), Casing.USED_DEG)));
    }

    /** Makes a tray a drawer of the first: it comes out to the front from where it lies on its floor. */
    public static Optional<Edit> drawer(Build build, Shell drawer) {
        return joined(build, drawer, "drawer", (base, id) -> {
            Vec at = new Vec(base.wallMm().value(), 0, 0);
            double travel = drawer.depthMm().value() * DRAWN_OUT;
            Joint.Way way = new Joint.Sliding(new Vec(0, -1, 0), travel, Figure.guess(DRAWER_N));
            return new Joint(id, "Drawer", base.id(), drawer.id(), at, Vec.ZERO, Orientation.AS_DRAWN, way);
        });
    }

    /** Screws a tray on top of the first. */
    public static Optional<Edit> screwOn(Build build, Shell cover) {
        return joined(build, cover, "cover", (base, id) -> {
            Vec at = new Vec(0, 0, base.outside().high(2) + cover.floor().value());
            Joint.Way way = new Joint.Held(Joint.Held.By.SCREWS, SCREWS);
            return new Joint(id, "Screws", base.id(), cover.id(), at, Vec.ZERO, Orientation.AS_DRAWN, way);
        });
    }

    /** Joins a tray to the first other one; nothing where there is none, or where a joint carries it already. */
    private static Optional<Edit> joined(
            Build build, Shell shell, String wish, BiFunction<Shell, String, Joint> joint) {
        Casing casing = build.casing();
        boolean carries =
                casing.joints().stream().anyMatch(j -> j.carries().equals(shell.id()) || j.on().equals(shell.id()));
        if (carries) {
            return Optional.empty();
        }
        return casing.shells().stream()
                .filter(s -> !s.id().equals(shell.id()))
                .findFirst()
                .map(base -> {
                    Joint made = joint.apply(base, casing.freeJoint(wish));
                    return Edits.casing("join " + shell.name() + " to " + base.name(), c -> {
                        Casing with = c.withJoint(made);
                        boolean opened = with.postures().stream()
                                .anyMatch(p -> p.settings().stream()
                                        .anyMatch(t -> t.joint().equals(made.id())));
                        return made.way().most() > 0 && !opened ? opened(with, made) : with;
                    });
                });
    }

    /** With a posture in which a joint is open; it is what the machine is made for where there was none. */
    private static Casing opened(Casing casing, Joint joint) {
        List<Posture> all = new ArrayList<>(casing.looks());
        all.add(new Posture(
                "open",
                Posture.Held.TABLE,
                casing.postures().isEmpty(),
                List.of(new Posture.Setting(joint.id(), joint.way().most()))));
        return casing.withPostures(all);
    }

    /** Draws the walls of a tray round what lies in it, and has them follow that from now on. */
    public static Edit follow(Shell shell, double aroundMm) {
        return Edits.casing(
                "let the walls of " + shell.name() + " follow its parts",
                c -> c.shell(shell.id())
                        .filter(s -> s.making() != Shell.Making.FOUND)
                        .map(s -> c.withShell(s.following(Optional.of(aroundMm))))
                        .orElse(c));
    }

    /** Puts feet of rubber under it, as far out as they go. */
    public static Edit feet() {
        return feet(c ->
                new Casing.Feet(FOOT_MM, c.feet().map(Casing.Feet::heightMm).orElse(FOOT_HIGH_MM)));
    }

    /** Puts feet of a height under it, where it has some in their places. */
    public static Edit feet(double highMm) {
        return feet(c -> new Casing.Feet(c.feet().map(Casing.Feet::insetMm).orElse(FOOT_MM), highMm));
    }

    private static Edit feet(Function<Casing, Casing.Feet> made) {
        return Edits.casing("put rubber feet under it", c -> c.withFeet(Optional.of(made.apply(c))));
    }

    /** Takes the joint away that carries a tray: it lies beside the machine then. */
    public static Optional<Edit> unjoin(Build build, Shell shell) {
        return build.casing()
                .carrying(shell.id())
                .map(joint -> Edits.casing(
                        "take " + shell.name() + " off",
                        c -> c.withJoints(c.joints().stream()
                                .filter(j -> !j.id().equals(joint.id()))
                                .toList())));
    }

    /** Opens a joint by another amount in a posture. */
    public static Edit open(Joint joint, Posture posture, double amount) {
        return Edits.casing(
                "open " + joint.name(),
                c -> c.withPosture(c.looks().stream()
                        .filter(p -> p.name().equals(posture.name()))
                        .findFirst()
                        .orElse(posture)
                        .with(joint.id(), amount)));
    }
}
