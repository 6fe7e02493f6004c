package boldsatchel.machine;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Section: the things that go in, in the order they were added. Found by id in one step, however many there are. */
public final class Parts {
    private final List<Part> list;
    private final Map<String, Part> byId;

    /** Takes the list as it is; of two parts with one id the first is found. */
    public Parts(List<Part> list) {
        this.list = List.copyOf(list);
        byId = HashMap.newHashMap(list.size());
        this.list.forEach(p -> byId.putIfAbsent(p.id(), p));
    }

    /** All of them. */
    public List<Part> list() {
        return list;
    }

    /** The part with an id. */
    public Optional<Part> part(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** The same with one part put in place of the part of the same id, or added when there is none. */
    public Parts with(Part part) {
        return new Parts(Section.replaced(list, p -> p.id().equals(part.id()), part));
    }

    /** The same without the part of an id. */
    public Parts without(String id) {
        return new Parts(list.stream().filter(p -> !p.id().equals(id)).toList());
    }

    /** The same with one more. */
    public Parts and(Part part) {
        List<Part> more = new ArrayList<>(list);
        more.add(part);
        return new Parts(more);
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Parts p && list.equals(p.list);
    }

    @Override
    public int hashCode() {
        return list.hashCode();
    }

    @Override
    public String toString() {
        return list.toString();
    }
}
