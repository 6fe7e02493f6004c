package boldsatchel.judge;

import static boldsatchel.judge.Words.name;

import boldsatchel.edit.CaseEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.fit.Placed;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.quantity.Units;
import boldsatchel.stow.FreePlace;
import boldsatchel.verdict.Remedy;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

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
                name(build, f.first()) + " blows out beside where the air comes in, "
                        + Units.format(f.number("apartMm"), 0, "mm") + " apart in one wall: warm air is drawn in again."
                        + " Estimates of heat do not count it.";
            default -> throw Telling.unknown(f);
        };
    }

    private static String decibels(double value) {
        return Units.format(value, 0, "dB");
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
        Part fan = build.part(f.first()).orElseThrow();
        Shell tray = build.shell(f.subjects().get(1)).orElseThrow();
        Optional<Vent> outlet = build.placement(fan.id())
                .flatMap(at ->
                        Vent.nearest(tray.vents(), Placed.of(fan, at, tray).bounds()));
        return outlet.map(out -> {
                    Face opposite = Face.of(out.wall().axis(), -out.wall().sign());
                    List<Vent> vents = new ArrayList<>(List.of(out));
                    vents.add(Vent.usual("air in", opposite, tray.cavity(), false, Vent.Kind.SLOTS));
                    return List.of(Remedy.by(
                            "Let the air in at the " + opposite.words() + " wall instead",
                            CaseEdits.vents("let the air in at the wall across", tray, vents)));
                })
                .orElse(List.of());
    }
}
