package boldsatchel.plan;

import boldsatchel.edit.Edit;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Openings cut for sockets that are used through a wall. */
public final class Openings {

    private Openings() {}

    /** Cuts an opening for a socket where it is, in place of the one it had. */
    public static Edit cut(String part, String port) {
        return new Edit("cut an opening", b -> cut(b, part, port));
    }

    /** Cuts one for every socket that has none. */
    public static Edit cutAll() {
        return new Edit("cut openings", Openings::all);
    }

    /** The same build, with an opening for every socket that is used through a wall. */
    static Build all(Build build) {
        Build cut = build;
        for (FitResult.Mouth mouth : FitEngine.evaluate(build).mouths()) {
            if (mouth.opening().isEmpty()) {
                cut = cut(cut, mouth.part(), mouth.port().id());
            }
        }
        return cut;
    }

    /** Sockets of parts in a tray that are used through a wall and have no opening. */
    public static List<FitResult.Mouth> without(Build build, FitResult fit, Shell shell) {
        return fit.mouths().stream()
                .filter(m -> m.opening().isEmpty()
                        && build.placement(m.part())
                                .filter(p -> p.shell().equals(shell.id()))
                                .isPresent())
                .toList();
    }

    /** Cuts a plain opening into the middle of a wall, to be moved and sized: for a drawer, a hand, a button. */
    public static Edit plain(Shell shell, Face wall) {
        return new Edit(
                "cut an opening into " + shell.name(),
                b -> b.shell(shell.id())
                        .map(s -> {
                            List<Opening> openings = new ArrayList<>(s.openings());
                            Vec middle = s.cavity().centre();
                            double wide = s.cavity().size(Opening.across(wall)) / 3;
                            double high = s.cavity().size(Opening.up(wall)) / 3;
                            openings.add(new Opening(
                                    "opening " + (openings.size() + 1),
                                    wall,
                                    middle,
                                    wide,
                                    high,
                                    false,
                                    Optional.empty()));
                            return b.with(b.casing().withShell(s.withOpenings(openings)));
                        })
                        .orElse(b));
    }

    private static Build cut(Build build, String partId, String portId) {
        Optional<Part> part = build.part(partId);
        Optional<Port> port = part.flatMap(p -> p.port(portId));
        Optional<Placement> lies = build.placement(partId);
        Optional<Shell> shell = lies.flatMap(p -> build.shell(p.shell()));
        if (port.isEmpty() || shell.isEmpty()) {
            return build;
        }
        List<Opening> openings = new ArrayList<>(shell.get().openings());
        Opening made = Opening.of(shell.get(), part.get(), port.get(), lies.orElseThrow());
        Box hole = made.through(shell.get());
        // What was there for it, or for nothing and in the way, becomes part of it.
        openings.removeIf(o -> o.isFor(partId, portId)
                || (o.serves().isEmpty() && o.through(shell.get()).signedDistance(hole) < 0));
        openings.add(made);
        return build.with(build.casing().withShell(shell.get().withOpenings(openings)));
    }
}
