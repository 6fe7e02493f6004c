package boldsatchel.assembly;

import java.util.List;
import java.util.stream.Stream;

/**
 * Something that is taken out, off or opened in one go; the other way round, something that is put in.
 *
 * @param kind what is done
 * @param subject id of the part, tray or joint that it is about
 * @param groups what leaves, one after the other: several only where wires hold them together; empty for what is opened or taken off
 */
public record Removal(Kind kind, String subject, List<Group> groups) {

    /** What is done. */
    public enum Kind {
        /** Parts leave their tray. */
        PARTS,
        /** A card or another part leaves the part that carries it. */
        RIDER,
        /** A cover comes off. */
        COVER,
        /** A lid is opened, a drawer drawn out. */
        OPEN,
        /** A tray comes off another one. */
        TRAY
    }

    /**
     * Parts that move as one body: one that is held in the tray first, then those that ride on it.
     *
     * @param parts their ids
     * @param way how they leave
     */
    public record Group(List<String> parts, Way way) {
        /** Copies the list. */
        public Group {
            parts = List.copyOf(parts);
        }
    }

    /** Copies the list. */
    public Removal {
        groups = List.copyOf(groups);
    }

    /** All parts that leave. */
    public Stream<String> parts() {
        return groups.stream().flatMap(g -> g.parts().stream());
    }

    /** Whether a part leaves with it. */
    public boolean takes(String part) {
        return parts().anyMatch(part::equals);
    }
}
