package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.engine.Engine;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Section;
import boldsatchel.plan.Aside;
import boldsatchel.plan.Openings;
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
    /** What rests on a panel that feels pressure is kept this far off it, mm; a guess: swelling and screws take some. */
    private static final double OFF_MM = 0.5;

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
        }
        boolean rests = !a.open() && (a.isShut() || a.isCut());
        if (a.feelsPressure() && rests && a.gapMm() < OFF_MM) {
            sheet.add(
                    "reach.pressed",
                    Severity.WATCH,
                    subjects,
                    numbers("index", index, "gapMm", a.gapMm(), "offMm", OFF_MM));
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
            return a.kind() == Kind.BUTTON
                    ? "The button “" + a.what() + "” of " + name(build, a.part())
                    : "The picture of " + name(build, a.part());
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
                case "reach.covered" ->
                    name(build, f.subjects().get(1)) + " lies before " + what(a).replaceFirst("^The", "the") + ".";
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
                case "reach.window-small" ->
                    "The window hides up to " + f.n("lacksMm") + " mm of " + what(a).replaceFirst("^The", "the") + ".";
                case "reach.light" ->
                    "The window before " + what(a).replaceFirst("^The", "the") + " goes " + f.n("pastMm")
                            + " mm beyond the screen: its light comes out beside it, and dust gets in.";
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
