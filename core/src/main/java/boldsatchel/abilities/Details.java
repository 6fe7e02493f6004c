package boldsatchel.abilities;

import boldsatchel.links.LinksResult;
import boldsatchel.links.Need;
import boldsatchel.links.Route;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Function;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What is there and yet not as it should be: turned touch, no way in, unmarked plugs, a screen that stays lit, sound. */
record Details(Build build, LinksResult links, List<Sound> sounds, List<Gap> gaps) {

    /** Speech at half a metre has about 65 dB; what is to be heard beside it wants a little more. */
    private static final double LEAST_DB = 70;

    /** Panels that show nothing until the system has loaded their drivers. */
    private static final Set<Signal.Kind> BY_DRIVER = EnumSet.of(Signal.Kind.DSI, Signal.Kind.SPI, Signal.Kind.I2C);

    /** What shows or takes in something without them. */
    private static final Set<Signal.Kind> WAYS_IN = EnumSet.of(
            Signal.Kind.HDMI, Signal.Kind.DISPLAYPORT, Signal.Kind.ETHERNET, Signal.Kind.UART, Signal.Kind.CARD);

    void look() {
        Map<String, PowerState> states = new HashMap<>();
        for (Part part : build.parts().list()) {
            if (part.facets().isEmpty()) {
                continue;
            }
            part.facet(Facet.Touches.class)
                    .filter(t -> t.turnDeg() != t.setDeg())
                    .ifPresent(t -> add(Gap.Kind.TURNED, List.of(part.id()), "", t.turnDeg(), t.setDeg()));
            part.facet(Facet.Matrix.class)
                    .filter(m -> !m.diodes() && m.rows() > 1 && m.columns() > 1)
                    .ifPresent(m -> add(Gap.Kind.GHOST_KEYS, List.of(part.id()), "", m.rows() * m.columns(), 0));
            part.facet(Facet.Unmarked.class)
                    .ifPresent(u -> u.sockets()
                            .forEach(s -> add(Gap.Kind.UNMARKED, List.of(part.id()), s, Double.NaN, Double.NaN)));
            if (part.facet(Facet.StaysLit.class).isPresent()) {
                if (states.isEmpty()) {
                    PowerState.all(build).forEach(s -> states.put(s.part(), s));
                }
                lit(part, Optional.ofNullable(states.get(part.id())));
            }
        }
        wayIn();
        pins();
        sounds.forEach(this::sound);
    }

    private void add(Gap.Kind kind, List<String> subjects, String words, double is, double may) {
        gaps.add(new Gap(kind, subjects, Optional.empty(), words, is, may));
    }

    private void lit(Part screen, Optional<PowerState> state) {
        Optional<Facet.DrawsPower> draws = screen.facet(Facet.DrawsPower.class);
        if (draws.isPresent() && state.filter(s -> s.off() || s.asleep()).isPresent()) {
            double watts =
                    draws.get().idleW().value() + draws.get().backlightW().value();
            add(Gap.Kind.STAYS_LIT, List.of(screen.id()), "", watts, 0);
        }
    }

    /** What hangs on pins takes its current from them, unless a transistor does. */
    private void pins() {
        Map<String, List<String>> loads = new LinkedHashMap<>();
        Map<String, Double> sums = new HashMap<>();
        for (Need need : links.needs()) {
            Optional<Facet.PinLoad> load = build.part(need.part())
                    .flatMap(p -> p.facet(Facet.PinLoad.class))
                    .filter(l -> !l.buffered() && need.route().isPresent());
            if (load.isEmpty()) {
                continue;
            }
            Route.Hop hop = need.route().orElseThrow().hops().getFirst();
            Optional<Facet.PinLimits> limits =
                    build.part(hop.giver().part()).flatMap(p -> p.facet(Facet.PinLimits.class));
            double amps = load.get().amps().value();
            limits.filter(l -> amps > l.pinA())
                    .ifPresent(l -> add(
                            Gap.Kind.PIN_CURRENT,
                            List.of(need.part(), hop.giver().part()),
                            "",
                            amps * 1e3,
                            l.pinA() * 1e3));
            loads.computeIfAbsent(hop.giver().part(), b -> new ArrayList<>(List.of(b)))
                    .add(need.part());
            sums.merge(hop.giver().part(), amps * hop.taken().lanes(), Double::sum);
        }
        loads.forEach((board, subjects) -> build.part(board)
                .flatMap(p -> p.facet(Facet.PinLimits.class))
                .filter(l -> sums.getOrDefault(board, 0.0) > l.allA())
                .ifPresent(l ->
                        add(Gap.Kind.PINS_CURRENT, subjects, "", sums.getOrDefault(board, 0.0) * 1e3, l.allA() * 1e3)));
    }

    /** A board whose only pictures come by drivers wants another way in, should these not load. */
    private void wayIn() {
        Map<String, Boolean> onlyByDriver = new HashMap<>();
        for (Need need : links.needs()) {
            if (need.duty().equals("picture") && need.route().isPresent()) {
                String board = need.route().get().giver().part();
                boolean driver =
                        BY_DRIVER.contains(need.route().get().given().signal().kind());
                onlyByDriver.merge(board, driver, (a, b) -> a && b);
            }
        }
        onlyByDriver.forEach((id, driver) -> {
            Optional<Part> board = build.part(id).filter(p -> p.family().computes());
            if (driver && board.isPresent() && !hasWayIn(board.get())) {
                add(Gap.Kind.NO_WAY_IN, List.of(id), "", 0, 1);
            }
        });
    }

    private static boolean hasWayIn(Part board) {
        return board.body().ports().stream().anyMatch(p -> p.use() == Port.Use.OUTSIDE && p.gives(WAYS_IN));
    }

    private void sound(Sound s) {
        List<String> both = List.of(s.speaker(), s.amplifier());
        if (s.heard().ohms() < s.gives().leastOhms()) {
            add(Gap.Kind.OVERLOAD, both, "", s.heard().ohms(), s.gives().leastOhms());
        } else if (s.watts() > s.heard().watts()) {
            add(Gap.Kind.TOO_STRONG, both, "", s.watts(), s.heard().watts());
        }
        if (s.decibels() < LEAST_DB) {
            add(Gap.Kind.QUIET, both, "", s.decibels(), LEAST_DB);
        }
        if (s.stereo() && !s.gives().mixed()) {
            add(Gap.Kind.ONE_CHANNEL, List.of(s.amplifier(), s.source()), "", 1, 2);
        }
        if (!s.gives().muted() && hasJackOutside(s.source()) && !build.brief().without(Function.SOUND)) {
            add(Gap.Kind.BOTH_PLAY, List.of(s.amplifier(), s.source()), "", Double.NaN, Double.NaN);
        }
    }

    private boolean hasJackOutside(String board) {
        return build.part(board).filter(Forgotten::headphones).isPresent();
    }
}
