package boldsatchel.verdict;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.edit.Edit;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Posture;
import boldsatchel.machine.Shell;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.Test;

/** What is found about trays that move, each beside a sound twin that has nothing of it. */
public class PackFindingsTest {

    private static final Joint HINGE = Joint.lid("base", "lid", new Vec(0, 102, 30), new Vec(0, -2, 20), 170, exact(2));

    private static Shell tray(String id, double height) {
        return Samples.tray(id, 200, 100, height, exact(2), Material.PLASTIC, true);
    }

    private static Casing clamshell(Joint hinge, double used) {
        return Casing.of(List.of(tray("base", 30), tray("lid", 20)), exact(0)).withLid(hinge, used);
    }

    private static Build packed(Casing casing, double postHigh) {
        Part bar = Samples.part("bar", Family.MECHANICS, 150, 4, 4, 20);
        Part post = Samples.part("post", Family.MECHANICS, 10, 5, postHigh, 20);
        return Build.empty("hinged")
                .with(casing)
                .with(new Parts(List.of(bar, post)))
                .with(new Layout(List.of(
                        new Placement("bar", "lid", new Vec(20, 36, 16), Orientation.AS_DRAWN, Set.of()),
                        new Placement("post", "base", new Vec(50, 67, 0), Orientation.AS_DRAWN, Set.of()))));
    }

    private static Optional<Finding> found(Build build, String code) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().equals(code))
                .findFirst();
    }

    @Test
    public void whatHitsOnTheWayIsToldWithItsAngleAndHasAMove() {
        Build build = packed(clamshell(HINGE, 100), 47);
        Finding finding = found(build, "fit.sweep").orElseThrow();
        assertThat(finding.severity()).isEqualTo(Severity.STOP);
        assertThat(finding.subjects()).containsExactly("bar", "post");
        assertThat(finding.message())
                .contains("bar", "post", "on the way from “closed” to “in use”", "Hinge open by", "°", "mm deep");
        assertThat(Evaluator.evaluate(build).verdict(Verdict.Kind.PACKS).state())
                .isEqualTo(State.STOP);
        Working.Step first = Evaluator.evaluate(build)
                .verdict(Verdict.Kind.PACKS)
                .working()
                .steps()
                .getFirst();
        assertThat(first.what()).isEqualTo("bar – post on the way from “closed” to “in use”");
        assertThat(first.formula()).contains("Hinge open by", "°");
        Build mended =
                finding.remedies().getFirst().edit().orElseThrow().change().apply(build);
        assertThat(found(mended, "fit.sweep")).isEmpty();
        assertThat(found(packed(clamshell(HINGE, 100), 40), "fit.sweep")).isEmpty();
    }

    /** Walls that meet by a tenth of a millimetre scrape; that is no reason to stop. */
    @Test
    public void whatOnlyScrapesIsWatched() {
        Joint inside = Joint.lid("base", "lid", new Vec(0, 101.9, 30), new Vec(0, -1.9, 20), 170, exact(2));
        Finding finding = found(packed(clamshell(inside, 170), 30), "fit.sweep").orElseThrow();
        assertThat(finding.severity()).isEqualTo(Severity.WATCH);
        assertThat(finding.subjects()).containsExactly("lid", "base");
    }

    @Test
    public void whatIsInTheSamePlaceWhenClosedIsToldSo() {
        Finding finding =
                found(packed(clamshell(HINGE, 100), 52), "fit.lid-clash").orElseThrow();
        assertThat(finding.message()).contains("when closed", "2 mm deep");
        Casing leaning = clamshell(HINGE, 100)
                .withPostures(List.of(new Posture(
                        "as a stand", Posture.Held.TABLE, true, List.of(new Posture.Setting("hinge", 10)))));
        Finding other = found(packed(leaning, 70), "fit.lid-clash").orElseThrow();
        assertThat(other.message()).contains("in the posture “as a stand”");
    }

    @Test
    public void whatReachesBelowTheTableIsToldWithItsPosture() {
        Joint wide = HINGE.with(new Joint.Hinged(new Vec(-1, 0, 0), 300, exact(9), List.of()));
        Casing casing = clamshell(wide, 110)
                .withPostures(List.of(
                        Posture.CLOSED,
                        new Posture(
                                "folded back", Posture.Held.TABLE, true, List.of(new Posture.Setting("hinge", 230)))));
        Finding finding = found(packed(casing, 20), "fit.below-table").orElseThrow();
        assertThat(finding.message()).startsWith("lid reaches").contains("below the table", "“folded back”");
        assertThat(Evaluator.evaluate(packed(casing, 20))
                        .verdict(Verdict.Kind.PACKS)
                        .sentence())
                .contains("table");
        Casing held = casing.withPostures(List.of(
                Posture.CLOSED,
                new Posture("folded back", Posture.Held.HANDS, true, List.of(new Posture.Setting("hinge", 230)))));
        assertThat(found(packed(held, 20), "fit.below-table"))
                .as("in the hands there is no table")
                .isEmpty();
    }

    /** The lid's own weight against its friction, named with the postures in which it sags. */
    @Test
    public void aWeakHingeIsToldWhereItSags() {
        Joint weak = HINGE.withFriction(exact(0.001));
        Finding finding =
                found(packed(clamshell(weak, 120), 20), "balance.hinge-weak").orElseThrow();
        assertThat(finding.message()).contains("lid pulls with up to", "will not keep it in “in use”");
        assertThat(found(packed(clamshell(HINGE, 120), 20), "balance.hinge-weak"))
                .isEmpty();
        Build held = first(finding).change().apply(packed(clamshell(weak, 120), 20));
        assertThat(found(held, "balance.hinge-weak")).isEmpty();
        assertThat(found(held, "balance.hinge-lifts")).isEmpty();
    }

    private static Edit first(Finding finding) {
        return finding.remedies().getFirst().edit().orElseThrow();
    }

    /** A hinge that holds far more than what it is on weighs about it lifts that; softer ones hold the lid as well. */
    @Test
    public void aStiffHingeLiftsWhatItIsOn() {
        Build stiff = packed(clamshell(HINGE.withFriction(exact(50)), 120), 20);
        Finding finding = found(stiff, "balance.hinge-lifts").orElseThrow();
        assertThat(finding.subjects()).containsExactly("base");
        Build softer = first(finding).change().apply(stiff);
        assertThat(found(softer, "balance.hinge-lifts")).isEmpty();
        assertThat(found(softer, "balance.hinge-weak")).isEmpty();
    }

    /** Whether it stands is asked where it stands, and said where it is worst. */
    @Test
    public void standsSaysWhatItWasAskedOf() {
        Verdict lid = Evaluator.evaluate(packed(clamshell(HINGE, 100), 20)).verdict(Verdict.Kind.STANDS);
        assertThat(lid.sentence()).containsPattern("with the lid at 1[67]\\d°");
        Casing slab = Casing.of(List.of(tray("base", 30)), exact(0));
        Verdict plain = Evaluator.evaluate(Build.empty("slab").with(slab)).verdict(Verdict.Kind.STANDS);
        assertThat(plain.sentence()).startsWith("Bears a tilt of").doesNotContain("posture");
        Casing worn = slab.withPostures(List.of(new Posture("on the arm", Posture.Held.WORN, true, List.of())));
        Verdict none = Evaluator.evaluate(Build.empty("worn").with(worn)).verdict(Verdict.Kind.STANDS);
        assertThat(none.state()).isEqualTo(State.FINE);
        assertThat(none.sentence()).isEqualTo("Not asked: no posture of it stands by itself.");
    }

    /** Three parts put at the wanted gap from one another: 0.8 mm are 0.8 mm, whatever the sums lose in rounding. */
    @Test
    public void aGapAsWideAsWantedIsWideEnough() {
        Part a = Samples.part("a", Family.MECHANICS, 20.1, 10, 10, 5);
        Part b = Samples.part("b", Family.MECHANICS, 20.3, 10, 10, 5);
        double at = 62.3 + 20.1 + 0.8 - 1e-12;
        Build build = Build.empty("gap")
                .with(Casing.of(List.of(tray("base", 30)), exact(0)))
                .with(a)
                .with(b)
                .with(new Placement("a", "base", new Vec(62.3, 0, 0), Orientation.AS_DRAWN, Set.of()))
                .with(new Placement("b", "base", new Vec(at, 0, 0), Orientation.AS_DRAWN, Set.of()));
        assertThat(found(build, "fit.gap")).isEmpty();
        assertThat(Evaluator.evaluate(build).verdict(Verdict.Kind.PACKS).state())
                .isEqualTo(State.FINE);
        Placement nearer = new Placement("b", "base", new Vec(at - 0.01, 0, 0), Orientation.AS_DRAWN, Set.of());
        assertThat(found(build.with(nearer), "fit.gap")).isPresent();
    }
}
