package boldsatchel.heat;

import boldsatchel.fit.FitResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.UseProfile;
import boldsatchel.machine.Usual;
import boldsatchel.power.Breach;
import boldsatchel.power.CellTemperatures;
import boldsatchel.power.Demand;
import boldsatchel.power.Points;
import boldsatchel.power.Running;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Runs profiles of a build from full, charge and temperatures together. */
final class Outing {

    private static final double SECONDS_PER_HOUR = 3600;
    private static final double SECONDS_PER_MINUTE = 60;
    /** Operating points are found anew when so much of the charge is gone. */
    private static final double LEVEL_STEP = 0.01;
    /** The same where the end is that near. */
    private static final double LAST_LEVEL_STEP = 0.0005;
    /** Steps of a run at most; what takes more is followed no further. */
    private static final int MOST_STEPS = 20_000;
    /** Moments told of a run, about. */
    private static final int MOMENTS = 500;
    /** A board that slows down is held at its limit to this, K. */
    private static final double HELD_K = 0.02;

    private static final int MOST_TRIES = 6;
    /** A board this far below its limit is not slowed down yet, K. */
    private static final double BELOW_K = 0.05;

    private final Build build;
    private final Map<Boolean, HeatModel> models = new HashMap<>();
    /** Nodes of the boards that slow down, and the most they may reach. */
    private final Map<Integer, Double> boards = new HashMap<>();
    /** Nodes of the cells by part. */
    private final Map<String, Integer> cells = new HashMap<>();

    private final List<HeatRun.Spot> spots = new ArrayList<>();
    /** The node of each spot that is not watched: the air. */
    private final List<Integer> airs = new ArrayList<>();

    private Outing(Build build, FitResult fit, Set<String> warm) {
        this.build = build;
        boolean closes = build.casing().lid().isPresent();
        for (boolean closed : closes ? new boolean[] {false, true} : new boolean[] {false}) {
            models.put(closed, new HeatModel(build, fit.placed(), warm, closed));
        }
        HeatModel model = model(false);
        for (HeatModel.Watched w : model.watched) {
            spots.add(new HeatRun.Spot(model.places.get(w.node()), w.name(), w.limitC()));
            build.part(w.subject())
                    .filter(p -> w.kind() == HeatResult.Kind.PART)
                    .ifPresent(part -> {
                        if (part.isSource()) {
                            cells.put(part.id(), w.node());
                        }
                        if (slowsDown(part)) {
                            boards.put(w.node(), w.limitC());
                        }
                    });
        }
        for (HeatModel.Room room : model.rooms.values()) {
            spots.add(new HeatRun.Spot(
                    model.places.get(room.air), "Air in " + room.shell.name(), Double.POSITIVE_INFINITY));
            airs.add(room.air);
        }
    }

    /** Whether a part does less rather than get warmer than it may: what computes does. */
    private static boolean slowsDown(Part part) {
        return part.family().computes() && part.facet(Facet.Thermal.class).isPresent();
    }

    /** Of a build; nothing without a case, or without a source of power. */
    static Optional<Outing> of(Build build, FitResult fit, Points points) {
        if (build.casing().shells().isEmpty() || !new Running(build).hasSource()) {
            return Optional.empty();
        }
        Set<String> warm = new HashSet<>();
        points.warmths()
                .forEach(w -> w.steps().forEach(s -> warm.addAll(s.byPart().keySet())));
        return Optional.of(new Outing(build, fit, warm));
    }

    private HeatModel model(boolean closed) {
        return java.util.Objects.requireNonNull(models.get(closed && models.size() > 1));
    }

    /** Everything as warm as the surroundings, but for the cells, which begin as the brief says. */
    private double[] cold() {
        double[] celsius = new double[model(false).network.size()];
        Arrays.fill(celsius, build.brief().surroundings().ambientC());
        cells.values()
                .forEach(node -> celsius[node] = build.brief().surroundings().packC());
        return celsius;
    }

    /** From full until something ends it. */
    HeatRun run(UseProfile profile) {
        return new Run(profile, cold()).run();
    }

    /** One run. */
    private final class Run {
        private final UseProfile profile;
        private final Running running = new Running(build);
        private final Warming warming;
        private final double[] start;
        private final List<HeatRun.Moment> moments = new ArrayList<>();
        private final List<HeatRun.Event> events = new ArrayList<>();
        private final Set<List<Integer>> happened = new HashSet<>();
        private final Map<Boolean, Elimination.Factors> answers = new HashMap<>();
        private double seconds;
        private int steps;
        private double work = 1;
        private Optional<Breach> end = Optional.empty();

        /** What goes on when all is done that is asked for, and when no more is done than waiting. */
        private Running.Moment busy;

        private Optional<Running.Moment> idle = Optional.empty();
        private double levelThen;
        private boolean nearEnd;

        Run(UseProfile profile, double[] start) {
            this.profile = profile;
            this.start = start;
            this.warming = new Warming(start, model(false).network.capacities());
            this.busy = running.at(Demand.of(profile.steps().getFirst()));
        }

        HeatRun run() {
            looks(profile.steps().getFirst());
            tell(0, busy);
            while (end.isEmpty() && goesOn()) {
                for (int k = 0; k < profile.steps().size() && end.isEmpty() && goesOn(); k++) {
                    step(k, profile.steps().get(k));
                }
            }
            double storedJ = 0;
            double[] capacities = model(false).network.capacities();
            for (int i = 1; i < start.length; i++) {
                storedJ += capacities[i] * (warming.celsius()[i] - start[i]);
            }
            return new HeatRun(
                    profile.name(),
                    spots,
                    thinned(),
                    events,
                    end,
                    new HeatRun.Balance(warming.putInJ(), storedJ, warming.givenOffJ()));
        }

        private boolean goesOn() {
            return seconds < HeatRun.MOST_HOURS * SECONDS_PER_HOUR && steps < MOST_STEPS;
        }

        private void step(int k, UseProfile.Step step) {
            HeatModel model = model(step.closed());
            Elimination.Factors room = answers.computeIfAbsent(step.closed(), c -> model.network.factors());
            double left =
                    Math.min(step.minutes() * SECONDS_PER_MINUTE, HeatRun.MOST_HOURS * SECONDS_PER_HOUR - seconds);
            if (profile.steps().size() > 1 || seconds == 0) {
                warming.jolt();
            }
            looks(step);
            while (left > 0 && end.isEmpty() && steps++ < MOST_STEPS) {
                looksAgain(step);
                if (end.isPresent()) {
                    return;
                }
                double quickest = busy.quickest() / SECONDS_PER_HOUR;
                double most = Math.min(left, quickest > 0 ? levelStep() / quickest : left);
                Warming.Step taken = taken(model, room, step, most);
                left = left - taken.seconds < 1e-6 ? 0 : left - taken.seconds;
                happens(model, taken);
                Running.Moment done = done(step, work);
                running.spend(done, taken.seconds / SECONDS_PER_HOUR);
                warming.take(taken);
                seconds += taken.seconds;
                tell(k, done);
            }
        }

        private double levelStep() {
            return nearEnd ? LAST_LEVEL_STEP : LEVEL_STEP;
        }

        /** Takes what goes on in a step of the profile. */
        private void looks(UseProfile.Step step) {
            busy = running.at(Demand.of(step));
            idle = Optional.empty();
            levelThen = running.level();
            if (busy.stop().isPresent()) {
                end = busy.stop();
                events.add(new HeatRun.Event(seconds / SECONDS_PER_HOUR, HeatRun.Kind.END, -1, Double.NaN));
                return;
            }
            double ahead = busy.quickest() > 0 ? 1.5 * LEVEL_STEP / busy.quickest() : 0;
            List<double[]> levels = running.levels();
            running.spend(busy, ahead);
            nearEnd = running.at(Demand.of(step)).stop().isPresent();
            running.back(levels);
        }

        /** The same where charge or cells have changed so much that it matters. */
        private void looksAgain(UseProfile.Step step) {
            Map<String, Double> celsius = new HashMap<>();
            cells.forEach((part, node) -> celsius.put(part, Math.min(Usual.CELLS_MOST_C, warming.celsius()[node])));
            boolean warmed = running.warmed(
                    new CellTemperatures(build.brief().surroundings().packC(), celsius));
            if (warmed || levelThen - running.level() > 0.99 * levelStep()) {
                looks(step);
            }
        }

        /** What goes on where a share of what is asked for is done. */
        private Running.Moment done(UseProfile.Step step, double share) {
            if (share >= 1) {
                return busy;
            }
            if (idle.isEmpty()) {
                idle = Optional.of(running.at(waiting(step)));
            }
            return busy.towards(idle.get(), share);
        }

        private double[] watts(HeatModel model, Running.Moment moment) {
            return model.watts(moment.byPart(), moment.wiresW());
        }

        /** A step, with boards that are at their limit doing so much less that they stay there. */
        private Warming.Step taken(HeatModel model, Elimination.Factors room, UseProfile.Step step, double most) {
            Warming.Step all = warming.tried(model.network, room, watts(model, busy), most);
            int hottest = hottest(all);
            boolean slower = hottest > 0 && waiting(step).mode() != step.mode();
            if (!slower) {
                work = 1;
                return all;
            }
            double limit = boards.getOrDefault(hottest, Double.POSITIVE_INFINITY);
            if (work >= 1 && all.from[hottest] < limit - BELOW_K) {
                double share = all.reaches(hottest, limit);
                return warming.exactly(model.network, room, watts(model, busy), share * all.seconds);
            }
            return slowed(model, room, step, hottest, limit, all);
        }

        private Warming.Step slowed(
                HeatModel model,
                Elimination.Factors room,
                UseProfile.Step step,
                int board,
                double limit,
                Warming.Step all) {
            once(HeatRun.Kind.SLOWS, spotOf(board), seconds, limit);
            Warming.Step none = warming.exactly(model.network, room, watts(model, done(step, 0)), all.seconds);
            double low = 0;
            double lowC = none.to[board];
            double high = 1;
            double highC = all.to[board];
            Warming.Step found = none;
            double share = 0;
            for (int i = 0; i < MOST_TRIES && lowC < limit && Math.abs(found.to[board] - limit) > HELD_K; i++) {
                share = low + (high - low) * (limit - lowC) / (highC - lowC);
                found = warming.exactly(model.network, room, watts(model, done(step, share)), all.seconds);
                if (found.to[board] < limit) {
                    low = share;
                    lowC = found.to[board];
                } else {
                    high = share;
                    highC = found.to[board];
                }
            }
            if (work >= 1) {
                warming.jolt();
            }
            work = share;
            return found;
        }

        /** The board that is furthest beyond its limit at the end of a step; the surroundings where none is. */
        private int hottest(Warming.Step step) {
            int hottest = 0;
            double beyond = HELD_K;
            for (Map.Entry<Integer, Double> board : boards.entrySet()) {
                double here = step.to[board.getKey()] - board.getValue();
                if (here > beyond) {
                    beyond = here;
                    hottest = board.getKey();
                }
            }
            return hottest;
        }

        /** Marks what happens within a step for the first time. */
        private void happens(HeatModel model, Warming.Step step) {
            for (int i = 0; i < model.watched.size(); i++) {
                HeatModel.Watched w = model.watched.get(i);
                if (!boards.containsKey(w.node())) {
                    crosses(HeatRun.Kind.LIMIT, i, w.node(), w.limitC(), step);
                }
                if (cells.containsKey(w.subject()) && w.kind() == HeatResult.Kind.PART) {
                    crosses(HeatRun.Kind.CELLS_WARM, i, w.node(), Usual.CELLS_CHARGED_MOST_C, step);
                }
            }
        }

        private void crosses(HeatRun.Kind kind, int spot, int node, double limit, Warming.Step step) {
            if (step.to[node] >= limit) {
                double share = step.from[node] >= limit ? 0 : step.reaches(node, limit);
                once(kind, spot, seconds + share * step.seconds, limit);
            }
        }

        private void once(HeatRun.Kind kind, int spot, double at, double celsius) {
            if (happened.add(List.of(kind.ordinal(), spot))) {
                events.add(new HeatRun.Event(at / SECONDS_PER_HOUR, kind, spot, celsius));
            }
        }

        private int spotOf(int node) {
            List<HeatModel.Watched> watched = model(false).watched;
            for (int i = 0; i < watched.size(); i++) {
                if (watched.get(i).node() == node) {
                    return i;
                }
            }
            return -1;
        }

        private void tell(int k, Running.Moment done) {
            double[] t = warming.celsius();
            List<Double> celsius = new ArrayList<>(spots.size());
            for (HeatModel.Watched w : model(profile.steps().get(k).closed()).watched) {
                celsius.add(w.celsius(t));
            }
            airs.forEach(node -> celsius.add(t[node]));
            moments.add(
                    new HeatRun.Moment(seconds / SECONDS_PER_HOUR, k, celsius, running.level(), work, done.heatW()));
        }

        /** As many moments as can be told apart; those where the profile goes on to another step are kept. */
        private List<HeatRun.Moment> thinned() {
            double apart = seconds / SECONDS_PER_HOUR / MOMENTS;
            List<HeatRun.Moment> kept = new ArrayList<>();
            for (int i = 0; i < moments.size(); i++) {
                HeatRun.Moment here = moments.get(i);
                boolean turns = i + 1 < moments.size() && moments.get(i + 1).step() != here.step();
                if (kept.isEmpty()
                        || i == moments.size() - 1
                        || turns
                        || here.hours() - kept.getLast().hours() >= apart) {
                    kept.add(here);
                }
            }
            return kept;
        }
    }

    /** What is asked for when a step only waits; the step itself where it asks for no more. */
    private static Demand waiting(UseProfile.Step step) {
        return Demand.of(
                step.mode().compareTo(Mode.IDLE) > 0 ? step.in(Mode.IDLE).running(Optional.empty()) : step);
    }
}
