package boldsatchel.log;

import java.time.LocalDate;

/**
 * Times as loggers write them: a clock ({@code 14:03:22.5}), a date ({@code 2026-11-20}, {@code 20.11.2026}, {@code 20/11/2026}), both, with
 * a zone or without (ISO 8601 and its relatives). Read where they stand; not for several threads.
 */
final class Stamps {

    /** What a cell was. */
    enum Kind {
        /** Neither a date nor a clock. */
        NEITHER,
        /** A day. */
        DATE,
        /** A time of day, or since the start. */
        CLOCK,
        /** Both. */
        BOTH
    }

    private static final int DAY_SECONDS = 86_400;
    private static final int MOST_GROUPS = 8;
    private static final int MOST_DIGITS = 9;
    private static final int LEAST_YEAR = 1970;
    private static final int MOST_YEAR = 2200;

    private final boolean monthFirst;
    private final long[] groups = new long[MOST_GROUPS];
    private final char[] marks = new char[MOST_GROUPS];
    private Kind kind = Kind.NEITHER;
    private String text = "";
    private int at;
    private int to;
    /** The day before in a log is mostly the day again. */
    private long lastDate;

    private long lastDay;

    Stamps(boolean monthFirst) {
        this.monthFirst = monthFirst;
    }

    /** What the last cell was. */
    Kind kind() {
        return kind;
    }

    /** Seconds a cell says, of a date since 1970 in its own zone; NaN where it is neither date nor clock. */
    double of(String whole, int begin, int finish) {
        text = whole;
        at = begin;
        to = finish;
        kind = Kind.NEITHER;
        while (at < to && isAround(text.charAt(at))) {
            at++;
        }
        while (to > at && isAround(text.charAt(to - 1))) {
            to--;
        }
        int count = group();
        if (count < 2) {
            return Double.NaN;
        }
        double days = 0;
        int used = 0;
        boolean dated = marks[0] == '-' || marks[0] == '/' || marks[0] == '.';
        if (dated) {
            days = count < 3 || marks[1] != marks[0] ? Double.NaN : day();
            used = 3;
        }
        double clock = used < count ? clock(used, count) : 0;
        double seconds = days * DAY_SECONDS + clock;
        if (!Double.isNaN(seconds)) {
            kind = !dated ? Kind.CLOCK : used < count ? Kind.BOTH : Kind.DATE;
        }
        return seconds;
    }

    private static boolean isAround(char c) {
        return c == ' ' || c == '"' || c == '\t' || c == '[' || c == ']';
    }

    /** Takes numbers and the marks behind them up to the seconds; how many there are. */
    private int group() {
        int count = 0;
        while (at < to && count < MOST_GROUPS && isDigit(text.charAt(at))) {
            long value = 0;
            int digits = 0;
            while (at < to && isDigit(text.charAt(at))) {
                value = value * 10 + (text.charAt(at) - '0');
                digits++;
                at++;
                if (digits > MOST_DIGITS) {
                    return 0;
                }
            }
            groups[count] = value;
            char mark = at < to ? text.charAt(at) : 0;
            marks[count] = mark;
            count++;
            boolean seconds = count > 2 && marks[count - 2] == ':' && (mark == '.' || mark == ',');
            if (seconds || mark == 0 || !isBetween(mark) || at + 1 >= to || !isDigit(text.charAt(at + 1))) {
                return count;
            }
            at++;
        }
        return count;
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }

    private static boolean isBetween(char c) {
        return c == '-' || c == '/' || c == '.' || c == ':' || c == 'T' || c == ' ' || c == '_';
    }

    private double day() {
        long first = groups[0];
        long second = groups[1];
        long third = groups[2];
        long year = first > 31 ? first : third < 100 ? third + 2000 : third;
        boolean american = marks[0] == '/' && monthFirst;
        long month = first > 31 || !american ? second : first;
        long day = first > 31 ? third : american ? second : first;
        if (year < LEAST_YEAR || year > MOST_YEAR || month > 12) {
            return Double.NaN;
        }
        long date = (year * 100 + month) * 100 + day;
        if (date != lastDate) {
            boolean there = month > 0
                    && day > 0
                    && day <= LocalDate.of((int) year, (int) month, 1).lengthOfMonth();
            if (!there) {
                return Double.NaN;
            }
            lastDay = LocalDate.of((int) year, (int) month, (int) day).toEpochDay();
            lastDate = date;
        }
        return lastDay;
    }

    private double clock(int from, int count) {
        int groupsOfClock = count - from;
        if (groupsOfClock > 3 || (groupsOfClock > 1 && marks[from] != ':')) {
            return Double.NaN;
        }
        if (groupsOfClock > 2 && marks[from + 1] != ':') {
            return Double.NaN;
        }
        double seconds = 0;
        for (int i = from; i < count; i++) {
            seconds = seconds * 60 + groups[i];
        }
        // Hours and minutes, unless a fraction of a second follows.
        boolean fraction = at < to && (text.charAt(at) == '.' || text.charAt(at) == ',');
        double times = groupsOfClock == 1 ? 3600 : groupsOfClock == 2 && !fraction ? 60 : 1;
        return rest(seconds * times);
    }

    /** What stands behind the last whole second: a fraction, before or after noon, a zone. */
    private double rest(double whole) {
        double seconds = whole;
        if (at < to && (text.charAt(at) == '.' || text.charAt(at) == ',')) {
            at++;
            double share = 0.1;
            while (at < to && isDigit(text.charAt(at))) {
                seconds += share * (text.charAt(at) - '0');
                share /= 10;
                at++;
            }
        }
        while (at < to && text.charAt(at) == ' ') {
            at++;
        }
        if (at == to || (text.charAt(at) == 'Z' && at + 1 == to)) {
            return seconds;
        }
        char next = Character.toUpperCase(text.charAt(at));
        if (to - at == 2 && (next == 'A' || next == 'P') && Character.toUpperCase(text.charAt(at + 1)) == 'M') {
            return seconds % (DAY_SECONDS / 2.0) + (next == 'P' ? DAY_SECONDS / 2.0 : 0);
        }
        return next == '+' || next == '-' ? zone(seconds, next == '-') : Double.NaN;
    }

    private double zone(double seconds, boolean west) {
        int hhmm = 0;
        int digits = 0;
        for (at++; at < to; at++) {
            char c = text.charAt(at);
            if (isDigit(c) && digits < 4) {
                hhmm = hhmm * 10 + (c - '0');
                digits++;
            } else if (c != ':' || digits != 2) {
                return Double.NaN;
            }
        }
        int hours = digits > 2 ? hhmm / 100 : hhmm;
        int minutes = digits > 2 ? hhmm % 100 : 0;
        double ahead = hours * 3600.0 + minutes * 60.0;
        return digits == 0 ? Double.NaN : seconds + (west ? ahead : -ahead);
    }
}
