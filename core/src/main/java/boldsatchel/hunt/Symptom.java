package boldsatchel.hunt;

/**
 * What a builder sees go wrong.
 *
 * @param id stable name
 * @param title for people
 * @param on what a part must be that it is seen on, see {@link Trait}
 */
public record Symptom(String id, String title, String on) {}
