package boldsatchel.desktop.controls;

import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.quantity.Form.Field;
import boldsatchel.quantity.Quantity;
import java.lang.reflect.Method;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/**
 * A form for any record, made from the labels of its fields: every field can be seen and changed, and a new field is in it for nothing.
 * Values change in place, so that the focus stays where it is; only when a list grows or shrinks, or something optional comes or
 * goes, is the form laid out anew.
 */
public final class RecordForm extends VBox {

    /** The choice of who says nothing. */
    private static final String UNSAID = "not said";

    /** Hears what somebody changed. */
    @FunctionalInterface
    public interface Changed {
        /**
         * A change.
         *
         * @param what in words
         * @param change what it does to the record as it is then
         */
        void accept(String what, UnaryOperator<Object> change);
    }

    private static final double SEVERAL_WIDTH = 190;

    private final String id;
    private final Class<?> type;
    private final Changed changed;
    private String currency = "";
    private String empty = "not said";
    private Predicate<Field> fields = f -> true;
    private Function<Field, Optional<Node>> beside = f -> Optional.empty();
    private Optional<Object> shown = Optional.empty();
    private final List<Consumer<Object>> updates = new ArrayList<>();
    private final Set<String> unfolded = new HashSet<>();

    /**
     * A form.
     *
     * @param id prefix of its fields' ids
     * @param type the record
     */
    public RecordForm(String id, Class<?> type, Changed changed) {
        super(6);
        this.id = id;
        this.type = type;
        this.changed = changed;
        getStyleClass().add("record-form");
    }

    /** Shows only some of the fields. */
    public RecordForm only(Predicate<Field> which) {
        fields = which;
        return this;
    }

    /** What money is written in. */
    public RecordForm in(String money) {
        currency = money;
        return this;
    }

    /** What an empty field for a number says. */
    public RecordForm empty(String words) {
        empty = words;
        return this;
    }

    /** Puts something beside a field. */
    public RecordForm beside(Function<Field, Optional<Node>> what) {
        beside = what;
        return this;
    }

    /** Whether it shows records of a kind. */
    public boolean isFor(Class<?> kind) {
        return type == kind;
    }

    /** Shows a record without reporting it. */
    public void show(Object record) {
        if (shown.equals(Optional.of(record))) {
            return;
        }
        boolean same = shown.filter(s -> shape(s).equals(shape(record))).isPresent();
        shown = Optional.of(record);
        if (!same) {
            layOut(record);
        }
        updates.forEach(u -> u.accept(record));
    }

    /** What the form's rows depend on: how long its lists are, and which optional groups are there. */
    private List<Object> shape(Object record) {
        List<Object> shape = new ArrayList<>();
        for (Field field : Form.of(type).fields()) {
            Object value = field.get(record);
            switch (field.kind()) {
                case LIST -> shape.add(value instanceof List<?> l ? l.size() : 0);
                case GROUP, FIGURE -> shape.add(!(value instanceof Optional<?> o) || o.isPresent());
                default -> {
                    // One control, whatever its value.
                }
            }
        }
        return shape;
    }

    private void layOut(Object record) {
        updates.clear();
        getChildren().clear();
        Form.of(type).fields().stream().filter(fields).forEach(f -> row(f, record));
    }

    private String id(Field field) {
        return id + "-" + field.name();
    }

    private void change(Field field, UnaryOperator<Object> value) {
        changed.accept(field.label(), r -> field.with(r, value.apply(field.get(r))));
    }

    private void row(Field field, Object record) {
        Object value = field.get(record);
        boolean empty = value instanceof Optional<?> o && o.isEmpty();
        boolean structured = field.kind() == Form.Kind.FIGURE || field.kind() == Form.Kind.GROUP;
        if (empty && structured) {
            getChildren().add(unsaid(field));
            return;
        }
        switch (field.kind()) {
            case FIGURE -> figure(field);
            case NUMBER -> number(field);
            case WHOLE -> whole(field);
            case FLAG -> flag(field);
            case TEXT -> text(field);
            case DATE -> date(field);
            case CHOICE -> choice(field);
            case GROUP -> group(field);
            case LIST -> list(field, record);
        }
    }

    private static Object inside(Object value) {
        return value instanceof Optional<?> o ? o.orElseThrow() : value;
    }

    private static Object wrapped(Field field, Object value) {
        return field.optional() ? Optional.of(value) : value;
    }

    private void labelled(Field field, Region control) {
        Label name = Ui.label(label(field), "row-name");
        name.setLabelFor(control);
        name.setWrapText(true);
        control.setMinWidth(USE_PREF_SIZE);
        HBox row = new HBox(8, name, Ui.spring(), control);
        row.setAlignment(javafx.geometry.Pos.TOP_LEFT);
        beside.apply(field).ifPresent(row.getChildren()::add);
        getChildren().add(row);
    }

    private String label(Field field) {
        return field.quantity() == Quantity.MONEY && !currency.isEmpty()
                ? field.label() + ", " + currency
                : field.label();
    }

    /** Something that may be said and is not. */
    private Node unsaid(Field field) {
        Button say = Ui.button(
                id(field) + "-say",
                "Say it",
                "Say what is known of " + field.label(),
                () -> change(
                        field,
                        v -> Optional.of(
                                field.kind() == Form.Kind.FIGURE
                                        ? Figure.guess(1)
                                        : Form.of(field.holds()).absent())));
        say.getStyleClass().add("small");
        HBox row = new HBox(8, Ui.label(field.label()), Ui.spring(), Ui.label("not said", "soft"), say);
        row.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        return row;
    }

    private void forgettable(Field field) {
        if (field.optional()) {
            Button forget = Ui.button(
                    id(field) + "-forget",
                    "Leave it unsaid",
                    "Nothing is known of " + field.label(),
                    () -> change(field, v -> Optional.empty()));
            forget.getStyleClass().add("small");
            getChildren().add(forget);
        }
    }

    private void figure(Field field) {
        FigureField control = new FigureField(
                id(field),
                label(field),
                field.quantity(),
                f -> change(field, v -> wrapped(field, f.apply((Figure) inside(v)))));
        updates.add(r -> control.show((Figure) inside(field.get(r))));
        getChildren().add(control);
        forgettable(field);
    }

    private void number(Field field) {
        UnitField control = field.optional()
                ? UnitField.optional(id(field), field.quantity(), v -> change(field, x -> v))
                : UnitField.required(id(field), field.quantity(), v -> change(field, x -> v));
        if (field.optional()) {
            control.prompt(empty);
        }
        control.wide(7);
        updates.add(r -> {
            if (field.get(r) instanceof Optional<?> o) {
                control.show(o.map(n -> (Double) n));
            } else {
                control.show((Double) field.get(r));
            }
        });
        labelled(field, control);
    }

    private void whole(Field field) {
        UnitField control = UnitField.required(
                        id(field),
                        field.quantity(),
                        v -> change(field, x -> {
                            if (v != Math.rint(v) || Math.abs(v) > Integer.MAX_VALUE) {
                                throw new IllegalArgumentException(field.label() + " is a whole number");
                            }
                            return (int) Math.round(v);
                        }))
                .wide(7);
        updates.add(r -> control.show((Integer) field.get(r)));
        labelled(field, control);
    }

    private void flag(Field field) {
        CheckBox control = new CheckBox(field.label());
        control.setId(id(field));
        control.setOnAction(e -> {
            boolean now = control.isSelected();
            change(field, v -> now);
        });
        updates.add(r -> control.setSelected((Boolean) field.get(r)));
        getChildren().add(control);
    }

    private void text(Field field) {
        TextField control = new TextField();
        control.setId(id(field));
        control.setPrefColumnCount(9);
        HBox.setHgrow(control, Priority.ALWAYS);
        String[] last = {""};
        Runnable commit = () -> {
            String now = control.getText();
            if (!now.equals(last[0])) {
                change(field, v -> field.optional() ? Optional.of(now).filter(t -> !t.isBlank()) : now);
            }
        };
        Ui.whenWritten(control, commit);
        updates.add(r -> {
            last[0] = field.get(r) instanceof Optional<?> o
                    ? o.map(Object::toString).orElse("")
                    : field.get(r).toString();
            control.setText(last[0]);
        });
        labelled(field, control);
    }

    private void date(Field field) {
        DateField control = new DateField(id(field), d -> change(field, v -> d));
        updates.add(r -> control.show(((Optional<?>) field.get(r)).map(LocalDate.class::cast)));
        labelled(field, control);
    }

    private void choice(Field field) {
        List<Object> choices = new ArrayList<>(field.optional() ? List.of(UNSAID) : List.of());
        choices.addAll(field.choices());
        ComboBox<Object> control = Ui.choice(id(field), choices.toArray(), choices.getFirst(), RecordForm::words);
        boolean[] showing = {false};
        control.setOnAction(e -> {
            Object chosen = control.getValue();
            if (!showing[0] && chosen != null) {
                change(field, v -> chosen.equals(UNSAID) ? Optional.empty() : wrapped(field, chosen));
            }
        });
        updates.add(r -> {
            showing[0] = true;
            Object value = field.get(r);
            control.setValue(value instanceof Optional<?> o && o.isEmpty() ? UNSAID : inside(value));
            showing[0] = false;
        });
        labelled(field, control);
    }

    /** A constant's own words, or its name in small letters. */
    private static String words(Object constant) {
        if (constant instanceof String said) {
            return said;
        }
        try {
            Method words = constant.getClass().getMethod("words");
            return (String) words.invoke(constant);
        } catch (NoSuchMethodException e) {
            return ((Enum<?>) constant).name().toLowerCase(Locale.ROOT).replace('_', ' ');
        } catch (ReflectiveOperationException e) {
            throw new IllegalStateException("cannot read the words of " + constant, e);
        }
    }

    private void group(Field field) {
        RecordForm inner = new RecordForm(
                id(field),
                field.holds(),
                (what, f) -> changed.accept(
                        field.label() + ", " + what,
                        r -> field.with(r, wrapped(field, f.apply(inside(field.get(r)))))));
        inner.getStyleClass().add("inner-form");
        updates.add(r -> inner.show(inside(field.get(r))));
        getChildren().addAll(Ui.label(field.label(), "group-name"), inner);
        forgettable(field);
    }

    private void list(Field field, Object record) {
        Object value = field.get(record);
        if (value instanceof Set<?> && field.holds().isEnum()) {
            several(field);
        } else if (value instanceof List<?> && (field.holds() == Integer.class || field.holds() == String.class)) {
            row(field);
        } else {
            records(field, record);
        }
    }

    /** Any of a list of words. */
    private void several(Field field) {
        MenuButton control = new MenuButton();
        control.setId(id(field));
        control.setMaxWidth(SEVERAL_WIDTH);
        for (Object constant : field.holds().getEnumConstants()) {
            CheckMenuItem item = new CheckMenuItem(words(constant));
            item.setUserData(constant);
            item.setOnAction(e -> change(field, v -> {
                Set<Object> all = new LinkedHashSet<>((Set<?>) v);
                if (!all.remove(constant)) {
                    all.add(constant);
                }
                return all;
            }));
            control.getItems().add(item);
        }
        updates.add(r -> {
            Set<?> chosen = (Set<?>) field.get(r);
            control.setText(
                    chosen.isEmpty()
                            ? "none"
                            : chosen.stream().map(RecordForm::words).collect(Collectors.joining(", ")));
            for (MenuItem item : control.getItems()) {
                ((CheckMenuItem) item).setSelected(chosen.contains(item.getUserData()));
            }
        });
        labelled(field, control);
    }

    /** Numbers or names in a row. */
    private void row(Field field) {
        boolean addresses = field.quantity() == Quantity.ADDRESS;
        ListField control = new ListField(
                id(field),
                field.holds() == Integer.class,
                e -> addresses && e instanceof Integer i ? String.format("0x%02X", i) : e.toString(),
                list -> change(field, v -> list));
        updates.add(r -> control.show((List<?>) field.get(r)));
        labelled(field, control);
    }

    private void records(Field field, Object record) {
        if (!(field.get(record) instanceof List<?> elements)
                || !field.holds().isRecord()
                || Form.of(field.holds()).fields().stream().anyMatch(Field::needed)) {
            return;
        }
        boolean open = unfolded.contains(field.name());
        Button fold = Ui.button(
                id(field) + "-fold",
                (open ? "▾ " : "▸ ") + field.label() + " (" + elements.size() + ")",
                open ? "Fold these away" : "Show each of these",
                () -> fold(field));
        fold.getStyleClass().add("link");
        Button add = Ui.button(id(field) + "-add", "Add", "Add to " + field.label(), () -> {
            unfolded.add(field.name());
            change(field, v -> {
                List<Object> more = new ArrayList<>((List<?>) v);
                more.add(Form.of(field.holds()).absent());
                return more;
            });
        });
        add.getStyleClass().add("small");
        HBox head = new HBox(8, fold, Ui.spring(), add);
        head.setAlignment(javafx.geometry.Pos.CENTER_LEFT);
        getChildren().add(head);
        for (int i = 0; open && i < elements.size(); i++) {
            element(field, i);
        }
    }

    private void fold(Field field) {
        if (!unfolded.remove(field.name())) {
            unfolded.add(field.name());
        }
        shown.ifPresent(r -> {
            layOut(r);
            updates.forEach(u -> u.accept(r));
        });
    }

    private void element(Field field, int index) {
        RecordForm inner = new RecordForm(
                id(field) + "-" + index,
                field.holds(),
                (what, f) -> changed.accept(
                        field.label() + ", " + what, r -> field.with(r, with((List<?>) field.get(r), index, f))));
        // What others know an element by is no business of whoever fills in a form.
        inner.only(f -> !f.name().equals("id"));
        inner.getStyleClass().add("inner-form");
        updates.add(r -> inner.show(((List<?>) field.get(r)).get(index)));
        Button remove = Ui.button(
                id(field) + "-" + index + "-remove",
                "×",
                "Remove this one",
                () -> change(field, v -> {
                    List<Object> fewer = new ArrayList<>((List<?>) v);
                    if (index < fewer.size()) {
                        fewer.remove(index);
                    }
                    return fewer;
                }));
        remove.getStyleClass().add("small");
        HBox row = new HBox(4, inner, remove);
        HBox.setHgrow(inner, Priority.ALWAYS);
        getChildren().add(row);
    }

    private static List<Object> with(List<?> list, int index, UnaryOperator<Object> change) {
        List<Object> changed = new ArrayList<>(list);
        if (index < changed.size()) {
            changed.set(index, change.apply(changed.get(index)));
        }
        return changed;
    }
}
