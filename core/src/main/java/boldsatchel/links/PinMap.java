package boldsatchel.links;

import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Link;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Which pin of which header does what. Pins that were chosen by hand stand; signals that can go to few pins are given theirs before those
 * that can go to many, so that plain lines take what is left.
 *
 * @param uses every pin in use
 * @param flaws pins that are asked for twice, and headers with too few
 */
public record PinMap(List<PinUse> uses, List<Flaw> flaws) {

    /** Copies the lists. */
    public PinMap {
        uses = List.copyOf(uses);
        flaws = List.copyOf(flaws);
    }

    /** Clock and two data lines of SPI, which all on the bus share; each part has a select line more. */
    private static final int SPI_SHARED = 3;

    /** How many pins of its own a part wants: on a bus that others are on, only what it does not share. */
    private static int wanted(Carried given, int lines, boolean first) {
        return switch (given.signal().kind()) {
            case I2C -> first ? 2 : 0;
            case SPI -> first ? SPI_SHARED + 1 : 1;
            default -> Math.max(1, lines);
        };
    }

    /** The first pins of a signal that nothing is on. */
    private static List<Integer> pick(Carried given, int lines, Set<Integer> taken, boolean first) {
        List<Integer> own = given.pins();
        int common = first || given.signal().kind() != Signal.Kind.SPI ? 0 : Math.min(SPI_SHARED, own.size());
        return own.stream()
                .skip(common)
                .filter(pin -> !taken.contains(pin))
                .limit(wanted(given, lines, first))
                .toList();
    }

    /**
     * Whether a header has pins for all that is asked of it.
     *
     * @param asked signals of the header, each with as many lines as one part takes of it; without pins, {@code lines} of a kind can be had
     * @param lines of the last one's kind, where its pins have no numbers
     */
    public static boolean fits(List<Carried> asked, int lines) {
        Set<Integer> taken = new HashSet<>();
        Set<List<Object>> buses = new HashSet<>();
        List<Carried> byPins = new ArrayList<>(asked);
        byPins.sort(Comparator.comparingInt(c -> c.pins().size()));
        for (Carried c : byPins) {
            if (!c.pins().isEmpty()) {
                boolean first = buses.add(List.of(c.signal(), c.pins()));
                List<Integer> picked = pick(c, c.lanes(), taken, first);
                if (picked.size() < wanted(c, c.lanes(), first)) {
                    return false;
                }
                taken.addAll(picked);
            }
        }
        Carried last = asked.getLast();
        int same = last.signal().kind().shared()
                ? 0
                : asked.stream()
                        .filter(c -> c.pins().isEmpty()
                                && c.signal().kind() == last.signal().kind())
                        .mapToInt(Carried::lanes)
                        .sum();
        return !last.pins().isEmpty() || same <= lines;
    }

    /**
     * Something that asks for pins.
     *
     * @param hop to the header
     * @param last cable or part that is plugged into it
     * @param part that it serves
     * @param duty what for
     */
    private record Asked(Route.Hop hop, String last, String part, String duty) {}

    static PinMap of(Build build, List<Need> needs) {
        Map<Link.End, Map<Route.Hop, Asked>> byHeader = new LinkedHashMap<>();
        for (Need need : needs) {
            need.route().ifPresent(route -> {
                for (Route.Hop hop : route.hops()) {
                    if (!hop.given().pins().isEmpty()) {
                        int passed = route.through().indexOf(hop.giver().part());
                        int before = (passed < 0 ? route.through().size() : passed) - 1;
                        String last = before < 0
                                ? hop.taker().part()
                                : route.through().get(before);
                        byHeader.computeIfAbsent(hop.giver(), h -> new LinkedHashMap<>())
                                .putIfAbsent(
                                        hop,
                                        new Asked(
                                                hop,
                                                last,
                                                hop.taker().part(),
                                                hop.taken().duty()));
                    }
                }
            });
        }
        List<PinUse> uses = new ArrayList<>();
        List<Flaw> flaws = new ArrayList<>();
        byHeader.forEach((header, asked) -> new Header(build, header, uses, flaws).give(List.copyOf(asked.values())));
        return new PinMap(uses, flaws);
    }

    /** One header while its pins are given away. */
    private static final class Header {
        private final Build build;
        private final Link.End header;
        private final List<PinUse> uses;
        private final List<Flaw> flaws;
        private final Map<Integer, PinUse> taken = new HashMap<>();
        private final Set<Carried> buses = new HashSet<>();

        Header(Build build, Link.End header, List<PinUse> uses, List<Flaw> flaws) {
            this.build = build;
            this.header = header;
            this.uses = uses;
            this.flaws = flaws;
        }

        void give(List<Asked> all) {
            List<Asked> left = new ArrayList<>(all);
            left.sort(Comparator.<Asked>comparingInt(a -> chosen(a).isEmpty() ? 1 : 0)
                    .thenComparingInt(a -> a.hop.given().pins().size()));
            left.forEach(this::give);
        }

        /** Pins that were chosen by hand. */
        private List<Integer> chosen(Asked asked) {
            return build.wiring().links().stream()
                    .filter(l -> l.touches(asked.last))
                    .flatMap(Link::ends)
                    .filter(e -> e.is(header.part(), header.port()))
                    .flatMap(e -> e.pins().stream())
                    .toList();
        }

        private void give(Asked asked) {
            Carried given = asked.hop.given();
            int lanes = asked.hop.taken().lanes();
            List<Integer> chosen = chosen(asked);
            if (!chosen.isEmpty()) {
                chosen.forEach(pin -> take(pin, given, asked));
                return;
            }
            boolean first = buses.add(given);
            List<Integer> picked = pick(given, lanes, taken.keySet(), first);
            picked.forEach(pin -> take(pin, given, asked));
            int lines = wanted(given, lanes, first);
            if (picked.size() < lines) {
                flaws.add(new Flaw(
                        Flaw.Kind.NO_PINS, List.of(asked.part, header.part()), asked.duty, lines, picked.size()));
            }
        }

        private void take(int pin, Carried given, Asked asked) {
            PinUse use = new PinUse(header, pin, given.signal(), asked.part, asked.duty);
            PinUse before = taken.putIfAbsent(pin, use);
            uses.add(use);
            boolean bus = given.signal().kind().shared()
                    && before != null
                    && before.signal().kind() == given.signal().kind();
            if (before != null && !bus) {
                flaws.add(new Flaw(
                        Flaw.Kind.PIN, List.of(asked.part, before.part(), header.part()), asked.duty, pin, pin));
            }
        }
    }
}
