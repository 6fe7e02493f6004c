package boldsatchel.desktop.bench;

import boldsatchel.bench.BenchFault;
import boldsatchel.bench.PackFit;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.LogDrawing;
import boldsatchel.log.Layout;
import boldsatchel.log.Layout.Role;
import boldsatchel.log.LayoutGuess;
import boldsatchel.log.Log;
import boldsatchel.log.LogFault;
import boldsatchel.log.LogReader;
import boldsatchel.quantity.Quantity;
import boldsatchel.quantity.Units;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;

/** A log: what its columns are taken for, how it looks, and what is fitted to it. */
final class LogPane extends VBox {

    /** Larger files are no logs of this bench, bytes. */
    private static final long MOST_BYTES = LogReader.MOST_CHARS;

    private static final String UNREADABLE = "It cannot be read from the disk. Is it still there, and may you read it?";

    /** What a column can be taken for. */
    private enum Taken {
        TIME("time", Role.TIME, Quantity.SHORT_TIME),
        VOLTS("voltage, V", Role.VALUE, Quantity.VOLTAGE),
        MILLIVOLTS("voltage, mV", Role.VALUE, Quantity.VOLTAGE),
        AMPS("current, A", Role.VALUE, Quantity.CURRENT),
        MILLIAMPS("current, mA", Role.VALUE, Quantity.CURRENT),
        WATTS("power, W", Role.VALUE, Quantity.POWER),
        CELSIUS("temperature, °C", Role.VALUE, Quantity.TEMPERATURE),
        OTHER("something else", Role.VALUE, Quantity.COUNT),
        LEFT_OUT("left out", Role.LEFT_OUT, Quantity.COUNT);

        private final String words;
        private final Role role;
        private final Quantity quantity;

        Taken(String words, Role role, Quantity quantity) {
            this.words = words;
            this.role = role;
            this.quantity = quantity;
        }

        private double factor() {
            return this == MILLIVOLTS || this == MILLIAMPS ? 1e-3 : 1;
        }

        private Layout.Column of(Layout.Column column) {
            return column.as(role, quantity, factor());
        }

        private static Taken of(Layout layout, int at) {
            Layout.Column column = layout.columns().get(at);
            for (Taken t : values()) {
                boolean scaled = column.role() != Role.VALUE || t.factor() == column.factor();
                if (t.role == column.role() && (t.quantity == column.quantity() || t.role != Role.VALUE) && scaled) {
                    return t;
                }
            }
            return OTHER;
        }
    }

    /** A file as read: its text and layout, or why not. */
    private record Opened(String name, String text, Optional<Layout> layout, String wrong) {}

    /** What came of it; no file where it was read off an instrument. */
    private record Shown(
            Discharge of,
            String name,
            Optional<Opened> opened,
            List<String> notes,
            Optional<Drawing> drawing,
            Optional<PackFit.Result> fit,
            String wrong) {
        static Shown refused(Discharge of, Opened opened, String why) {
            return new Shown(
                    of, opened.name(), Optional.of(opened), List.of(), Optional.empty(), Optional.empty(), why);
        }
    }

    private final Desk desk;
    private final DrawingView plot = new DrawingView().atMost(4.2);
    private final FlowPane columns = new FlowPane(8, 4);
    private final Label about = Ui.words("", "soft");
    private final Label wrong = Ui.words("", "field-error");
    private final Latest reading = Latest.only();
    private final Latest fitting = Latest.following();
    private final Supplier<Optional<Discharge>> chosen;
    private final BiConsumer<Discharge, PackFit.Result> fitted;
    private Optional<Opened> open = Optional.empty();

    /**
     * A pane.
     *
     * @param chosen what is on show
     * @param fitted told what came of a discharge, on show or not
     */
    LogPane(Desk desk, Supplier<Optional<Discharge>> chosen, BiConsumer<Discharge, PackFit.Result> fitted) {
        super(6);
        this.desk = desk;
        this.chosen = chosen;
        this.fitted = fitted;
        plot.setId("log-plot");
        about.setId("log-about");
        wrong.setId("log-wrong");
        columns.setId("log-columns");
        clear();
        getChildren().addAll(about, columns, wrong, plot);
    }

    /** Forgets the log. */
    void clear() {
        open = Optional.empty();
        setVisible(false);
        setManaged(false);
    }

    /** Reads a file and fits it to what is chosen. */
    void read(Path file) {
        chosen.get().ifPresent(of -> {
            about.setText("Reading " + file.getFileName() + " …");
            setVisible(true);
            setManaged(true);
            reading.ask(() -> made(of, opened(file)), this::show);
        });
    }

    /** Fits once more: another meter, or another temperature. */
    void fitAgain() {
        chosen.get().ifPresent(of -> open.ifPresent(o -> reading.ask(() -> made(of, o), this::show)));
    }

    private static Opened opened(Path file) {
        String name = String.valueOf(file.getFileName());
        try {
            if (Files.size(file) > MOST_BYTES) {
                return new Opened(name, "", Optional.empty(), "It is larger than 200 MB. Cut it into pieces.");
            }
            String text = LayoutGuess.text(Files.readAllBytes(file));
            return new Opened(name, text, Optional.of(LayoutGuess.of(text)), "");
        } catch (IOException e) {
            return new Opened(name, "", Optional.empty(), UNREADABLE);
        } catch (LogFault e) {
            return new Opened(name, "", Optional.empty(), String.valueOf(e.getMessage()));
        }
    }

    private static Shown made(Discharge of, Opened opened) {
        if (opened.layout().isEmpty()) {
            return Shown.refused(of, opened, opened.wrong());
        }
        try {
            LogReader.Read read = LogReader.read(opened.text(), opened.layout().get());
            return made(of, opened.name(), Optional.of(opened), read);
        } catch (LogFault e) {
            return Shown.refused(of, opened, String.valueOf(e.getMessage()));
        }
    }

    private static Shown made(Discharge of, String name, Optional<Opened> opened, LogReader.Read read) {
        List<String> notes = new ArrayList<>(read.notes());
        notes.addFirst(read.log().size() + " moments, " + hours(read.log().lasts()) + ".");
        Optional<PackFit.Result> fit = Optional.empty();
        String why = "";
        try {
            fit = Optional.of(PackFit.of(read.log(), of.cells(), of.celsius(), of.meter()));
            notes.add("Ranges are for " + of.meter().words() + ".");
        } catch (BenchFault e) {
            why = String.valueOf(e.getMessage());
        }
        fit.ifPresent(f -> notes.addAll(f.notes()));
        return new Shown(of, name, opened, notes, Optional.of(LogDrawing.of(read.log(), fit)), fit, why);
    }

    /** Shows what an instrument has read so far. */
    void follow(Log log, Discharge of) {
        if (log.size() > 1 && isOnShow(of)) {
            setVisible(true);
            setManaged(true);
            columns.getChildren().clear();
            about.setText(log.size() + " moments, " + hours(log.lasts()) + ".");
            wrong.setVisible(false);
            wrong.setManaged(false);
            reading.ask(() -> LogDrawing.of(log, Optional.empty()), this::draw);
        }
    }

    /** Fits what an instrument has read, on show or not. */
    void take(Log log, Discharge of) {
        fitting.ask(
                () -> made(of, "Read off the load", Optional.empty(), new LogReader.Read(log, List.of())), this::show);
    }

    private boolean isOnShow(Discharge of) {
        return chosen.get().filter(c -> c.draft() == of.draft()).isPresent();
    }

    private static String hours(double seconds) {
        return seconds < 5400 ? Units.format(seconds / 60, 1, "min") : Units.format(seconds / 3600, 2, "h");
    }

    private void show(Shown s) {
        s.fit().ifPresent(f -> fitted.accept(s.of(), f));
        if (!isOnShow(s.of())) {
            return;
        }
        setVisible(true);
        setManaged(true);
        open = s.opened();
        about.setText(s.name() + (s.notes().isEmpty() ? "" : ": " + String.join(" ", s.notes())));
        wrong.setText(s.wrong());
        wrong.setVisible(!s.wrong().isEmpty());
        wrong.setManaged(!s.wrong().isEmpty());
        columns.getChildren().clear();
        s.opened().flatMap(Opened::layout).ifPresent(this::showColumns);
        plot.setVisible(s.drawing().isPresent());
        plot.setManaged(s.drawing().isPresent());
        s.drawing().ifPresent(this::draw);
    }

    private void draw(Drawing drawing) {
        plot.setVisible(true);
        plot.setManaged(true);
        plot.prefHeightProperty().bind(widthProperty().multiply(drawing.heightMm() / drawing.widthMm()));
        plot.minHeightProperty().bind(plot.prefHeightProperty());
        plot.show(drawing, desk.dark().get());
    }

    private void showColumns(Layout layout) {
        for (int i = 0; i < layout.columns().size(); i++) {
            int at = i;
            ComboBox<Taken> choice = Ui.choice("log-column-" + i, Taken.values(), Taken.of(layout, i), t -> t.words);
            choice.setPrefWidth(124);
            choice.setOnAction(e -> take(at, choice.getValue()));
            Label name = Ui.label("“" + layout.columns().get(i).name() + "” is");
            name.setLabelFor(choice);
            columns.getChildren().addAll(name, choice);
        }
    }

    private void take(int column, Taken as) {
        open.ifPresent(o -> o.layout().ifPresent(l -> {
            Opened changed = new Opened(
                    o.name(),
                    o.text(),
                    Optional.of(l.with(column, as.of(l.columns().get(column)))),
                    "");
            open = Optional.of(changed);
            chosen.get().ifPresent(of -> reading.ask(() -> made(of, changed), this::show));
        }));
    }
}
