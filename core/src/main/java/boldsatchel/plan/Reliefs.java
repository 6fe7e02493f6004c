package boldsatchel.plan;

import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.CoolEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.edit.FinEdits;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.heat.HeatResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;

/** What would keep a machine cooler: each way that is known is tried with all engines, and what helps is ranked. */
public final class Reliefs {

    /** Less is no help, K. */
    private static final double LEAST_K = 0.3;
    /** Density of aluminium, g/mm³. */
    private static final double ALUMINIUM_GMM3 = 2.7e-3;
    /** Of pads of silicone with filler, g/mm³. */
    private static final double PAD_GMM3 = 2.8e-3;
    /** Of a heat pipe of 6 mm, g/mm. */
    private static final double PIPE_GMM = 0.19;
    /** What lies on both ends of a pipe. */
    private static final double PIPE_ENDS_MM = 50;

    private static final double FAN_STEP_MM = 8;
    /** Of ways of one kind no more are worked out whole. */
    private static final int MOST_WHOLE = 4;
    /** Spots that are nearest to their limits are helped. */
    private static final int MOST_SPOTS = 3;

    private final Build build;
    private final Evaluation now;
    private final FitResult fit;
    private final List<Part> shelf;
    private final BooleanSupplier stop;
    private final Evaluator evaluator = new Evaluator();
    /** Works out no more than the margin. */
    private final Evaluator coolness = Evaluator.answering(Verdict.Kind.KEEPS_COOL);

    private final List<Relief> found = new ArrayList<>();

    private Reliefs(Evaluation now, List<Part> shelf, BooleanSupplier stop) {
        this.build = now.build();
        this.now = now;
        this.fit = now.of(FitResult.class);
        this.shelf = shelf;
        this.stop = stop;
    }

    /**
     * What helps, the most helpful first; each is worked out by itself.
     *
     * @param shelf parts that could be added
     * @param stop whether to give up and tell what was found until then
     */
    public static List<Relief> of(Evaluation now, List<Part> shelf, BooleanSupplier stop) {
        Reliefs reliefs = new Reliefs(now, shelf, stop);
        // Where ways are listed: a new way is one method and one line here.
        List<Consumer<Shell>> inTray = List.of(reliefs::twoVents, reliefs::largerVents, reliefs::fans, reliefs::metal);
        List<Consumer<Placed>> atPart = List.of(
                reliefs::pads, reliefs::sheets, reliefs::pipes, reliefs::fins, reliefs::lessPower, reliefs::swaps);
        for (Shell tray : reliefs.build.casing().shells()) {
            inTray.forEach(way -> way.accept(tray));
        }
        for (Placed hot : reliefs.hot()) {
            atPart.forEach(way -> way.accept(hot));
        }
        reliefs.found.sort(Comparator.comparingDouble((Relief r) -> -r.marginK()));
        return List.copyOf(reliefs.found);
    }

    /** The two vents that do most in a tray, whether they help or not; nothing where its walls cannot be cut. */
    static Optional<Relief> vents(Evaluation now, Shell tray) {
        return new Reliefs(now, List.of(), () -> false).bestVents(tray);
    }

    /** The parts with the least margin. */
    private List<Placed> hot() {
        List<Placed> hot = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        now.of(HeatResult.class).worst().stream()
                .filter(at -> at.spot().kind() == HeatResult.Kind.PART
                        && Double.isFinite(at.spot().limitC()))
                .sorted(Comparator.comparingDouble(at -> at.spot().marginK()))
                .filter(at -> seen.add(at.spot().subject()))
                .flatMap(at -> fit.placed().stream()
                        .filter(p -> p.id().equals(at.spot().subject())))
                .limit(MOST_SPOTS)
                .forEach(hot::add);
        return hot;
    }

    /** A way that may help, with what is given up for it. */
    private record Way(String words, Edit edit, List<String> price) {
        Way(String words, Edit edit, String... price) {
            this(words, edit, List.of(price));
        }
    }

    /** Works a way out. */
    private Optional<Relief> tried(Way way) {
        if (stop.getAsBoolean()) {
            return Optional.empty();
        }
        Build then = way.edit().change().apply(build);
        return then.equals(build)
                ? Optional.empty()
                : Optional.of(Relief.of(way.words(), way.edit(), now, evaluator.judge(then), way.price()));
    }

    private void keep(Optional<Relief> relief) {
        relief.filter(r -> r.gainK() > LEAST_K).ifPresent(found::add);
    }

    /** The least margin with a way, K. */
    private double margin(Way way) {
        return stop.getAsBoolean()
                ? Double.NEGATIVE_INFINITY
                : Relief.margin(coolness.judge(way.edit().change().apply(build)));
    }

    /** A way, and the least margin with it. */
    private record Rated(Way way, double marginK) {}

    /** Of ways of one kind the one that does most, worked out whole; one that makes nothing else stop comes before one that does. */
    private Optional<Relief> best(List<Way> ways) {
        List<Rated> rated = ways.stream()
                .map(way -> new Rated(way, ways.size() > 1 ? margin(way) : 0))
                .sorted(Comparator.comparingDouble(Rated::marginK).reversed())
                .limit(MOST_WHOLE)
                .toList();
        Optional<Relief> best = Optional.empty();
        for (Rated next : rated) {
            Optional<Relief> whole = tried(next.way);
            best = best.or(() -> whole);
            if (whole.filter(r -> !r.stops() && r.gainK() > LEAST_K).isPresent()) {
                return whole;
            }
        }
        return best;
    }

    private static final String LETS_WATER_IN = "lets water and dust in";

    private String[] opened(Shell tray) {
        return tray.vents().isEmpty() ? new String[] {LETS_WATER_IN} : new String[0];
    }

    /** Slots low in one wall and high in another; those that are best. */
    private void twoVents(Shell tray) {
        keep(bestVents(tray));
    }

    private Optional<Relief> bestVents(Shell tray) {
        return best(Airing.pairs(tray).stream()
                .map(vents ->
                        new Way("Cut two vents into " + tray.name() + ": " + vents.words(), vents.edit(), opened(tray)))
                .toList());
    }

    /** All its vents half as long again, as far as the wall goes. */
    private void largerVents(Shell tray) {
        if (tray.vents().isEmpty()) {
            return;
        }
        List<Vent> larger =
                tray.vents().stream().map(v -> v.with(longer(v, tray.cavity()))).toList();
        keep(tried(new Way(
                "Make the vents of " + tray.name() + " half as long again",
                CaseEdits.vents("make the vents of " + tray.name() + " longer", tray, larger))));
    }

    private static Box longer(Vent vent, Box inside) {
        Box b = vent.box();
        int along = vent.wall().axis() == 0 ? 1 : 0;
        double wide = Math.min(b.size(along) * 1.5, inside.size(along) * 0.9);
        double least = 0.05 * inside.size(along);
        double from = Math.clamp(
                b.centre().along(along) - wide / 2, least, Math.max(least, 0.95 * inside.size(along) - wide));
        return along == 0
                ? new Box(from, b.y(), b.z(), wide, b.dy(), b.dz())
                : new Box(b.x(), from, b.z(), b.dx(), wide, b.dz());
    }

    /** Each fan of the shelf at the wall where it does most, with a vent before it and one across. */
    private void fans(Shell tray) {
        boolean has = fit.placed().stream()
                .anyMatch(p -> p.shell().id().equals(tray.id())
                        && p.part().facet(Facet.MovesAir.class).isPresent());
        if (has || build.casing().isLid(tray)) {
            return;
        }
        for (Part fan : shelf) {
            if (isFan(fan)) {
                keep(best(Airing.UPRIGHT.stream()
                        .flatMap(wall -> fan(tray, fan, wall).stream())
                        .toList()));
            }
        }
    }

    /** Whether a part is a fan by itself, and not a board with one of its own. */
    public static boolean isFan(Part part) {
        return part.family() == Family.COOLING
                && part.facet(Facet.MovesAir.class).isPresent();
    }

    private Optional<Way> fan(Shell tray, Part fan, Face wall) {
        for (Orientation way : CoolEdits.ways(fan, wall)) {
            Optional<Placement> place = before(tray, fan, wall, way);
            if (place.isPresent()) {
                Edit edit = CoolEdits.fan(tray, fan, wall, place.get());
                List<String> price = new ArrayList<>(List.of(opened(tray)));
                fan.facet(Facet.MovesAir.class)
                        .flatMap(Facet.MovesAir::noiseDb)
                        .ifPresent(db -> price.add(Units.format(db.value(), 0, "dB") + " at 1 m"));
                price.add("has to be fed");
                return Optional.of(new Way(
                        "Add " + fan.name() + " at the " + wall.words() + " wall, with a vent before it and one across",
                        edit,
                        price));
            }
        }
        return Optional.empty();
    }

    /** The first place along a wall where a fan is in nothing's way, plugs and what swells included; else the first where it touches nothing. */
    private Optional<Placement> before(Shell tray, Part fan, Face wall, Orientation way) {
        double length = tray.cavity().size(1 - wall.axis());
        Optional<Placement> touchesNothing = Optional.empty();
        for (double middle = 0; middle <= length; middle += FAN_STEP_MM) {
            Optional<Placement> place = CoolEdits.fanAt(tray, fan, wall, way, middle);
            if (place.isEmpty()) {
                return place;
            }
            Box bounds = Placed.of(fan, place.get(), tray).bounds();
            List<Placed> near = Placed.in(tray, fit.placed());
            if (near.stream()
                    .noneMatch(p -> p.bounds().signedDistance(bounds)
                            < build.brief().limits().gapMm())) {
                if (near.stream().noneMatch(p -> p.fills(bounds))) {
                    return place;
                }
                touchesNothing = touchesNothing.or(() -> place);
            }
        }
        return touchesNothing;
    }

    /** Painted aluminium in place of what conducts little. */
    private void metal(Shell tray) {
        if (!tray.substance().metal() && tray.making() != Shell.Making.FOUND) {
            String words = "make " + tray.name() + " of painted aluminium";
            keep(tried(new Way(
                    "Make " + tray.name() + " of painted aluminium",
                    Edits.casing(
                            words,
                            c -> c.shell(tray.id())
                                    .map(s -> c.withShell(s.withMaterial(Material.ALUMINIUM_PAINTED)))
                                    .orElse(c)),
                    "shields radio")));
        }
    }

    /** What is no part of the build yet weighs and costs all the same. */
    private static String uncounted(double grams, String what) {
        return "+" + Units.format(grams, 0, "g") + " of " + what + "; neither that nor its price is counted";
    }

    private static String pipe(double lengthMm) {
        return uncounted((lengthMm + PIPE_ENDS_MM) * PIPE_GMM, "pipe");
    }

    /** A pad to each wall that is near. */
    private void pads(Placed hot) {
        for (Face wall : Face.ALL) {
            double thick = CoolEdits.padMm(CoolEdits.gapMm(hot, wall));
            CoolEdits.pad(build, hot, wall)
                    .ifPresent(edit -> keep(tried(new Way(
                            "Put a pad " + Units.format(thick, 1, "mm") + " thick between "
                                    + hot.part().name() + " and the " + wall.words() + " wall",
                            edit,
                            uncounted(hot.bounds().area(wall) * thick * PAD_GMM3, "pad")))));
        }
    }

    /** A pad and a sheet of aluminium behind it along a wall. */
    private void sheets(Placed hot) {
        for (Face wall : Face.ALL) {
            double sheet = CoolEdits.sheetMm2(hot.shell(), wall);
            CoolEdits.sheet(build, hot, wall)
                    .ifPresent(edit -> keep(tried(new Way(
                            "Lead the heat of " + hot.part().name() + " to a sheet of aluminium, "
                                    + Units.format(sheet / 100, 0, "cm²") + " of 1 mm, on the " + wall.words()
                                    + " wall",
                            edit,
                            uncounted(sheet * CoolEdits.SHEET_MM * ALUMINIUM_GMM3, "sheet")))));
        }
    }

    private static final String KEPT_FREE = "its way has to be kept free";

    /** A heat pipe to the upright wall where it does most. */
    private void pipes(Placed hot) {
        keep(best(Airing.UPRIGHT.stream()
                .flatMap(wall -> CoolEdits.pipe(build, hot, wall, CoolEdits.PIPE_MM)
                        .map(edit -> new Way(
                                "Lead the heat of " + hot.part().name() + " to the " + wall.words()
                                        + " wall by a heat pipe",
                                edit,
                                KEPT_FREE,
                                pipe(Math.abs(hot.shell().cavity().end(wall)
                                        - hot.bounds().centre().along(wall.axis())))))
                        .stream())
                .toList()));
    }

    /** A heat pipe to fins: those of its tray, or some of the shelf at a fan there. */
    private void fins(Placed hot) {
        List<Way> ways = new ArrayList<>();
        for (Placed there : Placed.in(hot.shell(), fit.placed())) {
            if (FinEdits.hasFins(there.part())) {
                FinEdits.bridge(build, hot, there, CoolEdits.PIPE_MM)
                        .ifPresent(edit -> ways.add(new Way(
                                "Lead the heat of " + hot.part().name() + " to "
                                        + there.part().name(),
                                edit,
                                KEPT_FREE,
                                pipe(apartMm(hot, there)))));
            }
            for (Part fins : shelf) {
                if (FinEdits.hasFins(fins) && isFan(there.part())) {
                    FinEdits.fins(build, fins, there, hot)
                            .ifPresent(edit -> ways.add(new Way(
                                    "Lead the heat of " + hot.part().name() + " by a heat pipe to "
                                            + fins.name() + ", tight to "
                                            + there.part().name(),
                                    edit,
                                    KEPT_FREE,
                                    pipe(apartMm(hot, there)))));
                }
            }
        }
        keep(best(ways));
    }

    private static double apartMm(Placed one, Placed other) {
        return one.bounds().centre().minus(other.bounds().centre()).length();
    }

    /** A lower limit of what it draws when it works, such that all is as far from its limits as the brief wants. */
    private void lessPower(Placed hot) {
        Optional<Facet.DrawsPower> draws = hot.part().facet(Facet.DrawsPower.class);
        if (draws.isEmpty() || !hot.part().family().computes()) {
            return;
        }
        double idle = draws.get().idleW().value();
        double busy = draws.get().busyW().value();
        if (busy <= idle) {
            return;
        }
        double least = margin(limited(hot.part(), draws.get(), idle));
        double wanted = build.brief().limits().heatMarginK();
        double atBusy = Relief.margin(now);
        double share = Math.clamp((least - wanted) / (least - atBusy), 0.1, 1);
        double watts = Math.floor((idle + share * (busy - idle)) * 10) / 10;
        if (watts < busy) {
            keep(tried(limited(hot.part(), draws.get(), watts)));
        }
    }

    private Way limited(Part board, Facet.DrawsPower draws, double watts) {
        Facet.DrawsPower less = Form.of(Facet.DrawsPower.class).field("busyW").with(draws, Figure.planned(watts));
        return new Way(
                "Set the power limit of " + board.name() + " to " + Units.format(watts, 1, "W")
                        + " when it works, from " + Units.format(draws.busyW().value(), 1, "W"),
                Edits.changePart("the power limit", board, p -> p.withFacet(less)),
                "it works more slowly");
    }

    /** Each part that it can change places with. */
    private void swaps(Placed hot) {
        List<Way> ways = new ArrayList<>();
        int before = FreeMove.trouble(build, fit);
        for (Placed other : fit.placed()) {
            if (!other.id().equals(hot.id())
                    && other.shell().id().equals(hot.shell().id())
                    && !other.placement().locked()
                    && !hot.placement().locked()) {
                Edit edit = swapped(hot, other);
                Build then = edit.change().apply(build);
                if (FreeMove.trouble(then, FitEngine.evaluate(then, build, fit)) <= before) {
                    ways.add(new Way(
                            "Let " + hot.part().name() + " and " + other.part().name() + " change places", edit));
                }
            }
        }
        keep(best(ways));
    }

    private static Edit swapped(Placed one, Placed other) {
        return new Edit(
                "let " + one.part().name() + " and " + other.part().name() + " change places",
                b -> b.with(one.placement().at(other.placement().at()))
                        .with(other.placement().at(one.placement().at())));
    }
}
