package boldsatchel.desktop.bench;

import boldsatchel.bench.BenchTest;
import boldsatchel.bench.Meter;
import boldsatchel.machine.Journal;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A test that is being done and not yet put down. */
final class Draft {

    private final Set<Integer> ticked = new HashSet<>();
    private final Map<String, Double> values = new HashMap<>();
    private final Map<String, Double> plusMinus = new HashMap<>();
    private String instrument = "";
    private String words = "";
    private Meter meter = Meter.CHEAP;
    private double celsius = BenchTest.USUAL_C;

    void tick(int step, boolean done) {
        if (done) {
            ticked.add(step);
        } else {
            ticked.remove(step);
        }
    }

    boolean isTicked(int step) {
        return ticked.contains(step);
    }

    /** Whether all that has to be looked at before a test goes on has been. */
    boolean mayGoOn(BenchTest test) {
        List<BenchTest.Step> steps = test.steps();
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).hold() && !isTicked(i)) {
                return false;
            }
        }
        return true;
    }

    void read(String what, Optional<Double> value) {
        value.ifPresentOrElse(v -> values.put(what, v), () -> values.remove(what));
    }

    void doubt(String what, Optional<Double> by) {
        by.ifPresentOrElse(v -> plusMinus.put(what, v), () -> plusMinus.remove(what));
    }

    void read(String what, Figure figure) {
        values.put(what, figure.value());
        plusMinus.put(what, figure.plusMinus());
    }

    /** What was read of something, with the doubt usual of a measurement where none was said. */
    Optional<Figure> figure(String what) {
        return Optional.ofNullable(values.get(what))
                .map(v -> Optional.ofNullable(plusMinus.get(what))
                        .map(pm -> new Figure(v, pm, Basis.MEASURED))
                        .orElseGet(() -> Figure.measured(v)));
    }

    Optional<Double> doubt(String what) {
        return Optional.ofNullable(plusMinus.get(what));
    }

    void with(String newInstrument) {
        instrument = newInstrument;
    }

    String instrument() {
        return instrument;
    }

    void countedAs(Meter newMeter) {
        meter = newMeter;
    }

    /** How far what reads it may be off. */
    Meter meter() {
        return meter;
    }

    void noting(String newWords) {
        words = newWords;
    }

    String words() {
        return words;
    }

    void at(double newCelsius) {
        celsius = newCelsius;
    }

    double celsius() {
        return celsius;
    }

    /** As it goes into the journal. */
    Journal.Tested done(BenchTest test, String part, LocalDate on) {
        return new Journal.Tested(
                Optional.of(on),
                test.id(),
                part,
                instrument,
                celsius,
                test.readings().stream()
                        .flatMap(r -> figure(r).map(f -> new Journal.Taken(r, f)).stream())
                        .toList(),
                words);
    }

    boolean isEmpty() {
        return values.isEmpty();
    }
}
