package boldsatchel.log;

/** Numbers as instruments write them, read where they stand. */
final class Numbers {

    /** More digits than this do not fit into the exact part of a double. */
    private static final int EXACT_DIGITS = 15;

    private static final int EXACT_POWER = 22;
    private static final double[] POWERS = new double[EXACT_POWER + 1];

    static {
        POWERS[0] = 1;
        for (int i = 1; i < POWERS.length; i++) {
            POWERS[i] = 10 * POWERS[i - 1];
        }
    }

    private final char decimal;

    Numbers(char decimal) {
        this.decimal = decimal;
    }

    /** The number a cell is; NaN where it is none. */
    double of(String text, int begin, int finish) {
        int from = begin;
        int to = finish;
        while (from < to && isAround(text.charAt(from))) {
            from++;
        }
        while (to > from && isAround(text.charAt(to - 1))) {
            to--;
        }
        int at = from;
        boolean minus = at < to && (text.charAt(at) == '-' || text.charAt(at) == '−');
        at += at < to && (minus || text.charAt(at) == '+') ? 1 : 0;
        long digits = 0;
        int count = 0;
        int behind = 0;
        boolean fraction = false;
        boolean any = false;
        while (at < to) {
            char c = text.charAt(at);
            if (c >= '0' && c <= '9') {
                any = true;
                if (count < EXACT_DIGITS || digits == 0) {
                    digits = digits * 10 + (c - '0');
                    count += digits == 0 ? 0 : 1;
                    behind += fraction ? 1 : 0;
                } else {
                    return slowly(text, from, to);
                }
            } else if (c == decimal && !fraction) {
                fraction = true;
            } else if (any && (c == 'e' || c == 'E')) {
                return slowly(text, from, to);
            } else if (!isGroup(c, fraction, text, at, to)) {
                return Double.NaN;
            }
            at++;
        }
        if (!any || behind > EXACT_POWER) {
            return any ? slowly(text, from, to) : Double.NaN;
        }
        double value = digits / POWERS[behind];
        return minus ? -value : value;
    }

    private static boolean isAround(char c) {
        return c == ' ' || c == '"' || c == '\t' || c == '\u00a0';
    }

    /** Marks between thousands: the other of point and comma, an apostrophe or a narrow space, with three digits behind it. */
    private boolean isGroup(char c, boolean fraction, String text, int at, int to) {
        boolean mark = c == (decimal == '.' ? ',' : '.') || c == '\'' || c == '\u00a0' || c == '\u202f';
        if (!mark || fraction || at + 3 >= to) {
            return false;
        }
        for (int i = 1; i <= 3; i++) {
            if (!Character.isDigit(text.charAt(at + i))) {
                return false;
            }
        }
        return at + 4 >= to || !Character.isDigit(text.charAt(at + 4));
    }

    private double slowly(String text, int from, int to) {
        StringBuilder plain = new StringBuilder(to - from);
        for (int i = from; i < to; i++) {
            char c = text.charAt(i);
            if (c == decimal) {
                plain.append('.');
            } else if (c == '−') {
                plain.append('-');
            } else if ((c >= '0' && c <= '9') || c == '-' || c == '+' || c == 'e' || c == 'E') {
                plain.append(c);
            } else if (c != '\'' && c != '.' && c != ',') {
                return Double.NaN;
            }
        }
        try {
            double value = Double.parseDouble(plain.toString());
            return Double.isFinite(value) ? value : Double.NaN;
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }
}
