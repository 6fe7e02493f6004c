package boldsatchel.edit;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.bench.BenchTest;
import boldsatchel.bench.BenchTests;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.quantity.Figure;
import boldsatchel.shelf.Library;
import java.time.LocalDate;
import java.util.List;
import org.testng.annotations.Test;

/** A test that is done reading by reading on one day. */
public final class ReadingsTest {

    private static final LocalDate DAY = LocalDate.of(2026, 11, 29);
    private static final BenchTest TEST = BenchTests.all().getFirst();

    private static Build read(Build build, String part, String what, double value, LocalDate on) {
        Journal.Taken taken = new Journal.Taken(what, Figure.measured(value));
        return BenchEdits.reading(build, TEST, part, taken, on, "").change().apply(build);
    }

    @Test
    public void readingsOfOneDayStandTogetherAndTheLastOfAThingCounts() {
        Build build = Library.demo("cave-survey").orElseThrow();
        build = read(build, "battery", "a", 1, DAY);
        build = read(build, "battery", "b", 2, DAY);
        build = read(build, "battery", "a", 3, DAY);
        assertThat(last(build)).extracting(Journal.Taken::what).containsExactly("b", "a");
        assertThat(last(build).getLast().value().value()).isEqualTo(3);
        assertThat(build.journal().tests()).as("nothing that was read is lost").hasSize(3);
        assertThat(last(read(build, "battery", "b", 4, DAY.plusDays(1))))
                .as("another day")
                .hasSize(1);
        assertThat(last(read(build, "screen", "b", 4, DAY))).as("another part").hasSize(1);
    }

    private static List<Journal.Taken> last(Build build) {
        return build.journal().tests().getLast().readings();
    }
}
