package boldsatchel.machine;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.function.Predicate;

/** The sections of a build. An engine names those it reads; as long as they are the same objects, its result stays as it is. */
public enum Section {
    /** What the machine is for and what it is judged against. */
    BRIEF(Build::brief),
    /** What goes in. */
    PARTS(Build::parts),
    /** The case. */
    CASING(Build::casing),
    /** Where the parts lie: what a drag changes. */
    LAYOUT(Build::layout),
    /** The power chain. */
    WIRING(Build::wiring),
    /** Pads and pipes. */
    COOLING(Build::cooling),
    /** What the builder writes down. */
    JOURNAL(Build::journal),
    /** What is paid for beside parts and trays. */
    MONEY(Build::money);

    @SuppressWarnings("ImmutableEnumChecker") // An accessor of a record.
    private final Function<Build, Object> of;

    Section(Function<Build, Object> of) {
        this.of = of;
    }

    /** The section of a build. */
    public Object of(Build build) {
        return of.apply(build);
    }

    /** A list with the first match replaced, or with one more at the end when nothing matches. */
    static <T> List<T> replaced(List<T> list, Predicate<T> which, T with) {
        List<T> changed = new ArrayList<>(list);
        for (int i = 0; i < changed.size(); i++) {
            if (which.test(changed.get(i))) {
                changed.set(i, with);
                return changed;
            }
        }
        changed.add(with);
        return changed;
    }
}
