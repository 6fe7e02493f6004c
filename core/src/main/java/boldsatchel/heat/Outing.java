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
import boldsatchel.power.Charge;
import boldsatchel.power.Demand;
import boldsatchel.power.Points;
import boldsatchel.power.Running;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.DoubleFunction;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Runs profiles of a build from full, charge and temperatures together. */
final class Outing {

    private static final double SECONDS_PER_HOUR = 3600;
    private static final double SECONDS_PER_MINUTE = 60;
    /** Operating points are found anew when so much of the charge is gone. */
    private static final double LEVEL_STEP = 0.01;
    /** The same where the end is that near. */
    private static final double LAST_LEVEL_STEP = 0.0005;
    /** Steps of a run at most; what takes more is followed no further. */
    private static final int MOST_STEPS = 4_000;
    /** Cycles shorter than this are run with their mean: no temperature that is told follows them, min. */
    private static final double SHORT_MINUTES = 2;
    /** Moments told of a run, about. */
    private static final int MOMENTS = 500;
    /** A board that slows down is held at its limit to this, K. */
    private static final double HELD_K = 0.02;

    /** Cycles without end that change no more than this in an hour or more have settled, K. */
    private static final double SETTLED_K = 0.05;

    private static final int MOST_TRIES = 8;
    private static final int MOST_GUESSES = 40;
    /** A board this far below its limit is not slowed down yet, K. */
    private static final double BELOW_K = 0.05;

    private final Build build;
    private final boolean plugged;
    /** Ids of what is charged meanwhile. */
    private final Set<String> charged;

    private final FitResult fit;
    /** Ids of parts that some use warms. */
    private final Set<String> warm = new HashSet<>();

    private final boolean closes;
    private final List<Switched> switched;
    private final Map<Stand, HeatModel> models = new HashMap<>();
    private final Map<Boolean, Fanned> fanned = new HashMap<>();
    /** Nodes of the boards that slow down, and the most they may reach. */
    private final Map<Integer, Double> boards = new HashMap<>();
    /** Nodes of the cells by part. */
    private final Map<String, Integer> cells = new HashMap<>();

    private final List<HeatRun.Spot> spots = new ArrayList<>();
    /** The node of each spot that is not watched: the air. */
    private final List<Integer> airs = new ArrayList<>();

    /**
     * How it stands.
     *
     * @param standing ids of fans that do not run
     */
    private record Stand(boolean closed, Set<String> standing) {}

    private Outing(Build build, FitResult fit, Points points, boolean plugged) {
        this.build = build;
        this.fit = fit;
        this.plugged = plugged;
        this.charged =
                plugged ? points.charges().stream().map(Charge.Result::store).collect(Collectors.toSet()) : Set.of();
        points.warmths()
                .forEach(w -> w.steps().forEach(s -> warm.addAll(s.byPart().keySet())));
        closes = build.casing().lid().isPresent();
        HeatModel model = model(false);
        switched = Switched.of(build).stream()
                .filter(s -> model.node(s.watches()).isPresent())
                .toList();
        for (HeatModel.Watched w : model.watched) {
            spots.add(new HeatRun.Spot(model.places.get(w.node()), w.name(), limit(w)));
            build.part(w.subject())
                    .filter(p -> w.kind() == HeatResult.Kind.PART)
                    .ifPresent(part -> {
                        if (part.isSource()) {
                            cells.put(part.id(), w.node());
                        }
                        if (slowsDown(part)) {
                            boards.put(w.node(), limit(w));
                        }
                    });
        }
        for (HeatRoom room : model.rooms.values()) {
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
    static Optional<Outing> of(Build build, FitResult fit, Points points, boolean plugged) {
        if (build.casing().shells().isEmpty() || !running(build, plugged).hasSource()) {
            return Optional.empty();
        }
        return Optional.of(new Outing(build, fit, points, plugged));
    }

    /** What a spot may reach; what is charged may get less warm. */
    private double limit(HeatModel.Watched spot) {
        return model(false).limitC(spot, charged);
    }

    private static Running running(Build build, boolean plugged) {
        return plugged ? Running.plugged(build) : Running.full(build);
    }

    private HeatModel model(boolean closed) {
        return model(closed, Set.of());
    }

    private HeatModel model(boolean closed, Set<String> standing) {
        return models.computeIfAbsent(
                new Stand(closed && closes, standing),
                s -> new HeatModel(build, fit.placed(), warm, s.closed(), s.standing()));
    }

    /** Fans on their way through time. */
    private final class Fans {
        private Set<String> standing = switched.stream().map(Switched::fan).collect(Collectors.toUnmodifiableSet());

        HeatModel model(boolean closed) {
            return Outing.this.model(closed, standing);
        }

        /**
         * So much of a step as goes until the first fan starts or stops.
         *
         * @param again takes a step of so many seconds
         */
        Warming.Step until(Warming.Step step, DoubleFunction<Warming.Step> again) {
            Warming.Step there = step;
            for (int i = 0; i < MOST_TRIES; i++) {
                double first = 1;
                for (Switched s : switched) {
                    if (turns(s, there.to, HELD_K)) {
                        int node = node(s);
                        int way = standing.contains(s.fan()) ? 1 : -1;
                        double at = way > 0 ? s.onC() : s.offC();
                        first = Math.min(first, there.reaches(t -> way * t[node], way * at));
                    }
                }
                if (first >= 1) {
                    break;
                }
                there = again.apply(first * there.seconds);
            }
            return there;
        }

        /** Starts and stops those that do at some temperatures; returns the first that started. */
        Optional<Switched> turn(double[] celsius) {
            Set<String> after = new HashSet<>(standing);
            Optional<Switched> started = Optional.empty();
            for (Switched s : switched) {
                if (turns(s, celsius, -HELD_K)) {
                    if (standing.contains(s.fan())) {
                        after.remove(s.fan());
                        started = started.or(() -> Optional.of(s));
                    } else {
                        after.add(s.fan());
                    }
                }
            }
            standing = Set.copyOf(after);
            return started;
        }

        private boolean turns(Switched s, double[] celsius, double byK) {
            double here = celsius[node(s)];
            return standing.contains(s.fan()) ? here >= s.onC() + byK : here < s.offC() - byK;
        }

        private int node(Switched s) {
            return Outing.this.model(false).node(s.watches()).orElseThrow();
        }
    }

    /** Everything as warm as the surroundings, but for the cells, which begin as the brief says. */
    private double[] cold() {
        double[] celsius = new double[model(false).network.size()];
        Arrays.fill(celsius, build.brief().surroundings().ambientC());
        cells.values()
                .forEach(node -> celsius[node] = build.brief().surroundings().packC());
        return celsius;
    }

    /**
     * What goes on for a time before it changes: a step of the profile, or all of them where they follow one another so quickly that only their mean
     * is felt.
     */
    private record Leg(List<UseProfile.Step> steps, double seconds) {

        static List<Leg> of(UseProfile profile) {
            List<UseProfile.Step> steps = profile.steps();
            boolean alike =
                    steps.stream().allMatch(s -> s.closed() == steps.getFirst().closed());
            return profile.minutes() < SHORT_MINUTES && alike
                    ? List.of(new Leg(steps, SECONDS_PER_HOUR))
                    : steps.stream()
                            .map(s -> new Leg(List.of(s), s.minutes() * SECONDS_PER_MINUTE))
                            .toList();
        }

        boolean closed() {
            return steps.getFirst().closed();
        }

        /** Whether it can do less than is asked. */
        boolean canWait() {
            return steps.stream().anyMatch(s -> waiting(s).mode() != s.mode());
        }

        /** What goes on at a demand of each step, the mean over their time. */
        Running.Moment at(Running running, Function<UseProfile.Step, Demand> demand) {
            double minutes = 0;
            Optional<Running.Moment> mean = Optional.empty();
            for (UseProfile.Step step : steps) {
                Running.Moment here = running.at(demand.apply(step));
                minutes += step.minutes();
                double share = step.minutes() / minutes;
                mean = Optional.of(mean.map(m -> here.towards(m, share)).orElse(here));
            }
            return mean.orElseThrow();
        }
    }

    /** From full until something ends it. */
    HeatRun run(UseProfile profile) {
        return new Run(profile, cold()).run();
    }

    /** How much of a profile's warmest step can go on for ever. */
    Sustained sustained(UseProfile profile) {
        Running running = running(build, plugged);
        UseProfile.Step step = profile.steps().stream()
                .max(Comparator.comparingDouble(s -> running.at(Demand.of(s)).heatW()))
                .orElseThrow();
        Running.Moment asked = running.at(Demand.of(step));
        boolean waits = waiting(step).mode() != step.mode();
        Running.Moment waiting = waits ? running.at(waiting(step)) : asked.nothing();
        boolean closed = step.closed();
        Steady least = steady(closed, waiting);
        double work = least.spot < 0 ? Sustained.MOST_WORK : most(closed, asked, waiting, least.marginK);
        Running.Moment most = asked.towards(waiting, work);
        Steady there = steady(closed, most);
        return new Sustained(
                step,
                most.heatW(),
                asked.heatW(),
                waits ? waiting.heatW() : 0,
                work,
                there.spot < 0 ? Optional.empty() : Optional.of(spots.get(there.spot)),
                work >= 1 ? Double.POSITIVE_INFINITY : work <= 0 ? 0 : burst(closed, asked, least));
    }

    /** A steady state, and the spot that is nearest to its limit, or furthest beyond; negative without limits. */
    private record Steady(HeatNetwork.Steady state, int spot, double marginK) {}

    private Steady steady(boolean closed, Running.Moment moment) {
        Fanned.Settled there = fanned.computeIfAbsent(closed, c -> new Fanned(switched, standing -> model(c, standing)))
                .settle(model(closed).watts(moment.byPart(), moment.wiresW()));
        int spot = -1;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < there.model().watched.size(); i++) {
            HeatModel.Watched w = there.model().watched.get(i);
            double margin = limit(w) - w.celsius(there.state().celsius());
            if (margin < least) {
                least = margin;
                spot = i;
            }
        }
        return new Steady(there.state(), spot, least);
    }

    /** The share of work with which the first limit is just held; false position, with its ends kept apart (Press et al., 9.2). */
    private double most(boolean closed, Running.Moment asked, Running.Moment waiting, double waitingK) {
        double low = 0;
        double lowK = waitingK;
        double high = Sustained.MOST_WORK;
        double highK = steady(closed, asked.towards(waiting, high)).marginK;
        if (lowK <= 0 || highK >= 0) {
            return lowK <= 0 ? 0 : high;
        }
        double work = 0;
        for (int i = 0; i < MOST_GUESSES && Math.min(lowK, -highK) > HELD_K; i++) {
            double between = i % 3 == 2 ? 0.5 : Math.clamp(lowK / (lowK - highK), 0.02, 0.98);
            work = low + between * (high - low);
            double margin = steady(closed, asked.towards(waiting, work)).marginK;
            if (margin > 0) {
                low = work;
                lowK = margin;
            } else {
                high = work;
                highK = margin;
            }
        }
        return lowK < -highK ? low : high;
    }

    /** How long it takes from a steady state to the first limit, s; infinite where that is beyond what is followed. */
    private double burst(boolean closed, Running.Moment asked, Steady from) {
        Fans fans = new Fans();
        fans.turn(from.state.celsius());
        Warming warming =
                new Warming(from.state.celsius(), model(closed).network.capacities());
        double[] watts = model(closed).watts(asked.byPart(), asked.wiresW());
        double seconds = 0;
        for (int i = 0; i < MOST_STEPS && seconds < HeatRun.MOST_HOURS * SECONDS_PER_HOUR; i++) {
            HeatModel model = fans.model(closed);
            Elimination.Factors room = model.network.factors();
            Warming.Step step = fans.until(
                    warming.tried(model.network, room, watts, SECONDS_PER_HOUR),
                    s -> warming.exactly(model.network, room, watts, s));
            double first = 2;
            for (HeatModel.Watched w : model.watched) {
                if (w.celsius(step.to) >= limit(w)) {
                    first = Math.min(first, step.reaches(w::celsius, limit(w)));
                }
            }
            if (first <= 1) {
                return seconds + first * step.seconds;
            }
            warming.take(step);
            seconds += step.seconds;
            if (fans.turn(step.to).isPresent()) {
                warming.jolt();
            }
        }
        return Double.POSITIVE_INFINITY;
    }

    /** One run. */
    private final class Run {
        private final UseProfile profile;
        private final List<Leg> legs;
        private final Running running = running(build, plugged);
        private final Warming warming;
        private final double[] start;
        private final List<HeatRun.Moment> moments = new ArrayList<>();
        private final List<HeatRun.Event> events = new ArrayList<>();
        private final Set<List<Integer>> happened = new HashSet<>();
        private final Map<HeatModel, Elimination.Factors> answers = new HashMap<>();
        private final Fans fans = new Fans();
        private double seconds;
        private double worked;
        private int steps;
        private double work = 1;
        /** By how much a board that slows down is warmer at the end of a step for all of the work, as last seen, K. */
        private double warms;

        private Optional<Breach> end = Optional.empty();

        /** What goes on when all is done that is asked for, and when no more is done than waiting. */
        private Running.Moment busy;

        private Optional<Running.Moment> idle = Optional.empty();
        private double levelThen;
        private boolean nearEnd;

        Run(UseProfile profile, double[] start) {
            this.profile = profile;
            this.legs = Leg.of(profile);
            this.start = start;
            this.warming = new Warming(start, model(false).network.capacities());
            this.busy = legs.getFirst().at(running, Demand::of);
        }

        HeatRun run() {
            looks(legs.getFirst());
            tell(0, busy);
            double[] before = warming.celsius();
            double since = 0;
            double level = running.level();
            while (end.isEmpty() && goesOn()) {
                for (int k = 0; k < legs.size() && end.isEmpty() && goesOn(); k++) {
                    step(k, legs.get(k));
                }
                if (seconds - since >= SECONDS_PER_HOUR) {
                    if (!(running.level() < level) && settled(before)) {
                        break;
                    }
                    before = warming.celsius();
                    since = seconds;
                    level = running.level();
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
                    seconds > 0 ? worked / seconds : work,
                    new HeatRun.Balance(warming.putInJ(), storedJ, warming.givenOffJ()));
        }

        /** Whether some cycles end as they began. */
        private boolean settled(double[] before) {
            for (int i = 1; i < before.length; i++) {
                if (Math.abs(warming.celsius()[i] - before[i]) > SETTLED_K) {
                    return false;
                }
            }
            return true;
        }

        private boolean goesOn() {
            return seconds < HeatRun.MOST_HOURS * SECONDS_PER_HOUR && steps < MOST_STEPS;
        }

        private void step(int k, Leg step) {
            double left = Math.min(step.seconds(), HeatRun.MOST_HOURS * SECONDS_PER_HOUR - seconds);
            if (legs.size() > 1 || seconds == 0) {
                warming.jolt();
            }
            looks(step);
            while (left > 0 && end.isEmpty() && steps++ < MOST_STEPS) {
                looksAgain(step);
                if (end.isPresent()) {
                    return;
                }
                HeatModel model = fans.model(step.closed());
                Elimination.Factors room = answers.computeIfAbsent(model, m -> m.network.factors());
                double quickest = busy.quickest() / SECONDS_PER_HOUR;
                double most = Math.min(left, quickest > 0 ? levelStep() / quickest : left);
                Warming.Step taken = fans.until(
                        taken(model, room, step, most),
                        s -> warming.exactly(model.network, room, watts(model, done(step, work)), s));
                left = left - taken.seconds < 1e-6 ? 0 : left - taken.seconds;
                happens(model, taken);
                Running.Moment done = done(step, work);
                running.spend(done, taken.seconds / SECONDS_PER_HOUR);
                warming.take(taken);
                seconds += taken.seconds;
                worked += work * taken.seconds;
                tell(k, done);
                turn(taken);
            }
        }

        /** Fans start and stop where a step ends. */
        private void turn(Warming.Step taken) {
            Set<String> before = fans.standing;
            fans.turn(taken.to).ifPresent(s -> once(HeatRun.Kind.FAN, spotOf(fans.node(s)), seconds, s.onC()));
            if (!fans.standing.equals(before)) {
                warming.jolt();
            }
        }

        private double levelStep() {
            return nearEnd ? LAST_LEVEL_STEP : LEVEL_STEP;
        }

        /** Takes what goes on in a step of the profile. */
        private void looks(Leg step) {
            busy = step.at(running, Demand::of);
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
            nearEnd = step.at(running, Demand::of).stop().isPresent();
            running.back(levels);
        }

        /** The same where charge or cells have changed so much that it matters. */
        private void looksAgain(Leg step) {
            Map<String, Double> celsius = new HashMap<>();
            cells.forEach((part, node) -> celsius.put(part, Math.min(Usual.CELLS_MOST_C, warming.celsius()[node])));
            boolean warmed = running.warmed(
                    new CellTemperatures(build.brief().surroundings().packC(), celsius));
            if (warmed || levelThen - running.level() > 0.99 * levelStep()) {
                looks(step);
            }
        }

        /** What goes on where a share of what is asked for is done. */
        private Running.Moment done(Leg step, double share) {
            if (share >= 1) {
                return busy;
            }
            if (idle.isEmpty()) {
                idle = Optional.of(step.at(running, Outing::waiting));
            }
            return busy.towards(idle.get(), share);
        }

        private double[] watts(HeatModel model, Running.Moment moment) {
            return model.watts(moment.byPart(), moment.wiresW());
        }

        /** A step, with boards that are at their limit doing so much less that they stay there. */
        private Warming.Step taken(HeatModel model, Elimination.Factors room, Leg step, double most) {
            if (!step.canWait()) {
                work = 1;
            }
            Warming.Step now = warming.tried(model.network, room, watts(model, done(step, work)), most);
            double beyond = beyond(now);
            if (!step.canWait() || (work >= 1 ? beyond <= HELD_K : Math.abs(beyond) <= HELD_K)) {
                return now;
            }
            if (work >= 1 && comesUp(now)) {
                return upTo(model, room, now);
            }
            return slowed(model, room, step, now);
        }

        /** So much of a step as takes the first board to its limit. */
        private Warming.Step upTo(HeatModel model, Elimination.Factors room, Warming.Step now) {
            Warming.Step there = now;
            for (int i = 0; i < MOST_TRIES && beyond(there) > HELD_K; i++) {
                int board = hottest(there);
                double share = there.reaches(t -> t[board], limitOf(board));
                there = warming.exactly(model.network, room, watts(model, busy), share * there.seconds);
            }
            return there;
        }

        /**
         * The same for so long as a step that was tried, with the share of work found that holds the first board at its limit: by secants between what
         * was found too warm and not, the first of which goes on from the step before.
         */
        private Warming.Step slowed(HeatModel model, Elimination.Factors room, Leg step, Warming.Step now) {
            Warming.Step found = now;
            double low = 0;
            double high = 1;
            for (int i = 0; i < MOST_TRIES && Math.abs(beyond(found)) > HELD_K; i++) {
                double aside = beyond(found);
                high = aside > 0 ? work : high;
                low = aside > 0 ? low : work;
                double next = warms > 0 ? work - aside / warms : aside > 0 ? 0 : 1;
                boolean beside = (next <= low && low > 0) || (next >= high && high < 1);
                next = beside ? (low + high) / 2 : Math.clamp(next, 0, 1);
                if (next == work) {
                    break;
                }
                Warming.Step there = warming.exactly(model.network, room, watts(model, done(step, next)), now.seconds);
                warms = (beyond(there) - aside) / (next - work);
                work = next;
                found = there;
            }
            if (beyond(now) > 0) {
                int board = hottest(now);
                once(HeatRun.Kind.SLOWS, spotOf(board), seconds, limitOf(board));
            }
            return found;
        }

        /** The board that is furthest beyond its limit at the end of a step, or nearest to it; the surroundings where none has one. */
        private int hottest(Warming.Step step) {
            int hottest = 0;
            for (int board : boards.keySet()) {
                hottest = hottest == 0 || beyond(step.to, board) > beyond(step.to, hottest) ? board : hottest;
            }
            return hottest;
        }

        /** How far the board is beyond its limit at the end of a step that is furthest, K; negative where none is. */
        private double beyond(Warming.Step step) {
            return beyond(step.to, hottest(step));
        }

        /** Whether all boards that end a step beyond their limits begin it well below. */
        private boolean comesUp(Warming.Step step) {
            return boards.keySet().stream()
                    .allMatch(b -> beyond(step.to, b) <= HELD_K || beyond(step.from, b) < -BELOW_K);
        }

        private double limitOf(int board) {
            return boards.getOrDefault(board, Double.POSITIVE_INFINITY);
        }

        private double beyond(double[] celsius, int board) {
            return celsius[board] - limitOf(board);
        }

        /** Marks what happens within a step for the first time. */
        private void happens(HeatModel model, Warming.Step step) {
            for (int i = 0; i < model.watched.size(); i++) {
                HeatModel.Watched w = model.watched.get(i);
                boolean ofCells = w.kind() == HeatResult.Kind.PART && cells.containsKey(w.subject());
                boolean told = ofCells && limit(w) <= Usual.CELLS_CHARGED_MOST_C;
                if (!boards.containsKey(w.node()) && !told) {
                    crosses(HeatRun.Kind.LIMIT, i, w, limit(w), step);
                }
                if (ofCells) {
                    crosses(HeatRun.Kind.CELLS_WARM, i, w, Usual.CELLS_CHARGED_MOST_C, step);
                }
            }
        }

        private void crosses(HeatRun.Kind kind, int spot, HeatModel.Watched w, double limitC, Warming.Step step) {
            if (!happened.contains(List.of(kind.ordinal(), spot))
                    && Double.isFinite(limitC)
                    && w.celsius(step.to) >= limitC) {
                double share = w.celsius(step.from) >= limitC ? 0 : step.reaches(w::celsius, limitC);
                once(kind, spot, seconds + share * step.seconds, limitC);
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
            for (HeatModel.Watched w : model(legs.get(k).closed()).watched) {
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
