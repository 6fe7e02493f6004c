package boldsatchel.desktop.power;

import boldsatchel.build.Build;
import boldsatchel.build.Facet;
import boldsatchel.build.Mode;
import boldsatchel.build.Part;
import boldsatchel.build.Rung;
import boldsatchel.desktop.Desk;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.frame.WorkStage;
import boldsatchel.drawing.PowerDrawings;
import boldsatchel.edit.ChainEdits;
import boldsatchel.power.Demand;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Reading;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.State;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.Slider;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The power chain as a ladder, and under it the discharge. */
public final class PowerStage implements WorkStage {

    private final Desk desk;
    private final VBox content = new VBox(8);
    private final DrawingView ladder = new DrawingView().atMost(4.4);
    private final DrawingView curve = new DrawingView().atMost(4.4);
    private final ComboBox<NamedDemand> demand = Ui.choice("demand", NamedDemand::name);
    private final ComboBox<Rung> chain = Ui.choice("chain", this::sourceName);
    private final Slider level = new Slider(0.02, 1, 0.5);
    private final Label levelText = Ui.label("", "soft");
    private final MenuButton hang = new MenuButton("Hang below");
    private final Label empty = Ui.words(
            "Nothing gives power yet. Add a battery or a power bank on the Shelf, then start a chain with it here.",
            "soft");
    private boolean filling;

    /** A demand with the words it is chosen by. */
    private record NamedDemand(String name, Demand demand) {}

    /** The stage on a desk. */
    public PowerStage(Desk desk) {
        this.desk = desk;
        content.getStyleClass().add("stage");
        hang.setId("hang");
        level.setId("level");
        level.setPrefWidth(150);
        level.setBlockIncrement(0.05);
        level.valueProperty().addListener((o, was, is) -> showChain());
        demand.setOnAction(e -> showChain());
        chain.setOnAction(e -> showChain());
        HBox tools = new HBox(
                8,
                chain,
                Ui.label("shown while", "soft"),
                demand,
                Ui.label("charge", "soft"),
                level,
                levelText,
                Ui.spring(),
                hang,
                Ui.button(
                        "remove-rung",
                        "Take out",
                        "Take the selected rung out; what it fed hangs on the one above (Delete)",
                        this::remove));
        tools.setAlignment(Pos.CENTER_LEFT);
        ladder.setId("ladder");
        ladder.setFocusTraversable(true);
        ladder.setOnMousePressed(e -> {
            ladder.requestFocus();
            ladder.subjectAt(e.getX(), e.getY()).ifPresent(desk.session().selection()::set);
        });
        ladder.addEventHandler(KeyEvent.KEY_PRESSED, this::key);
        curve.setId("discharge");
        curve.setPrefHeight(250);
        curve.setMinHeight(190);
        curve.setMaxHeight(290);
        VBox.setVgrow(ladder, Priority.ALWAYS);
        content.getChildren().addAll(tools, empty, ladder, curve);
        desk.keepShowing(content, this::show);
    }

    @Override
    public String title() {
        return "Power";
    }

    @Override
    public String purpose() {
        return "chain and run time";
    }

    @Override
    public Node content() {
        return content;
    }

    @Override
    public State standing(Evaluation evaluation) {
        State lasts = evaluation.verdict(Verdict.Kind.LASTS).state();
        boolean stop = evaluation.findings().stream().anyMatch(f -> isPower(f) && f.severity() == Severity.STOP);
        boolean watch = evaluation.findings().stream().anyMatch(f -> isPower(f) && f.severity() == Severity.WATCH);
        return stop ? State.STOP : lasts == State.FINE && watch ? State.WATCH : lasts;
    }

    private static boolean isPower(Finding f) {
        return f.code().startsWith("power.");
    }

    private String sourceName(Rung rung) {
        return rung.part().flatMap(desk.session().build()::part).map(Part::name).orElse(rung.id());
    }

    private void show() {
        filling = true;
        Build build = desk.session().build();
        String chosenDemand =
                Optional.ofNullable(demand.getValue()).map(NamedDemand::name).orElse("");
        String chosenChain = Optional.ofNullable(chain.getValue()).map(Rung::id).orElse("");
        List<NamedDemand> demands = new ArrayList<>();
        build.brief().profile().steps().forEach(s -> demands.add(new NamedDemand(s.name(), Demand.of(s))));
        demands.add(new NamedDemand("starting up", Demand.of(Mode.START)));
        demands.add(new NamedDemand("asleep", Demand.of(Mode.SLEEP)));
        demands.add(new NamedDemand("switched off", Demand.of(Mode.OFF)));
        demand.getItems().setAll(demands);
        demand.setValue(demands.stream()
                .filter(d -> d.name().equals(chosenDemand))
                .findFirst()
                .orElse(demands.getFirst()));
        chain.getItems().setAll(build.chain());
        chain.setValue(build.chain().stream()
                .filter(r -> r.id().equals(chosenChain))
                .findFirst()
                .orElse(build.chain().isEmpty() ? null : build.chain().getFirst()));
        boolean some = !build.chain().isEmpty();
        empty.setVisible(!some);
        empty.setManaged(!some);
        chain.setVisible(build.chain().size() > 1);
        chain.setManaged(build.chain().size() > 1);
        fillHang(build);
        filling = false;
        showChain();
    }

    /** What can hang below the selected rung, or start a chain. */
    private void fillHang(Build build) {
        hang.getItems().clear();
        String selected = desk.session().selection().get();
        Optional<Rung> rung = build.rungs().filter(r -> r.id().equals(selected)).findFirst();
        rung.ifPresent(r -> {
            item("wire, AWG 22, 150 mm", "a wire", r, new Rung.Wire(22, 150));
            item("fuse, 5 A", "a fuse", r, new Rung.Contact(Rung.ContactKind.FUSE, Figure.dataSheet(0.010), 5));
            item("switch, 8 A", "a switch", r, new Rung.Contact(Rung.ContactKind.SWITCH, Figure.dataSheet(0.015), 8));
            item(
                    "connector, 5 A",
                    "a connector",
                    r,
                    new Rung.Contact(Rung.ContactKind.CONNECTOR, Figure.dataSheet(0.020), 5));
            item(
                    "protection, 15 A",
                    "a protection",
                    r,
                    new Rung.Contact(Rung.ContactKind.PROTECTION, Figure.dataSheet(0.012), 15));
            item(
                    "Schottky diode, 5 A",
                    "a diode",
                    r,
                    new Rung.Diode(Figure.dataSheet(0.30), Figure.dataSheet(0.04), 5));
            build.parts().stream()
                    .filter(p -> p.facet(Facet.DrawsPower.class).isPresent()
                            || p.facet(Facet.Converts.class).isPresent())
                    .filter(p -> build.rungs().noneMatch(x -> x.part().equals(Optional.of(p.id()))))
                    .forEach(p -> item(p.name(), p.name(), r, new Rung.OfPart(p.id())));
        });
        build.parts().stream()
                .filter(Part::isSource)
                .filter(p -> build.rungs().noneMatch(x -> x.part().equals(Optional.of(p.id()))))
                .forEach(p -> add(
                        "start a chain at " + p.name(),
                        () -> desk.session()
                                .does(ChainEdits.start(desk.session().build(), ChainEdits.Piece.of(p))
                                        .allowed()
                                        .orElseThrow())));
        hang.setText(rung.isPresent() ? "Hang below" : "Add to the chain");
        hang.setDisable(hang.getItems().isEmpty());
    }

    private void item(String words, String name, Rung behind, Rung.Stage stage) {
        add(
                words,
                () -> desk.session()
                        .does(ChainEdits.hang(desk.session().build(), behind.id(), ChainEdits.Piece.of(name, stage))
                                .allowed()
                                .orElseThrow()));
    }

    private void add(String words, Runnable action) {
        MenuItem item = new MenuItem(words);
        item.setOnAction(e -> action.run());
        hang.getItems().add(item);
    }

    private void showChain() {
        if (filling) {
            return;
        }
        levelText.setText(Math.round(level.getValue() * 100) + " %");
        Evaluation evaluation = desk.session().evaluation().get();
        Optional<Rung> source = Optional.ofNullable(chain.getValue());
        ladder.setVisible(source.isPresent());
        curve.setVisible(source.isPresent());
        source.ifPresent(rung -> {
            Optional<OperatingPoint> point = Network.of(evaluation.build(), rung, Reading.NOMINAL)
                    .map(n -> n.solve(level.getValue(), demand.getValue().demand()));
            point.ifPresent(p -> ladder.show(
                    PowerDrawings.ladder(evaluation.build(), rung, p, selectedRung(evaluation.build())),
                    desk.dark().get()));
            evaluation.power().chains().stream()
                    .filter(c -> c.source().equals(rung.id()))
                    .findFirst()
                    .ifPresent(c -> curve.show(
                            discharge(c, evaluation.build()), desk.dark().get()));
        });
    }

    private static boldsatchel.drawing.Drawing discharge(ChainResult chain, Build build) {
        return PowerDrawings.discharge(
                chain, chain.run().end().kind().words(), build.brief().limits().hours());
    }

    private String selectedRung(Build build) {
        String id = desk.session().selection().get();
        return build.rungs()
                .filter(r -> r.id().equals(id) || r.part().equals(Optional.of(id)))
                .map(Rung::id)
                .findFirst()
                .orElse("");
    }

    private void remove() {
        Build build = desk.session().build();
        String id = selectedRung(build);
        build.rungs().filter(r -> r.id().equals(id)).findFirst().ifPresent(r -> {
            desk.session().selection().set("");
            desk.session().does(ChainEdits.remove(build, r.id()).allowed().orElseThrow());
        });
    }

    /** Up and down walk the rungs, Delete takes one out. */
    private void key(KeyEvent e) {
        List<Rung> rungs = Optional.ofNullable(chain.getValue())
                .map(r -> r.walk().toList())
                .orElse(List.of());
        String id = selectedRung(desk.session().build());
        int at = rungs.stream().map(Rung::id).toList().indexOf(id);
        if (e.getCode() == KeyCode.DELETE) {
            remove();
        } else if (e.getCode() == KeyCode.DOWN && at + 1 < rungs.size()) {
            desk.session().selection().set(rungs.get(at + 1).id());
        } else if (e.getCode() == KeyCode.UP && at > 0) {
            desk.session().selection().set(rungs.get(at - 1).id());
        } else {
            return;
        }
        e.consume();
    }
}
