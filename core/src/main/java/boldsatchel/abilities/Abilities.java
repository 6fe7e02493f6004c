package boldsatchel.abilities;

import boldsatchel.machine.Build;
import java.util.List;

/**
 * What the machine does for its user.
 *
 * @param gaps what it will not do, or not as it should
 * @param sounds its loudspeakers
 */
public record Abilities(List<Gap> gaps, List<Sound> sounds) {

    /** Nobody said anything. */
    public static final Abilities NOTHING = new Abilities(List.of(), List.of());

    /** Copies the lists. */
    public Abilities {
        gaps = List.copyOf(gaps);
        sounds = List.copyOf(sounds);
    }

    /** The gaps of a build as far as it has come: on a bare board every socket is a way in. */
    public List<Gap> gaps(Build build) {
        boolean bare = build.casing().shells().isEmpty();
        return gaps.stream()
                .filter(g -> !bare || g.kind() != Gap.Kind.NO_WAY_IN)
                .toList();
    }
}
