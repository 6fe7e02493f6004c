package boldsatchel.desktop.power;

import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Commands;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.desktop.desk.WorkStage;
import boldsatchel.drawing.PowerDrawings;
import boldsatchel.drawing.RunDrawings;
import boldsatchel.edit.ChainEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.plan.VoltTable;
import boldsatchel.power.CellTemperatures;
import boldsatchel.power.Demand;
import boldsatchel.power.Discharge;
import boldsatchel.power.Network;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.PowerResult;
import boldsatchel.power.PowerResult.ChainResult;
import boldsatchel.quantity.Reading;
import boldsatchel.quantity.Units;
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
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** The power chain as a ladder that is built on, and under it what becomes of it: discharge, charge, use, voltmeter, another hour. */
public final class PowerStage implements WorkStage {

    private static final double LOWER_HEIGHT = 222;

    private final Desk desk;
    private final StackPane content = new StackPane();
    private final VBox bench = new VBox(7);
    private final LadderEditor ladder;
    private final RunPane run;
    private final ChargePane charge;
    private final UsePane use;
    private final MorePane more;
    private final DrawingView card = new DrawingView().atMost(3.4);
    private final ComparePane compare;
    private final StackPane lower = new StackPane();
    private final ToggleGroup tabs = new ToggleGroup();
    private final ComboBox<NamedDemand> demand = Ui.choice("demand", NamedDemand::name);
    private final ComboBox<Rung> chain = Ui.choice("chain", this::chainName);
    private final Slider level = new Slider(0.02, 1, 0.5);
    private final Label levelText = Ui.label("", "soft");
    private final Label facts = Ui.label("", "soft");
    private final Latest solving = Latest.following();
    private final Latest reckoning = Latest.only();
    private boolean filling;

    /** A demand with the words it is chosen by. */
    private record NamedDemand(String name, Demand demand) {}

    /** The stage on a desk. */
    public PowerStage(Desk desk) {
        this.desk = desk;
        ladder = new LadderEditor(desk);
        run = new RunPane(desk, this::scrubbed);
        charge = new ChargePane(desk);
        use = new UsePane(desk);
        more = new MorePane(desk);
        compare = new ComparePane(desk, this::backToTheChain);
        compare.getStyleClass().add("stage");
        bench.getStyleClass().add("stage");
        level.setId("level");
        level.setPrefWidth(110);
        level.setMinWidth(80);
        level.setTooltip(new Tooltip("Charge left in the battery, for the numbers of the ladder"));
        demand.setTooltip(new Tooltip("What the machine is doing, for the numbers of the ladder"));
        demand.setPrefWidth(140);
        chain.setPrefWidth(180);
        levelText.setMinWidth(Region.USE_PREF_SIZE);
        level.setBlockIncrement(0.05);
        level.valueProperty().addListener((o, was, is) -> chosen());
        demand.setOnAction(e -> chosen());
        chain.setOnAction(e -> {
            run.forget();
            showChain();
        });
        HBox tools = new HBox(
                8,
                chain,
                demand,
                level,
                levelText,
                Ui.spring(),
                Ui.button("suggest", "Suggest a chain", "Work out a chain for the loads, with reasons", this::suggest),
                Ui.button("compare-supplies", "Compare supplies", "Other ways to feed the same loads", this::compare));
        tools.setAlignment(Pos.CENTER_LEFT);
        VBox.setVgrow(ladder, Priority.ALWAYS);
        ladder.setMinHeight(200);
        card.setId("volt-card");
        lower.setMinHeight(LOWER_HEIGHT);
        lower.setMaxHeight(LOWER_HEIGHT);
        HBox bar = new HBox(
                Ui.tab("Discharge", run, tabs),
                Ui.tab("Charge", charge, tabs),
                Ui.tab("Use", use, tabs),
                Ui.tab("Voltmeter", card, tabs),
                Ui.tab("Another hour", more, tabs),
                Ui.spring(),
                facts);
        bar.getStyleClass().add("side-tabs");
        bar.setAlignment(Pos.CENTER_LEFT);
        Ui.keepShowing(tabs, lower, this::showLower);
        bench.getChildren().addAll(tools, ladder, bar, lower);
        content.getChildren().setAll(bench);
        desk.keepShowing(bench, this::show);
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
    public void addCommands(Commands commands) {
        commands.add("Suggest a power chain", this::suggest);
        commands.add("Compare supplies", this::compare);
        ChainEdits.usual()
                .forEach(p -> commands.add("Chain: add a " + p.name() + " at the selected rung", () -> ladder.put(p)));
        Kit.ON_SHELF.forEach(family -> Kit.shelf(desk.library(), family)
                .forEach(p -> commands.add("Chain: add " + p.name() + " from the shelf", () -> ladder.put(p))));
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

    private void suggest() {
        SuggestPane pane = new SuggestPane(desk, this::backToTheChain);
        pane.getStyleClass().add("stage");
        content.getChildren().setAll(pane);
    }

    private void compare() {
        content.getChildren().setAll(compare);
        compare.reckon();
    }

    private void backToTheChain() {
        content.getChildren().setAll(bench);
        ladder.view().requestFocus();
    }

    private String chainName(Rung root) {
        return root.sources().getFirst().name(desk.session().shown())
                + (root.joined().isEmpty() ? "" : " and " + (root.joined().size() - 1) + " more");
    }

    private void show() {
        filling = true;
        Build build = desk.session().shown();
        String chosenDemand =
                Optional.ofNullable(demand.getValue()).map(NamedDemand::name).orElse("");
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
        Optional<Rung> root = rootToShow(build);
        chain.getItems().setAll(build.wiring().chain());
        chain.getSelectionModel().clearSelection();
        root.ifPresent(chain::setValue);
        chain.setVisible(build.wiring().chain().size() > 1);
        chain.setManaged(build.wiring().chain().size() > 1);
        filling = false;
        showChain();
    }

    /** The chain of the selected rung, else the one on show, else the first. */
    private Optional<Rung> rootToShow(Build build) {
        String selected = selectedRung(build);
        String shown = Optional.ofNullable(chain.getValue()).map(Rung::id).orElse("");
        Optional<Rung> ofSelected = build.wiring().chain().stream()
                .filter(r -> r.walk().anyMatch(x -> x.id().equals(selected)))
                .findFirst();
        return ofSelected
                .or(() -> build.wiring().chain().stream()
                        .filter(r -> r.id().equals(shown))
                        .findFirst())
                .or(() -> build.wiring().chain().stream().findFirst());
    }

    /** A demand or a level was chosen by hand. */
    private void chosen() {
        if (!filling) {
            run.forget();
            showChain();
        }
    }

    /** A moment of the discharge was picked: level and demand follow it. */
    private void scrubbed(Optional<Discharge.Sample> at) {
        filling = true;
        at.ifPresent(s -> {
            level.setValue(s.level());
            List<UseProfile.Step> steps =
                    desk.session().shown().brief().profile().steps();
            demand.setValue(demand.getItems().get(Math.min(s.step(), steps.size() - 1)));
        });
        filling = false;
        showChain();
    }

    /** The ladder at the chosen level and demand, solved beside the window. */
    private void showChain() {
        if (filling) {
            return;
        }
        levelText.setText("at " + Math.round(level.getValue() * 100) + " %");
        Build build = desk.session().shown();
        Optional<Rung> root = Optional.ofNullable(chain.getValue());
        if (root.isEmpty()) {
            ladder.showEmpty();
            facts.setText("");
            showLower();
            return;
        }
        Rung r = root.get();
        Demand wanted = demand.getValue().demand();
        List<Double> levels = run.sample()
                .map(Discharge.Sample::levels)
                .filter(l -> l.size() == r.sources().size())
                .orElse(List.of(level.getValue()));
        String selected = selectedRung(build);
        CellTemperatures cells = cells(build, r);
        solving.ask(
                () -> PowerDrawings.ladder(build, r, solved(build, r, levels, wanted, cells), selected),
                drawing -> ladder.show(r, drawing));
        facts.setText(result(r).map(PowerStage::facts).orElse(""));
        showLower();
    }

    /** A chain that only charges is shown plugged in. */
    private static OperatingPoint solved(
            Build build, Rung root, List<Double> levels, Demand demand, CellTemperatures cells) {
        return Network.of(build, root, Reading.NOMINAL, cells)
                .or(() -> Network.plugged(build, root, Reading.NOMINAL))
                .map(n -> levels.size() == 1 ? n.solve(levels.getFirst(), demand) : n.solve(levels, demand))
                .orElseGet(() -> OperatingPoint.none(demand));
    }

    /** How warm the cells are in the run that is shown. */
    private CellTemperatures cells(Build build, Rung root) {
        return result(root).map(ChainResult::cells).orElseGet(() -> CellTemperatures.begin(build));
    }

    private Optional<ChainResult> result(Rung root) {
        return desk.session().evaluation().get().of(PowerResult.class).chains().stream()
                .filter(c -> c.source().equals(root.id()))
                .findFirst();
    }

    private static String facts(ChainResult c) {
        String starts = c.startsDownTo()
                .map(l -> l <= 0.005 ? "starts when empty" : "starts down to " + Math.round(l * 100) + " %")
                .orElse("does not start");
        String shelf = Double.isInfinite(c.offDays()) || c.offDays() > 3650
                ? "off: years"
                : c.offDays() > 730
                        ? "off: flat after " + Math.round(c.offDays() / 365) + " years"
                        : "off: flat after " + Units.format(c.offDays(), 0, "days");
        String one = c.withoutOne()
                .map(h -> " · one source gone: " + Units.format(h, 1, "h"))
                .orElse("");
        return starts + " · " + shelf + one;
    }

    /** Only the pane on show is filled; what has to be reckoned for it is reckoned beside the window. */
    private void showLower() {
        Build build = desk.session().shown();
        Optional<Rung> root = Optional.ofNullable(chain.getValue());
        Node shown = lower.getChildren().isEmpty() ? run : lower.getChildren().getFirst();
        if (shown == run) {
            run.show(build, root.flatMap(this::result));
        } else if (shown == charge) {
            charge.show(
                    build,
                    desk.session().evaluation().get().of(PowerResult.class).charges());
        } else if (shown == use) {
            use.show();
        } else if (shown == more) {
            root.ifPresent(r -> more.show(build, r, cells(build, r)));
        } else if (shown == card) {
            String name = root.map(this::chainName).orElse("");
            reckoning.ask(
                    () -> root.flatMap(r -> VoltTable.of(build, r, cells(build, r)))
                            .map(t -> RunDrawings.voltCard(name, t)),
                    drawing -> {
                        card.setVisible(drawing.isPresent());
                        drawing.ifPresent(x -> card.show(x, desk.dark().get()));
                    });
        }
    }

    private String selectedRung(Build build) {
        String id = desk.session().selection().get();
        return build.rung(id).or(() -> build.wiring().rungOf(id)).map(Rung::id).orElse("");
    }
}
