package boldsatchel.format;

import static boldsatchel.Samples.exact;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import boldsatchel.RandomBuilds;
import boldsatchel.Samples;
import boldsatchel.edit.ChainEdits;
import boldsatchel.machine.Build;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Mode;
import boldsatchel.machine.Part;
import boldsatchel.machine.Parts;
import boldsatchel.machine.Rung;
import boldsatchel.machine.UseProfile;
import boldsatchel.plan.Supplies;
import boldsatchel.shelf.Library;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Chains of every school, and all that parts can do for them, survive a file. */
public class ChainFormatTest {

    private static Build throughAFile(Build build) throws FormatException {
        return BuildFormat.read(BuildFormat.write(new BuildFormat.Document(build, Extras.NONE)))
                .build();
    }

    @DataProvider
    Object[][] ways() {
        List<Object[]> ways = new ArrayList<>();
        for (String demo : Library.DEMOS) {
            for (Supplies.School school : Supplies.School.values()) {
                ways.add(new Object[] {demo, school});
            }
        }
        return ways.toArray(Object[][]::new);
    }

    @Test(dataProvider = "ways")
    public void everySchoolSurvivesAFile(String demo, Supplies.School school) throws FormatException {
        Build build = Supplies.reckon(Library.demo(demo).orElseThrow(), school)
                .orElseThrow()
                .build();
        assertThat(throughAFile(build)).isEqualTo(build);
    }

    private static final List<Facet> FACETS = List.of(
            new Facet.Manages(true, false, 2),
            new Facet.Offers(List.of(new Facet.Offer(5, 3), new Facet.Offer(20, 2.25))),
            new Facet.Adapter(20, 3.25, exact(0.05)),
            new Facet.StaysBeside(),
            new Facet.Recharges(exact(18), exact(0.9), exact(0.3)),
            new Facet.Charges(Facet.Chemistry.LIFEPO4, 4, exact(2), exact(0.9), true, 9, 21, exact(1e-4)),
            new Facet.ShowsLevel(true, exact(0.01)),
            new Facet.Refreshes(exact(1.2), 90),
            new Facet.SwitchesOff(exact(0.001)),
            new Facet.Holds(0.02));

    @Test
    public void everyNewAbilityOfAPartSurvivesAFile() throws FormatException {
        Part able = Samples.part("able", Family.CHARGER, 10, 10, 5, 3, FACETS.toArray(Facet[]::new));
        Build build = Build.empty("abilities").with(new Parts(List.of(able)));
        assertThat(throughAFile(build)).isEqualTo(build);
    }

    @Test
    public void everyKindOfContactAndEveryStageSurvivesAFile() throws FormatException {
        Rung row = Rung.of("end", new Rung.Capacitor(exact(0.47)));
        for (Rung.ContactKind kind : Rung.ContactKind.values()) {
            row = Rung.of("contact-" + kind.ordinal(), new Rung.Contact(kind, exact(0.01), 5), row);
        }
        row = Rung.of("wire", new Rung.Wire(20, 100, Optional.of(new Rung.Finish("blue", "white", false))), row);
        row = Rung.of("bare-wire", new Rung.Wire(22, 90), row);
        Part pack = Samples.part(
                "pack", Family.BATTERY, 10, 10, 10, 10, Samples.cells(Facet.Chemistry.LI_ION, 1, 1, 3, 0.05, 0.01, 3));
        Rung joint = Rung.of(
                "joint",
                new Rung.Join(List.of(
                        Samples.rung("pack", Rung.of("d1", ChainEdits.SCHOTTKY)),
                        Samples.rung("spare", Rung.of("d2", ChainEdits.IDEAL_DIODE)))),
                row);
        Build build = Build.empty("stages")
                .with(new Parts(List.of(
                        pack,
                        pack.withId("spare"),
                        Samples.part("adapter", Family.CHARGER, 1, 1, 1, 1, new Facet.Adapter(5, 2, exact(0))))))
                .withChain(List.of(
                        joint,
                        Samples.rung("adapter", Rung.of("charging", new Rung.Charging(Optional.empty(), "spare")))));
        assertThat(throughAFile(build)).isEqualTo(build);
    }

    @Test
    public void stepsWithProgramsAndRefreshesSurviveAFileAndOldStepsStillRead() throws FormatException {
        UseProfile.Step step = new UseProfile.Step("read", Mode.BUSY, 5, 0.5)
                .refreshing(Optional.of(4.0))
                .running(Optional.of(new UseProfile.Program("reader", 1, 0.2, 0, Optional.of(exact(3.1)))));
        Build build = Build.empty("use");
        Build with = build.with(build.brief().withProfiles(List.of(new UseProfile("evening", List.of(step)))));
        String text = BuildFormat.write(new BuildFormat.Document(with, Extras.NONE));
        assertThat(text).contains("\"refreshesPerMinute\": 4.0", "\"framesPerSecond\": 1.0");
        assertThat(throughAFile(with)).isEqualTo(with);
        String old = BuildFormat.write(new BuildFormat.Document(build, Extras.NONE));
        assertThat(old).doesNotContain("refreshesPerMinute", "program");
        assertThat(BuildFormat.read(old).build()).isEqualTo(build);
    }

    @Test
    public void randomChainsSurviveAFile() throws FormatException {
        for (long seed = 0; seed < 40; seed++) {
            Build build = seed % 2 == 0 ? RandomBuilds.plugged(seed) : RandomBuilds.joined(seed);
            assertThat(throughAFile(build)).as("seed " + seed).isEqualTo(build);
        }
    }

    private static FormatException refused(String text) {
        return java.util.Objects.requireNonNull(
                catchThrowableOfType(FormatException.class, () -> BuildFormat.read(text)));
    }

    private static String cave() {
        return BuildFormat.write(
                new BuildFormat.Document(Library.demo("cave-survey").orElseThrow(), Extras.NONE));
    }

    @Test
    public void aChargerThatIsNotThereIsNamed() {
        FormatException e = refused(cave().replace("\"charger\": \"charger\"", "\"charger\": \"ghost\""));
        assertThat(e.problems())
                .anyMatch(p -> p.message().contains("a part “ghost” that there is not") && p.line() > 1);
    }

    @Test
    public void anUnknownStageIsRefusedWithItsPlace() {
        FormatException e = refused(cave().replace("\"is\": \"charging\"", "\"is\": \"teleport\""));
        assertThat(e.problems()).anyMatch(p -> p.field().contains("chain") && p.line() > 1);
    }

    @Test
    public void aProgramThatLoadsMoreThanThereIsIsRefused() {
        String text = cave().replaceFirst(
                        "\"brightness\": 0.8",
                        "\"brightness\": 0.8, \"program\": {\"name\": \"x\", \"framesPerSecond\": 0, \"processor\": 1.4,"
                                + " \"graphics\": 0}");
        FormatException e = refused(text);
        assertThat(e.problems().getFirst().message()).contains("maximum value of 1");
        assertThat(e.problems().getFirst().field()).contains("profiles[0].steps[0].program.processor");
    }
}
