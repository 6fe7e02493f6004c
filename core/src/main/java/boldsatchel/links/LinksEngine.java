package boldsatchel.links;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Section;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Looks up which need of which part is met by what is plugged into what. A part needs what its sockets take for a duty; one that passes
 * signals on (a hub, an adapter) needs what it passes on only while something hangs on it. What nobody said is not looked at.
 */
public final class LinksEngine implements Engine<LinksResult> {

    /** An engine; all are alike. */
    public LinksEngine() {}

    @Override
    public String about() {
        return "what talks to what";
    }

    @Override
    public Class<LinksResult> result() {
        return LinksResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.WIRING);
    }

    @Override
    public LinksResult work(Build build, Results results) {
        return evaluate(build);
    }

    @Override
    public LinksResult nothing() {
        return LinksResult.NOTHING;
    }

    /** Looks a build over. */
    public static LinksResult evaluate(Build build) {
        Harness harness = new Harness(build);
        List<Need> needs = new ArrayList<>();
        List<Need> passing = new ArrayList<>();
        for (Part part : build.parts().list()) {
            if (part.body().ports().isEmpty()) {
                continue;
            }
            Set<String> passed = new LinkedHashSet<>();
            for (String duty : duties(part, passed)) {
                (passed.contains(duty) ? passing : needs).add(need(build, harness, part, duty));
            }
        }
        PinMap pins = PinMap.of(build, needs);
        List<Flaw> flaws = new Flaws(build, harness, needs).all();
        flaws.addAll(pins.flaws());
        return new LinksResult(needs, passing, flaws, pins.uses());
    }

    /**
     * What a part takes something for.
     *
     * @param passed gathers what it passes signals on from
     */
    static Set<String> duties(Part part, Set<String> passed) {
        Set<String> duties = new LinkedHashSet<>();
        for (Port port : part.body().ports()) {
            for (Carried c : port.carries()) {
                (c.given() ? passed : duties).add(c.duty());
            }
        }
        duties.remove("");
        return duties;
    }

    private static Need need(Build build, Harness harness, Part part, String duty) {
        Set<Signal.Kind> kinds = EnumSet.noneOf(Signal.Kind.class);
        for (Port port : part.body().ports()) {
            for (Carried c : port.carries()) {
                if (c.takenFor(duty)) {
                    kinds.add(c.signal().kind());
                }
            }
        }
        Harness.Found found = harness.find(part, duty);
        Need.Why why = build.wiring().waives(part.id(), duty) ? Need.Why.WAIVED : found.why();
        int givers = 0;
        int free = 0;
        if (why != Need.Why.MET) {
            for (Part other : build.parts().list()) {
                for (Port port : other.body().ports()) {
                    if (port.gives(kinds)) {
                        givers++;
                        free += port.connector().byPins()
                                        || harness.at(other.id(), port.id()).isEmpty()
                                ? 1
                                : 0;
                    }
                }
            }
        }
        return new Need(part.id(), duty, kinds, wants(part, found, kinds), found.route(), why, givers, free);
    }

    /** The least rate a part works as it should with, bit/s; a small panel on a serial line has no blanking. */
    private static double wants(Part part, Harness.Found found, Set<Signal.Kind> kinds) {
        boolean screen = part.isScreen();
        boolean picture = screen && kinds.stream().anyMatch(Signal.Kind::picture);
        if (picture || (screen && kinds.contains(Signal.Kind.SPI))) {
            Facet.ShowsPicture p = part.facet(Facet.ShowsPicture.class).orElseThrow();
            boolean bySerial = found.route()
                    .map(r -> r.taken().signal().kind() == Signal.Kind.SPI)
                    .orElse(!picture);
            return bySerial
                    ? (double) p.widthPx() * p.heightPx() * p.hertz() * p.bits()
                    : new Timing(p.widthPx(), p.heightPx(), p.hertz()).pixelHz() * p.bits();
        }
        return part.facet(Facet.Stores.class).map(s -> s.readMbS() * 8e6).orElse(0.0);
    }

    static Signal.Kind kind(Route route) {
        return route.taken().signal().kind();
    }

    /** Whether a link is one that the sockets of a build allow. */
    public static boolean holds(Build build, Link link) {
        return Harness.joint(build, link).isPresent();
    }
}
