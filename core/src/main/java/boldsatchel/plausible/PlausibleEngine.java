package boldsatchel.plausible;

import boldsatchel.engine.Engine;
import boldsatchel.engine.Results;
import boldsatchel.geometry.Box;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Carried;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Section;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Quantity;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Looks for figures that can be, but seldom are. What is usual stands beside each field and quantity once; what figures say together is
 * looked at here. A figure of nought says that nothing was given, and is never odd.
 */
public final class PlausibleEngine implements Engine<Oddities> {

    /** Copper weighs 8.96 g/cm³; nothing in a machine is denser. */
    private static final double DENSEST = 9;

    private static final double LIGHTEST = 0.02;

    /** Smaller things are mostly leads and connectors, whose box says little. */
    private static final double LEAST_CM3 = 2;

    /** The best lithium cells that can be bought hold 260 to 300 Wh/kg; a pack has a case beside. */
    private static final double RICHEST_WH_PER_KG = 320;

    private static final Set<Section> READ = Collections.unmodifiableSet(
            EnumSet.of(Section.BRIEF, Section.PARTS, Section.CASING, Section.WIRING, Section.COOLING));

    private static final Set<Form.Kind> WORDS =
            EnumSet.of(Form.Kind.TEXT, Form.Kind.CHOICE, Form.Kind.FLAG, Form.Kind.DATE);

    /** Where something lies is for the fit to say, what a socket carries for the links, and what a rung feeds has rungs of its own, which are looked at by themselves. */
    private static final Set<Class<?>> ELSEWHERE = Set.of(Box.class, Vec.class, Rung.class, Carried.class);

    /** The fields of a kind of record that have figures in them, at any depth. */
    private static final ClassValue<List<Form.Field>> LOOKED_AT = new ClassValue<>() {
        @Override
        protected List<Form.Field> computeValue(Class<?> type) {
            return Form.of(type).fields().stream()
                    .filter(f -> !WORDS.contains(f.kind()) && hasFigures(f.holds()))
                    .toList();
        }
    };

    private static boolean hasFigures(Class<?> held) {
        return !ELSEWHERE.contains(held)
                && (!held.isRecord()
                        || held == Figure.class
                        || !LOOKED_AT.get(held).isEmpty());
    }

    /** An engine; all are alike. */
    public PlausibleEngine() {}

    @Override
    public String about() {
        return "whether its figures are usual";
    }

    @Override
    public Class<Oddities> result() {
        return Oddities.class;
    }

    @Override
    public Set<Section> reads() {
        return READ;
    }

    @Override
    public Oddities work(Build build, Results results) {
        return evaluate(build);
    }

    @Override
    public Oddities nothing() {
        return Oddities.NONE;
    }

    @Override
    public Oddities again(Build build, Results results, Last<Oddities> last) {
        return evaluate(build, section -> last.isSame(build, section), last.result());
    }

    /** Looks a build over. */
    public static Oddities evaluate(Build build) {
        return evaluate(build, section -> false, Oddities.NONE);
    }

    /** A section that did not change has the oddities that it had. */
    private static Oddities evaluate(Build build, Predicate<Section> same, Oddities last) {
        Map<Section, List<Odd>> found = new EnumMap<>(Section.class);
        for (Section section : READ) {
            found.put(section, same.test(section) ? last.in(section) : in(section, build));
        }
        return new Oddities(found);
    }

    private static List<Odd> in(Section section, Build build) {
        List<Odd> found = new ArrayList<>();
        switch (section) {
            case BRIEF -> walk(found, "", build.brief());
            case PARTS -> build.parts().list().forEach(p -> part(found, p));
            case CASING -> {
                build.casing().shells().forEach(s -> walk(found, s.id(), s));
                build.casing().joints().forEach(j -> walk(found, j.carries(), j.way()));
            }
            case WIRING -> build.rungs().forEach(r -> walk(found, r.id(), r.stage()));
            case COOLING -> {
                build.cooling().heatPaths().forEach(p -> walk(found, p.part(), p));
                build.cooling().bridges().forEach(b -> walk(found, b.part(), b));
            }
            case LAYOUT, JOURNAL, MONEY -> throw new IllegalArgumentException("no figures are looked at in " + section);
        }
        return found;
    }

    private static void part(List<Odd> found, Part part) {
        walk(found, part.id(), part);
        density(part).ifPresent(found::add);
        part.facet(Facet.Cells.class).flatMap(c -> energy(part, c)).ifPresent(found::add);
        part.facet(Facet.Fins.class).ifPresent(fins -> fins(found, part, fins));
        part.facet(Facet.DrawsPower.class).ifPresent(d -> {
            window(found, part, d.lowV(), d.highV());
            order(found, part, "asleep power", d.sleepW(), d.idleW());
            order(found, part, "idle power", d.idleW(), d.busyW());
        });
        part.facet(Facet.Converts.class).ifPresent(c -> window(found, part, c.lowV(), c.highV()));
        part.facet(Facet.Charges.class).ifPresent(c -> window(found, part, c.lowV(), c.highV()));
    }

    /** Every figure of a record and of the records in it. */
    private static void walk(List<Odd> found, String subject, Object record) {
        for (Form.Field field : LOOKED_AT.get(record.getClass())) {
            Object value = field.get(record);
            if (value instanceof Optional<?> o) {
                o.ifPresent(held -> look(found, subject, field, held));
            } else {
                look(found, subject, field, value);
            }
        }
    }

    private static void look(List<Odd> found, String subject, Form.Field field, Object value) {
        switch (field.kind()) {
            case FIGURE -> look(found, subject, field, (Figure) value);
            case NUMBER, WHOLE -> usual(found, subject, field, ((Number) value).doubleValue());
            case GROUP -> walk(found, subject, value);
            case LIST -> {
                // What is neither a list nor a record of its own, as a choice of stages or facets, is one record of
                // several kinds.
                for (Object element : value instanceof Iterable<?> list ? list : List.of(value)) {
                    if (element instanceof Figure figure) {
                        look(found, subject, field, figure);
                    } else if (element instanceof Record inner) {
                        walk(found, subject, inner);
                    }
                }
            }
            default -> {
                // Words and choices.
            }
        }
    }

    private static void look(List<Odd> found, String subject, Form.Field field, Figure figure) {
        usual(found, subject, field, figure.value());
        if (figure.plusMinus() > Math.abs(figure.value()) && figure.value() != 0) {
            found.add(new Odd(
                    Odd.Kind.DOUBTED, subject, field.label(), field.quantity(), figure.value(), 0, figure.plusMinus()));
        }
    }

    private static void usual(List<Odd> found, String subject, Form.Field field, double value) {
        if (value != 0 && (value < field.usualLeast() || value > field.usualMost())) {
            found.add(new Odd(
                    Odd.Kind.UNUSUAL,
                    subject,
                    field.label(),
                    field.quantity(),
                    value,
                    field.usualLeast(),
                    field.usualMost()));
        }
    }

    private static Optional<Odd> density(Part part) {
        Body body = part.body();
        double cm3 = body.widthMm().value()
                * body.depthMm().value()
                * body.heightMm().value()
                / 1000;
        double dense = part.massG().value() / cm3;
        boolean odd = cm3 >= LEAST_CM3 && dense > 0 && (dense > DENSEST || dense < LIGHTEST);
        return odd
                ? Optional.of(new Odd(Odd.Kind.DENSE, part.id(), "mass", Quantity.MASS, dense, LIGHTEST, DENSEST))
                : Optional.empty();
    }

    private static Optional<Odd> energy(Part part, Facet.Cells cells) {
        double rich = cells.nominalWh() / (part.massG().value() / 1000);
        return Double.isFinite(rich) && rich > RICHEST_WH_PER_KG
                ? Optional.of(
                        new Odd(Odd.Kind.RICH, part.id(), "cell capacity", Quantity.ENERGY, rich, 0, RICHEST_WH_PER_KG))
                : Optional.empty();
    }

    private static void fins(List<Odd> found, Part part, Facet.Fins fins) {
        Facet.Fins within = fins.within(part.body().bounds());
        larger(found, part, "fin height", fins.heightMm(), within.heightMm());
        larger(found, part, "length along the air", fins.lengthMm(), within.lengthMm());
        larger(found, part, "width over all fins", fins.widthMm(), within.widthMm());
    }

    private static void larger(List<Odd> found, Part part, String what, double is, double fits) {
        if (is > fits) {
            found.add(new Odd(Odd.Kind.LARGER, part.id(), what, Quantity.LENGTH, is, 0, fits));
        }
    }

    private static void window(List<Odd> found, Part part, double low, double high) {
        if (low > high) {
            found.add(new Odd(Odd.Kind.TURNED, part.id(), "least voltage", Quantity.VOLTAGE, low, 0, high));
        }
    }

    private static void order(List<Odd> found, Part part, String what, Figure less, Figure more) {
        if (less.value() > more.value()) {
            found.add(new Odd(Odd.Kind.DISORDERED, part.id(), what, Quantity.POWER, less.value(), 0, more.value()));
        }
    }
}
