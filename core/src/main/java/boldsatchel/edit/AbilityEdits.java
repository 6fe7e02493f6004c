package boldsatchel.edit;

import boldsatchel.machine.Brief;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Function;
import boldsatchel.machine.Part;
import boldsatchel.machine.Processor;
import boldsatchel.quantity.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;

/** Edits of what the machine does for its user. */
public final class AbilityEdits {

    private AbilityEdits() {}

    private static Edit software(String name, UnaryOperator<Brief.Software> change) {
        return Edits.brief(name, b -> b.withSoftware(change.apply(b.software().orElse(Brief.Software.UNSAID))));
    }

    /** Does without something on purpose. */
    public static Edit without(Function function) {
        return software("do without " + function.words(), s -> {
            Set<Function> without = new TreeSet<>(s.without());
            without.add(function);
            return new Brief.Software(s.system(), s.programs(), without);
        });
    }

    /** Another operating system. */
    public static Edit system(String system) {
        return software("take " + system, s -> new Brief.Software(system, s.programs(), s.without()));
    }

    /** A program no longer has to run. */
    public static Edit dropped(Brief.Program program) {
        return software(
                "do without " + program.name(),
                s -> new Brief.Software(
                        s.system(),
                        s.programs().stream().filter(p -> !p.equals(program)).toList(),
                        s.without()));
    }

    /** A program may run so many times slower. */
    public static Edit slower(Brief.Program program, double times) {
        return software("be content with " + program.name() + " slower", s -> {
            List<Brief.Program> programs = new ArrayList<>(s.programs());
            programs.replaceAll(p -> p.equals(program)
                    ? Form.of(Brief.Program.class).field("slowest").with(p, Optional.of(times))
                    : p);
            return new Brief.Software(s.system(), programs, s.without());
        });
    }

    /** Says what processor a board has. */
    public static Edit processor(Part board, Processor processor) {
        return Edits.part(
                "the processor of ",
                board,
                p -> p.facet(Facet.Computes.class).isPresent() ? p : p.withFacet(new Facet.Computes(processor)));
    }

    /** Writes down how a function of a board works under a system. */
    public static Edit tried(Part board, Function function, String system, Facet.Degree degree) {
        return Edits.part("tried on ", board, p -> {
            List<Facet.Support> known = new ArrayList<>(
                    p.facet(Facet.Supported.class).map(Facet.Supported::known).orElse(List.of()));
            known.removeIf(s -> s.function() == function && s.system().equalsIgnoreCase(system));
            known.add(new Facet.Support(function, system, degree, "tried", Optional.empty()));
            return p.withFacet(new Facet.Supported(known));
        });
    }

    /** The system turns the touch back as far as it is turned. */
    public static Edit turnedBack(Part screen) {
        return facet("turn the touch of ", screen, Facet.Touches.class, "setDeg", t -> t.turnDeg());
    }

    /** Left and right come together by resistors before an amplifier. */
    public static Edit mixed(Part amplifier) {
        return facet("mix left and right for ", amplifier, Facet.Amplifies.class, "mixed", a -> true);
    }

    /** Each key has a diode. */
    public static Edit diodes(Part keys) {
        return facet("a diode at each key of ", keys, Facet.Matrix.class, "diodes", m -> true);
    }

    /** A transistor takes the current off the pins. */
    public static Edit buffered(Part load) {
        return facet("a transistor for ", load, Facet.PinLoad.class, "buffered", l -> true);
    }

    /** The headphone socket silences an amplifier. */
    public static Edit muted(Part amplifier) {
        return facet("silence by the headphone socket: ", amplifier, Facet.Amplifies.class, "muted", a -> true);
    }

    private static <F extends Facet> Edit facet(
            String name, Part part, Class<F> kind, String field, java.util.function.Function<F, Object> value) {
        return Edits.part(
                name,
                part,
                p -> p.facet(kind)
                        .map(f -> p.withFacet(Form.of(kind).field(field).with(f, value.apply(f))))
                        .orElse(p));
    }

    /** A socket is known pin by pin. */
    public static Edit marked(Part part, String socket) {
        return facet(
                "measured: " + socket + " of ",
                part,
                Facet.Unmarked.class,
                "sockets",
                u -> u.sockets().stream().filter(s -> !s.equals(socket)).toList());
    }
}
