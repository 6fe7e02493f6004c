package boldsatchel.judge;

import static boldsatchel.judge.Words.n;
import static boldsatchel.judge.Words.name;

import boldsatchel.abilities.Abilities;
import boldsatchel.abilities.AbilitiesEngine;
import boldsatchel.abilities.Emulation;
import boldsatchel.abilities.Gap;
import boldsatchel.abilities.Sound;
import boldsatchel.edit.AbilityEdits;
import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edit;
import boldsatchel.edit.LinkEdits;
import boldsatchel.links.LinksEngine;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Function;
import boldsatchel.machine.Part;
import boldsatchel.machine.Port;
import boldsatchel.machine.Processor;
import boldsatchel.machine.Rung;
import boldsatchel.plan.LinkPlanner;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Remedy;
import boldsatchel.verdict.Working;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** Tells of one thing that the machine will not do. */
record AbilitiesTelling(Build build, Abilities abilities, Gap gap) implements Telling {

    private Optional<Sound> sound(String part) {
        return abilities.sounds().stream()
                .filter(s -> s.speaker().equals(part) || s.amplifier().equals(part))
                .findFirst();
    }

    private String function() {
        return gap.function().map(Function::words).orElse("");
    }

    @Override
    public String sentence(Noted f) {
        String first = name(build, f.first());
        return switch (gap.kind()) {
            case NO_NETWORK -> first + " has no radio, and nothing here brings a network without a wire.";
            case NO_SOUND -> "Nothing here is heard: no loudspeaker, and no headphone socket that can be reached.";
            case NO_POINTER -> "There is a screen, and nothing that moves a pointer or feels a finger.";
            case NO_STORAGE -> "Nothing here keeps files: " + first + " has no storage, and no drive is plugged in.";
            case STORAGE ->
                "Programs and their files take " + n(gap.is()) + " GB; there is room for " + n(gap.may()) + " GB.";
            case SLOW_STORAGE ->
                first + " reads " + n(gap.is()) + " MB/s, less than the " + n(gap.may())
                        + " MB/s that starting a system wants.";
            case MEMORY ->
                gap.words() + " takes about " + n(gap.is()) + " GB of memory here; " + first + " has " + n(gap.may())
                        + " GB.";
            case EMULATED ->
                gap.words() + ", runs on " + first + " by emulation only, about " + n(gap.is())
                        + " times slower (a guess)"
                        + (gap.may() > 1 ? "; it may be " + n(gap.may()) + " times slower" : "") + ".";
            case OTHER_PROCESSOR -> gap.words() + ", runs on no board here, not even by emulation.";
            case UNKNOWN_PROCESSOR ->
                "Whether " + gap.words() + ", runs here is not known: nobody said what processor every board has.";
            case FAILS -> "The " + function() + " of " + first + " does not work under " + gap.words() + basis() + ".";
            case PARTLY ->
                "The " + function() + " of " + first + " works only in part under " + gap.words() + basis() + ".";
            case UNTRIED ->
                "Whether the " + function() + " of " + first + " works under " + gap.words() + " is not known.";
            case TURNED ->
                first + " lies turned by " + n(gap.is()) + "° against the picture, and the system turns it back by "
                        + n(gap.may()) + "°: a finger touches beside what it points at.";
            case NO_WAY_IN ->
                first
                        + " shows nothing until the drivers of its panel have loaded, and with the case shut no other screen, "
                        + "network plug, serial line or card of it can be reached.";
            case UNMARKED -> "Nobody knows which pin is which on “" + gap.words() + "” of " + first + ".";
            case STAYS_LIT ->
                first + " stays lit when its picture goes: about " + n(gap.is()) + " W, asleep and off as well.";
            case GHOST_KEYS ->
                "The " + n(gap.is()) + " keys of " + first
                        + " have no diodes: three held at the corners of a rectangle show a fourth that nobody pressed.";
            case PIN_CURRENT ->
                first + " asks a pin of " + name(build, f.subjects().get(1)) + " for " + n(gap.is())
                        + " mA; it gives at most " + n(gap.may()) + " mA.";
            case PINS_CURRENT ->
                "The pins of " + first + " are asked for " + n(gap.is()) + " mA together; they give at most "
                        + n(gap.may()) + " mA.";
            case OVERLOAD ->
                first + " has " + n(gap.is()) + " Ω; "
                        + name(build, f.subjects().get(1)) + " bears no less than " + n(gap.may()) + " Ω.";
            case TOO_STRONG ->
                name(build, f.subjects().get(1)) + " can give " + first + " " + n(gap.is()) + " W; it bears "
                        + n(gap.may()) + " W.";
            case QUIET ->
                first + " reaches about " + Units.format(gap.is(), 0, "dB")
                        + " half a metre away, hardly more than somebody speaking.";
            case ONE_CHANNEL ->
                name(build, f.subjects().get(1)) + " gives left and right, " + first
                        + " takes one of them: what is only on the other side is lost.";
            case BOTH_PLAY ->
                first + " goes on playing while headphones are in "
                        + name(build, f.subjects().get(1)) + ".";
        };
    }

    private String basis() {
        return gap.function()
                .flatMap(fn -> build.part(gap.subjects().getFirst())
                        .flatMap(p -> p.facet(Facet.Supported.class))
                        .flatMap(s -> s.of(fn, gap.words())))
                .filter(s -> !s.basis().isBlank())
                .map(s -> " (" + s.basis() + s.seen().map(d -> ", " + d).orElse("") + ")")
                .orElse("");
    }

    @Override
    public List<Working.Step> working(Noted f) {
        return switch (gap.kind()) {
            case MEMORY ->
                List.of(new Working.Step(
                        "Memory of a program that is translated",
                        "its own · " + n(Emulation.MEMORY_FACTOR) + " where another processor runs it (a guess)",
                        "",
                        Units.format(gap.is(), 1, "GB")));
            case OVERLOAD, TOO_STRONG, QUIET ->
                sound(f.first()).map(AbilitiesTelling::loudness).orElse(List.of());
            case ONE_CHANNEL -> sound(f.first()).map(AbilitiesTelling::mixing).orElse(List.of());
            default -> List.of();
        };
    }

    private static List<Working.Step> loudness(Sound s) {
        return List.of(
                new Working.Step(
                        "Power of a channel",
                        "P = P given · Z given / Z",
                        n(s.gives().watts().value()) + " W · " + n(s.gives().ohms()) + " Ω / "
                                + n(s.heard().ohms()) + " Ω",
                        Units.format(s.watts(), 2, "W")),
                new Working.Step(
                        "Loudness at half a metre",
                        "L = L at 1 m for 1 W + 10·lg(P · channels) + 6 dB, free field",
                        n(s.heard().dbAtMetre().value()) + " dB + 10·lg(" + n(s.usedWatts()) + " · " + s.channels()
                                + ") + 6 dB",
                        Units.format(s.decibels(), 0, "dB")));
    }

    private static List<Working.Step> mixing(Sound s) {
        double ohms = s.mixingOhms();
        return List.of(new Working.Step(
                "Two resistors, one from each side to the input",
                "share of the mean that arrives = R_in / (R_in + R/2)",
                n(s.gives().inputOhms()) + " Ω / (" + n(s.gives().inputOhms()) + " Ω + " + n(ohms) + " Ω / 2)",
                Units.format(100 * Sound.mixed(ohms, s.gives().inputOhms()), 1, "%")));
    }

    @Override
    public List<Remedy> cures(Noted f) {
        List<Remedy> cures = new ArrayList<>();
        Optional<Part> first = build.part(f.first());
        switch (gap.kind()) {
            case NO_NETWORK -> forgotten(p -> takes(p, "network"), cures);
            case NO_SOUND -> forgotten(p -> takes(p, "sound"), cures);
            case NO_POINTER -> forgotten(p -> takes(p, "pointing"), cures);
            case NO_STORAGE, STORAGE, SLOW_STORAGE -> {
                forgotten(p -> p.facet(Facet.Stores.class).isPresent(), cures);
                cures.add(Remedy.advice("Take a larger or faster drive"));
            }
            case MEMORY, EMULATED, OTHER_PROCESSOR -> programs(cures);
            case UNKNOWN_PROCESSOR -> {
                unsaid().ifPresent(p -> {
                    Processor usual = p.family() == Family.X86_BOARD ? Processor.X86_64 : Processor.ARM_64;
                    cures.add(Remedy.by(
                            "Say that " + p.name() + " is " + usual.words(), AbilityEdits.processor(p, usual)));
                });
                cures.add(Remedy.advice("Look the processor up and add “Runs programs” to the board"));
            }
            case FAILS, PARTLY, UNTRIED -> risk(cures);
            case TURNED ->
                first.ifPresent(p -> cures.add(Remedy.by(
                        "Turn the touch back by " + n(gap.is()) + "° in the system's settings",
                        AbilityEdits.turnedBack(p))));
            case NO_WAY_IN -> {
                first.flatMap(this::outward)
                        .ifPresent(p -> cures.add(Remedy.by(
                                "Bring “" + p.words() + "” through the wall",
                                LinkEdits.use(first.orElseThrow(), p, Port.Use.OUTSIDE))));
                cures.add(Remedy.advice("Set up the network before the case is shut, and keep a spare card ready"));
            }
            case UNMARKED -> {
                first.ifPresent(p -> cures.add(
                        Remedy.by("It is measured and written down now", AbilityEdits.marked(p, gap.words()))));
                cures.add(
                        Remedy.advice(
                                "With nothing fed: look for the pins that ring through to ground. "
                                        + "Then feed it alone and measure volts against ground. Connect last, with a limit on the current"));
            }
            case STAYS_LIT -> {
                first.flatMap(this::following).ifPresent(cures::add);
                cures.add(Remedy.advice("Feed it from a socket that goes off with the board, or by a switch"));
            }
            case GHOST_KEYS ->
                first.ifPresent(p -> cures.add(Remedy.by("Solder a diode to each key", AbilityEdits.diodes(p))));
            case PIN_CURRENT, PINS_CURRENT ->
                build.part(f.subjects().get(gap.kind() == Gap.Kind.PIN_CURRENT ? 0 : 1))
                        .ifPresent(p -> cures.add(Remedy.by(
                                "Let a transistor take the current of " + p.name(), AbilityEdits.buffered(p))));
            case OVERLOAD, TOO_STRONG, QUIET -> louder(cures);
            case ONE_CHANNEL ->
                first.ifPresent(p -> {
                    double ohms = sound(p.id()).map(Sound::mixingOhms).orElse(1000.0);
                    cures.add(Remedy.by(
                            "Mix left and right by two resistors of " + n(ohms) + " Ω", AbilityEdits.mixed(p)));
                });
            case BOTH_PLAY ->
                first.ifPresent(p -> cures.add(
                        Remedy.by("Let the headphone socket's switch silence " + p.name(), AbilityEdits.muted(p))));
        }
        return cures;
    }

    private static boolean takes(Part part, String duty) {
        return part.body().ports().stream().anyMatch(q -> q.takes(duty));
    }

    /** Whether a build has this gap no more. */
    private boolean cured(Build b) {
        return AbilitiesEngine.evaluate(b, LinksEngine.evaluate(b)).gaps().stream()
                .noneMatch(g -> g.kind() == gap.kind() && g.function().equals(gap.function()));
    }

    private void forgotten(Predicate<Part> which, List<Remedy> cures) {
        LinkPlanner.adding(build, which, this::cured)
                .ifPresent(h -> cures.add(Remedy.by(
                        "Add and connect "
                                + h.parts().stream()
                                        .map(p -> "“" + p.name() + "”")
                                        .collect(Collectors.joining(" and ")),
                        h.edit())));
        gap.function().ifPresent(fn -> cures.add(without(fn)));
    }

    private static Remedy without(Function function) {
        return Remedy.by("The machine does without " + function.words(), AbilityEdits.without(function));
    }

    private void programs(List<Remedy> cures) {
        for (Brief.Program p :
                build.brief().software().map(Brief.Software::programs).orElse(List.of())) {
            boolean meant = gap.words().equals(p.name()) || gap.words().startsWith(p.name() + ", made for");
            if (meant && gap.kind() == Gap.Kind.EMULATED) {
                cures.add(Remedy.by(
                        "Be content with " + p.name() + " " + n(gap.is()) + " times slower",
                        AbilityEdits.slower(p, gap.is())));
            }
            if (meant) {
                cures.add(Remedy.by("Do without " + p.name(), AbilityEdits.dropped(p)));
            }
        }
        cures.add(Remedy.advice(
                gap.kind() == Gap.Kind.MEMORY
                        ? "Take a board with more memory"
                        : "Take a board with that processor, or look whether the program is made for this one"));
    }

    private Optional<Part> unsaid() {
        return build.parts().list().stream()
                .filter(p ->
                        p.family().computes() && p.facet(Facet.Computes.class).isEmpty())
                .findFirst();
    }

    private void risk(List<Remedy> cures) {
        Part board = build.part(gap.subjects().getFirst()).orElseThrow();
        Function function = gap.function().orElseThrow();
        Set<String> systems = board.facet(Facet.Supported.class).map(Facet.Supported::known).orElse(List.of()).stream()
                .filter(s -> s.function() == function && s.degree() == Facet.Degree.WORKS)
                .map(Facet.Support::system)
                .collect(Collectors.toCollection(LinkedHashSet::new));
        for (String system : systems) {
            Edit edit = AbilityEdits.system(system);
            Build there = edit.change().apply(build);
            if (cured(there) && risks(there) < risks(build)) {
                cures.add(Remedy.by("Take " + system + " instead", edit));
            }
        }
        if (gap.kind() == Gap.Kind.UNTRIED) {
            cures.add(Remedy.by(
                    "It was tried under " + gap.words() + " and works",
                    AbilityEdits.tried(board, function, gap.words(), Facet.Degree.WORKS)));
        }
        cures.add(without(function));
        cures.add(Remedy.advice("Try it on the open table before anything is drilled"));
    }

    /** How many functions fail, or work in part, or have not been tried; the first weigh most. */
    private static int risks(Build build) {
        return AbilitiesEngine.evaluate(build, LinksEngine.evaluate(build)).gaps().stream()
                .mapToInt(g -> switch (g.kind()) {
                    case FAILS -> 10_000;
                    case PARTLY -> 100;
                    case UNTRIED -> 1;
                    default -> 0;
                })
                .sum();
    }

    /** A socket of a board that would be a way in, if it could be reached. */
    private Optional<Port> outward(Part board) {
        return board.body().ports().stream()
                .filter(p -> p.use() != Port.Use.OUTSIDE)
                .filter(p ->
                        cured(LinkEdits.use(board, p, Port.Use.OUTSIDE).change().apply(build)))
                .findFirst();
    }

    /** Hung on a socket that goes off with its board, where there is one it can be hung on. */
    private Optional<Remedy> following(Part screen) {
        Optional<Rung> rung = build.wiring().rungOf(screen.id());
        return rung.flatMap(r -> build.rungs()
                .filter(to -> build.partOf(to)
                        .filter(p -> p.family().passesPowerOn() && !p.id().equals(screen.id()))
                        .isPresent())
                .flatMap(to -> ChainEdits.move(build, r.id(), to.id()).allowed().stream()
                        .filter(e -> cured(e.change().apply(build)))
                        .map(e -> Remedy.by("Feed it from " + to.name(build), e)))
                .findFirst());
    }

    private void louder(List<Remedy> cures) {
        for (String id : gap.subjects()) {
            Part part = build.part(id).orElseThrow();
            LinkPlanner.swapping(build, part, this::cured)
                    .ifPresent(h -> cures.add(Remedy.by(
                            "Take “" + h.parts().getFirst().name() + "” instead of " + part.name(), h.edit())));
        }
        cures.add(Remedy.advice(
                switch (gap.kind()) {
                    case OVERLOAD ->
                        "Two alike in series have twice the impedance; never go below what the amplifier's maker allows";
                    case TOO_STRONG -> "Turn the amplifier's gain down, and mark the setting";
                    default -> "A closed chamber behind the loudspeaker and an open grille before it help most";
                }));
    }
}
