package boldsatchel.sheet;

import java.util.List;

/**
 * A table to print, or to open in a spreadsheet.
 *
 * @param id as files call it
 * @param title for people
 * @param note what it leaves out or takes for granted; may be empty
 * @param columns their heads
 * @param shares of the width that the columns take
 * @param rows as many cells each as there are columns
 */
public record Table(
        String id, String title, String note, List<String> columns, List<Integer> shares, List<List<String>> rows) {

    /** Copies the lists; refuses rows that are longer or shorter than the heads. */
    public Table {
        columns = List.copyOf(columns);
        shares = List.copyOf(shares);
        rows = rows.stream().map(List::copyOf).toList();
        for (List<String> row : rows) {
            if (row.size() != columns.size()) {
                throw new IllegalArgumentException("a row of “" + title + "” has " + row.size() + " cells");
            }
        }
        if (shares.size() != columns.size()) {
            throw new IllegalArgumentException("“" + title + "” has " + shares.size() + " widths");
        }
    }
}
