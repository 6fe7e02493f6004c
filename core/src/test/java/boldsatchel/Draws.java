package boldsatchel;

import boldsatchel.machine.Body;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/**
 * Builds as they may really be: every figure drawn from its range by itself, but for what parts off one shelf entry have from one data
 * sheet. Knows nothing of how ranges are worked out.
 */
public final class Draws {

    /** A figure for a figure, by whose it is, the record that holds it and its name there. */
    private interface Way {
        Figure of(Figure f, String owner, Class<?> in, String field);
    }

    private final Way way;

    private Draws(Way way) {
        this.way = way;
    }

    /** The same build with every figure in doubt: lengths by two tenths of a millimetre, as a caliper leaves them, all others by up to so much of themselves. */
    public static Build doubtful(Build build, double share, long seed) {
        Random random = new Random(seed);
        Way way = (f, owner, in, field) -> new Figure(
                f.value(),
                field.endsWith("Mm")
                        ? Double.parseDouble(System.getProperty("mm", "0.5"))
                        : random.nextDouble(share) * Math.abs(f.value()),
                random.nextBoolean() ? Basis.MEASURED : Basis.DATA_SHEET);
        return (Build) new Draws(way).drawn(build, "", "", Object.class, "");
    }

    private static Way errors(long seed) {
        Random random = new Random(seed);
        Map<String, Double> errors = new HashMap<>();
        return (f, owner, in, field) -> {
            double error = errors.computeIfAbsent(
                    owner + "/" + in.getName() + "/" + field + "/" + f, k -> random.nextGaussian());
            return new Figure(f.value() + error * f.sigma(), f.plusMinus(), f.basis());
        };
    }

    /** One build; figures that a part cannot have are drawn again. */
    public static Build of(Build build, long seed) {
        IllegalArgumentException last = new IllegalArgumentException("never drawn");
        for (int attempt = 0; attempt < 20; attempt++) {
            try {
                return (Build) new Draws(errors(seed * 31 + attempt)).drawn(build, "", "", Object.class, "");
            } catch (IllegalArgumentException e) {
                last = e;
            }
        }
        throw last;
    }

    private Object drawn(Object thing, String owner, String shelf, Class<?> in, String field) {
        return switch (thing) {
            case Figure f -> way.of(f, f.basis() == Basis.DATA_SHEET && !shelf.isEmpty() ? shelf : owner, in, field);
            case List<?> list -> {
                List<Object> all = new ArrayList<>();
                list.forEach(x -> all.add(drawn(x, owner, shelf, in, field)));
                yield all;
            }
            case Map<?, ?> map -> {
                Map<Object, Object> all = new LinkedHashMap<>();
                map.forEach((k, v) -> all.put(k, drawn(v, owner, shelf, in, field)));
                yield all;
            }
            case Optional<?> maybe -> maybe.map(x -> drawn(x, owner, shelf, in, field));
            case Parts parts ->
                new Parts(parts.list().stream()
                        .map(p -> (Part) drawn(p, "", "", Parts.class, ""))
                        .toList());
            case Body body -> {
                Body other = (Body) rebuilt(body, owner, shelf);
                yield body.resized(other.widthMm(), other.depthMm(), other.heightMm());
            }
            case Part part ->
                rebuilt(part, part.id(), part.origin().map(o -> "shelf " + o).orElse(""));
            case Shell shell -> rebuilt(shell, shell.id(), "");
            case Rung rung -> rebuilt(rung, rung.id(), "");
            case Record other -> rebuilt(other, owner, shelf);
            default -> thing;
        };
    }

    /** How records of a class are read and made. */
    private record Shape(List<RecordComponent> components, Constructor<?> constructor) {
        private static final ClassValue<Shape> OF = new ClassValue<>() {
            @Override
            protected Shape computeValue(Class<?> type) {
                RecordComponent[] components = type.getRecordComponents();
                Class<?>[] types = new Class<?>[components.length];
                for (int i = 0; i < components.length; i++) {
                    types[i] = components[i].getType();
                    components[i].getAccessor().setAccessible(true);
                }
                try {
                    Constructor<?> constructor = type.getDeclaredConstructor(types);
                    constructor.setAccessible(true);
                    return new Shape(List.of(components), constructor);
                } catch (NoSuchMethodException e) {
                    throw new LinkageError(e.getMessage(), e);
                }
            }
        };
    }

    private Object rebuilt(Record thing, String owner, String shelf) {
        Shape shape = Shape.OF.get(thing.getClass());
        Object[] values = new Object[shape.components.size()];
        try {
            for (int i = 0; i < values.length; i++) {
                RecordComponent component = shape.components.get(i);
                values[i] = drawn(
                        component.getAccessor().invoke(thing), owner, shelf, thing.getClass(), component.getName());
            }
            return shape.constructor.newInstance(values);
        } catch (InvocationTargetException e) {
            throw new IllegalArgumentException(e.getCause());
        } catch (ReflectiveOperationException e) {
            throw new LinkageError(e.getMessage(), e);
        }
    }
}
