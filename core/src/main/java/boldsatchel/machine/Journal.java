package boldsatchel.machine;

import boldsatchel.quantity.Label;

/**
 * Section: what the builder writes down on the way. No verdict reads it.
 *
 * @param notes in the builder's words
 */
public record Journal(@Label("notes") String notes) {

    /** Nothing yet. */
    public static final Journal NONE = new Journal("");
}
