package boldsatchel.verdict;

import static boldsatchel.Samples.cells;
import static boldsatchel.Samples.chain;
import static boldsatchel.Samples.converter;
import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.format.FormatException;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Part;
import boldsatchel.machine.Rung;
import boldsatchel.power.OperatingPoint;
import boldsatchel.power.PowerResult;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** Chains that look right and are not, and the other way round. */
public class ChainTruthTest {

    private static Part pack(int series) {
        return part(
                "pack", Family.BATTERY, 70, 40, 20, 200, cells(Facet.Chemistry.LI_ION, series, 1, 3, 0.03, 0.02, 2.8));
    }

    private static List<String> codes(Build build) {
        return Evaluator.evaluate(build).findings().stream().map(Finding::code).toList();
    }

    private static Build stepped(int series) {
        Part up = part(
                "up",
                Family.CONVERTER,
                20,
                20,
                5,
                10,
                converter(Facet.ConverterKind.STEP_UP, 5.1, 0.05, 0.05, 0.06, 4, 0));
        Part board = part("board", Family.SINGLE_BOARD, 80, 50, 10, 50, load(4, 4.5, 5.5));
        return chain(rung("pack", rung("up", rung("board"))), 25, pack(series), up, board);
    }

    /** Two cells in series give up to 8.4 V; a step-up converter to 5.1 V lets that through. */
    @Test
    public void aStepUpConverterHoldsNothingBack() {
        assertThat(codes(stepped(1))).doesNotContain("power.passes-through");
        Finding finding = Evaluator.evaluate(stepped(2)).findings().stream()
                .filter(f -> f.code().equals("power.passes-through"))
                .findFirst()
                .orElseThrow();
        assertThat(finding.severity()).isEqualTo(Severity.STOP);
        assertThat(finding.message()).contains("steps up to 5.1 V", "cannot hold that back");
        assertThat(finding.remedies()).isNotEmpty();
    }

    @Test
    public void aFileWhoseChainCannotBeIsRefusedInTheWordsOfAnEdit() throws FormatException {
        Build build = stepped(1);
        Part charger = part(
                "charger",
                Family.CHARGER,
                20,
                20,
                5,
                10,
                new Facet.Charges(Facet.Chemistry.LI_ION, 1, exact(1), exact(0.9), true, 4.5, 5.5, exact(0)));
        List<Part> parts = new ArrayList<>(build.parts().list());
        parts.add(charger);
        Rung root = build.wiring().chain().getFirst();
        Rung itself = root.map(r -> r.id().equals("r-up")
                ? r.feeding(List.of(rung("board"), Rung.of("c", new Rung.Charging(Optional.of("charger"), "pack"))))
                : r);
        Build wrong = build.with(new boldsatchel.machine.Parts(parts)).withChain(List.of(itself));
        String file = BuildFormat.write(new BuildFormat.Document(wrong, Extras.NONE));
        assertThatThrownBy(() -> BuildFormat.read(file))
                .isInstanceOfSatisfying(
                        FormatException.class,
                        e -> assertThat(e.problems()).singleElement().satisfies(p -> {
                            assertThat(p.message()).contains("A pack cannot charge itself");
                            assertThat(p.field()).isEqualTo("build.wiring.chain");
                        }));
        assertThat(BuildFormat.read(BuildFormat.write(new BuildFormat.Document(build, Extras.NONE)))
                        .build())
                .isEqualTo(build);
    }

    /** A 5 V lamp on a socket of a board that is fed with 12 to 19 V is not fed with 16 V; its 3 W are the board's to draw. */
    @Test
    public void whatHangsOnASocketOfABoardIsNotJudgedByThePack() {
        Part board = part("board", Family.X86_BOARD, 80, 50, 10, 50, load(10, 10, 19));
        Part lamp = part("lamp", Family.SCREEN, 50, 50, 5, 50, load(3, 4.5, 5.5));
        Build build = chain(rung("pack", rung("board", rung("lamp"))), 25, pack(4), board, lamp);
        assertThat(codes(build)).doesNotContain("power.over-voltage", "power.window-high", "power.under-voltage");
        OperatingPoint point = Evaluator.evaluate(build)
                .of(PowerResult.class)
                .shortest()
                .orElseThrow()
                .half();
        assertThat(point.watts()).isCloseTo(13, within(1e-6));
        assertThat(point.rung("r-lamp").orElseThrow().voltsIn()).isEqualTo(5);
        Part same = part("lamp", Family.SCREEN, 50, 50, 5, 50, load(3, 10, 19));
        assertThat(Evaluator.evaluate(build.with(same))
                        .of(PowerResult.class)
                        .shortest()
                        .orElseThrow()
                        .half()
                        .rung("r-lamp")
                        .orElseThrow()
                        .voltsIn())
                .as("a socket that may pass its input on does")
                .isEqualTo(point.terminalVolts());
    }

    /** Three packs without a fuse are one thing that is missing; where their own protection trips at 6 A, that is said. */
    @Test
    public void packsWithoutAFuseAreOneFinding() {
        Facet.Cells c = pack(4).facet(Facet.Cells.class).orElseThrow();
        Part tripping = pack(4).withFacet(new Facet.Cells(
                c.chemistry(),
                4,
                1,
                c.capacityAh(),
                c.nominalV(),
                c.cellOhms(),
                c.packOhms(),
                c.cutoffV(),
                5,
                6,
                true,
                c.health()));
        Part board = part("board", Family.X86_BOARD, 80, 50, 10, 50, load(10, 10, 19));
        List<Part> parts = new ArrayList<>(List.of(board));
        List<Rung> rows = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            parts.add(tripping.withId("pack" + i));
            rows.add(rung("pack" + i, Rung.of("d" + i, new Rung.Diode(exact(0.3), exact(0.02), 10))));
        }
        Build build = chain(Rung.of("joint", new Rung.Join(rows), rung("board")), 25, parts.toArray(Part[]::new));
        assertThat(Evaluator.evaluate(build).findings())
                .filteredOn(f -> f.code().equals("power.no-fuse"))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.subjects()).hasSize(3);
                    assertThat(f.message()).contains("should trip at 6 A");
                    assertThat(f.remedies()).hasSize(4);
                });
    }

    /** Nobody chose the copper of a cable as bought. */
    @Test
    public void aReadyMadeCableIsNotBlamedForItsCopper() {
        Part board = part("board", Family.X86_BOARD, 80, 50, 10, 50, load(1, 10, 19));
        Rung.Wire thick = new Rung.Wire(14, 400);
        Build build = chain(rung("pack", Rung.of("w", thick, rung("board"))), 25, pack(4), board);
        assertThat(codes(build)).contains("power.wire-thick");
        Rung.Wire bought = new Rung.Wire(14, 400, Optional.empty(), true);
        assertThat(codes(build.withChain(List.of(rung("pack", Rung.of("w", bought, rung("board")))))))
                .doesNotContain("power.wire-thick");
    }

    @Test
    public void whereThereIsNothingToJudgeItIsNotKnownYet() {
        Evaluation empty = Evaluator.evaluate(Build.empty("x"));
        for (Verdict.Kind kind : List.of(
                Verdict.Kind.PACKS,
                Verdict.Kind.LASTS,
                Verdict.Kind.KEEPS_COOL,
                Verdict.Kind.CARRIES,
                Verdict.Kind.STANDS)) {
            assertThat(empty.verdict(kind).state()).as(kind.id()).isEqualTo(State.WATCH);
            assertThat(empty.verdict(kind).sentence()).as(kind.id()).startsWith("Not known yet: ");
        }
    }

    /** Heavy lid or not: what hangs on a strap does not stand. */
    @Test
    public void aWornMachineIsNotAskedWhetherItStands() {
        Build tips = boldsatchel.shelf.Library.demo("orchard-ledger").orElseThrow();
        assertThat(codes(tips)).contains("balance.tips");
        Build worn = tips.with(tips.brief()
                .withSurroundings(new boldsatchel.machine.Brief.Surroundings(25, 25, false, false, 0, true)));
        assertThat(codes(worn)).doesNotContain("balance.tips");
        assertThat(Evaluator.evaluate(worn).verdict(Verdict.Kind.STANDS).sentence())
                .isEqualTo("Not asked of a machine that is worn.");
    }
}
