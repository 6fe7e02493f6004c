package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;

import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edit;
import boldsatchel.machine.Build;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Usual;
import boldsatchel.power.Copper;
import boldsatchel.power.Sizing;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Working;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;

/** Tells of fuses, switches, wires and joints. */
final class WiringTelling implements Telling {
    private final Line line;
    private final Build build;

    WiringTelling(Line line) {
        this.line = line;
        this.build = line.build();
    }

    @Override
    public String sentence(Noted f) {
        String who = name(build, f.first());
        return switch (f.code()) {
            case "power.bag-switch" ->
                "The push-button can be pressed in a bag: the machine would then run unseen at " + f.n("watts")
                        + " W until it is flat, with its vents covered.";
            case "power.idle-drain" ->
                "Switched off it still drains: flat after " + f.n("days")
                        + " days on the shelf. Converters and boards that"
                        + " never switch off go on drawing, and no main switch cuts them off.";
            case "power.wire-thin" ->
                who + " carries " + f.n("amps") + " A; usual for it inside a closed case is " + f.n("limitA") + " A.";
            case "power.wire-thick" ->
                who + " has "
                        + n(Copper.sectionMm2(wire(f.first()).awg()) / Copper.sectionMm2((int) f.number("neededAwg")))
                        + " times the copper it needs and takes " + f.n("roomCm3")
                        + " cm³ with its bends stiff: room the battery may want.";
            case "power.fuse-large" ->
                who + " would let " + name(build, f.subjects().get(1)) + " burn, which bears " + f.n("limitA")
                        + " A in open air.";
            case "power.one-colour" ->
                "Plus and minus of " + who + " are both " + finish(f).plus() + ": all " + f.n("joints")
                        + " joints can be mixed up, and crossed they put " + f.n("volts")
                        + " V the wrong way round on what follows.";
            case "power.bare-joints" ->
                "The joints of " + who + " are bare and not held: a bridge between them would carry up to "
                        + f.n("amps") + " A until a fuse opens.";
            default -> throw Telling.unknown(f);
        };
    }

    @Override
    public List<Working.Step> working(Noted f) {
        return switch (f.code()) {
            case "power.idle-drain" ->
                List.of(new Working.Step(
                        "Days on the shelf",
                        "t = charge / (current when off + self-discharge)",
                        "at half charge, every load off",
                        f.n("days") + " days"));
            case "power.wire-thin", "power.wire-thick" -> gaugeSteps(f);
            default -> List.of();
        };
    }

    @Override
    public List<Remedy> cures(Noted f) {
        return switch (f.code()) {
            case "power.bag-switch" -> List.of(guarded(f), Remedy.advice("Sink the button below the surface"));
            case "power.idle-drain" -> List.of(mainSwitch(), Remedy.advice("Take converters with an off input"));
            case "power.wire-thin", "power.wire-thick" -> List.of(gauge(f));
            case "power.fuse-large" -> List.of(smallerFuse(f));
            case "power.one-colour" ->
                List.of(
                        Remedy.by(
                                "Make plus red and minus black",
                                finished(
                                        "wire colours",
                                        f,
                                        w -> w.plus(Rung.Finish.USUAL.plus()).minus(Rung.Finish.USUAL.minus()))),
                        Remedy.advice("Mark each end before it is cut"));
            case "power.bare-joints" ->
                List.of(
                        Remedy.by(
                                "Sleeve each joint and hold the wires against pull",
                                finished("joints", f, w -> w.sleeved(true))),
                        Remedy.advice("Set the joints apart, one further along than the other"));
            default -> throw Telling.unknown(f);
        };
    }

    private Rung rung(String id) {
        return build.rung(id).orElseThrow();
    }

    private Rung.Wire wire(String rung) {
        return (Rung.Wire) rung(rung).stage();
    }

    private Rung.Finish finish(Noted f) {
        return wire(f.first()).finish().orElse(Rung.Finish.USUAL);
    }

    private static Edit finished(String what, Noted f, UnaryOperator<Rung.Finish> change) {
        return ChainEdits.change(what, f.first(), Rung.Wire.class, w -> w.finished(change));
    }

    private Remedy guarded(Noted f) {
        return Remedy.by(
                "Take a sliding or guarded switch",
                ChainEdits.change("switch", f.first(), Rung.Contact.class, c -> c.as(Rung.ContactKind.SWITCH)));
    }

    private Remedy mainSwitch() {
        String root = line.root().id();
        double amps = Math.max(Usual.HEADROOM * line.steadyA(root), line.startA(root));
        return Remedy.by(
                "Put a main switch in",
                ChainEdits.insertBelow(
                        build,
                        lastContact(line.root()).id(),
                        ChainEdits.Piece.of("a switch", ChainEdits.slideSwitch(Math.ceil(Math.max(1, amps))))));
    }

    /** The last protection or fuse in the row below the sources. */
    private static Rung lastContact(Rung root) {
        Rung last = root;
        for (Rung r : root.row().stream().skip(1).toList()) {
            if (!(r.stage() instanceof Rung.Contact)) {
                break;
            }
            last = r;
        }
        return last;
    }

    private List<Working.Step> gaugeSteps(Noted f) {
        double amps = f.number("amps");
        Rung.Wire wire = wire(f.first());
        double ohms = Copper.loopOhms(wire.awg(), wire.lengthMm(), 20);
        double volts = line.rail(f.first()).lowV();
        return List.of(
                new Working.Step(
                        "Current it must bear",
                        "I = 1.25 · I working",
                        "1.25 · " + n(amps) + " A",
                        n(Usual.HEADROOM * amps) + " A"),
                new Working.Step(
                        "Drop there and back",
                        "U = I · 2·ρ·l / A",
                        n(amps) + " A · " + n(ohms) + " Ω",
                        Units.format(amps * ohms, 3, "V") + "; 3 % of " + n(volts) + " V is "
                                + n(volts * Usual.DROP_SHARE) + " V"));
    }

    private Remedy gauge(Noted f) {
        Rung rung = rung(f.first());
        OptionalInt needed = WiringRules.neededGauge(line, rung, wire(f.first()));
        return needed.isPresent()
                ? Remedy.by(
                        "Take AWG " + needed.getAsInt(),
                        ChainEdits.change("gauge", rung.id(), Rung.Wire.class, w -> w.gauge(needed.getAsInt())))
                : Remedy.advice("Run two pairs side by side, or bring the converter nearer");
    }

    private Remedy smallerFuse(Noted f) {
        double smaller = Sizing.fuse(line.steadyA(f.first()), line.startA(f.first()));
        return smaller <= f.number("limitA")
                ? Remedy.by(
                        "Take a " + n(smaller) + " A fuse",
                        ChainEdits.change("fuse", f.first(), Rung.Contact.class, c -> ChainEdits.fuse(smaller)))
                : Remedy.advice("Take a thicker wire");
    }
}
