package boldsatchel.hunt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import boldsatchel.machine.Build;
import boldsatchel.machine.Part;
import boldsatchel.shelf.Library;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is known of faults: lists that ship, and those of a builder. */
public class KnowledgeTest {

    private static final String CHECK = """
            {"id": "c", "title": "C", "kind": "LOOK", "minutes": 1, "how": "Look.", "outcomes": [
              {"id": "no", "words": "no", "usual": 0.9}, {"id": "yes", "words": "yes", "usual": 0.1}]}""";
    private static final String CAUSE = """
            {"id": "x", "title": "X", "rate": 1, "shows": {"restarts": 0.5}, "cures": ["Mend it."]}""";

    private final Knowledge shipped = Knowledge.shipped();

    /** A sound entry, what is exchanged in it, and what must be said of it. */
    @DataProvider
    public Object[][] wrong() {
        return new Object[][] {
            {"checks", CHECK, "\"LOOK\"", "\"GLANCE\"", "LOOK, READ, SWAP"},
            {"checks", CHECK, "\"minutes\": 1", "\"minutes\": 0", "“minutes” must be a number from 0.1"},
            {"checks", CHECK, "\"minutes\": 1", "\"minutes\": \"one\"", "“minutes” must be a number"},
            {"checks", CHECK, "\"usual\": 0.1", "\"usual\": 0.5", "whose “usual” make 1 together"},
            {"checks", CHECK, "\"title\": \"C\"", "\"title\": \"\"", "“title” is missing"},
            {"checks", CHECK, "\"how\": \"Look.\"", "\"at\": \"Engines\", \"how\": \"Look.\"", "“at” is “Engines”"},
            {"checks", CHECK, "\"LOOK\"", "\"READ\"", "which cannot be measured"},
            {"checks", CHECK, "\"id\": \"c\"", "\"id\": \"\"", "“id” is missing"},
            {"causes", CAUSE, "\"rate\": 1", "\"rate\": -1", "“rate” must be a number from 0.01"},
            {"causes", CAUSE, "\"restarts\": 0.5", "\"restarts\": 1.5", "“shows restarts” must be a number from 0"},
            {"causes", CAUSE, "restarts", "restart", "“restart”, which is no symptom"},
            {"causes", CAUSE, "{\"restarts\": 0.5}", "{}", "“shows” must name a symptom"},
            {"causes", CAUSE, "\"rate\"", "\"near\": [\"abyss\"], \"rate\"", "“near” is “abyss”"},
            {"causes", CAUSE, "\"rate\"", "\"on\": [\"family:TOYS\"], \"rate\"", "“on” is “family:TOYS”"},
            {"causes", CAUSE, "\"rate\"", "\"alters\": \"MAGIC\", \"rate\"", "“alters” is “MAGIC”"},
            {
                "causes",
                CAUSE,
                "\"rate\"",
                "\"answers\": {\"stare\": {\"up\": 1}}, \"rate\"",
                "“stare”, which is no check"
            },
            {"causes", CAUSE, "\"rate\"", "\"answers\": {\"fuse\": {\"up\": 1}}, \"rate\"", "“fuse” has no “up”"},
            {
                "causes",
                CAUSE,
                "\"rate\"",
                "\"answers\": {\"fuse\": {\"whole\": 0.9, \"open\": 0.9}}, \"rate\"",
                "more than 1 together"
            },
            {"causes", CAUSE, "\"id\": \"x\"", "\"id\": \"other\"", "this id is taken"},
        };
    }

    @Test(dataProvider = "wrong")
    public void whatIsWrongIsSaidWithItsPlace(String list, String sound, String part, String other, String said)
            throws HuntFault {
        assertThat(sound).contains(part);
        assertThat(shipped.and("{\"" + list + "\": [" + sound + "]}")).isNotEqualTo(shipped);
        assertThatThrownBy(() -> shipped.and("{\"" + list + "\": [" + sound.replace(part, other) + "]}"))
                .isInstanceOf(HuntFault.class)
                .hasMessageContaining(list + ", entry 1")
                .hasMessageContaining(said);
    }

    @Test
    public void twoEntriesOfOneIdAreToldAndOneThatShipsGivesWay() throws HuntFault {
        assertThatThrownBy(() -> shipped.and("{\"causes\": [" + CAUSE + ", " + CAUSE + "]}"))
                .hasMessageContaining("causes, entry 2 (x): this id is taken");
        Knowledge mine = shipped.and("{\"causes\": [" + CAUSE.replace("\"x\"", "\"fuse-blown\"") + "]}");
        assertThat(mine.causes()).hasSameSizeAs(shipped.causes());
        assertThat(mine.cause("fuse-blown").orElseThrow().title()).isEqualTo("X");
        assertThat(mine.cause("other")).contains(Cause.OTHER);
        assertThat(mine.cause("no such")).isEmpty();
        assertThat(mine.check("no such")).isEmpty();
    }

    /** Letters exchanged, lost and doubled at random: each file is taken, or refused in words. */
    @Test
    public void fiveThousandBrokenFilesAreTakenOrRefusedInWords() {
        String sound = "{\"checks\": [" + CHECK + "], \"causes\": [" + CAUSE + "]}";
        Random random = new Random(12);
        int refused = 0;
        for (int n = 0; n < 5000; n++) {
            StringBuilder text = new StringBuilder(sound);
            for (int k = 0; k <= random.nextInt(4); k++) {
                int at = random.nextInt(text.length());
                switch (random.nextInt(3)) {
                    case 0 -> text.setCharAt(at, (char) (32 + random.nextInt(95)));
                    case 1 -> text.deleteCharAt(at);
                    default -> text.insert(at, text.charAt(random.nextInt(text.length())));
                }
            }
            try {
                assertThat(shipped.and(text.toString()).causes()).isNotEmpty();
            } catch (HuntFault e) {
                refused++;
                assertThat(e.getMessage()).as(text.toString()).matches("(?s)\\S.*[.:}\\])'\\w].*");
            }
        }
        assertThat(refused).isGreaterThan(2000);
    }

    @Test
    public void whatACauseLeavesOpenIsSharedAsUsual() {
        for (Cause cause : shipped.causes()) {
            for (Check check : shipped.checks()) {
                double[] chances = cause.chances(check);
                assertThat(Arrays.stream(chances).sum())
                        .as("%s, %s", cause.id(), check.id())
                        .isCloseTo(1, within(0.02));
                assertThat(chances).as("%s, %s", cause.id(), check.id()).doesNotContain(Double.NaN);
                if (!cause.answers().containsKey(check.id())) {
                    for (int o = 0; o < chances.length; o++) {
                        assertThat(chances[o]).isCloseTo(check.outcomes().get(o).usual(), within(0.01));
                    }
                }
            }
        }
    }

    @Test
    public void traitsAreOfAPartOfABuildOrOfWhatFeedsIt() {
        Build build = Library.demo("orchard-ledger").orElseThrow();
        Part battery = build.part("battery").orElseThrow();
        Part board = build.part("mainboard").orElseThrow();
        Part blower = build.part("blower").orElseThrow();
        assertThat(is("Cells", build, battery)).isTrue();
        assertThat(is("Cells", build, board)).isFalse();
        assertThat(is("series", build, battery)).isTrue();
        assertThat(is("family:SCREEN", build, build.part("panel").orElseThrow()))
                .isTrue();
        assertThat(is("case", build, board)).isTrue();
        assertThat(is("join", build, board)).isFalse();
        assertThat(is("feeding:Cells", build, board)).isTrue();
        assertThat(is("feeding:Converts", build, blower)).isTrue();
        assertThat(is("feeding:Converts", build, battery)).isFalse();
        assertThat(Trait.of("Converts").orElseThrow().isFor(build, battery)).isTrue();
        assertThat(Trait.of("feeding:Converts").orElseThrow().isFor(build, battery))
                .isFalse();
        for (String none : List.of("", "cells", "family:", "link:WOOD", "contact:LEVER", "feeding:Nothing", "a:b:c")) {
            assertThat(Trait.of(none)).as(none).isEmpty();
        }
    }

    private static boolean is(String trait, Build build, Part part) {
        return Trait.of(trait).orElseThrow().of(build, part);
    }
}
