package boldsatchel.arrange;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.packed;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.edit.Edits;
import boldsatchel.fit.FitEngine;
import boldsatchel.fit.FitResult;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Material;
import boldsatchel.machine.Part;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** All that is on the table goes into a tray, in the way of nothing; what lies there stays. */
public final class ArrangerTest {

    private static Build placed(Build build, String tray) {
        return Arranger.place(build.shell(tray).orElseThrow(), () -> false)
                .change()
                .apply(build);
    }

    private static Build emptied(Build build, String tray) {
        Build empty = build;
        for (Placement lies : build.layout().placements()) {
            if (lies.shell().equals(tray)) {
                empty = Edits.unplace(empty.part(lies.part()).orElseThrow())
                        .change()
                        .apply(empty);
            }
        }
        return empty;
    }

    /** Six planks of 60 × 25 mm fill 112 × 88 mm only where some are turned: four stand side by side, two lie behind them or beside. */
    @Test
    public void planksAreTurnedAsItTakes() {
        Shell tray = Samples.tray("tray", 112, 88, 12, exact(2), Material.PLASTIC, true);
        List<Part> planks = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            planks.add(block("plank" + i, 60, 25, 10));
        }
        Build build = emptied(packed(tray, planks, Collections.nCopies(6, Vec.ZERO)), "tray");
        assertThat(build.loose()).hasSize(6);
        Build done = placed(build, "tray");
        assertThat(done.loose()).isEmpty();
        FitResult fit = FitEngine.evaluate(done);
        assertThat(fit.clashes()).isEmpty();
        assertThat(fit.outside()).isEmpty();
        assertThat(fit.gaps()).allMatch(g -> g.gapMm() > build.brief().limits().gapMm() - 1e-6);
        assertThat(placed(build, "tray").layout()).isEqualTo(done.layout());
    }

    @DataProvider
    Object[][] trays() {
        return new Object[][] {
            {"cave-survey", "slab"}, {"orchard-ledger", "base"}, {"harbour-watch", "base"},
        };
    }

    /** What lay in a tray of a demo is taken out and put in again, but for two parts: these stay where they are, and nothing clashes. */
    @Test(dataProvider = "trays")
    public void theTrayOfADemoIsPackedAnew(String demo, String tray) {
        Build build = Library.demo(demo).orElseThrow();
        List<Placement> inside = build.layout().placements().stream()
                .filter(p -> p.shell().equals(tray))
                .toList();
        Build empty = emptied(build, tray);
        for (Placement stays : inside.subList(0, 2)) {
            empty = empty.with(stays);
        }
        Build done = placed(empty, tray);
        for (Placement stays : inside.subList(0, 2)) {
            assertThat(done.placement(stays.part())).contains(stays);
        }
        FitResult fit = FitEngine.evaluate(done);
        FitResult before = FitEngine.evaluate(empty);
        assertThat(fit.clashes()).isEqualTo(before.clashes());
        assertThat(fit.outside()).isEqualTo(before.outside());
        assertThat(done.layout().placements().size())
                .isGreaterThan(empty.layout().placements().size());
    }

    /** What lay in a tray of a demo is taken out to the last part, and all goes in again. */
    @Test(dataProvider = "trays")
    public void aTrayEmptiedToTheLastIsPackedAgain(String demo, String tray) {
        Build build = Library.demo(demo).orElseThrow();
        Build done = placed(emptied(build, tray), tray);
        assertThat(done.loose()).isEmpty();
        FitResult fit = FitEngine.evaluate(done);
        assertThat(fit.clashes()).isEmpty();
        assertThat(fit.outside()).isEmpty();
        assertThat(fit.intrusions()).isEmpty();
    }
}
