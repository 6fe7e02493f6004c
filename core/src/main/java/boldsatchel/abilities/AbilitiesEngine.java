package boldsatchel.abilities;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.links.LinksResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/** Looks over what the machine does for its user: programs, storage, radio, sound, pointer, touch, a way in. What nobody said is not looked at. */
public final class AbilitiesEngine implements Engine<Abilities> {

    /** An engine; all are alike. */
    public AbilitiesEngine() {}

    @Override
    public String about() {
        return "what the machine does for its user";
    }

    @Override
    public Class<Abilities> result() {
        return Abilities.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.WIRING);
    }

    @Override
    public Set<Class<?>> needs() {
        return Set.of(LinksResult.class);
    }

    @Override
    public Abilities work(Build build, Results results) {
        return evaluate(build, results.of(LinksResult.class));
    }

    @Override
    public Abilities nothing() {
        return Abilities.NOTHING;
    }

    /**
     * Looks a build over.
     *
     * @param links what talks to what
     */
    public static Abilities evaluate(Build build, LinksResult links) {
        List<Gap> gaps = new ArrayList<>();
        List<Sound> sounds = Sound.all(build, links);
        Boards boards = Boards.of(build, links);
        if (!boards.list().isEmpty()) {
            new Forgotten(build, links, boards, gaps).look();
            new Programs(build, boards, gaps).look();
            new Risks(build, boards, gaps).look();
        }
        new Details(build, links, sounds, gaps).look();
        return new Abilities(gaps, sounds);
    }
}
