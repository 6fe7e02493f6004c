package boldsatchel.judge;

import static boldsatchel.judge.Words.numbers;

import boldsatchel.edit.CaseEdits;
import boldsatchel.engine.Engine;
import boldsatchel.hands.HandsEngine;
import boldsatchel.hands.HandsResult;
import boldsatchel.hands.SetUp;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Section;
import boldsatchel.plan.Aside;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Judge;
import boldsatchel.verdict.Judgement;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Severity;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Tells where eyes, fingers, wrists and arms will mind. It answers no question of its own: bodies differ, and each figure is a guess that a
 * mock-up of cardboard beats.
 */
public final class HandsJudge implements Judge<HandsResult> {

    /** Capitals that can be read, minutes of arc (ISO 9241-303). */
    private static final double LEAST_ARCMIN = 16;
    /** Eyes turned down by 20°, and the head bent by 25° (ISO 11226). */
    static final double MOST_BELOW_DEG = 45;
    /** Seen further from aside, a picture's colours and letters suffer (after ISO 9241-303). */
    private static final double MOST_OBLIQUE_DEG = 40;
    /** A turned picture is seen as such from about here; a guess. */
    static final double MOST_ROLL_DEG = 3;
    /** What goes from one screen to the other changes its size by this; a guess. */
    static final double MOST_UNEQUAL = 1.25;
    /** From pressing a key to seeing its letter (R. B. Miller, AFIPS Fall Joint Computer Conference 1968, 267), s. */
    private static final double MOST_LAG_S = 0.2;

    /** A wrist bent more is a strained one (RULA: McAtamney and Corlett, Applied Ergonomics 24, 1993). */
    static final double MOST_WRIST_DEG = 15;
    /** What tires sooner than this is asked a second look; a guess. */
    static final double LEAST_MINUTES = 10;
    /** What hangs more crooked than this knocks against the leg; a guess. */
    private static final double MOST_HANG_DEG = 15;

    /** A judge; all are alike. */
    public HandsJudge() {}

    @Override
    public Engine<HandsResult> engine() {
        return new HandsEngine();
    }

    @Override
    public Set<Section> reads() {
        return EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.LAYOUT);
    }

    @Override
    public Judgement judge(Build build, HandsResult hands) {
        List<Found> all = new ArrayList<>();
        for (HandsResult.InPosture in : hands.postures()) {
            find(build, in, all);
            lag(build, in, all);
        }
        // Of one trouble in several postures the worst is told.
        all.sort(Comparator.comparingDouble((Found f) -> -f.badness));
        Set<List<Object>> told = new HashSet<>();
        List<Finding> findings = new ArrayList<>();
        for (Found f : all) {
            if (told.add(List.of(f.code, f.subjects))) {
                new Sheet(findings, new HandsTelling(build, f.in)).add(f.code, f.severity, f.subjects, f.numbers);
            }
        }
        if (hands.setUp().hasPieces()) {
            new Sheet(findings, new SetUpTelling(build, hands.setUp()))
                    .add(
                            "hands.set-up",
                            Severity.NOTE,
                            List.of(),
                            numbers(
                                    "steps",
                                    hands.setUp().steps().size(),
                                    "seconds",
                                    hands.setUp().seconds()));
        }
        return new Judgement(List.of(), findings);
    }

    /** What is typed on a panel that takes its time to draw comes late. */
    private static void lag(Build build, HandsResult.InPosture in, List<Found> all) {
        boolean types = build.parts().list().stream().anyMatch(p -> p.family() == Family.KEYBOARD);
        for (HandsResult.Sight sight : in.sights()) {
            build.part(sight.screen())
                    .flatMap(p -> p.facet(Facet.Refreshes.class))
                    .filter(r -> types && r.mostPerMinute() > 0)
                    .ifPresent(r -> above(
                            all,
                            in,
                            "hands.typing-lag",
                            Severity.WATCH,
                            sight.screen(),
                            60 / r.mostPerMinute(),
                            MOST_LAG_S));
        }
    }

    /** Tells what it takes to set it up. */
    private record SetUpTelling(Build build, SetUp setUp) implements Telling {
        @Override
        public String sentence(Noted f) {
            return "Setting it up takes " + f.n("steps") + " steps, some " + Units.format(f.number("seconds"), 0, "s")
                    + " (a guess): "
                    + String.join(
                            "; ", setUp.steps().stream().map(SetUp.Step::words).toList()) + ".";
        }

        @Override
        public List<Remedy> cures(Noted f) {
            List<Remedy> cures = new ArrayList<>();
            for (String id : setUp.pieces()) {
                cures.addAll(pieceJoined(build, id));
            }
            cures.add(Remedy.advice("Join a piece to the machine by a hinge or a slide, or leave it plugged in"));
            return cures;
        }
    }

    /**
     * A piece that lies beside the machine made part of it; nothing where it is.
     *
     * @param id of a tray or part
     */
    static List<Remedy> pieceJoined(Build build, String id) {
        return build
                .shell(id)
                .filter(s -> !build.casing().belongs(s.id()))
                .flatMap(s -> CaseEdits.hinge(build, s).or(() -> CaseEdits.screwOn(build, s)))
                .or(() -> build.part(id).flatMap(p -> Aside.into(build, p)))
                .map(e -> Remedy.by(Words.begun(e.name()), e))
                .stream()
                .toList();
    }

    /** Something that is off its limit. */
    private record Found(
            String code,
            Severity severity,
            List<String> subjects,
            Map<String, Double> numbers,
            double badness,
            HandsResult.InPosture in) {}

    private static void find(Build build, HandsResult.InPosture in, List<Found> all) {
        // How large letters are drawn is the system's; nobody said it yet.
        Severity letters = build.brief().user().isPresent() ? Severity.WATCH : Severity.NOTE;
        for (HandsResult.Sight s : in.sights()) {
            above(all, in, "hands.letters-small", letters, s.screen(), -s.capitalsArcmin(), -LEAST_ARCMIN);
            above(all, in, "hands.screen-low", Severity.NOTE, s.screen(), s.belowDeg(), MOST_BELOW_DEG);
            above(all, in, "hands.screen-aside", Severity.NOTE, s.screen(), s.obliqueDeg(), MOST_OBLIQUE_DEG);
            above(all, in, "hands.screen-rolled", Severity.WATCH, s.screen(), s.rollDeg(), MOST_ROLL_DEG);
        }
        if (in.unequal() > MOST_UNEQUAL) {
            List<String> screens =
                    in.sights().stream().map(HandsResult.Sight::screen).toList();
            Map<String, Double> numbers = numbers("is", in.unequal(), "may", MOST_UNEQUAL);
            all.add(new Found("hands.screens-unequal", Severity.NOTE, screens, numbers, in.unequal(), in));
        }
        for (HandsResult.Typing t : in.typings()) {
            above(all, in, "hands.keys-high", Severity.NOTE, t.keyboard(), t.wristDeg(), MOST_WRIST_DEG);
            above(all, in, "hands.walks", Severity.WATCH, t.keyboard(), -t.grips(), -1);
            above(all, in, "hands.typing-tips", Severity.WATCH, t.keyboard(), t.tips() ? 1 : 0, 0.5);
        }
        for (HandsResult.Load l : in.loads()) {
            if (l.bearer() == HandsResult.Bearer.NECK) {
                above(all, in, "hands.head-heavy", Severity.WATCH, "", l.momentNm(), l.mostNm());
            } else {
                above(all, in, "hands.tires", Severity.WATCH, "", -l.minutes(), -LEAST_MINUTES);
            }
        }
        for (HandsResult.Reach r : in.reaches()) {
            above(all, in, "hands.out-of-reach", Severity.WATCH, r.part(), r.beyondMm(), 0);
        }
        in.hangsDeg().ifPresent(deg -> above(all, in, "hands.hangs-crooked", Severity.WATCH, "", deg, MOST_HANG_DEG));
        if (!in.isHoldKnown()) {
            String standing = build.casing().standing().orElseThrow().id();
            all.add(new Found("hands.hold-unknown", Severity.WATCH, List.of(standing), Map.of(), 0, in));
        }
    }

    private static void above(
            List<Found> all,
            HandsResult.InPosture in,
            String code,
            Severity severity,
            String subject,
            double is,
            double may) {
        if (is > may) {
            List<String> subjects = subject.isEmpty() ? List.of() : List.of(subject);
            all.add(new Found(
                    code, severity, subjects, numbers("is", Math.abs(is), "may", Math.abs(may)), is - may, in));
        }
    }
}
