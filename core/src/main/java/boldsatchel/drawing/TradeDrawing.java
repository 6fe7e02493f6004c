package boldsatchel.drawing;

import boldsatchel.arrange.Reading;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.verdict.Evaluation;
import java.util.ArrayList;
import java.util.List;

/** Two numbers of several arrangements against one another: who is better in one, and what it costs in the other. Better is always to the right and above. */
public final class TradeDrawing {

    private static final double WIDTH = 74;
    private static final double HEIGHT = 46;
    private static final double LEFT = 12;
    private static final double BELOW = 12;
    private static final double TEXT = 3;
    private static final double DOT = 2.6;
    /** A number that would lie on another is put beside it: so many ways round, some rounds farther out. */
    private static final int ROUND = 8;

    private static final int TURNS = 3 * ROUND;
    private static final double ASIDE = 1.9;
    /** Left beside the outermost, as a share. */
    private static final double BESIDE = 0.12;

    private final Reading across;
    private final Reading up;
    private final double[] lowX;
    private final double[] lowY;

    private TradeDrawing(Reading across, Reading up, List<Evaluation> all) {
        this.across = across;
        this.up = up;
        lowX = range(across, all);
        lowY = range(up, all);
    }

    /** From the worst to the best, with a little beside. */
    private static double[] range(Reading reading, List<Evaluation> all) {
        double[] values = all.stream()
                .mapToDouble(e -> better(reading, e))
                .filter(Double::isFinite)
                .sorted()
                .toArray();
        double low = values.length == 0 ? 0 : values[0];
        double high = values.length == 0 ? 1 : values[values.length - 1];
        double beside = high > low ? BESIDE * (high - low) : Math.max(1, Math.abs(low) * BESIDE);
        return new double[] {low - beside, high + beside};
    }

    /** The value, negated where less is better. */
    private static double better(Reading reading, Evaluation evaluation) {
        double value = reading.of().applyAsDouble(evaluation);
        return reading.moreIsBetter() ? value : -value;
    }

    /** The name that a proposal's dot is pointed at by. */
    public static String subject(int proposal) {
        return "proposal-" + (proposal + 1);
    }

    /**
     * The picture.
     *
     * @param was the build as it is, an empty square
     * @param proposals numbered from 1
     * @param chosen which of them is pointed out, −1 for none
     */
    public static Drawing of(Evaluation was, List<Evaluation> proposals, Reading across, Reading up, int chosen) {
        List<Evaluation> all = new ArrayList<>(proposals);
        all.add(was);
        TradeDrawing drawing = new TradeDrawing(across, up, all);
        Sketch s = new Sketch(-LEFT, HEIGHT + TEXT);
        drawing.frame(s);
        double x = drawing.x(was);
        double y = drawing.y(was);
        s.frame(x - DOT, y - DOT, 2 * DOT, 2 * DOT, 0.5, false, Ink.INK, "");
        boolean isLow = y < 2 * DOT + TEXT;
        s.text(x, isLow ? y + DOT + 0.6 : y - 2 * DOT - 0.4, TEXT, Align.CENTRE, false, Ink.INK, "as it is", "");
        List<Dot> dots = drawing.dots(proposals);
        dots.forEach(d -> d.leader(s));
        dots.stream().filter(d -> d.number != chosen).forEach(d -> d.drawn(s, false));
        dots.stream().filter(d -> d.number == chosen).forEach(d -> d.drawn(s, true));
        return s.done(up.title() + " against " + across.title(), WIDTH + LEFT + TEXT, HEIGHT + BELOW + TEXT);
    }

    private double x(Evaluation e) {
        return place(better(across, e), lowX, WIDTH);
    }

    private double y(Evaluation e) {
        return place(better(up, e), lowY, HEIGHT);
    }

    private static double place(double value, double[] range, double length) {
        double share = (value - range[0]) / (range[1] - range[0]);
        return Double.isFinite(share) ? Math.clamp(share, 0, 1) * length : 0;
    }

    private void frame(Sketch s) {
        s.line(0, 0, WIDTH, 0, 0.35, false, Ink.SOFT, "");
        s.line(0, 0, 0, HEIGHT, 0.35, false, Ink.SOFT, "");
        s.line(WIDTH - 1.6, 0.8, WIDTH, 0, 0.35, false, Ink.SOFT, "");
        s.line(WIDTH - 1.6, -0.8, WIDTH, 0, 0.35, false, Ink.SOFT, "");
        s.line(-0.8, HEIGHT - 1.6, 0, HEIGHT, 0.35, false, Ink.SOFT, "");
        s.line(0.8, HEIGHT - 1.6, 0, HEIGHT, 0.35, false, Ink.SOFT, "");
        limit(s, across, lowX, WIDTH, true);
        limit(s, up, lowY, HEIGHT, false);
        ends(s);
        s.text(WIDTH, -BELOW + TEXT, TEXT, Align.RIGHT, true, Ink.INK, across.title() + ", better to the right", "");
        s.text(2, HEIGHT - 0.5, TEXT, Align.LEFT, true, Ink.INK, up.title() + ", better above", "");
    }

    private void limit(Sketch s, Reading reading, double[] range, double length, boolean upright) {
        reading.limit().ifPresent(limit -> {
            double value = reading.moreIsBetter() ? limit : -limit;
            if (value > range[0] && value < range[1]) {
                double at = place(value, range, length);
                if (upright) {
                    s.line(at, 0, at, HEIGHT, 0.25, true, Ink.STOP, "");
                    s.text(
                            at,
                            HEIGHT - 2 * TEXT,
                            TEXT,
                            Align.CENTRE,
                            false,
                            Ink.STOP,
                            reading.words().apply(limit),
                            "");
                } else {
                    s.line(0, at, WIDTH, at, 0.25, true, Ink.STOP, "");
                    s.text(
                            WIDTH,
                            at + 0.8,
                            TEXT,
                            Align.RIGHT,
                            false,
                            Ink.STOP,
                            reading.words().apply(limit),
                            "");
                }
            }
        });
    }

    /** The worst and the best value at the ends of each axis. */
    private void ends(Sketch s) {
        for (int end = 0; end < 2; end++) {
            double share = end == 0 ? BESIDE / (1 + 2 * BESIDE) : (1 + BESIDE) / (1 + 2 * BESIDE);
            double x = lowX[0] + share * (lowX[1] - lowX[0]);
            double y = lowY[0] + share * (lowY[1] - lowY[0]);
            s.text(
                    share * WIDTH,
                    -TEXT - 1,
                    TEXT,
                    Align.CENTRE,
                    false,
                    Ink.SOFT,
                    across.words().apply(across.moreIsBetter() ? x : -x),
                    "");
            s.text(
                    -1,
                    share * HEIGHT - TEXT / 3,
                    TEXT,
                    Align.RIGHT,
                    false,
                    Ink.SOFT,
                    up.words().apply(up.moreIsBetter() ? y : -y),
                    "");
        }
    }

    /** Each where it belongs, or beside that where another one is. */
    private List<Dot> dots(List<Evaluation> proposals) {
        List<Dot> dots = new ArrayList<>();
        for (int i = 0; i < proposals.size(); i++) {
            double x = x(proposals.get(i));
            double y = y(proposals.get(i));
            Dot dot = new Dot(i, x, y, x, y);
            for (int turn = 0; turn < TURNS && dots.stream().anyMatch(dot::hides); turn++) {
                double way = 2 * Math.PI * turn / ROUND;
                double off = ASIDE * DOT * (1 + turn / ROUND);
                dot = new Dot(i, x, y, x + off * Math.cos(way), y + off * Math.sin(way));
            }
            dots.add(dot);
        }
        return dots;
    }

    /**
     * A proposal's number.
     *
     * @param x where it belongs
     * @param atX where it is drawn
     */
    private record Dot(int number, double x, double y, double atX, double atY) {

        boolean hides(Dot other) {
            return Math.hypot(atX - other.atX, atY - other.atY) < 1.7 * DOT;
        }

        void leader(Sketch s) {
            s.line(x, y, atX, atY, 0.3, false, Ink.ACCENT, "");
        }

        void drawn(Sketch s, boolean chosen) {
            String subject = subject(number);
            List<Mark.Point> round = new ArrayList<>();
            double radius = chosen ? DOT * 1.25 : DOT;
            for (int i = 0; i < 24; i++) {
                double angle = 2 * Math.PI * i / 24;
                round.add(s.point(atX + radius * Math.cos(angle), atY + radius * Math.sin(angle)));
            }
            s.polygon(round, chosen ? Ink.ACCENT : Ink.PAPER, 1, subject);
            s.outline(round, chosen ? 0.6 : 0.4, false, Ink.ACCENT, subject);
            s.text(
                    atX,
                    atY - TEXT / 3,
                    TEXT,
                    Align.CENTRE,
                    chosen,
                    chosen ? Ink.PAPER : Ink.ACCENT,
                    String.valueOf(number + 1),
                    subject);
        }
    }
}
