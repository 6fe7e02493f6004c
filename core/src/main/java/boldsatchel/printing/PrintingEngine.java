package boldsatchel.printing;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Box;
import boldsatchel.machine.Boss;
import boldsatchel.machine.Build;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Seam;
import boldsatchel.machine.Section;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.printing.PrintingResult.Crossed;
import boldsatchel.printing.PrintingResult.Tight;
import boldsatchel.printing.PrintingResult.Ungauged;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** Looks at trays as they come off the printer: where pieces meet, and whether holes fit what has to go in. */
public final class PrintingEngine implements Engine<PrintingResult> {

    /** Left beside a seam for the lap that joins the pieces, mm; a guess. */
    public static final double LAP_MM = 4;

    private static final double EXACT_MM = 1e-6;

    /** What a builder calls the small piece with a hole and a post that is printed before the tray. */
    public static final String GAUGE = "gauge piece";

    /** An engine; all are alike. */
    public PrintingEngine() {}

    @Override
    public String about() {
        return "how the trays come off the printer";
    }

    @Override
    public Class<PrintingResult> result() {
        return PrintingResult.class;
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.CASING, Section.JOURNAL);
    }

    @Override
    public Set<Class<?>> asks() {
        return Set.of(FitResult.class);
    }

    @Override
    public PrintingResult work(Build build, Results results) {
        return evaluate(build, results.of(FitResult.class));
    }

    @Override
    public PrintingResult nothing() {
        return PrintingResult.NOTHING;
    }

    /** Evaluates a build. */
    public static PrintingResult evaluate(Build build, FitResult fit) {
        List<Crossed> crossed = new ArrayList<>();
        List<Ungauged> ungauged = new ArrayList<>();
        List<Tight> tight = new ArrayList<>();
        double lost = build.brief()
                .workshop()
                .flatMap(w -> w.printedOffMm())
                .map(off -> off.value() / 2)
                .orElse(Double.NaN);
        boolean gauged = !Double.isNaN(lost)
                || build.journal().tasks().stream()
                        .anyMatch(t -> t.what().toLowerCase(Locale.ROOT).contains(GAUGE));
        for (Shell shell : build.casing().shells()) {
            for (int i = 0; i < shell.seams().size(); i++) {
                Seam seam = shell.seams().get(i);
                for (Named named : whole(shell, seam.way())) {
                    if (seam.meets(named.box, LAP_MM)) {
                        crossed.add(new Crossed(shell.id(), i, named.name, clear(shell, seam)));
                    }
                }
            }
            if (shell.making() == Shell.Making.PRINTED && !shell.standing().here()) {
                int serving = (int) shell.openings().stream()
                        .filter(o -> o.serves().isPresent())
                        .count();
                if (!gauged && serving + shell.bosses().size() > 0) {
                    ungauged.add(
                            new Ungauged(shell.id(), serving, shell.bosses().size()));
                }
                if (lost > 0) {
                    tight(build, fit, shell, lost, tight);
                }
            }
        }
        return new PrintingResult(crossed, ungauged, tight);
    }

    private static void tight(Build build, FitResult fit, Shell shell, double lost, List<Tight> all) {
        for (FitResult.Mouth mouth : fit.mouths()) {
            boolean here = build.placement(mouth.part())
                    .filter(p -> p.shell().equals(shell.id()))
                    .isPresent();
            double room = -mouth.lacksMm();
            if (here && mouth.opening().isPresent() && mouth.letsIn() && room < lost - EXACT_MM) {
                all.add(new Tight(
                        shell.id(),
                        mouth.opening().get(),
                        mouth.part(),
                        mouth.port().id(),
                        room,
                        lost));
            }
        }
    }

    private record Named(String name, Box box) {}

    /** What a seam that parts so should leave whole. */
    private static List<Named> whole(Shell shell, Seam.Way way) {
        List<Named> all = new ArrayList<>();
        for (Opening opening : shell.openings()) {
            if (opening.wall().axis() != way.axis()) {
                all.add(new Named("“" + opening.name() + "”", opening.through(shell)));
            }
        }
        for (Vent vent : shell.vents()) {
            if (vent.wall().axis() != way.axis()) {
                all.add(new Named("“" + vent.name() + "”", vent.box()));
            }
        }
        for (Boss boss : shell.bosses()) {
            all.add(new Named("a boss", boss.post()));
        }
        return all;
    }

    /** The place nearest to a seam's where it runs through nothing; none where there is none. */
    public static OptionalDouble clear(Shell shell, Seam seam) {
        int axis = seam.way().axis();
        List<Named> whole = whole(shell, seam.way());
        List<Double> places = new ArrayList<>(List.of(seam.atMm()));
        for (Named named : whole) {
            places.add(named.box.low(axis) - LAP_MM);
            places.add(named.box.high(axis) + LAP_MM);
        }
        Optional<Double> nearest = places.stream()
                .filter(at -> at >= LAP_MM && at <= shell.cavity().size(axis) - LAP_MM)
                .filter(at -> whole.stream().noneMatch(w -> new Seam(seam.way(), at).meets(w.box, LAP_MM - 1e-9)))
                .min((a, b) -> Double.compare(Math.abs(a - seam.atMm()), Math.abs(b - seam.atMm())));
        return nearest.map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }
}
