package boldsatchel.desktop.power;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.details.TrialBox;
import boldsatchel.machine.Build;
import boldsatchel.machine.Rung;
import boldsatchel.plan.HourMore;
import boldsatchel.power.CellTemperatures;
import boldsatchel.power.Ledger;
import boldsatchel.power.Network;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Units;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.geometry.HPos;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;

/** Where the energy of a run goes, and what another hour would take. */
final class MorePane extends HBox {

    private static final double WIDEST_BAR = 130;
    private static final int MOST_ROWS = 9;

    private final Desk desk;
    private final VBox ways = new VBox(6);
    private final GridPane goes = new GridPane();
    private final Latest reckoning = Latest.only();
    private Optional<Edition> shown = Optional.empty();

    /** What is on show, so that it is not reckoned again for a selection. */
    private record Edition(Build build, String root, CellTemperatures cells) {}

    MorePane(Desk desk) {
        super(18);
        this.desk = desk;
        ways.setId("ways");
        goes.setHgap(8);
        goes.setVgap(2);
        ColumnConstraints right = new ColumnConstraints();
        right.setHalignment(HPos.RIGHT);
        right.setMinWidth(Region.USE_PREF_SIZE);
        goes.getColumnConstraints().addAll(new ColumnConstraints(), right, right);
        VBox left = new VBox(4, Ui.label("What would an hour more take?", "section"), Ui.scroll(ways));
        VBox.setVgrow(left.getChildren().getLast(), Priority.ALWAYS);
        HBox.setHgrow(left, Priority.ALWAYS);
        left.setMinWidth(380);
        VBox where = new VBox(4, Ui.label("Where the energy goes", "section"), Ui.scroll(goes));
        VBox.setVgrow(where.getChildren().getLast(), Priority.ALWAYS);
        where.setMinWidth(390);
        getChildren().addAll(left, where);
    }

    /** Shows a chain; reckoned beside the window. */
    void show(Build build, Rung root, CellTemperatures cells) {
        Edition edition = new Edition(build, root.id(), cells);
        if (shown.equals(Optional.of(edition))) {
            return;
        }
        shown = Optional.of(edition);
        ways.getChildren().setAll(Ui.words("Reckoning …", "soft"));
        reckoning.ask(
                () -> new Reckoned(
                        HourMore.of(build, cells),
                        Network.of(build, root, Reading.NOMINAL, cells)
                                .map(n -> Ledger.of(n, build.brief().profile()))),
                r -> {
                    ways.getChildren().clear();
                    if (r.ways().isEmpty()) {
                        ways.getChildren().add(Ui.words("Nothing runs yet that could run longer.", "soft"));
                    }
                    for (int i = 0; i < r.ways().size(); i++) {
                        ways.getChildren().add(way(r.ways().get(i), i));
                    }
                    goes.getChildren().clear();
                    r.ledger().ifPresent(l -> where(build, l));
                });
    }

    private record Reckoned(List<HourMore.Way> ways, Optional<Ledger> ledger) {}

    private HBox way(HourMore.Way way, int index) {
        Label words = Ui.words(way.words());
        HBox.setHgrow(words, Priority.ALWAYS);
        words.setMaxWidth(Double.MAX_VALUE);
        Label gained = Ui.label("+" + Units.format(way.hours(), 1, "h"), way.reaches() ? "step-result" : "soft");
        gained.setMinWidth(Region.USE_PREF_SIZE);
        Label costs = Ui.label(
                (way.addedG() == 0 ? "" : signed(way.addedG(), "g"))
                        + (way.addedCost() == 0 ? "" : "  " + signed(way.addedCost(), "")),
                "soft");
        costs.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(8, words, costs, gained);
        row.setAlignment(Pos.CENTER_LEFT);
        row.getChildren()
                .add(Ui.button("way-" + index, "Try", "See what this does to every verdict", () -> tried(way)));
        row.getChildren().getLast().getStyleClass().add("small");
        return row;
    }

    /** The trial takes the place of the list, so that its choice is in sight. */
    private void tried(HourMore.Way way) {
        List<Node> list = List.copyOf(ways.getChildren());
        ways.getChildren()
                .setAll(new TrialBox(
                        desk.session().evaluation().get(),
                        way.edit(),
                        () -> desk.session().does(way.edit()),
                        () -> ways.getChildren().setAll(list)));
    }

    private static String signed(double value, String unit) {
        return (value > 0 ? "+" : "−") + Units.format(Math.abs(value), 0, unit).strip();
    }

    private void where(Build build, Ledger ledger) {
        double total = ledger.total();
        ledger.wattHours().entrySet().stream()
                .sorted(Map.Entry.<String, Double>comparingByValue().reversed())
                .filter(e -> e.getValue() > total * 1e-3)
                .limit(MOST_ROWS)
                .forEach(e -> {
                    Region bar = new Region();
                    bar.getStyleClass().add("share-bar");
                    bar.setMinSize(Math.max(1, WIDEST_BAR * e.getValue() / total), 10);
                    bar.setMaxSize(Math.max(1, WIDEST_BAR * e.getValue() / total), 10);
                    Label name = Ui.label(
                            build.rung(e.getKey()).map(r -> r.name(build)).orElse(e.getKey()));
                    name.setMaxWidth(180);
                    goes.addRow(
                            goes.getRowCount(),
                            name,
                            Ui.label(Units.format(e.getValue(), 1, "Wh")),
                            Ui.label(Math.round(e.getValue() / total * 100) + " %", "soft"),
                            bar);
                });
    }
}
