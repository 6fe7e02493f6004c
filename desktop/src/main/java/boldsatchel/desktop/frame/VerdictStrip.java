package boldsatchel.desktop.frame;

import boldsatchel.desktop.desk.Desk;
import boldsatchel.verdict.Verdict;
import java.util.List;
import java.util.Optional;
import javafx.css.PseudoClass;
import javafx.scene.layout.HBox;

/** The builder's questions and their answers, always in sight; each opens its working. */
final class VerdictStrip extends HBox {

    private static final PseudoClass PENDING = PseudoClass.getPseudoClass("pending");

    private final Desk desk;
    private List<Verdict.Kind> kinds = List.of();

    VerdictStrip(Desk desk) {
        this.desk = desk;
        getStyleClass().add("verdict-strip");
        desk.session().pending().subscribe(late -> pseudoClassStateChanged(PENDING, late));
        desk.session().evaluation().subscribe(e -> show(e.verdicts()));
    }

    private void show(List<Verdict> verdicts) {
        List<Verdict.Kind> asked = verdicts.stream().map(Verdict::kind).toList();
        if (!asked.equals(kinds)) {
            kinds = asked;
            getChildren()
                    .setAll(asked.stream()
                            .map(kind -> new VerdictCard(kind, () -> open(kind)))
                            .toList());
        }
        for (int i = 0; i < verdicts.size(); i++) {
            Verdict v = verdicts.get(i);
            String currency = v.kind().equals(Verdict.Kind.COSTS)
                    ? desk.session().shown().brief().currency() + " "
                    : "";
            ((VerdictCard) getChildren().get(i)).show(v, currency);
        }
    }

    private void open(Verdict.Kind kind) {
        desk.working().set(Optional.empty());
        desk.working().set(Optional.of(kind));
    }
}
