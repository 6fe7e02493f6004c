package boldsatchel.power;

import static boldsatchel.Samples.exact;
import static boldsatchel.Samples.load;
import static boldsatchel.Samples.part;
import static boldsatchel.Samples.rung;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Samples;
import boldsatchel.edit.Attempt;
import boldsatchel.edit.ChainEdits;
import boldsatchel.edit.Edits;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.quantity.Reading;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;

/** What sockets of boards feed: closed forms, limits alone and together, and when they are dead. */
public class SocketsTest {

    private static final double OHMS = 0.2;
    private static final double EFFICIENCY = 0.8;

    /** 16 V, a board of 6 W, and loads plugged into its sockets in their order. */
    private static Build build(Part... plugged) {
        Part board = Samples.socketed(
                part("board", Family.X86_BOARD, 100, 80, 15, 200, load(6, 9, 20)), exact(EFFICIENCY), exact(OHMS));
        Part pack = part(
                "pack",
                Family.BATTERY,
                60,
                60,
                20,
                200,
                Samples.cells(Facet.Chemistry.LI_ION, 4, 2, 3, 0.03, 0.02, 2.9));
        List<Part> parts = new ArrayList<>(List.of(pack, board));
        List<Rung> sockets = new ArrayList<>();
        for (Part p : plugged) {
            String port = Samples.SOCKETS.get(sockets.size());
            sockets.add(Rung.of("socket-" + p.id(), new Rung.Socket("board", port), rung(p.id())));
            parts.add(p);
        }
        return Build.empty("sockets")
                .with(new Parts(parts))
                .withChain(List.of(rung("pack", rung("board").feeding(sockets))));
    }

    private static Part screen(double watts) {
        return part("screen", Family.SCREEN, 100, 60, 5, 80, load(watts, 4.4, 5.6));
    }

    private static OperatingPoint busy(Build build) {
        return Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow()
                .solve(0.5, Demand.of(Mode.BUSY));
    }

    private static List<String> codes(Build build) {
        return Evaluator.evaluate(build).findings().stream().map(Finding::code).toList();
    }

    /** V = 5 − R·I with I = P/V: V = (5 + √(25 − 4·R·P)) / 2; the board draws 5·I/η for it. */
    @Test
    public void aSocketIsASourceOfItsOwn() {
        OperatingPoint point = busy(build(screen(4)));
        double volts = (5 + Math.sqrt(25 - 4 * OHMS * 4)) / 2;
        double amps = 4 / volts;
        OperatingPoint.RungState socket = point.rung("socket-screen").orElseThrow();
        assertThat(socket.voltsOut()).isCloseTo(volts, within(1e-7));
        assertThat(socket.ampsOut()).isCloseTo(amps, within(1e-7));
        assertThat(socket.voltsIn() * socket.ampsIn()).isCloseTo(5 * amps / EFFICIENCY, within(1e-7));
        assertThat(point.watts()).isCloseTo(6 + 5 * amps / EFFICIENCY, within(1e-6));
        assertThat(socket.heatW()).isCloseTo(5 * amps / EFFICIENCY - 4, within(1e-7));
    }

    /** A screen that would be ruined by the pack's 16.8 V is content behind its board. */
    @Test
    public void whatABoardFeedsIsNotJudgedByThePack() {
        assertThat(codes(build(screen(4)))).noneMatch(c -> c.startsWith("power.window") || c.contains("over-voltage"));
        Part tv = part("screen", Family.SCREEN, 100, 60, 5, 80, load(4, 10.8, 13.2));
        assertThat(codes(build(tv))).contains("power.needs-rail");
    }

    @Test
    public void whatIsPassedOnIsThePacks() {
        Build build = build(
                screen(1),
                part("stick", Family.HUB, 9, 9, 9, 9, load(1, 4.4, 5.6)),
                part("lamp", Family.HUB, 9, 9, 9, 9, load(3, 9, 18)));
        OperatingPoint point = busy(build);
        OperatingPoint.RungState lamp = point.rung("socket-lamp").orElseThrow();
        double board = point.rung("r-board").orElseThrow().voltsIn();
        assertThat(lamp.voltsOut()).isCloseTo((board + Math.sqrt(board * board - 4 * OHMS * 3)) / 2, within(1e-6));
        assertThat(codes(build)).doesNotContain("power.socket-current", "power.rail-current");
    }

    @Test
    public void eachSocketAndAllOfARailHaveALimit() {
        assertThat(codes(build(screen(4.2)))).doesNotContain("power.socket-current");
        assertThat(codes(build(screen(4.6)))).contains("power.socket-current").doesNotContain("power.rail-current");
        Part stick = part("stick", Family.HUB, 9, 9, 9, 9, load(4, 4.4, 5.6));
        assertThat(codes(build(screen(4), stick)))
                .contains("power.rail-current")
                .doesNotContain("power.socket-current");
        // 4 W at 4.83 V and 3.2 W at 4.87 V: 0.83 A and 0.66 A.
        Part less = part("stick", Family.HUB, 9, 9, 9, 9, load(3.2, 4.4, 5.6));
        assertThat(codes(build(screen(4), less))).doesNotContain("power.rail-current");
    }

    @Test
    public void whatABoardTakesInForAllHasALimit() {
        Build build = build(screen(4));
        Part board = build.part("board").orElseThrow();
        Facet.FeedsOthers feeds = board.facet(Facet.FeedsOthers.class).orElseThrow();
        Build tight = build.with(board.withFacet(new Facet.FeedsOthers(feeds.rails(), Optional.of(0.6))));
        assertThat(codes(tight)).contains("power.contact-rating");
        assertThat(codes(build)).doesNotContain("power.contact-rating");
    }

    @Test
    public void aSocketIsDeadWhileItsBoardSleeps() {
        Build build = build(screen(4));
        Network network = Network.of(build, build.wiring().chain().getFirst(), Reading.NOMINAL)
                .orElseThrow();
        OperatingPoint asleep = network.solve(0.5, Demand.of(Mode.SLEEP));
        assertThat(asleep.watts()).isCloseTo(6 / 20.0, within(1e-6));
        assertThat(asleep.rung("r-screen")).isEmpty();
        assertThat(codes(build)).contains("power.goes-off-with");
        Build sleeps = build.with(Brief.empty().withProfiles(List.of(UseProfile.always(Mode.SLEEP))));
        assertThat(Evaluator.evaluate(sleeps)
                        .of(PowerResult.class)
                        .chains()
                        .getFirst()
                        .run()
                        .hours())
                .isGreaterThan(100);
    }

    @Test
    public void whatIsHungOnABoardGoesIntoASocketThatSuits() {
        Part loose = screen(2);
        Build bare = build();
        Build with = bare.with(bare.parts().and(loose));
        Build hung = ChainEdits.put(with, ChainEdits.Piece.of(loose), Optional.of("r-board"), ChainEdits.Place.BELOW)
                .applied(with);
        assertThat(hung.rungs().map(Rung::stage)).contains(new Rung.Socket("board", "USB 1"));
        Part barrel = part("lamp", Family.HUB, 9, 9, 9, 9, load(3, 9, 18));
        Build more = hung.with(hung.parts().and(barrel));
        Build two = ChainEdits.put(more, ChainEdits.Piece.of(barrel), Optional.of("r-board"), ChainEdits.Place.BELOW)
                .applied(more);
        assertThat(two.rungs().map(Rung::stage)).contains(new Rung.Socket("board", "DC out"));
        Build gone = ChainEdits.remove(
                        two, two.wiring().rungOf("screen").orElseThrow().id())
                .applied(two);
        assertThat(gone.rungs().map(Rung::stage)).doesNotContain(new Rung.Socket("board", "USB 1"));
    }

    @Test
    public void oneSocketTakesOnePlug() {
        Build build = build(screen(2), part("stick", Family.HUB, 9, 9, 9, 9, load(1, 4.4, 5.6)));
        Build same = ChainEdits.plug("socket-stick", "USB 1").change().apply(build);
        assertThat(Attempt.on(build, ChainEdits.plug("socket-stick", "USB 1")).refusal())
                .hasValueSatisfying(why -> assertThat(why).contains("one socket takes one plug"));
        assertThat(Attempt.on(build, ChainEdits.plug("socket-stick", "DC out")).allowed())
                .isPresent();
        assertThat(same).isNotEqualTo(build);
    }

    @Test
    public void aSocketThatIsNoMoreIsSaidSo() {
        Build build = build(screen(4));
        Part other = part("other", Family.X86_BOARD, 100, 80, 15, 200, load(6, 9, 20));
        Build replaced = Edits.replacePart(build.part("board").orElseThrow(), other)
                .change()
                .apply(build);
        assertThat(codes(replaced)).contains("power.no-socket");
    }
}
