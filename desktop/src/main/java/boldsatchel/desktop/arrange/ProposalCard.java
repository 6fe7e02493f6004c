package boldsatchel.desktop.arrange;

import boldsatchel.arrange.Proposal;
import boldsatchel.arrange.Reading;
import boldsatchel.desktop.controls.DrawingView;
import boldsatchel.desktop.controls.Ui;
import boldsatchel.drawing.Drawing;
import boldsatchel.verdict.Evaluation;
import java.util.ArrayList;
import java.util.List;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** A proposal as a small picture, lifted apart, with what it is better and worse in than the build as it is. */
final class ProposalCard extends ToggleButton {

    private static final PseudoClass CHOSEN = PseudoClass.getPseudoClass("chosen");
    private static final double WIDTH = 190;
    private static final double PICTURE = 112;
    /** More lines are in the comparison. */
    private static final int MOST_LINES = 5;

    /**
     * A card.
     *
     * @param number as shown, from 1
     * @param drawing of it
     */
    ProposalCard(int number, Proposal proposal, Drawing drawing, boolean dark, Runnable choose) {
        setId("proposal-" + number);
        getStyleClass().add("proposal");
        DrawingView picture = new DrawingView();
        picture.show(drawing, dark);
        picture.setMinHeight(PICTURE);
        picture.setPrefHeight(PICTURE);
        picture.setMouseTransparent(true);
        HBox head = new HBox(6, Ui.label(String.valueOf(number), "badge"), Ui.label(kind(proposal), "soft"));
        head.setAlignment(Pos.CENTER_LEFT);
        VBox content = new VBox(4, head);
        proposal.change().lines().forEach(l -> content.getChildren().add(Ui.label(l, "proposal-line")));
        content.getChildren().add(picture);
        List<String> lines = changes(proposal);
        lines.forEach(l -> content.getChildren().add(Ui.label(l, "proposal-line")));
        content.setPrefWidth(WIDTH);
        content.setMaxWidth(WIDTH);
        setGraphic(content);
        setAccessibleText("proposal " + number + ": " + proposal.change().words() + "; " + String.join("; ", lines));
        setOnAction(e -> choose.run());
    }

    void choose(boolean chosen) {
        setSelected(chosen);
        pseudoClassStateChanged(CHOSEN, chosen);
    }

    private static String kind(Proposal proposal) {
        boolean worse = proposal.readings().stream().anyMatch(r -> r.better(proposal.was(), proposal.evaluation()) < 0);
        return worse ? "some better, some worse" : "worse in nothing";
    }

    /** What reads otherwise, what is better first. */
    private static List<String> changes(Proposal proposal) {
        Evaluation was = proposal.was();
        Evaluation is = proposal.evaluation();
        List<String> better = new ArrayList<>();
        List<String> worse = new ArrayList<>();
        for (Reading reading : proposal.wishedFirst()) {
            String change = reading.title() + " " + reading.change(was, is);
            switch (reading.better(was, is)) {
                case 1 -> better.add("+ " + change);
                case -1 -> worse.add("− " + change);
                default -> {}
            }
        }
        int room = Math.max(MOST_LINES - worse.size(), MOST_LINES / 2);
        List<String> lines = new ArrayList<>(better.subList(0, Math.min(room, better.size())));
        lines.addAll(worse.subList(0, Math.min(MOST_LINES - lines.size(), worse.size())));
        return lines;
    }
}
