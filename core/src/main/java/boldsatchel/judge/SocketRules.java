package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.edit.ChainEdits;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Breach;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Sockets that feed others: what they give, alone and together, and when they are dead. */
final class SocketRules implements Telling {

    private final Line line;
    private final Build build;
    private final Sheet sheet = new Sheet(this);

    private SocketRules(Line line) {
        this.line = line;
        this.build = line.build();
    }

    static List<Finding> judge(Line line) {
        SocketRules rules = new SocketRules(line);
        rules.sockets().filter(r -> line.build().outlet(r).isEmpty()).forEach(rules::gone);
        rules.overloads();
        rules.dead();
        return rules.sheet.findings();
    }

    private Stream<Rung> sockets() {
        return line.root().walk().filter(r -> r.stage() instanceof Rung.Socket);
    }

    private static Rung.Socket socket(Rung rung) {
        return (Rung.Socket) rung.stage();
    }

    private void gone(Rung rung) {
        sheet.add(
                "power.no-socket",
                Severity.STOP,
                List.of(rung.id(), socket(rung).part()),
                Map.of());
    }

    private void overloads() {
        Set<String> told = new HashSet<>();
        Stream.of(line.chain().busiest(), line.chain().full())
                .flatMap(p -> p.breaches().stream())
                .filter(b -> b.kind() == Breach.Kind.SOCKET_LIMIT || b.kind() == Breach.Kind.RAIL_LIMIT)
                .filter(b -> told.add(b.kind() + b.rung()))
                .forEach(b -> sheet.add(
                        b.kind() == Breach.Kind.SOCKET_LIMIT ? "power.socket-current" : "power.rail-current",
                        Severity.STOP,
                        List.of(b.rung(), socketAt(b.rung()).part()),
                        numbers("amps", b.value(), "limitA", b.limit())));
    }

    private Rung.Socket socketAt(String rung) {
        return socket(build.rung(rung).orElseThrow());
    }

    /** What goes off with its part: one finding a part. */
    private void dead() {
        Map<String, List<String>> byPart = new TreeMap<>();
        sockets()
                .filter(r -> build.outlet(r)
                        .flatMap(Part.Outlet::rail)
                        .filter(rail -> rail.live() != Facet.Live.ALWAYS)
                        .isPresent())
                .forEach(r -> byPart.computeIfAbsent(socket(r).part(), p -> new ArrayList<>())
                        .add(r.id()));
        byPart.forEach((part, rungs) -> {
            List<String> subjects = new ArrayList<>(List.of(part));
            subjects.addAll(rungs);
            sheet.add("power.goes-off-with", Severity.NOTE, subjects, Map.of());
        });
    }

    @Override
    public String sentence(Noted f) {
        return switch (f.code()) {
            case "power.no-socket" ->
                name(build, f.subjects().get(1)) + " has no " + name(build, f.first())
                        + " that gives power any more, and something is plugged into it. What it feeds counts as fed with all that "
                        + name(build, f.subjects().get(1)) + " is fed with.";
            case "power.socket-current" ->
                "The " + name(build, f.first()) + " of "
                        + name(build, f.subjects().get(1)) + " gives " + f.n("limitA") + " A; what is plugged in draws "
                        + f.n("amps") + " A.";
            case "power.rail-current" ->
                name(build, f.subjects().get(1)) + " gives " + f.n("limitA") + " A from “"
                        + rail(f.first()).name() + "” to all its sockets together; they are asked for " + f.n("amps")
                        + " A.";
            case "power.goes-off-with" -> goesOff(f);
            default -> throw Telling.unknown(f);
        };
    }

    private Facet.Rail rail(String rung) {
        return outlet(rung).rail().orElseThrow();
    }

    private Part.Outlet outlet(String rung) {
        return build.outlet(build.rung(rung).orElseThrow()).orElseThrow();
    }

    private String goesOff(Noted f) {
        Map<Facet.Live, List<Rung>> byLive = f.subjects().stream()
                .skip(1)
                .map(id -> build.rung(id).orElseThrow())
                .collect(Collectors.groupingBy(r -> rail(r.id()).live(), TreeMap::new, Collectors.toList()));
        return byLive.entrySet().stream()
                .map(e -> (e.getKey() == Facet.Live.ON ? "Asleep or off, " : "Off, ") + name(build, f.first())
                        + " feeds nothing to "
                        + e.getValue().stream().map(this::pluggedIn).collect(Collectors.joining(", ")) + ".")
                .collect(Collectors.joining(" "));
    }

    /** Names of the parts behind a socket. */
    private String pluggedIn(Rung socket) {
        String names = socket.walk()
                .flatMap(r -> build.partOf(r).stream())
                .map(Part::name)
                .collect(Collectors.joining(", "));
        return names.isEmpty() ? socket.name(build) : names;
    }

    @Override
    public List<Working.Step> working(Noted f) {
        if (!f.code().equals("power.rail-current")) {
            return List.of();
        }
        Facet.Rail rail = rail(f.first());
        return sockets()
                .filter(r -> build.outlet(r).flatMap(Part.Outlet::rail).equals(Optional.of(rail)))
                .flatMap(r -> line.chain().busiest().rung(r.id()).stream()
                        .map(state -> new Working.Step(r.name(build), "", pluggedIn(r), n(state.ampsOut()) + " A")))
                .toList();
    }

    @Override
    public List<Remedy> cures(Noted f) {
        List<Remedy> cures = new ArrayList<>();
        switch (f.code()) {
            case "power.no-socket", "power.socket-current" -> {
                cures.addAll(otherSockets(f));
                cures.add(Remedy.advice("Feed it by a converter of its own, from the rung above its part"));
            }
            case "power.rail-current" ->
                cures.add(Remedy.advice("Take a hub with a supply of its own, or feed the largest by a converter"));
            default -> {
                // What goes off with its part is worth knowing, and often wanted.
            }
        }
        return cures;
    }

    /** Free sockets of the same part, and the same voltage where that is known, that give enough. */
    private List<Remedy> otherSockets(Noted f) {
        Rung rung = build.rung(f.first()).orElseThrow();
        Optional<Part.Outlet> now = build.outlet(rung);
        double amps = f.number("amps");
        return build.part(socket(rung).part()).stream()
                .flatMap(p -> ChainEdits.freeOutlets(build, p).stream())
                .filter(o -> now.isEmpty() || o.madeV().equals(now.get().madeV()))
                .filter(o -> !(o.gives().amps() < amps))
                .map(o -> Remedy.by(
                        "Plug it into the socket “" + o.port().words() + "”, which gives "
                                + n(o.gives().amps()) + " A",
                        ChainEdits.plug(rung.id(), o.port().id())))
                .toList();
    }
}
