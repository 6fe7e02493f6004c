package boldsatchel.desktop.arrange;

import boldsatchel.arrange.Proposal;
import boldsatchel.arrange.Reading;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.drawing.TradeDrawing;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Proposals against one another and against the build as it is: any two numbers as a picture, and all of the one that is chosen as a table. */
final class AgainstPane extends VBox {

    private static final double PICTURE = 190;

    private final ComboBox<Reading> across = Ui.choice("trade-across", Reading::title);
    private final ComboBox<Reading> up = Ui.choice("trade-up", Reading::title);
    private final DrawingView trade = new DrawingView();
    private final GridPane table = new GridPane();
    private final VBox findings = new VBox(3);
    private List<Proposal> shown = List.of();
    private int chosen = -1;
    private boolean dark;

    /**
     * Nothing is compared yet.
     *
     * @param choose is told which proposal was clicked on, from 0
     */
    AgainstPane(IntConsumer choose) {
        super(6);
        trade.setId("trade");
        trade.setMinHeight(PICTURE);
        trade.setPrefHeight(PICTURE);
        trade.addEventHandler(
                MouseEvent.MOUSE_CLICKED,
                e -> trade.subjectAt(e.getX(), e.getY()).ifPresent(subject -> {
                    for (int i = 0; i < shown.size(); i++) {
                        if (TradeDrawing.subject(i).equals(subject)) {
                            choose.accept(i);
                        }
                    }
                }));
        table.setHgap(10);
        table.setVgap(2);
        table.getColumnConstraints().addAll(column(HPos.LEFT), column(HPos.RIGHT), column(HPos.RIGHT));
        across.setOnAction(e -> draw());
        up.setOnAction(e -> draw());
        across.setPrefWidth(120);
        up.setPrefWidth(120);
        Label between = Ui.label("against", "soft");
        between.setMinWidth(Region.USE_PREF_SIZE);
        HBox axes = new HBox(6, up, between, across);
        axes.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(axes, trade, table, findings);
    }

    private static ColumnConstraints column(HPos align) {
        ColumnConstraints column = new ColumnConstraints();
        column.setHalignment(align);
        return column;
    }

    /** Shows proposals, one of them chosen; −1 for none. */
    void show(List<Proposal> proposals, int which, boolean inDark) {
        boolean first = shown.isEmpty() && !proposals.isEmpty();
        shown = proposals;
        chosen = which;
        dark = inDark;
        Ui.present(this, !shown.isEmpty());
        if (shown.isEmpty()) {
            return;
        }
        if (first) {
            offer();
        }
        draw();
        tell();
    }

    /** Cooling against volume or standing, where they differ; else the first and last number that do. */
    private void offer() {
        List<Reading> all = shown.getFirst().readings();
        List<Reading> differ = all.stream()
                .filter(r -> shown.stream().anyMatch(p -> r.better(p.was(), p.evaluation()) != 0))
                .toList();
        across.getItems().setAll(all);
        up.getItems().setAll(all);
        across.setValue(differ.isEmpty() ? all.getFirst() : differ.getLast());
        up.setValue(differ.isEmpty() ? all.getLast() : differ.getFirst());
        find(differ, "outside").or(() -> find(differ, "stands")).ifPresent(across::setValue);
        find(differ, "keeps-cool").ifPresent(up::setValue);
    }

    private static Optional<Reading> find(List<Reading> all, String id) {
        return all.stream().filter(r -> r.id().equals(id)).findFirst();
    }

    private void draw() {
        if (!shown.isEmpty() && across.getValue() != null && up.getValue() != null) {
            trade.show(
                    TradeDrawing.of(
                            shown.getFirst().was(),
                            shown.stream().map(Proposal::evaluation).toList(),
                            across.getValue(),
                            up.getValue(),
                            chosen),
                    dark);
        }
    }

    private void tell() {
        table.getChildren().clear();
        findings.getChildren().clear();
        if (chosen < 0) {
            findings.getChildren()
                    .add(Ui.words("Click on a proposal to see all of it beside the build as it is.", "soft"));
            return;
        }
        Proposal proposal = shown.get(chosen);
        Evaluation was = proposal.was();
        Evaluation is = proposal.evaluation();
        if (!proposal.change().words().isEmpty()) {
            findings.getChildren().add(Ui.words("Changed: " + proposal.change().words() + ".", "body"));
        }
        table.addRow(
                0, Ui.label("", "soft"), Ui.label("as it is", "soft"), Ui.label("proposal " + (chosen + 1), "soft"));
        for (Reading reading : proposal.readings()) {
            int better = reading.better(was, is);
            Label now = Ui.label(reading.read(is), better == 0 ? "soft" : better > 0 ? "better" : "worse");
            Label sign = Ui.label(better == 0 ? "" : better > 0 ? "better" : "worse", better > 0 ? "better" : "worse");
            table.addRow(table.getRowCount(), Ui.label(reading.title()), Ui.label(reading.read(was)), now, sign);
        }
        String otherwise = String.join(", ", proposal.otherwise());
        if (!otherwise.isEmpty()) {
            findings.getChildren().addAll(Ui.label("Lies otherwise", "section"), Ui.words(otherwise, "body"));
        }
        findings("Gone with it", was, is);
        findings("New with it", is, was);
    }

    /** What one of two says and the other does not. */
    private void findings(String title, Evaluation one, Evaluation other) {
        List<Finding> said = one.beyond(other).stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .toList();
        if (!said.isEmpty()) {
            findings.getChildren().add(Ui.label(title, "section"));
            said.forEach(f -> findings.getChildren().add(Ui.words(f.severity().words() + ": " + f.message(), "body")));
        }
    }
}
