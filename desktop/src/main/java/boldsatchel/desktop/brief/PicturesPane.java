package boldsatchel.desktop.brief;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.document.Pictures;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Journal;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.TextField;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** Reference pictures, small, with what each shows. */
final class PicturesPane extends VBox {

    private static final double WIDE = 150;
    private static final double HIGH = 110;

    private final Desk desk;
    private final FlowPane shown = new FlowPane(8, 8);

    /**
     * A pane.
     *
     * @param add asks for a picture and adds it
     */
    PicturesPane(Desk desk, Runnable add) {
        super(6);
        this.desk = desk;
        getChildren()
                .addAll(
                        Ui.label("Reference pictures", "section"),
                        Ui.words(
                                "Each is copied into a folder beside the build file; taking one off the list leaves its file there.",
                                "soft"),
                        shown,
                        Ui.button("picture-add", "Add a picture …", "Copied beside the build file", add));
    }

    /** Shows the build's pictures as they are now. */
    void show() {
        List<Journal.Picture> pictures = desk.session().shown().journal().pictures();
        Optional<Path> file = desk.session().file();
        List<Object> now = List.of(pictures, file);
        if (now.equals(shown.getUserData())) {
            return;
        }
        shown.setUserData(now);
        shown.getChildren().clear();
        for (int i = 0; i < pictures.size(); i++) {
            shown.getChildren().add(one(pictures.get(i), i, file));
        }
    }

    private Node one(Journal.Picture picture, int index, Optional<Path> build) {
        Node image = build.flatMap(b -> Pictures.file(b, picture))
                .<Node>map(f -> new ImageView(new Image(f.toUri().toString(), WIDE, HIGH, true, true, true)))
                .orElseGet(
                        () -> Ui.words(picture.file() + " is not in the folder beside the build file.", "field-error"));
        TextField words = new TextField(picture.words());
        words.setId("picture-words-" + index);
        words.setPromptText("what it shows");
        words.setMaxWidth(WIDE);
        words.focusedProperty().addListener((o, was, is) -> {
            if (!is && !words.getText().equals(picture.words())) {
                change(
                        "say what a picture shows",
                        all -> all.set(index, new Journal.Picture(picture.file(), words.getText())));
            }
        });
        VBox box = new VBox(
                4,
                image,
                words,
                Ui.button(
                        "picture-remove-" + index,
                        "Take it off the list",
                        "Its file stays",
                        () -> change("remove a picture", all -> all.remove(index))));
        box.setMaxWidth(WIDE);
        return box;
    }

    private void change(String name, Consumer<List<Journal.Picture>> change) {
        desk.session().does(Edits.journal(name, j -> {
            List<Journal.Picture> all = new ArrayList<>(j.pictures());
            change.accept(all);
            return j.withPictures(all);
        }));
    }
}
