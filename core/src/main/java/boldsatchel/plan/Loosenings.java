package boldsatchel.plan;

import boldsatchel.assembly.Loosening;
import boldsatchel.edit.Attempt;
import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edit;
import boldsatchel.geometry.Box;
import boldsatchel.machine.Build;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Changes to a plan that let out what was held for ever, as edits. */
public final class Loosenings {

    /** A plug in a pair of wires is rated for so much, A: usual of what is sold for packs of this size. */
    private static final double PLUG_A = 10;

    private Loosenings() {}

    /** All of them done, one after the other; nothing where one of them only hands can do. */
    public static Optional<Edit> all(Build build, List<Loosening> changes) {
        Build after = build;
        for (Loosening change : changes) {
            Optional<Edit> edit = edit(after, change);
            if (edit.isEmpty()) {
                return Optional.empty();
            }
            after = edit.get().change().apply(after);
        }
        return Optional.of(new Edit("make it come apart", b -> done(b, changes)));
    }

    private static Build done(Build build, List<Loosening> changes) {
        Build after = build;
        for (Loosening change : changes) {
            Build now = after;
            after = edit(now, change).map(e -> e.change().apply(now)).orElse(now);
        }
        return after;
    }

    private static Optional<Edit> edit(Build build, Loosening change) {
        return switch (change.kind()) {
            case CONNECTOR -> connector(build, change.subject()).allowed();
            case LONGER_LEAD -> Optional.empty();
            case CLIPS -> Optional.of(Fixings.hold(change.subject(), Fixing.By.CLIPS));
            case NO_GLUE ->
                Optional.of(
                        build.part(change.subject()).isPresent()
                                ? Fixings.hold(change.subject(), Fixing.By.CLIPS)
                                : Fixings.screwOn(change.subject()));
            case NO_RIB ->
                build.shell(change.subject())
                        .filter(s -> change.index() < s.ribs().size())
                        .map(s -> new Edit("leave a rib out", b -> withoutRib(b, s.id(), change.index())));
        };
    }

    /** A plug and socket in a pair of wires of the chain. */
    public static Attempt connector(Build build, String wire) {
        return ChainEdits.insertBelow(
                build, wire, ChainEdits.Piece.of("plug and socket", ChainEdits.connector(PLUG_A)));
    }

    private static Build withoutRib(Build build, String tray, int rib) {
        return build.shell(tray)
                .map(s -> {
                    List<Box> ribs = new ArrayList<>(s.ribs());
                    ribs.remove(rib);
                    Shell without = Form.of(Shell.class).field("ribs").with(s, ribs);
                    return build.with(build.casing().withShell(without));
                })
                .orElse(build);
    }
}
