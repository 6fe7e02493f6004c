package boldsatchel.assembly;

import boldsatchel.bench.BenchTest;
import boldsatchel.bench.BenchTests;
import boldsatchel.cables.CablesResult;
import boldsatchel.cables.Lead;
import boldsatchel.fit.Placed;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.made.Cutout;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Makes the steps of the work out of how a machine comes apart, and what the trade knows. */
final class Steps {

    /** Flat is what is no higher, mm, and tall what is no lower: beside the one a finger works, beside the other it does not. */
    static final double FLAT_MM = 8;

    static final double TALL_MM = 15;

    /** A printer lays down so much in an hour, cm³: a usual figure for a nozzle of 0.4 mm, a guess. */
    private static final double PRINTED_CM3_H = 12;

    private static final double MM3_CM3 = 1000;
    /** Of a longer test the rest is waiting, min. */
    private static final double ATTENDED_MIN = 20;

    /** Screws of a cover of which nobody said how it is held, a guess. */
    static final int COVER_SCREWS = 4;

    private static final String THIRD_HAND =
            "They hang together by wires: hold the one with tape or a third hand while the other goes in.";

    private static final String PINCHED =
            "Leads lead over to it: plug them in while it is held up beside the other, and see that none is pinched when it closes.";

    private static final Set<Family> BOARDS = EnumSet.of(
            Family.X86_BOARD,
            Family.SINGLE_BOARD,
            Family.CONVERTER,
            Family.CHARGER,
            Family.HUB,
            Family.MICROCONTROLLER,
            Family.SOUND);

    private final Build build;
    private final CablesResult cables;
    private final Takedown takedown;
    private final List<Removal> out;
    private final Trade trade;
    private final List<Order.Draft> drafts = new ArrayList<>();
    /** Step by which each part comes into the case. */
    private final Map<String, String> laidBy = new HashMap<>();

    private final Set<String> chain = new LinkedHashSet<>();
    /** Steps that bring an iron: never into the case. */
    private final Set<String> joints = new LinkedHashSet<>();

    private Steps(Build build, CablesResult cables, Takedown takedown, List<Removal> out, Trade trade) {
        this.build = build;
        this.cables = cables;
        this.takedown = takedown;
        this.out = out;
        this.trade = trade;
    }

    /**
     * The work.
     *
     * @param out what is taken out, one after the other
     * @param moved steps that were moved by hand
     */
    static Plan of(Build build, CablesResult cables, Takedown takedown, List<Removal> out, List<Journal.Moved> moved) {
        Trade trade = Trade.known();
        Steps steps = new Steps(build, cables, takedown, out, trade);
        steps.draft();
        List<Order.Draft> row = Order.of(steps.drafts, trade.rules());
        MovedSteps moves = new MovedSteps(takedown, row, out);
        moves.follow(moved);
        if (!moves.byHand().isEmpty()) {
            steps = new Steps(build, cables, takedown, moves.out(), trade);
            steps.draft();
            row = moves.row(steps.drafts);
        }
        return new Plan(
                steps.reasoned(row.stream().map(Order.Draft::step).toList()),
                Order.broken(row, trade.rules()),
                steps.unwired(),
                MovedSteps.bounds(takedown, row),
                moves.byHand(),
                moves.refused());
    }

    private void draft() {
        build.casing().shells().forEach(this::made);
        wires();
        riders();
        proofs(Trait.PROVING_LOOSE, Trait.PROVING_PACK);
        install();
        int closed = 0;
        while (closed < out.size() && isShutter(out.get(closed))) {
            closed++;
        }
        for (int i = out.size() - 1; i >= 0; i--) {
            in(out.get(i), i < closed);
        }
        proofs(Trait.PROVING_OPEN, Trait.PROVING_CLOSED);
        peel();
    }

    private void add(Step step, String tray, Set<String> needs) {
        drafts.add(new Order.Draft(step, tray, needs, Optional.empty()));
    }

    /** A step of a job with its usual times. */
    private Step step(Job job, List<String> subjects, String what, int count, Set<Trait> traits) {
        Trade.Work work = trade.work(job);
        Set<Trait> all = EnumSet.copyOf(traits);
        if (job != Job.PEEL) {
            all.add(Trait.ANYTHING_ELSE);
        }
        return new Step(
                job.name() + ":" + String.join("+", subjects),
                job,
                subjects,
                work.words().replace("{what}", what),
                List.of(),
                Optional.empty(),
                work.minutes() + work.each() * count,
                work.waitMinutes(),
                work.tools(),
                work.takes(),
                work.cautions(),
                List.of(),
                all);
    }

    private String name(String id) {
        return Wording.name(build, id);
    }

    private String names(List<String> ids) {
        return Wording.names(build, ids);
    }

    /** How a tray comes to be. */
    private void made(Shell tray) {
        List<String> it = List.of(tray.id());
        List<Cutout> holes = tray.making() == Shell.Making.FOUND ? Cutout.all(tray, takedown.placed()) : List.of();
        switch (tray.making()) {
            case PRINTED -> {
                double cm3 = (tray.outside().volume() - tray.cavity().volume()) / MM3_CM3;
                Step print = step(Job.PRINT, it, tray.name(), 0, EnumSet.of(Trait.DUSTY));
                add(print.waiting(cm3 / PRINTED_CM3_H * 60), "", Set.of());
            }
            case CUT -> add(step(Job.CUT, it, tray.name(), 0, EnumSet.of(Trait.DUSTY)), "", Set.of());
            case FOUND -> {
                if (!holes.isEmpty()) {
                    // The many holes of a vent are one piece of work.
                    int count =
                            (int) holes.stream().map(Cutout::name).distinct().count();
                    Step drill = step(Job.DRILL, it, tray.name(), count, EnumSet.of(Trait.DUSTY));
                    add(drill.with(Sizes.drills(holes)), "", Set.of());
                }
            }
        }
        if (tray.making() != Shell.Making.FOUND || !holes.isEmpty()) {
            Set<String> after = Set.of("PRINT:" + tray.id(), "CUT:" + tray.id(), "DRILL:" + tray.id());
            add(step(Job.DEBUR, it, tray.name(), 0, EnumSet.of(Trait.DUSTY)), "", after);
        }
        if (!tray.bosses().isEmpty()) {
            Set<String> after = Set.of("PRINT:" + tray.id(), "CUT:" + tray.id());
            Step threads = step(Job.THREADS, it, tray.name(), tray.bosses().size(), EnumSet.of(Trait.THREADING));
            add(threads.with(Sizes.taps(tray)), "", after);
        }
        add(step(Job.CLEAN_CASE, it, tray.name(), 0, EnumSet.of(Trait.WASHING_CASE)), "", Set.of());
    }

    private boolean isLive(Lead lead) {
        return lead.kind() == Lead.Kind.WIRES
                && List.of(lead.one(), lead.other()).stream()
                        .anyMatch(
                                e -> build.part(e.part()).filter(Part::isSource).isPresent());
    }

    private String fromTo(Lead lead) {
        String one = name(lead.one().part());
        String other = name(lead.other().part());
        if (lead.kind() == Lead.Kind.LEAD) {
            boolean ofOne = lead.one().port().filter(Port::plug).isPresent();
            return "the lead of " + (ofOne ? one : other) + " to " + (ofOne ? other : one);
        }
        return lead.name() + " from " + one + " to " + other;
    }

    private boolean isSoldered(Lead lead) {
        return takedown.ties().fast().anyMatch(s -> s.lead().equals(lead.id()));
    }

    /** Marks, joints and what is washed after. */
    private void wires() {
        List<Lead> soldered = cables.leads().stream().filter(this::isSoldered).toList();
        if (soldered.isEmpty()) {
            return;
        }
        List<String> ids = soldered.stream().map(Lead::id).toList();
        String all = soldered.size() == 1 ? fromTo(soldered.getFirst()) : soldered.size() + " pairs of wires";
        add(step(Job.MARK, ids, all, ids.size(), EnumSet.of(Trait.MARKING)), "", Set.of());
        ids.forEach(id -> joints.add("SOLDER:" + id));
        Set<String> washed = new LinkedHashSet<>();
        for (Lead lead : soldered) {
            List<String> inIt = Ties.contacts(build, lead).stream()
                    .map(c -> c.kind().words())
                    .toList();
            String what = fromTo(lead) + (inIt.isEmpty() ? "" : ", with " + String.join(" and ", inIt) + " in them");
            // A pack is live the moment it is soldered to something.
            Set<Trait> traits = EnumSet.of(Trait.SOLDERING, isLive(lead) ? Trait.LIVE : Trait.WIRING);
            add(step(Job.SOLDER, List.of(lead.id()), what, 1 + inIt.size(), traits), "", Set.of());
            List.of(lead.one(), lead.other()).stream()
                    .map(Lead.End::part)
                    .filter(p -> build.part(p)
                            .filter(b -> BOARDS.contains(b.family()))
                            .isPresent())
                    .forEach(washed::add);
        }
        if (!washed.isEmpty()) {
            List<String> boards = List.copyOf(washed);
            Set<Trait> wet = EnumSet.of(Trait.WASHING_BOARD);
            add(step(Job.CLEAN_BOARD, boards, names(boards), boards.size(), wet), "", joints);
        }
        add(step(Job.SLEEVE, ids, all, ids.size(), EnumSet.of(Trait.SLEEVING)), "", joints);
    }

    /** What is put on parts on the table. */
    private void riders() {
        Set<String> alone = out.stream()
                .filter(r -> r.kind() == Removal.Kind.RIDER)
                .flatMap(Removal::parts)
                .collect(Collectors.toSet());
        takedown.ties().riders().forEach((rider, of) -> {
            String part = takedown.placed().get(rider).id();
            String host = takedown.placed().get(of.host()).id();
            if (!alone.contains(part)) {
                Step ride = step(
                        Job.RIDE,
                        List.of(part, host),
                        name(part) + " on " + name(host),
                        0,
                        EnumSet.of(Trait.ELECTRONIC));
                add(held(ride, List.of(part)), "", Set.of());
            }
        });
    }

    private Set<String> ridesOf(String host) {
        return drafts.stream()
                .map(d -> d.step())
                .filter(s -> s.job() == Job.RIDE && s.subjects().getLast().equals(host))
                .map(Step::id)
                .collect(Collectors.toSet());
    }

    private void install() {
        for (Placed p : takedown.placed()) {
            if (p.part().family().computes()) {
                Step install = step(Job.INSTALL, List.of(p.id()), name(p.id()), 0, EnumSet.of(Trait.INSTALLING));
                Set<String> needs = new HashSet<>(ridesOf(p.id()));
                needs.add("PROVE:start+" + p.id());
                add(install, "", needs);
            }
        }
    }

    /** Tests that work waits for. */
    private void proofs(Trait... when) {
        Set<Trait> wanted = EnumSet.copyOf(List.of(when));
        for (Trade.Proof proof : trade.proofs()) {
            Optional<BenchTest> test = BenchTests.test(proof.test());
            for (Part part : build.parts().list()) {
                if (wanted.contains(proof.trait())
                        && proof.families().contains(part.family())
                        && build.placement(part.id()).isPresent()) {
                    test.filter(t -> t.fits(part)).ifPresent(t -> prove(t, part, proof.trait()));
                }
            }
        }
    }

    private void prove(BenchTest test, Part part, Trait when) {
        Set<String> needs = new HashSet<>();
        switch (when) {
            case PROVING_LOOSE -> needs.addAll(ridesOf(part.id()));
            case PROVING_OPEN -> {
                drafts.stream()
                        .map(Order.Draft::step)
                        .filter(s -> isInside(s) && !s.traits().contains(Trait.CLOSING))
                        .forEach(s -> needs.add(s.id()));
                drafts.stream()
                        .filter(d -> d.step().traits().contains(Trait.CLOSING))
                        .forEach(d -> d.needs().add("PROVE:" + test.id() + "+" + part.id()));
            }
            case PROVING_CLOSED -> needs.addAll(chain);
            default -> {
                // A pack is proven by itself.
            }
        }
        add(
                new Step(
                        "PROVE:" + test.id() + "+" + part.id(),
                        Job.PROVE,
                        List.of(part.id()),
                        test.title() + ": " + name(part.id()),
                        List.of(),
                        Optional.of(test.id()),
                        Math.min(test.minutes(), ATTENDED_MIN),
                        Math.max(0, test.minutes() - ATTENDED_MIN),
                        test.needs(),
                        List.of(),
                        test.cautions(),
                        List.of(),
                        EnumSet.of(when, Trait.ANYTHING_ELSE)),
                "",
                needs);
    }

    private static boolean isInside(Step step) {
        return step.traits().contains(Trait.INSIDE);
    }

    /** Whether something is opened or taken off that was put on last: a cover, a lid. */
    private boolean isShutter(Removal removal) {
        return switch (removal.kind()) {
            case COVER, OPEN -> true;
            case TRAY -> isHeld(build.casing().carrying(removal.subject()).orElseThrow());
            case PARTS, RIDER -> false;
        };
    }

    private static boolean isHeld(Joint joint) {
        return joint.way() instanceof Joint.Held;
    }

    /**
     * What was taken out is put in: after all that was taken out after it.
     *
     * @param closing whether the case closes with it, since nothing but covers and lids follows
     */
    private void in(Removal removal, boolean closing) {
        Set<Trait> traits = closing ? EnumSet.of(Trait.INSIDE, Trait.CLOSING) : EnumSet.of(Trait.INSIDE);
        switch (removal.kind()) {
            case PARTS, RIDER -> lay(removal);
            case TRAY -> hang(removal, traits);
            case COVER ->
                closes(
                        step(Job.COVER, List.of(removal.subject()), name(removal.subject()), COVER_SCREWS, traits),
                        removal.subject(),
                        removal);
            case OPEN -> {
                Joint joint = build.casing().joint(removal.subject()).orElseThrow();
                closes(
                        step(Job.SHUT, List.of(removal.subject()), name(joint.carries()), 0, traits),
                        joint.carries(),
                        removal);
            }
        }
        plugs();
    }

    private void link(Step step, String tray, Set<String> needs, Removal back) {
        drafts.add(new Order.Draft(step, tray, needs, Optional.of(back)));
        chain.add(step.id());
    }

    /** Nothing is closed before all is plugged in. */
    private void closes(Step step, String tray, Removal back) {
        Set<String> before = drafts.stream()
                .map(Order.Draft::step)
                .filter(Steps::isInside)
                .map(Step::id)
                .collect(Collectors.toSet());
        link(step, tray, before, back);
    }

    private void hang(Removal removal, Set<Trait> traits) {
        String tray = removal.subject();
        Joint joint = build.casing().carrying(tray).orElseThrow();
        if (!(joint.way() instanceof Joint.Held held)) {
            link(step(Job.HANG, List.of(tray), name(tray), COVER_SCREWS, traits), tray, Set.of(), removal);
            return;
        }
        boolean glued = held.by() == Joint.Held.By.GLUE;
        if (glued) {
            traits.add(Trait.GLUING);
        }
        Step step = step(Job.HANG, List.of(tray), name(tray), held.count(), traits);
        if (cables.leads().stream().anyMatch(l -> takedown.jointsUnder(l).contains(joint))) {
            step = step.moving(List.of(), more(step.cautions(), PINCHED));
        }
        Trade.Held glue = trade.held(Optional.of(Fixing.by(Fixing.By.GLUE)));
        closes(glued ? step.waiting(glue.waitMinutes()) : step, tray, removal);
    }

    private static List<String> more(List<String> cautions, String one) {
        List<String> all = new ArrayList<>(cautions);
        all.add(one);
        return all;
    }

    private void lay(Removal removal) {
        Set<String> before = new HashSet<>(joints);
        List<Removal.Group> in = removal.groups().reversed();
        // In an order that does not change with the way they go in: it names the step.
        List<String> parts = in.stream()
                .sorted(Comparator.comparingInt(
                        g -> takedown.index(g.parts().getFirst()).orElseThrow()))
                .flatMap(g -> g.parts().stream())
                .toList();
        List<String> hosts = in.stream().map(g -> g.parts().getFirst()).toList();
        Set<Trait> traits = EnumSet.of(Trait.INSIDE, Trait.ELECTRONIC);
        StringBuilder words = new StringBuilder();
        for (Removal.Group group : in) {
            Placed host = placed(group.parts().getFirst());
            words.append(words.isEmpty() ? "" : "; then ")
                    .append(names(group.parts()))
                    .append(' ')
                    .append(Wording.came(group.way()))
                    .append(fixed(host));
            double high = host.bounds().dz();
            if (high <= FLAT_MM) {
                traits.add(Trait.FLAT);
            }
            if (high >= TALL_MM) {
                traits.add(Trait.TALL);
            }
            if (host.placement().fixing().filter(f -> f.by() == Fixing.By.GLUE).isPresent()) {
                traits.add(Trait.GLUING);
            }
        }
        Step plain = held(step(Job.LAY, parts, words.toString(), 0, traits), hosts);
        Step lay = plain.moving(in, in.size() > 1 ? more(plain.cautions(), THIRD_HAND) : plain.cautions());
        parts.forEach(p -> {
            before.addAll(ridesOf(p));
            laidBy.put(p, lay.id());
        });
        link(lay, placed(hosts.getFirst()).shell().id(), before, removal);
    }

    private Placed placed(String part) {
        return takedown.placed().get(takedown.index(part).orElseThrow());
    }

    /** A step with the time and tools that holding parts takes. */
    private Step held(Step step, List<String> parts) {
        double minutes = step.minutes();
        double wait = step.waitMinutes();
        Set<String> tools = new LinkedHashSet<>(step.tools());
        Set<String> takes = new LinkedHashSet<>(step.takes());
        for (String part : parts) {
            Placed p = placed(part);
            Trade.Held held = trade.held(p.placement().fixing());
            minutes += held.minutes() + held.each() * p.part().body().holes().size();
            wait = Math.max(wait, held.waitMinutes());
            tools.addAll(held.tools());
            tools.addAll(Sizes.bits(p));
            takes.addAll(held.takes());
        }
        return step.taking(minutes, wait, tools, takes);
    }

    private static String fixed(Placed part) {
        return part.placement()
                .fixing()
                .filter(f -> f.by() != Fixing.By.NOTHING)
                .map(f -> ", held by "
                        + f.screw()
                                .map(s -> part.part().body().holes().size() + " screws " + s.words())
                                .orElse(f.by().words()))
                .orElse("");
    }

    /** Leads of which both ends are in by now. */
    private void plugs() {
        Set<String> known = drafts.stream().map(d -> d.step().id()).collect(Collectors.toSet());
        for (Lead lead : cables.leads()) {
            Optional<String> one = Optional.ofNullable(laidBy.get(lead.one().part()));
            Optional<String> other = Optional.ofNullable(laidBy.get(lead.other().part()));
            Job job = isLive(lead) ? Job.BATTERY : Job.PLUG;
            if (one.isEmpty() || other.isEmpty() || isSoldered(lead) || known.contains(job + ":" + lead.id())) {
                continue;
            }
            Set<Trait> traits = EnumSet.of(Trait.INSIDE, isLive(lead) ? Trait.LIVE : Trait.WIRING);
            if (lead.girth().flat()) {
                traits.add(Trait.RIBBON);
            }
            Set<String> needs = new HashSet<>(List.of(one.get(), other.get()));
            // What is held closes: its leads are plugged in before. What is hinged hangs first.
            takedown.jointsUnder(lead).stream()
                    .filter(j -> !isHeld(j))
                    .forEach(j -> needs.add(Job.HANG + ":" + j.carries()));
            String tray = placed(lead.one().part()).shell().id();
            add(step(job, List.of(lead.id()), fromTo(lead), 0, traits), tray, needs);
        }
    }

    private void peel() {
        List<String> screens = takedown.placed().stream()
                .map(Placed::part)
                .filter(p -> p.family() == Family.SCREEN)
                .map(Part::id)
                .toList();
        if (!screens.isEmpty()) {
            Set<String> all = drafts.stream().map(d -> d.step().id()).collect(Collectors.toSet());
            add(step(Job.PEEL, screens, names(screens), 0, EnumSet.of(Trait.PEELING)), "", all);
        }
    }

    /** Parts that want power or signals and that nothing leads to. */
    private List<String> unwired() {
        Set<String> led = new HashSet<>();
        cables.leads().forEach(l -> {
            led.add(l.one().part());
            led.add(l.other().part());
        });
        takedown.ties()
                .riders()
                .keySet()
                .forEach(i -> led.add(takedown.placed().get(i).id()));
        return takedown.placed().stream()
                .map(Placed::part)
                .filter(p -> !led.contains(p.id()) && isElectric(p))
                .map(Part::id)
                .toList();
    }

    private static boolean isElectric(Part part) {
        return part.isSource()
                || part.family() == Family.CHARGER
                || !part.body().ports().isEmpty()
                || part.facet(Facet.DrawsPower.class).isPresent()
                || part.facet(Facet.Converts.class).isPresent();
    }

    /** Each step with why it stands where it does. */
    private List<Step> reasoned(List<Step> steps) {
        List<Step> all = new ArrayList<>();
        for (int i = 0; i < steps.size(); i++) {
            Set<String> reasons = new LinkedHashSet<>();
            Step step = steps.get(i);
            if (step.job() == Job.LAY) {
                Set<String> later = steps.subList(i + 1, steps.size()).stream()
                        .flatMap(s -> s.groups().stream())
                        .flatMap(g -> g.parts().stream())
                        .collect(Collectors.toSet());
                inItsWay(step, later).ifPresent(reasons::add);
            }
            List<Step> rest = steps.subList(i + 1, steps.size());
            for (Trade.Rule rule : trade.rules()) {
                boolean bears = step.traits().contains(rule.first())
                        && rule.first() != Trait.ANYTHING_ELSE
                        && rest.stream()
                                .anyMatch(s -> s.traits().contains(rule.then())
                                        && !s.traits().contains(rule.first()));
                if (bears) {
                    reasons.add(rule.because());
                }
            }
            if (step.job() == Job.PEEL) {
                trade.rules().stream().filter(r -> r.then() == Trait.PEELING).forEach(r -> reasons.add(r.because()));
            }
            all.add(step.because(List.copyOf(reasons)));
        }
        return all;
    }

    /** What would be in the way of parts were it there already. */
    private Optional<String> inItsWay(Step step, Set<String> later) {
        Set<String> names = new LinkedHashSet<>();
        BitSet whole = takedown.whole();
        for (Removal.Group group : step.groups()) {
            for (String part : group.parts()) {
                BitSet by = takedown.scene(whole)
                        .blockers(
                                takedown.index(part).orElseThrow(), group.way().out());
                by.stream()
                        .mapToObj(i -> takedown.pieces().get(i))
                        .filter(p -> p.kind() == Piece.Kind.PART
                                && later.contains(p.id())
                                && placed(p.id())
                                        .shell()
                                        .id()
                                        .equals(placed(part).shell().id()))
                        .forEach(p -> names.add(name(p.id())));
            }
        }
        return names.isEmpty() ? Optional.empty() : Optional.of(String.join(", ", names) + " would be in its way");
    }
}
