package boldsatchel.links;

import java.util.List;

/**
 * What talks to what.
 *
 * @param needs of all parts, in the order of the parts
 * @param passing what hubs and adapters take to pass on: needed only while something hangs on them
 * @param flaws what is wrong with the links there are
 * @param pins which pin of which header does what
 */
public record LinksResult(List<Need> needs, List<Need> passing, List<Flaw> flaws, List<PinUse> pins) {

    /** Nobody said what anything needs. */
    public static final LinksResult NOTHING = new LinksResult(List.of(), List.of(), List.of(), List.of());

    /** Copies the lists. */
    public LinksResult {
        needs = List.copyOf(needs);
        passing = List.copyOf(passing);
        flaws = List.copyOf(flaws);
        pins = List.copyOf(pins);
    }

    /** Whether a need is open still. */
    public boolean leavesOpen(Need need) {
        return needs.stream()
                .anyMatch(n ->
                        n.open() && n.part().equals(need.part()) && n.duty().equals(need.duty()));
    }

    /** Needs that something is still to be done about. */
    public List<Need> open() {
        return needs.stream().filter(Need::open).toList();
    }
}
