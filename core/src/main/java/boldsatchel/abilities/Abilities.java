package boldsatchel.abilities;

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
}
