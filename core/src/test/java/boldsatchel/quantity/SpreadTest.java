package boldsatchel.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.testng.annotations.Test;

public class SpreadTest {

    private final Figure a = new Figure(10, 2, Basis.MEASURED);
    private final Figure b = new Figure(20, 4, Basis.GUESS);

    private record Two(@Label("a") Figure a, @Label("b") Figure b) {}

    private static Input input(String owner, String field, Figure figure) {
        return new Input(owner, owner, Two.class, field, figure);
    }

    @Test
    public void aSumSpreadsByTheRootOfTheSquares() {
        Spread spread = Spread.of(r -> r.of(input("x", "a", a)) + r.of(input("x", "b", b)));
        double sigma = Math.sqrt(1 * 1 + 2 * 2);
        assertThat(spread.nominal()).isEqualTo(30);
        assertThat(spread.high() - spread.nominal()).isCloseTo(1.6449 * sigma, within(1e-9));
        assertThat(spread.nominal() - spread.low()).isCloseTo(1.6449 * sigma, within(1e-9));
    }

    @Test
    public void blameIsSharedByVarianceLargestFirst() {
        Spread spread = Spread.of(r -> r.of(input("x", "a", a)) + r.of(input("x", "b", b)));
        assertThat(spread.blame()).hasSize(2);
        assertThat(spread.blame().getFirst().input().what()).isEqualTo("b");
        assertThat(spread.blame().getFirst().share()).isCloseTo(0.8, within(1e-9));
        assertThat(spread.blame().stream().mapToDouble(Spread.Blame::share).sum())
                .isCloseTo(1, within(1e-9));
    }

    @Test
    public void aFigureUsedTwiceErrsTogether() {
        Input first = new Input("shelf x", "one", Two.class, "a", a);
        Input second = new Input("shelf x", "the other", Two.class, "a", new Figure(10, 2, Basis.MEASURED));
        Spread difference = Spread.of(r -> r.of(first) - r.of(second));
        assertThat(difference.low()).isEqualTo(difference.high()).isZero();
    }

    @Test
    public void equalFiguresOfTwoPartsErrEachByItself() {
        Figure twin = new Figure(10, 2, Basis.MEASURED);
        Spread sum = Spread.of(r -> r.of(input("x", "a", a)) + r.of(input("y", "a", twin)));
        assertThat(sum.high() - sum.nominal()).isCloseTo(1.6449 * Math.sqrt(2), within(1e-9));
    }

    @Test
    public void exactInputsLeaveNoDoubt() {
        Figure exact = new Figure(5, 0, Basis.MEASURED);
        Spread spread = Spread.of(r -> r.of(input("x", "a", exact)) * 2);
        assertThat(spread.low()).isEqualTo(spread.high());
        assertThat(spread.blame()).isEmpty();
    }

    @Test
    public void theBasisGivesTheUsualRange() {
        assertThat(Figure.measured(100).plusMinus()).isCloseTo(2, within(1e-9));
        assertThat(Figure.dataSheet(100).plusMinus()).isCloseTo(10, within(1e-9));
        assertThat(Figure.guess(-100).plusMinus()).isCloseTo(30, within(1e-9));
    }

    @Test
    public void anotherValueKeepsTheTrust() {
        assertThat(Figure.dataSheet(100).withValue(50).plusMinus()).isCloseTo(5, within(1e-9));
        assertThat(new Figure(0, 0, Basis.GUESS).withValue(10).plusMinus()).isCloseTo(3, within(1e-9));
    }

    @Test
    public void figuresThatCannotBeAreRefused() {
        assertThatThrownBy(() -> new Figure(Double.NaN, 0, Basis.GUESS)).hasMessageContaining("finite");
        assertThatThrownBy(() -> new Figure(1, -1, Basis.GUESS)).hasMessageContaining("zero or more");
    }

    /** Of four that are alike and independent: 1 − (1 − Φ)⁴ is 0.05 at −2.235 and 0.95 at 0.068. */
    @Test
    public void theLeastOfFourIsLessThanEach() {
        Inputs inputs = new Inputs();
        List<Spread.Candidate> four = Stream.of("w", "x", "y", "z")
                .map(owner -> candidate(inputs, 3, input(owner, "a", a), 1))
                .toList();
        Spread least = Spread.least(inputs, four);
        assertThat(least.low()).isCloseTo(3 - 2.235, within(0.08));
        assertThat(least.high()).isCloseTo(3 + 0.068, within(0.08));
        assertThat(least.nominal()).isEqualTo(3);
        assertThat(least.blame()).hasSize(4);
    }

    /** What moves with the same input is one result; what is far behind never is the least. */
    @Test
    public void theLeastOfOneIsItself() {
        Inputs inputs = new Inputs();
        Spread alone = Spread.ofEffects(3, Map.of(input("x", "a", a), 1.0));
        Spread.Candidate first = candidate(inputs, 3, input("x", "a", a), 1);
        Spread.Candidate behind = candidate(inputs, 40, input("y", "b", b), 2);
        assertThat(Spread.least(inputs, List.of(first, first)).low()).isCloseTo(alone.low(), within(1e-9));
        Spread least = Spread.least(inputs, List.of(behind, first));
        assertThat(least.low()).isCloseTo(alone.low(), within(1e-9));
        assertThat(least.high()).isCloseTo(alone.high(), within(1e-9));
    }

    /** Of two that are alike and independent: Φ² is 0.05 at −0.760 and 0.95 at 1.955. */
    @Test
    public void theGreatestOfTwoIsMoreThanEach() {
        Inputs inputs = new Inputs();
        Spread.Candidate greatest = Spread.greatest(
                inputs,
                List.of(candidate(inputs, 3, input("x", "a", a), 1), candidate(inputs, 3, input("y", "a", a), 1)));
        Spread range = Spread.least(inputs, List.of(greatest));
        assertThat(range.high() - range.low()).isCloseTo(1.955 + 0.760, within(0.03));
        assertThat(range.high()).isCloseTo(3 + 1.955, within(0.05));
    }

    /** One that cannot vary stands in the way of another, which is more or less as often. */
    @Test
    public void theLeastIsNeverMoreThanWhatIsKnown() {
        Inputs inputs = new Inputs();
        Spread.Candidate known = new Spread.Candidate(3, new double[0]);
        Spread least = Spread.least(inputs, List.of(known, candidate(inputs, 3, input("x", "a", a), 1)));
        assertThat(least.high()).isEqualTo(3);
        assertThat(least.low()).isCloseTo(3 - 1.6449, within(1e-9));
    }

    private static Spread.Candidate candidate(Inputs inputs, double nominal, Input input, double effect) {
        Inputs.Effects effects = inputs.new Effects();
        effects.add(input, effect);
        return new Spread.Candidate(nominal, effects.byPlace());
    }
}
