package boldsatchel.assembly;

import boldsatchel.assembly.AssemblyResult.Circle;
import boldsatchel.assembly.AssemblyResult.Fast;
import boldsatchel.assembly.AssemblyResult.Reach;
import boldsatchel.assembly.AssemblyResult.Wanted;
import boldsatchel.cables.CablesEngine;
import boldsatchel.cables.CablesResult;
import boldsatchel.cables.Lead;
import boldsatchel.engine.Engine;
import boldsatchel.engine.Lazy;
import boldsatchel.engine.Results;
import boldsatchel.fit.Placed;
import boldsatchel.machine.Build;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.machine.Section;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * In what order the machine goes together, whether it can at all, and what it takes to get at what wears out. What is planned is taken apart
 * ({@link Takedown}) once as it is built, where glue holds nothing yet, and once as it is mended, where it does.
 */
public final class AssemblyEngine implements Engine<AssemblyResult> {

    /** Of more batteries, drives and fans than this the first are looked at. */
    private static final int MOST_REACHES = 24;

    /** What is tall ranks no lower when it is taken out. */
    private static final double TALL_RANK = 2e3;

    /** An engine; all are alike. */
    public AssemblyEngine() {}

    @Override
    public String about() {
        return "how it goes together";
    }

    @Override
    public Class<AssemblyResult> result() {
        return AssemblyResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.LAYOUT, Section.WIRING);
    }

    @Override
    public Set<Class<?>> asks() {
        return Set.of(CablesResult.class);
    }

    @Override
    public AssemblyResult work(Build build, Results results) {
        return evaluate(build, results.of(CablesResult.class));
    }

    @Override
    public AssemblyResult nothing() {
        return AssemblyResult.NOTHING;
    }

    /** Evaluates a build. */
    public static AssemblyResult evaluate(Build build) {
        return evaluate(build, CablesEngine.evaluate(build));
    }

    private static AssemblyResult evaluate(Build build, CablesResult cables) {
        Takedown building = Takedown.of(build, cables, List.of());
        return evaluate(build, cables, building, ranks(build, cables, building));
    }

    private static AssemblyResult evaluate(Build build, CablesResult cables, Takedown building, double[] ranks) {
        BitSet left = building.whole();
        List<Removal> out = building.takeAll(left, ranks);
        List<Circle> circles = building.isCutShort()
                ? List.of()
                : Circles.of(building, left).stream()
                        .map(c -> circle(building, c))
                        .toList();
        boolean cutShort = building.isCutShort();
        return new AssemblyResult(
                out,
                cutShort ? List.of() : circles,
                cutShort,
                Lazy.of(() -> wayOut(build, cables, circles.isEmpty())),
                fast(building),
                reaches(build, cables, building.finished(), isGlued(build) ? Optional.empty() : Optional.of(left)),
                Recall.of(building, cables.leads(), ranks));
    }

    /** What moved in its tray is looked at anew; where that changes nothing of what is in whose way, the answer is the last one. */
    @Override
    public AssemblyResult again(Build build, Results results, Last<AssemblyResult> last) {
        return again(build, results.of(CablesResult.class), last);
    }

    static AssemblyResult again(Build build, CablesResult cables, Last<AssemblyResult> last) {
        AssemblyResult before = last.result();
        Optional<Set<String>> recut =
                last.isSame(build, Section.PARTS) && last.isSame(build, Section.WIRING) && !before.cutShort()
                        ? build.casing().recutSince(last.before().casing())
                        : Optional.empty();
        Optional<Takedown> moved =
                recut.flatMap(trays -> before.recall().building().flatMap(b -> b.after(build, cables, trays)));
        if (moved.isEmpty()) {
            return evaluate(build, cables);
        }
        Takedown building = moved.get();
        double[] ranks = ranks(build, cables, building);
        return building.isSame() && !building.isCutShort() && before.recall().isSame(cables.leads(), ranks)
                ? new AssemblyResult(
                        before.out(),
                        before.circles(),
                        false,
                        Lazy.of(() -> wayOut(build, cables, before.circles().isEmpty())),
                        before.fast(),
                        before.reaches(),
                        Recall.of(building, cables.leads(), ranks))
                : evaluate(build, cables, building, ranks);
    }

    private static double[] ranks(Build build, CablesResult cables, Takedown building) {
        return building.moves().stream()
                .mapToDouble(m -> rank(build, cables, building, m))
                .toArray();
    }

    private static List<Fast> fast(Takedown takedown) {
        return takedown.ties()
                .fast()
                .map(s -> new Fast(
                        s.lead(),
                        takedown.placed().get(s.one()).id(),
                        takedown.placed().get(s.other()).id()))
                .toList();
    }

    private static Circle circle(Takedown takedown, BitSet members) {
        return new Circle(
                members.stream().mapToObj(i -> takedown.pieces().get(i)).toList());
    }

    /** The least that has to be taken out of the finished machine to have a part in hand, whichever it is; nothing for one that lies nowhere. */
    public static Optional<Reach> reach(Build build, String part) {
        CablesResult cables = CablesEngine.evaluate(build);
        Takedown mending = Takedown.of(build, cables, List.of()).finished();
        return mending.index(part).map(i -> {
            Minutes minutes = new Minutes(build, leads(cables, mending));
            return reach(mending, stays(mending), minutes, new Reaching(mending, minutes::of), i);
        });
    }

    private static boolean isGlued(Build build) {
        return build.layout().placements().stream()
                        .anyMatch(p ->
                                p.fixing().filter(f -> f.by() == Fixing.By.GLUE).isPresent())
                || build.casing().joints().stream()
                        .anyMatch(j -> j.way() instanceof Joint.Held h && h.by() == Joint.Held.By.GLUE);
    }

    /**
     * @param left what never comes out, if that is known
     */
    private static List<Reach> reaches(Build build, CablesResult cables, Takedown mending, Optional<BitSet> left) {
        List<Reach> reaches = new ArrayList<>();
        BitSet stays = left.orElseGet(() -> stays(mending));
        Minutes minutes = new Minutes(build, leads(cables, mending));
        Reaching reaching = new Reaching(mending, minutes::of);
        for (int i = 0; i < mending.placed().size() && reaches.size() < MOST_REACHES; i++) {
            if (Wanted.of(mending.placed().get(i).part()).isPresent()) {
                reaches.add(reach(mending, stays, minutes, reaching, i));
            }
        }
        return reaches;
    }

    /** Leads that come apart at a plug. */
    private static List<Lead> leads(CablesResult cables, Takedown mending) {
        Set<String> fast = mending.ties().fast().map(Ties.Soldered::lead).collect(Collectors.toSet());
        return cables.leads().stream().filter(l -> !fast.contains(l.id())).toList();
    }

    /** What never comes out of the finished machine. */
    private static BitSet stays(Takedown mending) {
        BitSet stays = mending.whole();
        mending.takeAll(stays);
        return stays;
    }

    private static Reach reach(Takedown mending, BitSet stays, Minutes minutes, Reaching reaching, int part) {
        Part wanted = mending.placed().get(part).part();
        Optional<Reaching.Found> found = stays.get(part) ? Optional.empty() : reaching.of(part);
        List<Removal> steps = found.map(Reaching.Found::steps).orElse(List.of());
        List<String> unsoldered = mending.ties()
                .fast()
                .filter(s -> s.one() == part || s.other() == part)
                .map(Ties.Soldered::lead)
                .toList();
        return new Reach(
                wanted.id(),
                Wanted.of(wanted),
                steps,
                steps.stream().mapToDouble(minutes::of).sum() + minutes.unsoldering(unsoldered.size()),
                found.map(Reaching.Found::least).orElse(true),
                unsoldered);
    }

    private static Optional<AssemblyResult.WayOut> wayOut(Build build, CablesResult cables, boolean none) {
        if (none) {
            return Optional.empty();
        }
        Takedown planned = Takedown.of(build, cables, List.of());
        BitSet stuck = planned.whole();
        planned.takeAll(stuck);
        return Circles.cheapest(
                Circles.possible(build, cables, planned, stuck, false), changes -> Takedown.of(build, cables, changes));
    }

    /** What is taken out first, so that it is put in last: what closes, then the battery, then trays, then what is tall before what is flat. */
    private static double rank(Build build, CablesResult cables, Takedown takedown, Takedown.Move move) {
        return switch (move.kind()) {
            case OPEN -> 6e6;
            case COVER -> 5e6;
            case TRAY ->
                rank(cables, takedown, build.casing().carrying(move.subject()).orElseThrow());
            case PARTS -> rank(takedown, move);
            case RIDER -> -1;
        };
    }

    /** What is held closes; what a ribbon leads to is there before what is tall, so that fingers get at both of its ends. */
    private static double rank(CablesResult cables, Takedown takedown, Joint joint) {
        if (joint.way() instanceof Joint.Held) {
            return 4e6;
        }
        boolean ribbon = cables.leads().stream()
                .anyMatch(l -> l.girth().flat() && takedown.jointsUnder(l).contains(joint));
        return ribbon ? TALL_RANK - 1 : 2e6;
    }

    private static double rank(Takedown takedown, Takedown.Move move) {
        double rank = 0;
        for (int i = move.takes().nextSetBit(0); i >= 0; i = move.takes().nextSetBit(i + 1)) {
            Placed part = takedown.placed().get(i);
            double high = part.bounds().dz();
            rank = Math.max(
                    rank,
                    (part.part().isSource() ? 3e6 : 0)
                            + (high >= Steps.TALL_MM ? TALL_RANK : high > Steps.FLAT_MM ? 1e3 : 0)
                            + part.bounds().high(2));
        }
        return rank;
    }
}
