package boldsatchel.sheet;

import boldsatchel.links.Copies;
import boldsatchel.quantity.Units;
import java.util.List;

/** How long it takes to copy from each drive. */
final class DriveSheet {

    static final String ID = "drives";
    static final String TITLE = "Reading the drives";

    private DriveSheet() {}

    static Table of(Sheets.Source source) {
        List<List<String>> rows = Copies.all(source.build(), source.links()).stream()
                .map(c -> List.of(
                        source.name(c.part()),
                        Units.format(c.aloneMbS(), 0, "MB/s"),
                        time(c.aloneMbS()),
                        Units.format(c.togetherMbS(), 0, "MB/s"),
                        time(c.togetherMbS())))
                .toList();
        return new Table(
                ID,
                TITLE,
                "By the slowest of drive, cable and socket; what the board's own sockets share inside is not known.",
                List.of("drive", "alone", "10 GB alone", "all at once", "10 GB then"),
                List.of(36, 16, 16, 16, 16),
                rows);
    }

    private static String time(double mbS) {
        double seconds = Copies.Copy.seconds(mbS);
        return seconds < 90 ? Units.format(seconds, 0, "s") : Units.format(seconds / 60, 1, "min");
    }
}
