package boldsatchel.cables;

import boldsatchel.geometry.Vec;
import boldsatchel.machine.Facet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How cables and wires lie in the machine.
 *
 * @param leads all that is led from part to part
 * @param laid those of which it is said how
 * @param unlaid ids of those of which nobody said it
 * @param rooms what they take of each tray
 */
public record CablesResult(List<Lead> leads, List<Laying> laid, List<String> unlaid, List<Room> rooms) {

    /** Nothing is led anywhere. */
    public static final CablesResult NOTHING = new CablesResult(List.of(), List.of(), List.of(), List.of());

    /** Copies the lists. */
    public CablesResult {
        leads = List.copyOf(leads);
        laid = List.copyOf(laid);
        unlaid = List.copyOf(unlaid);
        rooms = List.copyOf(rooms);
    }

    /**
     * One that is laid.
     *
     * @param way its points
     * @param lengthMm from end to end, in the posture in which it has furthest to go
     * @param posture name of that posture; empty where it is the same in all
     * @param corners where it is bent
     * @param meetings what it is in one place with
     * @param bundles legs that run together with others
     * @param wide the way along which something flat is wide, leg by leg; empty for what is round
     * @param crooked whether something flat arrives on its edge
     * @param needs on which sides a flat cable has to have its contacts to meet those of both sockets on this way, where that can be said
     */
    public record Laying(
            Way way,
            double lengthMm,
            String posture,
            List<Way.Corner> corners,
            List<Meeting> meetings,
            List<Bundle> bundles,
            List<Vec> wide,
            boolean crooked,
            Optional<Facet.Joins.Ends> needs) {

        /** Copies the lists. */
        public Laying {
            corners = List.copyOf(corners);
            meetings = List.copyOf(meetings);
            bundles = List.copyOf(bundles);
            wide = List.copyOf(wide);
        }

        /** What is laid. */
        public Lead lead() {
            return way.lead();
        }

        /** What is left of its own length, mm; negative where it is too short; absent where its length is not known. */
        public OptionalDouble spareMm() {
            return lead().lengthMm().isPresent()
                    ? OptionalDouble.of(lead().lengthMm().getAsDouble() - lengthMm)
                    : OptionalDouble.empty();
        }

        /** Whether its contacts come out facing away from those of a socket; not where one of them is not known. */
        public boolean facesAway() {
            return needs.isPresent() && lead().ends().isPresent() && !needs.equals(lead().ends());
        }

        /** How often something flat is folded over itself. */
        public int folds() {
            return (int) corners.stream().filter(Way.Corner::fold).count();
        }

        /** What a bend lacks of the radius it should have, mm; nothing in the room of a plug and where it is folded. */
        public double lacksMm(Way.Corner corner) {
            boolean judged = !corner.fold() && way.knots().get(corner.knot()).kind() == Way.Kind.BEND;
            return judged ? Math.max(0, lead().girth().bendMm() - corner.radiusMm()) : 0;
        }

        /** The bend that lacks most; absent where all are wide enough. */
        public Optional<Way.Corner> tightest() {
            Optional<Way.Corner> worst = Optional.empty();
            double most = 0;
            for (Way.Corner corner : corners) {
                if (lacksMm(corner) > most) {
                    most = lacksMm(corner);
                    worst = Optional.of(corner);
                }
            }
            return worst;
        }
    }

    /**
     * A leg in one place with something.
     *
     * @param leg its number, from 0 at the first end
     * @param by id of the part, or of the tray whose wall or rib it is
     * @param depthMm how far it would have to give way
     * @param posture in which something of another tray comes there; empty in its own
     */
    public record Meeting(int leg, String by, double depthMm, String posture) {}

    /**
     * A leg that runs together with others.
     *
     * @param leg its number
     * @param with ids of the others
     * @param mm how thick they are together
     */
    public record Bundle(int leg, List<String> with, double mm) {
        /** Copies the list. */
        public Bundle {
            with = List.copyOf(with);
        }
    }

    /**
     * What cables take of a tray, what is to spare of them included.
     *
     * @param shell its id
     * @param freeMm3 what parts leave of it
     * @param takenMm3 what cables take
     * @param unknown how many of them have a length that nobody knows
     */
    public record Room(String shell, double freeMm3, double takenMm3, int unknown) {
        /** What they take of what is free, as a share. */
        public double share() {
            return freeMm3 <= 0 ? takenMm3 > 0 ? 1 : 0 : Math.min(1, takenMm3 / freeMm3);
        }
    }

    /** One that is laid. */
    public Optional<Laying> laying(String id) {
        return laid.stream().filter(l -> l.lead().id().equals(id)).findFirst();
    }

    /** One that is led. */
    public Optional<Lead> lead(String id) {
        return leads.stream().filter(l -> l.id().equals(id)).findFirst();
    }
}
