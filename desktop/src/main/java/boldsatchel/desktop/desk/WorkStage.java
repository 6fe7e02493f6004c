package boldsatchel.desktop.desk;

import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.State;
import javafx.scene.Node;

/** A stage of the work: what the middle of the window shows, and how the stage stands. */
public interface WorkStage {

    /** Its name on the strap. */
    String title();

    /** What it is for, in a few words. */
    String purpose();

    /** What the middle shows. */
    Node content();

    /** Adds what can be done in it by name; asked for when somebody searches. */
    default void addCommands(Commands commands) {}

    /** How it stands. */
    State standing(Evaluation evaluation);
}
