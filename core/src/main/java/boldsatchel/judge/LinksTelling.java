package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;

import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.edit.LinkEdits;
import boldsatchel.engine.Lazy;
import boldsatchel.links.Bus;
import boldsatchel.links.Coax;
import boldsatchel.links.Copies;
import boldsatchel.links.Flaw;
import boldsatchel.links.LinksEngine;
import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.links.Resistors;
import boldsatchel.links.Route;
import boldsatchel.links.Timing;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Signal;
import boldsatchel.plan.LinkPlanner;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;

/** Tells of what does not talk. */
record LinksTelling(Build build, LinksResult links, Lazy<LinkPlanner.Proposal> plan) implements Telling {

    /** Several findings offer the same plan, which is a search to find. */
    LinksTelling(Build build, LinksResult links) {
        this(build, links, Lazy.of(() -> LinkPlanner.connect(build)));
    }

    private static final String CONNECT = "Connect for me";

    /** What is soldered to most boards for a bus. */
    private static final double USUAL_PULL_UP_OHMS = 4700;

    /** Whether a picture comes over a serial line, where few frames a second are usual. */
    static boolean serial(Build build, Flaw flaw) {
        return build.part(flaw.subjects().getFirst())
                .filter(p -> p.body().ports().stream()
                        .flatMap(q -> q.carries().stream())
                        .anyMatch(c -> c.takenFor(flaw.duty()) && c.signal().kind() == Signal.Kind.SPI))
                .isPresent();
    }

    private List<Need> needs(Noted f) {
        return links.open().stream()
                .filter(n -> LinksJudge.code(n).equals(f.code()) && f.subjects().contains(n.part()))
                .toList();
    }

    private Optional<Flaw> flaw(Noted f) {
        return links.flaws().stream()
                .filter(w -> LinksJudge.code(w.kind()).equals(f.code())
                        && w.subjects().equals(f.subjects())
                        && w.is() == f.number("is"))
                .findFirst();
    }

    private String duty(Noted f) {
        return flaw(f).map(Flaw::duty).orElse("");
    }

    private String second(Noted f) {
        return name(build, f.subjects().get(1));
    }

    private String list(List<Need> needs) {
        return needs.stream()
                        .limit(4)
                        .map(n -> name(build, n.part()) + ", " + n.duty())
                        .collect(Collectors.joining("; "))
                + (needs.size() > 4 ? "; and " + (needs.size() - 4) + " more" : "");
    }

    private static String kinds(List<Need> needs) {
        return needs.stream()
                .flatMap(n -> n.kinds().stream())
                .distinct()
                .map(Signal.Kind::words)
                .collect(Collectors.joining(" or "));
    }

    @Override
    public String sentence(Noted f) {
        List<Need> needs = needs(f);
        String first = f.subjects().isEmpty() ? "" : name(build, f.first());
        return switch (f.code()) {
            case "links.unplugged" -> "Still to be plugged in: " + list(needs) + ".";
            case "links.no-port" ->
                "No socket is left for " + list(needs) + ": every " + kinds(needs) + " socket is taken.";
            case "links.nobody" ->
                first + " needs " + kinds(needs) + " for its "
                        + needs.stream().map(Need::duty).collect(Collectors.joining(", "))
                        + ", and nothing here gives that.";
            case "links.no-data" ->
                first + " is plugged in, but its cable or socket carries no " + kinds(needs)
                        + ": it may charge, and no "
                        + needs.stream().map(Need::duty).collect(Collectors.joining(", ")) + " gets through.";
            case "links.leads-nowhere" ->
                "The cable of " + list(needs) + " leads to nothing that gives " + kinds(needs) + ".";
            case "links.broken" ->
                first + " and " + second(f) + " are linked by sockets that are gone or do not fit one another.";
            case "links.twice" -> "Two plugs share one socket between " + first + " and " + second(f) + ".";
            case "links.screens" ->
                first + " is to drive " + f.n("is") + " screens at once; it drives " + f.n("may") + ".";
            case "links.pixels" ->
                first + " wants " + f.n("is") + " million pixels a second; " + second(f) + " makes at most "
                        + f.n("may") + " million.";
            case "links.frames" ->
                first + " gets " + f.n("is") + " pictures a second over its link; it is made for " + f.n("may") + ".";
            case "links.refresh" ->
                first + " shows at most " + f.n("is") + " pictures a second and is asked for " + f.n("may")
                        + ". What moves leaves ghosts; plan a full refresh now and then.";
            case "links.spare" ->
                f.subjects().stream().limit(3).map(id -> name(build, id)).collect(Collectors.joining(", "))
                        + (f.subjects().size() > 3 ? " and " + (f.subjects().size() - 3) + " more" : "")
                        + (f.subjects().size() == 1 ? " is" : " are") + " plugged into nothing.";
            case "links.slow" ->
                first + " could read " + f.n("may") + " MB/s; its link lets " + f.n("is")
                        + " MB/s through: 10 GB take " + minutes(f.number("is")) + " instead of "
                        + minutes(f.number("may")) + ".";
            case "links.level-high" ->
                first + " drives " + f.n("is") + " V into an input of " + second(f) + " that works at " + f.n("may")
                        + " V: it may destroy it.";
            case "links.level-low" ->
                first + " drives " + f.n("is") + " V into an input of " + second(f) + " that works at " + f.n("may")
                        + " V: it may not be seen as a high.";
            case "links.address" ->
                first + " and " + second(f) + " both answer to address 0x"
                        + String.format("%02X", (int) f.number("is")) + " on one bus of "
                        + name(build, f.subjects().get(2)) + ".";
            case "links.pin" ->
                "Pin " + f.n("is") + " of " + name(build, f.subjects().get(2)) + " is given to both " + first + " and "
                        + second(f) + ".";
            case "links.no-pins" ->
                first + " needs " + f.n("is") + " pins of " + second(f) + " for its " + duty(f) + "; " + f.n("may")
                        + " are left.";
            case "links.length" ->
                "From " + second(f) + " to " + first + " it is " + f.n("is")
                        + " mm of cable; that signal usually bears " + f.n("may")
                        + " mm. The volts may be right and the picture or bus fail all the same.";
            case "links.no-pull-ups" ->
                "The I2C bus of " + name(build, f.subjects().getLast())
                        + " has no resistors that pull it up, as far as anybody said: it may not work at all.";
            case "links.rise" ->
                "The I2C bus of " + name(build, f.subjects().getLast()) + " takes " + f.n("is")
                        + " ns to rise; its clock allows " + f.n("may") + " ns.";
            case "links.pull-strong" ->
                "The pull-ups on the I2C bus of " + name(build, f.subjects().getLast()) + " ask for " + f.n("is")
                        + " mA; an output has to sink no more than " + f.n("may") + " mA.";
            case "links.radio-loss" ->
                first + " loses " + f.n("is") + " dB on the way to its antenna: "
                        + Words.percent(Coax.left(f.number("is"))) + " % of its power is left.";
            case "links.tiers" ->
                first + " hangs behind " + f.n("is") + " hubs one after the other; USB allows " + f.n("may") + ".";
            case "links.no-room" ->
                (f.number("is") == 1 ? "One socket has" : f.n("is") + " sockets have")
                        + " a cable plugged in and keep no room free for its plug, so “Packs” does not count it.";
            case "links.feeds-other" ->
                first + " is plugged into the socket of "
                        + name(build, f.subjects().get(2)) + " that feeds " + second(f)
                        + " in the power chain: one socket takes one plug.";
            default -> throw Telling.unknown(f);
        };
    }

    private static String minutes(double mbS) {
        double seconds = Copies.Copy.seconds(mbS);
        return Units.duration(seconds / 3600);
    }

    private Optional<Bus> bus(Noted f) {
        return Bus.all(build, links.needs()).stream()
                .filter(b -> b.header().part().equals(f.subjects().getLast())
                        && b.parts().equals(f.subjects().subList(0, f.subjects().size() - 1)))
                .findFirst();
    }

    private static List<Working.Step> rises(Bus b) {
        return List.of(
                new Working.Step(
                        "Capacitance of a wire",
                        "10 pF a pin where nobody said more, 100 pF a metre of cable (a guess)",
                        "",
                        n(b.farads() * 1e12) + " pF"),
                new Working.Step(
                        "Rise time from 30 % to 70 %",
                        "t = ln(0.7 / 0.3) · R · C",
                        "0.847 · " + n(b.pullUpOhms()) + " Ω · " + n(b.farads() * 1e12) + " pF",
                        n(b.riseSeconds() * 1e9) + " ns"),
                new Working.Step(
                        "The most that the resistors may be together",
                        "R = t / (0.847 · C)",
                        n(b.riseMostSeconds() * 1e9) + " ns / (0.847 · " + n(b.farads() * 1e12) + " pF)",
                        n(b.mostOhms()) + " Ω"));
    }

    @Override
    public List<Working.Step> working(Noted f) {
        if (f.code().equals("links.no-pull-ups")
                || f.code().equals("links.rise")
                || f.code().equals("links.pull-strong")) {
            return bus(f).map(LinksTelling::rises).orElse(List.of());
        }
        if (!f.code().equals("links.frames") && !f.code().equals("links.pixels")) {
            return List.of();
        }
        Optional<Facet.ShowsPicture> shows = build.part(f.first()).flatMap(p -> p.facet(Facet.ShowsPicture.class));
        if (shows.isEmpty() || serial(build, flaw(f).orElseThrow())) {
            return List.of();
        }
        Facet.ShowsPicture p = shows.get();
        double clock = new Timing(p.widthPx(), p.heightPx(), p.hertz()).pixelHz();
        return List.of(
                new Working.Step(
                        "Pixels a second with reduced blanking",
                        "pictures a second × lines with blanking × (width + 160)",
                        p.widthPx() + " × " + p.heightPx() + " at " + n(p.hertz()) + " Hz",
                        Units.format(clock / 1e6, 2, "MHz")),
                new Working.Step(
                        "Data a second",
                        "pixel clock × bits a pixel",
                        n(clock / 1e6) + " MHz × " + p.bits(),
                        Units.format(clock * p.bits() / 1e9, 2, "Gbit/s")));
    }

    @Override
    public List<Remedy> cures(Noted f) {
        List<Remedy> cures = new ArrayList<>();
        switch (f.code()) {
            case "links.unplugged", "links.no-port", "links.nobody", "links.no-data", "links.leads-nowhere" ->
                open(f, cures);
            case "links.broken", "links.twice" ->
                cures.add(Remedy.by("Take that link out", LinkEdits.unplug(build, duty(f))));
            case "links.screens" -> cures.add(Remedy.advice("Take a board that drives more, or one screen less"));
            case "links.pixels", "links.frames", "links.refresh" -> pictures(f, cures);
            case "links.spare" ->
                cures.add(Remedy.by("Take out what is plugged into nothing", LinkEdits.without(f.subjects())));
            case "links.address" -> address(f, cures);
            case "links.no-pull-ups", "links.rise", "links.pull-strong" -> pulled(f, cures);
            case "links.radio-loss" -> {
                shorter(f).ifPresent(cures::add);
                cures.add(Remedy.advice("Move the antenna nearer, or take thicker cable"));
            }
            case "links.no-room" -> cures.add(Remedy.by("Keep room for right-angle plugs", LinkEdits.keepRoom()));
            case "links.pin" -> {
                build.part(f.subjects().get(2))
                        .ifPresent(p -> cures.add(Remedy.by(
                                "Let the program choose other pins", LinkEdits.otherPins(p, (int) f.number("is")))));
            }
            case "links.slow",
                    "links.level-high",
                    "links.level-low",
                    "links.no-pins",
                    "links.length",
                    "links.tiers",
                    "links.feeds-other" -> replug(f, cures);
            default -> throw Telling.unknown(f);
        }
        return cures;
    }

    private void open(Noted f, List<Remedy> cures) {
        List<Need> needs = needs(f);
        Predicate<Build> helps = b -> needs.stream().noneMatch(LinksEngine.evaluate(b)::leavesOpen);
        plan.get()
                .edit()
                .filter(e -> helps.test(e.change().apply(build)))
                .ifPresent(e -> cures.add(Remedy.by(CONNECT, e)));
        if (cures.isEmpty() && !needs.isEmpty()) {
            helper(build, needs.getFirst(), b -> b).ifPresent(cures::add);
        }
        if (cures.isEmpty()) {
            cures.add(Remedy.advice("Add a part that gives " + kinds(needs) + ", or take out what is in its way: "
                    + plan.get().stuck().stream()
                            .flatMap(List::stream)
                            .distinct()
                            .map(id -> name(build, id))
                            .collect(Collectors.joining(", "))));
        }
        for (Need need : needs.stream().limit(3).toList()) {
            build.part(need.part())
                    .ifPresent(p -> cures.add(Remedy.by(
                            "Leave the " + need.duty() + " of " + p.name() + " open on purpose",
                            LinkEdits.waive(p, need.duty(), true))));
        }
    }

    private void replug(Noted f, List<Remedy> cures) {
        Flaw.Kind kind = flaw(f).orElseThrow().kind();
        String part = f.code().startsWith("links.level") && needing(f.first()).isEmpty()
                ? f.subjects().get(1)
                : f.first();
        int before = links.open().size();
        Optional<Edit> edit = LinkPlanner.replug(
                build,
                part,
                r -> r.open().size() <= before
                        && r.flaws().stream()
                                .noneMatch(w -> w.kind() == kind && w.subjects().equals(f.subjects())));
        edit.ifPresent(e -> cures.add(Remedy.by("Plug it in otherwise", e)));
        if (edit.isEmpty() && kind == Flaw.Kind.NO_PINS) {
            UnaryOperator<Build> unplug = b -> LinkPlanner.unplugged(b, Set.of(part));
            needing(part).stream()
                    .findFirst()
                    .flatMap(n -> helper(unplug.apply(build), n, unplug))
                    .ifPresent(cures::add);
        }
        cures.add(Remedy.advice(
                switch (f.code()) {
                    case "links.slow" -> "Give it a faster socket, or live with it";
                    case "links.level-high", "links.level-low" ->
                        "Put a level shifter between, or take a part for that voltage";
                    case "links.no-pins" -> "Add a microcontroller or a pin extender";
                    case "links.length" ->
                        "Measure the volts at the far end; then halve the clock; then try a shorter cable: what helps tells which it is";
                    case "links.tiers" -> "Take one hub with more sockets instead of several";
                    default -> "Plug it into another socket, or let the chain feed it there";
                }));
    }

    private static Optional<Remedy> helper(Build bare, Need need, UnaryOperator<Build> first) {
        return LinkPlanner.helper(bare, need)
                .map(h -> Remedy.by(
                        "Add and connect "
                                + h.parts().stream()
                                        .map(p -> "“" + p.name() + "”")
                                        .collect(Collectors.joining(" and ")),
                        new Edit(h.edit().name(), b -> h.edit().change().apply(first.apply(b)))));
    }

    private List<Need> needing(String part) {
        return links.needs().stream().filter(n -> n.part().equals(part)).toList();
    }

    private void pictures(Noted f, List<Remedy> cures) {
        Optional<Part> screen = build.part(f.first());
        Optional<Facet.ShowsPicture> shows = screen.flatMap(p -> p.facet(Facet.ShowsPicture.class));
        LinkPlanner.replug(
                        build,
                        f.first(),
                        r -> r.flaws().stream()
                                .noneMatch(w -> w.subjects().getFirst().equals(f.first())))
                .ifPresent(e -> cures.add(Remedy.by("Plug it in otherwise", e)));
        if (screen.isPresent() && shows.isPresent()) {
            double share = f.number("is") > f.number("may") ? f.number("may") / f.number("is") : 1;
            double hertz = !f.code().equals("links.pixels")
                    ? f.number("is")
                    : shows.get().hertz() * share;
            double slower = hertz > 2 ? Math.floor(hertz) : hertz * 0.99;
            cures.add(Remedy.by(
                    "Be content with " + n(slower) + " pictures a second",
                    Edits.changePart(
                            "pictures a second",
                            screen.get(),
                            p -> p.facet(Facet.ShowsPicture.class)
                                    .map(s -> p.withFacet(Form.of(Facet.ShowsPicture.class)
                                            .field("hertz")
                                            .with(s, slower)))
                                    .orElse(p))));
        }
    }

    private void address(Noted f, List<Remedy> cures) {
        for (String id : f.subjects().subList(0, 2)) {
            Optional<Part> part = build.part(id);
            part.flatMap(p -> p.facet(Facet.OnBus.class))
                    .flatMap(b -> b.addresses().stream()
                            .skip(1)
                            .filter(a -> freeAddress(a))
                            .findFirst())
                    .ifPresent(a -> cures.add(Remedy.by(
                            "Set " + part.orElseThrow().name() + " to address 0x" + String.format("%02X", a),
                            LinkEdits.address(part.orElseThrow(), a))));
        }
        cures.add(Remedy.advice("Put one of them on a second bus, or take a part with another address"));
    }

    /** Resistors that are usual and strong enough, on the first part of the bus; weaker ones where they ask for too much. */
    private void pulled(Noted f, List<Remedy> cures) {
        Optional<Bus> bus = bus(f);
        if (bus.isPresent() && f.code().equals("links.pull-strong")) {
            bus.get()
                    .bringer(build)
                    .ifPresent(p -> cures.add(
                            Remedy.by("Take the pull-ups off " + p.name(), LinkEdits.pullUp(p, Optional.empty()))));
        } else if (bus.isPresent()) {
            double left = 1 / bus.get().mostOhms()
                    - (Double.isInfinite(bus.get().pullUpOhms())
                            ? 0
                            : 1 / bus.get().pullUpOhms());
            Part first = build.part(f.first()).orElseThrow();
            double there = first.facet(Facet.OnBus.class)
                    .flatMap(Facet.OnBus::pullUpOhms)
                    .map(r -> 1 / r)
                    .orElse(0.0);
            double ohms = Resistors.notAbove(Math.min(USUAL_PULL_UP_OHMS, 1 / (left + there)));
            cures.add(Remedy.by(
                    "Pull both wires up by " + n(ohms) + " Ω at " + first.name(),
                    LinkEdits.pullUp(first, Optional.of(ohms))));
        }
        cures.add(Remedy.advice(
                f.code().equals("links.pull-strong")
                        ? "One pair of resistors a bus is enough; take the others off"
                        : "Shorter wires and a slower clock help as well"));
    }

    /** The longest cable on the way to an antenna, so short that half of the power is left. */
    private Optional<Remedy> shorter(Noted f) {
        Optional<Route> route = links.needs().stream()
                .filter(n -> n.part().equals(f.first()) && n.duty().equals(duty(f)))
                .flatMap(n -> n.route().stream())
                .findFirst();
        return route.flatMap(r -> r.through().stream()
                .flatMap(id -> build.part(id).stream())
                .filter(Part::isLed)
                .max(Comparator.comparingDouble(LinksTelling::lengthMm))
                .map(cable -> {
                    double mm = Math.max(10, Math.floor(lengthMm(cable) - r.lengthMm() + Coax.bearsMm(r)));
                    return Remedy.by("Shorten " + cable.name() + " to " + n(mm) + " mm", LinkEdits.shorten(cable, mm));
                }));
    }

    private static double lengthMm(Part cable) {
        return cable.facet(Facet.Joins.class).map(j -> j.lengthMm().value()).orElse(0.0);
    }

    private boolean freeAddress(int address) {
        return build.parts().list().stream()
                .flatMap(p -> p.facet(Facet.OnBus.class).stream())
                .noneMatch(b -> !b.addresses().isEmpty() && b.addresses().getFirst() == address);
    }
}
