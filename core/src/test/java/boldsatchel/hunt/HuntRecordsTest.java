package boldsatchel.hunt;

import static org.assertj.core.api.Assertions.assertThat;

import boldsatchel.edit.Edits;
import boldsatchel.edit.HuntEdits;
import boldsatchel.format.BuildFormat;
import boldsatchel.format.Extras;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.quantity.Basis;
import boldsatchel.quantity.Figure;
import boldsatchel.report.HelpReport;
import boldsatchel.sheet.HuntSheet;
import boldsatchel.sheet.Sheets;
import boldsatchel.sheet.Table;
import boldsatchel.shelf.Library;
import boldsatchel.verdict.Evaluation;
import boldsatchel.verdict.Evaluator;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What is written down of hunts and differences, in files, tables and for helpers. */
public class HuntRecordsTest {

    private static final Journal.Clue SEEN = new Journal.Clue("wiggle", "steady", Optional.empty(), "the left hinge");
    private static final Journal.Clue READ =
            new Journal.Clue("far-busy", "", Optional.of(new Figure(11.5, 0.05, Basis.MEASURED)), "");

    private final Knowledge knowledge = Knowledge.shipped();
    private final Build demo = Library.demo("cave-survey").orElseThrow();

    private static Journal.Hunted hunted(String id) {
        return new Journal.Hunted(
                id,
                Optional.of(LocalDate.of(2026, 11, 27)),
                "restarts",
                "board",
                90,
                "the old board",
                List.of(SEEN, READ, Journal.Clue.skipped("strong-supply")),
                "",
                "since the new cable");
    }

    private Build with(Journal.Hunted... hunts) {
        Build build = demo;
        for (Journal.Hunted h : hunts) {
            build = HuntEdits.begin(h).change().apply(build);
        }
        return build;
    }

    @Test
    public void huntsAndDifferencesSurviveTheFile() throws Exception {
        Journal.Differs differs = new Journal.Differs(
                Optional.of(LocalDate.of(2026, 11, 26)), "lid", "hinge 2 mm lower", "a washer", "the keyboard", "B");
        Build build = Edits.journal("x", j -> j.and(differs)).change().apply(with(hunted("hunt-1")));
        String text = BuildFormat.write(new BuildFormat.Document(build, Extras.NONE));
        Build again = BuildFormat.read(text).build();
        assertThat(again.journal()).isEqualTo(build.journal());
        assertThat(BuildFormat.write(BuildFormat.read(text))).isEqualTo(text);
        Table sheet = Sheets.all(Evaluator.evaluate(again)).stream()
                .filter(t -> t.id().equals("as-built"))
                .findFirst()
                .orElseThrow();
        assertThat(sheet.rows())
                .containsExactly(List.of("2026-11-26", "lid", "hinge 2 mm lower", "a washer", "the keyboard", "B"));
    }

    /** A file of the time before there were hunts. */
    @Test
    public void aFileWithoutHuntsIsTaken() throws Exception {
        String text = BuildFormat.write(new BuildFormat.Document(demo, Extras.NONE));
        String older = text.replaceAll(",\\s*\"hunts\" ?: \\[ \\],\\s*\"asBuilt\" ?: \\[ \\]", "");
        assertThat(older).isNotEqualTo(text);
        assertThat(BuildFormat.read(older).build()).isEqualTo(demo);
    }

    @Test
    public void eachStepOfAHuntIsAnEditOfItsOwn() {
        Build build = with(hunted("hunt-1"));
        assertThat(HuntEdits.freeId(build)).isEqualTo("hunt-2");
        build = HuntEdits.begin(hunted("hunt-2").with(List.of())).change().apply(build);
        build = HuntEdits.change("x", "hunt-2", h -> h.and(SEEN).and(SEEN))
                .change()
                .apply(build);
        assertThat(build.journal().hunts().getFirst()).isEqualTo(hunted("hunt-1"));
        assertThat(build.journal().hunts().getLast().clues()).containsExactly(SEEN, SEEN);
        build = HuntEdits.change(
                        "x", "hunt-2", h -> h.without(0).boxed(30, "walk").ended("fuse-blown"))
                .change()
                .apply(build);
        Journal.Hunted second = build.journal().hunts().getLast();
        assertThat(second.clues()).containsExactly(SEEN);
        assertThat(second.boxMinutes()).isEqualTo(30);
        assertThat(second.fallback()).isEqualTo("walk");
        assertThat(second.culprit()).isEqualTo("fuse-blown");
        build = HuntEdits.forget("hunt-1").change().apply(build);
        assertThat(build.journal().hunts()).containsExactly(second);
        assertThat(HuntEdits.freeId(build)).isEqualTo("hunt-1");
    }

    private Hunt hunt(Evaluation evaluation) {
        return Hunt.begin(
                knowledge,
                evaluation,
                knowledge.symptom("restarts").orElseThrow(),
                evaluation.build().part("board").orElseThrow());
    }

    @Test
    public void aHelperReadsWhatWasSeenTriedAndIsLeft() {
        Build build = with(hunted("hunt-1"));
        Evaluation evaluation = Evaluator.evaluate(build);
        List<Table> tables = HuntSheet.of(evaluation, hunt(evaluation), hunted("hunt-1"));
        assertThat(tables).extracting(Table::id).containsExactly("seen", "tried", "suspects", "left");
        assertThat(tables.getFirst().rows())
                .contains(List.of("What is seen", "It restarts by itself now and then"))
                .contains(List.of("Since", "2026-11-27"))
                .contains(List.of("Notes", "since the new cable"));
        assertThat(tables.get(1).rows())
                .contains(List.of("Move plugs and wires while it runs: nothing changes", "the left hinge"))
                .anyMatch(r -> r.getFirst().startsWith("Volts at its socket, under load: 11.5 "))
                .anyMatch(r -> r.getFirst().endsWith("cannot be done"));
        assertThat(tables.get(3).rows())
                .isNotEmpty()
                .noneMatch(r -> r.getFirst().equals("A supply of the same volts with twice the amps"));
    }

    @Test
    public void theFileForHelpersCanBeReadAndHoldsNothingPrivate() {
        Build build = Edits.notes("the key is under the mat")
                .change()
                .apply(with(hunted("hunt-0").ended("fuse-blown"), hunted("hunt-1")));
        Evaluation evaluation = Evaluator.evaluate(build);
        Hunt hunt = hunt(evaluation);
        String text = HelpReport.json(evaluation, hunt, hunted("hunt-1"));
        JsonNode root = new JsonMapper().readTree(text);
        assertThat(root.path("format").asString("")).isEqualTo("bold-satchel-help");
        assertThat(root.path("checked")).hasSize(3);
        assertThat(root.path("checked").get(1).path("value").asDouble()).isEqualTo(11.5);
        double sum = 0;
        for (JsonNode suspect : root.path("suspects")) {
            sum += suspect.path("weight").asDouble();
        }
        assertThat(sum).isBetween(1 - 1e-9, 1 + 1e-9);
        assertThat(root.path("judgement").path("verdicts")).isNotEmpty();
        JsonNode journal = root.path("build").path("build").path("journal");
        assertThat(journal.path("hunts")).hasSize(1);
        assertThat(journal.path("notes").asString("-")).isEmpty();
        assertThat(text).doesNotContain("under the mat");
    }

    @Test
    public void whatClueWasWorthWhatIsAShareOfTheDoubtBefore() {
        Hunt hunt = hunt(Evaluator.evaluate(demo));
        List<Journal.Clue> clues = List.of(SEEN, READ, Journal.Clue.skipped("strong-supply"));
        List<Double> worths = hunt.worths(clues);
        assertThat(worths).hasSize(3).allMatch(w -> w <= 1);
        assertThat(worths.getLast()).isZero();
        double left = hunt.after(List.of(), 0).bits();
        for (double worth : worths) {
            left *= 1 - worth;
        }
        assertThat(left)
                .isBetween(
                        hunt.after(clues, 0).bits() - 1e-9, hunt.after(clues, 0).bits() + 1e-9);
        Belief belief = hunt.after(clues, 0);
        assertThat(belief.suspects()).allMatch(w -> w.spoke().size() == 3);
        assertThat(belief.suspects()).anyMatch(w -> w.mostAgainst().isPresent());
        belief.next()
                .forEach(n -> assertThat(n.tells())
                        .isIn("halves the suspects or better", "tells a good deal", "tells something", "tells little"));
    }
}
