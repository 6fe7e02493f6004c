package boldsatchel.sheet;

import boldsatchel.links.PinUse;
import boldsatchel.machine.Signal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Which pin of which header does what. */
final class PinSheet {

    static final String ID = "pin-map";
    static final String TITLE = "Pin map";

    private PinSheet() {}

    static Table of(Sheets.Source source) {
        List<PinUse> uses = new ArrayList<>(source.links().pins());
        uses.sort(Comparator.<PinUse, String>comparing(
                        u -> u.header().part() + " " + u.header().port())
                .thenComparingInt(PinUse::pin));
        List<List<String>> rows = uses.stream()
                .map(u -> List.of(
                        source.name(u.header().part()) + ", " + source.socket(u.header()),
                        "" + u.pin(),
                        u.signal().words(),
                        source.name(u.part()),
                        u.duty()))
                .toList();
        return new Table(
                ID,
                TITLE,
                "Pins without a row are free. Count pins from the mark on the board, not from memory.",
                List.of("header", "pin", "as", "for", "what for"),
                List.of(32, 8, 22, 24, 14),
                rows);
    }

    /** What a line of a signal is called at the header, by its place among that signal's lines (I2C-bus specification; SPI and UART as usual). */
    static String line(Signal.Kind kind, int nth, boolean only) {
        return switch (kind) {
            case I2C -> nth == 0 ? "data (SDA)" : "clock (SCL)";
            case SPI ->
                only
                        ? "select (CS)"
                        : List.of("out (MOSI)", "in (MISO)", "clock (SCK)", "select (CS)")
                                .get(Math.min(nth, 3));
            case UART -> nth == 0 ? "transmit (TX)" : "receive (RX)";
            default -> only ? kind.words() : kind.words() + " " + (nth + 1);
        };
    }

    /** What that line goes to: a serial line is crossed over, all others are not. */
    static String farLine(Signal.Kind kind, int nth, boolean only) {
        String near = line(kind, nth, only);
        String far = kind == Signal.Kind.UART ? line(kind, 1 - Math.min(nth, 1), only) : near;
        int open = far.indexOf('(');
        return open < 0 ? "" : far.substring(open + 1, far.indexOf(')'));
    }
}
