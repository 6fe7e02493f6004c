package boldsatchel.fit;

import boldsatchel.geometry.Box;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Zone;
import boldsatchel.quantity.Spread;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What the fit engine found.
 *
 * @param placed parts where they lie, each in its shell's frame
 * @param onTheTable ids of parts that are not placed
 * @param clashes solids in the same place
 * @param gaps the smallest gaps between solids that are not meant to touch, smallest first
 * @param outside parts through a wall
 * @param intrusions solids in space that must stay free
 * @param stranded sockets that do not reach their wall
 * @param covered vents with something in front
 * @param mouths sockets that reach their wall, and what lets a plug in
 * @param webs what openings leave of their walls, where it is little
 * @param hits what hits something on the way from one posture to the next
 * @param below what reaches below the table in a posture
 * @param tightest the least gap anywhere, mm; minus the deepest clash when there is one; absent with nothing to compare
 */
public record FitResult(
        List<Placed> placed,
        List<String> onTheTable,
        List<Clash> clashes,
        List<Gap> gaps,
        List<Outside> outside,
        List<Intrusion> intrusions,
        List<Stranded> stranded,
        List<Mouth> mouths,
        List<Web> webs,
        List<Covered> covered,
        List<Hit> hits,
        List<Below> below,
        Optional<Spread> tightest) {

    /** What stands for the table beside the ids of parts and trays: no id, since those have no spaces. */
    public static final String TABLE = "the table";

    /**
     * Where a meeting happens.
     *
     * @param posture name of the posture in which two trays are seen; empty inside one tray, whatever the posture
     */
    public record Where(String posture) {
        /** Inside one tray. */
        public static final Where TRAY = new Where("");

        /** Whether it is inside one tray. */
        public boolean inTray() {
            return posture.isEmpty();
        }
    }

    /** Two that meet, or come near. */
    public sealed interface Meeting {
        /** Id of a part or tray. */
        String a();

        /** Id of the other, or {@link #TABLE}. */
        String b();

        /** Inside a tray, in a posture, or on the way between two. */
        Where where();

        /** Straight distance; minus the way out of what is in the same place. */
        double mm();
    }

    /**
     * Two solids in the same place.
     *
     * @param a id of a part
     * @param b id of the other part, or of the shell whose rib it is
     * @param where inside a tray, or in a posture
     * @param shell id of the shell whose frame the box is in; in a posture that of the tray that stands
     * @param overlap the shared box
     * @param depthMm the least move that would free it
     */
    public record Clash(String a, String b, Where where, String shell, Box overlap, double depthMm) implements Meeting {
        @Override
        public double mm() {
            return -depthMm;
        }
    }

    /**
     * The space between two solids.
     *
     * @param a id of a part
     * @param b id of the other part, or of the shell
     * @param where inside a tray, or in a posture
     * @param gapMm straight distance
     */
    public record Gap(String a, String b, Where where, double gapMm) implements Meeting {
        @Override
        public double mm() {
            return gapMm;
        }
    }

    /**
     * A part through a wall.
     *
     * @param part its id
     * @param shell which
     * @param byMm how far
     */
    public record Outside(String part, Shell shell, double byMm) implements Meeting {
        @Override
        public String a() {
            return part;
        }

        @Override
        public String b() {
            return shell.id();
        }

        @Override
        public Where where() {
            return Where.TRAY;
        }

        @Override
        public double mm() {
            return -byMm;
        }
    }

    /**
     * A solid in space that must stay free.
     *
     * @param owner id of the part whose space it is
     * @param by id of the part, or shell, that is in it
     * @param kind of space
     * @param depthMm how far it reaches in
     */
    public record Intrusion(String owner, String by, Zone.Kind kind, double depthMm) {}

    /**
     * A socket that should open through a wall and does not reach it.
     *
     * @param part its id
     * @param port the socket
     * @param byMm distance from its mouth to the inside of the wall
     */
    public record Stranded(String part, Port port, double byMm) {}

    /**
     * A socket that reaches the wall it is used through.
     *
     * @param part its id
     * @param port the socket
     * @param opening name of the one that lets a plug in; absent where there is none
     * @param behindMm of its mouth from the outside of the wall
     * @param lacksMm by how much that opening is too small or too far aside; negative for the room that is left; not a number without one
     */
    public record Mouth(String part, Port port, Optional<String> opening, double behindMm, double lacksMm) {
        /** Whether what has to go through goes through. */
        public boolean letsIn() {
            return lacksMm <= FitEngine.CONTACT_MM;
        }
    }

    /**
     * A narrow place between two openings, or beside one.
     *
     * @param shell its id
     * @param opening name of one
     * @param other name of the other; empty for the free edge of the wall
     * @param mm what is left
     * @param wantedMm what should be
     */
    public record Web(String shell, String opening, String other, double mm, double wantedMm) {
        /** Whether an opening is one of those that it is between. */
        public boolean isBeside(String name) {
            return opening.equals(name) || other.equals(name);
        }
    }

    /**
     * A vent with something in front.
     *
     * @param shell its id
     * @param vent its name
     * @param by id of the part
     * @param gapMm air left in front of it
     */
    public record Covered(String shell, String vent, String by, double gapMm) {}

    /**
     * Something that hits something else on the way between two postures.
     *
     * @param a id of the part or tray that moves
     * @param b id of what it hits
     * @param from name of the posture it comes from
     * @param to name of the posture it goes to
     * @param joint id of the joint that moves it
     * @param amount how far that is open when they meet, degrees or mm
     * @param depthMm the deepest that they would be in one another
     */
    public record Hit(String a, String b, String from, String to, String joint, double amount, double depthMm)
            implements Meeting {
        @Override
        public Where where() {
            return new Where(from + " to " + to);
        }

        @Override
        public double mm() {
            return -depthMm;
        }
    }

    /**
     * Something that reaches below the table.
     *
     * @param subject id of the tray or part
     * @param posture name of the posture
     * @param byMm how far
     */
    public record Below(String subject, String posture, double byMm) implements Meeting {
        @Override
        public String a() {
            return subject;
        }

        @Override
        public String b() {
            return TABLE;
        }

        @Override
        public Where where() {
            return new Where(posture);
        }

        @Override
        public double mm() {
            return -byMm;
        }
    }

    /** All that meets or comes near, the tightest first; of what is equally tight, first what is in the same place. */
    public List<Meeting> meetings() {
        return Stream.of(clashes, outside, hits, below, gaps)
                .<Meeting>flatMap(List::stream)
                .sorted(Comparator.comparingDouble(Meeting::mm))
                .toList();
    }

    /** The tightest meeting, if anything meets. */
    public Optional<Meeting> nearest() {
        return meetings().stream().findFirst();
    }

    /** The part where it lies, if it is placed. */
    public Optional<Placed> placed(String part) {
        return Placed.of(placed, part);
    }
}
