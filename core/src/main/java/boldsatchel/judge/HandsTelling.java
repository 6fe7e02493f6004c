package boldsatchel.judge;

import static boldsatchel.judge.Words.name;

import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.hands.HandsResult;
import boldsatchel.machine.Build;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.User;
import boldsatchel.plan.Aside;
import boldsatchel.plan.Holding;
import boldsatchel.plan.Sitting;
import boldsatchel.plan.Steadying;
import boldsatchel.quantity.Units;
import boldsatchel.shelf.Picks;
import boldsatchel.verdict.Remedy;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** Tells what bodies will mind. */
record HandsTelling(Build build, HandsResult.InPosture in) implements Telling {

    /** The lightest bar of steel that is worth putting in. */
    private static final double LEAST_BAR_G = 50;

    private String where() {
        return build.casing().postures().isEmpty()
                ? ""
                : " in the posture “" + in.posture().name() + "”";
    }

    private Optional<HandsResult.Sight> sight(Noted f) {
        return in.sights().stream().filter(s -> s.screen().equals(f.first())).findFirst();
    }

    private String eyes(Noted f) {
        return sight(f).map(s -> Units.format(s.eyesMm(), 0, "mm")).orElse("some way");
    }

    private Optional<HandsResult.Typing> typing(Noted f) {
        return in.typings().stream().filter(t -> t.keyboard().equals(f.first())).findFirst();
    }

    /** Id of the tray that a part lies in; empty where it lies in none. */
    private String tray(Noted f) {
        return build.placement(f.first()).map(Placement::shell).orElse("");
    }

    private Remedy turned(Sitting.Turned turned) {
        return Remedy.by(
                "Open " + turned.joint().name() + " to " + Units.format(turned.deg(), 0, "°") + " in this posture",
                CaseEdits.open(turned.joint(), in.posture(), turned.deg()));
    }

    /** What keeps the far side down: feet further out, the part whose move costs least, a weight. */
    private List<Remedy> firmer(Noted f) {
        Predicate<Build> firm = Sitting.typedFirmly(in.posture(), f.first());
        List<Remedy> cures = new ArrayList<>();
        if (firm.test(CaseEdits.feet().change().apply(build))) {
            cures.add(Remedy.by("Put the feet further out", CaseEdits.feet()));
        }
        Steadying.shift(build, firm).ifPresent(s -> cures.add(Remedy.by(s.words(), Steadying.edit(s))));
        if (Steadying.weighted(build, LEAST_BAR_G, firm).isPresent()) {
            cures.add(Remedy.by(
                    "Put a steel bar where there is room",
                    new Edit(
                            "add a weight",
                            b -> Steadying.weighted(b, LEAST_BAR_G, Sitting.typedFirmly(in.posture(), f.first()))
                                    .orElse(b))));
        }
        cures.add(Remedy.advice("Put feet further out, or the battery under the keys"));
        return cures;
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
                        + Units.format(build.brief().user().orElse(User.USUAL).capitalsPx(), 0, "")
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
            case "hands.screen-low" -> {
                List<Remedy> cures = new ArrayList<>();
                String screen = f.first();
                Sitting.higher(build, in.posture(), screen, HandsJudge.MOST_BELOW_DEG)
                        .ifPresent(t -> cures.add(turned(t)));
                Sitting.further(build, in.posture(), screen, HandsJudge.MOST_BELOW_DEG)
                        .ifPresent(mm -> cures.add(Remedy.by(
                                "Sit so that the eyes are " + Units.format(mm, 0, "mm") + " from the screen",
                                Sitting.sitting(mm))));
                cures.add(Remedy.advice("Raise the screen: legs, a stand, or a longer lid"));
                cures.add(Remedy.advice("Write in the brief how near the eyes come, if they do"));
                yield cures;
            }
            case "hands.screen-aside" -> {
                List<Remedy> cures = new ArrayList<>();
                Sitting.facing(build, in.posture(), f.first()).ifPresent(t -> cures.add(turned(t)));
                cures.add(Remedy.advice("Hang the screen so that it can be turned to the eyes"));
                yield cures;
            }
            case "hands.screen-rolled" -> {
                List<Remedy> cures = new ArrayList<>();
                Sitting.level(build, in.posture(), f.first(), HandsJudge.MOST_ROLL_DEG)
                        .ifPresent(t -> cures.add(turned(t)));
                cures.add(Remedy.advice("Hang it on an upright hinge, or on a second one that turns it back"));
                yield cures;
            }
            case "hands.screens-unequal" -> {
                List<Sitting.Scaled> scaled = Sitting.scaled(build, in, HandsJudge.MOST_UNEQUAL);
                String which = scaled.stream()
                        .map(s -> "“" + s.screen().name() + "” at " + Units.format(100 * s.scale(), 0, "%"))
                        .collect(Collectors.joining(", "));
                yield List.of(
                        Remedy.by("Let the system draw " + which, Sitting.drawing(scaled)),
                        Remedy.advice("Take screens whose dots are alike, where the system knows one scale only"));
            }
            case "hands.keys-high" -> {
                List<Remedy> cures = new ArrayList<>();
                typing(f).stream()
                        .flatMapToDouble(t -> Sitting.rest(build, in.posture(), t, HandsJudge.MOST_WRIST_DEG).stream())
                        .forEach(mm -> cures.add(Remedy.by(
                                "Lay a palm rest of " + Units.format(mm, 0, "mm") + " before it",
                                Sitting.resting(mm))));
                cures.add(Remedy.advice("Leave at least 60 mm of the case before the keys, or lower them"));
                yield cures;
            }
            case "hands.walks" -> {
                List<Remedy> cures = new ArrayList<>(HandsJudge.pieceJoined(build, tray(f)));
                if (cures.isEmpty() && build.casing().feet().isEmpty()) {
                    cures.add(Remedy.by("Put rubber feet under it", CaseEdits.feet()));
                }
                cures.add(Remedy.advice("Lay it on a mat that does not slide"));
                yield cures;
            }
            case "hands.typing-tips" -> firmer(f);
            case "hands.head-heavy" -> {
                List<Remedy> cures = new ArrayList<>();
                Holding.nearHead(build, posture)
                        .ifPresent(n -> cures.add(Remedy.by(
                                "Wear it with the side at the head that its weight is nearest to",
                                new Edit(
                                        "wear it nearer to its weight",
                                        b -> Holding.nearHead(b, posture).orElse(b)))));
                Holding.toBelt(build, posture)
                        .ifPresent(p ->
                                cures.add(Remedy.by("Wear “" + p.name() + "” on the belt, on a lead", Aside.out(p))));
                cures.add(Remedy.advice("Put the battery at the back of the band, as a counterweight"));
                yield cures;
            }
            case "hands.tires" -> {
                boolean arm = in.posture().held() == Posture.Held.ARM;
                List<Remedy> cures = new ArrayList<>();
                if (!arm) {
                    Holding.level(build, posture, HandsJudge.LEAST_MINUTES)
                            .ifPresent(l -> cures.add(Remedy.by(
                                    "Hold it beside its weight",
                                    new Edit(
                                            "hold it beside its weight",
                                            b -> Holding.level(b, posture, HandsJudge.LEAST_MINUTES)
                                                    .orElse(b)))));
                    cures.add(Remedy.by("Use it on the lap instead", Holding.carried(posture, Posture.Held.LAP)));
                }
                cures.add(Remedy.by("Hang it on a strap over the body", Holding.carried(posture, Posture.Held.WORN)));
                cures.add(Remedy.advice("Look at the heaviest items in the working of Carries"));
                yield cures;
            }
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
            case "hands.hold-unknown" -> List.of(Remedy.by("Hold it over its weight", Holding.overTheCentre(posture)));
            default -> throw Telling.unknown(f);
        };
    }
}
