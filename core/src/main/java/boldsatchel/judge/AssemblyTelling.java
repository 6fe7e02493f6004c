package boldsatchel.judge;

import static boldsatchel.judge.Words.name;

import boldsatchel.assembly.AssemblyResult;
import boldsatchel.assembly.AssemblyResult.WayOut;
import boldsatchel.assembly.Loosening;
import boldsatchel.machine.Build;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Rung;
import boldsatchel.plan.Loosenings;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Remedy;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Tells what keeps what in, and how a machine comes apart. */
record AssemblyTelling(Build build, AssemblyResult assembly) implements Telling {

    private String names(List<String> ids) {
        return ids.stream().map(id -> piece(build, id)).collect(Collectors.joining(", "));
    }

    private static String piece(Build build, String id) {
        return build.casing().joint(id).map(Joint::name).orElseGet(() -> name(build, id));
    }

    /** A pair of wires, for people. */
    static String lead(Build build, String id) {
        return build.rung(id)
                .filter(r -> r.stage() instanceof Rung.Wire)
                .map(r -> "the " + r.name(build))
                .orElse("the lead " + id);
    }

    @Override
    public String sentence(Noted f) {
        return switch (f.code()) {
            case "assembly.circle" ->
                names(f.subjects()) + " keep each other in: whichever goes in first, another does not go in any more.";
            case "assembly.trapped" ->
                piece(build, f.first())
                        + " does not come out of its tray to any side, nor go in: something of the tray is in its way, or"
                        + " before its screws.";
            case "assembly.cut-short" ->
                "So many parts lie in one another's way that not every way in was looked at: whether it can be put together is not"
                        + " known.";
            case "assembly.as-one" ->
                names(f.subjects())
                        + " hang together by wires without a plug, too short to lay one beside the case: they go in as one,"
                        + " and a third hand helps.";
            case "assembly.battery-wired" ->
                piece(build, f.first())
                        + " is joined by wires without a plug: all is live from the moment they are soldered, and to change it"
                        + " somebody has to unsolder.";
            case "assembly.too-deep" ->
                (Double.isNaN(f.number("steps"))
                                ? piece(build, f.first()) + " never comes out of the finished machine"
                                : "It takes " + Units.format(f.number("steps"), 0, "steps") + " to have "
                                        + piece(build, f.first()) + " in hand")
                        + ", the limit is " + Units.format(f.number("limit"), 0, "") + ".";
            default -> throw Telling.unknown(f);
        };
    }

    @Override
    public List<Remedy> cures(Noted f) {
        List<Remedy> cures = new ArrayList<>();
        switch (f.code()) {
            case "assembly.circle", "assembly.trapped" -> {
                assembly.wayOut().get().ifPresent(w -> cures.add(wayOut(w)));
                cures.add(Remedy.advice("Move one of them, so that it is not in the other's way"));
            }
            case "assembly.cut-short" ->
                cures.add(Remedy.advice("Part what is in one place with something else first"));
            case "assembly.as-one" -> {
                plugs(fastBetween(f.subjects()), cures);
                cures.add(Remedy.advice("Make the wires long enough to lay the one beside the case"));
            }
            case "assembly.battery-wired" -> {
                plugs(f.subjects().subList(1, f.subjects().size()), cures);
                cures.add(Remedy.advice("Take a pack with a plug on its lead"));
            }
            case "assembly.too-deep" -> {
                cures.add(Remedy.advice("Lay it on top, or turn what lies over it aside"));
                cures.add(Remedy.advice("Give it a cover of its own"));
            }
            default -> throw Telling.unknown(f);
        }
        return cures;
    }

    private List<String> fastBetween(List<String> parts) {
        return assembly.fast().stream()
                .filter(t -> parts.contains(t.one()) && parts.contains(t.other()))
                .map(AssemblyResult.Fast::lead)
                .toList();
    }

    private void plugs(List<String> leads, List<Remedy> cures) {
        for (String lead : leads) {
            Loosenings.connector(build, lead)
                    .allowed()
                    .ifPresent(e -> cures.add(Remedy.by("Put a plug and socket into " + lead(build, lead), e)));
        }
    }

    private Remedy wayOut(WayOut way) {
        String words = way.changes().stream().map(this::words).collect(Collectors.joining("; "));
        String whole = Words.begun(words) + (way.proven() ? ": the cheapest way out" : "");
        return Loosenings.all(build, way.changes())
                .map(e -> Remedy.by(whole, e))
                .orElseGet(() -> Remedy.advice(whole));
    }

    private String words(Loosening change) {
        String subject = change.subject();
        return switch (change.kind()) {
            case CONNECTOR -> "put a plug and socket into " + lead(build, subject);
            case LONGER_LEAD -> "take a longer lead in place of " + subject;
            case CLIPS -> "hold " + name(build, subject) + " by clips, since no driver gets at its screws";
            case NO_GLUE -> "hold " + piece(build, subject) + " otherwise than by glue";
            case NO_RIB -> "leave out rib " + (change.index() + 1) + " of " + name(build, subject);
        };
    }
}
