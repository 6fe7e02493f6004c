package boldsatchel.log;

import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;

/**
 * How the text of a log is read.
 *
 * @param separator between cells; a space stands for any number of them
 * @param decimal point or comma
 * @param firstLine with values, counted from one
 * @param monthFirst whether dates with slashes begin with the month
 * @param columns from the left
 */
public record Layout(char separator, char decimal, int firstLine, boolean monthFirst, List<Column> columns) {

    /** What a column is taken for. */
    public enum Role {
        /** When it was read. */
        TIME("time"),
        /** Something read. */
        VALUE("reading"),
        /** Not taken. */
        LEFT_OUT("left out");

        private final String words;

        Role(String words) {
            this.words = words;
        }

        /** For people. */
        public String words() {
            return words;
        }
    }

    /**
     * A column.
     *
     * @param name from the line above the values
     * @param role what it is taken for
     * @param quantity what it measures; of a time in plain numbers {@link Quantity#SHORT_TIME}
     * @param factor from what is written to the stored unit
     */
    public record Column(String name, Role role, Quantity quantity, double factor) {
        /** The same, taken for something else. */
        public Column as(Role newRole, Quantity newQuantity, double newFactor) {
            return new Column(name, newRole, newQuantity, newFactor);
        }
    }

    /** Copies the list. */
    public Layout {
        columns = List.copyOf(columns);
    }

    /** The same with one column read otherwise. */
    public Layout with(int column, Column by) {
        List<Column> changed = new ArrayList<>(columns);
        changed.set(column, by);
        return new Layout(separator, decimal, firstLine, monthFirst, changed);
    }
}
