package boldsatchel.reach;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.Findings;
import boldsatchel.Samples;
import boldsatchel.geometry.Face;
import boldsatchel.geometry.Orientation;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Key;
import boldsatchel.machine.Material;
import boldsatchel.machine.Opening;
import boldsatchel.machine.Peg;
import boldsatchel.machine.Peg.Spring;
import boldsatchel.machine.Placement;
import boldsatchel.machine.Shell;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Finding;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Pegs as made, with springs and levers: lengths by hand, and a finger followed in small steps. */
public final class PressTest {

    /** A button 10 mm behind the outside of a wall, pressed by 0.5 mm through a small hole with such a peg. */
    private static Build pressed(Peg peg) {
        Key key = new Key("power", Face.FRONT, new Vec(10, 0, 3), 6, 4, 0.5);
        Opening hole = new Opening("hole", Face.FRONT, new Vec(30, 0, 8), 7, 5, false, serves()).with(peg);
        Shell tray = Samples.tray("tray", 100, 60, 30, exact(2), Material.PLASTIC, false)
                .withOpenings(List.of(hole));
        return Build.empty("press")
                .with(Casing.of(List.of(tray), exact(0)))
                .with(Samples.keyed(key))
                .with(new Placement("board", "tray", new Vec(20, 8, 5), Orientation.AS_DRAWN, Set.of()));
    }

    private static Optional<Opening.Serves> serves() {
        return Optional.of(new Opening.Serves("board", "power", true));
    }

    private static Peg peg(double length, double play, double lever) {
        return new Peg(length, play, lever, Optional.empty());
    }

    private static Peg sprung(double free, double solid, double rate, double room) {
        return peg(11, 0.3, 1).with(new Spring(free, solid, rate, room));
    }

    private static List<Finding> found(Build build, String code) {
        return Evaluator.evaluate(build).findings().stream()
                .filter(f -> f.code().equals(code))
                .toList();
    }

    @DataProvider
    public Object[][] troubles() {
        return new Object[][] {
            // 9.4 − 10 + 0.3 and 1 mm of fingertip: 0.7 of 0.3 + 0.5.
            {"reach.peg-short", peg(9.4, 0.3, 1), peg(9.6, 0.3, 1), List.of("goes down 0.7 mm", "takes 0.8 mm")},
            // Through a lever that halves the way the cap goes 0.3 + 1.
            {"reach.peg-short", peg(9.9, 0.3, 0.5), peg(10.1, 0.3, 0.5), List.of("down 1.2 mm", "takes 1.3 mm")},
            {"reach.peg-holds", peg(11, 0.05, 1), peg(11, 0.2, 1), List.of("0.05 mm of free play", "off by 0.2 mm")},
            {"reach.spring-loose", sprung(8, 4, 0.3, 9), sprung(10, 4, 0.3, 9), List.of("8 mm long", "in 9 mm")},
            {"reach.spring-solid", sprung(9, 4, 0.3, 4.5), sprung(9, 4, 0.3, 5), List.of("touch after 0.5 mm", "0.8")},
            // No other seat does: 5.1 mm of coils and 0.8 mm of stroke in a spring of 6 mm.
            {"reach.spring-solid", sprung(6, 5.1, 0.3, 5.6), sprung(8, 5.1, 0.3, 6.5), List.of("touch after 0.5 mm")},
            // 10 − 8 + 0.8 = 2.8 mm at 5 N/mm.
            {"reach.spring-hard", sprung(10, 4, 5, 8), sprung(10, 4, 3.9, 8), List.of("asks for 14 N", "11.1 N")},
        };
    }

    @Test(dataProvider = "troubles")
    public void eachTroubleIsToldAndGoneAfterItsFirstRemedy(String code, Peg ill, Peg sound, List<String> words) {
        Build build = pressed(ill);
        Finding finding = found(build, code).getFirst();
        assertThat(finding.message()).contains(words);
        Build mended = Findings.remedied(finding, build);
        assertThat(Evaluator.evaluate(mended).findings())
                .noneMatch(f -> f.code().startsWith("reach.peg") || f.code().startsWith("reach.spring"));
        assertThat(found(pressed(sound), code)).isEmpty();
    }

    /** A peg that nobody described is made as it is needed, and nothing is said of it. */
    @Test
    public void anUndescribedPegIsTrusted() {
        Build build = pressed(peg(2, 0, 1));
        Shell tray = build.shell("tray").orElseThrow();
        Opening hole = tray.openings().getFirst();
        Opening plain =
                new Opening(hole.name(), hole.wall(), hole.at(), 7, 5, false, hole.serves(), true, Optional.empty());
        Build trusted = build.with(build.casing().withShell(tray.withOpenings(List.of(plain))));
        assertThat(Evaluator.evaluate(trusted).findings())
                .noneMatch(f -> f.code().startsWith("reach."));
    }

    /** 300 pegs: a cap is pushed in by hundredths of a millimetre, until the finger, or the coils, stop it. */
    @Test
    public void aPressIsAsFollowedInSmallSteps() {
        Random random = new Random(21);
        double step = 0.01;
        for (int i = 0; i < 300; i++) {
            Spring spring = new Spring(
                    6 + 6 * random.nextDouble(), 2 + 4 * random.nextDouble(), 0.5, 5 + 5 * random.nextDouble());
            Peg peg = new Peg(
                    8 + 5 * random.nextDouble(),
                    random.nextDouble(),
                    0.3 + 2 * random.nextDouble(),
                    Optional.of(spring));
            Press press = new Press(peg, 10, 1, 0.5);
            double gone = 0;
            double down = 0;
            double outer = peg.lengthMm() + peg.playMm() - 10;
            while (down < 0.5 && outer - gone > -1) {
                gone += step;
                down = Math.max(0, gone - peg.playMm()) * peg.lever();
            }
            boolean reaches = down >= 0.5;
            if (Math.abs(press.goesMm() - press.strokeMm()) > 2 * step) {
                assertThat(press.isShort()).isEqualTo(!reaches);
            }
            if (reaches) {
                assertThat(press.strokeMm()).isCloseTo(gone, within(2 * step));
                double coils = spring.roomMm() - gone;
                if (Math.abs(coils - spring.solidMm()) > 2 * step) {
                    assertThat(press.isSolid()).isEqualTo(coils < spring.solidMm());
                }
                assertThat(press.downN()).isCloseTo(0.5 * Math.max(0, spring.freeMm() - coils), within(2 * step));
            }
            Press mended = new Press(press.fitted(0.2), 10, 1, 0.5);
            assertThat(mended.isShort() || mended.mayHold(0.2)).isFalse();
            Press sprung = new Press(mended.sprung(), 10, 1, 0.5);
            assertThat(sprung.isLoose() || sprung.isSolid()).isFalse();
        }
    }
}
