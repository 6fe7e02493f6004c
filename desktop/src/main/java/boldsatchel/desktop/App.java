package boldsatchel.desktop;

import boldsatchel.book.Typeface;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Session;
import boldsatchel.desktop.document.BuildStore;
import boldsatchel.desktop.document.OwnShelf;
import boldsatchel.desktop.frame.Frame;
import boldsatchel.format.BuildFormat;
import boldsatchel.shelf.Library;
import boldsatchel.shelf.Picks;
import java.io.IOException;
import java.io.InputStream;
import java.util.Objects;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.text.Font;
import javafx.stage.Stage;
import javafx.util.Duration;

/** Puts the window together. */
public final class App {

    private static final Duration KEEP_AFTER = Duration.millis(800);
    private static final double WIDTH = 1280;
    private static final double HEIGHT = 800;

    private final Session session;
    private final Desk desk;
    private final Frame frame;
    private final Scene scene;
    private final PauseTransition keeping = new PauseTransition(KEEP_AFTER);

    /** Makes the window's contents for a document. */
    public App(BuildFormat.Document document, Session.Origin origin) {
        loadFaces();
        session = new Session(document, origin);
        desk = new Desk(session, this::library);
        frame = new Frame(desk);
        scene = new Scene(frame, WIDTH, HEIGHT);
        desk.follow(scene);
        scene.getStylesheets().add(sheet("/atlantafx/base/theme/primer-light.bss"));
        scene.getStylesheets().add(sheet("satchel.css"));
        keepUnsavedWork();
    }

    /** The shelf that ships and the user's own; what is wrong with that one is said, and stops nothing. */
    private Library library() {
        OwnShelf.Loaded own = OwnShelf.load();
        own.problem()
                .ifPresent(words -> Platform.runLater(() -> frame.complain("Your own shelf cannot be read", words)));
        return Picks.shelf().and(Library.of(own.contents()));
    }

    private static String sheet(String name) {
        return Objects.requireNonNull(
                        name.startsWith("/")
                                ? atlantafx.base.theme.PrimerLight.class.getResource(name)
                                : App.class.getResource(name),
                        name)
                .toExternalForm();
    }

    private static void loadFaces() {
        for (Typeface face : Typeface.values()) {
            try (InputStream in = face.open()) {
                Font.loadFont(in, 13);
            } catch (IOException e) {
                throw new IllegalStateException("the face " + face + " cannot be read", e);
            }
        }
    }

    private void keepUnsavedWork() {
        keeping.setOnFinished(e -> {
            try {
                session.keepForRecovery();
            } catch (BuildStore.StoreException x) {
                frame.complain("Unsaved work is not safe", x.getMessage());
            }
        });
        session.history().addListener((o, was, is) -> keeping.playFromStart());
    }

    /** Shows the window. */
    public void show(Stage stage) {
        stage.setScene(scene);
        stage.setMinWidth(1180);
        stage.setMinHeight(720);
        session.standing()
                .subscribe(standing ->
                        stage.setTitle((standing.changed() ? "• " : "") + standing.name() + " – Bold Satchel"));
        stage.setOnCloseRequest(e -> {
            if (session.isChanged()) {
                e.consume();
                frame.files().unlessUnsaved(() -> {
                    close();
                    stage.close();
                });
            } else {
                close();
            }
        });
        stage.show();
    }

    /** Ends what still runs for this window when another takes its place. */
    public void close() {
        keeping.stop();
        frame.end();
        session.end();
    }

    /** The window's frame. */
    public Frame frame() {
        return frame;
    }

    /** The window's desk. */
    public Desk desk() {
        return desk;
    }

    /** The window's scene. */
    public Scene scene() {
        return scene;
    }
}
