package boldsatchel.desktop.details;

import boldsatchel.desktop.controls.Ui;
import boldsatchel.desktop.desk.Desk;
import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.machine.Shell;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.layout.VBox;

/** Details of what is selected, or what to do when nothing is. Forms stay while they show the same thing, and so does the focus. */
public final class Details extends VBox {
    private final Desk desk;
    private Optional<RungDetails> rungShown = Optional.empty();
    private Optional<PartDetails> partShown = Optional.empty();
    private Optional<CaseDetails> caseShown = Optional.empty();
    private final Node nothing =
            Ui.words("Select a part, a rung or a tray of the case to see and change its figures.", "soft");

    /** Details on a desk. */
    public Details(Desk desk) {
        super(12);
        this.desk = desk;
    }

    /** Whether there is something to show for an id. */
    public static boolean has(Build build, String id) {
        return build.part(id).isPresent()
                || build.rung(id).isPresent()
                || build.shell(id).isPresent();
    }

    /** Shows the selection as it is now. */
    public void show() {
        Build build = desk.session().shown();
        String id = desk.session().selection().get();
        Optional<Part> part = desk.session().selectedPart();
        Optional<Rung> rung = build.rung(id).filter(r -> r.part().isEmpty());
        Optional<Shell> shell = build.shell(id);
        partShown = part.map(p -> partShown.filter(d -> d.isOf(p)).orElseGet(() -> new PartDetails(desk, p)));
        rungShown = rung.map(r -> rungShown.filter(d -> d.isOf(r)).orElseGet(() -> new RungDetails(desk, r)));
        caseShown = shell.map(s -> caseShown.filter(d -> d.isOf(s)).orElseGet(() -> new CaseDetails(desk, s)));
        part.ifPresent(p -> partShown.orElseThrow().show(p));
        rung.ifPresent(r -> rungShown.orElseThrow().show(r));
        caseShown.ifPresent(d -> d.show(build.casing()));
        List<Node> now = new ArrayList<>();
        rungShown.ifPresent(now::add);
        partShown.ifPresent(now::add);
        caseShown.ifPresent(now::add);
        if (now.isEmpty()) {
            now.add(nothing);
        }
        if (!getChildren().equals(now)) {
            getChildren().setAll(now);
        }
    }
}
