package boldsatchel.log;

import java.util.ArrayList;
import java.util.List;

/** The cells of a line: RFC 4180 quotes, any separator; a space stands for any number of spaces. */
final class Cells {

    private final char separator;

    Cells(char separator) {
        this.separator = separator;
    }

    /** All cells of a line, without the spaces around them; of a line that has more than a log may, one more than it may. */
    List<String> of(String text, int from, int end) {
        List<String> cells = new ArrayList<>();
        int at = start(text, from, end);
        while (at <= end && cells.size() <= LogReader.MOST_COLUMNS) {
            int to = end(text, at, end);
            cells.add(plain(text, at, to));
            at = next(text, to, end);
        }
        return cells;
    }

    /** Where the first cell of a line begins. */
    int start(String text, int from, int end) {
        int at = from;
        while (separator == ' ' && at < end && text.charAt(at) == ' ') {
            at++;
        }
        return at;
    }

    /** Where a cell ends. */
    int end(String text, int from, int end) {
        int at = from;
        if (at < end && text.charAt(at) == '"') {
            at++;
            while (at < end && (text.charAt(at) != '"' || (at + 1 < end && text.charAt(at + 1) == '"'))) {
                at += text.charAt(at) == '"' ? 2 : 1;
            }
        }
        while (at < end && text.charAt(at) != separator) {
            at++;
        }
        return Math.min(at, end);
    }

    /** Where the next cell begins after one that ends; behind the line where there is none. */
    int next(String text, int to, int end) {
        if (to >= end) {
            return end + 1;
        }
        int at = to + 1;
        if (separator == ' ') {
            at = start(text, at, end);
            return at == end ? end + 1 : at;
        }
        return at;
    }

    /** What a cell says, without quotes. */
    static String plain(String text, int from, int to) {
        String cell = text.substring(from, to).strip();
        return cell.length() > 1 && cell.startsWith("\"") && cell.endsWith("\"")
                ? cell.substring(1, cell.length() - 1).replace("\"\"", "\"").strip()
                : cell;
    }
}
