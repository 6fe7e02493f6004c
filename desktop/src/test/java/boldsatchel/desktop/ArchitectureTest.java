package boldsatchel.desktop;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.type;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static org.assertj.core.api.Assertions.assertThat;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.library.dependencies.SlicesRuleDefinition;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The arrows between the rooms point one way: down this list. A room that is not on it does not exist. */
public class ArchitectureTest {

    /** Every package of every module, those that know least first. A room may know the rooms above it here and no other. */
    private static final List<String> ROOMS = List.of(
            "boldsatchel.course",
            "boldsatchel.quantity",
            "boldsatchel.log",
            "boldsatchel.geometry",
            "boldsatchel.machine",
            "boldsatchel.engine",
            "boldsatchel.power",
            "boldsatchel.fit",
            "boldsatchel.stow",
            "boldsatchel.balance",
            "boldsatchel.hands",
            "boldsatchel.hold",
            "boldsatchel.reach",
            "boldsatchel.printing",
            "boldsatchel.made",
            "boldsatchel.heat",
            "boldsatchel.cost",
            "boldsatchel.links",
            "boldsatchel.cables",
            "boldsatchel.means",
            "boldsatchel.abilities",
            "boldsatchel.plausible",
            "boldsatchel.bench",
            "boldsatchel.assembly",
            "boldsatchel.format",
            "boldsatchel.shelf",
            "boldsatchel.edit",
            "boldsatchel.verdict",
            "boldsatchel.revise",
            "boldsatchel.hunt",
            "boldsatchel.plan",
            "boldsatchel.arrange",
            "boldsatchel.judge",
            "boldsatchel.drawing",
            "boldsatchel.sheet",
            "boldsatchel.report",
            "boldsatchel.standins",
            "boldsatchel.book",
            "boldsatchel.desktop.document",
            "boldsatchel.desktop.instruments",
            "boldsatchel.desktop.controls",
            "boldsatchel.desktop.desk",
            "boldsatchel.desktop.details",
            "boldsatchel.desktop.begin",
            "boldsatchel.desktop.brief",
            "boldsatchel.desktop.shelf",
            "boldsatchel.desktop.power",
            "boldsatchel.desktop.links",
            "boldsatchel.desktop.bench",
            "boldsatchel.desktop.pack",
            "boldsatchel.desktop.arrange",
            "boldsatchel.desktop.cool",
            "boldsatchel.desktop.assemble",
            "boldsatchel.desktop.book",
            "boldsatchel.desktop.frame",
            "boldsatchel.desktop");

    private static final List<String> CORE = ROOMS.subList(0, ROOMS.indexOf("boldsatchel.standins"));
    private static final List<String> ENGINES = List.of(
            "boldsatchel.power",
            "boldsatchel.fit",
            "boldsatchel.stow",
            "boldsatchel.balance",
            "boldsatchel.hands",
            "boldsatchel.hold",
            "boldsatchel.reach",
            "boldsatchel.printing",
            "boldsatchel.made",
            "boldsatchel.heat",
            "boldsatchel.cost",
            "boldsatchel.links",
            "boldsatchel.cables",
            "boldsatchel.means",
            "boldsatchel.abilities",
            "boldsatchel.bench",
            "boldsatchel.assembly");
    private static final List<String> STAGES =
            ROOMS.subList(ROOMS.indexOf("boldsatchel.desktop.brief"), ROOMS.indexOf("boldsatchel.desktop.frame"));

    private final JavaClasses classes = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("boldsatchel");

    private static String[] in(List<String> rooms) {
        return rooms.toArray(String[]::new);
    }

    @Test
    public void everyRoomIsOnTheList() {
        assertThat(classes.stream().map(JavaClass::getPackageName).distinct())
                .containsExactlyInAnyOrderElementsOf(ROOMS);
    }

    @DataProvider
    Object[][] rooms() {
        return IntStream.range(0, ROOMS.size() - 1)
                .mapToObj(i -> new Object[] {i})
                .toArray(Object[][]::new);
    }

    @Test(dataProvider = "rooms")
    public void aRoomKnowsNoRoomBelowIt(int at) {
        noClasses()
                .that()
                .resideInAPackage(ROOMS.get(at))
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(in(ROOMS.subList(at + 1, ROOMS.size())))
                .check(classes);
    }

    @Test
    public void noRoomsMakeACircle() {
        SlicesRuleDefinition.slices()
                .matching("boldsatchel.(**)")
                .should()
                .beFreeOfCycles()
                .check(classes);
    }

    @Test
    public void theCoreAndTheBookKnowNoWindow() {
        noClasses()
                .that()
                .resideOutsideOfPackage("boldsatchel.desktop..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("javafx..", "java.awt..", "javax.swing..")
                .check(classes);
    }

    /** A day that somebody wrote down is a value; which day it is now is for the window to say. */
    @Test
    public void theCoreKnowsNoFileAndNoClock() {
        noClasses()
                .that()
                .resideInAnyPackage(in(CORE))
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.nio.file..")
                .orShould()
                .dependOnClassesThat(resideInAPackage("java.time..").and(not(type(LocalDate.class))))
                .orShould()
                .callMethod(LocalDate.class, "now")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.io.File")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .check(classes);
    }

    /** Only heat stands on other engines: it reads their results, which it names as needed. */
    @Test
    public void anEngineKnowsNoVerdictNoEditAndNoFile() {
        noClasses()
                .that()
                .resideInAnyPackage(in(ENGINES))
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "boldsatchel.verdict",
                        "boldsatchel.revise",
                        "boldsatchel.hunt",
                        "boldsatchel.edit",
                        "boldsatchel.judge",
                        "boldsatchel.format",
                        "boldsatchel.drawing")
                .check(classes);
    }

    @Test
    public void aStageKnowsNoOtherStage() {
        for (String stage : STAGES) {
            noClasses()
                    .that()
                    .resideInAPackage(stage)
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(
                            STAGES.stream().filter(s -> !s.equals(stage)).toArray(String[]::new))
                    .check(classes);
        }
    }
}
