package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.engine.Engine;
import boldsatchel.hold.HoldEngine;
import boldsatchel.hold.HoldResult;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Magnet;
import boldsatchel.machine.Section;
import boldsatchel.plan.Fixings;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Tells what will rattle, come off or never come out again. It answers no question of its own. */
public final class HoldJudge implements Judge<HoldResult> {

    private static final double EXACT_MM = 1e-6;

    /** A judge; all are alike. */
    public HoldJudge() {}

    @Override
    public Engine<HoldResult> engine() {
        return new HoldEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING, Section.LAYOUT);
    }

    @Override
    public Optional<Verdict.Kind> bearsOn() {
        return Optional.of(Verdict.Kind.PACKS);
    }

    @Override
    public Judgement judge(Build build, HoldResult hold) {
        Sheet sheet = new Sheet(new HoldTelling(build, hold));
        hold.loose().forEach(p -> sheet.add("hold.nothing", Severity.WATCH, List.of(p), Map.of()));
        hold.unscrewable()
                .forEach(id -> sheet.add(
                        build.shell(id).isPresent() ? "hold.tray-no-boss" : "hold.no-boss",
                        build.shell(id).isPresent() ? Severity.NOTE : Severity.WATCH,
                        List.of(id),
                        Map.of()));
        // Of several holes of a part the worst is told.
        worst(hold, Comparator.comparingDouble(s -> s.asideMm() - s.mayMm())).stream()
                .filter(s -> !s.meets())
                .forEach(s -> sheet.add(
                        "hold.hole-off",
                        Severity.WATCH,
                        List.of(s.part()),
                        numbers("asideMm", s.asideMm(), "mayMm", s.mayMm())));
        worst(hold, Comparator.comparingDouble(s -> s.wantedMm() - s.engagedMm())).stream()
                .filter(s -> s.engagedMm() < s.wantedMm() - EXACT_MM)
                .forEach(s -> sheet.add(
                        "hold.screw-short",
                        Severity.WATCH,
                        List.of(s.part()),
                        numbers("engagedMm", s.engagedMm(), "wantedMm", s.wantedMm())));
        worst(hold, Comparator.comparingDouble(HoldResult.Screwed::throughMm)).stream()
                .filter(s -> s.throughMm() > EXACT_MM)
                .forEach(s -> sheet.add(
                        "hold.screw-through", Severity.STOP, List.of(s.part()), numbers("throughMm", s.throughMm())));
        hold.tapes()
                .forEach(t -> sheet.add(
                        "hold.tape-weak",
                        Severity.WATCH,
                        List.of(t.part()),
                        numbers("massG", t.massG(), "bearsG", t.bearsG())));
        hold.glued().forEach(p -> sheet.add("hold.glued-in", Severity.WATCH, List.of(p), Map.of()));
        hold.hollow()
                .forEach(h -> sheet.add(
                        "hold.keys-hollow",
                        Severity.WATCH,
                        List.of(h.part()),
                        numbers("corners", h.corners().size(), "overMm", h.overMm())));
        hold.closed().forEach(c -> sheet.add("hold.glue-closes", Severity.WATCH, c.parts(), Map.of()));
        for (HoldResult.Magnetic m : hold.magnets()) {
            if (Double.isNaN(m.eachN())) {
                sheet.add("hold.magnets-unsaid", Severity.NOTE, List.of(m.shell()), Map.of());
            } else if (m.holdsN() < m.wantedN()) {
                sheet.add(
                        "hold.magnets-weak",
                        Severity.WATCH,
                        List.of(m.shell()),
                        numbers("holdsN", m.holdsN(), "wantedN", m.wantedN(), "count", m.count(), "massG", m.massG()));
            }
        }
        if (!hold.unsaid().isEmpty()) {
            sheet.add(
                    "hold.unsaid",
                    Severity.NOTE,
                    hold.unsaid(),
                    numbers("count", hold.unsaid().size()));
        }
        return new Judgement(List.of(), sheet.findings());
    }

    private static List<HoldResult.Screwed> worst(HoldResult hold, Comparator<HoldResult.Screwed> by) {
        List<HoldResult.Screwed> worst = new ArrayList<>();
        hold.holes().stream()
                .map(HoldResult.Screwed::part)
                .distinct()
                .forEach(part -> hold.holes().stream()
                        .filter(s -> s.part().equals(part))
                        .max(by)
                        .ifPresent(worst::add));
        return worst;
    }

    /** Tells of what holds. */
    private record HoldTelling(Build build, HoldResult hold) implements Telling {

        private String names(List<String> parts) {
            return String.join(", ", parts.stream().map(p -> name(build, p)).toList());
        }

        @Override
        public String sentence(Noted f) {
            String who = name(build, f.first());
            return switch (f.code()) {
                case "hold.nothing" -> "Nothing holds " + who + ": it rattles, and tears its wires when dropped.";
                case "hold.no-boss" ->
                    who + " is held by screws, and none of its holes lies over a boss that takes one.";
                case "hold.tray-no-boss" ->
                    who
                            + " is screwed on, and no boss stands where its screws could go: what they hold in is not known.";
                case "hold.hole-off" ->
                    "A hole of " + who + " is " + f.n("asideMm") + " mm beside its boss; the screw gives way by "
                            + f.n("mayMm") + " mm.";
                case "hold.screw-short" ->
                    "The screws of " + who + " hold in " + n(Math.max(0, f.number("engagedMm")))
                            + " mm of thread; one and a half diameters are " + f.n("wantedMm") + " mm.";
                case "hold.screw-through" ->
                    "The screws of " + who + " come out " + f.n("throughMm") + " mm under the floor.";
                case "hold.tape-weak" ->
                    "Foam tape under " + who + " bears about " + Units.format(f.number("bearsG"), 0, "g")
                            + " for long; it weighs " + Units.format(f.number("massG"), 0, "g") + ".";
                case "hold.glued-in" -> who + " is glued in, and will want to come out one day.";
                case "hold.keys-hollow" ->
                    Double.isInfinite(f.number("overMm"))
                            ? "Nothing bears " + who + " from below: it gives way when it is typed on."
                            : f.n("corners") + (f.number("corners") == 1 ? " corner of " : " corners of ") + who
                                    + (f.number("corners") == 1 ? " lies" : " lie") + " hollow: the outermost key is "
                                    + f.n("overMm")
                                    + " mm beyond what bears it, and gives way when it is struck.";
                case "hold.glue-closes" ->
                    "Glue closes the only way to " + names(f.subjects()) + ", which will want to come out one day.";
                case "hold.magnets-unsaid" ->
                    who
                            + " is held by magnets of which nobody said how large they are: whether it falls off when the machine "
                            + "is turned over is not known.";
                case "hold.magnets-weak" ->
                    f.n("count") + " magnets hold " + who + " with " + n(f.number("holdsN")) + " N; with "
                            + Units.format(f.number("massG"), 0, "g") + " it wants " + f.n("wantedN")
                            + " N to stay on when it is turned over and shaken (three times its weight, a guess; the magnets"
                            + " are taken for neodymium of 1.2 T).";
                case "hold.unsaid" ->
                    "Of " + f.n("count") + (f.number("count") == 1 ? " part" : " parts")
                            + " nobody said what holds them when the machine is dropped.";
                default -> throw Telling.unknown(f);
            };
        }

        @Override
        public List<Remedy> cures(Noted f) {
            String part = f.first();
            return switch (f.code()) {
                case "hold.nothing" ->
                    List.of(by("Hold it by clips", part, Fixing.By.CLIPS), by("Strap it down", part, Fixing.By.STRAP));
                case "hold.no-boss" -> {
                    List<Remedy> cures = new ArrayList<>();
                    if (build.part(part)
                            .filter(p -> !p.body().holes().isEmpty())
                            .isPresent()) {
                        cures.add(Remedy.by("Put bosses under its holes", Fixings.bosses(part)));
                    }
                    cures.add(by("Hold it by clips", part, Fixing.By.CLIPS));
                    cures.add(Remedy.advice("Measure its holes and write them into the part"));
                    yield cures;
                }
                case "hold.tray-no-boss" -> {
                    List<Remedy> cures = new ArrayList<>();
                    Fixings.corners(build, part).ifPresent(e -> cures.add(Remedy.by("Put bosses into the corners", e)));
                    cures.add(Remedy.advice("Write its bosses into the tray, or latch it"));
                    yield cures;
                }
                case "hold.hole-off" -> List.of(Remedy.by("Put bosses under its holes", Fixings.bosses(part)));
                case "hold.screw-short", "hold.screw-through" -> screws(part);
                case "hold.tape-weak" ->
                    List.of(by("Strap it down", part, Fixing.By.STRAP), by("Hold it by clips", part, Fixing.By.CLIPS));
                case "hold.glued-in" ->
                    List.of(
                            by("Strap it down instead", part, Fixing.By.STRAP),
                            by("Take foam tape instead", part, Fixing.By.TAPE));
                case "hold.keys-hollow" -> {
                    List<Remedy> cures = new ArrayList<>();
                    Fixings.posts(build, part).ifPresent(e -> cures.add(Remedy.by("Put posts under its corners", e)));
                    cures.add(by("Hold it by clips along its edges", part, Fixing.By.CLIPS));
                    cures.add(Remedy.advice("Lay foam or a rib under its corners"));
                    yield cures;
                }
                case "hold.glue-closes" -> {
                    List<Remedy> cures = new ArrayList<>();
                    hold.closed().stream()
                            .filter(c -> c.parts().equals(f.subjects()))
                            .forEach(c ->
                                    cures.add(Remedy.by("Screw that tray on instead", Fixings.screwOn(c.joint()))));
                    cures.add(Remedy.advice("Latch it, or give it a hatch"));
                    yield cures;
                }
                case "hold.magnets-unsaid" ->
                    List.of(
                            Remedy.by(
                                    "Take them for discs of " + size(Magnet.USUAL) + ", " + n(Magnet.USUAL.gapMm())
                                            + " mm apart (a guess)",
                                    Fixings.magnets(part, Magnet.USUAL)),
                            Remedy.advice("Measure them, and write them into the joint"));
                case "hold.magnets-weak" -> magnets(part);
                case "hold.unsaid" ->
                    List.of(
                            Remedy.by("Take what is usual for each: screws, clips, tape, straps", Fixings.usual()),
                            Remedy.advice("Say it in Details of the part"));
                default -> throw Telling.unknown(f);
            };
        }

        private static String size(Magnet magnet) {
            return n(magnet.diameterMm()) + " × " + n(magnet.thickMm()) + " mm";
        }

        private List<Remedy> magnets(String shell) {
            List<Remedy> cures = new ArrayList<>();
            hold.magnets().stream()
                    .filter(m -> m.shell().equals(shell))
                    .findFirst()
                    .flatMap(m -> Fixings.strongEnough(build, m))
                    .ifPresent(held -> cures.add(Remedy.by(
                            "Take " + held.count() + " magnets of "
                                    + held.magnet().map(HoldTelling::size).orElse("these"),
                            Fixings.heldSo(shell, held))));
            cures.add(Remedy.advice("Bring them nearer together, or screw or latch the tray"));
            return cures;
        }

        private static Remedy by(String words, String part, Fixing.By by) {
            return Remedy.by(words, Fixings.hold(part, by));
        }

        private List<Remedy> screws(String part) {
            Optional<HoldResult.Screwed> hole = hold.holes().stream()
                    .filter(s -> s.part().equals(part))
                    .max(Comparator.comparingDouble(HoldResult.Screwed::clampedMm));
            List<Remedy> cures = new ArrayList<>();
            hole.flatMap(Fixings::screw)
                    .ifPresent(s -> cures.add(Remedy.by("Take " + s.words(), Fixings.screws(part, s))));
            cures.add(Remedy.advice("Make the bosses higher, or the floor thicker"));
            return cures;
        }
    }
}
