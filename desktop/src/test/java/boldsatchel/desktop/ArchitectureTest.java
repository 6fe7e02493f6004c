package boldsatchel.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import org.testng.annotations.Test;

/** The arrows between the rooms point one way. */
public class ArchitectureTest {

    private static final String[] WINDOW = {"javafx..", "java.awt..", "javax.swing..", "boldsatchel.desktop.."};
    private static final String[] ENGINES = {
        "boldsatchel.power..", "boldsatchel.fit..", "boldsatchel.balance..", "boldsatchel.heat..", "boldsatchel.cost.."
    };
    private static final String[] CORE = {
        "boldsatchel.quantity..",
        "boldsatchel.machine..",
        "boldsatchel.power..",
        "boldsatchel.fit..",
        "boldsatchel.balance..",
        "boldsatchel.heat..",
        "boldsatchel.cost..",
        "boldsatchel.verdict..",
        "boldsatchel.edit..",
        "boldsatchel.drawing..",
        "boldsatchel.format..",
        "boldsatchel.shelf..",
        "boldsatchel.plan..",
        "boldsatchel.report.."
    };

    private final JavaClasses classes = new ClassFileImporter()
            .withImportOption(new ImportOption.DoNotIncludeTests())
            .importPackages("boldsatchel");

    @Test
    public void theCoreKnowsNoWindow() {
        noClasses()
                .that()
                .resideInAnyPackage(CORE)
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(WINDOW)
                .check(classes);
    }

    @Test
    public void theCoreKnowsNoFileAndNoClock() {
        noClasses()
                .that()
                .resideInAnyPackage(CORE)
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("java.nio.file..", "java.time..")
                .orShould()
                .dependOnClassesThat()
                .haveFullyQualifiedName("java.io.File")
                .orShould()
                .callMethod(System.class, "currentTimeMillis")
                .orShould()
                .callMethod(System.class, "nanoTime")
                .check(classes);
    }

    @Test
    public void theBookKnowsNoWindow() {
        noClasses()
                .that()
                .resideInAPackage("boldsatchel.book..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage("javafx..", "boldsatchel.desktop..")
                .check(classes);
    }

    @Test
    public void whatABuildIsKnowsNoEngine() {
        noClasses()
                .that()
                .resideInAnyPackage("boldsatchel.machine..", "boldsatchel.quantity..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(ENGINES)
                .check(classes);
    }

    @Test
    public void enginesKnowNoVerdictNoEditAndNoDrawing() {
        noClasses()
                .that()
                .resideInAnyPackage(ENGINES)
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        "boldsatchel.verdict..", "boldsatchel.edit..", "boldsatchel.drawing..", "boldsatchel.format..")
                .check(classes);
    }

    @Test
    public void roomsOfTheCoreMakeNoCircle() {
        slices().matching("boldsatchel.(build|quantity|power|fit|balance|heat|cost|verdict|drawing)..")
                .should()
                .beFreeOfCycles()
                .check(classes);
    }
}
