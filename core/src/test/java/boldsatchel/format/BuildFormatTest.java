package boldsatchel.format;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.RandomBuilds;
import boldsatchel.edit.Edits;
import boldsatchel.geometry.Vec;
import boldsatchel.machine.Brief;
import boldsatchel.machine.Build;
import boldsatchel.machine.Casing;
import boldsatchel.machine.Facet;
import boldsatchel.machine.Family;
import boldsatchel.machine.Joint;
import boldsatchel.machine.Part;
import boldsatchel.shelf.Demos;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluator;
import boldsatchel.verdict.Severity;
import boldsatchel.verdict.Verdict;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class BuildFormatTest {

    private static String text(String demo) {
        try (InputStream in = Library.class.getResourceAsStream(demo + ".satchel.json")) {
            assertThat(in).isNotNull();
            return new String(java.util.Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    static String old(String demo) {
        return old(1, demo);
    }

    private static String old(int version, String demo) {
        try (InputStream in =
                BuildFormatTest.class.getResourceAsStream("version-" + version + "/" + demo + ".satchel.json")) {
            return new String(java.util.Objects.requireNonNull(in).readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    private static FormatException failure(String json) {
        try {
            BuildFormat.read(json);
        } catch (FormatException e) {
            return e;
        }
        throw new AssertionError("it was read");
    }

    private static int lineOf(String json, String part) {
        return (int) json.substring(0, json.indexOf(part)).lines().count();
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void demosPassEveryGateAndAreWrittenAsTheyStand(String demo) throws FormatException {
        String text = text(demo);
        assertThat(BuildFormat.write(BuildFormat.read(text))).isEqualTo(text);
        assertThat(BuildFormat.read(text).build()).isEqualTo(Library.demo(demo).orElseThrow());
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void everyDemoHasSomethingWrongThatIsFound(String demo) {
        assertThat(Evaluator.evaluate(Library.demo(demo).orElseThrow()).findings())
                .anySatisfy(f -> assertThat(f.severity()).isEqualTo(Severity.STOP));
    }

    @Test
    public void randomBuildsComeBackEqual() throws FormatException {
        for (long seed = 0; seed < 40; seed++) {
            Build build = RandomBuilds.of(seed);
            String text = BuildFormat.write(new BuildFormat.Document(build, Extras.NONE));
            assertThat(BuildFormat.read(text).build()).isEqualTo(build);
        }
    }

    @Test
    public void theSchemaThatShipsIsTheOneDerivedFromTheRecords() throws IOException {
        Path shipped = Path.of("../docs/build.schema.json");
        if (System.getProperty("boldsatchel.write") != null) {
            Files.writeString(shipped, BuildSchema.text());
        }
        assertThat(Files.readString(shipped)).isEqualTo(BuildSchema.text());
    }

    @Test
    public void unknownFieldsSurviveARoundTripAndAnEdit() throws FormatException {
        String text = text("cave-survey")
                .replaceFirst("\"variant\"", "\"colour\": \"orange\",\n    \"variant\"")
                .replaceFirst("\"id\": \"battery\",", "\"id\": \"battery\",\n        \"serial\": 4711,")
                .replaceFirst("\"ambientC\"", "\"wind\": [1, 2],\n        \"ambientC\"");
        BuildFormat.Document document = BuildFormat.read(text);
        assertThat(document.extras()).isNotEqualTo(Extras.NONE);
        Build edited = Edits.removePart(document.build().parts().list().getFirst())
                .change()
                .apply(document.build());
        String written = BuildFormat.write(new BuildFormat.Document(edited, document.extras()));
        assertThat(written).contains("\"colour\": \"orange\"", "\"serial\": 4711", "\"wind\"");
        assertThat(BuildFormat.read(written).build()).isEqualTo(edited);
    }

    @Test
    public void numbersThatAreUnknownComeBackDigitByDigit() throws FormatException {
        String numbers = "[1e999, -1.50E-400, 0.1234567890123456789012345678901234567890, 1.10, -0.0,"
                + " 123456789012345678901234567890, null]";
        String text = text("cave-survey").replaceFirst("\"variant\"", "\"seen\": " + numbers + ",\n    \"variant\"");
        String written = BuildFormat.write(BuildFormat.read(text));
        assertThat(written.replaceAll("\\s+", "")).contains("\"seen\":" + numbers.replace(" ", ""));
        assertThat(BuildFormat.write(BuildFormat.read(written))).isEqualTo(written);
    }

    @Test
    public void halfALetterIsToldWithItsPlace() {
        String text = text("cave-survey")
                .replaceFirst("Palm x86 board", "Palm \\\\ud83d board")
                .replaceFirst("\"plastic\"", "\"cheese\"");
        FormatException failure = failure(text);
        assertThat(failure.problems()).as("all that is wrong at once").hasSize(2);
        assertThat(failure.getMessage()).contains("half of a letter");
        assertThat(failure.problems().getFirst().line()).isEqualTo(lineOf(text, "ud83d"));
    }

    @Test
    public void whatStandsBehindTheEndOfTheFileIsTold() {
        assertThat(failure(text("cave-survey") + "{}").getMessage()).contains("not readable as JSON");
    }

    @Test
    public void aRemovedPartTakesItsUnknownFieldsWithIt() throws FormatException {
        String text = text("cave-survey")
                .replaceFirst("\"id\": \"battery\",", "\"id\": \"battery\",\n        \"serial\": 4711,");
        BuildFormat.Document document = BuildFormat.read(text);
        Build edited = Edits.removePart(document.build().part("battery").orElseThrow())
                .change()
                .apply(document.build());
        assertThat(BuildFormat.write(new BuildFormat.Document(edited, document.extras())))
                .doesNotContain("4711");
    }

    @Test
    public void aNewerVersionIsRefusedWithWords() {
        assertThatThrownBy(() -> BuildFormat.read(text("cave-survey").replaceFirst("\"version\": 5", "\"version\": 9")))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining("line 3")
                .hasMessageContaining("newer Bold Satchel")
                .hasMessageContaining("left as it is");
    }

    @Test
    public void aWrongTypeIsToldWithLineFieldAndWhatWasExpected() {
        String text = text("cave-survey").replaceFirst("\"quarterTurns\": 0", "\"quarterTurns\": \"none\"");
        FormatException.Problem problem = failure(text).problems().getFirst();
        assertThat(problem.line()).isEqualTo(lineOf(text, "\"quarterTurns\": \"none\""));
        assertThat(problem.field()).contains("placements[0].orientation.quarterTurns");
        assertThat(problem.message()).contains("integer");
    }

    @Test
    public void aFieldThatStandsTwiceIsRefusedAndNothingIsWiped() {
        String text = text("cave-survey").replaceFirst("\"parts\": \\[", "\"parts\": [], \"parts\": [");
        assertThat(failure(text).getMessage()).contains("parts").contains("line ");
    }

    @Test
    public void aByteOrderMarkIsPassedOver() throws FormatException {
        assertThat(BuildFormat.read("\uFEFF" + text("cave-survey")).build())
                .isEqualTo(Library.demo("cave-survey").orElseThrow());
    }

    @Test
    public void aMissingIdIsNamed() {
        String text = text("cave-survey").replaceFirst("\"id\": \"board\",\\s*", "");
        assertThat(failure(text).getMessage()).contains("id").contains("parts[0]");
    }

    @Test
    public void aMissingFieldTakesItsDefault() throws FormatException {
        String text = text("cave-survey")
                .replaceFirst("\"packC\": 10(\\.0)?", "\"wind\": 3")
                .replaceFirst("\"family\": \"x86-board\",\\s*", "")
                .replaceFirst("\"plusMinus\": 9.6,\\s*", "")
                .replaceFirst("\"nominalV\": 12(\\.0)?,\\s*", "");
        Build build = BuildFormat.read(text).build();
        Part board = build.part("board").orElseThrow();
        assertThat(build.brief().surroundings().packC()).isEqualTo(25);
        assertThat(board.family()).isEqualTo(Family.X86_BOARD);
        assertThat(board.massG().plusMinus()).isCloseTo(9.6, within(1e-9));
        assertThat(board.facet(Facet.DrawsPower.class).orElseThrow().nominalV()).isEqualTo(5);
    }

    @Test
    public void aFileThatSaysNothingButWhatItIsOpensAsAnEmptyBuild() throws FormatException {
        Build build = BuildFormat.read("{\"format\": \"bold-satchel-build\", \"version\": 2, \"build\": {}}")
                .build();
        assertThat(build.parts().list()).isEmpty();
        assertThat(build.brief().profile().steps()).hasSize(1);
        assertThat(build.brief().limits()).isEqualTo(Brief.empty().limits());
        assertThat(build.brief().surroundings()).isEqualTo(Brief.empty().surroundings());
    }

    /** Each alternative of each open type, and each record they hold, can be left almost empty. */
    @Test
    public void everyAbilityAndEveryRungCanBeLeftToItsDefaults() throws FormatException {
        for (Class<?> facet : Facet.class.getPermittedSubclasses()) {
            String text = "{\"format\": \"bold-satchel-build\", \"version\": 2, \"build\": {\"parts\": [{\"id\": \"p\","
                    + "\"facets\": [{\"is\": \"" + BuildMapper.name(facet) + "\"}]}]}}";
            Build build = BuildFormat.read(text).build();
            assertThat(build.part("p").orElseThrow().facets().getFirst()).isInstanceOf(facet);
            Evaluator.evaluate(build);
        }
    }

    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void aFileOfVersionOneOpensAsTheBuildItWasAndIsWrittenInThisVersion(String demo) throws FormatException {
        String old = old(demo);
        BuildFormat.Document document = BuildFormat.read(old);
        Build then = asItWas(BuildFormat.read(old(3, demo)).build());
        assertThat(document.build()).isEqualTo(then);
        assertThat(document.extras()).isEqualTo(Extras.NONE);
        assertThat(BuildFormat.write(document))
                .isEqualTo(BuildFormat.write(new BuildFormat.Document(then, Extras.NONE)))
                .contains("\"version\": 5");
    }

    /** Of version 2 the inside of a tray was a plain number, and money had a sign. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void aFileOfVersionTwoOpensAsTheBuildItIs(String demo) throws FormatException {
        BuildFormat.Document document = BuildFormat.read(old(2, demo));
        assertThat(document.build()).isEqualTo(BuildFormat.read(old(3, demo)).build());
        assertThat(document.extras()).isEqualTo(Extras.NONE);
        String wrong = old(2, demo)
                .replaceFirst("\"heightMm\": [0-9.]+,\n( *)\"wallMm\"", "\"heightMm\": \"tall\",\n$1\"wallMm\"");
        assertThat(failure(wrong).problems().getFirst().field()).isEqualTo("build.casing.shells[0].heightMm");
    }

    /** Of version 3 nobody said what a socket carries, and sockets had no ids: they are known by their names. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void aFileOfVersionThreeOpensWithItsSocketsKnownByTheirNames(String demo) throws FormatException {
        BuildFormat.Document document = BuildFormat.read(old(3, demo));
        assertThat(document.extras()).isEqualTo(Extras.NONE);
        assertThat(document.build().wiring().links()).isEmpty();
        assertThat(document.build().parts().list())
                .flatExtracting(p -> p.body().ports())
                .isNotEmpty()
                .allSatisfy(p -> {
                    assertThat(p.id()).isEqualTo(p.words());
                    assertThat(p.carries()).isEmpty();
                });
        assertThat(Evaluator.evaluate(document.build())
                        .verdict(Verdict.Kind.CONNECTS)
                        .sentence())
                .startsWith("Not known yet");
    }

    /** Of version 4 a case had one hinge, and a solid was a box without a word: both lie where they lay. */
    @Test(dataProvider = "demos", dataProviderClass = Demos.class)
    public void aFileOfVersionFourOpensWithItsLidOnAJoint(String demo) throws FormatException {
        BuildFormat.Document document = BuildFormat.read(old(4, demo));
        assertThat(document.extras()).isEqualTo(Extras.NONE);
        Build now = Library.demo(demo).orElseThrow();
        // Some sockets have moved in the demos since, and it is said which way fans blow; what is solid has not.
        Function<Part, List<Object>> kept = p -> List.of(
                p.id(), p.body().whole(), p.without(Facet.MovesAir.class).facets());
        assertThat(document.build().parts().list())
                .extracting(kept)
                .isEqualTo(now.parts().list().stream().map(kept).toList());
        // A case in one piece had no postures then; the demo has some now.
        Casing then =
                now.casing().lid().isPresent() ? now.casing() : now.casing().withPostures(List.of());
        assertThat(document.build().casing().inUse()).isEqualTo(then.inUse());
        assertThat(document.build().casing().looks()).isEqualTo(then.looks());
        document.build().casing().lid().ifPresent(lid -> {
            Joint known = now.casing().lid().orElseThrow();
            assertThat(lid.withFriction(known.hinge().orElseThrow().frictionNm())
                            .way())
                    .isEqualTo(known.way());
            // The demos' axes have moved to the outer edge of their walls since.
            Vec off = lid.closed().apply(Vec.ZERO).minus(known.closed().apply(Vec.ZERO));
            assertThat(off.length()).isLessThan(1);
        });
        String wrong = old(4, demo).replaceFirst("\"solids\": \\[\\s*\\{", "\"solids\": [ {\"dx\": \"wide\", ");
        assertThat(wrong).isNotEqualTo(old(4, demo));
        assertThat(failure(wrong).problems().getFirst().message()).isNotBlank();
    }

    /** What hangs on nothing, on two joints or in a ring is told where it stands. */
    @Test
    public void jointsThatDoNotHangTogetherAreTold() {
        String text = text("orchard-ledger");
        assertThat(failure(text.replaceFirst("\"carries\": \"lid\"", "\"carries\": \"cover\""))
                        .problems()
                        .getFirst()
                        .field())
                .isEqualTo("build.casing.joints[0].carries");
        assertThat(failure(text.replaceFirst("\"on\": \"base\"", "\"on\": \"lid\""))
                        .problems()
                        .getFirst()
                        .message())
                .contains("ring");
        assertThat(failure(text.replaceFirst("\"joint\": \"hinge\"", "\"joint\": \"slide\""))
                        .problems()
                        .getFirst()
                        .message())
                .contains("no joint", "slide");
    }

    /** The demo without what it has learnt since version 1: feet, and how well its drive gives off heat. */
    private static Build asItWas(Build demo) {
        Build then = demo.with(demo.casing().withFeet(Optional.empty()));
        for (Part part : demo.parts().list()) {
            if (part.name().equals("M.2 drive, 1 TB")) {
                then = then.with(part.withFacet(new Facet.Thermal(80, Optional.empty(), Optional.empty())));
            }
        }
        return then;
    }

    @Test
    public void whatIsUnknownInAFileOfVersionOneSurvivesAndWhatIsWrongIsToldWhereItStandsThere()
            throws FormatException {
        String old = old("cave-survey")
                .replaceFirst("\"variant\"", "\"colour\": \"orange\",\n    \"variant\"")
                .replaceFirst("\"making\"", "\"lacquer\": \"matt\",\n        \"making\"");
        assertThat(BuildFormat.write(BuildFormat.read(old)))
                .contains("\"colour\": \"orange\"", "\"lacquer\": \"matt\"");
        String wrong = old.replaceFirst("\"plastic\"", "\"cheese\"");
        FormatException.Problem problem = failure(wrong).problems().getFirst();
        assertThat(problem.line()).isEqualTo(lineOf(wrong, "cheese"));
        assertThat(problem.field()).isEqualTo("build.shells[0].material");
    }

    @Test
    public void anUnknownWordIsToldWithTheKnownOnes() {
        String text = text("cave-survey").replaceFirst("\"plastic\"", "\"cheese\"");
        FormatException failure = failure(text);
        assertThat(failure.problems().getFirst().line()).isEqualTo(lineOf(text, "cheese"));
        assertThat(failure.getMessage()).contains("plastic").contains("material");
    }

    @Test
    public void aValueThatCannotBeIsToldInWords() {
        String text = text("cave-survey").replaceFirst("\"minutes\": 5(\\.0)?", "\"minutes\": 0");
        assertThat(failure(text).getMessage())
                .contains("more than zero minutes")
                .contains("profiles[0].steps[0]")
                .startsWith("line ");
    }

    @Test
    public void aReferenceToNothingIsTold() {
        String text = text("cave-survey")
                .replaceFirst("\"part\": \"screen\",\\s+\"shell\"", "\"part\": \"scren\", \"shell\"");
        assertThat(failure(text).getMessage()).contains("no part with the id “scren”");
    }

    @Test
    public void twoPartsOfOneIdAreTold() {
        String text = text("cave-survey").replaceFirst("\"id\": \"screen\"", "\"id\": \"board\"");
        assertThat(failure(text).getMessage()).contains("Two parts have the id “board”");
    }

    @Test
    public void aFileThatIsCutOffIsToldWithItsLine() {
        String text = text("cave-survey");
        FormatException.Problem problem =
                failure(text.substring(0, text.length() / 2)).problems().getFirst();
        assertThat(problem.line()).isGreaterThan(10);
        assertThat(problem.message()).contains("cut off").contains(".bak");
    }

    @DataProvider
    Object[][] notBuilds() {
        return new Object[][] {
            {"[1, 2]", "no JSON object"},
            {"{}", "no build file"},
            {"{\"format\":\"x\"}", "bold-satchel-build"},
            {"hello", "not readable"},
            {"", "no"}
        };
    }

    @Test(dataProvider = "notBuilds")
    public void whatIsNoBuildFileIsSaidToBeNone(String text, String words) {
        assertThat(failure(text).getMessage()).contains(words);
    }

    @Test
    public void theLibraryHasEveryFamilyAndEveryIdOnce() {
        Library library = Library.shipped();
        assertThat(library.parts()).hasSizeGreaterThanOrEqualTo(40);
        Set<String> ids = new HashSet<>();
        library.parts().forEach(p -> assertThat(ids.add(p.id())).as(p.id()).isTrue());
        assertThat(library.parts()).extracting(p -> p.family()).contains(Family.values());
        assertThat(library.cases()).hasSizeGreaterThanOrEqualTo(4);
        assertThat(library.part("bank-10")).isPresent();
        assertThat(library.search("touch 7-inch")).hasSize(1);
        assertThat(library.search("no such thing")).isEmpty();
        assertThat(Library.demo("nothing")).isEmpty();
    }
}
