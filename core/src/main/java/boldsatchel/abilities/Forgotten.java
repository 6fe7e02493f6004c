package boldsatchel.abilities;

import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Function;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Signal;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What machines usually have and this one has not. */
record Forgotten(Build build, LinksResult links, Boards boards, List<Gap> gaps) {

    void look() {
        Set<String> served = new HashSet<>();
        for (Need need : links.needs()) {
            if (need.why() != Need.Why.WAIVED) {
                served.add(need.duty());
            }
        }
        boolean shows = false;
        boolean stores = boards.has(Function.STORAGE);
        boolean heard = served.contains("sound");
        boolean points = served.contains("pointing") || served.contains("touch");
        for (Part part : build.parts().list()) {
            shows |= part.isScreen();
            stores |= part.facet(Facet.Stores.class).isPresent();
            points |= part.family() == Family.POINTER;
            heard |= headphones(part);
        }
        boolean known = boards.wellKnown();
        if (shows && !points) {
            miss(Gap.Kind.NO_POINTER, Function.POINTING);
        }
        if (shows && known && !heard) {
            miss(Gap.Kind.NO_SOUND, Function.SOUND);
        }
        if (known && !boards.has(Function.NETWORK) && !served.contains("network")) {
            miss(Gap.Kind.NO_NETWORK, Function.NETWORK);
        }
        if (known && !stores) {
            miss(Gap.Kind.NO_STORAGE, Function.STORAGE);
        }
    }

    private void miss(Gap.Kind kind, Function function) {
        if (!build.brief().without(function)) {
            gaps.add(new Gap(kind, boards.ids(), Optional.of(function), "", 0, 1));
        }
    }

    /** Whether headphones can be plugged in from outside. */
    static boolean headphones(Part part) {
        for (Port port : part.body().ports()) {
            if (port.use() == Port.Use.OUTSIDE && port.gives(Set.of(Signal.Kind.LINE))) {
                return true;
            }
        }
        return false;
    }
}
