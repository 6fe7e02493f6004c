package boldsatchel.sheet;

import boldsatchel.abilities.Sound;
import boldsatchel.links.Bus;
import boldsatchel.links.Need;
import boldsatchel.links.Route;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Signal;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Resistors, trimmers, jumpers and lines of configuration, each with its check. */
final class SettingsSheet {

    static final String ID = "settings";
    static final String TITLE = "Settings";

    /** Interfaces that systems leave off until they are told. */
    private static final Set<Signal.Kind> SWITCHED_ON =
            EnumSet.of(Signal.Kind.I2C, Signal.Kind.SPI, Signal.Kind.UART, Signal.Kind.PWM, Signal.Kind.DSI);

    private final Sheets.Source source;
    private final List<List<String>> rows = new ArrayList<>();

    private SettingsSheet(Sheets.Source source) {
        this.source = source;
    }

    static Table of(Sheets.Source source) {
        SettingsSheet sheet = new SettingsSheet(source);
        source.build().parts().list().forEach(sheet::part);
        sheet.board();
        sheet.buses();
        sheet.sounds();
        return new Table(
                ID,
                TITLE,
                "Set each one with nothing behind it, check it, then connect what it feeds.",
                List.of("part", "what", "set to", "check"),
                List.of(28, 22, 22, 28),
                sheet.rows);
    }

    private void add(String part, String what, String value, String check) {
        rows.add(List.of(part, what, value, check));
    }

    private void part(Part p) {
        p.facet(Facet.Converts.class)
                .ifPresent(c -> add(
                        p.name(),
                        "output voltage",
                        Units.format(c.outV(), 2, "V"),
                        "by meter, without load, before anything hangs on it"));
        p.facet(Facet.Charges.class)
                .ifPresent(c -> add(
                        p.name(),
                        "charge current, cells in series",
                        Units.format(c.amps().value(), 2, "A") + ", " + c.series() + " × "
                                + Units.format(c.chemistry().chargeV(), 2, "V"),
                        "ends at " + Units.format(c.series() * c.chemistry().chargeV(), 2, "V") + " by meter"));
        if (p.offers().size() > 1) {
            p.offer()
                    .ifPresent(
                            o -> add(p.name(), "asked for", Units.format(o.volts(), 0, "V"), "by meter at its plug"));
        }
        p.facet(Facet.OnBus.class)
                .filter(b -> b.addresses().size() > 1)
                .ifPresent(b -> add(
                        p.name(),
                        "address jumpers",
                        String.format("0x%02X", b.addresses().getFirst()),
                        "a scan of the bus lists it"));
        p.facet(Facet.ShowsPicture.class)
                .ifPresent(s -> add(
                        p.name(),
                        "mode",
                        s.widthPx() + " × " + s.heightPx() + ", " + Units.format(s.hertz(), 0, "Hz"),
                        "a test picture reaches all four edges"));
        p.facet(Facet.Touches.class)
                .ifPresent(t -> add(
                        p.name(),
                        "touch turned by",
                        Units.format(t.setDeg(), 0, "°"),
                        "a finger on each corner moves the pointer there"));
        p.facet(Facet.Unmarked.class)
                .ifPresent(u -> u.sockets()
                        .forEach(s -> add(
                                p.name(),
                                "pins of “" + s + "”",
                                "to be measured",
                                "ground by continuity, then volts, then connect")));
    }

    /** Interfaces that the system has to switch on. */
    private void board() {
        String system = source.build()
                .brief()
                .software()
                .map(Brief.Software::system)
                .filter(s -> !s.isBlank())
                .orElse("the system");
        Set<List<String>> seen = new LinkedHashSet<>();
        for (Need need : source.links().needs()) {
            need.route()
                    .filter(r -> r.taken().signal().kind() == Signal.Kind.ANALOGUE)
                    .flatMap(r -> r.taken().volts())
                    .ifPresent(v -> add(
                            source.name(need.part()),
                            "centre of " + need.duty(),
                            "near " + Units.format(v / 2, 2, "V") + " at rest",
                            "read it for a minute; the dead zone is three times what it wanders"));
        }
        for (Need need : source.links().needs()) {
            need.route().map(Route::given).ifPresent(given -> {
                if (SWITCHED_ON.contains(given.signal().kind())) {
                    seen.add(List.of(
                            source.name(need.route().orElseThrow().giver().part()),
                            given.signal().kind().words()));
                }
            });
        }
        seen.forEach(s -> add(s.getFirst(), s.getLast(), "on, in " + system, "it is listed after a restart"));
    }

    private void buses() {
        for (Bus bus : Bus.all(source.build(), source.links().needs())) {
            bus.bringer(source.build())
                    .ifPresent(p -> add(
                            p.name(),
                            "pull-ups of the bus",
                            Units.format(bus.pullUpOhms() / 1000, 1, "kΩ") + " in all",
                            "resting high on both wires"));
        }
    }

    private void sounds() {
        for (Sound s : source.abilities().sounds()) {
            String amplifier = source.name(s.amplifier());
            if (s.gives().mixed()) {
                add(
                        amplifier,
                        "left and right mixed by",
                        "2 × " + Units.format(s.mixingOhms(), 0, "Ω"),
                        "each side alone is heard, at half");
            }
            if (s.gives().muted()) {
                add(amplifier, "muted by", "switch of the headphone socket", "silent with a plug in");
            }
            add(
                    amplifier,
                    "gain",
                    "no more than " + Units.format(s.usedWatts(), 1, "W") + " into "
                            + Units.format(s.heard().ohms(), 0, "Ω"),
                    "about " + Units.format(s.decibels(), 0, "dB") + " at half a metre, undistorted");
        }
    }
}
