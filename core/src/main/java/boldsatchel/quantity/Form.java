package boldsatchel.quantity;

import java.lang.invoke.LambdaMetafactory;
import java.lang.invoke.MethodHandle;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.MethodType;
import java.lang.reflect.Constructor;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * The fields of a kind of record, each with its label, its quantity and a way to read and to change it: one table for whatever shows,
 * edits, checks or fills records, so that a new record gets all of these for nothing. Made once a class; safe on any thread.
 *
 * @param type the record
 * @param fields in the order of its components
 */
public record Form(Class<?> type, List<Field> fields) {

    private static final ClassValue<Form> FORMS = new ClassValue<>() {
        @Override
        protected Form computeValue(Class<?> type) {
            return new Form(
                    type,
                    Arrays.stream(type.getRecordComponents())
                            .map(c -> new Field(type, c))
                            .toList());
        }
    };

    /** Kinds of field, by what they hold. */
    public enum Kind {
        /** A figure with its trust. */
        FIGURE,
        /** A plain number. */
        NUMBER,
        /** A whole number. */
        WHOLE,
        /** Yes or no. */
        FLAG,
        /** Words. */
        TEXT,
        /** A day. */
        DATE,
        /** One of a list of words. */
        CHOICE,
        /** A record of its own. */
        GROUP,
        /** Several. */
        LIST
    }

    /** The fields of a kind of record. */
    public static Form of(Class<?> type) {
        if (!type.isRecord()) {
            throw new IllegalArgumentException(type + " is no record");
        }
        return FORMS.get(type);
    }

    /** What people call the record; its class name when nobody said. */
    public String label() {
        Label label = type.getAnnotation(Label.class);
        return label == null ? type.getSimpleName() : label.value();
    }

    /** The field of a name. */
    public Field field(String name) {
        return fields.stream()
                .filter(f -> f.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(type.getSimpleName() + " has no field “" + name + "”"));
    }

    /**
     * The record as it is where a file says nothing.
     *
     * @throws IllegalArgumentException when it has a field that nothing could be taken for
     */
    public Object absent() {
        return make(fields.stream().map(Field::absent).toArray());
    }

    private Object make(Object[] values) {
        try {
            Class<?>[] types = Arrays.stream(type.getRecordComponents())
                    .map(RecordComponent::getType)
                    .toArray(Class<?>[]::new);
            Constructor<?> canonical = type.getDeclaredConstructor(types);
            return canonical.newInstance(values);
        } catch (InvocationTargetException e) {
            if (e.getCause() instanceof IllegalArgumentException refused) {
                throw refused;
            }
            throw new IllegalStateException("cannot make a " + type.getSimpleName(), e);
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("cannot make a " + type.getSimpleName(), e);
        }
    }

    /** One field. */
    public static final class Field {
        private final Class<?> owner;
        private final RecordComponent component;
        private final Optional<Label> label;
        private final boolean optional;
        private final Type held;
        private final Kind kind;
        private @Nullable Function<Object, Object> getter;
        private final double usualLeast;
        private final double usualMost;

        private Field(Class<?> owner, RecordComponent component) {
            this.owner = owner;
            this.component = component;
            this.label = Optional.ofNullable(component.getAnnotation(Label.class));
            this.optional = component.getType() == Optional.class;
            this.held = optional ? inner(component.getGenericType()) : component.getGenericType();
            this.kind = kind(raw(held));
            this.usualLeast =
                    label.map(Label::usualLeast).filter(l -> !l.isNaN()).orElse(least());
            double most = label.map(Label::usualMost)
                    .filter(m -> !m.isNaN())
                    .orElse(quantity().usualMost());
            this.usualMost = Math.min(most(), most);
        }

        private static Type inner(Type type) {
            return ((ParameterizedType) type).getActualTypeArguments()[0];
        }

        private static Class<?> raw(Type type) {
            return (Class<?>) (type instanceof ParameterizedType p ? p.getRawType() : type);
        }

        private static Kind kind(Class<?> raw) {
            if (raw == Figure.class) {
                return Kind.FIGURE;
            }
            if (raw == double.class || raw == Double.class) {
                return Kind.NUMBER;
            }
            if (raw == int.class || raw == Integer.class) {
                return Kind.WHOLE;
            }
            if (raw == boolean.class || raw == Boolean.class) {
                return Kind.FLAG;
            }
            if (raw == LocalDate.class) {
                return Kind.DATE;
            }
            return raw == String.class
                    ? Kind.TEXT
                    : raw.isEnum() ? Kind.CHOICE : raw.isRecord() ? Kind.GROUP : Kind.LIST;
        }

        /** What it holds. */
        public Kind kind() {
            return kind;
        }

        /** Name in the record and in files. */
        public String name() {
            return component.getName();
        }

        /** What people call it; its name when nobody said. */
        public String label() {
            return label.map(Label::value).orElse(name());
        }

        /** What its number measures. */
        public Quantity quantity() {
            return label.map(Label::in).orElse(Quantity.COUNT);
        }

        /** Least that its number can be. */
        public double least() {
            return label.map(Label::least)
                    .filter(l -> !l.isNaN())
                    .orElse(quantity().least());
        }

        /** Most that its number can be. */
        public double most() {
            return label.map(Label::most)
                    .filter(m -> !m.isNaN())
                    .orElse(quantity().most());
        }

        /** Least that is usual. */
        public double usualLeast() {
            return usualLeast;
        }

        /** Most that is usual; never more than it can be. */
        public double usualMost() {
            return usualMost;
        }

        /** Refuses a number that cannot be, in words; what is no number may be anything. */
        private void check(Object value) {
            switch (value) {
                case Optional<?> o -> o.ifPresent(this::check);
                case Figure f -> check(f.value());
                case Number n -> quantity().check(label(), n.doubleValue(), least(), most());
                default -> {
                    // Words, choices, records: these refuse by themselves.
                }
            }
        }

        /** Whether it may be left empty. */
        public boolean optional() {
            return optional;
        }

        /** Whether a file must have it. */
        public boolean needed() {
            return label.map(Label::needed).orElse(false);
        }

        /** Class of what it holds; of its elements when it is a list. */
        public Class<?> holds() {
            return raw(kind == Kind.LIST && held instanceof ParameterizedType ? inner(held) : held);
        }

        /** Its value in a record; an {@link Optional} when it may be left empty. */
        public Object get(Object record) {
            Function<Object, Object> made = getter;
            if (made == null) {
                made = getter(component);
                getter = made;
            }
            return made.apply(record);
        }

        /** Made into a class of its own, which costs a tenth of a call by reflection or by a handle that is no constant. */
        private static Function<Object, Object> getter(RecordComponent component) {
            try {
                Method accessor = component.getAccessor();
                // A record that only its own room knows can be a label's owner too.
                MethodHandles.Lookup room =
                        MethodHandles.privateLookupIn(accessor.getDeclaringClass(), MethodHandles.lookup());
                MethodHandle handle = room.unreflect(accessor);
                @SuppressWarnings("unchecked") // What the factory makes is of the interface it was asked for.
                Function<Object, Object> made = (Function<Object, Object>) LambdaMetafactory.metafactory(
                                room,
                                "apply",
                                MethodType.methodType(Function.class),
                                MethodType.methodType(Object.class, Object.class),
                                handle,
                                handle.type().wrap())
                        .getTarget()
                        .invoke();
                return made;
            } catch (Error e) {
                throw e;
            } catch (Throwable e) {
                throw new IllegalStateException("cannot read " + component.getName(), e);
            }
        }

        /**
         * The record with another value here.
         *
         * @param value of the field's type; what {@link #get} gives for this field
         * @throws IllegalArgumentException when the record refuses it, with the reason in words
         */
        public <R> R with(R record, Object value) {
            check(value);
            Form form = Form.of(owner);
            List<Object> values = new ArrayList<>();
            for (Field field : form.fields()) {
                values.add(field.name().equals(name()) ? value : field.get(record));
            }
            @SuppressWarnings("unchecked") // The canonical constructor of the record's own class.
            R made = (R) form.make(values.toArray());
            return made;
        }

        /** Whether two records of its kind are equal in all other fields. */
        public boolean isAllThatDiffers(Object one, Object other) {
            for (Field field : Form.of(owner).fields()) {
                if (!field.name().equals(name()) && !field.get(one).equals(field.get(other))) {
                    return false;
                }
            }
            return true;
        }

        /** What can be chosen in it; nothing when it is no choice. */
        public List<Object> choices() {
            return kind == Kind.CHOICE ? List.of(raw(held).getEnumConstants()) : List.of();
        }

        /** Its value where a file says nothing. */
        public Object absent() {
            double number = label.map(Label::absent).orElse(0.0);
            if (optional) {
                return Optional.empty();
            }
            return switch (kind) {
                case FIGURE -> Figure.guess(number);
                case NUMBER -> number;
                case WHOLE -> (int) number;
                case FLAG -> number != 0;
                case TEXT -> "";
                case DATE -> throw new IllegalStateException(name() + " must be one that may be left empty");
                case CHOICE -> raw(held).getEnumConstants()[(int) number];
                case GROUP -> Form.of(raw(held)).absent();
                case LIST ->
                    raw(held) == Set.class
                            ? Set.of()
                            : number == 0 ? List.of() : List.of(Form.of(holds()).absent());
            };
        }
    }
}
