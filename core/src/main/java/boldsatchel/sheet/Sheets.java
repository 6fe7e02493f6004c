package boldsatchel.sheet;

import boldsatchel.abilities.Abilities;
import boldsatchel.cables.CablesResult;
import boldsatchel.engine.Lazy;
import boldsatchel.hands.HandsResult;
import boldsatchel.links.LinksResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Link;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.made.Made;
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
     * @param hands how it meets a body
     * @param cables how they are laid
     * @param made what the builder makes of it
     */
    record Source(
            Build build,
            LinksResult links,
            Abilities abilities,
            HandsResult hands,
            CablesResult cables,
            Lazy<Made> made) {

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
     * @param wired whether it is about what is connected
     * @param make makes it
     */
    private record Kind(String id, String title, boolean wired, Function<Source, Table> make) {}

    private static final List<Kind> KINDS = List.of(
            new Kind(WireList.ID, WireList.TITLE, true, WireList::of),
            new Kind(PinSheet.ID, PinSheet.TITLE, true, PinSheet::of),
            new Kind(AddressSheet.ID, AddressSheet.TITLE, true, AddressSheet::of),
            new Kind(SettingsSheet.ID, SettingsSheet.TITLE, true, SettingsSheet::of),
            new Kind(PowerStateSheet.ID, PowerStateSheet.TITLE, true, PowerStateSheet::of),
            new Kind(DriveSheet.ID, DriveSheet.TITLE, true, DriveSheet::of),
            new Kind(SupportSheet.ID, SupportSheet.TITLE, true, SupportSheet::of),
            new Kind(CablesSheet.ID, CablesSheet.TITLE, false, CablesSheet::of),
            new Kind(CutSheet.ID, CutSheet.TITLE, false, CutSheet::of),
            new Kind(PrintSheet.ID, PrintSheet.TITLE, false, PrintSheet::of),
            new Kind(DrillSheet.ID, DrillSheet.TITLE, false, DrillSheet::of),
            new Kind(HandsSheet.ID, HandsSheet.TITLE, false, HandsSheet::of),
            new Kind(AsBuiltSheet.ID, AsBuiltSheet.TITLE, true, AsBuiltSheet::of));

    /** The tables about what is connected. */
    public static final List<String> WIRED =
            KINDS.stream().filter(Kind::wired).map(Kind::id).toList();

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
        return made(evaluation, KINDS);
    }

    /** Those of them that are about what is connected. */
    public static List<Table> wired(Evaluation evaluation) {
        return made(evaluation, KINDS.stream().filter(Kind::wired).toList());
    }

    /** How it meets hands and eyes in one posture. */
    public static Table hands(Evaluation evaluation, String posture) {
        return HandsSheet.of(source(evaluation), posture);
    }

    private static List<Table> made(Evaluation evaluation, List<Kind> kinds) {
        Source source = source(evaluation);
        return kinds.stream()
                .map(k -> k.make().apply(source))
                .filter(t -> !t.rows().isEmpty())
                .toList();
    }

    private static Source source(Evaluation evaluation) {
        return new Source(
                evaluation.build(),
                evaluation.of(LinksResult.class),
                evaluation.of(Abilities.class),
                evaluation.of(HandsResult.class),
                evaluation.of(CablesResult.class),
                Lazy.of(() -> Made.of(evaluation.build())));
    }
}
