package boldsatchel.drawing;

import boldsatchel.assembly.Schedule;
import boldsatchel.assembly.Wording;
import boldsatchel.drawing.Mark.Align;
import boldsatchel.drawing.Mark.Point;
import boldsatchel.machine.Build;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;

/** Parts in the post, work and waits on one line of time, a row each. */
public final class ScheduleDrawing {

    private static final double NAMES = 0.44;
    private static final double ROW = 1.75;
    private static final int MOST_TICKS = 10;
    private static final List<String> MONTHS =
            List.of("Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec");

    private final List<Mark> marks = new ArrayList<>();
    private final double letter;
    private final double left;
    private final double day;
    private double y;

    private ScheduleDrawing(Room room, int days) {
        letter = room.letter();
        left = room.width() * NAMES;
        day = (room.width() - left - letter) / Math.max(1, days);
        y = 2.4 * letter;
    }

    /** As wide as its room, as high as it takes. */
    public static Drawing of(Build build, Schedule schedule, Room room) {
        int days = Math.max(
                1, (int) (schedule.finish().toEpochDay() - schedule.today().toEpochDay()) + 1);
        ScheduleDrawing drawing = new ScheduleDrawing(room, days);
        int rows = schedule.arrivals().size() + schedule.slots().size();
        double high = (2.4 + rows * ROW + 1) * drawing.letter;
        drawing.days(schedule.today(), days, high);
        for (Schedule.Arrival arrival : schedule.arrivals()) {
            drawing.row(Wording.name(build, arrival.part())
                    + (arrival.guessed() ? ", if ordered today (guess)" : ", in the post"));
            drawing.bar(0, arrival.day(), Ink.SOFT, true);
            drawing.y += ROW * drawing.letter;
        }
        for (Schedule.Slot slot : schedule.slots()) {
            drawing.row(slot.step().words());
            drawing.bar(slot.begins(), slot.ends() + 1, slot.isNow() ? Ink.ACCENT : Ink.INK, false);
            if (slot.ready() > slot.ends()) {
                drawing.bar(slot.ends() + 1, slot.ready(), Ink.SOFT, true);
            }
            drawing.y += ROW * drawing.letter;
        }
        return new Drawing("Schedule", room.width(), high, 0, 0, drawing.marks);
    }

    private void days(LocalDate today, int days, double high) {
        int step = Math.max(1, (days + MOST_TICKS - 1) / MOST_TICKS);
        for (int d = 0; d <= days; d += step) {
            double x = left + d * day;
            marks.add(new Mark.Line(
                    List.of(new Point(x, 1.6 * letter), new Point(x, high)), false, 0.5, false, Ink.FAINT, ""));
            if (d < days) {
                LocalDate on = today.plusDays(d);
                marks.add(Mark.Text.free(
                        new Point(x + 2, 1.2 * letter),
                        letter * 0.9,
                        Align.LEFT,
                        d == 0,
                        Ink.SOFT,
                        d == 0 ? "today" : on.getDayOfMonth() + " " + MONTHS.get(on.getMonthValue() - 1),
                        ""));
            }
        }
    }

    private void row(String words) {
        marks.add(
                new Mark.Text(new Point(0, y + letter), letter, Align.LEFT, false, Ink.INK, words, left - letter, ""));
    }

    /** Work is full, waiting is an outline, so that both are told apart without colour. */
    private void bar(double from, double to, Ink ink, boolean waiting) {
        double x0 = left + from * day;
        double x1 = Math.max(x0 + 2, left + to * day - 1);
        double top = y + 0.2 * letter;
        double bottom = y + letter * 1.2;
        List<Point> corners =
                List.of(new Point(x0, top), new Point(x1, top), new Point(x1, bottom), new Point(x0, bottom));
        marks.add(waiting ? new Mark.Line(corners, true, 1, true, ink, "") : new Mark.Fill(corners, ink, 1, ""));
    }
}
