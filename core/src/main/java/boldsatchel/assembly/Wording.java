package boldsatchel.assembly;

import boldsatchel.geometry.Face;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Units;
import java.util.List;
import java.util.stream.Collectors;

/** How steps are told. */
public final class Wording {

    private Wording() {}

    /** The name of a part without what is only detail, where no other part has the same; of a tray its name. */
    public static String name(Build build, String id) {
        return build.part(id)
                .map(p -> isOnly(build, p) ? brief(p.name()) : p.name())
                .or(() -> build.shell(id).map(Shell::name))
                .orElse(id);
    }

    private static boolean isOnly(Build build, Part part) {
        return build.parts().list().stream()
                .noneMatch(o -> !o.id().equals(part.id()) && brief(o.name()).equals(brief(part.name())));
    }

    private static String brief(String name) {
        int comma = name.indexOf(", ");
        return comma < 0 ? name : name.substring(0, comma);
    }

    /** Several names. */
    public static String names(Build build, List<String> ids) {
        return ids.stream().map(id -> name(build, id)).collect(Collectors.joining(", "));
    }

    /** What is taken out, off or opened. */
    public static String out(Build build, Removal removal) {
        return switch (removal.kind()) {
            case PARTS, RIDER ->
                "Take out " + names(build, removal.parts().toList()) + ", "
                        + left(removal.groups().getFirst().way());
            case COVER -> "Take the cover off " + name(build, removal.subject());
            case OPEN -> "Open " + carried(build, removal.subject());
            case TRAY -> "Take off " + name(build, removal.subject());
        };
    }

    /** The same done backwards. */
    public static String back(Build build, Removal removal) {
        return switch (removal.kind()) {
            case PARTS, RIDER ->
                "Put back " + names(build, removal.parts().toList()) + ", "
                        + came(removal.groups().getLast().way());
            case COVER -> "Put the cover on " + name(build, removal.subject());
            case OPEN -> "Close " + carried(build, removal.subject());
            case TRAY -> "Put " + name(build, removal.subject()) + " on";
        };
    }

    private static String carried(Build build, String joint) {
        return build.casing().joint(joint).map(j -> name(build, j.carries())).orElse(joint);
    }

    /** How something comes in: the way out read backwards. */
    static String came(Way way) {
        String from = way.out() == Face.TOP
                ? "from above"
                : way.out() == Face.BOTTOM
                        ? "from below"
                        : "from the " + way.out().words();
        return way.aside()
                .map(a -> from + ", then " + mm(a) + " to the "
                        + a.to().opposite().words())
                .orElse(from);
    }

    private static String left(Way way) {
        String to = way.out() == Face.TOP
                ? "upwards"
                : way.out() == Face.BOTTOM ? "downwards" : "to the " + way.out().words();
        return way.aside()
                .map(a -> mm(a) + " to the " + a.to().words() + ", then " + to)
                .orElse(to);
    }

    private static String mm(Way.Aside aside) {
        return Units.format(aside.mm(), 0, "mm");
    }
}
