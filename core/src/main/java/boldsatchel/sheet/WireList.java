package boldsatchel.sheet;

import boldsatchel.links.PinUse;
import boldsatchel.links.Run;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.quantity.Units;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Every wire and cable: from where to where, pin by pin where single wires go, what it is made of and how long. */
final class WireList {

    static final String ID = "wire-list";
    static final String TITLE = "Wire list";

    /** Single wires for signals: thin, and still good to handle; a usual choice. */
    private static final int SIGNAL_AWG = 28;

    private static final List<String> COLOURS =
            List.of("yellow", "green", "blue", "white", "orange", "violet", "grey", "brown");

    private final Sheets.Source source;
    private final List<List<String>> rows = new ArrayList<>();

    private WireList(Sheets.Source source) {
        this.source = source;
    }

    static Table of(Sheets.Source source) {
        WireList list = new WireList(source);
        Run.all(source.build()).forEach(list::run);
        source.build().wiring().chain().forEach(root -> list.chain(root));
        return new Table(
                ID,
                TITLE,
                "Gauges and colours of signal wires are proposals. Sleeve and hold every joint; prove each wire end to end "
                        + "before anything is fed.",
                List.of("no.", "from", "its pin", "to", "at pin", "carries", "wire", "length"),
                List.of(4, 21, 5, 21, 7, 14, 19, 9),
                list.rows);
    }

    private void add(String from, String fromPin, String to, String toPin, String carries, String wire, String length) {
        rows.add(List.of("" + (rows.size() + 1), from, fromPin, to, toPin, carries, wire, length));
    }

    private String end(Link.End end) {
        return source.name(end.part()) + ", " + source.socket(end);
    }

    private void run(Run run) {
        List<PinUse> uses = source.links().pins().stream()
                .filter(u -> run.ends(u.header()) && run.touches(u.part()))
                .toList();
        if (uses.isEmpty()) {
            add(end(run.one()), "", end(run.other()), "", carried(run), cables(run), length(run));
        } else {
            pins(run, uses);
        }
    }

    private void pins(Run run, List<PinUse> uses) {
        Link.End header = uses.getFirst().header().unpinned();
        boolean first = run.one().is(header.part(), header.port());
        Link.End far = first ? run.other() : run.one();
        int line = 0;
        String before = "";
        for (PinUse use : uses) {
            String duty = use.signal() + use.duty();
            line = duty.equals(before) ? line + 1 : 0;
            before = duty;
            String name = PinSheet.line(use.signal().kind(), line, uses.size() == 1);
            add(
                    end(header),
                    "" + use.pin(),
                    end(far),
                    PinSheet.farLine(use.signal().kind(), line, uses.size() == 1),
                    name + ", " + use.duty(),
                    "AWG " + SIGNAL_AWG + ", " + COLOURS.get(uses.indexOf(use) % COLOURS.size()),
                    length(run));
        }
        add(
                end(header),
                "ground",
                end(far),
                "ground",
                "return of the above",
                "AWG " + SIGNAL_AWG + ", black",
                length(run));
    }

    /** What is needed over a run. */
    private String carried(Run run) {
        String met = source.links().needs().stream()
                .flatMap(n -> n.route().stream()
                        .flatMap(r -> r.hops().stream())
                        .filter(h -> run.ends(h.taker()) && run.ends(h.giver()))
                        .map(h -> words(n.duty(), h.taken().signal().kind().words())))
                .distinct()
                .collect(Collectors.joining(", "));
        return met.isEmpty() ? "to pass on" : met;
    }

    private static String words(String duty, String signal) {
        return duty.equals(signal) ? duty : duty + " (" + signal + ")";
    }

    private static String cables(Run run) {
        return run.cables().isEmpty()
                ? "plugged straight in"
                : run.cables().stream().map(Part::name).collect(Collectors.joining(", then "));
    }

    private static String length(Run run) {
        double mm = run.cables().stream()
                .flatMap(c -> c.facet(Facet.Joins.class).stream())
                .mapToDouble(j -> j.lengthMm().value())
                .sum();
        return mm == 0 ? "" : Units.format(mm / 10, 0, "cm");
    }

    /** The wires of a power chain, a pair each. */
    private void chain(Rung root) {
        List<Rung> all = root.walk().toList();
        for (Rung rung : all) {
            if (rung.stage() instanceof Rung.Wire w) {
                String from = all.stream()
                        .filter(r -> r.feeds().contains(rung))
                        .findFirst()
                        .map(this::place)
                        .orElse("");
                boolean joined = all.stream()
                        .anyMatch(r -> r.joined().stream()
                                .anyMatch(j -> j.row().getLast().equals(rung)));
                String to = rung.feeds().isEmpty()
                        ? joined ? "where the sources join" : "open end"
                        : rung.feeds().stream().map(this::place).collect(Collectors.joining("; "));
                Rung.Finish finish = w.finish().orElse(Rung.Finish.USUAL);
                String gauge = w.readyMade() ? "ready-made lead" : "AWG " + w.awg() + ", ";
                String length = Units.format(w.lengthMm() / 10, 0, "cm");
                add(from, "+", to, "+", "power", w.readyMade() ? gauge : gauge + finish.plus(), length);
                add(from, "−", to, "−", "power, return", w.readyMade() ? gauge : gauge + finish.minus(), length);
            }
        }
    }

    private String place(Rung rung) {
        return rung.stage() instanceof Rung.Socket s ? end(Link.End.of(s.part(), s.port())) : rung.name(source.build());
    }
}
