package boldsatchel.judge;

import static boldsatchel.judge.Words.name;

import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.CoolEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.edit.FinEdits;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Units;
import boldsatchel.stow.FreePlace;
import boldsatchel.verdict.Remedy;
import java.util.ArrayList;
import java.util.List;

/** Tells of how a machine is cooled. */
record CoolTelling(Build build) implements Telling {

    @Override
    public String sentence(Noted f) {
        return switch (f.code()) {
            case "heat.noise" ->
                "The fans are heard with " + decibels(f.number("decibels")) + " at half a metre, the brief allows "
                        + decibels(f.number("limitDb")) + "; " + name(build, f.first()) + " makes most of it.";
            case "heat.noise-unknown" ->
                "Nobody knows how loud " + name(build, f.first()) + " is; the brief allows "
                        + decibels(f.number("limitDb")) + " at half a metre.";
            case "heat.dew" ->
                "It begins at " + celsius(f.number("celsius")) + " in air of " + celsius(f.number("airC")) + ": below "
                        + celsius(f.number("dewC"))
                        + ", the dew point at 60 % humidity (a guess), water settles on it, inside too where air gets in.";
            case "heat.no-gap-under" ->
                name(build, f.first()) + " lies on the floor and gives off " + Units.format(f.number("watts"), 1, "W")
                        + ": its underside gets no air, and often bears half of its parts.";
            case "heat.air-goes-round" ->
                "About " + Units.format(100 * f.number("share"), 0, "%") + " of the air that " + name(build, f.first())
                        + " draws in has just gone out: outlet and inlet are close together. Temperatures count it as an estimate.";
            case "heat.fan-inside" ->
                name(build, f.first()) + " moves " + litres(f.number("insideLs")) + " about inside and "
                        + litres(f.number("flowLs")) + " through the case: the side at which it "
                        + (drawsOnly(f) ? "draws in" : "blows out") + " is not close before a vent.";
            case "heat.fan-way" ->
                "Nobody said which way " + name(build, f.first())
                        + " blows. Temperatures count on its air leaving by the vent next to it, "
                        + Units.format(f.number("apartMm"), 0, "mm") + " away: if it blows elsewhere, it gets warmer.";
            case "heat.cells-beside" ->
                name(build, f.first()) + " runs at " + celsius(f.number("celsius")) + " and gets "
                        + Units.format(f.number("watts"), 1, "W") + " of its " + Units.format(f.number("allW"), 1, "W")
                        + " from " + name(build, f.subjects().get(1)) + " beside it: warm cells age fast.";
            case "heat.fan-waits" ->
                name(build, f.first())
                        + (f.number("byTurns") > 0
                                ? " starts and stops with the warmth of a board"
                                : " stands: the board that starts it does not get warm enough")
                        + ". Something else " + limit(f.number("marginK"))
                        + " meanwhile; with the fan running all the time it "
                        + limit(f.number("runningK")) + ".";
            case "heat.pipe-dry" ->
                "The heat pipe of " + name(build, f.first()) + " is dry: as it lies it carries "
                        + Units.format(f.number("mostW"), 1, "W") + " at most, and more is asked of it.";
            case "heat.bridge-apart" ->
                "The heat of " + name(build, f.first()) + " is led to "
                        + name(build, f.subjects().get(1))
                        + ", and both do not lie in one tray: that way is not counted.";
            case "heat.fins-still" ->
                "The heat of " + name(build, f.subjects().get(1)) + " is led to " + name(build, f.first())
                        + ", but no fan drives air through its fins: between them it gives off "
                        + Units.format(f.number("watts"), 1, "W") + ".";
            default -> throw Telling.unknown(f);
        };
    }

    private static String limit(double marginK) {
        return "is " + Units.format(Math.abs(marginK), 0, "K") + (marginK < 0 ? " beyond" : " below") + " its limit";
    }

    private static String decibels(double value) {
        return Units.format(value, 0, "dB");
    }

    private static String litres(double ls) {
        return Units.format(ls, 1, "L/s");
    }

    private static String celsius(double value) {
        return Units.format(value, 0, "°C");
    }

    @Override
    public List<Remedy> cures(Noted f) {
        return switch (f.code()) {
            case "heat.noise" -> quieter(f);
            case "heat.noise-unknown" ->
                List.of(Remedy.advice("Read it on the maker's sheet, or hold a meter at a metre"));
            case "heat.dew" ->
                List.of(
                        Remedy.by(
                                "Let it warm up, shut and switched off, until it is as warm as the air",
                                Edits.brief("let it warm up before it is used", Brief::warmedUp)),
                        Remedy.advice(
                                "Carry it in a bag that stays shut until then, with something that takes up water"));
            case "heat.no-gap-under" -> raised(f);
            case "heat.air-goes-round" -> across(f);
            case "heat.fan-inside" -> atItsVent(f);
            case "heat.fan-way" -> said(f);
            case "heat.cells-beside" -> apart(f);
            case "heat.fan-waits" -> {
                Part fan = build.part(f.first()).orElseThrow();
                yield List.of(
                        Remedy.by("Let " + fan.name() + " run all the time", CoolEdits.always(fan)),
                        Remedy.advice("Let it start at a lower temperature"));
            }
            case "heat.fins-still" -> blown(f);
            case "heat.bridge-apart" ->
                List.of(
                        Remedy.by(
                                "Take out what leads it there",
                                FinEdits.withoutBridge(f.first(), f.subjects().get(1))),
                        Remedy.advice("Put both into one tray: what goes over a hinge would bend each time"));
            case "heat.pipe-dry" ->
                List.of(
                        Remedy.by(
                                "Lay a second pipe beside it",
                                f.subjects().size() > 1
                                        ? FinEdits.twice(
                                                build.part(f.first()).orElseThrow(),
                                                f.subjects().get(1))
                                        : CoolEdits.twice(build.part(f.first()).orElseThrow(), Face.ALL.get((int)
                                                f.number("wall")))),
                        Remedy.advice("Take a thicker pipe, and put in what its maker says that it carries"));
            default -> throw Telling.unknown(f);
        };
    }

    private List<Remedy> quieter(Noted f) {
        List<Remedy> remedies = new ArrayList<>();
        build.part(f.first())
                .ifPresent(fan -> remedies.add(
                        fan.family() == Family.COOLING
                                ? Remedy.by("Do without " + fan.name(), Edits.removePart(fan))
                                : Remedy.advice(
                                        "Let " + fan.name() + " run its fan more slowly, with a lower power limit")));
        remedies.add(Remedy.advice("Take a larger fan that turns more slowly: the same air with much less noise"));
        return remedies;
    }

    private List<Remedy> raised(Noted f) {
        Part board = build.part(f.first()).orElseThrow();
        String words = "Put it on standoffs, " + Units.format(FreePlace.STANDOFF_MM, 0, "mm") + " off the floor";
        Edit edit = Edits.move(board, at -> new Vec(at.x(), at.y(), FreePlace.STANDOFF_MM));
        return List.of(
                Remedy.by(words, edit),
                Remedy.advice("Or lead its underside to a metal floor with a pad over all of it"));
    }

    /** What lets air in goes to the wall across. */
    private List<Remedy> across(Noted f) {
        Shell tray = build.shell(f.subjects().get(1)).orElseThrow();
        Vent out = tray.vents().get((int) f.number("outlet"));
        Face opposite = out.wall().opposite();
        List<Vent> vents = new ArrayList<>(List.of(out));
        vents.add(Vent.usual("air in", opposite, tray.cavity(), false, Vent.Kind.SLOTS));
        return List.of(Remedy.by(
                "Let the air in at the " + opposite.words() + " wall instead",
                CaseEdits.vents("let the air in at the wall across", tray, vents)));
    }

    private Facet.MovesAir moves(Noted f) {
        return build.part(f.first()).flatMap(p -> p.facet(Facet.MovesAir.class)).orElseThrow();
    }

    private boolean drawsOnly(Noted f) {
        return moves(f).blows().isEmpty();
    }

    private Placed placed(String part) {
        return Placed.of(build, part).orElseThrow();
    }

    /** A vent before it, and the fan before that. */
    private List<Remedy> atItsVent(Noted f) {
        Placed fan = placed(f.first());
        Face ofPart = moves(f).blows().or(moves(f)::draws).orElseThrow();
        Face wall = fan.placement().orientation().turn(ofPart);
        boolean loose = fan.part().family() == Family.COOLING;
        return List.of(
                Remedy.by(
                        (loose
                                ? "Put it to the " + wall.words() + " wall, with a vent before it"
                                : "Cut a vent before it into the " + wall.words() + " wall"),
                        CoolEdits.ventBefore(fan, wall, loose)),
                Remedy.by("Lead its air to a vent by a duct", CoolEdits.duct(fan.part())));
    }

    /** To a fan of its tray, where there is room at it. */
    private List<Remedy> blown(Noted f) {
        Placed fins = placed(f.first());
        List<Remedy> remedies = new ArrayList<>();
        for (Placed fan : Placed.in(fins.shell(), Placed.all(build))) {
            FinEdits.toFan(build, fins, fan)
                    .ifPresent(edit -> remedies.add(
                            Remedy.by("Put it tight to " + fan.part().name(), edit)));
        }
        remedies.add(
                Remedy.advice(
                        "Put it tight between a fan and its vent, or before the side at which the fan draws, with its fins along the air"));
        return remedies;
    }

    /** It blows at the wall of the vent next to it, as far as anybody knows. */
    private List<Remedy> said(Noted f) {
        Placed fan = placed(f.first());
        Vent out = fan.shell().vents().get((int) f.number("vent"));
        return List.of(
                Remedy.by(
                        "It blows to the " + out.wall().words() + ", out of “" + out.name() + "”",
                        CoolEdits.blowsTo(fan, out.wall())),
                Remedy.advice("Say at which of its sides it draws in and blows out, in its details"));
    }

    /** Further away, where there is room. */
    private List<Remedy> apart(Noted f) {
        Placed cells = placed(f.first());
        List<Remedy> remedies = new ArrayList<>();
        CoolEdits.awayFrom(build, cells, placed(f.subjects().get(1)))
                .ifPresent(edit -> remedies.add(Remedy.by(
                        "Move it away from " + name(build, f.subjects().get(1)), edit)));
        remedies.add(Remedy.advice("Put a sheet of aluminium between them and lead it to a wall"));
        return remedies;
    }
}
