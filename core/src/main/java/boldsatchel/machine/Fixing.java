package boldsatchel.machine;

import boldsatchel.quantity.Label;
import java.util.Optional;

/**
 * What holds a part in its place.
 *
 * @param by what
 * @param screw which ones, where they were chosen
 */
public record Fixing(
        @Label("held by") By by, @Label("screws") Optional<Screw> screw) {

    /** What may hold a part. */
    public enum By {
        /** Screws through its holes. */
        SCREWS("screws"),
        /** Clips or hooks of the case, or the rim of an opening. */
        CLIPS("clips"),
        /** Foam tape that sticks on both sides. */
        TAPE("foam tape"),
        /** Glue: not to be taken out again. */
        GLUE("glue"),
        /** Its neighbours, without any play. */
        WEDGE("its neighbours"),
        /** A strap, a band or ties. */
        STRAP("a strap"),
        /** Nothing. */
        NOTHING("nothing");

        private final String words;

        By(String words) {
            this.words = words;
        }

        /** As shown in a choice. */
        public String words() {
            return words;
        }
    }

    /** Held by something, screws not chosen yet. */
    public static Fixing by(By by) {
        return new Fixing(by, Optional.empty());
    }
}
