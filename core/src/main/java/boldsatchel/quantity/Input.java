package boldsatchel.quantity;

/**
 * A figure that goes into a result, known by whose it is and which it is, so that it is the same input in every engine, in every build
 * that has it, and before and after a save. Two parts off one shelf entry have one owner for their data-sheet figures: those share their
 * error.
 *
 * @param owner id of the part, shell or rung, or of the shelf entry
 * @param subject whose figure it is, for people
 * @param of the record that holds it
 * @param field its name there
 * @param figure the figure
 */
public record Input(String owner, String subject, Class<?> of, String field, Figure figure) {

    /** Which figure it is, for people. */
    public String what() {
        return Form.of(of).field(field).label();
    }

    /** Whether another input is the same figure: names for people do not count. */
    @Override
    public boolean equals(@org.jspecify.annotations.Nullable Object other) {
        return other instanceof Input i
                && of == i.of
                && field.equals(i.field)
                && owner.equals(i.owner)
                && figure.equals(i.figure);
    }

    @Override
    public int hashCode() {
        return 31 * owner.hashCode() + field.hashCode();
    }
}
