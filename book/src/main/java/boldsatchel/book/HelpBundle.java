package boldsatchel.book;

import boldsatchel.drawing.Drawing;
import boldsatchel.drawing.PowerDrawings;
import boldsatchel.hunt.Hunt;
import boldsatchel.machine.Build;
import boldsatchel.machine.Journal;
import boldsatchel.power.PowerResult;
import boldsatchel.report.HelpReport;
import boldsatchel.sheet.HuntSheet;
import boldsatchel.sheet.Sheets;
import boldsatchel.verdict.Evaluation;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What a stranger needs who is asked to help with a fault: pages to read, and all of it for their own copy of the program. */
public final class HelpBundle {

    private HelpBundle() {}

    /** Both files by their names; no path, note, picture or price is in them. */
    public static Map<String, byte[]> files(Evaluation evaluation, Hunt hunt, Journal.Hunted hunted) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        String title = hunt.symptom().title() + " · " + evaluation.build().name();
        files.put("help.pdf", PdfWriter.pdf(title, pages(evaluation, hunt, hunted, title)));
        files.put("help.json", HelpReport.json(evaluation, hunt, hunted).getBytes(StandardCharsets.UTF_8));
        return files;
    }

    private static List<Drawing> pages(Evaluation evaluation, Hunt hunt, Journal.Hunted hunted, String title) {
        Build build = evaluation.build();
        Flow flow = new Flow(title);
        HuntSheet.of(evaluation, hunt, hunted).forEach(t -> Tables.put(flow, t));
        Sheets.wired(evaluation).forEach(t -> Tables.put(flow, t));
        List<Drawing> pages = new ArrayList<>(flow.done());
        for (PowerResult.ChainResult chain : evaluation.of(PowerResult.class).chains()) {
            build.rung(chain.source())
                    .ifPresent(root -> pages.add(PowerDrawings.ladder(build, root, chain.busiest(), "")));
        }
        return pages;
    }
}
