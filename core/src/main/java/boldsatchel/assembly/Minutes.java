package boldsatchel.assembly;

import boldsatchel.cables.Lead;
import boldsatchel.machine.Build;
import boldsatchel.machine.Joint;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** How long it takes to take things out and put them in again, by the usual times of the trade. */
final class Minutes {

    /** Out, and back in. */
    private static final int BOTH_WAYS = 2;

    private final Build build;
    private final List<Lead> leads;
    private final Trade trade = Trade.known();

    /**
     * @param leads that come apart at a plug
     */
    Minutes(Build build, List<Lead> leads) {
        this.build = build;
        this.leads = leads;
    }

    double of(Removal removal) {
        return BOTH_WAYS
                * switch (removal.kind()) {
                    case COVER -> of(Job.COVER, Steps.COVER_SCREWS);
                    case OPEN -> of(Job.SHUT, 0);
                    case TRAY ->
                        of(
                                Job.HANG,
                                build.casing()
                                        .carrying(removal.subject())
                                        .filter(j -> j.way() instanceof Joint.Held)
                                        .map(j -> ((Joint.Held) j.way()).count())
                                        .orElse(Steps.COVER_SCREWS));
                    case PARTS, RIDER ->
                        removal.groups().stream()
                                        .mapToDouble(g -> held(g.parts().getFirst()))
                                        .sum()
                                + leads(removal) * of(Job.PLUG, 0);
                };
    }

    /** Pairs of wires unsoldered, and soldered again. */
    double unsoldering(int pairs) {
        return pairs == 0 ? 0 : BOTH_WAYS * of(Job.SOLDER, pairs);
    }

    private double of(Job job, int count) {
        Trade.Work work = trade.work(job);
        return work.minutes() + work.each() * count;
    }

    private double held(String part) {
        Trade.Held held = trade.held(build.placement(part).flatMap(p -> p.fixing()));
        int screws = build.part(part).map(p -> p.body().holes().size()).orElse(0);
        return of(Job.LAY, 0) + held.minutes() + held.each() * screws;
    }

    /** Leads from what leaves to what stays. */
    private long leads(Removal removal) {
        Set<String> leaving = removal.parts().collect(Collectors.toSet());
        return leads.stream()
                .filter(l -> leaving.contains(l.one().part())
                        != leaving.contains(l.other().part()))
                .count();
    }
}
