package boldsatchel.desktop.frame;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Commands;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** A field over the window that finds commands by any of their words. */
final class CommandSearch extends StackPane {

    private final Commands commands;
    private final TextField field = new TextField();
    private final ListView<Commands.Command> list = new ListView<>();

    CommandSearch(Commands commands) {
        this.commands = commands;
        getStyleClass().add("command-shade");
        field.setId("command-search");
        field.setPromptText("What do you want to do? For example: undo, export, add a fan");
        list.setId("command-list");
        list.setCellFactory(v -> Ui.cell(CommandSearch::words));
        list.setFocusTraversable(false);
        VBox box = new VBox(6, field, list);
        box.getStyleClass().add("command-box");
        box.setMaxSize(560, 380);
        getChildren().add(box);
        setVisible(false);
        field.textProperty().addListener((o, was, is) -> fill());
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::key);
        list.setOnMouseClicked(e -> run());
        setOnMousePressed(e -> {
            if (e.getTarget() == this) {
                close();
            }
        });
    }

    void open() {
        setVisible(true);
        field.clear();
        fill();
        field.requestFocus();
    }

    private void fill() {
        list.getItems().setAll(commands.search(field.getText()));
        list.getSelectionModel().selectFirst();
    }

    private void key(KeyEvent e) {
        switch (e.getCode()) {
            case ESCAPE -> close();
            case ENTER -> run();
            case DOWN -> {
                list.getSelectionModel().selectNext();
                list.scrollTo(list.getSelectionModel().getSelectedIndex());
            }
            case UP -> {
                list.getSelectionModel().selectPrevious();
                list.scrollTo(list.getSelectionModel().getSelectedIndex());
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void run() {
        Commands.Command command = list.getSelectionModel().getSelectedItem();
        close();
        if (command != null) {
            command.action().run();
        }
    }

    private void close() {
        setVisible(false);
    }

    private static String words(Commands.Command command) {
        return command.name()
                + command.keys().map(k -> "    " + k.getDisplayText()).orElse("");
    }
}
