package boldsatchel.edit;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.converter;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.edit.ChainEdits.Piece;
import boldsatchel.edit.ChainEdits.Place;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Facet.Chemistry;
import boldsatchel.machine.Facet.ConverterKind;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What can be done to a chain, and what is refused with which words. */
public class ChainEditsTest {

    private static final Piece FUSE = Piece.of("a fuse", ChainEdits.fuse(5));

    private static Part pack(String id) {
        return part(id, Family.BATTERY, 1, 1, 1, 1, cells(Chemistry.LI_ION, 4, 2, 3, 0.035, 0.02, 3));
    }

    private static Build sample() {
        Part down = part(
                "down", Family.CONVERTER, 1, 1, 1, 1, converter(ConverterKind.STEP_DOWN, 5.1, 0.1, 0.05, 0.03, 5, 0.4));
        List<Part> parts = List.of(
                pack("pack"),
                pack("spare"),
                down,
                part("board", Family.X86_BOARD, 1, 1, 1, 1, load(15, 12, 19)),
                part("screen", Family.SOUND, 1, 1, 1, 1, load(4, 4.7, 5.4)),
                part("handle", Family.MECHANICS, 1, 1, 1, 1),
                part("adapter", Family.CHARGER, 1, 1, 1, 1, new Facet.Adapter(20, 3, exact(0.05))),
                part(
                        "charger",
                        Family.CHARGER,
                        1,
                        1,
                        1,
                        1,
                        new Facet.Charges(Chemistry.LI_ION, 4, exact(2), exact(0.9), false, 9, 21, exact(0))));
        return chain(
                rung("pack", Rung.of("wire", new Rung.Wire(20, 100), rung("board"), rung("down", rung("screen")))),
                25,
                parts.toArray(Part[]::new));
    }

    private static Piece piece(String part) {
        return Piece.of(sample().part(part).orElseThrow());
    }

    private static Build does(Build build, Attempt attempt) {
        return attempt.allowed()
                .orElseThrow(() -> new AssertionError(attempt.refusal().orElse("")))
                .change()
                .apply(build);
    }

    private static List<String> walk(Build build) {
        return build.rungs().map(Rung::id).toList();
    }

    @Test
    public void piecesGoBelowBetweenAndAbove() {
        Build b = sample();
        assertThat(walk(does(b, ChainEdits.put(b, FUSE, Optional.of("wire"), Place.BELOW))))
                .containsExactly("r-pack", "wire", "r-board", "r-down", "r-screen", "fuse");
        assertThat(walk(does(b, ChainEdits.put(b, FUSE, Optional.of("wire"), Place.BETWEEN))))
                .containsExactly("r-pack", "wire", "fuse", "r-board", "r-down", "r-screen");
        assertThat(walk(does(b, ChainEdits.put(b, FUSE, Optional.of("wire"), Place.ABOVE))))
                .containsExactly("r-pack", "fuse", "wire", "r-board", "r-down", "r-screen");
    }

    @Test
    public void rungsAreMovedRaisedLoweredChangedAndTakenOut() {
        Build b = sample();
        assertThat(walk(does(b, ChainEdits.move(b, "r-screen", "wire"))))
                .containsExactly("r-pack", "wire", "r-board", "r-down", "r-screen");
        Build fused = does(b, ChainEdits.insertBelow(b, "r-pack", FUSE));
        assertThat(walk(does(fused, ChainEdits.lower(fused, "fuse")))).startsWith("r-pack", "wire", "fuse");
        assertThat(walk(does(fused, ChainEdits.raise(fused, "wire")))).startsWith("r-pack", "wire", "fuse");
        assertThat(walk(does(b, ChainEdits.remove(b, "r-down"))))
                .containsExactly("r-pack", "wire", "r-board", "r-screen");
        Build thick = ChainEdits.change("gauge", "wire", Rung.Wire.class, w -> w.gauge(14))
                .change()
                .apply(b);
        assertThat(thick.rung("wire").orElseThrow().stage()).isEqualTo(new Rung.Wire(14, 100));
    }

    @Test
    public void aChangeOfARungKeepsWhatAnotherChangedMeanwhileAndLeavesAnotherKindAlone() {
        Edit thicker = ChainEdits.change("gauge", "wire", Rung.Wire.class, w -> w.gauge(14));
        Edit longer = ChainEdits.change("length", "wire", Rung.Wire.class, w -> new Rung.Wire(w.awg(), 250));
        Build both = thicker.change().apply(longer.change().apply(sample()));
        assertThat(both.rung("wire").orElseThrow().stage()).isEqualTo(new Rung.Wire(14, 250));
        Edit fuse = ChainEdits.change("rating", "wire", Rung.Contact.class, c -> c.rated(9));
        assertThat(fuse.change().apply(both)).isEqualTo(both);
    }

    @Test
    public void aSecondSourceJoinsByDiodesWithTheGuardsOfTheFirst() {
        Build b = sample();
        Build fused = does(b, ChainEdits.insertBelow(b, "r-pack", FUSE));
        Build joined = does(fused, ChainEdits.put(fused, piece("spare"), Optional.of("wire"), Place.BELOW));
        Rung root = joined.wiring().chain().getFirst();
        assertThat(root.joined()).hasSize(2);
        for (Rung row : root.joined()) {
            assertThat(row.row()).hasSize(3);
            assertThat(row.row().get(1).stage()).isEqualTo(ChainEdits.fuse(5));
            assertThat(row.row().get(2).stage()).isEqualTo(ChainEdits.IDEAL_DIODE);
        }
        assertThat(walk(joined)).doesNotHaveDuplicates();
        Build again =
                does(joined, ChainEdits.remove(joined, root.joined().getLast().id()));
        assertThat(again.wiring().chain().getFirst().part()).contains("pack");
        assertThat(walk(again)).contains("wire", "r-board", "r-screen");
    }

    @Test
    public void aChargerDroppedOnAnAdapterFillsThePackItSuits() {
        Build b = sample();
        Build plugged = does(b, ChainEdits.put(b, piece("adapter"), Optional.empty(), Place.BELOW));
        String adapter = plugged.wiring().chain().getLast().id();
        Build charged = does(plugged, ChainEdits.put(plugged, piece("charger"), Optional.of(adapter), Place.BELOW));
        assertThat(charged.wiring().chain().getLast().feeds().getFirst().stage())
                .isEqualTo(new Rung.Charging(Optional.of("charger"), "pack"));
        Build without =
                Edits.removePart(charged.part("pack").orElseThrow()).change().apply(charged);
        assertThat(without.rungs().map(Rung::stage)).noneMatch(s -> s instanceof Rung.Charging);
    }

    @Test
    public void aFreshPartComesWithItsRungUnderAFreeId() {
        Build b = sample();
        Build more = does(b, ChainEdits.put(b, Piece.fresh(pack("pack")), Optional.empty(), Place.BELOW));
        assertThat(more.part("pack-2")).isPresent();
        assertThat(more.wiring().chain().getLast().part()).contains("pack-2");
    }

    @DataProvider
    Object[][] refusals() {
        Build b = sample();
        Build joined = does(b, ChainEdits.join(b, "r-pack", piece("spare")));
        String firstRow = joined.wiring().chain().getFirst().joined().getFirst().id();
        Build plugged = does(b, ChainEdits.start(b, piece("adapter")));
        List<Object[]> all = new ArrayList<>();
        all.add(new Object[] {ChainEdits.hang(b, "r-screen", FUSE), "uses power and passes none on"});
        all.add(new Object[] {ChainEdits.put(b, FUSE, Optional.empty(), Place.BELOW), "A chain begins with"});
        all.add(new Object[] {ChainEdits.hang(b, "wire", piece("handle")), "nothing to do with power"});
        all.add(new Object[] {ChainEdits.hang(b, "wire", piece("board")), "in the chain already"});
        all.add(new Object[] {ChainEdits.hang(b, "wire", piece("spare")), "gives power and cannot hang below"});
        all.add(new Object[] {ChainEdits.insertAbove(b, "r-pack", FUSE), "Nothing can stand before a source"});
        all.add(new Object[] {ChainEdits.move(b, "r-down", "r-screen"), "cannot hang below itself"});
        all.add(new Object[] {ChainEdits.move(b, "r-pack", "wire"), "begins its chain"});
        all.add(new Object[] {ChainEdits.remove(b, "r-pack"), "begins the chain and feeds all of it"});
        all.add(new Object[] {
            ChainEdits.put(b, piece("charger"), Optional.of("wire"), Place.BELOW), "A pack cannot charge itself"
        });
        all.add(new Object[] {
            ChainEdits.hang(
                    plugged,
                    plugged.wiring().chain().getLast().id(),
                    Piece.of("a charger", new Rung.Charging(Optional.of("charger"), "board"))),
            "no battery or power bank"
        });
        all.add(new Object[] {
            ChainEdits.hang(joined, firstRow, Piece.fresh(sample().part("down").orElseThrow())),
            "belongs behind the joint"
        });
        all.add(new Object[] {ChainEdits.raise(b, "r-pack"), "Nothing stands above"});
        all.add(new Object[] {ChainEdits.lower(b, "wire"), "only with a single rung"});
        Build capped = does(b, ChainEdits.hang(b, "wire", Piece.of("a capacitor", new Rung.Capacitor(exact(1)))));
        all.add(new Object[] {ChainEdits.hang(capped, "capacitor", FUSE), "lies across its rail"});
        return all.toArray(Object[][]::new);
    }

    @Test(dataProvider = "refusals")
    public void whatCannotBeIsRefusedWithAReason(Attempt attempt, String words) {
        assertThat(attempt.allowed()).isEmpty();
        assertThat(attempt.refusal().orElseThrow()).contains(words);
    }
}
