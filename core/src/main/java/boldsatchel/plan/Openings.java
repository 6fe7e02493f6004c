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
import boldsatchel.machine.Passage;
import boldsatchel.machine.Peg;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Port;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import boldsatchel.reach.ReachResult.Access;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Openings cut for sockets that are used through a wall. */
public final class Openings {

    /** A panel that feels pressure is kept so far off the wall, mm; a guess. */
    public static final double OFF_MM = 0.5;

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

    /** Cuts a hole over a button, in place of the one it had: with a peg where it lies too deep to be pressed without. */
    public static Edit cutKey(String part, String key, boolean peg) {
        return new Edit(peg ? "cut a hole for a peg" : "cut a hole for a button", b -> {
            Optional<Placement> lies = b.placement(part);
            Optional<Shell> shell = lies.flatMap(p -> b.shell(p.shell()));
            return b.part(part)
                    .flatMap(p -> p.body().keys().stream()
                            .filter(k -> k.name().equals(key))
                            .findFirst()
                            .flatMap(k -> shell.map(s -> Opening.of(s, p, k, lies.orElseThrow(), peg))))
                    .map(o -> put(b, shell.orElseThrow(), o, part, key))
                    .orElse(b);
        });
    }

    /** Cuts a window for a screen, in place of the one it had. */
    public static Edit window(String part) {
        return new Edit("cut a window", b -> {
            Optional<Placement> lies = b.placement(part);
            Optional<Shell> shell = lies.flatMap(p -> b.shell(p.shell()));
            return b.part(part)
                    .flatMap(p -> shell.flatMap(s -> Opening.ofPicture(s, p, lies.orElseThrow())))
                    .map(o -> put(b, shell.orElseThrow(), o, part, Passage.PICTURE))
                    .orElse(b);
        });
    }

    /** Moves one of two openings that are too near to one another, or to the rim, as far as it takes; nothing where each is for something or has no room. */
    public static Optional<Edit> apart(Build build, FitResult.Web web) {
        double far = Math.ceil((web.wantedMm() - web.mm()) * 10) / 10;
        FitResult now = FitEngine.evaluate(build);
        int before = FreeMove.trouble(build, now);
        return build.shell(web.shell()).stream()
                .flatMap(s -> s.openings().stream())
                .filter(o -> web.isBeside(o.name()) && o.serves().isEmpty())
                .flatMap(o -> Stream.of(Opening.across(o.wall()), Opening.up(o.wall()))
                        .flatMap(axis -> Stream.of(Vec.on(axis, -far), Vec.on(axis, far)))
                        .map(by -> moved(web.shell(), o, by)))
                .filter(e -> {
                    Build moved = e.change().apply(build);
                    return FreeMove.trouble(moved, FitEngine.evaluate(moved, build, now)) < before;
                })
                .findFirst();
    }

    private static Edit moved(String shell, Opening opening, Vec by) {
        String name = "move “" + opening.name() + "” " + Units.format(by.length(), 1, "mm") + " along its wall";
        return put(name, shell, opening, opening.at(opening.at().plus(by)));
    }

    private static Edit put(String name, String shell, Opening old, Opening instead) {
        return new Edit(
                name,
                b -> b.shell(shell)
                        .map(s -> b.with(b.casing()
                                .withShell(s.withOpenings(s.openings().stream()
                                        .map(o -> o.equals(old) ? instead : o)
                                        .toList()))))
                        .orElse(b));
    }

    /** Says how the peg in an opening is made. */
    public static Edit peg(String shell, Opening opening, Peg peg) {
        return put("make a peg " + Units.format(peg.lengthMm(), 1, "mm") + " long", shell, opening, opening.with(peg));
    }

    /** Puts a screen so near behind its window that nobody sees past its rim aslant; nothing where something else would be wrong instead, or a pressed panel would rest on the wall. */
    public static Optional<Edit> nearer(Build build, Access picture) {
        double by = picture.gapMm() + picture.pastMm();
        boolean rests = picture.feelsPressure() && picture.gapMm() - by < OFF_MM;
        return build.placement(picture.part())
                .filter(p -> !p.locked() && !rests)
                .flatMap(p -> picture.opening().flatMap(o -> {
                    Vec to = p.at().plus(Vec.on(o.wall().axis(), o.wall().sign() * (by + 1e-6)));
                    Build moved = build.with(build.layout().moved(p.part(), to));
                    FitResult now = FitEngine.evaluate(build);
                    boolean worse = FreeMove.trouble(moved, FitEngine.evaluate(moved, build, now))
                            > FreeMove.trouble(build, now);
                    return worse
                            ? Optional.empty()
                            : Optional.of(new Edit(
                                    "put it " + Units.format(by, 1, "mm") + " nearer to its window",
                                    b -> b.with(b.layout().moved(p.part(), to))));
                }));
    }

    /** Closes an opening again. */
    public static Edit close(String shell, Opening opening) {
        return new Edit(
                "close an opening",
                b -> b.shell(shell)
                        .map(s -> {
                            List<Opening> left = new ArrayList<>(s.openings());
                            left.remove(opening);
                            return b.with(b.casing().withShell(s.withOpenings(left)));
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
        Opening made = Opening.of(shell.get(), part.get(), port.get(), lies.orElseThrow());
        return put(build, shell.get(), made, partId, portId);
    }

    /** What was there for it, or for nothing and in the way, becomes part of it. */
    private static Build put(Build build, Shell shell, Opening made, String part, String what) {
        List<Opening> openings = new ArrayList<>(shell.openings());
        Box hole = made.through(shell);
        openings.removeIf(o ->
                o.isFor(part, what) || (o.serves().isEmpty() && o.through(shell).signedDistance(hole) < 0));
        openings.add(made);
        return build.with(build.casing().withShell(shell.withOpenings(openings)));
    }
}
