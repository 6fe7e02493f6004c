package boldsatchel.hands;

import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;

/**
 * What has to be done from how it is stowed to how it is used. How long each step takes is a guess.
 *
 * @param steps in order
 */
public record SetUp(List<Step> steps) {

    private static final double OPENS_S = 3;
    private static final double PLACES_S = 8;
    private static final double PLUGS_S = 6;

    /**
     * One thing to do.
     *
     * @param words starting with a verb
     * @param piece id of the tray or part beside the machine that it is about; empty for a step on the machine itself
     */
    public record Step(String words, double seconds, String piece) {
        /** Whether it is about something beside the machine. */
        public boolean beside() {
            return !piece.isEmpty();
        }
    }

    /** Copies the list. */
    public SetUp {
        steps = List.copyOf(steps);
    }

    /** Of a build: from the posture in which it is stowed, or closed, to the one in which it is used. */
    static SetUp of(Build build) {
        Casing casing = build.casing();
        Posture stowed = casing.postures().stream()
                .filter(p -> p.held() == Posture.Held.STOWED)
                .findFirst()
                .orElse(Posture.CLOSED);
        List<Step> steps = new ArrayList<>();
        for (Joint joint : casing.joints()) {
            if (casing.inUse().amount(joint) != stowed.amount(joint)) {
                steps.add(new Step("open “" + joint.name() + "”", OPENS_S, ""));
            }
        }
        for (Shell shell : casing.shells()) {
            if (!casing.belongs(shell.id())) {
                steps.add(new Step("put " + shell.name() + " in its place", PLACES_S, shell.id()));
            }
        }
        for (Part part : build.parts().list()) {
            if (part.facet(Facet.StaysBeside.class).isPresent()
                    && part.facet(Facet.Adapter.class).isEmpty()) {
                steps.add(new Step("put " + part.name() + " beside it", PLACES_S, part.id()));
                for (Link link : build.wiring().links()) {
                    if (link.touches(part.id())) {
                        steps.add(new Step("plug " + part.name() + " in", PLUGS_S, part.id()));
                    }
                }
            }
        }
        return new SetUp(steps);
    }

    /** Of all steps together. */
    public double seconds() {
        return steps.stream().mapToDouble(Step::seconds).sum();
    }

    /** Ids of the trays and parts that lie beside the machine. */
    public List<String> pieces() {
        return steps.stream().filter(Step::beside).map(Step::piece).distinct().toList();
    }

    /** Whether there are pieces that lie beside the machine. */
    public boolean hasPieces() {
        return steps.stream().anyMatch(Step::beside);
    }
}
