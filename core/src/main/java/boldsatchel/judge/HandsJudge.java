package boldsatchel.judge;

import static boldsatchel.judge.Words.name;
import static boldsatchel.judge.Words.numbers;

import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.engine.Engine;
import boldsatchel.hands.HandsEngine;
import boldsatchel.hands.HandsResult;
import boldsatchel.hands.SetUp;
import boldsatchel.judge.Telling.Sheet;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Section;
import boldsatchel.machine.User;
import boldsatchel.plan.Aside;
import boldsatchel.plan.Holding;
import boldsatchel.quantity.Units;
import boldsatchel.shelf.Picks;
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
import java.util.Optional;
import java.util.Set;

/**
 * Tells where eyes, fingers, wrists and arms will mind. It answers no question of its own: bodies differ, and each figure is a guess that a
 * mock-up of cardboard beats.
 */
public final class HandsJudge implements Judge<HandsResult> {

    /** Capitals that can be read, minutes of arc (ISO 9241-303). */
    private static final double LEAST_ARCMIN = 16;
    /** Eyes turned down by 20°, and the head bent by 25° (ISO 11226). */
    private static final double MOST_BELOW_DEG = 45;
    /** Seen further from aside, a picture's colours and letters suffer (after ISO 9241-303). */
    private static final double MOST_OBLIQUE_DEG = 40;
    /** A turned picture is seen as such from about here; a guess. */
    private static final double MOST_ROLL_DEG = 3;
    /** What goes from one screen to the other changes its size by this; a guess. */
    private static final double MOST_UNEQUAL = 1.25;
    /** From pressing a key to seeing its letter (R. B. Miller, AFIPS Fall Joint Computer Conference 1968, 267), s. */
    private static final double MOST_LAG_S = 0.2;

    /** A wrist bent more is a strained one (RULA: McAtamney and Corlett, Applied Ergonomics 24, 1993). */
    private static final double MOST_WRIST_DEG = 15;
    /** What tires sooner than this is asked a second look; a guess. */
    private static final double LEAST_MINUTES = 10;
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
                build.shell(id)
                        .flatMap(s -> CaseEdits.hinge(build, s).or(() -> CaseEdits.screwOn(build, s)))
                        .or(() -> build.part(id).flatMap(p -> Aside.into(build, p)))
                        .ifPresent(e -> cures.add(Remedy.by(Words.begun(e.name()), e)));
            }
            cures.add(Remedy.advice("Join a piece to the machine by a hinge or a slide, or leave it plugged in"));
            return cures;
        }
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

    /** Tells what bodies will mind. */
    private record HandsTelling(Build build, HandsResult.InPosture in) implements Telling {

        private String where() {
            return build.casing().postures().isEmpty()
                    ? ""
                    : " in the posture “" + in.posture().name() + "”";
        }

        private Optional<HandsResult.Sight> sight(Noted f) {
            return in.sights().stream()
                    .filter(s -> s.screen().equals(f.first()))
                    .findFirst();
        }

        private String eyes(Noted f) {
            return sight(f).map(s -> Units.format(s.eyesMm(), 0, "mm")).orElse("some way");
        }

        private String controls() {
            List<String> out = in.reaches().stream()
                    .filter(r -> r.beyondMm() > 0)
                    .map(HandsResult.Reach::control)
                    .distinct()
                    .toList();
            return "“" + String.join("”, “", out) + "”";
        }

        private String tired() {
            return in.loads().stream()
                    .min(Comparator.comparingDouble(HandsResult.Load::minutes))
                    .map(l -> l.bearer().words() + " bears " + Units.format(l.momentNm(), 1, "N·m"))
                    .orElse("");
        }

        @Override
        public String sentence(Noted f) {
            String is = Units.format(f.number("is"), 0, "");
            String may = Units.format(f.number("may"), 0, "");
            return switch (f.code()) {
                case "hands.typing-lag" ->
                    "A letter that is typed comes to be seen on " + name(build, f.first()) + " after up to " + f.n("is")
                            + " s; beyond " + f.n("may") + " s typing feels slow.";
                case "hands.letters-small" ->
                    "From " + eyes(f) + " capitals of "
                            + Units.format(
                                    build.brief().user().orElse(User.USUAL).capitalsPx(), 0, "")
                            + " pixels on " + name(build, f.first()) + " are " + is
                            + "′ (minutes of arc) high" + where() + "; under " + may + "′ they are hard to read.";
                case "hands.screen-low" ->
                    "The eyes look " + is + "° down at " + name(build, f.first()) + where() + "; beyond " + may
                            + "° the neck is bent for as long as it is used.";
                case "hands.screen-aside" ->
                    name(build, f.first()) + " is turned " + is + "° from the eyes" + where() + "; up to " + may
                            + "° is usual.";
                case "hands.screen-rolled" ->
                    "The picture of " + name(build, f.first()) + " is turned by " + is + "°" + where()
                            + ", as the hinge it hangs on leans.";
                case "hands.screens-unequal" ->
                    "What goes from one screen to the other changes its size by " + Units.format(f.number("is"), 1, "")
                            + " times" + where() + ".";
                case "hands.keys-high" ->
                    name(build, f.first()) + " bends the wrists back by " + is + "°" + where() + "; up to " + may
                            + "° strains nobody.";
                case "hands.walks" ->
                    "Typing on " + name(build, f.first()) + " pushes it over the table" + where()
                            + ": it is too light for what it stands on.";
                case "hands.typing-tips" ->
                    "A keystroke at the edge of " + name(build, f.first()) + " lifts the far side" + where() + ".";
                case "hands.head-heavy" ->
                    "It pulls the head forward with " + Units.format(f.number("is"), 1, "N·m") + where() + "; about "
                            + Units.format(f.number("may"), 1, "N·m") + " are borne for long.";
                case "hands.tires" ->
                    "Held" + where() + " it weighs " + Units.format(in.massG(), 0, "g") + ": " + tired()
                            + " and wants a rest after about " + Units.format(f.number("is"), 0, "min") + ".";
                case "hands.out-of-reach" ->
                    controls() + " out of reach of the thumbs" + where() + ", by up to " + is + " mm.";
                case "hands.hangs-crooked" -> "From its handle it hangs " + is + "° crooked" + where() + ".";
                case "hands.hold-unknown" ->
                    "Nobody said where it is held" + where() + ": what it asks of the body is not known.";
                default -> throw Telling.unknown(f);
            };
        }

        @Override
        public List<Remedy> cures(Noted f) {
            String posture = in.posture().name();
            return switch (f.code()) {
                case "hands.typing-lag" -> {
                    List<Remedy> cures = new ArrayList<>();
                    build.part(f.first())
                            .ifPresent(slow -> Picks.quickScreen(slow)
                                    .ifPresent(quick -> cures.add(Remedy.by(
                                            "Take “" + quick.name() + "” off the shelf in its place",
                                            Edits.replacePart(slow, quick)))));
                    cures.add(Remedy.advice("Let the system draw only what changed, if the panel can"));
                    cures.add(Remedy.advice("Type on another screen, and read on this one"));
                    yield cures;
                }
                case "hands.letters-small" -> {
                    double px = Holding.capitalsPx(build, sight(f).orElseThrow());
                    yield List.of(
                            Remedy.by(
                                    "Let the system draw capitals " + Units.format(px, 0, "") + " pixels high",
                                    Holding.drawing(px)),
                            Remedy.advice("Bring the screen nearer, or take one with fewer or larger dots"));
                }
                case "hands.screen-low" ->
                    List.of(
                            Remedy.advice("Raise the screen: legs, a stand, or a longer lid"),
                            Remedy.advice("Write in the brief how near the eyes come, if they do"));
                case "hands.screen-aside" -> {
                    List<Remedy> cures = new ArrayList<>();
                    Holding.facing(build, in.posture(), f.first())
                            .ifPresent(turned -> cures.add(Remedy.by(
                                    "Open " + turned.joint().name() + " to " + Units.format(turned.deg(), 0, "°")
                                            + " in this posture",
                                    CaseEdits.open(turned.joint(), in.posture(), turned.deg()))));
                    cures.add(Remedy.advice("Hang the screen so that it can be turned to the eyes"));
                    yield cures;
                }
                case "hands.screen-rolled" ->
                    List.of(Remedy.advice("Hang it on an upright hinge, or on a second one that turns it back"));
                case "hands.screens-unequal" ->
                    List.of(Remedy.advice("Set another scale for one of them, where the system can"));
                case "hands.keys-high" ->
                    List.of(Remedy.advice("Put a palm rest at least 60 mm deep before it, or lower it"));
                case "hands.walks" -> List.of(Remedy.advice("Put rubber feet under it"));
                case "hands.typing-tips" ->
                    List.of(Remedy.advice("Put feet further out, or the battery under the keys"));
                case "hands.head-heavy" ->
                    List.of(Remedy.advice("Put the battery at the back of the band, as a counterweight"));
                case "hands.tires" ->
                    List.of(
                            Remedy.advice("Hang it on a strap, or use it on the lap for long work"),
                            Remedy.advice("Look at the heaviest items in the working of Carries"));
                case "hands.out-of-reach" -> {
                    Optional<Build> nearer = Holding.nearer(build, posture);
                    List<Remedy> remedies = new ArrayList<>();
                    nearer.ifPresent(n -> remedies.add(Remedy.by(
                            "Hold it where the thumbs come nearest",
                            new Edit(
                                    "hold it elsewhere",
                                    b -> Holding.nearer(b, posture).orElse(b)))));
                    remedies.add(Remedy.advice("Move the controls to the sides"));
                    yield remedies;
                }
                case "hands.hangs-crooked" ->
                    List.of(Remedy.by("Put the handle over the weight", Holding.overTheCentre(posture)));
                case "hands.hold-unknown" ->
                    List.of(Remedy.by("Hold it over its weight", Holding.overTheCentre(posture)));
                default -> throw Telling.unknown(f);
            };
        }
    }
}
