package boldsatchel.abilities;

import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Function;
import boldsatchel.machine.Part;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What machines usually have and this one has not. */
record Forgotten(Build build, LinksResult links, Boards boards, List<Gap> gaps) {

    void look() {
        boolean shows = build.parts().list().stream().anyMatch(Part::isScreen);
        if (shows && !serves(Set.of("pointing", "touch"))) {
            miss(Gap.Kind.NO_POINTER, Function.POINTING);
        }
        if (shows && boards.wellKnown() && !serves(Set.of("sound")) && !heard()) {
            miss(Gap.Kind.NO_SOUND, Function.SOUND);
        }
        if (boards.wellKnown() && !boards.has(Function.NETWORK) && !serves(Set.of("network"))) {
            miss(Gap.Kind.NO_NETWORK, Function.NETWORK);
        }
        if (boards.wellKnown() && !boards.has(Function.STORAGE) && stores().isEmpty()) {
            miss(Gap.Kind.NO_STORAGE, Function.STORAGE);
        }
    }

    private void miss(Gap.Kind kind, Function function) {
        if (!build.brief().without(function)) {
            gaps.add(new Gap(kind, boards.ids(), Optional.of(function), "", 0, 1));
        }
    }

    /** Whether a part is there for one of these duties. A board's Ethernet is no radio, but a network all the same. */
    private boolean serves(Set<String> duties) {
        for (Need need : links.needs()) {
            if (duties.contains(need.duty()) && need.why() != Need.Why.WAIVED) {
                return true;
            }
        }
        return build.parts().list().stream().anyMatch(p -> p.family() == Family.POINTER && duties.contains("pointing"));
    }

    /** Whether headphones can be plugged in from outside. */
    private boolean heard() {
        return build.parts().list().stream()
                .flatMap(p -> p.body().ports().stream())
                .anyMatch(p -> p.use() == boldsatchel.machine.Port.Use.OUTSIDE
                        && p.gives(Set.of(boldsatchel.machine.Signal.Kind.LINE)));
    }

    private List<Part> stores() {
        return build.parts().list().stream()
                .filter(p -> p.facet(Facet.Stores.class).isPresent())
                .toList();
    }
}
