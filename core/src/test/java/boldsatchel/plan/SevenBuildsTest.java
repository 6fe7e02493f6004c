package boldsatchel.plan;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.ChainEdits.Piece;
import boldsatchel.edit.Edit;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Vec;
import boldsatchel.links.LinksResult;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Part;
import boldsatchel.machine.Shell;
import boldsatchel.machine.Vent;
import boldsatchel.plan.Likeness.Measured;
import boldsatchel.quantity.Figure;
import boldsatchel.quantity.Form;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Seven machines as seven builders would enter them: a few measures each, and the edits of the window. */
public class SevenBuildsTest {

    private static final Library SHELF = Library.shipped();
    private final Map<String, Build> known = new HashMap<>();

    /** Something like a thing on the shelf, of which a few measures are known; nought is not known. */
    private static Part like(String id, double w, double d, double h, double g, double watts) {
        return Likeness.of(SHELF.part(id).orElseThrow(), new Measured(said(w), said(d), said(h), said(g), said(watts)));
    }

    private static Optional<Double> said(double value) {
        return Optional.of(value).filter(v -> v > 0);
    }

    private static Build begun(String name, Starter.Kind kind, double hours, Optional<Vec> inside, Part... parts) {
        return Starter.begin(new Starter.Wish(name, kind, List.of(parts), Optional.of(hours), inside));
    }

    private static Build with(Build build, Edit edit) {
        return edit.change().apply(build);
    }

    private static Build hung(Build build, String above, Part part) {
        return ChainEdits.hang(build, above, Piece.fresh(part))
                .allowed()
                .orElseThrow()
                .change()
                .apply(build);
    }

    private static Build placed(Build build, String part) {
        Shell shell = build.casing().shells().getFirst();
        return with(build, Edits.place(build.part(part).orElseThrow(), shell));
    }

    private static Build worn(Build build) {
        return with(
                build,
                Edits.brief(
                        "wear it",
                        b -> b.withSurroundings(
                                Form.of(Brief.Surroundings.class).field("worn").with(b.surroundings(), true))));
    }

    /** A vent low at the front and one high at the back of the first tray. */
    private static Build vented(Build build) {
        return with(build, Edits.casing("cut vents", c -> {
            Shell s = c.shells().getFirst();
            return c.withShell(Form.of(Shell.class).field("vents").with(s, vents(s)));
        }));
    }

    private static List<Vent> vents(Shell s) {
        double w = s.cavity().dx() * 0.7;
        double x = s.cavity().dx() * 0.15;
        double high = s.cavity().dz() - 10;
        return List.of(
                new Vent(
                        "in",
                        boldsatchel.geometry.Face.FRONT,
                        new boldsatchel.geometry.Box(x, 0, 2, w, 0, 8),
                        Vent.Kind.SLOTS,
                        0),
                new Vent(
                        "out",
                        boldsatchel.geometry.Face.BACK,
                        new boldsatchel.geometry.Box(x, s.cavity().dy(), high, w, 0, 8),
                        Vent.Kind.GRILLE,
                        0));
    }

    /** One cell, a step-up, a card board and a small screen. */
    private static Build pocket() {
        return slowly(
                begun(
                        "pocket",
                        Starter.Kind.SLAB,
                        3,
                        Optional.empty(),
                        like("arm-card", 85, 56, 17, 46, 4),
                        like("touch-5", 121, 76, 10, 0, 1.6),
                        like("button-four", 40, 40, 0, 0, 0),
                        like("cell-21700", 0, 0, 0, 69, 0)),
                0.5);
    }

    /** What charges inside a closed case is asked for less, and takes the night. */
    private static Build slowly(Build build, double amps) {
        Part charger = build.parts().list().stream()
                .filter(p -> p.facet(Facet.Charges.class).isPresent())
                .findFirst()
                .orElseThrow();
        return less(build, charger, Facet.Charges.class, "amps", amps);
    }

    private static <F extends Facet> Build less(Build build, Part part, Class<F> kind, String field, double value) {
        return with(
                build,
                Edits.changePart(
                        field,
                        part,
                        p -> p.facet(kind)
                                .map(f -> p.withFacet(Form.of(kind).field(field).with(f, Figure.measured(value))))
                                .orElseThrow()));
    }

    /** On a belt, with a screen before the eye at the end of 1.2 m of cable. */
    private static Build belt() {
        Build build = worn(begun(
                "belt",
                Starter.Kind.SLAB,
                5,
                Optional.empty(),
                like("arm-core", 85, 56, 17, 50, 5),
                like("bank-10", 0, 0, 0, 190, 0)));
        Part head = like("head-one", 0, 0, 0, 60, 1).withFacet(new Facet.StaysBeside());
        build = hung(build, "board", head);
        return ChainEdits.insertAbove(build, "head-one", Piece.of("cable", ChainEdits.wire(24, 1200)))
                .allowed()
                .orElseThrow()
                .change()
                .apply(build);
    }

    /** A mainboard out of an old laptop, which feeds its own panel. */
    private static Build laptop() {
        return begun(
                "laptop",
                Starter.Kind.CLAMSHELL,
                5,
                Optional.empty(),
                like("laptop-main-13", 240, 110, 14, 210, 10),
                like("panel-13-light", 300, 190, 4, 280, 4),
                like("kb-laptop", 285, 110, 6, 150, 0),
                like("laptop-pack-75", 0, 0, 0, 360, 0));
    }

    /** A tool battery, a mini PC board, and USB outlets in a found box. */
    private static Build toolBox() {
        Build build = begun(
                "tool box",
                Starter.Kind.FOUND_BOX,
                3,
                Optional.of(new Vec(360, 260, 130)),
                like("x86-palm", 100, 80, 30, 190, 12),
                like("touch-10", 250, 166, 12, 420, 5),
                like("kb-60", 290, 100, 20, 350, 0),
                like("tool-18", 120, 76, 66, 640, 0));
        build = hung(build, "board", like("hub-4", 60, 30, 10, 30, 0));
        return placed(vented(build), "hub-4");
    }

    /** Screen, board with its own blower, and cells for the way from one table to the next. */
    private static Build allInOne() {
        return slowly(
                begun(
                        "all in one",
                        Starter.Kind.SLAB,
                        0,
                        Optional.empty(),
                        like("x86-thin", 117, 112, 24, 320, 15),
                        like("touch-10-usb", 250, 170, 10, 480, 6),
                        like("pack-4s2p", 0, 0, 0, 410, 0)),
                1);
    }

    /** A tray with two screens side by side. */
    private static Build twoScreens() {
        Part second = like("side-7", 165, 100, 8, 180, 3);
        Build build = begun(
                "two screens",
                Starter.Kind.TRAY,
                4,
                Optional.empty(),
                like("arm-wide", 100, 72, 20, 90, 7),
                like("touch-7", 165, 100, 8, 200, 3),
                second,
                like("kb-40", 240, 80, 18, 280, 0),
                like("bank-20", 0, 0, 0, 380, 0));
        return less(build, build.part("battery").orElseThrow(), Facet.Recharges.class, "watts", 8);
    }

    /** A computer stick in a tin, fed by a power bank. */
    private static Build tin() {
        return begun(
                "tin",
                Starter.Kind.FOUND_BOX,
                4,
                Optional.of(new Vec(190, 120, 60)),
                like("arm-stick", 65, 30, 6, 14, 2),
                like("bank-10", 0, 0, 0, 190, 0));
    }

    @DataProvider
    Object[][] builds() {
        List<Object[]> all = new ArrayList<>();
        for (Build b : List.of(pocket(), belt(), laptop(), toolBox(), allInOne(), twoScreens(), tin())) {
            all.add(new Object[] {b.name()});
            known.put(b.name(), b);
        }
        return all.toArray(Object[][]::new);
    }

    /** The advice to open a sealed case is an edit that makes it cooler. */
    @Test
    public void theAdviceToVentCanBeTaken() {
        Build pocket = pocket();
        Build sealed = with(
                pocket,
                Edits.casing("seal it", c -> c.withShell(c.shells().getFirst().withVents(List.of()))));
        Evaluation hot = Evaluator.evaluate(sealed);
        Edit vents = hot.findings().stream()
                .filter(f -> f.code().equals("heat.touch"))
                .flatMap(f -> f.remedies().stream())
                .filter(r -> r.words().contains("two vents"))
                .flatMap(r -> r.edit().stream())
                .findFirst()
                .orElseThrow();
        Evaluation aired = Evaluator.evaluate(with(sealed, vents));
        assertThat(aired.verdict(Verdict.Kind.KEEPS_COOL).value())
                .isGreaterThan(hot.verdict(Verdict.Kind.KEEPS_COOL).value());
        assertThat(aired.findings()).extracting(Finding::code).doesNotContain("fit.vent-covered");
    }

    @Test(dataProvider = "builds")
    public void aMachineOfAFewMeasuresIsJudgedWithoutAFalseStop(String name) {
        Build build = java.util.Objects.requireNonNull(known.get(name));
        Evaluation evaluation = Evaluator.evaluate(build);
        assertThat(evaluation.findings())
                .filteredOn(f -> f.severity() == Severity.STOP)
                .extracting(Finding::message)
                .as(name)
                .isEmpty();
        assertThat(build.loose()).isEmpty();
        for (Verdict v : evaluation.verdicts()) {
            // Nobody asks whether what is worn stands, nor how long what is plugged in lasts.
            boolean asked = !(v.kind().equals(Verdict.Kind.STANDS)
                            && build.brief().surroundings().worn())
                    && !(v.kind().equals(Verdict.Kind.LASTS)
                            && build.parts().list().stream().noneMatch(Part::isSource));
            // Nor whether what has no described sockets talks.
            asked &= !(v.kind().equals(Verdict.Kind.CONNECTS)
                    && evaluation.of(LinksResult.class).needs().isEmpty());
            if (!asked) {
                continue;
            }
            assertThat(v.value()).as(name + " " + v.kind().title()).isFinite();
        }
    }
}
