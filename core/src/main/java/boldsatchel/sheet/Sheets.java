package boldsatchel.sheet;

import boldsatchel.abilities.Abilities;
import boldsatchel.links.LinksResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.verdict.Evaluation;
import java.util.List;
import java.util.function.Function;

/** What hangs on the wall beside the bench: tables made from a build and what was worked out. A new one is added to {@link #KINDS}. */
public final class Sheets {

    /**
     * What tables are made from.
     *
     * @param build itself
     * @param links what talks to what
     * @param abilities what it does for its user
     */
    record Source(Build build, LinksResult links, Abilities abilities) {

        String name(String part) {
            return build.part(part).map(Part::name).orElse(part);
        }

        String socket(Link.End end) {
            return build.part(end.part())
                    .flatMap(p -> p.port(end.port()))
                    .map(Port::words)
                    .orElse(end.port());
        }
    }

    /**
     * A kind of table.
     *
     * @param id as files call it
     * @param title for people
     * @param make makes it
     */
    private record Kind(String id, String title, Function<Source, Table> make) {}

    private static final List<Kind> KINDS = List.of(
            new Kind(WireList.ID, WireList.TITLE, WireList::of),
            new Kind(PinSheet.ID, PinSheet.TITLE, PinSheet::of),
            new Kind(AddressSheet.ID, AddressSheet.TITLE, AddressSheet::of),
            new Kind(SettingsSheet.ID, SettingsSheet.TITLE, SettingsSheet::of),
            new Kind(PowerStateSheet.ID, PowerStateSheet.TITLE, PowerStateSheet::of),
            new Kind(DriveSheet.ID, DriveSheet.TITLE, DriveSheet::of),
            new Kind(SupportSheet.ID, SupportSheet.TITLE, SupportSheet::of),
            new Kind(AsBuiltSheet.ID, AsBuiltSheet.TITLE, AsBuiltSheet::of));

    /** What tables there are. */
    public static final List<String> IDS = KINDS.stream().map(Kind::id).toList();

    private Sheets() {}

    /** What people call a table. */
    public static String title(String id) {
        return KINDS.stream()
                .filter(k -> k.id().equals(id))
                .findFirst()
                .map(Kind::title)
                .orElseThrow();
    }

    /** The tables that have anything in them. */
    public static List<Table> all(Evaluation evaluation) {
        Source source =
                new Source(evaluation.build(), evaluation.of(LinksResult.class), evaluation.of(Abilities.class));
        return KINDS.stream()
                .map(k -> k.make().apply(source))
                .filter(t -> !t.rows().isEmpty())
                .toList();
    }
}
