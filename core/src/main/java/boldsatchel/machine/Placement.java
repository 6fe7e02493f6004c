package boldsatchel.machine;

import boldsatchel.geometry.Box;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Pose;
import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Label;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Where a part lies.
 *
 * @param part its id
 * @param shell id of the shell it lies in
 * @param at low corner of its turned bounding box in the shell's frame
 * @param orientation how it is turned
 * @param touches ids of parts it is meant to touch: stuck, screwed or plugged to them
 * @param fixing what holds it, if that was said
 * @param locked whether it stays where it is, whatever is dragged
 * @param group name of those in its tray that move together, if it is one of them
 */
public record Placement(
        @Label(value = "part", needed = true) String part,
        @Label(value = "shell", needed = true) String shell,
        @Label("low corner") Vec at,
        @Label("turned") Orientation orientation,
        @Label("meant to touch") Set<String> touches,
        @Label("held") Optional<Fixing> fixing,
        @Label("locked") boolean locked,
        @Label("in the group") Optional<String> group) {

    /** Copies the set, in a stable order. */
    public Placement {
        touches = java.util.Collections.unmodifiableSortedSet(new TreeSet<>(touches));
    }

    /** A part of which nobody said what holds it. */
    public Placement(String part, String shell, Vec at, Orientation orientation, Set<String> touches) {
        this(part, shell, at, orientation, touches, Optional.empty(), false, Optional.empty());
    }

    /** The same place, held by something else. */
    public Placement held(Optional<Fixing> newFixing) {
        return new Placement(part, shell, at, orientation, touches, newFixing, locked, group);
    }

    /** The same place, locked or not. */
    public Placement locked(boolean lock) {
        return new Placement(part, shell, at, orientation, touches, fixing, lock, group);
    }

    /** The same place, in a group or in none. */
    public Placement grouped(Optional<String> newGroup) {
        return new Placement(part, shell, at, orientation, touches, fixing, locked, newGroup);
    }

    /** Whether it moves when another one is moved. */
    boolean movesWith(Placement other) {
        return group.isPresent() && group.equals(other.group) && shell.equals(other.shell);
    }

    /** The same part elsewhere in its shell. */
    public Placement at(Vec newAt) {
        return new Placement(part, shell, newAt, orientation, touches, fixing, locked, group);
    }

    /** The same part in another shell. */
    public Placement within(String newShell) {
        return new Placement(part, newShell, at, orientation, touches, fixing, locked, group);
    }

    /** The same part turned. */
    public Placement turned(Orientation newOrientation) {
        return new Placement(part, shell, at, newOrientation, touches, fixing, locked, group);
    }

    /** The same place, meant to touch another part or not. */
    public Placement touching(String otherPart, boolean meant) {
        Set<String> all = new TreeSet<>(touches);
        if (meant ? all.add(otherPart) : all.remove(otherPart)) {
            return new Placement(part, shell, at, orientation, all, fixing, locked, group);
        }
        return this;
    }

    /**
     * A box of the part in the shell's frame.
     *
     * @param box in the part's frame
     * @param bounds the part's bounding box
     */
    public Box place(Box box, Box bounds) {
        Box turnedBounds = orientation.turn(bounds);
        Box turned = orientation.turn(box);
        return turned.moved(new Vec(at.x() - turnedBounds.x(), at.y() - turnedBounds.y(), at.z() - turnedBounds.z()));
    }

    /**
     * How the part's frame lies in the shell's.
     *
     * @param bounds the part's bounding box
     */
    public Pose pose(Box bounds) {
        return Pose.square(orientation, at.minus(orientation.turn(bounds).lowCorner()));
    }

    /** A point of the part in the shell's frame. */
    public Vec place(Vec point, Box bounds) {
        return place(new Box(point.x(), point.y(), point.z(), 0, 0, 0), bounds).lowCorner();
    }
}
