package boldsatchel.sheet;

import boldsatchel.abilities.Boards;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Function;
import boldsatchel.machine.Part;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** How what the boards are used for works under which system, who says so and when. */
final class SupportSheet {

    static final String ID = "systems";
    static final String TITLE = "Boards and systems";

    private SupportSheet() {}

    static Table of(Sheets.Source source) {
        List<List<String>> rows = new ArrayList<>();
        String chosen = source.build()
                .brief()
                .software()
                .map(Brief.Software::system)
                .map(String::strip)
                .orElse("");
        Boards boards = Boards.of(source.build(), source.links());
        for (Part board : boards.list()) {
            Set<Function> used = boards.used().getOrDefault(board.id(), Set.of());
            Optional<Facet.Supported> supported = board.facet(Facet.Supported.class);
            supported.ifPresent(s ->
                    s.known().forEach(k -> rows.add(row(board, k, chosen, used.contains(k.function())))));
            if (!chosen.isEmpty() && supported.isPresent()) {
                used.stream()
                        .filter(f -> supported.get().of(f, chosen).isEmpty())
                        .forEach(f -> rows.add(List.of(
                                board.name(), f.words(), "yes", chosen, Facet.Degree.UNKNOWN.words(), "nobody", "")));
            }
        }
        return new Table(
                ID,
                TITLE,
                "What works in one version may fail in the next: try it on the open table before anything is drilled.",
                List.of("board", "function", "used here", "system", "it", "says who", "on"),
                List.of(22, 14, 9, 16, 14, 17, 9),
                rows);
    }

    private static List<String> row(Part board, Facet.Support known, String chosen, boolean used) {
        return List.of(
                board.name(),
                known.function().words(),
                used ? "yes" : "",
                known.system() + (known.system().equalsIgnoreCase(chosen) ? ", chosen" : ""),
                known.degree().words(),
                known.basis(),
                known.seen().map(LocalDate::toString).orElse(""));
    }
}
