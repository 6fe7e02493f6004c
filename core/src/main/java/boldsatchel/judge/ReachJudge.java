package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.edit.Edit;
import boldsatchel.engine.Engine;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Fixing;
import boldsatchel.machine.Peg;
import boldsatchel.machine.Section;
import boldsatchel.plan.Aside;
import boldsatchel.plan.Fixings;
import boldsatchel.plan.Openings;
import boldsatchel.reach.Press;
import boldsatchel.reach.ReachEngine;
import boldsatchel.reach.ReachResult;
import boldsatchel.reach.ReachResult.Access;
import boldsatchel.reach.ReachResult.Kind;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Tells which buttons and pictures walls are before, and which holes are left over. It answers no question of its own. */
public final class ReachJudge implements Judge<ReachResult> {

    /** Caps of one row that differ by more feel uneven, mm; a guess. */
    private static final double UNEVEN_MM = 0.5;
    /** A peg may come out longer, or its button lie higher, by this, mm; a guess: what a printer is off. */
    private static final double PEG_OFF_MM = 0.2;

    /** A judge; all are alike. */
    public ReachJudge() {}

    @Override
    public Engine<ReachResult> engine() {
        return new ReachEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.PARTS, Section.CASING);
    }

    @Override
    public Judgement judge(Build build, ReachResult reach) {
        Sheet sheet = new Sheet(new ReachTelling(build, reach));
        for (int i = 0; i < reach.all().size(); i++) {
            judge(reach, i, sheet);
        }
        for (int i = 0; i < reach.idle().size(); i++) {
            sheet.add(
                    "reach.hole-idle",
                    Severity.NOTE,
                    List.of(reach.idle().get(i).shell()),
                    numbers("index", i));
        }
        return new Judgement(List.of(), sheet.findings());
    }

    private static void judge(ReachResult reach, int index, Sheet sheet) {
        Access a = reach.all().get(index);
        List<String> subjects = List.of(a.part(), a.shell().id());
        Map<String, Double> numbers = numbers("index", index, "behindMm", a.behindMm());
        if (a.covered().isPresent()) {
            sheet.add(
                    "reach.covered",
                    Severity.WATCH,
                    List.of(a.part(), a.covered().get()),
                    numbers);
        }
        if (a.isShut()) {
            sheet.add(a.kind() == Kind.BUTTON ? "reach.shut" : "reach.no-window", Severity.WATCH, subjects, numbers);
        } else if (a.isDeep()) {
            sheet.add(
                    "reach.deep",
                    Severity.WATCH,
                    subjects,
                    numbers("index", index, "behindMm", a.behindMm(), "mayMm", a.mayMm(), "pegMm", a.pegMm()));
        } else if (a.kind() == Kind.PICTURE && !a.open() && a.isCut()) {
            sheet.add("reach.window-small", Severity.WATCH, subjects, numbers("index", index, "lacksMm", a.lacksMm()));
        }
        if (a.isPast()) {
            sheet.add("reach.light", Severity.NOTE, subjects, numbers("index", index, "pastMm", a.pastMm()));
        } else if (a.isPastAslant()) {
            sheet.add(
                    "reach.light-aslant",
                    Severity.NOTE,
                    subjects,
                    numbers("index", index, "gapMm", a.gapMm(), "hiddenMm", -a.pastMm()));
        }
        a.press().ifPresent(press -> judge(press, index, subjects, sheet));
        boolean rests = !a.open() && (a.isShut() || a.isCut());
        if (a.feelsPressure() && rests && a.gapMm() < Openings.OFF_MM) {
            sheet.add(
                    "reach.pressed",
                    Severity.WATCH,
                    subjects,
                    numbers("index", index, "gapMm", a.gapMm(), "offMm", Openings.OFF_MM));
        }
        // Each pair once, told of the one that comes later.
        for (int i = 0; i < index; i++) {
            Access b = reach.all().get(i);
            if (isRow(a, b) && Math.abs(a.behindMm() - b.behindMm()) > UNEVEN_MM) {
                sheet.add(
                        "reach.uneven",
                        Severity.NOTE,
                        subjects,
                        numbers("index", index, "other", i, "differMm", Math.abs(a.behindMm() - b.behindMm())));
            }
        }
    }

    private static void judge(Press press, int index, List<String> subjects, Sheet sheet) {
        if (press.isShort()) {
            sheet.add(
                    "reach.peg-short",
                    Severity.WATCH,
                    subjects,
                    numbers("index", index, "goesMm", press.goesMm(), "strokeMm", press.strokeMm()));
        }
        if (press.mayHold(PEG_OFF_MM)) {
            sheet.add(
                    "reach.peg-holds",
                    Severity.WATCH,
                    subjects,
                    numbers("index", index, "playMm", press.peg().playMm(), "offMm", PEG_OFF_MM));
        }
        if (press.isLoose()) {
            Peg.Spring spring = press.peg().spring().orElseThrow();
            sheet.add(
                    "reach.spring-loose",
                    Severity.NOTE,
                    subjects,
                    numbers("index", index, "freeMm", spring.freeMm(), "roomMm", spring.roomMm()));
        }
        if (press.isSolid()) {
            sheet.add(
                    "reach.spring-solid",
                    Severity.WATCH,
                    subjects,
                    numbers("index", index, "goesMm", press.untilSolidMm(), "strokeMm", press.strokeMm()));
        }
        if (press.downN() > Press.MOST_N) {
            sheet.add(
                    "reach.spring-hard",
                    Severity.WATCH,
                    subjects,
                    numbers("index", index, "downN", press.downN(), "mostN", Press.MOST_N));
        }
    }

    /** Whether two buttons are pressed through holes of one wall, without pegs of their own lengths. */
    private static boolean isRow(Access a, Access b) {
        return a.kind() == Kind.BUTTON
                && b.kind() == Kind.BUTTON
                && a.shell().id().equals(b.shell().id())
                && a.wall().equals(b.wall())
                && isBare(a)
                && isBare(b);
    }

    private static boolean isBare(Access a) {
        return !a.open() && a.opening().filter(o -> !o.peg()).isPresent();
    }

    /** Tells of what is to be reached. */
    private record ReachTelling(Build build, ReachResult reach) implements Telling {

        private Access of(Noted f) {
            return reach.all().get((int) f.number("index"));
        }

        private String what(Access a) {
            return Words.begun(the(a));
        }

        private String the(Access a) {
            return a.kind() == Kind.BUTTON
                    ? "the button “" + a.what() + "” of " + name(build, a.part())
                    : "the picture of " + name(build, a.part());
        }

        @Override
        public String sentence(Noted f) {
            if (f.code().equals("reach.hole-idle")) {
                ReachResult.Idle idle = reach.idle().get((int) f.number("index"));
                return "“" + idle.opening().name() + "” in " + name(build, idle.shell())
                        + " serves nothing any more: it lets in dust and light.";
            }
            Access a = of(f);
            return switch (f.code()) {
                case "reach.covered" -> name(build, f.subjects().get(1)) + " lies before " + the(a) + ".";
                case "reach.shut" ->
                    what(a) + " is " + f.n("behindMm") + " mm behind the " + a.wall() + " wall of "
                            + a.shell().name()
                            + ", which has no hole there: it cannot be pressed once the case is shut.";
                case "reach.no-window" ->
                    what(a) + " looks at the closed " + a.wall() + " wall of "
                            + a.shell().name() + ".";
                case "reach.deep" ->
                    what(a) + " lies " + f.n("behindMm")
                            + " mm deep in its hole; without a peg it can be pressed down to " + f.n("mayMm")
                            + " mm. A peg of " + f.n("pegMm") + " mm does.";
                case "reach.window-small" -> "The window hides up to " + f.n("lacksMm") + " mm of " + the(a) + ".";
                case "reach.light" ->
                    "The window before " + the(a) + " goes " + f.n("pastMm")
                            + " mm beyond the screen: its light comes out beside it, and dust gets in.";
                case "reach.light-aslant" ->
                    "Seen aslant, light comes out beside " + the(a) + ": the screen lies "
                            + f.n("gapMm") + " mm behind the wall, which hides only " + f.n("hiddenMm")
                            + " mm of its rim.";
                case "reach.peg-short" ->
                    "The peg for " + the(a) + " goes down " + f.n("goesMm") + " mm under a finger; it takes "
                            + f.n("strokeMm") + " mm to press it.";
                case "reach.peg-holds" ->
                    "The peg for " + the(a) + " has " + f.n("playMm") + " mm of free play: off by " + f.n("offMm")
                            + " mm, it holds the button down for ever.";
                case "reach.spring-loose" ->
                    "The spring of the peg for " + the(a) + " is " + f.n("freeMm")
                            + " mm long and lies in " + f.n("roomMm")
                            + " mm: nothing pushes the peg back, and it rattles.";
                case "reach.spring-solid" ->
                    "The coils of the spring of the peg for " + the(a) + " touch after " + f.n("goesMm")
                            + " mm; it takes " + f.n("strokeMm") + " mm to press the button.";
                case "reach.spring-hard" ->
                    "The spring of the peg for " + the(a) + " asks for " + f.n("downN")
                            + " N, without what the button asks; one fingertip is asked for no more than "
                            + f.n("mostN") + " N.";
                case "reach.pressed" ->
                    what(a) + " feels pressure, and the " + a.wall() + " wall is " + n(Math.max(0, f.number("gapMm")))
                            + " mm off it; under " + f.n("offMm") + " mm it may be felt as a finger all the time.";
                case "reach.uneven" -> {
                    Access b = reach.all().get((int) f.number("other"));
                    yield what(a) + " lies " + f.n("differMm") + " mm "
                            + (a.behindMm() > b.behindMm() ? "deeper" : "higher") + " than “" + b.what()
                            + "” behind the same wall: equal caps would stand unequal.";
                }
                default -> throw Telling.unknown(f);
            };
        }

        private static Edit peg(Access a, Peg peg) {
            return Openings.peg(a.shell().id(), a.opening().orElseThrow(), peg);
        }

        @Override
        public List<Remedy> cures(Noted f) {
            if (f.code().equals("reach.hole-idle")) {
                ReachResult.Idle idle = reach.idle().get((int) f.number("index"));
                return List.of(
                        Remedy.by(
                                idle.found() ? "Cover it with a plate" : "Leave it out",
                                Openings.close(idle.shell(), idle.opening())),
                        Remedy.advice("Keep it, and say in its figures that it serves nothing"));
            }
            Access a = of(f);
            return switch (f.code()) {
                case "reach.covered" -> {
                    List<Remedy> cures = new ArrayList<>();
                    Aside.from(build, f.subjects().get(1), a.part(), a.what())
                            .ifPresent(e -> cures.add(
                                    Remedy.by("Put " + name(build, f.subjects().get(1)) + " elsewhere", e)));
                    cures.add(Remedy.advice("Move one of them, or lead the button out on wires"));
                    yield cures;
                }
                case "reach.shut" ->
                    List.of(
                            Remedy.by(
                                    a.needsPeg()
                                            ? "Cut a hole for a peg of " + n(a.pegMm()) + " mm"
                                            : "Cut a hole for it",
                                    Openings.cutKey(a.part(), a.what(), a.needsPeg())),
                            Remedy.advice("Lead the button out on wires"));
                case "reach.deep" ->
                    List.of(Remedy.by("Put a peg into its hole", Openings.cutKey(a.part(), a.what(), true)));
                case "reach.light-aslant" -> {
                    List<Remedy> cures = new ArrayList<>();
                    Openings.nearer(build, a).ifPresent(e -> cures.add(Remedy.by(Words.begun(e.name()), e)));
                    cures.add(Remedy.by(
                            "Hold it to the wall by foam tape all round its picture",
                            Fixings.hold(a.part(), Fixing.By.TAPE)));
                    yield cures;
                }
                case "reach.peg-short", "reach.peg-holds" -> {
                    Peg fitted = a.press().orElseThrow().fitted(PEG_OFF_MM);
                    yield List.of(Remedy.by(
                            "Make it " + n(fitted.lengthMm()) + " mm long, with " + n(fitted.playMm())
                                    + " mm of free play",
                            peg(a, fitted)));
                }
                case "reach.spring-loose", "reach.spring-solid" -> {
                    Peg sprung = a.press().orElseThrow().sprung();
                    Peg.Spring spring = sprung.spring().orElseThrow();
                    boolean same = spring.freeMm()
                            == a.press()
                                    .orElseThrow()
                                    .peg()
                                    .spring()
                                    .orElseThrow()
                                    .freeMm();
                    yield List.of(Remedy.by(
                            same
                                    ? "Leave it " + n(spring.roomMm()) + " mm between its seats"
                                    : "Take one " + n(spring.freeMm()) + " mm long, in " + n(spring.roomMm()) + " mm",
                            peg(a, sprung)));
                }
                case "reach.spring-hard" -> {
                    Peg soft = a.press().orElseThrow().soft();
                    yield List.of(
                            Remedy.by(
                                    "Take one of "
                                            + n(soft.spring().orElseThrow().newtonsPerMm()) + " N for each mm",
                                    peg(a, soft)),
                            Remedy.advice("Leave it more room between its seats"));
                }
                case "reach.no-window", "reach.window-small", "reach.pressed", "reach.light" ->
                    List.of(Remedy.by("Cut a window as large as the picture", Openings.window(a.part())));
                case "reach.uneven" ->
                    List.of(
                            Remedy.by("Press it by a peg of its own length", Openings.cutKey(a.part(), a.what(), true)),
                            Remedy.advice("Put its board on standoffs of another height"));
                default -> throw Telling.unknown(f);
            };
        }
    }
}
