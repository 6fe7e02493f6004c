package boldsatchel.links;

import boldsatchel.machine.Build;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What leads from a socket of one part to a socket of another: cables end to end, or nothing where a plug goes straight in. A wire list
 * and a harness are made of these.
 *
 * @param one socket
 * @param other socket
 * @param cables from the one to the other
 */
public record Run(Link.End one, Link.End other, List<Part> cables) {

    /** Copies the list. */
    public Run {
        cables = List.copyOf(cables);
    }

    /** Whether one of its ends is a socket of that part. */
    public boolean touches(String part) {
        return one.part().equals(part) || other.part().equals(part);
    }

    /** Whether one of its ends is that socket. */
    public boolean ends(Link.End end) {
        return one.is(end.part(), end.port()) || other.is(end.part(), end.port());
    }

    /** All runs of a build that lead somewhere, in the order of its links. */
    public static List<Run> all(Build build) {
        return new Follower(build).runs;
    }

    /** Follows cables from end to end. */
    private static final class Follower {
        private final Build build;
        private final Map<String, List<Link>> byCable = new HashMap<>();
        private final Set<Link> seen = new HashSet<>();
        private final List<Run> runs = new ArrayList<>();

        Follower(Build build) {
            this.build = build;
            List<Link> links = build.wiring().links();
            for (Link link : links) {
                link.ends()
                        .filter(e -> cable(e).isPresent())
                        .forEach(e -> byCable.computeIfAbsent(e.part(), c -> new ArrayList<>())
                                .add(link));
            }
            for (Link link : links) {
                for (Link.End start : List.of(link.one(), link.other())) {
                    if (cable(start).isEmpty() && !seen.contains(link)) {
                        follow(link, start);
                    }
                }
            }
        }

        private Optional<Part> cable(Link.End end) {
            return build.part(end.part()).filter(Part::isLed);
        }

        private void follow(Link first, Link.End start) {
            List<Part> cables = new ArrayList<>();
            Link.End end = first.across(start.part(), start.port());
            seen.add(first);
            for (Optional<Part> cable = cable(end); cable.isPresent(); cable = cable(end)) {
                cables.add(cable.get());
                String here = end.part();
                Optional<Link> next = byCable.getOrDefault(here, List.of()).stream()
                        .filter(seen::add)
                        .findFirst();
                if (next.isEmpty()) {
                    return;
                }
                end = next.get().one().part().equals(here)
                        ? next.get().other()
                        : next.get().one();
            }
            runs.add(new Run(start.unpinned(), end.unpinned(), cables));
        }
    }
}
