package boldsatchel.hunt;

import boldsatchel.fit.FitResult;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.Breach;
import boldsatchel.power.Demand;
import boldsatchel.power.Network;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.math3.distribution.NormalDistribution;

/**
 * How near a build's own numbers stand to a limit that a cause is about, and how much likelier that makes the cause. The room left as a
 * share of the limit is taken as uncertain by a tenth; the chance that it is truly passed scales the usual rate between a third and ten
 * times. A finding counts as a limit that is passed.
 *
 * @param factor that the usual rate of the cause is multiplied by
 * @param words what stands behind it; empty where nothing does
 */
record Nearness(double factor, String words) {

    /** Nothing speaks for or against. */
    static final Nearness NONE = new Nearness(1, "");

    private static final String FINDING = "finding:";
    private static final NormalDistribution DOUBT = new NormalDistribution(0, 0.1);
    private static final double LEAST = 0.3;
    private static final double MOST = 10;
    private static final double WATCHED = 5;
    private static final double NOTED = 2.5;
    private static final double NEARLY_EMPTY = 0.2;
    private static final double ROOM_C = 25;
    private static final double EASY_GAP_MM = 3;
    private static final double TIGHT_GAP_MM = 0.3;

    /** Room left to a limit, as a share of it; negative beyond. */
    private record Room(double share, String words) {}

    /** Limits that can be named. */
    private enum Limit {
        /** Current while starting, from a full source. */
        START_AMPS(Mode.START, 1, Breach.Kind.SOURCE_LIMIT, Breach.Kind.CONVERTER_LIMIT, Breach.Kind.OVER_CURRENT),
        /** Voltage while starting, from one that is nearly empty. */
        START_VOLTS(Mode.START, NEARLY_EMPTY, Breach.Kind.BELOW_WINDOW, Breach.Kind.DROPOUT, Breach.Kind.COLLAPSE),
        /** Voltage when busy. */
        BUSY_VOLTS(Mode.BUSY, NEARLY_EMPTY, Breach.Kind.BELOW_WINDOW, Breach.Kind.DROPOUT, Breach.Kind.COLLAPSE),
        /** Current when busy. */
        BUSY_AMPS(
                Mode.BUSY,
                NEARLY_EMPTY,
                Breach.Kind.SOURCE_LIMIT,
                Breach.Kind.CONVERTER_LIMIT,
                Breach.Kind.OVER_CURRENT),
        /** Current of the pack against its protection. */
        OVER_CURRENT(Mode.START, NEARLY_EMPTY, Breach.Kind.OVER_CURRENT),
        /** Fuses, switches, plugs, wires. */
        OVER_RATING(Mode.BUSY, NEARLY_EMPTY, Breach.Kind.OVER_RATING),
        /** Current out of sockets. */
        SOCKET_AMPS(Mode.BUSY, NEARLY_EMPTY, Breach.Kind.SOCKET_LIMIT, Breach.Kind.RAIL_LIMIT),
        /** Too many volts. */
        HIGH_VOLTS(Mode.SLEEP, 1, Breach.Kind.ABOVE_WINDOW, Breach.Kind.ABOVE_INPUT),
        /** Too little load for a power bank. */
        BANK_LOAD(Mode.SLEEP, 1, Breach.Kind.SHUTS_OFF);

        private final Mode mode;
        private final double level;

        @SuppressWarnings("ImmutableEnumChecker") // Never changed.
        private final Set<Breach.Kind> kinds;

        Limit(Mode mode, double level, Breach.Kind first, Breach.Kind... others) {
            this.mode = mode;
            this.level = level;
            kinds = EnumSet.of(first, others);
        }

        String id() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        List<Room> rooms(Build build, Part subject) {
            List<Room> rooms = new ArrayList<>();
            for (Rung root : Places.chains(build, subject)) {
                Set<String> concerned = Places.concerned(root, subject);
                Network.of(build, root, Reading.NOMINAL).ifPresent(n -> {
                    for (Breach b : n.limits(level, Demand.of(mode))) {
                        if (kinds.contains(b.kind()) && b.limit() > 0 && concerned.contains(b.rung())) {
                            rooms.add(new Room(b.kind().margin(b.value(), b.limit()) / b.limit(), words(build, b)));
                        }
                    }
                });
            }
            return rooms;
        }

        private String words(Build build, Breach b) {
            String of =
                    build.rung(b.rung()).flatMap(build::partOf).map(Part::name).orElse("the way there");
            double share = b.kind().margin(b.value(), b.limit()) / b.limit();
            return of + ", " + mode.words() + ": "
                    + (share < 0
                            ? b.kind().words()
                            : Units.format(100 * share, 0, "%") + " left until "
                                    + b.kind().words());
        }
    }

    /** What there is to name: for the check of data. */
    static boolean isKnown(String name) {
        return name.startsWith(FINDING)
                || List.of("heat", "heat-converter", "heat-cells", "gap").contains(name)
                || Arrays.stream(Limit.values()).anyMatch(l -> l.id().equals(name));
    }

    /** The nearest of some limits decides. */
    static Nearness of(List<String> names, Evaluation evaluation, Part subject) {
        Nearness most = names.isEmpty() ? NONE : new Nearness(LEAST, "");
        for (String name : names) {
            Nearness now = of(name, evaluation, subject);
            if (now.factor > most.factor || (most.words.isEmpty() && now.factor == most.factor)) {
                most = now;
            }
        }
        return most;
    }

    private static Nearness of(String name, Evaluation evaluation, Part subject) {
        if (name.startsWith(FINDING)) {
            return found(name.substring(FINDING.length()), evaluation);
        }
        List<Room> rooms = switch (name) {
            case "heat" -> spots(evaluation, Optional.of(subject), Facet.Thermal.class);
            case "heat-converter" -> spots(evaluation, Optional.empty(), Facet.Converts.class);
            case "heat-cells" -> spots(evaluation, Optional.empty(), Facet.Cells.class);
            case "gap" -> gaps(evaluation, subject);
            default ->
                Arrays.stream(Limit.values())
                        .filter(l -> l.id().equals(name))
                        .findFirst()
                        .map(l -> l.rooms(evaluation.build(), subject))
                        .orElse(List.of());
        };
        return rooms.stream()
                .filter(r -> !Double.isNaN(r.share()))
                .reduce((a, b) -> b.share() < a.share() ? b : a)
                .map(r -> new Nearness(LEAST + (MOST - LEAST) * DOUBT.cumulativeProbability(-r.share()), r.words()))
                .orElse(NONE);
    }

    /** The gravest finding of a code; none makes the cause less likely. */
    private static Nearness found(String code, Evaluation evaluation) {
        return evaluation.findings().stream()
                .filter(f -> f.code().equals(code))
                .min((a, b) -> a.severity().compareTo(b.severity()))
                .map(f -> new Nearness(weight(f), f.message()))
                .orElse(new Nearness(LEAST, ""));
    }

    private static double weight(Finding finding) {
        if (finding.severity() == Severity.STOP) {
            return MOST;
        }
        return finding.severity() == Severity.WATCH ? WATCHED : NOTED;
    }

    private static List<Room> spots(Evaluation evaluation, Optional<Part> of, Class<? extends Facet> facet) {
        List<Room> rooms = new ArrayList<>();
        for (HeatResult.Spot spot : evaluation.of(HeatResult.class).spots()) {
            Optional<Part> part = evaluation.build().part(spot.subject());
            if (Double.isFinite(spot.limitC())
                    && part.filter(p -> of.map(o -> o.id().equals(p.id()))
                                    .orElseGet(() -> p.facet(facet).isPresent()))
                            .isPresent()) {
                rooms.add(new Room(
                        spot.marginK() / Math.max(1, spot.limitC() - ROOM_C),
                        spot.name() + ": " + Units.format(spot.marginK(), 0, "K") + " below its limit"));
            }
        }
        return rooms;
    }

    private static List<Room> gaps(Evaluation evaluation, Part subject) {
        List<Room> rooms = new ArrayList<>();
        for (FitResult.Gap gap : evaluation.of(FitResult.class).gaps()) {
            if (gap.a().equals(subject.id()) || gap.b().equals(subject.id())) {
                rooms.add(new Room(
                        (gap.gapMm() - TIGHT_GAP_MM) / EASY_GAP_MM,
                        subject.name() + ": " + Units.format(gap.gapMm(), 1, "mm") + " of room"));
            }
        }
        return rooms;
    }
}
