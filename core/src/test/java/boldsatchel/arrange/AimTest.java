package boldsatchel.arrange;

import static boldsatchel.Samples.block;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.packed;
import static boldsatchel.Samples.part;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.Samples;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Family;
import boldsatchel.machine.Layout;
import boldsatchel.machine.Material;
import boldsatchel.machine.Shell;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What else is wished for is read as it is, counts once it is wished for, and not else. */
public final class AimTest {

    private static double read(Build build, Aim aim) {
        return read(Evaluator.evaluate(build), aim);
    }

    private static double read(Evaluation evaluation, Aim aim) {
        return aim.reading().of().applyAsDouble(evaluation);
    }

    /** A battery under a board under a card, and a drive under a hub; keys 10 mm off the middle; one side of the hub is flush with nothing. */
    @Test
    public void numbersAreThoseCountedByHand() {
        Shell tray = Samples.tray("tray", 100, 60, 40, exact(2), Material.PLASTIC, true);
        Build build = packed(
                tray,
                List.of(
                        part("pack", Family.BATTERY, 40, 30, 8, 60),
                        part("board", Family.SINGLE_BOARD, 30, 20, 5, 20),
                        block("card", 10, 10, 5),
                        part("drive", Family.DRIVE, 20, 20, 4, 5),
                        part("hub", Family.HUB, 13, 9, 5, 5),
                        part("keys", Family.KEYBOARD, 40, 15, 5, 20)),
                List.of(
                        new Vec(0, 0, 0),
                        new Vec(5, 0, 9),
                        new Vec(12, 7, 15),
                        new Vec(80, 0, 0),
                        new Vec(84.2, 8.6, 5),
                        new Vec(40, 45, 0)));
        assertThat(read(build, Aim.AT_HAND)).isEqualTo(3);
        assertThat(read(build, Aim.CENTRED)).isEqualTo(10);
        // Card and hub both ways, keys from left to right; the board has its middle over the pack's.
        assertThat(read(build, Aim.IN_LINE)).isEqualTo(5);
        assertThat(read(build, Aim.HANDS)).isNaN();
        assertThat(read(build, Aim.CABLES)).isZero();
    }

    @DataProvider
    Object[][] wishes() {
        return new Object[][] {
            {"orchard-ledger", "base", "cables"},
            {"cave-survey", "slab", "hands"},
            {"cave-survey", "slab", "at-hand"},
            {"harbour-watch", "base", "in-line"},
            {"orchard-ledger", "base", "centred"}
        };
    }

    /** Wished for, it is read of all, and something is found that is better in it and packs; the same again of the same seed. */
    @Test(dataProvider = "wishes")
    public void whatIsWishedForIsFound(String demo, String tray, String id) {
        Aim aim = Aim.ALL.stream().filter(a -> a.id().equals(id)).findFirst().orElseThrow();
        Build whole = Library.demo(demo).orElseThrow();
        Build build = whole.with(new Layout(whole.layout().placements()));
        Wish wish = new Wish(tray, Optional.empty(), 1, 2, 900);
        List<Proposal> found = Arrangements.find(build, wish.with(Set.of(aim)), Onlooker.NONE);
        List<Proposal> unasked = Arrangements.find(build, wish, Onlooker.NONE);
        assertThat(found).isNotEmpty().allMatch(p -> p.merit().isSound());
        assertThat(found).allMatch(p -> p.readings().contains(aim.reading()));
        assertThat(unasked).noneMatch(p -> p.readings().contains(aim.reading()));
        assertThat(least(found, aim)).isLessThan(least(unasked, aim));
        assertThat(found).anyMatch(p -> read(p.evaluation(), aim) <= read(build, aim));
    }

    private static double least(List<Proposal> found, Aim aim) {
        return found.stream().mapToDouble(p -> read(p.evaluation(), aim)).min().orElseThrow();
    }
}
