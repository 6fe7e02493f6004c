package boldsatchel.standins;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.heat.HeatResult;
import boldsatchel.hunt.Belief;
import boldsatchel.hunt.Cause;
import boldsatchel.hunt.Check;
import boldsatchel.hunt.Hunt;
import boldsatchel.hunt.Knowledge;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import org.testng.annotations.Test;

/** Machines with a fault, and instruments that are clipped to them. */
public class HiddenFaultTest {

    private final Knowledge knowledge = Knowledge.shipped();
    private final Build demo = Library.demo("orchard-ledger").orElseThrow();
    private final Evaluation evaluation = Evaluator.evaluate(demo);
    private final Hunt hunt = Hunt.begin(
            knowledge,
            evaluation,
            knowledge.symptom("restarts").orElseThrow(),
            demo.part("mainboard").orElseThrow());

    private Cause cause(String id) {
        return knowledge.cause(id).orElseThrow();
    }

    private List<Check> checks() {
        return hunt.after(List.of(), 0).next().stream().map(Belief.Next::check).toList();
    }

    @Test
    public void theSameMachineSaysTheSameAndAnotherSeedIsAnother() {
        Function<Long, List<Journal.Clue>> answers = seed -> {
            HiddenFault fault = new HiddenFault(evaluation, hunt, cause("joint-weak"), seed);
            return checks().stream().map(c -> fault.answer(c, hunt.place(c), 0)).toList();
        };
        assertThat(answers.apply(3L)).isEqualTo(answers.apply(3L));
        assertThat(answers.apply(3L)).isNotEqualTo(answers.apply(4L));
    }

    /** What is there stays so when it is looked at again; a slip does not, and is seldom. */
    @Test
    public void lookingAgainShowsWhatIsThere() {
        Check wiggle = knowledge.check("wiggle").orElseThrow();
        int odd = 0;
        int all = 0;
        for (long seed = 0; seed < 60; seed++) {
            HiddenFault fault = new HiddenFault(evaluation, hunt, cause("joint-weak"), seed);
            long changes = 0;
            for (int time = 0; time < 9; time++) {
                changes +=
                        fault.answer(wiggle, hunt.place(wiggle), time).outcome().equals("changes") ? 1 : 0;
            }
            odd += (int) Math.min(changes, 9 - changes);
            all += 9;
        }
        assertThat(odd / (double) all).isLessThan(0.03);
    }

    /** More volts are lost under a joint than any sound machine of the same kind loses. */
    @Test
    public void readingsUnderAFaultComeOutOfTheLaws() {
        Check lost = knowledge.check("lost-busy").orElseThrow();
        for (long seed = 0; seed < 20; seed++) {
            HiddenFault joint = new HiddenFault(evaluation, hunt, cause("joint-weak"), seed);
            HiddenFault memory = new HiddenFault(evaluation, hunt, cause("memory-loose"), seed);
            double under = joint.answer(lost, hunt.place(lost), 0)
                    .value()
                    .orElseThrow()
                    .value();
            double sound = memory.answer(lost, hunt.place(lost), 0)
                    .value()
                    .orElseThrow()
                    .value();
            assertThat(under).as("seed %s", seed).isGreaterThan(3 * sound);
        }
    }

    @Test
    public void practiceHidesManyFaultsAndNeverTheOneThatIsInNoList() {
        Set<String> hidden = new HashSet<>();
        for (long seed = 0; seed < 60; seed++) {
            Cause drawn =
                    HiddenFault.drawn(evaluation, hunt, seed).orElseThrow().cause();
            assertThat(drawn).isNotEqualTo(Cause.OTHER);
            assertThat(drawn.showsAs(hunt.symptom())).isPositive();
            hidden.add(drawn.id());
        }
        assertThat(hidden).hasSizeGreaterThan(5);
    }

    private static double shown(Instrument instrument, String question) {
        return Double.parseDouble(instrument.line(question).orElseThrow());
    }

    /** Cold the logger shows the room, after a soak the part as warm as it truly gets. */
    @Test
    public void theLoggerShowsWhatItIsClippedTo() {
        StandInBench bench = new StandInBench(demo, 5, 1, () -> 0);
        Instrument logger = bench.instruments().stream()
                .filter(i -> i.name().equals("temperature logger"))
                .findFirst()
                .orElseThrow();
        logger.line("BENC:HOOK mainboard");
        assertThat(shown(logger, "MEAS:TEMP?")).isCloseTo(StandInBench.ROOM_C, within(2.5));
        logger.line("BENC:MODE BUSY");
        double truly = Evaluator.evaluate(bench.truth())
                .of(HeatResult.class)
                .part("mainboard")
                .orElseThrow()
                .celsius();
        assertThat(shown(logger, "MEAS:TEMP?")).isCloseTo(truly, within(2.5 + 0.004 * truly));
    }

    @Test
    public void aMultimeterAnswersInTheShortFormToo() {
        StandInBench bench = new StandInBench(demo, 5, 1, () -> 0);
        Instrument meter = bench.instruments().get(2);
        meter.line("BENC:HOOK mainboard");
        assertThat(shown(meter, "MEAS:VOLT?")).isCloseTo(shown(meter, "MEAS:VOLT:DC?"), within(0.01));
        assertThat(meter.line("MEAS:MASS?")).isEmpty();
        assertThat(meter.line("SYST:ERR?").orElseThrow()).startsWith("-113");
    }
}
