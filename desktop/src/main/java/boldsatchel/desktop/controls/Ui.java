package boldsatchel.desktop.controls;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Pane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.jspecify.annotations.Nullable;

/** Small pieces that every stage needs. */
public final class Ui {

    /** Under this key a node says that it has keys of its own. */
    private static final String OWN_KEYS = "own-keys";

    private Ui() {}

    /** Offers other choices; the one that was chosen stays so if it is still there, else the first is. */
    public static <T> void offer(ComboBox<T> box, List<T> choices, Function<T, String> id) {
        Optional<String> chosen = Optional.ofNullable(box.getValue()).map(id);
        box.getItems().setAll(choices);
        box.setValue(choices.stream()
                .filter(c -> chosen.equals(Optional.of(id.apply(c))))
                .findFirst()
                .orElse(choices.isEmpty() ? null : choices.getFirst()));
        box.setDisable(choices.size() < 2);
    }

    /** Single keys mean something of its own while a node has the focus: commands of the window do not take them. */
    public static void ownKeys(Node node) {
        node.getProperties().put(OWN_KEYS, true);
    }

    /** Whether single keys mean something of its own to a node, or to one that it lies in. */
    public static boolean hasOwnKeys(@Nullable Node node) {
        for (Node at = node; at != null; at = at.getParent()) {
            if (at.getProperties().containsKey(OWN_KEYS)) {
                return true;
            }
        }
        return false;
    }

    /** Shown, or not there at all. */
    public static void present(Node node, boolean is) {
        node.setVisible(is);
        node.setManaged(is);
    }

    /** A label with style classes. */
    public static Label label(String text, String... styles) {
        Label label = new Label(text);
        label.getStyleClass().addAll(styles);
        return label;
    }

    /** A label that wraps. */
    public static Label words(String text, String... styles) {
        Label label = label(text, styles);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        return label;
    }

    /** A button with an id, for tests and for keyboard users' tooltips. */
    public static Button button(String id, String text, String tip, Runnable action) {
        Button button = new Button(text);
        button.setId(id);
        button.setTooltip(new Tooltip(tip));
        button.setOnAction(e -> action.run());
        button.setMinWidth(Region.USE_PREF_SIZE);
        return button;
    }

    /** A tab of a row, told by its name. */
    public static ToggleButton tab(String name, Node pane, ToggleGroup tabs) {
        ToggleButton button = new ToggleButton(name);
        button.setId("tab-" + name.toLowerCase(Locale.ROOT).replace(' ', '-'));
        button.setToggleGroup(tabs);
        button.setUserData(pane);
        button.getStyleClass().add("side-tab");
        return button;
    }

    /** Keeps one of some tabs chosen, the first to begin with, and what it stands for in sight. */
    public static void keepShowing(ToggleGroup tabs, Pane where, Runnable then) {
        tabs.selectedToggleProperty().addListener((o, was, is) -> {
            if (is == null) {
                tabs.selectToggle(was);
            } else {
                where.getChildren().setAll((Node) is.getUserData());
                then.run();
            }
        });
        tabs.selectToggle(tabs.getToggles().getFirst());
    }

    /** Empty space that takes what is left. */
    public static Region spring() {
        Region region = new Region();
        javafx.scene.layout.HBox.setHgrow(region, Priority.ALWAYS);
        return region;
    }

    /** Takes what was written when Enter is pressed, and when the field is left. */
    public static void whenWritten(TextField field, Runnable commit) {
        field.setOnAction(e -> commit.run());
        field.focusedProperty().addListener((o, was, is) -> {
            if (!is) {
                commit.run();
            }
        });
    }

    /** A cell that shows its item in words. */
    public static <T> ListCell<T> cell(Function<T, String> words) {
        return new ListCell<>() {
            @Override
            protected void updateItem(T item, boolean empty) {
                super.updateItem(item, empty);
                setText(empty || item == null ? "" : words.apply(item));
            }
        };
    }

    /** A choice whose items are shown in words. */
    public static <T> ComboBox<T> choice(String id, Function<T, String> words) {
        ComboBox<T> box = new ComboBox<>();
        box.setId(id);
        box.setCellFactory(list -> cell(words));
        box.setButtonCell(cell(words));
        return box;
    }

    /** A choice among given values, one of them chosen. */
    public static <T> ComboBox<T> choice(String id, T[] values, T chosen, Function<T, String> words) {
        ComboBox<T> box = choice(id, words);
        box.getItems().setAll(values);
        box.setValue(chosen);
        return box;
    }

    /** Scrolls upright only. */
    public static ScrollPane scroll(Node content) {
        ScrollPane pane = new ScrollPane(content);
        pane.setFitToWidth(true);
        pane.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        return pane;
    }

    /** Adds a labelled row to a form. */
    public static void row(GridPane form, String name, Node field) {
        Label label = label(name, "field-name");
        label.setLabelFor(field);
        label.setMinWidth(Region.USE_PREF_SIZE);
        form.addRow(form.getRowCount(), label, field);
    }

    /** Adds a field over the whole width of a form. */
    public static void across(GridPane form, Node field) {
        int row = form.getRowCount();
        form.add(field, 0, row, 2, 1);
        GridPane.setHgrow(field, Priority.ALWAYS);
    }

    /** A two-column form. */
    public static GridPane form() {
        GridPane form = new GridPane();
        form.setHgap(10);
        form.setVgap(6);
        form.getStyleClass().add("form");
        return form;
    }
}
