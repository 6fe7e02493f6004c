package boldsatchel.sheet;

import boldsatchel.abilities.PowerState;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.quantity.Units;
import java.util.List;
import java.util.Optional;

/** What stays live when the machine sleeps or is off, and whether a screen follows. */
final class PowerStateSheet {

    static final String ID = "power-states";
    static final String TITLE = "Power states";

    private PowerStateSheet() {}

    static Table of(Sheets.Source source) {
        List<List<String>> rows =
                PowerState.all(source.build()).stream().map(s -> row(source, s)).toList();
        return new Table(
                ID,
                TITLE,
                "As fed by the chain; asleep its switches are on, off they are open. What a board's own button does in each state "
                        + "is to be tried on the table.",
                List.of("part", "asleep", "off", "taken away by", "draws asleep, off", "starts in"),
                List.of(28, 14, 14, 20, 14, 10),
                rows);
    }

    private static List<String> row(Sheets.Source source, PowerState state) {
        Optional<Part> part = source.build().part(state.part());
        boolean lit = part.flatMap(p -> p.facet(Facet.StaysLit.class)).isPresent();
        Optional<Facet.DrawsPower> draws = part.flatMap(p -> p.facet(Facet.DrawsPower.class));
        return List.of(
                source.name(state.part()),
                fed(state.asleep(), lit),
                fed(state.off(), lit),
                state.by()
                        .map(id -> source.build()
                                .rung(id)
                                .map(r -> r.name(source.build()))
                                .orElseGet(() -> source.name(id)))
                        .orElse(""),
                draws.map(d -> watts(
                                        state.asleep(),
                                        lit ? d.idleW().value() : d.sleepW().value()) + ", "
                                + watts(
                                        state.off(),
                                        lit ? d.idleW().value() : d.offW().value()))
                        .orElse(""),
                draws.map(d -> Units.format(d.startSeconds().value(), 0, "s")).orElse(""));
    }

    private static String fed(boolean fed, boolean lit) {
        return fed ? lit ? "fed, stays lit" : "fed" : "dead";
    }

    private static String watts(boolean fed, double watts) {
        return Units.format(fed ? watts : 0, 2, "W");
    }
}
