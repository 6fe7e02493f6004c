package boldsatchel.machine;

import boldsatchel.geometry.Vec;
import boldsatchel.quantity.Label;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A named way in which the machine is held and opened.
 *
 * @param name for people
 * @param held what carries it
 * @param used whether it is what it is made for: of several the first is shown when nothing else is asked
 * @param settings how far each joint is open; one that is not named is closed
 * @param at where it is held, in the frame of the tray that stands: by the right hand (the left holds it on the other side), at the handle, or
 *     against the body
 */
public record Posture(
        @Label("name") String name,
        @Label("carried by") Held held,
        @Label("how it is used") boolean used,
        @Label("joints") List<Setting> settings,
        @Label("held at") Optional<Vec> at) {

    /** What carries a machine. */
    public enum Held {
        /** A table: it must stand by itself. */
        TABLE("a table", true),
        /** Two thighs, which give way. */
        LAP("the lap", true),
        /** Two hands. */
        HANDS("two hands", false),
        /** One hand at its handle. */
        HANDLE("its handle", false),
        /** Belt, back or chest. */
        WORN("the body", false),
        /** A band about the head, before the eyes. */
        HEAD("the head", false),
        /** A forearm, held before the body. */
        ARM("the forearm", false),
        /** A bag or a hook: nothing is asked of it but that it fits. */
        STOWED("a bag", false);

        private final String words;
        private final boolean stands;

        Held(String words, boolean stands) {
            this.words = words;
            this.stands = stands;
        }

        /** As written in a sentence: carried by … */
        public String words() {
            return words;
        }

        /** Whether it must stand by itself. */
        public boolean stands() {
            return stands;
        }
    }

    /**
     * How far a joint is open.
     *
     * @param joint its id
     * @param amount degrees of a hinge, mm of a slide
     */
    public record Setting(
            @Label(value = "joint", needed = true) String joint,
            @Label("open by, degrees or mm") double amount) {}

    /** The same, each with a name of its own: it is told by it. */
    static List<Posture> named(List<Posture> postures) {
        Set<String> taken = new HashSet<>();
        List<Posture> named = new ArrayList<>(postures.size());
        for (Posture posture : postures) {
            String wish = posture.name.isBlank() ? "posture" : posture.name;
            String name = wish;
            for (int n = 2; !taken.add(name); n++) {
                name = wish + " " + n;
            }
            named.add(
                    name.equals(posture.name)
                            ? posture
                            : new Posture(name, posture.held, posture.used, posture.settings, posture.at));
        }
        return List.copyOf(named);
    }

    /** Held where such machines usually are. */
    public Posture(String name, Held held, boolean used, List<Setting> settings) {
        this(name, held, used, settings, Optional.empty());
    }

    /** Copies the list. */
    public Posture {
        settings = List.copyOf(settings);
    }

    /** All joints closed. */
    public static final Posture CLOSED = new Posture("closed", Held.TABLE, false, List.of());

    /** How far a joint is open. A plain loop: engines ask this often. */
    public double amount(Joint joint) {
        for (Setting setting : settings) {
            if (setting.joint().equals(joint.id())) {
                return Math.clamp(setting.amount(), 0, joint.way().most());
            }
        }
        return 0;
    }

    /** Whether nothing is open. */
    public boolean isClosed() {
        return settings.stream().allMatch(s -> s.amount() == 0);
    }

    /** The same with a joint opened by another amount. */
    public Posture with(String joint, double amount) {
        return new Posture(
                name,
                held,
                used,
                Section.replaced(settings, s -> s.joint().equals(joint), new Setting(joint, amount)),
                at);
    }

    /** The same carried otherwise; where it is held is another matter then. */
    public Posture carriedBy(Held newHeld) {
        return new Posture(name, newHeld, used, settings, Optional.empty());
    }

    /** The same held elsewhere. */
    public Posture heldAt(Vec newAt) {
        return new Posture(name, held, used, settings, Optional.of(newAt));
    }

    /** The same without a joint that is no more. */
    Posture without(String joint) {
        List<Setting> left = new ArrayList<>(settings);
        left.removeIf(s -> s.joint().equals(joint));
        return new Posture(name, held, used, left, at);
    }
}
