package boldsatchel.machine;

import boldsatchel.geometry.Pose;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Input;
import boldsatchel.quantity.Label;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * Section: the case. Its trays hang on one another as a tree: each is carried by one joint at most, the one that stands by none. A tray that no
 * joint carries and that is not the one that stands is a piece beside the machine.
 *
 * @param shells its trays
 * @param joints that join them
 * @param postures in which it is looked at
 * @param sundriesG screws, glue, tape, sleeves
 * @param feet what it stands on, if not on its whole floor
 */
public record Casing(
        @Label("trays") List<Shell> shells,
        @Label("joints") List<Joint> joints,
        @Label("postures") List<Posture> postures,

        @Label(value = "screws, glue, sleeves", in = Quantity.MASS)
        Figure sundriesG,

        @Label("feet") Optional<Feet> feet) {

    /** Where a lid is used that nobody said otherwise of. */
    public static final double USED_DEG = 110;

    /**
     * Four feet under the tray that stands.
     *
     * @param insetMm from the outside of the tray to the middle of a foot, from each side
     * @param heightMm of a foot
     */
    public record Feet(
            @Label(value = "in from the sides", in = Quantity.LENGTH, absent = 10, least = 0)
            double insetMm,

            @Label(value = "height", in = Quantity.LENGTH, absent = 3, least = 0)
            double heightMm) {}

    /** No case. */
    public static final Casing NONE = of(List.of(), Figure.guess(0));

    /** Copies the lists; each posture has a name of its own. */
    public Casing {
        shells = List.copyOf(shells);
        joints = List.copyOf(joints);
        postures = Posture.named(postures);
    }

    /** Trays that nothing joins, on their floors. */
    public static Casing of(List<Shell> shells, Figure sundriesG) {
        return new Casing(shells, List.of(), List.of(), sundriesG, Optional.empty());
    }

    /** The shell with an id. */
    public Optional<Shell> shell(String id) {
        for (Shell shell : shells) {
            if (shell.id().equals(id)) {
                return Optional.of(shell);
            }
        }
        return Optional.empty();
    }

    /** The sundries as an input of a result. */
    public Input sundriesInput() {
        return new Input("build", "build", Casing.class, "sundriesG", sundriesG);
    }

    /** The joint that carries a tray. */
    public Optional<Joint> carrying(String shell) {
        for (Joint joint : joints) {
            if (joint.carries().equals(shell)) {
                return Optional.of(joint);
            }
        }
        return Optional.empty();
    }

    /** The joint with an id. */
    public Optional<Joint> joint(String id) {
        return joints.stream().filter(j -> j.id().equals(id)).findFirst();
    }

    /** The tray that stands: the first that others hang on and none carries, or the first. */
    public Optional<Shell> standing() {
        for (Joint joint : joints) {
            if (carrying(joint.on()).isEmpty()) {
                return shell(joint.on());
            }
        }
        return shells.isEmpty() ? Optional.empty() : Optional.of(shells.getFirst());
    }

    /** The hinge of a lid: of a tray that lies face to face on the one that stands. */
    public Optional<Joint> lid() {
        for (Joint joint : joints) {
            if (joint.way() instanceof Joint.Hinged
                    && joint.facesDown()
                    && standing().filter(s -> s.id().equals(joint.on())).isPresent()) {
                return Optional.of(joint);
            }
        }
        return Optional.empty();
    }

    /** Whether a shell is the lid. */
    public boolean isLid(Shell shell) {
        return lid().filter(l -> l.carries().equals(shell.id())).isPresent();
    }

    /** The posture in which it is used: the first that says so, or the last, or as it is. */
    public Posture inUse() {
        for (Posture posture : postures) {
            if (posture.used()) {
                return posture;
            }
        }
        return postures.isEmpty() ? Posture.CLOSED : postures.getLast();
    }

    /** The postures it is looked at in; as it is where none is named. */
    public List<Posture> looks() {
        return postures.isEmpty() ? List.of(Posture.CLOSED) : postures;
    }

    /** The joints from the one that carries a tray down to the one on the tray that stands; nothing where it hangs on none, or in a ring. */
    public List<Joint> path(String shell) {
        List<Joint> path = new ArrayList<>(2);
        Optional<Joint> next = carrying(shell);
        while (next.isPresent() && path.size() <= joints.size()) {
            path.add(next.get());
            next = carrying(next.get().on());
        }
        return path.size() > joints.size() ? List.of() : path;
    }

    /** The joints that lie between two trays: those that carry the one and not the other. */
    public List<Joint> between(String one, String other) {
        List<Joint> ofOne = path(one);
        List<Joint> ofOther = path(other);
        return Stream.concat(
                        ofOne.stream().filter(j -> !ofOther.contains(j)),
                        ofOther.stream().filter(j -> !ofOne.contains(j)))
                .toList();
    }

    /** Whether a tray is part of the machine, not a piece beside it. */
    public boolean belongs(String shell) {
        String root = path(shell).isEmpty() ? shell : path(shell).getLast().on();
        return standing().filter(s -> s.id().equals(root)).isPresent();
    }

    /** What all trays that belong to the machine take, outside, mm³. */
    public double outsideMm3() {
        double sum = 0;
        for (Shell shell : shells) {
            sum += belongs(shell.id()) ? shell.outside().volume() : 0;
        }
        return sum;
    }

    /** Height of the table in the frame of the tray that stands, mm. */
    public double tableZ() {
        double floor = standing().map(s -> s.outside().z()).orElse(0.0);
        return floor - feet.map(Feet::heightMm).orElse(0.0);
    }

    /** How a tray's frame lies in that of the tray that stands. */
    public Pose pose(String shell, Posture posture) {
        Pose pose = Pose.NONE;
        for (Joint joint : path(shell)) {
            pose = pose.within(joint.pose(posture.amount(joint)));
        }
        return pose;
    }

    /**
     * Ids of the trays whose openings lie elsewhere than before, as where these follow a part that is dragged; nothing where anything else
     * changed.
     */
    @SuppressWarnings("ReferenceEquality") // An edit shares what it did not change.
    public Optional<Set<String>> recutSince(Casing before) {
        if (this == before) {
            return Optional.of(Set.of());
        }
        boolean alike = joints.equals(before.joints)
                && postures.equals(before.postures)
                && sundriesG.equals(before.sundriesG)
                && feet.equals(before.feet)
                && shells.size() == before.shells.size();
        Set<String> recut = new HashSet<>();
        for (int i = 0; alike && i < shells.size(); i++) {
            Shell now = shells.get(i);
            Shell was = before.shells.get(i);
            if (now != was) {
                alike = now.isRecut(was);
                recut.add(now.id());
            }
        }
        return alike ? Optional.of(recut) : Optional.empty();
    }

    /** The same with other shells. */
    public Casing withShells(List<Shell> newShells) {
        return new Casing(newShells, joints, postures, sundriesG, feet);
    }

    /** The same with one shell put in place of the shell of the same id, or added when there is none. */
    public Casing withShell(Shell shell) {
        return withShells(Section.replaced(shells, s -> s.id().equals(shell.id()), shell));
    }

    /** The same with other joints; postures forget those that are gone. */
    public Casing withJoints(List<Joint> newJoints) {
        List<Posture> known = new ArrayList<>(postures);
        for (Joint joint : joints) {
            if (newJoints.stream().noneMatch(j -> j.id().equals(joint.id()))) {
                known.replaceAll(p -> p.without(joint.id()));
            }
        }
        return new Casing(shells, newJoints, known, sundriesG, feet);
    }

    /** The same with one joint put in place of the joint of the same id, or added when there is none. */
    public Casing withJoint(Joint joint) {
        return withJoints(Section.replaced(joints, j -> j.id().equals(joint.id()), joint));
    }

    /** The same in other postures. */
    public Casing withPostures(List<Posture> newPostures) {
        return new Casing(shells, joints, newPostures, sundriesG, feet);
    }

    /** The same with one posture put in place of the posture of the same name, or added when there is none. */
    public Casing withPosture(Posture posture) {
        return withPostures(Section.replaced(looks(), p -> p.name().equals(posture.name()), posture));
    }

    /** An id that no joint has yet, made from a wish. */
    public String freeJoint(String wish) {
        String id = wish;
        for (int n = 2; joint(id).isPresent(); n++) {
            id = wish + "-" + n;
        }
        return id;
    }

    /** The same with a lid on a hinge, closed and in use. */
    public Casing withLid(Joint hinge, double usedDeg) {
        return withJoint(hinge)
                .withPostures(List.of(
                        Posture.CLOSED,
                        new Posture(
                                "in use",
                                Posture.Held.TABLE,
                                true,
                                List.of(new Posture.Setting(hinge.id(), usedDeg)))));
    }

    /** The same on other feet, or on none. */
    public Casing withFeet(Optional<Feet> newFeet) {
        return new Casing(shells, joints, postures, sundriesG, newFeet);
    }

    /** The same with other sundries. */
    public Casing withSundries(Figure newSundriesG) {
        return new Casing(shells, joints, postures, newSundriesG, feet);
    }
}
