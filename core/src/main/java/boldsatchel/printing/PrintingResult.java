package boldsatchel.printing;

import java.util.List;
import java.util.OptionalDouble;

/**
 * What comes of printing trays.
 *
 * @param crossed what seams run through
 * @param ungauged trays whose holes and posts have to fit something, while nobody knows how this printer's come out
 * @param tight openings that come out too small
 */
public record PrintingResult(List<Crossed> crossed, List<Ungauged> ungauged, List<Tight> tight) {

    /** Nothing is printed. */
    public static final PrintingResult NOTHING = new PrintingResult(List.of(), List.of(), List.of());

    /** Copies the lists. */
    public PrintingResult {
        crossed = List.copyOf(crossed);
        ungauged = List.copyOf(ungauged);
        tight = List.copyOf(tight);
    }

    /**
     * A seam through something that should be whole.
     *
     * @param shell id of the tray
     * @param seam its place among the seams of the tray
     * @param what it runs through, for people
     * @param clearMm the nearest place for it where it runs through nothing; none where there is none
     */
    public record Crossed(String shell, int seam, String what, OptionalDouble clearMm) {}

    /**
     * A tray to be printed.
     *
     * @param shell its id
     * @param openings for sockets and buttons
     * @param bosses for screws
     */
    public record Ungauged(String shell, int openings, int bosses) {}

    /**
     * An opening that comes out too small for its plug.
     *
     * @param shell id of the tray
     * @param opening its name
     * @param part id of what it serves
     * @param port id of the socket
     * @param roomMm that is left on the narrowest side, as drawn
     * @param lostMm of it in printing
     */
    public record Tight(String shell, String opening, String part, String port, double roomMm, double lostMm) {}
}
