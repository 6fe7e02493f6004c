package boldsatchel.assembly;

import boldsatchel.cables.Lead;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Purchase;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * When each step can be done by one pair of hands that work some hours a day, with parts in the post and waits (printing, glue, a charge) between.
 * Of the steps that can be done, the first of the plan is done. A step comes after those that touch the same thing, those that a rule of the trade puts
 * before it, and in the case after all that went in before. Parts nobody promised a day for come after {@link #POST_DAYS} days, a guess.
 *
 * @param slots steps that are left, in the order in which they begin
 * @param arrivals parts that are not here, the first first
 * @param today day that it begins on
 * @param finish day on which the last step is over, its wait included; today where nothing is left
 * @param held what keeps it from being over sooner: parts and waits, the last first
 */
public record Schedule(List<Slot> slots, List<Arrival> arrivals, LocalDate today, LocalDate finish, List<String> held) {

    /** What nobody promised a day for comes after so many days; a guess. */
    public static final int POST_DAYS = 14;

    private static final int DAY_MIN = 24 * 60;
    /** Further ahead nothing is looked at, days. */
    private static final int MOST_DAYS = 3650;

    /** Copies the lists. */
    public Schedule {
        slots = List.copyOf(slots);
        arrivals = List.copyOf(arrivals);
        held = List.copyOf(held);
    }

    /**
     * A step and when it is done.
     *
     * @param begins days from today, of the work
     * @param ends days from today, of the work
     * @param ready days from today, when its wait is over
     * @param waitsFor what it had to wait for, in words; empty for what waits for nothing
     */
    public record Slot(Step step, int begins, int ends, int ready, String waitsFor) {
        /** Whether it can be begun today. */
        public boolean isNow() {
            return begins == 0;
        }
    }

    /**
     * A part that is not here.
     *
     * @param day days from today when it comes
     * @param guessed whether nobody promised that day
     */
    public record Arrival(String part, int day, boolean guessed) {}

    /**
     * Looks ahead.
     *
     * @param leads what is led from part to part
     * @param done ids of steps that are done
     * @param hoursADay of work, more than 0
     */
    public static Schedule of(
            Build build, Plan plan, List<Lead> leads, Set<String> done, LocalDate today, double hoursADay) {
        return new Ahead(build, plan, leads, done, today, Math.max(5, hoursADay * 60)).schedule();
    }

    /** Days until a part that is not here comes. */
    private static Arrival arrival(Part part, LocalDate today) {
        Optional<LocalDate> due = part.standing() == Part.Standing.ORDERED
                ? part.purchase().order().flatMap(Purchase.Order::due)
                : Optional.empty();
        if (due.isPresent()) {
            // What is late may come any day: tomorrow.
            long days = due.get().toEpochDay() - today.toEpochDay();
            return new Arrival(part.id(), Math.clamp(days, 1, MOST_DAYS), days < 1);
        }
        int days = part.purchase().quotes().stream()
                .mapToInt(Purchase.Quote::days)
                .min()
                .orElse(POST_DAYS);
        return new Arrival(part.id(), Math.clamp(days, 1, MOST_DAYS), true);
    }

    /** The work of looking ahead. Time runs in minutes; each day begins with the hours of work. */
    private static final class Ahead {
        private final Build build;
        private final List<Step> steps = new ArrayList<>();
        private final List<Lead> leads;
        private final LocalDate today;
        private final double dayMinutes;
        private final Map<String, Arrival> arrivals = new HashMap<>();
        /** When each step is ready, its wait included; those that were done before are at once. */
        private final Map<String, Double> ready = new HashMap<>();
        /** What each step waited for last: the step before it, or a part. */
        private final Map<String, String> because = new HashMap<>();

        private final Map<String, Set<String>> needs = new HashMap<>();

        Ahead(Build build, Plan plan, List<Lead> leads, Set<String> done, LocalDate today, double dayMinutes) {
            this.build = build;
            this.leads = leads;
            this.today = today;
            this.dayMinutes = dayMinutes;
            for (Step step : plan.steps()) {
                if (done.contains(step.id())) {
                    ready.put(step.id(), 0.0);
                } else {
                    steps.add(step);
                }
            }
            for (Part part : build.parts().list()) {
                if (!part.standing().here()) {
                    arrivals.put(part.id(), arrival(part, today));
                }
            }
            for (int i = 0; i < plan.steps().size(); i++) {
                needs.put(plan.steps().get(i).id(), needs(plan.steps(), i));
            }
        }

        /** Earlier steps that a step comes after. */
        private Set<String> needs(List<Step> all, int index) {
            Step step = all.get(index);
            Set<String> touched = touched(step);
            boolean inside = step.phase() != Step.Phase.TABLE;
            Set<String> before = new LinkedHashSet<>();
            for (Step other : all.subList(0, index)) {
                Set<String> shared = touched(other);
                shared.retainAll(touched);
                boolean ruled = Trade.known().rules().stream()
                        .anyMatch(r -> other.traits().contains(r.first())
                                && step.traits().contains(r.then()));
                if (!shared.isEmpty() || ruled || (inside && other.phase() != Step.Phase.TABLE)) {
                    before.add(other.id());
                }
            }
            return before;
        }

        /** Parts, trays and leads of a step, and the parts that its leads join. */
        private Set<String> touched(Step step) {
            Set<String> touched = new HashSet<>(step.subjects());
            step.groups().forEach(g -> touched.addAll(g.parts()));
            for (Lead lead : leads) {
                if (step.subjects().contains(lead.id())) {
                    touched.add(lead.one().part());
                    touched.add(lead.other().part());
                }
            }
            return touched;
        }

        Schedule schedule() {
            List<Slot> slots = new ArrayList<>();
            List<Step> left = new ArrayList<>(steps);
            double now = 0;
            while (!left.isEmpty() && now < (double) MOST_DAYS * DAY_MIN) {
                double at = now;
                Optional<Step> next =
                        left.stream().filter(s -> earliest(s) <= at + 1e-9).findFirst();
                if (next.isEmpty()) {
                    now = working(
                            left.stream().mapToDouble(this::earliest).min().orElse(Double.POSITIVE_INFINITY));
                    continue;
                }
                Step step = next.get();
                String waited = waits(step);
                double end = worked(now, step.minutes());
                double over = end + step.waitMinutes();
                ready.put(step.id(), over);
                slots.add(new Slot(step, day(now), day(end), day(over), waited));
                left.remove(step);
                now = working(end);
            }
            int finish = slots.stream().mapToInt(Slot::ready).max().orElse(0);
            List<Arrival> coming = new ArrayList<>(arrivals.values());
            coming.sort(
                    (a, b) -> a.day() == b.day() ? a.part().compareTo(b.part()) : Integer.compare(a.day(), b.day()));
            return new Schedule(slots, coming, today, today.plusDays(finish), held(slots));
        }

        private static int day(double minutes) {
            return (int) Math.floor(minutes / DAY_MIN + 1e-9);
        }

        /** The next time at which somebody works. */
        private double working(double from) {
            if (Double.isInfinite(from)) {
                return from;
            }
            double into = from - (double) day(from) * DAY_MIN;
            return into < dayMinutes - 1e-9 ? from : (double) (day(from) + 1) * DAY_MIN;
        }

        /** When work of so many minutes is over that begins at a time. */
        private double worked(double from, double minutes) {
            double at = working(from);
            double left = minutes;
            while (true) {
                double today = dayMinutes - (at - (double) day(at) * DAY_MIN);
                if (left <= today + 1e-9) {
                    return at + left;
                }
                left -= today;
                at = (double) (day(at) + 1) * DAY_MIN;
            }
        }

        /** When a step could begin by what it needs; without end while that is not known. */
        private double earliest(Step step) {
            double at = 0;
            for (String need : needs.getOrDefault(step.id(), Set.of())) {
                double over = ready.getOrDefault(need, Double.POSITIVE_INFINITY);
                if (over > at) {
                    at = over;
                    because.put(step.id(), need);
                }
            }
            for (String part : touched(step)) {
                Arrival arrival = arrivals.get(part);
                if (arrival != null && (double) arrival.day() * DAY_MIN > at) {
                    at = (double) arrival.day() * DAY_MIN;
                    because.put(step.id(), part);
                }
            }
            return at;
        }

        /** What a step had to wait for. */
        private String waits(Step step) {
            return earliest(step) <= 0 ? "" : told(because.getOrDefault(step.id(), ""));
        }

        private String told(String id) {
            Arrival arrival = arrivals.get(id);
            if (arrival != null) {
                return Wording.name(build, id) + ", which is not here";
            }
            return steps.stream()
                    .filter(s -> s.id().equals(id))
                    .findFirst()
                    .map(Step::words)
                    .orElse(id);
        }

        /** From the step that is over last back through what each waited for: parts in the post, and steps that are followed by a long wait. */
        private List<String> held(List<Slot> slots) {
            List<String> held = new ArrayList<>();
            Optional<Slot> last = slots.stream().reduce((a, b) -> b.ready() > a.ready() ? b : a);
            Set<String> seen = new HashSet<>();
            String at = last.map(s -> s.step().id()).orElse("");
            while (!at.isEmpty() && seen.add(at)) {
                String id = at;
                if (arrivals.containsKey(id)) {
                    held.add(told(id));
                    break;
                }
                steps.stream()
                        .filter(s -> s.id().equals(id) && s.waitMinutes() >= 60)
                        .forEach(s -> held.add("the wait after “" + s.words() + "”"));
                at = because.getOrDefault(id, "");
            }
            return held;
        }
    }
}
