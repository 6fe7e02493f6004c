package boldsatchel.desktop;

import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.Session;
import boldsatchel.edit.Edits;
import boldsatchel.edit.HuntEdits;
import boldsatchel.edit.Purchases;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import boldsatchel.machine.Feature;
import boldsatchel.machine.Journal;
import boldsatchel.machine.Money;
import boldsatchel.machine.Purchase;
import boldsatchel.machine.ScrewThread;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Library;
import boldsatchel.standins.SampleLog;
import boldsatchel.verdict.Verdict;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.embed.swing.SwingFXUtils;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBox;
import javafx.scene.control.ListView;
import javafx.stage.Stage;
import javafx.util.Duration;
import javax.imageio.ImageIO;

/** Takes pictures of the window. */
final class Shots {

    private static final Duration SETTLE = Duration.millis(400);
    /** What was done just before a look is not painted yet. */
    private static final int QUIET_LOOKS = 2;

    private Shots() {}

    /**
     * One picture of the manual.
     *
     * @param file its name
     * @param demo which build
     * @param stage which stage
     * @param dark which look
     * @param prepare what is done before
     */
    private record Shot(String file, String demo, String stage, boolean dark, Consumer<App> prepare) {}

    private static final List<Shot> MANUAL = List.of(
            new Shot("start.png", "cave-survey", "Pack", false, Shots::begin),
            new Shot(
                    "brief.png",
                    "cave-survey",
                    "Brief",
                    false,
                    a -> a.desk().working().set(Optional.of(Verdict.Kind.LASTS))),
            new Shot(
                    "shelf.png",
                    "cave-survey",
                    "Shelf",
                    false,
                    a -> a.desk().session().selection().set("battery")),
            new Shot("shelf-draw.png", "cave-survey", "Shelf", false, Shots::draw),
            new Shot("shelf-money.png", "cave-survey", "Shelf", false, Shots::money),
            new Shot(
                    "power.png",
                    "cave-survey",
                    "Power",
                    false,
                    a -> a.desk().session().selection().set("main-wire")),
            new Shot("power-charge.png", "orchard-ledger", "Power", false, a -> press(a, "#tab-charge")),
            new Shot("power-compare.png", "cave-survey", "Power", false, a -> press(a, "#compare-supplies")),
            new Shot("links.png", "cave-survey", "Links", false, a -> {}),
            new Shot("cool.png", "orchard-ledger", "Cool", false, a -> {}),
            new Shot("assemble.png", "orchard-ledger", "Assemble", false, a -> step(a, 21)),
            new Shot("bench.png", "cave-survey", "Bench", false, Shots::discharge),
            new Shot("fault.png", "orchard-ledger", "Bench", false, Shots::hunt),
            new Shot("pack.png", "orchard-ledger", "Pack", false, a -> {}),
            new Shot("case.png", "orchard-ledger", "Pack", false, a -> press(a, "#case-figures")),
            new Shot("pack-core.png", "harbour-watch", "Pack", false, a -> press(a, "#core-sample")),
            new Shot(
                    "pack-dark.png",
                    "cave-survey",
                    "Pack",
                    true,
                    a -> a.desk().working().set(Optional.of(Verdict.Kind.KEEPS_COOL))),
            new Shot("arrange.png", "orchard-ledger", "Arrange", false, a -> press(a, "#arrange-look")),
            new Shot("book.png", "orchard-ledger", "Book", false, a -> {}));

    /** The start sheet with a machine said. */
    private static void begin(App app) {
        app.desk()
                .session()
                .replaceBy(new BuildFormat.Document(Build.empty("New build"), Extras.NONE), Session.Origin.NEW);
        app.frame().begin();
        choose(app, "#begin-board", 2);
        choose(app, "#begin-screen", 1);
        choose(app, "#begin-input", 1);
    }

    /** A step of the work. */
    private static void step(App app, int number) {
        ListView<?> steps = (ListView<?>) app.frame().lookup("#steps");
        steps.getSelectionModel().select(number - 1);
        steps.scrollTo(number - 3);
    }

    /** The log of a discharge on the stand-in bench. */
    private static void discharge(App app) {
        try {
            Path log = Files.createTempDirectory("shot").resolve("discharge.csv");
            log.toFile().deleteOnExit();
            Files.writeString(log, SampleLog.discharge(app.desk().session().build(), "battery", 4, 10));
            app.frame().dropped(List.of(log));
            press(app, "#step-1");
            press(app, "#step-2");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A screen that flickers, and what two checks said. */
    private static void hunt(App app) {
        app.desk()
                .session()
                .does(HuntEdits.begin(new Journal.Hunted(
                        "hunt-1",
                        Optional.empty(),
                        "screen-flickers",
                        "panel",
                        120,
                        "the old panel",
                        List.of(
                                new Journal.Clue("move-cable", "same", Optional.empty(), ""),
                                new Journal.Clue(
                                        "far-busy", "", Optional.of(new Figure(11.2, 0.05, Basis.MEASURED)), "")),
                        "",
                        "")));
        press(app, "#bench-find");
    }

    /** The board with four holes, drawn large, its display socket chosen. */
    private static void draw(App app) {
        Session session = app.desk().session();
        session.build()
                .part("board")
                .ifPresent(board -> session.does(Edits.changePart(
                        "holes", board, p -> p.withBody(Feature.fourHoles(p.body(), ScrewThread.M2_5, 4)))));
        session.selection().set("board");
        press(app, "#shelf-view-sheet");
    }

    /** A screen that is late, a case of filament and a task that waits. */
    private static void money(App app) {
        Session session = app.desk().session();
        LocalDate day = LocalDate.now(ZoneId.systemDefault());
        session.build()
                .part("screen")
                .ifPresent(screen -> session.does(Purchases.order(
                        screen,
                        new Purchase.Order(
                                "a small shop",
                                Optional.of(day.minusDays(20)),
                                Optional.of(day.minusDays(4)),
                                Optional.empty()))));
        session.does(Purchases.money(
                "pay for filament",
                m -> m.and(new Money.Entry(
                        "filament, 1 kg", Money.Kind.CONSUMABLE, Figure.measured(24), "", true, Optional.of(day)))));
        session.does(Edits.journal(
                "add a task", j -> j.withTasks(List.of(new Journal.Task("Cut the window", Set.of("screen"), false)))));
        session.selection().set("screen");
        press(app, "#shelf-view-money");
    }

    private static void choose(App app, String box, int place) {
        if (app.scene().lookup(box) instanceof ComboBox<?> found) {
            found.getSelectionModel().select(place);
        }
    }

    /** Presses a button, as a click would. */
    private static void press(App app, String button) {
        if (app.scene().lookup(button) instanceof ButtonBase found) {
            found.fire();
        }
    }

    /** Runs something when the first frame has been painted: the second pulse comes after it. */
    static void afterFirstFrame(Runnable then) {
        new AnimationTimer() {
            private int pulses;

            @Override
            public void handle(long now) {
                pulses++;
                if (pulses == 2) {
                    stop();
                    then.run();
                }
            }
        }.start();
    }

    /** Runs something once what is on show has been laid out and painted. */
    static void afterPulses(Runnable then) {
        PauseTransition pause = new PauseTransition(SETTLE);
        pause.setOnFinished(e -> then.run());
        pause.play();
    }

    /** Runs something once nothing on show is still being reckoned, and what came last has been laid out and painted. */
    static void afterWork(Scene scene, Runnable then) {
        afterWork(scene, then, QUIET_LOOKS);
    }

    private static void afterWork(Scene scene, Runnable then, int looks) {
        afterPulses(() -> {
            boolean busy = Latest.isAnyAtWork()
                    || scene.getRoot().lookupAll(".progress-bar").stream().anyMatch(Node::isVisible);
            if (busy) {
                afterWork(scene, then);
            } else if (looks > 1) {
                afterWork(scene, then, looks - 1);
            } else {
                then.run();
            }
        });
    }

    private static void take(Scene scene, Path to) throws IOException {
        Path folder = to.toAbsolutePath().getParent();
        if (folder != null) {
            Files.createDirectories(folder);
        }
        ByteArrayOutputStream picture = new ByteArrayOutputStream();
        ImageIO.write(SwingFXUtils.fromFXImage(scene.snapshot(null), null), "png", picture);
        Files.write(to, picture.toByteArray());
    }

    static void takeAndEnd(Scene scene, Path to) {
        if (taken(scene, to)) {
            Platform.exit();
        }
    }

    /** Takes a picture; where it cannot be written the program ends with the reason in words. */
    private static boolean taken(Scene scene, Path to) {
        try {
            take(scene, to);
            return true;
        } catch (IOException e) {
            Launcher.endsWith(to + ": the picture cannot be written (" + e.getMessage() + "). Choose another place.");
            return false;
        }
    }

    /** All pictures of the manual, one after the other; of one name only where one is given. */
    static void manual(Stage stage, Path folder, String only) {
        next(
                stage,
                folder,
                new ArrayDeque<>(MANUAL.stream()
                        .filter(s -> only.isEmpty() || s.file().equals(only))
                        .toList()));
    }

    private static void next(Stage stage, Path folder, Deque<Shot> left) {
        Shot shot = left.poll();
        if (shot == null) {
            Platform.exit();
            return;
        }
        App app = new App(
                new BuildFormat.Document(Library.demo(shot.demo()).orElseThrow(), Extras.NONE), Session.Origin.DEMO);
        app.desk().dark().set(shot.dark());
        app.frame().open(shot.stage());
        app.show(stage);
        afterWork(app.scene(), () -> {
            shot.prepare().accept(app);
            take(app, shot, stage, folder, left);
        });
    }

    private static void take(App app, Shot shot, Stage stage, Path folder, Deque<Shot> left) {
        afterWork(app.scene(), () -> {
            if (taken(app.scene(), folder.resolve(shot.file()))) {
                app.close();
                next(stage, folder, left);
            }
        });
    }
}
