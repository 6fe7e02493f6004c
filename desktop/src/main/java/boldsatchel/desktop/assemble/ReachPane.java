package boldsatchel.desktop.assemble;

import boldsatchel.assembly.AssemblyEngine;
import boldsatchel.assembly.AssemblyResult;
import boldsatchel.assembly.AssemblyResult.Reach;
import boldsatchel.assembly.Removal;
import boldsatchel.assembly.Wording;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.controls.ViewPane;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.desktop.desk.Latest;
import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PackDrawings;
import boldsatchel.drawing.PackView;
import boldsatchel.drawing.Room;
import boldsatchel.machine.Build;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.quantity.Units;
import boldsatchel.verdict.Evaluation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** The least steps to a part and back. */
final class ReachPane extends HBox {

    private static final double LIST_WIDTH = 300;

    private final Desk desk;
    private final ComboBox<String> parts = Ui.choice("reach-part", this::name);
    private final VBox list = new VBox(5);
    private final Label facts = Ui.words("");
    private final ViewPane view;
    private final Latest asking = Latest.only();
    /** The part that somebody asked for. */
    private Optional<String> wanted = Optional.empty();

    private boolean filling;

    private record Answer(Build build, Optional<Reach> reach, Drawing drawing) {}

    ReachPane(Desk desk) {
        super(10);
        this.desk = desk;
        view = new ViewPane(Ui.choice("reach-view", PackView::words), PackView.PLAN, this::show);
        parts.setAccessibleText("The part to get at");
        parts.setMaxWidth(Double.MAX_VALUE);
        parts.setOnAction(e -> {
            if (!filling) {
                wanted = Optional.ofNullable(parts.getValue());
                show();
            }
        });
        facts.setId("reach-facts");
        list.setId("reach-steps");
        ScrollPane steps = Ui.scroll(list);
        VBox.setVgrow(steps, Priority.ALWAYS);
        VBox left = new VBox(8, Ui.label("The part to get at", "field-name"), parts, facts, steps);
        left.setMinWidth(LIST_WIDTH);
        left.setMaxWidth(LIST_WIDTH);
        HBox.setHgrow(view, Priority.ALWAYS);
        getChildren().setAll(left, view);
        desk.keepShowing(this, this::fill);
    }

    private String name(String part) {
        return Wording.name(desk.session().build(), part);
    }

    /** Asks for the part that is selected, where one is. */
    void askForSelected() {
        String selected = desk.session().selection().get();
        if (parts.getItems().contains(selected)) {
            parts.setValue(selected);
        }
    }

    /** What wears out first, then all else that lies in a tray. */
    private void fill() {
        filling = true;
        Evaluation evaluation = desk.session().evaluation().get();
        List<String> all = new ArrayList<>(evaluation.of(AssemblyResult.class).reaches().stream()
                .sorted(Comparator.comparing(r -> r.wanted().orElseThrow()))
                .map(Reach::part)
                .toList());
        evaluation.build().layout().placements().stream()
                .map(Placement::part)
                .filter(p -> !all.contains(p))
                .forEach(all::add);
        if (!parts.getItems().equals(all)) {
            parts.getItems().setAll(all);
            parts.setValue(null);
            parts.setValue(wanted.filter(all::contains).orElse(all.isEmpty() ? null : all.getFirst()));
        }
        filling = false;
        show();
    }

    private void show() {
        String part = parts.getValue();
        if (filling || part == null) {
            return;
        }
        Evaluation evaluation = desk.session().evaluation().get();
        PackView shape = view.view();
        Room room = view.room();
        asking.ask(() -> answer(evaluation, part, shape, room), this::show);
    }

    private static Answer answer(Evaluation evaluation, String part, PackView shape, Room room) {
        Build build = evaluation.build();
        Optional<Reach> reach = AssemblyEngine.reach(build, part);
        Set<String> gone = reach.stream()
                .flatMap(r -> r.steps().stream().limit(Math.max(0, r.steps().size() - 1)))
                .flatMap(Removal::parts)
                .filter(p -> !p.equals(part))
                .collect(Collectors.toSet());
        String tray = build.placement(part).map(Placement::shell).orElse("");
        PackDrawings.Look look =
                new PackDrawings.Look(shape, tray, Posture.CLOSED, OptionalDouble.empty(), part, false).without(gone);
        PackDrawings.Picture picture = PackDrawings.of(evaluation, look);
        return new Answer(build, reach, picture.in(picture.roomier(room)));
    }

    private void show(Answer answer) {
        view.show(answer.drawing(), desk.dark().get());
        list.getChildren().clear();
        facts.setText(answer.reach().map(this::told).orElse(""));
        answer.reach().filter(r -> !r.isShut()).ifPresent(r -> tell(answer.build(), r));
    }

    private String told(Reach reach) {
        if (reach.isShut()) {
            return "It never comes out of the finished machine without breaking something: glue holds it, or what lies before it, or"
                    + " parts keep each other in. The findings name them.";
        }
        int n = reach.steps().size();
        return (reach.least() ? "The least there is: " : "At most ") + n + (n == 1 ? " step" : " steps")
                + " out, and as many back; about " + Units.format(reach.minutes(), 0, "min")
                + " in all, at usual times.";
    }

    private void tell(Build build, Reach reach) {
        list.getChildren().add(Ui.label("Out", "step-phase"));
        int number = 1;
        for (Removal removal : reach.steps()) {
            line(number++, Wording.out(build, removal));
        }
        for (String lead : reach.unsoldered()) {
            line(number++, "Unsolder " + wires(build, lead));
        }
        list.getChildren().add(Ui.label("Back", "step-phase"));
        for (String lead : reach.unsoldered().reversed()) {
            line(number++, "Solder " + wires(build, lead) + ", plus to plus");
        }
        for (Removal removal : reach.steps().reversed()) {
            line(number++, Wording.back(build, removal));
        }
    }

    private static String wires(Build build, String lead) {
        return build.rung(lead).map(r -> "the " + r.name(build)).orElse(lead);
    }

    private void line(int number, String words) {
        Label place = Ui.label(String.valueOf(number), "step-number");
        place.setMinWidth(26);
        Label what = Ui.words(words);
        HBox.setHgrow(what, Priority.ALWAYS);
        list.getChildren().add(new HBox(8, place, what));
    }
}
